import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, describe, expect, it } from '@jest/globals';

const folder = mkdtempSync(join(tmpdir(), 'wm-scripts-'));
const PORT = '46392';
const children = new Set<ChildProcess>();
afterAll(async () => {
  // A test that failed in the middle must not leave its shop running for the next one.
  await Promise.all(
    [...children].map(
      (child) =>
        new Promise((settle) => {
          child.once('close', settle);
          child.kill('SIGTERM');
        }),
    ),
  );
  rmSync(folder, { recursive: true, force: true });
}, 240_000);

interface Ended {
  code: number | null;
  output: string;
}

/** Runs a script with its data in `data` and gives its exit code and everything it said. */
function script(
  args: string[],
  {
    data = join(folder, 'data'),
    env = {},
    until,
    options = {},
  }: { data?: string; env?: Record<string, string>; until?: RegExp; options?: { uid?: number; gid?: number } } = {},
) {
  const child: ChildProcess = spawn(process.execPath, args, {
    env: { ...process.env, NODE_OPTIONS: '', WRENCHMAN_DATA: data, PORT, ...env },
    ...options,
  });
  children.add(child);
  child.once('close', () => children.delete(child));
  let output = '';
  let reached: () => void = () => undefined;
  const ready = new Promise<void>((settle) => {
    reached = settle;
  });
  for (const stream of [child.stdout, child.stderr]) {
    stream?.on('data', (chunk) => {
      output += String(chunk);
      if (until?.test(output)) reached();
    });
  }
  const ended = new Promise<Ended>((settle) => child.on('close', (code) => settle({ code, output })));
  return {
    child,
    ready: () => Promise.race([ready, ended.then(({ output: said }) => Promise.reject(new Error(said)))]),
    ended,
    said: () => output,
  };
}

const starting = (extra: Parameters<typeof script>[1] = {}) =>
  script(['scripts/start.mjs'], { until: /is ready after/, ...extra });
const people = async () =>
  (
    (await (await fetch(`http://127.0.0.1:${PORT}/api/session/options`)).json()) as { people: Array<{ name: string }> }
  ).people.map((person) => person.name);
/** Opens a job as a lead and counts a line: what it reads back of it. */
async function recordOne(): Promise<string | undefined> {
  const url = `http://127.0.0.1:${PORT}`;
  let cookie = '';
  const ask = async (method: string, path: string, body?: object) => {
    const response = await fetch(`${url}${path}`, {
      method,
      headers: { 'Content-Type': 'application/json', origin: url, cookie },
      body: body && JSON.stringify(body),
    });
    const set = response.headers.getSetCookie().map((line) => line.split(';')[0]);
    if (set.length > 0) cookie = set.join('; ');
    return (await response.json()) as never;
  };
  await ask('POST', '/api/session', { person: 'u-orrin', secret: '1357' });
  const { id } = (await ask('POST', '/api/jobs', {
    vehicle: 'v-carrick',
    kits: ['transfer-case-guard'],
    answers: {},
    bay: 3,
    plannedStartMs: Date.now(),
  })) as { id: string };
  const command = { type: 'countLine', item: 'm1', found: 6, damaged: 0 };
  const commands = [{ id: crypto.randomUUID(), atMs: Date.now(), by: 'u-orrin', command }];
  await ask('POST', `/api/jobs/${id}/commands`, { commands });
  const { events } = (await ask('GET', `/api/jobs/${id}`)) as { events: Array<{ event: { type: string } }> };
  return events.at(-1)?.event.type;
}
/** Waits until something holds. */
async function until(holds: () => Promise<boolean>, forMs = 60_000): Promise<void> {
  const endMs = Date.now() + forMs;
  while (!(await holds().catch(() => false))) {
    if (Date.now() > endMs) throw new Error('It did not come to hold');
    await new Promise((settle) => setTimeout(settle, 200));
  }
}
const database = (data: string) => join(data, 'db');

