import { chooseShims, type ShimChoice } from '../../fit/shim-choice.ts';
import type { Plan } from '../../kit/plan.ts';
import type { Answers, Ask } from '../ask.ts';
import { checkKey, checkMisses } from '../judge-check.ts';
import { type ActionOf, kindOf, tick } from '../line-kind.ts';
import { eccentricOf, lobeKey } from '../lobe-advice.ts';
import { looked } from './looking.ts';

/** How near a set length has to come, mm (chosen by us: half a millimetre is what a rule shows). */
const SET_TO_MM = 0.5;

/**
 * A length set before it is fitted: at the measured baseline, equal on both sides, unless an aim is given. Beyond the
 * longest it is refused, as is an end with too little thread in mesh.
 */
export const preset = kindOf<ActionOf<'preset'>>({
  picture: 'adjuster',
  asks({ action, known }) {
    const wantedAt = (place: string): number | undefined =>
      action.lengthMm ?? (action.baseline ? known.measured(action.baseline, place) : undefined);
    return action.places.flatMap((place): Ask[] => {
      const wanted = wantedAt(place);
      return [
        {
          kind: 'number',
          key: `length ${place}`,
          about: 'length',
          what: place,
          unit: 'mm',
          expected: wanted,
          min: wanted === undefined ? undefined : wanted - SET_TO_MM,
          max: wanted === undefined ? action.longestMm : Math.min(wanted + SET_TO_MM, action.longestMm ?? Infinity),
          outside: 'refused',
        },
        {
          kind: 'number',
          key: `mesh ${place}`,
          about: 'inMesh',
          what: place,
          unit: 'mm',
          min: action.inMeshMm,
          outside: 'refused',
        },
        ...(action.movingEnds === 2 ? [tick(`equal ${place}`, 'equalThread', place)] : []),
      ];
    });
  },
});

/** The shims that gaps call for; undefined while one is not measured. */
export function shimsFor(
  plan: Pick<Plan, 'items'>,
  action: ActionOf<'shim'>,
  answers: Answers,
): ShimChoice | undefined {
  const gapsMm = action.places.flatMap((place) => {
    const gap = answers[checkKey(place)];
    return typeof gap === 'number' ? [gap] : [];
  });
  if (gapsMm.length < action.places.length) return undefined;
  const { spacerMm, spreadMm, openMm } = action;
  const stock = action.shims.map((id) => {
    const item = plan.items.find((entry) => entry.id === id);
    return { thicknessMm: item?.thicknessMm ?? 0, count: item?.thicknessMm === undefined ? 0 : item.quantity };
  });
  return chooseShims({ gapsMm, spacerMm, spreadMm, openMm }, stock);
}

/** The pieces of one place by their thickness: `2 × 0.5 mm, 1 × 0.2 mm`. */
function piecesText(plan: Pick<Plan, 'items'>, action: ActionOf<'shim'>, pieces: readonly number[]): string {
  const kinds = [...new Set(pieces)].map((kind) => {
    const count = pieces.filter((one) => one === kind).length;
    return `${count} × ${plan.items.find(({ id }) => id === action.shims[kind])?.thicknessMm} mm`;
  });
  return kinds.length === 0 ? 'none' : kinds.join(', ');
}

/** Gaps first, each by itself; then the shims they call for, place by place. */
export const shim = kindOf<ActionOf<'shim'>>({
  picture: 'rule',
  again: true,
  asks({ plan, action }, answers) {
    const gaps = action.places.map(
      (place): Ask => ({
        kind: 'number',
        key: checkKey(place),
        about: 'value',
        what: place,
        unit: 'mm',
        ...(action.spacerMm === undefined ? {} : { min: action.spacerMm }),
        outside: 'fails',
        measured: {
          quantity: 'gap',
          near: action.places.flatMap((other) => {
            const value = answers[checkKey(other)];
            return other !== place && typeof value === 'number' ? [value] : [];
          }),
        },
      }),
    );
    const choice = shimsFor(plan, action, answers);
    if (!choice?.ok) return gaps;
    const put = choice.points.map(({ pieces }, point): Ask => {
      const place = action.places[point] ?? '';
      return tick(`shims ${place}`, 'shims', `${place}: ${piecesText(plan, action, pieces)}`);
    });
    return [...gaps, ...put];
  },
  fails({ plan, action }, answers) {
    const choice = shimsFor(plan, action, answers);
    return choice && !choice.ok ? action.places.map((place) => checkKey(place)) : [];
  },
});

/** Where an eccentric's lobe stands, then what is read there, place by place; turned and read again until it is met. */
export const align = kindOf<ActionOf<'align'>>({
  picture: 'eccentric',
  again: true,
  asks({ plan, action }, answers) {
    const check = plan.checks.find(({ id }) => id === action.check);
    const read = looked(check, answers);
    if (!check?.places || !eccentricOf(action)) return read;
    return [
      ...check.places.map(
        (place): Ask => ({
          kind: 'number',
          key: lobeKey(place),
          about: 'lobe',
          what: place,
          unit: '°',
          min: -90,
          max: 90,
          outside: 'refused',
        }),
      ),
      ...read,
    ];
  },
  fails: ({ plan, action }, answers) =>
    checkMisses(
      plan.checks.find(({ id }) => id === action.check),
      answers,
    ),
});
