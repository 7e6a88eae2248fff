import type { Plan } from '#core/kit/plan.ts';
import type { UnitSystem } from '#core/quantity/display.ts';
import { bothText } from '#core/quantity/show-both.ts';
import { needsAlignment, type RaisedCare } from '#core/visit/raised-aftercare.ts';
import { RAISED_TEXT } from './en/terms.ts';
import { inLanguage, say } from './say.ts';

const ALIGNER_TEXT = inLanguage({
  ownRack: 'It is aligned on the shop’s own rack.',
  sentOut: 'It is sent out to be aligned.',
} as const);

/** What is to be come back for though no sheet says so, with when. */
export function raisedText({ what, afterKm }: RaisedCare, system: UnitSystem = 'metric'): string {
  return `${RAISED_TEXT[what]}${afterKm === undefined ? '' : say(' Due after {bothText}.', { bothText: bothText(afterKm, 'distance', system) })}`;
}

/** Who aligns the vehicle, and how far it may go until then, as the shop has it; undefined where nothing is to be said. */
export function alignmentText(plan: Plan, system: UnitSystem = 'metric'): string | undefined {
  const { aligner, untilAlignedKm } = plan.rules;
  if (!needsAlignment(plan)) return undefined;
  const said = [
    aligner && ALIGNER_TEXT[aligner],
    untilAlignedKm !== undefined &&
      say('Until it is aligned it may be driven at most {bothText}.', {
        bothText: bothText(untilAlignedKm, 'distance', system),
      }),
  ].filter(Boolean);
  return said.length > 0 ? said.join(' ') : undefined;
}
