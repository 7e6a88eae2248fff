import { type ActionOf, kindOf, tickEach } from '../line-kind.ts';

export const grease = kindOf<ActionOf<'grease'>>({ picture: 'list', asks: ({ action }) => tickEach(action.places) });
export const bleed = kindOf<ActionOf<'bleed'>>({ picture: 'list', asks: ({ action }) => tickEach(action.places) });
export const fill = kindOf<ActionOf<'fill'>>({
  picture: 'list',
  asks: ({ action }) => [
    {
      kind: 'number',
      key: 'amount',
      about: 'amount',
      what: action.what,
      unit: action.unit ?? 'L',
      min: 0,
      outside: 'refused',
      expected: action.amount,
    },
  ],
});
