import type { Fact } from '../../sheet/fact.ts';
import type { Condition } from '../condition.ts';
import type { Question } from '../kit-document.ts';
import { clip, type Drafting, isKind, type Of, slug } from './drafting.ts';

/** A condition of the sheet as a rule over a question, which is asked once however often it is said. */
export function conditionOf({ kit, place }: Drafting, fact: Of<'condition'>): Condition {
  const { from, to, text } = fact.value;
  const question = (entry: Question): string => {
    const known = kit.questions.findIndex((other) => other.id === entry.id);
    if (known < 0) kit.questions.push(entry);
    place(fact, `questions[${known < 0 ? kit.questions.length - 1 : known}]`);
    return entry.id;
  };
  if (from !== undefined || to !== undefined) {
    const id = question({
      id: 'modelYear',
      text: 'Model year?',
      kind: 'number',
      min: 1950,
      max: 2060,
      from: 'modelYear',
    });
    const parts: Condition[] = [];
    if (from !== undefined) parts.push({ question: id, atLeast: from });
    if (to !== undefined) parts.push({ question: id, atMost: to });
    return parts.length === 1 ? (parts[0] as Condition) : { all: parts };
  }
  const without = /\bwithout\b/i.test(text);
  const thing = clip(
    text
      .replace(/^(if (so )?(equipped|fitted)( with)?|(models|vehicles|trucks|cars) with(out)?)\s*/i, '')
      .replace(/^(a|an|the)\s+/i, '') || text,
    80,
  );
  const id = question({ id: `has-${slug(thing)}`, text: `Does it have: ${thing}?`, kind: 'yesNo' });
  return { question: id, is: !without };
}
/** The condition a fact stands under: the last one said before it in its step, else the step's only one. */
export function conditionFor(drafting: Drafting, fact: Fact): Condition | undefined {
  const conditions = drafting.inStep(fact.step).filter(isKind('condition'));
  const before = conditions.filter((entry) => entry.start < fact.start).at(-1);
  const chosen = before ?? (conditions.length === 1 ? conditions[0] : undefined);
  return chosen && conditionOf(drafting, chosen);
}
