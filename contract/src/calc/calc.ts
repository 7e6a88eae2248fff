import type { z } from 'zod';
import { beadVolume } from '#core/compound/bead-volume.ts';
import { cureTimes, strengthShare, USUAL_TIMES } from '#core/compound/cure-curve.ts';
import { clearanceHoleMm } from '#core/fastener/clearance-hole.ts';
import { nearestDrill } from '#core/fastener/drill-size.ts';
import { HEAD_STANDARDS, headDimension } from '#core/fastener/head-dimension.ts';
import { identifyThread, nearestWidths } from '#core/fastener/identify.ts';
import { nutClassFor, nutProofLoadN } from '#core/fastener/nut-class.ts';
import { boltLoadsN } from '#core/fastener/property-class.ts';
import { stressAreaMm2 } from '#core/fastener/stress-area.ts';
import { studLength } from '#core/fastener/stud-length.ts';
import { insertDrill, pilotDrill, tapDrill, threadHeightShare } from '#core/fastener/tap-drill.ts';
import { minorDiameterMm, pitchDiameterMm } from '#core/fastener/thread.ts';
import {
  insertEngagementMm,
  requiredEngagement,
  SHEAR_RATIO,
  stripLoads,
  TAPPED_TENSILE_MPA,
} from '#core/fastener/thread-engagement.ts';
import { threadLimits } from '#core/fastener/thread-tolerance.ts';
import { washerDimension, washerStandards } from '#core/fastener/washer.ts';
import { measuredFit, secondsLeft, shrinkFit } from '#core/fit/shrink-fit.ts';
import type { InputFault } from '#core/quantity/input-fault.ts';
import { parsePrinted } from '#core/quantity/parse-printed.ts';
import { dimensionOf, fromBase, toBase, type UnitName } from '#core/quantity/unit.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { assemblyPreloadN, boltStress, type PreloadRule, usualRule } from '#core/tightening/assembly-preload.ts';
import { bearingPressureMpa, LIMITING_PRESSURE } from '#core/tightening/bearing-pressure.ts';
import {
  circlePositions,
  elasticSequence,
  fadingCompliance,
  oneRoundTargetsN,
  passPulls,
  pullsForEvenness,
  unevenness,
} from '#core/tightening/elastic-interaction.ts';
import { jointStiffness } from '#core/tightening/joint-stiffness.ts';
import { lubricationChange } from '#core/tightening/lubrication-change.ts';
import { settlingLoss } from '#core/tightening/settling.ts';
import { FINISHES, finishFriction } from '#core/tightening/thread-finish.ts';
import { preloadScatterN, tighteningFactor } from '#core/tightening/tightening-method.ts';
import {
  frictionDiameterMm,
  nutFactor,
  preloadByNutFactorN,
  preloadForTorqueN,
  torqueByNutFactorNm,
  torqueForPreloadNm,
  torqueShares,
} from '#core/tightening/tightening-torque.ts';
import { preloadPerDegreeN } from '#core/tightening/torque-angle.ts';
import { doublingFault, EXTENSION_BAR_MM, extensionTwistDeg, settingWithAdapterNm } from '#core/wrench/adapter.ts';
import { permissibleDeviation, pointResult } from '#core/wrench/calibration.ts';
import { checksUntilOut, controlChart } from '#core/wrench/control-chart.ts';
import { scaleSetting } from '#core/wrench/scale-setting.ts';
import { usableBand } from '#core/wrench/usable-band.ts';
import { type FaultText, inputFaultText, parseErrorText } from '../wording/input-fault-text.ts';
import { CALC_INPUTS, type CalcInput, type CalcTopic } from './calc-input.ts';
import {
  CalcRefusal,
  inInches,
  need,
  readFace,
  readFriction,
  readStrength,
  readThread,
  refuse,
} from './joint-input.ts';

/** The value of a core result, or a refusal with its field and reason. */
function must<T>(result: Result<T, InputFault>): T {
  if (!result.ok) throw new CalcRefusal(inputFaultText(result.error));
  return result.value;
}

