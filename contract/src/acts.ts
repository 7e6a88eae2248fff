import { z } from 'zod';
import type { AddKit } from '#core/job/act/add-kit.ts';
import type { KeepPhoto } from '#core/job/act/keep-photo.ts';
import type { JobCommand, JobEvent, JobFact } from '#core/job/acts.ts';
import type { EventClock } from '#core/job/command-time.ts';
import { PROOF_KINDS } from '#core/job/stamp.ts';
import { AcknowledgeBreakSchema, BreakAcknowledgedSchema } from './act/acknowledge-break.ts';
import { AddAddendumSchema, AddendumMadeSchema } from './act/add-addendum.ts';
import { AddDebtSchema, DebtAddedSchema } from './act/add-debt.ts';
import { KitAddedSchema } from './act/add-kit.ts';
import { AddStepSchema, StepAddedSchema } from './act/add-step.ts';
import { AddWasherSchema, WasherAddedSchema } from './act/add-washer.ts';
import { AnswerPrerequisiteSchema, PrerequisiteAnsweredSchema } from './act/answer-prerequisite.ts';
import { ApplyCompoundSchema, CompoundAppliedSchema, CompoundWithdrawnSchema } from './act/apply-compound.ts';
import { ArrangeRefitSchema, RefitArrangedSchema } from './act/arrange-refit.ts';
import { ArrangeToolSchema, ToolArrangedSchema } from './act/arrange-tool.ts';
import { BeginClockSchema, ClockBegunSchema } from './act/begin-clock.ts';
import { AnswerChangedSchema, ChangeAnswerSchema } from './act/change-answer.ts';
import { ClearProblemSchema, ProblemClearedSchema } from './act/clear-problem.ts';
import { CloseSchema, JobClosedSchema } from './act/close.ts';
import { CloseDebtSchema, DebtClosedSchema } from './act/close-debt.ts';
import { ConfirmStopSchema, StopConfirmedSchema } from './act/confirm-stop.ts';
import { CorrectPullSchema, PullCorrectedSchema } from './act/correct-pull.ts';
import { CountLineSchema, CountUndoneSchema, LineCountedSchema } from './act/count-line.ts';
import { DeclareSpareSchema, SpareDeclaredSchema } from './act/declare-spare.ts';
import { ActDoneSchema, ActsReopenedSchema, ActUndoneSchema, DoActSchema } from './act/do-act.ts';
import { DoStageSchema, StageDoneSchema } from './act/do-stage.ts';
import { DoStepSchema, StepDoneSchema, StepUndoneSchema } from './act/do-step.ts';
import { DropKitSchema, KitDroppedSchema } from './act/drop-kit.ts';
import { PersonSchema, Ref } from './act/fields.ts';
import { FindOutSchema, FoundOutSchema } from './act/find-out.ts';
import { FigureGivenSchema, GiveFigureSchema } from './act/give-figure.ts';
import { HandBackSchema, JobHandedBackSchema } from './act/hand-back.ts';
import { HandKeySchema, KeyHandedSchema } from './act/hand-key.ts';
import { PhotoKeptSchema } from './act/keep-photo.ts';
import { LookAgainSchema, LookedAgainSchema, LookTakenBackSchema } from './act/look-again.ts';
import { LoosenSchema, StationLoosenedSchema } from './act/loosen.ts';
import { ChoiceMadeSchema, MakeChoiceSchema } from './act/make-choice.ts';
import { MeasuredSchema, MeasureSchema } from './act/measure.ts';
import { MendThreadSchema, ThreadMendedSchema } from './act/mend-thread.ts';
import { CompoundNamedSchema, NameCompoundSchema } from './act/name-compound.ts';
import { BoughtSchema, NoteBoughtSchema } from './act/note-bought.ts';
import { NoteSerialSchema, SerialNotedSchema } from './act/note-serial.ts';
import { DebtOpenedSchema, OpenDebtSchema } from './act/open-debt.ts';
import { OrderPiecesSchema, PiecesArrivedSchema, PiecesOrderedSchema, TakeArrivalSchema } from './act/order-pieces.ts';
import { OverrideGrantedSchema, OverrideSchema } from './act/override.ts';
import { OverrideStepSchema, StepOverrideGrantedSchema } from './act/override-step.ts';
import { JobParkedSchema, ParkSchema } from './act/park.ts';
import {
  BesideReopenedSchema,
  MarksReopenedSchema,
  PullRecordedSchema,
  PullRepeatedSchema,
  PullSchema,
  PullWithdrawnSchema,
} from './act/pull.ts';
import { PutInTraySchema, TrayPlaceSetSchema } from './act/put-in-tray.ts';
import { ProblemRaisedSchema, RaiseProblemSchema } from './act/raise-problem.ts';
import { LineRecountedSchema, RecountLineSchema } from './act/recount-line.ts';
import { JobResumedSchema, ResumeSchema } from './act/resume.ts';
import { PieceScrappedSchema, ScrapPieceSchema } from './act/scrap-piece.ts';
import { MarkSeenSchema, SeeMarkSchema } from './act/see-mark.ts';
import { EndApartSchema, PieceApartEndedSchema, PieceSetApartSchema, SetApartSchema } from './act/set-apart.ts';
import { BayTemperatureSetSchema, SetBayTemperatureSchema } from './act/set-bay-temperature.ts';
import { LoadStateSetSchema, SetLoadStateSchema } from './act/set-load-state.ts';
import { BasisSettledSchema, SettleBasisSchema } from './act/settle-basis.ts';
import { ConflictSettledSchema, SettleConflictSchema } from './act/settle-conflict.ts';
import { SnugSchema, SnugWithdrawnSchema, StationSnuggedSchema } from './act/snug.ts';
import { SharedSplitSchema, SplitSharedSchema } from './act/split-shared.ts';
import { StartByHandSchema, StartUndoneSchema, StationStartedSchema } from './act/start-by-hand.ts';
import { StepTakenSchema, TakeStepSchema } from './act/take-step.ts';
import { UndoSchema } from './act/undo.ts';
import { CalculationUsedSchema, UseCalculationSchema } from './act/use-calculation.ts';
import { ShopStockUsedSchema, UseShopStockSchema } from './act/use-shop-stock.ts';
import { CareAskedAgainSchema, CareWaivedSchema, WaiveCareSchema } from './act/waive-care.ts';
import { StepWaivedSchema, WaiverTakenBackSchema, WaiveStepSchema } from './act/waive-step.ts';
import { exactly, membersOf } from './exactly.ts';

