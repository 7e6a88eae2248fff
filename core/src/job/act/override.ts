import type { StationId } from '../../kit/ids.ts';
import { livesHangOnIt } from '../../kit/lives-hang-on-it.ts';
import { benderOf, mayBend, ruleBehind } from '../gate/bending.ts';
import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** Lifts a refusal for one station, until it is loosened: by whom the shop lets bend the rule behind it. */
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
  may: ANSWERABLE,
  needsProof: true,
  decide({ plan, by }, { refusal, station, reason }) {
    const found = findStation(plan, station);
    if (!found) return refuse({ code: 'unknownStation', station });
    const rule = ruleBehind(refusal, 'station');
    if (!rule) return refuse({ code: 'notOverridable', refusal });
    if (!mayBend(plan.rules, rule, by.role, { livesHangOnIt: livesHangOnIt(found.station) }))
      return refuse({ code: 'notYoursToBend', rule, bender: benderOf(plan.rules, rule) });
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
