import { setsOnTheThread } from '../../compound/compound.ts';
import { parsePrinted } from '../../quantity/parse-printed.ts';
import { toBase } from '../../quantity/unit.ts';
import { tokenize } from '../../sheet/token.ts';
import { torqueAt } from '../../sheet/torque-phrase.ts';
import { acceptBand, canBeVerified, isPulled, type TighteningSpec } from '../../tightening/kinds.ts';
import { ASSUMED_PULL_S, passPlan } from '../../tightening/pass-plan.ts';
import { evenFriction, finishFriction } from '../../tightening/thread-finish.ts';
import { preloadForTorqueN, torqueForPreloadNm } from '../../tightening/tightening-torque.ts';
import type { KitDocument } from '../kit-document.ts';
import type { ItemKind } from '../piece-kind.ts';
import { type Finding, finding } from './finding.ts';
import { leastLoad, type StationJoint, threadFinishes, turnedFace } from './station-joint.ts';

/** Below this share of the weakest member's proof load a joint of hard parts hardly clamps (chosen by us). */
const LITTLE_SHARE = 0.15;
/** The slipperiest thread at the largest torque must pass proof load by more than the tables' own spread (chosen by us). */
const MAY_PASS = 1.05;

/** The torques a spec may put on the joint: what it aims at, and the most it allows. */
function torques(spec: TighteningSpec): { usualNm: number; mostNm: number } | undefined {
  const band = acceptBand(spec);
  if (!band) return undefined;
  const most = band.absoluteMaximumNm ?? (Number.isFinite(band.maxNm) ? band.maxNm : band.targetNm);
  return { usualNm: band.targetNm, mostNm: spec.kind === 'torque' ? band.targetNm : most };
}

const soft = (joint: StationJoint): boolean =>
  joint.clamped.some((piece) => piece.material === 'plastic' || piece.material === 'rubber');

/**
 * Rule 1: the preload a printed torque makes, over the friction range of what is on the thread, as a share of the
 * proof load of the weakest of bolt, nut and tapped part. With a compound named, the dry thread stands beside it.
 */
export function torqueAgainstStrength(joints: readonly StationJoint[]): Finding[] {
  const found: Finding[] = [];
  const asked = new Set<string>();
  for (const joint of joints) {
    const { bolt, thread, place } = joint;
    if (!bolt || !thread) continue;
    const least = leastLoad(joint);
    const face = turnedFace(joint);
    if (!least || !face) {
      if (bolt.propertyClass === undefined && !asked.has(bolt.id)) {
        asked.add(bolt.id);
        found.push(finding('classUnknown', joint.path, place, { line: `${bolt.line} ${bolt.name}` }));
      }
      continue;
    }
    const { dry, asKit } = threadFinishes(joint);
    joint.station.specs.forEach(({ spec, printed }, at) => {
      const nm = torques(spec);
      // What is turned by angle or to a slot goes on past its figure on purpose: the figure is no aim.
      if (!nm || !canBeVerified(spec)) return;
      const share = (torqueNm: number, mu: number) =>
        preloadForTorqueN(torqueNm, thread, evenFriction(mu), face) / least.leastN;
      const mu = finishFriction(asKit);
      const usual = share(nm.usualNm, mu.usual);
      const high = share(nm.mostNm, mu.low);
      const low = share(nm.usualNm, mu.high);
      const facts = {
        printed,
        lowPercent: Math.round(low * 100),
        usualPercent: Math.round(usual * 100),
        highPercent: Math.round(high * 100),
        dryPercent: Math.round(share(nm.usualNm, finishFriction(dry).usual) * 100),
        finish: asKit,
        withCompound: joint.compound !== undefined,
        weakest: least.weakest,
        propertyClass: least.strength.propertyClass,
        fullNm: Math.round(torqueForPreloadNm(0.75 * least.leastN, thread, evenFriction(mu.usual), face) * 10) / 10,
      };
      const path = `${joint.path}.specs[${at}]`;
      if (usual > 1) found.push(finding('overProof', path, place, facts));
      else if (high > MAY_PASS) found.push(finding('mayPassProof', path, place, facts));
      else if (usual < LITTLE_SHARE && !soft(joint)) found.push(finding('littlePreload', path, place, facts));
    });
  }
  return found;
}

const targetOf = (joint: StationJoint): number | undefined => {
  const spec = joint.station.specs[0]?.spec;
  return spec && acceptBand(spec)?.targetNm;
};

