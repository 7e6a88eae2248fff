import type { Phrase } from './fastener-phrase.ts';
import { ACTIONS } from './lexicon.ts';
import { firstOf, found, lower } from './phrase-match.ts';
import type { Token } from './token.ts';

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
export function condition(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
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
