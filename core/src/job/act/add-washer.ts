import type { StationId } from '../../kit/ids.ts';
import { type AddedWasher, stackAfter, washerFault } from '../added-washer.ts';
import { stationState } from '../job-state.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, blank, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

export interface AddWasher extends AddedWasher {
  type: 'addWasher';
  station: StationId;
  reason: string;
}

/** `noThreadShows`: with it fewer than two turns show past the nut. */
export interface WasherAdded extends AddedWasher {
  type: 'washerAdded';
  station: StationId;
  reason: string;
  noThreadShows?: true;
}

/** Sizes of a washer that can be one, mm (chosen by us). */
const sizesHold = ({ insideMm, outsideMm, thicknessMm }: AddedWasher): boolean =>
  insideMm > 0 && outsideMm > insideMm && outsideMm <= 200 && thicknessMm >= 0.2 && thicknessMm <= 20;

export const addWasher = act<AddWasher, WasherAdded>({
  may: ON_THE_FLOOR,
  decide({ plan, job }, { station: id, reason, type: _, ...washer }) {
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    const { stage, washers = [] } = stationState(job, id);
    // Under the head of what is in its hole nothing more goes.
    if (stage !== 'empty') return refuse({ code: 'threadTaken', station: id });
    if (!sizesHold(washer)) {
      const { insideMm, outsideMm, thicknessMm } = washer;
      return refuse({ code: 'washerImpossible', insideMm, outsideMm, thicknessMm });
    }
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    const fault = washerFault(plan, found.station, washers, washer);
    if (fault) return refuse({ station: id, ...fault });
    const { noThreadShows } = stackAfter(plan, found.station, [...washers, washer]);
    return done({ type: 'washerAdded', station: id, ...washer, reason, ...(noThreadShows ? { noThreadShows } : {}) });
  },
  fold: {
    washerAdded(draft, fact) {
      const { under, insideMm, outsideMm, thicknessMm, hardnessHv, reason, noThreadShows } = fact;
      const washer = { under, insideMm, outsideMm, thicknessMm, hardnessHv, reason, noThreadShows, ...stampOf(fact) };
      setStation(draft, fact.station, (station) => ({ ...station, washers: [...(station.washers ?? []), washer] }));
    },
  },
});
