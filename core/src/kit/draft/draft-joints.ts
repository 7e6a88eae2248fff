import type { DriveSize } from '../../fastener/drive.ts';
import { type HeadStandard, headDimension, usualHead } from '../../fastener/head-dimension.ts';
import { parseThread, type Thread } from '../../fastener/thread.ts';
import type { Fact, FactValue, SheetDrive } from '../../sheet/fact.ts';
import { NUMBER_WORDS } from '../../sheet/lexicon.ts';
import { inchSizeIn } from '../../sheet/spoken-thread.ts';
import type { SheetStep } from '../../sheet/step-split.ts';
import type { Pattern } from '../../tightening/pattern.ts';
import type { Item, OrderRule, Station } from '../kit-document.ts';
import type { ItemKind } from '../piece-kind.ts';
import type { PrintedSpec } from '../printed-spec.ts';
import { printedTorque, specOfTorque } from '../spec-from-printed.ts';
import { countsByLetter, rowLetter } from './called-letters.ts';
import { conditionFor } from './draft-conditions.ts';
import type { Packing } from './draft-packing.ts';
import type { Variants } from './draft-variants.ts';
import { clip, type Drafting, isCompound, isKind, KIND_OF, type Of } from './drafting.ts';
import { inTable, type JointSentences, jointSentences, stageShares } from './joint-sentences.ts';
import { fitsBySize, stackOf, washersOf } from './joint-stack.ts';
import {
  elsewhere,
  kindsIn,
  partWords,
  phraseBefore,
  type Times,
  tellingWords,
  timesIn,
  U_BOLTS,
} from './joint-words.ts';
import { doneOnOtherSide } from './other-side-later.ts';
import { placeholderMap, placeholderSpot } from './placeholder-map.ts';
import { sectionOf } from './section.ts';
import { sentenceIndex } from './sentence-index.ts';
import { countTakenOff, driveTakenOff } from './taken-off.ts';

const PATTERN_OF: Record<Extract<FactValue, { kind: 'pattern' }>['pattern'], Pattern> = {
  star: 'star',
  cross: 'cross',
  circular: 'circular',
  alternate: 'rowZigZag',
  middleOut: 'middleOut',
  printed: 'star',
};

/** The order of a group: as the sheet numbers its places, or by the pattern it names. */
function orderOf({ value }: Of<'pattern'>, members: readonly string[]): OrderRule {
  const list = value.order?.map((place) => members[place - 1]);
  return list && list.length === members.length && list.every((id) => id !== undefined)
    ? { list: list as string[] }
    : { pattern: PATTERN_OF[value.pattern] };
}

/** Where a station is, in words and for its label: the sides and corners the sheet speaks of, else its number. */
function placeOf(at: number, count: number, times: Times | undefined, before = 0): { label?: string; words: string } {
  const plain = { words: `${at + 1} of ${count}` };
  const sides = times?.places === 'sides' ? 2 : 4;
  if (!times || times.places === 'pieces' || count % sides !== 0) return plain;
  const each = count / sides;
  const names = times.places === 'sides' ? ['left', 'right'] : ['front left', 'front right', 'rear left', 'rear right'];
  const marks = times.places === 'sides' ? ['L', 'R'] : ['FL', 'FR', 'RL', 'RR'];
  const [side, number] = [Math.floor(at / each), (at % each) + 1];
  return { label: `${marks[side]}${number + before}`, words: `${names[side]}${each > 1 ? ` ${number}` : ''}` };
}

/** The standards of heads that are no hexagon. */
const STANDARD_OF_HEAD: Partial<Record<NonNullable<Item['head']>, HeadStandard>> = {
  button: 'ISO 7380',
  socketCap: 'ISO 4762',
  countersunk: 'ISO 10642',
};

/** Heads as sentences call them. */
const HEAD_IN_WORDS: Partial<Record<NonNullable<Item['head']>, RegExp>> = {
  button: /\bbutton[- ]?heads?\b/i,
  socketCap: /\b(?:socket|cap)[- ]?(?:head(?:ed)?|screws?)\b/i,
  countersunk: /\b(?:countersunk|csk|flat[- ]?head)\b/i,
};

/** The drive a thread's usual head has, or the head a piece is called by, where the sheet names none. */
function usualDrive(thread: Thread | undefined, head: Item['head']): DriveSize | undefined {
  if (!thread) return undefined;
  const ofHead = head && STANDARD_OF_HEAD[head];
  if (ofHead) {
    const key = headDimension(ofHead, thread);
    return key && { kind: 'hexKey', acrossFlatsMm: key.acrossFlatsMm };
  }
  const usual = headDimension(usualHead(thread), thread);
  return usual
    ? {
        // The number sizes have no hexagon: their usual head takes a key.
        kind: usual.grip === 'socket' ? 'hexKey' : 'hex',
        acrossFlatsMm: Math.round(usual.acrossFlatsMm * 100) / 100,
        ...(thread.system === 'unified' ? { inch: true as const } : {}),
      }
    : undefined;
}

/**
 * Whether a width said near a joint can be its head's: a hexagon is 1.2 to 2.6 times its thread across flats, from thin
 * flange heads to the smallest screws (ISO 4017, ASME B18.2.1; the bounds are common practice, no source).
 */
const turns = (drive: SheetDrive, thread: Thread | undefined): boolean =>
  drive.kind !== 'hex' ||
  thread === undefined ||
  (drive.acrossFlatsMm >= 1.2 * thread.nominalMm && drive.acrossFlatsMm <= 2.6 * thread.nominalMm);

/** A thread as the packing list writes it. */
function threadNamed(written: string | undefined): Thread | undefined {
  const read = written === undefined ? undefined : parseThread(written.replace(' x ', ' × '));
  return read?.ok ? read.value.thread : undefined;
}

/** The thread a joint's sentences speak of; one that cannot be read stays unsaid. */
function threadOf(torque: Of<'torque'>, said: JointSentences): Thread | undefined {
  return [torque.about, said.thread?.value.designation, said.items.find((item) => item.thread)?.thread]
    .map(threadNamed)
    .find((thread) => thread !== undefined);
}

