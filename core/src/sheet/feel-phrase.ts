import type { FactValue } from './fact.ts';
import { TURN_DEG } from './lexicon.ts';

/** From contact on by an angle: `snug plus a quarter turn`, `by hand until the rubber is flat, then a half turn`. */
const ANGLE =
  /\b(?:snug|hand[- ]?tight|finger[- ]?tight|by hand|contact|seated|flat|touch(?:es|ing)?|tight)\b[^.;\d\n]{0,40}?(?:\n\s*)?(?:\bplus\b|\bthen\b|\band\b|\+|,)[^.;\d\n]{0,24}?(?:\n\s*)?(?:(\d{2,3}) ?(?:°|deg\w*)|(\d)\/(\d) (?:of a )?turns?|(quarter|third|half|full|three[- ]quarters?)s?[- ](?:of )?(?:an? )?turns?|(one|two|three|\d) (?:full )?turns?)/gi;
const FEEL =
  /\b(?:until|till|just until|so that|only until)\b (?:it|they|the|its|you|both|all)[^.;:\n]{0,30}?\b(?:bulges?|flat|touch(?:es)?|bites?|bottoms?|seats?|contacts?|meets?|resistance|squashed|flush|stops?|clicks?|grips?)\b|\bby feel\b|\bas tight as (?:you can|a hand)\b[^.;\n]{0,30}|\bnip(?:ped)? (?:it |them )?up\b/gi;

/** What is tightened with no torque: by an angle from contact, or until something is felt or seen. */
export function feels(text: string): Array<{ start: number; end: number; value: FactValue }> {
  const found: Array<{ start: number; end: number; value: FactValue }> = [];
  for (const match of text.matchAll(ANGLE)) {
    const angleDeg = match[1]
      ? Number(match[1])
      : match[2]
        ? (360 * Number(match[2])) / Number(match[3])
        : match[4]
          ? (TURN_DEG[match[4].toLowerCase().replace(/s$/, '')] ?? 0)
          : 360 * ({ one: 1, two: 2, three: 3 }[match[5]?.toLowerCase() ?? ''] ?? Number(match[5]));
    if (angleDeg > 0 && angleDeg <= 1080)
      found.push({ start: match.index, end: match.index + match[0].length, value: { kind: 'angleAlone', angleDeg } });
  }
  for (const match of text.matchAll(FEEL)) {
    const [start, end] = [match.index, match.index + match[0].length];
    if (found.some((other) => start < other.end && end > other.start)) continue;
    found.push({ start, end, value: { kind: 'untilContact', until: match[0].replace(/\s+/g, ' ') } });
  }
  return found.sort((a, b) => a.start - b.start);
}
