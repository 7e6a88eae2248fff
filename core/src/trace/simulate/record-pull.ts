import { randomFrom } from '../../quantity/random.ts';
import type { ShownKind, TraceJoint, TraceSample } from '../pull-trace.ts';
import { type FeltJoint, feltJoint, type JointFault } from './felt-joint.ts';

/** Who pulls, and how. */
export interface Puller {
  style: 'wrench' | 'ratchet' | 'power';
  speedDegPerS: number;
  /** Share by which the hand's pace goes up and down. */
  tremor: number;
  /** Degrees it goes on after the target. */
  overshootDeg: number;
  /** Degrees of one stroke of a ratchet. */
  strokeDeg: number;
}

/** What the instrument adds. */
export interface Instrument {
  hz: number;
  /** One standard deviation, share of the target. */
  noise: number;
  zeroShare: number;
  /** Share of the target per second. */
  driftPerS: number;
  dropped: number;
  /** The angle comes on its own clock: so many times slower, and so late. */
  angleEvery: number;
  angleLateMs: number;
  angleStepDeg: number;
}

/** Degrees a handle winds up before a nut that holds torque turns. */
const WIND_UP_DEG = 6;
const MOST_MS = 60_000;

/** One pull of a model joint with a hand and an instrument, the same for a seed. */
export function recordPull(
  joint: TraceJoint,
  kind: ShownKind,
  seed: number,
  over: { puller?: Partial<Puller>; instrument?: Partial<Instrument>; freeDeg?: number; standingNm?: number } = {},
): TraceSample[] {
  const random = randomFrom(seed * 7919 + 17);
  for (let warm = 0; warm < 5; warm++) random();
  const draw = (from: number, to: number) => from + random() * (to - from);
  const power = kind === 'overrun' && draw(0, 1) < 0.75;
  const style = power ? 'power' : draw(0, 1) < 0.35 && kind !== 'alreadyTight' ? 'ratchet' : 'wrench';
  const puller: Puller = {
    style,
    speedDegPerS: power ? draw(180, 420) : draw(18, 75),
    tremor: draw(0.05, 0.3),
    overshootDeg: draw(0, 2),
    strokeDeg: draw(18, 60),
    ...over.puller,
  };
  const instrument: Instrument = {
    // What jerks twenty times a second is not seen by fifty readings.
    hz: [kind === 'stickSlip' ? 200 : 50, 100, 200, 500][Math.floor(draw(0, 4))] ?? 100,
    noise: draw(0.001, 0.007),
    zeroShare: draw(-0.025, 0.025),
    driftPerS: draw(-0.004, 0.004),
    dropped: draw(0, 0.06),
    angleEvery: draw(0, 1) < 0.3 ? 3 : 1,
    angleLateMs: draw(0, 20),
    angleStepDeg: [0.1, 0.25, 0.5][Math.floor(draw(0, 3))] ?? 0.1,
    ...over.instrument,
  };
  const fault: JointFault = kind === 'overrun' || kind === 'alreadyTight' ? 'good' : kind;
  const freeDeg =
    over.freeDeg ??
    (kind === 'crossed'
      ? draw(260, 900)
      : kind === 'bottomed'
        ? draw(60, 700)
        : kind === 'notSeated' || draw(0, 1) < 0.7
          ? draw(40, 900)
          : 0);
  const felt = feltJoint(joint, fault, draw, freeDeg);
  // One that starts without a free run was snugged before.
  let standingNm = over.standingNm ?? (freeDeg === 0 ? joint.targetNm * draw(0.15, 0.5) : 0);
  if (kind === 'alreadyTight') standingNm = joint.targetNm * draw(0.97, 1.05);
  const aimNm = kind === 'overrun' ? joint.maxNm * draw(1.1, 1.3) : joint.targetNm * draw(0.99, 1.01);
  const handle = walk(felt, puller, aimNm, standingNm, joint, draw, kind);
  return read(handle, instrument, joint, random, draw);
}

interface Moment {
  atMs: number;
  handleDeg: number;
  torqueNm: number;
}

/** Where the nut already stands when it holds a torque. */
function standsAt(felt: FeltJoint, standingNm: number): number {
  if (standingNm <= 0) return 0;
  let deg = felt.contactDeg;
  while (felt.torqueAtNm(deg) < standingNm && deg < felt.contactDeg + 3000) deg += 0.2;
  return deg;
}

