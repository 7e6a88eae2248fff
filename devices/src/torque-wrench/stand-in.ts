import { type FromWrench, type ToWrench, ToWrenchSchema } from '#contract/wrench-stream.ts';
import { jointFor } from './joint-model.ts';
import { FRAME_MS, simulatePull } from './simulate-pull.ts';

/** A torque wrench that is not there: speaks the wrench stream and feels a model joint. */
export class WrenchStandIn {
  private armed?: Extract<ToWrench, { type: 'arm' }>;
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
        this.pull(message.speedDegPerS, message.overshootDeg);
        break;
      case 'rest':
        this.stop();
        break;
    }
  }

  /** Puts the wrench down: a pull under way ends without a result. */
  stop(): void {
    clearInterval(this.timer);
    this.timer = undefined;
  }

  private pull(speedDegPerS: number, overshootDeg: number): void {
    const { armed } = this;
    if (!armed) {
      this.send({ type: 'fault', message: 'arm the wrench first' });
      return;
    }
    if (this.timer) return;
    const trace = simulatePull(jointFor(armed.nominalMm), armed, { speedDegPerS, overshootDeg });
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
