import { type BoltStrength, boltLoadsN } from '../fastener/property-class.ts';
import type { Thread } from '../fastener/thread.ts';
import {
  assemblyPreloadN,
  type BoltStress,
  boltStress,
  type PreloadRule,
  usualRule,
} from '../tightening/assembly-preload.ts';
import { bearingPressureMpa, LIMITING_PRESSURE } from '../tightening/bearing-pressure.ts';
import type { PartMaterial } from '../tightening/joint-stiffness.ts';
import { finishFriction, type ThreadFinish } from '../tightening/thread-finish.ts';
import { preloadScatterN, type TighteningMethod, tighteningFactor } from '../tightening/tightening-method.ts';
import {
  type BearingFace,
  type Friction,
  nutFactor,
  preloadByNutFactorN,
  preloadForTorqueN,
  type TorqueForm,
  type TorqueShares,
  torqueByNutFactorNm,
  torqueForPreloadNm,
  torqueShares,
} from '../tightening/tightening-torque.ts';
import { type Remark, remarksThat } from './remark.ts';

export interface PreloadQuestion {
  thread: Thread;
  strength: BoltStrength;
  face: BearingFace;
  friction: Friction;
  prevailingNm: number;
  form: TorqueForm;
  /** How far the bolt is used; the usual of its class when left out. */
  rule?: PreloadRule;
  /** Torque over diameter and preload, in the place of friction. */
  nutFactor?: number;
  /** One of the two, or neither: then the preload the bolt takes. */
  given?: { torqueNm: number } | { preloadN: number };
  /** Finish whose range of friction is shown. */
  finish?: ThreadFinish;
  method?: TighteningMethod;
  part?: PartMaterial;
}

export interface PreloadAnswer {
  preloadN: number;
  torqueNm: number;
  shares: TorqueShares;
  rule: PreloadRule;
  /** What the bolt takes. */
  assemblyPreloadN: number;
  assemblyTorqueNm: number;
  nutFactor: number;
  loads: ReturnType<typeof boltLoadsN>;
  stress: BoltStress;
  pressureMpa: number;
  limitingPressureMpa: number;
  /** At the torque, over the friction of the finish. */
  range?: { minN: number; maxN: number };
  /** At the torque, over the method's own scatter. */
  scatter?: { minN: number; maxN: number } & ReturnType<typeof tighteningFactor>;
  remarks: Remark[];
}

/** Over this share of proof load a bolt is called near it. Chosen by us. */
const NEAR_PROOF = 0.95;
/** Under this share little of the bolt is used: a figure or its unit may be wrong. Chosen by us. */
const LITTLE_USED = 0.3;

/**
 * What a torque does to a bolt, or what torque a preload takes.
 *
 * @see VDI 2230-1:2015, equation (R13) and 5.4.3; the formulas are in `tightening`
 */
export function preloadOf(question: PreloadQuestion): PreloadAnswer {
  const { thread, strength, face, friction, prevailingNm, form, nutFactor: k, given, part = 'steel' } = question;
  const rule = question.rule ?? usualRule(strength);
  const toPreload = (torqueNm: number, mu = friction) =>
    k === undefined
      ? preloadForTorqueN(torqueNm, thread, mu, face, prevailingNm, form)
      : preloadByNutFactorN(Math.max(0, torqueNm - prevailingNm), thread.nominalMm, k);
  const toTorque = (preloadN: number) =>
    k === undefined
      ? torqueForPreloadNm(preloadN, thread, friction, face, prevailingNm, form)
      : torqueByNutFactorNm(preloadN, thread.nominalMm, k) + prevailingNm;
  const assembly = assemblyPreloadN(thread, strength, friction.thread, rule);
  const byTorque = given !== undefined && 'torqueNm' in given;
  const preloadN = byTorque ? toPreload(given.torqueNm) : (given?.preloadN ?? assembly);
  const torqueNm = byTorque ? given.torqueNm : toTorque(preloadN);
  const stress = boltStress(thread, strength, preloadN, friction.thread);
  const finish = question.finish && finishFriction(question.finish);
  const at = (mu: number) => toPreload(torqueNm, { thread: mu, bearing: mu });
  const range = finish && { minN: at(finish.high), maxN: at(finish.low) };
  const slippery = finish && range && boltStress(thread, strength, range.maxN, finish.low);
  const scatter = question.method && tighteningFactor(question.method);
  const pressureMpa = bearingPressureMpa(preloadN, face.outsideMm, face.holeMm);
  const [yields, nearProof] = [stress.yieldShare > 1, stress.proofShare > NEAR_PROOF];
  return {
    preloadN,
    torqueNm,
    shares: torqueShares(preloadN, thread, friction, face, prevailingNm, form),
    rule,
    assemblyPreloadN: assembly,
    assemblyTorqueNm: torqueForPreloadNm(assembly, thread, friction, face, prevailingNm, form),
    nutFactor: k ?? nutFactor(thread, friction, face),
    loads: boltLoadsN(strength, thread),
    stress,
    pressureMpa,
    limitingPressureMpa: LIMITING_PRESSURE[part],
    range,
    scatter: scatter && { ...scatter, ...preloadScatterN(preloadN, scatter.middle) },
    remarks: remarksThat(
      yields && { code: 'boltYields', yieldShare: stress.yieldShare },
      !yields && nearProof && { code: 'nearProof', proofShare: stress.proofShare },
      !yields && !nearProof && slippery !== undefined && slippery.yieldShare > 1 && { code: 'finishMayYield' },
      given !== undefined && stress.proofShare < LITTLE_USED && { code: 'littleUsed' },
      pressureMpa > LIMITING_PRESSURE[part] && { code: 'headSinks' },
    ),
  };
}
