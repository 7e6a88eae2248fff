import { useState } from 'react';
import { MAY_TEXT } from '#contract/wording/en/line.ts';
import { say } from '#contract/wording/say.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { MAY_DO, type MayDo } from '#core/job/visit-state.ts';
import { ProofSheet } from '../../job/ProofSheet.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { tell } from '../../ui/tell.ts';

type End = 'park' | 'handedBack' | 'oldParts';

const ENDS: Record<End, { button: string; title: string; usual: string[] }> = {
  park: {
    button: say('Put aside'),
    title: say('Put the job aside'),
    usual: [say('Parts are short'), say('Waits for the owner'), say('The bay is needed')],
  },
  handedBack: {
    button: say('Hand back unfinished'),
    title: say('Hand it back unfinished'),
    usual: [say('The owner needs the vehicle'), say('Parts are not to be had')],
  },
  oldParts: {
    button: say('Old parts are on again'),
    title: say('Back to the old parts'),
    usual: [say('The kit does not fit'), say('The owner changed their mind')],
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
          {tell('Put aside by {name}: {reason}. The vehicle may {mayText}.', {
            name: <b>{state.visit.parked.by.name}</b>,
            reason: state.visit.parked.reason,
            mayText: MAY_TEXT[state.visit.parked.may],
          })}
        </p>
        <Button className="mt-2 w-full" tone="primary" onClick={() => give({ type: 'resume' })}>
          {say('Take it up again')}
        </Button>
      </div>
    );
  return (
    <div className="border-t border-rule p-4 pb-26 lg:pb-4">
      <p className="mb-2 text-sm text-ink-2">{say('Not finished?')}</p>
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
          label={say('Why? It prints.')}
          confirm={say('Sign it')}
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
            <legend className="mb-1 font-bold">{say('The vehicle may')}</legend>
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
      <ProofSheet command={signing} title={say('Sign it')} onClose={() => setSigning(undefined)} />
    </div>
  );
}
