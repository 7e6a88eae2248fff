import type { ReactNode } from 'react';
import { say } from '#contract/wording/say.ts';
import type { Condition } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { ConditionButton } from './ConditionEditor.tsx';
import { freshId, useEditor } from './editor-store.ts';
import { entryMark } from './finding-place.ts';
import { LOOK } from './look.ts';

/** One field of an entry: words, a number, one of a list, a tick, or the rule it depends on. */
export type RowField<Entry> = { field: keyof Entry & string; label: string; width?: string } & (
  | { kind: 'words'; hideLabel?: boolean; missing?: string; optional?: true }
  | { kind: 'number'; least: number; most: number; whole?: true; optional?: true; refused: string }
  | { kind: 'choice'; options: ReadonlyArray<readonly [value: string, text: string]>; hideLabel?: boolean }
  | { kind: 'tick' }
  /** Several words, with commas between. */
  | { kind: 'places' }
  | { kind: 'when' }
);

type Values = Record<string, unknown>;

/** Writes a field, or takes it out where nothing is left of it. */
function write(entry: Values, field: string, value: unknown): void {
  if (value === undefined || value === '' || value === false) delete entry[field];
  else entry[field] = value;
}

/** One field of an entry, as it is edited. What it cannot take stays in it with the reason beneath. */
function EntryField<Entry>({
  entry,
  field,
  name,
  onChange,
}: {
  entry: Entry;
  field: RowField<Entry>;
  /** What a person calls the entry, for fields without a label of their own. */
  name: string;
  onChange: (value: unknown) => void;
}) {
  const value = (entry as Values)[field.field];
  const { label } = field;
  switch (field.kind) {
    case 'words':
      return (
        <CommitField
          label={label}
          hideLabel={field.hideLabel}
          value={(value as string | undefined) ?? ''}
          onCommit={(typed) => {
            const text = typed.trim();
            if (text === '' && !field.optional) return field.missing ?? say('Say it.');
            return void onChange(text || undefined);
          }}
        />
      );
    case 'number':
      return (
        <CommitField
          label={label}
          className="figures text-right"
          value={value === undefined ? '' : String(value)}
          onCommit={(typed) => {
            const empty = typed.trim() === '';
            if (empty && field.optional) return void onChange(undefined);
            const figure = typedNumber(typed);
            const fits = figure >= field.least && figure <= field.most && (!field.whole || Number.isInteger(figure));
            return fits ? void onChange(figure) : field.refused;
          }}
        />
      );
    case 'choice':
      return (
        <label className="grid gap-1 text-sm text-ink-2">
          <span className={field.hideLabel ? 'sr-only' : ''}>
            {field.hideLabel ? say('{label} of {name}', { label, name }) : label}
          </span>
          <select
            className={LOOK}
            value={(value as string | undefined) ?? ''}
            onChange={(event) => onChange(event.target.value || undefined)}
          >
            {field.options.map(([option, text]) => (
              <option key={option} value={option}>
                {text}
              </option>
            ))}
          </select>
        </label>
      );
    case 'places':
      return (
        <CommitField
          label={label}
          value={((value as string[] | undefined) ?? []).join(', ')}
          onCommit={(typed) => {
            const places = typed
              .split(',')
              .map((place) => place.trim())
              .filter(Boolean);
            return void onChange(places.length > 0 ? places : undefined);
          }}
        />
      );
    case 'tick':
      return (
        <label className="flex min-h-11 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="size-5"
            checked={value === true}
            onChange={(event) => onChange(event.target.checked || undefined)}
          />
          {label}
        </label>
      );
    case 'when':
      return <ConditionButton when={value as Condition | undefined} of={name} onChange={onChange} />;
  }
}

/** Lists of a kit whose entries are edited in rows. */
export type RowListName = {
  [Name in keyof KitDocument]-?: NonNullable<KitDocument[Name]> extends ReadonlyArray<object> ? Name : never;
}[keyof KitDocument];
export type EntryOf<Name extends RowListName> = NonNullable<KitDocument[Name]>[number];

