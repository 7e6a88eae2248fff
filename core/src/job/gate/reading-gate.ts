import type { PlanStation } from '../../kit/plan.ts';
import type { PullVerdict } from '../../tightening/judge-pull.ts';
import type { Asked, Reading } from '../../tightening/kind/reading.ts';
import { asksOf } from '../../tightening/kinds.ts';
import { type Pass, passFraction } from '../../tightening/pass-plan.ts';
import type { Refusal } from '../refusal.ts';

/** How each thing a kind asks for is refused where the reading lacks it; undefined where it is there. */
const LACKS: Record<Asked, (station: PlanStation, reading: Reading, verdict: PullVerdict) => Refusal | undefined> = {
  // A missing angle is judged like one that is too small.
  angle: () => undefined,
  // Nobody reads a gradient off a scale.
  gradient: ({ id }, { gradientShare }) =>
    gradientShare === undefined ? { code: 'gradientMissing', station: id } : undefined,
  pinFits: ({ id }, { pinFits }, verdict) =>
    verdict === 'accepted' && !pinFits ? { code: 'slotNotAligned', station: id } : undefined,
  seatedAndBackedOff: ({ id }, { seatedAndBackedOff }) =>
    seatedAndBackedOff ? undefined : { code: 'bearingNotSeated', station: id },
};

/** What a joint of this kind asks for beside the torque in a pass, and the reading does not say. */
export function missingAnswer(
  station: PlanStation,
  pass: Pass | undefined,
  reading: Reading,
  verdict: PullVerdict,
): Refusal | undefined {
  for (const asked of asksOf(station.spec, pass && passFraction(pass))) {
    const refusal = LACKS[asked](station, reading, verdict);
    if (refusal) return refusal;
  }
  return undefined;
}
