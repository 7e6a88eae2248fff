import { parseThread } from '../../fastener/thread.ts';
import type { Fact, SheetCompound } from '../../sheet/fact.ts';
import { HARDWARE } from '../../sheet/lexicon.ts';
import { inchSizeIn } from '../../sheet/spoken-thread.ts';
import { formInWords } from '../form-in-words.ts';
import type { Item } from '../kit-document.ts';
import type { ItemKind } from '../piece-kind.ts';
import { clip, type Drafting, isKind, KIND_OF, nearest, type Of } from './drafting.ts';
import { fromCapitals } from './from-capitals.ts';
import { endsAndSides, followers, isWorkRow, tellingWords, timesIn } from './joint-words.ts';

/** What tells pieces of one size apart: `flat washer`, `nyloc nut`, `carriage bolt`. */
const LIKE =
  'flat|plain|spring|split|lock|locking|star|fender|penny|hard(?:ened)?|thick|large|small|copper|nyloc|nylock|nylon|self[- ]?locking|flange[d]?|dome[d]?|acorn|wing|castle|slotted|jam|thin|deep|high|serrated|carriage|coach|cup|countersunk|shoulder|eye|t(?:ee)?|hex|stainless';
/** The words of a line that say what a piece is like, with a space behind; empty where there are none. */
function likeIn(line: string, noun: string): string {
  const before = new RegExp(`((?:\\b(?:${LIKE})\\b[ ,-]+){1,3})(?:M\\d{1,2}[\\dx×. -]{0,12} )?${noun}s?\\b`, 'i').exec(
    line,
  )?.[1];
  const plain = before
    ?.toLowerCase()
    .replace(/\bhex\b[ ,-]*/g, '')
    .replace(/[, ]+/g, ' ')
    .trim();
  return plain ? `${plain} `.replace(/^t-? $/, 'T-') : '';
}

/** Verbs after which a counted piece belongs to the vehicle and not to the bag. */
const OF_THE_VEHICLE = new Set(['remove', 'loosen', 'refit', 'disconnect', 'reconnect', 'keep', 'discard']);

