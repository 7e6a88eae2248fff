import { expect, signIn, swiftHand, test } from './support/app.ts';
import { workToRecord } from './support/from-paper.ts';

test('a job handed over: the owner’s page from its link on a phone, reported done, taken back', async ({
  page,
  app,
  browser,
}) => {
  test.slow();
  await swiftHand(page);
  await signIn(page, app, 'Rafe Orrin', '1357');
  await workToRecord(page, app, 'Transfer-case guard', '1357');
  const handOver = page.getByRole('region', { name: 'Hand over' });
  // The files come down as what they are.
  for (const [name, file] of [
    ['Hand-over', /^hand-over-.*\.pdf$/],
    ['In short, one page', /^in-short-.*\.pdf$/],
    ['Windscreen label', /^windscreen-.*\.pdf$/],
    ['Pack with the record', /^pack-.*\.zip$/],
  ] as const) {
    const download = page.waitForEvent('download');
    await handOver.getByRole('link', { name, exact: true }).click();
    expect((await download).suggestedFilename()).toMatch(file);
  }
  await handOver.getByRole('button', { name: 'Make the owner’s page' }).click();
  await expect(handOver.getByText('not opened yet')).toBeVisible();
  // What the camera reads is what the link says.
  const url = (await handOver.getByRole('link', { name: /hand-over#/ }).textContent()) ?? '';
  await expect(handOver.getByRole('img', { name: `Code of ${url}` })).toBeVisible();

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const owner = await phone.newPage();
  await owner.goto(url);
  await expect(owner.getByRole('heading', { name: /Carrick/ })).toBeVisible();
  await expect(owner.getByText('6 of 6 joints stand at their torque.')).toBeVisible();
  await owner.getByText('Guard', { exact: false }).and(owner.locator('summary')).first().click();
  await expect(owner.getByText(/lbf·in \(/).first()).toBeVisible();
  // Nothing leads from here into the shop.
  await expect(owner.getByRole('link')).toHaveCount(0);
  expect(await owner.evaluate(async () => (await fetch('/api/jobs?from=0&to=1')).status)).toBe(401);
  const pdf = owner.waitForEvent('download');
  await owner.getByRole('button', { name: 'Keep it as PDF' }).click();
  expect((await pdf).suggestedFilename()).toMatch(/^hand-over-.*\.pdf$/);
  const due = owner.getByRole('region', { name: 'What is due, and when' });
  await due.getByRole('button', { name: 'I had it done elsewhere' }).first().click();
  await due.getByLabel('Odometer then').fill('a lot');
  await expect(due.getByText('A number, like 58 500.')).toBeVisible();
  await due.getByLabel('Odometer then').fill('118 820');
  await due.getByLabel('By whom, and what they found').fill('At the village smith, none had moved');
  await due.getByRole('button', { name: 'Tell the shop' }).click();
  await expect(due.getByText(/You reported it done on/)).toBeVisible();

  // The shop looks at it and takes it.
  await page.goto(`${app.url}/due`);
  const said = page.getByText(/The owner reported it done elsewhere on .* at 118,820 km: At the village smith/);
  await expect(said).toBeVisible();
  await page.getByRole('button', { name: 'Take it as done' }).click();
  await expect(page.getByText('is settled.')).toBeVisible();
  await owner.reload();
  await expect(due.getByText(/^Done, /)).toBeVisible();

  // The link is taken back: the page says so, and shows nothing.
  await page.goBack();
  await expect(handOver.getByText(/opened \d+ times/)).toBeVisible();
  await handOver.getByRole('button', { name: 'Take it back' }).click();
  await expect(handOver.getByText('One link ended before.')).toBeVisible();
  await owner.reload();
  await expect(owner.getByText('The shop has taken this link back: ask it for another')).toBeVisible();
  await expect(owner.getByText(/Carrick/)).toHaveCount(0);
  await phone.close();
});
