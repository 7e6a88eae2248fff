import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { type AxleLoads, addedTo, type Stance, stanceFault } from './axle-loads.ts';
import { type LoadCheck, type LoadLimit, loadCheck, mostUtilised } from './load-check.ts';
import { MOST_KG } from './tongue.ts';

/** A mass in the vehicle, and how much of it the front axle carries. */
export interface SharedMass {
  kg: number;
  frontShare: number;
}

/** Plates and papers, kg. What is not given is not checked. */
export interface CombinationRatings {
  grossKg?: number;
  frontAxleKg?: number;
  rearAxleKg?: number;
  combinationKg?: number;
  /** Of the vehicle, or of the weakest part between it and the trailer. */
  trailerKg?: number;
  tongueKg?: number;
  /** The trailer's own: all of it, and its axles. */
  trailerGrossKg?: number;
  trailerAxleKg?: number;
  /** Of all tyres of an axle together. */
  /** On the roof, rack and all, moving. */
  roofKg?: number;
  frontTyresKg?: number;
  rearTyresKg?: number;
}

export interface Combination extends Stance {
  kerb: SharedMass;
  occupants: SharedMass;
  cargo: SharedMass;
  /** Ball mount, ball, bars: at the ball. */
  hitchHardwareKg: number;
  /** Of the cargo on the roof, its rack with it. */
  onRoofKg?: number;
  trailerKg: number;
  /** Of the trailer's mass on the ball. */
  tongueShare: number;
  ratings: CombinationRatings;
}

export interface CombinationAnswer extends AxleLoads {
  grossKg: number;
  combinationKg: number;
  tongueKg: number;
  payloadKg: number;
  /** What may still be put in, where the gross rating is known, kg. */
  payloadLeftKg?: number;
  checks: LoadCheck[];
  mostUtilised?: LoadLimit;
  /** The heaviest trailer all limits allow with everything else as it is, the ball's share held; nothing where no limit stops it. */
  maxTrailerKg?: number;
  maxTrailerLimitedBy?: LoadLimit;
}

/** Axles and sums with so heavy a trailer. */
function loadsWith(c: Combination, trailerKg: number) {
  const tongueKg = trailerKg * c.tongueShare;
  const inside = [c.kerb, c.occupants, c.cargo];
  const own = inside.reduce<AxleLoads>(
    ({ frontKg, rearKg }, { kg, frontShare }) => ({
      frontKg: frontKg + kg * frontShare,
      rearKg: rearKg + kg * (1 - frontShare),
    }),
    { frontKg: 0, rearKg: 0 },
  );
  const axles = addedTo(own, c.hitchHardwareKg + tongueKg, -c.hitchBehindMm, c.wheelbaseMm);
  const carriedKg = c.occupants.kg + c.cargo.kg + c.hitchHardwareKg;
  return {
    ...axles,
    tongueKg,
    payloadKg: carriedKg + tongueKg,
    grossKg: c.kerb.kg + carriedKg + tongueKg,
    // The trailer counts once: what its ball carries is part of it.
    combinationKg: c.kerb.kg + carriedKg + trailerKg,
    trailerKg,
    trailerAxleKg: trailerKg - tongueKg,
    onRoofKg: c.onRoofKg ?? 0,
  };
}

type Loads = ReturnType<typeof loadsWith>;

