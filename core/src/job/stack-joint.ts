import { clearanceHoleMm } from '../fastener/clearance-hole.ts';
import { parseThread, type Thread } from '../fastener/thread.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { finishOfBasis } from '../kit/printed-spec.ts';
import { jointStiffness, type PartMaterial } from '../tightening/joint-stiffness.ts';
import { usualFace } from '../tightening/proposed-torque.ts';
import { evenFriction, finishFriction } from '../tightening/thread-finish.ts';
import { torquePerNewton } from '../tightening/tightening-torque.ts';
import { preloadPerDegreeN } from '../tightening/torque-angle.ts';

/** A station's stack as a bolted joint, as far as it says. */
export interface StackJoint {
  thread: Thread;
  /** Of the weakest threaded piece that says one. */
  propertyClass?: string;
  gripMm: number;
  part: PartMaterial;
  /** A nut that grips by itself drags before the head seats. */
  locking: boolean;
}

/**
 * The bolt, what it clamps and how thick that is.
 *
 * @returns undefined where the stack does not say enough: a taper, a rubber bush, no thread, nothing clamped
 */
export function stackJoint(plan: Plan, station: PlanStation): StackJoint | undefined {
  const { items } = indexOf(plan);
  const hardware = station.stack.flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : []));
  const read = parseThread(hardware.find(({ thread }) => thread !== undefined)?.thread ?? '');
  const clamped = station.stack.flatMap((piece) => (piece.kind === 'clamped' && !piece.tapped ? [piece] : []));
  const gripMm = clamped.reduce((sum, { thicknessMm }) => sum + thicknessMm, 0);
  const soft = clamped.some(({ material }) => material === 'rubber' || material === 'plastic');
  if (!read.ok || soft || gripMm <= 0) return undefined;
  const material = clamped.find((piece) => piece.material !== undefined)?.material;
  const bolt = hardware.find(({ kind, propertyClass }) => kind !== 'nut' && propertyClass !== undefined);
  return {
    thread: read.value.thread,
    ...(bolt?.propertyClass === undefined ? {} : { propertyClass: bolt.propertyClass }),
    gripMm,
    part: material === 'aluminium' || material === 'castIron' || material === 'magnesium' ? material : 'steel',
    locking: hardware.some(({ locking }) => locking !== undefined),
  };
}

/** Clamped parts are taken as wide as this many bearing diameters: a lug, not a plate (chosen by us). */
const PART_WIDTH = 2;

/** Torque gained per degree by the stiffness of the stack, N·m/°; undefined where it does not say enough. */
export function slopeOfStack(plan: Plan, station: PlanStation): number | undefined {
  const stack = stackJoint(plan, station);
  if (!stack) return undefined;
  const { thread, gripMm, part } = stack;
  const face = usualFace(thread);
  const holeMm = clearanceHoleMm(thread, 'medium');
  if (!face || holeMm === undefined) return undefined;
  const stiffness = jointStiffness({
    thread,
    gripMm,
    bearingMm: face.outsideMm,
    holeMm,
    partDiameterMm: PART_WIDTH * face.outsideMm,
    part,
    into: 'nut',
  });
  if (!stiffness.ok) return undefined;
  const friction = evenFriction(finishFriction(finishOfBasis(station.basis)).usual);
  return preloadPerDegreeN(thread, stiffness.value) * torquePerNewton(thread, friction, face);
}
