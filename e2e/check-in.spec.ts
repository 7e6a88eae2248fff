import type { Page } from '@playwright/test';
import { expect, openJob, signIn, test } from './support/app.ts';
import { countAll, workLine } from './support/line.ts';

/** Every piece known and counted: a long list by keyboard, look-alikes, what is in the hand, each kit its own bags. */

const counted = (page: Page) => page.getByText(/^\d+ of \d+ lines counted$/);
const LINES = 60;

/** A kit of sixty lines, made of the guard's by giving each line a bag of ten. */
async function longKit(page: Page): Promise<void> {
  const problem = await page.evaluate(async (lines) => {
    const kit = await (await fetch('/api/kits/transfer-case-guard')).json();
    const more = Array.from({ length: lines - kit.items.length }, (_, index) => ({
      id: `x${index}`,
      line: `X${index + 1}`,
      bag: `Bag ${Math.floor(index / 10) + 1}`,
      kind: 'clip',
      name: `Push clip ${index + 1}`,
      quantity: (index % 4) + 1,
      source: 'kit',
    }));
    const document = {
      ...kit,
      id: 'long-list',
      title: 'Long list',
      revision: 1,
      items: [...kit.items, ...more],
      steps: [
        ...kit.steps,
        ...more.map(({ id }, index) => ({
          id: `push-${index}`,
          text: `Push clip ${index + 1} in`,
          phase: 'prove',
          actions: [{ type: 'fit', item: id }],
        })),
      ],
    };
    const answer = await fetch('/api/kits?waive=made%20long', { method: 'POST', body: JSON.stringify(document) });
    return answer.ok ? '' : answer.text();
  }, LINES);
  expect(problem).toBe('');
}

test('sixty lines by keyboard: fewer than three presses a line', async ({ page, app }) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  await longKit(page);
  const job = await openJob(page, 'v-carrick', 'long-list');
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  await expect(counted(page)).toHaveText(`0 of ${LINES} lines counted`);
  let presses = 0;
  const press = async (key: string) => {
    presses += 1;
    await page.keyboard.press(key);
  };
  for (let line = 1; line <= LINES; line += 1) {
    // Every tenth is counted otherwise than the sheet says, and one has a damaged piece.
    if (line % 10 === 0) {
      await press('1');
      await press('Enter');
    } else await press('Space');
    await expect(counted(page)).toHaveText(`${line} of ${LINES} lines counted`);
  }
  expect(presses / LINES).toBeLessThan(3);
  await expect(page.getByText('Every line is counted.')).toBeVisible();
});

test('look-alikes, sides and marks stand on the line; a bolt in the hand is found by measuring', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-tussock', 'front-lift');
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  const arm = page.getByRole('listitem').filter({ hasText: 'P3 Upper arm' });
  await expect(arm).toContainText('left, stamped UA-L');
  await expect(arm).toContainText('grease nipple down');
  await expect(arm).toContainText('looks like P4');
  await arm.getByRole('button').first().click();
  await expect(page.getByRole('region', { name: 'Looks like' })).toContainText('stamped UA-L, not UA-R');
  // What sits on the car is not counted before it is off.
  await expect(page.getByRole('region', { name: /^Comes off the vehicle/ })).toContainText('When in hand');

  await page.keyboard.press('b');
  const sheet = page.getByRole('dialog', { name: 'Which bolt is this?' });
  await sheet.getByLabel(/^Diameter/).fill('500');
  await expect(sheet.getByRole('alert')).toContainText('0.2 to 100 mm');
  await sheet.getByLabel(/^Diameter/).fill('11.85');
  await expect(sheet.getByText(/What tells them apart/)).toBeVisible();
  await sheet.getByLabel(/^Length/).fill('40');
  const first = sheet.getByRole('listitem').first();
  await expect(first).toContainText(/M12/);
  const name = (await first.locator('b').first().textContent())?.trim() ?? '';
  await first.getByRole('button', { name: 'It is this' }).click();
  await expect(page.getByRole('heading', { level: 2, name: new RegExp(name.split(' ')[0] ?? '') })).toBeVisible();
  // Measured on the glass only where the glass is known.
  await page.keyboard.press('b');
  await sheet.getByRole('button', { name: 'Measure on the glass' }).click();
  await expect(sheet.getByText(/bank card/)).toBeVisible();
});

