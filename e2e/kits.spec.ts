import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import PDFDocument from 'pdfkit';
import { stationState } from '#core/job/job-state.ts';
import { expect, give, releaseKit, signIn, test } from './support/app.ts';
import { workLine } from './support/line.ts';

const SHEET = `Rear brace, short
Supplied:
4 x M10 x 1.5 x 30 bolts, class 8.8
4 x M10 washers

1. Remove the two 13 mm bolts of the splash guard.
2. Start all four bolts by hand.
3. Tighten the four M10 bolts to 45 Nm (33 ft-lb) in a cross pattern with a 16 mm socket.
4. Refit the splash guard.
5. Polish the badge.
6. Check the tightness after 500 miles.
`;

async function readIn(page: Page, text: string): Promise<void> {
  await page.getByLabel('Text of the sheet').fill(text);
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByRole('heading', { name: 'What it says' })).toBeVisible();
}

test('a kit is made from a sheet, corrected, linted, released and fitted', async ({ page, app }) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.getByRole('link', { name: 'Kits', exact: true }).click();
  await page.getByRole('link', { name: 'Read a maker’s sheet' }).click();
  await readIn(page, `${SHEET}7. The two 16 mm bolts go in last.\n`);
  // What was not understood stays visible.
  await expect(page.getByText('Still unread').locator('..')).toContainText('Polish the badge.');
  // The list and the sheet show each other.
  const sheet = page.getByRole('region', { name: 'Maker’s sheet' });
  await sheet.getByRole('button', { name: '45 Nm (33 ft-lb)', exact: true }).click();
  const facts = page.getByRole('region', { name: 'What it says' });
  await expect(facts.locator('[aria-current="true"]')).toContainText('45 N·m');
  // To the doubt by key: a socket that is called a bolt. Not so, by key, and taken back by key.
  await page.keyboard.press('n');
  await expect(facts.locator('[aria-current="true"]')).toContainText('turned with a');
  const doubts = facts.getByText(/\d to check/);
  const before = await doubts.textContent();
  await page.keyboard.press('x');
  await expect(doubts).not.toHaveText(before ?? '');
  await page.keyboard.press('u');
  await expect(doubts).toHaveText(before ?? '');
  // Corrected: the bolts without a thread are M8.
  await page.keyboard.press('n');
  await page.keyboard.press('e');
  await page.getByLabel('Type it as it should be printed').fill('nothing of use');
  await expect(page.getByText('Nothing can be read from this.')).toBeVisible();
  await page.getByLabel('Type it as it should be printed').fill('M8 x 20');
  await page.getByRole('dialog').getByRole('button', { name: 'Take this' }).click();
  await expect(doubts).not.toHaveText(before ?? '');

  await page.getByRole('button', { name: 'Make the draft' }).click();
  await expect(page.getByRole('dialog')).toContainText('4 stations in 1 group');
  await expect(page.getByRole('dialog')).toContainText('where the stations lie is not in the text');
  await page.getByRole('dialog').getByRole('button', { name: 'Make the draft' }).click();
  await expect(page.getByRole('alert')).toContainText('a title and a maker');
  await page.getByLabel('Title of the kit').fill('Rear brace, short');
  await page.getByRole('textbox', { name: 'Maker' }).fill('Pennant Works');
  await page.getByRole('dialog').getByRole('button', { name: 'Make the draft' }).click();
  await expect(page.getByRole('heading', { name: /Rear brace, short/ })).toBeVisible();

  // A value typed twelve times off is found as it is written, and blocks the release.
  await page.getByRole('link', { name: 'Stacks' }).click();
  const torque = page.getByLabel('As the sheet prints it');
  await torque.fill('45');
  await torque.press('Enter');
  await expect(page.getByRole('alert')).toContainText('No torque with a unit in it');
  await torque.fill('45 in-lb');
  await torque.press('Enter');
  await page.getByRole('link', { name: /Findings/ }).click();
  await expect(page.getByText('Far from its like neighbours')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Far from its like neighbours')).toBeHidden();

  // An order is taken away: a warning that a lead may let stand, by reason.
  await page.getByRole('link', { name: 'Groups' }).click();
  await page.getByRole('button', { name: 'Back to the most even' }).click();
  await page.getByRole('link', { name: /Findings/ }).click();
  await expect(page.getByText('No torque order')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Release it' })).toBeDisabled();
  await page.getByLabel('Let it stand because').fill('The maker leaves it open');
  await page.getByLabel('Note').fill('First release, from the maker’s sheet');
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await releaseKit(page);
  await expect(page.getByText('First release, from the maker’s sheet')).toBeVisible();
  await expect(page.getByText('Let stand by Rafe Orrin: The maker leaves it open')).toBeVisible();

  // Its file reads back.
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export this revision' }).click();
  const file = readFileSync(await (await download).path(), 'utf8');
  const kit = JSON.parse(file) as {
    items: Array<{ id: string; quantity: number }>;
  };
  expect(kit).toMatchObject({ format: 'wrenchman-kit', version: 7, id: 'rear-brace-short', revision: 1 });

  // And it is worked from on the floor.
  const opened = await page.request.post(`${app.url}/api/jobs`, {
    data: { vehicle: 'v-carrick', kits: ['rear-brace-short'], answers: {}, bay: 4, plannedStartMs: Date.now() },
  });
  expect(opened.status()).toBe(201);
  const { id } = (await opened.json()) as { id: string };
  await page.goto(`${app.url}/jobs/${id}/check-in`);
  await expect(page.getByText('Bolt M10 × 1.5 × 30').first()).toBeVisible();
  await give(
    page,
    id,
    ...kit.items.map((item) => ({ type: 'countLine', item: item.id, found: item.quantity, damaged: 0 })),
  );
  await workLine(page, id, ({ log }) =>
    log.plan.stations.some((station) => stationState(log.state, station.id).stage !== 'snug'),
  );
  await page.goto(`${app.url}/jobs/${id}/line`);
  await expect(page.getByRole('heading', { name: /^Station/ })).toBeVisible();
  await expect(page.getByText('45 Nm (33 ft-lb)').first()).toBeVisible();
});

test('the packing list is a grid for the keyboard; what it cannot take is said and not taken', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await page.goto(`${app.url}/kits/drafts/rear-anti-roll-bar/packing`);
  const name = page.getByLabel('Name, 1', { exact: true });
  await expect(name).toBeVisible();
  const rows = page.getByRole('row');
  const before = await rows.count();
  // Enter goes down, and on the last line adds one.
  await page
    .getByLabel(/^Qty, /)
    .last()
    .focus();
  await page.keyboard.press('Enter');
  await expect(rows).toHaveCount(before + 1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(rows).toHaveCount(before);
  // A word where a number belongs.
  const quantity = page.getByLabel(/^Qty, /).first();
  const was = await quantity.inputValue();
  await quantity.fill('many');
  await quantity.press('Tab');
  await expect(page.getByRole('alert')).toContainText('must be a number above 0');
  await quantity.focus();
  await quantity.press('Escape');
  await expect(quantity).toHaveValue(was);
  // Rows from a spreadsheet; one with a formula takes nothing.
  const paste = (text: string) =>
    name.evaluate((element, data) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', data);
      element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
    }, text);
  await paste('Hex bolt\t=1+1');
  await expect(page.getByRole('alert')).toContainText('formulas are not taken');
  await paste('Hex bolt, long\t4\nWasher, wide\t8');
  await expect(name).toHaveValue('Hex bolt, long');
  // A line that stands in a stack is not taken away under it.
  await page
    .getByRole('button', { name: /^Take .* away$/ })
    .first()
    .click();
  await expect(page.getByRole('alert')).toContainText('Take it out there first');
  // A hostile file.
  await page
    .getByLabel('Packing list file')
    .setInputFiles({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from('name,quantity\n"@SUM(A1)",4\n') });
  await expect(page.getByRole('alert')).toContainText('Row 2, name: starts with “@”');
});

