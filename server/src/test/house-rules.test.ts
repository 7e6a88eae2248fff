import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HouseRules1764000000008 } from '../store/migration/0009-house-rules.ts';
import { type Device, fitter, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
});
afterAll(() => server.stop());

/** What the command line says, in a process of its own. */
const said = (...words: string[]): Promise<string> =>
  new Promise((settle) => {
    const env = { ...process.env, NODE_OPTIONS: '' };
    execFile(process.execPath, ['scripts/wm.mjs', ...words], { env }, (_, stdout) => settle(stdout));
  });

const stored = async (): Promise<unknown> => {
  const [row] = (await server.source.query('SELECT house_rules FROM shop')) as Array<{ house_rules: unknown }>;
  return typeof row?.house_rules === 'string' ? JSON.parse(row.house_rules) : row?.house_rules;
};

describe('the rules of the house', () => {
  it('take over the rounds a shop had set before they were one record, and give them back', async () => {
    const runner = server.source.createQueryRunner();
    const migration = new HouseRules1764000000008();
    try {
      for (const [stages, verify, rules] of [
        ['[0.3, 1]', 0, { stages: [0.3, 1], verify: false }],
        [null, 1, { verify: true }],
        [null, null, null],
      ] as const) {
        await server.source.query('UPDATE shop SET house_rules = NULL');
        await migration.down(runner);
        await runner.query('UPDATE shop SET stages = ?, verify = ?', [stages, verify]);
        await migration.up(runner);
        expect(await stored()).toEqual(rules);
        await migration.down(runner);
        const [back] = (await runner.query('SELECT stages, verify FROM shop')) as Array<Record<string, unknown>>;
        expect(back?.verify).toEqual(verify);
        expect(typeof back?.stages === 'string' ? JSON.parse(back.stages) : back?.stages).toEqual(
          stages === null ? null : JSON.parse(stages),
        );
        await migration.up(runner);
      }
    } finally {
      await runner.release();
      await server.source.query('UPDATE shop SET house_rules = NULL');
    }
  });
  it('are kept by a job as it was opened, with how the vehicle is held up', async () => {
    await server.source.query('UPDATE shop SET house_rules = ?', [JSON.stringify({ driveAfter: 'fullCure' })]);
    const session = (await (await mira.request('GET', '/api/session')).json()) as { shop: object };
    expect(session.shop).toMatchObject({ rules: { driveAfter: 'fullCure' } });
    const opened = await mira.request('POST', '/api/jobs', {
      vehicle: 'v-carrick',
      kits: ['transfer-case-guard'],
      answers: {},
      bay: 2,
      plannedStartMs: Date.now(),
      heldUpBy: 'ramps',
    });
    const { id } = (await opened.json()) as { id: string };
    await server.source.query('UPDATE shop SET house_rules = NULL');
    expect((await mira.job(id)).shop).toMatchObject({ driveAfter: 'fullCure', heldUpBy: 'ramps' });
    // They are sealed with the job, and its exported record is checked against them.
    const file = join(mkdtempSync(join(tmpdir(), 'wm-record-')), 'record.json');
    writeFileSync(file, await (await mira.request('GET', `/api/jobs/${id}/record.json`)).text());
    expect(await said('verify', file)).not.toMatch(/ALTERED/);
    const altered = { ...JSON.parse(readFileSync(file, 'utf8')), shop: { name: 'Harrow Lane Fitting Shop' } };
    writeFileSync(file, JSON.stringify(altered));
    expect(await said('verify', file)).toMatch(/ALTERED/);
    const wrong = await mira.request('POST', '/api/jobs', {
      vehicle: 'v-carrick',
      kits: ['transfer-case-guard'],
      answers: {},
      bay: 2,
      plannedStartMs: Date.now(),
      heldUpBy: 'jack',
    });
    expect(wrong.status).toBe(422);
  });
});
