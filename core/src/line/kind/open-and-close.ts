import { actIds } from '../act-id.ts';
import type { Ask } from '../ask.ts';
import { type ActionOf, type At, kindOf, tick, words } from '../line-kind.ts';

const plugOf = ({ plan }: Pick<At, 'plan'>, id: string) => plan.disconnects.find((entry) => entry.id === id);

/** Opened: tagged where it could be swapped, sealed and tied where it stays open for good. */
export const disconnect = kindOf<ActionOf<'disconnect'>>({
  picture: 'part',
  asks(at) {
    const plug = plugOf(at, at.action.disconnect);
    return [
      ...(plug?.tag ? [words('tag', 'tag', plug.name, [plug.side, plug.name].filter(Boolean).join(' '))] : []),
      ...(plug?.retires ? [tick('sealed', 'sealedAndTied', plug.name)] : []),
    ];
  },
});

/** The tags that were hung on at opening, by the disconnect they belong to. */
function tagsHung({ plan, known }: Pick<At, 'plan' | 'known'>): Array<{ disconnect: string; tag: string }> {
  return plan.steps.flatMap((step) =>
    actIds(step).flatMap(({ id, action }) => {
      const tag = action.type === 'disconnect' ? known.answersOf(id)?.tag : undefined;
      return action.type === 'disconnect' && typeof tag === 'string' ? [{ disconnect: action.disconnect, tag }] : [];
    }),
  );
}

/** Closed: the tag that hangs on it is read back, among those of its like. */
export const reconnect = kindOf<ActionOf<'reconnect'>>({
  picture: 'part',
  asks(at) {
    const plug = plugOf(at, at.action.disconnect);
    const hung = tagsHung(at);
    const own = hung.find((entry) => entry.disconnect === at.action.disconnect);
    if (!plug?.tag || !own) return [];
    const others = hung.filter(({ tag }) => tag !== own.tag);
    return [
      {
        kind: 'oneOf',
        key: 'tagBack',
        about: 'tagBack',
        what: plug.name,
        options: [own, ...others]
          .map(({ tag }) => ({
            value: tag,
            label: tag,
            is: tag === own.tag ? ('right' as const) : ('refused' as const),
          }))
          .sort((a, b) => a.value.localeCompare(b.value)),
      },
    ];
  },
});

export const windBack = kindOf<ActionOf<'windBack'>>({ picture: 'part' });
export const loosen = kindOf<ActionOf<'loosen'>>({ picture: 'part' });
/** Tightened again: where there are several, as many as were loosened. */
export const retighten = kindOf<ActionOf<'retighten'>>({
  picture: 'part',
  asks({ plan, action }) {
    const neighbour = plan.neighbours.find(({ id }) => id === action.neighbour);
    const count = neighbour?.count ?? 1;
    if (!neighbour || count === 1) return [];
    const many: Ask = {
      kind: 'number',
      key: 'count',
      about: 'count',
      what: neighbour.name,
      unit: '',
      min: count,
      max: count,
      outside: 'refused',
    };
    return [many];
  },
});
export const putOn = kindOf<ActionOf<'putOn'>>({ picture: 'list' });
export const refitForNow = kindOf<ActionOf<'refitForNow'>>({ picture: 'list' });
export const clear = kindOf<ActionOf<'clear'>>({ picture: 'list' });
