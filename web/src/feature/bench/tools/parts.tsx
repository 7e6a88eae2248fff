import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { clearanceHoleMm } from '#core/fastener/clearance-hole.ts';
import { HEAD_STANDARDS, headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { toolContradictions } from '#core/fastener/identify.ts';
import { stressAreaMm2 } from '#core/fastener/stress-area.ts';
import { minorDiameterMm, pitchDiameterMm } from '#core/fastener/thread.ts';
import { threadLimits } from '#core/fastener/thread-tolerance.ts';
import { washerDimension, washerStandards } from '#core/fastener/washer.ts';
import { unreachable } from '#core/result.ts';
import type { BenchTool, Remark } from '../bench-tool.ts';
import { HoleRings } from '../drawing/HoleRings.tsx';
import { inLine } from '../show-figure.ts';

/** Thread, heads, nuts, washers and holes of a size. */
export const PARTS_TOOL: BenchTool = {
  id: 'parts',
  title: 'Thread, heads and washers',
  says: 'Every size that belongs to a thread: pitch, limits, sockets, washers, holes. And whether a tool named for it can be right.',
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
    { key: 'thread', label: 'Thread', initial: 'M10', kind: 'text' },
    { key: 'socket', label: 'Sheet names a socket', initial: '', kind: 'number', unit: 'mm' },
    { key: 'drill', label: 'Sheet names a hole', initial: '', kind: 'number', unit: 'mm' },
    { key: 'tap', label: 'Sheet names a tap drill', initial: '', kind: 'number', unit: 'mm' },
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const limits = threadLimits(thread);
    const named = {
      acrossFlatsMm: read.optional('socket', 1, 100),
      clearanceDrillMm: read.optional('drill', 0.5, 100),
      tapDrillMm: read.optional('tap', 0.5, 100),
    };
    const wrong = toolContradictions(thread, named);
    const remarks: Remark[] = wrong.map((fault) => {
      switch (fault.code) {
        case 'widthNotOfThread':
          return {
            tone: 'bad',
            text: `No standard gives a ${fault.acrossFlatsMm.toFixed(1)} mm head to ${thread.designation} (usual: ${fault.usualMm.map((mm) => mm.toFixed(1)).join(', ')}).${fault.alsoFits.length > 0 ? ` That socket is usual for ${fault.alsoFits.slice(0, 3).join(', ')}.` : ''}`,
          };
        case 'drillBelowThread':
          return {
            tone: 'bad',
            text: `A ${fault.drillMm} mm hole passes no ${thread.designation} bolt; it needs ${fault.neededMm.toFixed(1)} mm.`,
          };
        case 'tapDrillWrong':
          return {
            tone: 'bad',
            text: `${fault.drillMm} mm is no tap drill for ${thread.designation}: ${fault.rightMm.toFixed(2)} mm.`,
          };
        default:
          return unreachable(fault);
      }
    });
    if (wrong.length === 0 && Object.values(named).some((value) => value !== undefined))
      remarks.push({ tone: 'good', text: 'The tools named belong to this thread.' });
    const heads = HEAD_STANDARDS.flatMap((standard) => {
      const head = headDimension(standard, thread);
      return head ? [{ standard, head }] : [];
    });
    if (heads.length === 0 && !limits) throw new CalcRefusal({ field: 'thread', reason: 'no table lists this size' });
    const hole = clearanceHoleMm(thread, 'medium');
    return {
      main: {
        label: 'Socket for the usual head',
        shown: headDimension(usualHead(thread.system), thread)
          ? show.length(headDimension(usualHead(thread.system), thread)?.acrossFlatsMm ?? 0)
          : show.text('not listed'),
      },
      figures: [
        { label: 'Pitch', shown: show.length(thread.pitchMm) },
        {
          label: 'Pitch diameter',
          shown: show.text(pitchDiameterMm(thread.nominalMm, thread.pitchMm).toFixed(3), 'mm'),
        },
        {
          label: 'Inside of the nut',
          shown: show.text(minorDiameterMm(thread.nominalMm, thread.pitchMm).toFixed(3), 'mm'),
        },
        { label: 'Stress area', shown: show.text(stressAreaMm2(thread).toFixed(1), 'mm²') },
        ...(hole === undefined ? [] : [{ label: 'Clearance hole, medium', shown: show.length(hole) }]),
        ...(limits
          ? [
              {
                label: `Over the crests, ${limits.externalClass}`,
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
                label: `Inside, ${limits.internalClass}`,
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
              : [{ text: 'clearance hole, medium', diameterMm: hole, kind: 'faint' as const }]),
            { text: 'over the crests', diameterMm: thread.nominalMm, kind: 'thread' as const },
            {
              text: 'inside of the nut',
              diameterMm: minorDiameterMm(thread.nominalMm, thread.pitchMm),
              kind: 'cut' as const,
            },
          ]}
          label={`${thread.designation}: hole, crests and root`}
        />
      ),
      table: {
        head: ['Standard', 'Socket or key', 'Bearing face', 'Height'],
        rows: [
          ...heads.map(({ standard, head }) => ({
            key: standard,
            strong: standard === usualHead(thread.system),
            cells: [
              standard,
              inLine(show.length(head.acrossFlatsMm)),
              inLine(show.length(head.bearingMm)),
              inLine(show.length(head.heightMm)),
            ],
          })),
          ...washerStandards(thread.system).flatMap((standard) => {
            const washer = washerDimension(standard, thread);
            return washer
              ? [
                  {
                    key: standard,
                    cells: [
                      `Washer ${standard}`,
                      `inside ${inLine(show.length(washer.insideMm))}`,
                      `outside ${inLine(show.length(washer.outsideMm))}`,
                      inLine(show.length(washer.thicknessMm)),
                    ],
                  },
                ]
              : [];
          }),
        ],
      },
      summary: `${thread.designation}: ${wrong.length > 0 ? remarks[0]?.text : `${heads.length} heads and nuts listed`}`,
    };
  },
  sources: [
    { what: 'Threads and limits', where: 'ISO 261, ISO 724, ISO 965-1; ASME B1.1' },
    {
      what: 'Heads, nuts, washers, holes',
      where: 'the standards named in the table; entered from memory, see docs/formulas.md',
    },
  ],
};
