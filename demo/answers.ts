import type { JobState } from '#core/job/job-state.ts';
import { asksNow } from '#core/job/line-known.ts';
import type { Plan } from '#core/kit/plan.ts';
import type { Answer, Answers, Ask } from '#core/line/ask.ts';
import type { LineAct } from '#core/line/line.ts';
import { rightAnswers } from '#core/rehearse/right-answers.ts';

/** A reading that misses what is wanted, by as little as no slip of a decimal point would. */
function missing(ask: Extract<Ask, { kind: 'number' }>, right: number): number {
  const { min, max } = ask;
  const room = min !== undefined && max !== undefined ? max - min : Math.abs(max ?? min ?? right);
  const tidy = (value: number) => Number(value.toFixed(2));
  if (max !== undefined) return tidy(max + Math.max(0.25 * room, 0.05));
  if (min !== undefined) return tidy(min - Math.max(0.25 * room, 0.05));
  return right;
}

/**
 * What is said first where a check is not met: every reading outside, the second end of a travel far from the first, gaps
 * that lie askew; a thing that is only looked at is not so.
 */
export function missedAnswers(plan: Plan, job: JobState, act: LineAct): Answers {
  const answers: Record<string, Answer> = { ...rightAnswers(plan, job, act) };
  asksNow(plan, job, act, answers).forEach((ask, index) => {
    const right = answers[ask.key];
    // What is never taken is no miss.
    if (ask.kind === 'number' && ask.outside === 'fails' && typeof right === 'number') {
      const askew = act.action.type === 'shim' || ask.key.endsWith(' to');
      answers[ask.key] = askew ? right + (index % 2 === 1 ? (ask.unit === '°' ? 0.4 : 2.2) : 0) : missing(ask, right);
    } else if (ask.kind === 'oneOf' && ask.options.some(({ is }) => is === 'fails'))
      answers[ask.key] = ask.options.find(({ is }) => is === 'fails')?.value ?? '';
  });
  return answers;
}
