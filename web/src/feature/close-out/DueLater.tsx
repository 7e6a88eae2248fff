import { useState } from 'react';
import { careText, careWaivedText } from '#contract/wording/care-text.ts';
import { say } from '#contract/wording/say.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { careList } from '#core/job/care.ts';
import { mayBend } from '#core/job/gate/bending.ts';
import { ProofSheet } from '../../job/ProofSheet.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { useSession } from '../../shop/session.ts';
import { useSettings } from '../../shop/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';

/** What the owner is asked to watch and to come back for; where the shop lets it, with a way not to ask it. */
export function DueLater() {
  const { plan, state } = useOpenJob();
  const system = useSettings((settings) => settings.system);
  const role = useSession((session) => session.session?.person.role);
  const [waiving, setWaiving] = useState<string>();
  const [proving, setProving] = useState<JobCommand>();
  const due = careList(plan, state);
  if (due.length === 0) return null;
  const mine = role !== undefined && mayBend(plan.rules, 'aftercare', role);
  return (
    <section className="mt-4" aria-label={say('Due later')}>
      <h3 className="plate text-2xl">{say('Due later')}</h3>
      <ul className="border-t border-rule text-sm">
        {due.map((care) => (
          <li key={care.key} className="flex items-start justify-between gap-3 border-b border-hair py-2">
            <div>
              <p className={care.waived ? 'text-ink-2 line-through' : care.from === 'raised' ? 'font-bold' : undefined}>
                {careText(care, system)}
              </p>
              {care.waived && <p>{careWaivedText(care)}</p>}
            </div>
            {mine && !care.waived && (
              <Button
                className="min-h-11! shrink-0"
                aria-label={say('Not asked: {careText}', { careText: careText(care, system) })}
                onClick={() => setWaiving(care.key)}
              >
                {say('Not asked')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <ReasonSheet
        open={waiving !== undefined}
        onClose={() => setWaiving(undefined)}
        title={say('Why is it not asked of the owner?')}
        label={say('Stands on the record, with your name')}
        confirm={say('Not asked')}
        usual={[
          say('Done before the vehicle goes'),
          say('Done at the owner’s own workshop'),
          say('Not on this vehicle'),
        ]}
        onReason={(reason) => {
          setWaiving(undefined);
          if (waiving !== undefined) setProving({ type: 'waiveCare', care: waiving, reason });
        }}
      />
      <ProofSheet command={proving} title={say('Not asked of the owner')} onClose={() => setProving(undefined)} />
    </section>
  );
}
