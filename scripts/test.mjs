/**
 * `npm test`: every check, on a bare machine too. Ends with a line `N passed, N failed`.
 * `node scripts/test.mjs unit screens server e2e` runs only what is named.
 */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { build } from './build.mjs';
import { elapsed, main, Stop, step } from './console.mjs';
import { startDatabase } from './database.mjs';
import { checkNode, installNodePackages, installSystemPackages } from './install.mjs';
import { DATA, ROOT, run } from './run.mjs';

const only = new Set(process.argv.slice(2));
const wanted = (name) => only.size === 0 || only.has(name);
const bin = (name) => join(ROOT, 'node_modules', '.bin', name);
const results = join(DATA, 'test-results');

const tally = { passed: 0, failed: 0 };
/** What failed, by name: said once more at the end, where a long run is read first. */
const failures = [];

/** A check that passes or fails as one. */
async function check(name, program, args) {
  const { code, output } = await run(program, args);
  process.stdout.write(`· ${name} … ${code === 0 ? 'passed' : 'FAILED'}\n`);
  if (code !== 0) process.stdout.write(`${output}\n`);
  tally[code === 0 ? 'passed' : 'failed'] += 1;
  if (code !== 0) failures.push(name);
}

/** A Jest project; its own report says how many passed, and a run without a report is a failure. */
async function jest(project, env = {}) {
  const report = join(results, `${project}.json`);
  rmSync(report, { force: true });
  const { code } = await run(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      'node_modules/jest/bin/jest.js',
      '--selectProjects',
      project,
      '--json',
      '--maxWorkers=2',
      `--outputFile=${report}`,
    ],
    {
      env,
      inherit: true,
    },
  );
  if (!existsSync(report)) {
    failures.push(`${project} tests ended with code ${code} and no report`);
    tally.failed += 1;
    return;
  }
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites, testResults } = JSON.parse(
    readFileSync(report, 'utf8'),
  );
  for (const { name, status, assertionResults } of testResults)
    if (status === 'failed') {
      const failed = assertionResults.filter((result) => result.status === 'failed');
      const where = relative(ROOT, name);
      failures.push(...(failed.length === 0 ? [where] : failed.map(({ fullName }) => `${where}: ${fullName}`)));
    }
  tally.passed += numPassedTests;
  tally.failed += numFailedTests + numRuntimeErrorTestSuites;
  if (code !== 0 && numFailedTests + numRuntimeErrorTestSuites === 0) {
    tally.failed += 1;
    failures.push(`${project} tests ended with code ${code}`);
  }
}

async function playwright(env) {
  const report = join(results, 'e2e.json');
  rmSync(report, { force: true });
  const { code } = await run(bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], {
    env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
    inherit: true,
  });
  if (!existsSync(report)) {
    failures.push(`Browser tests ended with code ${code} and no report`);
    tally.failed += 1;
    return;
  }
  const { stats } = JSON.parse(readFileSync(report, 'utf8'));
  if (code !== 0) failures.push(`${stats.unexpected} browser tests, listed above`);
  tally.passed += stats.expected + stats.flaky;
  tally.failed += stats.unexpected;
  if (code !== 0 && stats.unexpected === 0) tally.failed += 1;
  if (stats.flaky > 0)
    process.stdout.write(`${stats.flaky} of these passed only at the second try: see "flaky" above\n`);
}

await main(async () => {
  checkNode();
  mkdirSync(results, { recursive: true });
  await installSystemPackages(['mariadbd', 'chromium', 'pdftotext', 'openssl']);
  // Chromium without its windows draws a fifth faster; where it cannot be had, the browser tests take the other.
  await installSystemPackages(['chromium-headless-shell']).catch((error) => {
    if (!(error instanceof Stop)) throw error;
    process.stdout.write(`· ${error.message} The browser tests run in chromium instead, and take longer.\n`);
  });
  await installNodePackages();
  if (wanted('check')) {
    await check('format, lint and import boundaries', bin('biome'), ['ci', '--colors=off', '.']);
    await check('import cycles', bin('biome'), [
      'lint',
      '--colors=off',
      '--only=suspicious/noImportCycles',
      '--error-on-warnings',
      '.',
    ]);
    await check('types', bin('tsc'), ['-p', '.']);
    await check('types of the core, without DOM and Node', bin('tsc'), ['-p', 'core']);
  }
  if (wanted('unit')) await jest('unit');
  if (wanted('screens')) await jest('screens');
  if (wanted('server') || wanted('e2e')) {
    await build();
    let database;
    await step('test database', async () => {
      database = await startDatabase(join(DATA, 'test-db'), { passing: true });
    });
    // A killed run must not leave the database behind.
    for (const signal of ['SIGINT', 'SIGTERM'])
      process.once(signal, () => void database.stop().then(() => process.exit(130)));
    try {
      if (wanted('server')) await jest('server', database.ownerEnv);
      if (wanted('e2e')) await playwright(database.ownerEnv);
    } finally {
      await database.stop();
    }
  }
  if (failures.length > 0) process.stdout.write(`\nFailed:\n${failures.map((name) => `- ${name}`).join('\n')}\n`);
  process.stdout.write(`\n${elapsed()}\n${tally.passed} passed, ${tally.failed} failed\n`);
  if (tally.passed === 0) throw new Stop('No test ran.');
  process.exit(tally.failed === 0 ? 0 : 1);
});
