import { expect, test } from '@playwright/test';
import { launch, signIn } from './support/app.ts';

test('a lead opens a second shop, takes a kit and a wrench over, and a new tablet asks which shop it is', async ({
  page,
  browser,
}) => {
  // Of its own: where there are two shops, every tablet that nobody knows is asked which it is.
  const app = await launch();
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(`${app.url}/shop/other-shops`);
  await page.getByRole('button', { name: 'Open another shop' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name of the shop').fill('Millrace Yard');
  await sheet.getByLabel('Your own PIN').fill('9999');
  await sheet.getByRole('button', { name: 'Open it' }).click();
  await expect(sheet.getByRole('alert')).toBeVisible();
  await sheet.getByLabel('Your own PIN').fill('1357');
  await sheet.getByRole('button', { name: 'Open it' }).click();
  const consent = async (name: string) => {
    await page.getByLabel(name).click();
    await expect(page.getByLabel(name)).toBeChecked();
  };
  await consent('The other shops may take our kits');
  await consent('In the wrench pool');
  await page.getByRole('button', { name: 'Go to Millrace Yard' }).click();
  // The bays of a shop with nothing in it yet.
  await expect(page.getByRole('heading', { name: 'Needs a hand' })).toBeVisible();
  await expect(page.getByText('Bay 2')).toBeVisible();
  await expect(page.getByText('Bay 3')).toHaveCount(0);
  await page.goto(`${app.url}/shop/other-shops`);
  await consent('In the wrench pool');
  await page.goto(`${app.url}/kits`);
  await page.getByRole('button', { name: /^Take Transfer-case guard of / }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByText('here already')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Transfer-case guard' })).toBeVisible();
  await page.goto(`${app.url}/crib`);
  await expect(page.getByText(/^Of the pool: it hangs at /)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Calibrate' })).toHaveCount(0);

  const other = await browser.newContext();
  const tablet = await other.newPage();
  await tablet.goto(app.url);
  await tablet.getByRole('button', { name: 'Millrace Yard' }).click();
  await expect(tablet.getByRole('button', { name: /Mira Vane/ })).toHaveCount(0);
  await tablet.getByRole('button', { name: /Rafe Orrin/ }).click();
  await tablet.getByLabel('PIN for Rafe Orrin').fill('1357');
  await tablet.keyboard.press('Enter');
  await expect(tablet.getByText('Bay 2')).toBeVisible();
  // From now on it is this shop's; the first is one press away for who leads both.
  await tablet.getByRole('button', { name: /Rafe Orrin, / }).click();
  await tablet
    .getByRole('dialog')
    .getByRole('button', { name: /^Go to / })
    .click();
  await expect(tablet.getByText('Bay 4').first()).toBeVisible();
  await other.close();
  await app.stop();
});
