import type { AnswerValue } from '../kit/condition.ts';
import type { PrintedSpec } from '../kit/kit-document.ts';
import type { Fate } from '../kit/kit-step.ts';

/** What a figure rests on, best first: a person looks further down only when nothing stands above. */
export type FigureSource = 'kitSheet' | 'vehicleMaker' | 'otherKit' | 'estimate' | 'byFeel';
export const FIGURE_SOURCES: readonly FigureSource[] = ['kitSheet', 'vehicleMaker', 'otherKit', 'estimate', 'byFeel'];

/** A torque as it was typed, and what was read from it. */
export type Figure = Pick<PrintedSpec, 'spec' | 'printed'>;

/** What may be owed: a removed thing, something opened, a bolt loosened for access, something put on for the work. */
export type DebtKind = 'removed' | 'disconnect' | 'neighbour' | 'temporary' | 'other';

/** Where a debt ends. `cleared`: closed, tightened again or taken away, which have one end only. */
export type DebtEnd = Fate | 'cleared';

/** The chocks stand at the end that stays on the floor; `none` where the whole vehicle goes up. */
export type Chocks = 'front' | 'rear' | 'none';

/** Commands about the visit as a whole: what must be true before, what comes off, what several kits do to each other. */
export type VisitCommand =
  | { type: 'answerPrerequisite'; prerequisite: string; met: boolean; value?: number; note?: string }
  /** `before` is the baseline, `after` what came of it. */
  | { type: 'measure'; baseline: string; place: string; when: 'before' | 'after'; value: number; photo?: string }
  | { type: 'makeChoice'; choice: string; option: string; chosenBy: string }
  /** `helper`: who helps, where a step needs two; `newPieces`: single-use pieces are replaced by new ones. */
  | { type: 'doStep'; step: string; helper?: string; chocks?: Chocks; newPieces?: boolean }
  /** Taken off, opened or put on outside the steps. */
  | { type: 'openDebt'; debt: string }
  /** Something no sheet speaks of. */
  | { type: 'addDebt'; name: string; kind: DebtKind; count: number; end: DebtEnd; note?: string }
  | { type: 'closeDebt'; debt: string; count: number; end: DebtEnd; note?: string; newPieces?: boolean }
  /** The order in which a person puts things back, by step. */
  | { type: 'arrangeRefit'; order: string[] }
  /** A figure for a joint or a refitted bolt whose sheet gives none; absent where it is done by feel. */
  | { type: 'giveFigure'; target: string; figure?: Figure; source: FigureSource; note: string }
  /** A lead's choice between kits at odds. */
  | { type: 'settleConflict'; conflict: string; choice: string; figure?: Figure; reason: string }
  /** Two things of one name are two. */
  | { type: 'splitShared'; key: string; reason: string }
  | { type: 'addKit'; prefix: string; kit: string; revision: number; answers: Record<string, AnswerValue> }
  | { type: 'dropKit'; prefix: string; reason: string }
  /** Lifts a refusal for one step. */
  | { type: 'overrideStep'; refusal: string; step: string; reason: string };

export const VISIT_COMMANDS = [
  'answerPrerequisite',
  'measure',
  'makeChoice',
  'doStep',
  'openDebt',
  'addDebt',
  'closeDebt',
  'arrangeRefit',
  'giveFigure',
  'settleConflict',
  'splitShared',
  'addKit',
  'dropKit',
  'overrideStep',
] as const satisfies ReadonlyArray<VisitCommand['type']>;
