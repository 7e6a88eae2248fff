/** `npm run screenshots`: the pictures of docs/screenshots, taken anew from the demo's data. */
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from './build.mjs';
import { main, Stop, step } from './console.mjs';
import { startDatabase } from './database.mjs';
import { installNodePackages, installSystemPackages } from './install.mjs';
import { DATA, end, freePort, ROOT, run } from './run.mjs';

const OUT = join(ROOT, 'docs', 'screenshots');

await main(async () => {
  await installSystemPackages(['mariadbd', 'chromium']);
  await installNodePackages();
  await build();
  const { chromium } = await import('@playwright/test');
  const database = await startDatabase(join(DATA, 'shots-db'));
  const port = await freePort();
  const env = {
    ...process.env,
    ...database.env,
    PORT: String(port),
    WRENCHMAN_DEMO: '1',
    LOG_LEVEL: 'error',
    SEAL_DIR: join(DATA, 'shots-seal'),
  };
  let server;
  let browser;
  try {
    await database.recreate(database.env.DB_NAME);
    const seeded = await run(process.execPath, ['dist/server/manage.mjs', 'seed-history'], {
      env: { ...env, ...database.ownerEnv },
    });
    if (seeded.code !== 0) throw new Stop(seeded.output);
    server = spawn(process.execPath, ['dist/server/main.mjs'], {
      cwd: ROOT,
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await new Promise((settle) => server.stdout.on('data', (chunk) => String(chunk).includes('READY') && settle()));
    browser = await chromium.launch({
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
    });
    mkdirSync(OUT, { recursive: true });
    const url = `http://127.0.0.1:${port}`;
    const open = async (viewport, extra = {}) => {
      const context = await browser.newContext({ viewport, serviceWorkers: 'block', locale: 'en-GB', ...extra });
      return context.newPage();
    };
    const settle = (page) => page.waitForTimeout(700);
    const shot = (page, name) =>
      step(name, async () => {
        await settle(page);
        await page.screenshot({ path: join(OUT, `${name}.png`) });
      });
    const signIn = async (page) => {
      await page.goto(url);
      await page.getByRole('button', { name: /Mira Vane/ }).click();
      await page.getByLabel('PIN for Mira Vane').fill('2468');
      await page.keyboard.press('Enter');
      await page.getByRole('heading', { name: 'Needs a hand' }).waitFor();
    };
    const press = async (page, times) => {
      for (let count = 0; count < times; count++) {
        await page.keyboard.press('Space');
        await page.waitForTimeout(150);
      }
    };

    const page = await open({ width: 1280, height: 800 });
    await page.goto(url);
    await page.getByRole('button', { name: /Mira Vane/ }).waitFor();
    await signIn(page);
    await page.getByText(/No plan is shorter|At most \d+ % longer/).waitFor();
    await shot(page, 'bays');
    await page.goto(`${url}/receive`);
    await page.getByRole('searchbox', { name: /Plate/ }).fill('14-115');
    await page
      .getByRole('button', { name: /14-115/ })
      .first()
      .click();
    await page.getByRole('button', { name: /anti-roll/ }).click();
    await page.getByRole('button', { name: /Track-bar/ }).click();
    await page.getByRole('button', { name: /Polyurethane/ }).click();
    await shot(page, 'receive');
    await page.goto(url);
    await page
      .getByRole('link', { name: /anti-roll/ })
      .first()
      .click();
    await page.getByText(/lines counted/).waitFor();
    await shot(page, 'check-in');
    await press(page, 8);

    await page.goto(url);
    await page
      .getByRole('link', { name: /Front recovery/ })
      .first()
      .click();
    await page
      .getByRole('heading', { name: /^Station/ })
      .first()
      .waitFor();
    const torque = page.url();
    // Beads, snugs, and a round and a half, so that pulled, verified and waiting stations are seen together.
    const pull = page.getByRole('button', { name: /Pull to click/ });
    const take = page.getByRole('button', { name: /^Take it/ }).first();
    for (let done = 0; done < 24 && (await pull.count()) === 0; done++) {
      if ((await take.count()) > 0) await take.click();
      await press(page, 2);
    }
    for (let done = 0; done < 13; done++) {
      await pull.waitFor();
      await page.keyboard.press('Space');
      await page.waitForTimeout(300);
    }
    await pull.waitFor();
    await page.keyboard.press('Space');
    await page.waitForTimeout(650);
    await page.screenshot({ path: join(OUT, 'torque.png') });
    await pull.waitFor();
    await page.goto(torque.replace(/line$/, 'close-out'));
    await page.getByText('Still in the way').first().waitFor();
    await shot(page, 'close-out');
    await page.goto(url);
    await page.getByRole('link', { name: /guard/ }).first().click();
    await page.getByText('the chain is whole').waitFor();
    await shot(page, 'record');
    await page.getByRole('button', { name: 'Make the owner’s page' }).click();
    const link = await page.getByRole('link', { name: /hand-over#/ }).textContent();
    await page.goto(`${url}/due`);
    await page.getByRole('listitem').first().waitFor();
    await shot(page, 'due');
    const owner = await open({ width: 390, height: 844 });
    await owner.goto(link ?? '');
    await owner.getByText('joints stand at their torque').waitFor();
    await shot(owner, 'owner-page');
    await owner.context().close();
    await page.goto(`${url}/vehicles/v-gorse`);
    await page.getByRole('heading', { name: 'Visits' }).waitFor();
    await shot(page, 'vehicle');
    await page.goto(url);
    await page.getByRole('link', { name: /Gorse/ }).first().click();
    await page.getByText(/lines counted/).waitFor();
    const visit = page.url().replace(/check-in$/, '');
    for (const [leaf, heading] of [
      ['conflicts', 'Conflicts between kits'],
      ['readiness', 'Torque wrenches'],
    ]) {
      await page.goto(`${visit}${leaf}`);
      await page.getByRole('heading', { name: heading }).first().waitFor();
      await page.waitForTimeout(400);
      await shot(page, leaf);
    }
    // The line of three kits: everything counted, then on to the first act that wants a value.
    const visitId = visit.match(/jobs\/([^/]+)/)[1];
    const job = await (await page.request.get(`${url}/api/jobs/${visitId}`)).json();
    const counts = job.kits.flatMap(({ document, prefix }) =>
      document.items.map(({ id, quantity }) => ({ type: 'countLine', item: prefix + id, found: quantity, damaged: 0 })),
    );
    await page.request.post(`${url}/api/jobs/${visitId}/commands`, {
      data: {
        commands: counts.map((command) => ({ id: crypto.randomUUID(), atMs: Date.now(), by: 'u-vane', command })),
      },
    });
    await page.goto(`${visit}line`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await shot(page, 'line');
    await page.goto(`${url}/bench/finish`);
    await shot(page, 'bench');
    await page.goto(`${url}/crib?wrench=w-1`);
    await page.getByRole('heading', { name: 'Check-pulls' }).waitFor();
    await shot(page, 'crib');
    await page.goto(`${url}/book?kit=transfer-case-guard`);
    await page.getByRole('heading', { name: 'What its steps take' }).waitFor();
    // Each look writes more jobs into the book.
    while ((await page.getByText('still being written').count()) > 0) {
      await page.reload();
      await page.getByRole('heading', { name: 'What its steps take' }).waitFor();
    }
    await shot(page, 'book');
    await page.goto(`${url}/drill`);
    await page.getByRole('button', { name: /^Begin: Look before/ }).click();
    await page.getByRole('heading', { name: 'Packing list' }).waitFor();
    const toLine = page.getByRole('link', { name: 'On to the line' });
    while (!(await toLine.isVisible())) {
      await page.keyboard.press('Space');
      await page.waitForTimeout(200);
    }
    await toLine.click();
    const felt = page.getByRole('region', { name: 'What the hand feels' });
    while (!(await felt.isVisible())) {
      await page.keyboard.press('Space');
      await page.waitForTimeout(350);
    }
    await shot(page, 'drill');
    await page.getByRole('button', { name: 'End the drill' }).click();
    await page.goto(`${url}/kits/drafts/rear-anti-roll-bar/dry-run`);
    await page.getByRole('heading', { name: 'Every vehicle' }).waitFor();
    await page.getByRole('button', { name: /^Watch: torque, Bush clamps/ }).click();
    await page.waitForTimeout(1500);
    await page.keyboard.press('p');
    await shot(page, 'kit-dry-run');
    await page.goto(`${url}/kits/read`);
    await page
      .getByLabel('Text of the sheet')
      .fill(readFileSync(join(ROOT, 'demo/sheets/recovery-points.txt'), 'utf8'));
    await page.getByRole('button', { name: 'Read it' }).click();
    await page.getByRole('heading', { name: 'What it says' }).waitFor();
    await page.keyboard.press('n');
    await shot(page, 'kit-reader');
    await page.context().close();

    const phone = await open({ width: 390, height: 844 }, { hasTouch: true, isMobile: true });
    await signIn(phone);
    await phone.goto(torque);
    await phone.getByRole('button', { name: /Pull to click/ }).waitFor();
    await shot(phone, 'line-phone');
  } finally {
    await browser?.close();
    if (server) await end(server.pid);
    await database.stop();
  }
});
