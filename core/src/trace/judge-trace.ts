import { type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result, unreachable } from '../result.ts';
import {
  MOST_SAMPLES,
  type ShownKind,
  TRACE_KINDS,
  type TraceJoint,
  type TraceKind,
  type TraceSample,
} from './pull-trace.ts';
import { type TraceSigns, traceSigns } from './trace-signs.ts';

/**
 * What is weighed, each without a unit, so that one table serves every size.
 *
 * - `steep`: ln of how far the elastic rise lies outside what a sound joint may do; 0 inside
 * - `ended`: how far the peak lies below the least (negative) or above the most, share of it; 0 inside
 * - `turned`: angle of the rise over the least a sound joint needs
 * - `ran`: degrees of free run
 * - `early`: degrees under torque before the elastic rise, over that rise's own degrees
 * - `long`: the same in degrees
 * - `earlyLoad`: torque where the elastic rise begins, share of the target
 * - `edge`: the steepest fair rise before it, share of its slope
 * - `stood`: 1 where it began tight and hardly moved
 * - `drop`, `flat`: lost, and degrees at a standstill, before the elastic rise
 * - `paused`: whichever of both is more, 1 where it would be seen for certain
 * - `jerks`: drops and rises again
 * - `gave`: degrees less than half as steep at the end, over the elastic rise's
 * - `fell`: share of the peak lost while the handle went on
 * - `kneeOfYield`: torque at which it gave over the least at which this bolt may yield
 * - `settled`: share lost while it stood still
 */
export type Sign =
  | 'steep'
  | 'ended'
  | 'turned'
  | 'ran'
  | 'early'
  | 'long'
  | 'earlyLoad'
  | 'edge'
  | 'stood'
  | 'drop'
  | 'flat'
  | 'paused'
  | 'jerks'
  | 'gave'
  | 'fell'
  | 'kneeOfYield'
  | 'settled';

/** Anything between `from` and `to` is as good as anything else; outside it falls off by `spread`. */
interface Expected {
  from?: number;
  to?: number;
  spread: number;
}

/** What friction alone may do to the rise, as `steep`. */
type Reach = { low: number; high: number };
type Expectation = Expected | ((reach: Reach) => readonly Expected[]);

/** How a sound pull looks. Widths chosen by us, on pulls of model joints with noise, drift and hands of their own. */
const SOUND: Record<Sign, Expectation | undefined> = {
  steep: { from: 0, to: 0, spread: 0.11 },
  ended: { from: 0, to: 0, spread: 0.015 },
  turned: { from: 0.75, spread: 0.12 },
  ran: undefined,
  early: { to: 0.9, spread: 0.3 },
  long: undefined,
  earlyLoad: undefined,
  edge: undefined,
  stood: undefined,
  drop: { to: 0.035, spread: 0.015 },
  flat: { to: 0.08, spread: 0.06 },
  paused: undefined,
  jerks: { to: 1, spread: 0.6 },
  gave: { to: 0.12, spread: 0.08 },
  fell: { to: 0.03, spread: 0.02 },
  kneeOfYield: undefined,
  settled: { to: 0.025, spread: 0.012 },
};

const FREE: Expected = { spread: 1 };
/** A stiff rise carries a hand past the end a little before it stops. */
const SHORT_REACH: Expected = { from: 0, to: 0.12, spread: 0.03 };
/** A joint with another fault may rise a little off as well. */
const ABOUT: Expected = { from: 0, to: 0, spread: 0.3 };

