import type { Deviation } from '#core/job/deviations.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { VERDICT_TEXT } from './plan-text.ts';

const nm = (torqueNm: number): string => `${torqueNm.toFixed(1)} N·m`;

/** What a person typed, as a sentence: with its full stop, once. */
const sentence = (text: string): string => (/[.!?]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`);

/** A deviation in one sentence. */
export function deviationText(deviation: Deviation, plan: Plan, kit: Pick<KitDocument, 'questions'>): string {
  const { stations, items } = indexOf(plan);
  const at = (id: string) => `Station ${stations.get(id)?.label ?? id}`;
  const line = (id: string) => {
    const item = items.get(id);
    return item ? `${item.line} ${item.name}` : id;
  };
  switch (deviation.kind) {
    case 'override':
      return `${at(deviation.station)}: ${deviation.refusal} lifted by the lead. ${sentence(deviation.reason)}`;
    case 'pullMissed':
      return `${at(deviation.station)}: pull of ${nm(deviation.pull.torqueNm)} ${VERDICT_TEXT[deviation.pull.verdict]}.`;
    case 'pullWithdrawn':
      return `${at(deviation.station)}: pull of ${nm(deviation.pull.torqueNm)} taken back.`;
    case 'pullCorrected':
      return `${at(deviation.station)}: reading corrected from ${nm(deviation.from)} to ${nm(deviation.to)}. ${sentence(deviation.reason)}`;
    case 'loosened': {
      const spent = deviation.spent.length > 0 ? ` To scrap: ${deviation.spent.map(line).join(', ')}.` : '';
      return `${at(deviation.station)}: loosened. ${sentence(deviation.reason)}${spent}`;
    }
    case 'lineShort':
      return [
        deviation.missing > 0 ? `${deviation.missing} short of ${line(deviation.item)}.` : '',
        deviation.damaged > 0 ? `${deviation.damaged} damaged of ${line(deviation.item)}.` : '',
      ]
        .filter(Boolean)
        .join(' ');
    case 'shopStock':
      return `${deviation.quantity} of ${line(deviation.item)} from shop stock. ${sentence(deviation.reason)}`;
    case 'scrapped':
      return `${deviation.quantity} of ${line(deviation.item)} scrapped. ${sentence(deviation.reason)}`;
    case 'answerChanged': {
      const question = kit.questions.find((entry) => entry.id === deviation.question)?.text ?? deviation.question;
      return `${question} changed from ${String(deviation.from)} to ${String(deviation.to)}.`;
    }
    case 'withoutFigure':
      return `${at(deviation.station)}: tightened without a figure, the sheet gives none. ${sentence(deviation.reason)}`;
    case 'calculation': {
      const where = deviation.station ? `${at(deviation.station)}: ` : '';
      return `${where}worked out at the bench, not from the sheet. ${sentence(deviation.summary)} ${sentence(deviation.reason)}`;
    }
    case 'problem': {
      const where = deviation.station ? `${at(deviation.station)}: ` : '';
      return `${where}problem. ${sentence(deviation.text)} ${deviation.cleared ? `Cleared: ${sentence(deviation.cleared)}` : 'Still open.'}`;
    }
  }
}
