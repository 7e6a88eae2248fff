import type { InputFault } from '../quantity/input-fault.ts';
import type { Result } from '../result.ts';
import { ok } from '../result.ts';
import type { Stiffness } from '../tightening/joint-stiffness.ts';
import { type Roughness, settlingLoss } from '../tightening/settling.ts';
import { type TorqueAngleCurve, type TorqueAnglePoint, torqueAngleCurve } from '../tightening/torque-angle.ts';
import { extensionTwistDeg } from '../wrench/adapter.ts';
import { type Remark, remarksThat } from './remark.ts';

export interface TurnQuestion {
  joint: Parameters<typeof torqueAngleCurve>[0];
  stiffness: Stiffness;
  snugNm: number;
  turnDeg: number;
  roughness: Roughness;
  /** Faces between clamped parts. */
  interfaces: number;
  into: 'nut' | 'tapped';
  extensionMm: number;
  extensionBarMm: number;
}

export interface TurnAnswer {
  /** A quarter further than asked, so that what comes next is seen. */
  curve: TorqueAngleCurve;
  end: TorqueAnglePoint;
  /** The turn ends past the yield point. */
  pastYield: boolean;
  settled: ReturnType<typeof settlingLoss>;
  twistDeg: number;
  remarks: Remark[];
}

/** What a turn by angle does to a joint: its load, where it yields, what settling takes again. */
export function turnByAngle(question: TurnQuestion): Result<TurnAnswer, InputFault> {
  const { joint, stiffness, snugNm, turnDeg } = question;
  const curve = torqueAngleCurve(joint, stiffness, snugNm, turnDeg * 1.25, 80);
  const end = torqueAngleCurve(joint, stiffness, snugNm, turnDeg, 1).points.at(-1) ?? curve.yieldPoint;
  const settled = settlingLoss(stiffness, question.roughness, question.interfaces, question.into === 'nut' ? 2 : 1);
  const twist = extensionTwistDeg(end.torqueNm, question.extensionMm, question.extensionBarMm);
  if (!twist.ok) return twist;
  const pastYield = end.angleDeg > curve.yieldPoint.angleDeg;
  return ok({
    curve,
    end,
    pastYield,
    settled,
    twistDeg: twist.value,
    remarks: remarksThat(
      pastYield && { code: 'yieldsInTurn', yieldDeg: curve.yieldPoint.angleDeg },
      twist.value > 1 && { code: 'extensionWinds', twistDeg: twist.value },
      settled.lossN > 0.1 * end.preloadN && { code: 'settlingTakes', lossShare: settled.lossN / end.preloadN },
    ),
  });
}