/** `7/16"`: a size in inches that a figure is about, without its pitch. */
const inchOf = (about: string | undefined): string | undefined => /^(\d{1,2}\/\d{1,2})"$/.exec(about ?? '')?.[1];

/** A size whose pitch the sentence leaves out is that of the only thread of this size on the packing list. */
function asListed(
  { reading, inStep }: Drafting,
  listed: ReadonlySet<string>,
  torque: Of<'torque'>,
  thread: Thread | undefined,
  /** The sentences that count its pieces and put it together. */
  beside: ReadonlyArray<number | undefined>,
  /** Another sentence says the size, and no pitch. */
  elsewhere: boolean,
): Thread | undefined {
  // `All 1/2" hardware to 75 lb-ft` says its size, whatever stands beside it.
  const ownInch =
    inchOf(torque.about) ??
    (torque.about === undefined ? inchSizeIn(reading.steps[torque.step]?.text ?? '') : undefined);
  if (!thread || (ownInch !== undefined && !thread.designation.startsWith(`${ownInch}-`))) {
    const inch = [torque.step, ...(thread ? [] : beside)]
      .map((at) => inchSizeIn(reading.steps[at ?? -1]?.text ?? ''))
      .find((size) => size !== undefined);
    const ofSize = [...listed].filter((designation) => inch !== undefined && designation.startsWith(`${inch}-`));
    return ofSize.length === 1 ? threadNamed(ofSize[0]) : thread;
  }
  const bare = inStep(torque.step)
    .filter(isKind('thread'))
    .some(({ value }) => value.pitchAssumed && value.designation === torque.about);
  if (!bare && !elsewhere) return thread;
  if (listed.has(thread.designation.replace(' × ', ' x '))) return thread;
  const same = [...listed].flatMap((designation) => {
    const other = threadNamed(designation);
    return other?.system === thread.system && other.nominalMm === thread.nominalMm ? [other] : [];
  });
  return same.length === 1 ? same[0] : thread;
}

/** A thread without its pitch: a washer has none. */
const sizeAlone = (designation: string | undefined): string | undefined => designation?.split(/ x |(?<=\d)-/)[0];

/** One figure for every piece of a size: `Torque ALL 1/2" hardware to 75 lb-ft`. */
const ALL_OF_SIZE = /\ball\b[^.;]{0,30}\b(?:hardware|fasteners|bolts|screws)\b/i;

/** A joint as another one, with other bolts: as many stations as the list has of them. */
function likeIt(
  { kit, freshId, assume }: Drafting,
  { group, bolt, item, labels }: { group: string; bolt: Item; item: Item; labels: Set<string> },
): string[] {
  const model = kit.groups.find(({ id }) => id === group);
  const first = kit.stations.find(({ id }) => id === model?.stations[0]);
  if (!model || !first) return [];
  const title = clip(item.name, 80);
  const members = Array.from({ length: item.quantity }, (_, at) => {
    const label = String(kit.stations.length + 1);
    labels.add(label);
    const station: Station = {
      ...first,
      id: freshId(`s${kit.stations.length + 1}`),
      label,
      name: clip(`${title}, ${at + 1} of ${item.quantity}`, 120),
      ...placeholderSpot(at),
      stack: first.stack.map((piece) =>
        piece.kind === 'hardware' && piece.item === bolt.id ? { ...piece, item: item.id } : { ...piece },
      ),
      specs: first.specs.map((spec) => ({ ...spec })),
    };
    kit.stations.push(station);
    return station.id;
  });
  const { torqueOrder: _, ...rest } = model;
  const path = `groups[${kit.groups.length}]`;
  const id = freshId(`group ${kit.groups.length + 1}`);
  kit.groups.push({
    ...rest,
    id,
    title,
    map: placeholderMap(title, item.quantity),
    stations: members,
  });
  assume(`${path}.map`, 'positionsUnknown', title);
  assume(path, 'thicknessUnknown', title);
  return [id];
}

/** `Then once more, 98 Nm`: pulled again, and no other joint. */
const ONCE_MORE =
  /\bcheck (?:(?:at|with|all|for) )?\d{1,3}(?:[.,]\d)? ?(?:n[·.]?m|ft|lb)|\b(?:once more|once again|a second time|second round|re-?torque|go (?:a)?round again|again (?:tighten|pull|torque)(?:ed)?|(?:tighten|pull|torque)(?:ed)? again)\b|\b(?:bolts?|nuts?|screws?|studs?|clamps?) again\s*(?:[|,:;]|$| {2})/i;

/** `the 5/8s`: pieces called by their size alone. */
const SIZES_ALONE = /(?<![\d/.-])([1-9]\d?\/(?:2|4|8|16))["″]?'?s\b/g;

const NUTS_OF_U_BOLT = 2;

const capital = (text: string): string => `${text[0]?.toUpperCase()}${text.slice(1)}`;

const HOLDS_WHEEL =
  /\b(?:wheel|lug)[ -]?(?:nuts?|bolts?|studs?)\b|\bwheels? (?:back )?on\b.*\b(?:nuts?|bolts?)\b|^\W*(?:road )?wheels?:? (?:tightening )?(?:couple|torque|moment)\b/i;

/**
 * Whether a sentence calls a piece by what its name begins with, before its size or behind it: `9/16" high nut`.
 *
 * @param whole - by all of it; else its noun is enough: `the nut` for the castle nut
 */
function isCalled({ name }: Item, sentence: string, whole: boolean): boolean {
  const [called = ''] = name.replace(/^(?:[\d#][\d/.-]*["”]?\s+(?:[x×]\s+)?)+/, '').split(/[\s,]+(?=[\d#]|M\d)/);
  const word = whole ? called : (called.split(' ').at(-1) ?? '');
  return word !== '' && new RegExp(`\\b${word.replace(/[^\p{L}\d -]/gu, '.')}s?\\b`, 'iu').test(sentence);
}

/** Joints already drawn, by what names them, for a value that is said of the same joint again. */
interface Drawn {
  group: string;
  torque: Of<'torque'>;
  words: readonly string[];
  /** The parts its sentence names: `plate`, `bracket`. */
  parts: readonly string[];
  thread?: string;
  /** The version it is of, where the sheet has several. */
  version?: string;
  /** Drawn from a row of a table, which is a joint of its own. */
  row: boolean;
  /** The sentence whose pieces its figure points at. */
  pointsAt?: number;
}

/** The joint that a figure is said of once more: the only one with this figure, or the one of its words. */
function pulledAgain(
  drawn: readonly Drawn[],
  { value }: Of<'torque'>,
  thread: string | undefined,
  words: readonly string[],
): Drawn | undefined {
  const same = drawn.filter(
    (other) => other.torque.value.maxNm === value.maxNm && (thread === undefined || other.thread === thread),
  );
  return same.length === 1 ? same[0] : same.find((other) => other.parts.some((word) => words.includes(word)));
}

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

/** One of several: `bodies` as `body`, `brackets` as `bracket`. */
const oneOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/ies$/, 'y')
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
        new RegExp(`\\b(?:the|a|one) ${oneOf(name).replace(/[^\\p{L} -]/gu, '.')}\\b`, 'u').test(text),
      ),
  );
  return part && has;
}

