import { ShieldAlert, ShieldCheck } from 'lucide-react';
import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { useJobStore } from '../../job/job-store.ts';
import { ProofSheet } from '../../job/ProofSheet.tsx';
import { useChain } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { tell } from '../../ui/tell.ts';

/** Where a break stands, in words. */
const breakText = (breaks: readonly number[]): string =>
  breaks.map((at) => (at === 0 ? say('what the job was opened with') : say('entry {at}', { at }))).join(', ');

/** Whether the record is what was recorded, and whether all of it is here. */
export function Integrity({ job }: { job: string }) {
  const seq = useJobStore((store) => store.confirmedSeq);
  const pending = useJobStore((store) => store.pending.length);
  const open = useJobStore((store) => store.open);
  const lead = useSession((state) => state.session?.person.role === 'lead');
  const { data: link, failure: unread } = useChain(job, seq);
  const [asking, setAsking] = useState(false);
  const [acknowledging, setAcknowledging] = useState<JobCommand>();
  const breaks = link?.breaks ?? [];
  const broken = breaks.length > 0;
  return (
    <section className="mt-3 grid gap-2">
      <p className="flex items-start gap-2">
        {broken ? (
          <ShieldAlert className="shrink-0 text-bad" aria-hidden="true" />
        ) : (
          <ShieldCheck className="shrink-0" aria-hidden="true" />
        )}
        <span>
          {!link && !unread && say('Checking the chain of events.')}
          {link && !broken && say('{seq} events, each chained to the one before; the chain is whole.', { seq })}
          {link &&
            !broken &&
            (link.sealed
              ? say(' What the job was opened with is sealed.')
              : say(' Opened before openings were sealed.'))}
          {broken && (
            <b className="text-bad">
              {tell('The record was altered outside of Wrenchman: {breakText}.', { breakText: breakText(breaks) })}
            </b>
          )}
          {!link && unread && say('The chain of events could not be checked. {unread}', { unread })}
        </span>
      </p>
      {link && link.open.length > 0 && (
        <p>
          {say('Nothing is added until a lead has looked at it.')}{' '}
          {lead ? (
            <Button tone="bad" className="mt-1" onClick={() => setAsking(true)}>
              {say('Acknowledge the break')}
            </Button>
          ) : (
            <span className="text-ink-2">{say('A lead takes over on this device for that.')}</span>
          )}
        </p>
      )}
      {broken && link?.open.length === 0 && <p>{say('A lead has looked at it; what was added since is whole.')}</p>}
      {(link?.anchorFaults ?? []).map((fault) => (
        <p key={fault} className="text-bad">
          {tell('The shop’s daily anchors were altered: {fault}.', { fault })}
        </p>
      ))}
      {(pending > 0 || (link?.unheard.length ?? 0) > 0) && (
        <div role="status" className="border-l-4 border-ink pl-3">
          <b>{say('The record may not be complete.')}</b>
          {pending > 0 && <p>{tell('{pending} more wait on this device.', { pending })}</p>}
          {link?.unheard.map(({ device, name, person, heardAtMs, waiting }) => (
            <p key={device}>
              {tell('{person}’s {name} was last heard {shopFormat}{which}.', {
                person,
                name,
                shopFormat: shopFormat(heardAtMs, 'd MMM HH:mm'),
                which:
                  waiting > 0 ? say(' with {waiting} waiting to be sent', { waiting }) : say(' with this job open'),
              })}
            </p>
          ))}
        </div>
      )}
      <ReasonSheet
        open={asking}
        onClose={() => setAsking(false)}
        title={say('Acknowledge the break')}
        label={say('What was found, kept on the record')}
        confirm={say('Go on')}
        onReason={(reason) => {
          setAsking(false);
          setAcknowledging({ type: 'acknowledgeBreak', reason });
        }}
      >
        <p>
          {say(
            'The break stays for everybody to see, in the files too. Compare with the last backup before you go on: what it holds of this job is what was recorded.',
          )}
        </p>
      </ReasonSheet>
      <ProofSheet
        command={acknowledging}
        title={say('Acknowledge the break')}
        onGiven={() => void open(job)}
        onClose={() => setAcknowledging(undefined)}
      />
    </section>
  );
}
