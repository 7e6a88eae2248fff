import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { type RunningDatabase, startDatabase } from '../../../scripts/database.mjs';
import { readConfig } from '../config.ts';
import { seedDemo } from '../demo/seed.ts';
import { openSeal } from '../seal/open-seal.ts';
import { makeDataSource } from '../store/data-source.ts';
import { prepareSchema } from '../store/schema.ts';
import { type Device, fitter, guardPulls, guardUpToTorque, openGuard, type TestServer } from './harness.ts';

/** A database and a built server of their own, because these tests kill both. */
const folder = mkdtempSync(join(tmpdir(), 'wm-faults-'));
let database: RunningDatabase;
let server: ChildProcess;
let app: TestServer;

const environment = () => ({
  ...process.env,
  ...database.env,
  PORT: '0',
  WRENCHMAN_DEMO: '1',
  LOG_LEVEL: 'silent',
  WEB_DIST: 'web',
  SEAL_DIR: join(folder, 'seal'),
});

async function startBuilt(port = '46391'): Promise<void> {
  server = spawn(process.execPath, ['dist/server/main.mjs'], {
    env: { ...environment(), PORT: port },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((settle, reject) => {
    server.stdout?.on('data', (chunk) => String(chunk).includes('READY') && settle());
    server.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
  });
  app = { ...app, url: `http://127.0.0.1:${port}` };
}

const kill = (process: ChildProcess) =>
  new Promise<void>((settle) => {
    process.once('exit', () => settle());
    process.kill('SIGKILL');
  });

beforeAll(async () => {
  database = await startDatabase(join(folder, 'db'));
  const config = readConfig({ ...environment(), ...database.ownerEnv, PORT: '4600' });
  const source = await makeDataSource(config.owner ?? config.database).initialize();
  await prepareSchema(source, config.database.username);
  await seedDemo(source, Date.now(), openSeal(config.sealDir).seal);
  await source.destroy();
  await startBuilt();
}, 180_000);

afterAll(async () => {
  server.removeAllListeners('exit');
  await kill(server);
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}, 180_000);

const again = (device: Device): Device => device.before(app);

describe('what was recorded stays recorded', () => {
  it('when the server is killed between two pulls and started again', async () => {
    let device = await fitter(app);
    const id = await openGuard(device);
    await device.send(id, ...guardUpToTorque.map((command) => device.input(command)));
    const [first, second] = guardPulls.map((command) => device.input(command));
    if (!first || !second) throw new Error('no pulls');
    await device.send(id, first);
    server.removeAllListeners('exit');
    await kill(server);
    await expect(device.send(id, second)).rejects.toThrow();
    await startBuilt();
    device = again(device);
    // The session survived too; the tablet sends again what it got no answer for, and what it got one for.
    const answer = await device.send(id, first, second);
    expect(answer.results).toMatchObject([
      { ok: true, repeated: true },
      { ok: true, repeated: false },
    ]);
    const job = await device.job(id);
    expect(job.events.filter((stored) => stored.event.type === 'pullRecorded')).toHaveLength(2);
    expect(job.integrity).toEqual({ breaks: [], open: [], sealed: true });
  }, 180_000);

  it('when the database is killed in the middle of writing, and comes back', async () => {
    const device = await fitter(app);
    const id = await openGuard(device);
    await device.send(id, ...guardUpToTorque.map((command) => device.input(command)));
    const pulls = guardPulls.map((command) => device.input(command));
    await device.send(id, ...pulls.slice(0, 2));
    const { port } = database;
    process.kill(database.pid, 'SIGKILL');
    await database.exited;
    const down = await device.request('POST', `/api/jobs/${id}/commands`, { commands: pulls.slice(2, 3) });
    expect(down.status).toBe(503);
    expect(await down.json()).toMatchObject({ code: 'storeUnavailable' });
    expect(down.headers.get('retry-after')).toBe('2');
    expect((await fetch(`${app.url}/healthz`)).status).toBe(200);
    expect((await fetch(`${app.url}/readyz`)).status).toBe(503);
    const said: string[] = [];
    database = await startDatabase(join(folder, 'db'), { port, say: (text) => said.push(text) });
    expect(said[0]).toMatch(/stale process file/);
    // The same server, without a restart; the first answers may still meet dead connections.
    let status = 503;
    for (let attempt = 0; attempt < 20 && status === 503; attempt++) {
      status = (await device.request('POST', `/api/jobs/${id}/commands`, { commands: pulls.slice(2, 3) })).status;
    }
    expect(status).toBe(200);
    const answer = await device.send(id, ...pulls);
    expect(answer.results.map((result) => (result.ok ? result.repeated : result.refusal.code))).toEqual([
      true,
      true,
      true,
      false,
      false,
      false,
    ]);
    const job = await device.job(id);
    expect(job.events.filter((stored) => stored.event.type === 'pullRecorded')).toHaveLength(6);
    expect(job.integrity).toEqual({ breaks: [], open: [], sealed: true });
  }, 180_000);

  it('and SIGTERM ends the server in good order, with streams open', async () => {
    const device = await fitter(app);
    const id = await openGuard(device);
    const stream = await fetch(`${app.url}/api/jobs/${id}/events?from=0`, { headers: { cookie: device.cookie } });
    expect(stream.status).toBe(200);
    server.removeAllListeners('exit');
    const code = await new Promise<number | null>((settle) => {
      server.once('exit', settle);
      server.kill('SIGTERM');
    });
    expect(code).toBe(0);
    await startBuilt();
  }, 90_000);
});
