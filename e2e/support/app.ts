import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, expect, type Page } from '@playwright/test';
import { DEMO_PEOPLE } from '#demo/shop.ts';

/** The built application on a schema of its own, seeded with the demo, that a test may kill and start again. */
export interface App {
  url: string;
  /** Ends the server at once, as a power cut does. */
  kill(): Promise<void>;
  start(): Promise<void>;
  sql(statement: string): string;
}

/** A TCP port on loopback nobody listens on just now. */
export async function freePort(): Promise<number> {
  return new Promise((settle, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => settle(typeof address === 'object' && address ? address.port : 0));
    });
  });
}

/** A server of its own: with the demo in it, or an empty one with the code that opens it. */
export async function launch(
  demo = true,
  { network = false } = {},
): Promise<App & { code: string; plainUrl: string; stop(): Promise<void> }> {
  const { DB_PORT = '', DB_OWNER = '', DB_OWNER_PASSWORD = '' } = process.env;
  if (DB_PORT === '')
    throw new Error('Run the browser tests through `npm test` or `npm run test:e2e`: they need its database.');
  const database = `wrenchman_e_${randomUUID().slice(0, 8)}`;
  const run = (statement: string, schema?: string) =>
    execFileSync(
      'mariadb',
      [
        '--no-defaults',
        '--protocol=tcp',
        '-h127.0.0.1',
        `-P${DB_PORT}`,
        `-u${DB_OWNER}`,
        '-N',
        ...(schema ? [schema] : []),
        '-e',
        statement,
      ],
      {
        env: { ...process.env, MYSQL_PWD: DB_OWNER_PASSWORD },
      },
    ).toString();
  run(`CREATE DATABASE ${database}`);
  const port = await freePort();
  const httpPort = network ? await freePort() : 0;
  const sealDir = mkdtempSync(join(tmpdir(), 'wm-seal-'));
  const env = {
    ...process.env,
    DB_NAME: database,
    PORT: String(port),
    WRENCHMAN_DEMO: demo ? '1' : '0',
    LOG_LEVEL: 'error',
    SEAL_DIR: sealDir,
    HOST: network ? '0.0.0.0' : '127.0.0.1',
    ...(network ? { TLS_DIR: join(sealDir, 'tls'), HTTP_PORT: String(httpPort) } : {}),
  };
  const told = execFileSync(process.execPath, ['dist/server/manage.mjs', demo ? 'seed-demo' : 'open-shop'], { env });
  const code = /first-run code: (\S+)/.exec(told.toString())?.[1] ?? '';
  let child: ChildProcess | undefined;
  const kill = async () => {
    const old = child;
    child = undefined;
    if (!old || old.exitCode !== null) return;
    await new Promise<void>((settle) => {
      old.once('exit', () => settle());
      old.kill('SIGKILL');
    });
  };
  const start = () =>
    new Promise<void>((settle, reject) => {
      const started = spawn(process.execPath, ['dist/server/main.mjs'], { env, stdio: ['ignore', 'pipe', 'inherit'] });
      child = started;
      started.stdout?.on('data', (chunk) => String(chunk).includes('READY') && settle());
      started.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
    });
  await start();
  return {
    url: `${network ? 'https' : 'http'}://127.0.0.1:${port}`,
    plainUrl: `http://127.0.0.1:${httpPort}`,
    code,
    kill,
    start,
    sql: (statement) => run(statement, database),
    async stop() {
      await kill();
      run(`DROP DATABASE ${database}`);
    },
  };
}

/**
 * Every worker has an application, which the files it runs share: what one leaves in the bays the next one finds. A file
 * that asks what the whole shop shows takes one for itself, with `test.use({ shopOf: 'its name' })`.
 */
export const test = base.extend<object, { app: App; shopOf: string }>({
  shopOf: ['everybody', { option: true, scope: 'worker' }],
  app: [
    // biome-ignore lint/correctness/noUnusedFunctionParameters: asked for so that another shop is another worker's
    async ({ shopOf }, use) => {
      const app = await launch();
      await use(app);
      await app.stop();
    },
    { scope: 'worker' },
  ],
});
export { expect };

/** Opens an empty installation on its first-run page; the first lead is Ada Quarrie, with the PIN 482913. */
export async function openShop(page: Page, code: string, name: string): Promise<void> {
  await page.getByLabel('Code from the console').fill(code);
  await page.getByLabel('Name of the shop').fill(name);
  await page.getByLabel('Bays').fill('2');
  await page.getByLabel('Your name, the first lead').fill('Ada Quarrie');
  await page.getByLabel('Initials').fill('aq');
  await page.getByLabel('PIN or password').fill('482913');
  await page.getByLabel('The same again').fill('482913');
  await page.getByRole('button', { name: 'Open the shop' }).click();
  // Whoever goes elsewhere before the answer calls the question off.
  const open = page.getByText('The shop is open.').or(page.getByRole('heading', { name: 'Who is working?' }));
  await expect(open.first()).toBeVisible();
}

export async function signIn(page: Page, app: App, name = 'Mira Vane', pin = '2468'): Promise<void> {
  await page.goto(app.url);
  await page.getByRole('button', { name: new RegExp(name) }).click();
  await page.getByLabel(`PIN for ${name}`).fill(pin);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Needs a hand' })).toBeVisible();
}

