import { KIT_LISTS, type KitDocument, type KitList, type Station } from './kit-document.ts';

/** One thing that differs between two revisions. */
export interface KitChange {
  /** `document` for the kit's own fields. */
  list: KitList | 'document';
  kind: 'added' | 'removed' | 'changed' | 'moved';
  /** What a person calls it: a station's label and name, a line, a group's title. */
  name: string;
  /** The field that changed; `specs` is the torque. */
  field?: string;
  from?: unknown;
  to?: unknown;
  /** How many entries changed alike, where a whole group did. */
  count: number;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

type Entry = { id: string } & Record<string, unknown>;

const nameOf = (list: KitList, entry: Entry): string => {
  const text = (key: string) => (typeof entry[key] === 'string' ? (entry[key] as string) : '');
  switch (list) {
    case 'items':
      return `${text('line')} ${text('name')}`;
    case 'stations':
      return `station ${text('label')}`;
    case 'groups':
      return text('title');
    case 'steps':
      return `step ${text('number') || entry.id}`;
    default:
      return text('name') || text('text') || entry.id;
  }
};

/** What a specification prints, one value after the other. */
const torqueOf = (specs: Station['specs']): string => specs.map((spec) => spec.printed).join(' or ');

/**
 * What changed from one revision of a kit to another, in words' reach: entries added, removed, moved, and field by field
 * what differs. A change that all stations of a group share is told once for the group.
 *
 * @returns an empty list for equal documents (the revision number itself does not count)
 */
export function kitDifference(before: KitDocument, after: KitDocument): KitChange[] {
  const changes: KitChange[] = [];
  for (const field of [
    'title',
    'maker',
    'statedMinutes',
    'difficulty',
    'scope',
    'powerTools',
    'runDownShare',
    'fits',
  ] as const) {
    if (!same(before[field], after[field]))
      changes.push({
        list: 'document',
        kind: 'changed',
        name: 'kit',
        field,
        from: before[field],
        to: after[field],
        count: 1,
      });
  }
  for (const list of KIT_LISTS) {
    const [old, now] = [before[list] as unknown as Entry[], after[list] as unknown as Entry[]];
    const [oldById, nowById] = [
      new Map(old.map((entry) => [entry.id, entry])),
      new Map(now.map((entry) => [entry.id, entry])),
    ];
    for (const entry of old) {
      if (!nowById.has(entry.id)) changes.push({ list, kind: 'removed', name: nameOf(list, entry), count: 1 });
    }
    const fields: Array<KitChange & { id: string }> = [];
    for (const entry of now) {
      const was = oldById.get(entry.id);
      if (!was) {
        changes.push({ list, kind: 'added', name: nameOf(list, entry), count: 1 });
        continue;
      }
      for (const field of new Set([...Object.keys(was), ...Object.keys(entry)])) {
        if (same(was[field], entry[field])) continue;
        const torque = list === 'stations' && field === 'specs';
        fields.push({
          list,
          kind: 'changed',
          id: entry.id,
          name: nameOf(list, entry),
          field,
          from: torque ? torqueOf(was.specs as Station['specs']) : was[field],
          to: torque ? torqueOf(entry.specs as Station['specs']) : entry[field],
          count: 1,
        });
      }
    }
    changes.push(...(list === 'stations' ? perGroup(fields, after) : fields.map(({ id: _, ...change }) => change)));
    const common = (ids: string[], other: ReadonlyMap<string, unknown>) => ids.filter((id) => other.has(id));
    const orderBefore = common(
      old.map((entry) => entry.id),
      nowById,
    );
    const orderAfter = common(
      now.map((entry) => entry.id),
      oldById,
    );
    if (!same(orderBefore, orderAfter)) changes.push({ list, kind: 'moved', name: list, count: 1 });
  }
  return changes;
}

/** Changes that every station of a group shares become one of the group. */
function perGroup(fields: ReadonlyArray<KitChange & { id: string }>, kit: KitDocument): KitChange[] {
  const told = new Set<KitChange & { id: string }>();
  const merged: KitChange[] = [];
  for (const change of fields) {
    if (told.has(change)) continue;
    const group = kit.groups.find((entry) => entry.stations.includes(change.id));
    const alike = fields.filter(
      (other) =>
        group?.stations.includes(other.id) &&
        other.field === change.field &&
        same(other.from, change.from) &&
        same(other.to, change.to),
    );
    const whole = group !== undefined && alike.length > 1 && alike.length === group.stations.length;
    for (const other of whole ? alike : [change]) told.add(other);
    const { id: _, ...rest } = change;
    merged.push(whole ? { ...rest, name: group.title, count: alike.length } : rest);
  }
  return merged;
}