describe('import boundaries', () => {
  const tree = join(folder, 'planted');
  mkdirSync(tree);
  const config = JSON.parse(readFileSync('biome.json', 'utf8'));
  // The project's own rules, in a folder that is no git checkout.
  writeFileSync(join(tree, 'biome.json'), JSON.stringify({ ...config, $schema: undefined, vcs: { enabled: false } }));
  /** What the linter says of a file that stands at `path`. */
  const lint = (path: string, text: string) => {
    mkdirSync(dirname(join(tree, path)), { recursive: true });
    writeFileSync(join(tree, path), text);
    return spawnSync(join(process.cwd(), 'node_modules/.bin/biome'), ['lint', '--colors=off', path], {
      cwd: tree,
      encoding: 'utf8',
    });
  };
  it.each([
    [
      'core/src/job/planted.ts',
      "import { makeApp } from '#server/http/app.ts';\nexport const planted = makeApp;\n",
      'core stands at the bottom',
    ],
    [
      'core/src/job/planted.ts',
      "import { readFileSync } from 'node:fs';\nexport const planted = readFileSync;\n",
      'Node.js builtin',
    ],
    [
      'contract/src/planted.ts',
      "import { makeApp } from '#server/http/app.ts';\nexport const planted = makeApp;\n",
      'contract may import core only',
    ],
    [
      'devices/src/planted.ts',
      "import { makeApp } from '#server/http/app.ts';\nexport const planted = makeApp;\n",
      'devices may import contract and core only',
    ],
    [
      'web/src/feature/planted.ts',
      "import { makeApp } from '#server/http/app.ts';\nexport const planted = makeApp;\n",
      'web talks to the server',
    ],
    [
      'server/src/planted.ts',
      "import { useState } from 'react';\nexport const planted = useState;\n",
      'server never imports web',
    ],
  ])('%s may not import what stands above it', (path, text, message) => {
    const { stdout, stderr, status } = lint(path, text);
    expect(status).not.toBe(0);
    expect(`${stdout}${stderr}`).toContain(message);
  });
});

describe('npm run shop', () => {
  it('comes up with nothing of the demo in it and a code that opens it; once opened it asks for none', async () => {
    const data = join(folder, 'own');
    const shop = () => script(['scripts/shop.mjs'], { data, until: /is ready after/ });
    const first = shop();
    await first.ready();
    const code = /first-run code: ([A-Z2-9]{4}-[A-Z2-9]{4})/.exec(first.said())?.[1] ?? '';
    expect(code).not.toBe('');
    expect(await people()).toEqual([]);
    const url = `http://127.0.0.1:${PORT}`;
    const opened = await fetch(`${url}/api/opening`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', origin: url },
      body: JSON.stringify({
        code,
        shop: { name: 'Quarry Lane', bays: 2, rules: {} },
        lead: { name: 'Ada Quarrie', initials: 'AQ', secret: '482913' },
      }),
    });
    expect(opened.status).toBe(201);
    expect(await people()).toEqual(['Ada Quarrie']);
    first.child.kill('SIGINT');
    await first.ended;
    const second = shop();
    await second.ready();
    expect(second.said()).not.toContain('first-run code');
    expect(await people()).toEqual(['Ada Quarrie']);
    second.child.kill('SIGINT');
    expect(await second.ended).toMatchObject({ code: 0 });
  });
});

