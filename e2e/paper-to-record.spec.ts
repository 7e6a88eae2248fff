import { readFileSync } from 'node:fs';
import { expect, provePin, releaseKit, signIn, swiftHand, test } from './support/app.ts';
import { countAll, countTray, workOnScreen } from './support/line.ts';

/** Sheets that were written with their kits before the reader saw them, and what their records must say. */
const SHEETS = [
  {
    file: '01-sump-guard',
    title: 'Sump guard',
    record: ['Hangers to crossmember, 1 of 4', 'Guard screws, 6 of 6'],
    pulls: 10,
  },
  {
    file: '06-tow-eye',
    title: 'Tow eye',
    record: ['Disconnect: battery', 'Reconnect: battery'],
    pulls: 4,
  },
];

for (const { file, title, record, pulls } of SHEETS)
  test(`from paper to the signed record, read by keyboard: ${title}`, async ({ page, app }) => {
    test.slow();
    await swiftHand(page);
    await signIn(page, app, 'Rafe Orrin', '1357');
    const started = Date.now();
    await page.goto(`${app.url}/kits/read`);
    await page.getByLabel('Text of the sheet').fill(readFileSync(`sheets/whole/${file}.txt`, 'utf8'));
    await page.getByRole('button', { name: 'Read it' }).press('Enter');
    await expect(page.getByRole('heading', { name: 'What it says' })).toBeVisible();
    // What is to be checked stands first, and takes one key each.
    const open = page.getByText(/^\d+ to check$/);
    const toCheck = Number((await open.textContent())?.match(/\d+/)?.[0]);
    if (toCheck > 0) await expect(page.getByRole('heading', { name: 'To check first' })).toBeVisible();
    for (let at = 0; at < toCheck; at++) await page.keyboard.press('Enter');
    await expect(page.getByText('0 to check')).toBeVisible();
    await page.getByRole('button', { name: 'Make the draft' }).press('Enter');
    await page.getByLabel('Title of the kit').fill(title);
    await page.getByRole('textbox', { name: 'Maker' }).fill('Lowmoor Fabrication');
    await page.getByRole('textbox', { name: 'Maker' }).press('Enter');
    await expect(page.getByRole('heading', { name: new RegExp(title) })).toBeVisible();

    await page.getByRole('link', { name: /Findings/ }).press('Enter');
    await page.getByLabel('Note').fill('From the maker’s sheet');
    const reasons = page.getByLabel('Let it stand because');
    await expect(async () => {
      for (let at = 0; at < (await reasons.count()); at++) await reasons.nth(at).fill('As the maker’s sheet has it');
      await expect(page.getByRole('button', { name: 'Release it' })).toBeEnabled({ timeout: 2_000 });
    }).toPass();
    await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
    await releaseKit(page);
    await expect(page.getByText('From the maker’s sheet')).toBeVisible();
    expect(Date.now() - started).toBeLessThan(600_000);

    await page.goto(`${app.url}/receive?vehicle=v-carrick`);
    await page.getByRole('button', { name: new RegExp(title) }).click();
    await page.getByRole('button', { name: 'Open the job' }).click();
    await page.waitForURL(/\/jobs\//);
    const job = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
    await countAll(page, job);
    await page.goto(`${app.url}/jobs/${job}/line`);
    await workOnScreen(page, job, { shortRounds: true });
    await page.getByRole('link', { name: 'To Close out' }).click();
    await countTray(page);
    await page.getByRole('button', { name: 'Sign and close' }).click();
    await provePin(page, '1357');
    await expect(page.getByText('the chain is whole')).toBeVisible();
    for (const words of record) await expect(page.getByText(words).first()).toBeVisible();
    await expect(page.getByText(/^\d+\.\d N·m$|^\d+\.\d$/).nth(pulls - 1)).toBeVisible();
  });
