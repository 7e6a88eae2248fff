/** `npm run dev`: the server from source, restarted on changes, and the web with hot reload, over the demo's data. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildServer } from './build.mjs';
import { main, Stop } from './console.mjs';
import { startDatabase } from './database.mjs';
import { checkNode, installNodePackages, installSystemPackages } from './install.mjs';
import { DATA, portIsFree, ROOT, run } from './run.mjs';

const API_PORT = '4600';
const WEB_PORT = '4601';

await main(async () => {
  checkNode();
  for (const port of [API_PORT, WEB_PORT])
    if (!(await portIsFree(Number(port)))) throw new Stop(`Port ${port} is taken by another program.`);
  await installSystemPackages(['mariadbd']);
  await installNodePackages();
  // The thread that reads kits is a bundle also here.
  await buildServer();
  const database = await startDatabase(join(DATA, 'db'), { say: (text) => process.stdout.write(`${text}\n`) });
  const env = {
    ...process.env,
    ...database.env,
    PORT: API_PORT,
    API_PORT,
    WEB_PORT,
    WRENCHMAN_DEMO: '1',
    WEB_DIST: 'web',
  };
  const tsx = join(ROOT, 'node_modules', '.bin', 'tsx');
  const seeded = await run(tsx, ['server/src/manage.ts', 'seed-demo'], {
    env: { ...env, ...database.ownerEnv },
  });
  if (seeded.code !== 0) {
    await database.stop();
    throw new Stop(`The database could not be brought up to date:\n${seeded.output}`);
  }
  const children = [
    spawn(tsx, ['watch', 'server/src/main.ts'], { cwd: ROOT, env, stdio: 'inherit' }),
    spawn(join(ROOT, 'node_modules', '.bin', 'vite'), ['--config', 'web/vite.config.ts', '--host', '127.0.0.1'], {
      cwd: ROOT,
      env,
      stdio: 'inherit',
    }),
  ];
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    for (const child of children) child.kill('SIGTERM');
    await database.stop();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stop());
  for (const child of children) child.on('exit', () => void stop());
  process.stdout.write(`\nWith hot reload:  http://127.0.0.1:${WEB_PORT}\n`);
});
