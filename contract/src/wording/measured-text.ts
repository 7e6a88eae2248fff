import type { ShimChoice } from '#core/fit/shim-choice.ts';
import { baselineVerdict } from '#core/job/baseline-verdict.ts';
import type { Check } from '#core/kit/kit-preparation.ts';
import { limitsOf } from '#core/line/judge-check.ts';
import type { BaselineLine, CheckLine } from '#core/record/measured-lines.ts';
import { changeText, claimText } from './change-text.ts';
import { inLanguage, say } from './say.ts';

const SYMMETRY_TEXT: Record<NonNullable<Check['symmetry']>, string> = inLanguage({
  level: 'level',
  parallel: 'parallel',
  centred: 'centred',
  leftRight: 'left like right',
});

/** `8 to 15 mm`, `at least 10 mm`; undefined where nothing limits it. */
export function limitText({ min, max }: { min?: number; max?: number }, unit: string): string | undefined {
  if (min !== undefined && max !== undefined) return say('{min} to {max} {unit}', { min, max, unit });
  if (min !== undefined) return say('at least {min} {unit}', { min, unit });
  return max === undefined ? undefined : say('at most {max} {unit}', { max, unit });
}

/** All that a check wants, in the order a person looks for it; undefined where it wants no figure. */
export function wantedText(check: Check): string | undefined {
  const { unit = '', travel, spread, symmetry, sides } = check;
  const limits = limitText(limitsOf(check), unit);
  const said = [
    limits && travel ? say('{limits} over the travel', { limits }) : limits,
    spread === undefined
      ? undefined
      : symmetry === 'centred'
        ? say('centred within {spread} {unit}', { spread, unit })
        : `${symmetry ? say('{symmetryText} within', { symmetryText: SYMMETRY_TEXT[symmetry] }) : say('apart at most')} ${spread} ${unit}`,
    sides === undefined ? undefined : say('left and right apart at most {sides} {unit}', { sides, unit }),
  ].filter((text) => text !== undefined);
  return said.length > 0 ? said.join(', ') : undefined;
}

/** What a check line wants, printed or worded. */
export const wantedOf = ({ check, worded, unit }: CheckLine): string | undefined =>
  check ? wantedText(check) : worded && limitText(worded, unit);

/** The readings of a check: `left 10 mm, right 9.5 mm (not met)`. */
export const readText = ({ read, unit, check }: CheckLine): string =>
  read
    .map(({ place, values, elsewhere, met }) =>
      [
        place,
        elsewhere
          ? say('measured elsewhere by {who}: {what}', { who: elsewhere.who, what: elsewhere.what })
          : check?.travel
            ? `${values[0]} ${unit} ${check.travel.from}, ${values[1]} ${unit} ${check.travel.to}`
            : `${values[0]} ${unit}`,
        met ? undefined : say('(not met)'),
      ]
        .filter(Boolean)
        .join(' '),
    )
    .join('; ');

/** What became of a baseline: before, after, the change in words and what the kit says of it. */
export function baselineText({ baseline, unit, before, after, misses }: BaselineLine): {
  before: string;
  after: string;
  change: string;
  missed: boolean;
} {
  const verdict = baselineVerdict(baseline, { before, after } as Parameters<typeof baselineVerdict>[1]);
  const shown = (one: { value: number } | undefined) => (one ? `${one.value} ${unit}` : say('not measured'));
  const claim = baseline.change
    ? say('the kit says {claimText}', { claimText: claimText(baseline.quantity, baseline.change, unit) })
    : undefined;
  const limits = baseline.after && limitText(baseline.after, unit);
  const lean = misses.find(({ against }) => against === 'side');
  return {
    before: shown(before),
    after: shown(after),
    change: [
      'by' in verdict ? changeText(baseline.quantity, verdict.by, unit) : undefined,
      'by' in verdict ? claim : undefined,
      misses.some(({ against }) => against === 'limits') && limits ? say('wanted {limits}', { limits }) : undefined,
      lean &&
        say('left and right {off} {unit} apart, at most {sides} {unit}', {
          off: Math.abs(lean.off ?? 0),
          unit,
          sides: baseline.sides,
        }),
    ]
      .filter((text) => text !== undefined)
      .join('; '),
    missed: misses.length > 0,
  };
}

/** Why gaps are not shimmed, and what to do instead. */
export function shimFaultText(choice: Extract<ShimChoice, { ok: false }>, places: readonly string[]): string {
  switch (choice.fault) {
    case 'tilt':
      return say(
        'The gaps lie {apartMm} mm apart: it sits askew, and shims would hide that. Look at the faces and seat it again.',
        { apartMm: choice.apartMm },
      );
    case 'spacerTooThick':
      return say('The spacer is thicker than the gap at {places}.', {
        places: places[choice.point] ?? choice.point + 1,
      });
    case 'short':
      return say('No shims of the bag fill the gap at {places}: {openMm} mm stay open.', {
        places: places[choice.point] ?? choice.point + 1,
        openMm: choice.openMm,
      });
  }
}
