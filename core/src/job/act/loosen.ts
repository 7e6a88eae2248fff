import type { ItemId, StationId } from '../../kit/ids.ts';
import { indexOf, type Plan, type PlanStation } from '../../kit/plan.ts';
import { spendsThePiece } from '../../tightening/kinds.ts';
import { passFraction } from '../../tightening/pass-plan.ts';
import { type JobState, stationState } from '../job-state.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { standingPulls } from '../station-progress.ts';
import { act, blank, done, refuse, setLine, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** `out`: the bolt comes out; `started`: it stays in by hand. */
export type LoosenTo = 'started' | 'out';

export interface Loosen {
  type: 'loosen';
  station: StationId;
  to: LoosenTo;
  reason: string;
}

/** `spent`: pieces that must not be used again and go to scrap. */
export interface StationLoosened {
  type: 'stationLoosened';
  station: StationId;
  to: LoosenTo;
  reason: string;
  spent: ItemId[];
}

/**
 * Pieces that must not be used again after a loosening: bolts for one use that were tightened, those drawn past their
 * elastic range, and every bolt and nut of a station that went over its absolute maximum.
 */
function spentPieces(plan: Plan, job: JobState, station: PlanStation): ItemId[] {
  const pulls = standingPulls(stationState(job, station.id));
  const overdone = pulls.some((entry) => entry.verdict === 'overMaximum');
  const { items, groups } = indexOf(plan);
  const passes = groups.get(station.groupId)?.passes ?? [];
  // A stage that leads up to it draws nothing.
  const whole = pulls.some(({ pass }) => passFraction(passes[pass] ?? { kind: 'verify' }) === 1);
  const drawn = spendsThePiece(station.spec) && whole;
  return station.stack.flatMap((piece) => {
    const item = piece.kind === 'hardware' ? items.get(piece.item) : undefined;
    if (!item) return [];
    const stretched = item.singleUse === true && pulls.length > 0;
    const strained = overdone && (item.kind === 'bolt' || item.kind === 'nut');
    return stretched || strained || (drawn && item.kind === 'bolt') ? [item.id] : [];
  });
}

export const loosen = act<Loosen, StationLoosened>({
  may: ON_THE_FLOOR,
  decide({ plan, job }, { station: id, to, reason }) {
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    if (stationState(job, id).stage === 'empty') return refuse({ code: 'nothingToLoosen', station: id });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    const spent = spentPieces(plan, job, found.station);
    // A spent bolt cannot stay in the hole.
    return done({ type: 'stationLoosened', station: id, to: spent.length > 0 ? 'out' : to, reason, spent });
  },
  fold: {
    stationLoosened(draft, fact) {
      const { to, reason, spent } = fact;
      const stamp = stampOf(fact);
      setStation(draft, fact.station, (station) => ({
        stage: to === 'out' ? 'empty' : 'started',
        started: to === 'out' ? undefined : station.started,
        mending: station.mending,
        ...(station.stages ? { stages: station.stages.map((entry) => ({ ...entry, voided: true as const })) } : {}),
        washers: station.washers,
        pulls: station.pulls.map((pull) => ({ ...pull, voided: true })),
        loosenings: [...station.loosenings, { to, reason, spent, ...stamp }],
        overrides: {},
        earlierOverrides: [
          ...station.earlierOverrides,
          ...Object.entries(station.overrides).map(([refusal, override]) => ({ refusal, ...override })),
        ],
      }));
      for (const item of spent)
        setLine(draft, item, (line) => ({ ...line, scrapped: [...line.scrapped, { quantity: 1, reason, ...stamp }] }));
    },
  },
});
