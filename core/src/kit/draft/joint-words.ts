import { HARDWARE, NUMBER_WORDS } from '../../sheet/lexicon.ts';
import { recordName } from '../../sheet/record-lines.ts';
import type { SheetStep } from '../../sheet/step-split.ts';
import type { ItemKind } from '../piece-kind.ts';
import { KIND_OF, type Of } from './drafting.ts';

/** Words that tell one joint of a sheet from another: `hanger`, `guard`, `tower`; no hardware, no verbs, no places. */
const PLAIN = new Set(
  'the a an of to and or with for in on at by from into onto all both each every other one two three four five six eight ten twelve then now first last finally them they it its these those this that new old same final finish tighten tightening torque pull bring set bolt place fit install mount use using hand start loose loosely snug side sides left right front rear upper lower top bottom inner outer kit supplied socket spanner wrench key mm nm inch step value figure pattern order cross crosswise star until not only again after before when threads thread dry medium high blue red strength drop end ends vehicle car truck ground wheels on be is are go goes get gets take takes should must shall will can you your do has have per newton metre meter pound kilo threadlocker locker torqued tightened stages stage pass passes round rounds goes item items ref reference line position class grade move push unplug connect disconnect reconnect spray scrape hang raise keep check undo remove replace unclip little bit anti seize antiseize paste lbs reach time inst rem repl adj insp aluminium aluminum plastic steel alloy brass couple put back drawn run their'.split(
    ' ',
  ),
);

const singular = (word: string): string =>
  word === 'feet' ? 'foot' : word.length > 3 && /[^s]s$/.test(word) ? word.slice(0, -1) : (WORK_OF[word] ?? word);

/** What pieces are called by the work that puts them in: `Join the halves`, and `the joining bolts`. */
const WORK_OF: Readonly<Record<string, string>> = {
  joining: 'join',
  fixing: 'fix',
  clamping: 'clamp',
  hanging: 'hang',
};

/** The words of a sentence that name what it works on, singular. */
export const tellingWords = (text: string): string[] =>
  (text.toLowerCase().match(/\p{L}{3,}/gu) ?? [])
    .map(singular)
    .filter((word) => !PLAIN.has(word) && !HARDWARE.has(word));

const PLACED =
  /\b(front|rear|upper|lower|inner|outer|left|right|top|bottom|middle|long|short)\s+(?:ones?|bolts?|nuts?|screws?|studs?|pair)\b/gi;
/** `the uppers get 60` */
const PLACED_ALONE = /\b(front|rear|upper|lower|inner|outer|top|bottom)s\b/gi;
/** Joints that are told apart by where they are alone: `front bolts`, `the front ones`; never a word of {@link tellingWords}. */
export const placedOnes = (text: string): string[] =>
  [...text.matchAll(PLACED), ...text.matchAll(PLACED_ALONE)].map(([, place = '']) => `${place.toLowerCase()} ones`);

/** The words that name a part: those that tell joints apart, and pieces that fasten nothing: `bracket`, `hook`, `plate`. */
export const partWords = (text: string): string[] =>
  (text.toLowerCase().match(/\p{L}{3,}/gu) ?? [])
    .map((word) => HARDWARE.get(word) ?? singular(word))
    .filter((word) => !PLAIN.has(word) && KIND_OF[word] === undefined);

/** What a row of a work order does, in a column of its own: `INST`, `R&R`. Common practice, no source. */
export const WORK_CODE =
  /^(?:R ?[&/+] ?[RI]|inst(?:all)?|rem(?:ove)?|repl(?:ace)?|adj(?:ust)?|insp(?:ect)?|chk|check|bleed|test|fit|o\/h)\.?$/i;
/** Whether a line is a row of a work order: `020   R&I    CALIPER, 2 BOLTS PER SIDE`. */
export const isWorkRow = (text: string): boolean =>
  /^\s*\d{1,4}\s{2,}\S/.test(text) && WORK_CODE.test(text.trim().split(/\s{2,}/)[1] ?? '');

/** Bolts that are called by their form. */
export const U_BOLTS = /\bU-? ?bolts?\b/i;

