import type { FactValue, SheetAction } from './fact.ts';
import type { Phrase } from './fastener-phrase.ts';
import type { Token } from './token.ts';

/** Verbs of the work, each with the action it stands for. Two words where the second decides. */
const VERBS: ReadonlyArray<readonly [SheetAction, readonly string[]]> = [
  [
    'remove',
    [
      'remove',
      'unbolt',
      'unscrew',
      'detach',
      'withdraw',
      'take off',
      'take away',
      'take out',
      'pull off',
      'pull out',
      'undo',
      'dismount',
      'demount',
      'dismantle',
      'extract',
      'unclip',
    ],
  ],
  [
    'refit',
    [
      'refit',
      'reinstall',
      'reattach',
      'replace',
      'put back',
      're-install',
      're-fit',
      'reposition',
      'return',
      'clip in',
      'clip back',
      'clip on',
      're-clip',
      'reclip',
    ],
  ],
  ['disconnect', ['disconnect', 'unplug', 'release', 'detach']],
  ['reconnect', ['reconnect', 'plug in', 'plug back', 're-connect', 'connect']],
  [
    'fit',
    [
      'fit',
      'install',
      'mount',
      'insert',
      'place',
      'attach',
      'assemble',
      'position',
      'slide',
      'bolt',
      'hang',
      'thread',
      'start',
    ],
  ],
  ['loosen', ['loosen', 'slacken', 'back off', 'crack']],
  ['tighten', ['tighten', 'torque', 'snug', 're-torque', 'retorque', 'run down']],
  ['apply', ['apply', 'coat', 'spray', 'smear', 'lubricate', 'grease', 'oil']],
  ['drill', ['drill', 'ream', 'bore', 'tap']],
  ['clean', ['clean', 'degrease', 'wipe', 'brush', 'deburr']],
  ['measure', ['measure', 'record', 'note']],
  ['check', ['check', 'inspect', 'verify', 'ensure', 'confirm', 'test']],
  ['lift', ['lift', 'raise', 'jack', 'support']],
  ['lower', ['lower', 'set down']],
  ['cut', ['cut', 'trim', 'grind', 'weld', 'file']],
  ['keep', ['retain', 'save', 'keep', 'reuse', 'set aside']],
  ['discard', ['discard', 'scrap', 'dispose', 'throw away']],
];
const BY_FIRST = new Map<string, Array<{ action: SheetAction; rest: string[] }>>();
for (const [action, phrases] of VERBS) {
  for (const phrase of phrases) {
    const [first = '', ...rest] = phrase.split(/[ -]/);
    BY_FIRST.set(
      first,
      [...(BY_FIRST.get(first) ?? []), { action, rest }].sort((a, b) => b.rest.length - a.rest.length),
    );
  }
}

/** A clause may begin after one of these. */
const CLAUSE = new Set([
  '.',
  ',',
  ';',
  ':',
  '!',
  'then',
  'and',
  'now',
  'to',
  'carefully',
  'next',
  'finally',
  '•',
  '*',
  ')',
  '|',
  'you',
  'i',
]);
const OBJECT_ENDS = new Set([
  '|',
  '.',
  ',',
  ';',
  ':',
  '(',
  'with',
  'between',
  'to',
  'using',
  'until',
  'and',
  'then',
  'from',
  'by',
  'so',
  'if',
  'before',
  'after',
  'on',
  'at',
  'in',
  'onto',
  'into',
]);

const A_HEADING =
  /^(?:values?|settings?|specs?|specifications?|figures?|table|chart|list|codes?|requirements?|sequence|data)$/i;

/** Longest object that is kept, tokens. */
const OBJECT_TOKENS = 9;

