import { say } from '#contract/wording/say.ts';

/** An utterance as a listening program understood it, and how sure it is of it, 0 to 1. */
export interface Utterance {
  text: string;
  confidence: number;
}

/** Understands what is said. A program on this very device; in tests one that is told its words. */
export interface HearingEngine {
  /** Begins to listen; returns how to stop. `onFault` says why it does not hear. */
  listen(onHeard: (said: Utterance) => void, onFault: (why: string | undefined) => void): () => void;
}

/** Wait before a lost listener is asked again, ms. */
const AGAIN_MS = 5000;

/** Whether an address is of this device: nobody's voice leaves it. */
export const isOwnDevice = (address: string): boolean => {
  const host = URL.canParse(address) ? new URL(address) : undefined;
  return (
    host?.protocol === 'ws:' &&
    (host.hostname === 'localhost' || host.hostname === '[::1]' || /^127\./.test(host.hostname))
  );
};

/** One line of a listener, `{"heard":"done","confidence":0.94}`; undefined where it is no such line. */
export function utteranceOf(line: string): Utterance | undefined {
  try {
    const read: unknown = JSON.parse(line);
    if (typeof read !== 'object' || read === null) return undefined;
    const { heard, confidence = 1 } = read as { heard?: unknown; confidence?: unknown };
    return typeof heard === 'string' && typeof confidence === 'number' && confidence >= 0 && confidence <= 1
      ? { text: heard, confidence }
      : undefined;
  } catch {
    // Whatever else a program prints is no utterance.
    return undefined;
  }
}

/** The listening program of this device, over a WebSocket; asked again while it is away. See docs/formats/heard-line.md. */
export const socketHearing = (address: string): HearingEngine => ({
  listen(onHeard, onFault) {
    if (!isOwnDevice(address)) {
      onFault(say('{address} is not on this device: nothing that is said leaves it.', { address }));
      return () => undefined;
    }
    let socket: WebSocket | undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let over = false;
    let rest = '';
    const open = () => {
      socket = new WebSocket(address);
      socket.onopen = () => onFault(undefined);
      socket.onmessage = (event: MessageEvent) => {
        const lines = `${rest}${String(event.data)}`.split(/\r?\n/);
        rest = lines.pop() ?? '';
        // A frame without a line's end is a line.
        const whole = utteranceOf(rest) ? [...lines, rest] : lines;
        if (whole.length > lines.length) rest = '';
        for (const line of whole) {
          const said = utteranceOf(line);
          if (said) onHeard(said);
        }
      };
      socket.onclose = () => {
        rest = '';
        if (over) return;
        onFault(say('{address} does not answer.', { address }));
        timer = setTimeout(open, AGAIN_MS);
      };
    };
    open();
    return () => {
      over = true;
      clearTimeout(timer);
      socket?.close();
    };
  },
});

let engine: ((address: string) => HearingEngine) | undefined;
/** Another engine in the place of the device's own; its own again where none is given. */
export const hearWith = (other?: HearingEngine): void => {
  engine = other && (() => other);
};
export const hearing = (address: string): HearingEngine => (engine ?? socketHearing)(address);