describe('npm start', () => {
  it('comes up, refuses a second one, stops cleanly on Ctrl-C, comes up again fast with its data, backs up and restores', async () => {
    const data = join(folder, 'data');
    const first = starting();
    await first.ready();
    expect(await people()).toContain('Mira Vane');

    const second = await script(['scripts/start.mjs']).ended;
    expect(second.code).toBe(1);
    expect(second.output).toContain(`Port ${PORT} is taken by another program.`);
    const elsewhere = await script(['scripts/start.mjs'], { env: { PORT: '46393' } }).ended;
    expect(elsewhere.output).toMatch(/Another Wrenchman already uses .*Stop it first\./);
    expect(elsewhere.code).toBe(1);

    const pid = Number(readFileSync(join(database(data), 'mariadb.pid'), 'utf8'));
    first.child.kill('SIGINT');
    expect(await first.ended).toMatchObject({
      code: 0,
      output: expect.stringContaining('server and database stopped'),
    });
    expect(() => process.kill(pid, 0)).toThrow();
    expect(existsSync(join(database(data), 'mariadb.pid'))).toBe(false);

    const file = join(folder, 'shop.sql');
    expect(await script(['scripts/backup.mjs', 'backup', file]).ended).toMatchObject({ code: 0 });
    expect(statSync(file).mode & 0o077).toBe(0);

    // A stale process file: the machine lost power, and the number belongs to another program now.
    writeFileSync(join(database(data), 'mariadb.pid'), String(process.pid));
    const third = starting();
    await third.ready();
    third.child.kill('SIGINT');
    const stopped = await third.ended;
    expect(stopped.output).toContain('data kept');
    // Nothing is installed or built again, which is what makes a second start quick.
    expect(stopped.output).toMatch(/node packages … all there/);
    expect(stopped.output).toMatch(/build … up to date/);
    expect(stopped.output).toMatch(/A stale process file named process \d+/);
    // Each start keeps a backup of what was there before it.
    expect(readdirSync(join(data, 'backup')).filter((name) => /^wrenchman-.*\.sql$/.test(name)).length).toBeGreaterThan(
      0,
    );

    // Restoring: a cut-off file is refused before anything changes; a whole one brings the shop back.
    const cut = join(folder, 'cut.sql');
    cpSync(file, cut);
    truncateSync(cut, statSync(file).size - 300);
    expect(await script(['scripts/backup.mjs', 'restore', cut]).ended).toMatchObject({
      code: 1,
      output: expect.stringContaining('not a whole backup'),
    });
    const edited = join(folder, 'edited.sql');
    writeFileSync(edited, readFileSync(file, 'utf8').replaceAll('Mira Vane', 'Mira Vance'));
    expect(await script(['scripts/backup.mjs', 'restore', edited]).ended).toMatchObject({
      code: 0,
      output: expect.stringMatching(/it records, and reads back what it recorded[\s\S]*the state before is in/),
    });
    // One that does not make a shop that records is found out beside the shop, which stays as it is.
    const poor = join(folder, 'poor.sql');
    writeFileSync(poor, readFileSync(file, 'utf8').replaceAll('`job_event`', '`job_ovent`'));
    expect(await script(['scripts/backup.mjs', 'restore', poor]).ended).toMatchObject({
      code: 1,
      output: expect.stringContaining('so nothing was changed'),
    });
    const fourth = starting();
    await fourth.ready();
    expect(await people()).toContain('Mira Vance');
    // A restored shop records, and reads back what it recorded.
    expect(await recordOne()).toBe('lineCounted');
    // Online: a whole backup while it is worked on, and no restore under its feet.
    const online = join(folder, 'online.sql');
    expect(await script(['scripts/backup.mjs', 'backup', online]).ended).toMatchObject({
      code: 0,
      output: expect.stringContaining('while Wrenchman went on'),
    });
    expect(readFileSync(online, 'utf8')).toContain('append_all');
    expect(await script(['scripts/backup.mjs', 'restore', online]).ended).toMatchObject({
      code: 1,
      output: expect.stringMatching(/Another Wrenchman already uses .*Stop it first\./),
    });
    fourth.child.kill('SIGTERM');
    await fourth.ended;

    expect(await script(['scripts/reset-demo.mjs']).ended).toMatchObject({ code: 0 });
    const fifth = starting();
    await fifth.ready();
    expect(await people()).toContain('Mira Vane');
    fifth.child.kill('SIGINT');
    await fifth.ended;
  }, 400_000);

  it('goes on by itself after the server, the database or the start itself was killed', async () => {
    const data = join(folder, 'data');
    const first = starting();
    await first.ready();
    const pidOf = (file: string) => Number(readFileSync(file, 'utf8'));
    const server = pidOf(join(data, 'server.pid'));
    process.kill(server, 'SIGKILL');
    await until(async () => pidOf(join(data, 'server.pid')) !== server && (await people()).length > 0);
    expect(first.said()).toMatch(/The server ended by itself \(SIGKILL\)[\s\S]*started again/);
    expect(readFileSync(join(data, 'log', 'server.log'), 'utf8')).toContain('READY');
    const before = pidOf(join(database(data), 'mariadb.pid'));
    process.kill(before, 'SIGKILL');
    await until(async () => pidOf(join(database(data), 'mariadb.pid')) !== before && (await recordOne()) !== undefined);
    expect(first.said()).toContain('The database is back with everything recorded');
    // The start itself, with no time for anything: the database is left alone, the server ends with its input.
    const orphan = pidOf(join(database(data), 'mariadb.pid'));
    first.child.kill('SIGKILL');
    await first.ended;
    const second = starting();
    await second.ready();
    expect(() => process.kill(orphan, 0)).toThrow();
    expect(await recordOne()).toBe('lineCounted');
    second.child.kill('SIGINT');
    expect((await second.ended).output).toContain('of a start that was killed still ran');
  }, 300_000);

  it('says in one sentence that the disk is full, before anything is touched', async () => {
    const data = join(folder, 'no-room');
    const { code, output } = await script(['scripts/start.mjs'], { data, env: { WRENCHMAN_LEAST_FREE_MB: '99999999' } })
      .ended;
    expect(code).toBe(1);
    expect(output).toMatch(/Only \d+ MB are free on the disk of .*: make room/);
    expect(existsSync(database(data))).toBe(false);
  }, 90_000);

  it('says in one sentence that a port is taken, and touches nothing', async () => {
    const other = createServer().listen(Number(PORT), '127.0.0.1');
    await new Promise((settle) => other.once('listening', settle));
    const data = join(folder, 'never-made');
    const { code, output } = await script(['scripts/start.mjs'], { data }).ended;
    other.close();
    expect(code).toBe(1);
    expect(output).toContain(`Port ${PORT} is taken`);
    expect(existsSync(database(data))).toBe(false);
    expect((await script(['scripts/start.mjs'], { env: { PORT: 'many' } }).ended).output).toContain(
      'PORT must be a number',
    );
  }, 90_000);

  it('leaves a half-made or foreign data folder alone', async () => {
    const data = join(folder, 'half');
    const table = join(database(data), 'data', 'ibdata1');
    mkdirSync(dirname(table), { recursive: true });
    writeFileSync(table, 'precious');
    const { code, output } = await script(['scripts/start.mjs'], { data }).ended;
    expect(code).toBe(1);
    expect(output).toMatch(/half made or not ours, so nothing was touched/);
    expect(readFileSync(table, 'utf8')).toBe('precious');
  }, 90_000);

  it('tells somebody without root what to run', async () => {
    // As nobody, with no program of the system in sight.
    const data = join(folder, 'nobody');
    mkdirSync(data);
    chmodSync(data, 0o777);
    chmodSync(folder, 0o777);
    const bin = join(folder, 'bin');
    mkdirSync(bin);
    writeFileSync(join(bin, 'apt-get'), '#!/bin/sh\nexit 1\n', { mode: 0o755 });
    const options = process.getuid?.() === 0 ? { uid: 65534, gid: 65534 } : {};
    const { code, output } = await script(['scripts/start.mjs'], {
      data,
      env: { PATH: bin, WRENCHMAN_ONLY_PATH: '1' },
      options,
    }).ended;
    expect(code).toBe(1);
    expect(output).toMatch(
      /Missing: mariadb-server\. Not root, and no sudo here: run as root {2}apt-get update && apt-get install/,
    );
  }, 90_000);

  it('says so when packages cannot be fetched', async () => {
    const bin = join(folder, 'bin-offline');
    mkdirSync(bin);
    writeFileSync(join(bin, 'apt-get'), '#!/bin/sh\necho "Temporary failure resolving" >&2\nexit 100\n', {
      mode: 0o755,
    });
    writeFileSync(join(bin, 'sudo'), '#!/bin/sh\n[ "$1" = -n ] && shift\nexec "$@"\n', { mode: 0o755 });
    const { code, output } = await script(['scripts/start.mjs'], {
      data: join(folder, 'offline'),
      env: { PATH: `${bin}:/bin`, WRENCHMAN_ONLY_PATH: '1' },
    }).ended;
    expect(code).toBe(1);
    expect(output).toMatch(/Could not install .*mariadb-server.*is there a network\?/);
  }, 90_000);
});