/** A verb of the work at the head of a clause, with what it is done to. The object's own facts are read after it. */
export function actionAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const token = tokens[at];
  const before = tokens[at - 1];
  const heads = before === undefined || before.kind === 'break' || before.kind === 'number' || CLAUSE.has(before.lower);
  if (!token || !heads) return undefined;
  // `Lower arms` are arms; only what can be let down is lowered.
  if (
    token.lower === 'lower' &&
    !['the', 'it', 'vehicle', 'car', 'truck', 'jack'].includes(tokens[at + 1]?.lower ?? '')
  )
    return undefined;
  for (const { action, rest } of BY_FIRST.get(token.lower) ?? []) {
    let next = at + 1;
    // `set it aside`: one word may stand between.
    if (rest.length === 1 && tokens[next]?.lower !== rest[0] && tokens[next + 1]?.lower === rest[0]) {
      const object = tokens[next]?.text ?? '';
      return { value: { kind: 'action', action, object }, next: next + 2, suspect: false };
    }
    const all = rest.every((word) => {
      if (tokens[next]?.text === '-') next++;
      const hit = tokens[next]?.lower === word;
      next++;
      return hit;
    });
    if (!all) continue;
    let end = next;
    while (
      end - next < OBJECT_TOKENS &&
      tokens[end] &&
      tokens[end]?.kind !== 'break' &&
      !OBJECT_ENDS.has(tokens[end]?.lower ?? '')
    )
      end++;
    const [first, last] = [tokens[next], tokens[end - 1]];
    const object =
      first && last && end > next ? source.slice(first.start, last.end).replace(/^(the|a|an)\s+/i, '') : '';
    // `a torque of`, `the support`: a noun after all.
    // `Torque values`, over a table of them.
    if (action === 'tighten' && A_HEADING.test(object)) return undefined;
    if (object === '' && ['torque', 'support', 'thread', 'note', 'bolt', 'oil', 'grease'].includes(token.lower))
      return undefined;
    return { value: { kind: 'action', action, object }, next, suspect: false };
  }
  return undefined;
}

type Named = ReadonlyArray<readonly [FactValue, readonly string[]]>;
const NEEDS: Named = [
  [
    { kind: 'need', need: 'stands' },
    ['axle stands', 'axle stand', 'jack stands', 'jack stand', 'safety stands', 'stands'],
  ],
  [
    { kind: 'need', need: 'lift' },
    [
      'vehicle lift',
      'on a lift',
      'on the lift',
      'a hoist',
      'the hoist',
      'raise the vehicle',
      'raise the car',
      'raise the truck',
      'lift the vehicle',
      'lift the car',
      'lift the truck',
    ],
  ],
  [
    { kind: 'need', need: 'helper' },
    ['helper', 'an assistant', 'assistant', 'second person', 'another person', 'two people', 'two person'],
  ],
];
const TOOLS = [
  'torque wrench',
  'impact wrench',
  'breaker bar',
  'pry bar',
  'spring compressor',
  'tape measure',
  'trim tool',
  'hacksaw',
  'cut off wheel',
  'step drill',
  'drill bit',
  'drill bits',
  'hand drill',
  'power drill',
  'screwdriver',
  'pliers',
  'hammer',
  'mallet',
  'puller',
  'floor jack',
  'trolley jack',
  'wire brush',
  'rivet tool',
  'utility knife',
  'safety glasses',
  'feeler gauge',
  'straight edge',
];
const NAMED: Named = [...NEEDS, ...TOOLS.map((name) => [{ kind: 'tool', name }, [name]] as const)];
const NAMED_BY_FIRST = new Map<string, Array<{ value: FactValue; words: string[] }>>();
for (const [value, phrases] of NAMED) {
  for (const phrase of phrases) {
    const words = phrase.split(' ');
    const first = words[0] ?? '';
    NAMED_BY_FIRST.set(
      first,
      [...(NAMED_BY_FIRST.get(first) ?? []), { value, words }].sort((a, b) => b.words.length - a.words.length),
    );
  }
}

