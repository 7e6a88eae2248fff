import type { StationId } from '../../kit/ids.ts';
import { OVERRIDABLE } from '../refusal.ts';
import { LEAD_ONLY } from '../role.ts';
import { act, blank, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** Lifts a refusal for one station, until it is loosened. */
export interface Override {
  type: 'override';
  refusal: string;
  station: StationId;
  reason: string;
}

export interface OverrideGranted {
  type: 'overrideGranted';
  refusal: string;
  station: StationId;
  reason: string;
}

export const override = act<Override, OverrideGranted>({
  may: LEAD_ONLY,
  needsProof: true,
  decide({ plan }, { refusal, station, reason }) {
    if (!findStation(plan, station)) return refuse({ code: 'unknownStation', station });
    if (!(OVERRIDABLE as ReadonlySet<string>).has(refusal)) return refuse({ code: 'notOverridable', refusal });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'overrideGranted', refusal, station, reason });
  },
  fold: {
    overrideGranted(draft, fact) {
      const granted = { reason: fact.reason, ...stampOf(fact) };
      setStation(draft, fact.station, (station) => ({
        ...station,
        overrides: { ...station.overrides, [fact.refusal]: granted },
      }));
    },
  },
});
