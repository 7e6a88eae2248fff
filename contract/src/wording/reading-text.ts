import type { Asked, Reading } from '#core/tightening/kind/reading.ts';
import { asksOf, type TighteningSpec } from '#core/tightening/kinds.ts';

/** What was asked beside the torque, as it stands behind the torque: ` +91°`; empty where nothing was. */
const BEHIND: Record<Asked, (reading: Reading) => string> = {
  angle: ({ angleDeg }) => (angleDeg === undefined ? '' : ` +${Math.round(angleDeg)}°`),
  gradient: ({ gradientShare }) =>
    gradientShare === undefined ? '' : `, gradient down to ${Math.round(gradientShare * 100)} %`,
  pinFits: () => '',
  seatedAndBackedOff: () => '',
};

/** A reading's torque in N·m with what its kind asks for beside it: `96.0 +91°`. */
export const readingText = (spec: TighteningSpec, reading: Reading): string =>
  `${reading.torqueNm.toFixed(1)}${asksOf(spec)
    .map((asked) => BEHIND[asked](reading))
    .join('')}`;
