import { spawn } from 'node:child_process';
import { createReadStream, createWriteStream, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Stop } from './console.mjs';
import { USER } from './database.mjs';
import { backupName, outdatedBackups } from './rotation.mjs';
import { which } from './run.mjs';

/** Waits for a child's end; says what it said where it failed. */
async function ended(child, what) {
  let said = '';
  child.stderr.on('data', (chunk) => {
    said += chunk;
  });
  const code = await new Promise((settle) => child.on('close', settle));
  if (code === 0) return;
  const full = /No space left|errno: 28|Errcode: 28/.test(said) ? ' The disk is full: make room.' : '';
  throw new Stop(`${what} failed: ${said.trim()}${full}`);
}

/**
 * The whole shop as one SQL file: tables, data and routines, as they stood at one instant. The application may work on
 * meanwhile. `database` gives the access as root.
 *
 * @returns its size in bytes
 */
export async function dump({ rootArgs, rootEnv }, file) {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const partial = `${file}.partial`;
  const child = spawn(
    which('mariadb-dump'),
    [
      ...rootArgs,
      '--single-transaction',
      '--routines',
      '--triggers',
      '--events',
      '--hex-blob',
      '--skip-dump-date',
      USER,
    ],
    { env: { ...process.env, ...rootEnv } },
  );
  try {
    await Promise.all([
      ended(child, 'The backup'),
      pipeline(child.stdout, createWriteStream(partial, { mode: 0o600 })).catch((error) => {
        child.kill();
        if (error.code === 'ENOSPC') throw new Stop(`The backup failed: the disk is full. Make room for ${file}.`);
        throw error;
      }),
    ]);
  } catch (error) {
    rmSync(partial, { force: true });
    throw error;
  }
  renameSync(partial, file);
  return statSync(file).size;
}

/** Plays a backup into a schema. */
export async function load({ rootArgs, rootEnv }, file, schema) {
  const child = spawn(which('mariadb'), [...rootArgs, schema], { env: { ...process.env, ...rootEnv } });
  await Promise.all([
    ended(child, 'The restore'),
    // The client that ended with an error reads no more; its own words say why.
    pipeline(createReadStream(file), child.stdin).catch((error) => {
      if (error.code !== 'EPIPE') throw error;
    }),
  ]);
}

/** A backup of the schedule, and the oldest let go. */
export async function scheduledBackup(database, folder, at = new Date()) {
  const file = join(folder, backupName(at));
  await dump(database, file);
  for (const name of outdatedBackups(readdirSync(folder))) rmSync(join(folder, name), { force: true });
  return file;
}
