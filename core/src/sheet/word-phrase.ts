import { actionAt, difficultyAt, markAt, needAt, wayRoundAt } from './action-phrase.ts';
import { compound, locker } from './compound-phrase.ts';
import type { FactValue } from './fact.ts';
import { type Phrase, propertyClassAt } from './fastener-phrase.ts';
import { NUMBER_WORDS, TIME_MINUTES } from './lexicon.ts';
import { firstOf, found, lower, type Matcher, openersOf, phraseAt } from './phrase-match.ts';
import type { Token } from './token.ts';

const WAIT = new Set([
  'wait',
  'allow',
  'let',
  'settle',
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

const OPENING =
  /^(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:days?)?$|^(?:open|opened|closed|shop|office|claims?|desk|phone)$/;
/** `shop closed till mon 8 h`, `4 h a day`, `20 min ago`: when somebody is there, or what was. */
function isOpeningHours(tokens: readonly Token[], at: number, next: number): boolean {
  const [after, further] = [lower(tokens, next), lower(tokens, next + 1)];
  if (after === 'ago' || ((after === 'a' || after === 'per') && further === 'day')) return true;
  if (lower(tokens, at) === 'a' && /^(?:h|hours?)$/.test(lower(tokens, at - 1))) return true;
  return tokens.slice(Math.max(0, at - 4), at).some((token) => OPENING.test(token.lower));
}

/** What sets, cools or soaks before one goes on. */
const SETS =
  /^(?:(?:thread)?locker|sealant|sealer|silicone|adhesive|glue[ds]?|paint|primer|compound|epoxy|bond|curing?|cures?|cool|soak|penetrat\w+|hot|warm|wet|washed)$/;
/** `Allow 45 minutes.` where nothing was said yet that sets or cools: how long the job takes. */
const plannedTime = (tokens: readonly Token[], at: number): boolean =>
  /^(?:allow|plan)$/.test(lower(tokens, at - 1)) && !tokens.slice(0, at + 10).some((token) => SETS.test(token.lower));

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
    // `3.0 min. all round` is the least, and no time.
    const least =
      lower(tokens, next) === 'min' &&
      /\.\d/.test(token.text) &&
      tokens[next + 1]?.text === '.' &&
      /^\p{Ll}/u.test(tokens[next + 2]?.text ?? '');
    if (unit === undefined || least) return undefined;
    minutes = most * unit;
    next++;
  }
  if (isOpeningHours(tokens, at, next)) return undefined;
  const around = tokens.slice(Math.max(0, at - 6), next + 5).map((entry) => entry.lower);
  const forTheJob = plannedTime(tokens, at);
  const role =
    !forTheJob && around.some((word) => WAIT.has(word))
      ? 'wait'
      : forTheJob || around.some((word) => JOB.has(word))
        ? 'job'
        : 'other';
  return found({ kind: 'duration', minutes, role }, next);
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
      ['then', 'a', 'star'],
      [',', 'star', ','],
    ],
  ],
  [
    'cross',
    [
      ['criss', 'cross'],
      ['crisscross'],
      ['cross', 'pattern'],
      ['crosswise'],
      ['cross', '-', 'wise'],
      ['cross', 'wise'],
      ['diagonally'],
      ['diagonal', 'pattern'],
      ['in', 'an', 'x'],
      ['in', 'x'],
      ['kreuzweise'],
      ['über', 'kreuz'],
      ['x', 'pattern'],
    ],
  ],
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
      ['get', 'all', 'started'],
      ['get', 'them', 'started'],
      ['get', 'them', 'all', 'started'],
      ['all', 'started'],
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
  ['same', 'figure'],
  ['same', 'value'],
  ['same', 'setting'],
  ['as', 'above'],
  ['ditto'],
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
  drivers: 'left',
  "driver's": 'left',
  passenger: 'right',
  passengers: 'right',
  "passenger's": 'right',
  back: 'rear',
};
const side: Matcher = (tokens, at) => {
  const word = lower(tokens, at);
  if (SIDES.has(word))
    return found({ kind: 'side', side: word as Extract<FactValue, { kind: 'side' }>['side'] }, at + 1);
  // Driver's and passenger's side depend on the country; only with `side` behind, and with less trust.
  const guess = SIDE_WORDS[word];
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
