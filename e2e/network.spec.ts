import { expect, launch, openShop, signIn, test } from './support/app.ts';

/** A shop reached over TLS: plain HTTP leads there, and two people work on two devices. */

// The shop's own authority is not in this browser's store; that it is trusted rightly is held by the server's tests.
test.use({ ignoreHTTPSErrors: true });

test('an empty shop is opened over TLS, a fitter signs in on a second device, a lead lets tablets in', async ({
  page,
  browser,
}) => {
  test.slow();
  const shop = await launch(false, { network: true });
  try {
    await page.goto(shop.plainUrl);
    await expect(page).toHaveURL(new RegExp(`^${shop.url}`));
    await openShop(page, shop.code, 'Tern Street');
    await signIn(page, shop, 'Ada Quarrie', '482913');
    for (const { name, secure } of await page.context().cookies()) expect([name, secure]).toEqual([name, true]);

    await page.goto(`${shop.url}/shop`);
    await page.getByRole('button', { name: 'Take somebody in' }).click();
    await page.getByLabel('Name, as it stands on records').fill('Wren Calder');
    await page.getByLabel('Initials').fill('wc');
    await page.getByRole('button', { name: 'Take them in' }).click();
    const told = page.getByRole('status').filter({ hasText: 'PIN of Wren Calder' });
    const pin = /once:\s*(\d{4,})/.exec((await told.textContent()) ?? '')?.[1] ?? '';

    await page.getByRole('link', { name: 'Tablets' }).click();
    const tablets = page.getByRole('region', { name: 'Trust' });
    const fingerprint = (await tablets.locator('.border-l-4').textContent()) ?? '';
    expect(fingerprint.replaceAll(' ', '')).toMatch(/^[0-9A-F]{64}$/);
    const other = await browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } });
    const phone = await other.newPage();
    await phone.goto(`${shop.plainUrl}/trust`);
    for (const line of await tablets.locator('.border-l-4 span').allTextContents())
      await expect(phone.getByText(line)).toBeVisible();
    const download = phone.waitForEvent('download');
    await phone.getByRole('link', { name: /Fetch the shop’s authority/ }).click();
    expect((await download).suggestedFilename()).toBe('wrenchman-shop.crt');
    await phone.getByRole('link', { name: /go on to Wrenchman/ }).click();
    await expect(phone).toHaveURL(new RegExp(`^${shop.url}`));
    await signIn(phone, shop, 'Wren Calder', pin);
    await expect(phone.getByRole('link', { name: 'Bays' })).toBeVisible();

    // The phone gets a name by a code, and is put out again.
    await page.getByLabel('Its name').fill('Bay 2');
    await page.getByRole('button', { name: 'Make its code' }).click();
    const invited = page.getByRole('region', { name: 'Let a tablet in' });
    const code = (await invited.locator('.text-3xl.font-bold').textContent()) ?? '';
    await phone.goto(`${shop.url}/pair#${code}`);
    await expect(phone.getByRole('heading', { name: 'Bay 2' })).toBeVisible();
    await phone.getByRole('button', { name: 'Go on to sign in' }).click();
    await expect(phone.getByRole('link', { name: 'Bays' })).toBeVisible();
    await page.getByRole('button', { name: 'Put out Bay 2' }).click();
    await page.getByLabel('Your own PIN').fill('482913');
    await page.getByRole('button', { name: 'Put it out' }).click();
    await expect(page.getByText('Put out: 1')).toBeVisible();
    await phone.goto(shop.url);
    await expect(phone.getByRole('button', { name: /Wren Calder/ })).toBeVisible();
    await phone.goto(`${shop.url}/pair#${code}`);
    await expect(phone.getByRole('alert')).toContainText('a lead makes another');
    await other.close();
  } finally {
    await shop.stop();
  }
});
