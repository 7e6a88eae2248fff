import { useState } from 'react';
import { classText } from '#contract/wording/class-text.ts';
import type { FigureSource } from '#core/job/figure.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { type FigureOffer, findFigure } from '#core/readiness/figure-finder.ts';
import { finishFriction } from '#core/tightening/thread-finish.ts';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { useKits } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';

const SOURCE_TEXT: Record<FigureSource, { title: string; asks: string }> = {
  kitSheet: { title: 'This kit’s sheet', asks: 'Which page or joint' },
  vehicleMaker: { title: 'Vehicle maker’s manual', asks: 'Which manual and page' },
  otherKit: { title: 'Another kit’s sheet', asks: 'Which kit and joint' },
  estimate: { title: 'Worked out by the bench', asks: 'Why no sheet has it' },
  byFeel: { title: 'By feel', asks: 'Why no figure can be had, and how it was judged' },
};

const WHY_NOT: Partial<Record<FigureOffer['because'], string>> = {
  safetyCritical: 'not for a joint that lives hang on',
  sameJointOnly: 'only for the same joint, and no sheet of the shop has it',
  noBasis: 'thread and class are not known',
  shopRefuses: 'this shop does not',
};

/** A figure for a joint whose sheet gives none: places to look, best first for this bolt, each with a name behind it. */
export function GiveFigure({
  target,
  name,
  onClose,
  onByFeel,
}: {
  target: string;
  name: string;
  onClose: () => void;
  /** By feel is how the joint in hand is done: it is finished by that. */
  onByFeel?: (reason: string) => void;
}) {
  const { plan, give } = useOpenJob();
  const { data: library, failure } = useKits();
  const search = findFigure(plan, target, library ?? []);
  const [source, setSource] = useState<FigureSource>(search.offers[0]?.source ?? 'vehicleMaker');
  const [printed, setPrinted] = useState('');
  const [note, setNote] = useState('');
  const read = printed.trim() === '' ? undefined : specFromPrinted(printed);
  const lacks =
    source !== 'byFeel' && read?.ok !== true
      ? 'Enter the torque'
      : note.trim() === ''
        ? `Say: ${SOURCE_TEXT[source].asks.toLowerCase()}`
        : undefined;
  const { bolt, hardware, leads, estimate } = search;
  const take = (from: FigureSource, figure: string, where: string) => {
    setSource(from);
    setPrinted(figure);
    setNote(where);
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={`A figure for ${name}`}
      description="Best source first. A value belongs to its bolt: the same size is tightened differently elsewhere."
      wide
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (lacks) return;
          if (source === 'byFeel' && onByFeel) {
            onByFeel(note.trim());
            onClose();
            return;
          }
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
        <p>
          {hardware === 'kit' ? 'The kit’s own hardware' : 'The vehicle’s own hardware, used again'}
          {bolt && (
            <>
              : <b>{bolt.name}</b>
              {bolt.thread && <span className="figures"> {bolt.thread.replaceAll('x', '×')}</span>}
              {bolt.propertyClass && `, ${classText(bolt.propertyClass)}`}
            </>
          )}
          .{search.safetyCritical && <b className="text-bad"> Lives hang on it: its own figure, and no other.</b>}
        </p>
        <ol className="grid gap-2 sm:grid-cols-2">
          {search.offers.map((offer, at) => (
            <li key={offer.source} className={at < 2 ? '' : 'sm:col-span-2'}>
              <Button
                className="w-full justify-start! text-left"
                tone={source === offer.source ? 'dark' : 'plain'}
                aria-pressed={source === offer.source}
                disabled={!offer.allowed}
                onClick={() =>
                  offer.source === 'estimate' && estimate
                    ? take('estimate', `${showTorqueIn(estimate.torqueNm, 'N·m').number} N·m`, note)
                    : setSource(offer.source)
                }
              >
                <span className="figures">{at + 1}</span>
                <span>
                  {SOURCE_TEXT[offer.source].title}
                  {offer.source === 'estimate' && estimate && (
                    <span className="figures block text-sm font-normal">
                      {showTorqueIn(estimate.torqueNm, 'N·m').number} N·m,{' '}
                      {finishFriction(estimate.finish).label.toLowerCase()}
                    </span>
                  )}
                  {!offer.allowed && <span className="block text-sm font-normal">{WHY_NOT[offer.because]}</span>}
                </span>
              </Button>
            </li>
          ))}
        </ol>
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
                    onClick={() => take(lead.source, lead.printed, lead.from)}
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
            <span className="font-bold">Torque with its unit, such as 46 lbf·ft</span>
            <input
              className="figures min-h-14 border-2 border-ink bg-sheet px-3 text-xl"
              autoComplete="off"
              value={printed}
              onChange={(event) => setPrinted(event.target.value)}
            />
            {read && !read.ok && <span className="text-bad">No torque can be read from it: give the unit too.</span>}
          </label>
        )}
        {source === 'estimate' && (
          <p className="border-l-4 border-bad pl-3">
            An estimate is marked as one wherever it is used: from size, class and what is on the thread, not from a
            sheet.
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
          <Button type="submit" tone="primary" disabled={lacks !== undefined}>
            {lacks ?? (source === 'byFeel' ? 'Done by feel, on the record' : 'Use this figure')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
