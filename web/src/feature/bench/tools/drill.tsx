import { must } from '#contract/calc/joint-input.ts';
import { drillFor } from '#core/bench/drill.ts';
import type { ClearanceFit } from '#core/fastener/clearance-hole.ts';
import { type DrillSeries, nearestDrill } from '#core/fastener/drill-size.ts';
import { overMinorMm, threadHeightShare } from '#core/fastener/tap-drill.ts';
import { minorDiameterMm } from '#core/fastener/thread.ts';
import type { BenchTool } from '../bench-tool.ts';
import { HoleRings } from '../drawing/HoleRings.tsx';
import { inLine } from '../show-figure.ts';

const SERIES: ReadonlyArray<[DrillSeries, string]> = [
  ['metric', 'Metric'],
  ['fraction', 'Fraction'],
  ['number', 'Number'],
  ['letter', 'Letter'],
];

const bySize = (diameterMm: number) => ({ name: nearestDrill(diameterMm).drill.name, diameterMm });

/** Which drill for tapping, passing, an insert, or a bare size. */
export const DRILL: BenchTool = {
  id: 'drill',
  title: 'Which drill',
  says: 'Tap drill, clearance hole, pilot, and the nearest of every drill series.',
  example: 'which drill 3/8-16',
  words: ['drill', 'tap', 'tapping', 'clearance', 'pilot', 'hole', 'bit', 'number drill', 'letter drill', 'chase'],
  takes: ['size'],
  fields: [
    { key: 'thread', label: 'Thread', initial: 'M10', kind: 'text' },
    {
      key: 'purpose',
      label: 'To',
      initial: 'tap',
      kind: 'choice',
      options: [
        { value: 'tap', label: 'Cut this thread' },
        { value: 'clearance', label: 'Pass the bolt' },
        { value: 'insert', label: 'Take a wire insert' },
        { value: 'size', label: 'A bare size' },
      ],
    },
    {
      key: 'fit',
      label: 'Hole',
      initial: 'medium',
      kind: 'choice',
      when: (values) => values.purpose === 'clearance',
      options: [
        { value: 'fine', label: 'Fine' },
        { value: 'medium', label: 'Medium' },
        { value: 'coarse', label: 'Coarse' },
      ],
    },
    {
      key: 'size',
      label: 'Size',
      initial: '8.5',
      kind: 'number',
      unit: 'mm',
      when: (values) => values.purpose === 'size',
    },
    { key: 'have', label: 'Drill at hand', initial: '', kind: 'number', unit: 'mm', hint: 'empty: not asked' },
  ],
  answer(read) {
    const { show } = read;
    const purpose = read.choice<'tap' | 'clearance' | 'insert' | 'size'>('purpose');
    const thread = read.thread();
    const fit = read.choice<ClearanceFit>('fit');
    const have = read.optional('have', 0.5, 60);
    const answer =
      purpose === 'size'
        ? { ...bySize(read.number('size', 0.5, 60)), pilot: undefined, remarks: [] }
        : must(drillFor(purpose, thread, fit, have));
    const { name, diameterMm: mm, remarks } = answer;
    const rings = [
      { text: `${name}${purpose === 'tap' ? ', tap drill' : ''}`, diameterMm: mm, kind: 'cut' as const },
      ...(purpose === 'size'
        ? []
        : [{ text: `${thread.designation}, over the crests`, diameterMm: thread.nominalMm, kind: 'thread' as const }]),
      ...(purpose === 'tap'
        ? [
            {
              text: 'smallest inside of the nut thread',
              diameterMm: minorDiameterMm(thread.nominalMm, thread.pitchMm),
              kind: 'faint' as const,
            },
          ]
        : []),
    ];
    return {
      main: { label: 'Drill', shown: show.text(name) },
      figures: [
        { label: 'Diameter', shown: show.length(mm) },
        ...(purpose === 'size' ? [] : [{ label: 'Pilot', shown: show.text(answer.pilot ?? 'none: drill it at once') }]),
        ...(purpose === 'tap'
          ? [
              { label: 'Of full thread', shown: show.percent(threadHeightShare(thread, mm)) },
              { label: 'Over the smallest inside', shown: show.length(overMinorMm(thread, mm)) },
            ]
          : []),
      ],
      remarks,
      drawing: <HoleRings rings={rings} label={`${name} drill against the thread`} />,
      table: {
        head: ['Series', 'Nearest', 'Diameter', 'Off'],
        rows: SERIES.map(([series, label]) => {
          const { drill, differenceMm } = nearestDrill(mm, series);
          return {
            key: series,
            strong: drill.name === name,
            cells: [
              label,
              drill.name,
              inLine(show.length(drill.diameterMm)),
              `${differenceMm >= 0 ? '+' : '−'}${Math.abs(differenceMm).toFixed(2)} mm`,
            ],
          };
        }),
      },
      summary:
        purpose === 'size'
          ? `${inLine(show.length(mm))}: nearest drill ${name}`
          : `${thread.designation}, to ${purpose}: ${name} (${inLine(show.length(mm))})`,
    };
  },
  sources: [
    { what: 'Tap drills', where: 'ISO 2306; handbook table of about 75 % for inch threads' },
    { what: 'Clearance holes', where: 'ISO 273; ASME B18.2.8' },
    { what: 'Share of full thread', where: 'Machinery’s Handbook' },
    { what: 'Pilot of a third', where: 'common practice, no source' },
  ],
};
