import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';

/** How warm the bay is, °C: what sets on a thread sets slower in the cold. */
export interface SetBayTemperature {
  type: 'setBayTemperature';
  tempC: number;
}

export interface BayTemperatureSet {
  type: 'bayTemperatureSet';
  tempC: number;
}

/** Bays that anybody works in, °C (chosen by us). */
const COLDEST_C = -20;
const HOTTEST_C = 50;

export const setBayTemperature = act<SetBayTemperature, BayTemperatureSet>({
  may: ON_THE_FLOOR,
  decide: (_, { tempC }) =>
    tempC >= COLDEST_C && tempC <= HOTTEST_C
      ? done({ type: 'bayTemperatureSet', tempC })
      : refuse({ code: 'temperatureInvalid', tempC }),
  fold: {
    bayTemperatureSet(draft, fact) {
      draft.visit = { ...draft.visit, bay: { tempC: fact.tempC, ...stampOf(fact) } };
    },
  },
});
