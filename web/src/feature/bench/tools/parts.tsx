import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { remarkText } from '#contract/wording/remark-text.ts';
import { say } from '#contract/wording/say.ts';
import { remarkTone } from '#core/bench/remark.ts';
import { headsFor, threadSizes, toolsFit, washersFor } from '#core/bench/sizes.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import type { BenchTool } from '../bench-tool.ts';
import { HoleRings } from '../drawing/HoleRings.tsx';
import { figureWriter, inLine } from '../show-figure.ts';

/** Thread, heads, nuts, washers and holes of a size. */
export const PARTS_TOOL: BenchTool = {
  id: 'parts',
  title: say('Thread, heads and washers'),
  says: say(
    'Every size that belongs to a thread: pitch, limits, sockets, washers, holes. And whether a tool named for it can be right.',
  ),
  example: 'sizes m10 x 1.25',
  words: [
    'sizes',
    'thread',
    'head',
    'nut',
    'washer',
    'socket',
    'spanner',
    'across flats',
    'pitch',
    'limits',
    'stress area',
  ],
  takes: ['socket'],
  fields: [
    { key: 'thread', label: say('Thread'), initial: 'M10', kind: 'text' },
    { key: 'socket', label: say('Sheet names a socket'), initial: '', kind: 'number', unit: 'mm' },
    { key: 'drill', label: say('Sheet names a hole'), initial: '', kind: 'number', unit: 'mm' },
    { key: 'tap', label: say('Sheet names a tap drill'), initial: '', kind: 'number', unit: 'mm' },
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const sizes = threadSizes(thread);
    const { limits } = sizes;
    const named = {
      acrossFlatsMm: read.optional('socket', 1, 100),
      clearanceDrillMm: read.optional('drill', 0.5, 100),
      tapDrillMm: read.optional('tap', 0.5, 100),
    };
    const remarks = toolsFit(thread, named);
    const wrong = remarks.filter((remark) => remarkTone(remark) === 'bad');
    const heads = headsFor(thread);
    if (heads.length === 0 && !limits)
      throw new CalcRefusal({ field: 'thread', reason: say('no table lists this size') });
    const hole = sizes.clearanceHoleMm.medium;
    return {
      main: {
        label: say('Socket for the usual head'),
        shown: headDimension(usualHead(thread), thread)
          ? show.length(headDimension(usualHead(thread), thread)?.acrossFlatsMm ?? 0)
          : show.text('not listed'),
      },
      figures: [
        { label: say('Pitch'), shown: show.length(thread.pitchMm) },
        {
          label: say('Pitch diameter'),
          shown: show.text(sizes.pitchDiameterMm.toFixed(3), 'mm'),
        },
        {
          label: say('Inside of the nut'),
          shown: show.text(sizes.minorDiameterMm.toFixed(3), 'mm'),
        },
        { label: say('Stress area'), shown: show.text(sizes.stressAreaMm2.toFixed(1), 'mm²') },
        ...(hole === undefined ? [] : [{ label: say('Clearance hole, medium'), shown: show.length(hole) }]),
        ...(limits
          ? [
              {
                label: say('Over the crests, {externalClass}', { externalClass: limits.externalClass }),
                shown: show.text(
                  `${limits.external.major.minMm.toFixed(3)} – ${limits.external.major.maxMm.toFixed(3)}`,
                  'mm',
                ),
              },
            ]
          : []),
        ...(limits
          ? [
              {
                label: say('Inside, {internalClass}', { internalClass: limits.internalClass }),
                shown: show.text(
                  `${limits.internal.minor.minMm.toFixed(3)} – ${limits.internal.minor.maxMm.toFixed(3)}`,
                  'mm',
                ),
              },
            ]
          : []),
      ],
      remarks,
      drawing: (
        <HoleRings
          rings={[
            ...(hole === undefined
              ? []
              : [{ text: say('clearance hole, medium'), diameterMm: hole, kind: 'faint' as const }]),
            { text: say('over the crests'), diameterMm: thread.nominalMm, kind: 'thread' as const },
            {
              text: say('inside of the nut'),
              diameterMm: sizes.minorDiameterMm,
              kind: 'cut' as const,
            },
          ]}
          label={say('{designation}: hole, crests and root', { designation: thread.designation })}
        />
      ),
      table: {
        head: [say('Standard'), say('Socket or key'), say('Bearing face'), say('Height')],
        rows: [
          ...heads.map(({ standard, head }) => ({
            key: standard,
            strong: standard === usualHead(thread),
            cells: [
              standard,
              inLine(show.length(head.acrossFlatsMm)),
              inLine(show.length(head.bearingMm)),
              inLine(show.length(head.heightMm)),
            ],
          })),
          ...washersFor(thread).map(({ standard, washer }) => ({
            key: standard,
            cells: [
              say('Washer {standard}', { standard }),
              say('inside {inLine}', { inLine: inLine(show.length(washer.insideMm)) }),
              say('outside {inLine}', { inLine: inLine(show.length(washer.outsideMm)) }),
              inLine(show.length(washer.thicknessMm)),
            ],
          })),
        ],
      },
      summary: `${thread.designation}: ${wrong[0] ? remarkText(wrong[0], figureWriter(show)) : say('{count} heads and nuts listed', { count: heads.length })}`,
    };
  },
  sources: [
    { what: say('Threads and limits'), where: 'ISO 261, ISO 724, ISO 965-1; ASME B1.1' },
    {
      what: say('Heads, nuts, washers, holes'),
      where: say('the standards named in the table; entered from memory, see docs/formulas.md'),
    },
  ],
};
