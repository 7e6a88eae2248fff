import { say } from '#contract/wording/say.ts';
import { wheelNut } from '#core/bench/wheel.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { studSeat } from '#core/tightening/stud-seat.ts';
import { finishFriction, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { JointSection } from '../drawing/JointSection.tsx';
import { inLine, threeFigures } from '../show-figure.ts';
import { classField, finishField, threadField, VDI } from './joint-fields.ts';

/** A hub stud's seat against its wheel nut. */
export const WHEEL: BenchTool = {
  id: 'wheel',
  title: say('Wheel nut and hub stud'),
  says: say('What seating a stud does to it, what the wheel nut stretches it by, and whether the nut turns it on.'),
  example: 'wheel nut m12 x 1.5 120 nm',
  words: ['wheel nut', 'hub stud', 'stud seat', 'seat', 'lug', 'wheel bolt', 'cone', 'ball seat'],
  takes: ['nut', 'seating'],
  fields: [
    { ...threadField, initial: 'M12 x 1.5' },
    { ...classField, initial: '10.9' },
    { key: 'nut', label: say('Wheel nut'), initial: '120', kind: 'number', unit: 'N·m' },
    {
      key: 'seating',
      label: say('Stud seated with'),
      initial: '',
      kind: 'number',
      unit: 'N·m',
      hint: say('of the kit’s sheet only; empty: not known'),
    },
    {
      key: 'seat',
      label: say('Seat'),
      initial: '30',
      kind: 'choice',
      options: [
        { value: '30', label: say('Cone of 60°') },
        { value: '45', label: say('Ball, about 90°') },
        { value: '90', label: say('Flat, with washer') },
      ],
    },
    finishField('finish', say('On the thread'), 'dry'),
    { key: 'outside', label: say('Seat, outside'), initial: '20', kind: 'number', unit: 'mm', assumption: true },
    { key: 'inside', label: say('Seat, inside'), initial: '14', kind: 'number', unit: 'mm', assumption: true },
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const strength = read.strength(thread);
    const inside = read.number('inside', thread.nominalMm * 0.9, 80);
    const face = {
      outsideMm: read.number('outside', inside + 0.5, 100),
      holeMm: inside,
      halfAngleDeg: Number(read.choice('seat')),
    };
    const nutNm = read.number('nut', 1, 1500);
    const seatingNm = read.optional('seating', 0, 500);
    const finish = finishFriction(read.choice<ThreadFinish>('finish'));
    const now = wheelNut(thread, strength, face, nutNm, seatingNm, finish.finish);
    const at = (nm: number, mu: number) => studSeat(thread, strength, seatingNm ?? 0, nm, mu, face);
    const head = headDimension(usualHead(thread), thread);
    const grid = Array.from({ length: 21 }, (_, i) => (i / 20) * nutNm * 1.4 + 0.001);
    return {
      main: { label: say('The nut clamps with'), shown: show.force(now.preloadN) },
      figures: [
        { label: say('Of proof load'), shown: show.percent(now.proofShare) },
        { label: say('Of yield, torque on'), shown: show.percent(now.yieldShare) },
        { label: say('Nut twists the stud with'), shown: show.torque(now.nutTwistsNm) },
        ...(seatingNm === undefined
          ? []
          : [
              { label: say('Seating twists it to'), shown: show.stress(now.seatingShearMpa) },
              { label: say('That is, of yield'), shown: show.percent(now.seatingYieldShare) },
            ]),
      ],
      remarks: now.remarks,
      drawing: (
        <JointSection
          diameterMm={thread.nominalMm}
          bearingMm={face.outsideMm}
          holeMm={face.holeMm}
          headMm={head?.heightMm ?? thread.nominalMm}
          gripMm={18}
          engagedMm={thread.nominalMm}
          into="tapped"
          label={say('{designation} wheel stud in section', { designation: thread.designation })}
        />
      ),
      chart: (
        <Curve
          label={say('Clamp load over nut torque')}
          xLabel={say('wheel nut, N·m')}
          yLabel={say('clamp load, kN')}
          xOther={{ label: 'lbf·ft', factor: 0.7375621492772654 }}
          series={[
            { key: 'load', label: finish.label, points: grid.map((nm) => [nm, at(nm, finish.usual).preloadN / 1000]) },
          ]}
          band={{
            label: say('µ {low} to {high}', { low: finish.low, high: finish.high }),
            points: grid.map((nm) => [nm, at(nm, finish.high).preloadN / 1000, at(nm, finish.low).preloadN / 1000]),
          }}
          marks={[{ x: nutNm, y: now.preloadN / 1000, text: inLine(show.torque(nutNm)) }]}
        />
      ),
      summary: say('{designation} wheel stud, nut {inLine}: {inLine2}, {threeFigures} % of proof{which}', {
        designation: thread.designation,
        inLine: inLine(show.torque(nutNm)),
        inLine2: inLine(show.force(now.preloadN)),
        threeFigures: threeFigures(now.proofShare * 100),
        which: seatingNm === undefined ? '' : say('; seated with {inLine}', { inLine: inLine(show.torque(seatingNm)) }),
      }),
    };
  },
  sources: [
    {
      what: say('Clamp load by the long form, on a cone by its half angle'),
      where: `${VDI}, (R13); resolution of forces`,
    },
    { what: say('Twist of the stud 16 T/(π d³)'), where: say('strength of materials') },
    { what: say('Seated low, stretched by the nut'), where: say('common practice, no source') },
  ],
};
