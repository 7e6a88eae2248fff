import { fitOf } from '#core/bench/fit.ts';
import { measuredFit } from '#core/fit/shrink-fit.ts';
import { parsePrinted } from '#core/quantity/parse-printed.ts';
import { dimensionOf, fromBase, toBase, type UnitName } from '#core/quantity/unit.ts';
import { parseErrorText } from '../../wording/input-fault-text.ts';
import type { CalcInput } from '../calc-input.ts';
import { must, refuse } from '../joint-input.ts';
import { remarked } from './remarked.ts';

export function shrink(input: CalcInput<'shrink'>) {
  const { boreMm, pinMm, roomC = 20 } = input;
  const sizes = boreMm !== undefined && pinMm !== undefined ? { boreMm, pinMm } : undefined;
  const interferenceMm =
    input.interferenceMm ??
    (sizes && must(measuredFit(sizes.boreMm, sizes.pinMm)).interferenceMm) ??
    refuse('interferenceMm', 'give it, or both measured sizes');
  const {
    measured,
    needsHeat: _,
    touchC: __,
    ...answer
  } = must(fitOf({ ...input, interferenceMm, roomC, measured: sizes }));
  return remarked({ ...answer, interferenceMm, fit: measured });
}

export function convert(input: CalcInput<'convert'>) {
  const same = (from: UnitName, to: UnitName) => {
    if (dimensionOf(from) !== dimensionOf(to)) refuse('to', `${to} does not measure ${dimensionOf(from)}`);
  };
  if ('text' in input) {
    const read = parsePrinted(input.text);
    if (!read.ok) return refuse('text', parseErrorText(read.error));
    same(read.value.unit, input.to);
    const [min, max] = [fromBase(read.value.minBase, input.to), fromBase(read.value.maxBase, input.to)];
    return { value: min, ...(max === min ? {} : { max }), unit: input.to, readAs: read.value.unit };
  }
  same(input.from, input.to);
  return { value: fromBase(toBase(input.value, input.from), input.to), unit: input.to };
}
