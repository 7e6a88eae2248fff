import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { UnheardDevice } from '#contract/job.ts';
import { type Device, fitter, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let tamsin: Device;
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  tamsin = await fitter(server, 'u-tamsin', '3690');
});
afterAll(() => server.stop());

const tell = (device: Device, job: string, waiting: number, away: boolean) =>
  device.request('PUT', `/api/jobs/${job}/device`, { waiting, away });
const unheard = async (job: string, asking = mira): Promise<UnheardDevice[]> => (await asking.job(job)).unheard;

describe('a device that may hold entries of a job', () => {
  it('is named to the others with who had it and what it last said, and not to itself', async () => {
    const job = await openGuard(mira);
    expect((await tell(tamsin, job, 2, false)).status).toBe(204);
    expect(await unheard(job)).toMatchObject([{ device: tamsin.id, person: 'Tamsin Quell', waiting: 2 }]);
    expect(await unheard(job, tamsin)).toEqual([]);
    const pdf = await mira.request('GET', `/api/jobs/${job}/record`);
    expect(((await pdf.json()) as { unheard: unknown[] }).unheard).toHaveLength(1);
  });
  it('not while its line is open with nothing waiting; again once the line is gone', async () => {
    const job = await openGuard(mira);
    await tell(tamsin, job, 0, false);
    const cut = new AbortController();
    const line = await fetch(`${server.url}/api/jobs/${job}/events?from=0`, {
      headers: { cookie: tamsin.cookie },
      signal: cut.signal,
    });
    expect(line.status).toBe(200);
    expect(await unheard(job)).toEqual([]);
    cut.abort();
    for (let turn = 0; turn < 50 && (await unheard(job)).length === 0; turn++)
      await new Promise((settle) => setTimeout(settle, 20));
    expect(await unheard(job)).toMatchObject([{ device: tamsin.id, waiting: 0 }]);
  });
  it('no more once it has left with nothing waiting; leaving with something is not leaving', async () => {
    const job = await openGuard(mira);
    await tell(tamsin, job, 3, true);
    expect(await unheard(job)).toHaveLength(1);
    await tell(tamsin, job, 0, true);
    expect(await unheard(job)).toEqual([]);
  });
  it('is of a job of this shop, and says a number', async () => {
    const job = await openGuard(mira);
    expect((await tell(tamsin, '8f14e45f-ceea-467f-a3b8-0d1c7a0b5e11', 0, true)).status).toBe(404);
    expect((await tell(tamsin, job, -1, true)).status).toBe(422);
  });
});
