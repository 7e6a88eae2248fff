import type { EvenUp } from '#core/line/even-up.ts';
import { say } from './say.ts';

/** What to lower, raise or move, in a sentence. */
export function evenUpText({ symmetry, unit, most, least, apart, move, met }: EvenUp): string {
  if (apart === 0) return say('{place} and {place2} read alike.', { place: most.place, place2: least.place });
  const off = say('{place} reads {apart} {unit} more than {place2}', {
    place: most.place,
    apart,
    unit,
    place2: least.place,
  });
  const end = met ? say(' That is close enough.') : '';
  switch (symmetry) {
    case 'centred':
      return say('{off}: it sits {move} {unit} off the middle. Move it {move} {unit} towards {place}.{end}', {
        off,
        move,
        unit,
        place: most.place,
        end,
      });
    case 'parallel':
      return say('{off}: close {place} or open {place2} by {move} {unit}, or each by half.{end}', {
        off,
        place: most.place,
        place2: least.place,
        move,
        unit,
        end,
      });
    case 'level':
    case 'leftRight':
      return say('{off}: lower {place} or raise {place2} by {move} {unit}, or each by half.{end}', {
        off,
        place: most.place,
        place2: least.place,
        move,
        unit,
        end,
      });
  }
}
