/**
 * What a bolt is run down with: by hand; with a power tool that is let off before the head touches; or with one that
 * seats the head too, where the kit leaves power tools free.
 */
export const SNUG_TOOLS = ['hand', 'power', 'powerSeated'] as const;
export type SnugTool = (typeof SNUG_TOOLS)[number];
