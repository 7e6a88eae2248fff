import type { PlanItem } from '../../kit/plan.ts';
import { indexOf } from '../../kit/plan.ts';
import type { Answers, Ask, StackChoice } from '../ask.ts';
import { besideAsks } from '../beside.ts';
import { type ActionOf, kindOf, tick, words } from '../line-kind.ts';
import { waysIn } from '../ways-in.ts';

/** Marks a part could carry instead: those of its like, so that the stamp is read and not assumed. */
function markAsk(item: PlanItem, items: readonly PlanItem[]): Ask[] {
  if (item.mark === undefined) return [];
  const others = items.flatMap((other) =>
    other.id !== item.id && other.kind === item.kind && other.mark !== undefined && other.mark !== item.mark
      ? [other.mark]
      : [],
  );
  const marks = [...new Set([item.mark, ...others])].sort((a, b) => a.localeCompare(b));
  return [
    {
      kind: 'oneOf',
      key: 'mark',
      about: 'mark',
      what: item.name,
      options: [
        ...marks.map((mark) => ({
          value: mark,
          label: mark,
          is: mark === item.mark ? ('right' as const) : ('refused' as const),
          why: mark === item.mark ? undefined : item.tellTale,
        })),
        { value: 'another', is: 'refused', why: item.tellTale },
      ],
    },
  ];
}

/** A part goes on: the right one by its mark, the right way round, what is captured in it seated. */
export const fit = kindOf<ActionOf<'fit'>>({
  picture: 'part',
  asks({ plan, action, known }, answers) {
    const item = indexOf(plan).items.get(action.item);
    if (!item) return [];
    // Read off at check-in, it is not asked again.
    const unread = item.serial && (known.serials?.(item.id) ?? 0) < item.needed;
    return [
      ...markAsk(item, plan.items),
      ...besideAsks(item, answers),
      ...(item.treatment ? [tick('treated', 'treatment', item.treatment)] : []),
      ...(item.facing ? [tick('facing', 'facing', item.facing)] : []),
      ...(item.insert ? [tick('insert', 'insert', item.insert)] : []),
      ...(unread ? [words('serial', 'serial', item.name)] : []),
    ];
  },
});

const choiceOf = (item: PlanItem): StackChoice => ({ item: item.id, name: item.name, tellTale: item.tellTale });

/** Piece by piece in the order it is in the hand: a look-alike or a piece out of order is refused with its tell-tale. */
export const buildStack = kindOf<ActionOf<'buildStack'>>({
  picture: 'stack',
  asks({ plan, action }) {
    const { items, stations } = indexOf(plan);
    const station = stations.get(action.station);
    const order = (station?.stack ?? []).flatMap((piece) =>
      piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : [],
    );
    const kinds = new Set(order.map(({ kind }) => kind));
    const own = new Set(order.map(({ id }) => id));
    const alike = plan.items.filter(({ id, kind }) => !own.has(id) && kinds.has(kind) && kind !== 'part').slice(0, 4);
    const among = [...new Map([...order, ...alike].map((item) => [item.id, item])).values()]
      .sort((a, b) => a.line.localeCompare(b.line, 'en', { numeric: true }))
      .map(choiceOf);
    return [{ kind: 'pieces', key: 'stack', about: 'stack', what: station?.name, order: order.map(choiceOf), among }];
  },
});

const size = (key: string, about: 'boreSize' | 'bushSize', what: string | undefined): Ask => ({
  kind: 'number',
  key,
  about,
  what,
  unit: 'mm',
  min: 1,
  max: 1000,
  outside: 'refused',
});

/** Bore and bush measured, then the way in that they ask for; parts that cannot belong together are not met. */
function fitAsks(into: string | undefined, name: string | undefined, answers: Answers): Ask[] {
  const { bore, bush } = answers;
  const asks = [size('bore', 'boreSize', into), size('bush', 'bushSize', name)];
  if (typeof bore !== 'number' || typeof bush !== 'number') return asks;
  const options = waysIn(bore, bush);
  const wrong = options?.some(({ value, is }) => value === answers.method && is === 'wrong');
  return [
    ...asks,
    ...(options ? [{ kind: 'oneOf' as const, key: 'method', about: 'wayIn' as const, what: name, options }] : []),
    ...(wrong ? [words('methodReason', 'methodReason')] : []),
  ];
}

/** Pressed or pushed in, to a depth where the sheet gives one. */
export const press = kindOf<ActionOf<'press'>>({
  picture: 'part',
  asks({ plan, action }, answers) {
    const name = indexOf(plan).items.get(action.item)?.name;
    const depth: Ask = {
      kind: 'number',
      key: 'depth',
      about: 'depth',
      what: action.into,
      unit: 'mm',
      min: action.minMm,
      max: action.maxMm,
      outside: 'fails',
    };
    return [
      ...(action.measureFit ? fitAsks(action.into, name, answers) : []),
      ...(action.minMm === undefined && action.maxMm === undefined ? [] : [depth]),
    ];
  },
  fails({ action }, { bore, bush }) {
    if (!action.measureFit || typeof bore !== 'number' || typeof bush !== 'number') return [];
    return waysIn(bore, bush) ? [] : ['bore', 'bush'];
  },
});
