import { useState } from 'react';
import { FIGURE_SOURCES, type FigureSource } from '#core/job/figure.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { figureLeads } from '#core/readiness/figure-source.ts';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { useKits } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';

const SOURCE_TEXT: Record<FigureSource, { title: string; asks: string }> = {
  kitSheet: { title: 'This kit’s sheet', asks: 'Which page or joint' },
  vehicleMaker: { title: 'Vehicle maker’s manual', asks: 'Which manual and page' },
  otherKit: { title: 'Another kit’s sheet', asks: 'Which kit and joint' },
  estimate: { title: 'Estimate by size and class', asks: 'How it was worked out' },
  byFeel: { title: 'By feel', asks: 'Why no figure can be had' },
};

/** A figure for a joint whose sheet gives none: sources best first, each with where it stands and a name. */
export function GiveFigure({ target, name, onClose }: { target: string; name: string; onClose: () => void }) {
  const { plan, give } = useOpenJob();
  const { data: library, failure } = useKits();
  const [source, setSource] = useState<FigureSource>('vehicleMaker');
  const [printed, setPrinted] = useState('');
  const [note, setNote] = useState('');
  const leads = library ? figureLeads(plan, target, library) : [];
  const read = printed.trim() === '' ? undefined : specFromPrinted(printed);
  const ready = note.trim() !== '' && (source === 'byFeel' || read?.ok === true);
  return (
    <Sheet
      open
      onClose={onClose}
      title={`A figure for ${name}`}
      description="Best source first. A value belongs to its joint: the same bolt is tightened differently elsewhere."
      wide
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          const given = give({
            type: 'giveFigure',
            target,
            source,
            note: note.trim(),
            ...(source !== 'byFeel' && read?.ok ? { figure: { spec: read.value, printed: printed.trim() } } : {}),
          });
          if (given) onClose();
        }}
      >
        <div className="flex flex-wrap gap-2">
          {FIGURE_SOURCES.map((one) => (
            <Button
              key={one}
              tone={source === one ? 'dark' : 'plain'}
              aria-pressed={source === one}
              onClick={() => setSource(one)}
            >
              {SOURCE_TEXT[one].title}
            </Button>
          ))}
        </div>
        {failure && <p className="text-bad">{failure}</p>}
        {leads.length > 0 && (
          <div>
            <p className="font-bold">Printed in the shop’s kits for the same thread or place</p>
            <ul>
              {leads.map((lead) => (
                <li
                  key={`${lead.from} ${lead.printed}`}
                  className="flex items-center justify-between gap-3 border-t border-hair py-1"
                >
                  <span>
                    <span className="figures font-bold">{lead.printed}</span>, {lead.from}
                    {lead.samePlace && <b> · the same place</b>}
                  </span>
                  <button
                    type="button"
                    className="min-h-11 px-2 underline"
                    onClick={() => {
                      setSource(lead.source);
                      setPrinted(lead.printed);
                      setNote(lead.from);
                    }}
                  >
                    Use it<span className="sr-only">: {lead.printed}</span>
                  </button>
                </li>
              ))}
            </ul>
          </div>
        )}
        {source !== 'byFeel' && (
          <label className="grid gap-1">
            <span className="font-bold">Torque with its unit</span>
            <input
              className="figures min-h-14 border-2 border-ink bg-sheet px-3 text-xl"
              placeholder="46 lbf·ft"
              value={printed}
              onChange={(event) => setPrinted(event.target.value)}
            />
            {read && !read.ok && <span className="text-bad">No torque can be read from it: give the unit too.</span>}
          </label>
        )}
        {source === 'estimate' && (
          <p className="border-l-4 border-bad pl-3">
            An estimate is marked as one wherever it is used. The bench works it out from thread and class.
          </p>
        )}
        <label className="grid gap-1">
          <span className="font-bold">{SOURCE_TEXT[source].asks}</span>
          <input
            className="min-h-14 border-2 border-ink bg-sheet px-3"
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </label>
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>Leave it</Button>
          <Button type="submit" tone="primary" disabled={!ready}>
            Use this figure
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
