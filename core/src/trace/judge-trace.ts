import { type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result, unreachable } from '../result.ts';
import { BEFOREHAND, type Expectation, looksOf, type Reach, type Sign, SOUND } from './kind-looks.ts';
import {
  MOST_SAMPLES,
  type ShownKind,
  TRACE_KINDS,
  type TraceJoint,
  type TraceKind,
  type TraceSample,
} from './pull-trace.ts';
import { type TraceSigns, traceSigns } from './trace-signs.ts';

/** What fits worse than this fits nothing that is known: then it cannot be told. */
const NOTHING_FITS = -9;
/** One sign alone never outweighs all others. */
const LEAST_TERM = -14;
/** In a joint that gives much, a pause is as long as in one that gives this much, degrees. */
const PAUSE_OF_DEG = 16;
/** A joint that stands moves a handle by no more than its own spring, degrees. */
const STOOD_DEG = 8;
/** What is said of a good pull: where it ended, and how it rose. */
const GOOD_EVIDENCE: readonly Sign[] = ['ended', 'steep'];
/** As many things as are said for a verdict. */
const MOST_EVIDENCE = 4;
/** A reading that scatters more than this share of the target shows nothing. */
const MOST_NOISE = 0.06;
/** A kind with at least this share of the leading one's probability is named beside it. */
const BESIDE = 0.08;

/** One thing that speaks for a verdict, in the unit its words give. */
export interface Evidence {
  sign: Sign | 'noise' | 'readings';
  value: number;
  /** What a sound pull of this joint shows. */
  least?: number;
  most?: number;
}

export interface TraceVerdict {
  kind: TraceKind;
  /** 0 to 1. */
  confidence: number;
  evidence: Evidence[];
  /** Other kinds that fit nearly as well, the likeliest first. */
  alsoPossible: ShownKind[];
  signs?: TraceSigns;
}

function termOf(expectation: Expectation | undefined, value: number, reach: Reach): number {
  if (expectation === undefined) return 0;
  const choices = typeof expectation === 'function' ? expectation(reach) : [expectation];
  const off = choices.map(({ from, to, spread }) => {
    const below = from === undefined ? 0 : Math.max(0, from - value);
    const above = to === undefined ? 0 : Math.max(0, value - to);
    return -0.5 * ((below + above) / spread) ** 2;
  });
  return Math.max(LEAST_TERM, ...off);
}

/** The signs as figures without units; what is not known is left out. */
function weighed(signs: TraceSigns, joint: TraceJoint): { values: Partial<Record<Sign, number>>; reach: Reach } {
  const { slope: span, anyFriction, yieldNm } = signs.expected;
  const elasticDeg = Math.max(3, (0.9 * joint.targetNm) / Math.max(1e-9, signs.slopeNmPerDeg));
  const slope = Math.max(1e-9, signs.slopeNmPerDeg);
  let steep: number | undefined;
  if (span) {
    if (slope < span.least) steep = Math.log(slope / span.least);
    else steep = slope > span.most ? Math.log(slope / span.most) : 0;
  }
  const reach: Reach = {
    low: span && anyFriction ? Math.log(anyFriction.least / span.least) : -0.7,
    high: span && anyFriction ? Math.log(anyFriction.most / span.most) : 0.7,
  };
  // A tenth of the noise is the scatter of a middle; readings round a window's end are no fault.
  const blur = 1.5 * signs.noiseShare * joint.targetNm;
  const { peakNm } = signs;
  let ended = 0;
  if (peakNm + blur < joint.minNm) ended = (peakNm + blur - joint.minNm) / joint.minNm;
  else if (peakNm - blur > joint.maxNm) ended = (peakNm - blur - joint.maxNm) / joint.maxNm;
  const lost = Math.max(signs.settled ?? 0, signs.heldLoss ?? 0);
  const stood = signs.settled !== undefined || signs.heldLoss !== undefined;
  return {
    values: {
      ...(steep === undefined ? {} : { steep }),
      ...(span ? { turned: signs.riseDeg / ((0.9 * joint.targetNm) / span.most) } : {}),
      ended,
      ran: signs.freeRunDeg,
      early: signs.earlyDeg / elasticDeg,
      earlyLoad: signs.earlyShare,
      edge: signs.edgeShare,
      stood: signs.freeRunDeg < 5 && signs.riseDeg < STOOD_DEG ? 1 : 0,
      long: signs.earlyDeg,
      drop: signs.dropShare,
      paused: Math.max(signs.dropShare / 0.1, signs.flatDeg / Math.min(elasticDeg, PAUSE_OF_DEG) / 0.25),
      flat: signs.flatDeg / Math.min(elasticDeg, PAUSE_OF_DEG),
      jerks: signs.jerks,
      gave: signs.plasticDeg / elasticDeg,
      // What is gone when a ratchet is taken up again fell as well.
      fell: Math.max(signs.fallShare, (signs.settled ?? 0) > 0.2 ? Math.min(1, signs.settled ?? 0) : 0),
      ...(yieldNm && signs.plasticDeg > 0 ? { kneeOfYield: signs.kneeNm / yieldNm.least } : {}),
      ...(stood ? { settled: Math.min(1, lost) } : {}),
    },
    reach,
  };
}

