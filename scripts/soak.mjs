/**
 * `npm run soak`: four tablets pull and pull while server and database are killed under them fifty times and their lines
 * are cut. Ends by counting: every pull that was acknowledged or queued is on record once, every chain and seal is whole.
 * `npm run soak -- 10` kills ten times.
 */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { build } from './build.mjs';
import { elapsed, main, Stop, step } from './console.mjs';
import { startDatabase } from './database.mjs';
import { installNodePackages, installSystemPackages } from './install.mjs';
import { DATA, freePort, isAlive, ROOT, run } from './run.mjs';
import { Tablet } from './tablet.mjs';

const KILLS = Number(process.argv[2] ?? 50);
const TABLETS = 4;
const PEOPLE = [
  ['u-vane', '2468'],
  ['u-tamsin', '3690'],
  ['u-orrin', '1357'],
  ['u-vane', '2468'],
];

await main(async () => {
  await installSystemPackages(['mariadbd']);
  await installNodePackages();
  await build();
  const folder = join(DATA, 'soak-db');
  let database = await startDatabase(folder);
  await database.recreate(database.env.DB_NAME);
  const { port: databasePort } = database;
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const env = () => ({
    ...process.env,
    ...database.env,
    PORT: String(port),
    LOG_LEVEL: 'silent',
    SEAL_DIR: join(DATA, 'soak-seal'),
  });
  const seeded = await run(process.execPath, ['dist/server/manage.mjs', 'seed-demo'], {
    env: { ...env(), ...database.ownerEnv },
  });
  if (seeded.code !== 0) throw new Stop(seeded.output);
  let server;
  const startServer = () =>
    new Promise((settle, reject) => {
      server = spawn(process.execPath, ['dist/server/main.mjs'], {
        cwd: ROOT,
        env: env(),
        stdio: ['ignore', 'pipe', 'ignore'],
      });
      server.stdout.on('data', (text) => String(text).includes('READY') && settle());
      server.once('exit', () => reject(new Error('the server ended before it was ready')));
    });
  /** Starts it until it stands: the database may still be coming up. */
  const bringUp = async () => {
    for (;;) {
      try {
        await startServer();
        server.removeAllListeners('exit');
        return;
      } catch {
        await wait(300);
      }
    }
  };
  const killed = async (child) => {
    child.kill('SIGKILL');
    while (isAlive(child.pid)) await wait(20);
  };
  await bringUp();

  const tablets = PEOPLE.slice(0, TABLETS).map(([person, secret]) => new Tablet(url, person, secret));
  let running = true;
  try {
    for (const tablet of tablets) {
      await tablet.signIn();
      await tablet.open();
    }
    /** Works on whatever happens: a problem raised is an entry like any other, and never refused. */
    const work = tablets.map(async (tablet, at) => {
      while (running) {
        await tablet.give({ type: 'raiseProblem', text: `entry ${tablet.given} of tablet ${at}` });
        // No answer: it stays in the queue. That is what is tested.
        await tablet.flush().catch(() => undefined);
        await wait(15 + Math.random() * 25);
      }
    });
    await step(`${KILLS} kills under ${TABLETS} tablets`, async () => {
      for (let kill = 1; kill <= KILLS; kill++) {
        await wait(300 + Math.random() * 700);
        const cut = tablets[kill % TABLETS];
        cut.cut = true;
        if (kill % 3 === 0) {
          process.kill(database.pid, 'SIGKILL');
          await database.exited;
          database = await startDatabase(folder, { port: databasePort });
        } else {
          await killed(server);
          await bringUp();
        }
        await wait(100 + Math.random() * 300);
        cut.cut = false;
      }
      return `${tablets.reduce((sum, { given }) => sum + given, 0)} entries given`;
    });
    running = false;
    await Promise.all(work);
    await step('what waits is sent', async () => {
      for (const tablet of tablets) {
        const untilMs = Date.now() + 120_000;
        while (tablet.queue.length > 0) {
          if (Date.now() > untilMs) throw new Stop(`A tablet still holds ${tablet.queue.length} entries.`);
          await tablet.flush().catch(() => wait(200));
        }
      }
      return 'all queues empty';
    });
    await step('counted', async () => {
      // Everything from the disk, and held against its seal.
      await killed(server);
      await bringUp();
      let lost = 0;
      let doubled = 0;
      let entries = 0;
      for (const tablet of tablets) {
        const { events, integrity } = await tablet.ask('GET', `/api/jobs/${tablet.job}`);
        const ids = events.map(({ event }) => event.commandId);
        entries += ids.length;
        doubled += ids.length - new Set(ids).size;
        lost += [...tablet.acknowledged].filter((id) => !ids.includes(id)).length;
        if (tablet.refused.length > 0) throw new Stop(`Refused: ${JSON.stringify(tablet.refused[0])}`);
        if (ids.length !== tablet.given) throw new Stop(`${tablet.given} given, ${ids.length} on record.`);
        if (integrity.breaks.length > 0 || !integrity.sealed) throw new Stop(`Broken: ${JSON.stringify(integrity)}`);
      }
      if (lost + doubled > 0) throw new Stop(`${lost} lost, ${doubled} doubled.`);
      return `${entries} entries, each once; chains and seals whole`;
    });
    process.stdout.write(`\n${elapsed()}\n`);
  } finally {
    running = false;
    if (server?.exitCode === null) await killed(server);
    await database.stop();
  }
});