/** Each limit that is known: what counts against it, and its rating. Gross mass counts the ball's load, payload is gross rating less kerb mass. */
const LIMITS: ReadonlyArray<{
  limit: LoadLimit;
  of: (loads: Loads) => number;
  rating: (ratings: CombinationRatings, kerbKg: number) => number | undefined;
}> = [
  { limit: 'gross', of: ({ grossKg }) => grossKg, rating: ({ grossKg }) => grossKg },
  {
    limit: 'payload',
    of: ({ payloadKg }) => payloadKg,
    rating: ({ grossKg }, kerbKg) => (grossKg === undefined ? undefined : grossKg - kerbKg),
  },
  { limit: 'frontAxle', of: ({ frontKg }) => frontKg, rating: ({ frontAxleKg }) => frontAxleKg },
  { limit: 'rearAxle', of: ({ rearKg }) => rearKg, rating: ({ rearAxleKg }) => rearAxleKg },
  { limit: 'combination', of: ({ combinationKg }) => combinationKg, rating: ({ combinationKg }) => combinationKg },
  { limit: 'trailer', of: ({ trailerKg }) => trailerKg, rating: ({ trailerKg }) => trailerKg },
  { limit: 'tongue', of: ({ tongueKg }) => tongueKg, rating: ({ tongueKg }) => tongueKg },
  { limit: 'trailerGross', of: ({ trailerKg }) => trailerKg, rating: ({ trailerGrossKg }) => trailerGrossKg },
  { limit: 'trailerAxle', of: ({ trailerAxleKg }) => trailerAxleKg, rating: ({ trailerAxleKg }) => trailerAxleKg },
  { limit: 'roof', of: ({ onRoofKg }) => onRoofKg, rating: ({ roofKg }) => roofKg },
  { limit: 'frontTyres', of: ({ frontKg }) => frontKg, rating: ({ frontTyresKg }) => frontTyresKg },
  { limit: 'rearTyres', of: ({ rearKg }) => rearKg, rating: ({ rearTyresKg }) => rearTyresKg },
];

/**
 * A vehicle and its trailer against every limit that is known, which of them is nearest, and how heavy the trailer may
 * be. No weight-distributing gear.
 *
 * Every load grows in proportion to the trailer, the front axle's falls, so each limit gives its own largest trailer.
 */
export function combination(c: Combination): Result<CombinationAnswer, InputFault> {
  const fault =
    firstFault(
      outOfRange('kerbKg', c.kerb.kg, 100, MOST_KG),
      outOfRange('kerbFrontShare', c.kerb.frontShare, 0, 1),
      outOfRange('occupantsKg', c.occupants.kg, 0, MOST_KG),
      outOfRange('occupantsFrontShare', c.occupants.frontShare, -1, 2),
      outOfRange('cargoKg', c.cargo.kg, 0, MOST_KG),
      outOfRange('cargoFrontShare', c.cargo.frontShare, -1, 2),
      outOfRange('hitchHardwareKg', c.hitchHardwareKg, 0, 2000),
      outOfRange('onRoofKg', c.onRoofKg ?? 0, 0, c.cargo.kg),
      outOfRange('trailerKg', c.trailerKg, 0, MOST_KG),
      outOfRange('tongueShare', c.tongueShare, -0.5, 0.5),
      ...Object.entries(c.ratings).map(([name, kg]) => outOfRange(`ratings.${name}`, kg, 1, MOST_KG)),
    ) ?? stanceFault(c);
  if (fault) return fail(fault);
  if (c.ratings.grossKg !== undefined && c.ratings.grossKg <= c.kerb.kg)
    return fail({ code: 'contradiction', field: 'ratings.grossKg', with: 'kerbKg', reason: 'it leaves no payload' });
  const now = loadsWith(c, c.trailerKg);
  const [empty, one] = [loadsWith(c, 0), loadsWith(c, 1)];
  const known = LIMITS.flatMap(({ limit, of, rating }) => {
    const ratingKg = rating(c.ratings, c.kerb.kg);
    return ratingKg === undefined ? [] : [{ limit, ratingKg, of }];
  });
  const checks = known.map(({ limit, ratingKg, of }) => loadCheck(limit, of(now), ratingKg));
  const most = known
    .flatMap(({ limit, ratingKg, of }) => {
      const perKg = of(one) - of(empty);
      return perKg > 1e-12 ? [{ limit, kg: Math.max(0, (ratingKg - of(empty)) / perKg) }] : [];
    })
    .reduce<{ limit: LoadLimit; kg: number } | undefined>(
      (least, one) => (!least || one.kg < least.kg - 1e-6 ? one : least),
      undefined,
    );
  const { frontKg, rearKg, grossKg, combinationKg, tongueKg, payloadKg } = now;
  const nearest = mostUtilised(checks);
  return ok({
    frontKg,
    rearKg,
    grossKg,
    combinationKg,
    tongueKg,
    payloadKg,
    ...(c.ratings.grossKg === undefined ? {} : { payloadLeftKg: c.ratings.grossKg - grossKg }),
    checks,
    ...(nearest ? { mostUtilised: nearest.limit } : {}),
    ...(most ? { maxTrailerKg: most.kg, maxTrailerLimitedBy: most.limit } : {}),
  });
}
