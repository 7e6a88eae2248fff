import { NUMBER_WORDS } from '../../sheet/lexicon.ts';
import { LONGEST_WAIT_MINUTES } from '../kit-document.ts';
import type { Check } from '../kit-preparation.ts';
import type { Disconnect } from '../kit-step.ts';
import type { StepAction } from '../step-action.ts';
import { BACK_ON, backInWords, withQuestion } from './back-on.ts';
import { blankToFill } from './blank-to-fill.ts';
import { authorityIn, camberIn, namesCamberSetter } from './camber-words.ts';
import { clip, type Drafting } from './drafting.ts';
import { namedIn, nounsOf } from './named-in.ts';

/** A sentence that says an act of the line, read by its own words where no fact says it. Common practice, no source. */
interface WordAct {
  words: RegExp;
  act(drafting: Drafting, match: RegExpExecArray, text: string): StepAction | undefined;
}

const SIDES = /\b(?:both|each|either) sides?\b|\bleft(?: to | and | ?\/ ?)right\b|\bleft = (?:\p{L} )?right\b/iu;
/** Measured crosswise, to see that it is square. */
const DIAGONALS = /\b(?:corner to corner|diagonal(?:s|ly)?|crosswise|cross[- ]measure)\b/i;
const CROSSED = ['front left to rear right', 'front right to rear left'] as const;
const CORNERS = ['front left', 'front right', 'rear left', 'rear right'];

/** What is worked on: the words after the verb, up to the end of the sentence's first part. */
const objectOf = (text: string): string =>
  clip(
    text
      .replace(/[.;:].*$/, '')
      .replace(/,?\s*(?:on )?(?:both|each|either) sides?\b/i, '')
      .replace(/^(?:the|all|both|each)\s+/i, '')
      .trim() || text,
    120,
  );

/** Several places where the sentence names them: both sides, or a list. */
function placesOf(text: string): string[] {
  const what = objectOf(text);
  if (SIDES.test(text)) return [`${what}, left`, `${what}, right`];
  return what
    .split(/\s*,\s*|\s+and\s+/)
    .map((place) => place.replace(/^(?:the|all|both)\s+/i, '').trim())
    .filter(Boolean)
    .slice(0, 12);
}

const minutesIn = (text: string): number | undefined => {
  const [, count, unit = ''] = /(\d+(?:\.\d+)?)\s*(min|minutes?|h|hours?)\b/i.exec(text) ?? [];
  const minutes = Number(count) * (/^h/i.test(unit) ? 60 : 1);
  return minutes > 0 && minutes <= LONGEST_WAIT_MINUTES ? minutes : undefined;
};

/** A temporary thing by its noun; the same noun later takes it away again. */
function temporary({ kit, freshId }: Drafting, noun: string): string {
  const word = noun.toLowerCase();
  const known = kit.temporary.find(({ name }) => name.toLowerCase() === word);
  if (known) return known.id;
  const id = freshId(word);
  kit.temporary.push({ id, name: word, goneBefore: { close: true } });
  return id;
}

type Limits = Pick<Check, 'min' | 'max' | 'spread' | 'target' | 'tolerance' | 'unit'>;

/** A check with its limits, in the unit the sheet prints; each side by itself where it says so. */
function check({ kit, freshId }: Drafting, text: string, limits: Limits): string {
  const id = freshId('check');
  const places = SIDES.test(text) || limits.spread !== undefined ? { places: ['left', 'right'] } : {};
  kit.checks.push({
    id,
    text: clip(text, 500),
    ...limits,
    ...(DIAGONALS.test(text) ? { places: [...CROSSED] } : places),
  });
  return id;
}

/** What is opened, by its name. */
export const opensAs = (name: string): Disconnect['kind'] => OPENS.find(([words]) => words.test(name))?.[1] ?? 'other';
const OPENS: ReadonlyArray<[RegExp, Disconnect['kind']]> = [
  [/connector|plug/i, 'connector'],
  [/hose/i, 'hose'],
  [/sensor/i, 'sensor'],
  [/cable|battery/i, 'cable'],
  [/clip/i, 'clip'],
];

