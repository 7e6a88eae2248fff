import { CROSS, type Phrase, threadAt, touching } from './fastener-phrase.ts';
import { ACTIONS, ADJECTIVES, HARDWARE, NUMBER_WORDS, TIME_MINUTES } from './lexicon.ts';
import type { Token } from './token.ts';

/** Integer of a token, in digits or in words. */
function countOf(token: Token | undefined): number | undefined {
  if (
    token?.kind === 'number' &&
    token.value !== undefined &&
    Number.isInteger(token.value) &&
    !token.text.includes('/')
  )
    return token.value;
  return token?.kind === 'word' ? NUMBER_WORDS[token.lower] : undefined;
}

/** A number behind one of these is a name. */
const NUMBERED_THINGS = new Set([
  'step',
  'fig',
  'figure',
  'class',
  'grade',
  'page',
  'no',
  'item',
  'hole',
  'position',
  'phase',
  'part',
  'section',
  'diagram',
]);
const isOne = (token: Token | undefined): boolean => token !== undefined && HARDWARE.get(token.lower) === token.lower;

const SIZE_UNITS = new Set([
  'mm',
  'millimetre',
  'millimetres',
  'millimeter',
  'millimeters',
  'in',
  'inch',
  'inches',
  '"',
  '″',
]);

/** Points and lobes a head has, by the numbers that stand before them. */
const POINTS = new Set(['12', 'twelve', '6', 'six', '4', 'four', '8', 'eight']);

/** `Lamp plug: 13 pins`, `cars with 7 pins`: how a plug is wired, and no pieces. */
function pinsOfPlug(tokens: readonly Token[], at: number): boolean {
  const pins = at + (tokens[at + 1]?.text === '-' ? 2 : 1);
  if (!/^pins?$/.test(tokens[pins]?.lower ?? '') || !/^(?:4|5|7|12|13)$/.test(tokens[at]?.text ?? '')) return false;
  return tokens
    .slice(Math.max(0, at - 12), pins + 8)
    .some(({ lower }) =>
      /^(?:plugs?|sockets?|connectors?|adapters?|trailer|lamps?|lights?|wiring|harness)$/.test(lower),
    );
}

/** Where `twelve-point`, `12 pt.`, `six-lobe` end, which tell a head's form; undefined where none begins. */
function pointsEnd(tokens: readonly Token[], at: number): number | undefined {
  const first = tokens[at];
  if (first === undefined || !POINTS.has(first.lower)) return undefined;
  const next = at + (tokens[at + 1]?.text === '-' || tokens[at + 1]?.text === '‑' ? 2 : 1);
  if (!['point', 'points', 'pt', 'lobe', 'lobed', 'sided'].includes(tokens[next]?.lower ?? '')) return undefined;
  return tokens[next + 1]?.text === '.' && tokens[next]?.lower === 'pt' ? next + 2 : next + 1;
}

/** Where what belongs to a size ends: a class, a form of head, the width of its key. */
function sizeTail(tokens: readonly Token[], at: number): number {
  let next = at;
  for (;;) {
    const lower = tokens[next]?.lower ?? '';
    if (/^(?:\d{1,2}\.\d|csk|hex)$/.test(lower)) next += 1;
    else if (/^\d{1,2}$/.test(lower) && tokens[next + 1]?.lower === 'hex') next += 2;
    else return next;
  }
}

/**
 * A count with the noun it counts: `four bolts`, `(14) 7 mm bolts`, `4 x M8 washers`, `a pair of brackets`. Sizes and
 * threads between the number and the noun are stepped over.
 *
 * @param step - steps over a thread or size at a place, giving the index after it
 */
const ENDS_SIZE = /^(?:[,.;:)|+]|per|each|a|on|at|in|and|with|through|into|to|from|for)$/;
const OF_HOW_MANY = new Set(['step', 'page', 'sheet', 'part', 'sheets', 'figure']);

