import type { StationId } from '../../kit/ids.ts';
import { stationState } from '../job-state.ts';
import { ANSWERABLE, ON_THE_FLOOR } from '../role.ts';
import { needsApproval, nextRung, type ThreadRung } from '../thread-rung.ts';
import { act, blank, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

export interface MendThread {
  type: 'mendThread';
  station: StationId;
  rung: ThreadRung;
  /** A bolt then runs in by hand to the end. */
  runs: boolean;
  /** What was used, and for an insert its size: needed where metal is cut. */
  note?: string;
}

export interface ThreadMended {
  type: 'threadMended';
  station: StationId;
  rung: ThreadRung;
  runs: boolean;
  note?: string;
}

export const mendThread = act<MendThread, ThreadMended>({
  may: ON_THE_FLOOR,
  decide({ plan, job, by }, { station, rung, runs, note }) {
    if (!findStation(plan, station)) return refuse({ code: 'unknownStation', station });
    const { stage, mending = [] } = stationState(job, station);
    if (stage !== 'empty') return refuse({ code: 'threadTaken', station });
    const next = nextRung(mending);
    if (rung !== next) return refuse({ code: 'gentlerFirst', station, rung, ...(next ? { nextRung: next } : {}) });
    if (needsApproval(rung) && !ANSWERABLE.includes(by.role)) return refuse({ code: 'threadNeedsApproval', rung });
    if (needsApproval(rung) && blank(note)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'threadMended', station, rung, runs, ...(blank(note) ? {} : { note }) });
  },
  fold: {
    threadMended(draft, fact) {
      const { rung, runs, note } = fact;
      setStation(draft, fact.station, (station) => ({
        ...station,
        mending: [...(station.mending ?? []), { rung, runs, note, ...stampOf(fact) }],
      }));
    },
  },
});
