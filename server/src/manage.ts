import { readArchive } from './archive/read-archive.ts';
import { readConfig } from './config.ts';
import { seedHistory } from './demo/history.ts';
import { seedDemo } from './demo/seed.ts';
import { openSeal } from './seal/open-seal.ts';
import { rotateKey } from './seal/shop-key.ts';
import { makeOpeningCode } from './service/shop-service.ts';
import { makeDataSource } from './store/data-source.ts';
import { proveRecording } from './store/prove.ts';
import { prepareSchema, schemaFaults } from './store/schema.ts';

/** `node manage.mjs migrate | seed-demo | seed-history | open-shop | prove | rotate-key | read-archive FILE`: what the scripts ask of the database, as the schema's owner. */
const [, , task, file] = process.argv;
const config = readConfig(process.env);
if (!config.owner) throw new Error('Tasks need the schema’s owner: DB_OWNER and DB_OWNER_PASSWORD.');
const source = await makeDataSource(config.owner).initialize();
try {
  const { applied } = await prepareSchema(source, config.database.username, config.clientHost);
  process.stdout.write(`migrations applied: ${applied}\n`);
  const faults = await schemaFaults(source);
  if (faults.length > 0) throw new Error(`The schema is not whole: ${faults.join('; ')}`);
  if (task === 'seed-demo')
    process.stdout.write(
      (await seedDemo(source, Date.now(), openSeal(config.sealDir).seal)) ? 'demo seeded\n' : 'data kept\n',
    );
  else if (task === 'seed-history') {
    // The demo with what went before it, so that Due and the Book are full.
    const { seal } = openSeal(config.sealDir);
    const fresh = await seedDemo(source, Date.now(), seal);
    if (fresh) await seedHistory(source, Date.now(), seal);
    process.stdout.write(fresh ? 'demo seeded\n' : 'data kept\n');
  } else if (task === 'prove') {
    // As the server will: with its own account.
    const application = await makeDataSource(config.database).initialize();
    await proveRecording(application, Date.now()).finally(() => application.destroy());
    process.stdout.write('recorded and read back\n');
  } else if (task === 'open-shop') {
    const code = await makeOpeningCode(source);
    process.stdout.write(code === undefined ? 'data kept\n' : `first-run code: ${code}\n`);
  } else if (task === 'read-archive' && file !== undefined) {
    const { shop, rows, lead } = await readArchive(source, file, config.sealDir);
    process.stdout.write(
      `${shop}: ${rows} rows. ${lead.name} signs in with ${lead.pin}, and gives the others theirs.\n`,
    );
  } else if (task === 'rotate-key') {
    const { from, to } = rotateKey(config.sealDir, Date.now());
    process.stdout.write(
      `the shop’s key was ${from}\nit is now ${to}\nStart the server anew, and give the new key to whoever has the old one.\n`,
    );
  } else if (task !== 'migrate') throw new Error(`Unknown task: ${task}`);
} finally {
  await source.destroy();
}
