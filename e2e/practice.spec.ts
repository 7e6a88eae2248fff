import { expect, provePin, signIn, test } from './support/app.ts';

/** The practice job: worked from its bag to its record like a real one, and nothing of it anywhere. */

test('the tour is a job from its bag to its record that leaves no trace', async ({ page, app }) => {
  test.slow();
  await signIn(page, app);
  const rows = () => app.sql('SELECT (SELECT COUNT(*) FROM job), (SELECT COUNT(*) FROM job_event)');
  const before = rows();
  await page.keyboard.press('Shift+?');
  await page.getByRole('link', { name: /Practise on a job/ }).click();
  const practice = page.getByRole('complementary', { name: 'Practice' });
  await expect(practice).toContainText('nothing you do here is kept');
  await expect(practice).toContainText('Count the bag');
  await expect(page.getByRole('heading', { name: 'Packing list' })).toBeVisible();
  const toLine = page.getByRole('link', { name: 'On to the line' });
  await expect(async () => {
    if (!(await toLine.isVisible())) await page.keyboard.press('Space');
    await expect(toLine).toBeVisible({ timeout: 500 });
  }).toPass();
  await toLine.click();
  await expect(practice).toContainText('Work the line');
  await expect(page.getByRole('heading', { name: 'Clean the face the plate sits on' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: /Practice plate/ }).first()).toBeVisible();
  await page.keyboard.press('Space');
  for (const station of ['1', '2', '3', '4']) {
    await expect(page.getByRole('heading', { name: `Station ${station}` })).toBeVisible();
    await page.keyboard.press('Space');
  }
  // A number that stands in the sheet's words is measured, and one out of its limits is told at once.
  await expect(page.getByRole('heading', { name: /^Gap between plate/ })).toBeVisible();
  await page.keyboard.type('9');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Not met.', { exact: true })).toBeVisible();
  await page.keyboard.press('Backspace');
  await page.keyboard.type('4');
  await page.keyboard.press('Enter');
  // Snug, two rounds of torque: every reading typed as it stands on the wrench.
  for (const station of ['1', '2', '3', '4']) {
    await expect(page.getByRole('heading', { name: `Station ${station}` })).toBeVisible();
    await page.keyboard.press('Space');
  }
  // The wrench is set, then clicks: once round at half, once at all of it, and once more to see that none turns.
  const closing = page.getByRole('link', { name: 'To Close out' });
  await expect(async () => {
    if (!(await closing.isVisible())) await page.keyboard.press('Space');
    await expect(closing).toBeVisible({ timeout: 400 });
  }).toPass({ timeout: 120_000 });
  await closing.click();
  await expect(practice).toContainText('Close it');
  const spare = page.getByLabel('A3 Washer M8, pieces on the tray');
  await spare.fill('1');
  await spare.press('Enter');
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await provePin(page, '2468');
  await expect(page.getByText('Closed and signed by')).toBeVisible();
  await expect(practice).toContainText('The record');
  await practice.getByRole('link', { name: 'End the practice' }).click();
  await expect(page.getByRole('heading', { name: 'Needs a hand' })).toBeVisible();
  expect(rows()).toBe(before);
});
