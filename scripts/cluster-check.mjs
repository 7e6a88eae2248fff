/**
 * `npm run cluster-check`: three nodes of a Galera cluster and two servers behind a proxy, all on loopback, under two
 * hundred tablets in pairs. A node and a server are killed while they work, and come back. Ends by counting: every entry
 * that was acknowledged or queued is on record once on every node, every chain and seal is whole, and every tablet's line
 * brought it every entry of its job in order. `npm run cluster-check -- 40` does it with forty tablets.
 */
import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { build } from './build.mjs';
import { elapsed, main, Stop, step } from './console.mjs';
import { startDatabase, USER } from './database.mjs';
import { GaleraNode } from './galera-node.mjs';
import { installNodePackages, installSystemPackages } from './install.mjs';
import { startProxy } from './proxy.mjs';
import { DATA, isAlive, portIsFree, ROOT, run } from './run.mjs';
import { Tablet } from './tablet.mjs';

const TABLETS = Number(process.argv[2] ?? 200);
/** Each tablet gives an entry every so often: a fast pair of hands. */
const EVERY_MS = 4000;
const CHECKSUM = 'SELECT COUNT(*), BIT_XOR(CRC32(CONCAT(job_id, seq, hash))) FROM job_event';
/** How long each part of the work lasts. */
const PART_MS = 15_000;
const PEOPLE = [
  ['u-vane', '2468'],
  ['u-tamsin', '3690'],
  ['u-orrin', '1357'],
];
/** Sign-ins at once: each costs a hash that is meant to be slow. */
const AT_ONCE = 4;

const folder = join(DATA, 'cluster');
/** Below where outgoing lines are given theirs: a port must still be free when its turn comes. */
let lastPort = 21_000;
async function ports(...names) {
  const found = {};
  for (const name of names) {
    do lastPort += 1;
    while (!(await portIsFree(lastPort)));
    found[name] = lastPort;
  }
  return found;
}

/** An application server with its own copy of the folder of keys. */
class AppServer {
  constructor(name, port, env, seal) {
    Object.assign(this, { name, port });
    this.env = { ...env, PORT: String(port), SEAL_DIR: join(folder, `seal-${name}`), PROXY: '1', LOG_LEVEL: 'error' };
    cpSync(seal, this.env.SEAL_DIR, { recursive: true });
  }

