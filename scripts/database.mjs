import { spawn } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, openSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';
import { Stop } from './console.mjs';
import { end, freePort, isAlive, run, which } from './run.mjs';

/** The account that owns the schema: it migrates, seeds, backs up and restores. Also the schema's name. */
export const USER = 'wrenchman';
/** The account the running server uses: it may add to the record, and change or delete nothing of it. */
const APP_USER = 'wrenchman_app';
const START_PATIENCE_MS = 60_000;
/** A Unix socket's path must fit 107 bytes. */
const LONGEST_SOCKET = 100;

function paths(folder) {
  const local = join(folder, 'mariadb.sock');
  const short = join(tmpdir(), `wm-${createHash('sha256').update(folder).digest('hex').slice(0, 16)}.sock`);
  return {
    data: join(folder, 'data'),
    // A data folder is made beside its place and moved there whole, so that `data` is never half made by us.
    making: join(folder, 'data.making'),
    complete: join(folder, 'data', '.complete'),
    secret: join(folder, 'secret.json'),
    pid: join(folder, 'mariadb.pid'),
    owner: join(folder, 'owner.pid'),
    log: join(folder, 'mariadb.log'),
    socket: local.length <= LONGEST_SOCKET ? local : short,
  };
}

/** Whether a process is a database server: a process id may have gone to another program since. */
function isDatabase(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('mariadbd');
  } catch {
    return false;
  }
}

/** When a process was started, in the kernel's ticks: with its id it names one process for good. */
function startTicks(pid) {
  try {
    // The name in brackets may hold spaces; the fields are counted after it.
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1).split(' ')[19];
  } catch {
    return undefined;
  }
}

/** The script that uses this folder now, if it is still alive. */
function livingOwner(at) {
  if (!existsSync(at.owner)) return undefined;
  const [pid, ticks] = readFileSync(at.owner, 'utf8').split(' ');
  return isAlive(Number(pid)) && startTicks(pid) === ticks ? Number(pid) : undefined;
}

/** Whether a script that is alive uses this folder. */
export const inUse = (folder) => livingOwner(paths(folder)) !== undefined;

/** Takes the folder for this process; two that start at once cannot both have it. */
function takeFolder(at, folder) {
  mkdirSync(folder, { recursive: true });
  for (let attempt = 0; attempt < 2; attempt++) {
    try {
      writeFileSync(at.owner, `${process.pid} ${startTicks(process.pid)}`, { flag: 'wx', mode: 0o600 });
      return;
    } catch (error) {
      if (error.code === 'ENOSPC') throw new Stop(`The disk is full: nothing can be written in ${folder}. Make room.`);
      if (error.code !== 'EEXIST') throw error;
      const owner = livingOwner(at);
      if (owner && owner !== process.pid)
        throw new Stop(`Another Wrenchman already uses ${folder} (process ${owner}). Stop it first.`);
      rmSync(at.owner, { force: true });
    }
  }
  throw new Stop(`Another Wrenchman is starting on ${folder} just now.`);
}

/** The database process that serves this folder now, if any; a stale process file is removed with a word. */
function runningPid(at, say) {
  if (!existsSync(at.pid)) return undefined;
  const pid = Number(readFileSync(at.pid, 'utf8').trim());
  if (pid > 0 && isAlive(pid) && isDatabase(pid)) return pid;
  rmSync(at.pid, { force: true });
  say(`A stale process file named process ${pid}, which no longer serves this folder; removed it.`);
  return undefined;
}

/** The passwords of this folder's database. One made by an earlier version gets what it lacks. */
function secretsOf(at) {
  const secrets = JSON.parse(readFileSync(at.secret, 'utf8'));
  if (secrets.appPassword) return secrets;
  const whole = { ...secrets, appPassword: randomBytes(18).toString('base64url') };
  writeFileSync(at.secret, JSON.stringify(whole), { mode: 0o600 });
  return whole;
}

