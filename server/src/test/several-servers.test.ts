import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { DeviceCommand } from '#contract/acts.ts';
import type { JobCard, StoredEvent } from '#contract/job.ts';
import {
  type Device,
  fitter,
  guardPulls,
  guardUpToTorque,
  openGuard,
  outcomes,
  pulledLive,
  startTestServer,
  type TestServer,
} from './harness.ts';

/** Two servers of one shop, on one database. */
let one: TestServer;
let two: TestServer;
let mira: Device;
/** The same tablet, whose next request the proxy gives to the other server. */
let miraAtTwo: Device;
let lead: Device;
let leadAtTwo: Device;
beforeAll(async () => {
  one = await startTestServer();
  // So that the live wrench reaches down to what the guard is torqued with.
  await one.source.query("UPDATE wrench SET lowest_nm = 4, full_scale_nm = 20 WHERE id = 'w-3'");
  two = await startTestServer(one.config, { seed: false });
  mira = await fitter(one);
  miraAtTwo = mira.before(two);
  lead = await fitter(one, 'u-orrin', '1357');
  leadAtTwo = lead.before(two);
});
afterAll(async () => {
  await two.stop();
  await one.stop();
});

/** Longer than any look of one server at what another did. */
const SOON_MS = 3000;
/** Asks again until it is so. */
async function soon<T>(ask: () => Promise<T>, isSo: (got: T) => boolean): Promise<T> {
  const untilMs = Date.now() + SOON_MS;
  for (;;) {
    const got = await ask();
    if (isSo(got) || Date.now() > untilMs) return got;
    await new Promise((settle) => setTimeout(settle, 50));
  }
}

/** A tablet's line to a job: the numbers of what came, as it came. */
async function line(device: Device, at: TestServer, job: string) {
  const abort = new AbortController();
  const response = await fetch(`${at.url}/api/jobs/${job}/events?from=0`, {
    headers: { cookie: device.cookie },
    signal: abort.signal,
  });
  const seqs: number[] = [];
  let over = false;
  const reading = (async () => {
    let text = '';
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += new TextDecoder().decode(chunk);
      const parts = text.split('\n\n');
      text = parts.pop() ?? '';
      for (const part of parts) {
        const data = /^data: (\{.*)$/m.exec(part)?.[1];
        if (data) seqs.push((JSON.parse(data) as StoredEvent).seq);
      }
    }
  })()
    .catch(() => undefined)
    .finally(() => {
      over = true;
    });
  return {
    seqs,
    isOver: async () => over,
    async hangUp() {
      abort.abort();
      await reading;
    },
  };
}
const numbers = (to: number) => Array.from({ length: to }, (_, at) => at + 1);