test('the bolt map: laid out, nudged, mirrored, from a drawing and out again', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.url}/kits/drafts/rear-anti-roll-bar/map`);
  await page.getByRole('button', { name: 'Add a group' }).click();
  const map = page.getByRole('group', { name: /^Bolt map of/ });
  const stations = map.getByRole('button');
  await page.getByRole('button', { name: 'Put 4 new' }).click();
  await expect(stations).toHaveCount(4);
  await expect(stations.first()).toHaveAccessibleName(/300 by 150 mm/);
  await stations.first().click();
  await map.press('ArrowRight');
  await expect(stations.first()).toHaveAccessibleName(/301 by 150 mm/);
  const across = page.getByLabel('Across, mm or in');
  await across.fill('4 in');
  await across.press('Enter');
  await expect(stations.first()).toHaveAccessibleName(/101.6 by 150 mm/);
  await page.getByRole('button', { name: /^Station \d+ on the other side too/ }).click();
  await expect(stations).toHaveCount(5);
  await expect(stations.last()).toHaveAccessibleName(/498.4 by 150 mm/);
  // By hand: let go beside another bolt's line it lies on it.
  const from = await stations.nth(1).boundingBox();
  const level = await stations.nth(0).boundingBox();
  if (!from || !level) throw new Error('no station');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width / 2 + 60, level.y + level.height / 2 + 5, { steps: 6 });
  await page.mouse.up();
  await expect(stations.nth(1)).toHaveAccessibleName(/, \d+ by 150 mm/);
  // An outline by its handle.
  await page.getByRole('button', { name: 'Outlines' }).click();
  await page.getByRole('button', { name: 'Add a rectangle' }).click();
  const handle = await map.locator('[data-handle="2"]').boundingBox();
  if (!handle) throw new Error('no handle');
  const wide = page.getByLabel('Wide', { exact: true });
  const before = Number(await wide.inputValue());
  await page.mouse.move(handle.x + 9, handle.y + 9);
  await page.mouse.down();
  await page.mouse.move(handle.x - 91, handle.y - 40, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => Number(await wide.inputValue())).toBeLessThan(before);
  await page.getByRole('button', { name: 'Take it away' }).click();
  await page.getByRole('button', { name: 'Sheet and drawings' }).click();
  await page
    .getByLabel('Holes from a DXF')
    .setInputFiles({ name: 'x.dxf', mimeType: 'application/dxf', buffer: Buffer.from('MZ no drawing') });
  await expect(page.getByRole('status').filter({ hasText: 'cannot be read as a DXF drawing' })).toBeVisible();
  const out = page.waitForEvent('download');
  await page.getByRole('button', { name: 'DXF out' }).click();
  const drawing = readFileSync(await (await out).path(), 'utf8');
  await page
    .getByLabel('Holes from a DXF')
    .setInputFiles({ name: 'map.dxf', mimeType: 'application/dxf', buffer: Buffer.from(drawing) });
  await expect(page.getByRole('status').filter({ hasText: '5 holes taken from map.dxf' })).toBeVisible();
  await expect(stations).toHaveCount(5);
  // The printed order is clicked on the map, and the load it puts on the joint is told.
  await page.getByRole('link', { name: 'Groups' }).click();
  await page
    .getByRole('button', { name: /Joint group/ })
    .last()
    .click();
  await page.getByRole('button', { name: 'Click the printed order' }).click();
  const order = page.getByRole('group', { name: /^Order of/ }).getByRole('button');
  for (const index of [4, 0, 3, 1, 2]) await order.nth(index).click();
  await expect(page.getByText('Printed, as clicked')).toBeVisible();
});

test('two people write one draft: the second is shown both, and nothing is lost', async ({ page, app, browser }) => {
  await signIn(page, app);
  const other = await (await browser.newContext()).newPage();
  await signIn(other, app, 'Rafe Orrin', '1357');
  for (const each of [page, other]) {
    await each.goto(`${app.url}/kits/drafts/rear-anti-roll-bar/questions`);
    await expect(each.getByRole('heading', { name: 'The kit' })).toBeVisible();
  }
  const minutes = (each: Page) => each.getByLabel('Stated time, minutes');
  await minutes(page).fill('150');
  await minutes(page).press('Enter');
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  await minutes(other).fill('160');
  await minutes(other).press('Enter');
  const dialog = other.getByRole('dialog', { name: 'Someone else saved this draft' });
  await expect(dialog).toContainText('Mira Vane');
  await expect(dialog).toContainText('150 → 160');
  await dialog.getByRole('button', { name: 'Save mine over theirs' }).click();
  await expect(other.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  await page.reload();
  await expect(minutes(page)).toHaveValue('160');
  await other.close();
});

test('work is not lost while the server is away', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.url}/kits/drafts/rear-anti-roll-bar/questions`);
  const difficulty = page.getByLabel('Difficulty, as the sheet says');
  await expect(difficulty).toBeVisible();
  await app.kill();
  await difficulty.fill('moderate');
  await difficulty.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Kept on this device' })).toBeVisible();
  await app.start();
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible({ timeout: 20_000 });
  await page.reload();
  await expect(difficulty).toHaveValue('moderate');
});

