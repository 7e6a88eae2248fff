import type { BoltStrength } from '../fastener/property-class.ts';
import { stressAreaMm2 } from '../fastener/stress-area.ts';
import type { Thread } from '../fastener/thread.ts';
import { EXPANSION_PER_K } from '../fit/shrink-fit.ts';
import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { boltStress } from './assembly-preload.ts';
import { bearingPressureMpa } from './bearing-pressure.ts';
import type { PartMaterial, Stiffness } from './joint-stiffness.ts';

/** A tightened bolt at work: what it was tightened to, what pulls on it, how warm it gets. Forces per bolt, N. */
export interface WorkingLoad {
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>;
  strength: BoltStrength;
  stiffness: Stiffness;
  threadFriction: number;
  prevailingNm: number;
  /** Ring that is pressed under the head, mm. */
  ring: { outsideMm: number; holeMm: number };
  /** Least and most the tightening leaves. */
  assemblyN: { minN: number; maxN: number };
  /** What settling takes. */
  settlingN: number;
  /** Service force along the bolt, largest and smallest; above 0 it pulls the parts asunder. */
  axialMaxN: number;
  axialMinN: number;
  /** Service force across the bolt that friction between the parts must hold, its coefficient and how many faces. */
  shearN: number;
  faceFriction: number;
  faces: number;
  /** Where the force enters between the faces: n, 0 at the joint to 1 under head and nut. */
  introduction: number;
  /** Temperatures when it was tightened and at work, °C, over the clamped length, mm. */
  assembledC: number;
  boltC: number;
  partsC: number;
  gripMm: number;
  bolt: 'steel' | 'stainless';
  part: PartMaterial;
}

export interface WorkingLoadAnswer {
  /** Share of the service force that the bolt gets, Φ. */
  loadFactor: number;
  /** What a change of temperature takes from the preload, N; below 0 it adds. */
  thermalLossN: number;
  /** Clamping force the shear force needs, N. */
  shearNeedsN: number;
  /** Preload the joint needs at least after tightening, N. */
  neededN: number;
  /** Clamping force left at the worst, N; below 0 the parts come off one another. */
  residualClampN: number;
  /** Most the bolt carries, N. */
  boltMostN: number;
  /** Equivalent stress then, N/mm², and yield over it. */
  equivalentMpa: number;
  yieldSafety: number;
  /** Pressure under the head then, N/mm². */
  pressureMpa: number;
  /** Stress that comes and goes, each way, N/mm². */
  alternatingMpa: number;
  /** What the thread endures of it, N/mm², and the reserve; left out where the formula does not hold. */
  enduranceMpa?: number;
  fatigueSafety?: number;
}

/** Share of the tightening torque's twist that stays in the shank at work, kτ. @see VDI 2230-1:2015, section 5.5.2 */
const TWIST_LEFT = 0.5;
/** A swing below this is none: its reserve would be without bound. Chosen by us. */
const NO_SWING_MPA = 1e-6;
/** Classes and sizes the endurance of rolled threads is given for. @see VDI 2230-1:2015, section 5.5.3 */
const ENDURANCE_CLASSES: ReadonlySet<string> = new Set(['8.8', '9.8', '10.9', '12.9']);

/**
 * Endurance of a thread rolled before heat treatment, σASV = 0.85 (150/d + 45), N/mm² each way, for 2 million load
 * changes and more.
 *
 * @param nominalMm - d, mm
 * @returns undefined outside classes 8.8 to 12.9 and M6 to M40
 * @see VDI 2230-1:2015, section 5.5.3
 */
export const threadEnduranceMpa = (propertyClass: string, nominalMm: number): number | undefined =>
  ENDURANCE_CLASSES.has(propertyClass) && nominalMm >= 6 && nominalMm <= 40 ? 0.85 * (150 / nominalMm + 45) : undefined;

