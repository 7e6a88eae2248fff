import { createColumnHelper, tableFeatures, useTable } from '@tanstack/react-table';
import { type ChangeEvent, type ClipboardEvent, type KeyboardEvent, useMemo, useRef, useState } from 'react';
import {
  type CellFault,
  COLUMN_CHOICES,
  cellText,
  PACKING_COLUMNS,
  type PackingColumn,
  readCell,
  readPackingCsv,
  readTable,
  writePackingCsv,
} from '#contract/packing-csv.ts';
import { HEAD_TEXT } from '#contract/wording/en/terms.ts';
import { formText } from '#contract/wording/form-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import type { Item, KitDocument } from '#core/kit/kit-document.ts';
import { NOT_NAMED } from '#core/kit/not-named.ts';
import { formsOf, type HeadShape, type PieceForm } from '#core/kit/piece-kind.ts';
import { saveFile } from '../../../shop/save-file.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { ConditionButton } from './ConditionEditor.tsx';
import { freshId, useEditor, useKit } from './editor-store.ts';
import { entryMark, useShowAsked } from './finding-place.ts';
import { ItemDetails } from './ItemDetails.tsx';

const HEADINGS: Record<PackingColumn, { text: string; width: string }> = {
  line: { text: say('Line'), width: 'w-16' },
  bag: { text: say('Bag'), width: 'w-24' },
  kind: { text: say('Kind'), width: 'w-28' },
  form: { text: say('Form'), width: 'w-32' },
  name: { text: say('Name'), width: 'w-64' },
  quantity: { text: say('Qty'), width: 'w-16' },
  source: { text: say('From'), width: 'w-24' },
  thread: { text: say('Thread'), width: 'w-32' },
  lengthMm: { text: say('Length'), width: 'w-20' },
  head: { text: say('Head'), width: 'w-32' },
  acrossFlatsMm: { text: say('Flats'), width: 'w-18' },
  propertyClass: { text: say('Class'), width: 'w-20' },
  finish: { text: say('Finish'), width: 'w-28' },
  insideMm: { text: say('Inside'), width: 'w-18' },
  outsideMm: { text: say('Outside'), width: 'w-18' },
  thicknessMm: { text: say('Thick'), width: 'w-18' },
  side: { text: say('Side'), width: 'w-22' },
  mark: { text: say('Mark'), width: 'w-20' },
  facing: { text: say('Way round'), width: 'w-40' },
  tellTale: { text: say('Tell-tale'), width: 'w-64' },
};

/** Columns that stay in sight while the others pass beneath: what the line is called on the sheet, and in words. */
const FROZEN: Readonly<Record<string, string>> = {
  line: 'sticky left-11 border-r border-hair',
  // On a phone the name would leave no room for the rest.
  name: 'sm:sticky sm:left-[7.75rem] sm:border-r sm:border-hair',
};

const features = tableFeatures({});
const column = createColumnHelper<typeof features, Item>();
const COLUMNS = column.columns(
  PACKING_COLUMNS.map((name) =>
    column.accessor((item) => cellText(item, name), { id: name, header: HEADINGS[name].text }),
  ),
);

/** Where a line of the packing list is used, so that it is not taken away under a stack. */
const usesOf = (kit: KitDocument, id: string): string[] => [
  ...kit.stations
    .filter((station) => station.stack.some((piece) => piece.kind === 'hardware' && piece.item === id))
    .map((station) => say('station {label}', { label: station.label })),
  ...kit.steps
    .filter((step) => step.actions.some((action) => action.type === 'fit' && action.item === id))
    .map((step) => say('step {number}', { number: step.number ?? step.id })),
];

