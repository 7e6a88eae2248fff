import type { CompoundKind } from '../../compound/compound.ts';
import type { DriveSize } from '../../fastener/drive.ts';
import type { KitDocument, Station } from '../kit-document.ts';
import type { Fate } from '../kit-step.ts';
import { type Assumption, COMPOUND_NAME, type Draft } from './drafting.ts';
import { placeholderMap, placeholderSpot } from './placeholder-map.ts';

/** What a person says of an assumption: it holds, or what is so instead. */
export type Correction =
  | { says: 'right' }
  | { says: 'stations'; count: number }
  | { says: 'drive'; drive: DriveSize }
  | { says: 'compound'; compound: CompoundKind | 'none' }
  | { says: 'fate'; fate: Fate };

/** Which corrections an assumption can take besides `right`. */
export const CORRECTED_BY: Partial<Record<Assumption['code'], Exclude<Correction['says'], 'right'>>> = {
  countAssumed: 'stations',
  driveUnknown: 'drive',
  driveFromThread: 'drive',
  strengthAssumed: 'compound',
  compoundNearby: 'compound',
  fateUnknown: 'fate',
};

/** The most stations a joint is drawn with. */
export const MOST_STATIONS = 200;

/**
 * A draft with one of its assumptions settled; the assumption, and what else it says of the same thing, is gone from the
 * list. The draft given is left as it is.
 *
 * @throws where the assumption speaks of nothing the draft has, or takes no such correction
 */
export function correctDraft(draft: Draft, assumption: Assumption, correction: Correction): Draft {
  const assumed = draft.assumed.filter((other) => other !== assumption && !settles(correction, assumption, other));
  if (correction.says === 'right') return { ...draft, assumed };
  if (CORRECTED_BY[assumption.code] !== correction.says)
    throw new Error(`${assumption.code} of ${assumption.about} takes no correction of its ${correction.says}.`);
  const at = Number(/\[(\d+)\]/.exec(assumption.path)?.[1]);
  const kit = corrected(draft.kit, at, correction);
  if (!kit) throw new Error(`${assumption.path} is not in the draft.`);
  return { ...draft, kit, assumed };
}

/** Two things assumed of one joint that one answer settles: its compound, and how strong it is. */
const settles = (correction: Correction, one: Assumption, other: Assumption): boolean =>
  correction.says !== 'right' && other.path === one.path && CORRECTED_BY[other.code] === correction.says;

function corrected(kit: KitDocument, at: number, correction: Exclude<Correction, { says: 'right' }>) {
  switch (correction.says) {
    case 'fate':
      return (
        kit.removed[at] && { ...kit, removed: kit.removed.with(at, { ...kit.removed[at], fate: correction.fate }) }
      );
    case 'stations':
      return kit.groups[at] && withStations(kit, at, correction.count);
    case 'drive':
      return kit.groups[at] && onStations(kit, at, (station) => ({ ...station, drive: correction.drive }));
    case 'compound':
      return kit.groups[at] && withCompound(kit, at, correction.compound);
  }
}

function onStations(kit: KitDocument, at: number, change: (station: Station) => Station): KitDocument {
  const members = new Set(kit.groups[at]?.stations);
  return { ...kit, stations: kit.stations.map((station) => (members.has(station.id) ? change(station) : station)) };
}

function withCompound(kit: KitDocument, at: number, kind: CompoundKind | 'none'): KitDocument {
  if (kind === 'none') {
    return unusedLeft(
      onStations(kit, at, (station) => {
        const { compound: _, ...dry } = station;
        return dry;
      }),
    );
  }
  const known = kit.compounds.find((compound) => compound.kind === kind && !compound.gradeUnknown);
  const id = known?.id ?? freeId(kit, kind.toLowerCase());
  const compounds = known ? kit.compounds : [...kit.compounds, { id, name: COMPOUND_NAME[kind], kind }];
  return unusedLeft(onStations({ ...kit, compounds }, at, (station) => ({ ...station, compound: id })));
}

/** A locker whose strength nobody knows any more is gone, unless a station or a step still asks for it. */
function unusedLeft(kit: KitDocument): KitDocument {
  const asked = new Set([
    ...kit.stations.flatMap(({ compound }) => compound ?? []),
    ...kit.steps.flatMap(({ actions }) =>
      actions.flatMap((action) => (action.type === 'apply' ? [action.compound] : [])),
    ),
  ]);
  return { ...kit, compounds: kit.compounds.filter(({ id, gradeUnknown }) => !gradeUnknown || asked.has(id)) };
}

/** A joint with as many stations: the last is drawn again, or what is too many taken away. */
function withStations(kit: KitDocument, at: number, wanted: number): KitDocument {
  const group = kit.groups[at] as KitDocument['groups'][number];
  const count = Math.max(1, Math.min(MOST_STATIONS, Math.round(wanted)));
  const own = group.stations.flatMap((id) => kit.stations.find((station) => station.id === id) ?? []);
  const pattern = own.at(-1);
  if (!pattern) return kit;
  const kept = own.slice(0, count);
  const taken = {
    ids: new Set(kit.stations.map(({ id }) => id)),
    labels: new Set(kit.stations.map(({ label }) => label)),
  };
  const free = (names: Set<string>, name: (number: number) => string): string => {
    let number = 1;
    while (names.has(name(number))) number++;
    names.add(name(number));
    return name(number);
  };
  const added = Array.from({ length: count - kept.length }, () => ({
    ...structureOf(pattern),
    id: free(taken.ids, (number) => `s${number}`),
    label: free(taken.labels, String),
  }));
  const all = [...kept, ...added].map((station, index) => ({
    ...station,
    ...placeholderSpot(index),
    name: `${group.title}, ${index + 1} of ${count}`,
  }));
  const gone = new Set(own.slice(count).map(({ id }) => id));
  const last = kit.stations.findLastIndex(({ id }) => group.stations.includes(id));
  const renewed = new Map(all.map((station) => [station.id, station]));
  const stations = kit.stations.flatMap((station, index) => [
    ...(gone.has(station.id) ? [] : [renewed.get(station.id) ?? station]),
    ...(index === last ? all.slice(kept.length) : []),
  ]);
  const { torqueOrder, ...rest } = group;
  return {
    ...kit,
    stations,
    items: kit.items.map((item) => ({ ...item, ...asMany(item, pattern, count) })),
    groups: kit.groups.with(at, {
      ...rest,
      stations: all.map(({ id }) => id),
      map: placeholderMap(group.title, count),
      // A list of places is of as many as there were; a pattern holds for any number.
      ...(torqueOrder && 'pattern' in torqueOrder ? { torqueOrder } : {}),
    }),
  };
}

const structureOf = (station: Station): Station => ({
  ...station,
  stack: station.stack.map((piece) => ({ ...piece })),
});

/** The vehicle's own piece was drawn for this joint alone: there are as many of it as stations. */
const asMany = (item: KitDocument['items'][number], { stack }: Station, count: number): { quantity?: number } =>
  item.source === 'factory' && stack.some((piece) => piece.kind === 'hardware' && piece.item === item.id)
    ? { quantity: count }
    : {};

function freeId(kit: KitDocument, wish: string): string {
  const taken = new Set(kit.compounds.map(({ id }) => id));
  let [id, number] = [wish, 2];
  while (taken.has(id)) id = `${wish}-${number++}`;
  return id;
}
