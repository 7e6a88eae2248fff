import type { Fact, FactValue } from '../../sheet/fact.ts';
import type { SheetStep } from '../../sheet/step-split.ts';
import type { Item } from '../kit-document.ts';
import type { ItemKind } from '../piece-kind.ts';
import type { Packing } from './draft-packing.ts';
import { type Drafting, isKind, KIND_OF, nearest, type Of } from './drafting.ts';
import { fromCapitals } from './from-capitals.ts';
import { tidyTitle } from './joint-title.ts';
import {
  elsewhere,
  endsAndSides,
  followers,
  isShared,
  kindsIn,
  OF_THE_VEHICLE,
  partKeys,
  partsInRun,
  partWords,
  phraseBefore,
  placedOnes,
  referencesIn,
  type Times,
  tellingWords,
  timesIn,
  WORK_CODE,
} from './joint-words.ts';
import { isLike, isName, nameIn, trimmedName } from './noun-phrase.ts';
import { sentenceIndex } from './sentence-index.ts';
import { heldOf, labelOf, NO_TITLE, PART_TO_PART, pieceNamed, puttingOf, titled } from './title-words.ts';

/** All that the sheet says of the joint a torque is for, gathered from its own sentence and those that speak of it. */
export interface JointSentences {
  /** What the joint is called: `Hanger screws`; undefined where only a size names it. */
  title?: string;
  words: readonly string[];
  thread?: Of<'thread'>;
  /** Pieces of the packing list its sentences name by their labels. */
  items: readonly Item[];
  count?: Of<'count'>;
  times?: Times;
  drive?: Of<'drive'>;
  compound?: Of<'compound'>;
  /** The sheet says that it goes together dry. */
  dry: boolean;
  /** Its pieces were there before, and are none of the kit's. */
  ofVehicle: boolean;
  pattern?: Of<'pattern'>;
  rideHeight: boolean;
  /** Kinds of pieces its phrase names. */
  kinds: readonly ItemKind[];
  /** The row that bears its key, `Screw M8 x 20   T1`, by its step. */
  keyed?: number;
  /** The sentence whose pieces its figure points at: `Pull them evenly to 70 Nm`. */
  pointsAt?: number;
  /** Steps in which it is put together, by their index. */
  assembled: readonly number[];
  /** The sentence that names what its own does not, by its index. */
  subject?: number;
  /** The parts its phrase names, where no word of it tells it from another: `front arm bolt`. */
  parts: readonly string[];
}

/** Nouns of what is tightened: a bracket is counted, and is no station. */
const TIGHTENED = new Set([
  'bolt',
  'nut',
  'screw',
  'stud',
  'capscrew',
  'setscrew',
  'locknut',
  'fastener',
  'clamp',
  'head',
  'piece',
  'eye',
  'plug',
  'band',
  'knob',
]);

/** A locker whose strength its sentence leaves out has that of the only one the sheet names. */
function withStrength(fact: Of<'compound'> | undefined, lockers: Packing['lockers']): Of<'compound'> | undefined {
  if (fact === undefined || fact.confidence >= 0.9 || !fact.value.compound.startsWith('threadlocker')) return fact;
  const [only] = [...lockers];
  return lockers.size === 1 && only !== undefined
    ? { ...fact, confidence: 1, value: { kind: 'compound', compound: only } }
    : fact;
}

/** `Connect it last, 5 Nm`: it is what was opened before. */
function connectsIt({ reading, facts }: Drafting, at: number): string | undefined {
  if (!/^\W*(?:then |finally )?(?:re-?)?connect (?:it|that|this)\b/i.test(reading.steps[at]?.text ?? ''))
    return undefined;
  const off = reading.steps.slice(0, at).findLast(({ text }) => /\bbattery\b/i.test(text));
  const opened = facts
    .filter(isKind('action'))
    .findLast(({ step, value }) => step < at && value.action === 'disconnect');
  return opened ? titled(opened.value.object) : off && 'Battery terminal';
}

/** Whether a sentence is a row of a table. */
export const inTable = (text: string): boolean => /\S\s*\|\s*\S|\S {3,}\S.*\S {2,}\S/.test(text);

/** Tools for the whole work, in a sentence of their own. */
const LISTS_TOOLS = /^\W*(?:(?:special |required )?tools?\b|you (?:will )?(?:need|want)\b|needed\b)/i;

/** Words for what has a thread. */
const THREADED =
  /\b(?:threads?|bolts?|nuts?|screws?|studs?|fasteners?|fixings?|hardware|heads?|shanks?|they|them|each|all|everything)\b|\bM\d/i;

/** What is named goes elsewhere, and on no thread. */
const OFF_THE_THREAD = /\b(?:never|not|none) on (?:the|its|their|these|any) threads?\b/i;

/** What parts the clauses of a sentence: `front ones get grease, the cover screws stay dry`. */
const CLAUSE = /,\s+|;\s*|\s+but\s+|\s+and the\s+/gi;

