import { acknowledgeBreak } from './act/acknowledge-break.ts';
import type { Act } from './act/act.ts';
import type { ActName } from './act/act-name.ts';
import { addAddendum } from './act/add-addendum.ts';
import { addDebt } from './act/add-debt.ts';
import { addKit } from './act/add-kit.ts';
import { addStep } from './act/add-step.ts';
import { addWasher } from './act/add-washer.ts';
import { answerPrerequisite } from './act/answer-prerequisite.ts';
import { applyCompound } from './act/apply-compound.ts';
import { arrangeRefit } from './act/arrange-refit.ts';
import { arrangeTool } from './act/arrange-tool.ts';
import { beginClock } from './act/begin-clock.ts';
import { changeAnswer } from './act/change-answer.ts';
import { clearProblem } from './act/clear-problem.ts';
import { close } from './act/close.ts';
import { closeDebt } from './act/close-debt.ts';
import { confirmStop } from './act/confirm-stop.ts';
import { correctPull } from './act/correct-pull.ts';
import { countLine } from './act/count-line.ts';
import { declareSpare } from './act/declare-spare.ts';
import { doAct } from './act/do-act.ts';
import { doStage } from './act/do-stage.ts';
import { doStep } from './act/do-step.ts';
import { dropKit } from './act/drop-kit.ts';
import { findOut } from './act/find-out.ts';
import { giveFigure } from './act/give-figure.ts';
import { handBack } from './act/hand-back.ts';
import { handKey } from './act/hand-key.ts';
import { keepPhoto } from './act/keep-photo.ts';
import { lookAgain } from './act/look-again.ts';
import { loosen } from './act/loosen.ts';
import { makeChoice } from './act/make-choice.ts';
import { measure } from './act/measure.ts';
import { mendThread } from './act/mend-thread.ts';
import { nameCompound } from './act/name-compound.ts';
import { noteBought } from './act/note-bought.ts';
import { noteSerial } from './act/note-serial.ts';
import { openDebt } from './act/open-debt.ts';
import { orderPieces, takeArrival } from './act/order-pieces.ts';
import { override } from './act/override.ts';
import { overrideStep } from './act/override-step.ts';
import { park } from './act/park.ts';
import { pull } from './act/pull.ts';
import { putInTray } from './act/put-in-tray.ts';
import { raiseProblem } from './act/raise-problem.ts';
import { recountLine } from './act/recount-line.ts';
import { resume } from './act/resume.ts';
import { scrapPiece } from './act/scrap-piece.ts';
import { seeMark } from './act/see-mark.ts';
import { endApart, setApart } from './act/set-apart.ts';
import { setBayTemperature } from './act/set-bay-temperature.ts';
import { setLoadState } from './act/set-load-state.ts';
import { settleBasis } from './act/settle-basis.ts';
import { settleConflict } from './act/settle-conflict.ts';
import { snug } from './act/snug.ts';
import { splitShared } from './act/split-shared.ts';
import { startByHand } from './act/start-by-hand.ts';
import { takeStep } from './act/take-step.ts';
import { undoAct } from './act/undo.ts';
import { useCalculation } from './act/use-calculation.ts';
import { useShopStock } from './act/use-shop-stock.ts';
import { waiveCare } from './act/waive-care.ts';
import { waiveStep } from './act/waive-step.ts';
import type { Origin, Stamp } from './stamp.ts';

/** Acts that a person may take back. */
const TAKEN_BACK = {
  countLine,
  startByHand,
  applyCompound,
  snug,
  pull,
  doStep,
  doAct,
  waiveStep,
  waiveCare,
  lookAgain,
};
type TakenBack = (typeof TAKEN_BACK)[keyof typeof TAKEN_BACK];

/** The facts in what an act may decide. */
type FactIn<Decided> = Decided extends { facts: Array<infer Fact> } ? Fact : never;

/** Every act there is, each by its definition. Unions, roles and lists follow from this table. */
export const ACTS = {
  changeAnswer,
  countLine,
  recountLine,
  noteSerial,
  setApart,
  endApart,
  putInTray,
  handKey,
  orderPieces,
  takeArrival,
  useShopStock,
  scrapPiece,
  declareSpare,
  startByHand,
  applyCompound,
  snug,
  pull,
  doStage,
  confirmStop,
  seeMark,
  loosen,
  mendThread,
  addWasher,
  setLoadState,
  correctPull,
  raiseProblem,
  clearProblem,
  useCalculation,
  override,
  answerPrerequisite,
  measure,
  makeChoice,
  findOut,
  addStep,
  arrangeTool,
  noteBought,
  doAct,
  doStep,
  waiveStep,
  waiveCare,
  lookAgain,
  beginClock,
  takeStep,
  setBayTemperature,
  park,
  resume,
  handBack,
  openDebt,
  addDebt,
  closeDebt,
  arrangeRefit,
  giveFigure,
  nameCompound,
  settleBasis,
  settleConflict,
  splitShared,
  addKit,
  dropKit,
  overrideStep,
  undo: undoAct<FactIn<ReturnType<TakenBack['decide']>>>(TAKEN_BACK),
  keepPhoto,
  acknowledgeBreak,
  close,
  addAddendum,
  // biome-ignore lint/suspicious/noExplicitAny: only the name is checked here; each act types its own facts
} satisfies { [Name in ActName]: Act<{ type: Name }, any, any> };

type Acts = (typeof ACTS)[ActName];

/** What a person may ask to be done. Whether it may be is decided by `decide`. */
export type JobCommand = Parameters<Acts['decide']>[1];

/** Facts in the past tense. Each says all that `fold` needs; nothing is looked up again later. */
export type JobFact = FactIn<ReturnType<Acts['decide']>>;

/**
 * A fact with the command that caused it, who and when, and the version of its shape. The server adds sequence number
 * and hash.
 */
export type JobEvent = JobFact & Stamp & Origin & { version?: number };