/** Rule 2: a value off its like neighbours, twelve times off in particular; a printed pair that disagrees. */
export function slips(joints: readonly StationJoint[]): Finding[] {
  const found: Finding[] = [];
  const like = new Map<string, StationJoint[]>();
  for (const joint of joints) {
    const key = `${joint.thread?.designation} ${joint.bolt?.propertyClass ?? ''}`;
    if (joint.thread && targetOf(joint) !== undefined) like.set(key, [...(like.get(key) ?? []), joint]);
  }
  for (const group of like.values()) {
    if (group.length < 2) continue;
    const sorted = group.map((joint) => ({ joint, target: targetOf(joint) ?? 0 })).sort((a, b) => a.target - b.target);
    sorted.forEach(({ joint, target }, place) => {
      // The middle of the others: the sorted list without this one.
      const middle = Math.floor((sorted.length - 1) / 2);
      const usual = sorted[place <= middle ? middle + 1 : middle]?.target ?? target;
      const ratio = Math.max(target / usual, usual / target);
      if (ratio <= 3) return;
      const facts = {
        printed: joint.station.specs[0]?.printed ?? '',
        targetNm: round(target),
        neighboursNm: round(usual),
        ratio: round(ratio),
      };
      const twelve = ratio > 10.5 && ratio < 13.7;
      found.push(finding(twelve ? 'twelveTimes' : 'offNeighbours', `${joint.path}.specs[0]`, joint.place, facts));
    });
  }
  for (const joint of joints) {
    joint.station.specs.forEach(({ printed }, at) => {
      const pair = torqueAt(tokenize(printed), 0, printed)?.value;
      if (pair?.pair?.agrees === false)
        found.push(
          finding('pairDisagrees', `${joint.path}.specs[${at}].printed`, joint.place, {
            printed,
            firstNm: round(pair.maxNm),
            secondNm: round(toBase(pair.pair.max, pair.pair.unit)),
          }),
        );
    });
  }
  return found;
}

const round = (value: number): number => Math.round(value * 10) / 10;

/** Rule 6: no figure at all, or a unit that may be two. */
export function figures(joints: readonly StationJoint[]): Finding[] {
  return joints.flatMap((joint) =>
    joint.station.specs.flatMap(({ spec, printed }, at): Finding[] => {
      const path = `${joint.path}.specs[${at}]`;
      if (spec.kind === 'missing') return [finding('noFigure', path, joint.place, { why: spec.why, printed })];
      if (!isPulled(spec)) return [];
      const read = parsePrinted(printed);
      // A bare number, or a spelling no unit has.
      const silent = !read.ok && read.error.code === 'unitMissing';
      return silent ? [finding('unitAmbiguous', `${path}.printed`, joint.place, { printed })] : [];
    }),
  );
}

/** Largest torque this trade prints for a size: three times what brings class 10.9 to 75 % of proof (chosen by us). */
const ENVELOPE_RATIO = 3;

type Size = 'lengthMm' | 'thicknessMm' | 'acrossFlatsMm' | 'insideMm' | 'outsideMm';
const SIZE_WORDS: Record<Size, string> = {
  lengthMm: 'length',
  thicknessMm: 'thickness',
  acrossFlatsMm: 'width across flats',
  insideMm: 'inside diameter',
  outsideMm: 'outside diameter',
};

/** How small and how large a piece of its kind comes in this trade, mm. Common practice, no source. */
const SIZES: Partial<Record<ItemKind, ReadonlyArray<readonly [Size, number, number]>>> = {
  bolt: [
    ['lengthMm', 3, 400],
    ['acrossFlatsMm', 3, 60],
  ],
  stud: [
    ['lengthMm', 8, 400],
    ['acrossFlatsMm', 3, 60],
  ],
  nut: [
    ['thicknessMm', 1, 60],
    ['acrossFlatsMm', 4, 60],
  ],
  washer: [
    ['thicknessMm', 0.1, 20],
    ['insideMm', 1.5, 80],
    ['outsideMm', 3, 150],
  ],
  pin: [['lengthMm', 3, 250]],
  clip: [['lengthMm', 3, 400]],
  insert: [
    ['lengthMm', 3, 100],
    ['outsideMm', 3, 80],
  ],
  collar: [
    ['lengthMm', 2, 200],
    ['insideMm', 2, 120],
    ['outsideMm', 4, 160],
    ['thicknessMm', 0.3, 150],
  ],
  part: [
    ['lengthMm', 2, 3500],
    ['thicknessMm', 0.3, 400],
    ['insideMm', 1.5, 600],
    ['outsideMm', 3, 1200],
  ],
};

/** Torque from which a joint without a thread cannot be let pass unasked, N·m (chosen by us: what an M16 of class 8.8 takes). */
const NAMED_FROM_NM = 200;

/** Rule 18: a large torque on a thread nobody names: no rule of strength can look at it. */
export function namelessThreads(joints: readonly StationJoint[]): Finding[] {
  return joints.flatMap((joint) => {
    if (joint.thread || joint.station.tags?.includes('wheel')) return [];
    return joint.station.specs.flatMap(({ spec, printed }, at): Finding[] => {
      const nm = torques(spec);
      return nm && nm.mostNm >= NAMED_FROM_NM
        ? [
            finding('threadNotNamed', `${joint.path}.specs[${at}]`, joint.place, {
              printed,
              torqueNm: round(nm.mostNm),
            }),
          ]
        : [];
    });
  });
}