/** The packing list as a grid for the keyboard: arrows, Enter, paste from a spreadsheet, CSV in and out. */
export function PackingGrid() {
  const kit = useKit();
  useShowAsked();
  const change = useEditor((state) => state.change);
  const [faults, setFaults] = useState<CellFault[]>([]);
  const [refused, setRefused] = useState<string>();
  const grid = useRef<HTMLTableElement>(null);
  const csv = useRef<HTMLInputElement>(null);
  const data = useMemo(() => [...kit.items], [kit.items]);
  const table = useTable({ features, columns: COLUMNS, data, getRowId: (item) => item.id });

  const setCell = (row: number, name: PackingColumn, typed: string): string | undefined => {
    const read = readCell(name, typed);
    if (!read.ok) return read.error.reason;
    change((draft) => {
      const item = draft.items[row];
      if (item) Object.assign(item, { [name]: read.value });
      if (item && read.value === undefined) delete item[name as keyof Item];
      // A circlip that becomes a nut is no circlip nut.
      if (item?.form && !formsOf(item.kind).includes(item.form)) delete item.form;
    });
    return undefined;
  };
  const addRow = () => {
    change((draft) => {
      const id = freshId(draft.items, `i${draft.items.length + 1}`);
      const last = draft.items.at(-1);
      draft.items.push({
        id,
        line: nextLine(last?.line),
        bag: last?.bag ?? say('Bag A'),
        kind: 'bolt',
        name: NOT_NAMED.items,
        quantity: 1,
        source: 'kit',
      });
    });
    requestAnimationFrame(() => focusCell(kit.items.length, 3));
  };
  const removeRow = (row: number) => {
    const item = kit.items[row];
    if (!item) return;
    const uses = usesOf(kit, item.id);
    if (uses.length > 0) {
      setRefused(
        say('{line} {name} stands in {uses}{which}. Take it out there first.', {
          line: item.line,
          name: item.name,
          uses: uses.slice(0, 4).join(', '),
          which: uses.length > 4 ? say(' and {count} more', { count: uses.length - 4 }) : '',
        }),
      );
      return;
    }
    setRefused(undefined);
    change((draft) => {
      draft.items.splice(row, 1);
    });
  };
  const focusCell = (row: number, columnIndex: number) =>
    grid.current?.querySelector<HTMLElement>(`[data-cell="${row}-${columnIndex}"]`)?.focus();
  const onKey = (event: KeyboardEvent, row: number, columnIndex: number) => {
    const inText = event.target instanceof HTMLInputElement;
    if (event.key === 'Enter' || (event.key === 'ArrowDown' && inText)) {
      event.preventDefault();
      if (row === kit.items.length - 1 && event.key === 'Enter') addRow();
      else focusCell(row + 1, columnIndex);
    }
    if (event.key === 'ArrowUp' && inText) {
      event.preventDefault();
      focusCell(row - 1, columnIndex);
    }
  };
  /** Cells from a spreadsheet go in from this cell on; one bad cell and none is taken. */
  const onPaste = (event: ClipboardEvent, row: number, columnIndex: number) => {
    const text = event.clipboardData.getData('text/plain');
    if (!/[\t\n]/.test(text.trim())) return;
    event.preventDefault();
    const bad: CellFault[] = [];
    const cells = readTable(text).flatMap((line, down) =>
      line.flatMap((typed, across) => {
        const name = PACKING_COLUMNS[columnIndex + across];
        if (!name) return [];
        const read = readCell(name, typed);
        if (!read.ok) bad.push({ row: row + down + 1, column: HEADINGS[name].text, reason: read.error.reason });
        return read.ok ? [{ at: row + down, name, value: read.value }] : [];
      }),
    );
    setFaults(bad);
    if (bad.length > 0) return;
    change((draft) => {
      for (const { at, name, value } of cells) {
        while (draft.items.length <= at)
          draft.items.push({
            id: freshId(draft.items, `i${draft.items.length + 1}`),
            line: nextLine(draft.items.at(-1)?.line),
            bag: say('Bag A'),
            kind: 'part',
            name: NOT_NAMED.items,
            quantity: 1,
            source: 'kit',
          });
        const item = draft.items[at];
        if (item) Object.assign(item, { [name]: value });
      }
    });
  };
  const readCsv = async (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    event.target.value = '';
    if (!file) return;
    const read = readPackingCsv(await file.text(), new Set(kit.items.map((item) => item.id)));
    setFaults(read.ok ? [] : read.error.cells);
    if (read.ok)
      change((draft) => {
        draft.items.push(...read.value);
      });
  };

  return (
    <div className="flex flex-col lg:min-h-0 lg:flex-1">
      <div className="flex flex-wrap items-center gap-3 px-4 py-3">
        <Button onClick={addRow}>{say('Add a line')}</Button>
        <Button onClick={() => csv.current?.click()}>{say('CSV in')}</Button>
        <Button
          onClick={() => saveFile(`${kit.id}-packing.csv`, 'text/csv', writePackingCsv(kit.items))}
          disabled={kit.items.length === 0}
        >
          {say('CSV out')}
        </Button>
        <input
          ref={csv}
          type="file"
          accept=".csv,text/csv"
          aria-label={say('Packing list file')}
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => void readCsv(event)}
        />
        <p className="text-sm text-ink-2">
          {tell('{numberOf}, {numberOf2}. Paste from a spreadsheet into any cell.', {
            numberOf: numberOf(kit.items.length, 'line'),
            numberOf2: numberOf(
              kit.items.reduce((sum, item) => sum + item.quantity, 0),
              'piece',
            ),
          })}
        </p>
      </div>
      {(faults.length > 0 || refused) && (
        <div role="alert" className="mx-4 mb-3 border-2 border-bad bg-sheet px-4 py-2 text-bad">
          {refused && <p className="font-bold">{refused}</p>}
          {faults.length > 0 && <p className="font-bold">{say('Nothing was taken:')}</p>}
          <ul className="text-sm">
            {faults.slice(0, 8).map((fault) => (
              <li key={`${fault.row} ${fault.column} ${fault.reason}`}>
                {fault.row > 0
                  ? say('Row {row}{which}: ', { row: fault.row, which: fault.column ? `, ${fault.column}` : '' })
                  : ''}
                {fault.reason}
              </li>
            ))}
            {faults.length > 8 && <li>{tell('and {count} more', { count: faults.length - 8 })}</li>}
          </ul>
        </div>
      )}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls is reached by keyboard */}
      <div className="overflow-auto border-t border-rule lg:min-h-0 lg:flex-1" tabIndex={0}>
        <table ref={grid} className="border-collapse text-[15px]">
          <thead className="sticky top-0 z-10 bg-floor">
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id}>
                <th className="sticky left-0 z-10 w-11 bg-floor">
                  <span className="sr-only">{say('Take away')}</span>
                </th>
                {group.headers.map((header) => (
                  <th
                    key={header.id}
                    scope="col"
                    className={`plate px-2 py-2 text-left text-lg ${header.id in FROZEN ? `z-10 bg-floor ${FROZEN[header.id]}` : ''}`}
                  >
                    <table.FlexRender header={header} />
                  </th>
                ))}
                <th scope="col" className="plate px-2 py-2 text-left text-lg">
                  {say('More')}
                </th>
                <th scope="col" className="plate px-2 py-2 text-left text-lg">
                  {say('When')}
                </th>
              </tr>
            ))}
          </thead>
          <tbody>
            {table.getRowModel().rows.map((row) => {
              const item = row.original;
              const at = kit.items.findIndex((entry) => entry.id === item.id);
              return (
                <tr key={row.id} className="group border-b border-hair even:bg-sheet" {...entryMark('items', at)}>
                  <td className="sticky left-0 z-[5] bg-bench group-even:bg-sheet">
                    <button
                      type="button"
                      aria-label={say('Take {line} {name} away', { line: item.line, name: item.name })}
                      className="size-11 text-xl text-ink-2"
                      onClick={() => removeRow(at)}
                    >
                      ×
                    </button>
                  </td>
                  {PACKING_COLUMNS.map((name, columnIndex) => (
                    <td
                      key={name}
                      className={`p-0 ${name in FROZEN ? `z-[5] bg-bench group-even:bg-sheet ${FROZEN[name]}` : ''}`}
                    >
                      <Cell
                        item={item}
                        name={name}
                        cell={`${at}-${columnIndex}`}
                        onCommit={(typed) => setCell(at, name, typed)}
                        onKeyDown={(event) => onKey(event, at, columnIndex)}
                        onPaste={(event) => onPaste(event, at, columnIndex)}
                      />
                    </td>
                  ))}
                  <td className="px-1">
                    <ItemDetails kit={kit} index={at} />
                  </td>
                  <td className="px-1">
                    <ConditionButton
                      when={item.when}
                      of={`${item.line} ${item.name}`}
                      onChange={(when) =>
                        change((draft) => {
                          const target = draft.items[at];
                          if (target) target.when = when;
                          if (target && when === undefined) delete target.when;
                        })
                      }
                    />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        {kit.items.length === 0 && (
          <p className="p-5 text-ink-2">{say('No line yet. Add one, paste rows from a spreadsheet, or read a CSV.')}</p>
        )}
      </div>
    </div>
  );
}

/** One cell: takes effect when left; what it cannot take stays, outlined in red with its reason. */
function Cell({
  item,
  name,
  cell,
  onCommit,
  onKeyDown,
  onPaste,
}: {
  item: Item;
  name: PackingColumn;
  cell: string;
  onCommit: (typed: string) => string | undefined;
  onKeyDown: (event: KeyboardEvent) => void;
  onPaste: (event: ClipboardEvent) => void;
}) {
  const value = cellText(item, name);
  const [typed, setTyped] = useState<string>();
  const [fault, setFault] = useState<string>();
  const { text, width } = HEADINGS[name];
  const label = `${text}, ${item.line}`;
  // Only the forms of its kind; one that came with a file of another kind stays in sight until it is changed.
  const choices =
    name === 'form' ? [...new Set([...formsOf(item.kind), ...(item.form ? [item.form] : [])])] : COLUMN_CHOICES[name];
  if (choices)
    return (
      <select
        data-cell={cell}
        aria-label={label}
        className={`min-h-11 border-0 bg-transparent px-1.5 ${width}`}
        value={value}
        onChange={(event) => onCommit(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && onKeyDown(event)}
      >
        {(value === '' || name === 'head' || name === 'side' || name === 'form') && <option value="" />}
        {choices.map((choice) => (
          <option key={choice} value={choice}>
            {name === 'head'
              ? HEAD_TEXT[choice as HeadShape]
              : name === 'form'
                ? formText(choice as PieceForm)
                : choice}
          </option>
        ))}
      </select>
    );
  const commit = () => {
    if (typed === undefined || typed === value) {
      setTyped(undefined);
      setFault(undefined);
      return;
    }
    const reason = onCommit(typed);
    setFault(reason);
    if (reason === undefined) setTyped(undefined);
  };
  return (
    <span className="relative block">
      <input
        data-cell={cell}
        aria-label={label}
        aria-invalid={fault !== undefined}
        title={fault}
        className={`min-h-11 border-2 bg-transparent px-1.5 ${width} ${fault ? 'border-bad' : 'border-transparent focus:border-ink'} ${
          name === 'quantity' || name.endsWith('Mm') ? 'figures text-right' : ''
        }`}
        value={typed ?? value}
        onChange={(event) => setTyped(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={commit}
        onPaste={onPaste}
        onKeyDown={(event) => {
          if (event.key === 'Escape') {
            setTyped(undefined);
            setFault(undefined);
          }
          if (event.key === 'Enter' || event.key === 'ArrowDown' || event.key === 'ArrowUp') commit();
          onKeyDown(event);
        }}
      />
      {fault && (
        <span
          role="alert"
          className="absolute top-full left-0 z-20 w-max max-w-72 border-2 border-bad bg-sheet px-2 py-1 text-sm font-bold text-bad"
        >
          {fault}
        </span>
      )}
    </span>
  );
}

/** The number after a line's: A4 after A3. */
const nextLine = (line: string | undefined): string => {
  const [, head = '', number = ''] = /^(\D*)(\d+)$/.exec(line ?? 'A0') ?? [];
  return number === '' ? '1' : `${head}${Number(number) + 1}`;
};
