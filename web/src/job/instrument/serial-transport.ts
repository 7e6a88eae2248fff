import type { LineTransport } from './line-transport.ts';

/** What is used of a port of the Web Serial API. @see https://wicg.github.io/serial/ */
export interface SerialPortLike {
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
  writable: WritableStream<Uint8Array> | null;
}
interface SerialLike {
  requestPort(): Promise<SerialPortLike>;
  /** Those the browser was allowed before, and that are plugged in. */
  getPorts(): Promise<SerialPortLike[]>;
}

/** The pace most instruments speak at. Common practice, no source. */
const BAUD = 115_200;

/** The browser's way to a cable; undefined where it has none. */
const serialOf = (): SerialLike | undefined => (navigator as { serial?: SerialLike }).serial;
export const hasSerial = (): boolean => serialOf() !== undefined;
/** Cables the browser was allowed before; none where it opens none. */
export const allowedPorts = async (): Promise<SerialPortLike[]> => (await serialOf()?.getPorts()) ?? [];

/**
 * An instrument on a USB or serial cable. The browser asks which.
 *
 * @param choose - the port; the browser's own question where it is left out
 */
export function serialTransport(choose = async () => serialOf()?.requestPort()): LineTransport {
  let port: SerialPortLike | undefined;
  let reader: ReadableStreamDefaultReader<Uint8Array> | undefined;
  let away = false;
  return {
    name: 'cable',
    async open(onText, onLost) {
      port = await choose();
      if (!port) throw new Error('This browser opens no cable.');
      await port.open({ baudRate: BAUD });
      reader = port.readable?.getReader();
      void listen(reader, onText).then(() => {
        if (!away) onLost();
      });
    },
    write(text) {
      const writer = port?.writable?.getWriter();
      if (!writer) return;
      // A line that broke is told by its reading end.
      void writer
        .write(new TextEncoder().encode(text))
        .catch(() => undefined)
        .finally(() => writer.releaseLock());
    },
    close() {
      away = true;
      const opened = port;
      void reader
        ?.cancel()
        .catch(() => undefined)
        .finally(() => void opened?.close().catch(() => undefined));
    },
  };
}

/** Reads until the line ends; a broken cable ends it as well. */
async function listen(reader: ReadableStreamDefaultReader<Uint8Array> | undefined, onText: (text: string) => void) {
  const decoder = new TextDecoder();
  try {
    for (;;) {
      const { value, done } = (await reader?.read()) ?? { done: true, value: undefined };
      if (done) return;
      onText(decoder.decode(value, { stream: true }));
    }
  } catch {
    // Pulled out: the end of the line, as `done` is.
  } finally {
    reader?.releaseLock();
  }
}
