import type { Page } from '@playwright/test';
import { expect, signIn, swiftHand, test } from './support/app.ts';
import { countTray, TOUCH, workOnScreen } from './support/line.ts';
import { biggerWrench, visitReady } from './support/visits.ts';

/** Signs what is done, with fingers alone. */
async function signByTouch(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { name: 'The line is done' })).toBeVisible();
  // Nothing on the way is wider than the phone.
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  await page.getByRole('link', { name: 'To Close out' }).tap();
  await countTray(page);
  await page.getByRole('button', { name: 'Sign and close' }).tap();
  for (const digit of '1357') await page.getByRole('button', { name: digit, exact: true }).tap();
  await page.getByRole('button', { name: 'Enter' }).tap();
  await expect(page.getByText('the chain is whole')).toBeVisible();
}

test.describe('on a phone, by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('the visit of three kits from strip to signed record', async ({ page, app }) => {
    await swiftHand(page);
    await signIn(page, app, 'Rafe Orrin', '1357');
    const giveBack = await biggerWrench(page, app.url);
    const job = await visitReady(page, app);
    await page.goto(`${app.url}/jobs/${job}/line`);
    await workOnScreen(page, job, { hands: TOUCH, shortRounds: true, onceEach: true, missFirst: true });
    await signByTouch(page);
    await giveBack();
  });
});
