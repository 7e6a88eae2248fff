/** Stretches of the one line of work, in the order they are worked. */
export const PHASES = ['prepare', 'strip', 'loose', 'align', 'snug', 'torque', 'hold', 'refit', 'prove'] as const;
export type Phase = (typeof PHASES)[number];
