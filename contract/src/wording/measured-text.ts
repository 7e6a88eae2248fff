import type { ShimChoice } from '#core/fit/shim-choice.ts';
import { baselineVerdict } from '#core/job/baseline-verdict.ts';
import type { Check } from '#core/kit/kit-preparation.ts';
import { limitsOf } from '#core/line/judge-check.ts';
import type { BaselineLine, CheckLine } from '#core/record/measured-lines.ts';
import { changeText, claimText } from './change-text.ts';

const SYMMETRY_TEXT: Record<NonNullable<Check['symmetry']>, string> = {
  level: 'level',
  parallel: 'parallel',
  centred: 'centred',
  leftRight: 'left like right',
};

/** `8 to 15 mm`, `at least 10 mm`; undefined where nothing limits it. */
export function limitText({ min, max }: { min?: number; max?: number }, unit: string): string | undefined {
  if (min !== undefined && max !== undefined) return `${min} to ${max} ${unit}`;
  if (min !== undefined) return `at least ${min} ${unit}`;
  return max === undefined ? undefined : `at most ${max} ${unit}`;
}

/** All that a check wants, in the order a person looks for it; undefined where it wants no figure. */
export function wantedText(check: Check): string | undefined {
  const { unit = '', travel, spread, symmetry, sides } = check;
  const limits = limitText(limitsOf(check), unit);
  const said = [
    limits && travel ? `${limits} over the travel` : limits,
    spread === undefined
      ? undefined
      : symmetry === 'centred'
        ? `centred within ${spread} ${unit}`
        : `${symmetry ? `${SYMMETRY_TEXT[symmetry]} within` : 'apart at most'} ${spread} ${unit}`,
    sides === undefined ? undefined : `left and right apart at most ${sides} ${unit}`,
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
          ? `measured elsewhere by ${elsewhere.who}: ${elsewhere.what}`
          : check?.travel
            ? `${values[0]} ${unit} ${check.travel.from}, ${values[1]} ${unit} ${check.travel.to}`
            : `${values[0]} ${unit}`,
        met ? undefined : '(not met)',
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
  const shown = (one: { value: number } | undefined) => (one ? `${one.value} ${unit}` : 'not measured');
  const claim = baseline.change ? `the kit says ${claimText(baseline.quantity, baseline.change, unit)}` : undefined;
  const limits = baseline.after && limitText(baseline.after, unit);
  const lean = misses.find(({ against }) => against === 'side');
  return {
    before: shown(before),
    after: shown(after),
    change: [
      'by' in verdict ? changeText(baseline.quantity, verdict.by, unit) : undefined,
      'by' in verdict ? claim : undefined,
      misses.some(({ against }) => against === 'limits') && limits ? `wanted ${limits}` : undefined,
      lean && `left and right ${Math.abs(lean.off ?? 0)} ${unit} apart, at most ${baseline.sides} ${unit}`,
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
      return `The gaps lie ${choice.apartMm} mm apart: it sits askew, and shims would hide that. Look at the faces and seat it again.`;
    case 'spacerTooThick':
      return `The spacer is thicker than the gap at ${places[choice.point] ?? choice.point + 1}.`;
    case 'short':
      return `No shims of the bag fill the gap at ${places[choice.point] ?? choice.point + 1}: ${choice.openMm} mm stay open.`;
  }
}