/** What a device may ask. A kit is taken in by a request of its own: the server pins it and makes its prefix. */
export type DeviceCommand = Exclude<JobCommand, AddKit | KeepPhoto>;

/** A schema per act. */
const COMMAND_SCHEMAS = {
  changeAnswer: ChangeAnswerSchema,
  countLine: CountLineSchema,
  recountLine: RecountLineSchema,
  noteSerial: NoteSerialSchema,
  setApart: SetApartSchema,
  endApart: EndApartSchema,
  putInTray: PutInTraySchema,
  handKey: HandKeySchema,
  orderPieces: OrderPiecesSchema,
  takeArrival: TakeArrivalSchema,
  useShopStock: UseShopStockSchema,
  scrapPiece: ScrapPieceSchema,
  declareSpare: DeclareSpareSchema,
  startByHand: StartByHandSchema,
  applyCompound: ApplyCompoundSchema,
  snug: SnugSchema,
  pull: PullSchema,
  doStage: DoStageSchema,
  confirmStop: ConfirmStopSchema,
  seeMark: SeeMarkSchema,
  loosen: LoosenSchema,
  mendThread: MendThreadSchema,
  addWasher: AddWasherSchema,
  setLoadState: SetLoadStateSchema,
  correctPull: CorrectPullSchema,
  raiseProblem: RaiseProblemSchema,
  clearProblem: ClearProblemSchema,
  useCalculation: UseCalculationSchema,
  override: OverrideSchema,
  acknowledgeBreak: AcknowledgeBreakSchema,
  close: CloseSchema,
  addAddendum: AddAddendumSchema,
  answerPrerequisite: AnswerPrerequisiteSchema,
  measure: MeasureSchema,
  makeChoice: MakeChoiceSchema,
  findOut: FindOutSchema,
  addStep: AddStepSchema,
  arrangeTool: ArrangeToolSchema,
  noteBought: NoteBoughtSchema,
  doAct: DoActSchema,
  doStep: DoStepSchema,
  waiveStep: WaiveStepSchema,
  waiveCare: WaiveCareSchema,
  lookAgain: LookAgainSchema,
  beginClock: BeginClockSchema,
  takeStep: TakeStepSchema,
  setBayTemperature: SetBayTemperatureSchema,
  park: ParkSchema,
  resume: ResumeSchema,
  handBack: HandBackSchema,
  openDebt: OpenDebtSchema,
  addDebt: AddDebtSchema,
  closeDebt: CloseDebtSchema,
  arrangeRefit: ArrangeRefitSchema,
  giveFigure: GiveFigureSchema,
  nameCompound: NameCompoundSchema,
  settleBasis: SettleBasisSchema,
  settleConflict: SettleConflictSchema,
  splitShared: SplitSharedSchema,
  dropKit: DropKitSchema,
  overrideStep: OverrideStepSchema,
  undo: UndoSchema,
} satisfies Record<DeviceCommand['type'], z.ZodType>;

