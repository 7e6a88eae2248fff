import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { expect, give, provePin, signIn, test } from './support/app.ts';
import { countTray, workLine } from './support/line.ts';
import { counts } from './support/visits.ts';

test('a signed job stands on the list of what is due, is settled there and taken back, and goes into a calendar', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  const opened = await page.request.post(`${app.url}/api/jobs`, {
    data: {
      vehicle: 'v-carrick',
      kits: ['transfer-case-guard'],
      answers: {},
      bay: 4,
      plannedStartMs: Date.now(),
      odometerKm: 118_320,
    },
  });
  const { id: job } = (await opened.json()) as { id: string };
  await give(page, job, ...counts(TRANSFER_CASE_GUARD.items));
  await workLine(page, job, () => true);
  await page.goto(`${app.url}/jobs/${job}/close-out`);
  await countTray(page);
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await provePin(page, '1357');
  await expect(page.getByText('the chain is whole')).toBeVisible();

  await page.goto(app.url);
  await page.getByRole('link', { name: 'Due', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Due', exact: true })).toBeVisible();
  await page.getByRole('searchbox').fill('14-115');
  const mine = page.getByRole('listitem').filter({ has: page.locator(`a[href="/jobs/${job}/record"]`) });
  await expect(mine).toContainText('Check the six guard bolts');
  await expect(mine).toContainText('Four of five between');
  await mine.getByRole('button', { name: 'What became of it' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Odometer then, km').fill('118,820');
  await dialog.getByLabel('Note').fill('None had moved');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('region', { name: 'Settled of late' })).toContainText(
    'Done here, Rafe Orrin: None had moved',
  );
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(mine).toContainText('Four of five between');

  const started = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Calendar' }).click();
  expect((await started).suggestedFilename()).toBe('due.ics');
});