const SHOWN: readonly ShownKind[] = TRACE_KINDS.filter((kind): kind is ShownKind => kind !== 'cannotTell');
const SIGNS = Object.keys(SOUND) as Sign[];

/**
 * What kind of pull a trace shows: every kind is a set of signs with how much each may differ, the likelihood of the
 * trace under each is worked out, and the likeliest is named with what speaks for it against a good pull. Where none
 * fits, or the trace holds too little, it says so.
 *
 * @param samples - torque over angle over time, as the instrument gave them
 * @returns the verdict, or the input that cannot be: more samples than a pull has, figures that are no figures, a window
 *   that is upside down
 */
export function judgeTrace(samples: readonly TraceSample[], joint: TraceJoint): Result<TraceVerdict, InputFault> {
  const fault = faultOf(samples, joint);
  if (fault) return fail(fault);
  const signs = traceSigns(samples, joint);
  if (!signs)
    return ok({
      kind: 'cannotTell',
      confidence: 1,
      evidence: [{ sign: 'readings', value: samples.length }],
      alsoPossible: [],
    });
  if (signs.noiseShare > MOST_NOISE)
    return ok({
      kind: 'cannotTell',
      confidence: 0.9,
      evidence: [{ sign: 'noise', value: signs.noiseShare, most: MOST_NOISE }],
      alsoPossible: [],
      signs,
    });
  const { values, reach } = weighed(signs, joint);
  const terms = (kind: ShownKind) =>
    SIGNS.map((sign) => {
      const value = values[sign];
      return value === undefined ? 0 : termOf(looksOf(kind, sign), value, reach);
    });
  const byKind = SHOWN.map((kind) => {
    const each = terms(kind);
    return { kind, each, log: each.reduce((sum, term) => sum + term, 0) + BEFOREHAND[kind] };
  }).sort((a, b) => b.log - a.log);
  const best = byKind[0] as (typeof byKind)[number];
  const whole = byKind.reduce((sum, { log }) => sum + Math.exp(log - best.log), Math.exp(NOTHING_FITS - best.log));
  const alsoPossible = byKind
    .slice(1)
    .filter(({ log }) => Math.exp(log - best.log) >= BESIDE && log > NOTHING_FITS)
    .map(({ kind }) => kind);
  if (best.log < NOTHING_FITS)
    return ok({
      kind: 'cannotTell',
      confidence: Math.min(0.99, Math.exp(NOTHING_FITS - best.log) / whole),
      evidence: against(terms('good'), values, signs, joint),
      alsoPossible: [],
      signs,
    });
  const sound = byKind.find(({ kind }) => kind === 'good') as typeof best;
  return ok({
    kind: best.kind,
    confidence: Math.min(0.99, 1 / whole),
    evidence:
      best.kind === 'good'
        ? GOOD_EVIDENCE.filter((sign) => values[sign] !== undefined).map((sign) => evidenceOf(sign, signs, joint))
        : against(
            sound.each.map((term, at) => term - (best.each[at] as number)),
            values,
            signs,
            joint,
          ),
    alsoPossible,
    signs,
  });
}

