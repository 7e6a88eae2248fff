import { ShieldAlert, ShieldCheck } from 'lucide-react';
import { useState } from 'react';
import type { JobCommand } from '#core/job/acts.ts';
import { useJobStore } from '../../job/job-store.ts';
import { ProofSheet } from '../../job/ProofSheet.tsx';
import { useChain } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';

/** Where a break stands, in words. */
const breakText = (breaks: readonly number[]): string =>
  breaks.map((at) => (at === 0 ? 'what the job was opened with' : `entry ${at}`)).join(', ');

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
          {!link && !unread && 'Checking the chain of events.'}
          {link && !broken && `${seq} events, each chained to the one before; the chain is whole.`}
          {link &&
            !broken &&
            (link.sealed ? ' What the job was opened with is sealed.' : ' Opened before openings were sealed.')}
          {broken && <b className="text-bad">The record was altered outside of Wrenchman: {breakText(breaks)}.</b>}
          {!link && unread && `The chain of events could not be checked. ${unread}`}
        </span>
      </p>
      {link && link.open.length > 0 && (
        <p>
          Nothing is added until a lead has looked at it.{' '}
          {lead ? (
            <Button tone="bad" className="mt-1" onClick={() => setAsking(true)}>
              Acknowledge the break
            </Button>
          ) : (
            <span className="text-ink-2">A lead takes over on this device for that.</span>
          )}
        </p>
      )}
      {broken && link?.open.length === 0 && <p>A lead has looked at it; what was added since is whole.</p>}
      {(link?.anchorFaults ?? []).map((fault) => (
        <p key={fault} className="text-bad">
          The shop’s daily anchors were altered: {fault}.
        </p>
      ))}
      {(pending > 0 || (link?.unheard.length ?? 0) > 0) && (
        <div role="status" className="border-l-4 border-ink pl-3">
          <b>The record may not be complete.</b>
          {pending > 0 && <p>{pending} more wait on this device.</p>}
          {link?.unheard.map(({ device, name, person, heardAtMs, waiting }) => (
            <p key={device}>
              {person}’s {name} was last heard {shopFormat(heardAtMs, 'd MMM HH:mm')}
              {waiting > 0 ? ` with ${waiting} waiting to be sent` : ' with this job open'}.
            </p>
          ))}
        </div>
      )}
      <ReasonSheet
        open={asking}
        onClose={() => setAsking(false)}
        title="Acknowledge the break"
        label="What was found, kept on the record"
        confirm="Go on"
        onReason={(reason) => {
          setAsking(false);
          setAcknowledging({ type: 'acknowledgeBreak', reason });
        }}
      >
        <p>
          The break stays for everybody to see, in the files too. Compare with the last backup before you go on: what it
          holds of this job is what was recorded.
        </p>
      </ReasonSheet>
      <ProofSheet
        command={acknowledging}
        title="Acknowledge the break"
        onGiven={() => void open(job)}
        onClose={() => setAcknowledging(undefined)}
      />
    </section>
  );
}
