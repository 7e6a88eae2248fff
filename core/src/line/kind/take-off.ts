import type { PlanRemoved } from '../../kit/plan.ts';
import type { Answers, Ask, AskOption } from '../ask.ts';
import { type ActionOf, type At, kindOf, tick, words } from '../line-kind.ts';
import { waysOff } from '../ways-off.ts';

const thingOf = ({ plan }: Pick<At, 'plan'>, id: string) => plan.removed.find((entry) => entry.id === id);

/** Loosened in place or to the thread's end, before it comes out. */
export const slacken = kindOf<ActionOf<'slacken'>>({ picture: 'part' });

/** The trade's way out, where the sheet names none. */
function wayOffAsks(thing: PlanRemoved | undefined, silent: boolean, answers: Answers): Ask[] {
  if (!thing?.heldBy || !silent) return [];
  const options = waysOff(thing.heldBy, thing.fate);
  const wrong = options.some(({ value, is }) => is === 'wrong' && value === answers.method);
  return [
    { kind: 'oneOf', key: 'method', about: 'wayOff', what: thing.name, options },
    ...(wrong ? [words('methodReason', 'methodReason')] : []),
  ];
}

export const remove = kindOf<ActionOf<'remove'>>({
  picture: 'part',
  asks(at, answers) {
    const thing = thingOf(at, at.action.removed);
    // Where the sheet has a step for it, that step holds; else it is asked here.
    const supports = at.plan.steps.some(({ actions }) =>
      actions.some((action) => action.type === 'support' && action.removed === at.action.removed),
    );
    return [
      ...wayOffAsks(thing, at.action.methods === undefined, answers),
      ...(thing?.support && !supports ? [tick('supported', 'supported', thing.support)] : []),
      ...(thing?.hangs ? [words('hangsFrom', 'hangsFrom', thing.hangs)] : []),
    ];
  },
});

export const swingAside = kindOf<ActionOf<'swingAside'>>({
  picture: 'part',
  asks(at, answers) {
    const thing = thingOf(at, at.action.removed);
    return [
      ...wayOffAsks(thing, at.action.methods === undefined, answers),
      ...(thing?.hangs ? [words('hangsFrom', 'hangsFrom', thing.hangs)] : []),
    ];
  },
});
export const swingBack = kindOf<ActionOf<'swingBack'>>({ picture: 'part' });

export const support = kindOf<ActionOf<'support'>>({ picture: 'part' });

/** A new one, or the old one again: no more often than the shop lets it. */
function pieces(used: number | undefined, most: number): AskOption[] {
  const spent = used !== undefined && used >= most;
  return [
    { value: 'new', is: 'right' },
    spent
      ? { value: 'again', is: 'refused', trade: { code: 'usedUp', used, most } }
      : { value: 'again', is: 'right', trade: used === undefined ? undefined : { code: 'usedBefore', used, most } },
  ];
}

/** Whether a bolt may go back in is asked where nobody says so, and its uses are counted; what is stretched never does. */
export const refit = kindOf<ActionOf<'refit'>>({
  picture: 'part',
  asks(at, answers) {
    const thing = thingOf(at, at.action.removed);
    if (thing?.singleUse)
      return [
        {
          kind: 'oneOf',
          key: 'piece',
          about: 'piece',
          what: thing.name,
          options: [
            { value: 'new', is: 'right' },
            { value: 'again', is: 'refused' },
          ],
        },
      ];
    if (!thing?.reuseUnknown) return [];
    const most = at.plan.rules.boltUses;
    return [
      { kind: 'oneOf', key: 'piece', about: 'piece', what: thing.name, options: pieces(thing.usedBefore, most) },
      ...(answers.piece === 'again' && thing.usedBefore === undefined
        ? [
            {
              kind: 'number' as const,
              key: 'uses',
              about: 'uses' as const,
              unit: '',
              min: 1,
              max: most,
              outside: 'refused' as const,
            },
          ]
        : []),
    ];
  },
});

/** What does not go back: kept for the owner, or scrapped. */
export const settle = kindOf<ActionOf<'settle'>>({ picture: 'list' });

export const compare = kindOf<ActionOf<'compare'>>({
  picture: 'part',
  asks: ({ action }) =>
    action.points.map((point) => ({
      kind: 'oneOf' as const,
      key: point,
      about: 'point' as const,
      what: point,
      options: [
        { value: 'same', is: 'right' as const },
        { value: 'differs', is: 'fails' as const },
      ],
    })),
});

export const moveOver = kindOf<ActionOf<'moveOver'>>({
  picture: 'part',
  asks: ({ action }) => [
    ...(action.seal ? [tick('seal', 'seal', action.seal)] : []),
    ...(action.facing ? [tick('facing', 'facing', action.facing)] : []),
  ],
});