function thread({ thread: text }: CalcInput<'thread'>) {
  const t = readThread(text);
  const drill = tapDrill(t);
  return {
    designation: t.designation,
    system: t.system,
    series: t.series,
    nominalMm: t.nominalMm,
    pitchMm: t.pitchMm,
    pitchDiameterMm: pitchDiameterMm(t.nominalMm, t.pitchMm),
    minorDiameterMm: minorDiameterMm(t.nominalMm, t.pitchMm),
    stressAreaMm2: stressAreaMm2(t),
    stressAreaIn2: stressAreaMm2(t) / 645.16,
    limits: threadLimits(t) ?? null,
    tapDrill: { name: drill.name, diameterMm: drill.diameterMm },
    clearanceHoleMm: {
      fine: clearanceHoleMm(t, 'fine') ?? null,
      medium: clearanceHoleMm(t, 'medium') ?? null,
      coarse: clearanceHoleMm(t, 'coarse') ?? null,
    },
  };
}

function head({ thread: text, standard }: CalcInput<'head'>) {
  const t = readThread(text);
  const standards = standard ? [standard] : HEAD_STANDARDS;
  const heads = standards.flatMap((name) => {
    const dimension = headDimension(name, t);
    return dimension ? [{ standard: name, ...dimension, acrossFlatsIn: inInches(dimension.acrossFlatsMm) }] : [];
  });
  if (heads.length === 0) refuse('standard', `${standard ?? 'no known standard'} does not list ${t.designation}`);
  const washers = washerStandards(t.system).flatMap((name) => {
    const dimension = washerDimension(name, t);
    return dimension ? [{ standard: name, ...dimension }] : [];
  });
  return { heads, washers };
}

function preloadRule(input: CalcInput<'preload'>, usual: PreloadRule): PreloadRule {
  if (input.yieldShare !== undefined)
    return { kind: 'yieldShare', share: need('yieldShare', input.yieldShare, 0.05, 1.2) };
  if (input.proofShare !== undefined)
    return { kind: 'proofShare', share: need('proofShare', input.proofShare, 0.05, 1.2) };
  return usual;
}

function preload(input: CalcInput<'preload'>) {
  const t = readThread(input.thread);
  const strength = readStrength(input.propertyClass, t);
  const face = readFace(t, input);
  const friction = readFriction(input);
  const prevailingNm = need('prevailingNm', input.prevailingNm ?? 0, 0, 500);
  const { form = 'vdi' } = input;
  if (input.torqueNm !== undefined && input.preloadN !== undefined)
    refuse('preloadN', 'give a torque or a preload, not both');
  const rule = preloadRule(input, usualRule(strength));
  const k = input.nutFactor === undefined ? undefined : need('nutFactor', input.nutFactor, 0.01, 1);
  const toPreload = (torqueNm: number, mu = friction) =>
    k === undefined
      ? preloadForTorqueN(torqueNm, t, mu, face, prevailingNm, form)
      : preloadByNutFactorN(Math.max(0, torqueNm - prevailingNm), t.nominalMm, k);
  const assembly = assemblyPreloadN(t, strength, friction.thread, rule);
  const preloadN =
    input.torqueNm === undefined
      ? need('preloadN', input.preloadN ?? assembly, 0, 5_000_000)
      : toPreload(need('torqueNm', input.torqueNm, 0, 20_000));
  const torqueNm =
    input.torqueNm ??
    (k === undefined
      ? torqueForPreloadNm(preloadN, t, friction, face, prevailingNm, form)
      : torqueByNutFactorNm(preloadN, t.nominalMm, k) + prevailingNm);
  const scatter = input.method && { ...tighteningFactor(input.method) };
  const nut = nutClassFor(strength.propertyClass);
  const geometry =
    input.gripMm === undefined
      ? undefined
      : must(
          jointStiffness({
            thread: t,
            gripMm: input.gripMm,
            shankMm: input.shankMm,
            bearingMm: face.outsideMm,
            holeMm: face.holeMm,
            partDiameterMm: input.partDiameterMm ?? 3 * face.outsideMm,
            part: input.part ?? 'steel',
            into: input.into ?? 'nut',
          }),
        );
  const range = input.finish && finishFriction(input.finish);
  return {
    preloadN,
    torqueNm,
    shares: torqueShares(preloadN, t, friction, face, prevailingNm, form),
    rule,
    assemblyPreloadN: assembly,
    assemblyTorqueNm: torqueForPreloadNm(assembly, t, friction, face, prevailingNm, form),
    nutFactor: k ?? nutFactor(t, friction, face),
    stressAreaMm2: stressAreaMm2(t),
    frictionDiameterMm: frictionDiameterMm(face),
    face,
    friction,
    strength,
    loads: boltLoadsN(strength, t),
    nutProofN: (nut && nutProofLoadN(nut, t)) ?? null,
    stress: boltStress(t, strength, preloadN, friction.thread),
    pressureMpa: bearingPressureMpa(preloadN, face.outsideMm, face.holeMm),
    limitingPressureMpa: LIMITING_PRESSURE[input.part ?? 'steel'],
    range: range && {
      minN: toPreload(torqueNm, { thread: range.high, bearing: range.high }),
      maxN: toPreload(torqueNm, { thread: range.low, bearing: range.low }),
    },
    scatter: scatter && { ...scatter, ...preloadScatterN(preloadN, scatter.middle) },
    stiffness: geometry && { ...geometry, nPerDeg: preloadPerDegreeN(t, geometry) },
    settling:
      geometry && settlingLoss(geometry, input.roughness ?? 'medium', need('interfaces', input.interfaces ?? 1, 0, 20)),
  };
}

