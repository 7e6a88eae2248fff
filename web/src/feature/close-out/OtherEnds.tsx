import { useState } from 'react';
import { MAY_TEXT } from '#contract/wording/en/line.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { MAY_DO, type MayDo } from '#core/job/visit-state.ts';
import { ProofSheet } from '../../job/ProofSheet.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';

type End = 'park' | 'handedBack' | 'oldParts';

const ENDS: Record<End, { button: string; title: string; usual: string[] }> = {
  park: {
    button: 'Put aside',
    title: 'Put the job aside',
    usual: ['Parts are short', 'Waits for the owner', 'The bay is needed'],
  },
  handedBack: {
    button: 'Hand back unfinished',
    title: 'Hand it back unfinished',
    usual: ['The owner needs the vehicle', 'Parts are not to be had'],
  },
  oldParts: {
    button: 'Old parts are on again',
    title: 'Back to the old parts',
    usual: ['The kit does not fit', 'The owner changed their mind'],
  },
};

/** Other ways a job may stop: each signed, with what is open and what the vehicle may do. */
export function OtherEnds() {
  const { state, give } = useOpenJob();
  const person = useSession((session) => session.session?.person);
  const [end, setEnd] = useState<End>();
  const [may, setMay] = useState<MayDo>('stand');
  const [signing, setSigning] = useState<JobCommand>();
  if (!person) return null;
  if (state.visit.parked)
    return (
      <div className="border-t border-rule p-4">
        <p>
          Put aside by <b>{state.visit.parked.by.name}</b>: {state.visit.parked.reason}. The vehicle may{' '}
          {MAY_TEXT[state.visit.parked.may]}.
        </p>
        <Button className="mt-2 w-full" tone="primary" onClick={() => give({ type: 'resume' })}>
          Take it up again
        </Button>
      </div>
    );
  return (
    <div className="border-t border-rule p-4 pb-26 lg:pb-4">
      <p className="mb-2 text-sm text-ink-2">Not finished?</p>
      <div className="flex flex-wrap gap-2">
        {(Object.keys(ENDS) as End[]).map((one) => (
          <Button key={one} className="flex-1" onClick={() => setEnd(one)}>
            {ENDS[one].button}
          </Button>
        ))}
      </div>
      {end && (
        <ReasonSheet
          open
          onClose={() => setEnd(undefined)}
          title={ENDS[end].title}
          label="Why? It prints."
          confirm="Sign it"
          usual={ENDS[end].usual}
          onReason={(reason) => {
            setEnd(undefined);
            setSigning(
              end === 'park'
                ? { type: 'park', reason, may }
                : { type: 'handBack', kind: end, signature: person.name, reason, may },
            );
          }}
        >
          <fieldset>
            <legend className="mb-1 font-bold">The vehicle may</legend>
            <div className="flex flex-wrap gap-2">
              {MAY_DO.map((one) => (
                <Button
                  key={one}
                  tone={may === one ? 'dark' : 'plain'}
                  aria-pressed={may === one}
                  onClick={() => setMay(one)}
                >
                  {MAY_TEXT[one]}
                </Button>
              ))}
            </div>
          </fieldset>
        </ReasonSheet>
      )}
      <ProofSheet command={signing} title="Sign it" onClose={() => setSigning(undefined)} />
    </div>
  );
}
