import type { CompoundKind } from '../../compound/compound.ts';
import { treatmentConflicts } from '../../compound/compound-choice.ts';
import { clearanceHoleMm } from '../../fastener/clearance-hole.ts';
import { HEAD_STANDARDS, type HeadStandard, headDimension, isNut, listedHeads } from '../../fastener/head-dimension.ts';
import { allThreads, identifyThread, toolContradictions, WIDTH_TOLERANCE_MM } from '../../fastener/identify.ts';
import { tapDrill } from '../../fastener/tap-drill.ts';
import { acceptBand, stretches } from '../../tightening/kinds.ts';
import type { KitDocument } from '../kit-document.ts';
import { basisMadeBy } from '../printed-spec.ts';
import { type Finding, finding } from './finding.ts';
import { lineOf, round } from './length-rules.ts';
import type { StationJoint } from './station-joint.ts';

/** Rule 3: a bolt called by its socket, a drive that no standard gives the thread, two sizes for one head. */
export function driveSizes(kit: KitDocument, joints: readonly StationJoint[]): Finding[] {
  const found: Finding[] = [];
  kit.items.forEach((item, index) => {
    const socket = /(\d+(?:\.\d+)?)\s*mm\s+(?:\w+\s+){0,2}(?:bolt|nut|screw)/i.exec(item.name);
    if ((item.kind !== 'bolt' && item.kind !== 'nut') || item.thread !== undefined || !socket) return;
    // A shoulder bolt is called by its shoulder (ISO 7379); its thread is smaller and stays to be named.
    if (/\bshoulder\b/i.test(item.name)) return;
    const width = Number(socket[1]);
    const may = HEAD_STANDARDS.filter((standard) => isNut(standard) === (item.kind === 'nut')).flatMap((standard) =>
      listedHeads(standard)
        .filter(({ system, head }) => system === 'metric' && Math.abs(head.acrossFlatsMm - width) <= WIDTH_TOLERANCE_MM)
        .map(({ nominalMm }) => `M${nominalMm}`),
    );
    found.push(
      finding('boltBySocket', `items[${index}].thread`, lineOf(item), { widthMm: width, may: [...new Set(may)] }),
    );
  });
  for (const joint of joints) {
    const { station, thread, bolt, nut, turned } = joint;
    const width =
      station.drive.kind === 'hex' || station.drive.kind === 'twelvePoint' ? station.drive.acrossFlatsMm : undefined;
    const item = turned === 'nut' ? nut : bolt;
    if (width !== undefined && item?.acrossFlatsMm !== undefined && Math.abs(item.acrossFlatsMm - width) > 0.3)
      found.push(
        finding('twoDriveSizes', `${joint.path}.drive`, joint.place, {
          widthMm: width,
          lineMm: item.acrossFlatsMm,
          line: lineOf(item),
        }),
      );
    if (!thread || width === undefined) continue;
    const [wrong] = toolContradictions(thread, { acrossFlatsMm: width });
    if (wrong?.code === 'widthNotOfThread')
      found.push(
        finding('driveNotOfThread', `${joint.path}.drive`, joint.place, {
          thread: thread.designation,
          widthMm: round(width),
          usual: wrong.usualMm.map(String),
          alsoFits: wrong.alsoFits,
        }),
      );
  }
  return found;
}

/** What tells of a thread's size without being it. */
type Clue = 'drive' | 'holding' | 'drill' | 'hole' | 'key';

/** Heads that a key turns, by what the packing list calls them. */
const KEYED: Partial<Record<NonNullable<StationJoint['bolt']>['head'] & string, readonly HeadStandard[]>> = {
  socketCap: ['ISO 4762', 'ASME B18.3'],
  button: ['ISO 7380'],
  countersunk: ['ISO 10642'],
};

