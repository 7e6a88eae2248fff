import { describe, expect, it } from '@jest/globals';
import { type SerialPortLike, serialTransport } from './serial-transport.ts';

const soon = () => new Promise((resolve) => setTimeout(resolve, 0));
const bytes = (text: string) => new TextEncoder().encode(text);

/** A port whose other end is held by the test. */
function fakePort() {
  let give: ReadableStreamDefaultController<Uint8Array> | undefined;
  const written: string[] = [];
  const port: SerialPortLike & { closed: boolean } = {
    closed: false,
    open: async () => undefined,
    close: async () => {
      port.closed = true;
    },
    readable: new ReadableStream<Uint8Array>({
      start(controller) {
        give = controller;
      },
    }),
    writable: new WritableStream<Uint8Array>({ write: (chunk) => void written.push(new TextDecoder().decode(chunk)) }),
  };
  return {
    port,
    written,
    says: (text: string) => give?.enqueue(bytes(text)),
    breaks: () => give?.error(new Error('gone')),
  };
}

describe('a cable', () => {
  it('gives what came in whatever pieces, takes what is told, and says when it broke', async () => {
    const { port, written, says, breaks } = fakePort();
    const heard: string[] = [];
    let lost = 0;
    const line = serialTransport(async () => port);
    await line.open(
      (text) => heard.push(text),
      () => (lost += 1),
    );
    says('S,1,2');
    says(',3\n');
    line.write('?\n');
    await soon();
    expect(heard.join('')).toBe('S,1,2,3\n');
    expect(written).toEqual(['?\n']);
    breaks();
    await soon();
    expect(lost).toBe(1);
  });
  it('put away on purpose is not lost', async () => {
    const { port } = fakePort();
    let lost = 0;
    const line = serialTransport(async () => port);
    await line.open(
      () => undefined,
      () => (lost += 1),
    );
    line.close();
    await soon();
    await soon();
    expect([lost, port.closed]).toEqual([0, true]);
  });
  it('that nobody chose is said', async () => {
    await expect(
      serialTransport(async () => undefined).open(
        () => undefined,
        () => undefined,
      ),
    ).rejects.toThrow('no cable');
  });
});
