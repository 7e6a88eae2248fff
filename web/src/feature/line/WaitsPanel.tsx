import { say } from '#contract/wording/say.ts';
import { planActionText, stepTitle } from '#contract/wording/step-text.ts';
import type { Refusal } from '#core/job/refusal.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import type { LineInHand } from './use-line.ts';

/** What a step that was jumped to still waits for, each with the way there. */
export function WaitsPanel({ line, refusal }: { line: LineInHand; refusal: Refusal }) {
  const { plan, pick } = line;
  const { stepById, actById } = line.line;
  const steps = 'steps' in refusal ? refusal.steps.flatMap((id) => stepById.get(id) ?? []) : [];
  const acts = 'acts' in refusal ? refusal.acts.flatMap((id) => actById.get(id) ?? []) : [];
  const first = steps[0]?.id ?? acts[0]?.step;
  const go = () => pick(line.next?.act.step ?? first);
  usePrimaryKey(go);
  return (
    <>
      <div className="px-5 lg:px-6">
        <p className="text-xl font-bold">{say('It waits for')}</p>
        <ul className="mt-2 border-t border-rule">
          {steps.map((step) => (
            <li key={step.id} className="flex items-center justify-between gap-3 border-b border-hair py-1">
              <span>
                <b className="figures">{step.number}</b> {stepTitle(plan, step.step)}
              </span>
              <Button className="min-h-12!" onClick={() => pick(step.id)}>
                {say('Go there')}
              </Button>
            </li>
          ))}
          {acts.map((act) => (
            <li key={act.id} className="border-b border-hair py-2">
              {planActionText(plan, act.action)}
            </li>
          ))}
        </ul>
      </div>
      <div className="flex-1" />
      <ActionBar className="thumb-bar" onClick={go}>
        {say('To what is next')}
      </ActionBar>
    </>
  );
}
