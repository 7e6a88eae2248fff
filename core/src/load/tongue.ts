import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** Share of the trailer's mass on the ball that tows steadily, from and to. Common practice, no source; the makers' sheets go first. */
export const USUAL_BAND = { min: 0.1, max: 0.15 } as const;

export interface ShareBand {
  min: number;
  max: number;
}

export type TongueVerdict = 'tooLight' | 'within' | 'tooHeavy';

export interface TongueAnswer {
  share: number;
  verdict: TongueVerdict;
  /** What the ball may carry for the band, kg. */
  tongueKg: { min: number; max: number };
}

/** Heavier than any trailer here, kg. */
export const MOST_KG = 100_000;

export const bandFault = (band: ShareBand): InputFault | undefined =>
  firstFault(outOfRange('band.min', band.min, 0, 0.5), outOfRange('band.max', band.max, band.min, 0.5));

/** How a load on the ball stands to the trailer's mass; bounds of the band are inside it. */
export function tongueShare(
  trailerKg: number,
  tongueKg: number,
  band: ShareBand = USUAL_BAND,
): Result<TongueAnswer, InputFault> {
  const fault =
    outOfRange('trailerKg', trailerKg, 1, MOST_KG) ??
    outOfRange('tongueKg', tongueKg, -trailerKg, trailerKg) ??
    bandFault(band);
  if (fault) return fail(fault);
  const share = tongueKg / trailerKg;
  return ok({
    share,
    verdict: share < band.min - 1e-12 ? 'tooLight' : share > band.max + 1e-12 ? 'tooHeavy' : 'within',
    tongueKg: { min: band.min * trailerKg, max: band.max * trailerKg },
  });
}
