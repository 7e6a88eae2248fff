import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';

/** What must be true before anything comes off: answered one by one, a figure against its limits. */
export function Prerequisites() {
  const { plan, state, give } = useOpenJob();
  const [typed, setTyped] = useState<Record<string, string>>({});
  if (plan.prerequisites.length === 0) return null;
  return (
    <section className="mt-5">
      <h2 className="plate text-3xl">{say('True before the strip')}</h2>
      <ul className="mt-2 border-t border-rule">
        {plan.prerequisites.map((entry) => {
          const answer = state.visit.prerequisites[entry.id];
          const limits = [
            entry.min === undefined ? '' : say('at least {min} {unit}', { min: entry.min, unit: entry.unit ?? '' }),
            entry.max === undefined ? '' : say('at most {max} {unit}', { max: entry.max, unit: entry.unit ?? '' }),
          ].filter(Boolean);
          const text = typed[entry.id] ?? (answer?.value === undefined ? '' : String(answer.value));
          const value = text.trim() === '' ? undefined : Number(text.replace(',', '.'));
          const settle = (met: boolean) =>
            give({
              type: 'answerPrerequisite',
              prerequisite: entry.id,
              met,
              ...(value === undefined ? {} : { value }),
            });
          return (
            <li key={entry.id} className="flex flex-wrap items-center justify-between gap-3 border-b border-hair py-2">
              <span className="min-w-52 flex-1">
                {entry.text}
                {limits.length > 0 && <b>, {limits.join(' and ')}</b>}
                <span className={`block text-sm ${answer?.met === false ? 'font-bold text-bad' : 'text-ink-2'}`}>
                  {answer
                    ? `${answer.met ? say('Met') : say('Not met')}${answer.value === undefined ? '' : `, ${answer.value} ${entry.unit ?? ''}`}, ${answer.by.name}`
                    : entry.daysBefore
                      ? say('Takes {daysBefore} days: not found out on the morning', { daysBefore: entry.daysBefore })
                      : say('Not answered')}
                </span>
              </span>
              {!state.closed && (
                <span className="flex gap-2">
                  {limits.length > 0 && (
                    <input
                      aria-label={say('Figure for: {text}', { text: entry.text })}
                      className="figures min-h-14 w-24 border-2 border-ink bg-sheet px-3"
                      inputMode="decimal"
                      value={text}
                      onChange={(event) => setTyped({ ...typed, [entry.id]: event.target.value })}
                    />
                  )}
                  <Button
                    tone={answer?.met ? 'dark' : 'plain'}
                    aria-pressed={answer?.met === true}
                    onClick={() => settle(true)}
                  >
                    {say('Met')}
                  </Button>
                  <Button
                    tone={answer?.met === false ? 'dark' : 'plain'}
                    aria-pressed={answer?.met === false}
                    onClick={() => settle(false)}
                  >
                    {say('Not met')}
                  </Button>
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