/** What speaks most against a good pull, the strongest first. */
function against(
  terms: readonly number[],
  values: Partial<Record<Sign, number>>,
  signs: TraceSigns,
  joint: TraceJoint,
): Evidence[] {
  return SIGNS.map((sign, at) => ({ sign, term: terms[at] as number }))
    .filter(({ term, sign }) => term < -1 && values[sign] !== undefined)
    .sort((a, b) => a.term - b.term)
    .slice(0, MOST_EVIDENCE)
    .map(({ sign }) => evidenceOf(sign, signs, joint));
}

/** A sign as a figure that can be said at the bay, with what a sound pull shows where that is known. */
function evidenceOf(sign: Sign, signs: TraceSigns, joint: TraceJoint): Evidence {
  const { expected } = signs;
  const { targetNm } = joint;
  switch (sign) {
    case 'steep':
      return { sign, value: signs.slopeNmPerDeg, ...expected.slope };
    case 'ended':
      return { sign, value: signs.peakNm, least: joint.minNm, most: joint.maxNm };
    case 'turned':
    case 'stood':
      return {
        sign,
        value: signs.riseDeg,
        ...(expected.slope ? { least: (0.9 * targetNm) / expected.slope.most } : {}),
      };
    case 'ran':
      return { sign, value: signs.freeRunDeg };
    case 'early':
    case 'long':
      return { sign, value: signs.earlyDeg };
    case 'earlyLoad':
      return { sign, value: signs.earlyShare * targetNm };
    case 'edge':
      return { sign, value: signs.edgeShare };
    case 'drop':
      return { sign, value: signs.dropShare * targetNm };
    case 'flat':
    case 'paused':
      return { sign, value: signs.flatDeg };
    case 'jerks':
      return { sign, value: signs.jerks };
    case 'gave':
      return { sign, value: signs.plasticDeg };
    case 'fell':
      return { sign, value: Math.max(signs.fallShare, signs.settled ?? 0) };
    case 'kneeOfYield':
      return { sign, value: signs.kneeNm, ...(expected.yieldNm ? { least: expected.yieldNm.least } : {}) };
    case 'settled':
      return { sign, value: Math.max(signs.settled ?? 0, signs.heldLoss ?? 0) };
    default:
      return unreachable(sign);
  }
}

function faultOf(samples: readonly TraceSample[], joint: TraceJoint): InputFault | undefined {
  const { targetNm, minNm, maxNm, frictionMin, frictionMax, prevailingNm } = joint;
  const fault =
    outOfRange('samples', samples.length, 1, MOST_SAMPLES) ??
    outOfRange('targetNm', targetNm, 0.05, 5000) ??
    outOfRange('minNm', minNm, 0, targetNm) ??
    outOfRange('maxNm', maxNm, targetNm, 10_000) ??
    outOfRange('prevailingNm', prevailingNm, 0, targetNm) ??
    outOfRange('frictionMin', frictionMin ?? 0.1, 0.01, 1) ??
    outOfRange('frictionMax', frictionMax ?? 1, frictionMin ?? 0.01, 1.5) ??
    outOfRange('gripMm', joint.gripMm ?? 10, 0.5, 1000);
  if (fault) return fault;
  const bad = samples.findIndex(
    ({ atMs, angleDeg, torqueNm }) =>
      !(Number.isFinite(atMs) && Number.isFinite(angleDeg) && Number.isFinite(torqueNm)),
  );
  return bad < 0 ? undefined : { code: 'notANumber', field: `samples[${bad}]` };
}