test('a file that is no sheet is refused in one sentence, and what was pasted stays', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.url}/kits/read`);
  await page.getByLabel('Text of the sheet').fill('Torque to 40 Nm.');
  const give = (name: string, mimeType: string, buffer: Buffer) =>
    page.getByLabel('Sheet file').setInputFiles({ name, mimeType, buffer });
  await give('photo.txt', 'text/plain', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3, 4, 5, 0, 0, 0, 0, 7, 8]));
  await expect(page.getByRole('alert')).toContainText('photo.txt is not text');
  await give('long.txt', 'text/plain', Buffer.alloc(10 * 1024 * 1024, 'Torque to 40 Nm. '));
  await expect(page.getByRole('alert')).toContainText('characters; at most 600,000 are read');
  await give('broken.pdf', 'application/pdf', Buffer.from('%PDF-1.7 and nothing more'));
  await expect(page.getByRole('alert')).toContainText('cannot be opened as a PDF', { timeout: 20_000 });
  await expect(page.getByLabel('Text of the sheet')).toHaveValue('Torque to 40 Nm.');
});

test('a PDF is read, and the words of the shop with it', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.url}/kits/read`);
  await page.getByRole('button', { name: /Words of this shop/ }).click();
  await page.getByLabel('As sheets have it').fill('green drop');
  await page.getByLabel('Stands for').selectOption({ label: 'Retaining compound' });
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('dialog').getByText('green drop')).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).click();
  const doc = new PDFDocument();
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  doc.text('1. Put green drop on the bush.').text('2. Torque the M10 bolts to 46 ft-lb.').end();
  await new Promise((settle) => doc.on('end', settle));
  await page
    .getByLabel('Sheet file')
    .setInputFiles({ name: 'sheet.pdf', mimeType: 'application/pdf', buffer: Buffer.concat(chunks) });
  const facts = page.getByRole('region', { name: 'What it says' });
  await expect(facts).toContainText('46 lbf·ft', { timeout: 30_000 });
  await expect(facts).toContainText('Retaining compound');
});