/** Handle and torque over time, a millisecond at a time. */
function walk(
  felt: FeltJoint,
  puller: Puller,
  aimNm: number,
  standingNm: number,
  joint: TraceJoint,
  draw: (from: number, to: number) => number,
  kind: ShownKind,
): Moment[] {
  const moments: Moment[] = [];
  let nutDeg = standsAt(felt, standingNm);
  const beganDeg = nutDeg;
  /** How far the handle is wound up against a nut that stands. */
  let windUp = 0;
  let windUpOf = standingNm;
  let lostNm = 0;
  let handleDeg = 0;
  let atMs = 0;
  let strokeLeft = puller.strokeDeg;
  const phase = draw(0, 6);
  const say = (torqueNm: number) => moments.push({ atMs, handleDeg, torqueNm });
  const rest = (ms: number, torqueAt: (share: number) => number) => {
    for (let at = 0; at < ms; at++) {
      atMs += 1;
      say(torqueAt(at / ms));
    }
  };
  rest(draw(0, 1) < 0.6 ? draw(60, 300) : 0, () => 0);
  let past = 0;
  let overDeg = 0;
  let peak = 0;
  let fell = 0;
  while (atMs < MOST_MS) {
    atMs += 1;
    // A free nut is spun down faster than it is pulled.
    const free = nutDeg < felt.contactDeg - 20 && puller.style !== 'power' ? 5 : 1;
    const pace = (puller.speedDegPerS * free * (1 + puller.tremor * Math.sin(atMs / 140 + phase))) / 1000;
    handleDeg += pace;
    let torqueNm: number;
    if (windUp < 1 && windUpOf > 0) {
      windUp = Math.min(1, windUp + pace / WIND_UP_DEG);
      torqueNm = windUpOf * windUp;
    } else {
      nutDeg += pace;
      torqueNm = felt.torqueAtNm(nutDeg) - lostNm;
    }
    say(torqueNm);
    peak = Math.max(peak, torqueNm);
    fell = torqueNm < 0.8 * peak && kind === 'stripping' ? fell + 1 : 0;
    if (torqueNm >= aimNm) past = 1;
    if (past) overDeg += pace;
    if (past && overDeg >= puller.overshootDeg) break;
    // It turns and turns and does not get tighter: the hand stops, sooner or later.
    if (fell > 250) break;
    if (nutDeg - felt.contactDeg > (joint.targetNm / felt.slopeNmPerDeg) * 3.2 + 30 && nutDeg - beganDeg > 30) break;
    strokeLeft -= pace;
    if (puller.style === 'ratchet' && strokeLeft <= 0 && nutDeg >= felt.contactDeg && torqueNm > 0.2 * aimNm) {
      strokeLeft = puller.strokeDeg;
      const held = torqueNm;
      const pause = draw(150, 450);
      lostNm = Math.max(lostNm, held * felt.settles.share * (1 - Math.exp(-pause / felt.settles.afterMs)));
      rest(50, (share) => held * (1 - share));
      rest(pause, () => 0);
      windUp = 0;
      windUpOf = felt.torqueAtNm(nutDeg) - lostNm;
    } else if (puller.style === 'ratchet' && strokeLeft <= 0) strokeLeft = puller.strokeDeg;
  }
  const held = moments.at(-1)?.torqueNm ?? 0;
  // A hand that waits a moment is what shows that a joint settles.
  const hold = kind === 'soft' ? draw(250, 500) : draw(60, 400);
  rest(hold, (share) => held * (1 - felt.settles.share * (1 - Math.exp((-share * hold) / felt.settles.afterMs))));
  const now = moments.at(-1)?.torqueNm ?? 0;
  if (draw(0, 1) < 0.7) {
    rest(40, (share) => now * (1 - share));
    rest(draw(40, 200), () => 0);
  }
  return moments;
}

/** What the instrument says of it. */
function read(
  moments: readonly Moment[],
  instrument: Instrument,
  joint: TraceJoint,
  random: () => number,
  draw: (from: number, to: number) => number,
): TraceSample[] {
  const stepMs = 1000 / instrument.hz;
  const normal = () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
  const samples: TraceSample[] = [];
  let angle = 0;
  const last = moments.at(-1)?.atMs ?? 0;
  for (let index = 0; index * stepMs <= last; index++) {
    const atMs = index * stepMs;
    const moment = moments[Math.min(moments.length - 1, Math.round(atMs))] as Moment;
    if (index % instrument.angleEvery === 0) {
      const late = moments[
        Math.max(0, Math.min(moments.length - 1, Math.round(atMs - instrument.angleLateMs)))
      ] as Moment;
      angle = Math.round(late.handleDeg / instrument.angleStepDeg) * instrument.angleStepDeg;
    }
    if (random() < instrument.dropped) continue;
    const off =
      joint.targetNm * (instrument.zeroShare + (instrument.driftPerS * atMs) / 1000 + instrument.noise * normal());
    samples.push({ atMs: atMs + draw(0, 1), angleDeg: angle, torqueNm: moment.torqueNm + off });
  }
  return samples;
}
