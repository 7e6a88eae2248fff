/** Where the chocks stand: at the end that stays on the floor; `none` where the whole vehicle goes up. */
export const CHOCKS = ['front', 'rear', 'none'] as const;
export type Chocks = (typeof CHOCKS)[number];
