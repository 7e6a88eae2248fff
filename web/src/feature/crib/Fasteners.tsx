import { type ChangeEvent, useRef, useState } from 'react';
import type { CellFault } from '#contract/packing-csv.ts';
import type { DrawerInput } from '#contract/shelf.ts';
import { readShelfCsv, writeShelfCsv } from '#contract/shelf-csv.ts';
import { classText } from '#contract/wording/class-text.ts';
import { HEAD_TEXT } from '#contract/wording/en/terms.ts';
import { formBeside } from '#contract/wording/form-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { mayInCrib } from '#core/crib/crib-role.ts';
import { leftOnShelf, type ShelfLine } from '#core/crib/shelf.ts';
import { HardwareDrawing } from '../../drawing/HardwareDrawing.tsx';
import { api, call } from '../../shop/api.ts';
import { useChange, useShelf } from '../../shop/queries.ts';
import { saveFile } from '../../shop/save-file.ts';
import { useSession } from '../../shop/session.ts';
import { useSettings } from '../../shop/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { DrawerForm } from './DrawerForm.tsx';

/** What a fastener is, in the words it is looked for. */
export const fastenerText = (
  line: Pick<ShelfLine, 'name' | 'form' | 'thread' | 'propertyClass' | 'head' | 'finish'>,
): string =>
  [
    formBeside(line.name, line.form),
    line.thread?.replaceAll('x', '×'),
    line.propertyClass && classText(line.propertyClass),
    line.head && line.head !== 'none' && HEAD_TEXT[line.head],
    line.finish,
  ]
    .filter(Boolean)
    .join(', ');

