import type { JobEvent } from '../job/acts.ts';
import type { CloseBlock } from '../job/close-block.ts';
import { closeBlocks } from '../job/close-blocks.ts';
import { checkOpen, waitsFor } from '../job/gate/joint-gate.ts';
import { hardwareLedger } from '../job/hardware-ledger.ts';
import { type JobLog, type JobSetup, oneKit, openLog } from '../job/job-log.ts';
import { jointNext, nextOnLine } from '../job/line-next.ts';
import { lineProgress, waitsOfAct } from '../job/line-progress.ts';
import type { Refusal } from '../job/refusal.ts';
import type { Person } from '../job/role.ts';
import { askedBefore } from '../kit/asked.ts';
import type { Answers } from '../kit/condition.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { indexOf } from '../kit/plan.ts';
import type { ResolveError } from '../kit/resolve.ts';
import { type LineAct, lineOf } from '../line/line.ts';
import { lineKind } from '../line/line-kinds.ts';
import type { Wrench } from '../wrench/wrench.ts';
import { CarefulFitter, FitterRefused, type Move } from './careful-fitter.ts';

/** Why a fitter cannot go on, and the act in hand. */
export type DeadEnd =
  /** The kit has no plan for these answers. */
  | { code: 'noPlan'; error: ResolveError }
  /** The fitter was refused what comes next. */
  | { code: 'refused'; act?: string; station?: string; refusal: Refusal }
  /** Nothing is next, and this is not done. */
  | { code: 'nothingNext'; act: string; waits?: Refusal }
  /** The same things come again and again. */
  | { code: 'circle'; act: string }
  /** The line is done, and the job does not close. */
  | { code: 'doesNotClose'; blocks: CloseBlock[] };

/** What is left of a line of the packing list when all is done. */
export interface Leftover {
  item: string;
  left: number;
  /** What the sheet says is left; undefined where it says nothing. */
  stated?: number;
}

/** A kit, played once through. */
export interface Rehearsal {
  /** What it was played with: to open it again and follow it. */
  setup: JobSetup;
  events: JobEvent[];
  moves: Move[];
  deadEnd?: DeadEnd;
  /** Steps and lines of the kit that were there. */
  steps: string[];
  items: string[];
  leftovers: Leftover[];
  /** Stations whose figure the sheet leaves to somebody. */
  figuresLookedUp: string[];
  /** Lockers whose strength the sheet leaves to a lead, by name. */
  productsNamed: string[];
  /** Hands at work, minutes, and how much of that the sheet itself says. */
  workMinutes: number;
  statedMinutes: number;
  /** Nothing to do but wait, minutes. */
  waitMinutes: number;
  /** Lowest and highest torque pulled, N·m. */
  torqueNm?: { min: number; max: number };
}

/** Who plays: a lead, who may do all that is done on the floor. */
export const LEAD: Person = { id: 'rehearsal', name: 'Dry run', role: 'lead' };
export const LEAD_AGAIN: Person = { id: 'second-look', name: 'Second look', role: 'lead' };
/** A Monday at eight, so that clocks say the same each time. */
const BEGINS_MS = Date.UTC(2026, 0, 5, 8);

/** A dry run is about the kit, not about a shop: one wrench for every pull there is. */
export const ANY_WRENCH: readonly Wrench[] = [
  {
    id: 'any',
    label: 'any',
    kind: 'digital',
    squareDrive: '1/2 in',
    fullScaleNm: 10_000,
    lowestNm: 0.01,
    scaleUnit: 'N·m',
    calibrationDueOn: '2126-01-01',
    live: true,
  },
];

/** Hands at one move, minutes, where the sheet gives its step no time (chosen by us). */
const MINUTES_OF: Partial<Record<Move['command']['type'], number>> = {
  countLine: 0.5,
  startByHand: 0.5,
  applyCompound: 1,
  snug: 0.5,
  pull: 1,
  doStage: 1,
  seeMark: 0.5,
  confirmStop: 0.5,
  setLoadState: 3,
  doAct: 4,
};

/** More moves than this, and the line goes in a circle. */
const MOST_MOVES = 20_000;

/** What an act that is not done waits for, beyond the acts before it. */
function waitsOf({ plan, state }: JobLog, act: LineAct): Refusal | undefined {
  const { action } = act;
  const waits = waitsOfAct(plan, state, act);
  if (waits) return waits;
  const group = 'group' in action && action.group ? indexOf(plan).groups.get(action.group) : undefined;
  if (!lineKind(action).byStations || !group) return undefined;
  const stage = action.type === 'start' || action.type === 'snug' ? action.type : 'torque';
  const others = waitsFor({ plan }, state, group, stage);
  if (others) return others;
  const next = jointNext(plan, state, act);
  const station = next.kind === 'pull' || next.kind === 'confirmStop' ? next.station : undefined;
  const pulled = station === undefined ? undefined : indexOf(plan).stations.get(station);
  if (!pulled) return undefined;
  return (
    checkOpen(plan, state, pulled) ??
    (pulled.spec.kind === 'missing' ? { code: 'figureLater', station: pulled.id } : undefined)
  );
}

/** Where the line stands although it is not done: the first act that does not just wait for one before it. */
function nothingNext(log: JobLog): DeadEnd | undefined {
  const { plan, state } = log;
  const { acts: done } = lineProgress(plan, state);
  const open = lineOf(plan).steps.flatMap(({ acts }) => acts.filter(({ id }) => !done.has(id)));
  const chain = new Set(['stepWaitsFor', 'actWaitsFor', 'stripOpen']);
  const root = open.find((act) => !chain.has(waitsOf(log, act)?.code ?? '')) ?? open[0];
  return root && { code: 'nothingNext', act: root.id, waits: waitsOf(log, root) };
}