/** Nominal sizes whose head takes a key of this width, mm; of any keyed head where the list does not say which. */
function keySizes(widthMm: number, head: string | undefined): ReadonlySet<number> {
  const standards = KEYED[head as keyof typeof KEYED] ?? Object.values(KEYED).flat();
  return new Set(
    allThreads()
      .filter((thread) =>
        standards.some((standard) => {
          const width = headDimension(standard, thread)?.acrossFlatsMm;
          return width !== undefined && Math.abs(width - widthMm) <= WIDTH_TOLERANCE_MM;
        }),
      )
      .map(({ nominalMm }) => nominalMm),
  );
}

/** Rule 20: drive, holding and drill sizes that agree with each other on another thread than the one named. */
export function votes(joints: readonly StationJoint[]): Finding[] {
  return joints.flatMap((joint): Finding[] => {
    const { station, thread } = joint;
    if (!thread) return [];
    const width = (drive: typeof station.drive | undefined) =>
      drive?.kind === 'hex' ? drive.acrossFlatsMm : undefined;
    const through = joint.clamped.find((piece) => !piece.tapped && piece.holeMm !== undefined)?.holeMm;
    const clues: Array<[Clue, Parameters<typeof identifyThread>[0]]> = [];
    const drive = width(station.drive);
    const holding = width(station.holding?.drive);
    if (drive !== undefined) clues.push(['drive', { acrossFlatsMm: drive }]);
    if (holding !== undefined && holding !== drive) clues.push(['holding', { acrossFlatsMm: holding }]);
    if (station.drillMm !== undefined) clues.push(['drill', { holeMm: station.drillMm }]);
    if (through !== undefined && through !== station.drillMm) clues.push(['hole', { holeMm: through }]);
    const key = station.drive.kind === 'hexKey' ? keySizes(station.drive.acrossFlatsMm, joint.bolt?.head) : undefined;
    const ballots: Array<{ clue: Clue; sizes: ReadonlySet<number> }> = clues.map(([clue, measured]) => {
      const read = identifyThread(measured);
      const sizes = read.ok
        ? read.value.filter((entry) => entry.votesAgainst.length === 0).map((entry) => entry.thread.nominalMm)
        : [];
      return { clue, sizes: new Set(sizes) };
    });
    if (key) ballots.push({ clue: 'key', sizes: key });
    const against = ballots.filter(({ sizes }) => sizes.size > 0 && !sizes.has(thread.nominalMm));
    const agreed = [...(against[0]?.sizes ?? [])].filter((size) => against.every(({ sizes }) => sizes.has(size)));
    const supporting = ballots.filter(({ sizes }) => sizes.has(thread.nominalMm)).length;
    if (against.length < 2 || agreed.length === 0 || supporting >= against.length) return [];
    return [
      finding('sizesVoteForAnother', joint.path, joint.place, {
        thread: thread.designation,
        clues: against.map(({ clue }) => clue),
        elect: agreed.map((size) => `${round(size)} mm`),
      }),
    ];
  });
}

/** Torque from which a turned head wants a hardened washer or flange under it, N·m (chosen by us). */
const HIGH_TORQUE_NM = 60;
/** Heads that carry a face of their own, or are let into the part. */
const OWN_FACE: ReadonlySet<string | undefined> = new Set([
  'hexFlange',
  'countersunk',
  'twelvePoint',
  'sixLobeOutside',
  'carriage',
  'eye',
]);

/** Rule 7: a bare head or nut turned hard, or turned on aluminium, plastic or a slot. */
export function washers(joints: readonly StationJoint[]): Finding[] {
  return joints.flatMap((joint): Finding[] => {
    const { station, bolt, nut, turned } = joint;
    const item = turned === 'nut' ? nut : bolt;
    const nm = station.specs.flatMap(({ spec }) => acceptBand(spec)?.targetNm ?? []);
    if (!item || OWN_FACE.has(item.head) || nm.length === 0 || station.tags?.includes('wheel')) return [];
    const at = station.stack.findIndex((piece) => piece.kind === 'hardware' && piece.item === item.id);
    const next = station.stack[turned === 'nut' ? at - 1 : at + 1];
    if (next?.kind !== 'clamped') return [];
    const onSoft =
      next.material === 'aluminium' ||
      next.material === 'magnesium' ||
      next.material === 'plastic' ||
      next.slot === true;
    const facts = {
      turned,
      torqueNm: round(Math.max(...nm)),
      onto: next.name,
      material: next.slot ? 'slot' : (next.material ?? ''),
    };
    if (onSoft) return [finding('noWasherSoft', `${joint.path}.stack`, joint.place, facts)];
    if (Math.max(...nm) >= HIGH_TORQUE_NM)
      return [finding('noWasherHighTorque', `${joint.path}.stack`, joint.place, facts)];
    return [];
  });
}