/** `the long one`, `the longer bolts` */
const LONG_ONE = /\blong(?:er|est)? (?:one|bolt|screw)s?\b/i;

/** The line of the list that has the longest bolts; undefined where two have. */
function longestOf(bolts: readonly Item[]): Item | undefined {
  const [first, second] = bolts
    .filter(({ lengthMm }) => lengthMm !== undefined)
    .toSorted((a, b) => (b.lengthMm ?? 0) - (a.lengthMm ?? 0));
  return second && (second.lengthMm ?? 0) < (first?.lengthMm ?? 0) ? first : undefined;
}

/** A figure said of a place alone: `new damper in: upper`, `lower`. */
const PLACE_ALONE = /(?:^|[:,]\s*|\band\s+)(?:the )?(upper|lower|front|rear|inner|outer|top|bottom|left|right)\s*$/i;

const ENDS_PLACE = /[:,]?\s+(?:upper|lower|front|rear|inner|outer|top|bottom|left|right)$/i;

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

/** `the short ones`, `the shorter bolts` */
const SHORT_ONE = /\bshort(?:er|est)? (?:one|bolt|screw)s?\b/i;

/** The shortest bolts of a size the list has in several lengths; undefined where it has no such size, or two. */
function shortestOf(bolts: readonly Item[]): Item | undefined {
  const shorter = bolts.filter(
    (bolt) =>
      bolt.lengthMm !== undefined &&
      bolts.some(({ thread, lengthMm }) => thread === bolt.thread && (lengthMm ?? 0) > (bolt.lengthMm ?? 0)) &&
      !bolts.some((one) => one.thread === bolt.thread && (one.lengthMm ?? Number.NaN) < (bolt.lengthMm ?? 0)),
  );
  return shorter.length === 1 ? shorter[0] : undefined;
}

/** Pieces of one kind among which a count may tell one. */
const MOST_LOOKED_AT = 40;

/** How many joints back a value may be said again; more are of another chapter. */
const SAID_AGAIN = 60;

/** The groups of a draft, by what named them. */
export interface Joints {
  /** The group each torque went to. */
  groupOf: ReadonlyMap<Fact, string>;
  /** Groups by the step in which they are put together, before any torque. */
  assembledIn: ReadonlyMap<number, string>;
  /** Rows of pieces that bear the key of a figure, by their steps. */
  keyedRows: ReadonlySet<number>;
  /** Sentences that only give a further stage of a group: `B follows at 20 Nm`. */
  stagedIn: ReadonlyMap<number, string>;
  /** The words that name a group's joint. */
  words: ReadonlyMap<string, readonly string[]>;
  /** Groups that stand on both sides, where a later sentence may repeat them, by the step of their figure. */
  sided: ReadonlyMap<string, number>;
  /** Groups that have their torque from the same words as another: all the hardware of a size. */
  together: ReadonlyMap<string, readonly string[]>;
}

/**
 * The joints: a group of stations for each joint the sheet gives a torque for, values of one joint under different
 * conditions together. Joints are told apart by the words of their sentences, never by thread and figure alone.
 */
