import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type WebSocket from 'ws';
import type { DeviceCommand } from '#contract/acts.ts';
import { type Device, fitter, liveLine, openGuard, pulledLive, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
});
afterAll(() => server.stop());

const line = (device: Device, origin = server.url) => liveLine(server, device, origin);
const pulled = (station: string, targetNm: number) => pulledLive(server, mira, { station, targetNm });
const live = ({ station, peakNm, angleDeg, movementDeg, issued }: Awaited<ReturnType<typeof pulled>>) =>
  ({
    type: 'pull',
    station,
    torqueNm: peakNm,
    angleDeg,
    movementDeg,
    wrench: 'w-3',
    source: 'live',
    issued,
  }) as DeviceCommand;
const codes = async (job: string, ...commands: DeviceCommand[]) => {
  const { results } = await mira.send(job, ...commands.map((command) => mira.input(command)));
  return results.map((result) => (result.ok ? 'taken' : result.refusal.code));
};

describe('a reading that is said to be live', () => {
  it('counts with the server’s code over just these figures, once, and not as another wrench’s', async () => {
    const job = await openGuard(mira);
    const reading = live(await pulled('g2', 60)) as Extract<DeviceCommand, { type: 'pull' }>;
    expect(reading.issued).toMatch(/^[\w-]+\.[\w-]+$/);
    expect(
      await codes(
        job,
        { ...reading, issued: undefined },
        { ...reading, issued: 'made.up' },
        { ...reading, torqueNm: reading.torqueNm + 1 },
        { ...reading, station: 'g1' },
        { ...reading, wrench: 'w-1' },
        { ...reading, movementDeg: 0 },
      ),
    ).toEqual(Array(6).fill('liveUnproven'));
    // With its code it is judged like any pull: here the bolt was never started.
    expect(await codes(job, reading)).toEqual(['notStarted']);
  });
  it('what cannot be so is refused with what: angles, conversions', async () => {
    const job = await openGuard(mira);
    const typed = { type: 'pull', station: 'g2', wrench: 'w-1', source: 'typed' } as const;
    await mira.send(
      job,
      ...['m1', 'm2', 'm3', 'm4'].map((item, at) =>
        mira.input({ type: 'countLine', item, found: [6, 8, 6, 1][at] ?? 0, damaged: 0 }),
      ),
      mira.input({ type: 'startByHand', station: 'g2' }),
    );
    expect(
      await codes(
        job,
        { ...typed, torqueNm: 10.2, angleDeg: 5000 },
        { ...typed, torqueNm: 10.2, entered: { value: 90, unit: 'lbf·ft' } },
        // Two figures that agree get as far as the rules of the floor.
        { ...typed, torqueNm: 10.17, entered: { value: 90, unit: 'lbf·in' } },
        { ...typed, torqueNm: 9999 },
      ),
    ).toEqual(['implausibleAngle', 'enteredDisagrees', 'groupNotAllStarted', 'implausibleTorque']);
  });
});

describe('the line to a wrench', () => {
  const closed = (socket: WebSocket) =>
    new Promise<number>((settle) => {
      socket.on('close', (code) => settle(code));
      socket.on('unexpected-response', (_, response) => settle(response.statusCode ?? 0));
      socket.on('error', () => undefined);
    });
  it('is not for a page of another site', async () => {
    expect(await closed(line(mira, 'http://elsewhere.example'))).toBe(403);
    expect(await closed(line(mira, 'null'))).toBe(403);
  });
  it('ends with the session, and at a message larger than any', async () => {
    const other = await fitter(server, 'u-tamsin', '3690');
    const socket = line(other);
    await new Promise((settle) => socket.once('message', settle));
    const end = closed(socket);
    await other.request('DELETE', '/api/session');
    expect(await end).toBe(1008);
    const loud = line(mira);
    await new Promise((settle) => loud.once('message', settle));
    const cut = closed(loud);
    loud.send('x'.repeat(10_000));
    expect(await cut).toBe(1009);
  });
});
