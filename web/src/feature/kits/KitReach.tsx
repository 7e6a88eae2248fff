import { useMemo } from 'react';
import { Link } from 'react-router';
import type { KitUse, RevisionCard } from '#contract/kit-draft.ts';
import { kitChangeText } from '#contract/wording/kit-difference-text.ts';
import { say } from '#contract/wording/say.ts';
import { editsToCarry, ownEdits } from '#core/kit/own-edits.ts';
import { useKitReach, useRevision } from '../../shop/queries.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { tell } from '../../ui/tell.ts';

/** Whom a revised sheet concerns: open jobs, vehicles it is on, and what the shop itself had changed. */
export function KitReach({ kit, revisions }: { kit: string; revisions: readonly RevisionCard[] }) {
  const { data: reach, failure } = useKitReach(kit);
  const newest = Math.max(...revisions.map(({ revision }) => revision));
  const edits = ownEdits(revisions);
  return (
    <>
      {edits && <OwnEdits kit={kit} newest={newest} {...edits} />}
      <section>
        <h2 className="plate text-2xl">{say('Open jobs')}</h2>
        {failure && (
          <p role="alert" className="text-bad">
            {failure}
          </p>
        )}
        {!reach && !failure && <p className="text-ink-2">{say('Reading the jobs.')}</p>}
        {reach && (
          <Uses
            uses={reach.open}
            none={say('No open job has it.')}
            newest={newest}
            where={(use) => `/jobs/${use.job}/receive`}
          />
        )}
        {reach?.open.some(({ revision }) => revision < newest) && (
          <p className="mt-1 text-sm text-ink-2">
            {say(
              'A job goes on with the revision it was opened with. Drop the kit and add it again to take the newer one.',
            )}
          </p>
        )}
      </section>
      <section>
        <h2 className="plate text-2xl">{say('On vehicles')}</h2>
        {reach && (
          <Uses
            uses={reach.fitted}
            none={say('It was fitted to no vehicle yet.')}
            newest={newest}
            where={(use) => `/vehicles/${use.vehicle.id}`}
          />
        )}
      </section>
    </>
  );
}

function Uses({
  uses,
  none,
  newest,
  where,
}: {
  uses: readonly KitUse[];
  none: string;
  newest: number;
  where: (use: KitUse) => string;
}) {
  if (uses.length === 0) return <p className="text-ink-2">{none}</p>;
  return (
    <ul className="border-t-2 border-ink">
      {uses.map((use) => (
        <li key={use.job} className="flex flex-wrap items-baseline gap-x-4 border-b border-rule px-2 py-2">
          <Link className="min-w-0 flex-1 underline" to={where(use)}>
            {use.vehicle.model} · {use.vehicle.plate || say('no plate')}
          </Link>
          <span className="figures text-sm">{use.number}</span>
          <span className={`text-sm ${use.revision < newest ? 'font-bold text-bad' : 'text-ink-2'}`}>
            {tell('revision {revision}', { revision: use.revision })}
          </span>
          {use.closedAtMs !== undefined && (
            <span className="text-sm text-ink-2">{shopFormat(use.closedAtMs, 'd MMM yyyy')}</span>
          )}
        </li>
      ))}
    </ul>
  );
}

/** What the shop had changed in the maker's file before, and the newer file does not know of. */
function OwnEdits({ kit, newest, from, to }: { kit: string; newest: number; from: number; to: number }) {
  const { data: base } = useRevision(kit, from);
  const { data: ours } = useRevision(kit, to);
  const { data: now } = useRevision(kit, newest);
  const edits = useMemo(() => base && ours && now && editsToCarry(base, ours, now), [base, ours, now]);
  return (
    <section className="lg:col-span-2">
      <h2 className="plate text-2xl">{say('The shop’s own edits')}</h2>
      <p className="text-sm text-ink-2">
        {tell(
          'Made from revision {from} to {to}; the maker’s revision {newest} does not know of them. Carry over in the editor what still holds.',
          { from, to, newest },
        )}
      </p>
      <ul className="mt-2 border-t-2 border-ink">
        {edits?.map(({ change, carried }) => {
          const text = kitChangeText(change);
          return (
            <li key={text} className="flex justify-between gap-4 border-b border-rule px-2 py-2">
              <span>{text}</span>
              <span className={`shrink-0 text-sm ${carried ? 'text-ink-2' : 'font-bold text-bad'}`}>
                {carried ? say('as in it') : say('not in it')}
              </span>
            </li>
          );
        })}
        {!edits && <li className="px-2 py-2 text-ink-2">{say('Comparing.')}</li>}
      </ul>
    </section>
  );
}