/** Kinds of compound that steps put on the thread of a joint, by its station. */
function appliedBySteps(kit: KitDocument): ReadonlyMap<string, ReadonlySet<CompoundKind>> {
  const kinds = new Map(kit.compounds.map(({ id, kind }) => [id, kind]));
  const stationsOf = new Map(kit.groups.map(({ id, stations }) => [id, stations]));
  const found = new Map<string, Set<CompoundKind>>();
  for (const { actions } of kit.steps)
    for (const action of actions) {
      const kind = action.type === 'apply' ? kinds.get(action.compound) : undefined;
      if (action.type !== 'apply' || kind === undefined) continue;
      for (const station of stationsOf.get(action.group ?? '') ?? [])
        found.set(station, new Set([...(found.get(station) ?? []), kind]));
    }
  return found;
}

/** What makes a thread slip. */
const SLIPPERY: ReadonlySet<CompoundKind> = new Set<CompoundKind>(['grease', 'antiSeize']);

/** Rule 9: what is on the thread against what it meets and what the joint must do. */
export function compounds(kit: KitDocument, joints: readonly StationJoint[]): Finding[] {
  const byStep = appliedBySteps(kit);
  return joints.flatMap((joint): Finding[] => {
    const { compound, station, bolt, nut } = joint;
    if (!compound) return [];
    const others = [...(byStep.get(station.id) ?? [])].filter((kind) => kind !== compound.kind);
    const coated = /anti-?seize/i.test(bolt?.finish ?? '');
    const conflicts = treatmentConflicts({
      compounds: [compound.kind, ...others, ...(coated ? (['antiSeize'] as const) : [])],
      lockingNut: nut?.locking !== undefined,
      dryFace: station.tags?.includes('frictionFace'),
      nearPlastic: joint.clamped.some((piece) => piece.material === 'plastic'),
    });
    const facts = { compound: compound.name };
    const path = `${joint.path}.compound`;
    const found = conflicts.flatMap((conflict): Finding[] => {
      switch (conflict) {
        case 'lockerWithAntiSeize':
        case 'lockerOverGrease':
          return [finding('lockerWithAntiSeize', path, joint.place, facts)];
        case 'lockerOnLockingNut':
          return [finding('lockerOnLockingNut', path, joint.place, facts)];
        case 'lockerNearPlastic':
          return [finding('lockerNearPlastic', path, joint.place, facts)];
        case 'greaseOnDryFace':
          return [finding('slipperyFrictionFace', path, joint.place, facts)];
        default:
          return [];
      }
    });
    // A wheel's figure is for clean, dry threads: with anything slippery the stud stretches before the wrench clicks.
    if (station.tags?.includes('wheel') && SLIPPERY.has(compound.kind))
      found.push(finding('slipperyWheel', path, joint.place, facts));
    // Adjusted at the alignment, taken off with the wheel, or too small to survive the breakaway.
    const undone =
      station.tags?.includes('changesGeometry') ||
      station.tags?.includes('wheel') ||
      (joint.thread?.nominalMm ?? 99) <= 6;
    if (compound.kind === 'threadlockerHigh' && undone)
      found.push(finding('highWhereUndone', path, joint.place, { ...facts, thread: joint.thread?.designation ?? '' }));
    return found;
  });
}

