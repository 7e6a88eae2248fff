import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { ALL_FINISHES, finishChange } from '#core/bench/finish.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { type FrictionSource, finishFriction, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { JointSection } from '../drawing/JointSection.tsx';
import { inLine, threeFigures } from '../show-figure.ts';
import { classField, finishField, headField, holeField, threadField, VDI } from './joint-fields.ts';

/** What a change on the thread does, at equal torque and at equal preload. */
export const FINISH: BenchTool = {
  id: 'finish',
  title: say('What a change on the thread does'),
  says: say('Dry to oiled to anti-seize to locker: the load at the same torque, the torque for the same load.'),
  example: 'm10 49 nm dry to anti-seize',
  words: [
    'lubricate',
    'lubricant',
    'oil',
    'oiled',
    'dry',
    'anti-seize',
    'antiseize',
    'locker',
    'plated',
    'stainless',
    'zinc',
    'change',
  ],
  takes: ['torque'],
  fields: [
    threadField,
    classField,
    { key: 'torque', label: say('Torque printed'), initial: '49', kind: 'number', unit: 'N·m' },
    finishField('from', say('Printed for'), 'dry'),
    finishField('to', say('Now on the thread'), 'antiSeize'),
    {
      key: 'fromMu',
      label: say('Friction it was printed for'),
      initial: '',
      kind: 'number',
      assumption: true,
      hint: say('of the finish when empty'),
    },
    {
      key: 'toMu',
      label: say('Friction now'),
      initial: '',
      kind: 'number',
      assumption: true,
      hint: say('of the finish when empty'),
    },
    { key: 'prevailing', label: say('Locking nut drags'), initial: '0', kind: 'number', unit: 'N·m', assumption: true },
    headField,
    holeField,
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const strength = read.strength(thread);
    const face = read.face(thread);
    const torqueNm = read.number('torque', 0.01, 5000);
    const prevailingNm = read.number('prevailing', 0, 500);
    if (torqueNm <= prevailingNm)
      throw new CalcRefusal({
        field: 'torque',
        reason: say('is less than the locking nut drags: it does not turn it'),
      });
    // A coefficient that somebody measured or was told goes before the finish's.
    const from: FrictionSource = read.optional('fromMu', 0, 1) ?? read.choice<ThreadFinish>('from');
    const to: FrictionSource = read.optional('toMu', 0, 1) ?? read.choice<ThreadFinish>('to');
    const { outcomes: rows, remarks } = finishChange<FrictionSource>(
      { thread, strength, face, prevailingNm },
      torqueNm,
      from,
      [...new Set<FrictionSource>([from, to, ...ALL_FINISHES])],
      to,
    );
    const now = rows.find((row) => row.finish === to);
    const meant = rows.find((row) => row.finish === from);
    if (!now || !meant) throw new Error('every finish has its row');
    const label = (source: FrictionSource) =>
      typeof source === 'number' ? `µ ${source}` : finishFriction(source).label;
    const head = headDimension((read.text('head') || usualHead(thread)) as never, thread);
    const order = [...rows].sort((a, b) => a.friction.usual - b.friction.usual);
    return {
      main: { label: say('For the load that was meant'), shown: show.torque(now.atEqualPreloadNm) },
      figures: [
        { label: say('Load that was meant'), shown: show.force(meant.atEqualTorqueN.usual) },
        { label: say('Load at the printed torque'), shown: show.force(now.atEqualTorqueN.usual) },
        { label: say('That is'), shown: show.percent(now.preloadRatio) },
        { label: say('At most, of proof'), shown: show.percent(now.worstProofShare) },
      ],
      remarks,
      drawing: (
        <JointSection
          diameterMm={thread.nominalMm}
          bearingMm={face.outsideMm}
          holeMm={face.holeMm}
          headMm={head?.heightMm ?? 0.65 * thread.nominalMm}
          gripMm={2.5 * thread.nominalMm}
          engagedMm={0.85 * thread.nominalMm}
          into="nut"
          label={say('{designation} in section', { designation: thread.designation })}
        />
      ),
      chart: (
        <Curve
          label={say('Load at the printed torque over friction')}
          xLabel={say('coefficient of friction')}
          yLabel={say('load at the printed torque, kN')}
          series={[
            {
              key: 'load',
              label: say('load'),
              points: order.map((row) => [row.friction.usual, row.atEqualTorqueN.usual / 1000]),
            },
          ]}
          marks={[
            { x: meant.friction.usual, y: meant.atEqualTorqueN.usual / 1000, text: label(from) },
            { x: now.friction.usual, y: now.atEqualTorqueN.usual / 1000, text: label(to) },
          ]}
          limits={[{ y: meant.atEqualTorqueN.usual / 1000, text: say('load that was meant') }]}
        />
      ),
      table: {
        head: [
          say('On the thread'),
          say('Load, same torque'),
          say('of meant'),
          say('Torque, same load'),
          say('most, of proof'),
        ],
        rows: order.map((row) => ({
          key: String(row.finish),
          strong: row.finish === to || row.finish === from,
          cells: [
            label(row.finish),
            inLine(show.force(row.atEqualTorqueN.usual)),
            `${threeFigures(row.preloadRatio * 100)} %`,
            inLine(show.torque(row.atEqualPreloadNm)),
            `${threeFigures(row.worstProofShare * 100)} %`,
          ],
        })),
      },
      summary: say(
        '{designation} {propertyClass}, {inLine} printed for {label}, now {label2}: {threeFigures} % of the load at that torque; the same load at {inLine2}',
        {
          designation: thread.designation,
          propertyClass: strength.propertyClass,
          inLine: inLine(show.torque(torqueNm)),
          label: midSentence(label(from)),
          label2: midSentence(label(to)),
          threeFigures: threeFigures(now.preloadRatio * 100),
          inLine2: inLine(show.torque(now.atEqualPreloadNm)),
        },
      ),
    };
  },
  sources: [
    { what: say('Long form of the torque, friction exchanged'), where: `${VDI}, (R13)` },
    { what: say('Friction ranges'), where: `classes of ${VDI} table A5; place in the class: common practice` },
    {
      what: say('Both readings shown, a person picks'),
      where: say('the trade cuts by 15 to 30 % or not at all; common practice, no source'),
    },
  ],
};
