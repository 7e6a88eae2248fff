import { produce } from 'immer';
import { temporal } from 'zundo';
import { create } from 'zustand';
import type { KitDraft } from '#contract/kit-draft.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Finding } from '#core/kit/lint/finding.ts';
import { api, call, ProblemError } from '../../../shop/api.ts';
import { failureText } from '../../../shop/failure-text.ts';

/** How the draft on screen stands to the one in the store. */
export type SaveState = 'saved' | 'unsaved' | 'saving' | 'offline' | 'conflict';

interface EditorState {
  kit?: KitDocument;
  version: number;
  changedBy: string;
  changedAtMs: number;
  /** The sheet it was read from. */
  sheet?: string;
  save: SaveState;
  /** What someone else saved meanwhile. */
  theirs?: KitDraft;
  failure?: string;
  /** What the lint found, and in which state of the kit. */
  checked?: { kit: KitDocument; findings: Finding[] };
  /** A copy of unsaved work from this device was taken up. */
  restored: boolean;
  open(id: string): Promise<void>;
  change(recipe: (kit: KitDocument) => void): void;
  store(): Promise<void>;
  /** After a conflict: mine over theirs, or theirs instead of mine. */
  settle(which: 'mine' | 'theirs'): Promise<void>;
}

const copyKey = (id: string) => `kit-draft ${id}`;

/** Unsaved work is kept on the device, so that a reload or a dead network loses nothing. */
function keepCopy(kit: KitDocument, version: number): void {
  try {
    localStorage.setItem(copyKey(kit.id), JSON.stringify({ kit, version }));
  } catch {
    // A full store only loses the safety copy; the draft itself is still saved to the server.
  }
}
function copyOf(id: string): { kit: KitDocument; version: number } | undefined {
  const text = localStorage.getItem(copyKey(id));
  if (text === null) return undefined;
  try {
    return JSON.parse(text) as { kit: KitDocument; version: number };
  } catch {
    // Half written when the device went off: what the server has is the newest whole one.
    localStorage.removeItem(copyKey(id));
    return undefined;
  }
}

/** The kit being written, with undo, autosave and the word of others. */
export const useEditor = create<EditorState>()(
  temporal(
    (set, get) => ({
      version: 0,
      changedBy: '',
      changedAtMs: 0,
      save: 'saved',
      restored: false,
      async open(id) {
        set({
          kit: undefined,
          sheet: undefined,
          theirs: undefined,
          failure: undefined,
          restored: false,
          save: 'saved',
        });
        try {
          const draft = (await call(api['kit-library'].drafts[':id'].$get({ param: { id } }))) as KitDraft;
          const copy = copyOf(id);
          const { document, version, changedBy, changedAtMs, sheet } = draft;
          if (copy && JSON.stringify(copy.kit) !== JSON.stringify(document))
            // Saved over meanwhile: the next save finds the conflict and shows both.
            set({
              kit: copy.kit,
              version: copy.version,
              changedBy,
              changedAtMs,
              sheet,
              save: 'unsaved',
              restored: true,
            });
          else set({ kit: document, version, changedBy, changedAtMs, sheet });
        } catch (error) {
          set({ failure: failureText(error) });
        }
        useEditor.temporal.getState().clear();
      },
      change(recipe) {
        const { kit, version, save } = get();
        if (!kit) return;
        const changed = produce(kit, recipe);
        if (changed === kit) return;
        keepCopy(changed, version);
        set({ kit: changed, save: save === 'conflict' ? 'conflict' : 'unsaved' });
      },
      async store() {
        const { kit, version } = get();
        if (!kit) return;
        set({ save: 'saving' });
        try {
          const saved = (await call(
            api['kit-library'].drafts[':id'].$put({ param: { id: kit.id }, json: { document: kit, version } }),
          )) as KitDraft;
          const stillSame = get().kit === kit;
          set({
            version: saved.version,
            changedBy: saved.changedBy,
            changedAtMs: saved.changedAtMs,
            failure: undefined,
            save: stillSame ? 'saved' : 'unsaved',
          });
          if (stillSame) localStorage.removeItem(copyKey(kit.id));
          else keepCopy(get().kit ?? kit, saved.version);
        } catch (error) {
          const changed = error instanceof ProblemError && error.problem.code === 'draftChanged';
          if (changed) set({ save: 'conflict', theirs: (error.problem as unknown as { draft: KitDraft }).draft });
          else set({ save: 'offline', failure: failureText(error) });
        }
      },
      async settle(which) {
        const { theirs, kit } = get();
        if (!theirs || !kit) return;
        if (which === 'theirs') {
          localStorage.removeItem(copyKey(kit.id));
          set({
            kit: theirs.document,
            version: theirs.version,
            changedBy: theirs.changedBy,
            changedAtMs: theirs.changedAtMs,
            theirs: undefined,
            save: 'saved',
          });
          return;
        }
        set({ version: theirs.version, theirs: undefined, save: 'unsaved' });
        await get().store();
      },
    }),
    {
      partialize: ({ kit }) => ({ kit }),
      equality: (before, after) => before.kit === after.kit,
      limit: 100,
    },
  ),
);

/** The open kit; only inside the editor, which waits for it. */
export function useKit(): KitDocument {
  const kit = useEditor((state) => state.kit);
  if (!kit) throw new Error('useKit stands inside KitEditor, which waits for the draft');
  return kit;
}

/** An id not yet used in a list, from a wish. */
export function freshId(list: ReadonlyArray<{ id: string }>, wish: string): string {
  const taken = new Set(list.map((entry) => entry.id));
  if (!taken.has(wish)) return wish;
  for (let serial = 2; ; serial++) if (!taken.has(`${wish}-${serial}`)) return `${wish}-${serial}`;
}

/** Sets a field, or takes it away where the value is undefined. A target that is gone is left alone. */
export function put<T extends object, K extends keyof T>(
  target: T | undefined,
  field: K,
  value: T[K] | undefined,
): void {
  if (!target) return;
  if (value === undefined) delete target[field];
  else target[field] = value;
}
