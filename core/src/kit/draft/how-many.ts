import { NUMBER_WORDS } from '../../sheet/lexicon.ts';
import type { Item } from '../kit-document.ts';
import { type Drafting, isKind, type Of } from './drafting.ts';
import { inTable, type JointSentences } from './joint-sentences.ts';
import { HOLDS_WHEEL, type Times, timesIn } from './joint-words.ts';
import { doneOnOtherSide } from './other-side-later.ts';
import { sentenceIndex } from './sentence-index.ts';
import { countTakenOff } from './taken-off.ts';

/** So many of one for each of something whose number is not said. */
const SHARED_OUT =
  /\b(?:per|for each|to each|at each|on each|each|every|(?<=\b(?:bolts?|screws?|nuts?|studs?) )to an?) (?!(?:torque|figure|value|depth|stop|height)\b)\p{L}{3,}|\b(?:bolts?|screws?|nuts?|studs?) each(?=\s*[,.;(])/iu;
/** `two a side, each one with two of them`: shared out once more than over the sides. */
const SHARED_BEYOND_SIDES = /\b(?:per|each|every) (?!sides?\b|corners?\b|wheels?\b)\p{L}{3,}/iu;
/** More shares than these are no sides, rails or corners. */
const MOST_SHARES = 6;

/** How many wheels came off, as the sheet says it: for nuts that it counts by the wheel. */
const wheelsOff = (steps: Drafting['reading']['steps']): number | undefined => {
  const said = steps.find(({ text }) => /\bwheels?\b/i.test(text) && /\b(?:off|remove|take)\b/i.test(text))?.text;
  if (said === undefined) return undefined;
  return /\b(?:all|four|road)\b[^.;]*\bwheels\b/i.test(said)
    ? 4
    : /\b(?:front|rear|both|two)\b[^.;]*\bwheels\b/i.test(said)
      ? 2
      : undefined;
};
/**
 * `2 brackets per side`, and below it `Bracket to sill: 2 x M8`: what is said of one bracket is done at each of them;
 * undefined where the part is one, or is counted nowhere near.
 */
function partsBefore(steps: Drafting['reading']['steps'], at: number): number | undefined {
  const [, part] = /^(?:the )?(\p{L}{3,}) to \p{L}/iu.exec(steps[at]?.text.trim() ?? '') ?? [];
  if (part === undefined || part.endsWith('s')) return undefined;
  const counted = new RegExp(
    `\\b(\\d{1,2}|two|three|four|five|six) (?:[\\p{L}-]+ ){0,2}${part}s\\b(?:\\s+(per|a|each) side)?`,
    'iu',
  );
  for (let above = at - 1; above >= Math.max(0, at - PARTS_ABOVE); above--) {
    const said = counted.exec(steps[above]?.text ?? '');
    const many = said && (Number(said[1]) || NUMBER_WORDS[said[1]?.toLowerCase() ?? '']);
    if (said && many && many * (said[2] ? 2 : 1) > 1) return many * (said[2] ? 2 : 1);
  }
  return undefined;
}
const PARTS_ABOVE = 4;
const NUTS_EACH =
  /\bwheels?\b[^.;]*\b(?:nuts?|bolts?) (?:each|per wheel|a wheel)\b|\b(?:wheel|lug)[ -]?(?:nuts?|bolts?)\b[^.;]*\(\d{1,2} (?:each|per wheel|a wheel)\)/i;

/** One of several: `bodies` as `body`, `latches` as `latch`, `brackets` as `bracket`. */
const oneOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/ies$/, 'y')
    .replace(/(?<=ch|sh|ss|x)es$/, '')
    .replace(/(?<=[^s])s$/, '');

/**
 * `Install the hub body. Torque the six bolts`, and the list has two hub bodies and twelve bolts: what is said of one is done
 * at each of them; undefined where the list says otherwise.
 */
