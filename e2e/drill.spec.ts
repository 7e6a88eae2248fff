import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { soundDrill } from '#core/drill/drill.ts';
import { variants } from '#core/kit/answer-space.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { expect, provePin, signIn, test } from './support/app.ts';

/** Practice: faults met on the floor's own screens, named or passed by, and told afterwards. */

const drill = (page: Page) => page.getByRole('complementary', { name: 'Drill' });
const begin = (page: Page, title: RegExp) => page.getByRole('button', { name: title }).click();

test('a fault that is named is found, one that is passed by is not, and nothing of it stands in the shop', async ({
  page,
  app,
}) => {
  test.slow();
  await signIn(page, app, 'Hob Larkmoor', '1122');
  const rows = () =>
    app.sql('SELECT (SELECT COUNT(*) FROM job), (SELECT COUNT(*) FROM job_event), (SELECT COUNT(*) FROM loan)');
  const before = rows();
  await page.getByRole('link', { name: 'Drill', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'What you spot' })).toBeVisible();
  await begin(page, /^Begin: First bag/);
  await expect(page.getByRole('heading', { name: 'Packing list' })).toBeVisible();
  // The bag lies there at true size; one bolt of it is torn.
  await expect(drill(page).getByRole('img', { name: 'flanks dragged' })).toBeVisible();
  await drill(page).getByRole('button', { name: 'Something is wrong here' }).click();
  const sheet = page.getByRole('dialog', { name: 'What is wrong?' });
  await sheet.getByRole('button', { name: 'Wrong length' }).click();
  await expect(drill(page)).toContainText('Nothing of this kind is wrong there.');
  await drill(page).getByRole('button', { name: 'Something is wrong here' }).click();
  await sheet.getByLabel('Where?').selectOption({ index: 0 });
  await sheet.getByRole('button', { name: 'Torn thread' }).click();
  await expect(drill(page)).toContainText('Right. Torn thread.');
  await expect(drill(page).getByRole('img', { name: 'flanks dragged' })).toHaveCount(0);
  // The rest is counted as if nothing were missing, and the line begins.
  const toLine = page.getByRole('link', { name: 'On to the line' });
  await expect(async () => {
    if (!(await toLine.isVisible())) await page.keyboard.press('Space');
    await expect(toLine).toBeVisible({ timeout: 400 });
  }).toPass();
  await toLine.click();
  await expect(drill(page).getByRole('region', { name: 'What you see at the joint' })).toBeVisible();
  await drill(page).getByRole('button', { name: 'End the drill' }).click();
  await expect(page.getByText('Kept for you.')).toBeVisible();
  await expect(page.getByText('1 of 2')).toBeVisible();
  await expect(page.getByText('not found', { exact: true })).toBeVisible();
  await expect(page.getByText('Next time:')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Said to be wrong, and was not' })).toBeVisible();
  expect(rows()).toBe(before);
  await page.goto(app.url);
  await expect(page.getByText('Carrick · drill')).toHaveCount(0);
});

