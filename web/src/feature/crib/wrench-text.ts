import type { CribWrench } from '#contract/crib.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { usableBand } from '#core/wrench/usable-band.ts';
import type { Wrench } from '#core/wrench/wrench.ts';

/** Range of a wrench in its own unit. */
export const rangeText = (wrench: Wrench): string => {
  const { minNm, maxNm } = usableBand(wrench);
  const show = (nm: number) => showTorqueIn(nm, wrench.scaleUnit).number;
  return `${show(minNm)}–${show(maxNm)} ${wrench.scaleUnit}`;
};

/** A deviation as a person reads it: `+1.3 %`. */
export const percentText = (fraction: number): string =>
  `${fraction >= 0 ? '+' : '−'}${(Math.abs(fraction) * 100).toFixed(1)} %`;

/** What a wrench is called at the shop it hangs at. */
export const bareLabel = ({ label, of }: CribWrench): string =>
  of && label.endsWith(`, ${of.shop}`) ? label.slice(0, -of.shop.length - 2) : label;