/** Plays the line to its end, as far as it goes. */
function play(fitter: CarefulFitter): DeadEnd | undefined {
  try {
    fitter.checkIn();
    while (fitter.onLine()) {
      fitter.checkIn();
      if (fitter.moves.length > MOST_MOVES) return { code: 'circle', act: fitter.moves.at(-1)?.act ?? '' };
    }
    const stands = nothingNext(fitter.log);
    if (stands) return stands;
    fitter.closeOut();
  } catch (error) {
    if (!(error instanceof FitterRefused)) throw error;
    const { refusal, command } = error;
    if (refusal.code === 'closeBlocked') return { code: 'doesNotClose', blocks: refusal.blocks };
    const { plan, state } = fitter.log;
    const next = command.type === 'close' ? undefined : nextOnLine(plan, state, LEAD.id, fitter.nowMs);
    return {
      code: 'refused',
      act: next?.act.id,
      ...('station' in command ? { station: command.station } : {}),
      refusal,
    };
  }
  const blocks = closeBlocks(fitter.log.plan, fitter.log.state);
  return blocks.length > 0 ? { code: 'doesNotClose', blocks } : undefined;
}

/** Minutes of hands at some moves: what the sheet says of a step they are for, else what they take. */
export const minutesOfMoves = ({ plan }: JobLog, moves: readonly Move[]): number => {
  const { actById } = lineOf(plan);
  const byStep = new Map(plan.steps.map((step) => [step.id, step.minutes]));
  const stepOf = ({ act }: Move) => (act === undefined ? undefined : actById.get(act)?.step);
  const stated = [...new Set(moves.map(stepOf))].reduce((sum, id) => sum + (byStep.get(id ?? '') ?? 0), 0);
  return moves.reduce(
    (sum, move) => sum + (byStep.get(stepOf(move) ?? '') === undefined ? (MINUTES_OF[move.command.type] ?? 0) : 0),
    stated,
  );
};

/** Minutes of hands, step by step: what the sheet says of a step, else what its moves take. */
function minutesOf(log: JobLog, moves: readonly Move[]): { work: number; stated: number } {
  const stated = log.plan.steps.reduce((sum, step) => sum + (step.minutes ?? 0), 0);
  const beside = moves.filter(({ act }) => act === undefined);
  const onLine = moves.filter(({ act }) => act !== undefined);
  return { work: minutesOfMoves(log, beside) + minutesOfMoves(log, onLine), stated };
}

/** What is left on the tray. Of shims that is the gaps' to say, not the kit's. */
function leftoversOf({ plan, state }: JobLog): Leftover[] {
  const shims = new Set(
    plan.steps.flatMap(({ actions }) => actions.flatMap((action) => (action.type === 'shim' ? action.shims : []))),
  );
  return hardwareLedger(plan, state).flatMap(({ item, spare, onTray }) => {
    const left = Math.max(spare, onTray);
    if (shims.has(item.id)) return [];
    const { statedSpare } = item;
    if (left <= 0 && statedSpare === undefined) return [];
    return [{ item: item.id, left, ...(statedSpare === undefined ? {} : { stated: statedSpare }) }];
  });
}

/**
 * Plays a kit as a careful fitter will see it, on one vehicle.
 *
 * @param answers - all that is asked, found and chosen, by answer id
 */
export function rehearse(kit: KitDocument, answers: Answers): Rehearsal {
  const before = new Set(askedBefore(kit).map(({ id }) => id));
  const setup: JobSetup = {
    ...oneKit(kit),
    vehicle: { fitted: [] },
    answers: Object.fromEntries(Object.entries(answers).filter(([id]) => before.has(id))),
    shop: {},
  };
  const nothing = {
    setup,
    events: [],
    moves: [],
    steps: [],
    items: [],
    leftovers: [],
    figuresLookedUp: [],
    productsNamed: [],
  };
  const opened = openLog(setup);
  if (!opened.ok)
    return {
      ...nothing,
      deadEnd: { code: 'noPlan', error: opened.error },
      workMinutes: 0,
      statedMinutes: 0,
      waitMinutes: 0,
    };
  const fitter = new CarefulFitter(opened.value, ANY_WRENCH, LEAD, BEGINS_MS, {
    said: answers,
    looksUpFigures: true,
    secondLook: LEAD_AGAIN,
  });
  const deadEnd = play(fitter);
  const { log, moves, events } = fitter;
  const { work, stated } = minutesOf(log, moves);
  const pulled = moves.flatMap(({ command }) => (command.type === 'pull' ? [command.torqueNm] : []));
  return {
    setup,
    events,
    moves,
    ...(deadEnd ? { deadEnd } : {}),
    steps: log.plan.steps.map(({ id }) => id),
    items: log.plan.items.map(({ id }) => id),
    leftovers: deadEnd ? [] : leftoversOf(log),
    figuresLookedUp: moves.flatMap(({ command }) => (command.type === 'giveFigure' ? [command.target] : [])),
    productsNamed: moves.flatMap(({ command }) => (command.type === 'nameCompound' ? [command.product] : [])),
    workMinutes: work,
    statedMinutes: stated,
    waitMinutes: moves.reduce((sum, { waitedMs }) => sum + waitedMs, 0) / 60_000,
    ...(pulled.length > 0 ? { torqueNm: { min: Math.min(...pulled), max: Math.max(...pulled) } } : {}),
  };
}
