/** Brings an installation up from a bare machine: the demo, or a shop of one's own. */
import { mkdirSync, statfsSync } from 'node:fs';
import { join } from 'node:path';
import { build } from './build.mjs';
import { elapsed, main, Stop, step } from './console.mjs';
import { inUse, startDatabase } from './database.mjs';
import { scheduledBackup } from './dump.mjs';
import { checkNode, installNodePackages, installSystemPackages } from './install.mjs';
import { DATA, portIsFree, ROOT, run } from './run.mjs';
import { endOrphanServer, superviseServer } from './supervise.mjs';

const PORT = Number(process.env.PORT ?? 4600);
const LOOPBACK = '127.0.0.1';
const HTTP_PORT = Number(process.env.HTTP_PORT ?? PORT + 1);
/** A working day loses at most this much where the disk itself dies. */
const BACKUP_EVERY_MS = 6 * 3_600_000;
/** Below this the database would soon stop in the middle of a job. */
const LEAST_FREE_MB = Number(process.env.WRENCHMAN_LEAST_FREE_MB ?? 200);
/** A database that ends this often is not started again: something is wrong for good. */
const DATABASE_RESTARTS = 3;

const say = (text) => process.stderr.write(`\n${text}\n`);

/** Room on the disk of the data folder, MB. */
function freeMb() {
  const { bavail, bsize } = statfsSync(DATA);
  return Math.floor((bavail * bsize) / 1e6);
}

/**
 * Everything from a bare machine to a working sign-in.
 *
 * @param kind - `task`: what is asked of the database once it is migrated; `demo`: whether PINs are shown; `ready`: what
 *   is said beside the address once it stands
 */
export const serve = ({ task, demo, ready = () => '' }) =>
  main(async () => {
    // Loopback unless a shop names its network; then TLS, and plain HTTP beside it only to send on. The demo shows its
    // PINs and stays on this machine, whatever HOST the shell happens to export.
    const host = demo ? LOOPBACK : (process.env.HOST ?? LOOPBACK);
    const onNetwork = !['localhost', '::1'].includes(host) && !host.startsWith('127.');
    const FOLDER = join(DATA, 'db');
    const BACKUPS = join(DATA, 'backup');
    checkNode();
    if (!Number.isInteger(PORT) || PORT < 1 || PORT > 65535)
      throw new Stop(`PORT must be a number from 1 to 65535, not ${process.env.PORT}.`);
    if (onNetwork && (!Number.isInteger(HTTP_PORT) || HTTP_PORT < 1 || HTTP_PORT > 65535 || HTTP_PORT === PORT))
      throw new Stop(`HTTP_PORT must be another number from 1 to 65535 than PORT, not ${process.env.HTTP_PORT}.`);
    const said = [];
    if (!inUse(FOLDER)) await endOrphanServer((text) => said.push(text));
    if (!(await portIsFree(PORT)))
      throw new Stop(
        `Port ${PORT} is taken by another program. Stop it, or choose another: PORT=4601 npm ${demo ? 'start' : 'run shop'}`,
      );
    if (onNetwork && !(await portIsFree(HTTP_PORT)))
      throw new Stop(`Port ${HTTP_PORT}, for plain HTTP, is taken: choose another with HTTP_PORT=4700.`);
    mkdirSync(DATA, { recursive: true });
    if (freeMb() < LEAST_FREE_MB)
      throw new Stop(`Only ${freeMb()} MB are free on the disk of ${DATA}: make room, at least ${LEAST_FREE_MB} MB.`);
    await installSystemPackages(['mariadbd']);
    await installNodePackages();
    await build();
    let database;
    await step('database', async () => {
      database = await startDatabase(FOLDER, { say: (text) => said.push(text) });
      return [`127.0.0.1:${database.port}`, ...said].join('. ');
    });
    let server;
    let backups;
    let told = '';
    let stopping = false;
    const stop = async (code) => {
      if (stopping) return;
      stopping = true;
      clearInterval(backups);
      process.stdout.write('\nStopping … ');
      await server?.stop();
      await database.stop();
      process.stdout.write('server and database stopped.\n');
      process.exit(code);
    };
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));

    const backUp = () =>
      scheduledBackup(database, BACKUPS).catch((error) => say(`The scheduled backup was not made. ${error.message}`));

    try {
      // Before the migrations, so that there is a way back from a version that does not suit.
      await step('backup', async () => {
        if (database.fresh) return 'nothing recorded yet';
        const file = await backUp();
        return file ?? 'not made';
      });
      await step(demo ? 'migrate and seed' : 'migrate', async () => {
        const { code, output } = await run(process.execPath, ['dist/server/manage.mjs', task], {
          env: database.ownerEnv,
        });
        if (code !== 0) throw new Stop(`The database could not be brought up to date:\n${output}`);
        told = output.trim().split('\n').at(-1) ?? '';
        return told;
      });
      await step('server', async () => {
        const env = {
          ...database.env,
          PORT: String(PORT),
          WRENCHMAN_DEMO: demo ? '1' : '0',
          SEAL_DIR: join(DATA, 'seal'),
          WEB_DIST: join(ROOT, 'dist', 'web'),
          HOST: host,
          ...(onNetwork ? { TLS_DIR: join(DATA, 'tls'), HTTP_PORT: String(HTTP_PORT) } : {}),
          LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
        };
        server = await superviseServer(env, { say });
        return `pid ${server.pid}`;
      });
    } catch (error) {
      await server?.stop();
      await database.stop();
      throw error;
    }
    backups = setInterval(() => void backUp(), BACKUP_EVERY_MS);
    process.stdout.write(
      `\nWrenchman is ready after ${elapsed()}:  ${onNetwork ? 'https' : 'http'}://127.0.0.1:${PORT}\n${ready(told)}${
        onNetwork
          ? `In the shop's network: https, port ${PORT}. Tablets come by the code on the page “The shop”; they compare\n  ${server.fingerprint}\n`
          : ''
      }Ctrl-C stops it.\n`,
    );
    server.failedForGood.then((words) => {
      say(words);
      void stop(1);
    });

    let restarts = 0;
    const keepDatabase = () =>
      database.exited.then(async () => {
        if (stopping) return;
        restarts += 1;
        say(`The database ended; its log is ${join(FOLDER, 'mariadb.log')}. Starting it again.`);
        try {
          if (restarts > DATABASE_RESTARTS) throw new Stop(`It ended ${restarts} times and is not started again.`);
          // On the same port: the server finds it there by itself.
          database = await startDatabase(FOLDER, { port: database.port });
          say('The database is back with everything recorded.');
          void keepDatabase();
        } catch (error) {
          say(error.message);
          void stop(1);
        }
      });
    void keepDatabase();
  });
