import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';

/** `before` is the baseline, `after` what came of it. */
export interface Measured {
  type: 'measured';
  baseline: string;
  place: string;
  when: 'before' | 'after';
  value: number;
  photo?: string;
}

export interface Measure extends Omit<Measured, 'type'> {
  type: 'measure';
}

/** Nothing measured on a vehicle is larger, in mm or degrees (chosen by us). */
const LARGEST = 100_000;

export const measure = act<Measure, Measured>({
  may: ON_THE_FLOOR,
  decide({ plan }, { baseline: id, place, when, value, photo }) {
    const baseline = plan.baselines.find((entry) => entry.id === id);
    if (!baseline?.places.includes(place)) return refuse({ code: 'unknownBaseline', baseline: id, place });
    if (!Number.isFinite(value) || Math.abs(value) > LARGEST) return refuse({ code: 'valueInvalid', value });
    return done({ type: 'measured', baseline: id, place, when, value, ...(photo === undefined ? {} : { photo }) });
  },
  fold: {
    measured(draft, fact) {
      const { baseline, place, when, value, photo } = fact;
      const { measurements } = draft.visit;
      const places = measurements[baseline] ?? {};
      const taken = { ...places[place], [when]: { value, photo, ...stampOf(fact) } };
      draft.visit = {
        ...draft.visit,
        measurements: { ...measurements, [baseline]: { ...places, [place]: taken } },
      };
    },
  },
});
