import type { StationId } from '../../kit/ids.ts';
import { beadComesFirst, lineGate } from '../gate/line-gate.ts';
import { firstStanding } from '../gate/overridden.ts';
import { stationState } from '../job-state.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** `cleaned`: old compound, oil and dirt are off the thread. */
export interface ApplyCompound {
  type: 'applyCompound';
  station: StationId;
  cleaned: boolean;
}

export interface CompoundApplied {
  type: 'compoundApplied';
  station: StationId;
  compound: string;
  cleaned: boolean;
}

export const applyCompound = act<ApplyCompound, CompoundApplied>({
  may: ON_THE_FLOOR,
  decide({ plan, job }, { station: id, cleaned }) {
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    const state = stationState(job, id);
    const { compound } = found.station;
    if (compound === undefined) return refuse({ code: 'noCompoundHere', station: id });
    // Only on a bolt known to start, since the clock runs from the bead; unless the sheet has it the other way round.
    if (state.stage === 'empty' && !beadComesFirst(plan, found.station))
      return refuse({ code: 'notStarted', station: id });
    // Where the sheet writes it late it goes on before the snug all the same: later the thread is shut.
    const gate = firstStanding(job, id, [lineGate(plan, job, found.station, 'apply')]);
    if (gate) return refuse(gate);
    if (state.bead) return refuse({ code: 'compoundAlreadyOn', station: id });
    if (state.stage === 'snug') return refuse({ code: 'alreadySnug', station: id });
    if (!cleaned) return refuse({ code: 'threadNotClean', station: id });
    return done({ type: 'compoundApplied', station: id, compound, cleaned });
  },
  fold: {
    compoundApplied(draft, fact) {
      const { compound, cleaned } = fact;
      setStation(draft, fact.station, (station) => ({ ...station, bead: { compound, cleaned, ...stampOf(fact) } }));
    },
  },
});