/** A list of a kit: its title, its entries field by field, one more, and one away. */
export function RowList<Name extends RowListName>({
  list,
  title,
  add = say('Add'),
  fields,
  plain,
  nameOf,
  below,
  disabled = false,
  empty,
  large = false,
  nameless = false,
}: {
  list: Name;
  title: string;
  add?: string;
  fields: ReadonlyArray<RowField<EntryOf<Name>>>;
  /** A new entry; it is given an id of its own. */
  plain: (kit: KitDocument) => Omit<EntryOf<Name>, 'id'>;
  nameOf: (entry: EntryOf<Name>) => string;
  /** What stands under the fields of an entry. */
  below?: (entry: EntryOf<Name>, edit: (recipe: (entry: EntryOf<Name>) => void) => void) => ReactNode;
  disabled?: boolean;
  empty?: string;
  /** The head of a screen's part rather than of a list in a column. */
  large?: boolean;
  /** Entries of this list have no id. */
  nameless?: boolean;
}) {
  const kit = useEditor((state) => state.kit);
  const change = useEditor((state) => state.change);
  if (!kit) return null;
  const entries = (kit[list] ?? []) as ReadonlyArray<EntryOf<Name>>;
  const listOf = (draft: KitDocument) => {
    if (draft[list] === undefined) draft[list] = [] as never;
    return draft[list] as unknown as Array<EntryOf<Name>>;
  };
  const edit = (index: number) => (recipe: (entry: EntryOf<Name>) => void) =>
    change((draft) => {
      const entry = listOf(draft)[index];
      if (entry) recipe(entry);
    });
  return (
    <section className={large ? 'mt-6 first:mt-0' : ''}>
      <div className="flex items-baseline justify-between gap-2 border-b-2 border-ink">
        <h2 className={`plate ${large ? 'text-2xl' : 'text-xl'}`}>{title}</h2>
        <button
          type="button"
          className={large ? 'min-h-11 border-2 border-ink bg-sheet px-4 font-bold' : 'min-h-11 px-2 text-sm underline'}
          disabled={disabled}
          aria-label={large ? undefined : say('Add to {title}', { title })}
          onClick={() =>
            change((draft) => {
              const into = listOf(draft);
              const id = freshId(into as ReadonlyArray<{ id: string }>, `${list}-${into.length + 1}`);
              into.push({ ...(nameless ? {} : { id }), ...structuredClone(plain(kit)) } as EntryOf<Name>);
            })
          }
        >
          {add}
        </button>
      </div>
      <ul>
        {entries.map((entry, index) => {
          const name = nameOf(entry);
          return (
            <Row
              key={(entry as { id?: string }).id ?? index}
              name={name}
              mark={entryMark(list, index)}
              onAway={() => change((draft) => void listOf(draft).splice(index, 1))}
              below={below?.(entry, edit(index))}
            >
              {fields.map((field) => (
                <div key={field.field} className={field.width ?? 'min-w-32 flex-1'}>
                  <EntryField
                    entry={entry}
                    field={field}
                    name={name}
                    onChange={(value) =>
                      edit(index)((target) => write(target as unknown as Values, field.field, value))
                    }
                  />
                </div>
              ))}
            </Row>
          );
        })}
        {entries.length === 0 && empty && <li className="py-3 text-ink-2">{empty}</li>}
      </ul>
    </section>
  );
}

function Row({
  name,
  mark,
  onAway,
  below,
  children,
}: {
  name: string;
  mark: { 'data-entry': string };
  onAway: () => void;
  below?: ReactNode;
  children: ReactNode;
}) {
  return (
    <li className="border-b border-hair py-1" {...mark}>
      <div className="flex flex-wrap items-end gap-2">
        {children}
        <button
          type="button"
          aria-label={say('Take {name} away', { name })}
          className="size-11 text-xl text-ink-2"
          onClick={onAway}
        >
          ×
        </button>
      </div>
      {below}
    </li>
  );
}

/** The fields of one entry in a grid, for what stands under its row. */
export function FieldGrid<Entry>({
  entry,
  name,
  fields,
  edit,
  children,
}: {
  entry: Entry;
  name: string;
  fields: ReadonlyArray<RowField<Entry>>;
  edit: (recipe: (entry: Entry) => void) => void;
  children?: ReactNode;
}) {
  return (
    <div className="grid grid-cols-2 items-end gap-2 pb-2">
      {fields.map((field) => (
        <EntryField
          key={field.field}
          entry={entry}
          field={field}
          name={name}
          onChange={(value) => edit((target) => write(target as Values, field.field, value))}
        />
      ))}
      {children}
    </div>
  );
}