function lubricate(input: CalcInput<'lubricate'>) {
  const t = readThread(input.thread);
  const strength = readStrength(input.propertyClass, t);
  const torqueNm = need('torqueNm', input.torqueNm, 0.01, 20_000);
  const to = typeof input.to === 'string' ? [input.to] : (input.to ?? FINISHES.map(({ finish }) => finish));
  const prevailingNm = need('prevailingNm', input.prevailingNm ?? 0, 0, 500);
  const joint = { thread: t, strength, face: readFace(t, input), prevailingNm };
  return { outcomes: lubricationChange(joint, torqueNm, input.from, to) };
}

function engagement(input: CalcInput<'engagement'>) {
  const t = readThread(input.thread);
  const boltTensileMpa =
    input.boltTensileMpa ??
    (input.propertyClass === undefined
      ? refuse('propertyClass', 'give the bolt’s class or its tensile strength')
      : readStrength(input.propertyClass, t).tensileMpa);
  const tappedTensileMpa =
    input.tappedTensileMpa ??
    (input.material === undefined
      ? refuse('tappedTensileMpa', 'give the tapped material or its tensile strength')
      : TAPPED_TENSILE_MPA[input.material]);
  const joint = { thread: t, boltTensileMpa, tappedTensileMpa, shearRatio: input.shearRatio };
  const needed = must(requiredEngagement(joint));
  return {
    ...needed,
    boltTensileMpa,
    tappedTensileMpa,
    shearRatio: input.shearRatio ?? SHEAR_RATIO,
    insertMm: must(insertEngagementMm(joint)),
    strips:
      input.engagementMm === undefined
        ? undefined
        : {
            basic: must(stripLoads(joint, input.engagementMm, 'basic')),
            limits: must(stripLoads(joint, input.engagementMm, 'limits')),
          },
  };
}

function stud({ thread: text, spacerMm = 0, ...rest }: CalcInput<'stud'>) {
  const t = readThread(text);
  return must(studLength({ ...rest, spacerMm, nominalMm: t.nominalMm, pitchMm: t.pitchMm }));
}

function adapter(input: CalcInput<'adapter'>) {
  const doubled = doublingFault({ secondWrench: input.secondWrench, pipe: input.pipeOnHandle });
  if (doubled) {
    return doubled.code === 'doubledWrench'
      ? refuse('secondWrench', 'two wrenches in line have no right setting')
      : refuse('pipeOnHandle', 'a pipe on the handle moves the hand off its mark');
  }
  const { torqueNm, wrenchLengthMm, offsetMm = 0, angleDeg = 0 } = input;
  const settingNm =
    wrenchLengthMm === undefined && offsetMm === 0
      ? need('torqueNm', torqueNm, 0.01, 5000)
      : must(
          settingWithAdapterNm(torqueNm, {
            wrenchLengthMm: wrenchLengthMm ?? refuse('wrenchLengthMm', 'an offset needs the length of the wrench'),
            offsetMm,
            angleDeg,
          }),
        );
  const twistDeg =
    input.extensionMm === undefined
      ? undefined
      : must(extensionTwistDeg(torqueNm, input.extensionMm, input.extensionBarMm ?? EXTENSION_BAR_MM['1/2 in'] ?? 16));
  return { settingNm, ratio: settingNm / torqueNm, twistDeg };
}

