import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { parseErrorText } from '#contract/wording/input-fault-text.ts';
import { say } from '#contract/wording/say.ts';
import { unitSlips } from '#core/bench/convert.ts';
import { parseQualified } from '#core/quantity/qualified-quantity.ts';
import { measureAlike, UNITS, type UnitName, valueIn } from '#core/quantity/unit.ts';
import type { BenchTool } from '../bench-tool.ts';
import { TwinRule } from '../drawing/TwinRule.tsx';
import { threeFigures } from '../show-figure.ts';

const unitsLike = (unit: UnitName): UnitName[] =>
  (Object.keys(UNITS) as UnitName[]).filter((name) => measureAlike(name, unit));
const exact = (value: number): string => String(Number(value.toPrecision(6)));

/** Any printed quantity in every unit of its kind. */
export const CONVERT: BenchTool = {
  id: 'convert',
  title: say('Units'),
  says: say('A printed quantity in every unit of its kind, and what the usual slip would make of it.'),
  example: '90 ft-lb in nm',
  words: ['convert', 'unit', 'units', 'nm', 'ft-lb', 'in-lb', 'inch pounds', 'foot pounds', 'mm', 'inch'],
  wide: true,
  takes: [],
  fields: [
    { key: 'text', label: say('As printed'), initial: '90 ft-lb', kind: 'text' },
    {
      key: 'to',
      label: say('In'),
      initial: '',
      kind: 'choice',
      options: [
        { value: '', label: say('Every unit') },
        ...(Object.keys(UNITS) as UnitName[]).map((value) => ({ value, label: value })),
      ],
    },
  ],
  answer(read) {
    const { show } = read;
    const printed = parseQualified(read.text('text'));
    if (!printed.ok) throw new CalcRefusal({ field: 'text', reason: parseErrorText(printed.error) });
    const { unit, min, max, dimension, bound, nominal } = printed.value;
    const wanted = read.choice<UnitName | ''>('to');
    if (wanted !== '' && !measureAlike(wanted, unit))
      throw new CalcRefusal({
        field: 'to',
        reason: say('{wanted} does not measure {dimension}', { wanted, dimension }),
      });
    const others = unitsLike(unit).filter((name) => name !== unit);
    const to = wanted === '' ? (others[0] ?? unit) : wanted;
    const into = (value: number, name: UnitName) => valueIn(value, unit, name) ?? Number.NaN;
    const said = (name: UnitName, write: (value: number) => string) => {
      if (nominal !== undefined)
        return `${write(into(nominal, name))} (${write(into(min, name))} – ${write(into(max, name))})`;
      if (min !== max) return `${write(into(min, name))} – ${write(into(max, name))}`;
      return `${bound === undefined ? '' : bound === 'atMost' ? '≤ ' : '≥ '}${write(into(min, name))}`;
    };
    return {
      main: { label: say('In {to}', { to }), shown: show.text(said(to, threeFigures), to) },
      figures: others.map((name) => ({ label: name, shown: show.text(said(name, exact), name) })),
      remarks: unitSlips(dimension),
      drawing: (
        <TwinRule
          value={nominal ?? max}
          first={unit}
          second={to}
          label={say('{text} on two rules', { text: read.text('text') })}
        />
      ),
      summary: say('{printed} is {said} {to}', { printed: printed.value.printed, said: said(to, exact), to }),
    };
  },
  sources: [{ what: say('Exact sizes of the units'), where: 'NIST SP 811 (2008); 3rd CGPM (1901) for gravity' }],
};
