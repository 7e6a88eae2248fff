import { askedBy } from '#core/kit/asked.ts';
import { type AnswerValue, answerId, type Condition } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { say } from './say.ts';
import { buildMonthText } from './vehicle-text.ts';

type Asking = Pick<KitDocument, 'questions' | 'choices'>;

const valueText = (kit: Asking, id: string, value: AnswerValue): string => {
  if (typeof value === 'boolean') return value ? say('yes') : say('no');
  const asked = askedBy(kit).find((entry) => entry.id === id);
  if (asked?.from === 'buildMonth' && typeof value === 'number') return buildMonthText(value);
  return asked?.choices?.find((choice) => choice.value === value)?.label ?? String(value);
};

/** A condition in words: `Model year ≥ 2016 and (Shield: yes or not Air springs: yes)`. */
export function conditionText(kit: Asking, when: Condition | undefined, inner = false): string {
  if (when === undefined) return 'always';
  if ('all' in when || 'any' in when) {
    const parts = 'all' in when ? when.all : when.any;
    const text = parts.map((part) => conditionText(kit, part, true)).join('all' in when ? ' and ' : ' or ');
    return inner && parts.length > 1 ? `(${text})` : text;
  }
  if ('not' in when) return say('not {conditionText}', { conditionText: conditionText(kit, when.not, true) });
  const id = answerId(when.question, when.at);
  const name = (askedBy(kit).find((entry) => entry.id === id)?.text ?? id).replace(/\?$/, '');
  if ('is' in when) return `${name}: ${valueText(kit, id, when.is)}`;
  const limit = (value: number): string => valueText(kit, id, value);
  return 'atLeast' in when ? `${name} ≥ ${limit(when.atLeast)}` : `${name} ≤ ${limit(when.atMost)}`;
}
