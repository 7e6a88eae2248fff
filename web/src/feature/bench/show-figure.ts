import type { FigureWriter } from '#contract/wording/remark-text.ts';
import { showTorque, type UnitSystem, written } from '#core/quantity/display.ts';
import { roundTo } from '#core/quantity/rounding.ts';
import { fromBase, type UnitName } from '#core/quantity/unit.ts';

/** A figure in the shop's system and, where there is one, the other. */
export interface ShownFigure {
  number: string;
  unit: string;
  other?: string;
}

/** Three significant figures, or whole above a thousand; never an exponent. */
export function threeFigures(value: number): string {
  if (!Number.isFinite(value)) return '∞';
  const size = Math.abs(value);
  if (size === 0) return '0';
  const decimals = size >= 100 ? 0 : Math.min(4, 2 - Math.floor(Math.log10(size)));
  return written(roundTo(value, Math.max(0, decimals)));
}

const inBoth = (base: number, metric: UnitName, inch: UnitName, system: UnitSystem): ShownFigure => {
  const [first, second] = system === 'metric' ? [metric, inch] : [inch, metric];
  return {
    number: threeFigures(fromBase(base, first)),
    unit: first,
    other: `${threeFigures(fromBase(base, second))} ${second}`,
  };
};

/** Figures of each kind, both systems at once, in the order of the system chosen. */
export const figuresIn = (system: UnitSystem) => ({
  torque(nm: number): ShownFigure {
    const { first, second } = showTorque(nm, system);
    return { number: first.number, unit: first.unit, other: `${second.number} ${second.unit}` };
  },
  /** Exact to the figures a drill or a caliper shows: hundredths of a millimetre, thousandths of an inch. */
  length(mm: number): ShownFigure {
    const [metric, inch] = [String(roundTo(mm, 2)), String(roundTo(fromBase(mm, 'in'), 3))];
    return system === 'metric'
      ? { number: metric, unit: 'mm', other: `${inch} in` }
      : { number: inch, unit: 'in', other: `${metric} mm` };
  },
  force: (n: number): ShownFigure => inBoth(n, 'kN', 'lbf', system),
  stress(mpa: number): ShownFigure {
    const [metric, inch] = [threeFigures(mpa), threeFigures(mpa / 6.894757293168)];
    return system === 'metric'
      ? { number: metric, unit: 'N/mm²', other: `${inch} ksi` }
      : { number: inch, unit: 'ksi', other: `${metric} N/mm²` };
  },
  mass: (kg: number): ShownFigure => inBoth(kg, 'kg', 'lb', system),
  volume: (ml: number): ShownFigure => inBoth(ml, 'mL', 'fl oz', system),
  temperature(c: number): ShownFigure {
    const [metric, inch] = [String(Math.round(c)), String(Math.round(fromBase(c, '°F')))];
    return system === 'metric'
      ? { number: metric, unit: '°C', other: `${inch} °F` }
      : { number: inch, unit: '°F', other: `${metric} °C` };
  },
  angle: (deg: number): ShownFigure => ({ number: String(roundTo(deg, 1)), unit: '°' }),
  percent: (share: number): ShownFigure => ({ number: threeFigures(share * 100), unit: '%' }),
  plain: (value: number, unit = ''): ShownFigure => ({ number: threeFigures(value), unit }),
  text: (number: string, unit = ''): ShownFigure => ({ number, unit }),
  /** Minutes as `12 min`, `3 h 20 min` or `5 d`. */
  duration(minutes: number): ShownFigure {
    if (minutes < 90) return { number: threeFigures(minutes), unit: 'min' };
    if (minutes < 48 * 60) {
      const [h, min] = [Math.floor(minutes / 60), Math.round(minutes % 60)];
      return { number: min === 0 ? `${h}` : `${h}:${String(min).padStart(2, '0')}`, unit: 'h' };
    }
    return { number: threeFigures(minutes / 1440), unit: 'days' };
  },
});

export type Figures = ReturnType<typeof figuresIn>;

/** How the shop's figures stand in a sentence. */
export const figureWriter =
  (show: Figures): FigureWriter =>
  (quantity, value) =>
    inLine(show[quantity](value));

/** `62 N·m (46 lbf·ft)`: a figure in one line. */
export const inLine = ({ number, unit, other }: ShownFigure): string =>
  `${number}${unit === '' || unit === '°' ? unit : ` ${unit}`}${other === undefined ? '' : ` (${other})`}`;
