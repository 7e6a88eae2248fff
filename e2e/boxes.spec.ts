import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { type App, expect, openJob, provePin, signIn, swiftHand, test } from './support/app.ts';
import { chargePipe, helperLeaves } from './support/box-kits.ts';
import { countTray, workOnScreen } from './support/line.ts';

/** Two boxes nobody made the product for, from the file to the signed record: every piece by the screen. */

async function importKit(page: Page, app: App, kit: KitDocument): Promise<void> {
  await page.goto(`${app.url}/kits`);
  const answer = await page.evaluate(async (text) => {
    const sent = await fetch('/api/kits?waive=as%20the%20sheet%20has%20it', { method: 'POST', body: text });
    return sent.ok ? '' : sent.text();
  }, JSON.stringify(kit));
  expect(answer).toBe('');
}

const counted = (page: Page, done: number) =>
  expect(page.getByText(new RegExp(`^${done} of \\d+ lines counted`))).toBeVisible();

/** A code as a scanner types it. */
const scan = async (page: Page, code: string) => {
  await page.evaluate((text) => {
    for (const key of [...text, 'Enter'])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  }, code);
};

async function sign(page: Page, app: App, job: string): Promise<void> {
  await page.goto(`${app.url}/jobs/${job}/close-out`);
  await expect(page.getByRole('heading', { name: 'The tray' })).toBeVisible();
  await countTray(page);
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await provePin(page, '1357');
  await expect(page.getByText('the chain is whole')).toBeVisible();
}

