import { parseThread } from '../../fastener/thread.ts';
import { limitsInWords } from '../../quantity/limits-in-words.ts';
import type { KitDocument } from '../kit-document.ts';
import type { Check } from '../kit-preparation.ts';
import { lineOf, stepName } from './combination.ts';
import { type Finding, finding } from './finding.ts';

/** Whether a check knows when it is met. */
const hasLimits = ({ min, max, target, spread, sides }: Check): boolean =>
  [min, max, target, spread, sides].some((limit) => limit !== undefined);

/** Rule 21: what is measured has limits, and limits stand where they are judged. */
export function measuredLimits(kit: KitDocument): Finding[] {
  const checks = kit.checks.flatMap((check, index): Finding[] => {
    const path = `checks[${index}]`;
    const worded = limitsInWords(check.text);
    if (!hasLimits(check) && check.unit !== undefined)
      return [finding('checkWithoutLimits', path, check.text, { unit: check.unit })];
    const { places } = worded ?? {};
    if (places && check.places === undefined && check.unit !== undefined)
      return [finding('sidesInWords', path, check.text, { places })];
    return worded && !hasLimits(check)
      ? [finding('limitInWords', path, check.text, { min: worded.min, max: worded.max, unit: worded.unit })]
      : [];
  });
  const steps = kit.steps.flatMap((step, index) =>
    step.actions.flatMap((action, place): Finding[] => {
      const worded = action.type === 'do' ? limitsInWords(action.text) : undefined;
      return worded
        ? [
            finding('limitInWords', `steps[${index}].actions[${place}]`, stepName(step, index), {
              min: worded.min,
              max: worded.max,
              unit: worded.unit,
            }),
          ]
        : [];
    }),
  );
  return [...checks, ...steps];
}

/** Rule 5: a step that puts back what another throws away. */
export function refitsScrapped(kit: KitDocument): Finding[] {
  const gone = new Map(
    kit.removed.filter(({ fate }) => fate === 'scrap' || fate === 'keep').map((thing) => [thing.id, thing]),
  );
  return kit.steps.flatMap((step, index) =>
    step.actions.flatMap((action, place): Finding[] => {
      const thing = action.type === 'refit' || action.type === 'moveOver' ? gone.get(action.removed) : undefined;
      return thing
        ? [
            finding('refitsScrapped', `steps[${index}].actions[${place}]`, stepName(step, index), {
              thing: thing.name,
              fate: thing.fate,
            }),
          ]
        : [];
    }),
  );
}

/** A comma with three digits behind it: thousands to one reader, thousandths to another. */
const THOUSANDS = /\b\d{1,3},\d{3}\b/;

/** Rule 6: a printed torque that two readers read a thousand times apart. */
export const thousandsCommas = (kit: KitDocument): Finding[] =>
  kit.stations.flatMap((station, index) =>
    station.specs.flatMap((spec, at): Finding[] =>
      THOUSANDS.test(spec.printed)
        ? [
            finding(
              'thousandsComma',
              `stations[${index}].specs[${at}].printed`,
              `Station ${station.label}, ${station.name}`,
              {
                printed: spec.printed,
              },
            ),
          ]
        : [],
    ),
  );

/** From this many a quantity of one line is hardly counted out by anybody (chosen by us). */
const HARDLY_COUNTED = 200;

/** Rule 4: a quantity that is rather a part number. */
export const oddQuantities = (kit: KitDocument): Finding[] =>
  kit.items.flatMap((item, index): Finding[] =>
    item.quantity >= HARDLY_COUNTED
      ? [finding('quantityOdd', `items[${index}].quantity`, lineOf(item), { quantity: item.quantity })]
      : [],
  );

/** Rule 3: one inch thread among metric ones, or the reverse: a letter lost on its way. */
export function strayThreads(kit: KitDocument): Finding[] {
  const read = kit.items.flatMap((item, index) => {
    const parsed = item.thread === undefined ? undefined : parseThread(item.thread);
    return parsed?.ok && item.source === 'kit' ? [{ item, index, inch: parsed.value.thread.system !== 'metric' }] : [];
  });
  const inches = read.filter(({ inch }) => inch);
  // Three of one kind make a kit's habit; a single other one beside them is looked at (chosen by us).
  const [stray, others] =
    inches.length === 1 ? [inches, read.length - 1] : [read.filter(({ inch }) => !inch), inches.length];
  if (stray.length !== 1 || others < 3) return [];
  return stray.map(({ item, index, inch }) =>
    finding('threadOfOtherSystem', `items[${index}].thread`, lineOf(item), {
      thread: item.thread ?? '',
      others: inch ? 'metric' : 'inch',
    }),
  );
}
