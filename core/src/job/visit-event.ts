import type { AnswerValue } from '../kit/condition.ts';
import type { Settlement } from '../visit/conflict.ts';
import type { DebtEnd, DebtKind, Figure, FigureSource } from './visit-command.ts';

/** A figure a person gave for a joint whose sheet has none. */
export interface GivenFigure {
  source: FigureSource;
  note: string;
  /** Absent where it is done by feel. */
  figure?: Figure;
}

/** A debt that no sheet speaks of. */
export interface AddedDebt {
  name: string;
  kind: DebtKind;
  count: number;
  end: DebtEnd;
  note?: string;
}

/** Facts about the visit as a whole. Debts are named by every id they have, since kits that share one come and go. */
export type VisitFact =
  | { type: 'prerequisiteAnswered'; prerequisite: string; met: boolean; value?: number; note?: string }
  | { type: 'measured'; baseline: string; place: string; when: 'before' | 'after'; value: number; photo?: string }
  | { type: 'choiceMade'; choice: string; option: string; chosenBy: string }
  /** `covers`: steps of other kits that are done with it. */
  | { type: 'stepDone'; step: string; covers: string[]; helper?: string; chocks?: string }
  | { type: 'stepUndone'; step: string; covers: string[]; reopened: string[]; closedAgain: string[] }
  | { type: 'debtOpened'; debts: string[] }
  | ({ type: 'debtAdded'; debt: string } & AddedDebt)
  | { type: 'debtClosed'; debts: string[]; count: number; end: DebtEnd; note?: string; newPieces?: boolean }
  | { type: 'refitArranged'; order: string[] }
  | ({ type: 'figureGiven'; target: string } & GivenFigure)
  | { type: 'conflictSettled'; conflict: string; settlement: Settlement; reason: string }
  | { type: 'sharedSplit'; key: string; reason: string }
  | { type: 'kitAdded'; prefix: string; kit: string; revision: number; answers: Record<string, AnswerValue> }
  | { type: 'kitDropped'; prefix: string; reason: string }
  | { type: 'stepOverrideGranted'; refusal: string; step: string; reason: string };
