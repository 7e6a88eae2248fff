/** What a fitter, or the vehicle's own data, answered. */
export type AnswerValue = string | number | boolean;
export type Answers = Readonly<Record<string, AnswerValue>>;

/** What a comparison asks about: a question or a choice, and the place where it is asked at several. */
interface Asked {
  question: string;
  at?: string;
}

/** A rule over answers, as data so that a kit file can carry it, never code. */
export type Condition =
  | { all: Condition[] }
  | { any: Condition[] }
  | { not: Condition }
  | (Asked & { is: AnswerValue })
  | (Asked & { atLeast: number })
  | (Asked & { atMost: number });

/** What an answer is kept under: the question's id, and the place where it was asked at one of several. */
export const answerId = (question: string, place?: string): string =>
  place === undefined ? question : `${question}@${place}`;

/** One comparison that settled a condition: the question, what was asked of it and what was answered. */
export interface Reason {
  question: string;
  comparison: 'is' | 'atLeast' | 'atMost';
  value: AnswerValue;
  answer: AnswerValue;
  holds: boolean;
}

/** `unknown` while an answer that could still turn it is missing. */
export type Truth = 'true' | 'false' | 'unknown';

export interface Verdict {
  truth: Truth;
  /** The comparisons that settle it: the first false of an `all`, every one of a true `all`, and so on. */
  because: Reason[];
  /** Questions whose answer could still settle it. Empty once it is settled. */
  waitsFor: string[];
}

function compare(
  leaf: Exclude<Condition, { all: unknown } | { any: unknown } | { not: unknown }>,
  answers: Answers,
): Verdict {
  const question = answerId(leaf.question, leaf.at);
  const answer = answers[question];
  if (answer === undefined) return { truth: 'unknown', because: [], waitsFor: [question] };
  const [comparison, value] =
    'is' in leaf
      ? (['is', leaf.is] as const)
      : 'atLeast' in leaf
        ? (['atLeast', leaf.atLeast] as const)
        : (['atMost', leaf.atMost] as const);
  const holds =
    comparison === 'is'
      ? answer === value
      : typeof answer === 'number' && (comparison === 'atLeast' ? answer >= Number(value) : answer <= Number(value));
  return {
    truth: holds ? 'true' : 'false',
    because: [{ question, comparison, value, answer, holds }],
    waitsFor: [],
  };
}

/** `all` is settled by one false, `any` by one true; otherwise every part counts. */
function combine(parts: Verdict[], settling: Truth, otherwise: Truth): Verdict {
  const settled = parts.find((part) => part.truth === settling);
  if (settled) return settled;
  const open = parts.filter((part) => part.truth === 'unknown');
  if (open.length > 0)
    return { truth: 'unknown', because: [], waitsFor: [...new Set(open.flatMap((part) => part.waitsFor))] };
  return { truth: otherwise, because: parts.flatMap((part) => part.because), waitsFor: [] };
}

/** The verdict on no condition at all: most of a kit has none. */
const ALWAYS: Verdict = { truth: 'true', because: [], waitsFor: [] };

/**
 * Evaluates a condition over the answers given so far, in three values (strong Kleene logic).
 *
 * @param condition - left out, it holds always
 * @returns the truth, the comparisons that settle it, and the questions it still waits for
 * @see Kleene, Introduction to Metamathematics, section 64: the strong three-valued connectives
 */
export function evaluate(condition: Condition | undefined, answers: Answers): Verdict {
  if (condition === undefined) return ALWAYS;
  if ('all' in condition)
    return combine(
      condition.all.map((part) => evaluate(part, answers)),
      'false',
      'true',
    );
  if ('any' in condition)
    return combine(
      condition.any.map((part) => evaluate(part, answers)),
      'true',
      'false',
    );
  if ('not' in condition) {
    const inner = evaluate(condition.not, answers);
    const truth = inner.truth === 'unknown' ? 'unknown' : inner.truth === 'true' ? 'false' : 'true';
    return { ...inner, truth };
  }
  return compare(condition, answers);
}

/** Every answer a condition hangs on, by its id. */
export function questionsIn(condition: Condition | undefined): string[] {
  if (condition === undefined) return [];
  if ('all' in condition) return condition.all.flatMap(questionsIn);
  if ('any' in condition) return condition.any.flatMap(questionsIn);
  if ('not' in condition) return questionsIn(condition.not);
  return [answerId(condition.question, condition.at)];
}