/** A named tool, or hands and lifting gear that the work needs. */
export function needAt(tokens: readonly Token[], at: number): Phrase | undefined {
  for (const { value, words } of NAMED_BY_FIRST.get(tokens[at]?.lower ?? '') ?? []) {
    let next = at;
    const all = words.every((word, index) => {
      if (index > 0 && tokens[next]?.text === '-') next++;
      return tokens[next++]?.lower === word;
    });
    if (all) return { value, next, suspect: false };
  }
  return undefined;
}

const WAYS = new Set([
  'up',
  'down',
  'upward',
  'upwards',
  'downward',
  'downwards',
  'forward',
  'forwards',
  'rearward',
  'inboard',
  'outboard',
  'inward',
  'inwards',
  'outward',
  'outwards',
  'in',
  'out',
  'front',
  'rear',
  'toward',
  'towards',
  'away',
  'backward',
]);

/** `facing down`, `pointing towards the front`, `arrow forward`, `smaller end to the cooler`. */
export function wayRoundAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const token = tokens[at];
  const word = token?.lower ?? '';
  if (!token) return undefined;
  const facing = ['facing', 'faces', 'face', 'pointing', 'points', 'arrow', 'arrows', 'counterbore'].includes(word);
  const end =
    ['end', 'side', 'leg'].includes(word) &&
    ['smaller', 'larger', 'longer', 'shorter', 'flat', 'round', 'tapered', 'chamfered', 'open', 'flanged'].includes(
      tokens[at - 1]?.lower ?? '',
    );
  if (!facing && !end) return undefined;
  for (let next = at + 1; next < at + 5; next++) {
    const way = tokens[next];
    if (!way || way.kind === 'break' || /^[.;]$/.test(way.text)) return undefined;
    if (!WAYS.has(way.lower) && !(end && way.lower === 'to')) continue;
    let last = next + 1;
    if (['toward', 'towards', 'away', 'to'].includes(way.lower))
      while (last - next < 5 && tokens[last]?.kind === 'word' && !OBJECT_ENDS.has(tokens[last]?.lower ?? '')) last++;
    const from = tokens[end ? at - 1 : at] ?? token;
    return {
      value: { kind: 'wayRound', text: source.slice(from.start, tokens[last - 1]?.end) },
      next: last,
      suspect: false,
    };
  }
  return undefined;
}

/** `marked L`, `stamped 2-R`, `labelled "front"`. */
export function markAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  if (!['marked', 'stamped', 'labelled', 'labeled', 'engraved'].includes(tokens[at]?.lower ?? '')) return undefined;
  let next = at + 1;
  while (['with', '"', "'", '“', 'as', 'a', 'an'].includes(tokens[next]?.lower ?? '')) next++;
  const first = tokens[next];
  if (!first || first.kind === 'break' || first.kind === 'mark') return undefined;
  let last = next;
  while (tokens[last + 1]?.start === tokens[last]?.end && /^[\p{L}\p{N}-]+$/u.test(tokens[last + 1]?.text ?? ''))
    last++;
  const mark = source.slice(first.start, tokens[last]?.end);
  // A stamp is short; `marked on the frame` is a place.
  return mark.length <= 8 && !OBJECT_ENDS.has(first.lower) && first.lower !== 'the'
    ? { value: { kind: 'mark', mark }, next: last + 1, suspect: false }
    : undefined;
}

/** `Difficulty: moderate`, `difficulty 3 of 5`. */
export function difficultyAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  if (tokens[at]?.lower !== 'difficulty') return undefined;
  const next = at + (['level', 'rating'].includes(tokens[at + 1]?.lower ?? '') ? 2 : 1);
  const from = next + (/^[:=-]$/.test(tokens[next]?.text ?? '') ? 1 : 0);
  let end = from;
  while (end - from < 4 && tokens[end] && tokens[end]?.kind !== 'break' && !/^[.,;]$/.test(tokens[end]?.text ?? '.'))
    end++;
  if (end === from) return undefined;
  return {
    value: { kind: 'difficulty', text: source.slice(tokens[from]?.start, tokens[end - 1]?.end) },
    next: end,
    suspect: false,
  };
}
