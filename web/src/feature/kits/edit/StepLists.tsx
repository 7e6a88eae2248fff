import type { ReactNode } from 'react';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Disconnect, Fate, RemovedThing } from '#core/kit/kit-step.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { freshId, put, useEditor } from './editor-store.ts';
import { LOOK } from './look.ts';
import { OptionalText } from './OptionalText.tsx';

/** What the steps speak of: things off and open, put on, measured, checked, cautioned; and the sheet's own tools. */
export function StepLists({ kit }: { kit: KitDocument }) {
  return (
    <>
      <Removed kit={kit} />
      <Disconnects kit={kit} />
      <Lines
        field="name"
        kit={kit}
        list="neighbours"
        title="Loosened for access"
        plain={(id) => ({ id, name: 'Neighbour bolt' })}
      />
      <Lines
        field="name"
        kit={kit}
        list="temporary"
        title="Put on for the work"
        plain={(id) => ({ id, name: 'Tape', clearBy: 'closeOut' })}
      />
      <Lines
        field="name"
        kit={kit}
        list="baselines"
        title="Measured before"
        plain={(id) => ({
          id,
          name: 'Ride height',
          quantity: 'rideHeight',
          places: ['front left', 'front right', 'rear left', 'rear right'],
        })}
      />
      <Lines
        field="text"
        kit={kit}
        list="checks"
        title="Checks"
        plain={(id) => ({ id, text: 'Gap even on both sides' })}
      />
      <Lines
        field="text"
        kit={kit}
        list="irreversible"
        title="Cannot be taken back"
        plain={(id) => ({ id, text: 'Cut the bracket' })}
      />
      <Lines
        field="text"
        kit={kit}
        list="prerequisites"
        title="Before anything comes off"
        plain={(id) => ({ id, text: 'Exhaust has cooled', kind: 'cooled' })}
      />
      <Lines
        field="text"
        kit={kit}
        list="cautions"
        title="Cautions"
        plain={(id) => ({ id, text: 'Support the vehicle on stands.' })}
      />
      <AftercareList kit={kit} />
      <Lines
        kit={kit}
        list="tools"
        field="name"
        title="Tools on the sheet"
        plain={(id) => ({ id, name: 'Spring compressor', special: true })}
      />
      <Adds kit={kit} />
    </>
  );
}

const FATES: ReadonlyArray<readonly [Fate, string]> = [
  ['refit', 'goes back'],
  ['transfer', 'goes to the new part'],
  ['keep', 'kept for the owner'],
  ['scrap', 'scrapped'],
];

function Removed({ kit }: { kit: KitDocument }) {
  const change = useEditor((state) => state.change);
  return (
    <ListOf
      title="Comes off the vehicle"
      onAdd={() =>
        change(
          (draft) =>
            void draft.removed.push({
              id: freshId(draft.removed, `off-${draft.removed.length + 1}`),
              name: 'Cover bolts',
              count: 1,
              fate: 'refit',
            }),
        )
      }
    >
      {kit.removed.map((thing, index) => (
        <li key={thing.id} className="flex flex-wrap items-end gap-2 border-b border-hair py-1">
          <div className="min-w-32 flex-1">
            <CommitField
              label="What"
              value={thing.name}
              onCommit={(typed) =>
                typed.trim()
                  ? void change((draft) => void put(draft.removed[index] as { name: string }, 'name', typed.trim()))
                  : 'Name it.'
              }
            />
          </div>
          <div className="w-16">
            <CommitField
              label="Count"
              className="figures text-right"
              value={String(thing.count)}
              onCommit={(typed) =>
                Number.isInteger(typedNumber(typed)) && typedNumber(typed) > 0 && typedNumber(typed) <= 1000
                  ? void change(
                      (draft) => void put(draft.removed[index] as { count: number }, 'count', typedNumber(typed)),
                    )
                  : '1 to 1000'
              }
            />
          </div>
          <select
            aria-label={`What becomes of ${thing.name}`}
            className={LOOK}
            value={thing.fate}
            onChange={(event) =>
              change((draft) => void put(draft.removed[index] as { fate: Fate }, 'fate', event.target.value as Fate))
            }
          >
            {FATES.map(([fate, text]) => (
              <option key={fate} value={fate}>
                {text}
              </option>
            ))}
          </select>
          <Away onClick={() => change((draft) => void draft.removed.splice(index, 1))} name={thing.name} />
          <RemovedDetails thing={thing} index={index} />
        </li>
      ))}
    </ListOf>
  );
}

