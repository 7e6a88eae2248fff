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
  title: 'Wheel nut and hub stud',
  says: 'What seating a stud does to it, what the wheel nut stretches it by, and whether the nut turns it on.',
  example: 'wheel nut m12 x 1.5 120 nm',
  words: ['wheel nut', 'hub stud', 'stud seat', 'seat', 'lug', 'wheel bolt', 'cone', 'ball seat'],
  takes: ['nut', 'seating'],
  fields: [
    { ...threadField, initial: 'M12 x 1.5' },
    { ...classField, initial: '10.9' },
    { key: 'nut', label: 'Wheel nut', initial: '120', kind: 'number', unit: 'N·m' },
    {
      key: 'seating',
      label: 'Stud seated with',
      initial: '',
      kind: 'number',
      unit: 'N·m',
      hint: 'of the kit’s sheet only; empty: not known',
    },
    {
      key: 'seat',
      label: 'Seat',
      initial: '30',
      kind: 'choice',
      options: [
        { value: '30', label: 'Cone of 60°' },
        { value: '45', label: 'Ball, about 90°' },
        { value: '90', label: 'Flat, with washer' },
      ],
    },
    finishField('finish', 'On the thread', 'dry'),
    { key: 'outside', label: 'Seat, outside', initial: '20', kind: 'number', unit: 'mm', assumption: true },
    { key: 'inside', label: 'Seat, inside', initial: '14', kind: 'number', unit: 'mm', assumption: true },
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
      main: { label: 'The nut clamps with', shown: show.force(now.preloadN) },
      figures: [
        { label: 'Of proof load', shown: show.percent(now.proofShare) },
        { label: 'Of yield, torque on', shown: show.percent(now.yieldShare) },
        { label: 'Nut twists the stud with', shown: show.torque(now.nutTwistsNm) },
        ...(seatingNm === undefined
          ? []
          : [
              { label: 'Seating twists it to', shown: show.stress(now.seatingShearMpa) },
              { label: 'That is, of yield', shown: show.percent(now.seatingYieldShare) },
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
          label={`${thread.designation} wheel stud in section`}
        />
      ),
      chart: (
        <Curve
          label="Clamp load over nut torque"
          xLabel="wheel nut, N·m"
          yLabel="clamp load, kN"
          xOther={{ label: 'lbf·ft', factor: 0.7375621492772654 }}
          series={[
            { key: 'load', label: finish.label, points: grid.map((nm) => [nm, at(nm, finish.usual).preloadN / 1000]) },
          ]}
          band={{
            label: `µ ${finish.low} to ${finish.high}`,
            points: grid.map((nm) => [nm, at(nm, finish.high).preloadN / 1000, at(nm, finish.low).preloadN / 1000]),
          }}
          marks={[{ x: nutNm, y: now.preloadN / 1000, text: inLine(show.torque(nutNm)) }]}
        />
      ),
      summary: `${thread.designation} wheel stud, nut ${inLine(show.torque(nutNm))}: ${inLine(show.force(now.preloadN))}, ${threeFigures(now.proofShare * 100)} % of proof${seatingNm === undefined ? '' : `; seated with ${inLine(show.torque(seatingNm))}`}`,
    };
  },
  sources: [
    { what: 'Clamp load by the long form, on a cone by its half angle', where: `${VDI}, (R13); resolution of forces` },
    { what: 'Twist of the stud 16 T/(π d³)', where: 'strength of materials' },
    { what: 'Seated low, stretched by the nut', where: 'common practice, no source' },
  ],
};
