import type { Drafting, Of } from './drafting.ts';
import { isKind } from './drafting.ts';
import { partWords, tellingWords } from './joint-words.ts';

const PLACES = /\b(?:front|rear|upper|lower|inner|outer|left|right|top|bottom)\b/gi;

/** The words that say which joint a text is of, its place among them. */
const wordsOf = (text: string): Set<string> =>
  new Set([...tellingWords(text), ...partWords(text), ...(text.toLowerCase().match(PLACES) ?? [])]);

/** How many of a joint's words what comes off must share, as a share of them. */
const ENOUGH = 0.6;

/**
 * What undid a joint of the vehicle's own does it up again: `Remove the upper ball joint nut (19 mm)` and later `Reconnect
 * upper ball joint. Torque to …`. Only where one clause names the joint better than any other.
 */
export function driveTakenOff({ reading, facts }: Drafting, title: string): Of<'drive'> | undefined {
  const wanted = wordsOf(title);
  if (wanted.size === 0) return undefined;
  const off = new Set(
    facts
      .filter(isKind('action'))
      .filter(({ value: { action } }) => ['remove', 'disconnect', 'loosen'].includes(action))
      .map(({ step }) => step),
  );
  let from = -1;
  const found = facts
    .filter(isKind('drive'))
    .filter(({ step }) => off.has(step))
    .map((fact) => {
      const step = reading.steps[fact.step];
      const start = Math.max(step?.start ?? 0, from);
      from = fact.end;
      const clause = step?.text.slice(start - step.start, fact.end - step.start) ?? '';
      // `(18 mm, hold the stud with a 6 mm key)`: what holds the other end undoes nothing.
      const holds = /\bhold(?:ing)?\b/i.test(clause);
      const named = wordsOf(clause);
      return { fact, share: holds ? 0 : [...wanted].filter((word) => named.has(word)).length / wanted.size };
    })
    .sort((a, b) => b.share - a.share);
  const [best, second] = found;
  return best && best.share >= ENOUGH && best.share > (second?.share ?? 0) ? best.fact : undefined;
}