function Disconnects({ kit }: { kit: KitDocument }) {
  const change = useEditor((state) => state.change);
  const kinds: ReadonlyArray<Disconnect['kind']> = [
    'connector',
    'hose',
    'cable',
    'sensor',
    'clip',
    'line',
    'cover',
    'plug',
    'other',
  ];
  return (
    <ListOf
      title="Opened and closed again"
      onAdd={() =>
        change(
          (draft) =>
            void draft.disconnects.push({
              id: freshId(draft.disconnects, `open-${draft.disconnects.length + 1}`),
              name: 'Connector',
              kind: 'connector',
            }),
        )
      }
    >
      {kit.disconnects.map((thing, index) => (
        <li key={thing.id} className="flex flex-wrap items-end gap-2 border-b border-hair py-1">
          <div className="min-w-32 flex-1">
            <CommitField
              label="What"
              value={thing.name}
              onCommit={(typed) =>
                typed.trim()
                  ? void change((draft) => void put(draft.disconnects[index] as { name: string }, 'name', typed.trim()))
                  : 'Name it.'
              }
            />
          </div>
          <select
            aria-label={`Kind of ${thing.name}`}
            className={LOOK}
            value={thing.kind}
            onChange={(event) =>
              change((draft) => void put(draft.disconnects[index] as Disconnect, 'kind', event.target.value as 'hose'))
            }
          >
            {kinds.map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </select>
          <Away onClick={() => change((draft) => void draft.disconnects.splice(index, 1))} name={thing.name} />
        </li>
      ))}
    </ListOf>
  );
}

type LineList =
  | 'neighbours'
  | 'temporary'
  | 'baselines'
  | 'tools'
  | 'checks'
  | 'irreversible'
  | 'prerequisites'
  | 'cautions';

/** A list of which each entry is one line of words, by its name or its text. */
function Lines<L extends LineList>({
  kit,
  list,
  field,
  title,
  plain,
}: {
  kit: KitDocument;
  list: L;
  field: 'name' | 'text';
  title: string;
  plain: (id: string) => KitDocument[L][number];
}) {
  const change = useEditor((state) => state.change);
  const entries = kit[list] as unknown as ReadonlyArray<{ id: string } & Record<'name' | 'text', string>>;
  return (
    <ListOf
      title={title}
      onAdd={() =>
        change(
          (draft) => void (draft[list] as object[]).push(plain(freshId(draft[list], `${list}-${entries.length + 1}`))),
        )
      }
    >
      {entries.map((entry, index) => (
        <li key={entry.id} className="flex items-end gap-2 border-b border-hair py-1">
          <div className="flex-1">
            <CommitField
              label="What"
              hideLabel
              value={entry[field]}
              onCommit={(typed) =>
                typed.trim()
                  ? void change(
                      (draft) =>
                        void put(draft[list][index] as unknown as Record<'name' | 'text', string>, field, typed.trim()),
                    )
                  : 'Say it.'
              }
            />
          </div>
          <Away onClick={() => change((draft) => void draft[list].splice(index, 1))} name={entry[field]} />
        </li>
      ))}
    </ListOf>
  );
}

/** Words the vehicle carries once the kit is on: other kits ask for them. */
function Adds({ kit }: { kit: KitDocument }) {
  const change = useEditor((state) => state.change);
  return (
    <OptionalText
      label="Puts on the vehicle, words with commas"
      value={kit.adds?.join(', ')}
      onChange={(text) =>
        change((draft) => {
          const words = (text ?? '')
            .split(',')
            .map((word) => word.trim())
            .filter(Boolean);
          if (words.length > 0) draft.adds = words;
          else delete draft.adds;
        })
      }
    />
  );
}

/** What a removed thing needs to go back right: its place, side, thread and length, torque, and whether once only. */
function RemovedDetails({ thing, index }: { thing: RemovedThing; index: number }) {
  const change = useEditor((state) => state.change);
  const set = (field: 'place' | 'thread' | 'note' | 'movesTo') => (text: string | undefined) =>
    change((draft) => {
      const entry = draft.removed[index];
      if (!entry) return;
      if (text === undefined) delete entry[field];
      else entry[field] = text;
    });
  return (
    <details className="w-full">
      <summary className="min-h-9 cursor-pointer text-sm text-ink-2">How it goes back</summary>
      <div className="grid grid-cols-2 gap-2 pb-2">
        <label className="grid gap-1 text-sm">
          What it is
          <select
            className={LOOK}
            value={thing.kind ?? ''}
            onChange={(event) =>
              change((draft) => {
                const entry = draft.removed[index];
                if (!entry) return;
                if (event.target.value === '') delete entry.kind;
                else entry.kind = event.target.value as 'bolt';
              })
            }
          >
            {['', 'bolt', 'nut', 'clip', 'part'].map((kind) => (
              <option key={kind} value={kind}>
                {kind || 'not said'}
              </option>
            ))}
          </select>
        </label>
        <label className="grid gap-1 text-sm">
          Side
          <select
            className={LOOK}
            value={thing.side ?? ''}
            onChange={(event) =>
              change((draft) => {
                const entry = draft.removed[index];
                if (!entry) return;
                if (event.target.value === '') delete entry.side;
                else entry.side = event.target.value as 'left';
              })
            }
          >
            {['', 'left', 'right'].map((side) => (
              <option key={side} value={side}>
                {side || 'none'}
              </option>
            ))}
          </select>
        </label>
        <OptionalText label="The vehicle’s name for its place" value={thing.place} onChange={set('place')} />
        <OptionalText label="Thread" value={thing.thread} onChange={set('thread')} />
        <OptionalText label="Where it sat" value={thing.note} onChange={set('note')} />
        <OptionalText label="Moves to" value={thing.movesTo} onChange={set('movesTo')} />
        <CommitField
          label="Torque it goes back with"
          value={thing.specs?.[0]?.printed ?? ''}
          onCommit={(typed) => {
            const read = typed.trim() === '' ? undefined : specFromPrinted(typed);
            if (read && !read.ok) return 'Give it with its unit: 46 lbf·ft.';
            change((draft) => {
              const entry = draft.removed[index];
              if (!entry) return;
              if (!read) delete entry.specs;
              else entry.specs = [{ spec: read.value, printed: typed.trim() }];
            });
            return undefined;
          }}
        />
        <label className="flex min-h-11 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="size-5"
            checked={thing.singleUse === true}
            onChange={(event) =>
              change((draft) => {
                const entry = draft.removed[index];
                if (!entry) return;
                if (event.target.checked) entry.singleUse = true;
                else delete entry.singleUse;
              })
            }
          />
          Used once only
        </label>
      </div>
    </details>
  );
}

function AftercareList({ kit }: { kit: KitDocument }) {
  const change = useEditor((state) => state.change);
  return (
    <ListOf
      title="Aftercare"
      onAdd={() =>
        change(
          (draft) =>
            void draft.aftercare.push({
              id: freshId(draft.aftercare, `after-${draft.aftercare.length + 1}`),
              text: 'Check the torque again',
              about: 'joints',
              afterKm: 800,
            }),
        )
      }
    >
      {kit.aftercare.map((entry, index) => {
        const figure = (field: 'afterKm' | 'afterDays' | 'afterHours', text: string) => (
          <div key={field} className="w-20">
            <CommitField
              label={text}
              className="figures text-right"
              value={entry[field] === undefined ? '' : String(entry[field])}
              onCommit={(typed) => {
                const value = typed.trim() === '' ? undefined : typedNumber(typed);
                if (value !== undefined && !(value > 0)) return 'Above 0.';
                return void change((draft) => {
                  const target = draft.aftercare[index];
                  if (target && value === undefined) delete target[field];
                  else if (target) target[field] = value;
                });
              }}
            />
          </div>
        );
        return (
          <li key={entry.id} className="grid gap-1 border-b border-hair py-1">
            <CommitField
              label="What"
              hideLabel
              value={entry.text}
              onCommit={(typed) =>
                typed.trim()
                  ? void change((draft) => void put(draft.aftercare[index] as { text: string }, 'text', typed.trim()))
                  : 'Say it.'
              }
            />
            <div className="flex flex-wrap items-end gap-2">
              <select
                aria-label="About"
                className={LOOK}
                value={entry.about ?? 'other'}
                onChange={(event) =>
                  change((draft) => void put(draft.aftercare[index] as { about?: string }, 'about', event.target.value))
                }
              >
                {['joints', 'wheels', 'alignment', 'grease', 'other'].map((about) => (
                  <option key={about}>{about}</option>
                ))}
              </select>
              {figure('afterKm', 'km')}
              {figure('afterDays', 'days')}
              {figure('afterHours', 'hours')}
              <Away onClick={() => change((draft) => void draft.aftercare.splice(index, 1))} name={entry.text} />
            </div>
          </li>
        );
      })}
    </ListOf>
  );
}

function ListOf({ title, onAdd, children }: { title: string; onAdd: () => void; children: ReactNode }) {
  return (
    <section>
      <div className="flex items-baseline justify-between gap-2 border-b-2 border-ink">
        <h2 className="plate text-xl">{title}</h2>
        <button
          type="button"
          className="min-h-11 px-2 text-sm underline"
          onClick={onAdd}
          aria-label={`Add to ${title}`}
        >
          Add
        </button>
      </div>
      <ul>{children}</ul>
    </section>
  );
}

const Away = ({ onClick, name }: { onClick: () => void; name: string }) => (
  <button type="button" aria-label={`Take ${name} away`} className="size-11 text-xl text-ink-2" onClick={onClick}>
    ×
  </button>
);
