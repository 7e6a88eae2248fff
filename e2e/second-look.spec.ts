import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { expect, give, openJob, provePin, signIn, test } from './support/app.ts';
import { countTray, workLine } from './support/line.ts';
import { counts } from './support/visits.ts';

test('a second look by other eyes: blind, what moved is a finding, and the record says who looked', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...counts(TRANSFER_CASE_GUARD.items));
  await workLine(page, job, () => true);
  // One's own work is for other eyes.
  await page.goto(`${app.url}/jobs/${job}/second-look`);
  await page.getByRole('button', { name: 'Did not move' }).click();
  await expect(page.getByRole('alert')).toContainText('Your own work');
  await page.context().clearCookies();

  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(`${app.url}/jobs/${job}/close-out`);
  await page.getByRole('link', { name: 'A second look by other eyes' }).click();
  await expect(page.getByRole('heading', { name: 'Second look' })).toBeVisible();
  const stations = page.getByRole('button', { name: /^Station \d/ });
  await expect(stations).toHaveCount(TRANSFER_CASE_GUARD.stations.length);
  const first = await page.getByRole('heading', { name: /^Station/ }).textContent();
  await page.getByLabel(/Note, where/).fill('A quarter turn');
  await page.getByRole('button', { name: 'It moved' }).click();
  await expect(page.getByText('Disagreed: look again when it is mended')).toBeVisible();

  await page.getByRole('link', { name: 'To Close out' }).click();
  await expect(page.getByText(/Second look: it moved at/)).toBeVisible();
  await page.getByRole('button', { name: 'Cleared' }).click();
  const how = page.getByRole('dialog');
  await how.getByLabel('Goes on the record').fill('Pulled again to its figure');
  await how.getByRole('button', { name: 'Cleared' }).click();
  await expect(page.getByText(/Second look: it moved at/)).toHaveCount(0);

  // Looked at again, and the next ones by the one key.
  await page.getByRole('link', { name: 'A second look by other eyes' }).click();
  await expect(page.getByRole('heading', { name: first ?? '' })).toBeVisible();
  for (let looked = 1; looked <= 2; looked++) {
    await page.keyboard.press('Space');
    await expect(page.getByText('Looked at, Rafe Orrin')).toHaveCount(looked);
  }
  await page.getByRole('link', { name: 'To Close out' }).click();
  await countTray(page);
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await provePin(page, '1357');
  await expect(page.getByText('the chain is whole')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Second look' })).toBeVisible();
  await expect(page.getByText(`${first}: disagreed at`)).toBeVisible();
  await expect(page.getByText(new RegExp(`${first}: did not move at`))).toBeVisible();
});
