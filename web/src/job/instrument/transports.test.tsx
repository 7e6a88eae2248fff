import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { FromWrench, ToWrench } from '#contract/wrench-stream.ts';
import { useLiveWrench } from '../live-wrench.ts';
import { type BluetoothDeviceLike, bluetoothTransport, type CharacteristicLike } from './bluetooth-transport.ts';
import type { LineTransport } from './line-transport.ts';
import { socketTransport } from './socket-transport.ts';

const soon = () => new Promise((resolve) => setTimeout(resolve, 0));
const bytes = (text: string) => new TextEncoder().encode(text);

describe('the air', () => {
  class Characteristic extends EventTarget implements CharacteristicLike {
    value?: DataView;
    readonly written: string[] = [];
    writeValue = async (piece: Uint8Array) => void this.written.push(new TextDecoder().decode(piece));
    startNotifications = async () => undefined;
    says(text: string): void {
      this.value = new DataView(bytes(text).buffer);
      this.dispatchEvent(new Event('characteristicvaluechanged'));
    }
  }
  const fakeDevice = () => {
    const [out, heard] = [new Characteristic(), new Characteristic()];
    let given = 0;
    const device: BluetoothDeviceLike = Object.assign(new EventTarget(), {
      gatt: {
        connect: async () => ({
          getPrimaryService: async () => ({ getCharacteristic: async () => (given++ === 0 ? out : heard) }),
        }),
        disconnect: () => device.dispatchEvent(new Event('gattserverdisconnected')),
      },
    });
    return { device, out, heard };
  };
  it('gives what is notified, and is told in pieces it can carry', async () => {
    const { device, out, heard } = fakeDevice();
    const said: string[] = [];
    let lost = 0;
    const line = bluetoothTransport(async () => device);
    await line.open(
      (text) => said.push(text),
      () => (lost += 1),
    );
    heard.says('H,HL-1\n');
    line.write('T,46,43,49,and more than one piece holds\n');
    await soon();
    expect(said).toEqual(['H,HL-1\n']);
    expect(out.written.join('')).toBe('T,46,43,49,and more than one piece holds\n');
    expect(Math.max(...out.written.map(({ length }) => length))).toBeLessThanOrEqual(20);
    device.dispatchEvent(new Event('gattserverdisconnected'));
    expect(lost).toBe(1);
  });
  it('put away on purpose is not lost', async () => {
    const { device } = fakeDevice();
    let lost = 0;
    const line = bluetoothTransport(async () => device);
    await line.open(
      () => undefined,
      () => (lost += 1),
    );
    line.close();
    expect(lost).toBe(0);
  });
  it('that nobody chose is said', async () => {
    const line = bluetoothTransport(async () => undefined);
    await expect(
      line.open(
        () => undefined,
        () => undefined,
      ),
    ).rejects.toThrow('no Bluetooth');
  });
});

/** Both sockets: the server's, and a bridge's. */
class FakeSocket {
  static readonly OPEN = 1;
  static made: FakeSocket[] = [];
  readyState = 0;
  onopen?: () => void;
  onmessage?: (event: { data: string }) => void;
  onclose?: () => void;
  readonly sent: string[] = [];
  constructor(readonly url: string) {
    FakeSocket.made.push(this);
  }
  send(text: string): void {
    this.sent.push(text);
  }
  opens(): void {
    this.readyState = FakeSocket.OPEN;
    this.onopen?.();
  }
  close(): void {
    this.readyState = 3;
    this.onclose?.();
  }
  says(message: FromWrench | string): void {
    this.readyState = FakeSocket.OPEN;
    this.onmessage?.({ data: typeof message === 'string' ? message : JSON.stringify(message) });
  }
  heard(): ToWrench[] {
    return this.sent.map((text) => JSON.parse(text) as ToWrench);
  }
}