function band(input: CalcInput<'band'>) {
  need('fullScaleNm', input.fullScaleNm, 0.1, 5000);
  need('lowestNm', input.lowestNm ?? input.fullScaleNm / 5, 0, input.fullScaleNm);
  need('targetNm', input.targetNm, 0.01, 20_000);
  const usable = usableBand(input);
  const accepted = { minNm: input.minNm ?? input.targetNm * 0.95, maxNm: input.maxNm ?? input.targetNm * 1.05 };
  if (accepted.minNm > accepted.maxNm) refuse('minNm', 'is above maxNm');
  return {
    usable,
    inRange: input.targetNm >= usable.minNm - 1e-9 && input.targetNm <= usable.maxNm + 1e-9,
    accepted,
    permissibleDeviation: permissibleDeviation(input.fullScaleNm),
    setting:
      input.divisionNm === undefined
        ? undefined
        : (scaleSetting(input.targetNm, need('divisionNm', input.divisionNm, 0.001, 100), accepted) ?? null),
  };
}

function calibration(input: CalcInput<'calibration'>) {
  const fullScaleNm = need('fullScaleNm', input.fullScaleNm, 0.1, 5000);
  const permissible = permissibleDeviation(fullScaleNm, input.kind);
  const points = (input.points ?? []).map(({ setNm, referenceNm }, index) => {
    need(`points[${index}].setNm`, setNm, 0.01, 5000);
    referenceNm.forEach((value, reading) => {
      need(`points[${index}].referenceNm[${reading}]`, value, 0.01, 10_000);
    });
    const readings = referenceNm.map((value) => ({ setNm, referenceNm: value }));
    return { setNm, ...pointResult(setNm / fullScaleNm, readings, permissible) };
  });
  if (points.length === 0 && input.history === undefined) refuse('points', 'give readings or a history');
  return {
    permissible,
    points,
    within: points.length > 0 ? points.every((point) => point.within) : undefined,
    chart: input.history && {
      ...controlChart(input.history),
      checksUntilOut: checksUntilOut(input.history, permissible) ?? null,
    },
  };
}

function volume(input: CalcInput<'volume'>) {
  const bead = must(beadVolume(readThread(input.thread), input.engagementMm, input.blindEndMm));
  return { ...bead, totalMl: bead.beadMl * (input.count ?? 1) };
}

function cure(input: CalcInput<'cure'>) {
  const times = input.times ?? USUAL_TIMES[input.product ?? 'threadlockerMedium'];
  const answer = must(cureTimes(times, input, input.times ? 'productSheet' : 'model'));
  return {
    ...answer,
    strengthShare: input.afterMin === undefined ? undefined : strengthShare(input.afterMin, answer),
    readTheSheet: true,
  };
}

function elastic(input: CalcInput<'elastic'>) {
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
  const group = { boltStiffnessNPerMm: input.boltStiffnessNPerMm, complianceMmPerN };
  const order = input.order ?? [...complianceMmPerN.keys()];
  const { targetN } = input;
  const pulls =
    input.pulls ??
    passPulls(
      (input.stages ?? [1]).map((share) => ({ share, order })),
      targetN ?? refuse('targetN', 'give the pulls, or a target'),
    );
  const history = must(elasticSequence(group, pulls));
  const finalN = Array.from(history.at(-1) ?? []);
  const aim = targetN ?? Math.max(...pulls.map((pull) => pull.toN));
  return {
    preloadsN: history.map((forces) => Array.from(forces)),
    finalN,
    unevenness: finalN.length > 0 ? unevenness(finalN, aim) : 0,
    oneRoundTargetsN: targetN === undefined ? undefined : must(oneRoundTargetsN(group, order, targetN)),
    pullsForEvenness:
      input.evenness === undefined ? undefined : must(pullsForEvenness(group, order, aim, input.evenness)),
  };
}

function identify(input: CalcInput<'identify'>) {
  const candidates = must(identifyThread(input)).map(({ thread: t, ...rest }) => ({ thread: t.designation, ...rest }));
  return {
    candidates,
    widths: input.acrossFlatsMm === undefined ? undefined : nearestWidths(input.acrossFlatsMm),
  };
}

function drill(input: CalcInput<'drill'>) {
  const { purpose = 'tap' } = input;
  if (input.thread === undefined) {
    const diameterMm = need('diameterMm', input.diameterMm ?? Number.NaN, 0.5, 60);
    return nearestOfEach(diameterMm, input.series);
  }
  const t = readThread(input.thread);
  const chosen = { tap: tapDrill, insert: insertDrill };
  const diameterMm =
    purpose === 'clearance'
      ? (clearanceHoleMm(t, input.fit ?? 'medium') ?? refuse('thread', `no standard hole for ${t.designation}`))
      : chosen[purpose](t).diameterMm;
  return {
    name: purpose === 'clearance' ? nearestDrill(diameterMm).drill.name : chosen[purpose](t).name,
    threadHeightShare: purpose === 'tap' ? threadHeightShare(t, diameterMm) : undefined,
    pilot: pilotDrill(diameterMm, t.system === 'metric' ? 'metric' : 'fraction').name,
    ...nearestOfEach(diameterMm, input.series),
  };
}

