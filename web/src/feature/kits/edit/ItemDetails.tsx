import { useState } from 'react';
import { readCell } from '#contract/packing-csv.ts';
import { say } from '#contract/wording/say.ts';
import type { Item, KitDocument } from '#core/kit/kit-document.ts';
import { BESIDE } from '#core/kit/piece-kind.ts';
import { Button } from '../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { ConditionButton } from './ConditionEditor.tsx';
import { put, useEditor } from './editor-store.ts';
import { OutlineFields } from './OutlineFields.tsx';

const LOOK = 'min-h-11 w-full border-2 border-rule bg-sheet px-2 focus:border-ink';

/** What is asked when the part goes on. */
const AT_FITTING = [
  ['treatment', say('Done to it first')],
  ['insert', say('Captured in it, to be seated')],
] as const;
type Beside = NonNullable<Item['beside']>;

const signed = (value: number): string => (value >= 0 ? `+${value}` : `−${-value}`);

/** `height +25…35`, `length`, `angle +2…`. */
function besideText({ what, min, max }: Beside[number]): string {
  if (min === undefined && max === undefined) return what;
  return `${what} ${min === undefined ? '' : signed(min)}…${max === undefined ? '' : signed(max)}`;
}

/** What was typed, or undefined where it cannot be read. */
function readBeside(typed: string): Beside | undefined {
  const found: Beside = [];
  for (const part of typed.split(',')) {
    if (part.trim() === '') continue;
    const read = /^\s*([a-z]+)\s*(?:([+−-]?[\d.]+)?\s*(?:…|\.\.\.?|to)\s*([+−-]?[\d.]+)?)?\s*$/i.exec(part);
    const what = BESIDE.find((one) => one === read?.[1]?.toLowerCase());
    if (!read || !what || found.some((entry) => entry.what === what)) return undefined;
    const [min, max] = [read[2], read[3]].map((text) =>
      text === undefined ? undefined : Number(text.replace('−', '-')),
    );
    if ((min !== undefined && max !== undefined && min > max) || [min, max].some((value) => Number.isNaN(value)))
      return undefined;
    found.push({ what, ...(min === undefined ? {} : { min }), ...(max === undefined ? {} : { max }) });
  }
  return found;
}
/** Longest words a kit file takes. */
const LONGEST = 500;

