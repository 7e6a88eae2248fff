import { type BoltStrength, boltLoadsN } from '../fastener/property-class.ts';
import type { Thread } from '../fastener/thread.ts';
import {
  assemblyPreloadN,
  type BoltStress,
  boltStress,
  type PreloadRule,
  usualRule,
} from '../tightening/assembly-preload.ts';
import { bearingPressureMpa, LIMITING_PRESSURE, type Pressed, pressedRing } from '../tightening/bearing-pressure.ts';
import type { PartMaterial } from '../tightening/joint-stiffness.ts';
import { evenFriction, finishFriction, type ThreadFinish } from '../tightening/thread-finish.ts';
import { preloadScatterN, type TighteningMethod, tighteningFactor } from '../tightening/tightening-method.ts';
import {
  type BearingFace,
  type Friction,
  nutFactor,
  type TorqueForm,
  type TorqueShares,
  torqueByNutFactorNm,
  torquePerNewton,
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
  /**
   * Torque over diameter and preload, given instead of friction; `friction` is then what it stands for, and with a
   * finish the range keeps the finish's own spread about it.
   */
  nutFactor?: number;
  /** One of the two, or neither: then the preload the bolt takes. */
  given?: { torqueNm: number } | { preloadN: number };
  /** Finish whose range of friction is shown. */
  finish?: ThreadFinish;
  method?: TighteningMethod;
  part?: PartMaterial;
  /** What the head presses, where that is not simply its own face over the hole. */
  pressed?: Pressed;
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
  /** On the part, and the ring it is spread over. */
  pressureMpa: number;
  pressedRing: { outsideMm: number; holeMm: number };
  limitingPressureMpa: number;
  /** At the torque, over the friction of the finish. */
  range?: { minN: number; maxN: number };
  /** At the torque, over the method's own scatter. */
  scatter?: { minN: number; maxN: number; yieldShareAtMost: number } & ReturnType<typeof tighteningFactor>;
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
  // A nut factor stands for the friction at its usual value; another friction moves it as it moves the long form.
  const perNewton = (mu: Friction) =>
    k === undefined
      ? torquePerNewton(thread, mu, face, form)
      : torqueByNutFactorNm(1, thread.nominalMm, k) *
        (torquePerNewton(thread, mu, face) / torquePerNewton(thread, usual, face));
  const finish = question.finish && finishFriction(question.finish);
  const usual = k !== undefined && finish ? evenFriction(finish.usual) : friction;
  const toPreload = (torqueNm: number, mu = usual) => Math.max(0, torqueNm - prevailingNm) / perNewton(mu);
  const toTorque = (preloadN: number) => preloadN * perNewton(usual) + prevailingNm;
  const stressAt = (preloadN: number, mu = friction.thread) => boltStress(thread, strength, preloadN, mu, prevailingNm);
  const assembly = assemblyPreloadN(thread, strength, friction.thread, rule, prevailingNm);
  const byTorque = given !== undefined && 'torqueNm' in given;
  const preloadN = byTorque ? toPreload(given.torqueNm) : (given?.preloadN ?? assembly);
  const torqueNm = byTorque ? given.torqueNm : toTorque(preloadN);
  const stress = stressAt(preloadN);
  const loads = boltLoadsN(strength, thread);
  const at = (mu: number) => toPreload(torqueNm, evenFriction(mu));
  const range = finish && { minN: at(finish.high), maxN: at(finish.low) };
  const slippery = finish && range && stressAt(range.maxN, finish.low);
  const scattered = question.method && scatterOf(question.method, preloadN);
  const scatter = scattered && { ...scattered, yieldShareAtMost: stressAt(scattered.maxN).yieldShare };
  const ring = pressedRing(face.outsideMm, question.pressed ?? { holeMm: face.holeMm });
  const pressureMpa = bearingPressureMpa(preloadN, ring.outsideMm, ring.holeMm);
  const limitingPressureMpa = LIMITING_PRESSURE[part];
  const [breaks, yields, nearProof] = [preloadN > loads.breakN, stress.yieldShare > 1, stress.proofShare > NEAR_PROOF];
  return {
    preloadN,
    torqueNm,
    shares: sharesOf(question, preloadN, perNewton(usual)),
    rule,
    assemblyPreloadN: assembly,
    assemblyTorqueNm: toTorque(assembly),
    nutFactor: k ?? nutFactor(thread, friction, face, form),
    loads,
    stress,
    pressureMpa,
    pressedRing: ring,
    limitingPressureMpa,
    range,
    scatter,
    remarks: remarksThat(
      breaks && { code: 'boltBreaks', carriesN: preloadN, breaksN: loads.breakN },
      !breaks && yields && { code: 'boltYields', yieldShare: stress.yieldShare },
      !yields && nearProof && { code: 'nearProof', proofShare: stress.proofShare },
      !yields && !nearProof && slippery !== undefined && slippery.yieldShare > 1 && { code: 'finishMayYield' },
      !yields &&
        scatter !== undefined &&
        scatter.yieldShareAtMost > 1 && { code: 'scatterMayYield', mostN: scatter.maxN },
      given !== undefined && stress.proofShare < LITTLE_USED && { code: 'littleUsed' },
      pressureMpa > limitingPressureMpa && {
        code: 'headSinks',
        pressedMpa: pressureMpa,
        limitMpa: limitingPressureMpa,
        part,
      },
    ),
  };
}

const scatterOf = (method: TighteningMethod, meanN: number) => {
  const factor = tighteningFactor(method);
  return { ...factor, ...preloadScatterN(meanN, factor.middle) };
};

/**
 * Where the torque goes. A nut factor says only the whole: the pitch takes its own, the rest is split between thread and
 * head as the friction it stands for would.
 */
function sharesOf(question: PreloadQuestion, preloadN: number, perNewtonNm: number): TorqueShares {
  const { thread, friction, face, prevailingNm, form } = question;
  const long = torqueShares(preloadN, thread, friction, face, prevailingNm, question.nutFactor ? 'vdi' : form);
  if (question.nutFactor === undefined) return long;
  const rubs = long.threadNm + long.bearingNm;
  const scale = rubs > 0 ? (preloadN * perNewtonNm - long.pitchNm) / rubs : 0;
  const [threadNm, bearingNm] = [long.threadNm * scale, long.bearingNm * scale];
  return { ...long, threadNm, bearingNm, totalNm: long.pitchNm + threadNm + bearingNm + prevailingNm };
}
