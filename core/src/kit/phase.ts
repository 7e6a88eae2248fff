/** Phases of a kit's steps, in the order they are worked. */
export const PHASES = ['prepare', 'strip', 'fitLoose', 'align', 'torque', 'cure', 'closeOut'] as const;
export type Phase = (typeof PHASES)[number];
