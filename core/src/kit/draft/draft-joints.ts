import type { DriveSize } from '../../fastener/drive.ts';
import type { Fact, FactValue } from '../../sheet/fact.ts';
import { inchSizeIn } from '../../sheet/spoken-thread.ts';
import type { SheetStep } from '../../sheet/step-split.ts';
import type { Pattern } from '../../tightening/pattern.ts';
import type { Item, OrderRule, Station } from '../kit-document.ts';
import type { ItemKind } from '../piece-kind.ts';
import type { PrintedSpec } from '../printed-spec.ts';
import { printedTorque, specOfTorque } from '../spec-from-printed.ts';
import { calledByLength } from './by-length.ts';
import { countsByLetter, rowLetter } from './called-letters.ts';
import { conditionFor } from './draft-conditions.ts';
import type { Packing } from './draft-packing.ts';
import type { Variants } from './draft-variants.ts';
import { clip, type Drafting, isCompound, isKind, KIND_OF, type Of } from './drafting.ts';
import { howMany } from './how-many.ts';
import { nameOfJoint } from './joint-name.ts';
import { piecesOf } from './joint-pieces.ts';
import { inTable, type JointSentences, jointSentences, stageShares } from './joint-sentences.ts';
import { asListed, inchOf, sizeAlone, threadNamed, threadOf, turns, usualDrive } from './joint-size.ts';
import { fitsBySize, stackOf, washersOf } from './joint-stack.ts';
import { HOLDS_WHEEL, partWords, phraseBefore, type Times, U_BOLTS } from './joint-words.ts';
import { NUTS_OF_U_BOLT, stockOfList } from './list-stock.ts';
import { placeholderMap, placeholderSpot } from './placeholder-map.ts';
import { sectionOf } from './section.ts';
import { driveTakenOff } from './taken-off.ts';

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
  const { washerFor, wordsOf, pieces } = packing;
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
  const stock = stockOfList(drafting, packing);
  const labelsSpent = (said: JointSentences): boolean =>
    said.items.length > 0 && said.items.every((item) => stock.unused(item) <= 0);
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
    const left = (item: Item | undefined): number => stock.left(item, torque.step);
    // `then the long one, 55`: by its length, and not by the size that was said before it.
    const phrase = phraseBefore(reading.steps[torque.step] as SheetStep, torque.start);
    const byLength = calledByLength(phrase, stock.of('bolt'));
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
      const ofSize = written === undefined ? [] : stock.of(kind, written);
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
    const figures = inStep(torque.step).filter(isKind('torque')).length;
    const sizesAlone = [...phrase.matchAll(SIZES_ALONE)];
    const inch =
      inchOf(torque.about) ??
      sizesAlone.at(-1)?.[1] ??
      inchSizeIn(phrase) ??
      (figures === 1 ? inchSizeIn(sentence) : undefined);
    const { bolt, nut, uBolt, bent, beside } = piecesOf(drafting, packing, stock, {
      said,
      step: torque.step,
      phrase,
      written,
      inch,
      byLength,
      ofVehicle: said.ofVehicle || wheelsOwn,
      own,
    });
    for (const piece of [bolt, nut]) if (piece?.source === 'kit' && written !== undefined) piece.thread ??= written;
    const counted = said.count;
    const clamps = said.items.filter((item) => item.kind === 'clamp' && left(item) > 0);
    const clamp = counted?.value.noun === 'clamp' && !bolt && !nut && clamps.length === 1 ? clamps[0] : undefined;
    const has = Math.min(
      clamp ? left(clamp) : Number.POSITIVE_INFINITY,
      bolt && left(bolt) > 0 ? left(bolt) : Number.POSITIVE_INFINITY,
      nut && left(nut) > 0 ? left(nut) : Number.POSITIVE_INFINITY,
    );
    // `Front M10 x 30`, `Middle M10 x 30` of one table: each row has its share of the list's.
    const rows = row && counted === undefined ? (rowsOfSize.get(torque.about) ?? 0) : 0;
    if (rows > 0) rowsOfSize.set(torque.about, rows - 1);
    const { count, times, apart, off, assumed } = howMany(drafting, said, torque, {
      bolt,
      nut,
      has,
      listed: pieces.length > 0,
      toEach: uBolt && counted && KIND_OF[counted.value.noun] === 'bolt' ? NUTS_OF_U_BOLT : 1,
      ofLetter: ofLetters.get(rowLetter(sentence) ?? ''),
      rows,
      onlyFigure: figuresOf.get(torque.about) === 1,
      left,
    });
    if (count > has && bolt) bolt.quantity = Math.max(bolt.quantity, count);
    if (counted) place(counted, `groups[${kit.groups.length}]`);
    const kind =
      bent || (U_BOLTS.test(phrase) && !nut) ? 'U-bolts' : `${nut && !bolt ? 'nut' : (said.kinds[0] ?? 'bolt')}s`;
    if (said.keyed !== undefined) keyedRows.add(said.keyed);
    const section = sectionOf(reading.steps, said.keyed ?? torque.step)?.replace(/\s*\(\d+\)/g, '');
    const size = (thread ?? threadNamed((bolt ?? nut)?.thread))?.designation;
    const unlisted = thread === undefined && inch !== undefined && !said.kinds.includes('nut') ? `${inch}"` : undefined;
    const title = nameOfJoint(
      {
        step: reading.steps[torque.step] as SheetStep,
        number: reading.steps[torque.step]?.number ?? torque.step + 1,
        row,
        phrase,
        section,
        title: said.title,
        words: said.words,
        beside,
        thread,
        size: size ?? unlisted,
        sizeAlone: sizesAlone.length > 0,
        pieces: kind,
        kinds: said.kinds,
        onSides: times?.places === 'sides',
        version,
      },
      (name) => kit.groups.some((group) => group.title === name),
    );
    const onlyFor = variants.conditionAt(torque.step);
    const groupPath = `groups[${kit.groups.length}]`;
    if (assumed) assume(groupPath, 'countAssumed', title);
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
      fitsBySize(item.name, ofThread, stock.metricSizes);
    const factory = piece.source === 'factory';
    const byLabel = said.items.filter((item) => item.kind === 'washer' && left(item) >= count);
    const washers = washersOf(
      byLabel.length > 0
        ? byLabel
        : factory
          ? []
          : stock.of('washer').filter((item) => left(item) >= count && fits(item)),
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
    for (const item of [piece, nut]) if (item) stock.use(item, count);
    for (const washer of [...washers.underHead, ...washers.underNut]) stock.use(washer, count);
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
    for (const item of alike) stock.use(item, stock.unused(item));
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
      stock.use(uBolt, stock.unused(uBolt));
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