/** Places of which a joint has one: what is said of the front bolts is not said of the rear ones. */
const OPPOSITE: ReadonlyArray<readonly [RegExp, RegExp]> = [
  [/\b(?:front|forward)\b/i, /\b(?:rear|back edge)\b/i],
  [/\bupper\b/i, /\blower\b/i],
  [/\binner\b/i, /\bouter\b/i],
  [/\btop\b/i, /\bbottom\b/i],
];

/** Whether a sentence speaks of the place opposite to a phrase's: `rear edge` against `front bolts`. */
export const elsewhere = (phrase: string, sentence: string): boolean =>
  OPPOSITE.flatMap(([one, other]) => [
    [one, other],
    [other, one],
  ]).some(
    ([here, there]) => here?.test(phrase) && !there?.test(phrase) && there?.test(sentence) && !here.test(sentence),
  );

/** A figure, and what parts it from the next joint of its run: `hooks 18 Nm, brackets 20 Nm`. */
const FIGURE_BEFORE =
  /\d\s?(?:n·?m|(?:ft|in)[ -]?lbs?|lb[ -]?(?:ft|in)|kgf?[ ·.]?m|kpm)\)?(?:,|;|,? and|,? &)\s+(?=(?:[^\d.;:]|\bM\d{1,2}\b|\b\d{1,2}(?:-\d{1,2})?(?:\/\d{1,2})?["”])*$)/giu;
/** `Torques, top to bottom: hooks 18 Nm`, `Tighten from front to rear: flange bolts 24 Nm`: what stands before the colon opens the run and names none of it. */
const OPENS_RUN =
  /^\s*(?:(?:tightening )?(?:torques?|settings?|figures?|values?)|(?:then |now |finally )?tighten from)\b[^:.;]{0,30}:\s*/i;
/** A joint's name in such a run is short. */
const LONGEST_IN_RUN = 40;

/** How far back the figure before it may stand, characters; a talk may be one sentence. */
const RUN_REACH = 200;

/** The name of a joint in a run of names and figures; undefined where a sentence is none. */
function nameInRun(before: string): string | undefined {
  const near = Math.max(0, before.length - RUN_REACH);
  const last = [...before.slice(near).matchAll(FIGURE_BEFORE)].at(-1);
  const opened = OPENS_RUN.exec(before)?.[0];
  const from = last ? near + last.index + last[0].length : opened?.length;
  if (from === undefined || before.length - from > LONGEST_IN_RUN) return undefined;
  // `52 ft-lbs, and brake line, 84 in-lbs`
  const name = before
    .slice(from)
    .replace(/^and\s+/i, '')
    .replace(/[,:(]\s*$/, '');
  if (/\b(?:then|until|back off|turn|again|more|less|not|never)\b|[,(]/i.test(name)) return undefined;
  return partWords(name).length > 0 || kindsIn(name).length > 0 ? name : undefined;
}

/** A part and nothing more, between a verb of tightening and its figure. */
const TIGHTENED_PART =
  /^\W*(?:(?:now|then|finally) )?(?:tighten|torque|pull up|do up|secure) (?:(?:the|both|all|these) ){0,2}([\p{L} -]{3,30}?)\s*(?:to|at|\()?\s*$/iu;

/**
 * The parts that alone name a joint in a run of names and figures: `hooks 18 Nm, brackets 20 Nm`; as
 * {@link SentenceIndex} has them.
 */
export function partsInRun(step: SheetStep, at: number): string[] {
  const before = step.text.slice(0, Math.max(0, at - step.start));
  // `Tighten the hooks to 22 Nm, then look …`: what stands behind the figure is no name of it.
  const name = nameInRun(before) ?? TIGHTENED_PART.exec(before)?.[1];
  return name === undefined || tellingWords(name).length > 0 ? [] : partKeys(name);
}

/** The parts of a text, told from the words that name a joint. */
export const partKeys = (text: string): string[] => partWords(text).map((part) => `part ${part}`);

/** A stage without a unit that leads up to a figure: `to 14, then to`. */
const STAGE_BEFORE =
  /\s(?:(?:first |up )?(?:to|at)\s+)?\d{1,3}(?:[.,]\d)?,?\s+(?:and\s+)?(?:then|finally|afterwards)\s+(?:to|at|up to)?\s*$/i;

/** `U-bolts are tightened in a cross pattern until all four reach`: what is done, and how. */
const SUBJECT_DONE =
  /^\W*(?:(?:the|all|both|all the|these) )?([^.;:,]{2,60}?) (?:are|is|get|gets|(?:must|should|can|may|have to|has to|are to|is to) be) (?:(?:now|then|finally|evenly|first|last|also|always) )*(?:tightened|torqued|pulled|done up|nipped|snugged|drawn)\b/i;

/** `With the weight of the truck on its wheels tighten these`: when it is done, without a comma behind it. */
const ON_ITS_WHEELS =
  /^\W*(?:with|when|once) [^.;,]{0,50}\b(?:on (?:its|the) (?:wheels|ground|tyres|tires)|at ride height|loaded)\b,?\s*/i;

/** The noun phrase a torque is said of: what stands before it in its clause. */
export function phraseBefore(step: SheetStep, at: number): string {
  const named = recordName(step.text);
  if (named !== undefined) return named;
  // `bring the screws up to 14, then to 22 Nm`: the stage before it is of the same phrase.
  const before = step.text.slice(0, Math.max(0, at - step.start)).replace(STAGE_BEFORE, ' ');
  // Behind another figure of its row a cell speaks for itself: `A 45 Nm     E 20 Nm`.
  const cells = before.split(/\s{3,}/);
  const inRun = nameInRun(before);
  const own =
    inRun ??
    (/\p{L}/u.test(cells.at(-1) ?? '') && /\d\s?(?:n·?m|ft|lb|kg)/i.test(cells.at(-2) ?? '') ? cells.at(-1) : before);
  const clause =
    (own ?? before)
      .split(/(?<!\b(?:in|ft|lb|lbs|no|max|min|approx|dia))\.\s|;\s|,\s(?=then|and then)|\bthen\b/i)
      .at(-1) ?? before;
  const done = SUBJECT_DONE.exec(before)?.[1];
  if (
    done !== undefined &&
    kindsIn(done).length > 0 &&
    kindsIn(before.slice(before.indexOf(done) + done.length)).length === 0
  )
    return done.trim();
  return (
    clause
      // `When the ladder lies level, the screws`: how far the work is.
      .replace(/^\W*(?:when|while|once|as soon as|after|before|with)\b[^,]*,\s*/i, '')
      .replace(ON_ITS_WHEELS, '')
      .replace(/^\W*in (?:both|all|either|any|each|every) cases?,?\s+/i, '')
      .replace(/\b(?:re-?)?(?:tighten|torque|pull|bring|set|finish|nip|snug)\w*\b/gi, ' ')
      .replace(/\b(?:to|with|at|is|are|be|go(?:es)? to|until|final(?:ly)?)\b\s*$/i, ' ')
      .replace(/(?:[|:=–→-]|->|=>)+\s*$/, ' ')
      .replace(/\s+/g, ' ')
      .trim()
  );
}

/** A capital that stands alone within a sentence: no article, no unit behind a number, and no name of a step or a place. */
const BARE_LABEL =
  /(?<=\b(?!(?:step|fig|figure|type|class|grade|side|position|view|detail|section|page|table|option|version|hole|point|note|rev|issue|part|plan)\b)[a-z]{2,}s?(?:[ -]to)? )([A-HJ-Z])(?![\w'’.-]*\w)/gi;

/** `F1 through from the front`: a letter and a number; `M8` is a thread, `A2-70` a class. */
const NUMBERED_LABEL = /\b[A-HJ-LN-Z]\d{1,2}\b(?!-)/g;

/** `Start all six A`, `spacer D over the stud`: pieces called by the letter of their line alone. */
export const bareLabels = (text: string): string[] => [
  ...[...text.matchAll(NUMBERED_LABEL)].map(([label]) => label.toLowerCase()),
  ...[...text.matchAll(BARE_LABEL)].flatMap(([, letter = '']) =>
    letter === letter.toUpperCase() ? [letter.toLowerCase()] : [],
  ),
];

/** References of a text to lines of a packing list: `(c)`, `bolts (2)`, `item 3`. */
export function referencesIn(text: string, labels: ReadonlySet<string>): string[] {
  const found: string[] = [];
  // `A+B+B+C: brackets to bumper`, and a card's `A 45 Nm`.
  for (const match of text.matchAll(
    /\b([A-Z])(?=[+/][A-Z]\b|(?<=^[A-Z])\s{2,}|(?:\s{1,3}|: ?)\d|\s*$|\s(?:last|first|to)\b)|(?<=\b[A-Z][+/])([A-Z])\b/g,
  )) {
    const label = (match[1] ?? match[2] ?? '').toLowerCase();
    if (labels.has(label) && !found.includes(label)) found.push(label);
  }
  for (const label of bareLabels(text)) if (labels.has(label) && !found.includes(label)) found.push(label);
  // `use ② ③ ④`
  for (const [circled] of text.matchAll(/[\u2460-\u2473]/g)) {
    const label = String((circled.codePointAt(0) ?? 0) - 0x245f);
    if (labels.has(label) && !found.includes(label)) found.push(label);
  }
  for (const match of text.matchAll(/\((\w{1,3})\)|\bitems? (\w{1,3})\b/gi)) {
    const label = (match[1] ?? match[2] ?? '').toLowerCase();
    if (labels.has(label)) found.push(label);
  }
  return found;
}

/** How often a count stands: `two to each hanger`, `three per side`, `on both sides`, `at each corner`. */
export interface Times {
  times: number;
  /** Left and right where it is the sides, the corners where it is those. */
  places: 'sides' | 'corners' | 'pieces';
}

/** `four of the nuts, two a side`: what goes to a side is a share of what was counted. */
const SHARE_OF_SIDE = /\b(\d{1,2}|one|two|three|four|five|six|eight) (?:a|per|each|to a|on each) side\b/i;

/** Whether a sentence shares its count over both sides, and does not count one of them: `six bolts, three a side`. */
export function isShared(text: string, count: number): boolean {
  const share = SHARE_OF_SIDE.exec(text)?.[1]?.toLowerCase() ?? '';
  return 2 * (Number(share) || NUMBER_WORDS[share] || 0) === count;
}

const SIDES =
  /\b(?:both|each|either|per) sides?\b|\ba side\b|\b(?:on|at) (?:the )?left and (?:the )?right\b|\bother side (?:likewise|the same|too)\b|\brepeat (?:for|on) the other side\b|\bsame (?:again )?(?:on|for|at) the (?:other side|right|left)\b|\bsame again on the (?:front |rear )?(?:left|right)\b|\bleft and right, (?:\w+ )*each\b|\bleft and right (?:are )?(?:the same|alike|likewise|identical)\b/i;
const CORNERS = /\b(?:all four|each|every|at the four) (?:corners?|wheels?|hubs?)\b/i;
/** `Same at all four uprights`, `repeat for the other three`: how often it is done in all. */
const SAME_AT =
  /\b(?:same|repeat(?:ed)?|likewise|ditto)\b(?! with\b)[^.;]{0,24}?\b(?:all|(the other))\s+(two|three|four|five|six|eight|[2-8])\b/i;
const EACH = /\b(?:each|every|per|a|both|the two)\s+(\p{L}{3,})\b/giu;

/**
 * How often the count of a sentence stands.
 *
 * @param pieces - the pieces of the packing list, to know how many hangers there are
 */
export function timesIn(text: string, pieces: ReadonlyArray<Of<'count'>>): Times | undefined {
  if (CORNERS.test(text)) return { times: 4, places: 'corners' };
  if (SIDES.test(text)) return { times: 2, places: 'sides' };
  // `two in each of four legs`
  const ofThem = /\b(?:each|every|per) (?:one )?of (?:the |all )?(two|three|four|five|six|eight|[2-8])\b/i.exec(text);
  const each = ofThem && (Number(ofThem[1]) || NUMBER_WORDS[ofThem[1]?.toLowerCase() ?? '']);
  if (each) return { times: each, places: 'pieces' };
  if (/[;.:] ?[\p{L} ]{3,30}(?: ?[-–:,])? (?:likewise|ditto|the same|same again)\s*[.;,]?$/iu.test(text))
    return { times: 2, places: 'pieces' };
  const places = /\b(\d{1,2}|two|three|four|six|eight) ?(?:pl|plcs|places)\b/i.exec(text);
  const many = places && (Number(places[1]) || NUMBER_WORDS[places[1]?.toLowerCase() ?? '']);
  if (many) return { times: many, places: 'pieces' };
  const same = SAME_AT.exec(text);
  const told = same && (Number(same[2]) || NUMBER_WORDS[same[2]?.toLowerCase() ?? '']);
  if (same && told) return { times: told + (same[1] ? 1 : 0), places: 'pieces' };
  for (const match of text.matchAll(EACH)) {
    // `a hanger` shares something out only behind `to`, `on`, `for`.
    if (/^a\b/i.test(match[0]) && !/\b(?:to|per|on|for|at|under)\s*$/i.test(text.slice(0, match.index))) continue;
    const word = singular(match[1]?.toLowerCase() ?? '');
    if (word === 'end') return { times: 2, places: 'pieces' };
    if (HARDWARE.has(word) && !['bracket', 'plate', 'arm', 'mount'].includes(word)) continue;
    const quantity = pieces
      .filter(
        (piece) =>
          tellingWords(piece.value.item ?? piece.printed).includes(word) || singular(piece.value.noun) === word,
      )
      .reduce((sum, piece) => sum + piece.value.count, 0);
    if (quantity > 1) return { times: quantity, places: 'pieces' };
  }
  return undefined;
}

/** `rear strap - likewise;`: as the one before it. */
const LIKEWISE = /^[\p{L} ]{3,30}(?: ?[-–:,])? (?:likewise|ditto|the same|same again)\s*[.;,]?$/iu;
/** `Repeat on the other side` behind a sentence doubles what it counts. */
export const followers = (steps: readonly SheetStep[], at: number): string[] =>
  steps
    .slice(at + 1, at + 3)
    .flatMap((step) =>
      /^(?:repeat|the same|same (?:again|on|at|for|with)|likewise|ditto|do (?:the (?:other|rest|same)|likewise|it again))\b/i.test(
        step.text,
      ) || LIKEWISE.test(step.text)
        ? [step.text]
        : [],
    );

/** `at each end`, and behind it `Repeat on the other side`: both. */
export function endsAndSides(steps: readonly SheetStep[], at: number): Times | undefined {
  const ends = /\b(?:each|either|both) ends?\b/i.test(steps[at]?.text ?? '');
  const later = ends ? timesIn(followers(steps, at).join(' '), []) : undefined;
  return later?.places === 'sides' ? { times: 2 * later.times, places: 'sides' } : undefined;
}

/** It was there before, and is no piece of the kit. */
export const OF_THE_VEHICLE =
  /\bback (?:in|on)\b|\balready (?:in|on|fitted|there)\b|\b(?:original|factory|existing|old|stock)\b|\b(?:refit|re-?(?:install|attach|connect|mount))\b/i;

/** Kinds of pieces that are tightened, which a text names. */
export const kindsIn = (text: string): ItemKind[] => [
  ...new Set(
    (text.toLowerCase().match(/\p{L}{3,}/gu) ?? []).flatMap((word) => {
      const kind = KIND_OF[word.replace(/s$/, '')];
      return kind === 'bolt' || kind === 'nut' ? [kind] : [];
    }),
  ),
];

/** What holds a wheel, as a sentence or a title calls it. */
export const HOLDS_WHEEL =
  /\b(?:wheel|lug)[ -]?(?:nuts?|bolts?|studs?)\b|\bwheels? (?:back )?on\b.*\b(?:nuts?|bolts?)\b|^\W*(?:road )?wheels?:? (?:tightening )?(?:couple|torque|moment)\b/i;
