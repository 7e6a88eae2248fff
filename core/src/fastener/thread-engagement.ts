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

/**
 * Shear strength over tensile strength of a bolt, of steel, and of whatever is not known better.
 * @see VDI 2230-1:2015, table on shear strength ratios: steel 0.60 to 0.65 (entered from memory)
 */
export const SHEAR_RATIO = 0.6;

/**
 * The same of what a thread is tapped into. Cast iron shears at far more of its low tensile strength than steel does:
 * VDI 2230-1 gives nodular iron 0.9 and grey iron 1.4, and the lower is taken for both. It gives aluminium alloys 0.7;
 * 0.6 is kept for them and for magnesium, on the safe side (entered from memory).
 */
export const TAPPED_SHEAR_RATIO: Record<TappedMaterial, number> = {
  steel: SHEAR_RATIO,
  castIron: 0.9,
  aluminium: SHEAR_RATIO,
  magnesium: SHEAR_RATIO,
};

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
  /** Shear strength over tensile strength of the bolt and of the tapped material; {@link SHEAR_RATIO} when left out. */
  boltShearRatio?: number;
  tappedShearRatio?: number;
}

/** Shear strengths of the two threads, N/mm². */
const shearStrengths = (input: EngagementInput): { boltMpa: number; tappedMpa: number } => ({
  boltMpa: (input.boltShearRatio ?? SHEAR_RATIO) * input.boltTensileMpa,
  tappedMpa: (input.tappedShearRatio ?? SHEAR_RATIO) * input.tappedTensileMpa,
});

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
    outOfRange('boltShearRatio', input.boltShearRatio ?? SHEAR_RATIO, 0.3, 1),
    // Grey iron stands more in shear than in tension.
    outOfRange('tappedShearRatio', input.tappedShearRatio ?? SHEAR_RATIO, 0.3, 1.5),
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
  return onBothBases(input, (basis) => shearArea(input.thread, basis));
}

/** The length at which the bolt breaks first, for given shear areas, by the basic profile and by limits. */
function onBothBases(
  input: EngagementInput,
  areasOf: (basis: 'basic' | 'limits') => ShearArea | undefined,
): Result<{ basic: RequiredEngagement; limits: RequiredEngagement }, InputFault> {
  const breakN = stressAreaMm2(input.thread) * input.boltTensileMpa;
  const { boltMpa, tappedMpa } = shearStrengths(input);
  const of = (areas: ShearArea | undefined): RequiredEngagement | undefined => {
    if (!areas) return undefined;
    const internal = breakN / (areas.internalMm2PerMm * tappedMpa);
    const external = breakN / (areas.externalMm2PerMm * boltMpa);
    const lengthMm = Math.max(internal, external);
    return {
      lengthMm,
      diameters: lengthMm / input.thread.nominalMm,
      governs: internal >= external ? 'internal' : 'external',
    };
  };
  const [basic, limits] = [of(areasOf('basic')), of(areasOf('limits'))];
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
  const { boltMpa, tappedMpa } = shearStrengths(input);
  const boltBreaksN = stressAreaMm2(input.thread) * input.boltTensileMpa;
  const boltThreadStripsN = areas.externalMm2PerMm * engagementMm * boltMpa;
  const tappedThreadStripsN = areas.internalMm2PerMm * engagementMm * tappedMpa;
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

/**
 * Shear area of the tapped material on the outside of a wire insert. No table gives the limits of that larger thread:
 * by limits it is taken as loose as the bolt's own.
 */
function insertShearArea(thread: EngagementInput['thread'], basis: 'basic' | 'limits'): ShearArea | undefined {
  const own = shearArea(thread, basis);
  const outer = insertOuterThread(thread);
  const { nominalMm, pitchMm: p } = outer;
  let [major, pitchDiameter] = [nominalMm, pitchDiameterMm(nominalMm, p)];
  if (basis === 'limits') {
    const limits = threadLimits(thread);
    if (!limits) return undefined;
    major -= thread.nominalMm - limits.external.major.minMm;
    pitchDiameter += limits.internal.pitch.maxMm - pitchDiameterMm(thread.nominalMm, p);
  }
  const internalMm2PerMm = (Math.PI / p) * major * (p / 2 + (major - pitchDiameter) / Math.sqrt(3));
  // The bolt turns in the insert as it would in a nut: its own threads may strip first.
  return own && { externalMm2PerMm: own.externalMm2PerMm, internalMm2PerMm };
}

/**
 * Length of a wire insert at which the bolt breaks before the tapped material shears round the insert or the bolt's
 * own thread strips inside it.
 *
 * @returns by the basic profile and by limits; a pitch no standard lists has none
 */
export function insertEngagement(
  input: EngagementInput,
): Result<{ basic: RequiredEngagement; limits: RequiredEngagement }, InputFault> {
  const fault = rangeFaults(input);
  return fault ? fail(fault) : onBothBases(input, (basis) => insertShearArea(input.thread, basis));
}
