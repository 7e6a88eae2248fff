import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** What to do with a castle nut whose slot does not stand at the hole. Backing off is never among the answers. */
export type SlotAdvice =
  | { kind: 'pinFits' }
  | { kind: 'turnOn'; toNextSlotDeg: number; torqueThereNm: number }
  /** The next slot lies above the ceiling: a shim under the nut or another nut, then tighten anew. */
  | { kind: 'shimOrChangeNut'; toNextSlotDeg: number; torqueThereNm: number; shimMm: number };

/**
 * Whether the next slot of a castle nut can be reached below the ceiling.
 *
 * @param slots - slots round the nut, 4 to 12; one each 360/slots degrees
 * @param pastSlotDeg - how far the nut has turned past the last slot, from 0 to below one slot
 * @param standsAtNm - torque on it now, N·m
 * @param ceilingNm - never to be passed, N·m
 * @param nmPerDeg - torque gained per degree, from the joint's stiffness, N·m/°
 * @param pitchMm - pitch, for the shim that would bring a slot to the hole
 */
export function castleSlot(
  slots: number,
  pastSlotDeg: number,
  standsAtNm: number,
  ceilingNm: number,
  nmPerDeg: number,
  pitchMm: number,
): Result<SlotAdvice, InputFault> {
  const stepDeg = 360 / slots;
  const fault = firstFault(
    outOfRange('slots', slots, 3, 12),
    outOfRange('pastSlotDeg', pastSlotDeg, 0, stepDeg),
    outOfRange('standsAtNm', standsAtNm, 0, 1500),
    outOfRange('ceilingNm', ceilingNm, standsAtNm, 1500),
    outOfRange('nmPerDeg', nmPerDeg, 0, 100),
    outOfRange('pitchMm', pitchMm, 0.2, 6),
  );
  if (fault) return fail(fault);
  // A pin goes through while hole and slot overlap by all but a few degrees (chosen by us).
  if (pastSlotDeg < 3 || stepDeg - pastSlotDeg < 1e-9) return ok({ kind: 'pinFits' });
  const toNextSlotDeg = stepDeg - pastSlotDeg;
  const torqueThereNm = standsAtNm + toNextSlotDeg * nmPerDeg;
  if (torqueThereNm <= ceilingNm) return ok({ kind: 'turnOn', toNextSlotDeg, torqueThereNm });
  // A shim of this thickness makes the nut reach its torque where the last slot stands at the hole.
  return ok({ kind: 'shimOrChangeNut', toNextSlotDeg, torqueThereNm, shimMm: (pastSlotDeg / 360) * pitchMm });
}
