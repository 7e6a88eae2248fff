import { expect, signIn, test } from './support/app.ts';

test('vehicles are called back: found by the kit, taken as a table, their owners written to once', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(`${app.url}/vehicles`);
  await page.getByRole('link', { name: 'Call back' }).click();
  await expect(page.getByRole('button', { name: 'Find the vehicles' })).toBeDisabled();
  await page.getByLabel('Kit', { exact: true }).selectOption({ label: 'Transfer-case guard' });
  await page.getByRole('button', { name: 'Find the vehicles' }).click();
  const vehicles = page.getByRole('region', { name: 'Vehicles' });
  await expect(vehicles.getByRole('heading', { name: /\d+ vehicles?/ })).toBeVisible();
  await expect(vehicles.getByText(/Transfer-case guard, revision \d/).first()).toBeVisible();
  const download = page.waitForEvent('download');
  await vehicles.getByRole('link', { name: 'CSV' }).click();
  expect((await download).suggestedFilename()).toBe('recall.csv');
  await vehicles.getByRole('button', { name: 'Write to all owners' }).click();
  await page.getByRole('dialog').getByLabel('Text').fill('Do not drive: the guard’s bolts are soft. Call us.');
  await page.getByRole('dialog').getByRole('button', { name: 'Send to all' }).click();
  await expect(page.getByRole('status').filter({ hasText: /in the outbox/ })).toBeVisible();
  await page.getByRole('button', { name: 'A class of bolts' }).click();
  await page.getByLabel('Property class, as 10.9').fill('14.9');
  await page.getByRole('button', { name: 'Find the vehicles' }).click();
  await expect(page.getByText('No visit of this shop answers to that.')).toBeVisible();
});
