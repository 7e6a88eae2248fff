import { execFile } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { DataSource } from 'typeorm';
import type { JobCard, RecordCheck } from '#contract/job.ts';
import { RecordFileSchema } from '#contract/record.ts';
import { main as verifyFiles } from '../../../verify/verify.mjs';
import { Anchors } from '../seal/anchors.ts';
import { ShopKey } from '../seal/shop-key.ts';
import {
  guardToClosed,
  guardUpToTorque,
  openGuard,
  outcomes,
  SigningDevice,
  startTestServer,
  type TestServer,
} from './harness.ts';

const folder = mkdtempSync(join(tmpdir(), 'wm-records-'));
let server: TestServer;
let mira: SigningDevice;
let lead: SigningDevice;
const signing = async (person: string, pin: string) => {
  const device = new SigningDevice(server);
  await device.signIn(person, pin);
  return device;
};
beforeAll(async () => {
  server = await startTestServer();
  mira = await signing('u-vane', '2468');
  lead = await signing('u-orrin', '1357');
});
afterAll(async () => {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** Starts the server anew on the same data: what it has in memory is gone. */
async function restart(): Promise<void> {
  await server.stop();
  server = await startTestServer(server.config, { seed: false });
  mira = mira.before(server);
  lead = lead.before(server);
}
/** A guard with a few signed entries. */
async function worked(): Promise<string> {
  const job = await openGuard(mira);
  const commands = [];
  for (const command of guardUpToTorque.slice(0, 6)) commands.push(await mira.signed(job, command));
  const { results } = await mira.sendRaw(job, commands);
  expect(results.every(({ ok }) => ok)).toBe(true);
  return job;
}
/** A guard closed and signed. */
async function closed(): Promise<string> {
  const job = await openGuard(mira);
  const commands = [];
  for (const command of guardToClosed) commands.push(await mira.signed(job, command));
  const { results } = await mira.sendRaw(job, commands);
  expect(results.filter(({ ok }) => !ok)).toEqual([]);
  return job;
}
const check = async (job: string) =>
  (await (await mira.request('GET', `/api/jobs/${job}/record`)).json()) as RecordCheck;
/** The command line's check, in a process of its own: it asks no server. */
const verify = (name: string, text: string, ...more: string[]) => {
  const file = join(folder, name);
  writeFileSync(file, text);
  const env = { ...process.env, NODE_OPTIONS: '' };
  return new Promise<{ status: number; stdout: string }>((settle) => {
    const child = execFile(process.execPath, ['scripts/wm.mjs', 'verify', file, ...more], { env }, (_, stdout) =>
      settle({ status: child.exitCode ?? 1, stdout }),
    );
  });
};
const exported = async (job: string) => (await mira.request('GET', `/api/jobs/${job}/record.json`)).text();

describe('the application’s own account', () => {
  it('may add to the record, and change or delete nothing of it', async () => {
    const application = await new DataSource({ type: 'mariadb', ...server.config.database }).initialize();
    try {
      for (const statement of [
        'UPDATE job_event SET hash = ""',
        'DELETE FROM job_event',
        'TRUNCATE job_event',
        'DROP TABLE job_event',
      ])
        await expect(application.query(statement)).rejects.toThrow(/denied/);
    } finally {
      await application.destroy();
    }
  });
});

describe('a record altered behind the application’s back', () => {
  it('an entry: found at load, said in every list and file, nothing is added until a lead has looked at it', async () => {
    const job = await worked();
    await server.source.query(
      'UPDATE job_event SET body = REPLACE(body, \'"found":8\', \'"found":7\') WHERE job_id = ? AND seq = 2',
      [job],
    );
    await restart();
    expect((await mira.job(job)).integrity).toMatchObject({ breaks: [2], open: [2] });
    const count = () => mira.signed(job, { type: 'startByHand', station: 'g3' });
    expect(outcomes(await mira.sendRaw(job, [await count()]))).toEqual(['recordBroken']);
    const cards = (await (await mira.request('GET', `/api/jobs?from=0&to=${Date.now() + 1e9}`)).json()) as JobCard[];
    expect(cards.filter(({ broken }) => broken).map(({ id }) => id)).toEqual([job]);
    const acknowledge = {
      type: 'acknowledgeBreak',
      reason: 'Compared with the backup of noon: eight were counted.',
    } as const;
    expect(outcomes(await mira.sendRaw(job, [await mira.signed(job, acknowledge)]))).toEqual(['notPermitted']);
    expect(outcomes(await lead.sendRaw(job, [await lead.signed(job, acknowledge)]))).toEqual(['taken']);
    expect(outcomes(await mira.sendRaw(job, [await count()]))).toEqual(['taken']);
    await restart();
    // Known, and still to be seen.
    expect(await check(job)).toMatchObject({ breaks: [2], open: [] });
    const said = await verify('acknowledged.json', await exported(job));
    expect(said.stdout).toContain('altered at entry 2; a lead looked at it');
  });
  it('its end cut off, with the job’s own row set to match: the signed closing and the anchor tell', async () => {
    const job = await closed();
    const [before] = await server.source.query(
      'SELECT seq, hash FROM job_event WHERE job_id = ? ORDER BY seq DESC LIMIT 1 OFFSET 2',
      [job],
    );
    await server.source.query('DELETE FROM job_event WHERE job_id = ? AND seq > ?', [job, before.seq]);
    await server.source.query('UPDATE job SET seq = ?, hash = ?, closed_at_ms = NULL WHERE id = ?', [
      before.seq,
      before.hash,
      job,
    ]);
    await restart();
    expect((await check(job)).breaks).toEqual([before.seq + 1]);
  });
  it('of an open job, by the daily anchors alone; an anchor altered is said itself', async () => {
    const job = await worked();
    const seal = server.config.sealDir;
    const heads = await server.source.query('SELECT id AS job, seq, hash FROM job');
    new Anchors(join(seal, 'anchors'), ShopKey.in(seal)).write(heads, Date.now() + 60_000);
    const [before] = await server.source.query('SELECT seq, hash FROM job_event WHERE job_id = ? AND seq = 4', [job]);
    await server.source.query('DELETE FROM job_event WHERE job_id = ? AND seq > 4', [job]);
    await server.source.query('UPDATE job SET seq = 4, hash = ? WHERE id = ?', [before.hash, job]);
    await restart();
    expect((await check(job)).breaks).toEqual([5]);
    const [name = ''] = readdirSync(join(seal, 'anchors')).sort();
    const file = join(seal, 'anchors', name);
    writeFileSync(file, readFileSync(file, 'utf8').replace('wrenchman-anchor', 'wrenchman-anchof'));
    await restart();
    expect((await check(job)).anchorFaults[0]).toContain('not signed by the shop');
  });
  it.each([
    ['its number', "UPDATE job SET number = '990101-1' WHERE id = ?"],
    ['its vehicle', "UPDATE job SET vehicle = JSON_SET(vehicle, '$.modelYear', 1999) WHERE id = ?"],
    ['whose vehicle it is', "UPDATE job SET vehicle = JSON_SET(vehicle, '$.plate', 'XX 1') WHERE id = ?"],
    ['its answers', "UPDATE job SET answers = JSON_OBJECT('shield', TRUE) WHERE id = ?"],
    ['its seal', "UPDATE job SET seal = REPLACE(seal, 'Harrow', 'Narrow') WHERE id = ?"],
  ])('%s', async (_, statement) => {
    const job = await worked();
    await server.source.query(statement, [job]);
    await restart();
    const { breaks } = (await mira.job(job)).integrity;
    expect(breaks.length).toBeGreaterThan(0);
    expect(breaks[0]).toBeLessThanOrEqual(1);
  });
  it('the document of its kit, for every job that pins it', async () => {
    const job = await worked();
    const [row] = await server.source.query("SELECT document FROM kit WHERE id = 'transfer-case-guard'");
    await server.source.query(
      "UPDATE kit SET document = REPLACE(document, '80–100 lbf·in', '90–120 lbf·in') WHERE id = 'transfer-case-guard'",
    );
    try {
      await restart();
      expect((await mira.job(job)).integrity.breaks).toEqual([0]);
    } finally {
      const text = typeof row.document === 'string' ? row.document : JSON.stringify(row.document);
      await server.source.query("UPDATE kit SET document = ? WHERE id = 'transfer-case-guard'", [text]);
      await restart();
    }
  });
  it('a photo of it', async () => {
    const job = await openGuard(mira);
    const picture = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(200, 7)]);
    const kept = await mira.request('POST', `/api/jobs/${job}/photos`, picture, { 'Content-Type': 'image/jpeg' });
    expect(kept.status).toBe(201);
    expect((await mira.job(job)).integrity.breaks).toEqual([]);
    await server.source.query('UPDATE photo SET bytes = REPLACE(bytes, CHAR(7), CHAR(8)) WHERE job_id = ?', [job]);
    await restart();
    expect((await mira.job(job)).integrity.breaks).toEqual([1]);
  });
});