function nearestOfEach(diameterMm: number, series?: 'metric' | 'fraction' | 'number' | 'letter') {
  const of = (name: 'metric' | 'fraction' | 'number' | 'letter') => {
    const { drill: found, differenceMm } = nearestDrill(diameterMm, name);
    return { name: found.name, diameterMm: found.diameterMm, differenceMm };
  };
  const all = { metric: of('metric'), fraction: of('fraction'), number: of('number'), letter: of('letter') };
  return { diameterMm, diameterIn: inInches(diameterMm), nearest: series ? { [series]: all[series] } : all };
}

function shrink(input: CalcInput<'shrink'>) {
  const { boreMm, pinMm, roomC = 20 } = input;
  const measured = boreMm !== undefined && pinMm !== undefined ? must(measuredFit(boreMm, pinMm)) : undefined;
  const interferenceMm =
    input.interferenceMm ?? measured?.interferenceMm ?? refuse('interferenceMm', 'give it, or both measured sizes');
  const answer = must(shrinkFit({ ...input, interferenceMm, roomC }));
  // The slip is gone when the bore has cooled to where it just equals the pin.
  const touchC = answer.boreC - (input.slipMm / (answer.boreGrowsMm || 1)) * (answer.boreC - roomC);
  return {
    ...answer,
    interferenceMm,
    fit: measured,
    secondsLeft:
      input.wallMm === undefined || answer.boreC <= roomC
        ? undefined
        : must(secondsLeft(input.bore, answer.boreC, Math.max(roomC, touchC), roomC, input.wallMm)),
  };
}

function convert(input: CalcInput<'convert'>) {
  const same = (from: UnitName, to: UnitName) => {
    if (dimensionOf(from) !== dimensionOf(to)) refuse('to', `${to} does not measure ${dimensionOf(from)}`);
  };
  if ('text' in input) {
    const read = parsePrinted(input.text);
    if (!read.ok) return refuse('text', parseErrorText(read.error));
    same(read.value.unit, input.to);
    const [min, max] = [fromBase(read.value.minBase, input.to), fromBase(read.value.maxBase, input.to)];
    return { value: min, ...(max === min ? {} : { max }), unit: input.to, readAs: read.value.unit };
  }
  same(input.from, input.to);
  return { value: fromBase(toBase(input.value, input.from), input.to), unit: input.to };
}

const TOPICS: { [Topic in CalcTopic]: (input: CalcInput<Topic>) => object } = {
  thread,
  head,
  preload,
  lubricate,
  engagement,
  stud,
  adapter,
  band,
  calibration,
  volume,
  cure,
  elastic,
  identify,
  drill,
  shrink,
  convert,
};

const issueText = (error: z.ZodError): FaultText => {
  const issue = error.issues[0];
  const unknown = issue?.code === 'unrecognized_keys' ? issue.keys[0] : undefined;
  const path = [...(issue?.path ?? []), ...(unknown === undefined ? [] : [unknown])];
  return {
    field:
      path
        .map((step) => (typeof step === 'number' ? `[${step}]` : `.${String(step)}`))
        .join('')
        .replace(/^\./, '') || 'input',
    reason: unknown === undefined ? (issue?.message ?? 'is not as documented') : 'is no field of this topic',
  };
};

/**
 * One calculation by topic, from untyped input.
 * @returns the answer, or the field that cannot be used and why
 */
export function calculate(topic: CalcTopic, input: unknown): Result<object, { code: 'refused' } & FaultText> {
  const read = CALC_INPUTS[topic].safeParse(input);
  if (!read.success) return fail({ code: 'refused', ...issueText(read.error) });
  try {
    // The table and the schema have the same key, which the compiler cannot follow through a union.
    return ok((TOPICS[topic] as (value: unknown) => object)(read.data));
  } catch (error) {
    if (error instanceof CalcRefusal) return fail({ code: 'refused', ...error.fault });
    throw error;
  }
}
