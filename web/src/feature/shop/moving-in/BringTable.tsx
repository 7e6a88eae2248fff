import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import type { TableBook } from '#contract/moving-in/book.ts';
import type { TakenIn } from '#contract/moving-in/brought.ts';
import { TABLES } from '#contract/moving-in/column/tables.ts';
import { likelyMapping, type Mapping, readRows, unmapped } from '#contract/moving-in/read-rows.ts';
import { readTableFile, type TableFile } from '#contract/moving-in/table-file.ts';
import { BOOK_TEXT } from '#contract/wording/en/moving-in.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import type { Change } from '../../../shop/queries.ts';
import { saveFile } from '../../../shop/save-file.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { ChooseFile } from './ChooseFile.tsx';
import { LookOver } from './LookOver.tsx';

/** A table of one book: the file, what its columns mean, and every line as it would be taken. */
export function BringTable({
  book,
  change,
  onDone,
  onBack,
}: {
  book: TableBook;
  change: Change;
  onDone: (taken: TakenIn) => void;
  onBack: () => void;
}) {
  const [file, setFile] = useState<{ name: string; table: TableFile }>();
  const [fault, setFault] = useState<string>();
  const [mapping, setMapping] = useState<Mapping>([]);
  const take = (name: string, text: string) => {
    const read = readTableFile(text);
    setFault(read.ok ? undefined : read.error.reason);
    if (!read.ok) return;
    setFile({ name, table: read.value });
    setMapping(likelyMapping(book, read.value.headings));
  };
  const lacking = file ? unmapped(book, mapping) : [];
  const rows = useMemo(
    () => (file && unmapped(book, mapping).length === 0 ? readRows(book, file.table, mapping) : undefined),
    [book, file, mapping],
  );
  return (
    <section aria-label={BOOK_TEXT[book]} className="grid gap-5">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="plate text-3xl">{BOOK_TEXT[book]}</h2>
        <Button onClick={onBack}>{say('Another book')}</Button>
      </div>
      {!file && (
        <>
          <ChooseFile
            label={say('Table of {bookText}', { bookText: midSentence(BOOK_TEXT[book]) })}
            accept=".csv,.tsv,.txt,.json"
            onText={take}
          />
          {fault && (
            <p role="alert" className="font-bold text-bad">
              {fault}
            </p>
          )}
          <Known book={book} />
        </>
      )}
      {file && (
        <>
          <Columns book={book} table={file.table} mapping={mapping} onMapping={setMapping} />
          {lacking.length > 0 && (
            <p role="alert" className="border-l-4 border-bad pl-3 font-bold">
              {tell('Say which column holds: {lacking}.', { lacking: lacking.map(({ label }) => label).join(', ') })}
            </p>
          )}
          {rows && (
            <LookOver
              key={file.name}
              book={book}
              file={file.name}
              table={file.table}
              mapping={mapping}
              rows={rows}
              change={change}
              onDone={onDone}
              onBack={() => setFile(undefined)}
            />
          )}
          {!rows && <Button onClick={() => setFile(undefined)}>{say('Another file')}</Button>}
        </>
      )}
    </section>
  );
}

/** What a table may say, for somebody who is still writing it. */
function Known({ book }: { book: TableBook }) {
  const { columns } = TABLES[book];
  return (
    <div>
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <h3 className="font-bold">{say('Columns it knows')}</h3>
        <Button
          className="min-h-11!"
          onClick={() =>
            saveFile(`${book}.csv`, 'text/csv', Papa.unparse([columns.map(({ label }) => label)], { newline: '\r\n' }))
          }
        >
          {say('Save an empty table')}
        </Button>
      </div>
      <p className="mb-2 text-sm text-ink-2">
        {say('Usual names of other programs are known too; the rest you map by hand.')}
      </p>
      <ul className="grid gap-x-6 sm:grid-cols-2">
        {columns.map(({ field, label, needed, example }) => (
          <li key={field} className="flex flex-wrap justify-between gap-x-3 border-b border-hair py-1">
            <span className={needed ? 'font-bold' : ''}>
              {label}
              {needed && say(' · needed')}
            </span>
            <span className="figures text-sm text-ink-2">{example}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Each column of the file, where it goes, and its first words. */
function Columns({
  book,
  table,
  mapping,
  onMapping,
}: {
  book: TableBook;
  table: TableFile;
  mapping: Mapping;
  onMapping: (mapping: Mapping) => void;
}) {
  const { columns } = TABLES[book];
  const first = (at: number) => table.lines.find(({ cells }) => cells[at]?.trim())?.cells[at] ?? '';
  return (
    <div>
      <h3 className="font-bold">{say('What its columns mean')}</h3>
      <ul className="border-t border-rule">
        {table.headings.map((heading, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: columns of a file stay where they are
          <li key={at} className="grid items-center gap-x-3 border-b border-hair py-1 sm:grid-cols-[1fr_1fr_1fr]">
            <label htmlFor={`column-${at}`} className="font-bold break-words">
              {heading.trim() || say('Column {at}', { at: at + 1 })}
            </label>
            <span className="figures truncate text-sm text-ink-2" title={first(at)}>
              {first(at)}
            </span>
            <select
              id={`column-${at}`}
              className="min-h-11 border-2 border-ink bg-sheet px-2"
              value={mapping[at] ?? ''}
              onChange={(event) => {
                const field = event.target.value || undefined;
                // A field comes from one column: the one chosen last.
                onMapping(
                  table.headings.map((_, other) =>
                    other === at ? field : mapping[other] === field ? undefined : mapping[other],
                  ),
                );
              }}
            >
              <option value="">{say('left out')}</option>
              {columns.map(({ field, label, needed }) => (
                <option key={field} value={field}>
                  {label}
                  {needed ? say(' (needed)') : ''}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
    </div>
  );
}
