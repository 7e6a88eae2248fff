import { expect, launch, signIn, test } from './support/app.ts';
import { helperLeaves } from './support/box-kits.ts';

/** A shop of one's own: from an empty installation to its second person at work. */

test('an empty shop is opened with the code, takes somebody in, and sets its rules', async ({ page, browser }) => {
  test.slow();
  const shop = await launch(false);
  try {
    expect(shop.code).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/);
    await page.goto(shop.url);
    await expect(page.getByRole('heading', { name: 'Open the shop' })).toBeVisible();
    // Everything that is wrong is named at its field.
    await page.getByRole('button', { name: 'Open the shop' }).click();
    await expect(page.getByText('the shop needs a name')).toBeVisible();
    await page.getByLabel('Code from the console').fill('AAAA-BBBB');
    await page.getByLabel('Name of the shop').fill('Quarry Lane');
    await page.getByLabel('Bays').fill('2');
    await page.getByLabel('Time zone').selectOption('Europe/Berlin');
    await page.getByLabel('Your name, the first lead').fill('Ada Quarrie');
    await page.getByLabel('Initials').fill('aq');
    await page.getByLabel('PIN or password').fill('482913');
    await page.getByLabel('The same again').fill('482914');
    // Its rules may be set at once.
    await page.getByText('Hours and house rules: now, or later').click();
    await page.getByRole('button', { name: 'Full cure' }).click();
    await page.getByLabel('Hours, usual 14').fill('10');
    await page.getByLabel('Hours, usual 14').press('Enter');
    await page.getByRole('button', { name: 'Open the shop' }).click();
    await expect(page.getByText('not the same as above')).toBeVisible();
    await page.getByLabel('The same again').fill('482913');
    await page.getByRole('button', { name: 'Open the shop' }).click();
    await expect(page.getByRole('alert').filter({ hasText: /not the code/ })).toBeVisible();
    await page.getByLabel('Code from the console').fill(shop.code.toLowerCase());
    await page.getByRole('button', { name: 'Open the shop' }).click();
    // No PIN of anybody is shown, nor anything of a demo.
    await expect(page.getByRole('button', { name: /Ada Quarrie/ })).toBeVisible();
    await expect(page.getByText(/PIN \d|demo/)).toHaveCount(0);
    await signIn(page, shop, 'Ada Quarrie', '482913');

    // The first lead takes a fitter in; the PIN is shown once.
    await page.goto(`${shop.url}/shop`);
    await expect(page.getByRole('button', { name: 'Full cure' })).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByLabel('Hours, usual 14')).toHaveValue('10');
    await page.getByRole('button', { name: 'Take somebody in' }).click();
    await page.getByRole('button', { name: 'Take them in' }).click();
    await expect(page.getByText('a name is needed')).toBeVisible();
    await page.getByLabel('Name, as it stands on records').fill('Wren Calder');
    await page.getByLabel('Initials').fill('AQ');
    await page.getByRole('button', { name: 'Take them in' }).click();
    await expect(page.getByRole('alert').filter({ hasText: /AQ is Ada Quarrie/ })).toBeVisible();
    await page.getByLabel('Initials').fill('wc');
    await page.getByLabel('welding').check();
    await page.getByRole('button', { name: 'Take them in' }).click();
    const told = page.getByRole('status').filter({ hasText: 'PIN of Wren Calder' });
    await expect(told).toBeVisible();
    const pin = /once:\s*(\d{4,})/.exec((await told.textContent()) ?? '')?.[1] ?? '';
    expect(pin).not.toBe('');
    await told.getByRole('button', { name: 'It was passed on' }).click();

    // The house's rules: wrong ones are named, right ones are kept and logged.
    await page.getByRole('region', { name: 'By feel' }).getByRole('button', { name: 'Refused' }).click();
    const trays = page.getByLabel('One a line: Red 4 × 6');
    await trays.fill('Red');
    await trays.blur();
    await expect(page.getByText(/“Red” is no tray/)).toBeVisible();
    await trays.fill('Red 3 × 5');
    await trays.blur();
    await page.getByRole('button', { name: 'Keep the settings' }).click();
    const log = page.getByRole('region', { name: 'What was changed' });
    await expect(log.getByText(/By feel: refused, before as usual/)).toBeVisible();
    await expect(log.getByText('Wren Calder taken in as fitter')).toBeVisible();
    await expect(log.getByText('Quarry Lane opened')).toBeVisible();

    // The second person, on a tablet of their own; a job keeps the rules it was opened with.
    const other = await browser.newContext();
    const tablet = await other.newPage();
    await signIn(tablet, shop, 'Wren Calder', pin);
    const opened = await page.evaluate(async (text) => {
      const post = (path: string, body: unknown) =>
        fetch(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });
      await fetch('/api/kits?waive=as%20the%20sheet%20has%20it', { method: 'POST', body: text });
      const vehicle = await post('/api/vehicles', {
        id: crypto.randomUUID(),
        plate: 'QL 104',
        owner: 'Ines Harrow',
        make: 'Aldren',
        model: 'Carrick',
        modelYear: 2021,
      });
      return { status: vehicle.status, text: await vehicle.text() };
    }, JSON.stringify(helperLeaves()));
    expect(opened.status, opened.text).toBeLessThan(300);
    await page.goto(`${shop.url}/receive`);
    await page.getByRole('button', { name: /QL 104/ }).click();
    await page.getByRole('button', { name: /Helper leaves/ }).click();
    await page.getByRole('button', { name: 'Open the job' }).click();
    await page.waitForURL(/\/jobs\//);
    await tablet.goto(page.url());
    await expect(tablet.getByRole('heading', { name: 'Packing list' })).toBeVisible();
    await tablet.keyboard.press('m');
    await expect(tablet.getByRole('region', { name: 'Red' })).toBeVisible();
    await tablet.keyboard.press('Escape');

    // Who leaves is out at once, on every tablet.
    await page.goto(`${shop.url}/shop`);
    await page.getByRole('button', { name: 'Leaves the shop: Wren Calder' }).click();
    await page.getByLabel('Your own PIN').fill('482913');
    await page.getByRole('dialog').getByRole('button', { name: 'Leaves the shop' }).click();
    await expect(page.getByRole('heading', { name: 'Have left' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Leaves the shop: Ada Quarrie' })).toBeDisabled();
    await tablet.goto(shop.url);
    await expect(tablet.getByRole('button', { name: /Ada Quarrie/ })).toBeVisible();
    await expect(tablet.getByRole('button', { name: /Wren Calder/ })).toHaveCount(0);
    await other.close();
  } finally {
    await shop.stop();
  }
});
