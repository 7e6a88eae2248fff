import type { Page } from '@playwright/test';
import {
  type App,
  BAR_COUNT,
  expect,
  GUARD_TO_TORQUE,
  give,
  openJob,
  provePin,
  setWrench,
  signIn,
  startAll,
  test,
  whereNow,
} from './support/app.ts';
import { fitParts } from './support/line.ts';

// The shell is there without the server: by the service worker, as on a tablet.
test.use({ serviceWorkers: 'allow' });

/** Signs in, and waits until the shell is kept on the device. */
async function signInToStay(...given: Parameters<typeof signIn>): Promise<void> {
  await signIn(...given);
  await given[0].evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
}

/** Pulls on record with who made them, oldest first. */
const pullers = (app: App, job: string): string[] =>
  app
    .sql(`SELECT actor_id FROM job_event WHERE type = 'pullRecorded' AND job_id = '${job}' ORDER BY seq`)
    .split('\n')
    .filter(Boolean);
/** A guard ready for its first pull, on screen. */
async function atTorque(page: Page, app: App): Promise<string> {
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE);
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  await setWrench(page);
  await page.getByLabel('Unit').selectOption('lbf·in');
  return job;
}
async function pull(page: Page): Promise<void> {
  const before = await whereNow(page);
  await setWrench(page);
  await page.getByLabel(/Reading from W-1/).fill('92');
  await page.keyboard.press('Enter');
  await expect.poll(() => whereNow(page)).not.toBe(before);
}
async function handOver(page: Page, from: string, to: string, pin: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`${from}, `) }).click();
  await page.getByRole('button', { name: new RegExp(to) }).click();
  await page.getByLabel(`PIN for ${to}`).fill(pin);
  await page.keyboard.press('Enter');
}

test('a tablet passed on without the server: each pull under the one who made it, the PIN asked and counted', async ({
  page,
  app,
}) => {
  // Both have signed in on this tablet before.
  await signInToStay(page, app, 'Tamsin Quell', '3690');
  await handOver(page, 'Tamsin Quell', 'Mira Vane', '2468');
  await expect(page.getByRole('button', { name: /Mira Vane, / })).toBeVisible();
  const job = await atTorque(page, app);
  await app.kill();
  await pull(page);
  await page.getByRole('button', { name: /Mira Vane, / }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('One entry waits on this device to be sent');
  await sheet.getByRole('button', { name: /Tamsin Quell/ }).click();
  await page.getByLabel('PIN for Tamsin Quell').fill('0000');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'Wrong PIN' })).toBeVisible();
  await page.getByLabel('PIN for Tamsin Quell').fill('3690');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /Tamsin Quell, / })).toBeVisible();
  await pull(page);
  // A reload without the server still knows whose hands it is in.
  await page.reload();
  await expect(page.getByRole('button', { name: /Tamsin Quell, / })).toBeVisible();
  await app.start();
  await expect.poll(() => pullers(app, job), { timeout: 90_000 }).toEqual(['u-vane', 'u-tamsin']);
  // The server has heard of the hand-over: what is asked of it now is asked by her.
  const session = (await (await page.request.get(`${app.url}/api/session`)).json()) as { person: { id: string } };
  expect(session.person.id).toBe('u-tamsin');
});

