import { type Answers, type Condition, evaluate } from '../condition.ts';
import type { Item } from '../kit-document.ts';
import type { Step } from '../kit-step.ts';

export const applies = (when: Condition | undefined, answers: Answers): boolean =>
  evaluate(when, answers).truth === 'true';
export const lineOf = (item: Item): string => `${item.line} ${item.name}`;
export const stepName = (step: Step, index: number): string =>
  `Step ${step.number ?? index + 1}: ${step.text.slice(0, 60)}`;

/** The first combination that shows a thing, so that one fault is told once. */
export function firstWhere<T>(
  combos: readonly Answers[],
  look: (answers: Answers) => T | undefined,
): { answers: Answers; value: T } | undefined {
  for (const answers of combos) {
    const value = look(answers);
    if (value !== undefined) return { answers, value };
  }
  return undefined;
}

/** Only the answers a finding hangs on. */
export const only = (answers: Answers, ids: readonly string[]): Answers =>
  Object.fromEntries(Object.entries(answers).filter(([id]) => ids.includes(id)));
