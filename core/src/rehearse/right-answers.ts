import type { JobState } from '../job/job-state.ts';
import { asksNow } from '../job/line-known.ts';
import { answerId, type Answers as Said } from '../kit/condition.ts';
import type { Plan } from '../kit/plan.ts';
import { type Answer, type Answers, type Ask, judgeAnswers, sureKey } from '../line/ask.ts';
import { findingKey } from '../line/kind/choosing.ts';
import type { LineAct } from '../line/line.ts';

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

/** What is already known of what an act finds or lets choose, under its own keys. */
function saidOf(plan: Plan, { action }: LineAct, said: Said): Record<string, Answer> {
  if (action.type === 'choose') {
    const option = said[action.choice];
    return option === undefined ? {} : { option: String(option) };
  }
  const question = action.type === 'find' ? plan.findings.find(({ id }) => id === action.question) : undefined;
  return Object.fromEntries(
    (question?.places ?? [undefined]).flatMap((place) => {
      const found = question && said[answerId(question.id, place)];
      return found === undefined ? [] : [[findingKey(place), typeof found === 'boolean' ? yesNo(found) : found]];
    }),
  );
}

const yesNo = (is: boolean): string => (is ? 'yes' : 'no');

/**
 * All an act asks, answered as a careful fitter does; an answer may open another question.
 *
 * @param said - what is found and chosen, by answer id, where that is known beforehand
 */
export function rightAnswers(plan: Plan, job: JobState, act: LineAct, said: Said = {}): Answers {
  const answers: Record<string, Answer> = saidOf(plan, act, said);
  for (;;) {
    const asks = asksNow(plan, job, act, answers);
    const open = asks.filter(({ key }) => answers[key] === undefined);
    for (const ask of open) answers[ask.key] = rightAnswer(ask);
    if (open.length > 0) continue;
    // What looks like a slip, and is really so.
    const { doubtful } = judgeAnswers(asks, answers);
    if (!doubtful) return answers;
    answers[sureKey(doubtful.key)] = true;
  }
}