test('signed out without the server: nobody works here, the queue is kept, and goes out from the bays', async ({
  page,
  app,
}) => {
  await signInToStay(page, app);
  const job = await atTorque(page, app);
  await app.kill();
  await pull(page);
  await page.getByRole('button', { name: /Mira Vane, / }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  // Said where one signs in: the sheet that was signed out from says nearly the same.
  await expect(page.getByText('One entry waits on this device', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByText('Those who have signed in on this device before can go on without it.')).toBeVisible();
  await app.start();
  expect(pullers(app, job)).toEqual([]);
  // Somebody else signs in, and opens nothing.
  await page.getByRole('button', { name: /Rafe Orrin/ }).click();
  await page.getByLabel('PIN for Rafe Orrin').fill('1357');
  await page.keyboard.press('Enter');
  await expect.poll(() => pullers(app, job), { timeout: 60_000 }).toEqual(['u-vane']);
});

test('what waits is counted on every screen, and goes out from whichever is shown', async ({ page, app }) => {
  await signInToStay(page, app);
  const job = await atTorque(page, app);
  await app.kill();
  await pull(page);
  await pull(page);
  await page.getByRole('link', { name: /back to the bays/ }).click();
  await page.getByRole('link', { name: 'Bench' }).click();
  // The bar that is pressed next is the bench's, and no longer the bays'.
  await expect(page.getByRole('link', { name: 'Bench' })).toHaveAttribute('aria-current', 'page');
  await expect(page.getByRole('link', { name: 'Bays' })).not.toHaveAttribute('aria-current', 'page');
  const badge = page.getByRole('button', { name: /2 waiting on this device/ });
  await badge.click();
  const sheet = page.getByRole('dialog', { name: 'Waiting on this device' });
  await expect(sheet.getByRole('listitem')).toHaveCount(2);
  await expect(sheet).toContainText('Carrick');
  await page.getByRole('button', { name: 'Done' }).click();
  await app.start();
  await expect.poll(() => pullers(app, job), { timeout: 60_000 }).toHaveLength(2);
  await expect(badge).toBeHidden();
});

test('a full store: nothing shows as done that is not kept, and the alarm says what is lost', async ({ page, app }) => {
  // What a browser does whose disk is full: the write fails.
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...given: Parameters<typeof put>) {
      if (this.name === 'outbox' && sessionStorage.getItem('full'))
        throw new DOMException('full', 'QuotaExceededError');
      return put.apply(this, given);
    };
  });
  await signIn(page, app);
  const job = await atTorque(page, app);
  await page.evaluate(() => sessionStorage.setItem('full', '1'));
  const before = await whereNow(page);
  await page.getByLabel(/Reading from W-1/).fill('92');
  await page.keyboard.press('Enter');
  const alarm = page.getByRole('alert').filter({ hasText: 'Not kept' });
  await expect(alarm).toContainText('Pull, station 2');
  expect(await whereNow(page)).toBe(before);
  expect(pullers(app, job)).toEqual([]);
  await page.evaluate(() => sessionStorage.removeItem('full'));
  await alarm.getByRole('button', { name: 'Try again' }).click();
  await expect.poll(() => pullers(app, job)).toEqual(['u-vane']);
  await expect(alarm).toBeHidden();
});