/**
 * What service does to a tightened joint: load factor, changes of preload, residual clamp, working stress, fatigue and
 * pressure. One bolt, its force along its axis and in the middle of what it clamps; a force beside it prises, and needs
 * more than this.
 *
 * @returns the answer, or the input that cannot be
 * @see VDI 2230-1:2015, steps R3 (load factor), R4 (settling, temperature), R5 and R6 (assembly preload), R8 (working
 *   stress), R9 (alternating stress), R10 (pressure)
 */
export function workingLoad(joint: WorkingLoad): Result<WorkingLoadAnswer, InputFault> {
  const { thread, strength, stiffness, assemblyN, settlingN, axialMaxN, axialMinN } = joint;
  const fault = firstFault(
    // A bolt that was not tightened is no joint.
    outOfRange('preloadN', assemblyN.minN, 1, 1e7),
    outOfRange('axialMaxN', axialMaxN, -1e7, 1e7),
    outOfRange('axialMinN', axialMinN, -1e7, axialMaxN),
    outOfRange('shearN', joint.shearN, 0, 1e7),
    outOfRange('faceFriction', joint.faceFriction, 0.01, 1),
    outOfRange('faces', joint.faces, 1, 20),
    outOfRange('introduction', joint.introduction, 0, 1),
    outOfRange('assembledC', joint.assembledC, -60, 60),
    outOfRange('boltC', joint.boltC, -60, 700),
    outOfRange('partsC', joint.partsC, -60, 700),
    outOfRange('gripMm', joint.gripMm, 0.5, 1000),
  );
  if (fault) return fail(fault);
  const { boltMmPerN, partsMmPerN } = stiffness;
  const whole = boltMmPerN + partsMmPerN;
  const loadFactor = (joint.introduction * partsMmPerN) / whole;
  const boltGrows = EXPANSION_PER_K[joint.bolt] * (joint.boltC - joint.assembledC);
  const partsGrow = EXPANSION_PER_K[joint.part] * (joint.partsC - joint.assembledC);
  const thermalLossN = (joint.gripMm * (boltGrows - partsGrow)) / whole;
  const heatTakes = Math.max(0, thermalLossN);
  const shearNeedsN = joint.shearN / (joint.faces * joint.faceFriction);
  // The parts are relieved by what the bolt does not take of the pull.
  const relievedN = (1 - loadFactor) * Math.max(0, axialMaxN);
  const boltMostN = assemblyN.maxN + loadFactor * Math.max(0, axialMaxN) - Math.min(0, thermalLossN);
  const area = stressAreaMm2(thread);
  const assembled = boltStress(thread, strength, assemblyN.maxN, joint.threadFriction, joint.prevailingNm);
  const shearMpa = Math.sqrt(Math.max(0, assembled.equivalentMpa ** 2 - assembled.tensileMpa ** 2) / 3);
  const equivalentMpa = Math.sqrt((boltMostN / area) ** 2 + 3 * (TWIST_LEFT * shearMpa) ** 2);
  const alternatingMpa = (loadFactor * (axialMaxN - axialMinN)) / (2 * area);
  const enduranceMpa = threadEnduranceMpa(strength.propertyClass, thread.nominalMm);
  return ok({
    loadFactor,
    thermalLossN,
    shearNeedsN,
    neededN: shearNeedsN + relievedN + settlingN + heatTakes,
    residualClampN: assemblyN.minN - settlingN - heatTakes - relievedN,
    boltMostN,
    equivalentMpa,
    yieldSafety: strength.yieldMpa / equivalentMpa,
    pressureMpa: bearingPressureMpa(boltMostN, joint.ring.outsideMm, joint.ring.holeMm),
    alternatingMpa,
    enduranceMpa,
    fatigueSafety:
      enduranceMpa === undefined || Math.abs(alternatingMpa) < NO_SWING_MPA
        ? undefined
        : enduranceMpa / Math.abs(alternatingMpa),
  });
}
