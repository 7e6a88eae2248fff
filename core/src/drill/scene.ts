import { traceJointOf } from '../job/pull-curve.ts';
import { indexOf, type Plan } from '../kit/plan.ts';
import { acceptBand } from '../tightening/kinds.ts';
import type { ShownKind, TraceSample } from '../trace/pull-trace.ts';
import { recordPull } from '../trace/simulate/record-pull.ts';
import { GAP_MM, HOT_CELSIUS } from './amounts.ts';
import type { PlacedFault } from './drill.ts';
import type { FaultKind } from './fault-kind.ts';
import { coarseWrench } from './place-faults.ts';

/** What a hole or a stud looks like before a bolt goes in. */
export type HoleLook =
  | 'sound'
  | 'seized'
  | 'oval'
  | 'partBetween'
  | 'taped'
  | 'greasy'
  | 'halfDone'
  | 'leftHand'
  | 'noWasher'
  | 'reversed'
  | 'greasyFace'
  | 'neighbourLoose'
  | 'gap'
  | 'hot'
  | 'onJack'
  | 'coarseWrench';

const LOOK_OF: Partial<Record<FaultKind, HoleLook>> = {
  seizedStud: 'seized',
  poorHole: 'oval',
  undeclaredPart: 'partBetween',
  leftInPlace: 'taped',
  greasyThread: 'greasy',
  halfDone: 'halfDone',
  leftHandThread: 'leftHand',
  washerMissing: 'noWasher',
  partReversed: 'reversed',
  greasyFace: 'greasyFace',
  neighbourLoose: 'neighbourLoose',
  gapUneven: 'gap',
  hotPart: 'hot',
  onJackAlone: 'onJack',
  wrongWrench: 'coarseWrench',
};

/** What is seen at a station before it is started. */
export const holeAt = (station: string, faults: readonly PlacedFault[]): HoleLook =>
  faults.flatMap(({ kind, target }) => (target === station ? (LOOK_OF[kind] ?? []) : [])).at(0) ?? 'sound';

/** What is read where a look has figures in it: a scale, a thermometer, a gauge; undefined where it has none. */
export function readAt(plan: Plan, station: string, look: HoleLook): string | undefined {
  if (look === 'hot') return `${HOT_CELSIUS} °C`;
  if (look === 'gap') return `${GAP_MM} mm`;
  if (look !== 'coarseWrench') return undefined;
  const planned = indexOf(plan).stations.get(station);
  const target = planned && acceptBand(planned.spec)?.targetNm;
  const wrench = target === undefined ? undefined : coarseWrench(target);
  return wrench && `${wrench.fromNm}–${wrench.toNm} N·m`;
}

/** Hands as they pull: how fast, how far past, how unsteady (chosen by us). */
export const HANDS = ['even', 'quick', 'heavy', 'unsteady'] as const;
export type Hand = (typeof HANDS)[number];
const PULLER: Record<Hand, { tremor: number; speedDegPerS: number; overshootDeg: number }> = {
  even: { tremor: 0.08, speedDegPerS: 40, overshootDeg: 0.5 },
  quick: { tremor: 0.1, speedDegPerS: 70, overshootDeg: 1 },
  heavy: { tremor: 0.08, speedDegPerS: 45, overshootDeg: 1.2 },
  unsteady: { tremor: 0.3, speedDegPerS: 30, overshootDeg: 0.8 },
};
/** Whose hand pulls in a drill: by its seed, the first an even one. */
export const handOf = (seed: number): Hand => HANDS[Math.abs(seed - 1) % HANDS.length] ?? 'even';

const CURVE_OF: Partial<Record<FaultKind, ShownKind>> = {
  crossed: 'crossed',
  bottomed: 'bottomed',
  stripping: 'stripping',
  slippery: 'slippery',
  alreadyTight: 'alreadyTight',
  soft: 'soft',
};

/** How far a nut runs before its parts meet, degrees (chosen by us). */
const RUN_DEG = 300;

/** A number of a name, so that each station feels its own way. */
const seedOf = (text: string, seed: number): number =>
  [...text].reduce((sum, sign) => (sum * 31 + (sign.codePointAt(0) ?? 0)) % 1_000_003, seed);

/**
 * What a hand feels that pulls a station to its figure: torque over turn, the same for a seed.
 *
 * @returns undefined where the station's stack says too little to model it
 */
export function pullAt(
  plan: Plan,
  station: string,
  faults: readonly PlacedFault[],
  seed: number,
): TraceSample[] | undefined {
  const planned = indexOf(plan).stations.get(station);
  const band = planned && acceptBand(planned.spec);
  const joint = planned && band && traceJointOf(plan, planned, band);
  if (!joint) return undefined;
  const kind = faults.flatMap(({ kind, target }) => (target === station ? (CURVE_OF[kind] ?? []) : [])).at(0) ?? 'good';
  // A good instrument: what is to be told is the joint. One that is tight already is felt in a blink.
  const tight = kind === 'alreadyTight';
  const hand = PULLER[handOf(seed)];
  return recordPull(joint, kind, seedOf(station, seed), {
    puller: tight ? { style: 'wrench', tremor: 0.08, speedDegPerS: 20, overshootDeg: 0 } : { style: 'wrench', ...hand },
    instrument: {
      hz: tight ? 200 : 100,
      noise: 0.002,
      zeroShare: 0,
      driftPerS: 0,
      dropped: 0,
      angleEvery: 1,
      angleLateMs: 0,
      angleStepDeg: 0.1,
    },
    freeDeg: tight ? 0 : RUN_DEG,
    standingNm: tight ? joint.targetNm : 0,
  });
}
