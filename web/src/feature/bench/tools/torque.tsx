import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { preloadOf } from '#core/bench/preload.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { usualRule } from '#core/tightening/assembly-preload.ts';
import type { PartMaterial } from '#core/tightening/joint-stiffness.ts';
import { evenFriction, finishFriction, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import type { TighteningMethod } from '#core/tightening/tightening-method.ts';
import { preloadForTorqueN, type TorqueForm } from '#core/tightening/tightening-torque.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { JointSection } from '../drawing/JointSection.tsx';
import { inLine, threeFigures } from '../show-figure.ts';
import {
  classField,
  finishField,
  headField,
  holeField,
  METHOD_TEXT,
  METHODS,
  PARTS,
  threadField,
  VDI,
  washerField,
  widthField,
} from './joint-fields.ts';

/** Preload and torque of one bolt, either way. */
export const TORQUE: BenchTool = {
  id: 'torque',
  title: say('Torque and preload'),
  says: say('What a torque does to a bolt, and what torque it takes.'),
  example: 'm10 8.8',
  words: ['torque', 'preload', 'clamp load', 'load', 'proof', 'yield', 'bolt', 'friction', 'nut factor', 'k factor'],
  takes: ['torque'],
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
      hint: say('empty: the torque the bolt takes'),
    },
    {
      key: 'method',
      label: say('Tightened by'),
      initial: 'click',
      kind: 'choice',
      options: METHODS,
    },
    { key: 'prevailing', label: say('Locking nut drags'), initial: '0', kind: 'number', unit: 'N·m' },
    { key: 'part', label: say('Under the head'), initial: 'steel', kind: 'choice', options: PARTS },
    washerField,
    headField,
    holeField,
    widthField,
    {
      key: 'share',
      label: say('Share used'),
      initial: '',
      kind: 'number',
      assumption: true,
      hint: say('of yield 0.9, inch grades of proof 0.75'),
    },
    {
      key: 'form',
      label: say('Form'),
      initial: 'vdi',
      kind: 'choice',
      assumption: true,
      options: [
        { value: 'vdi', label: '0.16 P + 0.58 d2 µ' },
        { value: 'exact', label: say('d2/2 · tan(φ + ρ′)') },
      ],
    },
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const strength = read.strength(thread);
    const face = read.face(thread);
    const finish = finishFriction(read.choice<ThreadFinish>('finish'));
    const friction = evenFriction(finish.usual);
    const form = read.choice<TorqueForm>('form');
    const prevailing = read.number('prevailing', 0, 500);
    const share = read.optional('share', 0.05, 1.2);
    const given = read.optional('torque', 0.01, 5000);
    if (given !== undefined && given < prevailing)
      throw new CalcRefusal({
        field: 'torque',
        reason: say('is less than the locking nut drags: it does not turn it'),
      });
    const method = read.choice<TighteningMethod>('method');
    const pressed = read.pressed(thread);
    const answer = preloadOf({
      thread,
      strength,
      face,
      friction,
      prevailingNm: prevailing,
      form,
      rule: share === undefined ? undefined : { ...usualRule(strength), share },
      given: given === undefined ? undefined : { torqueNm: given },
      finish: finish.finish,
      method,
      part: read.choice<PartMaterial>('part'),
      pressed,
    });
    const { preloadN, torqueNm, assemblyTorqueNm: assemblyNm, stress, scatter, shares, loads } = answer;
    const preload = (mu: number, nm: number) => preloadForTorqueN(nm, thread, evenFriction(mu), face, prevailing, form);
    const top = Math.max(torqueNm, assemblyNm) * 1.35;
    const grid = Array.from({ length: 25 }, (_, i) => (i / 24) * top);
    const head = headDimension((read.text('head') || usualHead(thread)) as never, thread);
    return {
      main:
        given === undefined
          ? { label: say('Torque the bolt takes'), shown: show.torque(assemblyNm) }
          : { label: say('Preload it makes'), shown: show.force(preloadN) },
      figures: [
        given === undefined
          ? { label: say('Preload'), shown: show.force(preloadN) }
          : { label: say('Torque the bolt takes'), shown: show.torque(assemblyNm) },
        { label: say('Of proof load'), shown: show.percent(stress.proofShare) },
        { label: say('Of yield, torque on'), shown: show.percent(stress.yieldShare) },
        {
          label: say('{methodText}: least', { methodText: METHOD_TEXT[method] }),
          shown: show.force(scatter?.minN ?? preloadN),
        },
        {
          label: say('{methodText}: most', { methodText: METHOD_TEXT[method] }),
          shown: show.force(scatter?.maxN ?? preloadN),
        },
        { label: say('Nut factor K'), shown: show.plain(answer.nutFactor) },
        { label: say('Becomes preload'), shown: show.percent(shares.pitchNm / shares.totalNm) },
        { label: say('Presses on the part with'), shown: show.stress(answer.pressureMpa) },
        { label: say('The part bears about'), shown: show.stress(answer.limitingPressureMpa) },
        { label: say('Proof load'), shown: show.force(loads.proofN) },
      ],
      remarks: answer.remarks,
      drawing: (
        <JointSection
          diameterMm={thread.nominalMm}
          bearingMm={face.outsideMm}
          holeMm={pressed.holeMm}
          washer={pressed.washer}
          headMm={head?.heightMm ?? 0.65 * thread.nominalMm}
          gripMm={2.5 * thread.nominalMm}
          engagedMm={0.85 * thread.nominalMm}
          into="nut"
          coneSlope={0.55}
          label={say('{designation}, {propertyClass}, in section', {
            designation: thread.designation,
            propertyClass: strength.propertyClass,
          })}
          note={say('grip as an example')}
        />
      ),
      chart: (
        <Curve
          label={say('Preload over torque')}
          xLabel={say('torque, N·m')}
          yLabel={say('preload, kN')}
          xOther={{ label: 'lbf·ft', factor: 0.7375621492772654 }}
          series={[
            {
              key: 'usual',
              label: `${finish.label}, µ ${finish.usual}`,
              points: grid.map((nm) => [nm, preload(finish.usual, nm) / 1000]),
            },
          ]}
          band={{
            label: say('µ {low} to {high}', { low: finish.low, high: finish.high }),
            points: grid.map((nm) => [nm, preload(finish.high, nm) / 1000, preload(finish.low, nm) / 1000]),
          }}
          limits={[{ y: loads.proofN / 1000, text: say('proof load'), bad: true }]}
          marks={[{ x: torqueNm, y: preloadN / 1000, text: `${threeFigures(torqueNm)} N·m` }]}
        />
      ),
      summary: say('{designation} {propertyClass}, {label}: {inLine} makes {inLine2}, {threeFigures} % of proof', {
        designation: thread.designation,
        propertyClass: strength.propertyClass,
        label: midSentence(finish.label),
        inLine: inLine(show.torque(torqueNm)),
        inLine2: inLine(show.force(preloadN)),
        threeFigures: threeFigures(stress.proofShare * 100),
      }),
    };
  },
  sources: [
    { what: say('Torque M = F (0.16 P + 0.58 d2 µG + DKm/2 µK)'), where: `${VDI}, (R13)` },
    {
      what: say('Preload at 90 % of Rp0.2 with the twist of the thread; inch grades at 75 % of proof'),
      where: `${VDI}, 5.4.3; Machinery’s Handbook`,
    },
    {
      what: say('A washer of thickness h spreads the face to dW + 1.6 h, no further than its edge and the part’s'),
      where: `${VDI}, 5.5.4`,
    },
    { what: say('Strengths'), where: 'ISO 898-1:2013, SAE J429:2014, ISO 3506-1:2020, ASTM F593' },
    { what: say('Friction of the finish'), where: `classes of ${VDI} table A5; place in the class: common practice` },
    { what: say('Scatter of the method'), where: `${VDI}, table A8; by feel: common practice` },
  ],
};