describe('an exported record', () => {
  it('is checked with no server, and the check says in words what was altered', async () => {
    const job = await closed();
    const text = await exported(job);
    const { publicKey } = await check(job);
    expect(RecordFileSchema.safeParse(JSON.parse(text)).success).toBe(true);
    const whole = await verify('whole.json', text, '--key', publicKey);
    expect([whole.status, whole.stdout]).toEqual([0, expect.stringMatching(/whole\.json: whole/)]);
    const altered = async (change: (record: ReturnType<typeof JSON.parse>) => void) => {
      const record = JSON.parse(text);
      change(record);
      const file = join(folder, 'altered.json');
      writeFileSync(file, JSON.stringify(record));
      let said = '';
      const status = verifyFiles([file, '--key', publicKey], (part) => {
        said += part;
      });
      expect(status).toBe(1);
      return said;
    };
    const pullAt = (record: { events: Array<{ event: { type: string } }> }) =>
      record.events.findIndex(({ event }) => event.type === 'pullRecorded');
    expect(
      await altered((record) => {
        record.events[pullAt(record)].event.torqueNm = 20;
      }),
    ).toMatch(/what was signed says another torqueNm/);
    expect(
      await altered((record) => {
        record.events[3].event.atMs += 1;
      }),
    ).toMatch(/entry 4 is not what follows/);
    expect(await altered((record) => record.events.splice(5, 1))).toMatch(/entry 6/);
    expect(await altered((record) => record.events.pop())).toMatch(
      /entry \d+ is not what follows from the one before it, or an entry there is missing/,
    );
    expect(
      await altered((record) => {
        record.vehicle.modelYear = 1999;
      }),
    ).toMatch(/opened with was altered: vehicle/);
    expect(
      await altered((record) => {
        record.kits[0].document.title = 'Another';
      }),
    ).toMatch(/altered: kits/);
    expect(
      await altered((record) => {
        record.closing.text = record.closing.text.replace(/"seq":\d+/, '"seq":3');
      }),
    ).toMatch(/closing does not bear the signature/);
    expect(
      await altered((record) => {
        delete record.events[0].signed;
      }),
    ).toMatch(/Entry 1: .*signature is missing/);
    const foreign = await verify(
      'whole.json',
      text,
      '--key',
      'MCowBQYDK2VwAyEAGb9ECWmEzf6FQbrBZ9w7lshQhqowtrbLDFw4rXAxZuE=',
    );
    expect(foreign.stdout).toMatch(/another key than the shop’s/);
    expect((await verify('no.json', '{')).stdout).toMatch(/ALTERED/);
  });
  it('holds after the owner had what is personal erased, by a lead with their PIN', async () => {
    const job = await closed();
    const erase = (device: SigningDevice, secret: string) =>
      device.request('POST', '/api/vehicles/v-carrick/erase', { secret });
    expect((await erase(mira, '2468')).status).toBe(403);
    expect((await erase(lead, '0000')).status).toBe(401);
    expect((await erase(lead, '1357')).status).toBe(204);
    await restart();
    const text = await exported(job);
    const { plate, owner } = JSON.parse(text).vehicle;
    expect([plate, owner]).toEqual(['', '']);
    expect((await check(job)).breaks).toEqual([]);
    expect((await verify('erased.json', text)).stdout).toMatch(/whole\n.*personal of the owner was erased/s);
  });
});
