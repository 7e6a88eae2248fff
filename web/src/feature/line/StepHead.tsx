import { useContext, useState } from 'react';
import { NEED_TEXT, PHASE_TEXT } from '#contract/wording/en/terms.ts';
import { reasonsText } from '#contract/wording/plan-text.ts';
import { say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import { stepHolder } from '#core/job/step-holder.ts';
import type { LineAct } from '#core/line/line.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { SecondHandSaid } from './second-hand.ts';
import type { LineInHand } from './use-line.ts';

/** Whose step it is and where it stands: the line's number, the sheet's beside it, hands and means; its own words one tap away. */
export function StepHead({ line, act }: { line: LineInHand; act: LineAct }) {
  const { plan, state, person, give } = line;
  const [words, setWords] = useState(false);
  const hand = useContext(SecondHandSaid);
  const step = line.line.stepById.get(act.step);
  if (!step) return null;
  const holder = stepHolder(plan, state, step);
  const kit = plan.kits.find(({ id }) => id === step.step.kit);
  const needs = [
    (step.step.people ?? 1) > 1 ? say('{people} people', { people: step.step.people }) : '',
    ...step.step.needs.filter((need) => need !== 'helper').map((need) => NEED_TEXT[need]),
  ].filter(Boolean);
  return (
    <div className="border-b border-hair px-5 pt-3 pb-2 short:max-lg:hidden lg:px-6">
      <p className="flex flex-wrap items-baseline gap-x-3 text-sm text-ink-2">
        <span>
          {/* Narrow screens have it above, beside the way to all steps. */}
          <span className="max-lg:hidden">
            {tell('Step {number} of {count} ·', {
              number: <b className="figures text-ink">{step.number}</b>,
              count: line.line.steps.length,
            })}{' '}
          </span>
          {PHASE_TEXT[step.step.phase]}
        </span>
        {step.step.made === undefined && (
          <button type="button" className="min-h-11 underline" onClick={() => setWords(true)}>
            {tell('What the sheet says{which}', { which: step.step.number ? ` (${step.step.number})` : '' })}
          </button>
        )}
        {needs.length > 0 && <b className="text-ink">{needs.join(', ')}</b>}
      </p>
      {hand && !state.closed && <p className={`font-bold ${hand.missing ? 'text-bad' : ''}`}>{hand.text}</p>}
      {holder && holder.id !== person && !state.closed && (
        <p className="flex items-center justify-between gap-3">
          <span>{tell('{name} has this step half done.', { name: holder.name })}</span>
          <Button className="min-h-12!" onClick={() => give({ type: 'takeStep', step: step.id })}>
            {say('Take it over')}
          </Button>
        </p>
      )}
      <Sheet
        open={words}
        onClose={() => setWords(false)}
        title={say('{title}, step {number}', { title: kit?.title ?? '', number: step.step.number ?? '' })}
      >
        <p className="text-xl whitespace-pre-wrap">{stepTitle(plan, step.step)}</p>
        {step.step.because.length > 0 && (
          <p className="mt-3 text-ink-2">
            {tell('On this vehicle because {reasonsText}.', { reasonsText: reasonsText(plan, step.step.because) })}
          </p>
        )}
        <p className="mt-3 text-sm text-ink-2">
          {tell('{maker}, revision {revision}. The sheet and the vehicle maker’s manual come first.', {
            maker: kit?.maker,
            revision: kit?.revision,
          })}
        </p>
      </Sheet>
    </div>
  );
}