function ofListedParts(
  { kit, reading }: Drafting,
  said: JointSentences,
  at: number,
  count: number,
  has: number,
): number | undefined {
  if (said.times !== undefined || !Number.isFinite(has) || has <= count) return undefined;
  const { count: counted } = said;
  const behind =
    counted && reading.steps[counted.step]?.text.slice(counted.end - (reading.steps[counted.step]?.start ?? 0));
  // `with four of the M4 screws`: some of them, and no share of each.
  if (
    /^[^.;,]{0,12}\bof (?:the|its|these|those)\b/i.test(`${counted?.printed ?? ''}${behind ?? ''}`.replace(/^\S+/, ''))
  )
    return undefined;
  const sentences = [at - 1, at].map((step) => reading.steps[step]?.text.toLowerCase() ?? '');
  const part = kit.items.find(
    ({ kind, quantity, name }) =>
      kind === 'part' &&
      quantity > 1 &&
      quantity * count === has &&
      sentences.some((text) =>
        new RegExp(`\\b(?:the|a|one) ${oneOf(name).replace(/[^\p{L} -]/gu, '.')}\\b`, 'u').test(text),
      ),
  );
  return part && has;
}

/** How many sentences above its figure a joint's part is looked for. */
const FITTED_ABOVE = 16;

/** Whether a sentence takes something off. */
const takesOff = ({ inStep }: Drafting, step: number): boolean =>
  inStep(step).some(({ value }) => value.kind === 'action' && ['remove', 'disconnect'].includes(value.action));

/** The sentences that fit the part a joint is told by alone: `Fit the arm`, for the front arm bolt. */
function fittedWith(drafting: Drafting, { parts }: JointSentences, at: number): number[] {
  const { reading } = drafting;
  if (parts.length === 0) return [];
  const index = sentenceIndex(reading.steps);
  const keys = parts.map((part) => `part ${part}`);
  const from = Math.max(0, at - FITTED_ABOVE);
  return Array.from({ length: at - from }, (_, step) => from + step).filter(
    (above) => index.parts(above).some((part) => keys.includes(part)) && !takesOff(drafting, above),
  );
}

/** What the list has for a joint, and what its table and letters say of it. */
export interface Stock {
  bolt?: Item | undefined;
  nut?: Item | undefined;
  /** Pieces the list has left for it; infinite where it names none. */
  has: number;
  /** Whether the sheet lists pieces at all. */
  listed: boolean;
  /** Pieces to each one its count names: two nuts to each U-bolt. */
  toEach: number;
  /** The pieces its letter is said to have: `Number: a 4, b 2`. */
  ofLetter?: number | undefined;
  /** Rows of its table that name its size, itself among them: each has its share of the list's. */
  rows: number;
  /** No other figure is said of its size. */
  onlyFigure: boolean;
  /** What is left of a line of the list. */
  left: (item: Item) => number;
}

/** How many pieces a joint has, and where they are. */
export interface HowMany {
  /** 1 to 200. */
  count: number;
  times?: Times | undefined;
  /** It is said of one side, and done on the other further on. */
  apart: boolean;
  /** What was said of its pieces where they came off. */
  off?: ReturnType<typeof countTakenOff>;
  /** Nobody says it outright: asked. */
  assumed: boolean;
}

/** Stations of one joint at most. */
const MOST_STATIONS = 200;

/** `All six on` counts them all; `two to each hanger` as often as there are hangers. */
const countsAll = ({ reading }: Drafting, { step, start }: Of<'count'>): boolean => {
  const at = start - (reading.steps[step]?.start ?? 0);
  return /\ball\b/i.test((reading.steps[step]?.text ?? '').slice(Math.max(0, at - 8)).slice(0, 12));
};

/** Whether a later sentence repeats the joint on the other side. */
function isRepeated(drafting: Drafting, said: JointSentences, at: number): boolean {
  const { steps } = drafting.reading;
  const sentence = steps[at]?.text ?? '';
  const ofCount = said.count?.step ?? at;
  // `at each end` is of one side; so many to each of the parts on the list are of all of them.
  const eachEnd = said.times?.places === 'pieces' && /\b(?:each|either|both) ends?\b/i.test(steps[ofCount]?.text ?? '');
  if ((said.times !== undefined && !eachEnd) || inTable(sentence) || HOLDS_WHEEL.test(sentence)) return false;
  // Without numbers only what was pulled before is repeated.
  const inParagraphs = steps[at]?.number === undefined;
  // `Fit the arm … other side the same`, and its bolts are pulled further on, on both.
  const of = inParagraphs ? [at] : [at, ofCount, ...said.assembled, ...fittedWith(drafting, said, at)];
  return of.some((step) => doneOnOtherSide(steps, step));
}

