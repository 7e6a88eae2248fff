/** `npm start`: everything from a bare machine to a working sign-in. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build } from './build.mjs';
import { elapsed, main, Stop, step } from './console.mjs';
import { startDatabase } from './database.mjs';
import { checkNode, installNodePackages, installSystemPackages } from './install.mjs';
import { DATA, end, portIsFree, ROOT, run } from './run.mjs';

const PORT = Number(process.env.PORT ?? 4600);

/** Starts the built server and waits until it says that it listens. */
function startServer(env) {
  return new Promise((settle, reject) => {
    const child = spawn(process.execPath, ['--enable-source-maps', 'dist/server/main.mjs'], {
      cwd: ROOT,
      env: { ...process.env, ...env },
      detached: true,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    child.stdout.on('data', (chunk) => {
      const text = String(chunk);
      if (text.includes('READY')) settle(child);
    });
    child.on('exit', (code) => reject(new Stop(`The server ended before it was ready (exit code ${code}).`)));
  });
}

await main(async () => {
  checkNode();
  if (!Number.isInteger(PORT) || PORT < 1 || PORT > 65535)
    throw new Stop(`PORT must be a number from 1 to 65535, not ${process.env.PORT}.`);
  if (!(await portIsFree(PORT)))
    throw new Stop(`Port ${PORT} is taken by another program. Stop it, or choose another: PORT=4601 npm start`);
  await installSystemPackages(['mariadbd']);
  await installNodePackages();
  await build();
  const said = [];
  let database;
  await step('database', async () => {
    database = await startDatabase(join(DATA, 'db'), { say: (text) => said.push(text) });
    return [`127.0.0.1:${database.port}`, ...said].join('. ');
  });
  let server;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    process.stdout.write('\nStopping … ');
    if (server) await end(server.pid);
    await database.stop();
    process.stdout.write('server and database stopped.\n');
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));

  try {
    await step('migrate and seed', async () => {
      const { code, output } = await run(process.execPath, ['dist/server/manage.mjs', 'seed-demo'], {
        env: database.env,
      });
      if (code !== 0) throw new Stop(`The database could not be brought up to date:\n${output}`);
      return output.trim().split('\n').at(-1);
    });
    await step('server', async () => {
      server = await startServer({
        ...database.env,
        PORT: String(PORT),
        WRENCHMAN_DEMO: '1',
        LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
      });
      return `pid ${server.pid}`;
    });
  } catch (error) {
    if (server) await end(server.pid);
    await database.stop();
    throw error;
  }
  process.stdout.write(`\nWrenchman is ready after ${elapsed()}:  http://127.0.0.1:${PORT}\nCtrl-C stops it.\n`);
  server.on('exit', (code) => {
    if (!stopping) process.stderr.write(`\nThe server ended (exit code ${code}).\n`);
    void stop(1);
  });
  database.exited.then(() => {
    if (!stopping)
      process.stderr.write('\nThe database ended; starting again brings it back with everything recorded.\n');
    void stop(1);
  });
});
