import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { turnByAngle } from '#core/bench/angle.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import {
  boltMaterial,
  type JointGeometry,
  jointStiffness,
  type PartMaterial,
} from '#core/tightening/joint-stiffness.ts';
import type { Roughness } from '#core/tightening/settling.ts';
import { evenFriction, finishFriction, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { JointSection } from '../drawing/JointSection.tsx';
import { inLine, threeFigures } from '../show-figure.ts';
import { classField, finishField, headField, holeField, intoField, PARTS, threadField, VDI } from './joint-fields.ts';

/** Turning by angle: the load per degree, the yield point, settling. */
export const ANGLE: BenchTool = {
  id: 'angle',
  title: say('Torque and angle'),
  says: say('Load per degree from the stiffness of bolt and parts, the yield point, and what settling costs.'),
  example: 'angle m12 90',
  words: ['angle', 'degrees', 'turn', 'stiffness', 'yield', 'settling', 'relaxation', 'stretch', 'torque angle'],
  takes: ['angle', 'snug'],
  fields: [
    threadField,
    classField,
    finishField('finish', say('On the thread'), 'oiled'),
    { key: 'snug', label: say('Snug to'), initial: '30', kind: 'number', unit: 'N·m' },
    { key: 'angle', label: say('Then turn'), initial: '90', kind: 'number', unit: '°' },
    { key: 'grip', label: say('Clamped length'), initial: '30', kind: 'number', unit: 'mm' },
    { key: 'part', label: say('Parts'), initial: 'steel', kind: 'choice', options: PARTS },
    intoField,
    { key: 'extension', label: say('Extension'), initial: '0', kind: 'number', unit: 'mm' },
    { key: 'shank', label: say('Plain shank in the grip'), initial: '0', kind: 'number', unit: 'mm', assumption: true },
    {
      key: 'width',
      label: say('Part around the bolt'),
      initial: '',
      kind: 'number',
      unit: 'mm',
      assumption: true,
      hint: say('three bearing faces when empty'),
    },
    { key: 'interfaces', label: say('Faces between parts'), initial: '1', kind: 'number', assumption: true },
    {
      key: 'roughness',
      label: say('Surfaces'),
      initial: 'medium',
      kind: 'choice',
      assumption: true,
      options: [
        { value: 'fine', label: say('Ground') },
        { value: 'medium', label: say('Machined') },
        { value: 'coarse', label: say('As rolled or painted') },
      ],
    },
    headField,
    holeField,
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const strength = read.strength(thread);
    const face = read.face(thread);
    const mu = finishFriction(read.choice<ThreadFinish>('finish')).usual;
    const into = read.choice<JointGeometry['into']>('into');
    const gripMm = read.number('grip', 1, 500);
    const head = headDimension((read.text('head') || usualHead(thread)) as never, thread);
    const stiffness = must(
      jointStiffness({
        thread,
        gripMm,
        shankMm: read.number('shank', 0, gripMm),
        bearingMm: face.outsideMm,
        holeMm: face.holeMm,
        partDiameterMm: read.optional('width', face.holeMm, 2000) ?? 3 * face.outsideMm,
        part: read.choice<PartMaterial>('part'),
        bolt: boltMaterial(strength),
        head: head?.grip === 'socket' ? 'socket' : 'hexagon',
        into,
      }),
    );
    const snugNm = read.number('snug', 0, 2000);
    const turnDeg = read.number('angle', 1, 720);
    const joint = { thread, yieldMpa: strength.yieldMpa, friction: evenFriction(mu), face };
    const extensionMm = read.number('extension', 0, 2000);
    const turned = must(
      turnByAngle({
        joint,
        stiffness,
        snugNm,
        turnDeg,
        roughness: read.choice<Roughness>('roughness'),
        interfaces: read.number('interfaces', 0, 20),
        into: into === 'nut' ? 'nut' : 'tapped',
        extensionMm,
        extensionBarMm: 16,
      }),
    );
    const { curve, end, settled, pastYield: past } = turned;
    return {
      main: {
        label: past ? say('Load, past yield (schematic)') : say('Load after the turn'),
        shown: show.force(end.preloadN),
      },
      figures: [
        { label: say('Torque there'), shown: show.torque(end.torqueNm) },
        { label: say('Gained per 10°'), shown: show.force(curve.nPerDeg * 10) },
        { label: say('Yields after'), shown: show.angle(curve.yieldPoint.angleDeg) },
        { label: say('Load at yield'), shown: show.force(curve.yieldPoint.preloadN) },
        { label: say('Settling'), shown: show.plain(settled.settlingUm, 'µm') },
        { label: say('Costs'), shown: show.force(settled.lossN) },
        {
          label: say('Bolt gives, of the whole'),
          shown: show.percent(stiffness.boltMmPerN / (stiffness.boltMmPerN + stiffness.partsMmPerN)),
        },
        ...(extensionMm > 0 ? [{ label: say('Extension twists'), shown: show.angle(turned.twistDeg) }] : []),
      ],
      remarks: turned.remarks,
      drawing: (
        <JointSection
          diameterMm={thread.nominalMm}
          bearingMm={face.outsideMm}
          holeMm={face.holeMm}
          headMm={head?.heightMm ?? 0.65 * thread.nominalMm}
          gripMm={gripMm}
          engagedMm={into === 'nut' ? 0.85 * thread.nominalMm : 1.2 * thread.nominalMm}
          into={into === 'nut' ? 'nut' : 'tapped'}
          coneSlope={0.45}
          label={say('{designation} clamping {gripMm} mm, in section', { designation: thread.designation, gripMm })}
        />
      ),
      chart: (
        <Curve
          label={say('Load over angle')}
          xLabel={say('degrees after snug')}
          yLabel={say('load, kN')}
          series={[
            { key: 'load', label: say('load'), points: curve.points.map((p) => [p.angleDeg, p.preloadN / 1000]) },
          ]}
          limits={[{ x: curve.yieldPoint.angleDeg, text: say('yields'), bad: true }]}
          marks={[{ x: end.angleDeg, y: end.preloadN / 1000, text: `${threeFigures(turnDeg)}°` }]}
        />
      ),
      summary: say('{designation} {propertyClass}, {inLine} then {threeFigures}°: {inLine2}{which}', {
        designation: thread.designation,
        propertyClass: strength.propertyClass,
        inLine: inLine(show.torque(snugNm)),
        threeFigures: threeFigures(turnDeg),
        inLine2: inLine(show.force(end.preloadN)),
        which: past ? say(', past yield') : '',
      }),
    };
  },
  sources: [
    { what: say('Resilience of bolt and clamped parts, pressure cone'), where: `${VDI}, 5.1` },
    { what: say('Load per degree P/360/(δS + δP)'), where: `${VDI}, 5.4.2` },
    { what: say('Settling'), where: `${VDI}, table 5` },
    {
      what: say('Twist of an extension of 16 mm bar'),
      where: say('strength of materials; bar diameter: common practice'),
    },
  ],
};
