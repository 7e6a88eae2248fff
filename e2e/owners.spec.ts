import { expect, signIn, test } from './support/app.ts';

test('an owner who is written twice is made one, taken back, and forgotten', async ({ page, app }) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.evaluate(async () => {
    const cards = [
      ['OW 1', 'Ines Harrow', '555 0142'],
      ['OW 2', 'Harrow, Ines', ''],
      ['OW 3', 'Ines Harow', ''],
    ] as const;
    for (const [plate, owner, contact] of cards)
      await fetch('/api/vehicles', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          id: crypto.randomUUID(),
          plate,
          owner,
          make: 'Tolvan',
          model: 'Carrick 3.0',
          ...(contact ? { contact } : {}),
        }),
      });
  });
  await page.goto(`${app.url}/vehicles`);
  await page.getByRole('link', { name: 'Owners' }).click();
  const doubles = page.getByRole('region', { name: 'May be one' });
  await expect(doubles.getByText('the same words in another order')).toBeVisible();
  await expect(doubles.getByText('one letter apart')).toBeVisible();
  await doubles
    .getByRole('listitem')
    .filter({ hasText: 'another order' })
    .getByRole('button', { name: 'One: Ines Harrow' })
    .click();
  await expect(page.getByRole('status')).toContainText('Ines Harrow is one now, with 2 vehicles');
  await expect(doubles.getByText('another order')).toHaveCount(0);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(doubles.getByText('another order')).toBeVisible();
  await doubles
    .getByRole('listitem')
    .filter({ hasText: 'one letter' })
    .getByRole('button', { name: 'They are two' })
    .click();
  await expect(doubles.getByText('one letter apart')).toHaveCount(0);

  await page.getByLabel('Name, contact or plate').fill('OW 3');
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save what is held of Ines Harow' }).click();
  expect((await saved).suggestedFilename()).toBe('owner.json');
  await page.getByRole('button', { name: 'Forget Ines Harow' }).click();
  await page.getByLabel('Your own PIN').fill('1357');
  await page.getByRole('button', { name: 'Forget them' }).click();
  await expect(page.getByText('Nobody answers to that.')).toBeVisible();
});
