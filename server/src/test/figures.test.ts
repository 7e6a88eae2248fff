import { get } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import pino from 'pino';
import { WebSocket } from 'ws';
import { type RunningServer, startServer } from '../server.ts';
import { Device, fitter, guardUpToTorque, openGuard, startTestServer, type TestServer } from './harness.ts';

describe('figures for a monitor', () => {
  let behind: TestServer;
  let server: RunningServer;
  beforeAll(async () => {
    behind = await startTestServer();
    server = await startServer({ ...behind.config, metricsPort: 0 }, pino({ level: 'silent' }));
  });
  afterAll(async () => {
    await server.stop();
    await behind.stop();
  });
  const url = () => `http://127.0.0.1:${server.port}`;
  const ask = (path: string, method = 'GET') =>
    new Promise<{ status: number; type: string; text: string }>((settle, reject) => {
      get({ host: '127.0.0.1', port: server.metricsPort, path, method, agent: false }, (response) => {
        let text = '';
        response
          .setEncoding('utf8')
          .on('data', (part: string) => {
            text += part;
          })
          .on('end', () =>
            settle({ status: response.statusCode ?? 0, type: response.headers['content-type'] ?? '', text }),
          );
      }).on('error', reject);
    });
  /** The figure of one series; undefined where there is none. */
  const figure = async (series: string): Promise<number | undefined> => {
    const line = (await ask('/metrics')).text.split('\n').find((text) => text.startsWith(`${series} `));
    return line === undefined ? undefined : Number(line.split(' ').at(-1));
  };

  it('are in the text format a monitor reads, with Node’s own', async () => {
    const { status, type, text } = await ask('/metrics');
    expect(status).toBe(200);
    expect(type).toContain('text/plain; version=0.0.4');
    for (const line of text.split('\n').filter(Boolean))
      expect(line).toMatch(/^(# (HELP|TYPE) \S+ .+|[a-zA-Z_:][\w:]*(\{.*\})? \S+)$/);
    expect(await figure('nodejs_active_handles_total')).toBeGreaterThan(0);
  });
  it('count requests by the pattern of their route, and name nobody', async () => {
    await fetch(`${url()}/api/jobs/no-such-job`);
    const mira = new Device({ url: url() });
    await mira.request('POST', '/api/session', { person: 'u-vane', secret: '2468' });
    await mira.request('GET', '/api/jobs/11111111-1111-4111-8111-111111111111');
    const { text } = await ask('/metrics');
    expect(text).toMatch(/wrenchman_request_seconds_count\{method="POST",route="\/api\/session",status="201"\} 1/);
    expect(text).not.toMatch(/11111111-1111|no-such-job|u-vane|Mira/);
  });
  it('are not answered by the application, whose port the network reaches', async () => {
    const page = await (await fetch(`${url()}/metrics`)).text();
    expect(page).not.toContain('wrenchman_request_seconds');
    expect((await ask('/anything')).status).toBe(404);
    expect((await ask('/metrics', 'POST')).status).toBe(404);
  });
  it('count events once they are on disk, and sockets while they are open', async () => {
    const here = { ...behind, url: url() };
    const mira = await fitter(here);
    const before = (await figure('wrenchman_events_recorded_total')) ?? Number.NaN;
    const job = await openGuard(mira);
    const [{ events }] = (await behind.source.query('SELECT COUNT(*) events FROM job_event WHERE job_id = ?', [
      job,
    ])) as [{ events: string }];
    await expect(figure('wrenchman_events_recorded_total')).resolves.toBe(before + Number(events));
    await mira.send(job, ...guardUpToTorque.slice(0, 1).map((command) => mira.input(command)));
    expect(await figure('wrenchman_events_recorded_total')).toBeGreaterThan(before + Number(events));
    expect(await figure('wrenchman_live_sockets')).toBe(0);
    const socket = new WebSocket(`${url().replace('http', 'ws')}/api/devices/wrenches/w-3/stream`, {
      headers: { cookie: mira.cookie, origin: url() },
    });
    await new Promise((settle) => socket.once('message', settle));
    expect(await figure('wrenchman_live_sockets')).toBe(1);
    socket.close();
  });
});
