import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { CLUE_TEXT } from '#contract/wording/en/bench.ts';
import { inputFaultText } from '#contract/wording/input-fault-text.ts';
import { say } from '#contract/wording/say.ts';
import { identified } from '#core/bench/identify.ts';
import type { Measured, SurfaceCoat } from '#core/fastener/identify.ts';
import { showInchFraction, written } from '#core/quantity/display.ts';
import type { BenchTool } from '../bench-tool.ts';
import { ThreadCombs } from '../drawing/ThreadCombs.tsx';

const COATS: ReadonlyArray<{ value: SurfaceCoat; label: string }> = [
  { value: 'plain', label: say('Bare or black') },
  { value: 'zincPlated', label: say('Zinc plated') },
  { value: 'zincFlake', label: say('Zinc flake') },
  { value: 'hotDip', label: say('Hot-dip galvanised') },
  { value: 'painted', label: say('Painted') },
];

/** What a bolt or nut is, from what was measured on it. */
export const IDENTIFY: BenchTool = {
  id: 'identify',
  title: say('What is this bolt?'),
  says: say('From a caliper, a pitch gauge or the socket that fits: the nearest metric and inch threads.'),
  example: 'measured 9.85 1.5',
  words: [
    'identify',
    'what',
    'measured',
    'caliper',
    'pitch',
    'unknown',
    'bolt',
    'size',
    'socket',
    'inch or metric',
    'look-alike',
  ],
  wide: true,
  takes: ['major', 'pitch', 'flats'],
  fields: [
    { key: 'major', label: say('Over the crests'), initial: '9.85', kind: 'number', unit: 'mm' },
    {
      key: 'pitch',
      label: say('Pitch'),
      initial: '1.5',
      kind: 'number',
      unit: 'mm',
      hint: say('mm, or one over the threads per inch: 1/16 in'),
    },
    { key: 'flats', label: say('Socket or key that fits'), initial: '', kind: 'number', unit: 'mm' },
    { key: 'hole', label: say('Plain hole it passes'), initial: '', kind: 'number', unit: 'mm' },
    { key: 'minor', label: say('Inside of a nut'), initial: '', kind: 'number', unit: 'mm' },
    { key: 'coat', label: say('On its surface'), initial: 'plain', kind: 'choice', options: COATS, assumption: true },
    { key: 'worn', label: say('Worn off the crests'), initial: '0', kind: 'number', unit: 'mm', assumption: true },
  ],
  answer(read) {
    const { show } = read;
    const measured = {
      majorMm: read.optional('major', 1, 80),
      pitchMm: read.optional('pitch', 0.2, 8),
      acrossFlatsMm: read.optional('flats', 1, 80),
      holeMm: read.optional('hole', 1, 80),
      minorMm: read.optional('minor', 1, 80),
    };
    const surface = { coat: read.choice<SurfaceCoat>('coat'), wornMm: read.number('worn', 0, 1) };
    const found = identified(measured, surface);
    if (!found.ok)
      throw new CalcRefusal({
        ...inputFaultText(found.error),
        field: 'major',
        reason: say('measure at least one thing'),
      });
    const { candidates, pipes, sure, widths = [], remarks } = found.value;
    const [best] = candidates;
    const [pipe] = pipes;
    // Something speaks against every bolt, and nothing against a pipe thread.
    const isPipe = pipe !== undefined && (best === undefined || best.votesAgainst.length > 0);
    if (!best && !pipe)
      throw new CalcRefusal({ field: 'major', reason: say('no standard thread comes near these sizes') });
    const off = (mm?: number) => {
      if (mm === undefined) return '–';
      const size = Math.abs(mm).toFixed(2);
      return `${Number(size) === 0 ? '' : mm > 0 ? '+' : '−'}${size} mm`;
    };
    return {
      main: isPipe
        ? { label: say('A pipe thread, no bolt'), shown: show.text(pipe.pipe.designation) }
        : { label: sure ? say('It is') : say('Nearest'), shown: show.text(best?.thread.designation ?? '–') },
      figures: [
        ...(best && !isPipe
          ? [
              { label: say('Series'), shown: show.text(best.thread.series) },
              { label: say('Nominal diameter'), shown: show.length(best.thread.nominalMm) },
              { label: say('Pitch'), shown: show.length(best.thread.pitchMm) },
            ]
          : []),
        ...(pipe && isPipe ? [{ label: say('Pitch'), shown: show.length(pipe.pipe.pitchMm) }] : []),
        ...widths.slice(0, 2).map((width) => ({
          label: width.fits ? say('This tool goes on') : say('Nearest tool, does not fit'),
          shown: show.text(
            width.inch ? `${showInchFraction(width.widthMm)} in` : `${width.widthMm} mm`,
            off(width.differenceMm),
          ),
        })),
      ],
      remarks,
      drawing: (
        <ThreadCombs
          combs={[
            ...pipes.slice(0, 1).map(({ pipe: { designation, pitchMm, crests } }) => ({
              name: designation,
              pitchMm,
              diameterMm: crests.maxMm,
            })),
            ...candidates.map(({ thread }) => ({
              name: thread.designation,
              pitchMm: thread.pitchMm,
              diameterMm: thread.nominalMm,
            })),
          ]}
          measuredPitchMm={measured.pitchMm}
          label={say('Profiles of the nearest threads under one another')}
        />
      ),
      table: {
        head: [say('Thread'), say('Diameter off'), say('Pitch off'), say('Head with that socket'), say('Against')],
        rows: [
          ...pipes.map(({ pipe: { designation, pitchMm, crests, taper } }) => ({
            key: designation,
            strong: isPipe && designation === pipe?.pipe.designation,
            cells: [
              say('{designation}, pipe', { designation }),
              say('of {minMm} – {maxMm}', { minMm: written(crests.minMm, 2), maxMm: written(crests.maxMm, 2) }),
              off(measured.pitchMm === undefined ? undefined : measured.pitchMm - pitchMm),
              taper ? 'tapered' : 'parallel',
              say('it is no bolt'),
            ],
          })),
          ...candidates.map((entry, index) => ({
            key: entry.thread.designation,
            strong: index === 0 && !isPipe,
            cells: [
              entry.thread.designation,
              off(entry.majorOffMm),
              off(entry.pitchOffMm),
              entry.heads.join(', ') || '–',
              entry.votesAgainst.map((clue) => CLUE_TEXT[clue as keyof Measured]).join(', ') || 'nothing',
            ],
          })),
        ],
      },
      summary: say('Measured {entries}: {which}', {
        entries: Object.entries(measured)
          .filter(([, value]) => value !== undefined)
          .map(([clue, value]) => `${CLUE_TEXT[clue as keyof Measured]} ${value?.toFixed(2)} mm`)
          .join(', '),
        which: isPipe
          ? say('pipe thread {designation}', { designation: pipe.pipe.designation })
          : `${sure ? '' : 'nearest '}${best?.thread.designation}`,
      }),
    };
  },
  sources: [
    { what: say('Threads and their limits of size'), where: 'ISO 261, ISO 965-1, ASME B1.1' },
    { what: say('Pipe threads'), where: 'ISO 228-1, ISO 7-1, ASME B1.20.1' },
    { what: say('Widths of heads and nuts'), where: 'ISO 4014 and its kin, DIN 931, ASME B18.2.1; docs/formulas.md' },
    {
      what: say('How far a caliper and a gauge can be trusted'),
      where: say('chosen by us: 0.15 mm, 0.03 mm, sockets 0.15 mm'),
    },
  ],
};
