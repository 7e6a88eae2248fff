/** What becomes of pieces that were taken aside: good after all, or thrown away. Until then they are kept for their maker. */
export const APART_ENDS = ['tray', 'scrap'] as const;
export type ApartEnd = (typeof APART_ENDS)[number];