describe('with the server between', () => {
  const live = () => useLiveWrench.getState();
  const server = () => FakeSocket.made[0] as FakeSocket;
  beforeEach(() => {
    FakeSocket.made = [];
    globalThis.WebSocket = FakeSocket as unknown as typeof WebSocket;
    jest.useFakeTimers();
    live().connect('w-2', () => undefined);
    server().says({ type: 'ready' });
    live().arm({ station: 's1', targetNm: 46, standingNm: 0, nominalMm: 10 });
  });
  afterEach(() => {
    live().unpair();
    live().disconnect();
    jest.useRealTimers();
  });
  const bridge = (): LineTransport & {
    hears?: (text: string) => void;
    breaks?: () => void;
    written: string[];
    closed: boolean;
  } => {
    const line: ReturnType<typeof bridge> = {
      name: 'test line',
      written: [],
      closed: false,
      open: async (onText, onLost) => {
        line.hears = onText;
        line.breaks = onLost;
      },
      write: (text) => void line.written.push(text),
      close: () => {
        line.closed = true;
      },
    };
    return line;
  };

  it('an instrument is asked who it is, heard by the server, and told what the server says', async () => {
    const line = bridge();
    expect(await live().pair(line)).toBeUndefined();
    expect(line.written).toEqual(['?\n']);
    expect(server().heard().slice(-2)).toEqual([
      { type: 'pair' },
      expect.objectContaining({ type: 'arm', station: 's1' }),
    ]);
    line.hears?.('H,HL');
    expect(server().heard().at(-1)).toEqual({ type: 'heard', text: 'H,HL' });
    server().says({ type: 'paired', serial: 'HL-3105', battery: 0.8 });
    server().says({ type: 'tell', text: 'T,46,43,49\n' });
    server().says({ type: 'armed', station: 's1', targetNm: 46 });
    expect(line.written.at(-1)).toBe('T,46,43,49\n');
    expect(live().instrument).toMatchObject({ status: 'open', serial: 'HL-3105', battery: 0.8 });
    // The big action does not pull a real wrench.
    const before = server().sent.length;
    live().pull({ speedDegPerS: 45, overshootDeg: 0 });
    expect(server().sent).toHaveLength(before);
    expect(live().status).toBe('armed');
  });
  it('what it lacks is shown until it is mended', async () => {
    await live().pair(bridge());
    server().says({ type: 'fault', code: 'zeroOff', message: 'W-2 reads 1.6 N·m with nothing on it' });
    expect(live()).toMatchObject({ pairFault: 'zeroOff', fault: expect.stringContaining('1.6') });
    server().says({ type: 'armed', station: 's1', targetNm: 46 });
    expect(live()).toMatchObject({ pairFault: undefined, fault: undefined });
  });
  it('a line that breaks is told to the server, and shown', async () => {
    const line = bridge();
    await live().pair(line);
    line.breaks?.();
    expect(server().heard().at(-1)).toEqual({ type: 'unheard' });
    expect(live().instrument?.status).toBe('lost');
  });
  it('when the server’s line comes back the instrument is greeted again', async () => {
    const line = bridge();
    await live().pair(line);
    server().close();
    jest.advanceTimersByTime(3500);
    const again = FakeSocket.made.at(-1) as FakeSocket;
    expect(again).not.toBe(server());
    again.says({ type: 'ready' });
    expect(again.heard()[0]).toEqual({ type: 'pair' });
    expect(line.written).toEqual(['?\n', '?\n']);
  });
  it('one that cannot be opened is said, and the stand-in stays', async () => {
    const line = { ...bridge(), open: async () => Promise.reject(new Error('in use elsewhere')) };
    expect(await live().pair(line)).toBe('in use elsewhere');
    expect(live().instrument).toBeUndefined();
    expect(
      server()
        .heard()
        .map(({ type }) => type),
    ).not.toContain('pair');
  });
  it('put away, the server’s line begins anew with the stand-in', async () => {
    const line = bridge();
    await live().pair(line);
    live().unpair();
    expect([line.closed, live().instrument, live().status]).toEqual([true, undefined, 'lost']);
  });

  it('a bridge that does not answer is said by its address; one that does speaks both ways', async () => {
    const dead = socketTransport('ws://localhost:9200');
    const opening = dead.open(
      () => undefined,
      () => undefined,
    );
    (FakeSocket.made.at(-1) as FakeSocket).close();
    await expect(opening).rejects.toThrow('ws://localhost:9200 does not answer.');
    const heard: string[] = [];
    let lost = 0;
    const alive = socketTransport('ws://localhost:9201');
    const opened = alive.open(
      (text) => heard.push(text),
      () => (lost += 1),
    );
    const socket = FakeSocket.made.at(-1) as FakeSocket;
    socket.opens();
    await opened;
    socket.says('E\n');
    alive.write('?\n');
    expect([heard, socket.sent]).toEqual([['E\n'], ['?\n']]);
    socket.close();
    expect(lost).toBe(1);
  });
});
