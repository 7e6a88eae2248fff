import { expect, GUARD_TO_TORQUE, give, openJob, signIn, test } from './support/app.ts';

/** What a person likes, on whichever tablet they take over. */

test('units, hand and letters go along to another tablet, and the big action stays in reach', async ({
  page,
  app,
  browser,
}) => {
  await signIn(page, app);
  await page.getByRole('button', { name: /Mira Vane/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Settings', exact: true }).click();
  const kept = page.waitForResponse((response) => response.url().endsWith('/api/session/own'));
  await page.getByRole('button', { name: 'lbf·ft' }).click();
  await page.getByRole('button', { name: 'Left', exact: true }).click();
  await page.getByRole('button', { name: 'Larger' }).click();
  expect((await kept).status()).toBe(204);
  await page.getByRole('button', { name: 'Done' }).click();

  const other = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const tablet = await other.newPage();
  await signIn(tablet, app);
  await expect(tablet.locator('html')).toHaveAttribute('data-letters', 'larger');
  const job = await openJob(tablet, 'v-carrick', 'transfer-case-guard');
  await give(tablet, job, ...GUARD_TO_TORQUE);
  await tablet.goto(`${app.url}/jobs/${job}/line`);
  await expect(tablet.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  const bar = tablet.locator('.thumb-bar').last();
  await expect(bar).toBeInViewport({ ratio: 1 });
  const { x = 0 } = (await bar.boundingBox()) ?? {};
  expect(x).toBeLessThan(300);
  await expect(tablet.getByText('lbf·in').first()).toBeVisible();

  // Whoever never said what they like does not get what the one before liked.
  await tablet.getByRole('button', { name: /Mira Vane/ }).click();
  await tablet
    .getByRole('dialog')
    .getByRole('button', { name: /Tamsin Quell/ })
    .click();
  await tablet.getByLabel('PIN for Tamsin Quell').fill('3690');
  await tablet.keyboard.press('Enter');
  await expect(tablet.locator('html')).toHaveAttribute('data-letters', 'normal');
  await other.close();
});
