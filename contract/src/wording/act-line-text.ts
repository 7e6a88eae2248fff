import { QUANTITY_UNIT } from '#core/kit/baseline-unit.ts';
import type { Plan, PlanAction } from '#core/kit/plan.ts';
import type { Answer } from '#core/line/ask.ts';
import type { ActLine } from '#core/record/step-lines.ts';
import { COMPARE_TEXT, OPTION_TEXT } from './en/line.ts';
import { midSentence, say } from './say.ts';
import { planActionText } from './step-text.ts';

/** What an answer's key stands for on a record: a place by its name, a question in a word. */
function keyText(key: string): string {
  if (key.startsWith('at ')) return key.slice(3);
  if (key === 'value') return '';
  const points: Record<string, string> = COMPARE_TEXT;
  return points[key] ?? key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
}

/** What an option of a kit's own is called; undefined where it is no such option. */
function labelOf(plan: Plan, action: PlanAction, answer: Answer): string | undefined {
  const options =
    action.type === 'find'
      ? plan.findings.find(({ id }) => id === action.question)?.choices
      : action.type === 'choose'
        ? plan.choices.find(({ id }) => id === action.choice)?.options
        : undefined;
  return options?.find(({ value }) => value === answer)?.label;
}

function answerText(answer: Answer): string {
  if (Array.isArray(answer)) return say('{count} pieces in order', { count: answer.length });
  return typeof answer === 'string'
    ? OPTION_TEXT[answer] === undefined
      ? answer
      : midSentence(OPTION_TEXT[answer])
    : String(answer);
}

const isReading = (key: string): boolean => key === 'value' || key.startsWith('at ');

/** What an act's readings are in; empty where they have no unit. */
function unitOf(plan: Plan, action: PlanAction): string {
  switch (action.type) {
    case 'check':
    case 'align':
    case 'test':
      return plan.checks.find(({ id }) => id === action.check)?.unit ?? '';
    case 'prerequisite':
      return plan.prerequisites.find(({ id }) => id === action.prerequisite)?.unit ?? '';
    case 'measure':
    case 'measureAgain': {
      const baseline = plan.baselines.find(({ id }) => id === action.baseline);
      return baseline ? QUANTITY_UNIT[baseline.quantity] : '';
    }
    case 'shim':
      return 'mm';
    default:
      return '';
  }
}

/** One act of the record in words: `Check: gap: left 4.6, right 5.2`. Ticks are what the act itself says. */
export function actLineText(plan: Plan, { act, answers, met }: ActLine): string {
  const shown = (answer: Answer): string => {
    const label = labelOf(plan, act.action, answer);
    return label === undefined ? answerText(answer) : midSentence(label);
  };
  const unit = unitOf(plan, act.action);
  const said = Object.entries(answers)
    // That a doubtful reading really was so is said by the reading.
    .filter(([key]) => !key.endsWith(' sure'))
    .filter(([key, answer]) => answer !== true && !(key === 'verdict' && answer === 'met'))
    .map(([key, answer]) =>
      key === 'verdict'
        ? answerText(answer)
        : key === 'found'
          ? shown(answer)
          : `${keyText(key)} ${isReading(key) && Array.isArray(answer) ? say('elsewhere, by {answer}', { answer: answer.join(': ') }) : shown(answer)}${isReading(key) && typeof answer === 'number' && unit ? ` ${unit}` : ''}`.trim(),
    );
  return `${planActionText(plan, act.action)}${said.length > 0 ? `: ${said.join(', ')}` : ''}${met ? '' : ', NOT MET'}`;
}
