import type { DriveSize } from '../fastener/drive.ts';
import { indexOf, type Plan } from '../kit/plan.ts';
import { type LineAct, lineOf } from '../line/line.ts';
import { type JobState, stationState } from './job-state.ts';
import { jointNext } from './line-next.ts';
import { threadHasSet } from './locker-window.ts';

/** Bolts that carry a part before the hand under it may go. Common practice, no source. */
const CARRY = 2;

/** What a second pair of hands does at an act, and until when. */
export type SecondHand =
  /** Holds the other end of the joint with a tool, until the station is snug or pulled. */
  | { holds: 'otherEnd'; station: string; drive: DriveSize; note?: string; until: 'snug' | 'pulled' }
  /** Holds the part up, until enough of its bolts are started by hand. */
  | { holds: 'part'; group: string; started: number; enough: number }
  /** Holds what the act is about, until it is done: the sheet asks for more than one person. */
  | { holds: 'thing'; act: string; people: number }
  | { holds: 'nothing' };

/** What a helper holds while an act is worked at a time, and what tells that it may be let go. */
export function secondHand(plan: Plan, job: JobState, act: LineAct, nowMs: number): SecondHand {
  const { action } = act;
  const { stations, groups } = indexOf(plan);
  const next = jointNext(plan, job, act);
  if (action.type === 'start') {
    const group = groups.get(action.group);
    const all = group?.stations ?? [];
    const started = all.filter((id) => stationState(job, id).stage !== 'empty').length;
    const enough = Math.min(CARRY, all.length);
    return started < enough ? { holds: 'part', group: action.group, started, enough } : { holds: 'nothing' };
  }
  if (next.kind === 'snug' || next.kind === 'pull' || next.kind === 'stage') {
    const station = stations.get(next.station);
    const verifies = next.kind === 'pull' && groups.get(station?.groupId ?? '')?.passes[next.pass]?.kind === 'verify';
    // A locker that has set is looked at and not pulled: nothing is held.
    if (station && verifies && threadHasSet(plan, job, station, nowMs)) return { holds: 'nothing' };
    return station?.holding
      ? {
          holds: 'otherEnd',
          station: station.id,
          drive: station.holding.drive,
          ...(station.holding.note === undefined ? {} : { note: station.holding.note }),
          until: next.kind === 'snug' ? 'snug' : 'pulled',
        }
      : { holds: 'nothing' };
  }
  const people = lineOf(plan).stepById.get(act.step)?.step.people ?? 1;
  return people > 1 ? { holds: 'thing', act: act.id, people } : { holds: 'nothing' };
}
