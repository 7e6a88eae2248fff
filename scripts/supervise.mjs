import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Stop } from './console.mjs';
import { DATA, end, isAlive, ROOT } from './run.mjs';

/** A server that fails this often within a quarter of an hour is not started again: something is wrong for good. */
const RESTARTS = 5;
const WINDOW_MS = 15 * 60_000;
const PAUSE_MS = 500;
/** Lines of the log shown when it ends by itself. */
const LAST_LINES = 12;

const PID_FILE = join(DATA, 'server.pid');

/** Ends the server of a start that was killed, if it still runs: its own words in its command line say that it is ours. */
export async function endOrphanServer(say) {
  let pid;
  try {
    pid = Number(readFileSync(PID_FILE, 'utf8'));
    if (!isAlive(pid) || !readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(join('dist', 'server', 'main.mjs')))
      return;
  } catch {
    return;
  }
  say(`The server of a start that was killed still ran (process ${pid}); ended it in good order.`);
  await end(pid);
  rmSync(PID_FILE, { force: true });
}

/** A log in rotating files: ten of one megabyte, the newest `server.log`. */
async function openLog() {
  const { createStream } = await import('rotating-file-stream');
  const path = join(DATA, 'log');
  mkdirSync(path, { recursive: true });
  const log = createStream((_, index) => (index ? `server.${index}.log` : 'server.log'), {
    path,
    size: '1M',
    maxFiles: 10,
    rotate: 10,
  });
  // A log that cannot be written must not take the server down with it.
  log.on('error', (error) => process.stderr.write(`\nThe log cannot be written: ${error.message}\n`));
  return log;
}

/**
 * Runs the built server, and starts it again when it ends by itself. Everything it says goes to rotating files; its last
 * lines are shown when it fails.
 *
 * @returns how to end it, and a promise that settles when it failed for good
 */
export async function superviseServer(env, { say }) {
  const log = await openLog();
  const failures = [];
  let stopping = false;
  let child;
  let fingerprint;
  let giveUp;
  const failedForGood = new Promise((settle) => {
    giveUp = settle;
  });

  const launch = () =>
    new Promise((settle, reject) => {
      const last = [];
      child = spawn(process.execPath, ['--enable-source-maps', 'dist/server/main.mjs'], {
        cwd: ROOT,
        env: { ...process.env, ...env, WRENCHMAN_WITH_PARENT: '1' },
        detached: true,
        // Its input ends when this script does, however that ends: then the server stops too.
        stdio: ['pipe', 'pipe', 'pipe'],
      });
      writeFileSync(PID_FILE, String(child.pid));
      for (const stream of [child.stdout, child.stderr]) {
        stream.setEncoding('utf8').on('data', (text) => {
          log.write(text);
          last.push(...text.split('\n').filter(Boolean));
          last.splice(0, last.length - LAST_LINES);
          const ready = /^READY \d+(?: (\S+))?/m.exec(text);
          if (ready) {
            fingerprint = ready[1];
            settle();
          }
        });
      }
      child.on('close', (code, signal) => {
        rmSync(PID_FILE, { force: true });
        if (stopping) return;
        const words = `The server ended by itself (${signal ?? `exit code ${code}`}). Its last words:\n  ${last.join('\n  ')}`;
        reject(new Stop(words));
        ended(words);
      });
    });

  let wasReady = false;
  function ended(words) {
    if (!wasReady) return;
    const nowMs = Date.now();
    failures.push(nowMs);
    while (failures[0] < nowMs - WINDOW_MS) failures.shift();
    say(`${words}\nThe whole log is in ${join(DATA, 'log', 'server.log')}.`);
    if (failures.length > RESTARTS) {
      giveUp(`It ended ${failures.length} times within a quarter of an hour and is not started again.`);
      return;
    }
    setTimeout(() => {
      if (stopping) return;
      // A start that fails is counted when that process closes.
      launch().then(
        () => say('The server is started again; what was recorded is there.'),
        () => undefined,
      );
    }, PAUSE_MS * failures.length);
  }

  await launch();
  wasReady = true;
  return {
    get pid() {
      return child.pid;
    },
    /** Of the shop's authority, where it speaks TLS. */
    get fingerprint() {
      return fingerprint;
    },
    failedForGood,
    async stop() {
      stopping = true;
      if (child.exitCode === null && child.signalCode === null) await end(child.pid);
      rmSync(PID_FILE, { force: true });
      await new Promise((settle) => log.end(settle));
    },
  };
}
