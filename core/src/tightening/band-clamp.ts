import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/**
 * Pressure of a band or hose clamp on what it holds: the bolt's force is the band's tension, p = F / (r · b).
 *
 * @param boltN - force of the clamp bolt, N
 * @param diameterMm - outside diameter of the hose or pipe, mm
 * @param widthMm - width of the band, mm
 * @returns pressure in N/mm² (1 N/mm² = 10 bar) and force per mm of circumference, ignoring friction round the band
 * @see thin ring under internal pressure, any strength of materials text (p = σ t / r)
 */
export function bandClampPressure(
  boltN: number,
  diameterMm: number,
  widthMm: number,
): Result<{ pressureMpa: number; lineLoadNPerMm: number }, InputFault> {
  const fault = firstFault(
    outOfRange('boltN', boltN, 0, 500_000),
    outOfRange('diameterMm', diameterMm, 2, 2000),
    outOfRange('widthMm', widthMm, 1, 300),
  );
  if (fault) return fail(fault);
  const lineLoadNPerMm = boltN / (diameterMm / 2);
  return ok({ lineLoadNPerMm, pressureMpa: lineLoadNPerMm / widthMm });
}
