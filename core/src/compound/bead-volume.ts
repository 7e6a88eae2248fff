import { minorDiameterMm, pitchDiameterMm, type Thread } from '../fastener/thread.ts';
import { threadLimits } from '../fastener/thread-tolerance.ts';
import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** How much more is put on than fills the gaps: what is squeezed out and stays on the nozzle. Chosen by us. */
const BEAD_EXCESS = 1.5;
/** A drop from a bottle's nozzle, mL. Common practice, no source: 20 drops to the millilitre. */
const DROP_ML = 0.05;
/** Share of a blind hole's free end that may be filled before the bolt pumps against it. Chosen by us. */
const BLIND_SHARE = 0.5;

/** Radii of a 60° profile over one pitch, at its crest, pitch line and root, mm. */
interface Profile {
  majorMm: number;
  pitchMm: number;
  minorMm: number;
}

/**
 * Mean of the squared diameter over one pitch of a thread whose flanks are straight at 60° and whose crest and root
 * are flat, mm². Times π/4 it is the mean cross-section.
 */
function meanSquareMm2({ majorMm, pitchMm, minorMm }: Profile, leadMm: number): number {
  // On the flank the diameter changes 2·√3 mm per mm of axis; at the pitch line half of the pitch is metal.
  const slope = 2 * Math.sqrt(3);
  const crest = leadMm / 2 - (2 * (majorMm - pitchMm)) / slope;
  const root = leadMm / 2 - (2 * (pitchMm - minorMm)) / slope;
  const flank = (majorMm - minorMm) / slope;
  const flankMean = (majorMm ** 2 + majorMm * minorMm + minorMm ** 2) / 3;
  return (crest * majorMm ** 2 + root * minorMm ** 2 + 2 * flank * flankMean) / leadMm;
}

export interface Bead {
  /** Space between the threads over the engagement, mL. */
  gapMl: number;
  /** What to put on: the gap with an excess, mL. */
  beadMl: number;
  /** 0: less than a drop. */
  drops: number;
  /** In a blind hole: most that may go in before it locks hydraulically, mL. */
  mostMl?: number;
  /** Less fits than the bead: put it on the bolt's last turns only. */
  tooMuch: boolean;
}

/**
 * Compound for one thread from its geometry: the space between internal and external thread at the middle of their
 * limits, over the engaged length, with an excess of half.
 *
 * @param thread - standard thread, mm
 * @param engagementMm - engaged length, mm
 * @param blindEndMm - free hole below the bolt's end; left out for a through hole
 * @returns mL, or the input that cannot be
 * @see docs/formulas.md, "Bead volume" (geometry of ISO 68-1 with the limits of ISO 965-1 or ASME B1.1)
 */
export function beadVolume(
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
  engagementMm: number,
  blindEndMm?: number,
): Result<Bead, InputFault> {
  const fault = firstFault(
    outOfRange('engagementMm', engagementMm, 0.5, 300),
    outOfRange('blindEndMm', blindEndMm ?? 0, 0, 200),
  );
  if (fault) return fail(fault);
  const limits = threadLimits(thread);
  if (!limits) {
    return fail({
      code: 'notListed',
      field: 'thread',
      value: `${thread.nominalMm} × ${thread.pitchMm}`,
      known: ['pitches of ISO 965-1'],
    });
  }
  const { nominalMm: d, pitchMm: p } = thread;
  const middle = ({ minMm, maxMm }: { minMm: number; maxMm: number }) => (minMm + maxMm) / 2;
  const d1 = minorDiameterMm(d, p);
  // External root: rounded, H/6 below the basic minor diameter of the nut at most; half of that here.
  const external = {
    majorMm: middle(limits.external.major),
    pitchMm: middle(limits.external.pitch),
    minorMm: d1 - (Math.sqrt(3) / 2) * (p / 12) - (pitchDiameterMm(d, p) - middle(limits.external.pitch)),
  };
  // Internal root: the basic major diameter, opened by as much as the pitch diameter is.
  const opened = middle(limits.internal.pitch) - pitchDiameterMm(d, p);
  const internal = {
    majorMm: d + opened,
    pitchMm: middle(limits.internal.pitch),
    minorMm: middle(limits.internal.minor),
  };
  const areaMm2 = (Math.PI / 4) * (meanSquareMm2(internal, p) - meanSquareMm2(external, p));
  const gapMl = (areaMm2 * engagementMm) / 1000;
  const beadMl = gapMl * BEAD_EXCESS;
  const mostMl =
    blindEndMm === undefined ? undefined : gapMl + (BLIND_SHARE * (Math.PI / 4) * d1 * d1 * blindEndMm) / 1000;
  // What is put on stays under the most that may go in, drop by drop: none means less than a drop.
  const wanted = Math.max(1, Math.round(beadMl / DROP_ML));
  const most = mostMl === undefined ? Number.POSITIVE_INFINITY : Math.floor(mostMl / DROP_ML + 1e-9);
  return ok({
    gapMl,
    beadMl: mostMl === undefined ? beadMl : Math.min(beadMl, mostMl),
    drops: Math.min(wanted, most),
    mostMl,
    tooMuch: mostMl !== undefined && beadMl > mostMl,
  });
}
