import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { parseErrorText } from '#contract/wording/input-fault-text.ts';
import { unitSlips } from '#core/bench/convert.ts';
import { parsePrinted } from '#core/quantity/parse-printed.ts';
import { dimensionOf, fromBase, UNITS, type UnitName } from '#core/quantity/unit.ts';
import type { BenchTool } from '../bench-tool.ts';
import { TwinRule } from '../drawing/TwinRule.tsx';
import { threeFigures } from '../show-figure.ts';

const unitsLike = (unit: UnitName): UnitName[] =>
  (Object.keys(UNITS) as UnitName[]).filter((name) => dimensionOf(name) === dimensionOf(unit));
const exact = (value: number): string => String(Number(value.toPrecision(6)));

/** Any printed quantity in every unit of its kind. */
export const CONVERT: BenchTool = {
  id: 'convert',
  title: 'Units',
  says: 'A printed quantity in every unit of its kind, and what the usual slip would make of it.',
  example: '90 ft-lb in nm',
  words: ['convert', 'unit', 'units', 'nm', 'ft-lb', 'in-lb', 'inch pounds', 'foot pounds', 'mm', 'inch'],
  wide: true,
  takes: [],
  fields: [
    { key: 'text', label: 'As printed', initial: '90 ft-lb', kind: 'text' },
    {
      key: 'to',
      label: 'In',
      initial: '',
      kind: 'choice',
      options: [
        { value: '', label: 'Every unit' },
        ...(Object.keys(UNITS) as UnitName[]).map((value) => ({ value, label: value })),
      ],
    },
  ],
  answer(read) {
    const { show } = read;
    const printed = parsePrinted(read.text('text'));
    if (!printed.ok) throw new CalcRefusal({ field: 'text', reason: parseErrorText(printed.error) });
    const { unit, minBase, maxBase, dimension } = printed.value;
    const wanted = read.choice<UnitName | ''>('to');
    if (wanted !== '' && dimensionOf(wanted) !== dimension)
      throw new CalcRefusal({ field: 'to', reason: `${wanted} does not measure ${dimension}` });
    const others = unitsLike(unit).filter((name) => name !== unit);
    const to = wanted === '' ? (others[0] ?? unit) : wanted;
    const inUnit = (name: UnitName) =>
      minBase === maxBase
        ? exact(fromBase(minBase, name))
        : `${exact(fromBase(minBase, name))} – ${exact(fromBase(maxBase, name))}`;
    return {
      main: {
        label: `In ${to}`,
        shown: show.text(
          minBase === maxBase
            ? threeFigures(fromBase(minBase, to))
            : `${threeFigures(fromBase(minBase, to))} – ${threeFigures(fromBase(maxBase, to))}`,
          to,
        ),
      },
      figures: others.map((name) => ({ label: name, shown: show.text(inUnit(name), name) })),
      remarks: unitSlips(dimension),
      drawing: <TwinRule base={maxBase} first={unit} second={to} label={`${read.text('text')} on two rules`} />,
      summary: `${printed.value.printed} is ${inUnit(to)} ${to}`,
    };
  },
  sources: [{ what: 'Exact sizes of the units', where: 'NIST SP 811 (2008); 3rd CGPM (1901) for gravity' }],
};
