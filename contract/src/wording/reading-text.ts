import type { Asked, Reading } from '#core/tightening/kind/reading.ts';
import { asksOf, type TighteningSpec } from '#core/tightening/kinds.ts';

/** What was asked beside the torque: figures that stand right behind it, and what is said in words. */
const BESIDE: Record<Asked, { figure?: (reading: Reading) => string; note?: (reading: Reading) => string }> = {
  angle: { figure: ({ angleDeg }) => (angleDeg === undefined ? '' : ` +${Math.round(angleDeg)}°`) },
  gradient: {
    note: ({ gradientShare }) =>
      gradientShare === undefined ? '' : `gradient down to ${Math.round(gradientShare * 100)} %`,
  },
  pinFits: {},
  seatedAndBackedOff: {},
};

/** A reading's torque in N·m with the figures its kind asks for: `96.0 +91°`. For a narrow column. */
export const readingFigure = (spec: TighteningSpec, reading: Reading): string =>
  `${reading.torqueNm.toFixed(1)}${asksOf(spec)
    .map((asked) => BESIDE[asked].figure?.(reading) ?? '')
    .join('')}`;

/** What else its kind asks for, in words; empty where nothing was. */
export const readingNote = (spec: TighteningSpec, reading: Reading): string =>
  asksOf(spec)
    .map((asked) => BESIDE[asked].note?.(reading) ?? '')
    .filter(Boolean)
    .join(', ');

/** Both in one line: `148.2, gradient down to 48 %`. */
export const readingText = (spec: TighteningSpec, reading: Reading): string =>
  [readingFigure(spec, reading), readingNote(spec, reading)].filter(Boolean).join(', ');