/** What comes off there is of no more use. */
export const SCRAPPED =
  /\b(?:discard|scrap|bin|throw (?:it |them )?away|dispose|goes? in the bin|(?:not|never|no longer) (?:be )?(?:re-?used|re-?fitted|used again|needed|required)|(?:is|are) (?:scrap|waste)|not need(?:ed)? (?:it|them)|do not re-?use|don't re-?use)\b/i;
/** Used once: `Pitch the old top nut, don't reuse it.` */
const THROWN_AWAY =
  /^(?:then |now )?(?:pitch|bin|scrap|discard|dump|throw (?:away|out)|(?:do not|don't|never) re-?use)\s+(?:away |out )?(.+)/i;

/** Whether a step takes a thing off. */
const takesOff = (actions: readonly StepAction[], removed: string): boolean =>
  actions.some((action) => action.type === 'remove' && action.removed === removed);

/** What goes back in a sentence that does more than that: `Back on with two screws, 22 Nm`. */
export function goesBack({ kit, reading }: Drafting, at: number): StepAction[] {
  const text = reading.steps[at]?.text ?? '';
  // `Connect it last, 5 Nm`: what was opened last and is open still.
  if (/^\W*(?:then |finally )?(?:re-?)?connect (?:it|that|this)\b/i.test(text)) {
    const done = kit.steps.flatMap(({ actions }) => actions);
    const open = kit.disconnects.findLast(
      ({ id }) => !done.some((action) => action.type === 'reconnect' && action.disconnect === id),
    );
    return open ? [{ type: 'reconnect', disconnect: open.id }] : [];
  }
  if (!BACK_ON.test(text)) return [];
  const said = withQuestion(reading.steps, at);
  const put = kit.steps.flatMap(({ actions }) => actions);
  const plugged = namedIn(kit.disconnects, said).filter(
    ({ id }) => !put.some((action) => action.type === 'reconnect' && action.disconnect === id),
  );
  const [thing, ...more] = namedIn(kit.removed, said).filter(({ fate }) => fate === 'refit');
  // What came off along with it in one sentence goes back with it: `Refit the bumper and the beam`.
  const together = thing && kit.steps.find(({ actions }) => takesOff(actions, thing.id));
  const others = more.filter(
    ({ id }) =>
      together !== undefined &&
      takesOff(together.actions, id) &&
      !put.some((action) => action.type === 'refit' && action.removed === id),
  );
  return [
    ...[...(thing ? [thing] : []), ...others].map(({ id }) => ({ type: 'refit' as const, removed: id })),
    ...plugged.map(({ id }) => ({ type: 'reconnect' as const, disconnect: id })),
  ];
}

const PRONOUN = /^(?:them|they|it|these|those|this|that)$/i;

/** Something of the vehicle that leaves its place; it goes back where a later line of the sheet says so. */
function removed(
  { kit, reading, freshId, assume, assumed }: Drafting,
  called: string,
  text: string,
  fate?: 'refit' | 'scrap',
): string {
  const name = called.trim() === '' ? text : called;
  // `Pull the bungs out; bin them.`; of `bolts are scrap` only those can be meant that came off last.
  const known =
    PRONOUN.test(name) || (fate === 'scrap' && nounsOf(name).length === 0)
      ? kit.removed.at(-1)
      : namedIn(kit.removed, name)[0];
  if (known) {
    if (fate === 'scrap') {
      known.fate = fate;
      const asked = assumed.findIndex(({ code, about }) => code === 'fateUnknown' && about === known.name);
      if (asked >= 0) assumed.splice(asked, 1);
    }
    return known.id;
  }
  const id = freshId(`off ${name}`);
  const at = reading.steps.findIndex((step) => step.text.includes(text));
  const back = backInWords({ reading }, at, name);
  const [, many = ''] = /^(?:the |all |both )?(\d{1,2}|\p{L}+)\s+(?=\p{L})/iu.exec(name) ?? [];
  const count = Number(many) || NUMBER_WORDS[many.toLowerCase()] || (/^both\b/i.test(name) ? 2 : 1);
  const bare = clip(count > 1 ? name.replace(/^(?:the |all |both )?(?:\d{1,2}|\p{L}+)\s+/iu, '') : name, 120);
  kit.removed.push({ id, name: bare, count, fate: fate ?? (back ? 'refit' : 'keep') });
  if (fate === undefined && !back) assume(`removed[${kit.removed.length - 1}]`, 'fateUnknown', bare);
  return id;
}

const UNIT = String.raw`\s*(mm|in\b\.?|inch(?:es)?\b|"|°|deg(?:rees)?\b)`;
const unitOf = (word: string | undefined): 'mm' | 'in' | '°' =>
  word === 'mm' ? 'mm' : /^(?:°|deg)/i.test(word ?? '') ? '°' : 'in';
const NUMBER = String.raw`(\d+[ -]\d\/\d{1,2}|\d\/\d{1,2}|\d+(?:[.,]\d+)?|half an|a half|a quarter(?: of an)?|an)`;
const IN_WORDS: Record<string, number> = {
  'half an': 0.5,
  'a half': 0.5,
  'a quarter': 0.25,
  'a quarter of an': 0.25,
  an: 1,
};
/** `12`, `2,5`, `1/8`, `1 1/2`, `half an`. */
function numberIn(text: string | undefined): number {
  const plain = (text ?? '').toLowerCase();
  const [, whole, top, bottom] = /^(?:(\d+)[ -])?(\d)\/(\d+)$/.exec(plain) ?? [];
  return IN_WORDS[plain] ?? (top ? Number(whole ?? 0) + Number(top) / Number(bottom) : Number(plain.replace(',', '.')));
}
const MEASURED =
  /\b(?:angle|level|above the ground|clears?|touch(?:es|ing)?|gap|clearance|room|distance|play|depth|heights?|flush|space|air|diameter|thickness|backlash|float|width|length|edges?)\b/i;

/** `35 to 45 mm` of a sentence that also says what the sides may differ by. */
function rangeIn(text: string, unit: Limits['unit']): Pick<Limits, 'min' | 'max'> {
  const [, low, high, of] = new RegExp(`${NUMBER}\\s*(?:-|–|to)\\s*${NUMBER}${UNIT}`, 'i').exec(text) ?? [];
  return of !== undefined && unitOf(of) === unit ? { min: numberIn(low), max: numberIn(high) } : {};
}

/** A limit in words of something that is measured, as a check. */
const measured = (words: string, limits: (match: readonly (string | undefined)[]) => Limits): WordAct => ({
  words: new RegExp(words, 'i'),
  act: (drafting, match, text) => {
    const said = limits(match);
    // `5-3/4 in.` is one measure, and no range from five to three quarters.
    const backwards = said.min !== undefined && said.max !== undefined && said.min > said.max;
    return MEASURED.test(text) && !backwards ? { type: 'check', check: check(drafting, text, said) } : undefined;
  },
});

/** `Take the bumper off`, `Demount the bumper`: scrapped where the sentence says it is of no more use. */
const comesOff: WordAct['act'] = (drafting, [, what = ''], text) => ({
  type: 'remove',
  removed: removed(drafting, objectOf(what), text, SCRAPPED.test(text) ? 'scrap' : undefined),
});

const WORD_ACTS: readonly WordAct[] = [
  {
    // `Camber shall be -0.5 deg +/- 0.5 deg`: set where the sheet has something to set it with, else read.
    words: /\bcamber\b/i,
    act: ({ kit, freshId, reading }, _, text) => {
      const wanted = camberIn(text);
      if (!wanted) return undefined;
      const id = freshId('check');
      const { targetDeg, toleranceDeg, places } = wanted;
      kit.checks.push({
        id,
        text: clip(text, 500),
        quantity: 'camber',
        unit: '°',
        target: targetDeg,
        tolerance: toleranceDeg,
        places: [...places],
      });
      const sheet = reading.steps.map((step) => step.text).join('\n');
      if (!namesCamberSetter(sheet)) return { type: 'check', check: id };
      const authorityDeg = authorityIn(sheet);
      return { type: 'align', check: id, ...(authorityDeg === undefined ? {} : { authorityDeg }) };
    },
  },
  {
    // `Gap: 18 mm at front ____ mm at rear ____ mm`
    words: /_{3,}/,
    act: ({ kit, freshId, assume }, _, text) => {
      const blank = blankToFill(text);
      if (!blank) return undefined;
      const id = freshId('check');
      const said = clip(text.replace(/[ \t]*_{3,}[ \t]*/g, ' … '), 500);
      kit.checks.push({ id, text: said, ...blank });
      if (blank.target !== undefined)
        assume(`checks[${kit.checks.length - 1}]`, 'toleranceAssumed', clip(said.replace(/[:,.].*$/, ''), 60));
      return { type: 'check', check: id };
    },
  },
  {
    words: /^(?:then |now )?(?:let|allow) (?:the )?(.+?) (?:to )?cool\b/i,
    act: (_, [, what = ''], text) => {
      const minutes = minutesIn(text);
      const belowC = /below\s+(\d+)\s*°?\s*C/i.exec(text)?.[1];
      if (minutes === undefined && belowC === undefined) return undefined;
      return {
        type: 'coolDown',
        what,
        ...(minutes === undefined ? {} : { minutes }),
        ...(belowC === undefined ? {} : { belowC: Number(belowC) }),
      };
    },
  },
  {
    words: /^(?:then |now )?(?:wire[- ]?brush|brush|clean|degrease|wipe|scrape)\b(?: off| down)?\s+(.+)/i,
    act: (_, [, rest = '']) => ({ type: 'clean', places: placesOf(rest) }),
  },
  {
    words: /^(?:then |now )?dry\s+(.+)/i,
    act: (_, [, rest = '']) => ({ type: 'dry', places: placesOf(rest) }),
  },
  {
    words: /^(?:then |now )?(?:spray|soak)\s+(.+)/i,
    act: (_, [, rest = ''], text) => {
      const minutes = minutesIn(text);
      return minutes === undefined ? undefined : { type: 'soak', places: placesOf(rest), minutes };
    },
  },
  {
    words: /^(?:then |now )?(?:stick |put |apply )?(tape|film|masking tape)\b(?! measure)(?: over| on)?\s/i,
    act: (drafting, [, noun = '']) => ({ type: 'putOn', temporary: temporary(drafting, noun) }),
  },
  {
    words: /^(?:then |now )?(?:take|peel|remove|pull)\b.*?\b(tape|film|masking tape)\b/i,
    act: (drafting, [, noun = '']) => ({ type: 'clear', temporary: temporary(drafting, noun) }),
  },
  {
    words: /^(?:then |now )?chock\b\s+(.+)/i,
    act: (drafting, [, rest = '']) => ({ type: 'putOn', temporary: temporary(drafting, `chocks, ${objectOf(rest)}`) }),
  },
  {
    words: /^(?:then |now )?support\s+(.+?)\s+with\s+(?:a |an )?(.+?)(?:\s+before\b|[.;]|$)/i,
    act: (drafting, [, what = '', by = '']) => ({
      type: 'putOn',
      temporary: temporary(drafting, `${by} under ${objectOf(what)}`),
    }),
  },
  {
    words: /^(?:then |now )?swing\s+(.+?)\s+(?:to (?:one|the) side|aside|clear|out of the way)\b/i,
    act: (drafting, [, what = ''], text) => ({
      type: 'swingAside',
      removed: removed(drafting, objectOf(what), text, 'refit'),
    }),
  },
  {
    words:
      /^(?:.{0,30}? and )?(?:then |now )?(?:with [^,]{3,30}, )?(?:take|pull|lift|slide|swing)\s+(.+?)\s+(?:off|out)\b/i,
    act: comesOff,
  },
  {
    words: /^(?:then |now )?(?:demount|dismount|dismantle|unscrew|take down|demontage of)\s+(.+)/i,
    act: comesOff,
  },
  {
    words: /^(?:then |now )?(?:cut|trim|notch|saw)\s+(?!back (?:on|in)\b)(?:out |off |away )?(.+)/i,
    act: ({ kit, freshId }, [, rest = ''], text) => {
      const id = freshId('cut');
      kit.irreversible.push({ id, text: clip(text, 500) });
      return { type: 'cut', what: objectOf(rest), irreversible: id };
    },
  },
  {
    words: /^(?:then |now )?bleed\b\s*(.*)/i,
    act: (_, [, rest = '']) => ({ type: 'bleed', places: [/\p{L}{3}/u.test(rest) ? objectOf(rest) : 'the brakes'] }),
  },
  {
    words: THROWN_AWAY,
    act: (drafting, [, what = ''], text) => ({
      type: 'remove',
      removed: removed(drafting, objectOf(what.replace(/,.*$/, '')), text, 'scrap'),
    }),
  },
  {
    // `Pull the grommets from the underside of the sill.`
    words:
      /^(?:then |now )?(?:pull|prise|pry|knock|drive|tap) (?:out )?(?:the |all |both )?(.{3,50}?) (?:from|out of) (?:the|its|their|each)\b/i,
    act: (drafting, [, what = ''], text) => ({ type: 'remove', removed: removed(drafting, what, text) }),
  },
  {
    // `The end caps come off`, `Old shock out.`
    words:
      /^(?:then |now )?(?:the |your |all )?(.{3,60}?)(?:,? (?:have to |must |should |need to )?(?:comes?|be taken|go(?:es)?) (?:off|out|away)\b| (?:off|out)\W*$)/i,
    act: (drafting, [, what = ''], text) =>
      /\b(?:power|sort|find|try|carry|set|cut|switch|turn|figure|lay|watch|run|line|blow|wipe|wash|rinse|air|square|even|ignition|engine|motor|lights?|radio|heater|fan|charger|middle|centre|center)\b/i.test(
        what,
      )
        ? undefined
        : { type: 'remove', removed: removed(drafting, what, text) },
  },
  {
    // `The eyes are not refitted`, `bolts are scrap`, `It is no longer needed`.
    words:
      /^(?:the |all |both )?([\p{L} -]{2,40}?) (?:(?:is|are) (?:scrap|waste)|(?:(?:is|are) (?:not|no longer)|(?:will|must|shall|may) (?:not|never) be) (re-?fitted|re-?used|used again|needed|required))\b/iu,
    act: (drafting, [, what = '', useless = ''], text) => {
      // `A helper is not needed` and an `it` of which nothing came off take nothing off.
      const { removed: off } = drafting.kit;
      const known = off.length > 0 && (PRONOUN.test(what) || namedIn(off, what).length > 0);
      if (!known && (PRONOUN.test(what) || /^(?:needed|required)$/i.test(useless))) return undefined;
      return { type: 'remove', removed: removed(drafting, what, text, 'scrap') };
    },
  },
  {
    // `Old copper washers go in the bin.`
    words: /^(?:the |all |both )?(.{3,40}?) (?:go|goes) in(?:to)? the bin\b/i,
    act: (drafting, [, what = ''], text) => ({ type: 'remove', removed: removed(drafting, what, text, 'scrap') }),
  },
  {
    // `Before starting: battery negative off`
    words:
      /^(?:before (?:you start|starting|anything|work)[^:]{0,20}[:,]\s*)?(?:the )?(battery(?: negative| earth| minus| positive)?(?: (?:terminal|lead|cable|clamp|pole))?) off\b/i,
    act: ({ kit, freshId }, [, what = '']) => {
      const id = freshId(`open ${what}`);
      kit.disconnects.push({ id, name: what.toLowerCase(), kind: 'cable' });
      return { type: 'disconnect', disconnect: id };
    },
  },
  {
    words: BACK_ON,
    act: ({ kit }, _, text) => {
      const thing = namedIn(kit.removed, text).find(({ fate }) => fate === 'refit');
      return thing && { type: 'refit', removed: thing.id };
    },
  },
  {
    words: /^(?:then |now )?(?:unplug|disconnect)\s+(.+)/i,
    act: ({ kit, freshId }, [, rest = '']) => {
      const name = objectOf(rest);
      const id = freshId(`open ${name}`);
      kit.disconnects.push({ id, name, kind: opensAs(name) });
      return { type: 'disconnect', disconnect: id };
    },
  },
  {
    words: /^(?:then |now )?(?:plug|connect|clip)\s+(.+?)\s+(?:back )?(?:in|on|together)\b/i,
    act: ({ kit }, [, what = '']) => {
      const [opened] = namedIn(kit.disconnects, what);
      return opened && { type: 'reconnect', disconnect: opened.id };
    },
  },
  {
    // A wait that keeps the vehicle from its work, not the fitter from theirs.
    words: /\bno (winching|towing|recovery|off-?road(?:ing)?(?: use)?|driving)\b.*\bfor\b/i,
    act: (_, [, use = ''], text) => {
      const minutes = minutesIn(text);
      return minutes === undefined
        ? undefined
        : { type: 'wait', minutes, gates: [/^driv/i.test(use) ? 'drive' : 'tow'] };
    },
  },
  {
    // `Leave the car 12 hours before the first pull`, `Wait 2 h before driving`
    words:
      /^(?:then |now )?(?:leave|let|rest|wait)\b[^.;]*\d ?(?:min|h)\w*\s+before\s+(?:the |you |it is |any )*(?:first )?(pull|tow|recover|winch|load|driv|us|mov)/i,
    act: (_, [, use = ''], text) => {
      const minutes = minutesIn(text);
      return minutes === undefined
        ? undefined
        : { type: 'wait', minutes, gates: [/^(?:driv|us|mov)/i.test(use) ? 'drive' : 'tow'] };
    },
  },
  {
    words: /^(?:then |now )?measure\b.*\b(ride height|camber|toe|length|gap)\b/i,
    act: ({ kit, freshId }, [, word = ''], text) => {
      const id = freshId(word);
      const quantity = word.toLowerCase() === 'ride height' ? 'rideHeight' : (word.toLowerCase() as 'toe');
      const places = /\bfour|all wheels|corners?\b/i.test(text)
        ? CORNERS
        : SIDES.test(text)
          ? ['left', 'right']
          : ['as fitted'];
      kit.baselines.push({ id, name: clip(word, 120), quantity, places });
      return { type: 'measure', baseline: id };
    },
  },
  measured(
    `(?:not less than|at least|no less than|minimum(?: of)?|min\\.?)\\s+${NUMBER}${UNIT}`,
    ([, number, unit]) => ({
      min: numberIn(number),
      unit: unitOf(unit),
    }),
  ),
  // `15 mm at least, all along`
  measured(`${NUMBER}${UNIT}\\s+(?:at least|minimum|min\\b|or more)`, ([, number, unit]) => ({
    min: numberIn(number),
    unit: unitOf(unit),
  })),
  // `gap to the fender 3/4" +/- 1/8"`
  measured(`${NUMBER}${UNIT},?\\s*(?:±|\\+/-|\\+-|plus or minus)\\s*${NUMBER}(?:${UNIT})?`, ([, aimed, unit, way]) => ({
    target: numberIn(aimed),
    tolerance: numberIn(way),
    unit: unitOf(unit),
  })),
  measured(`\\bbetween ${NUMBER}(?:${UNIT})? and ${NUMBER}${UNIT}`, ([, low, , high, unit]) => ({
    min: numberIn(low),
    max: numberIn(high),
    unit: unitOf(unit),
  })),
  measured(`${NUMBER}\\s*(?:-|–|to)\\s*${NUMBER}${UNIT}`, ([, low, high, unit]) => ({
    min: numberIn(low),
    max: numberIn(high),
    unit: unitOf(unit),
  })),
  measured(
    `(?:not (?:more than|over|above)|at most|no more than|never (?:over|more than)|maximum(?: of)?|max\\.?)\\s+${NUMBER}${UNIT}`,
    ([, number, unit]) => ({ max: numberIn(number), unit: unitOf(unit) }),
  ),
  {
    // `Measure corner to corner: within 1/8 in.`: what two measures may differ by.
    words: new RegExp(
      `(?:within|differ(?:ence)?(?: by| of)?(?: no more than| at most| max\\.?)?(?:\\s*(?:<=|<|≤))?|(?:the )?same to)\\s+${NUMBER}${UNIT}`,
      'i',
    ),
    act: (drafting, [, number, unit], text) =>
      DIAGONALS.test(text) || (/\b(?:measured?|compare|level|agree|equal|gap)\b|=/i.test(text) && SIDES.test(text))
        ? {
            type: 'check',
            check: check(drafting, text, {
              ...rangeIn(text, unitOf(unit)),
              spread: numberIn(number),
              unit: unitOf(unit),
            }),
          }
        : undefined,
  },
  {
    // `You want half an inch of room everywhere`, `leave 10 mm clearance`
    words: new RegExp(
      `\\b(?:want|need|keep|leave|must (?:be|have)|should (?:be|have)|have)\\s+(?:about |a gap of |a clearance of )?${NUMBER}${UNIT}\\s+(?:of\\s+)?(?:\\p{L}+\\s+)?(?:room|clearance|space|air)\\b`,
      'iu',
    ),
    act: (drafting, [, number, unit], text) => ({
      type: 'check',
      check: check(drafting, text, { min: numberIn(number), unit: unitOf(unit) }),
    }),
  },
  {
    // `Not before the threadlocker has had 24 hours`, `the sealant needs 2 h`: the vehicle waits, not the fitter.
    words:
      /\b(?:threadlocker|locker|locking compound|sealant|adhesive|glue|bond)\b[^.;]*\b(?:has had|needs?|wants?|takes?|must (?:have|cure)|cures? (?:for|in))\b[^.;]*\b\d/i,
    act: (_, __, text) => {
      const minutes = minutesIn(text);
      return minutes === undefined ? undefined : { type: 'wait', minutes, gates: ['drive'] };
    },
  },
  {
    words:
      /^(?:then |now )?(?:try|test|function(?:al)?[- ]test|road[- ]?test|drive (?:it |the \w+ )?(?:a)?round|(?:steer|turn)\b.*\block to lock|verify\b.*\b(?:work|operate|function)s?\b|make sure\b.*\b(?:work|operate|function)s?\b|check for leaks|check (?:that )?the .+ work)/i,
    act: (drafting, _, text) => ({ type: 'test', check: check(drafting, text, {}) }),
  },
  {
    // `Step must still fold by hand`, `Pull test by hand at each corner`
    words:
      /\b(?:must|should|has to) (?:still |now )?(?:fold|move|turn|slide|open|close|swing|rotate|latch|lock|hinge|tilt)\b|^(?:pull|push|shake|load|hand|water|leak|function)[- ]test\b/i,
    act: (drafting, _, text) => ({ type: 'test', check: check(drafting, text, {}) }),
  },
  {
    words: /^(?:then |now )?(?:let|lower|set) (?:the )?(?:vehicle|car|truck)\b.*\b(?:down|wheels|ground|floor)\b/i,
    act: () => ({ type: 'lower' }),
  },
];

/** What a note's line takes off and puts on, part by part; none where it is one act or says more. */
export function offAndOn(drafting: Drafting, text: string): StepAction[] {
  const parts = text.replace(/\s*\([^)]*\)/g, '').split(/[,;]\s+/);
  return parts.length < 2
    ? []
    : parts.flatMap((part) => {
        const said = /\b(?:off|out|on)\W*$/i.test(part) ? wordAct(drafting, part) : undefined;
        return said?.type === 'remove' || said?.type === 'refit' ? [said] : [];
      });
}

/** Whether a sentence begins like one of these acts. */
/** `Never back off.`: what is not to be done is no act. */
const FORBIDS_IT = /^\W*(?:never|do not|don['’]t)\b(?! re-?use)(?!.*\b(?:but|instead|before|until|unless|without)\b)/i;

export const soundsLikeAct = (text: string): boolean =>
  !FORBIDS_IT.test(text) && WORD_ACTS.some(({ words }) => words.test(text));

/** The act that a sentence says by its words; undefined where none can be told. */
export function wordAct(drafting: Drafting, text: string): StepAction | undefined {
  const plain = text.replace(/^\s*\d+\s*[|):.]\s*/, '');
  if (FORBIDS_IT.test(plain)) return undefined;
  for (const { words, act } of WORD_ACTS) {
    const match = words.exec(plain);
    const said = match && act(drafting, match, plain);
    if (said) return said;
  }
  return undefined;
}
