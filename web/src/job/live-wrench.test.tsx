import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { FromWrench, ToWrench } from '#contract/wrench-stream.ts';
import { type Reading, useLiveWrench } from './live-wrench.ts';

/** The other end of the line: a wrench that says what the test wants. */
class FakeSocket {
  static readonly OPEN = 1;
  static made: FakeSocket[] = [];
  readyState = 0;
  onmessage?: (event: { data: string }) => void;
  onclose?: () => void;
  closed = false;
  readonly heard: ToWrench[] = [];
  constructor(readonly url: string) {
    FakeSocket.made.push(this);
  }
  send(text: string): void {
    this.heard.push(JSON.parse(text) as ToWrench);
  }
  close(): void {
    this.closed = true;
    this.readyState = 3;
    this.onclose?.();
  }
  says(message: FromWrench): void {
    this.readyState = FakeSocket.OPEN;
    this.onmessage?.({ data: JSON.stringify(message) });
  }
  /** The line breaks by itself. */
  breaks(): void {
    this.readyState = 3;
    this.onclose?.();
  }
}

const live = () => useLiveWrench.getState();
const newest = (): FakeSocket => FakeSocket.made.at(-1) as FakeSocket;
const TASK = { station: 'g1', targetNm: 47, standingNm: 0, nominalMm: 12 };
const END: FromWrench = { type: 'end', station: 'g1', peakNm: 47.3, angleDeg: 2, movementDeg: 41 };
let readings: Reading[] = [];
const take = (reading: Reading) => void readings.push(reading);

beforeEach(() => {
  jest.useFakeTimers();
  readings = [];
  FakeSocket.made = [];
  globalThis.WebSocket = FakeSocket as unknown as typeof WebSocket;
});
afterEach(() => {
  live().disconnect();
  jest.useRealTimers();
});
const ready = () => {
  live().connect('w-3', take);
  newest().says({ type: 'ready' });
};
const armed = () => {
  ready();
  live().arm(TASK);
  newest().says({ type: 'armed', station: 'g1', targetNm: 47 });
};

describe('the line to a live wrench', () => {
  it('goes to that wrench at this shop, and is ready when the wrench says so', () => {
    live().connect('w-3', take);
    expect(newest().url).toBe('ws://shop.test/api/devices/wrenches/w-3/stream');
    expect(live().status).toBe('connecting');
    newest().says({ type: 'ready' });
    expect(live().status).toBe('ready');
  });
  it('a pull that was not armed goes nowhere', () => {
    ready();
    live().pull({ speedDegPerS: 45, overshootDeg: 0 });
    expect(newest().heard).toEqual([]);
    expect(live().status).toBe('ready');
  });
  it('a press while the same station is armed anew is pulled once the wrench stands on it', () => {
    armed();
    live().arm({ ...TASK, targetNm: 23.5 });
    live().pull({ speedDegPerS: 45, overshootDeg: 3 });
    expect(newest().heard.at(-1)).toMatchObject({ type: 'arm', targetNm: 23.5 });
    newest().says({ type: 'armed', station: 'g1', targetNm: 23.5 });
    expect(newest().heard.at(-1)).toEqual({ type: 'pull', speedDegPerS: 45, overshootDeg: 3 });
    // Once, and no more.
    newest().says({ type: 'armed', station: 'g1', targetNm: 23.5 });
    expect(newest().heard.filter(({ type }) => type === 'pull')).toHaveLength(1);
  });
  it('a press for one station is no pull at the next', () => {
    armed();
    live().arm(TASK);
    live().pull({ speedDegPerS: 45, overshootDeg: 3 });
    live().arm({ ...TASK, station: 'g2' });
    newest().says({ type: 'armed', station: 'g2', targetNm: 47 });
    expect(newest().heard.filter(({ type }) => type === 'pull')).toEqual([]);
  });
  it('armed, pulled, clicked, ended: the reading is given once and as it was sent', () => {
    armed();
    live().pull({ speedDegPerS: 45, overshootDeg: 3 });
    expect(newest().heard.at(-1)).toEqual({ type: 'pull', speedDegPerS: 45, overshootDeg: 3 });
    newest().says({ type: 'frame', atMs: 20, torqueNm: 20, angleDeg: 8 });
    expect(live()).toMatchObject({ status: 'pulling', torqueNm: 20, angleDeg: 8, clicked: false });
    newest().says({ type: 'click', torqueNm: 47 });
    expect(live().clicked).toBe(true);
    newest().says({ ...END, gradientShare: 0.49 });
    expect(readings).toEqual([{ station: 'g1', torqueNm: 47.3, angleDeg: 2, movementDeg: 41, gradientShare: 0.49 }]);
  });
  it('after a pull it must be armed anew: a second pull before that is not sent', () => {
    armed();
    live().pull({ speedDegPerS: 45, overshootDeg: 0 });
    newest().says(END);
    const before = live().ends;
    live().pull({ speedDegPerS: 45, overshootDeg: 0 });
    expect(newest().heard.filter(({ type }) => type === 'pull')).toHaveLength(1);
    expect(before).toBeGreaterThan(0);
  });
  it('a line that breaks is tried again after a wait, and the task is said again', () => {
    armed();
    newest().breaks();
    expect(live().status).toBe('lost');
    jest.advanceTimersByTime(2999);
    expect(FakeSocket.made).toHaveLength(1);
    jest.advanceTimersByTime(1);
    expect(FakeSocket.made).toHaveLength(2);
    newest().says({ type: 'ready' });
    expect(newest().heard).toEqual([{ type: 'arm', ...TASK }]);
  });
  it('put down, it is not tried again, and what an old line says is not heard', () => {
    armed();
    const old = newest();
    live().disconnect();
    expect(old.closed).toBe(true);
    jest.advanceTimersByTime(60_000);
    expect(FakeSocket.made).toHaveLength(1);
    old.says(END);
    expect(readings).toEqual([]);
    expect(live().status).toBe('off');
  });
  it('another wrench taken up: the first one’s line is closed, its late reading is nobody’s', () => {
    armed();
    const first = newest();
    live().connect('w-5', take);
    expect(first.closed).toBe(true);
    first.says(END);
    expect(readings).toEqual([]);
    expect(live().wrenchId).toBe('w-5');
  });
  it('what the wrench complains of is kept to be shown', () => {
    ready();
    newest().says({ type: 'fault', message: 'battery low' });
    expect(live().fault).toBe('battery low');
    live().connect('w-3', take);
    expect(live().fault).toBeUndefined();
  });
  it('is not pulled for what it was told before: from one station to the next it answers first', () => {
    armed();
    live().arm({ ...TASK, station: 'g2', targetNm: 61 });
    expect(live().status).toBe('ready');
    live().pull({ speedDegPerS: 150, overshootDeg: 0 });
    expect(newest().heard.filter(({ type }) => type === 'pull')).toEqual([]);
    newest().says({ type: 'armed', station: 'g2', targetNm: 61 });
    live().pull({ speedDegPerS: 150, overshootDeg: 0 });
    expect(newest().heard.at(-1)).toMatchObject({ type: 'pull' });
  });
});
