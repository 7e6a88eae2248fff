/** `npm run reset-demo`: throws the shop's data away and brings the invented demo back. */
import { join } from 'node:path';
import { build } from './build.mjs';
import { main, Stop, step } from './console.mjs';
import { startDatabase, USER } from './database.mjs';
import { installNodePackages, installSystemPackages } from './install.mjs';
import { DATA, run } from './run.mjs';

await main(async () => {
  await installSystemPackages(['mariadbd']);
  await installNodePackages();
  await build();
  const database = await startDatabase(join(DATA, 'db'));
  try {
    await step('demo', async () => {
      await database.recreate(USER);
      const { code, output } = await run(process.execPath, ['dist/server/manage.mjs', 'seed-history'], {
        env: database.ownerEnv,
      });
      if (code !== 0) throw new Stop(`The demo could not be seeded:\n${output}`);
      return 'back as it was shipped';
    });
  } finally {
    await database.stop();
  }
});
