import { expect, signIn, test } from './support/app.ts';

test('an owner is written to of what is due: read first, sent once, delivered, answered', async ({ page, app }) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(`${app.url}/due`);
  // The demo's signed visit has something due.
  const item = page.getByRole('listitem').filter({ hasText: 'Pull it again' }).first();
  await item.getByRole('button', { name: 'Write to the owner' }).click();
  const dialog = page.getByRole('dialog');
  const text = dialog.getByLabel('Text');
  await expect(text).toHaveValue(/Harrow Lane Fitting Shop: your .* STOP for no more messages\./);
  await dialog.getByLabel('To').fill('the yard');
  await dialog.getByRole('button', { name: 'Send it' }).click();
  await expect(dialog.getByText(/no mail address and no telephone number/)).toBeVisible();
  // What was typed is still there.
  await expect(text).toHaveValue(/STOP/);
  await dialog.getByLabel('To').fill('0711 12 34 56');
  await dialog.getByRole('button', { name: 'Send it' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(item.getByText(/Short message to 0711123456/)).toBeVisible();
  // By day it goes at once; in the quiet hours it waits, and is sent here by moving its hour.
  app.sql('UPDATE owner_message SET next_at_ms = 1');
  await expect(item.getByText('delivered')).toBeVisible();
  await item.getByRole('button', { name: 'Write to the owner' }).click();
  await expect(dialog.getByText('The owner was told of this already. Nobody is told twice.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Not now' }).click();
  await item.getByRole('button', { name: 'The owner answered' }).click();
  await item.getByPlaceholder('In writing or by telephone').fill('Stop, I sold it.');
  await item.getByRole('button', { name: 'Keep it' }).click();
  await expect(item.getByText('No more messages go to this address.')).toBeVisible();
});
