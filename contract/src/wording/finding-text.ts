import { askedBy } from '#core/kit/asked.ts';
import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Finding } from '#core/kit/lint/finding.ts';
import { FINDINGS, type FindingWords } from './en/findings.ts';
import { PATTERN_TEXT } from './en/terms.ts';
import { say } from './say.ts';

/** A fact as it stands in a sentence: lists with commas, nothing for what is empty. */
function shown(fact: unknown): string | number | undefined {
  if (Array.isArray(fact)) return fact.length > 0 ? fact.join(', ') : undefined;
  if (typeof fact === 'boolean') return fact ? 'yes' : 'no';
  return fact === '' ? undefined : (fact as string | number | undefined);
}

/** A hole of the thread's own tap drill differs from it by less, mm. */
const SAME_DRILL_MM = 0.35;

/** What a sentence says of the facts that is not one of them. */
function derived(finding: Finding): Record<string, string | number | undefined> {
  switch (finding.code) {
    case 'short':
      return { missing: finding.facts.needed - finding.facts.has };
    case 'noOrder':
    case 'betterOrder':
      return { best: PATTERN_TEXT[finding.facts.best] };
    case 'boltCannotPass': {
      const { holeMm, tapDrillMm } = finding.facts;
      return { isTapDrill: Math.abs(holeMm - tapDrillMm) < SAME_DRILL_MM ? 'yes' : 'no' };
    }
    default:
      return {};
  }
}

/** Facts a finding may leave out. */
const LEFT_OUT = { thread: undefined, min: undefined, max: undefined };

/** A finding in words. */
export function findingText(finding: Finding): FindingWords {
  const facts = Object.fromEntries(Object.entries(finding.facts).map(([name, fact]) => [name, shown(fact)]));
  const values = { ...LEFT_OUT, ...facts, ...derived(finding) };
  const { title, why, clears } = FINDINGS[finding.code];
  return { title: say(title, values), why: say(why, values), clears: say(clears, values) };
}

/** The answers that show a finding: `model year 2015, shield: yes`. */
export function answersText(kit: Pick<KitDocument, 'questions' | 'choices'>, answers: Answers): string {
  return Object.entries(answers)
    .map(([id, value]) => {
      const question = askedBy(kit).find((entry) => entry.id === id);
      const name = (question?.text ?? id).replace(/\?$/, '');
      if (typeof value === 'boolean') return `${name}: ${value ? 'yes' : 'no'}`;
      const label = question?.choices?.find((choice) => choice.value === value)?.label ?? String(value);
      return `${name}: ${label}`;
    })
    .join(', ');
}

/** Where it is: `Station 1, Lower bolt and 3 more`. */
export const placeText = ({ place, also }: Pick<Finding, 'place' | 'also'>): string =>
  also && also.length > 0 ? say('{place} and {count} more', { place, count: also.length }) : place;