/** What the row calls the piece whose size it counts: `spindle nut | 1 × M24`. */
function nounBefore(tokens: readonly Token[], at: number): string | undefined {
  for (let back = at - 1; back >= Math.max(0, at - 8); back--) {
    const token = tokens[back];
    if (token === undefined || token.kind === 'break') return undefined;
    const noun = HARDWARE.get(token.lower);
    if (noun !== undefined && ['bolt', 'nut', 'screw', 'stud'].includes(noun)) return noun;
  }
  return undefined;
}

export function countAt(
  tokens: readonly Token[],
  at: number,
  step: (at: number) => number | undefined,
  isReference: (label: number) => boolean = () => false,
): Phrase | undefined {
  let count: number | undefined;
  let next = at;
  const first = tokens[at];
  if (!first) return undefined;
  // `Step 4 of 9 - upper links` counts steps.
  if (
    tokens[at - 1]?.lower === 'of' &&
    tokens[at - 2]?.kind === 'number' &&
    OF_HOW_MANY.has(tokens[at - 3]?.lower ?? '')
  )
    return undefined;
  if (first.text === '(' && tokens[at + 2]?.text === ')') {
    count = countOf(tokens[at + 1]);
    // `bolt (9)` names a line of the list, and `(16) Wheel nut` is a step's number.
    if (count !== undefined && isReference(count) && tokens[at - 1]?.kind === 'word') return undefined;
    if (tokens[at - 1] === undefined || tokens[at - 1]?.kind === 'break' || /^[.;]$/.test(tokens[at - 1]?.text ?? '')) {
      if (tokens[at + 3]?.kind === 'word' && /^\p{Lu}/u.test(tokens[at + 3]?.text ?? '') && isReference(count ?? -1))
        return undefined;
    }
    next = at + 3;
  } else if ((first.lower === 'a' || first.lower === 'one') && tokens[at + 1]?.lower === 'pair') {
    count = 2;
    next = at + 2;
  } else if (first.lower === 'pair' || first.lower === 'pairs') {
    return undefined;
  } else {
    // `held by a single M6 screw`
    count = first.lower === 'single' && tokens[at - 1]?.lower === 'a' ? 1 : countOf(first);
    // `a bolt` counts nothing that matters; `10 mm`, `M8`, `2.5` do not either.
    if (first.lower === 'a') return undefined;
    if (
      count !== undefined &&
      touching(first, tokens[at + 1]) &&
      tokens[at + 1]?.kind === 'word' &&
      !CROSS.has(tokens[at + 1]?.lower ?? '')
    )
      return undefined;
    next = at + 1;
  }
  if (count === undefined || count < 1 || count > 200) return undefined;
  // `three (3) nuts`: said twice, as contracts do.
  if (tokens[next]?.text === '(' && tokens[next + 2]?.text === ')' && countOf(tokens[next + 1]) === count) next += 3;
  // `six of the push pins`
  if (count > 1 && tokens[next]?.lower === 'of' && /^(?:the|these|those|your|our)$/.test(tokens[next + 1]?.lower ?? ''))
    next += 2;
  if (pinsOfPlug(tokens, at)) return undefined;
  // `a one-way nut`, `a man with one good eye`
  if (first.lower === 'one' && (tokens[at + 1]?.text === '-' || tokens[at + 1]?.lower === 'good')) return undefined;
  // `only three of the four bolts`
  if (
    tokens[at + 1]?.lower === 'of' &&
    tokens[at + 2]?.lower === 'the' &&
    countOf(tokens[at + 3]) !== undefined &&
    // `ten of the five sixteenths eighteen` counts them: the second is a size.
    (step(at + 3) ?? at) <= at + 4
  )
    return undefined;
  // `two and a half inches`
  if (isMixedNumber(tokens, at)) return undefined;
  // `two twelve mil bolts`: the second number is a size.
  if (/^mils?$/.test(tokens[next]?.lower ?? '')) return undefined;
  // `twelve-point bolts` says how the head is driven, not how many there are.
  if (pointsEnd(tokens, at) !== undefined) return undefined;
  // `Op 040` and `5:30` are a name and a time.
  if (
    /^0\d/.test(first.text) ||
    (tokens[at - 1]?.text === ':' && touching(tokens[at - 1], first) && tokens[at - 2]?.kind === 'number')
  )
    return undefined;
  // `A1` is the name of a line.
  if (tokens[at - 1]?.kind === 'word' && touching(tokens[at - 1], first)) return undefined;
  // `#10 screws` is a size, the last of `5-3-6` a place in an order.
  if (tokens[at - 1]?.text === '#' || (tokens[at - 1]?.text === '-' && touching(tokens[at - 1], first)))
    return undefined;
  if (tokens[at + 1]?.text === '-' && touching(first, tokens[at + 1]) && tokens[at + 2]?.kind === 'number')
    return undefined;
  // `10 mm bolts` counts nothing, nor does the number of a step, a figure, a class.
  const label = tokens[at - (tokens[at - 1]?.text === '.' ? 2 : 1)]?.lower ?? '';
  if (SIZE_UNITS.has(tokens[next]?.lower ?? '') || NUMBERED_THINGS.has(label)) return undefined;
  // `the 12-bolt takes 2.4 quarts`: a number joined to one bolt is a name.
  if (tokens[next]?.text === '-' && touching(first, tokens[next]) && isOne(tokens[next + 1])) return undefined;
  // A sheet in capitals: `FOUR GUSSET BOLTS`.
  const shouted = first.kind === 'word' && first.text.length > 2 && first.text === first.text.toUpperCase();
  const bracketed = first.text === '(';
  let unknown = 0;
  let sized = false;
  if (CROSS.has(tokens[next]?.lower ?? '') || ['ea', 'each', 'pc', 'pcs', 'off'].includes(tokens[next]?.lower ?? ''))
    next++;
  // `4 ea. bolts`, `2 pcs. nuts`
  if (tokens[next]?.text === '.' && tokens[next - 1]?.kind === 'word' && next > at + 1) next++;
  // `2 x M10 x 35`, `6 off M8 x 20`: the thread is all that is said of them.
  // `8 of m10`
  if (tokens[next]?.lower === 'of' && threadAt(tokens, next + 1)) next++;
  const crossed = CROSS.has(tokens[next - 1]?.lower ?? '') || /^(?:off|of)$/.test(tokens[next - 1]?.lower ?? '');
  if (crossed && threadAt(tokens, next)) {
    const size = step(next);
    // `4 × M12×1.25×35 10.9`, `2 × M8 csk 6 hex`: its class, its head and its key belong to it.
    const over = size === undefined ? undefined : sizeTail(tokens, size);
    const end = over === undefined ? undefined : tokens[over];
    const apart = end !== undefined && end.start - (tokens[(over ?? 1) - 1]?.end ?? 0) >= 2;
    if (
      over !== undefined &&
      (end === undefined || apart || end.kind === 'break' || end.kind === 'number' || ENDS_SIZE.test(end.lower))
    )
      return { value: { kind: 'count', count, noun: nounBefore(tokens, at) ?? 'bolt' }, next: over, suspect: false };
  }
  // `four M10 x 65 with 17 mm heads`: a length makes a bolt of the size.
  const bolt = first.text === '(' ? undefined : threadAt(tokens, next);
  if (bolt?.value.kind === 'thread' && bolt.value.lengthMm !== undefined) {
    const behind = tokens[sizeTail(tokens, bolt.next)];
    if (behind === undefined || behind.kind === 'break' || /^(?:with|per|each|into|through|[.,;(])$/.test(behind.lower))
      return { value: { kind: 'count', count, noun: 'bolt' }, next: bolt.next, suspect: false };
  }
  for (let words = 0; words < 6; words++) {
    const token = tokens[next];
    if (!token || token.kind === 'break') return undefined;
    const points = pointsEnd(tokens, next);
    if (points !== undefined) {
      next = points;
      continue;
    }
    // `three nuts (14 mm)`: the noun itself is no size, whatever is read from it on.
    const over = HARDWARE.has(token.lower) ? undefined : step(next);
    // `six M12 x 1.5 and two M10`: the size is all that is said of them.
    if (over !== undefined && first.kind === 'word' && words === 0 && threadAt(tokens, next)) {
      const behind = tokens[over];
      if (behind === undefined || behind.kind === 'break' || ENDS_SIZE.test(behind.lower))
        return { value: { kind: 'count', count, noun: nounBefore(tokens, at) ?? 'bolt' }, next: over, suspect: false };
    }
    // `four M tens`, `four sixteens`
    if (
      over !== undefined &&
      tokens[over - 1]?.kind === 'word' &&
      /(?:t|en|xe?|lve)s$/.test(tokens[over - 1]?.lower ?? '')
    )
      return { value: { kind: 'count', count, noun: 'bolt' }, next: over, suspect: false };
    // `the eight M12s`
    if (over !== undefined && tokens[over]?.lower === 's' && touching(tokens[over - 1], tokens[over]))
      return { value: { kind: 'count', count, noun: 'bolt' }, next: over + 1, suspect: false };
    if (over !== undefined) {
      next = over;
      sized = true;
      continue;
    }
    // `the three 10 mm and two 13 mm bolts`: the first size shares the noun of the second.
    if (sized && (token.lower === 'and' || token.text === ',') && countOf(tokens[next + 1]) !== undefined) {
      next += 2;
      sized = false;
      continue;
    }
    const noun = HARDWARE.get(token.lower);
    // `one side bolt at a time` counts nothing.
    if (noun !== undefined && ['at', 'a', 'time'].every((word, index) => tokens[next + 1 + index]?.lower === word))
      return undefined;
    // `hose clamps`, `bracket bolts`: the last of two nouns is what is counted.
    if (
      noun !== undefined &&
      !(HARDWARE.has(tokens[next + 1]?.lower ?? '') || (ADJECTIVES.has(token.lower) && step(next + 1) !== undefined))
    )
      // `three shims maximum` is a limit, `one leg of the pin` a part of one.
      return ['maximum', 'max', 'most'].includes(tokens[next + 1]?.lower ?? '') || tokens[at + 1]?.lower === 'leg'
        ? undefined
        : { value: { kind: 'count', count, noun }, next: next + 1, suspect: false };
    const known =
      noun !== undefined ||
      ADJECTIVES.has(token.lower) ||
      (token.lower === 'gr' && tokens[next + 1]?.kind === 'number') ||
      // `four 2BA screws`
      (token.kind === 'number' && tokens[next + 1]?.lower === 'ba') ||
      token.lower === 'ba' ||
      // `two 3/8 bolts`: an inch size that says no more.
      (token.kind === 'number' && token.text.includes('/')) ||
      (token.kind === 'number' && ['class', 'grade', 'gr'].includes(tokens[next - 1]?.lower ?? '')) ||
      /^[A-Z]\d?$/.test(token.text);
    if (!known) {
      // Two words the lexicon does not have may stand before the noun: `20 cone nuts`, `two star T30 screws`.
      const mayStand =
        (token.kind === 'word' || token.text === '-') &&
        (!ACTIONS.has(token.lower) || (tokens[next - 1]?.text === '-' && touching(tokens[next - 1], token))) &&
        !BETWEEN.has(token.lower) &&
        TIME_MINUTES[token.lower] === undefined &&
        (bracketed ||
          token.text === token.lower ||
          (shouted && token.text === token.text.toUpperCase()) ||
          /^\p{Lu}{1,3}$/u.test(token.text) ||
          /^\p{Lu}-?$/u.test(token.text));
      if (token.text !== '-') unknown++;
      if (!mayStand || unknown > 2) return undefined;
    }
    next++;
  }
  return undefined;
}

/** Words that end the noun a number counts. */
const BETWEEN = new Set(
  'at from into by until till than that which when if as is are was be not no turns turn times people persons hands hand threads thread passes stages steps side sides per a an its it them they where before after between over under up down back off away again now long wide deep thick apart more less or share shares have has had take takes get gets use uses need needs want wants you we they he she'.split(
    ' ',
  ),
);

/** `two and a half inches`: the whole part of a mixed number. */
const isMixedNumber = (tokens: readonly Token[], at: number): boolean =>
  tokens[at + 1]?.lower === 'and' &&
  tokens[at + 2]?.lower === 'a' &&
  /^(?:half|quarter|third)$/.test(tokens[at + 3]?.lower ?? '');

const rises = (...numbers: ReadonlyArray<Token | undefined>): boolean =>
  numbers.every((token, at) => at === 0 || (token?.value ?? 0) > (numbers[at - 1]?.value ?? 0));

/** What a share of the pieces goes to: `three each side`, `four a side`, `two to a latch`, `six per slide`. */
const SHARED = new Set(
  'crossbar crossrail kit car vehicle axle bumper door seat module unit set side end slide step latch arm bracket wheel corner leg foot mount rail hanger post plate hinge strut flange bar brkt bkt clamp tab lug ear strap hook hoop tray guard eye'.split(
    ' ',
  ),
);

/** A count of a piece named before: `M12 bolts, four a side`; the noun is the last piece the step named. */
export function shareAt(tokens: readonly Token[], at: number, piece: string | undefined): Phrase | undefined {
  const count = countOf(tokens[at]);
  if (count === undefined || count < 1 || count > 60 || tokens[at]?.lower === 'a') return undefined;
  const before = tokens[at - 1];
  if (before?.text === '#' || (before?.kind !== 'mark' && touching(before, tokens[at]))) return undefined;
  let next = at + 1;
  // `one piece each side`
  if (/^(?:piece|pieces|pcs?|off)$/.test(tokens[next]?.lower ?? '')) next++;
  let word = tokens[next]?.lower ?? '';
  const opener = word;
  // `2 ea/brkt`, `3/side`
  if ((word === 'ea' && tokens[next + 1]?.text === '/') || word === '/') next += word === 'ea' ? 2 : 1;
  else if (['each', 'a', 'per', 'every'].includes(word)) next++;
  else if (
    ['to', 'on', 'at', 'in', 'for'].includes(word) &&
    ['a', 'each', 'every', 'one'].includes(tokens[next + 1]?.lower ?? '')
  )
    next += 2;
  else if (
    word === 'of' &&
    tokens[next + 1]?.lower === 'the' &&
    ['left', 'right'].includes(tokens[next + 2]?.lower ?? '')
  ) {
    return {
      value: { kind: 'count', count, noun: piece ?? 'piece' },
      next: next + 3,
      suspect: piece === undefined,
      behind: true,
    };
  } else return undefined;
  word = (tokens[next]?.lower ?? '').replace(/s$/, '');
  if (opener === 'each' && !SHARED.has(word)) return undefined;
  return SHARED.has(word)
    ? {
        value: { kind: 'count', count, noun: piece ?? 'piece' },
        next: next + 1,
        suspect: piece === undefined,
        behind: true,
      }
    : undefined;
}

const FASTENS = /^(?:bolt|nut|screw|stud|capscrew|setscrew|locknut|fastener)$/;
/** What may follow `all four` where it stands for the pieces themselves. */
const AFTER_ALL =
  /^(?:[.,;:)]|started|in|are|is|go|goes|get|gets|reach|hold|show|and|by|at|to|with|finger|hand|snug|loose|before|then|again|tight)$/;

