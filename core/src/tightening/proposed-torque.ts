import { clearanceHoleMm } from '../fastener/clearance-hole.ts';
import { type HeadStandard, headDimension, usualHead } from '../fastener/head-dimension.ts';
import { type BoltStrength, boltStrength, type ClassFault } from '../fastener/property-class.ts';
import type { Thread } from '../fastener/thread.ts';
import { stripLoads } from '../fastener/thread-engagement.ts';
import { fail, ok, type Result } from '../result.ts';
import { assemblyPreloadN } from './assembly-preload.ts';
import { bearingPressureMpa, LIMITING_PRESSURE } from './bearing-pressure.ts';
import type { PartMaterial } from './joint-stiffness.ts';
import { evenFriction, finishFriction, type ThreadFinish } from './thread-finish.ts';
import { type BearingFace, torqueForPreloadNm } from './tightening-torque.ts';

/** Joints for which no value is ever proposed: only the sheet or the vehicle maker's manual. */
export type JointTag = 'ordinary' | 'steering' | 'brake' | 'suspension' | 'tow' | 'restraint' | 'wheel';

export const isSafetyCritical = (tag: JointTag): boolean => tag !== 'ordinary';

export interface ProposalInput {
  thread: Thread;
  propertyClass: string;
  finish: ThreadFinish;
  tag: JointTag;
  head?: HeadStandard;
  /** Softest thing under head or nut. */
  part: PartMaterial;
  /** Where the thread is tapped into a part: its material strength and engagement. */
  tapped?: { tensileMpa: number; engagementMm: number };
}

export type ProposalFault =
  | { code: 'safetyCritical'; tag: JointTag }
  | { code: 'headNotListed'; head: HeadStandard; nominalMm: number }
  | ClassFault;

/** A torque worked out from size and class. Never from a sheet, and always marked so. */
export interface Proposal {
  torqueNm: number;
  preloadN: number;
  face: BearingFace;
  strength: BoltStrength;
  limitedBy: 'bolt' | 'tappedThread' | 'bearing';
  notFromSheet: true;
}

/** Share of what a tapped thread stands that a proposal uses. Chosen by us; a head may press up to the limit (VDI 2230). */
const RESERVE = 0.75;

/** The bearing face of a head over its medium clearance hole; undefined where a standard does not list the size. */
export function usualFace(
  thread: Pick<Thread, 'system' | 'nominalMm'>,
  head: HeadStandard = usualHead(thread),
): BearingFace | undefined {
  const dimension = headDimension(head, thread);
  const holeMm = clearanceHoleMm(thread, 'medium');
  return dimension && holeMm !== undefined
    ? { outsideMm: dimension.bearingMm, holeMm, halfAngleDeg: head === 'ISO 10642' ? 45 : 90 }
    : undefined;
}

/**
 * A torque for a joint whose sheet gives none, from size, class and finish: the assembly preload of the class, less
 * where the part under the head or the tapped thread stands less. Refused for safety-critical joints.
 */
export function proposeTorque(input: ProposalInput): Result<Proposal, ProposalFault> {
  if (isSafetyCritical(input.tag)) return fail({ code: 'safetyCritical', tag: input.tag });
  const strength = boltStrength(input.propertyClass, input.thread);
  if (!strength.ok) return strength;
  const head = input.head ?? usualHead(input.thread);
  const face = usualFace(input.thread, head);
  if (!face) return fail({ code: 'headNotListed', head, nominalMm: input.thread.nominalMm });
  // The slippery end of the friction range sets the preload, so that the bolt is safe on the best-oiled day.
  const { low, usual } = finishFriction(input.finish);
  let preloadN = assemblyPreloadN(input.thread, strength.value, low);
  let limitedBy: Proposal['limitedBy'] = 'bolt';
  const bearingN = LIMITING_PRESSURE[input.part] / bearingPressureMpa(1, face.outsideMm, face.holeMm);
  if (bearingN < preloadN) [preloadN, limitedBy] = [bearingN, 'bearing'];
  if (input.tapped) {
    const strips = stripLoads(
      { thread: input.thread, boltTensileMpa: strength.value.tensileMpa, tappedTensileMpa: input.tapped.tensileMpa },
      input.tapped.engagementMm,
    );
    if (strips.ok && RESERVE * strips.value.tappedThreadStripsN < preloadN)
      [preloadN, limitedBy] = [RESERVE * strips.value.tappedThreadStripsN, 'tappedThread'];
  }
  const torqueNm = torqueForPreloadNm(preloadN, input.thread, evenFriction(low), face);
  // Never above what the usual friction asks for; with the low end it always is below.
  const cap = torqueForPreloadNm(preloadN, input.thread, evenFriction(usual), face);
  return ok({
    torqueNm: Math.min(torqueNm, cap),
    preloadN,
    face,
    strength: strength.value,
    limitedBy,
    notFromSheet: true,
  });
}

/** Where a value for a joint without a figure may come from, best first. */
export type ValueSource = 'kitSheet' | 'vehicleMaker' | 'otherKitSheet' | 'estimate' | 'byFeel';

export interface ValueOffer {
  source: ValueSource;
  /** N·m; by feel has none. */
  torqueNm?: number;
  allowed: boolean;
  because:
    | 'first'
    | 'reusedHardware'
    | 'kitHardware'
    | 'sameJointOnly'
    | 'safetyCritical'
    | 'markedEstimate'
    | 'noBasis'
    | 'shopRefuses'
    | 'lastResort';
}

/**
 * The ranked sources for a joint without a figure. A value of another kit's sheet belongs to that joint; it counts
 * only for the same joint of the same vehicle. An estimate is refused for safety-critical joints, by feel in a shop
 * that forbids it.
 *
 * Ranking: the brief's stand on "tightening with no figure"; common practice, no source.
 */
export function rankValueSources(question: {
  hardware: 'kit' | 'factory';
  tag: JointTag;
  kitSheetNm?: number;
  vehicleMakerNm?: number;
  otherKitNm?: number;
  otherKitSameJoint?: boolean;
  estimateNm?: number;
  strictShop: boolean;
}): ValueOffer[] {
  const critical = isSafetyCritical(question.tag);
  const kitSheet: ValueOffer = {
    source: 'kitSheet',
    torqueNm: question.kitSheetNm,
    allowed: question.kitSheetNm !== undefined,
    because: question.hardware === 'kit' ? 'first' : 'kitHardware',
  };
  const maker: ValueOffer = {
    source: 'vehicleMaker',
    torqueNm: question.vehicleMakerNm,
    allowed: question.vehicleMakerNm !== undefined,
    because: question.hardware === 'factory' ? 'first' : 'reusedHardware',
  };
  const firstTwo = question.hardware === 'factory' ? [maker, kitSheet] : [kitSheet, maker];
  return [
    ...firstTwo,
    {
      source: 'otherKitSheet',
      torqueNm: question.otherKitNm,
      allowed: question.otherKitNm !== undefined && question.otherKitSameJoint === true && !critical,
      because: critical ? 'safetyCritical' : 'sameJointOnly',
    },
    {
      source: 'estimate',
      torqueNm: critical ? undefined : question.estimateNm,
      allowed: !critical && question.estimateNm !== undefined,
      because: critical ? 'safetyCritical' : question.estimateNm === undefined ? 'noBasis' : 'markedEstimate',
    },
    {
      source: 'byFeel',
      allowed: !critical && !question.strictShop,
      because: critical ? 'safetyCritical' : question.strictShop ? 'shopRefuses' : 'lastResort',
    },
  ];
}
