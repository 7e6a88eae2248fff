import type { FactValue } from './fact.ts';
import type { Phrase } from './fastener-phrase.ts';
import { firstOf, found, lower, openersOf } from './phrase-match.ts';
import type { Token } from './token.ts';

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

export function locker(tokens: readonly Token[], at: number): Phrase | undefined {
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

export function compound(tokens: readonly Token[], at: number): Phrase | undefined {
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