test('counted by weight: refused while it cannot be told from one more, then taken', async ({ page, app }) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  await expect(counted(page)).toHaveText('0 of 4 lines counted');
  await page.keyboard.press('g');
  const sheet = page.getByRole('dialog', { name: /^By weight: Bolt/ });
  await expect(sheet.getByRole('button', { name: 'Count it' })).toBeDisabled();
  await sheet.getByLabel('Empty bowl, g').fill('20');
  await sheet.getByLabel('Pieces counted into it').fill('2');
  await sheet.getByLabel('Bowl with those, g').fill('10');
  await sheet.getByLabel('Bowl with all, g').fill('104');
  await expect(sheet.getByRole('alert')).toContainText('More than the empty bowl');
  await sheet.getByLabel('Bowl with those, g').fill('48');
  await sheet.getByLabel('Bowl with all, g').fill('97');
  await expect(sheet.getByRole('alert')).toContainText('cannot be told from one more or one less');
  await sheet.getByLabel('Bowl with all, g').fill('104');
  await sheet.getByRole('button', { name: 'Count 6' }).click();
  await expect(counted(page)).toHaveText('1 of 4 lines counted');
});

test('a bolt short: what waits, how far the work gets, and whether it rolls; stock closes it', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  await expect(counted(page)).toHaveText('0 of 4 lines counted');
  await page.keyboard.type('5');
  await page.keyboard.press('Enter');
  for (let line = 2; line <= 4; line += 1) {
    await page.keyboard.press('Space');
    await expect(counted(page)).toHaveText(`${line} of 4 lines counted`);
  }
  await expect(page.getByText(/^Station 6 waits; the rest can be worked\.$/)).toBeVisible();
  const far = page.getByRole('region', { name: 'Without what is short' });
  await expect(far).toContainText(/step \d+ of \d+/);
  await expect(far).toContainText('is not rolled');
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'The same as CSV' }).click();
  expect((await file).suggestedFilename()).toMatch(/-box\.csv$/);
  await page.getByRole('button', { name: 'Use shop stock' }).click();
  await page.getByRole('button', { name: 'Same class and length from the rack' }).click();
  await page.getByRole('button', { name: 'Use them' }).click();
  await expect(far).toHaveCount(0);
});

test('three kits: each has its own bags', async ({ page, app }) => {
  await signIn(page, app);
  const job = await page.evaluate(async () => {
    const answer = await fetch('/api/jobs', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        vehicle: 'v-tussock',
        kits: ['front-lift', 'rear-air-springs', 'front-recovery-points'],
        answers: { 'front-recovery-points/shield': true },
        bay: 1,
        plannedStartMs: Date.now(),
      }),
    });
    return ((await answer.json()) as { id: string }).id;
  });
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  for (const kit of ['Front suspension lift', 'Rear air springs', 'Front recovery points'])
    await expect(page.getByRole('region', { name: new RegExp(`^${kit}: `) }).first()).toBeVisible();
});

test('one washer too many on the tray: the stations it may be missing from, the likeliest first', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await countAll(page, job);
  await workLine(page, job, () => true);
  await page.goto(`${app.url}/jobs/${job}/check-in`);
  await page
    .getByRole('button', { name: /Washer/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'Where they are' })).toContainText(/each in stations|in station/);
  await page.goto(`${app.url}/jobs/${job}/close-out`);
  const tray = page.getByLabel(/^2 Washer.*pieces on the tray$/).first();
  await tray.fill('3');
  await tray.press('Enter');
  const hunt = page.getByRole('region', { name: /^Where may Washer.* be missing\?$/ });
  await expect(hunt).toContainText('still to be looked at');
  const boxes = hunt.getByRole('checkbox');
  const many = await boxes.count();
  expect(many).toBeGreaterThan(1);
  for (let index = 0; index < many; index += 1) await boxes.nth(index).check();
  await expect(hunt).toContainText('All were looked at');
  // It was found: the tray holds what the sheet says.
  await tray.fill('2');
  await tray.press('Enter');
  await expect(hunt).toHaveCount(0);
  // What goes with the owner has a label.
  const label = page.getByRole('link', { name: /^Label for the owner’s bag/ });
  const answer = await page.request.get(new URL((await label.getAttribute('href')) ?? '', app.url).href);
  expect(answer.headers()['content-type']).toBe('application/pdf');
});
