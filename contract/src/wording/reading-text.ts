import type { Asked, PinWay, Reading } from '#core/tightening/kind/reading.ts';
import { asksOf, type TighteningSpec } from '#core/tightening/kinds.ts';
import type { Adapter } from '#core/wrench/adapter.ts';

/** How the pin of a castle nut was bent. */
const PIN_WAY_TEXT: Record<PinWay, string> = {
  overEnd: 'pin in, a leg over the bolt’s end',
  roundNut: 'pin in, its legs round the nut',
};

/** What was asked beside the torque: figures that stand right behind it, and what is said in words. */
const BESIDE: Record<Asked, { figure?: (reading: Reading) => string; note?: (reading: Reading) => string }> = {
  angle: {
    figure: ({ angleDeg }) => (angleDeg === undefined ? '' : ` +${Math.round(angleDeg)}°`),
    note: ({ turnedDeg }) => (turnedDeg === undefined ? '' : `${Math.round(turnedDeg)}° in all`),
  },
  gradient: {
    note: ({ gradientShare }) =>
      gradientShare === undefined ? '' : `gradient down to ${Math.round(gradientShare * 100)} %`,
  },
  pinFits: { note: ({ pinWay }) => (pinWay === undefined ? '' : PIN_WAY_TEXT[pinWay]) },
  seatedAndBackedOff: {
    note: ({ seatNm }) => (seatNm === undefined ? '' : `seated at ${seatNm.toFixed(1)} N·m, backed off`),
  },
};

/** A reading's torque in N·m with the figures its kind asks for: `96.0 +91°`. For a narrow column. */
export const readingFigure = (spec: TighteningSpec, reading: Reading): string =>
  `${reading.torqueNm.toFixed(1)}${asksOf(spec)
    .map((asked) => BESIDE[asked].figure?.(reading) ?? '')
    .join('')}`;

/** What else its kind asks for, in words; empty where nothing was. */
export const readingNote = (spec: TighteningSpec, reading: Reading & { through?: Adapter }): string =>
  [
    ...asksOf(spec).map((asked) => BESIDE[asked].note?.(reading) ?? ''),
    reading.through ? `through an adapter of ${reading.through.offsetMm} mm at ${reading.through.angleDeg}°` : '',
  ]
    .filter(Boolean)
    .join(', ');

/** Both in one line: `148.2, gradient down to 48 %`. */
export const readingText = (spec: TighteningSpec, reading: Reading): string =>
  [readingFigure(spec, reading), readingNote(spec, reading)].filter(Boolean).join(', ');