/** `two each side` is done at once; what `the other side` repeats is done there. */
function standsApart({ reading }: Drafting, said: JointSentences, at: number, times: Times | undefined): boolean {
  const sentence = reading.steps[at]?.text ?? '';
  if (times?.places !== 'sides' || inTable(sentence) || HOLDS_WHEEL.test(sentence)) return false;
  return ![at, said.count?.step ?? at].some((step) => {
    const here = timesIn(reading.steps[step]?.text ?? '', []);
    return here !== undefined && here.places !== 'pieces';
  });
}

/** The pieces of a joint: as its sentences count them, else as many as the list has, else as many as came off. */
export function howMany(drafting: Drafting, said: JointSentences, torque: Of<'torque'>, stock: Stock): HowMany {
  const { reading, inStep } = drafting;
  const { bolt, nut, has, rows, left } = stock;
  const counted = said.count;
  const each = counted && counted.value.count * stock.toEach;
  const ofLetter = counted ? undefined : stock.ofLetter;
  const all = counted !== undefined && countsAll(drafting, counted);
  const repeated = isRepeated(drafting, said, torque.step);
  const times: Times | undefined = repeated ? { times: 2 * (said.times?.times ?? 1), places: 'sides' } : said.times;
  const first = !inStep(torque.step).some((fact) => isKind('torque')(fact) && fact.start < torque.start);
  const ofParts = counted && first && !times && !all ? partsBefore(reading.steps, torque.step) : undefined;
  // `two per leg`: so many to each of something.
  const perWhat = times ? SHARED_BEYOND_SIDES : SHARED_OUT;
  const shared = counted !== undefined && !all && perWhat.test(reading.steps[counted.step]?.text ?? '');
  // `Three M6 each rail`, and the list has six: as many as it has, where no other figure is for them.
  const ofOneShare = (counted?.value.count ?? 0) * (times?.times ?? 1);
  const sharedOut =
    shared &&
    Number.isFinite(has) &&
    has > ofOneShare &&
    has % ofOneShare === 0 &&
    has / ofOneShare <= MOST_SHARES &&
    stock.onlyFigure;
  const off =
    !counted && !bolt && !nut && ofLetter === undefined && (!times || repeated)
      ? countTakenOff(drafting, said, torque)
      : undefined;
  const wheels = NUTS_EACH.test(reading.steps[torque.step]?.text ?? '') ? wheelsOff(reading.steps) : undefined;
  const uncounted = (): number => {
    if (Number.isFinite(has)) return rows > 1 && has % rows === 0 ? has / rows : has;
    // `Clips (4)`: as many as the list has of them, screwed by themselves as they are.
    return times?.times ?? said.items.find((item) => left(item) > 0)?.quantity ?? 1;
  };
  const often = wheels ?? (times && !all ? times.times : repeated ? 2 : (ofParts ?? 1));
  const wanted =
    ofLetter ??
    (off && off.count * (repeated ? 2 : 1)) ??
    (each === undefined
      ? uncounted()
      : sharedOut
        ? has
        : (ofListedParts(drafting, said, torque.step, each, has) ?? each * often));
  // What only the prose counts is of one part or of one side, and there are as many as the parts want.
  const ofOne = ofParts !== undefined || repeated;
  const most = ofOne && !stock.listed ? Number.POSITIVE_INFINITY : has;
  const count = Math.max(1, Math.min(wanted, most, MOST_STATIONS));
  const unsaid = !counted && !bolt && !nut && !times && off === undefined && ofLetter === undefined;
  // `two per leg`, and nobody says how many legs.
  const listTells = bolt?.source === 'kit' && stock.listed && Number.isFinite(has);
  const perUnknown = shared && !times && counted.value.count === count && !listTells;
  return {
    count,
    times,
    apart: standsApart(drafting, said, torque.step, times),
    off,
    assumed: unsaid || perUnknown || ofParts !== undefined || (repeated && !counted && off === undefined) || sharedOut,
  };
}
