import type { JobState } from '#core/job/job-state.ts';
import { asksNow } from '#core/job/line-known.ts';
import type { Plan } from '#core/kit/plan.ts';
import type { Answer, Answers, Ask } from '#core/line/ask.ts';
import type { LineAct } from '#core/line/line.ts';

/** What is read where nothing limits it. */
function likely({ unit, measured }: Extract<Ask, { kind: 'number' }>): number {
  if (unit === '°') return 0.2;
  const { quantity } = measured ?? {};
  // A gap that a thin shim fills.
  if (quantity === 'gap') return 0.5;
  return quantity === undefined || quantity === 'rideHeight' || quantity === 'length' ? 400 : 4;
}

/** What a careful fitter says to one question: what is right, measured inside its limits. */
function rightAnswer(ask: Ask): Answer {
  switch (ask.kind) {
    case 'tick':
      return true;
    case 'number': {
      // Measured again it stands where the kit says it should.
      if (ask.claim?.change && ask.expected !== undefined)
        return ask.expected + (ask.claim.change.min + ask.claim.change.max) / 2;
      if (ask.expected !== undefined) return ask.expected;
      const { min, max } = ask;
      if (min !== undefined && max !== undefined) return (min + max) / 2;
      return min ?? max ?? likely(ask);
    }
    case 'oneOf':
      return ask.usual ?? ask.options.find(({ is }) => is === 'right')?.value ?? '';
    case 'words':
      return ask.suggested ?? (ask.about === 'helper' ? 'Tam Orrell' : 'a strap from the frame');
    case 'photo':
      return 'photo-1';
    case 'pieces':
      return ask.order.map(({ item }) => item);
  }
}

/** All an act asks, answered as a careful fitter does; an answer may open another question. */
export function rightAnswers(plan: Plan, job: JobState, act: LineAct): Answers {
  const answers: Record<string, Answer> = {};
  for (;;) {
    const open = asksNow(plan, job, act, answers).filter(({ key }) => answers[key] === undefined);
    if (open.length === 0) return answers;
    for (const ask of open) answers[ask.key] = rightAnswer(ask);
  }
}

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
    if (ask.kind === 'number' && typeof right === 'number') {
      const askew = act.action.type === 'shim' || ask.key.endsWith(' to');
      answers[ask.key] = askew ? right + (index % 2 === 1 ? (ask.unit === '°' ? 0.4 : 2.2) : 0) : missing(ask, right);
    } else if (ask.kind === 'oneOf' && ask.options.some(({ is }) => is === 'fails'))
      answers[ask.key] = ask.options.find(({ is }) => is === 'fails')?.value ?? '';
  });
  return answers;
}
