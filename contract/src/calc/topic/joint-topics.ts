import { ALL_FINISHES, finishChange } from '#core/bench/finish.ts';
import { interaction } from '#core/bench/interaction.ts';
import { preloadOf } from '#core/bench/preload.ts';
import { assemblyRange, jointAtWork } from '#core/bench/working-load.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { nutClassFor, nutProofLoadN } from '#core/fastener/nut-class.ts';
import type { BoltStrength } from '#core/fastener/property-class.ts';
import { stressAreaMm2 } from '#core/fastener/stress-area.ts';
import type { Thread } from '#core/fastener/thread.ts';
import type { PreloadRule } from '#core/tightening/assembly-preload.ts';
import { circlePositions, fadingCompliance, interactionMatrix } from '#core/tightening/elastic-interaction.ts';
import { boltMaterial, jointStiffness, type Stiffness } from '#core/tightening/joint-stiffness.ts';
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

function given({ torqueNm, preloadN }: { torqueNm?: number; preloadN?: number }, prevailingNm: number) {
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
  const nut = nutClassFor(strength.propertyClass);
  const stiffness =
    input.gripMm === undefined
      ? undefined
      : readStiffness(t, strength, answer.pressedRing, { ...input, gripMm: input.gripMm });
  return remarked({
    ...answer,
    stressAreaMm2: stressAreaMm2(t),
    frictionDiameterMm: frictionDiameterMm(face),
    face,
    friction,
    strength,
    nutProofN: (nut && nutProofLoadN(nut, t)) ?? null,
    stiffness: stiffness && { ...stiffness, nPerDeg: preloadPerDegreeN(t, stiffness) },
    settling: stiffness && readSettling(stiffness, input),
  });
}

/** What a joint clamps and what it is screwed into, as it was given. */
type ClampedInput = Pick<
  CalcInput<'preload'>,
  'head' | 'shankMm' | 'partDiameterMm' | 'part' | 'into' | 'roughness' | 'interfaces'
>;

const readStiffness = (
  t: Thread,
  strength: BoltStrength,
  ring: { outsideMm: number; holeMm: number },
  input: ClampedInput & { gripMm: number },
): Stiffness =>
  must(
    jointStiffness({
      thread: t,
      gripMm: input.gripMm,
      shankMm: input.shankMm,
      bearingMm: ring.outsideMm,
      holeMm: ring.holeMm,
      partDiameterMm: input.partDiameterMm ?? 3 * ring.outsideMm,
      part: input.part ?? 'steel',
      bolt: boltMaterial(strength),
      into: input.into ?? 'nut',
      head: headDimension(input.head ?? usualHead(t), t)?.grip === 'socket' ? 'socket' : 'hexagon',
    }),
  );

const readSettling = (stiffness: Stiffness, input: ClampedInput) =>
  settlingLoss(
    stiffness,
    input.roughness ?? 'medium',
    need('interfaces', input.interfaces ?? 1, 0, 20),
    (input.into ?? 'nut') === 'nut' ? 2 : 1,
  );

/** A bolt room warm when it is tightened, °C. */
const ROOM_C = 20;
/** Where the force enters when nothing is said: half-way between joint and head. Chosen by us; VDI 2230-1 table 2 has 0 to 0.7. */
const HALF_WAY = 0.5;

export function load(input: CalcInput<'load'>) {
  const t = readThread(input.thread);
  const strength = readStrength(input.propertyClass, t);
  const face = readFace(t, input);
  const friction = readFriction(input);
  const prevailingNm = need('prevailingNm', input.prevailingNm ?? 0, 0, 500);
  const tightened = preloadOf({
    thread: t,
    strength,
    face,
    friction,
    prevailingNm,
    form: 'vdi',
    given: given(input, prevailingNm),
    method: input.method ?? 'click',
    part: input.part,
    pressed: readPressed(t, input),
  });
  const stiffness = readStiffness(t, strength, tightened.pressedRing, input);
  const { preloadN: meanN, torqueNm, pressedRing: ring } = tightened;
  const assemblyN = assemblyRange(tightened, (input.torqueNm ?? input.preloadN) !== undefined);
  const settling = readSettling(stiffness, input);
  const assembledC = input.assembledC ?? ROOM_C;
  const answer = must(
    jointAtWork({
      thread: t,
      strength,
      stiffness,
      threadFriction: friction.thread,
      prevailingNm,
      ring,
      assemblyN,
      settlingN: settling.lossN,
      axialMaxN: input.axialMaxN,
      axialMinN: input.axialMinN ?? Math.min(0, input.axialMaxN),
      shearN: input.shearN ?? 0,
      faceFriction: input.faceFriction ?? friction.bearing,
      faces: input.faces ?? 1,
      introduction: input.introduction ?? HALF_WAY,
      assembledC,
      boltC: input.boltC ?? assembledC,
      partsC: input.partsC ?? assembledC,
      gripMm: input.gripMm,
      bolt: boltMaterial(strength),
      part: input.part ?? 'steel',
    }),
  );
  return remarked({ ...answer, torqueNm, meanN, assemblyN, stiffness, settling });
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
      positions,
    }),
  );
  return remarked({
    preloadsN: history.map((forces) => Array.from(forces)),
    // A larger one is a file of its own.
    interaction: complianceMmPerN.length <= MOST_MATRIX ? must(interactionMatrix(group)) : undefined,
    ...answer,
  });
}
