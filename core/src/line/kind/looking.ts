import { QUANTITY_UNIT } from '../../kit/baseline-unit.ts';
import type { Check, Prerequisite } from '../../kit/kit-preparation.ts';
import type { Answers, Ask } from '../ask.ts';
import { type ActionOf, type At, kindOf, verdict } from '../line-kind.ts';

const keyAt = (place: string | undefined): string => (place === undefined ? 'value' : `at ${place}`);

/** One figure per place, or one. */
function figures(entry: { text: string; places?: string[]; min?: number; max?: number; unit?: string }): Ask[] {
  return (entry.places ?? [undefined]).map((place) => ({
    kind: 'number',
    key: keyAt(place),
    about: 'value',
    what: place ?? entry.text,
    unit: entry.unit ?? '',
    min: entry.min,
    max: entry.max,
    outside: 'fails',
  }));
}

const verdictsAt = (places: readonly string[]): Ask[] =>
  places.map((place) => ({ ...verdict(place), key: keyAt(place) }));

/** Whether a figure settles it. */
const measures = (entry: { min?: number; max?: number; spread?: number; unit?: string }): boolean =>
  entry.min !== undefined || entry.max !== undefined || entry.spread !== undefined || entry.unit !== undefined;

function looked(entry: Check | Prerequisite | undefined): Ask[] {
  if (!entry) return [verdict()];
  if (measures(entry)) return figures(entry);
  return entry.places ? verdictsAt(entry.places) : [verdict()];
}

const checkOf = ({ plan }: At, id: string) => plan.checks.find((entry) => entry.id === id);

/** Readings that lie further apart than the check allows: each may be inside its limits and the part tilts all the same. */
function tooFarApart(entry: Check | undefined, answers: Answers): string[] {
  if (entry?.spread === undefined) return [];
  const read = (entry.places ?? []).flatMap((place) => {
    const value = answers[keyAt(place)];
    return typeof value === 'number' ? [{ place, value }] : [];
  });
  if (read.length < 2) return [];
  const values = read.map(({ value }) => value);
  const apart = Math.max(...values) - Math.min(...values);
  // Readings have a tenth or a hundredth; what the subtraction adds beyond that is not the vehicle's.
  return apart > entry.spread + 1e-9 ? read.map(({ place }) => keyAt(place)) : [];
}

export const check = kindOf<ActionOf<'check'>>({
  picture: 'rule',
  again: true,
  asks: (at) => looked(checkOf(at, at.action.check)),
  fails: (at, answers) => tooFarApart(checkOf(at, at.action.check), answers),
});

/** Whether it works: tried again until it does. */
export const test = kindOf<ActionOf<'test'>>({
  picture: 'list',
  again: true,
  asks: (at) => looked(checkOf(at, at.action.check)),
  fails: (at, answers) => tooFarApart(checkOf(at, at.action.check), answers),
});

/** Must hold before anything comes off: each wheel, each rotor, the spare by itself. */
export const prerequisite = kindOf<ActionOf<'prerequisite'>>({
  picture: 'rule',
  again: true,
  asks: (at) => looked(at.plan.prerequisites.find((entry) => entry.id === at.action.prerequisite)),
});

export const measure = kindOf<ActionOf<'measure'>>({
  picture: 'outline',
  again: true,
  asks(at) {
    const baseline = at.plan.baselines.find((entry) => entry.id === at.action.baseline);
    return (baseline?.places ?? []).map((place) => ({
      kind: 'number',
      key: keyAt(place),
      about: 'value',
      what: place,
      unit: baseline ? QUANTITY_UNIT[baseline.quantity] : '',
      outside: 'refused',
      expected: at.known.measured(at.action.baseline, place),
    }));
  },
});
