import { spawn } from 'node:child_process';
import { createWriteStream, existsSync, mkdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { delimiter, dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's folder. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..');
/** Where everything made at run time lives; ignored by git. */
export const DATA = resolve(process.env.WRENCHMAN_DATA ?? join(ROOT, '.data'));

/** Full path of a program on PATH or in the usual system folders; undefined when it is not installed. */
export function which(program) {
  const folders = [
    ...(process.env.PATH ?? '').split(delimiter),
    ...(process.env.WRENCHMAN_ONLY_PATH ? [] : ['/usr/sbin', '/usr/bin', '/usr/local/bin']),
  ];
  return folders.map((folder) => join(folder, program)).find((path) => existsSync(path));
}

/** Runs a program to its end; resolves with its exit code and what it said. `log` names a file for the whole output. */
export function run(program, args, { env = {}, log, inherit = false, cwd = ROOT, input } = {}) {
  return new Promise((settle) => {
    const child = spawn(program, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: inherit ? 'inherit' : [input ?? 'ignore', 'pipe', 'pipe'],
    });
    let output = '';
    if (log) mkdirSync(dirname(log), { recursive: true });
    const file = log ? createWriteStream(log) : undefined;
    for (const stream of inherit ? [] : [child.stdout, child.stderr]) {
      stream.on('data', (chunk) => {
        output = `${output}${chunk}`.slice(-200_000);
        file?.write(chunk);
      });
    }
    child.on('error', (error) => settle({ code: 127, output: `${output}${error.message}` }));
    child.on('close', (code, signal) => {
      file?.end();
      settle({ code: code ?? (signal ? 128 : 1), output });
    });
  });
}

/** A TCP port on loopback nobody listens on just now. */
export function freePort() {
  return new Promise((settle, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => settle(port));
    });
  });
}

/** Whether a port on loopback can be listened on. */
export function portIsFree(port) {
  return new Promise((settle) => {
    const probe = createServer();
    probe.once('error', () => settle(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => settle(true)));
  });
}

/** Whether a process with this id is alive. */
export function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

/** Ends a process: asks with `signal`, and after `patienceMs` insists. */
export async function end(pid, signal = 'SIGTERM', patienceMs = 15_000) {
  if (!isAlive(pid)) return;
  process.kill(pid, signal);
  const untilMs = Date.now() + patienceMs;
  while (isAlive(pid)) {
    if (Date.now() > untilMs) {
      process.kill(pid, 'SIGKILL');
      return;
    }
    await new Promise((settle) => setTimeout(settle, 50));
  }
}
