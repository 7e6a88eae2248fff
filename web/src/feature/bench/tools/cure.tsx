import { CalcRefusal, must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { waitsFor } from '#core/bench/cure.ts';
import { type Substrate, strengthShare, USUAL_TIMES } from '#core/compound/cure-curve.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { WaitRule } from '../drawing/WaitRule.tsx';
import { inLine, threeFigures } from '../show-figure.ts';
import { yesNo } from './joint-fields.ts';

const SUBSTRATE: Array<{ value: Substrate; label: string }> = [
  { value: 'steel', label: say('Plain steel') },
  { value: 'brass', label: say('Brass or copper') },
  { value: 'blackOxide', label: say('Black oxide') },
  { value: 'aluminium', label: say('Aluminium') },
  { value: 'zincPlated', label: say('Zinc plated') },
  { value: 'stainless', label: say('Stainless') },
];

/** When a locker holds, at the temperature of the bay and on the metal in hand. */
export const CURE: BenchTool = {
  id: 'cure',
  title: say('When it holds'),
  says: say('Working window, fixture and full cure by temperature, metal, gap and primer.'),
  example: 'cure 8 c stainless',
  words: [
    'cure',
    'fixture',
    'set',
    'hold',
    'cold',
    'locker',
    'threadlocker',
    'window',
    'primer',
    'wait',
    'temperature',
  ],
  wide: true,
  takes: ['temperature'],
  fields: [
    {
      key: 'product',
      label: say('Product'),
      initial: 'threadlockerMedium',
      kind: 'choice',
      options: [
        { value: 'threadlockerLow', label: say('Threadlocker, low strength') },
        { value: 'threadlockerMedium', label: say('Threadlocker, medium') },
        { value: 'threadlockerHigh', label: say('Threadlocker, high strength') },
        { value: 'retaining', label: say('Retaining compound') },
        { value: 'sealant', label: say('Flange sealant') },
      ],
    },
    { key: 'temperature', label: say('In the bay'), initial: '18', kind: 'number', unit: '°C' },
    { key: 'substrate', label: say('Metal'), initial: 'steel', kind: 'choice', options: SUBSTRATE },
    { key: 'gap', label: say('Gap'), initial: '0.05', kind: 'number', unit: 'mm' },
    { key: 'primer', label: say('Primer'), initial: 'no', kind: 'choice', options: yesNo },
    {
      key: 'window',
      label: say('Sheet: workable'),
      initial: '',
      kind: 'number',
      assumption: true,
      hint: say('minutes at 22 °C on steel'),
    },
    {
      key: 'fixture',
      label: say('Sheet: fixture'),
      initial: '',
      kind: 'number',
      assumption: true,
      hint: say('minutes at 22 °C on steel'),
    },
    {
      key: 'full',
      label: say('Sheet: full cure'),
      initial: '',
      kind: 'number',
      assumption: true,
      hint: say('hours at 22 °C on steel'),
    },
  ],
  answer(read) {
    const { show } = read;
    const product = read.choice<keyof typeof USUAL_TIMES>('product');
    const usual = USUAL_TIMES[product];
    const sheet = {
      workingWindowMin: read.optional('window', 0.5, 600),
      fixtureMin: read.optional('fixture', 0.5, 2880),
      fullCureH: read.optional('full', 0.1, 400),
    };
    const fromSheet = Object.values(sheet).some((value) => value !== undefined);
    const times = {
      workingWindowMin: sheet.workingWindowMin ?? usual.workingWindowMin,
      fixtureMin: sheet.fixtureMin ?? usual.fixtureMin,
      fullCureH: sheet.fullCureH ?? usual.fullCureH,
    };
    if (times.fullCureH * 60 <= times.fixtureMin)
      throw new CalcRefusal({ field: 'full', reason: say('must be later than fixture') });
    const substrate = read.choice<Substrate>('substrate');
    const primer = read.yes('primer');
    const conditions = {
      temperatureC: read.number('temperature', -20, 60),
      substrate,
      gapMm: read.number('gap', 0, 0.5),
      primer,
    };
    const c = must(waitsFor(times, conditions, fromSheet ? 'productSheet' : 'model'));
    const range = Array.from(
      { length: 60 },
      (_, i) => 10 ** (0.3 + (i / 59) * (Math.log10(Math.max(3000, c.fullCureH * 90)) - 0.3)),
    );
    return {
      main: { label: say('Wheels and handling after'), shown: show.duration(c.fixtureMin) },
      figures: [
        { label: say('Workable, from the first bead'), shown: show.duration(c.workingWindowMin) },
        { label: say('Full cure, from the last'), shown: show.duration(c.fullCureH * 60) },
        { label: say('Against 22 °C on steel'), shown: show.plain(c.slowdown, say('× as long')) },
      ],
      remarks: c.remarks,
      drawing: (
        <WaitRule
          windowMin={c.workingWindowMin}
          fixtureMin={c.fixtureMin}
          fullMin={c.fullCureH * 60}
          label={say('Working window, fixture and full cure on one rule')}
        />
      ),
      chart: (
        <Curve
          label={say('Strength over time')}
          xLabel={say('time since the parts met')}
          yLabel={say('strength, % of full')}
          log
          xTicks={[
            { at: 2, text: '2 min' },
            { at: 10, text: '10' },
            { at: 30, text: '30' },
            { at: 120, text: '2 h' },
            { at: 480, text: '8 h' },
            { at: 1440, text: '1 d' },
            { at: 4320, text: '3 d' },
            { at: 14400, text: '10 d' },
          ].filter(({ at }) => at <= (range.at(-1) ?? 0))}
          series={[
            { key: 'now', label: say('here'), points: range.map((t) => [t, 100 * strengthShare(t, c)]) },
            {
              key: 'steel',
              label: say('22 °C on plain steel'),
              tone: 'faint',
              dashed: true,
              points: range.map((t) => [t, 100 * strengthShare(t, times)]),
            },
          ]}
          limits={[
            { x: c.fixtureMin, text: say('fixture') },
            { x: c.fullCureH * 60, text: say('full cure') },
          ]}
        />
      ),
      summary: say(
        '{which} at {threeFigures} °C on {substrate}{which2}: workable {inLine}, fixture {inLine2}, full {inLine3} ({which3})',
        {
          which: product === 'threadlockerMedium' ? say('Medium locker') : product,
          threeFigures: threeFigures(conditions.temperatureC),
          substrate,
          which2: primer ? say(' with primer') : '',
          inLine: inLine(show.duration(c.workingWindowMin)),
          inLine2: inLine(show.duration(c.fixtureMin)),
          inLine3: inLine(show.duration(c.fullCureH * 60)),
          which3: fromSheet ? say('sheet and model') : 'model',
        },
      ),
    };
  },
  sources: [
    { what: say('Twice as long for 10 K colder'), where: say('rule of thumb for reaction rates') },
    {
      what: say('Factors of metal, gap and primer'),
      where: say('chosen by us after what product sheets commonly show'),
    },
    { what: say('The window is never lengthened'), where: say('chosen by us: the safe side') },
  ],
};