test('two tablets pull pass 1 of one bolt, neither hearing of the other: it counts once, and both are told', async ({
  page,
  browser,
  app,
}) => {
  await signIn(page, app);
  const job = await atTorque(page, app);
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const other = await context.newPage();
  await signIn(other, app, 'Tamsin Quell', '3690');
  await other.goto(`${app.url}/jobs/${job}/line`);
  await expect(other.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  await setWrench(other);
  await other.getByLabel('Unit').selectOption('lbf·in');
  await app.kill();
  await pull(page);
  await pull(other);
  await app.start();
  const count = (type: string) =>
    Number(app.sql(`SELECT COUNT(*) FROM job_event WHERE type = '${type}' AND job_id = '${job}'`));
  await expect.poll(() => count('pullRepeated'), { timeout: 90_000 }).toBe(1);
  expect(count('pullRecorded')).toBe(1);
  for (const tablet of [page, other]) {
    await tablet.goto(`${app.url}/jobs/${job}/record`);
    await expect(tablet.getByText(/pulled twice for pass 1/)).toBeVisible();
  }
  await context.close();
});

test('a record says that it may not be complete while a tablet that had the job is not heard', async ({
  page,
  browser,
  app,
}) => {
  await signIn(page, app);
  const job = await atTorque(page, app);
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const other = await context.newPage();
  await signIn(other, app, 'Tamsin Quell', '3690');
  await other.goto(`${app.url}/jobs/${job}/line`);
  await expect(other.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  await setWrench(other);
  await other.getByLabel('Unit').selectOption('lbf·in');
  // Its line goes, and it works on.
  await other.route('**/api/**', (route) => route.abort());
  await app.kill();
  await app.start();
  await pull(other);
  const record = () => page.goto(`${app.url}/jobs/${job}/record`);
  await record();
  const doubt = page.getByRole('status').filter({ hasText: 'The record may not be complete' });
  await expect(doubt).toContainText('Tamsin Quell');
  await other.unroute('**/api/**');
  await expect.poll(() => pullers(app, job), { timeout: 90_000 }).toEqual(['u-tamsin']);
  await other.getByRole('link', { name: /back to the bays/ }).click();
  await expect(other.getByRole('heading', { name: 'Needs a hand' })).toBeVisible();
  await expect(async () => {
    await record();
    await expect(page.getByText('the chain is whole')).toBeVisible();
    await expect(doubt).toBeHidden({ timeout: 500 });
  }).toPass({ timeout: 30_000 });
  await context.close();
});

test('a passkey signs in, and proves one act', async ({ page, app }) => {
  const session = await page.context().newCDPSession(page);
  await session.send('WebAuthn.enable');
  await session.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  // Passkeys belong to a name, not to an address.
  const url = app.url.replace('127.0.0.1', 'localhost');
  await signIn(page, { ...app, url }, 'Rafe Orrin', '1357');
  await page.getByRole('button', { name: /Rafe Orrin, / }).click();
  await page.getByRole('button', { name: 'Settings', exact: true }).click();
  await page.getByRole('button', { name: 'Add a passkey' }).click();
  await expect(page.getByRole('button', { name: /Remove Passkey of/ })).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).click();
  const job = await openJob(page, 'v-carrick', 'rear-anti-roll-bar', { bush: 'rubber' });
  await give(page, job, ...BAR_COUNT);
  await fitParts(page, job);
  await give(page, job, ...startAll('n1', 'n2', 'b1', 'b2', 'b3', 'b4', 'l1', 'l2'));
  await page.goto(`${url}/jobs/${job}/line`);
  await page
    .getByRole('button', { name: /^Step .*Bush clamps/ })
    .last()
    .click();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Allow it' }).click();
  await page.getByLabel('Reason, kept on the record').fill('the rest is on order');
  await page.getByRole('dialog').getByRole('button', { name: 'Allow it' }).click();
  await page.getByRole('button', { name: 'Use a passkey' }).click();
  await expect
    .poll(() =>
      app
        .sql(`SELECT JSON_VALUE(body, '$.proof') FROM job_event WHERE type = 'overrideGranted' AND job_id = '${job}'`)
        .trim(),
    )
    .toBe('passkey');
  await page.getByRole('button', { name: /Rafe Orrin, / }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByRole('button', { name: /Rafe Orrin, / })).toBeVisible();
});

test('a record altered in the database shows in the bays and on its page; a lead acknowledges it', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE.slice(0, 4));
  await app.kill();
  app.sql(`UPDATE job_event SET body = REPLACE(body, '"found":8', '"found":7') WHERE job_id = '${job}'`);
  await app.start();
  await page.goto(app.url);
  await expect(page.getByText('Record altered')).toBeVisible();
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByText('0 of 6 started')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('alert')).toContainText('The record was altered');
  await page.goto(`${app.url}/jobs/${job}/record`);
  await expect(page.getByText('altered outside of Wrenchman: entry 2')).toBeVisible();
  await page.getByRole('button', { name: 'Acknowledge the break' }).click();
  await page.getByLabel('What was found, kept on the record').fill('Eight were counted, as the backup says.');
  await page.getByRole('button', { name: 'Go on' }).click();
  await provePin(page, '1357');
  await expect(page.getByText('A lead has looked at it')).toBeVisible();
  await expect(page.getByText(/altered behind the application’s back, from entry 2/)).toBeVisible();
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByText('0 of 6 started')).toBeVisible();
  // The page may have come before its own acknowledgement was sent: it counts all the same.
  await page.keyboard.press('Space');
  await expect(page.getByText('1 of 6 started')).toBeVisible({ timeout: 15_000 });
});