export function draftJoints(drafting: Drafting, packing: Packing, variants: Variants): Joints {
  const { reading, facts, kit, inStep, place, assume, freshId, addItem, compoundId } = drafting;
  const { washerFor, wordsOf, tightenedInRow, countedIn, pieces } = packing;
  const groupOf = new Map<Fact, string>();
  const assembledIn = new Map<number, string>();
  const together = new Map<string, string[]>();
  const keyedRows = new Set<number>();
  const stagedIn = new Map<number, string>();
  const sided = new Map<string, number>();
  const drawn: Drawn[] = [];
  const labels = new Set<string>();
  const ofLetters = countsByLetter(reading.steps);
  /** How far the places of sides and corners are counted. */
  const countedOn = new Map<Times['places'], number>();
  const used = new Map<string, number>();
  const unused = (item: Item | undefined): number => (item ? item.quantity - (used.get(item.id) ?? 0) : 0);
  const labelsSpent = (said: JointSentences): boolean =>
    said.items.length > 0 && said.items.every((item) => unused(item) <= 0);
  // What the list holds, by kind and thread; the vehicle's own pieces are each made for one joint.
  const listed = new Map<string, Item[]>();
  const keep = (key: string, item: Item) => {
    const list = listed.get(key);
    if (list) list.push(item);
    else listed.set(key, [item]);
  };
  for (const item of kit.items) {
    keep(item.kind, item);
    if (item.thread !== undefined) keep(`${item.kind} ${item.thread}`, item);
  }
  const metricSizes = new Set(
    kit.items.flatMap(({ thread }) => {
      const size = threadNamed(thread);
      return size?.system === 'metric' ? [size.nominalMm] : [];
    }),
  );
  const listsWheelNuts = kit.items.some(({ id }) => wordsOf.get(id)?.some((word) => /^(?:wheel|lug)$/.test(word)));
  const threads = new Set(kit.items.flatMap((item) => item.thread ?? []));
  /** How many figures are said of each size, or of none. */
  const figuresOf = new Map<string | undefined, number>();
  for (const { about } of facts.filter(isKind('torque'))) figuresOf.set(about, (figuresOf.get(about) ?? 0) + 1);
  /** How many rows of tables name each size, still to be drawn. */
  const rowsOfSize = new Map<string | undefined, number>();
  for (const { about, step } of facts.filter(isKind('torque')))
    if (about !== undefined && inTable(reading.steps[step]?.text ?? '') && !inStep(step).some(isKind('count')))
      rowsOfSize.set(about, (rowsOfSize.get(about) ?? 0) + 1);
  // Pieces of a size that a torque's own sentence names wait for it.
  const claimed = new Map<string, number>();
  for (const { about, step } of facts.filter(isKind('torque'))) {
    const size = inchSizeIn(reading.steps[step]?.text ?? '');
    for (const name of [about?.replace(' × ', ' x '), size && `${size}-`]) if (name) claimed.set(name, step);
  }
  // `Shoulder bolts 45 lb ft` further on: those are no others'. By two words, the last step that tightens them.
  const calledIn = new Map<string, number>();
  for (const { step } of facts.filter(isKind('torque'))) {
    const words = reading.steps[step]?.text.toLowerCase().match(/\p{L}+/gu) ?? [];
    for (const [at, word] of words.entries()) calledIn.set(`${words[at - 1]} ${word}`, step);
  }
  const calledLater = (item: Item, step: number): boolean => {
    const name = item.name.toLowerCase().replace(/^\d+(?:\.\d+)? ?mm /, '');
    return (calledIn.get(name.replace('-', ' ')) ?? -1) > step;
  };
  const waits = (item: Item, step: number): boolean =>
    [...claimed].some(
      ([name, by]) => by > step && (item.thread === name || (name.endsWith('-') && item.thread?.startsWith(name))),
    ) || calledLater(item, step);
  // Twice as many nuts or washers as U-bolts of their size wait for them.
  const uBoltsAt = facts.findLast(
    (fact) => isKind('torque')(fact) && U_BOLTS.test(reading.steps[fact.step]?.text ?? ''),
  );
  const uBolts = kit.items.filter(({ form }) => form === 'uBolt');
  const heldForUBolts = (item: Item, step: number): boolean =>
    uBoltsAt !== undefined &&
    uBoltsAt.step > step &&
    (item.kind === 'nut' || item.kind === 'washer') &&
    uBolts.some(
      ({ thread, quantity }) =>
        item.quantity === NUTS_OF_U_BOLT * quantity &&
        (item.thread === undefined || thread === undefined || item.thread === thread),
    );
  const pathOf = (group: string): string => `groups[${kit.groups.findIndex((entry) => entry.id === group)}]`;
  for (const torque of facts.filter(isKind('torque'))) {
    const when = variants.conditionBefore(torque.step, torque.start) ?? conditionFor(drafting, torque);
    const printed = (): PrintedSpec => ({
      spec: specOfTorque(torque.value),
      printed: clip(printedTorque(torque.printed, torque.value), 120),
      ...(when ? { when } : {}),
    });
    const earlier = when && inStep(torque.step).find((other) => groupOf.has(other) && other.about === torque.about);
    const sameJoint = earlier && groupOf.get(earlier);
    if (sameJoint !== undefined) {
      const members = kit.groups.find((entry) => entry.id === sameJoint)?.stations ?? [];
      for (const station of kit.stations) if (members.includes(station.id)) station.specs.push(printed());
      groupOf.set(torque, sameJoint);
      place(torque, pathOf(sameJoint));
      continue;
    }
    // What another row of the table tightens is not there for this joint.
    const left = (item: Item | undefined): number => {
      const row = item && tightenedInRow.get(item.id);
      if (item && heldForUBolts(item, torque.step)) return 0;
      if (item && (countedIn.get(item.id) ?? -1) > torque.step) return 0;
      return row !== undefined && row !== torque.step ? 0 : unused(item);
    };
    // `then the long one, 55`: by its length, and not by the size that was said before it.
    const phrase = phraseBefore(reading.steps[torque.step] as SheetStep, torque.start);
    const byLength = LONG_ONE.test(phrase)
      ? longestOf(listed.get('bolt') ?? [])
      : SHORT_ONE.test(phrase)
        ? shortestOf(listed.get('bolt') ?? [])
        : undefined;
    const asked = byLength?.thread ? { ...torque, about: byLength.thread.replace(' x ', ' × ') } : torque;
    const said = jointSentences(drafting, packing, asked);
    const sentence = reading.steps[torque.step]?.text ?? '';
    const thread = asListed(
      drafting,
      threads,
      asked,
      threadOf(asked, said),
      [said.count?.step, ...said.assembled],
      asked.about === undefined && said.thread?.value.pitchAssumed === true,
    );
    const written = thread?.designation.replace(' × ', ' x ');
    const version = variants.nameAt(torque.step);
    const row = inTable(sentence);
    // Of several lengths of one size, the one its sentences name.
    const long = said.thread?.value.designation === thread?.designation ? said.thread?.value.lengthMm : undefined;
    const own = (kind: ItemKind): readonly Item[] => {
      const ofSize = written === undefined ? [] : (listed.get(`${kind} ${written}`) ?? []);
      const ofLength = ofSize.filter(({ lengthMm }) => long !== undefined && lengthMm === long);
      return ofLength.length > 0 ? ofLength : ofSize;
    };
    const spent = [...own('bolt'), ...own('nut')].every((item) => left(item) <= 0);
    // A value said again of the same joint is the same value: its words are the same, or its pieces are all placed.
    const again = drawn
      .slice(-SAID_AGAIN)
      .find(
        (other) =>
          other.version === version &&
          !(row && other.row) &&
          Math.abs(other.torque.value.maxNm - torque.value.maxNm) < 0.02 * torque.value.maxNm &&
          (other.thread === written || written === undefined) &&
          (said.words.length === 0 ||
            other.words.length === 0 ||
            said.words.some((word) => other.words.includes(word))) &&
          (spent || said.count === undefined || other.torque.step < torque.step) &&
          (written === undefined ? said.words.some((word) => other.words.includes(word)) : spent || labelsSpent(said)),
      );
    // `Every six months, put the wrench on the M12 nuts again`: of a joint that is there, whatever leads up to it.
    const later = inStep(torque.step).some(isKind('aftercare'))
      ? drawn.find(
          ({ thread, torque: { value } }) =>
            (written === undefined || thread === written) && value.maxNm === torque.value.maxNm,
        )
      : undefined;
    if (later) {
      groupOf.set(torque, later.group);
      place(torque, pathOf(later.group));
      continue;
    }
    const more = ONCE_MORE.test(sentence) ? pulledAgain(drawn, torque, written, partWords(sentence)) : undefined;
    if (again ?? more) {
      const same = (again ?? more) as Drawn;
      groupOf.set(torque, same.group);
      place(torque, pathOf(same.group));
      continue;
    }
    // `A goes round at 12 Nm. B follows at 20 Nm`: of the same pieces, one stage and then the next.
    const raised =
      said.pointsAt === undefined
        ? undefined
        : drawn.find(
            ({ pointsAt, torque: { value } }) => pointsAt === said.pointsAt && value.maxNm < torque.value.maxNm,
          );
    const stagedGroup = raised && kit.groups.find(({ id }) => id === raised.group);
    if (raised && stagedGroup) {
      const share = (nm: number) => Math.round((nm / torque.value.maxNm) * 1000) / 1000;
      const sofar = stagedGroup.stages ?? [1];
      stagedGroup.stages = [...sofar.map((stage) => share(stage * raised.torque.value.maxNm)), 1];
      for (const station of kit.stations) if (stagedGroup.stations.includes(station.id)) station.specs = [printed()];
      raised.torque = torque;
      stagedIn.set(torque.step, raised.group);
      place(torque, pathOf(raised.group));
      continue;
    }
    // What holds a wheel is the vehicle's, unless the list has wheel nuts or bolts.
    const wheelsOwn = HOLDS_WHEEL.test(sentence) && !listsWheelNuts;
    const ofLabel = (kind: ItemKind) => said.items.find((item) => item.kind === kind && left(item) > 0);
    // Neither size nor label: the only piece of its kind that the list has left, or the only one there are so many of.
    let calledBeside: string | undefined;
    const figures = inStep(torque.step).filter(isKind('torque')).length;
    const sizesAlone = [...phrase.matchAll(SIZES_ALONE)];
    const inch =
      inchOf(torque.about) ??
      sizesAlone.at(-1)?.[1] ??
      inchSizeIn(phrase) ??
      (figures === 1 ? inchSizeIn(sentence) : undefined);
    const only = (kind: ItemKind): Item | undefined => {
      const named =
        said.kinds.length > 0 ? said.kinds : [inch === undefined ? KIND_OF[said.count?.value.noun ?? ''] : 'bolt'];
      if (written !== undefined || said.items.length > 0 || !named.includes(kind)) return undefined;
      if (said.ofVehicle || wheelsOwn) return undefined;
      const rest: Item[] = [];
      const asMany: Item[] = [];
      for (const item of listed.get(kind) ?? []) {
        if (item.source !== 'kit' || left(item) <= 0 || waits(item, torque.step)) continue;
        // The inner nut is none of the outer ones.
        if (elsewhere(phrase, item.name)) continue;
        rest.push(item);
        const times = said.times?.times ?? 1;
        if (said.count && [1, times].some((often) => left(item) === (said.count?.value.count ?? 0) * often))
          asMany.push(item);
        if (rest.length > MOST_LOOKED_AT) return undefined;
      }
      if (rest.length === 1) return rest[0];
      // `Slide the header in. Start all bolts. Torque to 18 ft-lb`: the header bolts of the list.
      const near = said.subject === undefined ? [] : [said.subject - 1, said.subject];
      const words = near.flatMap((at) => tellingWords(reading.steps[at]?.text ?? ''));
      const beside = rest.filter((item) => wordsOf.get(item.id)?.some((word) => words.includes(word)));
      if (beside.length === 1) {
        calledBeside = wordsOf.get(beside[0]?.id ?? '')?.find((word) => words.includes(word));
        return beside[0];
      }
      const ofInch = inch === undefined ? [] : rest.filter(({ name }) => name.endsWith(` ${inch}"`));
      if (ofInch.length === 1) return ofInch[0];
      // Several, and the sentence calls one of them by its name: the bolts, the button heads.
      const whole = rest.filter((item) => isCalled(item, sentence, true));
      const called = whole.length > 0 ? whole : rest.filter((item) => isCalled(item, sentence, false));
      if (called.length === 1) return called[0];
      if (asMany.length === 1) return asMany[0];
      // `Join the halves with six button head bolts`, and further on `the six joining bolts`.
      const counted = reading.steps[said.count?.step ?? torque.step]?.text ?? '';
      const byHead = rest.filter((item) => item.head !== undefined && HEAD_IN_WORDS[item.head]?.test(counted));
      return byHead.length === 1 ? byHead[0] : undefined;
    };
    // `(the hinge brackets)` on the list, and the joint is the hinge's; a line without a size has that of its joint.
    const ofWords = (kind: ItemKind): Item | undefined => {
      if (said.items.length > 0 || said.ofVehicle || wheelsOwn) return undefined;
      const named = (listed.get(kind) ?? []).filter(
        (item) =>
          item.source === 'kit' &&
          left(item) > 0 &&
          (written === undefined || item.thread === undefined) &&
          (said.words.some((word) => wordsOf.get(item.id)?.includes(word)) ||
            (written !== undefined && isCalled(item, sentence, true))),
      );
      return named.length === 1 ? named[0] : undefined;
    };
    // `lock nut` of a sentence, and the list has one line of them that says no size.
    const unsized = (kind: ItemKind): Item | undefined => {
      if (written === undefined || !kindsIn(sentence).includes(kind)) return undefined;
      const rest = (listed.get(kind) ?? []).filter((item) => item.source === 'kit' && left(item) > 0);
      const [one] = rest;
      return rest.length === 1 && one?.thread === undefined ? one : undefined;
    };
    // `Snug the U-bolt nuts`: the bolts are called by their form, and their nuts are twice as many.
    const callsUBolts =
      U_BOLTS.test(sentence) &&
      (written === undefined || said.kinds.includes('nut')) &&
      said.items.every(({ form }) => form === 'uBolt');
    const formed = callsUBolts
      ? (listed.get('bolt') ?? []).filter((item) => item.form === 'uBolt' && left(item) > 0)
      : [];
    const bent = formed.length === 1 ? formed[0] : undefined;
    // `U-bolts are tightened …`: no straight bolt of the list is one.
    const straight = U_BOLTS.test(phrase) && uBolts.length === 0;
    const named =
      bent ??
      byLength ??
      ofLabel('bolt') ??
      own('bolt').find((item) => left(item) > 0) ??
      ofWords('bolt') ??
      (straight ? undefined : only('bolt'));
    // The nuts of the bolts' own thread go with them, where neither the label nor the size named any.
    const mate =
      named?.thread !== undefined &&
      named.source === 'kit' &&
      (byLength ?? written) === byLength &&
      said.items.length === 0
        ? listed.get(`nut ${named.thread}`)?.find((item) => left(item) >= left(named))
        : undefined;
    const nut =
      (bent ? (listed.get('nut') ?? []).find((item) => left(item) === NUTS_OF_U_BOLT * left(bent)) : undefined) ??
      (byLength
        ? undefined
        : (ofLabel('nut') ?? own('nut').find((item) => left(item) > 0) ?? only('nut') ?? unsized('nut'))) ??
      mate;
    // A U-bolt has two nuts, each a station; it goes on with them as a part does.
    const uBolt =
      named?.form === 'uBolt' && nut && left(nut) > 0 && left(nut) >= NUTS_OF_U_BOLT * left(named) ? named : undefined;
    const bolt = uBolt ? undefined : named;
    for (const piece of [bolt, nut]) if (piece?.source === 'kit' && written !== undefined) piece.thread ??= written;
    const counted = said.count;
    const clamps = said.items.filter((item) => item.kind === 'clamp' && left(item) > 0);
    const clamp = counted?.value.noun === 'clamp' && !bolt && !nut && clamps.length === 1 ? clamps[0] : undefined;
    const has = Math.min(
      clamp ? left(clamp) : Number.POSITIVE_INFINITY,
      bolt && left(bolt) > 0 ? left(bolt) : Number.POSITIVE_INFINITY,
      nut && left(nut) > 0 ? left(nut) : Number.POSITIVE_INFINITY,
    );
    const ofUBolts = uBolt && counted && KIND_OF[counted.value.noun] === 'bolt' ? NUTS_OF_U_BOLT : 1;
    const each = counted && counted.value.count * ofUBolts;
    // `All six on` counts them all; `two to each hanger` as often as there are hangers.
    const all =
      counted !== undefined &&
      /\ball\b/i.test(
        (reading.steps[counted.step]?.text ?? '')
          .slice(Math.max(0, counted.start - (reading.steps[counted.step]?.start ?? 0) - 8))
          .slice(0, 12),
      );
    const wheels = NUTS_EACH.test(sentence) ? wheelsOff(reading.steps) : undefined;
    const first = !inStep(torque.step).some((fact) => fact.value.kind === 'torque' && fact.start < torque.start);
    // Without numbers only what was pulled before is repeated.
    const inParagraphs = reading.steps[torque.step]?.number === undefined;
    // `at each end` is of one side; so many to each of the parts on the list are of all of them.
    const eachEnd =
      said.times?.places === 'pieces' &&
      /\b(?:each|either|both) ends?\b/i.test(reading.steps[said.count?.step ?? torque.step]?.text ?? '');
    const sidesLater =
      (said.times === undefined || eachEnd) &&
      !row &&
      !HOLDS_WHEEL.test(sentence) &&
      // `Fit the arm … other side the same`, and its bolts are pulled further on, on both.
      (inParagraphs
        ? [torque.step]
        : [torque.step, said.count?.step ?? torque.step, ...said.assembled, ...fittedWith(drafting, said, torque.step)]
      ).some((step) => doneOnOtherSide(reading.steps, step));
    const times: Times | undefined = sidesLater ? { times: 2 * (said.times?.times ?? 1), places: 'sides' } : said.times;
    // `two each side` is done at once; what `the other side` repeats is done there.
    const apart =
      times?.places === 'sides' &&
      !row &&
      !HOLDS_WHEEL.test(sentence) &&
      ![torque.step, said.count?.step ?? torque.step].some((step) => {
        const here = timesIn(reading.steps[step]?.text ?? '', []);
        return here !== undefined && here.places !== 'pieces';
      });
    const ofParts = counted && first && !times && !all ? partsBefore(reading.steps, torque.step) : undefined;
    const unsaid = !counted && !bolt && !nut && !times;
    // `Three M6 each rail`, and the list has six: as many as it has, where no other figure is for them.
    const ofOneShare = (counted?.value.count ?? 0) * (times?.times ?? 1);
    const sharedOut =
      counted !== undefined &&
      !all &&
      (times ? SHARED_BEYOND_SIDES : SHARED_OUT).test(reading.steps[counted.step]?.text ?? '') &&
      Number.isFinite(has) &&
      has > ofOneShare &&
      has % ofOneShare === 0 &&
      has / ofOneShare <= MOST_SHARES &&
      figuresOf.get(torque.about) === 1;
    // `Number: a 4, b 2`, of the rows that bear these letters.
    const ofLetter = counted ? undefined : ofLetters.get(rowLetter(sentence) ?? '');
    const off =
      !counted && !bolt && !nut && ofLetter === undefined && (!times || sidesLater)
        ? countTakenOff(drafting, said, torque)
        : undefined;
    // `Front M10 x 30`, `Middle M10 x 30` of one table: each row has its share of the list's.
    const rows = row && each === undefined ? (rowsOfSize.get(torque.about) ?? 0) : 0;
    if (rows > 0) rowsOfSize.set(torque.about, rows - 1);
    const wanted =
      ofLetter ??
      (off && off.count * (sidesLater ? 2 : 1)) ??
      (each === undefined
        ? Number.isFinite(has)
          ? rows > 1 && has % rows === 0
            ? has / rows
            : has
          : // `Clips (4)`: as many as the list has of them, screwed by themselves as they are.
            (times?.times ?? said.items.find((item) => left(item) > 0)?.quantity ?? 1)
        : sharedOut
          ? has
          : (ofListedParts(drafting, said, torque.step, each, has) ??
            each * (wheels ?? (times && !all ? times.times : sidesLater ? 2 : (ofParts ?? 1)))));
    // What only the prose counts is of one part or of one side, and there are as many as the parts want.
    const ofOne = ofParts !== undefined || sidesLater;
    const most = ofOne && pieces.length === 0 ? Number.POSITIVE_INFINITY : has;
    const count = Math.max(1, Math.min(wanted, most, 200));
    if (most > has && bolt) bolt.quantity = Math.max(bolt.quantity, count);
    if (counted) place(counted, `groups[${kit.groups.length}]`);
    const kind =
      bent || (U_BOLTS.test(phrase) && !nut) ? 'U-bolts' : `${nut && !bolt ? 'nut' : (said.kinds[0] ?? 'bolt')}s`;
    if (said.keyed !== undefined) keyedRows.add(said.keyed);
    const section = sectionOf(reading.steps, said.keyed ?? torque.step)?.replace(/\s*\(\d+\)/g, '');
    const size = (thread ?? threadNamed((bolt ?? nut)?.thread))?.designation;
    const unlisted = thread === undefined && inch !== undefined && !said.kinds.includes('nut') ? `${inch}"` : undefined;
    const plain =
      section !== undefined && tellingWords(section).length + partWords(section).length > 0
        ? `${capital(section.toLowerCase())} ${kind}`
        : (size ?? unlisted)
          ? `${size ?? unlisted} ${kind}`
          : said.kinds[0] === undefined
            ? 'Joint'
            : capital(kind);
    const numbered = `${plain}, step ${(reading.steps[torque.step]?.number ?? torque.step + 1).toString()}`;
    // A size alone names a joint as long as it is the only one of its size.
    const taken = plain === 'Joint' || kit.groups.some((group) => group.title === plain);
    // `Screws` alone says less than their size.
    const bySize =
      thread &&
      !/\s/.test(said.title ?? '') &&
      // The one word of a cell is a name; of a sentence it may be any.
      (!row || said.title === undefined || kindsIn(said.title).length > 0) &&
      !said.words.some((word) => word.startsWith('part '));
    const beside = calledBeside && `${capital(calledBeside)} ${kind}`;
    // `5/8s got 150 ft-lbs`: called by their size alone.
    const called = bySize || sizesAlone.length > 0 ? undefined : (said.title ?? beside);
    // Two rows of one name are told apart by what stands in brackets: `chassis face (inner row)`.
    const which = /^[^|\t]{3,40}?\((\p{L}[\p{L} -]{2,24})\)/u.exec(sentence)?.[1];
    const twice = called !== undefined && which !== undefined && kit.groups.some((group) => group.title === called);
    // `New damper in: upper 68 Nm, lower 115 Nm`: each by its place.
    const atPlace = PLACE_ALONE.exec(phrase)?.[1]?.toLowerCase();
    const placed =
      called !== undefined && atPlace && !called.toLowerCase().includes(atPlace)
        ? `${called.replace(ENDS_PLACE, '')}, ${atPlace}`
        : called;
    const bare = twice ? `${called}, ${which}` : (placed ?? (taken ? numbered : plain));
    // `Left foot` that stands on both sides is `Foot`.
    const onBoth =
      times?.places === 'sides' ? capital(bare.replace(/^(?:left|right)(?:[- ]hand)? (?=\p{L})/iu, '')) : bare;
    const title = clip(version ? `${onBoth}, ${version}` : onBoth, 80);
    const onlyFor = variants.conditionAt(torque.step);
    const groupPath = `groups[${kit.groups.length}]`;
    // `two per leg`, and nobody says how many legs: asked.
    const shared = counted !== undefined && !times && !all && SHARED_OUT.test(reading.steps[counted.step]?.text ?? '');
    const perUnknown =
      shared &&
      (counted?.value.count ?? 0) === count &&
      !Number.isFinite(bolt?.source === 'kit' && pieces.length > 0 ? has : Number.POSITIVE_INFINITY);
    if (
      (unsaid && off === undefined && ofLetter === undefined) ||
      perUnknown ||
      ofParts !== undefined ||
      (sidesLater && !counted && off === undefined) ||
      sharedOut
    )
      assume(groupPath, 'countAssumed', title);
    let piece = bolt ?? nut;
    if (!piece) {
      const noun =
        KIND_OF[counted?.value.noun ?? torque.about ?? ''] === 'nut' ||
        /\bnuts?\b/i.test(title) ||
        (counted === undefined && said.kinds[0] === 'nut')
          ? 'nut'
          : 'bolt';
      const index = addItem(
        {
          kind: noun,
          name: clip(`${noun === 'nut' ? 'Nut' : 'Bolt'}, ${title}`, 120),
          quantity: count,
          ...(written ? { thread: written } : {}),
          ...(noun === 'bolt' ? { head: 'hex' as const } : {}),
        },
        'factory',
      );
      piece = kit.items[index] as Item;
      assume(`items[${index}]`, 'boltNotListed', piece.name);
    }
    const ofThread = thread ?? threadNamed(piece.thread);
    const sizeOfJoint = ofThread?.designation.replace(' × ', ' x ');
    const fits = (item: Item) =>
      (ofThread === undefined || sizeAlone(washerFor.get(item.id) ?? sizeOfJoint) === sizeAlone(sizeOfJoint)) &&
      fitsBySize(item.name, ofThread, metricSizes);
    const factory = piece.source === 'factory';
    const byLabel = said.items.filter((item) => item.kind === 'washer' && left(item) >= count);
    const washers = washersOf(
      byLabel.length > 0
        ? byLabel
        : factory
          ? []
          : (listed.get('washer') ?? []).filter((item) => left(item) >= count && fits(item)),
      { bolt, nut, often: (item) => left(item) / count },
    );
    const driveFact = said.drive ?? (factory ? (driveTakenOff(drafting, title) ?? off?.drive) : undefined);
    // A cross or square bit is no drive a wrench has: it is looked at at the head.
    const jointThread = thread ?? threadNamed(piece.thread);
    const told = driveFact && turns(driveFact.value.drive, jointThread) ? driveFact.value.drive : undefined;
    const drive: DriveSize | undefined =
      told?.kind === 'cross' || told?.kind === 'square'
        ? { kind: 'unknown' }
        : (told ?? usualDrive(jointThread, piece.head));
    const compoundFact = said.compound;
    const compound =
      compoundFact && isCompound(compoundFact.value.compound)
        ? compoundId(compoundFact.value.compound, compoundFact.confidence)
        : undefined;
    if (compoundFact && compound) {
      place(compoundFact, `compounds[${kit.compounds.findIndex((entry) => entry.id === compound)}]`);
      if (compoundFact.confidence < 1) assume(groupPath, 'strengthAssumed', title);
      if (compoundFact.step !== torque.step) assume(groupPath, 'compoundNearby', title);
    }
    for (const item of [piece, nut]) if (item) used.set(item.id, (used.get(item.id) ?? 0) + count);
    for (const { id } of [...washers.underHead, ...washers.underNut]) used.set(id, (used.get(id) ?? 0) + count);
    const members: string[] = [];
    // The sides are counted on from the joint before: L1 and R1, then L2 to R4.
    let before = (times && countedOn.get(times.places)) ?? 0;
    const marks = (from: number) =>
      Array.from({ length: count }, (_, at) => placeOf(at, count, times, from).label ?? '');
    while (marks(before).some((label) => labels.has(label))) before++;
    if (times) countedOn.set(times.places, before);
    for (let at = 0; at < count; at++) {
      const stack = stackOf(piece, nut, washers);
      const where = placeOf(at, count, times, before);
      const station: Station = {
        id: freshId(`s${kit.stations.length + 1}`),
        label: where.label && !labels.has(where.label) ? where.label : String(kit.stations.length + 1),
        name: clip(`${title}, ${where.words}`, 120),
        ...placeholderSpot(at),
        stack,
        ...(compound ? { compound } : {}),
        // What holds a wheel is tightened on the ground, dry, and looked at again.
        ...(HOLDS_WHEEL.test(title) ? { tags: ['wheel' as const] } : {}),
        specs: [printed()],
        drive: drive ?? { kind: 'unknown' },
      };
      labels.add(station.label);
      members.push(station.id);
      kit.stations.push(station);
    }
    const stages = stageShares(torque.value);
    const group = freshId(`group ${kit.groups.length + 1}`);
    kit.groups.push({
      id: group,
      title,
      map: placeholderMap(title, count),
      stations: members,
      ...(said.pattern ? { torqueOrder: orderOf(said.pattern, members) } : {}),
      ...(stages ? { stages } : {}),
      ...(said.rideHeight ? { atRideHeight: true } : {}),
      ...(onlyFor ? { when: onlyFor } : {}),
    });
    // `All 1/2" hardware`: the other bolts of that size too, each line of the list a joint of its own.
    const alike =
      bolt && written !== undefined && ALL_OF_SIZE.test(sentence)
        ? own('bolt').filter((item) => item !== bolt && item.source === 'kit' && left(item) > 0)
        : [];
    const others = alike.flatMap((item) => likeIt(drafting, { group, bolt: bolt as Item, item, labels }));
    if (others.length > 0) together.set(group, others);
    for (const item of alike) used.set(item.id, item.quantity);
    if (apart && others.length === 0 && !uBolt) sided.set(group, torque.step);
    drawn.push({
      group,
      torque,
      words: said.words,
      parts: partWords(sentence),
      row,
      ...(said.pointsAt === undefined ? {} : { pointsAt: said.pointsAt }),
      ...(version ? { version } : {}),
      ...(written ? { thread: written } : {}),
    });
    if (uBolt) {
      uBolt.fittedWith = group;
      used.set(uBolt.id, uBolt.quantity);
    }
    groupOf.set(torque, group);
    for (const at of said.assembled) if (!assembledIn.has(at)) assembledIn.set(at, group);
    place(torque, groupPath);
    if (said.thread) place(said.thread, groupPath);
    if (said.pattern) place(said.pattern, `${groupPath}.torqueOrder`);
    for (const fact of drafting.inStep(torque.step))
      if (fact.value.kind === 'rideHeight') place(fact, `${groupPath}.atRideHeight`);
    if (driveFact) place(driveFact, groupPath);
    if (count > 1) assume(`${groupPath}.map`, 'positionsUnknown', title);
    assume(groupPath, 'thicknessUnknown', title);
    if (!driveFact) assume(groupPath, drive ? 'driveFromThread' : 'driveUnknown', title);
  }
  const words = new Map(drawn.map((joint) => [joint.group, [...joint.words, ...joint.parts]]));
  return { groupOf, assembledIn, keyedRows, stagedIn, words, together, sided };
}
