import { ALL_FINISHES, finishChange } from '#core/bench/finish.ts';
import { interaction } from '#core/bench/interaction.ts';
import { preloadOf } from '#core/bench/preload.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { nutClassFor, nutProofLoadN } from '#core/fastener/nut-class.ts';
import { stressAreaMm2 } from '#core/fastener/stress-area.ts';
import type { PreloadRule } from '#core/tightening/assembly-preload.ts';
import { circlePositions, fadingCompliance, interactionMatrix } from '#core/tightening/elastic-interaction.ts';
import { boltMaterial, jointStiffness } from '#core/tightening/joint-stiffness.ts';
import { settlingLoss } from '#core/tightening/settling.ts';
import type { FrictionSource } from '#core/tightening/thread-finish.ts';
import { frictionDiameterMm } from '#core/tightening/tightening-torque.ts';
import { preloadPerDegreeN } from '#core/tightening/torque-angle.ts';
import type { CalcInput } from '../calc-input.ts';
import {
  must,
  need,
  readFace,
  readFriction,
  readNutFactor,
  readPressed,
  readStrength,
  readThread,
  refuse,
} from '../joint-input.ts';
import { remarked } from './remarked.ts';

function preloadRule(input: CalcInput<'preload'>): PreloadRule | undefined {
  if (input.yieldShare !== undefined && input.proofShare !== undefined)
    refuse('proofShare', 'contradicts yieldShare: give the share of yield or of proof load, not both');
  if (input.yieldShare !== undefined)
    return { kind: 'yieldShare', share: need('yieldShare', input.yieldShare, 0.05, 1.2) };
  if (input.proofShare !== undefined)
    return { kind: 'proofShare', share: need('proofShare', input.proofShare, 0.05, 1.2) };
  return undefined;
}

function given({ torqueNm, preloadN }: CalcInput<'preload'>, prevailingNm: number) {
  if (torqueNm !== undefined && preloadN !== undefined)
    refuse('preloadN', 'contradicts torqueNm: give a torque or a preload, not both');
  if (torqueNm !== undefined) {
    need('torqueNm', torqueNm, 0, 20_000);
    if (torqueNm < prevailingNm)
      refuse('torqueNm', `contradicts prevailingNm: ${torqueNm} N·m does not turn a nut that drags ${prevailingNm}`);
    return { torqueNm };
  }
  return preloadN === undefined ? undefined : { preloadN: need('preloadN', preloadN, 0, 5_000_000) };
}

export function preload(input: CalcInput<'preload'>) {
  const t = readThread(input.thread);
  const strength = readStrength(input.propertyClass, t);
  const face = readFace(t, input);
  const friction = input.nutFactor === undefined ? readFriction(input) : readNutFactor(input.nutFactor, t, face, input);
  const prevailingNm = need('prevailingNm', input.prevailingNm ?? 0, 0, 500);
  const pressed = readPressed(t, input);
  const answer = preloadOf({
    thread: t,
    strength,
    face,
    friction,
    prevailingNm,
    form: input.form ?? 'vdi',
    rule: preloadRule(input),
    nutFactor: input.nutFactor,
    given: given(input, prevailingNm),
    finish: input.finish,
    method: input.method,
    part: input.part,
    pressed,
  });
  if (answer.assemblyPreloadN <= 0)
    refuse('prevailingNm', `${prevailingNm} N·m alone twists this bolt to the share allowed: a smaller nut drag`);
  const ring = answer.pressedRing;
  const into = input.into ?? 'nut';
  const nut = nutClassFor(strength.propertyClass);
  const stiffness =
    input.gripMm === undefined
      ? undefined
      : must(
          jointStiffness({
            thread: t,
            gripMm: input.gripMm,
            shankMm: input.shankMm,
            bearingMm: ring.outsideMm,
            holeMm: ring.holeMm,
            partDiameterMm: input.partDiameterMm ?? 3 * ring.outsideMm,
            part: input.part ?? 'steel',
            bolt: boltMaterial(strength),
            into,
            head: headDimension(input.head ?? usualHead(t), t)?.grip === 'socket' ? 'socket' : 'hexagon',
          }),
        );
  return remarked({
    ...answer,
    stressAreaMm2: stressAreaMm2(t),
    frictionDiameterMm: frictionDiameterMm(face),
    face,
    friction,
    strength,
    nutProofN: (nut && nutProofLoadN(nut, t)) ?? null,
    stiffness: stiffness && { ...stiffness, nPerDeg: preloadPerDegreeN(t, stiffness) },
    settling:
      stiffness &&
      settlingLoss(
        stiffness,
        input.roughness ?? 'medium',
        need('interfaces', input.interfaces ?? 1, 0, 20),
        into === 'nut' ? 2 : 1,
      ),
  });
}

