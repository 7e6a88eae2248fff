import { toBase } from '../quantity/unit.ts';
import { actionAt, difficultyAt, markAt, needAt, wayRoundAt } from './action-phrase.ts';
import type { FactValue } from './fact.ts';
import { type Phrase, propertyClassAt } from './fastener-phrase.ts';
import { ACTIONS, NUMBER_WORDS, TIME_MINUTES } from './lexicon.ts';
import { quantityOf } from './quantity-phrase.ts';
import type { Token } from './token.ts';

type Matcher = (tokens: readonly Token[], at: number, source: string) => Phrase | undefined;

const found = (value: FactValue, next: number): Phrase => ({ value, next, suspect: false });
const lower = (tokens: readonly Token[], at: number): string => tokens[at]?.lower ?? '';

/** Whether words stand from a place on, a hyphen between them or not. Gives the index after them. */
function phraseAt(tokens: readonly Token[], at: number, words: readonly string[]): number | undefined {
  let next = at;
  for (const [index, word] of words.entries()) {
    if (index > 0 && tokens[next]?.text === '-') next++;
    if (lower(tokens, next) !== word) return undefined;
    next++;
  }
  return next;
}

const firstOf = (
  tokens: readonly Token[],
  at: number,
  phrases: ReadonlyArray<readonly string[]>,
): number | undefined => {
  for (const words of phrases) {
    const next = phraseAt(tokens, at, words);
    if (next !== undefined) return next;
  }
  return undefined;
};

/** First words of phrases: most tokens open none of them and are passed by at once. */
const openersOf = (...lists: ReadonlyArray<ReadonlyArray<readonly string[]>>): ReadonlySet<string> =>
  new Set(lists.flat().map((words) => words[0] ?? ''));

const LOCKER = [
  ['threadlocker'],
  ['threadlock'],
  ['thread', 'locker'],
  ['thread', 'lock'],
  ['thread', 'locking', 'compound'],
  ['thread', 'locking', 'adhesive'],
  ['threadlocking', 'adhesive'],
  ['threadlocking', 'compound'],
  ['locking', 'compound'],
  ['locking', 'fluid'],
  ['threadlocking'],
  ['thread', 'locking'],
];
const HIGH = new Set(['red', 'high', 'permanent']);
const MEDIUM = new Set(['blue', 'medium', 'removable']);

/** Locker with its strength from the words around it; without one, medium is assumed and said to be so. */
const LOCKER_OPENERS = openersOf(LOCKER);

function locker(tokens: readonly Token[], at: number): Phrase | undefined {
  if (!LOCKER_OPENERS.has(lower(tokens, at))) return undefined;
  const next = firstOf(tokens, at, LOCKER);
  if (next === undefined) return undefined;
  // Within the same breath: not past the sentence or an `and`.
  const near: string[] = [];
  for (let back = at - 1; back >= at - 4 && back >= 0; back--) {
    const token = tokens[back];
    if (!token || token.kind === 'break' || token.text === '.' || token.lower === 'and') break;
    near.push(token.lower);
  }
  for (let on = next; on < next + 4; on++) {
    const token = tokens[on];
    if (!token || token.kind === 'break' || token.text === '.' || token.lower === 'and') break;
    near.push(token.lower);
  }
  const high = near.some((word) => HIGH.has(word));
  const medium = near.some((word) => MEDIUM.has(word));
  const value: FactValue = { kind: 'compound', compound: high && !medium ? 'threadlockerHigh' : 'threadlockerMedium' };
  return { value, next, suspect: !high && !medium };
}

const COMPOUNDS: ReadonlyArray<
  readonly [Extract<FactValue, { kind: 'compound' }>['compound'], ReadonlyArray<readonly string[]>]
