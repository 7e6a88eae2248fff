import { useEffect } from 'react';
import { useSearchParams } from 'react-router';

/** The part of the editor each list of a kit is written in. */
const PART_OF: Readonly<Record<string, string>> = {
  items: 'packing',
  compounds: 'stations',
  stations: 'stations',
  groups: 'groups',
  questions: 'questions',
  fits: 'questions',
  choices: 'questions',
  steps: 'steps',
  removed: 'steps',
  disconnects: 'steps',
  neighbours: 'steps',
  temporary: 'steps',
  baselines: 'steps',
  checks: 'steps',
  irreversible: 'steps',
  prerequisites: 'steps',
  cautions: 'steps',
  aftercare: 'steps',
  tools: 'steps',
};

/** The entry of a list that a path into the document leads to. */
export interface EntryAt {
  list: string;
  index: number;
}

const ENTRY = /^(\w+)(?:\[(\d+)\])?/;

/** `stations[3].specs[0]` is the fourth station. @returns nothing for a path that leads into no list */
export function entryAt(path: string): EntryAt | undefined {
  const [, list = '', index = '0'] = ENTRY.exec(path) ?? [];
  return list in PART_OF ? { list, index: Number(index) } : undefined;
}

/** Where in the editor of a kit the place of a finding is. */
export function placeAddress(kit: string, path: string): string | undefined {
  const entry = entryAt(path);
  return entry && `${partAddress(kit, PART_OF[entry.list] ?? '')}?at=${entry.list}.${entry.index}`;
}

/** A part of a draft's editor. */
export const partAddress = (kit: string, part: string): string => `/kits/drafts/${kit}/${part}`;

/** The entry an address asks for. */
export function useAskedEntry(): EntryAt | undefined {
  const [search] = useSearchParams();
  const [, list, index] = /^(\w+)\.(\d+)$/.exec(search.get('at') ?? '') ?? [];
  return list === undefined ? undefined : { list, index: Number(index) };
}

/** What an entry is marked with, so that it can be brought into view. */
export const entryMark = (list: string, index: number): { 'data-entry': string } => ({
  'data-entry': `${list}.${index}`,
});

/** Brings the entry an address asks for into view, and the cursor into its first field. */
export function useShowAsked(): void {
  const [search] = useSearchParams();
  const at = search.get('at');
  useEffect(() => {
    if (at === null) return;
    const entry = document.querySelector<HTMLElement>(`[data-entry="${CSS.escape(at)}"]`);
    entry?.scrollIntoView?.({ block: 'center' });
    entry?.querySelector<HTMLElement>('input, textarea, select, button')?.focus({ preventScroll: true });
  }, [at]);
}
