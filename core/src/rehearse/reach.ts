import { noCommands } from '../job/command-ids.ts';
import { debtsOf, isOwed } from '../job/debt.ts';
import type { JobLog } from '../job/job-log.ts';
import { stationState } from '../job/job-state.ts';
import { lineProgress } from '../job/line-progress.ts';
import type { LoadState } from '../job/load-state.ts';
import { stationComplete } from '../job/station-progress.ts';
import type { Answers } from '../kit/condition.ts';
import { indexOf } from '../kit/plan.ts';
import { lineOf } from '../line/line.ts';
import { CarefulFitter, FitterRefused } from './careful-fitter.ts';
import { ANY_WRENCH, LEAD, LEAD_AGAIN, minutesOfMoves } from './rehearsal.ts';

/** How far a job gets with what is there, and how the vehicle stands then. */
export interface Reach {
  /** The line that stops it; none where the work can be finished. */
  stopsFor?: string;
  /** The step it stops at, and the last one that is done, by id. */
  stopsAt?: string;
  lastStep?: string;
  /** Steps done by then, of how many. */
  steps: { done: number; of: number };
  /** From now: hands at work, and nothing but waiting, minutes. */
  workMinutes: number;
  waitMinutes: number;
  /** How it stands; undefined where nothing was said and it never left its wheels. */
  load?: LoadState;
  /** What is off, open or put on for the work, by name. */
  open: string[];
  /** Groups with bolts in them that are not at their torque. */
  halfDone: string[];
  /** On its wheels, with nothing open and nothing half done. */
  rolls: boolean;
}

/** More moves than this are no job. */
const MOST_MOVES = 20_000;

/**
 * Works a job on from where it stands, with the pieces it has, until one is short.
 *
 * @param job - as it stands; it is not changed
 * @param nowMs - when, Unix ms
 * @param said - what is known of what will be found and chosen
 */
export function reachFrom(job: Omit<JobLog, 'commandIds'>, nowMs: number, said: Answers = {}): Reach {
  const fitter = new CarefulFitter({ ...job, commandIds: noCommands }, ANY_WRENCH, LEAD, nowMs, {
    idPrefix: 'reach',
    said,
    looksUpFigures: true,
    secondLook: LEAD_AGAIN,
  });
  let stopsFor: string | undefined;
  let stopsAt: string | undefined;
  try {
    while (fitter.moves.length < MOST_MOVES && fitter.onLine())
      // Lines that come with what is found are taken as whole: nobody knows otherwise yet.
      fitter.checkIn();
  } catch (error) {
    if (!(error instanceof FitterRefused)) throw error;
    const { refusal, command } = error;
    if (refusal.code === 'pieceShort') stopsFor = refusal.item;
    const { actById } = lineOf(fitter.log.plan);
    const act = command.type === 'doAct' ? command.act : fitter.inHandAct;
    stopsAt = act === undefined ? undefined : actById.get(act)?.step;
  }
  const { plan, state } = fitter.log;
  const { steps: finished } = lineProgress(plan, state);
  const done = plan.steps.filter(({ id }) => finished.has(id));
  const owed = debtsOf(plan, state).filter(isOwed);
  const halfDone = plan.groups.filter(({ stations }) =>
    stations.some((id) => {
      const station = indexOf(plan).stations.get(id);
      const entry = stationState(state, id);
      return station !== undefined && entry.stage !== 'empty' && !stationComplete(station, entry);
    }),
  );
  const load = state.load?.state;
  return {
    ...(stopsFor === undefined ? {} : { stopsFor }),
    ...(stopsAt === undefined ? {} : { stopsAt }),
    ...(done.length > 0 ? { lastStep: done.at(-1)?.id } : {}),
    steps: { done: done.length, of: plan.steps.length },
    workMinutes: minutesOfMoves(fitter.log, fitter.moves),
    waitMinutes: fitter.moves.reduce((sum, { waitedMs }) => sum + waitedMs, 0) / 60_000,
    ...(load === undefined ? {} : { load }),
    open: [...new Set(owed.map(({ name }) => name))],
    halfDone: halfDone.map(({ title }) => title),
    rolls: (load === undefined || load === 'onWheels') && owed.length === 0 && halfDone.length === 0,
  };
}