/** Rule 9, as far as the figure goes: it was worked out for a thread other than the one the kit makes. */
export function figureBases(joints: readonly StationJoint[]): Finding[] {
  return joints.flatMap((joint) =>
    joint.station.specs.flatMap(({ printed, basis }, at): Finding[] => {
      const made = joint.compound === undefined ? 'dry' : basisMadeBy(joint.compound.kind);
      // An oiled thread without a compound is how the bolt comes; nothing here says that it is not.
      if (basis === undefined || made === undefined || basis === made || (basis === 'oiled' && made === 'dry'))
        return [];
      const facts = { printed, basis, compound: joint.compound?.name ?? '' };
      return [finding('figureForOtherThread', `${joint.path}.specs[${at}].basis`, joint.place, facts)];
    }),
  );
}

/** Rule 13: a drill or hole that the bolt cannot pass, a tap drill that is not the thread's. */
export function holes(joints: readonly StationJoint[]): Finding[] {
  return joints.flatMap((joint): Finding[] => {
    const { thread, station } = joint;
    if (!thread) return [];
    const found: Finding[] = [];
    const wholes: Array<[string, number, string]> = joint.clamped.flatMap(
      (piece): Array<[string, number, string]> =>
        piece.holeMm !== undefined && !piece.tapped
          ? [[`${joint.path}.stack[${station.stack.indexOf(piece)}].holeMm`, piece.holeMm, piece.name]]
          : [],
    );
    if (station.drillMm !== undefined && !joint.tapped)
      wholes.push([`${joint.path}.drillMm`, station.drillMm, 'drill']);
    for (const [path, holeMm, name] of wholes) {
      const facts = {
        holeMm,
        thread: thread.designation,
        where: name,
        tapDrillMm: tapDrill(thread).diameterMm,
        fineMm: clearanceHoleMm(thread, 'fine') ?? 0,
      };
      if (holeMm <= thread.nominalMm) found.push(finding('boltCannotPass', path, joint.place, facts));
      else if (holeMm < (clearanceHoleMm(thread, 'fine') ?? 0) - 0.05)
        found.push(finding('holeTight', path, joint.place, facts));
    }
    const tapHole = joint.tapped && (station.drillMm ?? joint.tapped.holeMm);
    if (tapHole !== undefined) {
      const [wrong] = toolContradictions(thread, { tapDrillMm: tapHole });
      if (wrong?.code === 'tapDrillWrong')
        found.push(
          finding('tapDrillWrong', joint.path, joint.place, {
            drillMm: tapHole,
            rightMm: wrong.rightMm,
            thread: thread.designation,
          }),
        );
    }
    return found;
  });
}

/** Rule 14: fasteners made for one use, used again. */
export function oneUse(kit: KitDocument, joints: readonly StationJoint[]): Finding[] {
  const found: Finding[] = [];
  const said = new Set<string>();
  for (const joint of joints) {
    const { bolt, station } = joint;
    const drawn = station.specs.some(({ spec }) => stretches(spec));
    if (drawn && bolt && !bolt.singleUse && !said.has(bolt.id)) {
      said.add(bolt.id);
      found.push(
        finding('stretchBoltNotMarked', `items[${kit.items.indexOf(bolt)}].singleUse`, lineOf(bolt), {
          station: station.label,
        }),
      );
    }
  }
  kit.items.forEach((item, index) => {
    const once =
      item.locking === 'nylon' || (item.kind === 'pin' && /cotter|split/i.test(item.name)) || item.singleUse === true;
    if (once && item.source === 'factory')
      found.push(
        finding('oneUseReused', `items[${index}].source`, lineOf(item), {
          kind: item.locking === 'nylon' ? 'nylon' : item.kind,
        }),
      );
  });
  return found;
}

/** Rule 16, as far as the stack goes: a bonded bush tightened with the suspension hanging. */
export function bushes(kit: KitDocument, joints: readonly StationJoint[]): Finding[] {
  return kit.groups.flatMap((group, index): Finding[] => {
    const bonded = joints.filter(
      (joint) => group.stations.includes(joint.station.id) && joint.station.tags?.includes('rubberBonded'),
    );
    if (bonded.length === 0 || group.atRideHeight) return [];
    return [
      finding('bushNotAtRideHeight', `groups[${index}].atRideHeight`, group.title, {
        stations: bonded.map((joint) => joint.station.label),
      }),
    ];
  });
}
