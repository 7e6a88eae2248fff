import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { drillFor } from '#core/bench/drill.ts';
import type { ClearanceFit } from '#core/fastener/clearance-hole.ts';
import { type DrillSeries, nearestDrill } from '#core/fastener/drill-size.ts';
import { overMinorMm, threadHeightShare } from '#core/fastener/tap-drill.ts';
import { minorDiameterMm } from '#core/fastener/thread.ts';
import type { BenchTool } from '../bench-tool.ts';
import { HoleRings } from '../drawing/HoleRings.tsx';
import { inLine } from '../show-figure.ts';

const SERIES: ReadonlyArray<[DrillSeries, string]> = [
  ['metric', say('Metric')],
  ['fraction', say('Fraction')],
  ['number', say('Number')],
  ['letter', say('Letter')],
];

const bySize = (diameterMm: number) => ({ name: nearestDrill(diameterMm).drill.name, diameterMm });

/** Which drill for tapping, passing, an insert, or a bare size. */
export const DRILL: BenchTool = {
  id: 'drill',
  title: say('Which drill'),
  says: say('Tap drill, clearance hole, pilot, and the nearest of every drill series.'),
  example: 'which drill 3/8-16',
  words: ['drill', 'tap', 'tapping', 'clearance', 'pilot', 'hole', 'bit', 'number drill', 'letter drill', 'chase'],
  takes: ['size'],
  fields: [
    { key: 'thread', label: say('Thread'), initial: 'M10', kind: 'text' },
    {
      key: 'purpose',
      label: say('Drilled to'),
      initial: 'tap',
      kind: 'choice',
      options: [
        { value: 'tap', label: say('Cut this thread') },
        { value: 'clearance', label: say('Pass the bolt') },
        { value: 'insert', label: say('Take a wire insert') },
        { value: 'size', label: say('A bare size') },
      ],
    },
    {
      key: 'fit',
      label: say('Hole'),
      initial: 'medium',
      kind: 'choice',
      when: (values) => values.purpose === 'clearance',
      options: [
        { value: 'fine', label: say('Fine') },
        { value: 'medium', label: say('Medium') },
        { value: 'coarse', label: say('Coarse') },
      ],
    },
    {
      key: 'size',
      label: say('Size'),
      initial: '8.5',
      kind: 'number',
      unit: 'mm',
      when: (values) => values.purpose === 'size',
    },
    {
      key: 'have',
      label: say('Drill at hand'),
      initial: '',
      kind: 'number',
      unit: 'mm',
      hint: say('empty: not asked'),
    },
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
      { text: `${name}${purpose === 'tap' ? say(', tap drill') : ''}`, diameterMm: mm, kind: 'cut' as const },
      ...(purpose === 'size'
        ? []
        : [
            {
              text: say('{designation}, over the crests', { designation: thread.designation }),
              diameterMm: thread.nominalMm,
              kind: 'thread' as const,
            },
          ]),
      ...(purpose === 'tap'
        ? [
            {
              text: say('smallest inside of the nut thread'),
              diameterMm: minorDiameterMm(thread.nominalMm, thread.pitchMm),
              kind: 'faint' as const,
            },
          ]
        : []),
    ];
    return {
      main: { label: say('Drill', {}, 'tool'), shown: show.text(name) },
      figures: [
        { label: say('Diameter'), shown: show.length(mm) },
        ...(purpose === 'size'
          ? []
          : [{ label: say('Pilot'), shown: show.text(answer.pilot ?? 'none: drill it at once') }]),
        ...(purpose === 'tap'
          ? [
              { label: say('Of full thread'), shown: show.percent(threadHeightShare(thread, mm)) },
              { label: say('Over the smallest inside'), shown: show.length(overMinorMm(thread, mm)) },
            ]
          : []),
      ],
      remarks,
      drawing: <HoleRings rings={rings} label={say('{name} drill against the thread', { name })} />,
      table: {
        head: [say('Series'), say('Nearest'), say('Diameter'), say('Off')],
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
          ? say('{inLine}: nearest drill {name}', { inLine: inLine(show.length(mm)), name })
          : say('{designation}, to {purpose}: {name} ({inLine})', {
              designation: thread.designation,
              purpose,
              name,
              inLine: inLine(show.length(mm)),
            }),
    };
  },
  sources: [
    { what: say('Tap drills'), where: 'ISO 2306; handbook table of about 75 % for inch threads' },
    { what: say('Clearance holes'), where: 'ISO 273; ASME B18.2.8' },
    { what: say('Share of full thread'), where: 'Machinery’s Handbook' },
    { what: say('Pilot of a third'), where: say('common practice, no source') },
  ],
};
