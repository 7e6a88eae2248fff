import { QUANTITY_UNIT } from '../../kit/baseline-unit.ts';
import type { Baseline, Check, Prerequisite } from '../../kit/kit-preparation.ts';
import type { MeasuredQuantity } from '../../quantity/doubtful-measure.ts';
import { limitsInWords } from '../../quantity/limits-in-words.ts';
import type { Answers, Ask } from '../ask.ts';
import { checkKey, checkMisses, limitsOf } from '../judge-check.ts';
import { type ActionOf, type At, kindOf, verdict, words } from '../line-kind.ts';

/** What a figure is read of, and where. */
interface Read {
  text: string;
  quantity?: MeasuredQuantity;
  unit?: string;
  min?: number;
  max?: number;
  places?: string[];
  travel?: { from: string; to: string };
}

/** One figure per place, or one; two where it is read over a travel. */
function figures(entry: Read, answers: Answers): Ask[] {
  const keys = (entry.places ?? [undefined]).flatMap((place) =>
    entry.travel
      ? [
          { key: checkKey(place, 'from'), what: [place, entry.travel.from].filter(Boolean).join(', ') },
          { key: checkKey(place, 'to'), what: [place, entry.travel.to].filter(Boolean).join(', ') },
        ]
      : [{ key: checkKey(place), what: place ?? entry.text }],
  );
  return keys.map(({ key, what }) => ({
    kind: 'number',
    key,
    about: 'value',
    what,
    unit: entry.unit ?? '',
    // Over a travel it is the difference that has limits.
    ...(entry.travel ? {} : { min: entry.min, max: entry.max }),
    outside: 'fails',
    elsewhere: true,
    measured: {
      quantity: entry.quantity,
      near: keys.flatMap((other) => {
        const value = answers[other.key];
        return other.key !== key && typeof value === 'number' ? [value] : [];
      }),
    },
  }));
}

const verdictsAt = (places: readonly string[]): Ask[] =>
  places.map((place) => ({ ...verdict(place), key: checkKey(place) }));

/** Whether a figure settles it. */
const measures = (entry: Check | Prerequisite): boolean => {
  const { min, max, unit } = entry;
  const { spread, target, sides, travel } = entry as Check;
  return [min, max, unit, spread, target, sides, travel].some((limit) => limit !== undefined);
};

const instrumentAsk = (instrument: string | undefined, used?: string): Ask[] =>
  instrument === undefined ? [] : [words('instrument', 'instrument', instrument, used ?? instrument)];

/** What is read, else what is said. Words that hold a limit are measured like any other. */
export function looked(entry: Check | Prerequisite | undefined, answers: Answers): Ask[] {
  if (!entry) return [verdict()];
  const { instrument, photo, remarks } = entry as Check;
  // What was not met is told in the fitter's own words: none are put into the mouth.
  const told: Ask[] =
    remarks === undefined
      ? []
      : [words('remarks', 'remarks', entry.text, answers.verdict === 'notMet' ? undefined : remarks)];
  const shown: Ask[] = photo ? [{ kind: 'photo', key: 'photo', about: 'photo', what: entry.text }] : [];
  if (measures(entry))
    return [...instrumentAsk(instrument), ...figures({ ...entry, ...limitsOf(entry) }, answers), ...told, ...shown];
  const worded = limitsInWords(entry.text);
  if (worded)
    return [
      ...figures({ text: entry.text, ...worded, places: entry.places ?? worded.places }, answers),
      ...told,
      ...shown,
    ];
  return [...(entry.places ? verdictsAt(entry.places) : [verdict()]), ...told, ...shown];
}

const checkOf = ({ plan }: At, id: string) => plan.checks.find((entry) => entry.id === id);

export const check = kindOf<ActionOf<'check'>>({
  picture: 'rule',
  again: true,
  asks: (at, answers) => looked(checkOf(at, at.action.check), answers),
  fails: (at, answers) => checkMisses(checkOf(at, at.action.check), answers),
});

/** Whether it works: tried again until it does. */
export const test = kindOf<ActionOf<'test'>>({
  picture: 'list',
  again: true,
  asks: (at, answers) => looked(checkOf(at, at.action.check), answers),
  fails: (at, answers) => checkMisses(checkOf(at, at.action.check), answers),
});

/** Must hold before anything comes off: each wheel, each rotor, the spare by itself. */
export const prerequisite = kindOf<ActionOf<'prerequisite'>>({
  picture: 'rule',
  again: true,
  asks: (at, answers) =>
    looked(
      at.plan.prerequisites.find((entry) => entry.id === at.action.prerequisite),
      answers,
    ).map((ask) =>
      ask.kind === 'number' ? { ...ask, measured: { ...ask.measured, quantity: quantityOf(at, ask) } } : ask,
    ),
});

const quantityOf = (at: At<ActionOf<'prerequisite'>>, { measured }: Extract<Ask, { kind: 'number' }>) =>
  measured?.quantity ??
  (at.plan.prerequisites.find(({ id }) => id === at.action.prerequisite)?.kind === 'bore' ? 'bore' : undefined);

const baselineOf = ({ plan }: At, id: string) => plan.baselines.find((entry) => entry.id === id);

/** Each place of a baseline, held against what stands there already and against its other places. */
function readings(
  baseline: Baseline,
  answers: Answers,
  before: (place: string) => number | undefined,
  elsewhere?: true,
): Ask[] {
  return baseline.places.map((place) => {
    const others = baseline.places.flatMap((other) => {
      const value = answers[checkKey(other)];
      return other !== place && typeof value === 'number' ? [value] : [];
    });
    const known = before(place);
    return {
      kind: 'number',
      key: checkKey(place),
      about: 'value',
      what: place,
      unit: QUANTITY_UNIT[baseline.quantity],
      outside: 'refused',
      expected: known,
      ...(elsewhere
        ? { elsewhere, claim: { quantity: baseline.quantity, ...(baseline.change ? { change: baseline.change } : {}) } }
        : {}),
      measured: { quantity: baseline.quantity, near: known === undefined ? others : [known] },
    };
  });
}

export const measure = kindOf<ActionOf<'measure'>>({
  picture: 'outline',
  again: true,
  asks: (at, answers) => measuring(at, answers),
});

/** The same places once more when the work is done, with the same instrument, against what the kit claims. */
export const measureAgain = kindOf<ActionOf<'measureAgain'>>({
  picture: 'outline',
  again: true,
  asks: (at, answers) => measuring(at, answers, true),
});

/** What it is measured with, then each place; once more, with what was used before, or by somebody else. */
function measuring(at: At<ActionOf<'measure' | 'measureAgain'>>, answers: Answers, again?: true): Ask[] {
  const baseline = baselineOf(at, at.action.baseline);
  if (!baseline) return [];
  return [
    ...instrumentAsk(baseline.instrument, again && at.known.instrument(baseline.id)),
    ...readings(baseline, answers, (place) => at.known.measured(baseline.id, place), again),
  ];
}
