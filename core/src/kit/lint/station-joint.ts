import type { Compound } from '../../compound/compound.ts';
import { clearanceHoleMm } from '../../fastener/clearance-hole.ts';
import { type HeadStandard, headDimension } from '../../fastener/head-dimension.ts';
import { type NutClass, nutClassFor } from '../../fastener/nut-class.ts';
import { type BoltStrength, boltStrength, readPropertyClass } from '../../fastener/property-class.ts';
import { parseThread, type Thread } from '../../fastener/thread.ts';
import { TAPPED_TENSILE_MPA } from '../../fastener/thread-engagement.ts';
import type { ThreadFinish } from '../../tightening/thread-finish.ts';
import type { BearingFace } from '../../tightening/tightening-torque.ts';
import { type ScrewedInto, weakestMember } from '../../tightening/weakest-member.ts';
import type { Item, KitDocument, StackPiece, Station } from '../kit-document.ts';

export type Clamped = Extract<StackPiece, { kind: 'clamped' }>;

/** A station's stack read as a joint: what is the bolt, what the nut, how much is clamped. */
export interface StationJoint {
  station: Station;
  index: number;
  /** `Station 3, Lower bolt`. */
  place: string;
  path: string;
  bolt?: Item;
  nut?: Item;
  thread?: Thread;
  clamped: Clamped[];
  tapped?: Clamped;
  washers: Item[];
  compound?: Compound;
  /** Between head and nut, or head and tapped thread, mm; undefined while a washer's thickness is not known. */
  gripMm?: number;
  turned: 'head' | 'nut';
}

const STACK_KINDS = new Set(['bolt']);

const threadOf = (item: Item | undefined): Thread | undefined => {
  if (item?.thread === undefined) return undefined;
  const read = parseThread(item.thread);
  return read.ok ? read.value.thread : undefined;
};

/** Reads a station's stack as a joint. */
export function stationJoint(kit: Pick<KitDocument, 'items' | 'compounds' | 'stations'>, index: number): StationJoint {
  const station = kit.stations[index] as Station;
  const items = new Map(kit.items.map((item) => [item.id, item]));
  const pieces = station.stack.map((piece) => (piece.kind === 'hardware' ? items.get(piece.item) : piece));
  const hardware = pieces.filter((piece): piece is Item => piece !== undefined && 'line' in piece);
  const clamped = pieces.filter(
    (piece): piece is Clamped => piece !== undefined && 'kind' in piece && piece.kind === 'clamped',
  );
  const bolt = hardware.find((item) => STACK_KINDS.has(item.kind));
  const nut = hardware.find((item) =>
    item.kind === 'nut' || item.kind === 'insert' ? item.thread !== undefined : false,
  );
  const tapped = clamped.find((piece) => piece.tapped !== undefined);
  const washers = hardware.filter((item) => item.kind === 'washer');
  // What the thread goes through before it is gripped: washers and parts, not what the thread is cut in.
  const between = pieces.filter((piece) => piece !== undefined && piece !== bolt && piece !== nut && piece !== tapped);
  const thicknesses = between.map((piece) => piece?.thicknessMm);
  const gripMm = thicknesses.every((mm) => mm !== undefined)
    ? thicknesses.reduce<number>((sum, mm) => sum + (mm ?? 0), 0)
    : undefined;
  return {
    station,
    index,
    place: `Station ${station.label}, ${station.name}`,
    path: `stations[${index}]`,
    bolt,
    nut,
    thread: threadOf(bolt) ?? threadOf(nut),
    clamped,
    tapped,
    washers,
    compound: kit.compounds.find((compound) => compound.id === station.compound),
    gripMm,
    turned: station.turned ?? (nut && station.stack.at(-1)?.kind === 'hardware' ? 'nut' : 'head'),
  };
}

const HEAD: Record<NonNullable<Item['head']>, { metric: HeadStandard; unified: HeadStandard } | undefined> = {
  hex: { metric: 'ISO 4014/4017', unified: 'ASME B18.2.1' },
  hexFlange: { metric: 'ISO 4162', unified: 'ASME B18.2.1' },
  socketCap: { metric: 'ISO 4762', unified: 'ASME B18.3' },
  button: { metric: 'ISO 7380', unified: 'ASME B18.3' },
  countersunk: { metric: 'ISO 10642', unified: 'ASME B18.3' },
  castle: { metric: 'ISO 4032', unified: 'ASME B18.2.2' },
  // Points and lobes outside stand on a flange; a star inside is in the head of a socket cap screw (ISO 14579).
  twelvePoint: { metric: 'ISO 4162', unified: 'ASME B18.2.1' },
  sixLobeOutside: { metric: 'ISO 4162', unified: 'ASME B18.2.1' },
  sixLobe: { metric: 'ISO 4762', unified: 'ASME B18.3' },
  carriage: undefined,
  square: undefined,
  eye: undefined,
  none: undefined,
};

