import { useState } from 'react';
import { planActionText, stepTitle } from '#contract/wording/step-text.ts';
import type { Chocks } from '#core/job/chocks.ts';
import type { PlanStep } from '#core/kit/plan.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** What has to be said before a step may be ticked: who helps, where the chocks stand, that new pieces go in. */
export interface StepAsks {
  helper: boolean;
  chocks?: 'front' | 'rear' | 'whole';
  newPieces: string[];
}

export const asksAnything = (asks: StepAsks): boolean =>
  asks.helper || asks.chocks !== undefined || asks.newPieces.length > 0;

const CHOCKS: Array<[Chocks, string]> = [
  ['front', 'Front wheels'],
  ['rear', 'Rear wheels'],
  ['none', 'None, it all goes up'],
];

/** Asks what a step needs said, and ticks it. */
export function StepSheet({ step, asks, onClose }: { step: PlanStep; asks: StepAsks; onClose: () => void }) {
  const { plan, give } = useOpenJob();
  const [helper, setHelper] = useState('');
  const [chocks, setChocks] = useState<Chocks>();
  const ready = (!asks.helper || helper.trim() !== '') && (asks.chocks === undefined || chocks !== undefined);
  return (
    <Sheet open onClose={onClose} title={stepTitle(plan, step)}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          give({
            type: 'doStep',
            step: step.id,
            ...(asks.helper ? { helper: helper.trim() } : {}),
            ...(chocks ? { chocks } : {}),
            ...(asks.newPieces.length > 0 ? { newPieces: true } : {}),
          });
          onClose();
        }}
      >
        <ul>
          {step.actions.map((action) => (
            <li key={planActionText(plan, action)}>{planActionText(plan, action)}</li>
          ))}
        </ul>
        {asks.helper && (
          <label className="grid gap-1">
            <span className="font-bold">This takes {step.people ?? 2} people. Who helps?</span>
            <input
              className="min-h-14 border-2 border-ink bg-sheet px-3"
              value={helper}
              onChange={(event) => setHelper(event.target.value)}
            />
          </label>
        )}
        {asks.chocks !== undefined && (
          <fieldset>
            <legend className="mb-1 font-bold">Where do the chocks stand? At the end that stays on the floor.</legend>
            <div className="flex flex-wrap gap-2">
              {CHOCKS.map(([value, text]) => (
                <Button
                  key={value}
                  tone={chocks === value ? 'dark' : 'plain'}
                  aria-pressed={chocks === value}
                  onClick={() => setChocks(value)}
                >
                  {text}
                </Button>
              ))}
            </div>
          </fieldset>
        )}
        {asks.newPieces.length > 0 && (
          <p className="border-l-4 border-bad pl-3">
            Used once only: a new one goes in for {asks.newPieces.join(', ')}.
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>Leave it</Button>
          <Button type="submit" tone="primary" disabled={!ready}>
            {asks.newPieces.length > 0 ? 'New ones are in' : 'Done'}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