> = [
  ['antiSeize', [['anti', 'seize'], ['antiseize'], ['copper', 'paste'], ['copper', 'grease']]],
  [
    'sealant',
    [
      ['gasket', 'maker'],
      ['gasket', 'sealant'],
      ['flange', 'sealant'],
      ['silicone', 'sealant'],
      ['silicone', 'sealer'],
      ['rtv', 'sealant'],
      ['rtv', 'silicone'],
      ['sealant'],
      ['sealer'],
      ['rtv'],
    ],
  ],
  [
    'retaining',
    [
      ['retaining', 'compound'],
      ['bearing', 'retainer'],
    ],
  ],
  ['penetrant', [['penetrating', 'oil'], ['penetrating', 'fluid'], ['penetrant'], ['rust', 'penetrant']]],
  ['grease', [['silicone', 'grease'], ['lithium', 'grease'], ['grease']]],
  ['oil', [['engine', 'oil'], ['light', 'oil'], ['clean', 'oil'], ['oil']]],
];
/** Words after which a compound's name names something else: a fitting, a drain, a pan. */
const NOT_A_COMPOUND = new Set([
  'fitting',
  'fittings',
  'nipple',
  'nipples',
  'gun',
  'pan',
  'filter',
  'cooler',
  'line',
  'lines',
  'drain',
  'leak',
  'leaks',
  'level',
  'pressure',
  'seal',
  'change',
]);

const COMPOUND_OPENERS = openersOf(...COMPOUNDS.map(([, phrases]) => phrases));

function compound(tokens: readonly Token[], at: number): Phrase | undefined {
  if (!COMPOUND_OPENERS.has(lower(tokens, at))) return undefined;
  for (const [kind, phrases] of COMPOUNDS) {
    const next = firstOf(tokens, at, phrases);
    if (next === undefined) continue;
    // `Grease the ball` and `grease every 5 000 miles` are things to do, not things to put on.
    if (NOT_A_COMPOUND.has(lower(tokens, next)) || lower(tokens, next) === 'every') return undefined;
    // A thread that is oiled or greased is treated; a ball joint or a door is not.
    const threads = ['thread', 'threads'].includes(lower(tokens, next + 1));
    if (!threads && ['the', 'all', 'both', 'each', 'its'].includes(lower(tokens, next))) return undefined;
    return found({ kind: 'compound', compound: kind }, next);
  }
  return undefined;
}

const YEAR = (token: Token | undefined): number | undefined =>
  token?.kind === 'number' &&
  token.value !== undefined &&
  Number.isInteger(token.value) &&
  token.value >= 1950 &&
  token.value <= 2060
    ? token.value
    : undefined;

const CONDITION_OPENERS = new Set([
  'up',
  'before',
  'prior',
  'until',
  'since',
  'from',
  'if',
  'models',
  'vehicles',
  'trucks',
  'cars',
]);

