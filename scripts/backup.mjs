/** `npm run backup [FILE]` and `npm run restore FILE`: the whole shop in one SQL file, by mariadb-dump. */
import { spawn } from 'node:child_process';
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  statSync,
} from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { finished } from 'node:stream/promises';
import { main, Stop, step } from './console.mjs';
import { startDatabase, USER } from './database.mjs';
import { DATA, isAlive, which } from './run.mjs';

/** The last line mariadb-dump writes; without it a file was cut off. */
const COMPLETE = '-- Dump completed';

/** The running database of this folder, or one started for the purpose. */
async function withDatabase(work) {
  const folder = join(DATA, 'db');
  const pidFile = join(folder, 'mariadb.pid');
  const pid = existsSync(pidFile) ? Number(readFileSync(pidFile, 'utf8')) : 0;
  if (pid && isAlive(pid))
    throw new Stop('Wrenchman is running. Stop it first, so that nothing is recorded in between.');
  const database = await startDatabase(folder);
  try {
    return await work(database);
  } finally {
    await database.stop();
  }
}

const connection = (database) => ['--no-defaults', '--protocol=tcp', '-h127.0.0.1', `-P${database.port}`, `-u${USER}`];

async function ended(child, what) {
  let said = '';
  child.stderr.on('data', (chunk) => {
    said += chunk;
  });
  const code = await new Promise((settle) => child.on('close', settle));
  if (code !== 0) throw new Stop(`${what} failed: ${said.trim()}`);
}

async function backup(file) {
  await withDatabase((database) =>
    step(`backup to ${file}`, async () => {
      mkdirSync(dirname(file), { recursive: true });
      const partial = `${file}.partial`;
      const child = spawn(
        which('mariadb-dump'),
        [...connection(database), '--single-transaction', '--hex-blob', '--skip-dump-date', USER],
        {
          env: { ...process.env, MYSQL_PWD: database.env.DB_PASSWORD },
        },
      );
      const out = createWriteStream(partial, { mode: 0o600 });
      child.stdout.pipe(out);
      await ended(child, 'The backup');
      await finished(out);
      renameSync(partial, file);
      return `${Math.ceil(statSync(file).size / 1024)} kB`;
    }),
  );
}

async function restore(file) {
  if (!existsSync(file)) throw new Stop(`There is no file ${file}.`);
  if (!readFileSync(file, 'utf8').slice(-200).includes(COMPLETE)) {
    throw new Stop(`${file} is not a whole backup: its last line is missing. Nothing was changed.`);
  }
  const before = join(DATA, 'backup', `before-restore-${new Date().toISOString().replaceAll(':', '')}.sql`);
  await backup(before);
  await withDatabase((database) =>
    step(`restore from ${file}`, async () => {
      await database.recreate(USER);
      const child = spawn(which('mariadb'), [...connection(database), USER], {
        env: { ...process.env, MYSQL_PWD: database.env.DB_PASSWORD },
      });
      createReadStream(file).pipe(child.stdin);
      await ended(child, 'The restore');
      return `the state before is in ${before}`;
    }),
  );
}

await main(async () => {
  const [, , task, file] = process.argv;
  if (task === 'backup')
    await backup(
      resolve(
        file ?? join(DATA, 'backup', `wrenchman-${new Date().toISOString().slice(0, 19).replaceAll(':', '')}.sql`),
      ),
    );
  else if (task === 'restore' && file) await restore(resolve(file));
  else throw new Stop('Say which file:  npm run restore FILE');
});