/** Whether what is said at a fact is said of a joint: in a clause of its words, or in a sentence that names nothing else. */
function clauseIsOf({ start, text }: SheetStep, fact: Fact, words: readonly string[]): boolean {
  const ends = [...text.matchAll(CLAUSE)].map(({ index }) => index);
  const bounds = [0, ...ends, text.length];
  const clauses = bounds.slice(1).map((end, at) => ({ start: bounds[at] ?? 0, end }));
  const names = clauses.map((clause) => {
    const said = text.slice(clause.start, clause.end);
    return [...tellingWords(said), ...placedOnes(said)];
  });
  const own = clauses.findIndex((clause) => fact.start - start < clause.end);
  const ofIt = names.map((list) => list.some((word) => words.includes(word)));
  // Where no clause names it, or several do, the sentence speaks as a whole.
  return ofIt.filter(Boolean).length !== 1 || clauses.length < 2 || ofIt[own] === true || names[own]?.length === 0;
}

/** Words at the head of a sentence, which say what it is of. */
const HEAD_WORDS = 4;

/** The sentences that speak of the same joint as a torque's: its own, those of its step, and those that share its words. */
export function jointSentences(drafting: Drafting, packing: Packing, torque: Of<'torque'>): JointSentences {
  const { reading, inStep } = drafting;
  const own = reading.steps[torque.step] as SheetStep;
  const index = sentenceIndex(reading.steps);
  const labels = new Set(packing.labelled.keys());
  const keyed = keyedRow(drafting, torque);
  const saidAfter =
    keyed === undefined ? subjectBehind(own, inStep(torque.step).filter(isKind('torque')), torque) : undefined;
  const subject = keyed ?? (saidAfter === undefined ? subjectBefore(drafting, torque) : undefined);
  const phrase =
    saidAfter ?? (subject === undefined ? phraseOf(own, torque.start) : (reading.steps[subject]?.text ?? ''));
  const phraseWords =
    subject === undefined ? tellingWords(phrase) : paragraphOf(reading.steps, subject).flatMap((at) => index.words(at));
  const places = placedOnes(phrase);
  const parts = phraseWords.length + places.length > 0 ? [] : partsInRun(own, torque.start);
  const byName = parts.length > 0 ? parts : tellingWords(own.text.replace(torque.printed, ' '));
  const words = [...(phraseWords.length + places.length > 0 ? phraseWords : byName), ...places];
  const ownLabels = referencesIn(phrase === '' ? own.text : phrase, labels);
  const kinds = kindsIn(phrase);
  const size = torque.about;
  // `a` of the next chapter is another step than `a` of this one.
  const ownParagraph = new Set(own.number === undefined ? [] : paragraphOf(reading.steps, torque.step));
  const sameStep = (at: number): boolean => ownParagraph.has(at) && Math.abs(at - torque.step) <= 6;
  const speaks = (at: number): boolean => {
    const step = reading.steps[at];
    if (!step || step.list || at === torque.step) return false;
    // Called by their letters, `anti-seize on A` says nothing of C.
    const theirLabels = ownLabels.length > 0 ? index.labels(at).filter((label) => labels.has(label)) : [];
    if (theirLabels.length > 0) return theirLabels.some((label) => ownLabels.includes(label));
    if (elsewhere(phrase, step.text)) return false;
    // `Foot screws: …` says nothing of the clamp nuts.
    const theirKinds = index.kinds(at);
    if (kinds.length > 0 && theirKinds.length > 0 && !kinds.some((kind) => theirKinds.includes(kind))) return false;
    const theirs = parts.length > 0 ? index.parts(at) : index.words(at);
    return words.some((word) => theirs.includes(word));
  };
  // Only sentences that hold one of its words or labels, and those of its own step, can speak of it.
  const keys = [...words, ...ownLabels.map((label) => `(${label})`)];
  const ofStep = Array.from({ length: 13 }, (_, at) => torque.step - 6 + at).filter(sameStep);
  const others = [
    ...new Set([...index.near(keys, torque.step), ...ofStep, ...(subject === undefined ? [] : [subject])]),
  ]
    .filter((at) => at !== torque.step && (speaks(at) || sameStep(at) || at === subject))
    .sort((a, b) => a - b);
  // What stands before is where the joint was put together; what stands behind may still say with what.
  const before = others.filter((at) => at < torque.step).reverse();
  // A part is named wherever something is put to it; what begins with it is of its own joint.
  if (parts.length > 0) {
    const headed = (at: number): boolean =>
      partKeys((reading.steps[at]?.text ?? '').split(/\s+/).slice(0, HEAD_WORDS).join(' ')).some((part) =>
        parts.includes(part),
      );
    before.sort((a, b) => Number(headed(b)) - Number(headed(a)));
  }
  const behind = others.filter((at) => at > torque.step);
  // The sentences of a numbered step belong together: `Hangers: two screws each. Threadlocker on the threads.`
  const assembled = before.find((at) =>
    inStep(at).some((fact) => fact.value.kind === 'count' && TIGHTENED.has(fact.value.noun)),
  );
  const anchor = assembled ?? before.find((at) => speaks(at) && !removes(inStep(at)));
  const beside =
    anchor === undefined
      ? []
      : paragraphOf(reading.steps, anchor).filter(
          (at) => at !== anchor && at !== torque.step && Math.abs(at - anchor) <= 4,
        );
  const ordered = [...before.slice(0, 6), ...beside, ...behind.slice(0, 6)];

  const threadsOf = (at: number) => inStep(at).filter(isKind('thread'));
  const ownThread = threadsOf(torque.step).find((fact) => fact.value.designation === size);
  // `The plate is mounted back on the pipe`: the vehicle's own screws have the size of none of the kit's.
  const justBefore = reading.steps[torque.step - 1];
  const bareFigure = /^\W*(?:then |now |finally )?(?:tighten|torque|pull)?\W*(?:up )?(?:to|at)?\W*$/i.test(
    own.text.slice(0, Math.max(0, torque.start - own.start)),
  );
  // `Use the factory nuts. Torque to 20 ft-lb`: what stands right before it in its step.
  // `Factory nuts to 59, M12 bolts to 65, carriage bolts to 75 ft-lbs`: of several figures each has its own words.
  const figures = inStep(torque.step).filter(isKind('torque'));
  const lastEnd = figures.filter(({ end }) => end <= torque.start).at(-1)?.end ?? own.start;
  const itsWords = figures.length > 1 ? own.text.slice(lastEnd - own.start, torque.end - own.start) : own.text;
  const ofVehicle =
    OF_THE_VEHICLE.test(itsWords) ||
    (bareFigure &&
      justBefore?.number !== undefined &&
      justBefore.number === own.number &&
      OF_THE_VEHICLE.test(justBefore.text));
  // A figure about a piece that was counted has a size in its own step, if anywhere: `Clamp bolt M8 x 50? Two clamps, 22 Nm.`
  const sizeless = size !== undefined && !/^[M#\d]/.test(size);
  const told =
    (size === undefined || sizeless) && !ofVehicle
      ? ordered
          .filter((at) => !sizeless || sameStep(at))
          .map(threadsOf)
          .find((list) => list.length > 0)
      : undefined;
  // `Bracket bolts back in, 25 Nm, those are M8`: the only size of a sentence with one figure.
  const inOwn = threadsOf(torque.step);
  const alone =
    size === undefined &&
    new Set(inOwn.map(({ value }) => value.designation)).size === 1 &&
    inStep(torque.step).filter(isKind('torque')).length === 1
      ? inOwn[0]
      : undefined;
  const thread =
    ownThread ??
    alone ??
    (told && new Set(told.map((fact) => fact.value.designation)).size === 1 ? told[0] : undefined);

  // Rows of a table speak each for itself.
  const row = inTable(own.text) && subject === undefined;
  const otherRow = (at: number): boolean => row && at !== torque.step && inTable(reading.steps[at]?.text ?? '');
  const related = ordered.filter((at) => (speaks(at) || at === subject) && !otherRow(at));
  const refs = [
    ...ownLabels,
    ...related.flatMap((at) => (ownLabels.length > 0 ? referencesIn(reading.steps[at]?.text ?? '', labels) : [])),
  ];
  const items = [...new Set(refs)].flatMap((label) => packing.labelled.get(label) ?? []);

  const countable = (at: number) =>
    inStep(at)
      .filter(isKind('count'))
      .filter((fact) => fact.value.item === undefined && TIGHTENED.has(fact.value.noun));
  const ownCount =
    countable(torque.step)
      .filter((fact) => fact.start < torque.start)
      .at(-1) ?? countable(torque.step)[0];
  const inRow = /\||\t|\S {3,}\S/.test(own.text)
    ? (countable(torque.step)[0] ??
      inStep(torque.step)
        .filter(isKind('count'))
        .find(({ value }) => value.noun === 'piece'))
    : undefined;
  const placed = related.filter((at) => !removes(inStep(at)));
  // `four studs … 5 Nm` counts nothing of the clamp that is pulled further on.
  const nouns = (phrase.toLowerCase().match(/\p{L}{3,}/gu) ?? []).map((word) => word.replace(/s$/, ''));
  const calledOtherwise = (at: number, noun: string): boolean =>
    at !== subject &&
    inStep(at).some(isKind('torque')) &&
    nouns.some((one) => TIGHTENED.has(one)) &&
    !nouns.includes(noun);
  const countedAt = (at: number) => countable(at).filter(({ value }) => !calledOtherwise(at, value.noun));
  const toldAt = placed.find((at) => countedAt(at).length > 0);
  const count =
    inRow ??
    (ownCount && ownCount.start < torque.start ? ownCount : undefined) ??
    (toldAt === undefined ? undefined : bestCount(countedAt(toldAt), phrase, reading.steps[toldAt] as SheetStep)) ??
    // `Clamp halves 30 lb ft, both bolts a little at a time`: right behind its own figure.
    countable(torque.step).find(
      (fact) =>
        fact.start > torque.start &&
        inStep(torque.step).findLast((other) => other.value.kind === 'torque' && other.start < fact.start) === torque,
    );
  const countAt = count?.step ?? torque.step;
  const countText = [reading.steps[countAt]?.text ?? '', ...followers(reading.steps, countAt)].join(' ');
  const shared = count !== undefined && isShared(countText, count.value.count);
  const times = shared
    ? undefined
    : ((count?.value.perSide ? ({ times: 2, places: 'sides' } as const) : undefined) ??
      endsAndSides(reading.steps, countAt) ??
      timesIn(countText, packing.pieces) ??
      (count === undefined ? timesIn(own.text, packing.pieces) : undefined));

  // `Plate to crossbars, M8, 5 mm hex key` turns no M10 of the crossbars.
  const ofOtherSize = (at: number): boolean =>
    thread !== undefined && threadsOf(at).length > 0 && threadsOf(at).every((other) => !mayBeOne(other, thread));
  // `45 Nm, hold with a 5 mm hex key`: what holds the other end turns nothing.
  const drivesOf = (at: number) =>
    inStep(at)
      .filter(isKind('drive'))
      .filter(({ start }) => {
        const step = reading.steps[at] as SheetStep;
        return !/\bhold(?:ing)?\b[^.;,]*$/i.test(step.text.slice(0, Math.max(0, start - step.start)));
      });
  const textOf = (at: number): string => reading.steps[at]?.text ?? '';
  const drive =
    nearest(drivesOf(torque.step), torque) ??
    related
      // `Tools: 13 mm socket, 10 mm wrench` does not say which of them turns what.
      .filter(
        (at) => !removes(inStep(at)) && !ofOtherSize(at) && !(LISTS_TOOLS.test(textOf(at)) && drivesOf(at).length > 1),
      )
      .map((at) => drivesOf(at)[0])
      .find((fact) => fact !== undefined) ??
    // `… 46 Nm. Hold the bolt, turn the nut, 17 spanner`: the only figure of its step.
    (ofStep.some((at) => at !== torque.step && inStep(at).some(isKind('torque')))
      ? undefined
      : ofStep.filter((at) => at !== torque.step && !removes(inStep(at))).flatMap(drivesOf)[0]);

  // `Grease on the ball only, never on its thread`: said of something else than the joint.
  /** `Pack the bearings with grease` greases a part: no thread is named, and a thread takes none of it. */
  const ofParts = (at: number, { value }: Of<'compound'>): boolean =>
    ['grease', 'oil', 'lubricant'].includes(value.compound) && !THREADED.test(textOf(at));
  /** Of a sentence about several joints, only the clauses that name this one. */
  const saysOfIt = (at: number) => (fact: Fact) =>
    at === torque.step || clauseIsOf(reading.steps[at] as SheetStep, fact, words);
  const compounds = (at: number) =>
    OFF_THE_THREAD.test(reading.steps[at]?.text ?? '') || (at !== torque.step && inStep(at).some(isKind('aftercare')))
      ? []
      : inStep(at)
          .filter(isKind('compound'))
          .filter((fact) => saysOfIt(at)(fact) && !(at !== torque.step && (ofOtherSize(at) || ofParts(at, fact))));
  const dryAt = (at: number) =>
    inStep(at)
      .filter((fact) => fact.value.kind === 'dry' && fact.value.of === undefined)
      .some((fact) => saysOfIt(at)(fact) && !(at !== torque.step && ofOtherSize(at)));
  // `Copper grease on those two bolts`, said right behind.
  const next = reading.steps[torque.step + 1];
  const saidBehind =
    next &&
    /\b(?:those|these|them|the same)\b|^they\b/i.test(next.text) &&
    (kindsIn(next.text).length === 0 || kindsIn(next.text).some((kind) => kinds.includes(kind)))
      ? [torque.step + 1]
      : [];
  const near = [
    torque.step,
    ...[anchor ?? -1, ...beside].filter((at) => at >= 0),
    ...others.filter(sameStep),
    ...saidBehind,
  ];
  // What holds a wheel takes nothing from a sentence that shares a word: `wheel bearing grease` is none of its.
  const holdsWheel = /\b(?:wheel|lug)[ -]?(?:nuts?|bolts?|studs?)\b/i.test(phrase);
  const closest = holdsWheel
    ? [torque.step, ...saidBehind]
    : ofVehicle
      ? [torque.step, ...others.filter(sameStep), ...saidBehind]
      : [...near, ...related];
  // Rows of a table speak each for itself.
  const sayer = closest.find((at) => {
    if (otherRow(at)) return false;
    const own = parts.length > 0 ? index.parts(at) : index.words(at);
    const byLabel = index.labels(at).some((label) => ownLabels.includes(label));
    const ofAnother = !near.includes(at) && !byLabel && own.length > 0 && !own.some((word) => words.includes(word));
    return !ofAnother && (compounds(at).length > 0 || dryAt(at));
  });
  const dry = sayer !== undefined && compounds(sayer).length === 0;
  // What stands above is of this joint, unless it is another numbered step's.
  const stepAbove = reading.steps[torque.step - 1];
  const [above] = row || stepAbove?.list || stepAbove?.number !== own.number ? [] : compounds(torque.step - 1);
  const previous = above && index.words(torque.step - 1).length === 0 ? above : undefined;
  const sized = thread && packing.compoundOfSize.get(thread.value.designation);
  const compound = withStrength(sayer === undefined ? (previous ?? sized) : compounds(sayer)[0], packing.lockers);

  const pattern = [torque.step, ...others.filter(sameStep), ...related].flatMap((at) =>
    inStep(at).filter(isKind('pattern')),
  )[0];
  const rideHeight = [torque.step, ...others.filter(sameStep)].some((at) =>
    inStep(at).some((fact) => fact.value.kind === 'rideHeight'),
  );
  const calledByLabel = phraseWords.length === 0 && ownLabels.length > 0;
  const together = assembled ?? (calledByLabel ? anchor : undefined);
  const partToPart = [own, ...(together === undefined ? [] : [reading.steps[together] as SheetStep])]
    .map((step) => PART_TO_PART.exec(step.text)?.[1])
    .find(
      (text) =>
        text !== undefined &&
        !NO_TITLE.test(text) &&
        // `(A)+(B) 55 Nm`, and (A) stands where the hangers go to the rail.
        (calledByLabel || words.some((word) => tellingWords(text).includes(word))),
    );
  const earlier = inStep(torque.step).some(({ start, value }) => value.kind === 'torque' && start < torque.start);
  const cell = earlier || subject !== undefined ? undefined : cellNaming(own, torque.start);
  const put = [anchor ?? -1, ...beside]
    .map((at) => puttingOf(reading.steps[at]?.text ?? ''))
    .find((text) => text !== undefined);
  const putInStep = before
    .filter(sameStep)
    .map((at) => puttingOf(reading.steps[at]?.text ?? ''))
    .find((text) => text !== undefined);
  const nameless = !thread && !row && kinds.length === 0 && count === undefined && items.length === 0;
  const place = cell === undefined ? undefined : tidyTitle(titled(cell));
  const title =
    firstName([
      () => (cell === undefined ? pointOf(drafting, own) : titled(cell)),
      () => connectsIt(drafting, torque.step),
      () => (saidAfter === undefined ? undefined : titled(saidAfter)),
      () => partToPart,
      // `Push the hoses on, two clamps (8) on each hose (3 Nm)`: what is tightened has its name on the list.
      () => {
        const clamps = count?.value.noun === 'clamp' ? items.filter(({ kind }) => kind === 'clamp') : [];
        return clamps.length === 1 ? nameIn(clamps[0]?.name ?? '', 3) : undefined;
      },
      () => (subject === undefined ? puttingOf(phrase) : undefined),
      // Words of hardware alone name it where they come with a line of the list: `Bracket screw (item 5)`.
      () =>
        subject === undefined &&
        (phraseWords.length > 0 || parts.length > 0 || places.length > 0 || ownLabels.length > 0)
          ? titled(phrase)
          : undefined,
      () => labelOf(own.text),
      // `Install (7), 5 ft-lb max`: what its letter names, where that is neither bolt nor nut.
      () =>
        items.length === 1 && items[0]?.kind === 'part' && kinds.length === 0
          ? nameIn(items[0].name.split(',')[0] ?? '', 3)
          : undefined,
      () => (subject === undefined ? pieceNamed(phrase) : undefined),
      () => (subject === undefined && !row ? nameIn(phrase, 4) : undefined),
      // `the three top nuts`, and `the front ones` where no kind is said.
      () => titled(kinds[0] === undefined ? (places[0] ?? '') : (places[0] ?? '').replace(/ ones$/, ` ${kinds[0]}s`)),
      () => put,
      // `Fit bracket to upright. Torque: A 115 Nm`: what its step put where before.
      () => putInStep,
      () => (subject === undefined ? undefined : titled(heldOf(phrase) ?? '')),
      // `Guide sleeve, three screws M6. Torque: 9 Nm`: what the sentence names whose pieces it points at.
      () => (subject === undefined || keyed !== undefined ? undefined : nameIn(reading.steps[subject]?.text ?? '', 3)),
      () => {
        const [word = ''] = phraseWords.filter((one) => !isLike(one));
        return subject === undefined || kinds[0] === undefined || word === ''
          ? undefined
          : `${word[0]?.toUpperCase()}${word.slice(1)} ${kinds[0]}s`;
      },
      () => (row ? labelledAbove(reading.steps, torque.step) : undefined),
      // Where not even a size or a kind would be left to call it by.
      () => (nameless ? nameIn(own.text.slice(0, Math.max(0, torque.start - own.start)), 3) : undefined),
      () => (nameless ? namedAbove(drafting, torque.step) : undefined),
    ]) ??
    // `Rear` names the row of a table, and nothing else.
    (row ? place : undefined);
  return {
    ...(title ? { title } : {}),
    words,
    ...(thread ? { thread } : {}),
    items,
    ...(count ? { count } : {}),
    ...(times ? { times } : {}),
    ...(drive ? { drive } : {}),
    ...(compound && !dry ? { compound } : {}),
    dry,
    ofVehicle,
    ...(pattern ? { pattern } : {}),
    rideHeight,
    kinds,
    ...(keyed === undefined ? {} : { keyed }),
    ...(subject !== undefined && keyed === undefined && pointsAtOthers(own, torque) ? { pointsAt: subject } : {}),
    ...(subject === undefined ? {} : { subject }),
    parts: phraseWords.length > 0 ? [] : partWords(phrase),
    assembled: [...(anchor === undefined ? [] : [anchor]), ...beside],
  };
}

/** The first of some titles that is a name, or holds one: `Lower bolt only with the car on its wheels`. */
function firstName(titles: ReadonlyArray<() => string | undefined>): string | undefined {
  for (const said of titles) {
    const title = tidyTitle(said())?.replace(/[\s:;,.–-]+$/, '');
    if (title === undefined) continue;
    const name = isName(title) ? title : (trimmedName(title) ?? nameIn(title, 2));
    if (name !== undefined) return fromCapitals(name);
  }
  return undefined;
}

/** `torque    115 Nm    64 Nm`, below `bracket    2x M12    2x M10`: the row above says of what. */
function labelledAbove(steps: readonly SheetStep[], at: number): string | undefined {
  const label = (text: string): string | undefined => /^\s*(\p{L}[\p{L} -]{2,30}?)(?:\s{3,}|\s*[|\t])/u.exec(text)?.[1];
  const own = label(steps[at]?.text ?? '');
  if (own === undefined || !/^(?:tightening|torques?|figure|moment|nm|to|value)\b/i.test(own)) return undefined;
  return titled(label(steps[at - 1]?.text ?? '') ?? '');
}

/** How many sentences above a figure that names nothing may name it. */
const NAMED_ABOVE = 3;

/** What the sentences right above speak of, of the same step, where no other figure stands between. */
function namedAbove({ reading, inStep }: Drafting, at: number): string | undefined {
  const { number } = reading.steps[at] ?? {};
  for (let above = at - 1; above >= Math.max(0, at - NAMED_ABOVE); above--) {
    const step = reading.steps[above];
    if (!step || step.list || step.number !== number || inStep(above).some(isKind('torque'))) return undefined;
    const name = removes(inStep(above)) ? undefined : (nameIn(step.text, 4) ?? nameBeforeComma(step.text));
    if (name !== undefined) return name;
  }
  return undefined;
}

/** `Hose ends on the cooler, 2, hold the stub!` */
const nameBeforeComma = (text: string): string | undefined => {
  const [first = '', ...rest] = text.split(',');
  const plain = first.trim();
  const names = rest.length > 0 && plain.split(/\s+/).length <= 6 && isName(plain);
  return names && !/^dear\b|['’]s\b|\bwith\b/i.test(plain) ? (nameIn(plain, 4) ?? plain) : undefined;
};

/** What may stand behind a figure and names nothing. */
const HOW_BEHIND =
  /^(?:cross|star|each|every|dry|wet|max|min|only|first|final|then|again|again|in|at|by|with|to|per|and|or|when|until|from|plus|if|not|no|nut|bolt|torque)\b/i;

/**
 * `20 Nm the feet, 12 Nm the roller`, `160 Nm fronts, 110 Nm rears`: what each figure of a sentence is for stands right
 * behind it, and nothing before the first. Undefined where it is not so of all of them.
 */
function subjectBehind(own: SheetStep, torques: readonly Of<'torque'>[], torque: Of<'torque'>): string | undefined {
  const lead = own.text.slice(0, Math.max(0, (torques[0]?.start ?? 0) - own.start));
  if (torques.length < 2 || /\p{L}{2}/u.test(lead)) return undefined;
  const named = torques.map(
    ({ end }) =>
      /^\s*(?:for |on )?(?:the |all the |both (?:the )?)?(\p{L}[\p{L} -]{2,30}?)(?=\s*(?:[,.;(]|and \d|$))/u.exec(
        own.text.slice(Math.max(0, end - own.start)),
      )?.[1],
  );
  return named.every((name) => name !== undefined && !HOW_BEHIND.test(name))
    ? named[torques.indexOf(torque)]
    : undefined;
}

/** `4 off`, `with spacer plate`: how many, and what goes along. */
const COUNT_CELL = /^\d{1,3} ?(?:off|pcs?|pieces|each|x)\b|^with /i;

const IN_CELLS = /\||\t|\S {3,}\S/;
/** The cell of a row that names what a figure is for: its own, `LUG BOLTS 120NM`, else the first; undefined in no row. */
function cellNaming(own: SheetStep, at: number): string | undefined {
  if (!IN_CELLS.test(own.text)) return undefined;
  const before = own.text.slice(0, Math.max(0, at - own.start));
  const [, inItsCell = ''] = /(?:[|\t]|\s{3,})\s*(\p{L}[\p{L} -]{2,24}?)\s*$/u.exec(before) ?? [];
  if (kindsIn(inItsCell).length > 0 && tellingWords(inItsCell).length > 0) return inItsCell;
  return (
    own.text
      .split(/\s*[|\t]\s*|\s{3,}/)
      .find((text) => /\p{L}{3}/u.test(text) && !COUNT_CELL.test(text) && !WORK_CODE.test(text.trim()))
      // `b  middle to gearbox beam`: its letter names the row, and not the joint.
      ?.replace(/^\s*\(?[A-Za-z]\)?\s{2,}(?=\p{L}{3})/u, '')
      ?.replace(/,\s+(?!(?:front|rear|left|right|upper|lower|inner|outer)\b).*$/i, '')
      // A figure of the cell's own says nothing of what it is for.
      ?.replace(/\b\d[\d.,]*\s?(?:n·?m|ft|lb|kgf).*$/i, '')
  );
}

/** `A   M12 x 35 (10.9)   4 off   95 Nm`: a row called by its letter, whose part is named where the point is fitted. */
function pointOf({ reading }: Drafting, own: SheetStep): string | undefined {
  const letter = /^\(?([A-Z])\)?\s{2,}/.exec(own.text)?.[1];
  const fitted = letter && reading.steps.filter(({ text }) => new RegExp(`\\b[Pp]oints? \\(?${letter}\\b`).test(text));
  if (!letter || !fitted || fitted.length === 0) return undefined;
  const part = fitted
    .map(({ text }) => PART_TO_PART.exec(text)?.[1] ?? puttingOf(text))
    .find((text) => text !== undefined);
  return part ?? `Points ${letter}`;
}

const ROUNDS_ONLY =
  /^\W*(?:(?:and |then )*(?:torque|tighten|pull)(?: (?:them|it|all))? )?(?:in )?(?:(?:\d|two|three|four) (?:rounds?|stages?|steps?|passes|goes)|(?:rounds|stages|steps|passes) of)\b[\s\d,.:;/–-]*(?:then|and|to)?\W*$/i;

/** The phrase a torque is said of; where its clause names nothing, all that stands before it in the sentence. */
function phraseOf(own: SheetStep, at: number): string {
  // `3 rounds: 4, 8, then 12.5`: how it is pulled names nothing.
  const clause = phraseBefore(own, at).replace(ROUNDS_ONLY, '');
  const named =
    tellingWords(clause).length > 0 ||
    kindsIn(clause).length > 0 ||
    partsInRun(own, at).length > 0 ||
    /[A-Z\d]/.test(clause);
  return named ? clause : own.text.slice(0, Math.max(0, at - own.start));
}

/** Keys at the end of a row's cells, `(T2)` or in a column: the first row that bears each, found once for a sheet. */
const ENDS_CELL = /(?:\s{2,}|\()([A-Z]{1,2}\d{0,2})\)?(?=\s*$|\s{2,})/g;
const keysKnown = new WeakMap<Drafting['reading']['steps'], ReadonlyMap<string, readonly number[]>>();
function rowsOfKeys(steps: Drafting['reading']['steps']): ReadonlyMap<string, readonly number[]> {
  const made = keysKnown.get(steps);
  if (made) return made;
  const rows = new Map<string, number[]>();
  steps.forEach(({ text }, at) => {
    for (const [, key = ''] of text.matchAll(ENDS_CELL)) {
      const there = rows.get(key) ?? [];
      // Two are enough: a figure's own row is none.
      if (there.length < 2 && there.at(-1) !== at) rows.set(key, [...there, at]);
    }
  });
  keysKnown.set(steps, rows);
  return rows;
}

/** `T2 = 25 Nm`: the row that bears the key is the joint's. */
function keyedRow({ reading }: Drafting, torque: Of<'torque'>): number | undefined {
  const own = reading.steps[torque.step];
  const key = /\b([A-Z]{1,2}\d{0,2})\s*[=:]\s*$/.exec(
    own?.text.slice(0, Math.max(0, torque.start - own.start)) ?? '',
  )?.[1];
  return key === undefined
    ? undefined
    : rowsOfKeys(reading.steps)
        .get(key)
        ?.find((at) => at !== torque.step);
}

/** `Pull them evenly to`, `A goes round at`: what stands before the figure points at pieces that were named before, or at who does it. */
const POINTS_BACK_ONLY =
  /^\W*(?:(?:(?:[A-Z]|one|another|the other|fitter|helper|you|we) (?:goes|go|follows?|works?)|them|they|it|those|these|all|both|each|evenly|up|down|together|firmly|home|crosswise|in turn|gradually|slowly|bring|then|now|so|again|round|around|over|behind|can|may|at|to)\W+)*(?:(?:[A-Z]|one|another|the other|fitter|helper|you|we) (?:goes|go|follows?|works?)|them|they|it|those|these|all|both|each|evenly|up|down|together|round|around|over|behind|at|to)?\W*$/;

/** How many sentences back a figure's pieces may have been named. */
const NAMED_BEFORE = 6;

/** Whether what stands before a figure only points at pieces named before, or says who pulls: `them evenly to`, `A goes round at`. */
const pointsAtOthers = (step: SheetStep, torque: Of<'torque'>): boolean => {
  const phrase = phraseBefore(step, torque.start);
  const plain = phrase.replace(/^\W*\p{Lu}(?=\p{Ll})/u, (first) => first.toLowerCase());
  return torque.about === undefined && plain !== '' && /\p{L}/u.test(plain) && POINTS_BACK_ONLY.test(plain);
};

/** The kind of pieces a figure is said of by that alone: `bring the screws up to 22 Nm`; undefined where more names them. */
function kindAlone(step: SheetStep, torque: Of<'torque'>): ItemKind | undefined {
  const phrase = phraseBefore(step, torque.start);
  const [kind, ...more] = kindsIn(phrase);
  return torque.about === undefined &&
    more.length === 0 &&
    /\b(?:the|these|those|all|both)\b/i.test(phrase) &&
    tellingWords(phrase).length === 0 &&
    partWords(phrase).length === 0 &&
    placedOnes(phrase).length === 0 &&
    !/\(\w{1,3}\)|\||\t/.test(step.text)
    ? kind
    : undefined;
}

const SAYS_TIGHTEN = /\b(?:tighten(?:ing)?|torque|pull|then|all|stage|pass)\b/i;

/** What says how a figure is reached, and not of what: `Torque in a crisscross, middle pair first, then outwards`. */
const SAYS_HOW =
  /\b(?:then|now|finally|first|last|all|them|it|tighten(?:ing)?|torque|pull|set|up|to|at|in|an?|the|criss[ -]?cross|cross(?:wise)?|star|pattern|sequence|order|evenly|from|middle|cent(?:re|er)|pair|out(?:wards?)?|inside|bottom|top|opposite|corners?|rounds?|one|two|three|four|six|eight|passes|pass|stages?|goes|each|both|sides?|tolerance|max|min|and|on|next|slot|by|hand|with|small|big|wrench|once|more|again|is|value|final|value|reassy|reassembly)\b/gi;

/** A row that says nothing but figures: `2   60 N·m (44 lb ft)`. */
export const isBareRow = (text: string): boolean =>
  /^[\s\d|.,:()+–-]*$/.test(
    text.replace(
      /\b(?:n[·.]?m|(?:ft|lb|in)[ .·-]?(?:lbs?|ft|in)|kgf?[·. ]?m|deg(?:rees?)?|stage|pass|step|round)\b|°/gi,
      '',
    ),
  );

/** The sentence whose pieces a figure is for that names none itself: `Six bolts a side. … Then 90 foot pounds each.` */
function subjectBefore({ reading, inStep }: Drafting, torque: Of<'torque'>): number | undefined {
  const step = reading.steps[torque.step] as SheetStep;
  const own = step.text.replace(torque.printed, ' ');
  const names =
    torque.about !== undefined ||
    tellingWords(own).length > 0 ||
    kindsIn(own).length > 0 ||
    /\(\w{1,3}\)|\||\t/.test(own);
  // `Grease the threads or they gall. 18 Nm, not more`: the clause of the figure says nothing.
  const bare = /^\W*$/.test(phraseBefore(step, torque.start));
  // `Tighten to 8 Nm.` and no more: of what was put in just before.
  const onlyVerb = SAYS_TIGHTEN.test(own) && /^\W*$/.test(own.replace(SAYS_HOW, ' ').replace(/[\d_]/g, ' '));
  // `2   60 Nm` of a table of passes: what was to be tightened in them.
  const bareRow = torque.value.stages !== undefined && isBareRow(own);
  const points = pointsAtOthers(step, torque) || bareRow;
  const theKind = kindAlone(step, torque);
  const aside =
    points ||
    (torque.about === undefined && kindsIn(own).length === 0 && bare && /\b(?:they|them|it|those|these)\b/i.test(own));
  if (
    !aside &&
    !onlyVerb &&
    theKind === undefined &&
    (names || !/\b(?:each|them|'em|those|these|then|all|same)\b/i.test(own))
  )
    return undefined;
  let called: number | undefined;
  for (let at = torque.step - 1; at >= Math.max(0, torque.step - NAMED_BEFORE); at--) {
    const before = reading.steps[at];
    if (!before || before.list) break;
    const pulled = inStep(at).filter(isKind('torque'));
    // `A goes round at 12. B follows at 20`: both of what was named before the first.
    if (pulled.length > 0 && !(points && pulled.every((other) => pointsAtOthers(before, other)))) break;
    if (pulled.length > 0 || removes(inStep(at))) continue;
    const counts = inStep(at)
      .filter(isKind('count'))
      .some(
        ({ value }) =>
          TIGHTENED.has(value.noun) && (theKind === undefined || (KIND_OF[value.noun] ?? 'bolt') === theKind),
      );
    if (counts) return at;
    if (theKind !== undefined) continue;
    // `New bolts, threads oiled.` and in the next step `Tighten in star order: 40 Nm`.
    const stepBefore = onlyVerb && torque.step - at <= 2 && step.number !== undefined && before.number !== undefined;
    const calls = aside || (onlyVerb && before.number === step.number) || stepBefore;
    if (calls && kindsIn(before.text).length > 0) called ??= at;
    // `Reconnect the upper ball joint. Torque to 60 ft-lb`: what was put together right before.
    else if (onlyVerb && at === torque.step - 1 && step.number !== undefined && before.number === step.number)
      if (puttingOf(before.text) !== undefined) called ??= at;
    // A washer or a nut in between says nothing of what is pulled: the sentence that counts is looked for on.
    if (called !== undefined && !points) return called;
  }
  return called;
}

/** The sentences of the numbered paragraph one stands in; itself where none is numbered. */
function paragraphOf(steps: readonly SheetStep[], at: number): number[] {
  const { number } = steps[at] ?? {};
  if (number === undefined) return [at];
  let [from, to] = [at, at];
  while (steps[from - 1]?.number === number) from--;
  while (steps[to + 1]?.number === number) to++;
  return Array.from({ length: to - from + 1 }, (_, index) => from + index);
}

type Facts = ReturnType<Drafting['inStep']>;

/** What is taken off there is no joint that is put together. */
const removes = (facts: Facts): boolean =>
  facts.some(
    ({ value }) => value.kind === 'action' && (['remove', 'disconnect', 'discard'] as string[]).includes(value.action),
  );

/** Whether two sizes may be of one thread: where one says no pitch, their diameters decide. */
const mayBeOne = ({ value: one }: Of<'thread'>, { value: other }: Of<'thread'>): boolean =>
  one.pitchAssumed || other.pitchAssumed
    ? one.designation.split(' × ')[0] === other.designation.split(' × ')[0]
    : one.designation === other.designation;

/** Of several counts of a sentence the one whose noun is the torque's: `six screws and four nuts`, `the nuts to 25 Nm`. */
function bestCount(counts: ReadonlyArray<Of<'count'>>, phrase: string, step: SheetStep): Of<'count'> | undefined {
  const kinds = new Set(
    (phrase.toLowerCase().match(/\p{L}{3,}/gu) ?? []).flatMap((word) => KIND_OF[word.replace(/s$/, '')] ?? []),
  );
  return (
    counts.find((fact) => kinds.has(KIND_OF[fact.value.noun] ?? 'part')) ??
    counts.find((fact) => fact.start >= step.start)
  );
}

/** Fractions of the final torque, where the sheet gives its stages. */
export function stageShares(value: Extract<FactValue, { kind: 'torque' }>): number[] | undefined {
  // Turned back between, it is a procedure of its own.
  if (value.stages?.some((stage) => 'backOffDeg' in stage)) return undefined;
  const torques = (value.stages ?? []).flatMap((stage) => ('torqueNm' in stage ? [stage.torqueNm] : []));
  const shares = torques.slice(0, -1).map((nm) => Math.round((nm / value.maxNm) * 1000) / 1000);
  const rising = shares.every((share, at) => share > 0 && share < 1 && (at === 0 || share > (shares[at - 1] ?? 0)));
  return shares.length > 0 && rising ? [...shares, 1] : undefined;
}