/** Ends of a figure further apart than this are two figures, or what a wrench covers (chosen by us: as the sheet's reader has it). */
const WIDE = 3;

/** Rule 18: a range whose ends lie so far apart that it says nothing. */
export function wideRanges(joints: readonly StationJoint[]): Finding[] {
  return joints.flatMap((joint) =>
    joint.station.specs.flatMap(({ spec, printed }, at): Finding[] => {
      if (spec.kind !== 'range' || !(spec.minNm > 0)) return [];
      const ratio = spec.maxNm / spec.minNm;
      return ratio > WIDE
        ? [finding('wideRange', `${joint.path}.specs[${at}]`, joint.place, { printed, ratio: round(ratio) })]
        : [];
    }),
  );
}

/** Rule 18: a force where a torque is meant, a lost decimal point, anything outside a sane envelope. */
export function envelope(kit: KitDocument, joints: readonly StationJoint[]): Finding[] {
  const found: Finding[] = [];
  for (const joint of joints) {
    joint.station.specs.forEach(({ spec, printed }, at) => {
      const path = `${joint.path}.specs[${at}]`;
      if (!isPulled(spec)) return;
      const read = parsePrinted(printed);
      if (read.ok && (read.value.dimension === 'force' || read.value.dimension === 'mass'))
        found.push(finding('forceForTorque', `${path}.printed`, joint.place, { printed, unit: read.value.unit }));
      const nm = torques(spec);
      const face = turnedFace(joint);
      if (!nm || !joint.thread || !face) return;
      const assumed = leastLoad({
        ...joint,
        bolt: {
          ...(joint.bolt as NonNullable<StationJoint['bolt']>),
          propertyClass: joint.thread.system === 'metric' ? '10.9' : 'grade 8',
        },
        nut: undefined,
        tapped: undefined,
      });
      if (!assumed) return;
      const fullNm = torqueForPreloadNm(0.75 * assumed.leastN, joint.thread, evenFriction(0.16), face);
      if (nm.mostNm > ENVELOPE_RATIO * fullNm)
        found.push(
          finding('outOfEnvelope', path, joint.place, {
            what: 'torque',
            value: round(nm.mostNm),
            unit: 'N·m',
            most: round(ENVELOPE_RATIO * fullNm),
            thread: joint.thread.designation,
          }),
        );
    });
  }
  kit.items.forEach((item, index) => {
    for (const [field, least, most] of SIZES[item.kind] ?? []) {
      const value = item[field];
      if (value !== undefined && (value < least || value > most))
        found.push(
          finding('outOfEnvelope', `items[${index}].${field}`, `${item.line} ${item.name}`, {
            what: SIZE_WORDS[field],
            value,
            unit: 'mm',
            most,
            least,
          }),
        );
    }
  });
  return found;
}

/** Rule 17: the locker sets before the group is at torque: bolts × passes × seconds against the window. */
export function lockerTime(kit: KitDocument, joints: readonly StationJoint[]): Finding[] {
  return kit.groups.flatMap((group, index): Finding[] => {
    const members = joints.filter((joint) => group.stations.includes(joint.station.id));
    const beaded = members.filter((joint) => joint.compound?.workingWindowMin && setsOnTheThread(joint.compound.kind));
    if (beaded.length === 0) return [];
    const rounds = passPlan(members.length, group).filter((pass) => pass.kind === 'tighten').length;
    const secondsEach = (rounds + 2) * ASSUMED_PULL_S;
    const windowMin = Math.min(...beaded.map((joint) => joint.compound?.workingWindowMin ?? Number.POSITIVE_INFINITY));
    const needsMin = (beaded.length * secondsEach) / 60;
    if (needsMin <= windowMin) return [];
    const facts = {
      bolts: beaded.length,
      rounds,
      needsMin: round(needsMin),
      windowMin,
      atOnce: Math.max(1, Math.floor((windowMin * 60) / secondsEach)),
    };
    return [finding('windowTooShort', `groups[${index}]`, group.title, facts)];
  });
}

/** Rule 15: a joint that people's safety hangs on, pulled only once. */
export function verifyPasses(kit: KitDocument, joints: readonly StationJoint[]): Finding[] {
  return kit.groups.flatMap((group, index): Finding[] => {
    const critical = joints.filter(
      (joint) =>
        group.stations.includes(joint.station.id) &&
        joint.station.tags?.includes('safetyCritical') &&
        joint.station.specs.some(({ spec }) => canBeVerified(spec)),
    );
    const verified = passPlan(group.stations.length, group).some((pass) => pass.kind === 'verify');
    if (critical.length === 0 || verified) return [];
    return [
      finding('noVerify', `groups[${index}].verify`, group.title, {
        stations: critical.map((joint) => joint.station.label),
      }),
    ];
  });
}
