import { written } from '#core/quantity/display.ts';
import type { Asked, PinWay, Reading } from '#core/tightening/kind/reading.ts';
import { asksOf, type TighteningSpec } from '#core/tightening/kinds.ts';
import type { Adapter } from '#core/wrench/adapter.ts';
import { inLanguage, say } from './say.ts';

/** How the pin of a castle nut was bent. */
const PIN_WAY_TEXT: Record<PinWay, string> = inLanguage({
  overEnd: 'pin in, a leg over the bolt’s end',
  roundNut: 'pin in, its legs round the nut',
});

/** What was asked beside the torque: figures that stand right behind it, and what is said in words. */
const BESIDE: Record<Asked, { figure?: (reading: Reading) => string; note?: (reading: Reading) => string }> = {
  angle: {
    figure: ({ angleDeg }) => (angleDeg === undefined ? '' : ` +${Math.round(angleDeg)}°`),
    note: ({ turnedDeg }) =>
      turnedDeg === undefined ? '' : say('{turnedDeg}° in all', { turnedDeg: Math.round(turnedDeg) }),
  },
  gradient: {
    note: ({ gradientShare }) =>
      gradientShare === undefined
        ? ''
        : say('gradient down to {gradientShare} %', { gradientShare: Math.round(gradientShare * 100) }),
  },
  pinFits: { note: ({ pinWay }) => (pinWay === undefined ? '' : PIN_WAY_TEXT[pinWay]) },
  seatedAndBackedOff: {
    note: ({ seatNm }) =>
      seatNm === undefined ? '' : say('seated at {seatNm} N·m, backed off', { seatNm: written(seatNm, 1) }),
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
    reading.through
      ? say('through an adapter of {offsetMm} mm at {angleDeg}°', {
          offsetMm: reading.through.offsetMm,
          angleDeg: reading.through.angleDeg,
        })
      : '',
  ]
    .filter(Boolean)
    .join(', ');

/** Both in one line: `148.2, gradient down to 48 %`. */
export const readingText = (spec: TighteningSpec, reading: Reading): string =>
  [readingFigure(spec, reading), readingNote(spec, reading)].filter(Boolean).join(', ');
