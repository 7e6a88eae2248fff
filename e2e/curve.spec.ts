import { BAR_COUNT, expect, give, openJob, signIn, startAll as start, swiftHand, test } from './support/app.ts';
import { fitParts } from './support/line.ts';

const snug = (...stations: string[]) => stations.map((station) => ({ type: 'snug', station, tool: 'hand' }));

test('a live pull says what its curve shows, and the record keeps and gives it', async ({ page, app }) => {
  await swiftHand(page);
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'rear-anti-roll-bar', { bush: 'rubber' });
  await give(page, job, ...BAR_COUNT);
  await fitParts(page, job);
  await give(page, job, ...start('n1', 'n2', 'b1', 'b2', 'b3', 'b4', 'l1', 'l2'), ...snug('n1', 'n2'));
  await page.goto(`${app.url}/jobs/${job}/line`);
  const pull = async () => {
    await expect(page.getByRole('button', { name: /Pull to click/ })).toBeEnabled();
    await page.keyboard.press('Space');
  };
  for (const castle of ['Station L1', 'Station L2']) {
    await expect(page.getByRole('heading', { name: castle })).toBeVisible();
    await pull();
    await page.getByRole('button', { name: 'Pin goes through' }).click();
    await page.getByRole('button', { name: 'A leg over the end' }).click();
  }
  for (let count = 1; count <= 4; count++) {
    await expect(page.getByRole('heading', { name: `Station ${count}` })).toBeVisible();
    await page.keyboard.press('Space');
  }
  // A sound pull says nothing: the next station is there at once.
  await pull();
  const notice = page.getByRole('region', { name: 'What the curve says' });
  await expect(page.getByRole('heading', { name: 'Station 4' })).toBeVisible({ timeout: 30_000 });
  await expect(notice).toHaveCount(0);

  // The next one has its threads crossed.
  await page.getByRole('button', { name: /Switch person or settings/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Settings', exact: true }).click();
  await page.getByLabel('Its joint, to be tried out').selectOption({ label: 'Thread crossed or dirty' });
  await page.keyboard.press('Escape');
  // While a sheet is going, the big key is still its own.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await pull();
  await expect(notice.getByRole('alert')).toContainText('Station 4: thread crossed or dirty', { timeout: 30_000 });
  await expect(notice.getByRole('alert')).toContainText('Back it out by hand and look at both threads.');
  await notice.getByRole('button', { name: 'See the curve' }).click();
  const sheet = page.getByRole('dialog', { name: 'Thread crossed or dirty' });
  await expect(sheet.getByRole('img', { name: /Torque over angle of station 4/ })).toBeVisible();
  await expect(sheet.getByText(/^under torque for \d+° before the parts were tight$/)).toBeVisible();
  await expect(sheet.getByText('Thin: the other joints of Bush clamps, same pass.')).toBeVisible();
  await page.keyboard.press('Escape');
  await notice.getByRole('button', { name: 'Seen' }).click();
  await expect(notice).toHaveCount(0);

  // The record: both curves, the departure in words, and both files.
  await page.goto(`${app.url}/jobs/${job}/record`);
  await expect(page.getByRole('button', { name: /^Curve: Good joint, \d+ %$/ }).first()).toBeVisible();
  await page.getByRole('button', { name: /^Curve: Thread crossed or dirty/ }).click();
  await expect(page.getByRole('dialog', { name: 'Thread crossed or dirty' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText(/Station 4, .*the curve of the pull says: thread crossed or dirty/)).toBeVisible();
  const lines = await page.evaluate(async (id) => (await fetch(`/api/jobs/${id}/traces.jsonl`)).text(), job);
  const kinds = lines
    .trim()
    .split('\n')
    .map((line) => (JSON.parse(line) as { about: { kind: string } }).about.kind);
  expect(kinds).toEqual(expect.arrayContaining(['good', 'crossed']));
  const csv = await page.evaluate(async (id) => (await fetch(`/api/jobs/${id}/traces.csv`)).text(), job);
  expect(csv.split('\r\n').filter((row) => row.includes(',crossed,')).length).toBeGreaterThan(40);
});
