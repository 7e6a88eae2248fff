import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { preloadOf } from '#core/bench/preload.ts';
import { assemblyRange, jointAtWork } from '#core/bench/working-load.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import {
  boltMaterial,
  type JointGeometry,
  jointStiffness,
  type PartMaterial,
} from '#core/tightening/joint-stiffness.ts';
import { settlingLoss } from '#core/tightening/settling.ts';
import { evenFriction, finishFriction, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import type { TighteningMethod } from '#core/tightening/tightening-method.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { JointSection } from '../drawing/JointSection.tsx';
import { inLine, threeFigures } from '../show-figure.ts';
import {
  classField,
  finishField,
  headField,
  holeField,
  intoField,
  METHODS,
  PARTS,
  threadField,
  VDI,
  washerField,
  widthField,
} from './joint-fields.ts';

/** What service does to a tightened joint: clamp left, load on the bolt, fatigue, heat. */
export const LOAD: BenchTool = {
  id: 'load',
  title: say('Joint at work'),
  says: say('What is left of the clamp when the load pulls, what the bolt then carries, and whether it lasts.'),
  example: 'service load m10 6 kN',
  words: [
    'service load',
    'working load',
    'external load',
    'pull',
    'fatigue',
    'residual clamp',
    'slip',
    'shear',
    'heat',
    'thermal',
    'load factor',
  ],
  takes: ['axial', 'shear', 'torque'],
  fields: [
    threadField,
    classField,
    finishField('finish', say('On the thread'), 'oiled'),
    {
      key: 'torque',
      label: say('Torque'),
      initial: '',
      kind: 'number',
      unit: 'N·m',
      hint: say('empty: what the bolt takes'),
    },
    { key: 'axial', label: say('Pulls on the bolt, at most'), initial: '6000', kind: 'number', unit: 'N' },
    { key: 'least', label: say('And at least'), initial: '0', kind: 'number', unit: 'N', hint: say('a minus presses') },
    { key: 'shear', label: say('Pulls across, at most'), initial: '0', kind: 'number', unit: 'N' },
    { key: 'grip', label: say('Clamped length'), initial: '30', kind: 'number', unit: 'mm' },
    { key: 'part', label: say('Parts'), initial: 'steel', kind: 'choice', options: PARTS },
    intoField,
    { key: 'boltC', label: say('The bolt at work'), initial: '20', kind: 'number', unit: '°C' },
    { key: 'partsC', label: say('The parts at work'), initial: '20', kind: 'number', unit: '°C' },
    { key: 'method', label: say('Tightened by'), initial: 'click', kind: 'choice', options: METHODS },
    { key: 'prevailing', label: say('Locking nut drags'), initial: '0', kind: 'number', unit: 'N·m', assumption: true },
    {
      key: 'slip',
      label: say('Friction between the parts'),
      initial: '0.12',
      kind: 'number',
      assumption: true,
      hint: 'painted 0.08, sand-blasted 0.4',
    },
    { key: 'faces', label: say('Faces that hold by friction'), initial: '1', kind: 'number', assumption: true },
    {
      key: 'introduction',
      label: say('Where the load enters, n'),
      initial: '0.5',
      kind: 'number',
      assumption: true,
      hint: say('0 at the joint, 1 under the head'),
    },
    washerField,
    headField,
    holeField,
    widthField,
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const strength = read.strength(thread);
    const face = read.face(thread);
    const friction = evenFriction(finishFriction(read.choice<ThreadFinish>('finish')).usual);
    const part = read.choice<PartMaterial>('part');
    const into = read.choice<JointGeometry['into']>('into');
    const gripMm = read.number('grip', 1, 500);
    const prevailingNm = read.number('prevailing', 0, 500);
    const given = read.optional('torque', Math.max(0.01, prevailingNm), 5000);
    const tightened = preloadOf({
      thread,
      strength,
      face,
      friction,
      prevailingNm,
      form: 'vdi',
      given: given === undefined ? undefined : { torqueNm: given },
      method: read.choice<TighteningMethod>('method'),
      part,
      pressed: read.pressed(thread),
    });
    const { pressedRing: ring, torqueNm } = tightened;
    const head = headDimension((read.text('head') || usualHead(thread)) as never, thread);
    const stiffness = must(
      jointStiffness({
        thread,
        gripMm,
        bearingMm: ring.outsideMm,
        holeMm: ring.holeMm,
        partDiameterMm: read.optional('width', ring.holeMm, 2000) ?? 3 * ring.outsideMm,
        part,
        bolt: boltMaterial(strength),
        head: head?.grip === 'socket' ? 'socket' : 'hexagon',
        into,
      }),
    );
    const settling = settlingLoss(stiffness, 'medium', 1, into === 'nut' ? 2 : 1);
    const assemblyN = assemblyRange(tightened, given !== undefined);
    const axialMaxN = read.number('axial', -1e7, 1e7);
    const w = must(
      jointAtWork({
        thread,
        strength,
        stiffness,
        threadFriction: friction.thread,
        prevailingNm,
        ring,
        assemblyN,
        settlingN: settling.lossN,
        axialMaxN,
        axialMinN: read.number('least', -1e7, axialMaxN),
        shearN: read.number('shear', 0, 1e7),
        faceFriction: read.number('slip', 0.01, 1),
        faces: read.number('faces', 1, 20),
        introduction: read.number('introduction', 0, 1),
        assembledC: 20,
        boltC: read.number('boltC', -60, 700),
        partsC: read.number('partsC', -60, 700),
        gripMm,
        bolt: boltMaterial(strength),
        part,
      }),
    );
    // The joint's triangle: the bolt is drawn out and the parts pressed in by the preload that is left at least.
    const heldN = assemblyN.minN - settling.lossN - Math.max(0, w.thermalLossN);
    const um = (mmPerN: number, n: number) => mmPerN * n * 1000;
    const [drawnUm, pressedUm] = [um(stiffness.boltMmPerN, heldN), um(stiffness.partsMmPerN, heldN)];
    const pullN = Math.max(0, axialMaxN);
    const workUm = drawnUm + um(stiffness.boltMmPerN, w.loadFactor * pullN);
    return {
      main: { label: say('Clamp left at the worst'), shown: show.force(w.residualClampN) },
      figures: [
        { label: say('Tightened with'), shown: show.torque(torqueNm) },
        { label: say('Preload, least'), shown: show.force(assemblyN.minN) },
        { label: say('Preload, most'), shown: show.force(assemblyN.maxN) },
        { label: say('Needed at least'), shown: show.force(w.neededN) },
        { label: say('Settling takes'), shown: show.force(settling.lossN) },
        {
          label: w.thermalLossN >= 0 ? say('Heat takes') : say('Heat adds'),
          shown: show.force(Math.abs(w.thermalLossN)),
        },
        { label: say('Of the pull the bolt gets'), shown: show.percent(w.loadFactor) },
        { label: say('The bolt carries at most'), shown: show.force(w.boltMostN) },
        { label: say('Of yield, at work'), shown: show.percent(1 / w.yieldSafety) },
        { label: say('Swings each way'), shown: show.stress(w.alternatingMpa) },
        {
          label: say('Endures'),
          shown: w.enduranceMpa === undefined ? show.text('–') : show.stress(w.enduranceMpa),
        },
      ],
      remarks: w.remarks,
      drawing: (
        <JointSection
          diameterMm={thread.nominalMm}
          bearingMm={face.outsideMm}
          holeMm={ring.holeMm}
          washer={read.pressed(thread).washer}
          headMm={head?.heightMm ?? 0.65 * thread.nominalMm}
          gripMm={gripMm}
          engagedMm={into === 'nut' ? 0.85 * thread.nominalMm : 1.2 * thread.nominalMm}
          into={into === 'nut' ? 'nut' : 'tapped'}
          coneSlope={0.45}
          label={say('{designation}, {propertyClass}, {gripMm} mm clamped', {
            designation: thread.designation,
            propertyClass: strength.propertyClass,
            gripMm,
          })}
        />
      ),
      chart:
        heldN <= 0 ? undefined : (
          <Curve
            label={say('The joint’s triangle: what bolt and parts carry over how far they give')}
            xLabel={say('bolt longer, µm')}
            yLabel={say('force, kN')}
            series={[
              {
                key: 'bolt',
                label: say('bolt'),
                points: [
                  [0, 0],
                  [drawnUm, heldN / 1000],
                  [workUm, (heldN + w.loadFactor * pullN) / 1000],
                ],
              },
              {
                key: 'parts',
                label: say('parts'),
                dashed: true,
                points: [
                  [drawnUm, heldN / 1000],
                  [drawnUm + pressedUm, 0],
                ],
              },
            ]}
            marks={[
              {
                x: drawnUm,
                y: heldN / 1000,
                text: say('{threeFigures} kN held', { threeFigures: threeFigures(heldN / 1000) }),
              },
            ]}
          />
        ),
      summary: say('{designation} {propertyClass} at {inLine}, pulled with {inLine2}: {inLine3} of clamp left', {
        designation: thread.designation,
        propertyClass: strength.propertyClass,
        inLine: inLine(show.torque(torqueNm)),
        inLine2: inLine(show.force(axialMaxN)),
        inLine3: inLine(show.force(w.residualClampN)),
      }),
    };
  },
  sources: [
    { what: say('Load factor, preload changes, working and alternating stress'), where: `${VDI}, steps R3 to R10` },
    { what: say('Endurance 0.85 (150/d + 45), rolled before heat treatment'), where: `${VDI}, 5.5.3` },
    { what: say('Expansion of bolt and parts'), where: say('any engineering handbook') },
    {
      what: say('n 0.5, medium surfaces, one face between the parts'),
      where: say('chosen by us: change them where they differ'),
    },
  ],
};