export function lubricate(input: CalcInput<'lubricate'>) {
  const t = readThread(input.thread);
  const strength = readStrength(input.propertyClass, t);
  const torqueNm = need('torqueNm', input.torqueNm, 0.01, 20_000);
  const prevailingNm = need('prevailingNm', input.prevailingNm ?? 0, 0, 500);
  const joint = { thread: t, strength, face: readFace(t, input), prevailingNm };
  if (torqueNm <= prevailingNm)
    refuse('torqueNm', `contradicts prevailingNm: ${torqueNm} N·m does not turn a nut that drags ${prevailingNm}`);
  const to: FrictionSource[] = [input.to ?? [...ALL_FINISHES]].flat();
  for (const [field, source] of [['from', input.from] as const, ...to.map((one) => ['to', one] as const)])
    if (typeof source === 'number') need(field, source, 0, 1);
  return remarked(finishChange(joint, torqueNm, input.from, to));
}

/** Bolts up to which the whole matrix of their interaction is written out. */
const MOST_MATRIX = 64;

export function elastic(input: CalcInput<'elastic'>) {
  const flange = (['complianceMmPerN', 'circle', 'positions'] as const).filter((name) => input[name] !== undefined);
  if (flange.length > 1) refuse(flange[1] ?? '', `contradicts ${flange[0]}: give the matrix, a circle or positions`);
  const positions = input.circle
    ? circlePositions(input.circle.bolts, need('circle.diameterMm', input.circle.diameterMm, 1, 10_000) / 2)
    : input.positions;
  const complianceMmPerN =
    input.complianceMmPerN ??
    fadingCompliance(
      positions ?? refuse('complianceMmPerN', 'give the matrix, a circle or positions'),
      need('c0MmPerN', input.c0MmPerN ?? Number.NaN, 0, 1),
      need('lambdaMm', input.lambdaMm ?? Number.NaN, 0.1, 100_000),
      input.circle && input.circle.diameterMm / 2,
    );
  if (input.pulls === undefined && input.targetN === undefined) refuse('targetN', 'give the pulls, or a target');
  if (input.pulls !== undefined && (input.order ?? input.stages) !== undefined)
    refuse(input.order ? 'order' : 'stages', 'contradicts pulls: the pulls say the order and how far');
  input.order?.forEach((bolt, index) => {
    need(`order[${index}]`, bolt, 0, complianceMmPerN.length - 1);
    if (input.order?.indexOf(bolt) !== index) refuse(`order[${index}]`, `bolt ${bolt} is in the order twice`);
  });
  const group = { boltStiffnessNPerMm: input.boltStiffnessNPerMm, complianceMmPerN };
  const {
    history,
    pulls: _,
    afterRound: __,
    ...answer
  } = must(
    interaction({
      group,
      order: input.order ?? [...complianceMmPerN.keys()],
      stages: input.stages,
      pulls: input.pulls,
      targetN: input.targetN,
      wanted: input.evenness,
    }),
  );
  return remarked({
    preloadsN: history.map((forces) => Array.from(forces)),
    // A larger one is a file of its own.
    interaction: complianceMmPerN.length <= MOST_MATRIX ? must(interactionMatrix(group)) : undefined,
    ...answer,
  });
}
