import { type FromWrench, type ToWrench, ToWrenchSchema } from '#contract/wrench-stream.ts';
import { expectedRise } from '#core/trace/expected-rise.ts';
import type { FAULTS, TraceJoint } from '#core/trace/pull-trace.ts';
import { recordPull } from '#core/trace/simulate/record-pull.ts';
import { type JointModel, jointFor } from './joint-model.ts';
import { FRAME_MS, type PullTrace, simulatePull } from './simulate-pull.ts';

type Armed = Extract<ToWrench, { type: 'arm' }>;
type Fault = (typeof FAULTS)[number];

/** A torque wrench that is not there: speaks the wrench stream and feels a model joint. */
export class WrenchStandIn {
  private armed?: Armed;
  private timer?: NodeJS.Timeout;

  constructor(private readonly send: (message: FromWrench) => void) {
    send({ type: 'ready' });
  }

  /** Takes one message as text; what is not understood is answered with a fault, never dropped in silence. */
  receive(text: string): void {
    let raw: unknown;
    try {
      raw = JSON.parse(text);
    } catch {
      this.send({ type: 'fault', message: 'not JSON' });
      return;
    }
    const parsed = ToWrenchSchema.safeParse(raw);
    if (!parsed.success) {
      this.send({
        type: 'fault',
        message: parsed.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; '),
      });
      return;
    }
    const message = parsed.data;
    switch (message.type) {
      case 'arm':
        this.stop();
        this.armed = message;
        this.send({ type: 'armed', station: message.station, targetNm: message.targetNm });
        break;
      case 'pull':
        this.pull(message);
        break;
      case 'rest':
        this.stop();
        break;
      default:
        // What is said of a paired instrument is not for the stand-in.
        this.send({ type: 'fault', message: `${message.type} is not for the stand-in` });
    }
  }

  /** Puts the wrench down: a pull under way ends without a result. */
  stop(): void {
    clearInterval(this.timer);
    this.timer = undefined;
  }

  private pull({ speedDegPerS, overshootDeg, fault }: Extract<ToWrench, { type: 'pull' }>): void {
    const { armed } = this;
    if (!armed) {
      this.send({ type: 'fault', message: 'arm the wrench first' });
      return;
    }
    if (this.timer) return;
    const joint = traceJointOf(armed);
    const trace =
      fault && joint
        ? faultyPull(joint, fault, armed.standingNm, speedDegPerS)
        : simulatePull(joint ? modelOf(joint, armed.nominalMm) : jointFor(armed.nominalMm), armed, {
            speedDegPerS,
            overshootDeg,
          });
    let index = 0;
    this.timer = setInterval(() => {
      const frame = trace.frames[index];
      if (frame) {
        this.send({ type: 'frame', ...frame });
        if (index === trace.clickFrame) this.send({ type: 'click', torqueNm: frame.torqueNm });
        index += 1;
        return;
      }
      this.stop();
      this.send({
        type: 'end',
        station: armed.station,
        peakNm: trace.peakNm,
        angleDeg: trace.afterClickDeg,
        movementDeg: trace.movementDeg,
        gradientShare: trace.gradientShare,
      });
    }, FRAME_MS);
  }
}

/** The joint it is to feel; undefined where all that was said of it is its size. */
function traceJointOf({ joint, nominalMm, targetNm }: Armed): TraceJoint | undefined {
  if (!joint) return undefined;
  const { system, pitchMm, ...rest } = joint;
  return {
    ...rest,
    thread: { system, nominalMm, pitchMm },
    targetNm,
    minNm: Math.min(rest.minNm, targetNm),
    maxNm: Math.max(rest.maxNm, targetNm),
    prevailingNm: 0,
  };
}

/** A sound joint of this stiffness: the middle of what is to be expected. */
function modelOf(joint: TraceJoint, nominalMm: number): JointModel {
  const plain = jointFor(nominalMm);
  const { slope, yieldNm } = expectedRise(joint);
  if (!slope) return plain;
  const rateNmPerDeg = Math.sqrt(slope.least * slope.most);
  return {
    prevailingNm: Math.min(plain.prevailingNm, 0.03 * joint.targetNm),
    alignDeg: Math.min(plain.alignDeg, (0.3 * joint.targetNm) / rateNmPerDeg),
    rateNmPerDeg,
    yieldNm: yieldNm?.most ?? Math.max(plain.yieldNm, 1.5 * joint.maxNm),
  };
}

/** A hand that is faster than this shows too little of a stiff joint to fifty readings a second. */
const STEADY_DEG_PER_S = 60;

/** A pull of a joint or a hand with a fault, another each time. */
function faultyPull(joint: TraceJoint, fault: Fault, standingNm: number, speedDegPerS: number): PullTrace {
  const samples = recordPull(joint, fault, Math.floor(Math.random() * 1e6), {
    instrument: { hz: 1000 / FRAME_MS, angleEvery: 1, angleLateMs: 0, dropped: 0 },
    ...(fault === 'overrun'
      ? {}
      : { puller: { style: 'wrench', speedDegPerS: Math.min(speedDegPerS, STEADY_DEG_PER_S), overshootDeg: 0 } }),
    // What was snugged before has no free run left; these begin before that.
    ...(fault === 'crossed' || fault === 'bottomed' || fault === 'notSeated' ? {} : { freeDeg: 0, standingNm }),
  });
  const frames = samples.map(({ atMs, angleDeg, torqueNm }) => ({ atMs, angleDeg, torqueNm: Math.max(0, torqueNm) }));
  const peakNm = Math.max(0, ...frames.map(({ torqueNm }) => torqueNm));
  const clickFrame = frames.findIndex(({ torqueNm }) => torqueNm >= joint.targetNm);
  const last = frames.at(-1)?.angleDeg ?? 0;
  return {
    frames,
    clickFrame,
    peakNm,
    afterClickDeg: clickFrame < 0 ? 0 : last - (frames[clickFrame]?.angleDeg ?? last),
    movementDeg: fault === 'alreadyTight' ? 0 : last,
  };
}