/** A line of a list begins with a count or a line's name, ends with one, or says that it is one; a sentence does not. */
const looksListed = (text: string, counts: readonly Of<'count'>[]): boolean =>
  !isWorkRow(text) &&
  (/^(?:\(?\d|[A-Z]{0,2}\d|bag\b|kit\b|hardware\b|supplied\b|contents\b|includes?\b|parts?\b)/i.test(text) ||
    counts.some(
      (count) => /^(?:\(\d+\)|x\s*\d+|qty|\d+$|[-–:|=])/i.test(count.printed) || text.endsWith(count.printed),
    ));

/** The thread of a counted piece: inside its words, else the one beside it. */
function threadIn({ inStep }: Drafting, count: Of<'count'>): Of<'thread'> | undefined {
  const facts = inStep(count.step);
  const within = facts.filter(isKind('thread')).filter((fact) => fact.start >= count.start && fact.end <= count.end);
  if (within.length > 0 || count.value.item !== undefined) return within[0];
  const threads = facts.filter(isKind('thread'));
  const counts = facts.filter(isKind('count'));
  // Said without commas: `two flange nuts and one M10 by 90 bolt` has its size inside the words of the other.
  if (counts.length > 1) {
    const others = counts.filter((other) => other !== count);
    const free = threads.filter(({ start, end }) => !others.some((other) => start >= other.start && end <= other.end));
    if (free.length === 0) return undefined;
    if (free.length < threads.length) return nearest(free, count);
  }
  return counts.length === 1 || threads.length === 1 ? threads[0] : nearest(threads, count);
}

/** A nut's size without its pitch has the thread of the only bolts of that size: `M14 × 1.5 bolts, M14 flange nuts`. */
function threadOfBolts(
  kind: ItemKind,
  count: Of<'count'>,
  bolts: ReadonlyArray<Of<'thread'>>,
): Of<'thread'> | undefined {
  if (kind !== 'nut') return undefined;
  const text = count.value.item ?? count.printed;
  const metric = /\bM ?(\d{1,2})\b(?! ?[x×] ?[0-3](?:[.,]\d)?\b| ?fine)/.exec(text)?.[1];
  const inch = metric === undefined ? inchSizeIn(text) : undefined;
  const size = metric === undefined ? inch && `${inch}-` : `M${metric} `;
  const same = size === undefined ? [] : bolts.filter(({ value }) => `${value.designation} `.startsWith(size));
  const [only] = same;
  if (!only || new Set(same.map(({ value }) => value.designation)).size > 1) return undefined;
  const { lengthMm: _, ...value } = only.value;
  return { ...only, value };
}

const IN_BAG = /,?\s*\(?\b(?:in )?((?:bag|box|pack(?:et)?|pouch) [A-Z\d]{1,2})\b\)?\s*$/i;

/** Cells between strokes. */
const ROW = /\S\s*\|\s*\S/;

const WITH =
  /(?:\b(?:with|w\/)|\+) ?((?:[\p{L}-]+ ){0,3}(?:nuts?|nylocs?|washers?)(?:(?:,| and|,? plus) (?:[\p{L}-]+ ){0,3}(?:nuts?|nylocs?|washers?))*)/iu;

/** `four M8 screws with lock nuts and big washers`: as many of each as of what they come with. */
const comesWith = (line: string): Array<{ kind: 'nut' | 'washer'; name: string }> =>
  (WITH.exec(line)?.[1] ?? '')
    .split(/,| and | plus /i)
    .filter((part) => part.trim() !== '')
    .map((part) => ({
      kind: /(?:nut|nyloc)s?\s*$/i.test(part) ? 'nut' : 'washer',
      name: fromCapitals(part.trim()).replace(/^the /i, ''),
    }));

/** What was being done when the piece was counted. */
const verbBefore = ({ inStep }: Drafting, fact: Fact): string | undefined =>
  inStep(fact.step)
    .filter(isKind('action'))
    .filter((entry) => entry.start < fact.start)
    .at(-1)?.value.action;

/** Sides and corners say how often, and a row with a torque and no known noun how many its joint has: no piece of the bag. */
const countsPieces = ({ value }: Of<'count'>): boolean =>
  value.noun !== 'side' &&
  value.noun !== 'corner' &&
  // `1 per side`: of something that was not named.
  (value.noun !== 'piece' || value.item !== undefined);

/** What the packing list leaves for the rest of the draft. */
export interface Packing {
  /** The item a label of the list stands for: `c`, `3`. */
  labelled: ReadonlyMap<string, Item>;
  /** Lockers the sheet names with their strength. */
  lockers: ReadonlySet<SheetCompound>;
  /** What the list counts, line by line. */
  pieces: ReadonlyArray<Of<'count'>>;
  /** Steps of the sheet that were lines of a list. */
  listed: ReadonlySet<number>;
  washerFor: ReadonlyMap<string, string>;
  /** The words that tell a line of the list from another: `(the hinge brackets)`. */
  wordsOf: ReadonlyMap<string, readonly string[]>;
  /** Pieces whose row of a table has its own figure, and which row: no other row's joint takes them. */
  tightenedInRow: ReadonlyMap<string, number>;
  /** Pieces that no list has, by the sentence with a figure of its own that counts them: an earlier joint has none of them. */
  countedIn: ReadonlyMap<string, number>;
  /** The compound a sentence gives all pieces of one size: `medium threadlocker on the M8 screws only`. */
  compoundOfSize: ReadonlyMap<string, Of<'compound'>>;
}

const POINTS_BACK = /\b(?:on|to|for) (?:these|those|them)\b/i;

/** Compounds by the size their clause names; a size that is given several has none. */
function compoundsBySize(
  { reading, facts, inStep }: Drafting,
  listed: ReadonlySet<number>,
): Map<string, Of<'compound'>> {
  const found = new Map<string, Of<'compound'>>();
  const several = new Set<string>();
  for (const fact of facts.filter(isKind('compound'))) {
    const step = reading.steps[fact.step];
    // A row speaks for itself, and not for all of its size.
    if (!step || listed.has(fact.step) || ROW.test(step.text)) continue;
    // `Run in the four M8 bolts. One drop on these four, nowhere else.`
    const said = inStep(fact.step).filter(isKind('thread'));
    const before = said.length === 0 && POINTS_BACK.test(step.text) ? reading.steps[fact.step - 1] : undefined;
    const [back, more] = before && before.number === step.number ? inStep(fact.step - 1).filter(isKind('thread')) : [];
    if (back && !more && !found.has(back.value.designation)) found.set(back.value.designation, fact);
    for (const thread of said) {
      const between = step.text.slice(
        Math.min(fact.end, thread.end) - step.start,
        Math.max(fact.start, thread.start) - step.start,
      );
      const { designation } = thread.value;
      // `not on the M10`
      if (/[,;:.]\s|\b(?:not|never|none)\s+(?:on|to|for)\b/i.test(between)) continue;
      const known = found.get(designation);
      if (known && known.value.compound !== fact.value.compound) several.add(designation);
      if (!known) found.set(designation, fact);
    }
  }
  for (const designation of several) found.delete(designation);
  return found;
}

/** The packing list: pieces counted where nothing is done to the vehicle's own. */
export function draftPacking(drafting: Drafting): Packing {
  const { reading, facts, kit, inStep, place, addItem, assume } = drafting;
  /** The thread a washer was listed for. */
  const washerFor = new Map<string, string>();
  const listed = new Set<number>();
  for (const step of reading.steps.keys()) {
    if (reading.steps[step]?.list) {
      listed.add(step);
      continue;
    }
    const own = inStep(step);
    const counts = own.filter(isKind('count')).filter((count) => countsPieces(count));
    const packs =
      counts.length > 0 &&
      !own.some((fact) => fact.value.kind === 'action' || fact.value.kind === 'torque') &&
      looksListed(reading.steps[step]?.text ?? '', counts);
    if (packs) listed.add(step);
  }
  const counted = facts.filter(isKind('count')).filter((count) => countsPieces(count));
  const pieces = counted.filter((fact) => fact.value.item !== undefined);
  const labelled = new Map<string, Item>();
  const packing = counted.filter(
    (fact) => fact.value.item !== undefined || (listed.has(fact.step) && pieces.length === 0),
  );
  // With a packing list, what is not on it is the vehicle's own.
  const fitted = counted.filter(
    (fact) =>
      pieces.length === 0 &&
      !listed.has(fact.step) &&
      !OF_THE_VEHICLE.has(verbBefore(drafting, fact) ?? '') &&
      threadIn(drafting, fact) !== undefined,
  );
  const bolts = packing
    .filter(({ value }) => KIND_OF[value.noun] === 'bolt')
    .flatMap((count) => threadIn(drafting, count) ?? [])
    .filter(({ value }) => value.pitchAssumed === undefined);
  /** A word nobody knows, with the bare thread of bolts on the list that have no nuts: `6 M10 stovers`. */
  const isNutByThread = (count: Of<'count'>): boolean => {
    const thread = threadIn(drafting, count)?.value;
    if (thread === undefined || thread.lengthMm !== undefined || !/^\W*M\d/.test(count.value.item ?? '')) return false;
    const ofThread = packing.filter((other) => threadIn(drafting, other)?.value.designation === thread.designation);
    const kinds = ofThread.map(({ value }) => KIND_OF[value.noun]);
    return kinds.includes('bolt') && !kinds.includes('nut');
  };
  /** `eight m six by sixteen with the captive washer`: a size with its length is a bolt's, whatever else it is called. */
  const isBoltBySize = (count: Of<'count'>): boolean => {
    const thread = threadIn(drafting, count);
    return (
      thread?.value.lengthMm !== undefined &&
      KIND_OF[count.value.noun] === undefined &&
      HARDWARE.get(count.value.noun) === undefined &&
      /^\W*(?:m ?(?:\d|five|six|eight|ten|twelve|fourteen|sixteen))/i.test(count.value.item ?? '')
    );
  };
  const wordsOf = new Map<string, string[]>();
  const tightenedInRow = new Map<string, number>();
  const countedIn = new Map<string, number>();
  for (const count of [...packing, ...fitted]) {
    const { label } = count.value;
    // `Plain washer 14   (bag 2)`: which bag is no part of its name.
    const inBag = IN_BAG.exec(count.value.item ?? '');
    const line = count.value.item?.replace(IN_BAG, '').trim();
    // `Bolt w/ lock washer` is a bolt.
    const named = formInWords((line ?? count.printed).split(/\s(?:with|w\/)(?=\s)/i)[0] ?? '');
    const byNoun = KIND_OF[count.value.noun];
    // `Bracket screw` is a screw: what it is for stands before it.
    const told = (named?.kind === 'part' ? (byNoun ?? named.kind) : named?.kind) ?? byNoun;
    // A bush bolt is a bolt: what it goes through stands before its noun.
    const isThreaded = byNoun === 'bolt' || byNoun === 'nut';
    const kind =
      (isThreaded && told === 'collar' ? byNoun : told === 'part' && isBoltBySize(count) ? 'bolt' : told) ??
      (isNutByThread(count) ? 'nut' : isBoltBySize(count) ? 'bolt' : 'part');
    const thread = kind === 'part' ? undefined : (threadOfBolts(kind, count, bolts) ?? threadIn(drafting, count));
    // A sheet-metal screw has a number and no thread that is known.
    const known = thread !== undefined && parseThread(thread.value.designation).ok;
    const designation = known ? thread.value.designation.replace(' × ', ' x ') : undefined;
    const same = kit.items.findIndex(
      (item) =>
        item.kind === kind &&
        item.thread === designation &&
        (thread?.value.lengthMm === undefined || item.lengthMm === thread.value.lengthMm),
    );
    // What the prose counts again is already in the list; a row with a figure of its own has pieces of its own.
    const row = ROW.test(reading.steps[count.step]?.text ?? '') && inStep(count.step).some(isKind('torque'));
    const sameRow = same >= 0 && row && tightenedInRow.get(kit.items[same]?.id ?? '') !== undefined;
    if (!listed.has(count.step) && same >= 0 && !sameRow) {
      place(count, `items[${same}].quantity`);
      continue;
    }
    // In running text a count is of one side or corner where the sentence says so: `(3 per side)`.
    const often =
      line === undefined && !listed.has(count.step)
        ? ((
            endsAndSides(reading.steps, count.step) ??
            timesIn([reading.steps[count.step]?.text ?? '', ...followers(reading.steps, count.step)].join(' '), pieces)
          )?.times ?? 1)
        : 1;
    const length = thread?.value.lengthMm;
    const classes = inStep(count.step).filter(isKind('propertyClass'));
    const propertyClass = kind === 'bolt' || kind === 'nut' ? nearest(classes, count) : undefined;
    // `Button head` says which; `head` alone does not.
    const called =
      /\p{L}+[- ]heads?$/iu.exec((line ?? '').split(',')[0] ?? '')?.[0].replace(/s$/i, '') ??
      (isBoltBySize(count) ? 'bolt' : count.value.noun);
    // `four 5/8 bolts` of a sentence have no pitch either.
    const inch = thread || line !== undefined ? undefined : inchSizeIn(count.printed);
    const bent = named?.form === 'uBolt' && named.kind === kind;
    const whole = bent
      ? 'U-bolt'
      : kind === 'part' || /[- ]head$/i.test(called)
        ? called
        : `${likeIn(line ?? (inch ? count.printed : ''), called)}${called}`;
    const noun = `${whole[0]?.toUpperCase()}${whole.slice(1)}`;
    // A line of the list keeps its own words; what prose counts is named by its size.
    // A washer has a size, and no pitch.
    const size =
      kind === 'washer'
        ? thread?.value.designation.replace(/ × .*$/, '')
        : (thread?.value.designation ?? (inch && `${inch}"`));
    const sized = `${noun}${size ? ` ${size}` : ''}${length ? ` × ${Math.round(length * 10) / 10}` : ''}`;
    const name = fromCapitals(
      line === undefined || (kind !== 'part' && thread) ? sized : `${line[0]?.toUpperCase()}${line.slice(1)}`,
    );
    const sideFact = inStep(count.step)
      .filter(isKind('side'))
      .find((fact) => fact.value.side === 'left' || fact.value.side === 'right');
    const mark = kind === 'part' ? inStep(count.step).find(isKind('mark')) : undefined;
    const index = addItem(
      {
        kind,
        name: clip(name, 120),
        quantity: count.value.count * often,
        ...(kind !== 'washer' && designation ? { thread: designation } : {}),
        ...(length && kind !== 'washer' && kind !== 'nut' ? { lengthMm: Math.round(length * 100) / 100 } : {}),
        ...(named?.form && named.kind === kind ? { form: named.form } : {}),
        ...(named?.locking ? { locking: named.locking } : {}),
        ...(named?.head ? { head: named.head } : kind === 'bolt' && !named?.form ? { head: 'hex' as const } : {}),
        ...(propertyClass ? { propertyClass: propertyClass.value.propertyClass } : {}),
        ...(kind === 'part' && (sideFact?.value.side === 'left' || sideFact?.value.side === 'right')
          ? { side: sideFact.value.side }
          : {}),
        ...(mark ? { mark: mark.value.mark } : {}),
      },
      'kit',
    );
    place(count, `items[${index}]`);
    if (row || (listed.has(count.step) && inStep(count.step).some(isKind('torque'))))
      tightenedInRow.set(kit.items[index]?.id ?? '', count.step);
    if (line === undefined && !listed.has(count.step) && inStep(count.step).some(isKind('torque')))
      countedIn.set(kit.items[index]?.id ?? '', count.step);
    const added = kit.items[index];
    if (added && inBag?.[1]) added.bag = `${inBag[1][0]?.toUpperCase()}${inBag[1].slice(1)}`;
    if (told === undefined && kind === 'nut') assume(`items[${index}]`, 'takenForNut', name);
    wordsOf.set(kit.items[index]?.id ?? '', tellingWords(line ?? ''));
    for (const mate of kind === 'bolt' && line !== undefined ? comesWith(line) : []) {
      // Listed by themselves they are not counted twice; those of another size are others.
      const listedToo = packing.some((other) => {
        if (KIND_OF[other.value.noun] !== mate.kind) return false;
        const size = mate.kind === 'nut' ? threadIn(drafting, other)?.value.designation : undefined;
        return size === undefined || size.replace(' × ', ' x ') === designation;
      });
      if (listedToo) continue;
      const form = formInWords(mate.name);
      const mateAt = addItem(
        {
          kind: mate.kind,
          name: clip(
            `${mate.name[0]?.toUpperCase()}${mate.name.slice(1)}${designation ? ` ${thread?.value.designation}` : ''}`,
            120,
          ),
          quantity: count.value.count,
          ...(mate.kind === 'nut' && designation ? { thread: designation } : {}),
          ...(form?.form && form.kind === mate.kind ? { form: form.form } : {}),
          ...(form?.locking ? { locking: form.locking } : {}),
        },
        'kit',
      );
      if (mate.kind === 'washer' && designation) washerFor.set(kit.items[mateAt]?.id ?? '', designation);
    }
    if (label !== undefined) labelled.set(label, kit.items[index] as Item);
    if (thread) place(thread, `items[${index}].thread`);
    if (propertyClass) place(propertyClass, `items[${index}].propertyClass`);
    if (kind === 'washer' && designation) washerFor.set(kit.items[index]?.id ?? '', designation);
    if (mark) place(mark, `items[${index}].mark`);
  }
  const lockers = new Set(
    facts
      .filter(isKind('compound'))
      .filter(({ confidence, value }) => confidence >= 0.9 && value.compound.startsWith('threadlocker'))
      .map(({ value }) => value.compound),
  );
  return {
    listed,
    washerFor,
    wordsOf,
    tightenedInRow,
    countedIn,
    labelled,
    lockers,
    pieces,
    compoundOfSize: compoundsBySize(drafting, listed),
  };
}