/** Lets the stand-in's hand pull fast, so that a test of many pulls stays short. */
export async function swiftHand(page: Page, overshootDeg = 0): Promise<void> {
  await page.addInitScript((over) => {
    const state = {
      system: 'metric',
      theme: 'day',
      pxPerMm: 3.78,
      scaled: false,
      pedalKey: 'F8',
      pullSpeedDegPerS: 150,
      overshootDeg: over,
    };
    localStorage.setItem('wrenchman.settings', JSON.stringify({ state, version: 1 }));
  }, overshootDeg);
}

const origin = (page: Page): string => new URL(page.url()).origin;

/**
 * Releases the draft on the screen and waits until it is: the note stands in its field before it stands in the history,
 * so seeing its words proves nothing.
 */
export async function releaseKit(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Release it' }).click();
  await page.waitForURL(/\/kits\/[^/]+$/);
}

/** Station and pass on the torque screen, as they are read: changes when a pull was taken. */
export const whereNow = async (page: Page): Promise<string> =>
  (await page
    .getByRole('heading', { name: /^Station/ })
    .locator('..')
    .textContent()) ?? '';

/** Opens a job through the API, for tests whose subject is a later phase. */
export async function openJob(
  page: Page,
  vehicle: string,
  kit: string,
  answers: object = {},
  bay = 4,
): Promise<string> {
  const response = await page.request.post(`${origin(page)}/api/jobs`, {
    data: { vehicle, kits: [kit], answers, bay, plannedStartMs: Date.now() },
  });
  expect(response.status()).toBe(201);
  return ((await response.json()) as { id: string }).id;
}

/** Acts that need their person's PIN for themselves, and the demo's PINs. */
const PROVEN: ReadonlySet<string> = new Set([
  'override',
  'overrideStep',
  'waiveStep',
  'park',
  'handBack',
  'close',
  'settleConflict',
  'acknowledgeBreak',
  'settleBasis',
  'addAddendum',
]);
const PINS: Record<string, string> = Object.fromEntries(DEMO_PEOPLE.map(({ id, pin }) => [id, pin]));

/** Types the PIN that an act asks for. */
export async function provePin(page: Page, pin = '2468'): Promise<void> {
  await page.getByLabel(/^PIN of /).fill(pin);
  await page.keyboard.press('Enter');
}

/** The server takes no more in one request. */
const AT_ONCE = 100;

/** Gives commands through the API as the person signed in on this page. */
export async function give(page: Page, job: string, ...commands: object[]): Promise<void> {
  const session = (await (await page.request.get(`${origin(page)}/api/session`)).json()) as { person: { id: string } };
  const inputs: object[] = [];
  for (const command of commands) {
    const input = { id: randomUUID(), atMs: Date.now(), by: session.person.id, command };
    const { type } = command as { type: string };
    if (!PROVEN.has(type)) inputs.push(input);
    else {
      const data = { secret: PINS[session.person.id], command: input.id };
      const answer = await page.request.post(`${origin(page)}/api/session/leave`, { data });
      const { leave } = (await answer.json()) as { leave: string };
      inputs.push({ ...input, proof: { kind: 'leave', leave } });
    }
  }
  for (let at = 0; at < inputs.length; at += AT_ONCE) {
    const data = { commands: inputs.slice(at, at + AT_ONCE) };
    const response = await page.request.post(`${origin(page)}/api/jobs/${job}/commands`, { data });
    const answer = (await response.json()) as { results?: Array<{ ok: boolean }> };
    expect(answer.results?.every((result) => result.ok) ?? false, JSON.stringify(answer)).toBe(true);
  }
}

const guardStations = ['g1', 'g2', 'g3', 'g4', 'g5', 'g6'];
/** A guard counted, started and snug, by the API: the first pull is due on station 2. */
export const GUARD_TO_TORQUE = [
  { type: 'countLine', item: 'm1', found: 6, damaged: 0 },
  { type: 'countLine', item: 'm2', found: 8, damaged: 0 },
  { type: 'countLine', item: 'm3', found: 6, damaged: 0 },
  { type: 'countLine', item: 'm4', found: 1, damaged: 0 },
  ...guardStations.map((station) => ({ type: 'startByHand', station })),
  ...guardStations.map((station) => ({ type: 'snug', station, tool: 'hand' })),
];

/** Address of the demo's visit of three kits, in bay 4. */
export async function demoVisit(page: Page, app: App): Promise<string> {
  const dayMs = 86_400_000;
  const answer = await page.request.get(`${app.url}/api/jobs?from=${Date.now() - dayMs}&to=${Date.now() + dayMs}`);
  const jobs = (await answer.json()) as Array<{ id: string; kitTitle: string }>;
  return `${app.url}/jobs/${jobs.find(({ kitTitle }) => kitTitle.startsWith('Rear air springs + '))?.id}`;
}

/** The anti-roll bar's hardware, counted. */
export const BAR_COUNT = [
  ['r1', 4],
  ['r2', 4],
  ['r3', 4],
  ['r4', 2],
  ['r5', 2],
  ['r6', 2],
  ['r7', 3],
  ['r8', 1],
  ['r9', 2],
].map(([item, found]) => ({ type: 'countLine', item, found, damaged: 0 }));
/** Starts of some stations, by hand. */
export const startAll = (...stations: string[]) => stations.map((station) => ({ type: 'startByHand', station }));

/** Says that a click wrench is set, where the screen wants to hear it. */
export async function setWrench(page: Page): Promise<void> {
  const set = page.getByRole('button', { name: / set to / });
  await set
    .or(page.getByLabel(/^Reading from/))
    .first()
    .waitFor();
  if ((await set.count()) === 0) return;
  await set.click();
  await page.getByLabel(/^Reading from/).waitFor();
}
