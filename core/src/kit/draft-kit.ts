import type { CompoundKind } from '../compound/compound.ts';
import type { DriveSize } from '../fastener/drive.ts';
import { headDimension, usualHead } from '../fastener/head-dimension.ts';
import { parseThread } from '../fastener/thread.ts';
import type { Fact, FactValue } from '../sheet/fact.ts';
import { HARDWARE } from '../sheet/lexicon.ts';
import type { SheetReading } from '../sheet/read-sheet.ts';
import type { Pattern } from '../tightening/pattern.ts';
import { blankKit } from './blank-kit.ts';
import type { Condition } from './condition.ts';
import type { Item, ItemKind, KitDocument, PrintedSpec, Question, StackPiece, Station } from './kit-document.ts';
import type { Phase, StepAction, StepNeed } from './kit-step.ts';
import { printedTorque, specOfTorque } from './spec-from-printed.ts';

/** Something the draft has that the sheet does not say in so many words. */
export interface Assumption {
  /** Path into the draft. */
  path: string;
  code:
    | 'positionsUnknown'
    | 'countAssumed'
    | 'driveFromThread'
    | 'driveUnknown'
    | 'thicknessUnknown'
    | 'compoundNearby'
    | 'fateUnknown'
    | 'boltNotListed'
    | 'strengthAssumed';
  /** What it is about, for a person. */
  about: string;
}

export interface Draft {
  kit: KitDocument;
  assumed: Assumption[];
  /** Where each fact went, by its index among the facts given. */
  placed: ReadonlyMap<number, string>;
}

const KIND_OF: Record<string, ItemKind> = {
  bolt: 'bolt',
  screw: 'bolt',
  stud: 'bolt',
  capscrew: 'bolt',
  setscrew: 'bolt',
  fastener: 'bolt',
  nut: 'nut',
  locknut: 'nut',
  washer: 'washer',
  shim: 'washer',
  clip: 'clip',
  grommet: 'clip',
  rivet: 'clip',
  tie: 'clip',
  pin: 'pin',
  insert: 'insert',
};

const COMPOUND_NAME: Record<CompoundKind, string> = {
  threadlockerMedium: 'Threadlocker, medium strength',
  threadlockerHigh: 'Threadlocker, high strength',
  antiSeize: 'Anti-seize',
  grease: 'Grease',
  sealant: 'Sealant',
  retaining: 'Retaining compound',
};
const isCompound = (kind: string): kind is CompoundKind => kind in COMPOUND_NAME;

const PATTERN_OF: Record<Extract<FactValue, { kind: 'pattern' }>['pattern'], Pattern> = {
  star: 'star',
  cross: 'cross',
  circular: 'circular',
  alternate: 'rowZigZag',
  middleOut: 'middleOut',
};

type Of<K extends FactValue['kind']> = Fact & { value: Extract<FactValue, { kind: K }> };
const isKind =
  <K extends FactValue['kind']>(kind: K) =>
  (fact: Fact): fact is Of<K> =>
    fact.value.kind === kind;

const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40) || 'x';

const clip = (text: string, most: number): string => {
  const flat = text.replace(/\s+/g, ' ').trim();
  return flat.length > most ? `${flat.slice(0, most - 1)}…` : flat;
};

const COMMON_WORDS = new Set(
  'with from then that this the and them both each remove refit reinstall replace reconnect disconnect unplug connector original same factory left right front rear upper lower carefully back into onto using'.split(
    ' ',
  ),
);

/** Verbs after which a counted piece belongs to the vehicle and not to the bag. */
const OF_THE_VEHICLE = new Set(['remove', 'loosen', 'refit', 'disconnect', 'reconnect', 'keep', 'discard']);

