import type { KitDocument } from '#core/kit/kit-document.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import type { Deviation } from '#core/record/deviations.ts';
import { choiceText, END_TEXT } from './conflict-text.ts';
import { FIGURE_SOURCE_TEXT, VERDICT_TEXT } from './plan-text.ts';

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
    case 'figureGiven': {
      const thing = [...plan.removed, ...plan.neighbours].find(({ id }) => id === deviation.target)?.name;
      const what = stations.has(deviation.target) ? at(deviation.target) : (thing ?? deviation.target);
      const figure =
        deviation.printed === undefined
          ? 'done by feel'
          : `${deviation.printed}, from ${FIGURE_SOURCE_TEXT[deviation.source]}`;
      return `${what}: no figure on the sheet, ${figure}. ${sentence(deviation.note)}`;
    }
    case 'conflictSettled': {
      const conflict = plan.conflicts.find(({ id }) => id === deviation.conflict);
      const title = (id: string) => plan.kits.find((entry) => entry.id === id)?.title ?? id;
      const way = conflict ? choiceText(conflict, deviation.choice, title) : deviation.choice;
      const figure = deviation.printed === undefined ? '' : `, to ${deviation.printed}`;
      return `Kits at odds, ${conflict?.place ?? deviation.conflict}: ${way}${figure}. ${sentence(deviation.reason)}`;
    }
    case 'sharedSplit':
      return `Two things of one name told apart. ${sentence(deviation.reason)}`;
    case 'kitDropped':
      return `A kit was taken out of the visit${deviation.prefix ? ` (${deviation.prefix.replace(/[/]$/, '')})` : ''}. ${sentence(deviation.reason)}`;
    case 'stepOverride':
      return `Step ${plan.steps.find(({ id }) => id === deviation.step)?.text || deviation.step}: ${deviation.refusal} lifted by the lead. ${sentence(deviation.reason)}`;
    case 'prerequisiteUnmet': {
      const text = plan.prerequisites.find(({ id }) => id === deviation.prerequisite)?.text ?? deviation.prerequisite;
      return `Not met: ${sentence(text)}${deviation.note ? ` ${sentence(deviation.note)}` : ''}`;
    }
    case 'debtEnded':
      return `${deviation.count > 1 ? `${deviation.count} × ` : ''}${deviation.name}: ${END_TEXT[deviation.end]}, planned ${END_TEXT[deviation.planned]}.${deviation.note ? ` ${sentence(deviation.note)}` : ''}`;
    case 'problem': {
      const where = deviation.station ? `${at(deviation.station)}: ` : '';
      return `${where}problem. ${sentence(deviation.text)} ${deviation.cleared ? `Cleared: ${sentence(deviation.cleared)}` : 'Still open.'}`;
    }
  }
}
