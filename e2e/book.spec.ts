import { expect, signIn, test } from './support/app.ts';

test('the book: a pull found by words, the table taken, a kit’s pulls and troubles, a letter to its maker', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.getByRole('link', { name: 'Book' }).click();
  await expect(page.getByRole('table')).toBeVisible();
  await page.getByLabel(/Plate, owner, kit/).fill('14-115 guard');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  const rows = page.getByRole('table').getByRole('row');
  await expect(rows.filter({ hasText: '14-115' }).first()).toBeVisible();
  await expect(rows.filter({ hasText: '14-208' })).toHaveCount(0);
  const table = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV of all' }).click();
  expect((await table).suggestedFilename()).toBe('pulls.csv');
  await page.getByLabel(/Plate, owner, kit/).fill('nothing of the kind');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByText('No pull answers to that.')).toBeVisible();

  await page.getByRole('button', { name: 'A kit' }).click();
  await page.getByLabel('Kit', { exact: true }).selectOption({ label: 'Transfer-case guard' });
  const spread = page.getByRole('region', { name: 'How its pulls lie' });
  const troubles = page.getByRole('region', { name: 'Where it went otherwise' });
  await expect(spread.getByRole('img').first()).toBeVisible();
  await expect(troubles.getByText(/Fitted in \d+ job/)).toBeVisible();
  const letter = troubles.getByRole('link', { name: 'Write to the maker' });
  if ((await letter.count()) > 0) {
    const pdf = page.waitForEvent('download');
    await letter.click();
    expect((await pdf).suggestedFilename()).toBe('to-the-maker.pdf');
  }
  // Its own address leads there again.
  await page.reload();
  await expect(spread.getByRole('img').first()).toBeVisible();
});