/** Model years and equipment: `2016 and newer`, `2011-2015`, `up to 2015`, `if equipped with …`, `models without …`. */
function condition(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const start = tokens[at];
  if (!start) return undefined;
  const text = (next: number) => source.slice(start.start, tokens[next - 1]?.end ?? start.end);
  const year = YEAR(start);
  if (year !== undefined) {
    const after = firstOf(tokens, at + 1, [
      ['and', 'newer'],
      ['and', 'later'],
      ['and', 'up'],
      ['or', 'newer'],
      ['or', 'later'],
      ['onwards'],
      ['onward'],
      ['on'],
    ]);
    if (after !== undefined) return found({ kind: 'condition', from: year, text: text(after) }, after);
    const plus = tokens[at + 1]?.text === '+' ? at + 2 : undefined;
    if (plus !== undefined) return found({ kind: 'condition', from: year, text: text(plus) }, plus);
    const older = firstOf(tokens, at + 1, [
      ['and', 'older'],
      ['and', 'earlier'],
      ['or', 'older'],
      ['or', 'earlier'],
    ]);
    if (older !== undefined) return found({ kind: 'condition', to: year, text: text(older) }, older);
    const joint = tokens[at + 1];
    const other = YEAR(tokens[at + 2]);
    if (joint && (/^[-–—]$/.test(joint.text) || joint.lower === 'to') && other !== undefined && other > year)
      return found({ kind: 'condition', from: year, to: other, text: text(at + 3) }, at + 3);
    return undefined;
  }
  if (!CONDITION_OPENERS.has(start.lower)) return undefined;
  const past = (place: number | undefined) =>
    place === undefined
      ? undefined
      : (firstOf(tokens, place, [['model', 'year'], ['model', 'years'], ['year'], ['my']]) ?? place);
  const before = past(firstOf(tokens, at, [['up', 'to'], ['before'], ['prior', 'to'], ['until']]));
  const limit = before === undefined ? undefined : YEAR(tokens[before]);
  if (before !== undefined && limit !== undefined)
    return found({ kind: 'condition', to: limit, text: text(before + 1) }, before + 1);
  const since = past(firstOf(tokens, at, [['since'], ['from']]));
  const first = since === undefined ? undefined : YEAR(tokens[since]);
  if (since !== undefined && first !== undefined && YEAR(tokens[since + 2]) === undefined)
    return found({ kind: 'condition', from: first, text: text(since + 1) }, since + 1);
  const equipped = firstOf(tokens, at, [
    ['if', 'equipped'],
    ['if', 'fitted'],
    ['if', 'so', 'equipped'],
    ['models', 'without'],
    ['models', 'with'],
    ['vehicles', 'without'],
    ['vehicles', 'with'],
    ['trucks', 'with'],
    ['trucks', 'without'],
    ['cars', 'with'],
    ['cars', 'without'],
  ]);
  if (equipped === undefined) return undefined;
  // `if equipped with a heat shield`: what it is equipped with belongs to it.
  let next = lower(tokens, equipped) === 'with' ? equipped + 1 : equipped;
  while (
    next - equipped < 8 &&
    tokens[next] &&
    tokens[next]?.kind !== 'break' &&
    !/[.,;:]/.test(tokens[next]?.text ?? '.') &&
    // A condition without a comma ends where the action begins.
    !ACTIONS.has(lower(tokens, next))
  )
    next++;
  return found({ kind: 'condition', text: text(next) }, next);
}

const WAIT = new Set([
  'wait',
  'allow',
  'cure',
  'cures',
  'curing',
  'set',
  'soak',
  'least',
  'cool',
  'dry',
  'stand',
  'rest',
]);
const JOB = new Set([
  'installation',
  'install',
  'approximately',
  'approx',
  'time',
  'estimated',
  'takes',
  'take',
  'labour',
  'labor',
  'about',
]);

/** A time: `24 hours`, `15-20 min`, `half an hour`. */
function duration(tokens: readonly Token[], at: number): Phrase | undefined {
  const token = tokens[at];
  if (!token) return undefined;
  if (token.kind !== 'number' && token.lower !== 'half' && NUMBER_WORDS[token.lower] === undefined) return undefined;
  const half = phraseAt(tokens, at, ['half', 'an', 'hour']) ?? phraseAt(tokens, at, ['half', 'hour']);
  let minutes: number | undefined;
  let next = at;
  if (half !== undefined) [minutes, next] = [30, half];
  else {
    const number = token.kind === 'number' ? token.value : NUMBER_WORDS[token.lower];
    if (number === undefined) return undefined;
    next = at + 1;
    let most = number;
    const joint = tokens[next];
    if (joint && (/^[-–—]$/.test(joint.text) || joint.lower === 'to') && tokens[next + 1]?.kind === 'number') {
      most = tokens[next + 1]?.value ?? number;
      next += 2;
    }
    const unit = TIME_MINUTES[lower(tokens, next)];
    if (unit === undefined) return undefined;
    minutes = most * unit;
    next++;
  }
  const around = tokens.slice(Math.max(0, at - 6), next + 5).map((entry) => entry.lower);
  const role = around.some((word) => WAIT.has(word)) ? 'wait' : around.some((word) => JOB.has(word)) ? 'job' : 'other';
  return found({ kind: 'duration', minutes, role }, next);
}

