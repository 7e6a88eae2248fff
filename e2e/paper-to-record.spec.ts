import { readFileSync } from 'node:fs';
import { expect, signIn, swiftHand, test } from './support/app.ts';
import { releaseAsPrinted, workToRecord } from './support/from-paper.ts';

/** A sheet that was written with its kit before the reader saw it, and what its record must say. */
const SHEETS = [
  {
    file: '10-tent-feet-worksheet',
    title: 'Tent feet',
    record: ['Clamp screws, 8 of 8', 'Base rails on feet, 4 of 4'],
    pulls: 20,
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

    await releaseAsPrinted(page);
    expect(Date.now() - started).toBeLessThan(600_000);

    await workToRecord(page, app, title, '1357');
    for (const words of record) await expect(page.getByText(words).first()).toBeVisible();
    await expect(page.getByText(/^\d+\.\d N·m$|^\d+\.\d$/).nth(pulls - 1)).toBeVisible();
  });