/** A line of a list begins with a count or a line's name, ends with one, or says that it is one; a sentence does not. */
const looksListed = (text: string, counts: readonly Of<'count'>[]): boolean =>
  /^(?:\(?\d|[A-Z]{0,2}\d|bag\b|kit\b|hardware\b|supplied\b|contents\b|includes?\b|parts?\b)/i.test(text) ||
  counts.some((count) => /^(?:\(\d+\)|x\s*\d+|qty|\d+$|[-–:|=])/i.test(count.printed) || text.endsWith(count.printed));

/**
 * Builds a draft kit from what was read. Everything the sheet says is placed; what it does not say is left at a plain
 * value and told as an assumption, never hidden. Steps that could not be read stand in the draft as their own text.
 *
 * @param reading - a sheet's steps
 * @param facts - its facts as accepted or corrected by a person, in the order of the sheet
 */
export function draftKit(
  reading: Pick<SheetReading, 'steps'>,
  facts: readonly Fact[],
  head: { id: string; title: string; maker: string },
): Draft {
  const kit = blankKit(head.id, head.title, head.maker);
  const assumed: Assumption[] = [];
  const placed = new Map<number, string>();
  const assume = (path: string, code: Assumption['code'], about: string) => assumed.push({ path, code, about });
  const indexOf = new Map(facts.map((fact, index) => [fact, index]));
  const place = (fact: Fact, path: string) => {
    const index = indexOf.get(fact);
    if (index !== undefined && !placed.has(index)) placed.set(index, path);
  };
  const inStep = new Map<number, Fact[]>();
  for (const fact of facts) inStep.set(fact.step, [...(inStep.get(fact.step) ?? []), fact]);
  const ids = new Set<string>();
  const freshId = (wish: string): string => {
    let id = slug(wish);
    for (let serial = 2; ids.has(id); serial++) id = `${slug(wish)}-${serial}`;
    ids.add(id);
    return id;
  };

  // Conditions become questions, each asked once.
  const conditionOf = (fact: Of<'condition'>): Condition => {
    const { from, to, text } = fact.value;
    const question = (entry: Question): string => {
      const known = kit.questions.findIndex((other) => other.id === entry.id);
      if (known < 0) kit.questions.push(entry);
      place(fact, `questions[${known < 0 ? kit.questions.length - 1 : known}]`);
      return entry.id;
    };
    if (from !== undefined || to !== undefined) {
      const id = question({
        id: 'modelYear',
        text: 'Model year?',
        kind: 'number',
        min: 1950,
        max: 2060,
        from: 'modelYear',
      });
      const parts: Condition[] = [];
      if (from !== undefined) parts.push({ question: id, atLeast: from });
      if (to !== undefined) parts.push({ question: id, atMost: to });
      return parts.length === 1 ? (parts[0] as Condition) : { all: parts };
    }
    const without = /\bwithout\b/i.test(text);
    const thing = clip(
      text
        .replace(/^(if (so )?(equipped|fitted)( with)?|(models|vehicles|trucks|cars) with(out)?)\s*/i, '')
        .replace(/^(a|an|the)\s+/i, '') || text,
      80,
    );
    const id = question({ id: `has-${slug(thing)}`, text: `Does it have: ${thing}?`, kind: 'yesNo' });
    return { question: id, is: !without };
  };
  /** The condition a fact stands under: the last one said before it in its step, else the step's only one. */
  const conditionFor = (fact: Fact): Condition | undefined => {
    const conditions = (inStep.get(fact.step) ?? []).filter(isKind('condition'));
    const before = conditions.filter((entry) => entry.start < fact.start).at(-1);
    const chosen = before ?? (conditions.length === 1 ? conditions[0] : undefined);
    return chosen && conditionOf(chosen);
  };

  // Packing lines: a piece counted where nothing is done to the vehicle's own.
  const nearest = <F extends Fact>(list: readonly F[], to: Fact): F | undefined =>
    [...list].sort((a, b) => Math.abs(a.start - to.start) - Math.abs(b.start - to.start))[0];
  const threadIn = (count: Of<'count'>): Of<'thread'> | undefined => {
    const within = facts.filter(isKind('thread')).filter((fact) => fact.start >= count.start && fact.end <= count.end);
    if (within.length > 0) return within[0];
    const threads = (inStep.get(count.step) ?? []).filter(isKind('thread'));
    const counts = (inStep.get(count.step) ?? []).filter(isKind('count'));
    return counts.length === 1 || threads.length === 1 ? threads[0] : nearest(threads, count);
  };
  const verbBefore = (fact: Fact): string | undefined =>
    (inStep.get(fact.step) ?? [])
      .filter(isKind('action'))
      .filter((entry) => entry.start < fact.start)
      .at(-1)?.value.action;
  const addItem = (item: Omit<Item, 'id' | 'line' | 'bag' | 'source'>, source: Item['source']): number => {
    const line = source === 'kit' ? `A${kit.items.length + 1}` : `V${kit.items.length + 1}`;
    kit.items.push({
      id: freshId(`${item.kind} ${item.name}`),
      line,
      bag: source === 'kit' ? 'Bag A' : 'Vehicle',
      source,
      ...item,
    });
    return kit.items.length - 1;
  };
  /** The thread a washer was listed for. */
  const washerFor = new Map<string, string>();
  const listed = new Set<number>();
  for (const step of inStep.keys()) {
    const own = inStep.get(step) ?? [];
    const counts = own.filter(isKind('count'));
    const packs =
      counts.length > 0 &&
      !own.some((fact) => fact.value.kind === 'action' || fact.value.kind === 'torque') &&
      looksListed(reading.steps[step]?.text ?? '', counts);
    if (packs) listed.add(step);
  }
  const packing = facts.filter(isKind('count')).filter((fact) => listed.has(fact.step));
  const fitted = facts
    .filter(isKind('count'))
    .filter(
      (fact) => !listed.has(fact.step) && !OF_THE_VEHICLE.has(verbBefore(fact) ?? '') && threadIn(fact) !== undefined,
    );
  for (const count of [...packing, ...fitted]) {
    const kind = KIND_OF[count.value.noun] ?? 'part';
    const thread = kind === 'part' ? undefined : threadIn(count);
    const designation = thread?.value.designation.replace(' × ', ' x ');
    const same = kit.items.findIndex(
      (item) =>
        item.kind === kind &&
        item.thread === designation &&
        (thread?.value.lengthMm === undefined || item.lengthMm === thread.value.lengthMm),
    );
    // What the prose counts again is already in the list.
    if (!listed.has(count.step) && same >= 0) {
      place(count, `items[${same}].quantity`);
      continue;
    }
    const length = thread?.value.lengthMm;
    const classes = (inStep.get(count.step) ?? []).filter(isKind('propertyClass'));
    const propertyClass = kind === 'bolt' || kind === 'nut' ? nearest(classes, count) : undefined;
    const noun = `${count.value.noun[0]?.toUpperCase()}${count.value.noun.slice(1)}`;
    const sideFact = (inStep.get(count.step) ?? [])
      .filter(isKind('side'))
      .find((fact) => fact.value.side === 'left' || fact.value.side === 'right');
    const mark = kind === 'part' ? (inStep.get(count.step) ?? []).find(isKind('mark')) : undefined;
    const index = addItem(
      {
        kind,
        name: clip(
          `${noun}${thread ? ` ${thread.value.designation}` : ''}${length ? ` × ${Math.round(length * 10) / 10}` : ''}`,
          120,
        ),
        quantity: count.value.count,
        ...(kind !== 'washer' && designation ? { thread: designation } : {}),
        ...(length && kind !== 'washer' ? { lengthMm: Math.round(length * 100) / 100 } : {}),
        ...(kind === 'bolt' ? { head: 'hex' as const } : {}),
        ...(propertyClass ? { propertyClass: propertyClass.value.propertyClass } : {}),
        ...(kind === 'part' && (sideFact?.value.side === 'left' || sideFact?.value.side === 'right')
          ? { side: sideFact.value.side }
          : {}),
        ...(mark ? { mark: mark.value.mark } : {}),
      },
      'kit',
    );
    place(count, `items[${index}]`);
    if (thread) place(thread, `items[${index}].thread`);
    if (propertyClass) place(propertyClass, `items[${index}].propertyClass`);
    if (kind === 'washer' && designation) washerFor.set(kit.items[index]?.id ?? '', designation);
    if (mark) place(mark, `items[${index}].mark`);
  }

  // Compounds: one of each kind.
  const compoundId = (kind: CompoundKind): string => {
    const known = kit.compounds.find((compound) => compound.kind === kind);
    if (known) return known.id;
    const id = freshId(kind);
    kit.compounds.push({ id, name: COMPOUND_NAME[kind], kind });
    return id;
  };

  // Torque values: a group of stations each, values of one joint under different conditions together.
  const groupOf = new Map<Fact, string>();
  const used = new Map<string, number>();
  const left = (item: Item | undefined): number => (item ? item.quantity - (used.get(item.id) ?? 0) : 0);
  const torqueFacts = facts.filter(isKind('torque'));
  for (const torque of torqueFacts) {
    const when = conditionFor(torque);
    const printed = (): PrintedSpec => ({
      spec: specOfTorque(torque.value),
      printed: clip(printedTorque(torque.printed, torque.value), 120),
      ...(when ? { when } : {}),
    });
    const stepFacts = inStep.get(torque.step) ?? [];
    const earlier = when && [...groupOf].find(([other]) => other.step === torque.step && other.about === torque.about);
    if (earlier) {
      const [, group] = earlier;
      const members = kit.groups.find((entry) => entry.id === group)?.stations ?? [];
      for (const station of kit.stations) if (members.includes(station.id)) station.specs.push(printed());
      groupOf.set(torque, group);
      place(torque, `groups[${kit.groups.findIndex((entry) => entry.id === group)}]`);
      continue;
    }
    const callout = torque.about === undefined ? undefined : parseThread(torque.about);
    const thread = callout?.ok ? callout.value.thread : undefined;
    const written = thread?.designation.replace(' × ', ' x ');
    const own = (kind: ItemKind) =>
      kit.items.filter((item) => item.kind === kind && item.thread !== undefined && item.thread === written);
    // A value said again of pieces that all have one already is the same value.
    const again = torqueFacts.find(
      (other) =>
        other !== torque &&
        groupOf.has(other) &&
        other.about === torque.about &&
        torque.about !== undefined &&
        Math.abs(other.value.maxNm - torque.value.maxNm) < 0.02 * torque.value.maxNm,
    );
    const spent = [...own('bolt'), ...own('nut')].every((item) => left(item) <= 0);
    if (again && spent) {
      const group = groupOf.get(again) as string;
      groupOf.set(torque, group);
      place(torque, `groups[${kit.groups.findIndex((entry) => entry.id === group)}]`);
      continue;
    }
    const bolt = own('bolt').find((item) => left(item) > 0);
    const nut = own('nut').find((item) => left(item) > 0);
    const counted = stepFacts
      .filter(isKind('count'))
      .filter((fact) => fact.start < torque.start)
      .at(-1);
    const has = Math.min(bolt ? left(bolt) : Number.POSITIVE_INFINITY, nut ? left(nut) : Number.POSITIVE_INFINITY);
    const wanted = counted?.value.count ?? (Number.isFinite(has) ? has : 1);
    const count = Math.max(1, Math.min(wanted, has));
    if (counted) place(counted, `groups[${kit.groups.length}]`);
    const about = thread?.designation ?? torque.about ?? 'joint';
    const title = clip(
      `${about[0]?.toUpperCase()}${about.slice(1)}${thread ? ' bolts' : ''}, step ${(reading.steps[torque.step]?.number ?? torque.step + 1).toString()}`,
      80,
    );
    const groupPath = `groups[${kit.groups.length}]`;
    if (!counted && !bolt && !nut) assume(groupPath, 'countAssumed', title);
    let piece = bolt ?? nut;
    if (!piece) {
      const noun = KIND_OF[counted?.value.noun ?? torque.about ?? ''] === 'nut' ? 'nut' : 'bolt';
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
    const fits = (item: Item) => written === undefined || (washerFor.get(item.id) ?? written) === written;
    const washer = kit.items.find((item) => item.kind === 'washer' && left(item) >= count && fits(item));
    const driveFacts = stepFacts.filter(isKind('drive'));
    const driveFact =
      nearest(driveFacts, torque) ??
      nearest(
        facts.filter(isKind('drive')).filter((fact) => fact.about === torque.about && fact.about !== undefined),
        torque,
      );
    let drive: DriveSize | undefined = driveFact?.value.drive;
    if (!drive && thread) {
      const head_ = headDimension(usualHead(thread.system), thread);
      if (head_)
        drive = {
          kind: 'hex',
          acrossFlatsMm: Math.round(head_.acrossFlatsMm * 100) / 100,
          ...(thread.system === 'unified' ? { inch: true as const } : {}),
        };
    }
    const compoundFact =
      stepFacts.find(isKind('compound')) ??
      facts.filter(isKind('compound')).find((fact) => fact.step < torque.step && torque.step - fact.step <= 2);
    const compound =
      compoundFact && isCompound(compoundFact.value.compound) ? compoundId(compoundFact.value.compound) : undefined;
    if (compoundFact && compound) {
      place(compoundFact, `compounds[${kit.compounds.findIndex((entry) => entry.id === compound)}]`);
      if (compoundFact.confidence < 1) assume(groupPath, 'strengthAssumed', title);
      if (compoundFact.step !== torque.step) assume(groupPath, 'compoundNearby', title);
    }
    for (const item of [piece, washer, nut]) if (item) used.set(item.id, (used.get(item.id) ?? 0) + count);
    const members: string[] = [];
    const row = kit.groups.length;
    for (let at = 0; at < Math.min(count, 200); at++) {
      const stack: StackPiece[] = [];
      if (piece.kind === 'bolt') stack.push({ kind: 'hardware', item: piece.id });
      if (washer) stack.push({ kind: 'hardware', item: washer.id });
      stack.push({ kind: 'clamped', name: 'Part', thicknessMm: 5 });
      if (nut) stack.push({ kind: 'hardware', item: nut.id });
      const station: Station = {
        id: freshId(`s${kit.stations.length + 1}`),
        label: String(kit.stations.length + 1),
        name: clip(`${title}, ${at + 1} of ${count}`, 120),
        xMm: 40 + (at % 8) * 60,
        yMm: 40 + Math.floor(at / 8) * 60,
        stack,
        ...(compound ? { compound } : {}),
        specs: [printed()],
        drive: drive ?? { kind: 'hand' },
      };
      members.push(station.id);
      kit.stations.push(station);
    }
    const pattern = stepFacts.find(isKind('pattern'));
    const group = freshId(`group ${row + 1}`);
    kit.groups.push({
      id: group,
      title,
      map: {
        title,
        note: 'Positions are not from the sheet',
        widthMm: 40 + Math.min(count, 8) * 60,
        heightMm: 40 + Math.ceil(count / 8) * 60,
        shapes: [],
      },
      stations: members,
      ...(pattern ? { torqueOrder: { pattern: PATTERN_OF[pattern.value.pattern] } } : {}),
      ...(stepFacts.some((fact) => fact.value.kind === 'rideHeight') ? { atRideHeight: true } : {}),
    });
    groupOf.set(torque, group);
    place(torque, groupPath);
    if (torque.about !== undefined) {
      const said = stepFacts.filter(isKind('thread')).find((fact) => fact.value.designation === torque.about);
      if (said) place(said, groupPath);
    }
    if (pattern) place(pattern, `${groupPath}.torqueOrder`);
    for (const fact of stepFacts) if (fact.value.kind === 'rideHeight') place(fact, `${groupPath}.atRideHeight`);
    if (driveFact) place(driveFact, groupPath);
    if (count > 1) assume(`${groupPath}.map`, 'positionsUnknown', title);
    assume(groupPath, 'thicknessUnknown', title);
    if (!driveFact) assume(groupPath, drive ? 'driveFromThread' : 'driveUnknown', title);
  }

  // Steps, each with what it has done.
  const refits = facts
    .filter(isKind('action'))
    .filter((fact) => fact.value.action === 'refit' || fact.value.action === 'reconnect');
  // What came off is known again by its own words; `bolts` and `with` say nothing of which.
  const nounsOf = (step: number): Set<string> =>
    new Set(
      (reading.steps[step]?.text.toLowerCase().match(/\p{L}{4,}/gu) ?? []).filter(
        (word) => !HARDWARE.has(word) && !COMMON_WORDS.has(word),
      ),
    );
  const backLater = (fact: Fact): Of<'action'> | undefined => {
    const mine = nounsOf(fact.step);
    return refits.find((other) => other.start > fact.start && [...nounsOf(other.step)].some((word) => mine.has(word)));
  };
  const removedBy = new Map<Fact, string>();
  const disconnectedBy = new Map<Fact, string>();
  reading.steps.forEach((step, at) => {
    const own = inStep.get(at) ?? [];
    if (listed.has(at)) return;
    const actions: StepAction[] = [];
    const path = `steps[${kit.steps.length}]`;
    for (const fact of own) {
      const { value } = fact;
      if (value.kind === 'action') {
        const object = clip(value.object || step.text, 120);
        if (value.action === 'remove') {
          const count = own.filter(isKind('count')).find((entry) => entry.start >= fact.start)?.value.count ?? 1;
          const id = freshId(`off ${object}`);
          const back = backLater(fact);
          kit.removed.push({ id, name: object, count, fate: back ? 'refit' : 'keep' });
          if (back) removedBy.set(back, id);
          else assume(`removed[${kit.removed.length - 1}]`, 'fateUnknown', object);
          actions.push({ type: 'remove', removed: id });
          place(fact, `removed[${kit.removed.length - 1}]`);
        } else if (value.action === 'disconnect') {
          const id = freshId(`open ${object}`);
          kit.disconnects.push({
            id,
            name: object,
            kind: /connector|plug/i.test(object)
              ? 'connector'
              : /hose/i.test(object)
                ? 'hose'
                : /sensor/i.test(object)
                  ? 'sensor'
                  : /cable|battery/i.test(object)
                    ? 'cable'
                    : /clip/i.test(object)
                      ? 'clip'
                      : 'other',
          });
          const back = backLater(fact);
          if (back) disconnectedBy.set(back, id);
          actions.push({ type: 'disconnect', disconnect: id });
          place(fact, `disconnects[${kit.disconnects.length - 1}]`);
        } else if (removedBy.has(fact)) {
          actions.push({ type: 'refit', removed: removedBy.get(fact) as string });
        } else if (disconnectedBy.has(fact)) {
          actions.push({ type: 'reconnect', disconnect: disconnectedBy.get(fact) as string });
        } else if (value.action === 'lift' && /vehicle|car|truck|front|rear/i.test(object)) {
          actions.push({ type: 'lift' });
        } else if (value.action === 'lower' && /vehicle|car|truck/i.test(object)) {
          actions.push({ type: 'lower' });
        }
        place(fact, path);
      } else if (value.kind === 'hole' && value.role === 'drill') {
        actions.push({ type: 'drill', diameterMm: Math.round(value.diameterMm * 100) / 100 });
        place(fact, path);
      } else if (value.kind === 'duration' && value.role === 'wait') {
        actions.push({ type: 'wait', minutes: value.minutes });
        place(fact, path);
      } else if (value.kind === 'torque') {
        const group = groupOf.get(fact);
        if (group && !actions.some((action) => action.type === 'torque' && action.group === group))
          actions.push({ type: 'torque', group });
      } else if (value.kind === 'compound' && isCompound(value.compound)) {
        actions.push({ type: 'apply', compound: compoundId(value.compound) });
        place(fact, path);
      }
    }
    // `Start all bolts by hand`, `snug`: of the group that is torqued next.
    const stage = own.find(isKind('stage'));
    if (stage && (stage.value.stage === 'loose' || stage.value.stage === 'snug')) {
      const next = torqueFacts.find((torque) => torque.start > stage.start);
      const group = next && groupOf.get(next);
      if (group) {
        actions.push({ type: stage.value.stage === 'loose' ? 'start' : 'snug', group });
        place(stage, path);
      }
    }
    if (own.some((fact) => fact.value.kind === 'caution')) {
      kit.cautions.push({ id: freshId('caution'), text: clip(step.text, 500) });
      for (const fact of own) if (fact.value.kind === 'caution') place(fact, `cautions[${kit.cautions.length - 1}]`);
    }
    for (const fact of own.filter(isKind('aftercare'))) {
      const { distanceKm, days, repeats } = fact.value;
      kit.aftercare.push({
        id: freshId('aftercare'),
        text: clip(step.text, 500),
        about: /wheel|lug/i.test(step.text)
          ? 'wheels'
          : /align/i.test(step.text)
            ? 'alignment'
            : /grease/i.test(step.text)
              ? 'grease'
              : 'joints',
        ...(distanceKm ? { afterKm: Math.round(distanceKm * 10) / 10 } : {}),
        ...(days ? { afterDays: days } : {}),
        ...(repeats ? { repeats: true } : {}),
      });
      place(fact, `aftercare[${kit.aftercare.length - 1}]`);
    }
    const job = own.filter(isKind('duration')).find((fact) => fact.value.role === 'job');
    if (job && kit.statedMinutes === undefined) {
      kit.statedMinutes = job.value.minutes;
      place(job, 'statedMinutes');
    }
    const difficulty = own.find(isKind('difficulty'));
    if (difficulty) {
      kit.difficulty = clip(difficulty.value.text, 120);
      place(difficulty, 'difficulty');
    }
    // A heading says nothing that is to be done.
    const said = own.filter((fact) => fact.value.kind !== 'side');
    if (said.length === 0 && (at === 0 || /:$/.test(step.text))) return;
    const needs: StepNeed[] = [];
    for (const fact of own) {
      if (fact.value.kind === 'need') {
        needs.push(fact.value.need);
        place(fact, `${path}.needs`);
      } else if (fact.value.kind === 'rideHeight') needs.push('rideHeight');
      else place(fact, path);
    }
    const conditions = own.filter(isKind('condition'));
    const only = conditions[0];
    const when = conditions.length === 1 && only && only.start - step.start < 3 ? conditionOf(only) : undefined;
    kit.steps.push({
      id: freshId(`step ${step.number ?? kit.steps.length + 1}`),
      ...(step.number ? { number: step.number } : {}),
      text: clip(step.text, 2000),
      phase: phaseOf(own, actions),
      actions: actions.length > 0 ? actions : [{ type: 'do', text: clip(step.text, 500) }],
      ...(needs.includes('helper') ? { people: 2 } : {}),
      ...(needs.length > 0 ? { needs: [...new Set(needs)] } : {}),
      ...(when ? { when } : {}),
    });
  });
  return { kit, assumed, placed };
}

function phaseOf(facts: readonly Fact[], actions: readonly StepAction[]): Phase {
  const types = new Set(actions.map((action) => action.type));
  const verbs = new Set(facts.flatMap((fact) => (fact.value.kind === 'action' ? [fact.value.action] : [])));
  if (types.has('torque')) return 'torque';
  if (types.has('remove') || types.has('disconnect')) return 'strip';
  if (types.has('refit') || types.has('reconnect') || facts.some((fact) => fact.value.kind === 'aftercare'))
    return 'closeOut';
  if (types.has('wait')) return 'cure';
  if (types.has('drill') || verbs.has('clean') || verbs.has('measure') || verbs.has('lift') || verbs.has('loosen'))
    return 'prepare';
  if (verbs.has('check')) return 'align';
  return 'fitLoose';
}
