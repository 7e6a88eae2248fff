import { HELD_UP_BY, wheelsFree } from '../../kit/held-up-by.ts';
import { weakFor } from '../../shop/lifting-gear.ts';
import type { Ask } from '../ask.ts';
import { type ActionOf, kindOf, tick } from '../line-kind.ts';
import { takesWheelsOff } from '../wheels-off.ts';

/**
 * Raised: what holds it, where the chocks are, and that it stands. What was said at intake or the time before is taken.
 * With the wheels to come off it stands on none of them.
 */
export const lift = kindOf<ActionOf<'lift'>>({
  picture: 'outline',
  asks({ plan, action, known, step }, answers) {
    const end = action.end ?? 'whole';
    const by = answers.heldUpBy ?? known.heldUpBy ?? (step.needs.includes('stands') ? 'stands' : undefined);
    const asks: Ask[] = [
      {
        kind: 'oneOf',
        key: 'heldUpBy',
        about: 'heldUpBy',
        options: [
          ...HELD_UP_BY.map((value) => {
            const weak = weakFor(value, plan.tooWeak);
            if (!wheelsFree(value) && takesWheelsOff(plan))
              return { value, is: 'refused' as const, trade: { code: 'wheelsComeOff' as const } };
            return weak
              ? { value, is: 'refused' as const, trade: { code: 'ratedTooLow' as const, gear: weak.name, ...weak } }
              : { value, is: 'right' as const };
          }),
          { value: 'jackOnly', is: 'refused', trade: { code: 'jackOnly' } },
        ],
        usual: typeof by === 'string' ? by : undefined,
      },
    ];
    // On a lift nothing stays down that could roll; on the floor everything does.
    if ((end !== 'whole' && by !== 'lift') || by === 'floor')
      asks.push({
        kind: 'oneOf',
        key: 'chocks',
        about: 'chocks',
        options: (['front', 'rear'] as const).map((at) => ({
          value: at,
          is: at === end && by !== 'floor' ? 'refused' : 'right',
        })),
      });
    if (by === 'stands') asks.push(tick('stands', 'standsSet'));
    if (by === 'ramps') asks.push(tick('ramps', 'rampsSet'));
    if (by === 'lift') asks.push(tick('pads', 'padsSet'));
    return asks;
  },
});

export const lower = kindOf<ActionOf<'lower'>>({ picture: 'outline' });
