import { useState } from 'react';
import { refusalText } from '#contract/wording/refusal-text.ts';
import { say } from '#contract/wording/say.ts';
import { stationState } from '#core/job/job-state.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { useJobStore } from '../../../job/job-store.ts';
import { ProblemSheet } from '../../../job/ProblemSheet.tsx';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { ThreadLadder } from './ThreadLadder.tsx';
import { WasherForm } from './WasherForm.tsx';

type What = 'thread' | 'washer' | 'problem';
const WAYS: ReadonlyArray<[What, string]> = [
  ['thread', say('Its thread is damaged')],
  ['washer', say('It needs a washer more')],
  ['problem', say('Something else')],
];

/** What is wrong at a station: its thread is saved, a washer goes under, or a problem is raised. */
export default function TroubleSheet({ station, onClose }: { station: PlanStation; onClose: () => void }) {
  const { plan, state } = useOpenJob();
  const refused = useJobStore((store) => store.refused);
  // The strip behind the sheet says it too; here it is read.
  const words = refused && refusalText(refused.refusal, plan);
  const empty = stationState(state, station.id).stage === 'empty';
  const [what, setWhat] = useState<What | undefined>(empty ? undefined : 'problem');
  if (what === 'problem') return <ProblemSheet open onClose={onClose} station={station} />;
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Trouble at station {label}', { label: station.label })}
      description={station.name}
    >
      <div className="grid gap-3">
        <div className="grid gap-2">
          {WAYS.map(([way, text]) => (
            <Button
              key={way}
              tone={what === way ? 'dark' : 'plain'}
              aria-pressed={what === way}
              onClick={() => setWhat(way)}
            >
              {text}
            </Button>
          ))}
        </div>
        {words && (
          <p role="alert" className="border-l-4 border-bad pl-3">
            <b className="text-bad">{words.title}.</b> {words.why} {words.lift}
          </p>
        )}
        {what === 'thread' && <ThreadLadder station={station} />}
        {what === 'washer' && <WasherForm station={station} />}
        <Button onClick={onClose}>{say('Back to the line')}</Button>
      </div>
    </Sheet>
  );
}