describe('the command line', () => {
  const wm = (args: string[], input: string) =>
    spawnSync(process.execPath, ['scripts/wm.mjs', ...args], {
      input,
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '' },
    });
  it('gives an array for an array, with refusals in their places', () => {
    const { status, stdout } = wm(
      ['calc', 'preload'],
      JSON.stringify([
        { thread: 'M10', propertyClass: '8.8' },
        { thread: 'M10', propertyClass: '8.8', friction: -1 },
      ]),
    );
    expect(status).toBe(0);
    const answers = JSON.parse(stdout) as Array<{ preloadN?: number; error?: object }>;
    expect(answers[0]?.preloadN).toBeCloseTo(29_603, -1);
    expect(answers[1]).toEqual({ error: { field: 'friction', reason: 'must be between 0 and 1, was -1' } });
  });
  it.each([
    [['calc', 'weather'], '[]', 'No topic “weather”'],
    [['calc', 'thread'], '{"thread":"M10"}', 'must be a JSON array'],
    [['calc', 'thread'], 'M10', 'is not JSON'],
    [['read'], '', 'No file given'],
    [['read', 'nowhere.txt'], '', 'Cannot read nowhere.txt'],
    [['read', 'docs/screenshots/bays.png'], '', 'is not text'],
    [['bolt'], '', 'No command “bolt”'],
    [[], '', 'Usage'],
  ])('%j ends with one sentence and code 1', (args, input, said) => {
    const { status, stdout, stderr } = wm(args, input);
    expect(status).toBe(1);
    expect(stdout).toBe('');
    expect(stderr).toContain(said);
  });
  it('reads a sheet into facts with their places', () => {
    const { status, stdout } = wm(['read', 'demo/sheets/guard.txt'], '');
    expect(status).toBe(0);
    const answer = JSON.parse(stdout) as { facts: Array<Record<string, unknown>>; unread: string[] };
    expect(answer.facts).toContainEqual(expect.objectContaining({ kind: 'torque', minNm: 18, maxNm: 22, unit: 'N·m' }));
  });
  it('judges traces line by line, and says of a line that cannot be read what is wrong with it', () => {
    const joint = { thread: 'M10x1.5', propertyClass: '8.8', gripMm: 30, targetNm: 46, minNm: 40, maxNm: 50 };
    const samples = Array.from({ length: 120 }, (_, at) => [at * 20, at, Math.max(0, at - 85) * 1.38]);
    const file = join(folder, 'traces.jsonl');
    writeFileSync(file, `${JSON.stringify({ joint, samples })}\n\n{"joint":1}\nnonsense\n`);
    const { status, stdout } = wm(['trace', file], '');
    const lines = stdout.trim().split('\n');
    expect(status).toBe(1);
    expect(JSON.parse(lines[0] ?? '')).toMatchObject({ kind: 'good', alsoPossible: [] });
    expect(lines.slice(1).map((line) => JSON.parse(line) as unknown)).toEqual([
      { error: expect.objectContaining({ line: 3, field: 'joint' }) },
      { error: expect.objectContaining({ line: 4, field: 'line' }) },
    ]);
  });
  it('ends with 1 where no kit can be made of what it was given', () => {
    writeFileSync(join(folder, 'letter.txt'), 'Hello there, how are you today? I am fine.\n');
    const { status, stdout, stderr } = wm(['read', join(folder, 'letter.txt')], '');
    expect([status, stdout]).toEqual([1, '']);
    expect(stderr).toContain('reads like an instruction sheet');
  });
  it('lints a kit file: 0 for a sound one, 1 for one with errors, each fault with its place', () => {
    const sound = wm(['lint', 'demo/kits/transfer-case-guard.json'], '');
    expect([sound.status, sound.stderr]).toEqual([0, '']);
    const kit = JSON.parse(readFileSync('demo/kits/transfer-case-guard.json', 'utf8'));
    kit.items[1].quantity = 3;
    writeFileSync(
      join(folder, 'short.json'),
      JSON.stringify({ ...kit, items: kit.items.filter((_: unknown, at: number) => at !== 2) }),
    );
    const broken = wm(['lint', join(folder, 'short.json')], '');
    expect(broken.status).toBe(1);
    expect(broken.stdout).toMatch(/error\s+stations\[0\]\.stack\[\d\]\.item: no packing-list line has this id/);
    for (const station of kit.stations) station.specs = [{ spec: { kind: 'torque', targetNm: 90 }, printed: '90 N·m' }];
    kit.items[1].quantity = 8;
    writeFileSync(join(folder, 'strong.json'), JSON.stringify(kit));
    const strong = wm(['lint', join(folder, 'strong.json'), '--json'], '');
    expect(strong.status).toBe(1);
    expect(JSON.parse(strong.stdout).findings[0]).toMatchObject({ code: 'overProof', rule: 1, severity: 'error' });
  });
});
