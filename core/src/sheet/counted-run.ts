import { itemOf, LEADING } from './packing-item.ts';

/** A word that works on what is counted behind it: a step of the work, and no list. Common verbs of the trade. */
const WORKS =
  /\b(?:fit|install|tighten|torque|loosen|remove|place|put|bolt(?:ed)? (?:to|on|up|down)|attach|use|using|drill|insert|screw(?:ed)? (?:to|on|in|into)|fasten|secure|hold|held|thread|start|apply|mount|bring|set (?:the|them|on|in)|hang|undo|unscrew|slide|slip|push|turn|leave|replace|snug|nip|goes?|gets?|takes?|needs?|wants?|holds)\b/i;
/** What only hardware is called, or a size of it: a list of figures or of tools names none. */
const HARDWARE_NAMED =
  /\b(?:bolts?|nuts?|screws?|setscrews?|washers?|studs?|rivnuts?|clips?|nylocs?|M\d{1,2}(?: ?[x×] ?\d+)?)\b|\d\/\d{1,2}-\d{2}/i;
/** A figure with a unit of torque: no list of pieces has one. */
export const TORQUE_UNIT = /\d\s?(?:n[·. ]?m|ft[- ]?lbs?|lbf|lb[. -]?ft|in[- ]?lbs?|kgf?[.· ]?m|daNm)\b/i;
const TOOLS = /\b(?:tools?|spanners?|wrench(?:es)?|sockets?)\s*:/i;
/** What says before a list that it is one: a colon, or that a set is made of it. */
const OPENS =
  /(?::|\b(?:comprises|contains|consists? of|includes|has|is made (?:up )?of|(?:there )?(?:exists?|are)|have|you get|bring(?:s)? you|comes? with|supplied with|count))\s+/gi;
/** Where a count may stand: at the head of a piece or at its end. */
const COUNTS =
  /(?:^|[,;:.]\s*|\b(?:and|plus)\s+|\p{L}\s)\(?(?:\d{1,3}|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|an?|one)(?=[\s)x×,;.]|$)/giu;
const FEW = 3;
/** How many of the pieces must be counted for the run to be a list. */
const MOST = 0.75;

/** A run of counted pieces within a sentence, as places in it. */
export interface CountedRun {
  start: number;
  pieces: Array<{ text: string; start: number; end: number }>;
}

/**
 * `Unpack. Count: 6 legs, 12 M8x20 screws, 6 clamp plates`; `1.1 The set comprises one eye, six bolts M12, …`: a sentence that
 * counts several pieces, hardware among them, and does nothing with them is a packing list under any heading or none.
 * `split` parts a written list at its commas.
 */
export function countedRun(
  sentence: string,
  split: (text: string, start: number) => CountedRun['pieces'],
): CountedRun | undefined {
  if ((sentence.match(/[,;]/g)?.length ?? 0) < FEW - 1 || !HARDWARE_NAMED.test(sentence)) return undefined;
  if (TORQUE_UNIT.test(sentence) || TOOLS.test(sentence)) return undefined;
  // Most sentences count nothing, and are not taken apart.
  if ((sentence.match(COUNTS)?.length ?? 0) < FEW) return undefined;
  const label = /^\s*(?:[-•*▪]\s+|\(?[\dA-Za-z]{1,3}[.)]\s+|\d{1,2}\.\d{1,2}\.?\s+)?/.exec(sentence)?.[0].length ?? 0;
  // What opens the list stands before it, and is none of its pieces.
  const starts = [...[...sentence.matchAll(OPENS)].map((match) => match.index + match[0].length), label];
  for (const start of starts) {
    if (WORKS.test(sentence.slice(start)) || WORKS.test(sentence.slice(label, start))) continue;
    const pieces = split(sentence.slice(start), start);
    const counted = pieces.filter(({ text }) => !/^the\b|\?/i.test(text) && itemOf(text) !== undefined);
    const first = pieces[0]?.text ?? '';
    // `4 bolts`, `bolts 4` or `bolts (4)`: the first piece says how the list counts.
    const counts = (piece: string) => LEADING.test(piece) || /\d\)?(?: ?\p{L}{1,6}\.?)?$/u.test(piece);
    const opens =
      counted.includes(pieces[0] as CountedRun['pieces'][number]) &&
      (counts(first) || counts(first.replace(/\s*\([^)]*\)$/, '')));
    if (opens && counted.length >= FEW && counted.length >= MOST * pieces.length) return { start, pieces };
  }
  return undefined;
}
