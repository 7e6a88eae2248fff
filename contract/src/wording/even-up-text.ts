import type { EvenUp } from '#core/line/even-up.ts';

/** What to lower, raise or move, in a sentence. */
export function evenUpText({ symmetry, unit, most, least, apart, move, met }: EvenUp): string {
  if (apart === 0) return `${most.place} and ${least.place} read alike.`;
  const off = `${most.place} reads ${apart} ${unit} more than ${least.place}`;
  const end = met ? ' That is close enough.' : '';
  switch (symmetry) {
    case 'centred':
      return `${off}: it sits ${move} ${unit} off the middle. Move it ${move} ${unit} towards ${most.place}.${end}`;
    case 'parallel':
      return `${off}: close ${most.place} or open ${least.place} by ${move} ${unit}, or each by half.${end}`;
    case 'level':
    case 'leftRight':
      return `${off}: lower ${most.place} or raise ${least.place} by ${move} ${unit}, or each by half.${end}`;
  }
}
