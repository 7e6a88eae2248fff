import type { Reason } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Pass } from '#core/tightening/pass-plan.ts';
import { say } from './say.ts';
import { buildMonthText } from './vehicle-text.ts';

/** An answer as its question has it: `Yes`, the choice's own words, a month. */
export const answerLabel = (kit: Pick<KitDocument, 'questions'>, question: string, value: Reason['answer']): string => {
  if (typeof value === 'boolean') return value ? say('yes') : say('no');
  const asked = kit.questions.find((entry) => entry.id === question);
  if (asked?.from === 'buildMonth' && typeof value === 'number') return buildMonthText(value);
  return asked?.choices?.find((choice) => choice.value === value)?.label ?? String(value);
};

const questionName = (kit: Pick<KitDocument, 'questions'>, id: string): string =>
  (kit.questions.find((entry) => entry.id === id)?.text ?? id).replace(/\?$/, '').toLowerCase();

/** `model year 2021, at most 2021`: one comparison that chose something, in words. */
function reasonText(kit: Pick<KitDocument, 'questions'>, reason: Reason): string {
  const answer = answerLabel(kit, reason.question, reason.answer);
  const name = questionName(kit, reason.question);
  const value = answerLabel(kit, reason.question, reason.value);
  if (reason.comparison === 'is') {
    const asked = kit.questions.find((entry) => entry.id === reason.question)?.text;
    // A question is quoted as it was asked; what is only a name has its answer beside it.
    if (!asked?.endsWith('?')) return `${name}: ${answer}${reason.holds ? '' : say(', not {value}', { value })}`;
    if (typeof reason.answer === 'boolean') return say('“{asked}” was answered {answer}', { asked, answer });
    return say('“{asked}” was answered “{answer}”{which}', {
      asked,
      answer,
      which: reason.holds ? '' : say(', not “{value}”', { value }),
    });
  }
  const sign = reason.comparison === 'atLeast' ? (reason.holds ? '≥' : '<') : reason.holds ? '≤' : '>';
  return `${name} ${answer} ${sign} ${value}`;
}

/**
 * Why a kit does not fit, by what the vehicle is and not by what the kit is for: `not for Dual-cab`, `not for model year
 * 2018`.
 */
export function misfitText(kit: Pick<KitDocument, 'questions'>, verdict: { text: string; because: Reason[] }): string {
  // The comparison that failed; under a `not` it is the one that held.
  const reason = verdict.because.find(({ holds }) => !holds) ?? verdict.because[0];
  const asked = kit.questions.find(({ id }) => id === reason?.question);
  if (!reason || !asked) return say('not for this vehicle ({text})', { text: verdict.text });
  const answer = answerLabel(kit, reason.question, reason.answer);
  if (typeof reason.answer === 'boolean') return say('“{text}” is {answer}', { text: asked.text, answer });
  return asked.kind === 'choice'
    ? say('not for {answer}', { answer })
    : say('not for {questionName} {answer}', { questionName: questionName(kit, reason.question), answer });
}

/** Several comparisons joined: what a printed line carries after "because". */
export const reasonsText = (kit: Pick<KitDocument, 'questions'>, reasons: readonly Reason[]): string =>
  reasons.map((reason) => reasonText(kit, reason)).join(' and ');

/** As it stands in a column of passes: `1, to 50 %`, `2, full`, `verify`. */
export const passShort = (pass: Pass | undefined, index: number): string => {
  if (!pass) return String(index + 1);
  if (pass.kind === 'verify') return say('verify');
  return pass.fraction === 1
    ? say('{index}, full', { index: index + 1 })
    : say('{index}, to {fraction} %', { index: index + 1, fraction: Math.round(pass.fraction * 100) });
};

/** `pass 1, to 50 %`, `pass 2, full`, `verify pass`. */
export const passText = (pass: Pass | undefined, index: number): string => {
  if (!pass) return say('pass {index}', { index: index + 1 });
  if (pass.kind === 'verify') return say('verify pass');
  return pass.fraction === 1
    ? say('pass {index}, full', { index: index + 1 })
    : say('pass {index}, to {fraction} %', { index: index + 1, fraction: Math.round(pass.fraction * 100) });
};
