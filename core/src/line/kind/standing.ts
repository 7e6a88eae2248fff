import type { Ask } from '../ask.ts';
import { type ActionOf, kindOf, tick } from '../line-kind.ts';

/** How a vehicle may be held up. Never by the jack that raised it. */
export const HELD_UP_BY = ['lift', 'stands', 'ramps'] as const;

/** Raised: what holds it, where the chocks are, and that it stands. The first answer is taken for the next times. */
export const lift = kindOf<ActionOf<'lift'>>({
  picture: 'outline',
  asks({ action, known, step }, answers) {
    const end = action.end ?? 'whole';
    const by = answers.heldUpBy ?? known.heldUpBy ?? (step.needs.includes('stands') ? 'stands' : undefined);
    const asks: Ask[] = [
      {
        kind: 'oneOf',
        key: 'heldUpBy',
        about: 'heldUpBy',
        options: [
          ...HELD_UP_BY.map((value) => ({ value, is: 'right' as const })),
          { value: 'jackOnly', is: 'refused' },
        ],
        usual: typeof by === 'string' ? by : undefined,
      },
    ];
    // On a lift nothing stays down that could roll.
    if (end !== 'whole' && by !== 'lift')
      asks.push({
        kind: 'oneOf',
        key: 'chocks',
        about: 'chocks',
        options: (['front', 'rear'] as const).map((at) => ({ value: at, is: at === end ? 'refused' : 'right' })),
      });
    if (by === 'stands') asks.push(tick('stands', 'standsSet'));
    if (by === 'lift') asks.push(tick('pads', 'padsSet'));
    return asks;
  },
});

export const lower = kindOf<ActionOf<'lower'>>({ picture: 'outline' });
