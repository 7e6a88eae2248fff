import { say } from '../wording/say.ts';
import type { FromWrench, ToWrench } from '../wrench-stream.ts';
import { type InstrumentSaid, type LineFault, LineReader, type PairFault, targetLine } from './instrument-line.ts';

/** What a shop knows of a wrench before it is paired. */
export interface ExpectedWrench {
  label: string;
  /** As engraved; any instrument is taken where it is not on file. */
  serial?: string;
  fullScaleNm: number;
}

type Armed = Extract<ToWrench, { type: 'arm' }>;

/** Nothing is pulled with a battery below this (chosen by us): it would die on the next. */
const FLAT = 0.05;
/** The reading with nothing on it may be this share of full scale. Common practice, no source. */
const ZERO_SHARE = 0.01;
/** Torque that has fallen to this share of the peak is a handle let go. */
const LET_GO = 0.15;
/** A nut that held torque turns when the handle is past this share of it. */
const TURNS_FROM = 0.9;
/** The most readings a pull may send. */
const MOST_FRAMES = 60_000;

interface Frame {
  atMs: number;
  angleDeg: number;
  torqueNm: number;
}

/**
 * A real instrument on a tablet's cable or in the air: takes its lines as they come and speaks the wrench stream, as the
 * stand-in does. It is let in by its serial, charged and at zero; a line that breaks in the middle of a pull ends that pull
 * without a result.
 */
export class PairedWrench {
  private readonly reader = new LineReader();
  private armed?: Armed;
  private known = false;
  private flat = false;
  private zeroOff?: number;
  private frames: Frame[] = [];
  private clickAt?: Frame;

  constructor(
    private readonly expected: ExpectedWrench,
    private readonly send: (message: FromWrench) => void,
  ) {}

  /** Sets what the next pull is for, and tells the instrument. */
  arm(task: Armed): void {
    this.armed = task;
    this.forget();
    if (!this.letIn()) return;
    const { minNm = task.targetNm, maxNm = task.targetNm } = task.joint ?? {};
    this.send({ type: 'tell', text: targetLine(this.reader.format, task.targetNm, minNm, maxNm) });
    this.send({ type: 'armed', station: task.station, targetNm: task.targetNm });
  }

  /** Whatever came over the cable. */
  hear(chunk: string): void {
    for (const said of this.reader.feed(chunk)) this.take(said);
  }

  /** The cable was pulled, or the air was lost. */
  lost(): void {
    if (this.frames.length > 0)
      this.fault(
        'lineLost',
        say('The line to {label} broke in the middle of a pull: loosen, and pull again.', {
          label: this.expected.label,
        }),
      );
    this.known = false;
    this.forget();
  }

  private forget(): void {
    this.frames = [];
    this.clickAt = undefined;
  }

  private fault(code: PairFault, message: string): void {
    this.send({ type: 'fault', code, message });
  }

  /** Whether a pull may be made with it; says why where not. */
  private letIn(): boolean {
    const { label } = this.expected;
    if (!this.known) return false;
    if (this.flat)
      this.fault('batteryFlat', say('The battery of {label} is flat: charge it, or take another wrench.', { label }));
    if (this.zeroOff !== undefined)
      this.fault(
        'zeroOff',
        say('{label} reads {zeroOff} N·m with nothing on it: put it down and set it to zero.', {
          label,
          zeroOff: this.zeroOff.toFixed(1),
        }),
      );
    return !this.flat && this.zeroOff === undefined;
  }

  private take(said: InstrumentSaid | LineFault): void {
    switch (said.say) {
      case 'fault':
        this.fault(
          'lineUnread',
          say('Not understood{which}: {line}', {
            which: said.reason === 'tooLong' ? say(', too long') : '',
            line: said.line,
          }),
        );
        break;
      case 'hello':
        this.greet(said);
        break;
      case 'status':
        this.state(said);
        break;
      case 'sample':
        this.sample(said);
        break;
      case 'click':
        this.click(said.nm);
        break;
      case 'end':
        this.end();
        break;
    }
  }

  private greet({ serial, ...state }: Extract<InstrumentSaid, { say: 'hello' }>): void {
    // It comes back in the middle of a pull: what it read before is half a pull.
    if (this.known && this.frames.length > 0) this.lost();
    const { label, serial: engraved } = this.expected;
    if (engraved !== undefined && plain(serial) !== plain(engraved)) {
      this.known = false;
      this.fault(
        'otherInstrument',
        say('This is {serial}. {label} is {engraved}: take that one, or choose this wrench.', {
          serial,
          label,
          engraved,
        }),
      );
      return;
    }
    this.known = true;
    this.send({ type: 'paired', serial, battery: state.battery });
    this.state(state);
    if (this.armed) this.arm(this.armed);
    else this.letIn();
  }

  private state({ battery, zeroNm }: { battery?: number; zeroNm?: number }): void {
    if (battery !== undefined) this.flat = battery < FLAT;
    if (zeroNm === undefined) return;
    const was = this.zeroOff;
    this.zeroOff = Math.abs(zeroNm) > ZERO_SHARE * this.expected.fullScaleNm ? zeroNm : undefined;
    // Set to zero since: the pull may begin.
    if (was !== undefined && this.zeroOff === undefined && this.armed) this.arm(this.armed);
  }

  private sample({ ms, deg, nm }: Extract<InstrumentSaid, { say: 'sample' }>): void {
    const { armed } = this;
    if (!this.known || !armed || this.flat || this.zeroOff !== undefined || this.frames.length >= MOST_FRAMES) return;
    const frame: Frame = { atMs: ms, angleDeg: deg, torqueNm: nm };
    const newest = this.frames.at(-1);
    this.frames.push(frame);
    // One that comes late belongs to the curve; the gauge does not jump back for it.
    if (newest && ms < newest.atMs) {
      this.frames.sort((a, b) => a.atMs - b.atMs);
      return;
    }
    this.send({ type: 'frame', ...frame });
    if (!this.clickAt && nm >= armed.targetNm) this.click(nm);
    const peakNm = this.peakNm();
    if (peakNm > 0.3 * armed.targetNm && nm < LET_GO * peakNm) this.end();
  }

  private peakNm(): number {
    return this.frames.reduce((most, { torqueNm }) => Math.max(most, torqueNm), 0);
  }

  private click(torqueNm: number): void {
    const at = this.frames.at(-1);
    if (!this.armed || !at || this.clickAt) return;
    this.clickAt = at;
    this.send({ type: 'click', torqueNm });
  }

  /** The handle was let go: what it came to, counted from its own readings. */
  private end(): void {
    const { armed, frames, clickAt } = this;
    const first = frames[0];
    if (!armed || !first) return;
    const peakNm = this.peakNm();
    const last = frames.reduce((most, { angleDeg }) => Math.max(most, angleDeg), first.angleDeg);
    // Until it is past what it held, only the handle winds up.
    const turns = frames.find(({ torqueNm }) => torqueNm >= TURNS_FROM * armed.standingNm) ?? first;
    this.armed = undefined;
    this.forget();
    this.send({
      type: 'end',
      station: armed.station,
      peakNm,
      angleDeg: clickAt ? Math.max(0, last - clickAt.angleDeg) : 0,
      movementDeg: Math.max(0, last - (armed.standingNm > 0 ? turns.angleDeg : first.angleDeg)),
    });
  }
}

/** Serials are compared by their letters and digits. */
const plain = (serial: string): string => serial.toUpperCase().replace(/[^A-Z0-9]/g, '');