/** What a line of the packing list is, beyond its row: used once, locking, what it sits on, what is left over. */
export function ItemDetails({ kit, index }: { kit: KitDocument; index: number }) {
  const change = useEditor((state) => state.change);
  const [open, setOpen] = useState(false);
  const item = kit.items[index];
  if (!item) return null;
  const edit = (recipe: (item: Item) => void) =>
    change((draft) => {
      const target = draft.items[index];
      if (target) recipe(target);
    });
  const tick = (field: 'singleUse' | 'leftHand' | 'serial', text: string) => (
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 accent-(--ink)"
        checked={item[field] ?? false}
        onChange={(event) => edit((i) => put(i, field, event.target.checked ? true : undefined))}
      />
      {text}
    </label>
  );
  const parts = kit.items.filter((other) => other.kind === 'part' && other.id !== item.id);
  const more = [
    item.singleUse && 'once',
    item.locking,
    item.leftHand && 'left-hand',
    item.leftover && 'rest',
    item.aliases && 'names',
    item.outline && 'outline',
    item.codes && 'codes',
  ].filter(Boolean);
  return (
    <>
      <button
        type="button"
        className={`min-h-11 max-w-40 truncate px-2 text-left text-sm underline ${more.length > 0 ? 'font-bold' : 'text-ink-2'}`}
        title={more.join(', ')}
        onClick={() => setOpen(true)}
        aria-label={say('{which}: all of {line} {name}', {
          which: more.length > 0 ? more.join(', ') : say('more'),
          line: item.line,
          name: item.name,
        })}
      >
        {more.length > 0 ? more.join(', ') : say('more')}
      </button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        wide
        title={`${item.line} ${item.name}`}
        description={say('What the row does not show.')}
      >
        <div className="grid gap-3 sm:grid-cols-2">
          {tick('singleUse', say('Used once: stretched or bent when tightened'))}
          {tick('leftHand', say('Left-hand thread'))}
          <label className="text-sm text-ink-2">
            {say('Grips by itself')}
            <select
              className={LOOK}
              value={item.locking ?? ''}
              onChange={(event) => edit((i) => put(i, 'locking', (event.target.value || undefined) as Item['locking']))}
            >
              <option value="">{say('no')}</option>
              <option value="nylon">{say('nylon ring')}</option>
              <option value="allMetal">{say('all metal')}</option>
            </select>
          </label>
          <label className="text-sm text-ink-2">
            {say('Fitted with')}
            <select
              className={LOOK}
              value={item.fittedWith ?? ''}
              onChange={(event) => edit((i) => put(i, 'fittedWith', event.target.value || undefined))}
            >
              <option value="">{say('no group')}</option>
              {kit.groups.map((group) => (
                <option key={group.id} value={group.id}>
                  {group.title}
                </option>
              ))}
            </select>
          </label>
          <label className="text-sm text-ink-2">
            {say('Sits on')}
            <select
              className={LOOK}
              value={item.sitsOn ?? ''}
              onChange={(event) => edit((i) => put(i, 'sitsOn', event.target.value || undefined))}
            >
              <option value="">{say('nothing of the kit')}</option>
              {parts.map((part) => (
                <option key={part.id} value={part.id}>
                  {part.line} {part.name}
                </option>
              ))}
            </select>
          </label>
          <CommitField
            label={say('Other names, with commas')}
            value={(item.aliases ?? []).join(', ')}
            onCommit={(typed) => {
              const names = [
                ...new Set(
                  typed
                    .split(',')
                    .map((name) => name.trim())
                    .filter(Boolean),
                ),
              ];
              if (names.length > 20) return say('At most 20.');
              return void edit((i) => put(i, 'aliases', names.length > 0 ? names : undefined));
            }}
          />
          {(['facing', 'mark'] as const).map((field) => (
            <CommitField
              key={field}
              label={field === 'facing' ? say('Way round') : say('Stamped')}
              value={item[field] ?? ''}
              onCommit={(typed) => {
                const read = readCell(field, typed);
                return read.ok ? void edit((i) => put(i, field, read.value as string | undefined)) : read.error.reason;
              }}
            />
          ))}
          {AT_FITTING.map(([field, label]) => (
            <CommitField
              key={field}
              label={label}
              value={item[field] ?? ''}
              onCommit={(typed) =>
                typed.trim().length > LONGEST
                  ? say('At most {longest} characters.', { longest: LONGEST })
                  : void edit((i) => put(i, field, typed.trim() || undefined))
              }
            />
          ))}
          {item.kind === 'part' && (
            <CommitField
              label={say('Held beside the old one: length, holes, height +25…35')}
              value={(item.beside ?? []).map(besideText).join(', ')}
              onCommit={(typed) => {
                const beside = readBeside(typed);
                if (!beside)
                  return say('Of {beside}, each with what it differs by, or nothing: height +25…35.', {
                    beside: BESIDE.join(', '),
                  });
                return void edit((i) => put(i, 'beside', beside.length > 0 ? beside : undefined));
              }}
            />
          )}
          <CommitField
            label={say('Codes a scanner reads, with pieces: code × 1, code × 100')}
            value={(item.codes ?? []).map(({ code, pieces }) => `${code} × ${pieces}`).join(', ')}
            onCommit={(typed) => {
              const codes = typed
                .split(',')
                .map((part) => part.trim())
                .filter(Boolean)
                .map((part) => {
                  const [, code = part, pieces = '1'] = /^(.*?)\s*[×x*]\s*(\d+)$/i.exec(part) ?? [];
                  return { code: code.trim(), pieces: Number(pieces) };
                });
              if (codes.length > 20) return say('At most 20.');
              if (codes.some(({ code, pieces }) => code === '' || code.length > 60 || pieces < 1 || pieces > 10_000))
                return say('Like 40018823 × 1, or 40018824 × 100.');
              return void edit((i) => put(i, 'codes', codes.length > 0 ? codes : undefined));
            }}
          />
          {tick('serial', say('Its own number goes on the record'))}
        </div>
        {item.kind === 'part' && (
          <OutlineFields item={item} onChange={(outline) => edit((i) => put(i, 'outline', outline))} />
        )}
        <h3 className="plate mt-5 border-b-2 border-ink text-xl">{say('Left over, as the sheet says')}</h3>
        <ul>
          {(item.leftover ?? []).map((rest, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a stated rest is its place
            <li key={at} className="flex items-end gap-3 border-b border-hair py-2">
              <div className="w-24">
                <CommitField
                  label={say('Pieces')}
                  className="figures text-right"
                  value={String(rest.quantity)}
                  onCommit={(typed) => {
                    const quantity = typedNumber(typed);
                    if (!Number.isInteger(quantity) || quantity < 0) return say('From 0.');
                    return void edit((i) => put(i.leftover?.[at], 'quantity', quantity));
                  }}
                />
              </div>
              <ConditionButton
                when={rest.when}
                of={`What is left of ${item.name}`}
                onChange={(when) => edit((i) => put(i.leftover?.[at], 'when', when))}
              />
              <button
                type="button"
                aria-label={say('Take it away')}
                className="size-11 text-xl text-ink-2"
                onClick={() =>
                  edit((i) => {
                    const list = (i.leftover ?? []).filter((_, place) => place !== at);
                    put(i, 'leftover', list.length > 0 ? list : undefined);
                  })
                }
              >
                ×
              </button>
            </li>
          ))}
        </ul>
        <div className="mt-3 grid grid-cols-2 gap-2">
          <Button onClick={() => edit((i) => put(i, 'leftover', [...(i.leftover ?? []), { quantity: 0 }]))}>
            {say('Add a stated rest')}
          </Button>
          <Button tone="primary" onClick={() => setOpen(false)}>
            {say('Done')}
          </Button>
        </div>
      </Sheet>
    </>
  );
}
