import { boltStrength } from '../fastener/property-class.ts';
import { preloadAtYieldShareN } from '../tightening/assembly-preload.ts';
import { boltMaterial, jointStiffness } from '../tightening/joint-stiffness.ts';
import { usualFace } from '../tightening/proposed-torque.ts';
import { evenFriction } from '../tightening/thread-finish.ts';
import { type BearingFace, torquePerNewton } from '../tightening/tightening-torque.ts';
import { preloadPerDegreeN } from '../tightening/torque-angle.ts';
import type { TraceJoint } from './pull-trace.ts';

export interface Span {
  least: number;
  most: number;
}

/** How a sound joint rises, as far as it is known. */
export interface ExpectedRise {
  /** N·m per degree once all is in contact, over the friction that is allowed and what the stiffness is uncertain by. */
  slope?: Span;
  /** The same for any friction there is: beyond it lies another joint, not another grease. */
  anyFriction?: Span;
  /** Torque at which the bolt begins to yield, N·m; a bolt may be up to a quarter stronger than its class. */
  yieldNm?: Span;
}

/** Friction where nothing is said: bare to lightly oiled steel. Common practice, no source. */
const USUAL_FRICTION: Span = { least: 0.1, most: 0.2 };
/** The least and the most friction that threads have, from molybdenum paste to dry stainless. @see VDI 2230-1, table A5 (from memory: 0.04 to 0.40 and over) */
const ANY_FRICTION: Span = { least: 0.03, most: 0.42 };
/** How far friction is believed before another joint is: the stiffness as VDI has it, or nearly. Chosen by us. */
const NEAR_STIFFNESS: Span = { least: 0.88, most: 1.25 };
/**
 * How far a joint's stiffness may lie from VDI's for a bolt in wide steel parts: softer where parts are narrow or
 * painted, stiffer by the textbook's plain spring A·E/l, which leaves out head, nut and engaged thread. Chosen by us.
 */
const STIFFNESS: Span = { least: 0.88, most: 1.45 };
/** A part is taken as this much wider than the head. */
const PART_WIDTH = 3;
/** A bolt may be this much stronger than the least its class allows. Common practice, no source. */
const STRONGER = 1.3;

/** What a pull of this joint should look like; what the joint does not say is left out. */
export function expectedRise(joint: TraceJoint): ExpectedRise {
  const { thread, prevailingNm } = joint;
  const d = thread.nominalMm;
  const face: BearingFace = usualFace(thread) ?? { outsideMm: 1.5 * d, holeMm: 1.1 * d };
  const strength = joint.propertyClass === undefined ? undefined : boltStrength(joint.propertyClass, thread);
  const friction: Span = {
    least: joint.frictionMin ?? USUAL_FRICTION.least,
    most: joint.frictionMax ?? USUAL_FRICTION.most,
  };
  const armAt = (mu: number) => torquePerNewton(thread, evenFriction(mu), face);
  const yieldAt = (mu: number, yieldMpa: number) =>
    preloadAtYieldShareN(thread, yieldMpa, mu, 1, prevailingNm) * armAt(mu) + prevailingNm;
  const expected: ExpectedRise = {};
  if (strength?.ok) {
    const { yieldMpa } = strength.value;
    expected.yieldNm = { least: yieldAt(friction.least, yieldMpa), most: STRONGER * yieldAt(friction.most, yieldMpa) };
  }
  const stiffness =
    joint.gripMm === undefined
      ? undefined
      : jointStiffness({
          thread,
          gripMm: joint.gripMm,
          bearingMm: face.outsideMm,
          holeMm: face.holeMm,
          partDiameterMm: PART_WIDTH * face.outsideMm,
          part: joint.part ?? 'steel',
          bolt: strength?.ok ? boltMaterial(strength.value) : 'steel',
          into: 'nut',
        });
  if (stiffness?.ok) {
    const perDegN = preloadPerDegreeN(thread, stiffness.value);
    const over = ({ least, most }: Span, stiff: Span): Span => ({
      least: stiff.least * perDegN * armAt(least),
      most: stiff.most * perDegN * armAt(most),
    });
    expected.slope = over(friction, STIFFNESS);
    expected.anyFriction = over(
      { least: Math.min(ANY_FRICTION.least, friction.least), most: Math.max(ANY_FRICTION.most, friction.most) },
      NEAR_STIFFNESS,
    );
  }
  return expected;
}
