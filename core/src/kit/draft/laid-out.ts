import type { Fact } from '../../sheet/fact.ts';
import type { SheetStep } from '../../sheet/step-split.ts';

const flat = (text: string): string => text.replace(/\s+/g, ' ');

/**
 * Steps and facts one behind the other as they are read, where a page of two columns has them beside each other: what
 * stands before and behind is then told by place. A page in one column is left as it is.
 */
export function laidOut(
  steps: readonly SheetStep[],
  facts: readonly Fact[],
): { steps: readonly SheetStep[]; facts: readonly Fact[] } {
  const inOrder = steps.every(({ start }, at) => at === 0 || start >= (steps[at - 1]?.start ?? 0));
  const within = facts.every(({ start, end, step }) => end <= start + 1 || end <= (steps[step]?.end ?? end));
  if (inOrder && within) return { steps, facts };
  let place = 0;
  const laid = steps.map((step): SheetStep => {
    const start = place;
    place += flat(step.text).length + 1;
    return { ...step, text: flat(step.text), start, end: place - 1 };
  });
  const seen = new Map<number, number>();
  return {
    steps: laid,
    facts: facts.map((fact): Fact => {
      const step = laid[fact.step];
      if (!step) return fact;
      const from = seen.get(fact.step) ?? 0;
      const printed = flat(fact.printed);
      const found = step.text.indexOf(printed, from);
      const at = found < 0 ? from : found;
      seen.set(fact.step, at);
      return { ...fact, start: step.start + at, end: step.start + at + printed.length };
    }),
  };
}
