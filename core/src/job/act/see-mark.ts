import type { StationId } from '../../kit/ids.ts';
import { stationState } from '../job-state.ts';
import { threadHasSet } from '../locker-window.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { nextPassIndex } from '../station-progress.ts';
import { act, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';
import { ownWork } from './pull.ts';

/**
 * The second look at a joint whose locker has set: the line across head and part is unbroken. A pull would break the
 * bond that the joint lives by (common practice, no source).
 */
export interface SeeMark {
  type: 'seeMark';
  station: StationId;
}

export interface MarkSeen {
  type: 'markSeen';
  station: StationId;
  pass: number;
}

export const seeMark = act<SeeMark, MarkSeen>({
  may: ON_THE_FLOOR,
  decide({ plan, job, atMs, by }, { station: id }) {
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    const pass = nextPassIndex(found.station, stationState(job, id));
    if (pass === undefined) return refuse({ code: 'stationComplete', station: id });
    // What has not set is pulled: the mark says that nothing moved, not that it was ever tight.
    if (found.group.passes[pass]?.kind !== 'verify' || !threadHasSet(plan, job, found.station, atMs))
      return refuse({ code: 'markProvesNothing', station: id });
    const own = ownWork(found.group, stationState(job, id), pass, by.id);
    if (own && !stationState(job, id).overrides.anotherWanted)
      return refuse({ code: 'anotherWanted', station: id, person: own });
    return done({ type: 'markSeen', station: id, pass });
  },
  fold: {
    markSeen(draft, fact) {
      const mark = { pass: fact.pass, ...stampOf(fact) };
      setStation(draft, fact.station, (station) => ({ ...station, marks: [...(station.marks ?? []), mark] }));
    },
  },
});