test('a slip of the sheet is put right once it is named, and the pull is felt', async ({ page, app }) => {
  test.slow();
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(`${app.url}/drill/make`);
  await page.getByLabel('Kit').selectOption({ label: 'Transfer-case guard' });
  await page.getByRole('radio', { name: /^Plain/ }).check();
  await page.getByLabel('Fault').selectOption({ label: 'Lost decimal point' });
  await page.getByRole('button', { name: 'Put it there' }).click();
  await page.getByRole('button', { name: 'Play it through' }).click();
  const toLine = page.getByRole('link', { name: 'On to the line' });
  await expect(async () => {
    if (!(await toLine.isVisible())) await page.keyboard.press('Space');
    await expect(toLine).toBeVisible({ timeout: 400 });
  }).toPass();
  await toLine.click();
  const felt = drill(page).getByRole('region', { name: 'What the hand feels' });
  await expect(async () => {
    if (!(await felt.isVisible())) await page.keyboard.press('Space');
    await expect(felt).toBeVisible({ timeout: 400 });
  }).toPass({ timeout: 90_000 });
  // Plain: a curve and no words, the sheet’s figure and none of the line’s; it asks for ten times what it means.
  await expect(page.getByText('What the sheet says', { exact: true })).toBeVisible();
  await expect(page.getByLabel(/^Target /)).toHaveCount(0);
  await expect(felt).not.toContainText('It runs free');
  const asked = async () => Number(await felt.locator('svg text').first().textContent());
  const slipped = await asked();
  await drill(page).getByRole('button', { name: 'Something is wrong here' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Lost decimal point' }).click();
  await expect(drill(page)).toContainText('Right. Lost decimal point.');
  await expect.poll(asked).toBeCloseTo(slipped / 10, -1);
  await drill(page).getByRole('button', { name: 'End the drill' }).click();
  await expect(page.getByText('1 of 1')).toBeVisible();
  await expect(page.getByText(/1000 % of its load/)).toBeVisible();
});

test('a blank drill is laid out before it begins', async ({ page, app }) => {
  await signIn(page, app, 'Hob Larkmoor', '1122');
  await page.goto(`${app.url}/drill`);
  await begin(page, /^Begin: The whole side/);
  await expect(page.getByText(/group 1 of \d+/)).toBeVisible();
  const next = page.getByRole('button', { name: /Next group|Begin/ });
  await expect(next).toBeDisabled();
  for (;;) {
    const stations = page.locator('main svg [role="button"]');
    for (let at = 0; at < (await stations.count()); at++) await stations.nth(at).press('Enter');
    await page.getByRole('radio', { name: /P-3/ }).check();
    const figure = page.getByLabel('To what? (N·m)');
    if (await figure.isVisible()) await figure.fill('60');
    const last = await page.getByRole('button', { name: 'Begin', exact: true }).isVisible();
    await next.click();
    if (last) break;
  }
  await expect(page.getByRole('heading', { name: 'Packing list' })).toBeVisible();
  await drill(page).getByRole('button', { name: 'End the drill' }).click();
  await expect(page.getByRole('heading', { name: 'What you laid out' })).toBeVisible();
  await expect(page.getByText(/figure (?:right|wrong)/).first()).toBeVisible();
});

test('a lead makes a drill, shares it, asks for it, and signs it off', async ({ page, app }) => {
  test.slow();
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(`${app.url}/drill/make`);
  await page.getByLabel('Kit').selectOption({ label: 'Transfer-case guard' });
  await page.getByLabel('What it is called').fill('Threads, and nothing but threads');
  await page.getByLabel('Fault').selectOption({ label: 'Crossed thread' });
  await page.getByRole('button', { name: 'Put it there' }).click();
  await expect(page.getByText(/A good learner finds/)).toContainText('1 of 1 and closes the job');
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Share as a file' }).click();
  const path = await (await file).path();
  expect(JSON.parse(readFileSync(path, 'utf8'))).toMatchObject({
    format: 'wrenchman-drill',
    faults: [{ kind: 'crossed' }],
  });
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByText('Threads, and nothing but threads')).toBeVisible();
  // A file that is none says where and what.
  await page.getByLabel('Begin one from a file').setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"wrenchman-drill","version":1}'),
  });
  await expect(page.getByRole('alert')).toContainText('faults');
  await page.getByLabel('Begin one from a file').setInputFiles(path);
  await expect(page.getByRole('heading', { name: 'Packing list' })).toBeVisible();
  await drill(page).getByRole('button', { name: 'End the drill' }).click();

  await page.goto(`${app.url}/drill/learners`);
  await page.getByRole('button', { name: /Tamsin Quell/ }).click();
  await page.getByLabel('Drill', { exact: true }).selectOption({ label: 'Threads, and nothing but threads' });
  await page.getByLabel('A word with it').fill('Before Thursday.');
  await page.getByRole('button', { name: 'Ask to do it' }).click();
  await expect(page.getByText(/Before Thursday\. Not done yet\./)).toBeVisible();
  await page.getByRole('button', { name: /Hob Larkmoor/ }).click();
  await page.getByLabel('A word on it').first().fill('Seen it.');
  await page.getByRole('button', { name: 'Sign it off' }).first().click();
  await expect(page.getByText(/Signed off by Rafe Orrin\. Seen it\./)).toBeVisible();
  const certificate = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Certificate' }).click();
  expect((await certificate).suggestedFilename()).toBe('shown-in-practice.pdf');
});

