import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { stressAreaMm2 } from './stress-area.ts';
import { minorDiameterMm, pitchDiameterMm, type Thread } from './thread.ts';
import { threadLimits } from './thread-tolerance.ts';

/** Materials a thread is tapped into. */
export type TappedMaterial = 'steel' | 'castIron' | 'aluminium' | 'magnesium';

/** Tensile strength, N/mm², of a usual alloy. Common practice, no source: the maker's own figure goes first. */
export const TAPPED_TENSILE_MPA: Record<TappedMaterial, number> = {
  steel: 400,
  castIron: 250,
  aluminium: 290,
  magnesium: 200,
};

/** Shear strength over tensile strength. 0.6 is the usual figure for steel and wrought aluminium (VDI 2230 table 7). */
export const SHEAR_RATIO = 0.6;

/** Shear area per mm of engagement, mm²/mm: of the bolt's threads and of the tapped ones. */
export interface ShearArea {
  externalMm2PerMm: number;
  internalMm2PerMm: number;
}

/**
 * Shear areas of engaged threads: at the internal minor diameter for the bolt's threads,
 * π/P · D1 · (P/2 + (d2 − D1)/√3), at the external major diameter for the tapped ones, π/P · d · (P/2 + (d − D2)/√3).
 *
 * `basic` uses the basic profile, `limits` the loosest fit that 6g/6H or 2A/2B allow.
 * @see FED-STD-H28/2B, appendix B; Alexander, "Analysis and Design of Threaded Assemblies", SAE 770420
 */
export function shearArea(
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
  basis: 'basic' | 'limits',
): ShearArea | undefined {
  const { nominalMm, pitchMm: p } = thread;
  let [major, pitchExternal] = [nominalMm, pitchDiameterMm(nominalMm, p)];
  let [pitchInternal, minor] = [pitchExternal, minorDiameterMm(nominalMm, p)];
  if (basis === 'limits') {
    const limits = threadLimits(thread);
    if (!limits) return undefined;
    major = limits.external.major.minMm;
    pitchExternal = limits.external.pitch.minMm;
    pitchInternal = limits.internal.pitch.maxMm;
    minor = limits.internal.minor.maxMm;
  }
  const root3 = Math.sqrt(3);
  return {
    externalMm2PerMm: (Math.PI / p) * minor * (p / 2 + (pitchExternal - minor) / root3),
    internalMm2PerMm: (Math.PI / p) * major * (p / 2 + (major - pitchInternal) / root3),
  };
}

export interface EngagementInput {
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>;
  /** Tensile strength of the bolt, N/mm². */
  boltTensileMpa: number;
  /** Tensile strength of the tapped material, N/mm². */
  tappedTensileMpa: number;
  shearRatio?: number;
}

/** Engagement at which the bolt breaks before either thread strips. */
export interface RequiredEngagement {
  lengthMm: number;
  /** In diameters. */
  diameters: number;
  governs: 'internal' | 'external';
}

const rangeFaults = (input: EngagementInput): InputFault | undefined =>
  firstFault(
    outOfRange('boltTensileMpa', input.boltTensileMpa, 50, 2500),
    outOfRange('tappedTensileMpa', input.tappedTensileMpa, 20, 2500),
    outOfRange('shearRatio', input.shearRatio ?? SHEAR_RATIO, 0.3, 1),
  );

const noLimits = (thread: EngagementInput['thread']): InputFault => ({
  code: 'notListed',
  field: 'thread',
  value: `${thread.nominalMm} × ${thread.pitchMm}`,
  known: ['pitches of ISO 965-1'],
});

/**
 * Length of engagement at which the bolt breaks before the thread strips: As · Rm / (A · τ), with τ = shear ratio · Rm
 * of the threads that strip, the larger of bolt and tapped part. Full threads only: add the lead-in.
 *
 * @returns with basic dimensions and with limits; refusals use the limits
 * @see FED-STD-H28/2B appendix B; VDI 2230-1:2015, section 5.5.5 (without its correction for widening)
 */
export function requiredEngagement(
  input: EngagementInput,
): Result<{ basic: RequiredEngagement; limits: RequiredEngagement }, InputFault> {
  const fault = rangeFaults(input);
  if (fault) return fail(fault);
  const ratio = input.shearRatio ?? SHEAR_RATIO;
  const breakN = stressAreaMm2(input.thread) * input.boltTensileMpa;
  const of = (basis: 'basic' | 'limits'): RequiredEngagement | undefined => {
    const areas = shearArea(input.thread, basis);
    if (!areas) return undefined;
    const internal = breakN / (areas.internalMm2PerMm * ratio * input.tappedTensileMpa);
    const external = breakN / (areas.externalMm2PerMm * ratio * input.boltTensileMpa);
    const lengthMm = Math.max(internal, external);
    return {
      lengthMm,
      diameters: lengthMm / input.thread.nominalMm,
      governs: internal >= external ? 'internal' : 'external',
    };
  };
  const [basic, limits] = [of('basic'), of('limits')];
  return basic && limits ? ok({ basic, limits }) : fail(noLimits(input.thread));
}

/** Loads at which an engaged length fails, N. */
export interface StripLoads {
  boltBreaksN: number;
  boltThreadStripsN: number;
  tappedThreadStripsN: number;
  weakest: 'bolt' | 'boltThread' | 'tappedThread';
}

/**
 * Which member of a joint gives first at a given engagement, and at what load.
 * @param engagementMm - full threads in mesh, mm
 */
export function stripLoads(
  input: EngagementInput,
  engagementMm: number,
  basis: 'basic' | 'limits' = 'limits',
): Result<StripLoads, InputFault> {
  const fault = rangeFaults(input) ?? outOfRange('engagementMm', engagementMm, 0, 500);
  if (fault) return fail(fault);
  const areas = shearArea(input.thread, basis);
  if (!areas) return fail(noLimits(input.thread));
  const ratio = input.shearRatio ?? SHEAR_RATIO;
  const boltBreaksN = stressAreaMm2(input.thread) * input.boltTensileMpa;
  const boltThreadStripsN = areas.externalMm2PerMm * engagementMm * ratio * input.boltTensileMpa;
  const tappedThreadStripsN = areas.internalMm2PerMm * engagementMm * ratio * input.tappedTensileMpa;
  const least = Math.min(boltBreaksN, boltThreadStripsN, tappedThreadStripsN);
  let weakest: StripLoads['weakest'] = 'tappedThread';
  if (least === boltBreaksN) weakest = 'bolt';
  else if (least === boltThreadStripsN) weakest = 'boltThread';
  return ok({ boltBreaksN, boltThreadStripsN, tappedThreadStripsN, weakest });
}

/**
 * The larger thread that a wire thread insert is screwed into: major diameter d + 1.0825 P, same pitch. The tapped
 * material then shears on that diameter. Common dimensions of wire inserts; read the insert's own sheet.
 */
const insertOuterThread = (
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
): Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'> => ({
  ...thread,
  nominalMm: thread.nominalMm + 1.0825 * thread.pitchMm,
});

/** Engagement needed in the tapped material around a wire insert (basic dimensions), mm. */
export function insertEngagementMm(input: EngagementInput): Result<number, InputFault> {
  const fault = rangeFaults(input);
  if (fault) return fail(fault);
  const areas = shearArea(insertOuterThread(input.thread), 'basic') as ShearArea;
  const breakN = stressAreaMm2(input.thread) * input.boltTensileMpa;
  return ok(breakN / (areas.internalMm2PerMm * (input.shearRatio ?? SHEAR_RATIO) * input.tappedTensileMpa));
}
