import { readConfig } from './config.ts';
import { seedDemo } from './demo/seed.ts';
import { makeDataSource } from './store/data-source.ts';

/** `node manage.mjs migrate | seed-demo`: what the scripts ask of the database. */
const [, , task] = process.argv;
const source = await makeDataSource(readConfig(process.env).database).initialize();
try {
  const applied = await source.runMigrations();
  process.stdout.write(`migrations applied: ${applied.length}\n`);
  if (task === 'seed-demo')
    process.stdout.write((await seedDemo(source, Date.now())) ? 'demo seeded\n' : 'data kept\n');
  else if (task !== 'migrate') throw new Error(`Unknown task: ${task}`);
} finally {
  await source.destroy();
}