describe('two servers on one database', () => {
  it('bring what either stores to tablets at both, each entry once and in order', async () => {
    const job = await openGuard(mira);
    const [atOne, atTwo] = [await line(mira, one, job), await line(mira, two, job)];
    for (const [at, command] of guardUpToTorque.entries()) {
      const device = at % 3 === 0 ? miraAtTwo : mira;
      expect(outcomes(await device.send(job, device.input(command)))).toEqual(['taken']);
    }
    const all = numbers(guardUpToTorque.length);
    for (const { seqs } of [atOne, atTwo])
      await soon(
        async () => seqs,
        ({ length }) => length >= all.length,
      );
    expect(atOne.seqs).toEqual(all);
    expect(atTwo.seqs).toEqual(all);
    await atOne.hangUp();
    await atTwo.hangUp();
  });

  it('never refuse by what the other has changed since', async () => {
    const job = await openGuard(mira);
    // Both have the job before anything is done on it.
    await mira.send(job, mira.input({ type: 'raiseProblem', text: 'seen by one' }));
    await miraAtTwo.send(job, mira.input({ type: 'raiseProblem', text: 'seen by two' }));
    const snug = await mira.send(job, ...guardUpToTorque.map((command) => mira.input(command)));
    expect(new Set(outcomes(snug))).toEqual(new Set(['taken']));
    // The first pull stands on all of that, and is given to the server that has not heard of it.
    const [pull, ...others] = guardPulls as [DeviceCommand, ...DeviceCommand[]];
    expect(outcomes(await miraAtTwo.send(job, mira.input(pull)))).toEqual(['taken']);
    // And back again; what is truly out of order stays refused.
    expect(outcomes(await mira.send(job, mira.input(others[3] as DeviceCommand)))).toEqual(['outOfOrder']);
    expect(outcomes(await mira.send(job, mira.input(others[0] as DeviceCommand)))).toEqual(['taken']);
  });

  it('lose nothing and store nothing twice where both are given entries of one job at once', async () => {
    const job = await openGuard(mira);
    const inputs = numbers(40).map((at) => mira.input({ type: 'raiseProblem', text: `problem ${at}` }));
    // Each entry goes to both, as from a tablet that got no answer from the first.
    const answers = await Promise.all(
      inputs.flatMap((input) => [mira.sendRaw(job, [input]), miraAtTwo.sendRaw(job, [input])]),
    );
    expect(new Set(answers.flatMap(outcomes))).toEqual(new Set(['taken']));
    const { events, integrity } = await miraAtTwo.job(job);
    expect(events.map(({ seq }) => seq)).toEqual(numbers(40));
    expect(new Set(events.map(({ event }) => event.commandId))).toEqual(new Set(inputs.map(({ id }) => id)));
    expect(integrity.breaks).toEqual([]);
  });

  it('end a session everywhere: what is open at the other server closes, and nothing more is taken there', async () => {
    const rafe = await fitter(one, 'u-orrin', '1357');
    const job = await openGuard(rafe);
    const atTwo = await line(rafe, two, job);
    expect((await rafe.before(two).request('GET', '/api/kits')).status).toBe(200);
    await rafe.request('DELETE', '/api/session');
    expect(await soon(atTwo.isOver, Boolean)).toBe(true);
    const status = async () => (await rafe.before(two).request('GET', '/api/kits')).status;
    expect(await soon(status, (got) => got === 401)).toBe(401);
    await atTwo.hangUp();
  });

  it('let somebody whom a lead locks at one work at neither', async () => {
    const tamsin = await fitter(two, 'u-tamsin', '3690');
    expect((await tamsin.request('GET', '/api/kits')).status).toBe(200);
    const access = (act: string) =>
      lead.request('POST', '/api/shop/people/u-tamsin/access', { do: act, secret: '1357' });
    expect((await access('lock')).status).toBe(200);
    const status = async () => (await tamsin.request('GET', '/api/kits')).status;
    expect(await soon(status, (got) => got === 401)).toBe(401);
    expect((await access('unlock')).status).toBe(200);
  });

  it('take a live reading once between them', async () => {
    const job = await openGuard(mira);
    await mira.send(job, ...guardUpToTorque.map((command) => mira.input(command)));
    const end = await pulledLive(one, mira, { station: 'g2', targetNm: 10.2 });
    const { station, peakNm: torqueNm, angleDeg, movementDeg, issued } = end;
    const pull = { type: 'pull', station, torqueNm, angleDeg, movementDeg, wrench: 'w-3', source: 'live', issued };
    // Two jobs: nothing but the reading itself keeps the second from counting.
    const other = await openGuard(mira);
    await mira.send(other, ...guardUpToTorque.map((command) => mira.input(command)));
    expect(outcomes(await mira.send(job, mira.input(pull as DeviceCommand)))).toEqual(['taken']);
    expect(outcomes(await miraAtTwo.send(other, mira.input(pull as DeviceCommand)))).toEqual(['liveUnproven']);
  });

  it('honour a leave that a PIN bought at the other', async () => {
    const job = await openGuard(lead);
    const input = lead.input({ type: 'park', reason: 'waits for a part', may: 'roll' });
    const answer = await lead.request('POST', '/api/session/leave', { secret: '1357', command: input.id });
    const { leave } = (await answer.json()) as { leave: string };
    const proof = { kind: 'leave' as const, leave };
    expect(outcomes(await leadAtTwo.sendRaw(job, [{ ...input, proof }]))).toEqual(['taken']);
  });

  it('give out a ticket for the archive that the other takes, once', async () => {
    const { ticket } = (await (await lead.request('POST', '/api/archive', { secret: '1357' })).json()) as {
      ticket: string;
    };
    const fetched = await leadAtTwo.request('GET', `/api/archive/${ticket}`);
    expect(fetched.headers.get('content-type')).toBe('application/zip');
    await fetched.body?.cancel();
    expect((await lead.request('GET', `/api/archive/${ticket}`)).status).toBe(404);
    // Whoever is handed it has nothing: it is for the session that asked.
    expect((await mira.request('GET', `/api/archive/${ticket}`)).status).not.toBe(200);
  });

  it('know of a wrench that was changed at the other', async () => {
    const input = {
      label: 'W-90',
      kind: 'click',
      squareDrive: '3/8 in',
      fullScaleNm: 60,
      scaleUnit: 'N·m',
      calibrationDueOn: '2099-01-01',
      live: false,
      intervalMonths: 12,
    };
    const job = await openGuard(mira);
    expect((await miraAtTwo.job(job)).wrenches.map(({ label }) => label)).not.toContain('W-90');
    expect((await lead.request('POST', '/api/crib/wrenches', input)).status).toBe(201);
    const labels = async () => (await miraAtTwo.job(job)).wrenches.map(({ label }) => label);
    expect(await soon(labels, (got) => got.includes('W-90'))).toContain('W-90');
  });

  it('list an altered record at both, until a lead has looked at it at either', async () => {
    const job = await openGuard(mira);
    await mira.send(job, ...guardUpToTorque.slice(0, 3).map((command) => mira.input(command)));
    await one.source.query('UPDATE job_event SET body = REPLACE(body, \'"found":8\', \'"found":7\') WHERE job_id = ?', [
      job,
    ]);
    expect((await mira.job(job)).integrity.open).toEqual([2]);
    const broken = async (device: Device) => {
      const response = await device.request('GET', `/api/jobs?from=0&to=${Date.now() + 1e9}`);
      return ((await response.json()) as JobCard[]).filter((card) => card.broken).map(({ id }) => id);
    };
    expect(await broken(miraAtTwo)).toEqual([job]);
    const reason = 'Compared with the backup of noon: eight were counted.';
    expect(outcomes(await leadAtTwo.send(job, lead.input({ type: 'acknowledgeBreak', reason })))).toEqual(['taken']);
    expect(await broken(mira)).toEqual([]);
    // The first server has it folded from before, and goes on all the same.
    expect(outcomes(await mira.send(job, mira.input(guardUpToTorque[3] as DeviceCommand)))).toEqual(['taken']);
  });

  it('keep what a kit brought in at the other, and the photos', async () => {
    const job = await openGuard(mira);
    await mira.send(job, mira.input(guardUpToTorque[0] as DeviceCommand));
    await miraAtTwo.send(job, mira.input(guardUpToTorque[1] as DeviceCommand));
    const kits = (await (await mira.request('GET', '/api/kits')).json()) as Array<{ id: string }>;
    const added: string[] = [];
    for (const { id } of kits.filter((kit) => kit.id !== 'transfer-case-guard')) {
      const response = await mira.request('POST', `/api/jobs/${job}/kits`, {
        id: crypto.randomUUID(),
        kit: id,
        answers: {},
      });
      if (response.status === 200 && outcomes(await response.json()).join() === 'taken') added.push(id);
      if (added.length > 0) break;
    }
    expect(added).toHaveLength(1);
    expect(outcomes(await miraAtTwo.send(job, mira.input(guardUpToTorque[2] as DeviceCommand)))).toEqual(['taken']);
    const { events, integrity } = await mira.job(job);
    expect(integrity.breaks).toEqual([]);
    expect(events.filter(({ event }) => event.type === 'kitAdded')).toHaveLength(1);
  });

  it('count a tablet as heard that has its line at the other, and not once that is cut', async () => {
    const job = await openGuard(mira);
    const tamsin = await fitter(two, 'u-tamsin', '3690');
    await tamsin.request('PUT', `/api/jobs/${job}/device`, { waiting: 0, away: false });
    const unheard = async () => (await mira.job(job)).unheard.map(({ device }) => device);
    expect(await unheard()).toEqual([tamsin.id]);
    const open = await line(tamsin, two, job);
    expect(await soon(unheard, ({ length }) => length === 0)).toEqual([]);
    await open.hangUp();
    expect(await soon(unheard, ({ length }) => length > 0)).toEqual([tamsin.id]);
  });

  it('go on when one of them is gone', async () => {
    const job = await openGuard(mira);
    const third = await startTestServer(one.config, { seed: false });
    const atThree = mira.before(third);
    expect(outcomes(await atThree.send(job, mira.input(guardUpToTorque[0] as DeviceCommand)))).toEqual(['taken']);
    await third.stop();
    expect(outcomes(await mira.send(job, mira.input(guardUpToTorque[1] as DeviceCommand)))).toEqual(['taken']);
  });
});
