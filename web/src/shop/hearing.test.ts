import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { isOwnDevice, socketHearing, type Utterance, utteranceOf } from './hearing.ts';

describe('lines of a listening program', () => {
  it('are words with how sure it is; sure where it does not say', () => {
    expect(utteranceOf('{"heard":"done","confidence":0.9}')).toEqual({ text: 'done', confidence: 0.9 });
    expect(utteranceOf('{"heard":"done"}')).toEqual({ text: 'done', confidence: 1 });
  });
  it.each(['', 'done', '{}', '{"heard":3}', '{"heard":"x","confidence":2}', '[]', 'null', '{"heard":"x"'])(
    '%j is none',
    (line) => expect(utteranceOf(line)).toBeUndefined(),
  );
  it('come from this device alone', () => {
    for (const own of ['ws://localhost:9300', 'ws://127.0.0.1:1', 'ws://[::1]:9300'])
      expect(isOwnDevice(own)).toBe(true);
    for (const other of [
      'wss://hears.example',
      'ws://10.0.0.4:9300',
      'http://localhost:9300',
      '',
      'ws://localhost.example',
    ])
      expect(isOwnDevice(other)).toBe(false);
  });
});

/** A socket that is told what to do. */
class FakeSocket {
  static all: FakeSocket[] = [];
  onopen?: () => void;
  onmessage?: (event: { data: string }) => void;
  onclose?: () => void;
  closed = false;
  constructor(readonly address: string) {
    FakeSocket.all.push(this);
  }
  close() {
    this.closed = true;
    this.onclose?.();
  }
}

describe('the listening program of this device', () => {
  const real = globalThis.WebSocket;
  beforeEach(() => {
    FakeSocket.all = [];
    (globalThis as { WebSocket: unknown }).WebSocket = FakeSocket;
    jest.useFakeTimers();
  });
  afterEach(() => {
    jest.useRealTimers();
    globalThis.WebSocket = real;
  });
  const listen = (address = 'ws://localhost:9300') => {
    const heard: Utterance[] = [];
    const faults: Array<string | undefined> = [];
    const stop = socketHearing(address).listen(
      (said) => heard.push(said),
      (why) => faults.push(why),
    );
    return { heard, faults, stop };
  };
  it('may send its lines in pieces, several at once, or one alone in a frame; what is no line is passed over', () => {
    const { heard } = listen();
    const [socket] = FakeSocket.all;
    socket?.onmessage?.({ data: '{"heard":"do' });
    socket?.onmessage?.({ data: 'ne"}\nready\n{"heard":"yes"}\n' });
    socket?.onmessage?.({ data: '{"heard":"no"}' });
    expect(heard.map(({ text }) => text)).toEqual(['done', 'yes', 'no']);
  });
  it('is asked again when it is lost, and not after it was stopped', () => {
    const { faults, stop } = listen();
    FakeSocket.all[0]?.onopen?.();
    FakeSocket.all[0]?.onclose?.();
    expect(faults).toEqual([undefined, 'ws://localhost:9300 does not answer.']);
    jest.advanceTimersByTime(5000);
    expect(FakeSocket.all).toHaveLength(2);
    stop();
    jest.advanceTimersByTime(60_000);
    expect(FakeSocket.all).toHaveLength(2);
    expect(FakeSocket.all[1]?.closed).toBe(true);
  });
  it('is never anybody else’s', () => {
    const { faults } = listen('ws://hears.example');
    expect(FakeSocket.all).toHaveLength(0);
    expect(faults).toEqual(['ws://hears.example is not on this device: nothing that is said leaves it.']);
  });
});
