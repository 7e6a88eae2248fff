import type { AnswerValue, Condition } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { buildMonthText } from './vehicle-text.ts';

const valueText = (kit: Pick<KitDocument, 'questions'>, id: string, value: AnswerValue): string => {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const asked = kit.questions.find((entry) => entry.id === id);
  if (asked?.from === 'buildMonth' && typeof value === 'number') return buildMonthText(value);
  return asked?.choices?.find((choice) => choice.value === value)?.label ?? String(value);
};

/** A condition in words: `Model year ≥ 2016 and (Shield: yes or not Air springs: yes)`. */
export function conditionText(kit: Pick<KitDocument, 'questions'>, when: Condition | undefined, inner = false): string {
  if (when === undefined) return 'always';
  if ('all' in when || 'any' in when) {
    const parts = 'all' in when ? when.all : when.any;
    const text = parts.map((part) => conditionText(kit, part, true)).join('all' in when ? ' and ' : ' or ');
    return inner && parts.length > 1 ? `(${text})` : text;
  }
  if ('not' in when) return `not ${conditionText(kit, when.not, true)}`;
  const name = (kit.questions.find((entry) => entry.id === when.question)?.text ?? when.question).replace(/\?$/, '');
  if ('is' in when) return `${name}: ${valueText(kit, when.question, when.is)}`;
  const limit = (value: number): string => valueText(kit, when.question, value);
  return 'atLeast' in when ? `${name} ≥ ${limit(when.atLeast)}` : `${name} ≤ ${limit(when.atMost)}`;
}
