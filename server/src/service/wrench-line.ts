import { PairedWrench } from '#contract/instrument/paired-wrench.ts';
import { type FromWrench, ToWrenchSchema } from '#contract/wrench-stream.ts';
import { packTrace } from '#core/trace/pack-trace.ts';
import { MOST_SAMPLES, type TraceSample } from '#core/trace/pull-trace.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { WrenchStandIn } from '#devices/torque-wrench/stand-in.ts';
import type { LiveReading } from './reading-proofs.ts';

/**
 * One tablet's line to a live wrench: the stand-in, until the tablet says that a real instrument hangs on it. What either
 * reads goes out with the packed curve and the server's code.
 */
export class WrenchLine {
  private readonly standIn: WrenchStandIn;
  private paired?: PairedWrench;
  private frames: TraceSample[] = [];

  /**
   * @param say - one message to the tablet
   * @param issue - the server's code over a reading
   */
  constructor(
    private readonly wrench: Pick<Wrench, 'label' | 'serial' | 'fullScaleNm'>,
    private readonly say: (message: FromWrench) => void,
    private readonly issue: (reading: LiveReading) => string,
  ) {
    this.standIn = new WrenchStandIn((message) => this.out(message));
  }

  /** Takes one message as text; what is not understood is answered with a fault, never dropped in silence. */
  receive(text: string): void {
    const parsed = ToWrenchSchema.safeParse(jsonOf(text));
    const message = parsed.success ? parsed.data : undefined;
    switch (message?.type) {
      case 'pair':
        this.standIn.stop();
        this.frames = [];
        this.paired = new PairedWrench(this.wrench, (said) => this.out(said));
        return;
      case 'heard':
        this.paired?.hear(message.text);
        return;
      case 'unheard':
        this.paired?.lost();
        return;
      case 'arm':
        if (this.paired) this.paired.arm(message);
        else this.standIn.receive(text);
        return;
      default:
        // The stand-in says what is wrong with it, and moves its own hand; a real one is moved by a real hand.
        if (!this.paired) this.standIn.receive(text);
    }
  }

  stop(): void {
    this.standIn.stop();
  }

  private out(message: FromWrench): void {
    if (message.type === 'armed') this.frames = [];
    if (message.type === 'frame' && this.frames.length < MOST_SAMPLES) this.frames.push(message);
    if (message.type !== 'end') {
      this.say(message);
      return;
    }
    const { station, peakNm: torqueNm, angleDeg, movementDeg, gradientShare } = message;
    const trace = packTrace(this.frames);
    this.frames = [];
    this.say({
      ...message,
      trace,
      issued: this.issue({ station, torqueNm, angleDeg, movementDeg, gradientShare, trace }),
    });
  }
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    // No JSON is no message: the stand-in answers it so.
    return undefined;
  }
}