test('helper leaves: stamps, numbers, a bent U-bolt, a key, to the signed record', async ({ page, app }) => {
  test.slow();
  await swiftHand(page);
  await signIn(page, app, 'Rafe Orrin', '1357');
  await importKit(page, app, helperLeaves());
  const job = await openJob(page, 'v-carrick', 'helper-leaves');
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  await counted(page, 0);

  // The leaves, then a saddle: taken for the other one first.
  await page.keyboard.press('Space');
  await counted(page, 1);
  await page.keyboard.press('Space');
  const stamp = page.getByRole('dialog', { name: /What is stamped on it/ });
  await stamp.getByRole('button', { name: /^GR/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'GR is stamped on it' })).toBeVisible();
  await page.getByRole('button', { name: 'Seen' }).click();
  await page.keyboard.press('Space');
  await expect(stamp).toBeVisible();
  await page.keyboard.press('1');
  await counted(page, 2);
  await page.keyboard.press('Space');
  await expect(stamp).toBeVisible();
  await page.keyboard.press('2');
  await counted(page, 3);

  // A U-bolt is bent: taken aside, the maker is told, another comes with the van.
  await page.keyboard.press('Space');
  await counted(page, 4);
  await page.getByRole('button', { name: /^D U-bolt/ }).click();
  await page.getByRole('button', { name: 'Take one aside' }).click();
  await page.getByRole('button', { name: 'Bent' }).click();
  await page.getByRole('button', { name: 'Take it aside' }).click();
  await expect(page.getByRole('heading', { name: '1 short: D U-bolt' })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  for (let line = 5; line <= 10; line += 1) {
    await page.keyboard.press('Space');
    await counted(page, line);
  }
  await expect(page.getByText(/^Work goes on for about|^It stops at/)).toBeVisible();
  const pdf = page.waitForEvent('download');
  await page.getByRole('link', { name: '1 line for the maker, as PDF' }).click();
  expect(
    readFileSync(await (await pdf).path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  await page.getByRole('button', { name: 'Order 1' }).click();
  await expect(page.getByText(/promises 1 for/)).toBeVisible();
  await expect(page.getByText(/Done at about|after the owner was promised/)).toBeVisible();
  await page.getByRole('button', { name: 'Order 1' }).last().click();
  await expect(page.getByText(/1 ordered, H-/)).toBeVisible();
  await page.getByRole('button', { name: 'They are here' }).click();
  await expect(page.getByRole('heading', { name: /1 short/ })).toBeHidden();

  // Numbers off the bump stops; the key has a keeper.
  await page.getByRole('button', { name: /^G Bump stop/ }).click();
  for (const [piece, serial] of [
    ['Piece 1', 'BS 0417'],
    ['Piece 2', 'BS 0418'],
  ] as const) {
    await page.getByLabel(piece).fill(serial);
    await page.getByLabel(piece).press('Enter');
  }
  await page.getByRole('button', { name: 'Hand on Padlock key' }).click();
  await page.getByLabel('Who has it').fill('Tamsin Quell');
  await page.getByRole('button', { name: 'Hand it over' }).click();
  await expect(page.getByText('Tamsin Quell', { exact: true })).toBeVisible();

  // The line; what is at hand when it is closed.
  await page.goto(`${app.url}/jobs/${job}/line`);
  await workOnScreen(page, job, { shortRounds: true });
  await page.goto(`${app.url}/jobs/${job}/close-out`);
  await expect(page.getByText(/Padlock key, Tamsin Quell has it/)).toBeVisible();
  await page.getByRole('link', { name: 'To the keys' }).click();
  await page.getByRole('button', { name: 'Hand on Padlock key' }).click();
  await page.getByRole('button', { name: 'The owner' }).click();
  await page.getByLabel('Handed to').fill('Ines Harrow');
  await page.getByRole('button', { name: 'Hand it over' }).click();
  await sign(page, app, job);
  for (const words of [
    /G Bump stop, piece 1: number BS 0417/,
    /Padlock key: handed to Ines Harrow, the owner/,
    /1 of D U-bolt.* taken aside\. Bent/,
    /1 of D U-bolt.* ordered from/,
  ])
    await expect(page.getByText(words).first()).toBeVisible();

  // A recall asks for a number: the vehicle that carries it is found by it.
  await page.goto(`${app.url}/vehicles`);
  await page.getByRole('searchbox').fill('BS 0418');
  await expect(page.getByText('14-115').first()).toBeVisible();
  await expect(page.getByText('14-208')).toHaveCount(0);
});

test('charge pipe: by scanner, from a drawer, laid out in the tray, to the signed record', async ({ page, app }) => {
  test.slow();
  await swiftHand(page);
  await signIn(page, app, 'Rafe Orrin', '1357');
  await importKit(page, app, chargePipe());
  const job = await openJob(page, 'v-carrick', 'charge-pipe');
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  await counted(page, 0);
  await scan(page, '5901234123457');
  await expect(page.getByText('7 Button head M6 × 16: 1 more, 1 in all.')).toBeVisible();
  await scan(page, 'CW-1180-9');
  await expect(page.getByText('Nothing on the list carries CW-1180-9.')).toBeVisible();
  await counted(page, 1);
  // The scanned line is in hand; on to the first that is open.
  await page.getByRole('button', { name: /^1 V-band clamp/ }).click();
  for (let line = 2; line <= 15; line += 1) {
    await page.keyboard.press('Space');
    await counted(page, line);
  }
  // Two screws short: a drawer is put up with longer ones, which a lead takes.
  await expect(page.getByRole('heading', { name: '2 short: 7 Button head' })).toBeVisible();
  const drawers = await page.evaluate(async () => {
    const drawer = {
      kind: 'bolt',
      name: 'Button head M6 × 20',
      thread: 'M6 x 1',
      lengthMm: 20,
      head: 'button',
      propertyClass: '10.9',
      bin: 'D4',
      counted: 12,
    };
    return (
      await fetch('/api/shelf', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ drawers: [drawer] }),
      })
    ).status;
  });
  expect(drawers).toBe(201);
  await page.reload();
  await expect(
    page.getByText(
      /length 20 mm in place of 16 mm, may bottom before it clamps; class 10.9 in place of class 8.8, stronger/,
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take 2, as the lead' }).click();
  await page.getByRole('button', { name: 'Longer, hole is open behind' }).click();
  await page.getByRole('button', { name: 'Take it', exact: true }).click();
  await expect(page.getByRole('heading', { name: /2 short/ })).toBeHidden();
  await page.goto(`${app.url}/crib/fasteners`);
  await page.getByLabel('Find a fastener').fill('D4');
  await expect(page.getByText('2 taken since counted')).toBeVisible();

  // The tray: moved by hand, printed, labelled.
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  await counted(page, 15);
  await page.keyboard.press('m');
  const map = page.getByRole('dialog', { name: 'Where it lies' });
  await map.getByRole('button', { name: /^A1: / }).click();
  const label = page.waitForEvent('download');
  await map.getByRole('button', { name: /^Label of .*, PNG/ }).click();
  const png = readFileSync(await (await label).path());
  // 57 × 32 mm at 8 dots to the millimetre (PNG, IHDR).
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([456, 256]);
  await map.getByRole('button', { name: 'D6: empty' }).click();
  await expect(map.getByRole('button', { name: 'A1: empty' })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.goto(`${app.url}/jobs/${job}/line`);
  await workOnScreen(page, job, { shortRounds: true });
  await sign(page, app, job);
  await expect(
    page.getByText(/2 of 7 Button head.* from the shelf, drawer D4, not as on the sheet/).first(),
  ).toBeVisible();
});

test('a part is drawn on squared paper, then taken from an SVG, and goes out with the kit', async ({ page, app }) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.evaluate(() => fetch('/api/kit-library/transfer-case-guard/revise', { method: 'POST' }));
  await page.goto(`${app.url}/kits/drafts/transfer-case-guard/packing`);
  await page.getByRole('button', { name: /all of 4 Guard/ }).click();
  const dialog = page.getByRole('dialog', { name: '4 Guard' });
  const paper = dialog.getByLabel('Squared paper, 10 mm to the square');
  await paper.scrollIntoViewIfNeeded();
  for (const [x, y] of [
    [60, 60],
    [260, 60],
    [260, 160],
    [60, 200],
  ] as const)
    await paper.click({ position: { x, y } });
  await expect(dialog.getByRole('button', { name: /^Corner 4,/ })).toBeVisible();
  await dialog.getByRole('button', { name: 'Put holes' }).click();
  await paper.click({ position: { x: 140, y: 110 } });
  await expect(dialog.getByRole('button', { name: /^Hole 1,/ })).toBeVisible();
  // By keyboard: a corner moved, and taken away.
  const corner = dialog.getByRole('button', { name: /^Corner 4,/ });
  const before = await corner.getAttribute('aria-label');
  await corner.focus();
  await page.keyboard.press('ArrowRight');
  await expect(corner).not.toHaveAttribute('aria-label', before ?? '');
  await page.keyboard.press('Delete');
  await expect(dialog.getByRole('button', { name: /^Corner 4,/ })).toHaveCount(0);

  // A drawing of 100 × 60 mm at half scale of its units, with a script that must not come along.
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="60mm" viewBox="0 0 200 120" onload="document.title='caught'">
    <script>document.title = 'caught'</script>
    <g transform="translate(10 10)"><rect x="0" y="0" width="180" height="100"/><circle cx="40" cy="50" r="11"/></g></svg>`;
  await dialog.getByLabel('Drawing of the outline').setInputFiles({
    name: 'guard.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(svg),
  });
  await expect(dialog.getByText(/corners and 1 hole taken from guard.svg/)).toBeVisible();
  await expect(dialog.getByLabel('Holes: across,down,wide; …')).toHaveValue('25,30,11');
  expect(await page.title()).not.toBe('caught');
  await dialog.getByLabel('Drawing of the outline').setInputFiles({
    name: 'no.dxf',
    mimeType: 'application/dxf',
    buffer: Buffer.from('nothing of the sort'),
  });
  await expect(dialog.getByRole('alert').filter({ hasText: 'no.dxf' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  const draft = () => page.evaluate(async () => (await fetch('/api/kit-library/drafts/transfer-case-guard')).text());
  await expect.poll(draft).toContain('"holes":[{"xMm":25,"yMm":30,"acrossMm":11}]');
});
