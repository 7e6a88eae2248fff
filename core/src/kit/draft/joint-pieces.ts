import type { Item } from '../kit-document.ts';
import type { ItemKind } from '../piece-kind.ts';
import type { Packing } from './draft-packing.ts';
import { type Drafting, KIND_OF } from './drafting.ts';
import type { JointSentences } from './joint-sentences.ts';
import { elsewhere, kindsIn, tellingWords, U_BOLTS } from './joint-words.ts';
import { type ListStock, NUTS_OF_U_BOLT } from './list-stock.ts';

/** Heads as sentences call them. */
const HEAD_IN_WORDS: Partial<Record<NonNullable<Item['head']>, RegExp>> = {
  button: /\bbutton[- ]?heads?\b/i,
  socketCap: /\b(?:socket|cap)[- ]?(?:head(?:ed)?|screws?)\b/i,
  countersunk: /\b(?:countersunk|csk|flat[- ]?head)\b/i,
};

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

/** Pieces of one kind among which a count may tell one. */
const MOST_LOOKED_AT = 40;

/** What is said of a joint's pieces. */
export interface SaidOfPieces {
  said: JointSentences;
  /** The step of its figure. */
  step: number;
  /** What stands before the figure in it. */
  phrase: string;
  /** Its thread, as the list writes it. */
  written?: string | undefined;
  /** Its size in inches, without a pitch. */
  inch?: string | undefined;
  /** The bolts it calls by their length alone. */
  byLength?: Item | undefined;
  /** Its pieces are the vehicle's. */
  ofVehicle: boolean;
  /** The lines of its size, and of its length where it says one. */
  own: (kind: ItemKind) => readonly Item[];
}

/** The pieces of the list a joint is made of. */
export interface JointPieces {
  bolt?: Item | undefined;
  nut?: Item | undefined;
  /** The U-bolts that go on with its nuts as a part does. */
  uBolt?: Item | undefined;
  /** It is called by U-bolts. */
  bent: boolean;
  /** The word of the list by which its pieces were told. */
  beside?: string | undefined;
}

/**
 * The pieces of the list a joint is made of: by their letter, their size, their words, or as the only ones of their kind that
 * are left, or the only ones there are so many of.
 */
export function piecesOf(
  { reading }: Drafting,
  { wordsOf }: Packing,
  stock: ListStock,
  { said, step, phrase, written, inch, byLength, ofVehicle, own }: SaidOfPieces,
): JointPieces {
  const sentence = reading.steps[step]?.text ?? '';
  const left = (item: Item | undefined): number => stock.left(item, step);
  let calledBeside: string | undefined;
  const ofLabel = (kind: ItemKind) => said.items.find((item) => item.kind === kind && left(item) > 0);
  // Neither size nor label: the only piece of its kind that the list has left, or the only one there are so many of.
  const only = (kind: ItemKind): Item | undefined => {
    const named =
      said.kinds.length > 0 ? said.kinds : [inch === undefined ? KIND_OF[said.count?.value.noun ?? ''] : 'bolt'];
    if (written !== undefined || said.items.length > 0 || !named.includes(kind)) return undefined;
    if (ofVehicle) return undefined;
    const rest: Item[] = [];
    const asMany: Item[] = [];
    for (const item of stock.of(kind)) {
      if (item.source !== 'kit' || left(item) <= 0 || stock.waits(item, step)) continue;
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
      const [one] = beside;
      calledBeside = wordsOf.get(one?.id ?? '')?.find((word) => words.includes(word));
      return one;
    }
    const ofInch = inch === undefined ? [] : rest.filter(({ name }) => name.endsWith(` ${inch}"`));
    if (ofInch.length === 1) return ofInch[0];
    // Several, and the sentence calls one of them by its name: the bolts, the button heads.
    const whole = rest.filter((item) => isCalled(item, sentence, true));
    const called = whole.length > 0 ? whole : rest.filter((item) => isCalled(item, sentence, false));
    if (called.length === 1) return called[0];
    if (asMany.length === 1) return asMany[0];
    // `Join the halves with six button head bolts`, and further on `the six joining bolts`.
    const counted = reading.steps[said.count?.step ?? step]?.text ?? '';
    const byHead = rest.filter((item) => item.head !== undefined && HEAD_IN_WORDS[item.head]?.test(counted));
    return byHead.length === 1 ? byHead[0] : undefined;
  };
  // `(the hinge brackets)` on the list, and the joint is the hinge's; a line without a size has that of its joint.
  const ofWords = (kind: ItemKind): Item | undefined => {
    if (said.items.length > 0 || ofVehicle) return undefined;
    const named = stock
      .of(kind)
      .filter(
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
    const rest = stock.of(kind).filter((item) => item.source === 'kit' && left(item) > 0);
    const [one] = rest;
    return rest.length === 1 && one?.thread === undefined ? one : undefined;
  };
  // `Snug the U-bolt nuts`: the bolts are called by their form, and their nuts are twice as many.
  const callsUBolts =
    U_BOLTS.test(sentence) &&
    (written === undefined || said.kinds.includes('nut')) &&
    said.items.every(({ form }) => form === 'uBolt');
  const formed = callsUBolts ? stock.of('bolt').filter((item) => item.form === 'uBolt' && left(item) > 0) : [];
  const bent = formed.length === 1 ? formed[0] : undefined;
  // `U-bolts are tightened …`: no straight bolt of the list is one.
  const straight = U_BOLTS.test(phrase) && !stock.uBolts;
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
      ? stock.of('nut', named.thread).find((item) => left(item) >= left(named))
      : undefined;
  const nut =
    (bent ? stock.of('nut').find((item) => left(item) === NUTS_OF_U_BOLT * left(bent)) : undefined) ??
    (byLength
      ? undefined
      : (ofLabel('nut') ?? own('nut').find((item) => left(item) > 0) ?? only('nut') ?? unsized('nut'))) ??
    mate;
  // A U-bolt has two nuts, each a station; it goes on with them as a part does.
  const uBolt =
    named?.form === 'uBolt' && nut && left(nut) > 0 && left(nut) >= NUTS_OF_U_BOLT * left(named) ? named : undefined;
  const bolt = uBolt ? undefined : named;
  return { bolt, nut, uBolt, bent: bent !== undefined, beside: calledBeside };
}
