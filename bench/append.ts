import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import mysql from 'mysql2/promise';
import { readConfig } from '#server/config.ts';
import { seedDemo } from '#server/demo/seed.ts';
import { openSeal } from '#server/seal/open-seal.ts';
import { makeDataSource } from '#server/store/data-source.ts';
import { prepareSchema } from '#server/store/schema.ts';
import { largeKit } from './large-job.ts';

/** A good half-day's kit; each of its jobs sees two rounds of pulls. */
const STATIONS = 60;
const ROUNDS = 5;
const BATCH = 20;

/** Tablets that work at the same time in the side-by-side measurement. */
const TABLETS = 8;

/** A connection that stays open, as a tablet's does; `fetch` would measure mostly itself. */
function client(port: number) {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  let cookie = '';
  return function post(path: string, body: unknown): Promise<{ id: string; results: Array<{ ok: boolean }> }> {
    return new Promise((settle, reject) => {
      const payload = JSON.stringify(body);
      const sent = request(
        {
          host: '127.0.0.1',
          port,
          path,
          method: 'POST',
          agent,
          headers: { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(payload), cookie },
        },
        (response) => {
          cookie = response.headers['set-cookie']?.[0]?.split(';')[0] ?? cookie;
          let text = '';
          response.setEncoding('utf8').on('data', (chunk: string) => {
            text += chunk;
          });
          response.on('end', () =>
            (response.statusCode ?? 500) < 300 ? settle(JSON.parse(text)) : reject(new Error(text)),
          );
        },
      );
      sent.on('error', reject);
      sent.end(payload);
    });
  };
}

/** Appended pulls a second through the API, beside bare single-row inserts of the same rows into the same database. */
export async function measureAppend() {
  const config = readConfig(process.env);
  if (!config.owner) throw new Error('The measurement needs the schema’s owner: run `npm run bench`.');
  const source = await makeDataSource(config.owner).initialize();
  await prepareSchema(source, config.database.username);
  await seedDemo(source, Date.now(), openSeal(config.sealDir).seal);
  await source.destroy();
  // The server as it is shipped, in a process of its own.
  const port = 46398;
  const server = spawn(process.execPath, ['dist/server/main.mjs'], {
    env: { ...process.env, PORT: String(port), LOG_LEVEL: 'silent' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((settle, reject) => {
    server.stdout?.on('data', (chunk) => String(chunk).includes('READY') && settle());
    server.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
  });
  const post = client(port);
  await post('/api/session', { person: 'u-vane', secret: '2468' });
  await post('/api/kits?waive=measured', largeKit(STATIONS));
  const input = (command: object) => ({ id: randomUUID(), atMs: Date.now(), by: 'u-vane', command });
  const give = async (via: typeof post, id: string, commands: object[]) => {
    const { results } = await via(`/api/jobs/${id}/commands`, { commands: commands.map(input) });
    if (!results.every((result) => result.ok)) throw new Error(JSON.stringify(results.find((result) => !result.ok)));
  };
  const stations = Array.from({ length: STATIONS }, (_, index) => `s${index + 1}`);
  /** A job whose every bolt is snug. */
  const openSnug = async () => {
    const { id } = await post('/api/jobs', {
      vehicle: 'v-carrick',
      kits: [`plate-${STATIONS}`],
      answers: {},
      bay: 1,
      plannedStartMs: Date.now(),
    });
    const all = [
      { type: 'countLine', item: 'bolt', found: STATIONS, damaged: 0 },
      ...stations.map((station) => ({ type: 'startByHand', station })),
      ...stations.map((station) => ({ type: 'snug', station, tool: 'hand' })),
    ];
    for (let from = 0; from < all.length; from += 100) await give(post, id, all.slice(from, from + 100));
    return id;
  };
  const id = await openSnug();
  // Two rounds over the stations give enough pulls for all measurements.
  const pulls = [...stations, ...stations].map((station) => ({
    type: 'pull',
    station,
    torqueNm: 60.2,
    wrench: 'w-3',
    source: 'typed',
  }));

  const bare = await mysql.createConnection({
    host: config.database.host,
    port: config.database.port,
    user: config.owner.username,
    password: config.owner.password,
    database: config.database.database,
  });
  await bare.query('CREATE TABLE bare_event LIKE job_event');
  const insert =
    'INSERT INTO bare_event (job_id, seq, command_id, command_index, type, body, actor_id, device_id, happened_at_ms, received_at_ms, hash) VALUES (?,?,?,?,?,?,?,?,?,?,?)';

  const perSecond = (count: number, ms: number) => (count * 1000) / ms;
  /** Inserts copies of the job's newest pulls one by one, each its own transaction. */
  const timeBare = async (count: number) => {
    const [rows] = await bare.query(
      'SELECT job_id, seq, command_id, command_index, type, body, actor_id, device_id, happened_at_ms, received_at_ms, hash FROM job_event WHERE job_id = ? AND type = "pullRecorded" ORDER BY seq DESC LIMIT 1',
      [id],
    );
    const row = (rows as Array<Record<string, unknown>>)[0] ?? {};
    await bare.query('TRUNCATE bare_event');
    const startedMs = performance.now();
    for (let seq = 1; seq <= count; seq++) {
      await bare.execute(
        insert,
        Object.entries(row).map(([column, value]) =>
          column === 'seq'
            ? seq
            : column === 'command_id'
              ? `c${seq}`
              : column === 'body'
                ? JSON.stringify(value)
                : value,
        ) as string[],
      );
    }
    return performance.now() - startedMs;
  };

  /** Time for all pulls of a fresh job, so many a request, ms. */
  const timePulls = async (batch: number) => {
    const job = await openSnug();
    const startedMs = performance.now();
    for (let from = 0; from < pulls.length; from += batch) await give(post, job, pulls.slice(from, from + batch));
    return performance.now() - startedMs;
  };

  // Warm all paths up, then measure them in turn, so that a slow moment of the disk hits each.
  for (const command of pulls) await give(post, id, [command]);
  await timePulls(1);
  await timeBare(pulls.length);
  const spent = { bare: 0, one: 0, batch: 0 };
  for (let round = 0; round < ROUNDS; round++) {
    spent.bare += await timeBare(pulls.length);
    spent.one += await timePulls(1);
    spent.batch += await timePulls(BATCH);
  }
  const rate = (ms: number) => perSecond(ROUNDS * pulls.length, ms);

  // Side by side: every tablet on a job of its own, one pull a request.
  const tablets: Array<{ via: typeof post; job: string }> = [];
  // One after another: several new devices of one person at the same instant look like somebody guessing.
  for (let tablet = 0; tablet < TABLETS; tablet++) {
    const via = client(port);
    await via('/api/session', { person: 'u-vane', secret: '2468' });
    tablets.push({ via, job: await openSnug() });
  }
  const startedMs = performance.now();
  await Promise.all(
    tablets.map(async ({ via, job }) => {
      for (const command of pulls) await give(via, job, [command]);
    }),
  );
  const sideBySide = perSecond(TABLETS * pulls.length, performance.now() - startedMs);
  await bare.end();
  server.removeAllListeners('exit');
  await new Promise((settle) => {
    server.once('exit', settle);
    server.kill('SIGTERM');
  });
  return { bare: rate(spent.bare), oneByOne: rate(spent.one), inBatches: rate(spent.batch), sideBySide };
}
