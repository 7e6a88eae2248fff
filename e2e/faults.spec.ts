import { expect, GUARD_TO_TORQUE, give, openJob, setWrench, signIn, test } from './support/app.ts';

/** Types a reading into the torque screen. */
async function type(page: import('@playwright/test').Page, reading: string) {
  await setWrench(page);
  await page.getByLabel(/Reading from/).fill(reading);
  await page.keyboard.press('Enter');
}

const pulls = (app: import('./support/app.ts').App) =>
  Number(
    app.sql(
      "SELECT COUNT(*) FROM job_event WHERE type = 'pullRecorded' AND actor_id = 'u-vane' AND device_id IS NOT NULL",
    ),
  );

test('a server killed between two pulls loses neither, and the page goes on', async ({ page, app }) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE);
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  const before = pulls(app);
  await type(page, '90');
  await expect(page.getByRole('heading', { name: 'Station 5' })).toBeVisible();
  await expect.poll(() => pulls(app)).toBe(before + 1);
  await app.kill();
  // Work goes on at once; the pull is kept on the tablet.
  await type(page, '91');
  await expect(page.getByRole('heading', { name: 'Station 1' })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'Offline' })).toBeVisible();
  expect(pulls(app)).toBe(before + 1);
  await app.start();
  await expect.poll(() => pulls(app), { timeout: 90_000 }).toBe(before + 2);
  await expect(page.getByRole('status').filter({ hasText: 'Offline' })).toBeHidden({ timeout: 90_000 });
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Station 1' })).toBeVisible();
});

test('pulls made with the server away survive a reload and are sent later', async ({ browser, app }) => {
  // The shell must be there without the network: the service worker is what this is about.
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await signIn(page, app);
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  const job = await page.request.post(`${app.url}/api/jobs`, {
    data: { vehicle: 'v-carrick', kits: ['transfer-case-guard'], answers: {}, bay: 3, plannedStartMs: Date.now() },
  });
  const { id } = (await job.json()) as { id: string };
  const commands = GUARD_TO_TORQUE.map((command) => ({
    id: crypto.randomUUID(),
    atMs: Date.now(),
    by: 'u-vane',
    command,
  }));
  await page.request.post(`${app.url}/api/jobs/${id}/commands`, { data: { commands } });
  await page.goto(`${app.url}/jobs/${id}/line`);
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  const before = pulls(app);
  await app.kill();
  await type(page, '90');
  await expect(page.getByRole('heading', { name: 'Station 5' })).toBeVisible();
  await page.reload();
  // Nothing but the tablet's own store is left, and it knows where the work stood.
  await expect(page.getByRole('heading', { name: 'Station 5' })).toBeVisible();
  await type(page, '92');
  await expect(page.getByRole('heading', { name: 'Station 1' })).toBeVisible();
  await app.start();
  await expect.poll(() => pulls(app), { timeout: 90_000 }).toBe(before + 2);
  await context.close();
});

test('a session that ended mid-job asks for the PIN and then sends what was done meanwhile', async ({ page, app }) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE);
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  const before = pulls(app);
  app.sql('UPDATE session SET expires_at_ms = 1');
  // The server believes a session that it has read, because none ends but through it: it is started anew.
  await app.kill();
  await app.start();
  await type(page, '90');
  await expect(page.getByRole('dialog', { name: 'Session ended' })).toBeVisible();
  expect(pulls(app)).toBe(before);
  await page.getByLabel('PIN for Mira Vane').fill('2468');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect.poll(() => pulls(app)).toBe(before + 1);
});

test('a command the server refuses later is shown with its reason and kept until put away', async ({ page, app }) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE.slice(0, 4));
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByText('0 of 6 started')).toBeVisible();
  await app.kill();
  await page.keyboard.press('Space');
  await expect(page.getByText('1 of 6 started')).toBeVisible();
  // Before the tablet gets through, another one starts the same station.
  await page.route('**/commands', (route) => route.abort());
  await app.start();
  await give(page, job, { type: 'startByHand', station: 'g1' });
  await page.unroute('**/commands');
  await expect(page.getByRole('alert').filter({ hasText: 'Not taken by the server' })).toContainText(
    'Already started',
    { timeout: 90_000 },
  );
  await page.reload();
  await expect(page.getByRole('alert').filter({ hasText: 'Not taken by the server' })).toBeVisible();
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByText('Not taken by the server')).toBeHidden();
});

test('bad input is answered where it was made', async ({ page, app }) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  await expect(page.getByText('0 of 4 lines counted')).toBeVisible();
  await page.keyboard.type('2.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Not a count');
  await page.getByRole('button', { name: 'Seen' }).click();
  await give(page, job, ...GUARD_TO_TORQUE);
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  await setWrench(page);
  await page.getByLabel('Unit').selectOption('N·m');
  for (const [reading, title] of [
    ['9999', 'That is no torque of this trade'],
    ['ten', 'That is no torque of this trade'],
    ['9', 'Under the band'],
    ['12', 'Over the band'],
  ]) {
    await type(page, reading ?? '');
    await expect(page.getByRole('alert')).toContainText(title ?? '');
    await page.getByRole('button', { name: 'Seen' }).click();
  }
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
});

test('unknown addresses, jobs and kits show a way back, never a white page', async ({ page, app }) => {
  await signIn(page, app);
  for (const [path, title] of [
    ['/nowhere', 'No such page'],
    ['/jobs/8f14e45f-ceea-467f-a3b8-0d1c7a0b5e11/torque', 'No such job'],
    ['/jobs/rubbish/torque', 'No such job'],
  ]) {
    await page.goto(`${app.url}${path}`);
    await expect(page.getByRole('heading', { name: title })).toBeVisible();
    await expect(page.getByRole('link', { name: 'To the bays' })).toBeVisible();
  }
});

test('a malformed kit file is answered with path and reason; a good one joins the library', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.url}/receive`);
  const kit = (await (await page.request.get(`${app.url}/api/kits/transfer-case-guard`)).json()) as {
    id: string;
    title: string;
    stations: Array<{ compound?: string }>;
  };
  const pick = (text: string) =>
    page
      .getByLabel('Kit file')
      .setInputFiles({ name: 'kit.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  const broken = structuredClone(kit);
  Object.assign(broken.stations[1] ?? {}, { compound: 'glue' });
  await pick(JSON.stringify(broken));
  await expect(page.getByRole('dialog')).toContainText('stations[1].compound');
  await expect(page.getByRole('dialog')).toContainText('no compound has this id');
  await page.getByRole('button', { name: 'Seen' }).click();
  await pick('{"format": ');
  await expect(page.getByRole('dialog')).toContainText('not JSON');
  await page.getByRole('button', { name: 'Seen' }).click();
  await pick(JSON.stringify({ ...kit, id: 'guard-two', title: 'Guard for the second case' }));
  await expect(page.getByRole('dialog')).toContainText('Kit added');
  await page.getByRole('button', { name: 'Seen' }).click();
  await expect(page.getByRole('button', { name: /Guard for the second case/ })).toBeVisible();
});
