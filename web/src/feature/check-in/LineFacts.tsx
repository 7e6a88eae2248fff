import { conditionText } from '#contract/wording/condition-text.ts';
import { placesText } from '#contract/wording/piece-text.ts';
import { say } from '#contract/wording/say.ts';
import { toolVoteText } from '#contract/wording/tool-vote-text.ts';
import type { LedgerLine } from '#core/job/hardware-ledger.ts';
import { placesOfLine } from '#core/job/piece-places.ts';
import { traysOf } from '#core/job/trays.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { toolsAgainst } from '#core/kit/tool-vote.ts';
import { placeName } from '#core/kit/tray-layout.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { tell } from '../../ui/tell.ts';

/** What the sheet's own tools say against a line's thread. */
export function ToolVotes({ item }: { item: PlanItem }) {
  const { plan } = useOpenJob();
  return toolsAgainst(plan, item).map((contradiction) => (
    <p key={contradiction.code} className="mt-3 border-2 border-bad p-3">
      <b>{tell('The tools speak against {replaceAll}.', { replaceAll: item.thread?.replaceAll('x', '×') })}</b>{' '}
      {toolVoteText(contradiction)}
    </p>
  ));
}

/** How many are used, and what is left over and whose. */
export function Spares({ item, over }: { item: PlanItem; over: number }) {
  return (
    <p className="mt-3 text-sm text-ink-2">
      {tell('{needed} used{which}{which2}.', {
        needed: item.needed,
        which:
          item.expectedSpare > 0
            ? say(', {expectedSpare} left over for the owner', { expectedSpare: item.expectedSpare })
            : say(', none left over'),
        which2: over > 0 ? say('; {over} more than the sheet says', { over }) : '',
      })}
    </p>
  );
}

/** Which compartment a line lies in. */
export function Place({ item }: { item: PlanItem }) {
  const { plan, state } = useOpenJob();
  const place = traysOf(plan, state).places.get(item.id);
  return place ? (
    <p className="mt-2">
      {tell('Lies in {tray}, compartment {placeName}', {
        tray: <b>{place.tray}</b>,
        placeName: <b className="figures">{placeName(place)}</b>,
      })}
    </p>
  ) : null;
}

/** How many there are on other vehicles, where the number hangs on the answers, and how they are packed. */
export function Varies({ item }: { item: PlanItem }) {
  const { document } = useOpenJob();
  const source = document.kits.find(
    ({ document: kit, prefix }) => prefix === item.kit || kit.id === item.kit,
  )?.document;
  const own = source?.items.find(({ id }) => item.id === id || item.id.endsWith(`/${id}`));
  const lots = (item.codes ?? []).filter(({ pieces }) => pieces > 1);
  if (!source || (!own?.quantities && lots.length === 0)) return null;
  return (
    <div className="mt-2 text-sm text-ink-2">
      {own?.quantities?.map(({ quantity, when }) => (
        <p key={JSON.stringify(when ?? quantity)}>
          {quantity}{' '}
          {when ? say('where {conditionText}', { conditionText: conditionText(source, when) }) : say('otherwise')}
          {quantity === item.quantity ? say(': this vehicle') : ''}
        </p>
      ))}
      {lots.map(({ code, pieces }) => (
        <p key={code}>
          {tell('Comes by the {pieces}: {needed} × {pieces} less {needed2} used leaves {needed3}.', {
            pieces,
            needed: Math.ceil(item.needed / pieces),
            needed2: item.needed,
            needed3: Math.ceil(item.needed / pieces) * pieces - item.needed,
          })}
        </p>
      ))}
    </div>
  );
}

/** Where the pieces of a line are at this moment. */
export function WhereTheyAre({ line }: { line: LedgerLine | undefined }) {
  const { plan, state } = useOpenJob();
  if (!line?.counted) return null;
  const places = placesText(plan, placesOfLine(plan, state, line));
  if (places.length === 0) return null;
  return (
    <section aria-label={say('Where they are')} className="mt-3 border-t border-rule pt-2">
      <h3 className="text-sm font-bold">{say('Where they are')}</h3>
      <ul>
        {places.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </section>
  );
}
