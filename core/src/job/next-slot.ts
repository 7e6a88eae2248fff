import type { Plan, PlanStation } from '../kit/plan.ts';
import { slopeOfStack } from './stack-joint.ts';

/** What a castle nut will come to when it is turned on to its next slot. */
export interface SlotForecast {
  /** Torque gained per degree, N·m/°. */
  nmPerDeg: number;
  /** Whether a live wrench measured the slope on this very nut; otherwise it follows from the stack. */
  measured: boolean;
  /** From slot to slot, degrees. */
  stepDeg: number;
  /** How far it may still be turned before its ceiling, degrees; a slot further away than this is out of reach. */
  reachDeg: number;
}

/** A pull that turned less says nothing of the slope, degrees (chosen by us). */
const LEAST_MOVEMENT_DEG = 5;

/**
 * Foretells a castle nut from the stiffness of its own stack: how steeply the torque rises, and how far it may be turned on
 * below its ceiling.
 *
 * @param standsAtNm - what it was pulled to, N·m
 * @param movementDeg - how far a live wrench turned it on the way there: its own slope goes before any stiffness
 * @returns undefined where the stack does not say enough: a taper, a rubber bush, no thread; then it is turned slowly
 * @see VDI 2230-1:2015, section 5.1 (stiffness) and 5.4.2 (preload per degree)
 */
export function slotForecast(
  plan: Plan,
  station: PlanStation,
  standsAtNm: number,
  movementDeg?: number,
): SlotForecast | undefined {
  const { spec } = station;
  if (spec.kind !== 'slot') return undefined;
  const measured = movementDeg !== undefined && movementDeg >= LEAST_MOVEMENT_DEG;
  const nmPerDeg = measured ? standsAtNm / movementDeg : slopeOfStack(plan, station);
  if (nmPerDeg === undefined) return undefined;
  return {
    nmPerDeg,
    measured,
    stepDeg: 360 / spec.slots,
    reachDeg: Math.max(0, (spec.ceilingNm - standsAtNm) / nmPerDeg),
  };
}

/** A pin goes through while hole and slot overlap by all but a few degrees: nearer than this it would go through already (chosen by us). */
const NEAREST_DEG = 3;

/** Whether the ceiling is nearer than any slot that is still to come: then a washer or another nut, and nothing else. */
export function slotOutOfReach(plan: Plan, station: PlanStation, standsAtNm: number, movementDeg?: number): boolean {
  const forecast = slotForecast(plan, station, standsAtNm, movementDeg);
  return forecast !== undefined && forecast.reachDeg < NEAREST_DEG;
}
