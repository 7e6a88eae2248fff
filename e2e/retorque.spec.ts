import { expect, provePin, signIn, swiftHand, test } from './support/app.ts';
import { workToRecord } from './support/from-paper.ts';

test('what is due is pulled again: one bolt turned, its neighbours once more, and it is settled', async ({
  page,
  app,
}) => {
  test.slow();
  await swiftHand(page);
  await signIn(page, app, 'Rafe Orrin', '1357');
  await workToRecord(page, app, 'Transfer-case guard', '1357');
  const number =
    (
      await page
        .getByText(/^\d{6}-\d+ · /)
        .first()
        .textContent()
    )?.split(' ')[0] ?? '';
  await page.goto(`${app.url}/due`);
  const item = page.getByRole('listitem').filter({ hasText: `Job ${number}` });
  await item.getByRole('button', { name: 'Pull it again' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('checkbox', { name: /Guard, 6 joints/ })).toBeChecked();
  // Nothing chosen opens nothing.
  await dialog.getByRole('checkbox').uncheck();
  await expect(dialog.getByRole('button', { name: 'Open the visit' })).toBeDisabled();
  await dialog.getByRole('checkbox').check();
  await dialog.getByLabel('Odometer now, km').fill('118 810');
  await dialog.getByRole('button', { name: 'Open the visit' }).click();
  await page.waitForURL(/\/jobs\/[^/]+\/line/);
  // A kit of one vehicle's re-torque is offered for no other.
  const offered = await page.evaluate(async () =>
    ((await (await fetch('/api/kits')).json()) as Array<{ title: string }>).map(({ title }) => title),
  );
  expect(offered.filter((title) => title.startsWith('Re-torque'))).toEqual([]);
  await expect(page.getByRole('button', { name: /Step 1: Pull each again at its figure: Guard/ })).toBeVisible();
  const panel = page.getByRole('complementary');
  const at = (text: RegExp | string) => expect(panel.getByText(text).first()).toBeVisible();
  const turned = panel.getByRole('button', { name: 'It turned before it clicked' });
  /** One tap a bolt: it clicked, and nothing turned. */
  const holds = async () => {
    // The wrench is set before its first pull.
    if ((await turned.count()) === 0) await page.keyboard.press('Space');
    await expect(turned).toBeVisible();
    await page.keyboard.press('Space');
  };
  await at(/1 of 6/);
  await holds();
  await at(/2 of 6/);
  await holds();
  await at(/3 of 6/);
  const station = panel.getByRole('heading', { name: /^Station / });
  const third = (await station.textContent()) ?? '';
  await turned.click();
  await expect(station).not.toHaveText(third);
  // The first one lies beside it: it is pulled once more.
  await expect(page.getByRole('button', { name: /, snug/ })).toHaveCount(4);
  for (let left = 4; left > 0; left--) {
    await holds();
    await expect(page.getByRole('button', { name: /, snug/ })).toHaveCount(left - 1);
  }
  await page.getByRole('link', { name: 'To Close out' }).click();
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await provePin(page, '1357');
  await expect(page.getByText('the chain is whole')).toBeVisible();
  await expect(page.getByText(/turned at its re-torque/).first()).toBeVisible();
  await expect(page.getByText('the joint beside it turned since').first()).toBeVisible();
  // What it was of is settled by the visit.
  await page.goto(`${app.url}/due`);
  const settled = page
    .getByRole('region', { name: 'Settled of late' })
    .getByRole('listitem')
    .filter({ hasText: `Job ${number}` });
  await expect(settled.getByText(/Done here, Rafe Orrin/)).toBeVisible();
});
