import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** Something between the square drive and the fastener. */
export interface Adapter {
  /** Centre of the square drive to the middle of the hand grip, L, mm. */
  wrenchLengthMm: number;
  /** Centre of the square drive to the centre of the fastener, E, mm. */
  offsetMm: number;
  /** Between the wrench's axis and the adapter: 0 straight on, 90 across, 180 folded back, degrees. */
  angleDeg: number;
}

/**
 * Setting for a torque at the fastener through a crow-foot or other offset adapter: S = T · L / (L + E · cos a).
 * Across (90°) the setting stays; folded back it grows. The hand must stay on the middle of the grip.
 *
 * @param torqueNm - wanted at the fastener, N·m, above 0
 * @returns the setting in N·m, or the input that cannot be: an adapter as long as the wrench folded back has no setting
 * @see lever equilibrium; the formula is printed in torque wrench instructions generally
 */
export function settingWithAdapterNm(torqueNm: number, adapter: Adapter): Result<number, InputFault> {
  const { wrenchLengthMm: l, offsetMm: e, angleDeg } = adapter;
  const fault = firstFault(
    outOfRange('torqueNm', torqueNm, 0.01, 5000),
    outOfRange('wrenchLengthMm', l, 50, 3000),
    outOfRange('offsetMm', e, 0, 1000),
    outOfRange('angleDeg', angleDeg, -180, 180),
  );
  if (fault) return fail(fault);
  const reach = l + e * leverCos(angleDeg);
  if (reach < 0.1 * l)
    return fail({ code: 'contradiction', field: 'offsetMm', with: 'wrenchLengthMm', reason: 'no lever left' });
  // The ratio first: across, it is exactly 1.
  return ok(torqueNm * (l / reach));
}

/** What the wrench itself must show for a pull through an adapter; without one, the pull's own. An adapter without a lever changes nothing: it is refused elsewhere. */
export function throughAdapter<Needs extends { targetNm: number; peakNm?: number }>(
  needs: Needs,
  adapter: Adapter | undefined,
): Needs {
  const share = adapter && settingWithAdapterNm(1, adapter);
  if (!share?.ok) return needs;
  const { targetNm, peakNm } = needs;
  return {
    ...needs,
    targetNm: targetNm * share.value,
    ...(peakNm === undefined ? {} : { peakNm: peakNm * share.value }),
  };
}

/** Torque at the fastener for a setting, N·m; the inverse of {@link settingWithAdapterNm}. */
export function torqueWithAdapterNm(settingNm: number, adapter: Adapter): Result<number, InputFault> {
  const one = settingWithAdapterNm(1, adapter);
  if (!one.ok) return one;
  const fault = outOfRange('settingNm', settingNm, 0.01, 5000);
  return fault ? fail(fault) : ok(settingNm / one.value);
}

// Exactly 0 across, so that a square adapter leaves the setting alone to the last digit.
const leverCos = (angleDeg: number): number =>
  Math.abs(Math.abs(angleDeg) - 90) < 1e-12 ? 0 : Math.cos((angleDeg * Math.PI) / 180);

/** Two torque wrenches, or a wrench on a pipe, in one line: the lever is not the wrench's own and no setting is right. */
export type Doubling = { code: 'doubledWrench' } | { code: 'pipeOnHandle' };

/** Refuses what has no right setting. */
export function doublingFault(between: { secondWrench?: boolean; pipe?: boolean }): Doubling | undefined {
  if (between.secondWrench) return { code: 'doubledWrench' };
  return between.pipe ? { code: 'pipeOnHandle' } : undefined;
}

/** Shear modulus of steel, N/mm². Any strength of materials text (about 80 GPa). */
const SHEAR_MODULUS = 80_000;

/**
 * Twist of a straight extension: θ = T · l / (G · J), J = π d⁴/32 of a round bar. It does not change a torque; while
 * an angle is turned the handle turns this much further than the fastener.
 *
 * @param torqueNm - N·m, from 0
 * @param lengthMm - of the extension, mm
 * @param diameterMm - of its bar, mm
 * @returns degrees
 */
export function extensionTwistDeg(torqueNm: number, lengthMm: number, diameterMm: number): Result<number, InputFault> {
  const fault = firstFault(
    outOfRange('torqueNm', torqueNm, 0, 5000),
    outOfRange('lengthMm', lengthMm, 0, 2000),
    outOfRange('diameterMm', diameterMm, 4, 60),
  );
  if (fault) return fail(fault);
  const polar = (Math.PI * diameterMm ** 4) / 32;
  return ok((((torqueNm * 1000 * lengthMm) / (SHEAR_MODULUS * polar)) * 180) / Math.PI);
}

/** Bar diameter of usual extensions by square drive, mm. Common practice, no source. */
export const EXTENSION_BAR_MM: Record<string, number> = { '1/4 in': 8, '3/8 in': 12, '1/2 in': 16, '3/4 in': 24 };
