import type { WasherHv } from '../fastener/washer-hardness.ts';
import { washerHardnessHv } from '../fastener/washer-hardness.ts';
import type { Station } from '../kit/kit-document.ts';
import { lengths } from '../kit/lint/length-rules.ts';
import { type StationJoint, stationJoint, strengthOf } from '../kit/lint/station-joint.ts';
import type { Plan, PlanStation } from '../kit/plan.ts';

/** A washer of the shop's that no sheet asks for. */
export interface AddedWasher {
  under: 'head' | 'nut';
  insideMm: number;
  outsideMm: number;
  thicknessMm: number;
  hardnessHv: WasherHv;
}

/** Why a washer may not go into a stack. */
export type WasherFault =
  | { code: 'washerTooSmall'; insideMm: number; boltMm: number }
  | { code: 'washerTooSoft'; hardnessHv: number; neededHv: number }
  | { code: 'washerShortens'; engagedMm: number; neededMm: number };

/** The joint as it stands with washers added to it. */
function jointWith(plan: Plan, station: PlanStation, washers: readonly AddedWasher[]): StationJoint {
  const stack: Station['stack'] = [
    ...station.stack,
    ...washers.map(({ thicknessMm }) => ({ kind: 'clamped' as const, name: 'added washer', thicknessMm })),
  ];
  // What is turned is told by the sheet's own stack; the washers only lengthen it.
  const { turned } = stationJoint({ ...plan, stations: [{ ...station, specs: [] }] }, 0);
  return stationJoint({ ...plan, stations: [{ ...station, specs: [], stack, turned }] }, 0);
}

/** What an added washer does to the thread that stays in mesh and past the nut, mm. */
export interface StackAfter {
  /** Less of it than the joint wants. */
  short?: { engagedMm: number; neededMm: number };
  /** Fewer than two turns show past the nut. */
  noThreadShows?: true;
}

/** Checks a station's stack again with washers added: the same rules a kit is held to. */
export function stackAfter(plan: Plan, station: PlanStation, washers: readonly AddedWasher[]): StackAfter {
  const found = lengths([jointWith(plan, station, washers)]);
  const short = found.find(({ code }) => code === 'engagementShort')?.facts;
  return {
    ...(short && 'neededMm' in short && 'engagedMm' in short
      ? { short: { engagedMm: Number(short.engagedMm), neededMm: Number(short.neededMm) } }
      : {}),
    ...(found.some(({ code }) => code === 'noThreadShowing') ? { noThreadShows: true as const } : {}),
  };
}

/** Whether a washer may be added: it passes the bolt, does not give under it, and leaves enough thread. */
export function washerFault(
  plan: Plan,
  station: PlanStation,
  there: readonly AddedWasher[],
  washer: AddedWasher,
): WasherFault | undefined {
  const joint = jointWith(plan, station, there);
  const boltMm = joint.thread?.nominalMm;
  if (boltMm !== undefined && washer.insideMm < boltMm)
    return { code: 'washerTooSmall', insideMm: washer.insideMm, boltMm };
  const tensile = strengthOf(joint)?.tensileMpa;
  const neededHv = tensile === undefined ? undefined : washerHardnessHv(tensile);
  if (neededHv !== undefined && washer.hardnessHv < neededHv)
    return { code: 'washerTooSoft', hardnessHv: washer.hardnessHv, neededHv };
  const { short } = stackAfter(plan, station, [...there, washer]);
  return short && { code: 'washerShortens', ...short };
}
