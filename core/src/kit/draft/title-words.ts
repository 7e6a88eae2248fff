import { partWords, tellingWords } from './joint-words.ts';

/** `Hangers to crossmember:`, `Bracket to frame, two bolts`. */
export const PART_TO_PART = /^(\p{L}[\p{L} -]{2,40}? (?:to|on|into|between) [\p{L} -]{2,40}?)\s*(?:[:,(|.]| {2}|$)/u;

/** `ground eyelet: M6 stud, 6 Nm`: what stands before the colon names it. */
export function labelOf(text: string): string | undefined {
  const label = /^(\p{L}[\p{L} -]{2,40}):\s/u.exec(text)?.[1];
  return label !== undefined && tellingWords(label).length + partWords(label).length > 0 && !NO_TITLE.test(label)
    ? titled(label)
    : undefined;
}

/** What a sentence puts where: `Bolt a bracket to each side of the frame with two (a)` is of the bracket and the frame. */
export function puttingOf(text: string): string | undefined {
  const clause = text.split(/\s+(?:in|into) (?:position|place)\b|\s+with\s|\s+using\s|[.,;:]/)[0] ?? '';
  const named = clause.replace(
    /^\s*(?:bolt|set|place|put|fit|mount|hang|lift|hold|offer|slide|attach|install|position|refit|re-?(?:connect|attach|install|mount))\s+(?:up |on )?/i,
    '',
  );
  return named !== clause && tellingWords(named).length + partWords(named).length > 0
    ? titled(named.replace(/^(?:an?|the)\s+/i, ''))
    : undefined;
}

/** `The side plates go on with three M12 x 40 bolts`: what is held by them. */
export const heldOf = (text: string): string | undefined =>
  /^(?:the|both|all) ([\p{L}][\p{L} -]{2,30}?) (?:go(?:es)?|are|is|sits?|bolts?|mounts?|attach(?:es)?|hangs?|fix(?:es)?) (?:(?:on|up|in|to|held|fixed|bolted|screwed)\b)/iu.exec(
    text.trim(),
  )?.[1];

/** `Hose clamps 3.5 Nm`: two words of hardware, the first of which says what it holds. */
export function pieceNamed(phrase: string): string | undefined {
  const [, name = '', first = ''] =
    /^\W*(?:the |all |both )?((\p{L}{3,}) (?:clamps?|bands?|straps?|screws?|bolts?|nuts?|studs?|clips?))[\s,:.]*(?:to|at)?\s*$/iu.exec(
      phrase,
    ) ?? [];
  return name === '' || NAMES_NOTHING.test(first) ? undefined : `${name[0]?.toUpperCase()}${name.slice(1)}`;
}
const NAMES_NOTHING =
  /^(?:new|old|all|these|those|other|remaining|both|hex|flange|lock|short|long|small|large|big|little|then|the|and|two|three|four|six|eight|ten|twelve|tighten|torque|fit|screw|bolt|cap|socket|set|self|wing|supplied|kit|same|existing|original|factory|stock)$/i;

/** Words of a figure or a verb, which name no joint. */
export const NO_TITLE = /\b(?:go|goes|gets?|take|draw|newton|nm|foot|tighten|torque|fit|put|place|set)\b/i;

/** More is a sentence and no name. */
const LONGEST_TITLE = 48;

/** More may be cut to its first part. */
const FIRST_PART = 28;

/** What a sentence calls its joint, without sizes, figures and how it is done; undefined where nothing is left. */
export const titled = (text: string): string | undefined => {
  const plain = text
    .replace(/\([^)]*\)/g, ' ')
    .replace(/\([^)]*$/, ' ')
    // `When the ladder lies level, the screws`: how far the work is names nothing.
    .replace(/^\s*(?:when|while|once|as soon as|after|before|with)\b[^,]*,\s*/i, ' ')
    // `Bolt the new hanger on`: what is bolted on names it.
    .replace(/^\s*bolt (?:up )?(?:the|an?|both|all|each) /i, ' ')
    .replace(/^\s*as before,?\s*(?:but\b)?/i, ' ')
    // `the plate on with the hollow bolt`: what it is held with is not what is held.
    .replace(/(?<=\p{L}{3}\s)on with\s.*$/iu, ' ')
    // `Ball joint, new nut`: with what it is done up names it no further.
    .replace(/,\s*(?:with )?(?:an? |the |its |two |both )?new (?:nuts?|bolts?|screws?|washers?)\b/i, ' ')
    // `Page 2, step 8: brace to hoop`: where it stands on another paper.
    .replace(/^\s*(?:on )?page \d{1,3}(?:,? (?:step|line|item|point|fig(?:ure)?\.?) \w{1,3})?\s*[:,-]\s*/i, ' ')
    // `Moments: M10`, `down: straps first`
    .replace(/^\s*(?:(?:tightening )?(?:moments?|figures?|values?|torques?)|down|up|in|on)\s*:\s*/i, ' ')
    .replace(/,?\s*\b(?:which|that|who)?\s*(?:shall|must|should|will|may|can)(?:\s+be)?\s*$/i, ' ')
    .replace(/\s(?:which|that)\s*$/i, ' ')
    .replace(/\bfirst\s*$/i, ' ')
    // `Tighten in this order: 1) end plates`: the row is named and not the list.
    .replace(/^.*\b(?:in (?:this|the following|that) order|as follows)\s*:?\s*(?:\(?\w\))?/i, ' ')
    .replace(/^\s*(?:re-?)?(?:tighten|torque)(?:\s+up)?\s+/i, ' ')
    .replace(/^\s*(?:its|their|your)\s+/i, ' ')
    // `If it is a car before 2020 the uppers`: for which vehicle.
    .replace(
      /^\s*(?:if|for|on) (?:it is |you have )?(?:an? )?(?:cars?|vehicles?|models?|trucks?) (?:is |are )?(?:before|from|after|up to|until|since)(?: \d{4})?,?\s/i,
      ' ',
    )
    // `FASTENERS ITEM 4`: a number of the drawing names no part.
    .replace(/\bitems? (?:no\.? ?)?(?:\d{1,3}|[A-Z])\b/gi, ' ')
    // `caliper bolts, 7/16 in. 12-point socket`, `hose to hard line: use a flare wrench`
    .replace(/[,:]\s*(?:use )?[^,:]*\b(?:sockets?|spanners?|wrench(?:es)?|keys?)\b.*$/i, ' ')
    // `carrier nut 19 mm`: what turns it.
    .replace(/\s\d{1,2}\s*mm[\s,]*$/i, ' ')
    // `Put the tray's screws back (6 Nm)`: what is done with it names nothing.
    .replace(/^\s*put\s+(?:the\s+)?(.{3,60}?)\s+back\b/i, ' $1 ')
    .replace(/\($/, ' ')
    // What it is done on alone, and inch marks left of a size.
    .replace(/^\s*(?:[\p{L} -]{3,40} only|only (?:vehicles|cars|models|trucks) [^:]{3,40}):\s*/iu, ' ')
    // `new: top M10 →`, `slider bolts that's thirteen mil`
    .replace(/^\s*(?:new|now)\s*:\s*/i, ' ')
    .replace(/\s*(?:→|->|=>)\s*$/, ' ')
    .replace(/\s(?:that's|that is|which is|those are)\b.*$/i, ' ')
    .replace(/["″]/g, ' ')
    // A size with its length names no part.
    .replace(/\b(?:M\d{1,2}|\d{1,2}\/\d{1,2}(?:-\d{2})?)(?:\s*[xX×]\s*\d[\d.,/]*)+"?/g, ' ')
    .replace(/\b(?:the|all|both|those|these|four|six|two|three|eight|ten|twelve|\d+ ?x?)\b/gi, ' ')
    .replace(/^\s*(?:apply|use|put|smear|brush|drop of)\b.*?\b(?:to|on)\b\s+/i, ' ')
    .replace(/^\s*(?:then|now|and|finally|next)\b/i, ' ')
    .replace(/^\s*(?:(?:back|on|up|in|off) )+with\s+/i, ' ')
    .replace(/\b(?:from|out of|in)\s+(?:the\s+)?(?:bag|box|kit|carton|packet)\b/i, ' ')
    // A size that only says what turns it.
    .replace(/,\s*(?:\d+(?:[./]\d+)?\s*)?(?:mm|in\.?|inch|")\s*,?\s*$/i, ' ')
    .replace(/\b(?:cl|class|grade|gr)\b\.?\s*(?:\d+(?:\.\d)?)?(?=\W*$)/i, ' ')
    // What is left of sizes and units, and a clause that says what they get.
    .replace(/(?<=\s|^)[/.,:;–-]+(?=\s|$)/g, ' ')
    .replace(/,\s*(?:and |each side|they|it|which|that)\b.*$/i, ' ')
    .replace(/(?:\b(?:n[·.]?m|ft-?lbs?|lb-?ft|in-?lbs?)\s*)+$/i, ' ')
    .replace(/^\s*(?:grease|oil|lubricate|clean|degrease)\s+/i, ' ')
    .replace(/\b(?:crosswise|across|in turn|evenly)\s*$/i, ' ')
    // `M10 Nm, M8`: sizes and units left of a run of figures.
    .replace(/(?:\bM\d{1,2}\s*n[·.]?m\b[\s,]*)+(?:M\d{1,2})?\s*$/i, ' ')
    .replace(/[\s,:;]+$/, ' ')
    .replace(
      /(?:\s\b(?:and|or|then|of|in|to|with|at|back|per side|a side|on|up|get|gets|want|wants|take|takes|go|goes|are|is|they|them|it|just))+\s*$/i,
      ' ',
    )
    .replace(/\s+/g, ' ')
    .replace(/^[\s,:;|=–-]+|[\s,:;|=.–-]+$/g, '');
  // Too long for a name: its first part, before a comma or what it is done with.
  if (plain.length > FIRST_PART) {
    const [first = ''] = plain.split(/,\s|\s(?:on with|with|plus|using)\s/);
    if (first.length < plain.length && tellingWords(first).length > 0 && /\s/.test(first)) return titled(first);
  }
  return plain.length >= 3 &&
    plain.length <= LONGEST_TITLE &&
    !/\b(?:not over|never|until|sockets?|spanners?|wrench|key)\b|^(?:that|this|it|they|them|these|those|let|go|come|leave|make|wait|keep|look|i|we|you|as|when|if)\b|^(?:[a-z]|one|the other) (?:goes|follows|works|does)\b|\b(?:shall|must|has its own|have their own)\b/i.test(
      plain,
    ) &&
    /\p{L}{3}/u.test(plain)
    ? `${plain[0]?.toUpperCase()}${plain.slice(1)}`
    : undefined;
};