/** The head or nut that turns, with its face on the part. */
export function turnedFace(joint: StationJoint): BearingFace | undefined {
  const { thread, bolt, nut, turned } = joint;
  if (!thread) return undefined;
  const item = turned === 'nut' ? nut : bolt;
  const nutStandard: HeadStandard =
    thread.system === 'metric' ? (nut?.head === 'hexFlange' ? 'ISO 4161' : 'ISO 4032') : 'ASME B18.2.2';
  const standard = turned === 'nut' ? nutStandard : HEAD[item?.head ?? 'hex']?.[thread.system];
  const head = standard && headDimension(standard, thread);
  const holeMm = clearanceHoleMm(thread, 'medium') ?? thread.nominalMm * 1.1;
  if (!head) return undefined;
  return { outsideMm: head.bearingMm, holeMm, ...(item?.head === 'countersunk' ? { halfAngleDeg: 45 } : {}) };
}

/** Height of the nut, mm: its own where the kit gives it, else its standard's. */
export function nutHeightMm(joint: StationJoint): number | undefined {
  if (!joint.nut || !joint.thread) return undefined;
  if (joint.nut.thicknessMm !== undefined) return joint.nut.thicknessMm;
  const standard: HeadStandard =
    joint.thread.system === 'metric' ? (joint.nut.head === 'hexFlange' ? 'ISO 4161' : 'ISO 4032') : 'ASME B18.2.2';
  return headDimension(standard, joint.thread)?.heightMm;
}

/** Thread in mesh, mm: in the nut, or in the tapped part as far as the bolt reaches. */
export function engagementMm(joint: StationJoint): number | undefined {
  const { bolt, gripMm, tapped } = joint;
  if (bolt?.lengthMm === undefined || gripMm === undefined) return undefined;
  const reach = bolt.lengthMm - gripMm;
  if (tapped?.tapped) return Math.max(0, Math.min(reach, tapped.tapped.depthMm));
  const height = nutHeightMm(joint);
  return height === undefined ? undefined : Math.max(0, Math.min(reach, height));
}

/** The bolt's strength; undefined where its class is not printed or not one of this size. */
export function strengthOf({ bolt, thread }: StationJoint): BoltStrength | undefined {
  const propertyClass = bolt?.propertyClass === undefined ? undefined : readPropertyClass(bolt.propertyClass);
  if (propertyClass === undefined || !thread) return undefined;
  const strength = boltStrength(propertyClass, thread);
  return strength.ok ? strength.value : undefined;
}

const NUT_CLASSES = new Set<string>(['5', '6', '8', '9', '10', '12']);

/** Load the weakest of bolt, nut and tapped thread bears, N. */
export function leastLoad(
  joint: StationJoint,
): { leastN: number; weakest: 'bolt' | 'nut' | 'tappedThread'; strength: BoltStrength } | undefined {
  const strength = strengthOf(joint);
  const { thread, nut, tapped } = joint;
  if (!strength || !thread) return undefined;
  let into: ScrewedInto | undefined;
  const engaged = engagementMm(joint);
  if (tapped && tapped.material !== 'plastic' && tapped.material !== 'rubber' && engaged !== undefined && engaged > 0)
    into = { kind: 'tapped', tensileMpa: TAPPED_TENSILE_MPA[tapped.material ?? 'steel'], engagementMm: engaged };
  else {
    const printed = nut?.propertyClass;
    const nutClass =
      printed !== undefined && NUT_CLASSES.has(printed) ? (printed as NutClass) : nutClassFor(strength.propertyClass);
    if (nutClass !== undefined) into = { kind: 'nut', nutClass };
  }
  const members = into && weakestMember(thread, strength, into);
  if (members?.ok) return { leastN: members.value.leastN, weakest: members.value.weakest, strength };
  const alone = weakestMember(thread, strength, { kind: 'nut', nutClass: '10' });
  return alone.ok ? { leastN: alone.value.boltN, weakest: 'bolt', strength } : undefined;
}

const STAINLESS = /stainless|a2|a4/i;

/** What is on the thread when it is tightened: as the kit has it, and without the compound it names. */
export function threadFinishes({ bolt, compound }: StationJoint): { dry: ThreadFinish; asKit: ThreadFinish } {
  const finish = `${bolt?.finish ?? ''} ${bolt?.propertyClass ?? ''}`;
  const stainless = STAINLESS.test(finish);
  const dry: ThreadFinish = stainless
    ? 'stainlessDry'
    : /flake/i.test(finish)
      ? 'zincFlake'
      : /zinc|galvan|plated/i.test(finish)
        ? 'zincPlated'
        : /oil|black|phosphate/i.test(finish)
          ? 'oiled'
          : 'dry';
  switch (compound?.kind) {
    case 'antiSeize':
      return { dry, asKit: stainless ? 'stainlessAntiSeize' : 'antiSeize' };
    case 'threadlockerLow':
    case 'threadlockerMedium':
      return { dry, asKit: 'lockerMedium' };
    case 'threadlockerHigh':
      return { dry, asKit: 'lockerHigh' };
    case 'grease':
      return { dry, asKit: 'oiled' };
    default:
      return { dry, asKit: dry };
  }
}