/** The shop's own bolts, nuts and washers, drawer by drawer, with what should lie in each. */
export default function Fasteners() {
  const { data: shelf, failure } = useShelf();
  const { act, failure: unsent, clearFailure } = useChange('shelf', 'crib');
  const { pxPerMm } = useSettings();
  const role = useSession((state) => state.session?.person.role) ?? 'apprentice';
  const [wanted, setWanted] = useState('');
  const [form, setForm] = useState<'new' | ShelfLine>();
  const [found, setFound] = useState<{ name: string; drawers?: DrawerInput[]; faults: CellFault[] }>();
  const file = useRef<HTMLInputElement>(null);
  const keeps = mayInCrib(role, 'keepStock');
  const asked = wanted.trim().toLowerCase();
  const shown = (shelf ?? []).filter((line) =>
    `${line.bin} ${line.name} ${fastenerText(line)} ${line.lengthMm ?? ''}`.toLowerCase().includes(asked),
  );
  const read = async (event: ChangeEvent<HTMLInputElement>) => {
    const chosen = event.target.files?.[0];
    event.target.value = '';
    if (!chosen) return;
    const table = readShelfCsv(await chosen.text());
    setFound(
      table.ok
        ? { name: chosen.name, drawers: table.value, faults: [] }
        : { name: chosen.name, faults: table.error.cells },
    );
  };
  return (
    <main className="flex-1 bg-bench p-5 lg:overflow-y-auto">
      <h1 className="sr-only">{say('Fasteners')}</h1>
      <div className="mb-4 flex flex-wrap gap-2">
        <input
          type="search"
          aria-label={say('Find a fastener')}
          placeholder={say('M10, flange, A4')}
          className="min-h-14 min-w-48 flex-1 border-2 border-ink bg-sheet px-4 text-lg"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
        />
        {keeps && <Button onClick={() => setForm('new')}>{say('Add a drawer')}</Button>}
        {keeps && <Button onClick={() => file.current?.click()}>{say('CSV in')}</Button>}
        <Button
          disabled={!shelf?.length}
          onClick={() => saveFile('fasteners.csv', 'text/csv', writeShelfCsv(shelf ?? []))}
        >
          {say('CSV out')}
        </Button>
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv"
          aria-label={say('File of drawers')}
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => void read(event)}
        />
      </div>
      {(failure ?? unsent) && (
        <p role="alert" className="mb-3 font-bold text-bad">
          {failure ?? unsent}{' '}
          {unsent && (
            <button type="button" className="min-h-11 px-2 underline" onClick={clearFailure}>
              {say('Seen')}
            </button>
          )}
        </p>
      )}
      {!shelf && !failure && <p className="text-ink-2">{say('Reading the drawers.')}</p>}
      {shelf && shown.length === 0 && (
        <p className="text-ink-2">
          {shelf.length === 0
            ? say('No drawer yet. Add one, or read a table: drawer, kind, name, thread, length, class, count.')
            : say('No drawer answers to that.')}
        </p>
      )}
      <ul className="border-t-2 border-ink">
        {shown.map((line) => (
          <Drawer key={line.id} line={line} pxPerMm={pxPerMm} onChange={keeps ? () => setForm(line) : undefined} />
        ))}
      </ul>
      {form && <DrawerForm line={form === 'new' ? undefined : form} act={act} onClose={() => setForm(undefined)} />}
      <Sheet open={found !== undefined} onClose={() => setFound(undefined)} title={found?.name ?? ''} wide>
        {found?.drawers ? (
          <>
            <p>
              {tell('{numberOf} read. They are added to those that are there.', {
                numberOf: numberOf(found.drawers.length, 'drawer'),
              })}
            </p>
            <ul className="my-3 max-h-72 overflow-y-auto border-y border-rule">
              {found.drawers.map((drawer, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: rows of a file
                <li key={index} className="grid grid-cols-[4rem_1fr_4rem] gap-2 border-b border-hair py-1">
                  <b>{drawer.bin}</b>
                  <span>
                    {drawer.name} <span className="text-ink-2">{fastenerText(drawer)}</span>
                  </span>
                  <span className="figures text-right">{drawer.counted}</span>
                </li>
              ))}
            </ul>
            <div className="grid grid-cols-2 gap-2">
              <Button onClick={() => setFound(undefined)}>{say('Leave it')}</Button>
              <Button
                tone="primary"
                onClick={async () => {
                  const drawers = found.drawers ?? [];
                  if (await act(() => call(api.shelf.$post({ json: { drawers } })))) setFound(undefined);
                }}
              >
                {tell('Add {numberOf}', { numberOf: numberOf(found.drawers.length, 'drawer') })}
              </Button>
            </div>
          </>
        ) : (
          <div role="alert">
            <p className="font-bold text-bad">{say('Nothing was taken:')}</p>
            <ul>
              {found?.faults.slice(0, 12).map(({ row, column, reason }) => (
                <li key={`${row} ${column}`}>
                  {row > 0 && say('Row {row}{which}: ', { row, which: column ? `, ${column}` : '' })}
                  {reason}
                </li>
              ))}
            </ul>
            {(found?.faults.length ?? 0) > 12 && (
              <p>{tell('and {count} more', { count: (found?.faults.length ?? 0) - 12 })}</p>
            )}
          </div>
        )}
      </Sheet>
    </main>
  );
}

/** One drawer: where it is, what lies in it, how many. */
function Drawer({ line, pxPerMm, onChange }: { line: ShelfLine; pxPerMm: number; onChange?: () => void }) {
  const left = leftOnShelf(line);
  const low = left <= (line.lowAt ?? -1);
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2">
      <span className="figures w-16 text-2xl font-bold">{line.bin}</span>
      <span className="min-w-0 flex-1 basis-56">
        <b className="block">{line.name}</b>
        <span className="text-sm text-ink-2">{fastenerText(line)}</span>
      </span>
      <span className="hidden max-w-96 overflow-hidden sm:block">
        <HardwareDrawing item={line} pxPerMm={pxPerMm} />
      </span>
      <span className="ml-auto w-36 text-right">
        <b className={`figures text-3xl ${low ? 'text-bad' : ''}`}>{left}</b>
        <span className="block text-sm text-ink-2">
          {low
            ? say('to order')
            : line.taken > 0
              ? say('{taken} taken since counted', { taken: line.taken })
              : line.lowAt === undefined
                ? ''
                : say('order at {lowAt}', { lowAt: line.lowAt })}
        </span>
      </span>
      {onChange && (
        <Button aria-label={say('Count or change drawer {bin}', { bin: line.bin })} onClick={onChange}>
          {say('Count')}
        </Button>
      )}
    </li>
  );
}
