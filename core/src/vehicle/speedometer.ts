import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

export interface SpeedometerAsk {
  oldDiameterMm: number;
  newDiameterMm: number;
  indicatedKmh: number;
  /** Of the axle as it is geared. */
  axleRatio: number;
}

export interface SpeedometerAnswer {
  /** What the vehicle really does at that reading. */
  trueKmh: number;
  /** The reading less the truth, km/h and as a share of the truth: below 0 the dial reads too little. */
  errorKmh: number;
  errorShare: number;
  /** Axle ratio the old tyres would have to have for the same pull, and the one that brings it back with the new ones. */
  effectiveRatio: number;
  restoringRatio: number;
  /** The vehicle stands so much higher on them, unloaded. */
  heightMm: number;
  /** Engine at that reading in a gear of 1:1, and at that true speed on the new tyres, 1/min. */
  engineRpm: number;
  engineRpmAtTrue: number;
}

/** What tyres of another size do to the dial, the gearing and the height: in the ratio of the diameters. */
export function speedometer(ask: SpeedometerAsk): Result<SpeedometerAnswer, InputFault> {
  const { oldDiameterMm, newDiameterMm, indicatedKmh, axleRatio } = ask;
  const fault = firstFault(
    outOfRange('oldDiameterMm', oldDiameterMm, 300, 1400),
    outOfRange('newDiameterMm', newDiameterMm, 300, 1400),
    outOfRange('indicatedKmh', indicatedKmh, 1, 400),
    outOfRange('axleRatio', axleRatio, 1, 12),
  );
  if (fault) return fail(fault);
  const ratio = newDiameterMm / oldDiameterMm;
  const trueKmh = indicatedKmh * ratio;
  // km/h to mm/min, over the circumference, times the gearing.
  const rpm = (kmh: number, diameterMm: number) => ((kmh * 1e6) / 60 / (Math.PI * diameterMm)) * axleRatio;
  return ok({
    trueKmh,
    errorKmh: indicatedKmh - trueKmh,
    errorShare: 1 / ratio - 1,
    effectiveRatio: axleRatio / ratio,
    restoringRatio: axleRatio * ratio,
    heightMm: (newDiameterMm - oldDiameterMm) / 2,
    engineRpm: rpm(indicatedKmh, oldDiameterMm),
    engineRpmAtTrue: rpm(indicatedKmh, newDiameterMm),
  });
}
