import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { CLUE_TEXT } from '#contract/wording/en/bench.ts';
import { inputFaultText } from '#contract/wording/input-fault-text.ts';
import { identified } from '#core/bench/identify.ts';
import type { Measured, SurfaceCoat } from '#core/fastener/identify.ts';
import { showInchFraction } from '#core/quantity/display.ts';
import type { BenchTool } from '../bench-tool.ts';
import { ThreadCombs } from '../drawing/ThreadCombs.tsx';

const COATS: ReadonlyArray<{ value: SurfaceCoat; label: string }> = [
  { value: 'plain', label: 'Bare or black' },
  { value: 'zincPlated', label: 'Zinc plated' },
  { value: 'zincFlake', label: 'Zinc flake' },
  { value: 'hotDip', label: 'Hot-dip galvanised' },
  { value: 'painted', label: 'Painted' },
];

/** What a bolt or nut is, from what was measured on it. */
export const IDENTIFY: BenchTool = {
  id: 'identify',
  title: 'What is this bolt?',
  says: 'From a caliper, a pitch gauge or the socket that fits: the nearest metric and inch threads.',
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
    { key: 'major', label: 'Over the crests', initial: '9.85', kind: 'number', unit: 'mm' },
    {
      key: 'pitch',
      label: 'Pitch',
      initial: '1.5',
      kind: 'number',
      unit: 'mm',
      hint: 'mm, or one over the threads per inch: 1/16 in',
    },
    { key: 'flats', label: 'Socket or key that fits', initial: '', kind: 'number', unit: 'mm' },
    { key: 'hole', label: 'Plain hole it passes', initial: '', kind: 'number', unit: 'mm' },
    { key: 'minor', label: 'Inside of a nut', initial: '', kind: 'number', unit: 'mm' },
    { key: 'coat', label: 'On its surface', initial: 'plain', kind: 'choice', options: COATS, assumption: true },
    { key: 'worn', label: 'Worn off the crests', initial: '0', kind: 'number', unit: 'mm', assumption: true },
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
      throw new CalcRefusal({ ...inputFaultText(found.error), field: 'major', reason: 'measure at least one thing' });
    const { candidates, pipes, sure, widths = [], remarks } = found.value;
    const [best] = candidates;
    const [pipe] = pipes;
    // Something speaks against every bolt, and nothing against a pipe thread.
    const isPipe = pipe !== undefined && (best === undefined || best.votesAgainst.length > 0);
    if (!best && !pipe) throw new CalcRefusal({ field: 'major', reason: 'no standard thread comes near these sizes' });
    const off = (mm?: number) => {
      if (mm === undefined) return '–';
      const size = Math.abs(mm).toFixed(2);
      return `${Number(size) === 0 ? '' : mm > 0 ? '+' : '−'}${size} mm`;
    };
    return {
      main: isPipe
        ? { label: 'A pipe thread, no bolt', shown: show.text(pipe.pipe.designation) }
        : { label: sure ? 'It is' : 'Nearest', shown: show.text(best?.thread.designation ?? '–') },
      figures: [
        ...(best && !isPipe
          ? [
              { label: 'Series', shown: show.text(best.thread.series) },
              { label: 'Nominal diameter', shown: show.length(best.thread.nominalMm) },
              { label: 'Pitch', shown: show.length(best.thread.pitchMm) },
            ]
          : []),
        ...(pipe && isPipe ? [{ label: 'Pitch', shown: show.length(pipe.pipe.pitchMm) }] : []),
        ...widths.slice(0, 2).map((width) => ({
          label: width.fits ? 'This tool goes on' : 'Nearest tool, does not fit',
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
          label="Profiles of the nearest threads under one another"
        />
      ),
      table: {
        head: ['Thread', 'Diameter off', 'Pitch off', 'Head with that socket', 'Against'],
        rows: [
          ...pipes.map(({ pipe: { designation, pitchMm, crests, taper } }) => ({
            key: designation,
            strong: isPipe && designation === pipe?.pipe.designation,
            cells: [
              `${designation}, pipe`,
              `of ${crests.minMm.toFixed(2)} – ${crests.maxMm.toFixed(2)}`,
              off(measured.pitchMm === undefined ? undefined : measured.pitchMm - pitchMm),
              taper ? 'tapered' : 'parallel',
              'it is no bolt',
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
      summary: `Measured ${Object.entries(measured)
        .filter(([, value]) => value !== undefined)
        .map(([clue, value]) => `${CLUE_TEXT[clue as keyof Measured]} ${value?.toFixed(2)} mm`)
        .join(
          ', ',
        )}: ${isPipe ? `pipe thread ${pipe.pipe.designation}` : `${sure ? '' : 'nearest '}${best?.thread.designation}`}`,
    };
  },
  sources: [
    { what: 'Threads and their limits of size', where: 'ISO 261, ISO 965-1, ASME B1.1' },
    { what: 'Pipe threads', where: 'ISO 228-1, ISO 7-1, ASME B1.20.1' },
    { what: 'Widths of heads and nuts', where: 'ISO 4014 and its kin, DIN 931, ASME B18.2.1; docs/formulas.md' },
    { what: 'How far a caliper and a gauge can be trusted', where: 'chosen by us: 0.15 mm, 0.03 mm, sockets 0.15 mm' },
  ],
};
