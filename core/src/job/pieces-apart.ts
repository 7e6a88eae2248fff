import type { LineState } from './job-state.ts';

/** Pieces of a line that are kept apart now. */
export const piecesApart = ({ apart = [], apartEnded = [] }: LineState): number =>
  apart.reduce((sum, { quantity }) => sum + quantity, 0) - apartEnded.reduce((sum, { quantity }) => sum + quantity, 0);
