import type { Shown, UnitSystem } from './display.ts';
import { roundTo, threeFigureDecimals } from './rounding.ts';
import { type Dimension, fromBase, type UnitName } from './unit.ts';

/** The units each system speaks of a dimension in. Torque has its own: see `display.ts`. */
const UNITS_OF: Record<Exclude<Dimension, 'torque'>, Record<UnitSystem, UnitName>> = {
  length: { metric: 'mm', inch: 'in' },
  mass: { metric: 'kg', inch: 'lb' },
  force: { metric: 'N', inch: 'lbf' },
  angle: { metric: '°', inch: '°' },
  temperature: { metric: '°C', inch: '°F' },
  distance: { metric: 'km', inch: 'mi' },
  volume: { metric: 'mL', inch: 'fl oz' },
  pressure: { metric: 'bar', inch: 'psi' },
  area: { metric: 'mm²', inch: 'in²' },
  speed: { metric: 'km/h', inch: 'mph' },
  springRate: { metric: 'N/mm', inch: 'lbf/in' },
};

/** Thousands and more are shown whole; below, to about three figures. A value that is whole stays so. */
function shown(base: number, unit: UnitName): Shown {
  const value = fromBase(base, unit);
  const whole = roundTo(value, 0);
  const decimals = Math.abs(whole - value) <= 1e-9 * Math.max(1, Math.abs(value)) ? 0 : threeFigureDecimals(value);
  return { number: String(roundTo(value, decimals)), unit };
}

/**
 * A quantity other than torque in both systems, the chosen one first.
 *
 * @param base - in the base unit of its dimension: mm, kg, N, °, °C, km, mL
 */
function showBoth(
  base: number,
  dimension: Exclude<Dimension, 'torque'>,
  system: UnitSystem,
): { first: Shown; second: Shown } {
  const other: UnitSystem = system === 'metric' ? 'inch' : 'metric';
  return { first: shown(base, UNITS_OF[dimension][system]), second: shown(base, UNITS_OF[dimension][other]) };
}

/** `800 km (497 mi)`: both systems in one line. */
export function bothText(base: number, dimension: Exclude<Dimension, 'torque'>, system: UnitSystem): string {
  const { first, second } = showBoth(base, dimension, system);
  return first.unit === second.unit
    ? `${first.number} ${first.unit}`
    : `${first.number} ${first.unit} (${second.number} ${second.unit})`;
}