async function makeDataFolder(at, folder) {
  mkdirSync(folder, { recursive: true });
  rmSync(at.making, { recursive: true, force: true });
  const installer = which('mariadb-install-db');
  if (!installer)
    throw new Stop('mariadb-install-db is missing although mariadbd is there: reinstall the package mariadb-server.');
  const made = await run(
    installer,
    [
      '--no-defaults',
      `--datadir=${at.making}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      `--user=${userInfo().username}`,
    ],
    {
      log: join(folder, 'install.log'),
    },
  );
  if (made.code !== 0)
    throw new Stop(`MariaDB could not make its data folder; the whole output is in ${join(folder, 'install.log')}.`);
  writeFileSync(
    at.secret,
    JSON.stringify({
      password: randomBytes(18).toString('base64url'),
      appPassword: randomBytes(18).toString('base64url'),
      rootPassword: randomBytes(18).toString('base64url'),
    }),
    { mode: 0o600 },
  );
  chmodSync(at.secret, 0o600);
}

/** Sends SQL as the database's root through the socket, which only this account can open. */
async function asRoot(at, rootPassword, sql) {
  const client = which('mariadb');
  const { code, output } = await run(client, ['--no-defaults', `--socket=${at.socket}`, '-uroot', '-e', sql], {
    env: { MYSQL_PWD: rootPassword },
  });
  if (code !== 0) throw new Stop(`The database refused a set-up statement: ${output.trim()}`);
}

async function waitUntilUp(at, child, rootPassword) {
  const untilMs = Date.now() + START_PATIENCE_MS;
  const admin = which('mariadb-admin');
  while (Date.now() < untilMs) {
    if (child.exitCode !== null) break;
    const ping = await run(admin, ['--no-defaults', `--socket=${at.socket}`, '-uroot', 'ping'], {
      env: { MYSQL_PWD: rootPassword },
    });
    if (ping.code === 0) return;
    await new Promise((settle) => setTimeout(settle, 150));
  }
  throw new Stop(`The database did not come up; its log is ${at.log}. Its data in ${at.data} was not touched.`);
}

/**
 * The database of a folder for a short task: the running one, which then goes on, or one started for the purpose.
 */
export async function withDatabase(folder, work, say) {
  const at = paths(folder);
  if (livingOwner(at) && existsSync(at.pid) && existsSync(at.secret)) {
    const pid = Number(readFileSync(at.pid, 'utf8').trim());
    if (isAlive(pid) && isDatabase(pid)) {
      const { rootPassword } = secretsOf(at);
      return work({
        online: true,
        rootArgs: ['--no-defaults', `--socket=${at.socket}`, '-uroot'],
        rootEnv: { MYSQL_PWD: rootPassword },
      });
    }
  }
  const database = await startDatabase(folder, { say });
  try {
    return await work({ ...database, online: false });
  } finally {
    await database.stop();
  }
}

/**
 * Starts a private MariaDB on loopback with its data in `folder`, making it first where there is none.
 * Durability is left at MariaDB's full setting: flush at every commit, doublewrite on.
 *
 * @param options.passing - for tests: what it holds need not outlast a power cut, so nothing waits for the disk. What is
 *   killed, the server or the database, loses as little as ever
 */
export async function startDatabase(folder, { say = () => {}, port, passing = false } = {}) {
  const at = paths(folder);
  const program = which('mariadbd');
  if (!program) throw new Stop('mariadbd is not installed: install the Debian package mariadb-server.');
  takeFolder(at, folder);
  const orphan = runningPid(at, say);
  if (orphan) {
    // Nobody alive holds the folder, so whoever started this database was killed.
    say(`The database of a start that was killed still ran (process ${orphan}); ended it in good order.`);
    await end(orphan, 'SIGTERM', 60_000);
    rmSync(at.pid, { force: true });
  }
  if (existsSync(at.data) && !existsSync(at.complete)) {
    throw new Stop(
      `The data folder ${at.data} is half made or not ours, so nothing was touched. Move it away, or restore a backup, and start again.`,
    );
  }
  const fresh = !existsSync(at.data);
  if (fresh) await makeDataFolder(at, folder);
  if (!existsSync(at.secret))
    throw new Stop(
      `The password file ${at.secret} is gone, so the data beside it cannot be opened. Put it back and start again.`,
    );
  const { password, appPassword, rootPassword } = secretsOf(at);
  const data = fresh ? at.making : at.data;
  const listen = port ?? (await freePort());
  const boot = (dataFolder) => {
    const log = openSync(at.log, 'a');
    const child = spawn(
      program,
      [
        '--no-defaults',
        `--user=${userInfo().username}`,
        `--datadir=${dataFolder}`,
        '--bind-address=127.0.0.1',
        `--port=${listen}`,
        `--socket=${at.socket}`,
        `--pid-file=${at.pid}`,
        '--skip-name-resolve',
        '--character-set-server=utf8mb4',
        '--collation-server=utf8mb4_unicode_ci',
        '--default-time-zone=+00:00',
        '--innodb-flush-log-at-trx-commit=1',
        `--innodb-doublewrite=${passing ? 0 : 1}`,
        ...(passing ? ['--debug-no-sync'] : []),
        `--log-error=${at.log}`,
      ],
      // Its own process group: Ctrl-C reaches us alone, and we end it in good order.
      { detached: true, stdio: ['ignore', log, log] },
    );
    child.unref();
    return child;
  };
  let child = boot(data);
  if (fresh) {
    await waitUntilUp(at, child, '');
    await asRoot(
      at,
      '',
      `DELETE FROM mysql.global_priv WHERE User='' OR (User='root' AND Host<>'localhost'); FLUSH PRIVILEGES;
       CREATE DATABASE ${USER}; CREATE USER '${USER}'@'127.0.0.1' IDENTIFIED BY '${password}';
       ALTER USER 'root'@'localhost' IDENTIFIED BY '${rootPassword}';`,
    );
    await end(child.pid);
    renameSync(at.making, at.data);
    writeFileSync(at.complete, '');
    child = boot(at.data);
  }
  await waitUntilUp(at, child, rootPassword);
  // Every time: a folder made by an earlier version has no account for the server yet.
  await asRoot(
    at,
    rootPassword,
    `GRANT ALL ON \`${USER}%\`.* TO '${USER}'@'127.0.0.1' WITH GRANT OPTION;
     CREATE USER IF NOT EXISTS '${APP_USER}'@'127.0.0.1';
     ALTER USER '${APP_USER}'@'127.0.0.1' IDENTIFIED BY '${appPassword}'`,
  );
  const appEnv = {
    DB_HOST: '127.0.0.1',
    DB_PORT: String(listen),
    DB_USER: APP_USER,
    DB_PASSWORD: appPassword,
    DB_NAME: USER,
  };
  const exited = new Promise((settle) => child.on('exit', settle));
  return {
    host: '127.0.0.1',
    port: listen,
    pid: child.pid,
    /** The folder was made just now: nothing is recorded in it. */
    fresh,
    socket: at.socket,
    /** The environment the server reads its configuration from. */
    env: appEnv,
    /** The same for the tasks that migrate, seed and prove. Never given to the server. */
    ownerEnv: { ...appEnv, DB_OWNER: USER, DB_OWNER_PASSWORD: password },
    exited,
    /** Shuts down in good order. */
    async stop() {
      await end(child.pid, 'SIGTERM', 30_000);
      rmSync(at.pid, { force: true });
      rmSync(at.owner, { force: true });
    },
    /** Access as root, for backups: it sees routines and grants. */
    rootArgs: ['--no-defaults', `--socket=${at.socket}`, '-uroot'],
    rootEnv: { MYSQL_PWD: rootPassword },
    async drop(schema) {
      await asRoot(at, rootPassword, `DROP DATABASE IF EXISTS \`${schema}\``);
    },
    /** Empties a schema of the application's, making it where it is missing. */
    async recreate(schema) {
      await asRoot(at, rootPassword, `DROP DATABASE IF EXISTS \`${schema}\`; CREATE DATABASE \`${schema}\``);
    },
  };
}
