import { type Care, careList } from '#core/job/care.ts';
import { emptyVisit } from '#core/job/visit-state.ts';
import type { Plan } from '#core/kit/plan.ts';
import type { UnitSystem } from '#core/quantity/display.ts';
import { aftercareText } from './aftercare-text.ts';
import { raisedText } from './raised-text.ts';
import { say } from './say.ts';

/** What is due, in a sentence, with when. */
export const careText = (care: Care, system: UnitSystem = 'metric'): string =>
  care.from === 'sheet' ? aftercareText(care.entry, system) : raisedText(care.raised, system);

/** The same by its key in the list of a job; the key where the list has none such any more. */
export function careName(plan: Plan, key: string): string {
  const care = careList(plan, { visit: emptyVisit([]) }).find((entry) => entry.key === key);
  return care ? careText(care) : key;
}

/** Who did not ask it of the owner, and why; undefined where it is asked. */
export const careWaivedText = ({ waived }: Care): string | undefined =>
  waived && say('Not asked of the owner: {reason} ({name})', { reason: waived.reason.trim(), name: waived.by.name });
