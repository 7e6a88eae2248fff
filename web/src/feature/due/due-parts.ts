import type { DueItem } from '#contract/due.ts';
import { say } from '#contract/wording/say.ts';
import { type DueState, dueState } from '#core/follow-up/expected-due.ts';

/** Items of the list under one heading. */
export interface DuePart {
  key: string;
  title: string;
  late: boolean;
  items: DueItem[];
}

const BY_DAY: ReadonlyArray<readonly [DueState | 'settled', string]> = [
  ['overdue', say('Overdue')],
  ['today', say('Today')],
  ['week', say('In the next seven days')],
  ['later', say('Later')],
  ['event', say('Without a date')],
  ['settled', say('Settled of late')],
];

/** What is due, by when it is. */
export function partsByDay(items: readonly DueItem[], todayMs: number): DuePart[] {
  const parts = new Map<string, DueItem[]>();
  for (const item of items) {
    const part = item.settled ? 'settled' : dueState(item.expected, todayMs);
    parts.set(part, [...(parts.get(part) ?? []), item]);
  }
  return BY_DAY.flatMap(([key, title]) => {
    const own = parts.get(key);
    return own ? [{ key, title, late: key === 'overdue', items: own }] : [];
  });
}

/** When something comes first, for the order of owners; without a date it comes last. */
const firstMs = ({ expected }: DueItem): number => expected?.expectedMs ?? Number.POSITIVE_INFINITY;

/**
 * What is due, by whose it is: one call for all of an owner's vehicles. Who has to come first stands first; what is
 * settled is left out. Two of one name are told apart by how they are reached.
 */
export function partsByOwner(items: readonly DueItem[], todayMs: number): DuePart[] {
  const owners = new Map<string, DueItem[]>();
  for (const item of items) {
    if (item.settled) continue;
    const { owner, contact = '' } = item.vehicle;
    const key = `${owner.trim().toLowerCase()} ${contact.replace(/\s/g, '')}`;
    owners.set(key, [...(owners.get(key) ?? []), item]);
  }
  return [...owners]
    .map(([key, own]): DuePart => {
      const sorted = [...own].sort((a, b) => firstMs(a) - firstMs(b));
      const { owner = '', contact } = sorted[0]?.vehicle ?? {};
      return {
        key,
        title: `${owner || say('no owner entered')}${contact ? `, ${contact}` : ''}`,
        late: sorted.some(({ expected }) => dueState(expected, todayMs) === 'overdue'),
        items: sorted,
      };
    })
    .sort(
      (a, b) =>
        Math.min(...a.items.map(firstMs)) - Math.min(...b.items.map(firstMs)) || a.title.localeCompare(b.title, 'en'),
    );
}
