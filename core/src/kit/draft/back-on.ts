import type { SheetStep } from '../../sheet/step-split.ts';
import type { Drafting } from './drafting.ts';
import { nounsOf } from './named-in.ts';

/** Something goes back where it was: `Back on with two screws`, `Mount the tray again`. */
export const BACK_ON =
  /\b(?:mount|fit|put|screw|install)\b.{3,40}\bagain\b|\b(?:reversed?|turned over|inverse|opposite) order\b|\b(?:back (?:on|in|up)|refit|re-?install|put .{1,60} back)\b|^\W*(?:the |both |all )?[\p{L} ]{3,30} on(?:\W*$|, )/iu;

/** A sentence with the question it answers: `And the end caps? Back on with two screws.` */
export const withQuestion = (steps: readonly SheetStep[], at: number): string =>
  `${/\?$/.test(steps[at - 1]?.text ?? '') ? steps[at - 1]?.text : ''} ${steps[at]?.text ?? ''}`;

/** The last sentence that puts a thing back, by the words of things; found once for a sheet. */
const known = new WeakMap<readonly SheetStep[], ReadonlyMap<string, number>>();
function lastBack(steps: readonly SheetStep[]): ReadonlyMap<string, number> {
  const made = known.get(steps);
  if (made) return made;
  const last = new Map<string, number>();
  steps.forEach((step, at) => {
    if (BACK_ON.test(step.text)) for (const word of nounsOf(withQuestion(steps, at))) last.set(word, at);
  });
  known.set(steps, last);
  return last;
}

/** Whether a later sentence puts it back without a verb of its own: `Put the tray's screws back`. */
export function backInWords({ reading }: Pick<Drafting, 'reading'>, at: number, name: string): boolean {
  const last = lastBack(reading.steps);
  return nounsOf(name).some((word) => (last.get(word) ?? -1) > at);
}