const CHECK = new Set([
  'retorque',
  'retighten',
  'recheck',
  'check',
  'inspect',
  'grease',
  'torque',
  're',
  'lubricate',
  'tightness',
  'retorqued',
  'rechecked',
  'checked',
  'service',
]);

/** A thing due later: `re-torque after 25 miles`, `every 5,000 miles`, `after the first 500 km`. */
function aftercare(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const opener = lower(tokens, at);
  if (opener !== 'after' && opener !== 'every' && opener !== 'at' && opener !== 'within') return undefined;
  let next = at + 1;
  while (next - at < 4 && ['the', 'first', 'about', 'approximately', 'another', 'each'].includes(lower(tokens, next)))
    next++;
  const distance = quantityOf(tokens, next, source, 'distance');
  if (distance) {
    return found(
      { kind: 'aftercare', distanceKm: toBase(distance.max, distance.unit), repeats: opener === 'every' },
      distance.next,
    );
  }
  const time = duration(tokens, next);
  const days = time?.value.kind === 'duration' ? time.value.minutes / 1440 : undefined;
  const earlier = tokens.slice(Math.max(0, at - 12), at).some((token) => CHECK.has(token.lower));
  if (time && days !== undefined && days >= 1 && earlier)
    return found({ kind: 'aftercare', days, repeats: opener === 'every' }, time.next);
  return undefined;
}

const PATTERNS: ReadonlyArray<
  readonly [Extract<FactValue, { kind: 'pattern' }>['pattern'], ReadonlyArray<readonly string[]>]
> = [
  [
    'star',
    [
      ['star', 'pattern'],
      ['star', 'sequence'],
      ['in', 'a', 'star'],
    ],
  ],
  ['cross', [['criss', 'cross'], ['crisscross'], ['cross', 'pattern'], ['diagonally'], ['diagonal', 'pattern']]],
  [
    'circular',
    [
      ['circular', 'pattern'],
      ['clockwise', 'order'],
    ],
  ],
  ['alternate', [['alternating'], ['alternately'], ['side', 'to', 'side']]],
  [
    'middleOut',
    [
      ['centre', 'outwards'],
      ['center', 'outward'],
      ['from', 'the', 'centre', 'out'],
      ['from', 'the', 'center', 'out'],
      ['middle', 'outwards'],
      ['middle', 'out'],
    ],
  ],
];
const STAGES: ReadonlyArray<
  readonly [Extract<FactValue, { kind: 'stage' }>['stage'], ReadonlyArray<readonly string[]>]
> = [
  [
    'loose',
    [
      ['hand', 'tight'],
      ['finger', 'tight'],
      ['loosely'],
      ['by', 'hand'],
      ['do', 'not', 'tighten'],
      ['leave', 'loose'],
      ['hand', 'tighten'],
      ['finger', 'tighten'],
      ['loose', 'fit'],
      ['do', 'not', 'fully', 'tighten'],
      ['do', 'not', 'yet', 'tighten'],
    ],
  ],
  ['snug', [['snug']]],
  [
    'final',
    [
      ['final', 'torque'],
      ['fully', 'tighten'],
      ['final', 'tighten'],
    ],
  ],
];
const RIDE = [
  ['ride', 'height'],
  ['on', 'the', 'ground'],
  ['weight', 'of', 'the', 'vehicle'],
  ['vehicle', 'weight'],
  ['wheels', 'loaded'],
  ['suspension', 'loaded'],
];

const SAME = [
  ['same', 'as', 'above'],
  ['same', 'torque'],
  ['as', 'above'],
];
const WORD_OPENERS = new Set([
  ...openersOf(...PATTERNS.map(([, phrases]) => phrases), ...STAGES.map(([, phrases]) => phrases), RIDE, SAME),
  'leave',
  'keep',
]);

