import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import type { TableBook } from '#contract/moving-in/book.ts';
import type { RowVerdict, TakenIn } from '#contract/moving-in/brought.ts';
import { brought, headingOf, type Mapping, type RowRead } from '#contract/moving-in/read-rows.ts';
import type { TableFile } from '#contract/moving-in/table-file.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../../shop/api.ts';
import { type Change, useBroughtVerdicts } from '../../../shop/queries.ts';
import { saveFile } from '../../../shop/save-file.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';

/** Most lines of one sort that are listed; the file of faulty lines has them all. */
const SHOWN = 200;

/** A line of the file with what becomes of it. */
interface Line {
  line: number;
  cells: string[];
  state: 'new' | 'there' | 'fault' | 'unknown';
  words: string[];
  row?: object;
}

/** Every line as it would be taken, faults first; and the taking. */
export function LookOver({
  book,
  file,
  table,
  mapping,
  rows,
  change,
  onDone,
  onBack,
}: {
  book: TableBook;
  file: string;
  table: TableFile;
  mapping: Mapping;
  rows: readonly RowRead[];
  change: Change;
  onDone: (taken: TakenIn) => void;
  onBack: () => void;
}) {
  const [without, setWithout] = useState(false);
  const readable = useMemo(() => rows.filter(({ row }) => row !== undefined), [rows]);
  const asked = useMemo(
    () =>
      readable.length > 0
        ? brought(
            book,
            file,
            readable.map(({ row }) => row as object),
          )
        : undefined,
    [book, file, readable],
  );
  const { data: verdicts, failure, asking } = useBroughtVerdicts(asked);
  const lines = rows.map((entry, at): Line => {
    const cells = table.lines[at]?.cells ?? [];
    if (!entry.row)
      return {
        line: entry.line,
        cells,
        state: 'fault',
        words: entry.faults.map(({ column, reason }) => `${column} ${reason}`),
      };
    const verdict = verdicts?.[readable.indexOf(entry)];
    return { line: entry.line, cells, row: entry.row, ...told(verdict) };
  });
  /** What a verdict says, by the file's own headings and lines. */
  function told(verdict: RowVerdict | undefined): Pick<Line, 'state' | 'words'> {
    if (!verdict) return { state: 'unknown', words: [] };
    if (verdict.verdict === 'there') return { state: 'there', words: [`is here: ${verdict.what}`] };
    if (verdict.verdict === 'new') return { state: 'new', words: verdict.remark ? [verdict.remark] : [] };
    return {
      state: 'fault',
      words: verdict.faults.map(({ field, reason, twin }) => {
        const first = twin === undefined ? '' : say(', first in line {line}', { line: readable[twin]?.line });
        return `${headingOf(book, table, mapping, field)} ${reason}${first}`;
      }),
    };
  }
  const faulty = lines.filter(({ state }) => state === 'fault');
  const fresh = lines.filter(({ state }) => state === 'new');
  const there = lines.filter(({ state }) => state === 'there');
  const ready = verdicts !== undefined && !asking && fresh.length > 0 && (faulty.length === 0 || without);
  const take = async () => {
    const taken = fresh.concat(there).sort((a, b) => a.line - b.line);
    const json = brought(
      book,
      file,
      taken.map(({ row }) => row as object),
    );
    let answer: TakenIn | undefined;
    const ok = await change.act(async () => {
      answer = (await call(api['moving-in'].$post({ json }))) as TakenIn;
    });
    if (ok && answer) onDone(answer);
  };
  const saveFaulty = () =>
    saveFile(
      `${file.replace(/\.[^.]*$/, '')}-faulty.csv`,
      'text/csv',
      Papa.unparse(
        {
          fields: [...table.headings, say('what is wrong')],
          data: faulty.map(({ cells, words }) => [...cells, words.join('; ')]),
        },
        { escapeFormulae: true, newline: '\r\n' },
      ),
    );
  return (
    <div className="grid gap-3">
      <h3 className="font-bold">
        {file}: {numberOf(lines.length, 'line')}
      </h3>
      <ul className="flex flex-wrap gap-x-6 gap-y-1 text-lg" aria-label={say('What becomes of them')}>
        <li>{tell('{count} new', { count: <b className="figures">{fresh.length}</b> })}</li>
        <li>{tell('{count} here already, left as they are', { count: <b className="figures">{there.length}</b> })}</li>
        <li className={faulty.length > 0 ? 'font-bold text-bad' : ''}>
          {tell('{count} with a fault', { count: <b className="figures">{faulty.length}</b> })}
        </li>
      </ul>
      {failure && (
        <p role="alert" className="font-bold text-bad">
          {failure}
        </p>
      )}
      {asking && <p className="text-ink-2">{say('Comparing with what the shop has.')}</p>}
      <Lines title={say('With a fault')} lines={faulty} bad />
      <Lines title={say('New')} lines={fresh} />
      <Lines title={say('Here already')} lines={there} />
      {faulty.length > 0 && (
        <div className="grid gap-2 border-l-4 border-bad pl-3">
          <p>{say('Nothing is taken while a line has a fault.')}</p>
          <div className="flex flex-wrap items-center gap-3">
            <Button className="min-h-11!" onClick={saveFaulty}>
              {say('Save the faulty lines')}
            </Button>
            <label className="flex min-h-11 items-center gap-2 font-bold">
              <input
                type="checkbox"
                className="size-6"
                checked={without}
                onChange={(event) => setWithout(event.target.checked)}
              />
              {tell('Leave {count, plural, one {it} other {them}} out', { count: faulty.length })}
            </label>
          </div>
        </div>
      )}
      {change.failure && (
        <p role="alert" className="font-bold text-bad">
          {change.failure}
        </p>
      )}
      <div className="flex flex-wrap gap-2 border-t-2 border-ink py-3">
        <Button tone="primary" disabled={!ready || change.busy} onClick={() => void take()}>
          {fresh.length === 0 ? say('Nothing new in it') : say('Bring in {count}', { count: fresh.length })}
        </Button>
        <Button onClick={onBack}>{say('Another file')}</Button>
      </div>
    </div>
  );
}

/** What a line of the file says, in short. */
const lineText = (cells: readonly string[]): string => cells.filter((cell) => cell.trim()).join(' · ');

/** Lines of one sort, by their number in the file. */
function Lines({ title, lines, bad = false }: { title: string; lines: readonly Line[]; bad?: boolean }) {
  if (lines.length === 0) return null;
  return (
    <section aria-label={title}>
      <h4 className={`font-bold ${bad ? 'text-bad' : ''}`}>{title}</h4>
      <ul className="max-h-80 overflow-y-auto border-y border-rule">
        {lines.slice(0, SHOWN).map(({ line, cells, words }) => (
          <li key={line} className="grid grid-cols-[3.5rem_1fr] gap-2 border-b border-hair py-1">
            <span className="figures text-ink-2">{line}</span>
            <span className="min-w-0">
              <span className="block truncate" title={lineText(cells)}>
                {lineText(cells)}
              </span>
              {words.map((word) => (
                <span key={word} className={`block text-sm ${bad ? 'font-bold text-bad' : 'text-ink-2'}`}>
                  {word}
                </span>
              ))}
            </span>
          </li>
        ))}
      </ul>
      {lines.length > SHOWN && (
        <p className="text-sm text-ink-2">{tell('and {count} more', { count: lines.length - SHOWN })}</p>
      )}
    </section>
  );
}
