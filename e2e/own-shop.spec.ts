import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, openShop, provePin, signIn, swiftHand, test } from './support/app.ts';
import { releaseAsPrinted } from './support/from-paper.ts';
import { countAll, countTray, workOnScreen } from './support/line.ts';
import { atConsole, startShop } from './support/own-shop.ts';

/** A shop of one's own, as its people live it: from an empty folder to a signed job, and on from a backup elsewhere. */

test.use({ ignoreHTTPSErrors: true });

const WRENCHES = [
  'Label,Drive,Max,Min,Unit,Division,Calibration due,Wireless',
  'Q-1,1/4 in,25 Nm,5 Nm,N·m,0.5,2099-01-31,no',
  'Q-2,1/2 in,200 Nm,20 Nm,N·m,1,2099-01-31,no',
].join('\n');
const VEHICLES = 'Registration;Make;Model;Year;Customer\nQL 104;Tolvan;Carrick 3.0;2019;Ines Harrow';
const PEOPLE = 'Name\tInitials\tRole\nWren Calder\twc\tfitter';

test('from an empty folder to a signed job by two people over TLS, and on from its backup in another folder', async ({
  page,
  browser,
}) => {
  test.slow();
  const folder = mkdtempSync(join(tmpdir(), 'wm-own-'));
  const data = join(folder, 'shop');
  let shop = await startShop(data);
  try {
    await swiftHand(page);
    await page.goto(shop.url);
    await openShop(page, shop.code, 'Quarry Lane');
    const app = { ...shop, kill: shop.stop, start: async () => undefined, sql: () => '' };
    await signIn(page, app, 'Ada Quarrie', '482913');

    // The books of before come along, each looked over first.
    await page.goto(`${shop.url}/shop/moving-in`);
    const bring = async (book: RegExp, table: string, count: number) => {
      await page.getByRole('button', { name: book }).click();
      await page.getByLabel('Pasted lines').fill(table);
      await page.getByRole('button', { name: 'Read what was pasted' }).click();
      await page.getByRole('button', { name: `Bring in ${count}` }).click();
      await expect(page.getByRole('status').filter({ hasText: `${count} brought in` })).toBeVisible();
    };
    await bring(/^Torque wrenches/, WRENCHES, 2);
    await bring(/^Vehicles and owners/, VEHICLES, 1);
    await bring(/^People/, PEOPLE, 1);
    const pin = (await page.getByRole('status').locator('li b').textContent()) ?? '';
    expect(pin).toMatch(/^\d{4,}$/);

    // The first kit, from its sheet.
    await page.goto(`${shop.url}/kits/read`);
    await page.getByLabel('Text of the sheet').fill(readFileSync('sheets/whole/01-sump-guard.txt', 'utf8'));
    await page.getByRole('button', { name: 'Read it' }).press('Enter');
    await expect(page.getByRole('heading', { name: 'What it says' })).toBeVisible();
    const toCheck = Number((await page.getByText(/^\d+ to check$/).textContent())?.match(/\d+/)?.[0]);
    for (let at = 0; at < toCheck; at++) await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Make the draft' }).press('Enter');
    await page.getByLabel('Title of the kit').fill('Sump guard');
    await page.getByRole('textbox', { name: 'Maker' }).fill('Pennant Works');
    await page.getByRole('textbox', { name: 'Maker' }).press('Enter');
    await expect(page.getByRole('heading', { name: /Sump guard/ })).toBeVisible();
    await releaseAsPrinted(page);

    // The lead opens the job; the fitter, on a phone, counts the bags; the lead works the line and signs.
    await page.goto(`${shop.url}/receive`);
    await page.getByRole('button', { name: /QL 104/ }).click();
    await page.getByRole('button', { name: /Sump guard/ }).click();
    await page.getByRole('button', { name: 'Open the job' }).click();
    await page.waitForURL(/\/jobs\//);
    const job = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
    const other = await browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } });
    const phone = await other.newPage();
    await signIn(phone, app, 'Wren Calder', pin);
    await phone.goto(`${shop.url}/jobs/${job}/check-in`);
    await countAll(phone, job);
    await page.goto(`${shop.url}/jobs/${job}/line`);
    await workOnScreen(page, job, { shortRounds: true, onceEach: true });
    await page.getByRole('link', { name: 'To Close out' }).click();
    await countTray(page);
    await page.getByRole('button', { name: 'Sign and close' }).click();
    await provePin(page, '482913');
    await expect(page.getByText('the chain is whole')).toBeVisible();
    await phone.goto(`${shop.url}/jobs/${job}/record`);
    await expect(phone.getByText('the chain is whole')).toBeVisible();
    await expect(phone.getByText('Wren Calder').first()).toBeVisible();
    await other.close();

    // Saved whole by the lead, and backed up while it runs.
    await page.goto(`${shop.url}/shop/moving-in`);
    await page.getByLabel('Your own PIN').fill('482913');
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the whole shop' }).click();
    const archive = join(folder, 'archive.zip');
    await (await saving).saveAs(archive);
    const backup = join(folder, 'backup.sql');
    expect(await atConsole(data, 'scripts/backup.mjs', 'backup', backup)).toContain('while Wrenchman went on');
    await shop.stop();

    // Another folder, as after the first machine is gone: the backup, the key and the certificates.
    const elsewhere = join(folder, 'elsewhere');
    for (const part of ['seal', 'tls']) cpSync(join(data, part), join(elsewhere, part), { recursive: true });
    expect(await atConsole(elsewhere, 'scripts/backup.mjs', 'restore', backup)).toContain(
      'reads back what it recorded',
    );
    shop = await startShop(elsewhere);
    expect(shop.code).toBe('');
    // The lead is signed in still: sessions are part of the backup.
    await page.goto(`${shop.url}/jobs/${job}/record`);
    await expect(page.getByText('the chain is whole')).toBeVisible();
    await page.goto(`${shop.url}/receive`);
    await page.getByRole('button', { name: /QL 104/ }).click();
    await page.getByRole('button', { name: /Sump guard/ }).click();
    await page.getByRole('button', { name: 'Open the job' }).click();
    await page.waitForURL(/\/jobs\//);
    await expect(page.getByRole('heading', { name: 'Packing list' })).toBeVisible();
    await shop.stop();

    // And the archive, into an installation without a shop.
    const moved = join(folder, 'moved');
    const told = await atConsole(moved, 'scripts/backup.mjs', 'read-archive', archive);
    const given = /Ada Quarrie signs in with (\d+)/.exec(told)?.[1] ?? '';
    shop = await startShop(moved);
    await signIn(page, { ...app, url: shop.url }, 'Ada Quarrie', given);
    await page.goto(`${shop.url}/jobs/${job}/record`);
    await expect(page.getByText('the chain is whole')).toBeVisible();
  } finally {
    await shop.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
