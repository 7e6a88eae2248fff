import { useEffect, useState } from 'react';
import { conditionText } from '#contract/wording/condition-text.ts';
import { answersText } from '#contract/wording/finding-text.ts';
import { say } from '#contract/wording/say.ts';
import type { VariantRow } from '#core/kit/variant-table.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { kitWorker } from '../../../worker/kit-worker.ts';
import { useKit } from './editor-store.ts';

/** Rows of the table that are shown at once. */
const SHOWN = 60;

/** Every combination of answers, and what it changes against the first; worked out beside the screen. */
export function VariantTable() {
  const kit = useKit();
  const [table, setTable] = useState<{ rows: VariantRow[] | undefined }>();
  const [more, setMore] = useState(false);
  useEffect(() => {
    let newest = true;
    void kitWorker()
      .variants(kit)
      // What does not fit stands at the end.
      .then((rows) => newest && setTable({ rows: rows?.sort((a, b) => Number(b.fits) - Number(a.fits)) }));
    return () => {
      newest = false;
    };
  }, [kit]);
  const rows = table?.rows;
  return (
    <section className="min-w-0">
      <h2 className="plate border-b-2 border-ink text-2xl">{say('Every combination, and what it changes')}</h2>
      {!table && <p className="py-3 text-ink-2">{say('Working it out.')}</p>}
      {table && rows === undefined && (
        <p className="py-3">
          {say(
            "Too many combinations to show one by one. Each station's own conditions are still checked under Findings.",
          )}
        </p>
      )}
      {rows && (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls is reached by keyboard
        <div className="overflow-x-auto" tabIndex={0}>
          <table className="w-full text-left text-[15px]">
            <thead>
              <tr className="border-b border-rule">
                <th className="py-1">{say('Answers')}</th>
                <th className="py-1 text-right">{say('Stations')}</th>
                <th className="py-1 pl-3 text-right">{say('Steps')}</th>
                <th className="py-1 pl-4">{say('Against the first')}</th>
              </tr>
            </thead>
            <tbody>
              {rows.slice(0, more ? undefined : SHOWN).map((row) => (
                <tr
                  key={JSON.stringify(row.answers)}
                  className={`border-b border-hair align-top ${row.fits ? '' : 'text-ink-2'}`}
                >
                  <td className="py-1 pr-3">{answersText(kit, row.answers) || say('no question')}</td>
                  <td className="figures py-1 text-right">{row.fits ? row.stations : ''}</td>
                  <td className="figures py-1 pl-3 text-right">{row.fits ? row.steps : ''}</td>
                  <td className="py-1 pl-4">
                    {row.fits
                      ? row.changes.length > 0
                        ? `${row.changes.slice(0, 6).join(', ')}${row.changes.length > 6 ? say(' and {count} more', { count: row.changes.length - 6 }) : ''}`
                        : say('as the first')
                      : say('does not fit: {fits}', {
                          fits: kit.fits.map((fit) => conditionText(kit, fit.when)).join(', '),
                        })}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {rows && rows.length > SHOWN && !more && (
        <Button className="mt-2" onClick={() => setMore(true)}>
          {tell('Show all {count}', { count: rows.length })}
        </Button>
      )}
    </section>
  );
}