  async start() {
    this.child = spawn(process.execPath, ['dist/server/main.mjs'], {
      cwd: ROOT,
      env: this.env,
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    await new Promise((settle, reject) => {
      this.child.stdout.on('data', (text) => String(text).includes('READY') && settle());
      this.child.once('exit', () => reject(new Stop(`Server ${this.name} ended before it was ready.`)));
    });
    this.child.removeAllListeners('exit');
  }

  async kill() {
    if (!this.child || this.child.exitCode !== null) return;
    this.child.kill('SIGKILL');
    while (isAlive(this.child.pid)) await wait(20);
  }
}

/** Does work on all of a list, so many at once. */
async function inTurns(list, most, work) {
  const left = [...list];
  const one = async () => {
    for (let entry = left.shift(); entry; entry = left.shift()) await work(entry);
  };
  await Promise.all(Array.from({ length: most }, one));
}

/** Median, 99th percentile and longest of what entries waited until a server had them, between two instants, ms. */
function waited(tablets, fromMs, toMs) {
  const waits = tablets
    .flatMap((tablet) => tablet.waits.filter(({ atMs }) => atMs >= fromMs && atMs < toMs).map(({ ms }) => ms))
    .sort((a, b) => a - b);
  const at = (share) => Math.round(waits[Math.min(waits.length - 1, Math.floor(share * waits.length))] ?? 0);
  return `${waits.length} entries, median ${at(0.5)} ms, 99 % within ${at(0.99)} ms, longest ${at(1)} ms`;
}

await main(async () => {
  await installSystemPackages(['mariadbd', 'haproxy']);
  await installNodePackages();
  await build();
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const seal = join(folder, 'seal');

  const first = await startDatabase(join(folder, 'a'));
  const { ownerEnv } = first;
  const account = { user: USER, password: ownerEnv.DB_OWNER_PASSWORD };
  await step('demo shop', async () => {
    const seeded = await run(process.execPath, ['dist/server/manage.mjs', 'seed-demo'], {
      env: { ...ownerEnv, SEAL_DIR: seal, WRENCHMAN_DEMO: '1' },
    });
    await first.stop();
    if (seeded.code !== 0) throw new Stop(seeded.output);
  });

  const nodePorts = [];
  for (let at = 0; at < 3; at++) nodePorts.push(await ports('sql', 'group', 'state', 'increments'));
  const peers = nodePorts.map(({ group }) => group);
  const nodes = ['a', 'b', 'c'].map(
    (name, at) => new GaleraNode(name, join(folder, name), nodePorts[at], peers, account),
  );
  const [a, b, c] = nodes;
  const way = await ports('http', 'one', 'two', 'storeOne', 'storeTwo');
  const env = (store) => ({ ...process.env, ...first.env, DB_PORT: String(store), WRENCHMAN_DEMO: '1' });
  const servers = [
    new AppServer('one', way.one, env(way.storeOne), seal),
    new AppServer('two', way.two, env(way.storeTwo), seal),
  ];
  let proxy;
  let running = true;
  const hangUps = [];
  try {
    await step('three nodes', async () => {
      await a.start({ first: true });
      for (const node of [b, c]) await node.start();
      return `${await a.status('wsrep_cluster_size')} in the cluster`;
    });
    proxy = await startProxy(folder, {
      http: way.http,
      servers,
      stores: [
        { port: way.storeOne, nodes: [a, b, c] },
        { port: way.storeTwo, nodes: [b, c, a] },
      ],
    });
    await step('two servers behind a proxy', async () => {
      for (const server of servers) await server.start();
      // Until the proxy has found both: a tablet would only be told to come again.
      const untilMs = Date.now() + 20_000;
      while (!(await fetch(`http://127.0.0.1:${way.http}/readyz`)).ok) {
        if (Date.now() > untilMs) throw new Stop('The proxy finds no server.');
        await wait(200);
      }
    });
    const url = `http://127.0.0.1:${way.http}`;
    const tablets = Array.from({ length: TABLETS }, (_, at) => {
      const [person, secret] = PEOPLE[at % PEOPLE.length];
      const address = `127.0.${1 + Math.floor(at / 200)}.${1 + (at % 200)}`;
      return new Tablet(url, person, secret, { address, keepAlive: true });
    });
    await step(`${TABLETS} tablets`, async () => {
      await inTurns(tablets, AT_ONCE, (tablet) => tablet.signIn());
      // Two on each job, as two fitters on one car: each is to hear what the other gives, at whichever server.
      await inTurns(
        tablets.filter((_, at) => at % 2 === 0),
        AT_ONCE,
        (tablet) => tablet.open(),
      );
      for (const [at, tablet] of tablets.entries()) tablet.job ??= tablets[at - 1].job;
      for (const tablet of tablets) hangUps.push(tablet.listen());
      return `signed in, two on each of ${TABLETS / 2} jobs`;
    });

    const work = tablets.map(async (tablet, at) => {
      await wait((at / TABLETS) * EVERY_MS);
      while (running) {
        await tablet.give({ type: 'raiseProblem', text: `entry ${tablet.given} of tablet ${at}` });
        // No answer: it stays in the queue, and is sent with the next. That is what is tested.
        for (let tries = 0; tablet.queue.length > 0 && tries < 5; tries++) await tablet.flush().catch(() => wait(400));
        await wait(EVERY_MS * (0.5 + Math.random()));
      }
    });
    const part = async (what, during) => {
      const fromMs = Date.now();
      await step(what, async () => {
        await during?.();
        await wait(Math.max(0, PART_MS - (Date.now() - fromMs)));
        return waited(tablets, fromMs, Date.now());
      });
    };
    await part('all at work');
    await part('node a is killed', () => a.kill());
    await part('node a comes back', async () => a.start({ position: await a.recovered() }));
    await part('server two is killed', () => servers[1].kill());
    await part('server two comes back', () => servers[1].start());
    running = false;
    await Promise.all(work);
    await step('what waits is sent', async () => {
      const untilMs = Date.now() + 60_000;
      for (const tablet of tablets) {
        while (tablet.queue.length > 0) {
          if (Date.now() > untilMs) throw new Stop(`A tablet still holds ${tablet.queue.length} entries.`);
          await tablet.flush().catch(() => wait(200));
        }
      }
      return 'all queues empty';
    });
    await step('counted', async () => {
      let entries = 0;
      for (let at = 0; at < TABLETS; at += 2) {
        const pair = tablets.slice(at, at + 2);
        const [tablet] = pair;
        const { events, integrity } = await tablet.read(`/api/jobs/${tablet.job}`);
        const ids = events.map(({ event }) => event.commandId);
        entries += ids.length;
        if (ids.length !== new Set(ids).size) throw new Stop(`Job ${tablet.job} has an entry twice.`);
        const given = pair.reduce((sum, one) => sum + one.given, 0);
        if (ids.length !== given) throw new Stop(`${given} given for job ${tablet.job}, ${ids.length} on record.`);
        for (const { acknowledged, refused } of pair) {
          if (refused.length > 0) throw new Stop(`Refused: ${JSON.stringify(refused[0])}`);
          const lost = [...acknowledged].filter((id) => !ids.includes(id));
          if (lost.length > 0) throw new Stop(`${lost.length} acknowledged and lost of job ${tablet.job}.`);
        }
        if (integrity.breaks.length > 0 || !integrity.sealed) throw new Stop(`Broken: ${JSON.stringify(integrity)}`);
        const wanted = events.map(({ seq }) => seq).join();
        const untilMs = Date.now() + 5000;
        while (pair.some(({ seen }) => seen.join() !== wanted)) {
          if (Date.now() > untilMs)
            throw new Stop(`A tablet’s line to job ${tablet.job} missed entries, or had some twice.`);
          await wait(50);
        }
      }
      return `${entries} entries, each once; chains and seals whole; every line complete and in order`;
    });
    await step('the same on every node', async () => {
      // What each holds of every job’s entries, as one number.
      const sums = await Promise.all(nodes.map((node) => node.query(CHECKSUM, USER)));
      if (sums.includes(undefined) || new Set(sums).size !== 1) throw new Stop(`The nodes differ: ${sums.join(', ')}`);
      const conflicts = await Promise.all(
        nodes.flatMap((node) =>
          ['wsrep_local_cert_failures', 'wsrep_local_bf_aborts'].map((name) => node.status(name)),
        ),
      );
      return `${conflicts.reduce((sum, count) => sum + Number(count), 0)} transactions gave way and were done again`;
    });
    process.stdout.write(`\n${elapsed()}\n`);
  } finally {
    running = false;
    for (const hangUp of hangUps) hangUp();
    for (const server of servers) await server.kill();
    await proxy?.stop();
    for (const node of nodes) await node.stop();
  }
});
