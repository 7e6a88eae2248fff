import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { riseFor } from '#core/bench/rise.ts';
import type { LiftBy } from '#core/geometry/lift-height.ts';
import type { BenchReader } from '../bench-reader.ts';
import type { BenchTool } from '../bench-tool.ts';
import { RuleBars } from '../drawing/RuleBars.tsx';
import { inLine } from '../show-figure.ts';

const bySpring = (values: Readonly<Record<string, string>>) => values.by === 'spring';
const bySpacer = (values: Readonly<Record<string, string>>) => !bySpring(values);

function readLift(read: BenchReader): LiftBy {
  if (read.choice('by') === 'spacer') return { kind: 'spacer', thicknessMm: read.number('thickness', -200, 300) };
  return {
    kind: 'spring',
    old: { freeMm: read.number('oldFree', 50, 1000), rateNPerMm: read.number('oldRate', 2, 1000) },
    new: { freeMm: read.number('newFree', 50, 1000), rateNPerMm: read.number('newRate', 2, 1000) },
    loadN: read.number('load', 100, 60_000),
  };
}

/** Named lift, thickness put in, and what the vehicle rises. */
export const RISE: BenchTool = {
  id: 'rise',
  title: say('Lift, three numbers'),
  says: say('What the kit is called, what is put in, and what the wheel gains.'),
  example: 'lift 50 mm spacer',
  words: ['lift', 'raise', 'spring', 'ride height', 'motion ratio', 'strut spacer', 'level'],
  wide: true,
  takes: ['named', 'thickness'],
  fields: [
    {
      key: 'by',
      label: say('By'),
      initial: 'spacer',
      kind: 'choice',
      options: [
        { value: 'spacer', label: say('A spacer') },
        { value: 'spring', label: say('Another spring') },
      ],
    },
    { key: 'named', label: say('The kit is called'), initial: '50', kind: 'number', unit: 'mm' },
    { key: 'thickness', label: say('Thick'), initial: '22', kind: 'number', unit: 'mm', when: bySpacer },
    { key: 'oldFree', label: say('Old spring, free'), initial: '420', kind: 'number', unit: 'mm', when: bySpring },
    { key: 'oldRate', label: say('Old spring, rate'), initial: '45', kind: 'number', unit: 'N/mm', when: bySpring },
    { key: 'newFree', label: say('New spring, free'), initial: '440', kind: 'number', unit: 'mm', when: bySpring },
    { key: 'newRate', label: say('New spring, rate'), initial: '50', kind: 'number', unit: 'N/mm', when: bySpring },
    { key: 'load', label: say('It carries'), initial: '7000', kind: 'number', unit: 'N', when: bySpring },
    {
      key: 'ratio',
      label: say('Spring travel per wheel travel'),
      initial: '0.6',
      kind: 'number',
      assumption: true,
      hint: say('strut near 1, spring on an arm 0.5 to 0.8'),
    },
  ],
  answer(read) {
    const { show } = read;
    const namedMm = read.optional('named', -300, 500);
    const a = must(riseFor(readLift(read), read.number('ratio', 0.2, 1.5), namedMm));
    return {
      main: { label: say('The wheel gains'), shown: show.length(a.atWheelMm) },
      figures: [
        { label: say('At the spring'), shown: show.length(a.atSpringMm) },
        ...(namedMm === undefined ? [] : [{ label: say('The kit is called'), shown: show.length(namedMm) }]),
      ],
      remarks: a.remarks,
      drawing: (
        <RuleBars
          unit="mm"
          bars={[
            ...(namedMm === undefined ? [] : [{ name: 'called', value: namedMm }]),
            { name: 'at the spring', value: a.atSpringMm },
            { name: 'at the wheel', value: a.atWheelMm, tone: 'main' as const },
          ]}
          label={say('What the kit is called, what is put in, what the wheel gains')}
        />
      ),
      summary: say('Lift: {inLine} at the spring is {inLine2} at the wheel{which}', {
        inLine: inLine(show.length(a.atSpringMm)),
        inLine2: inLine(show.length(a.atWheelMm)),
        which: namedMm === undefined ? '' : say(', called {inLine}', { inLine: inLine(show.length(namedMm)) }),
      }),
    };
  },
  sources: [
    { what: say('At the wheel = at the spring / motion ratio'), where: say('geometry') },
    { what: say('Standing length = free − load / rate'), where: 'Hooke' },
  ],
};
