/**
 * `npm run backup [FILE]` and `npm run restore FILE`: the whole shop in one SQL file, by mariadb-dump.
 * `npm run read-archive FILE`: a shop's archive, into an empty installation. `npm run rotate-key`: a new key of the shop.
 */
import { closeSync, existsSync, fstatSync, openSync, readSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { build } from './build.mjs';
import { main, Stop, step } from './console.mjs';
import { startDatabase, USER, withDatabase } from './database.mjs';
import { dump, load } from './dump.mjs';
import { installNodePackages, installSystemPackages } from './install.mjs';
import { backupName } from './rotation.mjs';
import { DATA, run } from './run.mjs';

const FOLDER = join(DATA, 'db');
const BACKUPS = join(DATA, 'backup');
/** The last line mariadb-dump writes; without it a file was cut off. */
const COMPLETE = '-- Dump completed';
/** Where a backup is tried before it takes the shop's place. Named so that the application's accounts may use it. */
const TRIAL = `${USER}_trial`;

/** The last bytes of a file, which may be larger than memory. */
function tail(file, bytes = 200) {
  const handle = openSync(file, 'r');
  try {
    const { size } = fstatSync(handle);
    const buffer = Buffer.alloc(Math.min(bytes, size));
    readSync(handle, buffer, 0, buffer.length, size - buffer.length);
    return buffer.toString('utf8');
  } finally {
    closeSync(handle);
  }
}

async function backup(file) {
  await withDatabase(FOLDER, (database) =>
    step(`backup to ${file}`, async () => {
      const bytes = await dump(database, file);
      return `${Math.ceil(bytes / 1024)} kB${database.online ? ', while Wrenchman went on' : ''}`;
    }),
  );
}

/** Runs a task of the server's as the owner of a schema. */
async function task(database, name, schema, ...more) {
  const { code, output } = await run(process.execPath, ['dist/server/manage.mjs', name, ...more], {
    env: { ...database.ownerEnv, DB_NAME: schema, SEAL_DIR: join(DATA, 'seal') },
  });
  if (code !== 0) throw new Stop(/^(?:\w*Error|ArchiveRefused): (.*)$/m.exec(output)?.[1] ?? output.trim());
  return output.trim().split('\n').at(-1) ?? '';
}

async function restore(file) {
  if (!existsSync(file)) throw new Stop(`There is no file ${file}.`);
  if (!tail(file).includes(COMPLETE))
    throw new Stop(`${file} is not a whole backup: its last line is missing. Nothing was changed.`);
  await installSystemPackages(['mariadbd']);
  await installNodePackages();
  await build();
  // Refuses while Wrenchman runs: what is recorded meanwhile would be lost.
  const database = await startDatabase(FOLDER);
  try {
    await step('try the backup beside the shop', async () => {
      await database.recreate(TRIAL);
      try {
        await load(database, file, TRIAL);
        await task(database, 'prove', TRIAL);
      } catch (error) {
        throw new Stop(`${file} does not make a shop that records, so nothing was changed. ${error.message}`);
      } finally {
        await database.drop(TRIAL);
      }
      return 'it records, and reads back what it recorded';
    });
    const before = join(BACKUPS, `before-restore-${new Date().toISOString().replaceAll(':', '')}.sql`);
    await step('keep the shop as it was', async () => {
      await dump(database, before);
      return before;
    });
    await step(`restore from ${file}`, async () => {
      await database.recreate(USER);
      await load(database, file, USER);
      await task(database, 'migrate', USER);
      return `the state before is in ${before}`;
    });
  } finally {
    await database.stop();
  }
}

async function readArchive(file) {
  if (!existsSync(file)) throw new Stop(`There is no file ${file}.`);
  await installSystemPackages(['mariadbd']);
  await installNodePackages();
  await build();
  const database = await startDatabase(FOLDER);
  try {
    await step(`read ${file}`, () => task(database, 'read-archive', USER, file));
  } finally {
    await database.stop();
  }
}

async function rotateKey() {
  await installNodePackages();
  await build();
  // Refuses while Wrenchman runs: a server signs with the key it started with.
  const database = await startDatabase(FOLDER);
  try {
    await step('a new key of the shop', () => task(database, 'rotate-key', USER));
  } finally {
    await database.stop();
  }
}

await main(async () => {
  const [, , name, file] = process.argv;
  if (name === 'backup') await backup(resolve(file ?? join(BACKUPS, backupName(new Date()))));
  else if (name === 'restore' && file) await restore(resolve(file));
  else if (name === 'read-archive' && file) await readArchive(resolve(file));
  else if (name === 'rotate-key') await rotateKey();
  else throw new Stop(`Say which file:  npm run ${name === 'read-archive' ? name : 'restore'} FILE`);
});
