import type { PrintedSpec } from '../kit/printed-spec.ts';

/** What a figure rests on, best first: a person looks further down only when nothing stands above. */
export const FIGURE_SOURCES = ['kitSheet', 'vehicleMaker', 'otherKit', 'estimate', 'byFeel'] as const;
export type FigureSource = (typeof FIGURE_SOURCES)[number];

/** A torque as it was typed, and what was read from it. */
export type Figure = Pick<PrintedSpec, 'spec' | 'printed'>;

/** A figure a person gave for a joint whose sheet has none. */
export interface GivenFigure {
  source: FigureSource;
  note: string;
  /** Absent where it is done by feel. */
  figure?: Figure;
}