/**
 * A count of a piece that is not named again: `four of them`, `two 8 mm ones`, `eight altogether`, `all six started`,
 * `with the other four`.
 *
 * @param piece - the piece last named or sized in this step; without one nothing is counted
 * @param step - steps over a thread or size at a place, giving the index after it
 */
export function pronounCountAt(
  tokens: readonly Token[],
  at: number,
  piece: string | undefined,
  step: (at: number) => number | undefined,
): Phrase | undefined {
  if (piece === undefined) return undefined;
  const all = tokens[at]?.lower === 'all';
  const number = all ? at + 1 : at;
  const token = tokens[number];
  const count = countOf(token);
  // `left and right, one big one each`
  const each = tokens[at + 1]?.lower === 'one' ? at + 1 : tokens[at + 2]?.lower === 'one' ? at + 2 : undefined;
  if (token?.lower === 'one' && each !== undefined && tokens[each + 1]?.lower === 'each')
    return { value: { kind: 'count', count: 1, noun: piece }, next: each + 2, suspect: false, behind: true };
  if (token === undefined || count === undefined || count < 2 || count > 60 || /^(?:both|a|one)$/.test(token.lower))
    return undefined;
  const found = (next: number): Phrase => ({
    value: { kind: 'count', count, noun: piece },
    next,
    suspect: false,
    behind: true,
  });
  const after = (index: number): string => tokens[index]?.lower ?? '';
  // `with the other four, 15 Nm`
  const others = tokens[at - 1]?.lower === 'other' && tokens[at - 3]?.lower === 'with';
  if (others && /^[.,;:(]$/.test(after(number + 1))) return found(number + 1);
  if (all) return tokens[number + 1] === undefined || AFTER_ALL.test(after(number + 1)) ? found(number + 1) : undefined;
  if (/^(?:altogether|overall)$/.test(after(number + 1))) return found(number + 2);
  if (after(number + 1) === 'in' && /^(?:all|total)$/.test(after(number + 2))) return found(number + 3);
  if (after(number + 1) === 'of' && /^(?:them|em|those|these)$/.test(after(number + 2))) return found(number + 3);
  // `four 12 mm ones`, `three little ones`
  let next = step(number + 1) ?? number + 1;
  if (!/^ones?$/.test(after(next)) && tokens[next]?.kind === 'word' && !BETWEEN.has(after(next))) next++;
  if (after(next) !== 'ones') return undefined;
  // `the other two shorter ones` are bolts, whatever was named last.
  const byLength = /^(?:short|long)(?:er|est)?$/.test(after(next - 1));
  const ones = found(next + 1);
  return byLength && !FASTENS.test(piece) ? { ...ones, value: { kind: 'count', count, noun: 'bolt' } } : ones;
}

/**
 * A count that stands behind what it counts, as packing lists have it: `M8 washers (8)`, `bolts x 6`, `nut, qty 4`,
 * `M10 nut - 4` at the end of a line.
 *
 * @param noun - the piece last named in this line
 */
export function trailingCountAt(
  tokens: readonly Token[],
  at: number,
  noun: string,
  isReference: (label: number) => boolean = () => false,
): Phrase | undefined {
  const first = tokens[at];
  const ends = (index: number): boolean => {
    const token = tokens[index];
    return token === undefined || token.kind === 'break' || [',', ';', '.', ')', 'and'].includes(token.lower);
  };
  const found = (number: Token | undefined, next: number): Phrase | undefined => {
    const count = number?.kind === 'number' ? countOf(number) : undefined;
    return count !== undefined && count >= 1 && count <= 200
      ? { value: { kind: 'count', count, noun }, next, suspect: false, behind: true }
      : undefined;
  };
  if (first?.text === '(' && tokens[at + 2]?.text === ')')
    return isReference(countOf(tokens[at + 1]) ?? -1) ? undefined : found(tokens[at + 1], at + 3);
  // `bolts (4 places)`
  if (
    first?.text === '(' &&
    tokens[at + 3]?.text === ')' &&
    /^(?:places?|plcs?|positions|locations|off|pcs|pieces)$/.test(tokens[at + 2]?.lower ?? '')
  )
    return found(tokens[at + 1], at + 4);
  // `split pin, 3.2 x 30` is a size.
  if (first !== undefined && CROSS.has(first.lower) && ends(at + 2))
    return tokens[at - 1]?.kind === 'number' ? undefined : found(tokens[at + 1], at + 2);
  // `u bolts x4 on the rails`: a cross that touches its number counts in a sentence, too.
  if (
    first?.lower === 'x' &&
    tokens[at + 1]?.start === first.end &&
    tokens[at - 1]?.kind === 'word' &&
    /^(?:on|in|at|for|with|through|to|into|under|per)$/.test(tokens[at + 2]?.lower ?? '')
  )
    return found(tokens[at + 1], at + 2);
  // `M12X40 REPLACES M12X35, FOUR OFF.`
  const words = first?.kind === 'word' ? countOf(first) : undefined;
  if (words !== undefined && words > 1 && tokens[at + 1]?.lower === 'off' && ends(at + 2))
    return { value: { kind: 'count', count: words, noun }, next: at + 2, suspect: false, behind: true };
  // `clips 8 pcs.`, `bolt (10) 4 pcs.`
  if (first?.kind === 'number' && ['pcs', 'pc', 'pieces', 'off'].includes(tokens[at + 1]?.lower ?? ''))
    return found(first, at + 2);
  // `hanger bolts 2 of them`
  if (first !== undefined && tokens[at + 1]?.lower === 'of' && /^(?:them|em)$/.test(tokens[at + 2]?.lower ?? '')) {
    const count = countOf(first);
    if (count !== undefined && count >= 1 && count <= 60)
      return { value: { kind: 'count', count, noun }, next: at + 3, suspect: false, behind: true };
  }
  // `winch bolts M10 x 25, 4, 45 Nm`
  const counted = tokens[at + 1];
  if (
    first?.text === ',' &&
    counted?.kind === 'number' &&
    /^[1-9]\d?$/.test(counted.text) &&
    tokens[at + 2]?.text === ',' &&
    tokens[at + 3]?.kind === 'number' &&
    // `TQ 30, 60, 85 ft-lb` rises: stages, and no count.
    !(tokens[at - 1]?.kind === 'number' && rises(tokens[at - 1], counted, tokens[at + 3]))
  )
    return found(counted, at + 2);
  // `hinge screws, three`
  const spoken = first?.text === ',' || first?.text === ':' ? tokens[at + 1] : undefined;
  if (
    spoken?.kind === 'word' &&
    spoken.lower !== 'a' &&
    spoken.lower !== 'one' &&
    !isMixedNumber(tokens, at + 1) &&
    NUMBER_WORDS[spoken.lower] !== undefined &&
    ends(at + 2) &&
    tokens[at - 1]?.kind === 'word'
  )
    return {
      value: { kind: 'count', count: NUMBER_WORDS[spoken.lower] ?? 0, noun },
      next: at + 2,
      suspect: false,
      behind: true,
    };
  if (first !== undefined && ['qty', 'quantity', 'pcs', 'no'].includes(first.lower)) {
    const number = at + (['.', ':'].includes(tokens[at + 1]?.text ?? '') ? 2 : 1);
    return ends(number + 1) ? found(tokens[number], number + 1) : undefined;
  }
  // The last column of a list.
  const wide = first !== undefined && first.start - (tokens[at - 1]?.end ?? first.start) >= 2;
  if (wide && first?.kind === 'number' && (tokens[at + 1] === undefined || tokens[at + 1]?.kind === 'break'))
    return found(first, at + 1);
  const last = tokens[at + 2];
  if (
    first !== undefined &&
    /^[-–:|=]$/.test(first.text) &&
    !(tokens[at - 1]?.kind === 'number' && touching(tokens[at - 1], first)) &&
    // `AXLE FLIP SET AF-2`: the name of a set counts nothing.
    !(touching(tokens[at - 1], first) && touching(first, tokens[at + 1])) &&
    (last === undefined || last.kind === 'break')
  )
    return found(tokens[at + 1], at + 2);
  return undefined;
}