const words: Matcher = (tokens, at) => {
  if (!WORD_OPENERS.has(lower(tokens, at))) return undefined;
  for (const [pattern, phrases] of PATTERNS) {
    const next = firstOf(tokens, at, phrases);
    if (next !== undefined) return found({ kind: 'pattern', pattern }, next);
  }
  // `Leave all bolts loose`
  if (lower(tokens, at) === 'leave' || lower(tokens, at) === 'keep') {
    for (let next = at + 1; next < at + 6 && !/^[.,;]$/.test(lower(tokens, next)); next++)
      if (lower(tokens, next) === 'loose') return found({ kind: 'stage', stage: 'loose' }, next + 1);
  }
  for (const [stage, phrases] of STAGES) {
    const next = firstOf(tokens, at, phrases);
    if (next !== undefined) return found({ kind: 'stage', stage }, next);
  }
  const ride = firstOf(tokens, at, RIDE);
  if (ride !== undefined) return found({ kind: 'rideHeight' }, ride);
  const same = firstOf(tokens, at, SAME);
  return same === undefined ? undefined : found({ kind: 'sameAsAbove' }, same);
};

const SIDES = new Set(['left', 'right', 'front', 'rear', 'upper', 'lower']);
const SIDE_WORDS: Record<string, Extract<FactValue, { kind: 'side' }>['side']> = {
  driver: 'left',
  passenger: 'right',
  back: 'rear',
};
const side: Matcher = (tokens, at) => {
  const word = lower(tokens, at);
  if (SIDES.has(word))
    return found({ kind: 'side', side: word as Extract<FactValue, { kind: 'side' }>['side'] }, at + 1);
  // Driver's and passenger's side depend on the country; only with `side` behind, and with less trust.
  const guess = SIDE_WORDS[word.replace(/'s$|s$/, '')];
  return guess !== undefined && (lower(tokens, at + 1) === 'side' || word === 'back')
    ? { value: { kind: 'side', side: guess }, next: at + 1, suspect: true }
    : undefined;
};

const caution: Matcher = (tokens, at) => {
  const word = lower(tokens, at);
  const opens = at === 0 || tokens[at - 1]?.kind === 'break' || /^[.!•*-]$/.test(tokens[at - 1]?.text ?? '');
  if (!opens || !['caution', 'warning', 'danger', 'important', 'attention'].includes(word)) return undefined;
  return found({ kind: 'caution' }, at + 1);
};

const REPEATS: ReadonlyArray<readonly [number, string, ReadonlyArray<readonly string[]>]> = [
  [
    2,
    'side',
    [
      ['both', 'sides'],
      ['each', 'side'],
      ['either', 'side'],
    ],
  ],
  [
    4,
    'corner',
    [
      ['each', 'corner'],
      ['every', 'corner'],
      ['all', 'four', 'corners'],
      ['four', 'corners'],
    ],
  ],
];
const REPEAT_OPENERS = new Set(['both', 'each', 'either', 'every', 'all', 'four']);

/** Work that is done again: on both sides, at each corner. */
const repeat: Matcher = (tokens, at) => {
  if (!REPEAT_OPENERS.has(lower(tokens, at))) return undefined;
  for (const [count, noun, phrases] of REPEATS) {
    const next = firstOf(tokens, at, phrases);
    if (next !== undefined) return found({ kind: 'count', count, noun }, next);
  }
  return undefined;
};

/** Matchers of words, in the order they are tried. */
export const WORD_MATCHERS: readonly Matcher[] = [
  repeat,
  locker,
  compound,
  (tokens, at, source) => aftercare(tokens, at, source),
  (tokens, at, source) => condition(tokens, at, source),
  (tokens, at) => duration(tokens, at),
  words,
  caution,
  propertyClassAt,
  wayRoundAt,
  markAt,
  difficultyAt,
  (tokens, at) => needAt(tokens, at),
  actionAt,
  side,
];
