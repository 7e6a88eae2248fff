import { fitOf } from '#core/bench/fit.ts';
import { measuredFit } from '#core/fit/shrink-fit.ts';
import { parseQualified } from '#core/quantity/qualified-quantity.ts';
import { ABSOLUTE_ZERO_C, dimensionOf, toBase, type UnitName, valueIn } from '#core/quantity/unit.ts';
import { parseErrorText } from '../../wording/input-fault-text.ts';
import type { CalcInput } from '../calc-input.ts';
import { must, refuse } from '../joint-input.ts';
import { remarked } from './remarked.ts';

/** How far a measured size may lie from the nominal one before it is another size: so much of it and a millimetre. Chosen by us. */
const NEAR_NOMINAL = 0.02;

export function shrink(input: CalcInput<'shrink'>) {
  const { boreMm, pinMm, roomC = 20 } = input;
  for (const [field, sizeMm] of [
    ['boreMm', boreMm],
    ['pinMm', pinMm],
  ] as const)
    if (sizeMm !== undefined && Math.abs(sizeMm - input.diameterMm) > NEAR_NOMINAL * input.diameterMm + 1)
      refuse(field, `contradicts diameterMm: ${sizeMm} is no ${input.diameterMm} mm`);
  const sizes = boreMm !== undefined && pinMm !== undefined ? { boreMm, pinMm } : undefined;
  if (sizes && input.interferenceMm !== undefined && Math.abs(sizes.pinMm - sizes.boreMm - input.interferenceMm) > 1e-6)
    refuse(
      'interferenceMm',
      `contradicts boreMm and pinMm, which differ by ${(sizes.pinMm - sizes.boreMm).toFixed(3)}`,
    );
  const interferenceMm =
    input.interferenceMm ??
    (sizes && must(measuredFit(sizes.boreMm, sizes.pinMm)).interferenceMm) ??
    refuse('interferenceMm', 'give it, or both measured sizes');
  const { measured, needsHeat: _, ...answer } = must(fitOf({ ...input, interferenceMm, roomC, measured: sizes }));
  return remarked({ ...answer, interferenceMm, fit: measured });
}

/** The largest value that is converted: what is larger is a slip, and may overflow. Chosen by us. */
const MOST_VALUE = 1e12;

export function convert(input: CalcInput<'convert'>) {
  const { to } = input;
  const into = (value: number, from: UnitName): number =>
    valueIn(value, from, to) ?? refuse('to', `${to} does not measure ${dimensionOf(from)}, as ${from} does`);
  if ('text' in input) {
    const read = parseQualified(input.text);
    if (!read.ok) return refuse('text', parseErrorText(read.error));
    const { min, max, unit, nominal, bound } = read.value;
    return {
      value: into(min, unit),
      ...(max === min ? {} : { max: into(max, unit) }),
      ...(nominal === undefined ? {} : { nominal: into(nominal, unit) }),
      ...(bound === undefined ? {} : { bound }),
      unit: to,
      readAs: unit,
    };
  }
  if (dimensionOf(input.from) === 'temperature' && toBase(input.value, input.from) < ABSOLUTE_ZERO_C)
    refuse('value', `${input.value} ${input.from} is below absolute zero, −273.15 °C`);
  if (Math.abs(input.value) > MOST_VALUE)
    refuse('value', `must be between −${MOST_VALUE} and ${MOST_VALUE}, was ${input.value}`);
  return { value: into(input.value, input.from), unit: to };
}
