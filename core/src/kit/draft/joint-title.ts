import { fromCapitals } from './from-capitals.ts';

/** An order to the fitter before what it is about: `Bring the screws up to`, `Use short bolts`. */
const ORDER =
  /^\s*(?:screw|wind|lock(?! nuts?\b)|bring|use|connect|pull|take|secure|fasten|fix|join|insert|start|do|install|attach|fit|mount|position|raise|refit|re-?(?:attach|connect|install|mount))\s+(?:up\s+|down\s+|in\s+|on\s+)?(?:the\s+|all\s+|both\s+)?(?=\p{L}{3})/iu;
/** `The plate shall be held to the frame by the guide bolts`: what is joined to what, and the words between. */
const PASSIVE =
  /^(?:the\s+)?(.{3,40}?)\s+(?:shall|must|should|will|may|is|are|gets?)\s+(?:be\s+|been\s+|to be\s+)?\p{L}{2,}(?:ed|ld|t|wn|ung|ewn)\b(?:\s+(?:back|down|up|in|together))?(.*)$/iu;
const WHERE_TO =
  /^\s+(?:to|on|onto|into)\s+(?:the\s+)?[\p{L} -]{3,30}?(?=$|[,.;:(]|\s(?:by|with|using|through|and)\b)/iu;
/** `B screws the legs to the rails`: who does it. */
const WHO = /^[A-Z]\s+\p{Ll}{3,}s\s+(?:the\s+)?(?=\p{Ll})/u;
/** `The frame hangs on six bolts`: what is held by them. */
const HELD_ON =
  /^(?:the\s+)?(.{3,40}?)\s+(?:hangs?|sits?|rests?|stands?|goes|go|fits?|mounts?|bolts?)\s+(?:on|in|to|with|by|at)\s.*\b(?:bolts?|nuts?|screws?|studs?)\b/i;
/** How, when or how far, and not what: `With full weight on the springs`, `Evenly, corner by corner`. */
const BEGINS_NO_NAME =
  /^(?:with|in|of|evenly|final(?:ly)?|no\.|how|run|for|what|when|where|while|crosswise|corner by|lock (?:it|them)|one|another)\b/i;
/** What tells no joint from another. */
const SAYS_NOTHING =
  /^(?:(?:tightening|torque|final|the|all|their|its|of|for|to|and|moments?|values?|figures?|torques?|settings?|specs?|step|stage|pass|hardware|fasteners)\b[\s:.,-]*)+$/i;

/**
 * A joint's title without the sentence it was taken from: no order, no passive, nothing that only leads up to a figure;
 * undefined where nothing is left that names it.
 */
export function tidyTitle(title: string | undefined): string | undefined {
  if (title === undefined) return undefined;
  // `Engineer asked`: who says it.
  if (/\b(?:asked|said|wants|wanted|noted|reported|agreed|had used)\b/i.test(title)) return undefined;
  // `Heads oiled`, `Lube under the nut`: what goes on them.
  if (
    /^(?:lube|grease|oil|paste|sealant|locker|threadlocker)\b|\b(?:oiled|greased|lubricated|cleaned|waxed|dry)$/i.test(
      title.trim(),
    )
  )
    return undefined;
  const plainTitle = title
    // `Wheels: couple`, `Centre bolt. [`
    .replace(/:\s*(?:tightening )?(?:couple|torque|moment)\s*$/i, '')
    .replace(/[.\s]*[[(]\s*$/, '')
    .replace(/\s*\(?\b(?:one|single)[- ](?:time[- ])?use(?: only)?\b\)?/i, '')
    .replace(/[\u2460-\u2473]|[*~_→±]+/g, ' ')
    .replace(/^(?:installation )?summary:\s*/i, '')
    // `JORY: wheel nuts`: who speaks.
    .replace(/^\p{Lu}{3,12}:\s+(?=\p{Ll})/u, '')
    // `For vehicles with particle filter: sensor`
    .replace(/^(?:for|on|if|with|when)\b[^:]*:\s*(?=\p{L}{3})/iu, '')
    // `Clamps: per side, J-bolts`, `Swan neck: M14 bolts that go through`: what stands before the colon names it.
    .replace(/^(\p{L}[\p{L} -]{2,30}):\s+(?=.*(?:\d|\b(?:per|it|they|that|one|he|she|you)\b)).*$/iu, '$1')
    // `The steering coupling has to be marked and the pinch bolt out`
    .replace(/^.*\b(?:has|have|must|shall|is|are) (?:to )?be(?:en)? \p{L}+ed\b.* and the\s+/iu, '')
    // `Four bolts hold the fan to the clutch`
    .replace(/^(?:\p{L}+ )?(?:bolts|screws|nuts|studs) (?:hold|fix|secure|fasten)\s+(?:the )?/iu, '')
    // `latch plate > bumper`
    .replace(/(?<=\p{L}) ?[>›] ?(?=\p{L})/gu, ' to ')
    .replace(/^to (?:the )?(?=\p{L}{3})/iu, '')
    // `Each slider and start all bolts by hand`
    .replace(/^(?:each|every)\s+(?=\p{L}{3})/iu, '')
    .replace(
      /(?<=\p{L}{3})\s(?:and|then) (?:(?:start|tighten|run|snug|put|turn|leave)\b|(?:thread|screw|push|spin|drive|press)(?: (?:it|them)\b|$)).*$/iu,
      '',
    )
    .replace(/\s(?:by hand|with the fingers)\s*$/i, '')
    .replace(/(?<=\p{L}{3})\sback (?:in|on|up)(?:,.*|\s+with\b.*)?$/iu, '')
    .replace(/(?<=\p{L}{3})\s(?:in|into) (?:position|place)\b.*$/iu, '')
    .replace(
      /(?<=\p{L}{3})\s(?:in (?:a )?(?:cross|star|reverse)[- ]?(?:star |cross )?(?:order|pattern|sequence)|against (?:each|one)\b.*|against)\s*$/iu,
      '',
    )
    // `Damper eye at clamp end M12 bolt`
    .replace(/(?<=\p{L}{3}) M\d{1,2} (?=(?:bolts?|nuts?|screws?|studs?)$)/iu, ' ')
    .replace(/^(?:millimet(?:re|er)|mil) (?=\p{L}{1,})/iu, '')
    .replace(/(?<=\p{L}{3})\s(?:as|if|a side|per side|that|which|just|it's|he|she|on one|until|while|where)\b.*$/iu, '')
    .replace(/^\s*nothing changes (?:on|for|to|about) (?:the )?/i, '')
    // `And the rails? - Three M6 each rail`: what is asked about names it.
    .replace(/^(?:and |what about )?(?:the )?(\p{L}[\p{L} ]{2,30})\?.*$/iu, '$1')
    // `M10 through hinge and bracket`: a size and what it is through.
    .replace(/^(?:both |all )?M\d{1,2}s? (?:through|of|in|on|for|at|into) (?:the )?(?=\p{L}{3})/iu, '')
    .replace(/\bin (?:two|three|four|\d) (?:goes|rounds|steps|stages|passes)\b.*$/i, '')
    .replace(/^wheels? (?:back )?on,\s*(?:the )?(?=(?:nuts|bolts|studs)\b)/i, 'Wheel ')
    .replace(/^wheels? (?:back )?on,\s*/i, '');
  // `the long ones bottom out). 24 Nm`: an end of another sentence.
  if (/^[^(]*\)/.test(plainTitle)) return undefined;
  const passive = PASSIVE.exec(plainTitle);
  const held = HELD_ON.exec(plainTitle)?.[1];
  const named = held ?? (passive ? `${passive[1]}${WHERE_TO.exec(passive[2] ?? '')?.[0] ?? ''}` : plainTitle);
  const plain = named
    .replace(WHO, '')
    .replace(ORDER, '')
    .replace(/\s(?:is|are|has|have)\s(?:M\d+|\d+|its|their|a|an|the)\b.*$/i, '')
    .replace(/\s(?:and|with)\s(?:its|their|own)(?:\s\p{L}+)?$/iu, '')
    .replace(/(?:\s(?:on|in|up|down|off|back|over|crosswise|to|with|by|and|of|the|at))+\s*$/i, '')
    .replace(/\s+/g, ' ')
    .trim();
  if (/^(?:under|over|behind|between|through|on|in|at|to)(?: (?:and|or))?$/i.test(plain)) return undefined;
  if (BEGINS_NO_NAME.test(plain) || /\bN[·.]?m\b|[!?;>]/.test(plain)) return undefined;
  if (plain.length < 3 || SAYS_NOTHING.test(plain) || !/\p{L}{3}/u.test(plain)) return undefined;
  // A size or the letters of a list name no joint.
  if (/^M\d{1,2}$|^[A-Z]\d?(?:(?: ?[+/,&] ?| and )[A-Z]\d?)*(?: (?:last|first|next))?$/.test(plain)) return undefined;
  return fromCapitals(`${plain[0]?.toUpperCase()}${plain.slice(1)}`);
}
