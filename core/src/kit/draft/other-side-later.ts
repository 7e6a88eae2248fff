import type { SheetStep } from '../../sheet/step-split.ts';
import { type Assumption, clip, type Drafting } from './drafting.ts';
import { placeholderMap } from './placeholder-map.ts';

/** `Repeat for the passenger side`, `Repeat steps 3 to 9 on the other side`, `Now do the right side the same way`: a step of its own. */
const OTHER_SIDE =
  /^\W*(?:now |then |next |finally |and )*(?:repeat(?: (?:the )?(?:procedure|process|work|installation|all|everything|above|these steps|steps? (\d{1,2})(?:\s*(?:-|–|to|through|thru)\s*(\d{1,2}))?))*,?\s+(?:for|on|at)|(?:do|fit|install) (?:the same|likewise)(?: thing)? (?:for|on|at)|(?:the )?same (?:thing |work |again |procedure |way )?(?:for|on|at)|do) (?:the )?(?:other|opposite|passenger(?:'s|s)?|driver(?:'s|s)?|left|right|second|remaining)(?:[- ]hand)? side\b|^\W*(?:the )?(?:other|opposite|passenger(?:'s)?|driver(?:'s)?|left|right) side,? (?:is |goes )?(?:the )?(?:same|likewise)\b/i;

/** `PASSENGER SIDE`, and below it `Repeat steps 4 and 5`. */
const SIDE_TITLE =
  /^\W*(?:the )?(?:other|opposite|passenger(?:'s|s)?|driver(?:'s|s)?|left|right|second)(?:[- ]hand)? side\W*$/i;
const AGAIN =
  /^\W*repeat (?:steps?|operations?|points?) (\d{1,2})(?:\s*(?:-|–|to|through|thru|and|&)\s*(\d{1,2}))?\W*$/i;

/** Steps that do it again on the other side, by their sheet, found once. */
const known = new WeakMap<readonly SheetStep[], Array<{ at: number; number?: string; from?: number; to?: number }>>();
function otherSides(steps: readonly SheetStep[]) {
  const made =
    known.get(steps) ??
    steps.flatMap(({ text, number }, at) => {
      const said = OTHER_SIDE.exec(text) ?? (SIDE_TITLE.test(steps[at - 1]?.text ?? '') ? AGAIN.exec(text) : null);
      if (!said) return [];
      const [, from, to] = said;
      return [{ at, number, ...(from === undefined ? {} : { from: Number(from), to: Number(to ?? from) }) }];
    });
  known.set(steps, made);
  return made;
}

/** How many sentences behind a step it may be repeated: more are another chapter. */
const REPEATED_WITHIN = 120;

/** The first sentence behind a step that does it again on the other side; undefined where none does. */
function againAt(steps: readonly SheetStep[], at: number) {
  const own = Number.parseInt(steps[at]?.number ?? '', 10);
  const sides = otherSides(steps);
  for (let next = firstBehind(sides, at); next < sides.length; next++) {
    const later = sides[next];
    if (!later || later.at > at + REPEATED_WITHIN) return undefined;
    if (later.from === undefined || (own >= later.from && own <= (later.to ?? later.from))) return later;
  }
  return undefined;
}

/** The first of them behind a sentence; they stand in its order. */
function firstBehind(sides: ReadonlyArray<{ at: number }>, at: number): number {
  let [low, high] = [0, sides.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sides[middle]?.at ?? 0) > at) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Whether a later step of the sheet does again on the other side what is done at a step. */
export function doneOnOtherSide(steps: readonly SheetStep[], at: number): boolean {
  const again = againAt(steps, at);
  // In a sheet of paragraphs no sentence has a number.
  return again !== undefined && (again.number === undefined || again.number !== steps[at]?.number);
}

/** What the sides are called, the one that is worked first before the other, and their marks. */
const SIDES: ReadonlyArray<[RegExp, [string, string], [string, string]]> = [
  [/\bpassenger/i, ['driver side', 'passenger side'], ['D', 'P']],
  [/\bdriver/i, ['passenger side', 'driver side'], ['P', 'D']],
  [/\bleft\b/i, ['right', 'left'], ['R', 'L']],
];
const PLAIN_SIDES: [string, string] = ['left', 'right'];

/**
 * Parts the joints that a later sentence does again on the other side: each side is put together and pulled by itself, the
 * second where the sheet repeats it.
 *
 * @param sided - groups that stand on both sides, by the step of their figure
 * @returns the groups of the other side, by the sentence that repeats them
 */
export function partedBySides(
  { kit, reading, freshId, assumed, assume }: Drafting,
  sided: ReadonlyMap<string, number>,
): ReadonlyMap<number, readonly string[]> {
  const repeated = new Map<number, string[]>();
  const byId = new Map(kit.stations.map((station) => [station.id, station]));
  const indexOf = new Map(kit.groups.map((group, at) => [group.id, at]));
  const saidOf = new Map<string, Assumption[]>();
  for (const entry of assumed) {
    const [path = ''] = entry.path.split('.');
    saidOf.set(path, [...(saidOf.get(path) ?? []), entry]);
  }
  for (const [id, step] of sided) {
    const again = againAt(reading.steps, step);
    const index = indexOf.get(id) ?? -1;
    const group = kit.groups[index];
    if (again === undefined || !group || group.stations.length % 2 !== 0) continue;
    const half = group.stations.length / 2;
    const [, names, marks] = SIDES.find(([words]) => words.test(reading.steps[again.at]?.text ?? '')) ?? [];
    const called = names ?? PLAIN_SIDES;
    const sides = [group.stations.slice(0, half), group.stations.slice(half)] as const;
    if (names && marks)
      for (const [side, members] of sides.entries())
        for (const member of members) {
          const station = byId.get(member);
          if (!station) continue;
          station.name = station.name.replace(/(?<=, )(?:left|right)(?=(?: \d+)?$)/, called[side] ?? '');
          station.label = station.label.replace(/^[LR](?=\d)/, marks[side] ?? '');
        }
    const { title, torqueOrder } = group;
    const ofSide = (side: 0 | 1) => ({
      title: clip(`${title}, ${called[side]}`, 80),
      map: placeholderMap(title, half),
      stations: [...sides[side]],
      ...(torqueOrder && 'list' in torqueOrder
        ? { torqueOrder: { list: torqueOrder.list.filter((one) => sides[side].includes(one)) } }
        : {}),
    });
    const other = freshId(`${id} other side`);
    const path = `groups[${kit.groups.length}]`;
    kit.groups.push({ ...group, ...ofSide(1), id: other });
    kit.groups[index] = { ...group, ...ofSide(0) };
    // What is not known of one side is not known of the other.
    for (const { path: of, code } of saidOf.get(`groups[${index}]`) ?? [])
      if (code !== 'positionsUnknown' || half > 1)
        assume(of.replace(`groups[${index}]`, path), code, `${title}, ${called[1]}`);
    repeated.set(again.at, [...(repeated.get(again.at) ?? []), other]);
  }
  return repeated;
}
