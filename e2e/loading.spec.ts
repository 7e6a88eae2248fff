import { expect, signIn, test } from './support/app.ts';
import { showScreen } from './support/screens.ts';

test('Back is heard while a screen is still being fetched', async ({ page, app }) => {
  await signIn(page, app);
  await showScreen(page, '/vehicles', 'Vehicles');
  await showScreen(page, '/handbook', 'Why it is so');
  // Loaded anew here, the application has not fetched the screens before it.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Why it is so' })).toBeVisible();
  let letGo: () => void = () => undefined;
  const held = new Promise<void>((settle) => {
    letGo = settle;
  });
  await page.route(/\/assets\/VehicleList-[\w-]+\.js$/, async (route) => {
    await held;
    await route.continue();
  });
  const asked = page.waitForRequest(/\/assets\/VehicleList-/);
  await page.evaluate(() => history.back());
  await asked;
  await page.waitForTimeout(300);
  await page.evaluate(() => history.back());
  await page.waitForURL(`${app.url}/`);
  letGo();
  await expect(page.getByRole('heading', { name: 'Needs a hand' })).toBeVisible({ timeout: 10_000 });
});