/** A schema per fact. */
const FACT_SCHEMAS = {
  answerChanged: AnswerChangedSchema,
  lineCounted: LineCountedSchema,
  countUndone: CountUndoneSchema,
  lineRecounted: LineRecountedSchema,
  serialNoted: SerialNotedSchema,
  pieceSetApart: PieceSetApartSchema,
  pieceApartEnded: PieceApartEndedSchema,
  trayPlaceSet: TrayPlaceSetSchema,
  keyHanded: KeyHandedSchema,
  piecesOrdered: PiecesOrderedSchema,
  piecesArrived: PiecesArrivedSchema,
  shopStockUsed: ShopStockUsedSchema,
  pieceScrapped: PieceScrappedSchema,
  spareDeclared: SpareDeclaredSchema,
  stationStarted: StationStartedSchema,
  startUndone: StartUndoneSchema,
  compoundApplied: CompoundAppliedSchema,
  compoundWithdrawn: CompoundWithdrawnSchema,
  stationSnugged: StationSnuggedSchema,
  snugWithdrawn: SnugWithdrawnSchema,
  pullRecorded: PullRecordedSchema,
  stageDone: StageDoneSchema,
  pullRepeated: PullRepeatedSchema,
  besideReopened: BesideReopenedSchema,
  marksReopened: MarksReopenedSchema,
  pullWithdrawn: PullWithdrawnSchema,
  stopConfirmed: StopConfirmedSchema,
  markSeen: MarkSeenSchema,
  stationLoosened: StationLoosenedSchema,
  threadMended: ThreadMendedSchema,
  washerAdded: WasherAddedSchema,
  loadStateSet: LoadStateSetSchema,
  pullCorrected: PullCorrectedSchema,
  problemRaised: ProblemRaisedSchema,
  problemCleared: ProblemClearedSchema,
  calculationUsed: CalculationUsedSchema,
  overrideGranted: OverrideGrantedSchema,
  jobClosed: JobClosedSchema,
  addendumMade: AddendumMadeSchema,
  prerequisiteAnswered: PrerequisiteAnsweredSchema,
  measured: MeasuredSchema,
  choiceMade: ChoiceMadeSchema,
  foundOut: FoundOutSchema,
  stepAdded: StepAddedSchema,
  toolArranged: ToolArrangedSchema,
  bought: BoughtSchema,
  actDone: ActDoneSchema,
  actsReopened: ActsReopenedSchema,
  actUndone: ActUndoneSchema,
  stepWaived: StepWaivedSchema,
  waiverTakenBack: WaiverTakenBackSchema,
  lookedAgain: LookedAgainSchema,
  lookTakenBack: LookTakenBackSchema,
  careWaived: CareWaivedSchema,
  careAskedAgain: CareAskedAgainSchema,
  clockBegun: ClockBegunSchema,
  stepTaken: StepTakenSchema,
  bayTemperatureSet: BayTemperatureSetSchema,
  jobParked: JobParkedSchema,
  jobResumed: JobResumedSchema,
  jobHandedBack: JobHandedBackSchema,
  stepDone: StepDoneSchema,
  stepUndone: StepUndoneSchema,
  debtOpened: DebtOpenedSchema,
  debtAdded: DebtAddedSchema,
  debtClosed: DebtClosedSchema,
  refitArranged: RefitArrangedSchema,
  figureGiven: FigureGivenSchema,
  compoundNamed: CompoundNamedSchema,
  basisSettled: BasisSettledSchema,
  conflictSettled: ConflictSettledSchema,
  sharedSplit: SharedSplitSchema,
  kitAdded: KitAddedSchema,
  photoKept: PhotoKeptSchema,
  breakAcknowledged: BreakAcknowledgedSchema,
  kitDropped: KitDroppedSchema,
  stepOverrideGranted: StepOverrideGrantedSchema,
} satisfies Record<JobFact['type'], z.ZodType>;

export const JobCommandSchema: z.ZodType<DeviceCommand> = z.discriminatedUnion('type', membersOf(COMMAND_SCHEMAS));

const EventClockSchema = exactly<EventClock>()(
  z.strictObject({
    deviceMs: z.number(),
    offsetMs: z.number(),
    receivedMs: z.number(),
    offsetAtReceiptMs: z.number().optional(),
  }),
);
const stamp = {
  version: z.number().int().optional(),
  commandId: Ref,
  atMs: z.number(),
  by: PersonSchema,
  device: Ref.optional(),
  clock: EventClockSchema.optional(),
  signingKey: Ref.optional(),
  proof: z.enum(PROOF_KINDS).optional(),
};

const [first, ...others] = membersOf<z.ZodObject>(FACT_SCHEMAS);
/** A fact of the table with its stamp. Each fact is held to its type above; the mapping loses sight of that. */
export const JobEventSchema = z.discriminatedUnion('type', [
  first.extend(stamp),
  ...others.map((schema) => schema.extend(stamp)),
]) as unknown as z.ZodType<JobEvent>;
