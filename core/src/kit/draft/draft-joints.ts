import type { DriveSize } from '../../fastener/drive.ts';
import { headDimension, usualHead } from '../../fastener/head-dimension.ts';
import { parseThread } from '../../fastener/thread.ts';
import type { Fact, FactValue } from '../../sheet/fact.ts';
import type { Pattern } from '../../tightening/pattern.ts';
import type { Item, StackPiece, Station } from '../kit-document.ts';
import type { ItemKind } from '../piece-kind.ts';
import type { PrintedSpec } from '../printed-spec.ts';
import { printedTorque, specOfTorque } from '../spec-from-printed.ts';
import { conditionFor } from './draft-conditions.ts';
import type { Packing } from './draft-packing.ts';
import { clip, type Drafting, isCompound, isKind, KIND_OF, nearest } from './drafting.ts';

const PATTERN_OF: Record<Extract<FactValue, { kind: 'pattern' }>['pattern'], Pattern> = {
  star: 'star',
  cross: 'cross',
  circular: 'circular',
  alternate: 'rowZigZag',
  middleOut: 'middleOut',
  printed: 'star',
};

/**
 * The joints: a group of stations for each torque value, values of one joint under different conditions together.
 * @returns the group each torque went to
 */
export function draftJoints(drafting: Drafting, { washerFor }: Packing): ReadonlyMap<Fact, string> {
  const { reading, facts, kit, inStep, place, assume, freshId, addItem, compoundId } = drafting;
  const groupOf = new Map<Fact, string>();
  const used = new Map<string, number>();
  const left = (item: Item | undefined): number => (item ? item.quantity - (used.get(item.id) ?? 0) : 0);
  const torqueFacts = facts.filter(isKind('torque'));
  for (const torque of torqueFacts) {
    const when = conditionFor(drafting, torque);
    const printed = (): PrintedSpec => ({
      spec: specOfTorque(torque.value),
      printed: clip(printedTorque(torque.printed, torque.value), 120),
      ...(when ? { when } : {}),
    });
    const stepFacts = inStep(torque.step);
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
      .filter((fact) => fact.start < torque.start && fact.value.noun !== 'side' && fact.value.noun !== 'corner')
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
    // A cross or square bit is no drive a wrench has: it is looked at at the head.
    const said = driveFact?.value.drive;
    let drive: DriveSize | undefined = said?.kind === 'cross' || said?.kind === 'square' ? { kind: 'unknown' } : said;
    if (!drive && thread) {
      const usual = headDimension(usualHead(thread), thread);
      if (usual)
        drive = {
          kind: 'hex',
          acrossFlatsMm: Math.round(usual.acrossFlatsMm * 100) / 100,
          ...(thread.system === 'unified' ? { inch: true as const } : {}),
        };
    }
    const compoundFact =
      stepFacts.find(isKind('compound')) ??
      facts.filter(isKind('compound')).find((fact) => fact.step < torque.step && torque.step - fact.step <= 2);
    const compound =
      compoundFact && isCompound(compoundFact.value.compound)
        ? compoundId(compoundFact.value.compound, compoundFact.confidence)
        : undefined;
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
        drive: drive ?? { kind: 'unknown' },
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
  return groupOf;
}