/** What a kind of pull looks like where it differs from a sound one. `undefined` drops a sign. */
const LOOKS: Record<ShownKind, Partial<Record<Sign, Expectation | undefined>>> = {
  good: {},
  crossed: {
    steep: { from: -1.2, to: 0.1, spread: 0.3 },
    ended: FREE,
    early: { from: 1.8, spread: 0.4 },
    long: { from: 120, spread: 25 },
    earlyLoad: { from: 0.2, spread: 0.08 },
    edge: { to: 0.3, spread: 0.08 },
    settled: FREE,
    drop: { to: 0.06, spread: 0.03 },
    flat: FREE,
    jerks: FREE,
    gave: FREE,
  },
  bottomed: {
    steep: ({ high }) => [{ from: Math.max(0.8, high + 0.4), spread: 0.08 }],
    ended: { from: 0, spread: 0.015 },
    turned: { to: 0.5, spread: 0.1 },
    ran: { from: 30, spread: 10 },
    early: FREE,
    gave: FREE,
    fell: { to: 0.05, spread: 0.04 },
  },
  notSeated: {
    steep: ABOUT,
    early: { from: 0.3, to: 3.5, spread: 0.6 },
    earlyLoad: { from: 0.1, spread: 0.05 },
    edge: { from: 0.35, spread: 0.1 },
    drop: FREE,
    paused: { from: 1, spread: 0.3 },
    flat: FREE,
    jerks: { to: 2, spread: 0.6 },
    fell: FREE,
    settled: FREE,
  },
  stripping: {
    steep: ABOUT,
    ended: { to: 0, spread: 0.03 },
    turned: FREE,
    jerks: { to: 2, spread: 0.6 },
    gave: { from: 0.35, spread: 0.12 },
    fell: { from: 0.09, spread: 0.025 },
    // What is lost between two strokes of a ratchet is lost by giving way, and much.
    settled: () => [
      { to: 0.03, spread: 0.015 },
      { from: 0.2, spread: 0.05 },
    ],
  },
  yielding: {
    steep: ABOUT,
    ended: FREE,
    jerks: { to: 2, spread: 0.6 },
    gave: { from: 0.4, spread: 0.09 },
    fell: { to: 0.05, spread: 0.02 },
    kneeOfYield: { from: 0.5, spread: 0.2 },
  },
  slippery: { steep: ({ low }) => [{ from: Math.min(-0.3, low), to: -0.2, spread: 0.08 }], ended: SHORT_REACH },
  dry: {
    steep: ({ high }) => [{ from: 0.2, to: Math.max(0.3, high), spread: 0.08 }],
    ended: SHORT_REACH,
    stood: { to: 0, spread: 0.5 },
    turned: { from: 0.45, spread: 0.1 },
  },
  soft: {
    steep: { to: -0.35, spread: 0.15 },
    ended: { from: -0.05, to: 0, spread: 0.03 },
    early: { to: 3, spread: 1 },
    settled: { from: 0.035, to: 0.25, spread: 0.012 },
  },
  alreadyTight: {
    steep: { from: 0.15, spread: 0.15 },
    ended: { from: -0.03, spread: 0.03 },
    turned: { to: 0.65, spread: 0.08 },
    ran: { to: 4, spread: 1.5 },
    stood: { from: 1, spread: 0.5 },
    early: FREE,
    gave: FREE,
  },
  stickSlip: {
    steep: FREE,
    early: FREE,
    drop: { to: 0.18, spread: 0.05 },
    flat: FREE,
    jerks: { from: 3, spread: 0.7 },
    gave: FREE,
    fell: { to: 0.16, spread: 0.05 },
    settled: FREE,
  },
  overrun: { ended: { from: 0.02, spread: 0.008 }, early: FREE, gave: { to: 0.4, spread: 0.2 } },
  wrongStiffness: {
    steep: ({ low, high }) => [
      // What hardly rises at all is no joint of any length.
      { from: low - 1.6, to: low - 0.08, spread: 0.06 },
      { from: high + 0.06, to: high + 0.34, spread: 0.06 },
    ],
    ended: SHORT_REACH,
    stood: { to: 0, spread: 0.5 },
    turned: { from: 0.3, spread: 0.1 },
  },
};

/** How common a kind is before anything is seen, as a logarithm: most pulls are good. Chosen by us. */
const BEFOREHAND: Record<ShownKind, number> = {
  good: 2,
  crossed: 0,
  bottomed: 0,
  notSeated: 0,
  stripping: 0,
  yielding: 0,
  slippery: 0,
  dry: 0,
  // That one joint is soft is rarer than that something is on its thread; a settling shows it.
  soft: -1,
  alreadyTight: 0,
  stickSlip: 0,
  overrun: 0,
  wrongStiffness: -0.5,
};

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

const looksOf = (kind: ShownKind, sign: Sign): Expectation | undefined =>
  sign in LOOKS[kind] ? LOOKS[kind][sign] : SOUND[sign];

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
