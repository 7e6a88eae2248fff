import { useState } from 'react';
import { classText } from '#contract/wording/class-text.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import type { FigureSource } from '#core/job/figure.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { type FigureOffer, findFigure } from '#core/readiness/figure-finder.ts';
import { finishFriction } from '#core/tightening/thread-finish.ts';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { useKits } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';

const SOURCE_TEXT: Record<FigureSource, { title: string; asks: string }> = {
  kitSheet: { title: say('This kit’s sheet'), asks: say('Which page or joint') },
  vehicleMaker: { title: say('Vehicle maker’s manual'), asks: say('Which manual and page') },
  otherKit: { title: say('Another kit’s sheet'), asks: say('Which kit and joint') },
  estimate: { title: say('Worked out by the bench'), asks: say('Why no sheet has it') },
  byFeel: { title: say('By feel'), asks: say('Why no figure can be had, and how it was judged') },
};

const WHY_NOT: Partial<Record<FigureOffer['because'], string>> = {
  safetyCritical: say('not for a joint that lives hang on'),
  sameJointOnly: say('only for the same joint, and no sheet of the shop has it'),
  noBasis: say('thread and class are not known'),
  shopRefuses: say('this shop does not'),
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
      ? say('Enter the torque')
      : note.trim() === ''
        ? say('Say: {asks}', { asks: midSentence(SOURCE_TEXT[source].asks) })
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
      title={say('A figure for {name}', { name })}
      description={say(
        'Best source first. A value belongs to its bolt: the same size is tightened differently elsewhere.',
      )}
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
          {hardware === 'kit' ? say('The kit’s own hardware') : say('The vehicle’s own hardware, used again')}
          {bolt && (
            <>
              : <b>{bolt.name}</b>
              {bolt.thread && <span className="figures"> {bolt.thread.replaceAll('x', '×')}</span>}
              {bolt.propertyClass && `, ${classText(bolt.propertyClass)}`}
            </>
          )}
          .
          {search.safetyCritical && (
            <b className="text-bad"> {say('Lives hang on it: its own figure, and no other.')}</b>
          )}
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
                      {midSentence(finishFriction(estimate.finish).label)}
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
            <p className="font-bold">{say('Printed in the shop’s kits for the same thread or place')}</p>
            <ul>
              {leads.map((lead) => (
                <li
                  key={`${lead.from} ${lead.printed}`}
                  className="flex items-center justify-between gap-3 border-t border-hair py-1"
                >
                  <span>
                    <span className="figures font-bold">{lead.printed}</span>, {lead.from}
                    {lead.samePlace && <b> {say('· the same place')}</b>}
                  </span>
                  <button
                    type="button"
                    className="min-h-11 px-2 underline"
                    onClick={() => take(lead.source, lead.printed, lead.from)}
                  >
                    {tell('Use it{printed}', { printed: <span className="sr-only">: {lead.printed}</span> })}
                  </button>
                </li>
              ))}
            </ul>
          </div>
        )}
        {source !== 'byFeel' && (
          <label className="grid gap-1">
            <span className="font-bold">{say('Torque with its unit, such as 46 lbf·ft')}</span>
            <input
              className="figures min-h-14 border-2 border-ink bg-sheet px-3 text-xl"
              autoComplete="off"
              value={printed}
              onChange={(event) => setPrinted(event.target.value)}
            />
            {read && !read.ok && (
              <span className="text-bad">{say('No torque can be read from it: give the unit too.')}</span>
            )}
          </label>
        )}
        {source === 'estimate' && (
          <p className="border-l-4 border-bad pl-3">
            {say(
              'An estimate is marked as one wherever it is used: from size, class and what is on the thread, not from a sheet.',
            )}
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
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={lacks !== undefined}>
            {lacks ?? (source === 'byFeel' ? say('Done by feel, on the record') : say('Use this figure'))}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
