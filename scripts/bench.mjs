/** `npm run bench`: starts a database of its own, builds, measures, prints a table. */
import { join } from 'node:path';
import { build } from './build.mjs';
import { main, Stop } from './console.mjs';
import { startDatabase } from './database.mjs';
import { installNodePackages, installSystemPackages } from './install.mjs';
import { DATA, ROOT, run } from './run.mjs';

await main(async () => {
  await installSystemPackages(['mariadbd', 'chromium']);
  await installNodePackages();
  await build();
  const database = await startDatabase(join(DATA, 'bench-db'));
  try {
    await database.recreate(database.env.DB_NAME);
    // Bundled like the server, so that what is measured is what runs.
    const bundled = await run(join(ROOT, 'node_modules', '.bin', 'esbuild'), [
      'bench/main.ts',
      '--bundle',
      '--packages=external',
      '--platform=node',
      '--format=esm',
      '--target=node20',
      '--outfile=dist/bench/main.mjs',
    ]);
    if (bundled.code !== 0) throw new Stop(bundled.output);
    const { code } = await run(process.execPath, ['dist/bench/main.mjs'], { env: database.ownerEnv, inherit: true });
    if (code !== 0) throw new Stop('The measurement stopped.');
  } finally {
    await database.stop();
  }
});