test('a learner takes all of it along, or deletes it', async ({ page, app }) => {
  await signIn(page, app, 'Hob Larkmoor', '1122');
  await page.goto(`${app.url}/drill`);
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take your drills with you' }).click();
  const taken = JSON.parse(readFileSync(await (await file).path(), 'utf8')) as unknown[];
  expect(taken.length).toBeGreaterThan(3);
  await page.getByRole('button', { name: 'Delete all your drills' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete all your drills' }).click();
  await expect(page.getByText('You have done no drill yet.')).toBeVisible();
});

test('a closed job goes by with nobody’s name in it', async ({ page, app }) => {
  await signIn(page, app, 'Mira Vane', '2468');
  const [id] = app
    .sql('SELECT id FROM job WHERE closed_at_ms IS NOT NULL ORDER BY closed_at_ms LIMIT 1')
    .trim()
    .split(/\s+/);
  await page.goto(`${app.url}/jobs/${id}/record`);
  await page.getByRole('button', { name: 'Watch it go by' }).click();
  const bar = page.getByRole('complementary', { name: 'A job goes by' });
  await bar.getByRole('combobox').selectOption('1000');
  await expect(bar).toContainText(/[1-9]\d* of \d+/);
  await bar.getByRole('button', { name: 'Stop' }).click();
  const whole = bar.getByRole('slider');
  await whole.fill((await whole.getAttribute('max')) ?? '0');
  await expect(page.getByText('Closed and signed by')).toContainText('Fitter 1');
  // The one who watches stands in the banner, and nowhere else.
  await expect(page.getByRole('banner').getByText(/Mira/).locator('visible=true')).toHaveCount(1);
  await expect(page.getByText(/Mira/).locator('visible=true')).toHaveCount(1);
  await bar.getByRole('button', { name: 'End the drill' }).click();
  await expect(page.getByRole('heading', { name: 'Drill', exact: true })).toBeVisible();
});

test('an apprentice ends a drill as a job ends: with a counted tray and a signature', async ({ page, app }) => {
  test.slow();
  await signIn(page, app, 'Hob Larkmoor', '1122');
  await page.goto(`${app.url}/drill`);
  const whole = soundDrill(TRANSFER_CASE_GUARD, variants(TRANSFER_CASE_GUARD)?.[0] ?? {}, {
    id: 'whole',
    title: 'Nothing wrong with it',
  });
  await page.getByLabel('Begin one from a file').setInputFiles({
    name: 'whole.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(whole)),
  });
  await page.getByRole('heading', { name: 'Packing list' }).click();
  const toLine = page.getByRole('link', { name: 'On to the line' });
  const done = page.getByRole('heading', { name: 'The line is done' });
  await expect(async () => {
    if (await toLine.isVisible()) await toLine.click();
    else if (!(await done.isVisible())) await page.keyboard.press('Space');
    await expect(done).toBeVisible({ timeout: 150 });
  }).toPass({ timeout: 90_000, intervals: [10] });
  await page.getByRole('link', { name: 'To close out' }).click();
  // The guard’s bag has two washers more than it needs.
  await page.getByRole('textbox', { name: /washer/i }).fill('2');
  await page.getByRole('button', { name: 'Count', exact: true }).click();
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await provePin(page, '1122');
  await drill(page).getByRole('button', { name: 'End the drill' }).click();
  await expect(page.getByText(/closed and signed/)).toBeVisible();

  // Whoever asks for the tour leaves the drill that is on.
  await page.goto(`${app.url}/drill`);
  await begin(page, /^Begin: First bag/);
  await expect(drill(page)).toBeVisible();
  await page.getByRole('button', { name: 'Help' }).click();
  await page
    .getByRole('dialog')
    .getByRole('link', { name: /practice|Practise|Try/i })
    .click();
  await expect(page.getByRole('complementary', { name: 'Practice' })).toBeVisible();
  await expect(drill(page)).toHaveCount(0);
});