test('a stack is put in order by keyboard and the steps with their actions follow what comes off', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await page.goto(`${app.url}/kits/drafts/rear-anti-roll-bar/stations`);
  const stack = page.getByRole('list', { name: 'Stack' });
  const names = () => stack.getByRole('listitem').allTextContents();
  await expect(stack).toBeVisible();
  const before = await names();
  const handle = page.getByRole('button', { name: 'Move Stack, 1' });
  await handle.focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(300);
  await page.keyboard.press('ArrowDown');
  await page.waitForTimeout(300);
  await page.keyboard.press('Space');
  await expect.poll(async () => (await names())[1]).toBe(before[0]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await names())[0]).toBe(before[0]);

  await page.getByRole('link', { name: 'Steps' }).click();
  await page.getByRole('button', { name: 'Add to Comes off the vehicle' }).click();
  await page.getByRole('button', { name: 'Add a step' }).click();
  await page.getByLabel('Add an action').selectOption({ label: 'Remove' });
  // Nothing is chosen for the writer: the first of a list may be the wrong one.
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('alert')).toContainText('choose or type each');
  await page.getByRole('combobox', { name: 'Remove' }).selectOption({ label: 'New thing' });
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(
    page.getByText('Strip · Remove: New thing').or(page.getByText('Remove: New thing').first()),
  ).toBeVisible();
  // A sheet that puts nothing back leaves the reverse to the plan; one that puts back some of it forgot the rest.
  await page.getByRole('button', { name: 'Add to Opened and closed again' }).click();
  await page.getByLabel('Add an action').selectOption({ label: 'Disconnect' });
  await page.getByRole('combobox', { name: 'Disconnect' }).selectOption({ label: 'New connection' });
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByRole('link', { name: /Findings/ }).click();
  await expect(page.getByText('Does not go back')).toHaveCount(0);
  await page.getByRole('link', { name: 'Steps' }).click();
  await page.getByRole('button', { name: /New step/ }).click();
  await page.getByLabel('Add an action').selectOption({ label: 'Reconnect' });
  await page.getByRole('combobox', { name: 'Reconnect' }).selectOption({ label: 'New connection' });
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByRole('link', { name: /Findings/ }).click();
  await expect(page.getByText('Does not go back')).toBeVisible();

  // A rule decides about a step, and the table of combinations says what it changes.
  await page.getByRole('link', { name: 'Steps' }).click();
  await page.getByRole('button', { name: /New step/ }).click();
  await page.getByRole('button', { name: /^When Step/ }).click();
  await page.getByLabel('Kind of rule').selectOption({ label: 'One answer' });
  await page.getByLabel('Question').selectOption({ label: 'Which bush material is in the box?' });
  await page.getByRole('button', { name: 'Keep this rule' }).click();
  await page.getByRole('link', { name: 'Questions' }).click();
  await expect(page.getByText(/without step 1/).first()).toBeVisible();
});
