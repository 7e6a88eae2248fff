import type { AnswerValue } from '../kit/condition.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import type { Person } from './role.ts';
import type { VisitCommand } from './visit-command.ts';

/** How the vehicle stands: some joints are torqued only with the suspension loaded. */
export type LoadState = 'hanging' | 'rideHeight' | 'onWheels';

/** What a fitter may ask to be done. Whether it may be is decided by `decide`. */
export type JobCommand =
  /** `seen`: the answer it is meant to replace, so that two people answering at once do not undo each other unseen. */
  | { type: 'changeAnswer'; question: string; value: AnswerValue; seen?: AnswerValue | null }
  /** Sets the count of a line; `damaged` of the found pieces are not fit for use. */
  | { type: 'countLine'; item: string; found: number; damaged: number }
  | { type: 'useShopStock'; item: string; quantity: number; reason: string }
  | { type: 'scrapPiece'; item: string; quantity: number; reason: string }
  /** Pieces counted on the tray at the end. */
  | { type: 'declareSpare'; item: string; quantity: number }
  | { type: 'startByHand'; station: string }
  /** `cleaned`: old compound, oil and dirt are off the thread. */
  | { type: 'applyCompound'; station: string; cleaned: boolean }
  | { type: 'snug'; station: string; tool: 'hand' | 'power' }
  | PullCommand
  /** For joints with no figure: the stop is reached. Where the sheet gives neither, the reason says how it was judged. */
  | { type: 'confirmStop'; station: string; reason?: string }
  /** `out`: the bolt comes out; `started`: it stays in by hand. */
  | { type: 'loosen'; station: string; to: 'started' | 'out'; reason: string }
  | { type: 'setLoadState'; state: LoadState; measuredMm?: number }
  | { type: 'correctPull'; station: string; pull: string; torqueNm: number; reason: string }
  | { type: 'raiseProblem'; station?: string; text: string }
  | { type: 'clearProblem'; problem: string; how: string }
  | ({ type: 'useCalculation' } & CalculationUsed)
  | { type: 'override'; refusal: string; station: string; reason: string }
  | VisitCommand
  /** Takes back this person's last count, start, pull or step. */
  | { type: 'undo' }
  | { type: 'close'; signature: string; note?: string };

/** A figure worked out at the bench and used on a job, on a lead's word. It is never taken for the sheet's own. */
export interface CalculationUsed {
  station?: string;
  /** Which tool of the bench. */
  tool: string;
  /** What it said, in one line. */
  summary: string;
  /** Address that shows the calculation again, with all its values. */
  link: string;
  reason: string;
}

export interface PullCommand {
  type: 'pull';
  station: string;
  torqueNm: number;
  /** Degrees after the threshold, for torque-angle. */
  angleDeg?: number;
  wrench: string;
  source: 'typed' | 'live';
  /** What was typed, before conversion. */
  entered?: { value: number; unit: TorqueUnit };
  /** Degrees turned during the whole pull; only a live wrench knows. */
  movementDeg?: number;
  /** Typed readings outside the band are asked about once; this says: it really was so. */
  confirmed?: boolean;
  /** For a castle nut: the pin goes through. */
  pinFits?: boolean;
  /** For a bearing: seated while turning and backed off first. */
  seatedAndBackedOff?: boolean;
}

/** A command with who gave it, when, and an id made on the device: sending it twice changes nothing. */
export interface CommandEnvelope {
  id: string;
  atMs: number;
  by: Person;
  device?: string;
  command: JobCommand;
}
