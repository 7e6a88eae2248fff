import type { Page } from '@playwright/test';
import { startListener } from '#devices/listener/listener.ts';
import { expect, GUARD_TO_TORQUE, give, openJob, signIn, test } from './support/app.ts';

/** A setting of this tablet, as its sheet stores it. */
const set = (page: Page, change: object) =>
  page.evaluate((change) => {
    const kept = JSON.parse(localStorage.getItem('wrenchman.settings') ?? '{"state":{},"version":1}');
    localStorage.setItem('wrenchman.settings', JSON.stringify({ ...kept, state: { ...kept.state, ...change } }));
  }, change);

/** A code as a scanner types it: all of it in a few milliseconds, however slow the machine. */
const scan = (page: Page, code: string) =>
  page.evaluate((text) => {
    for (const key of [...text, 'Enter'])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  }, code);

test('a scanner is used on the line: the wrench, another job’s card, a plate', async ({ page, app }) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE);
  const { wrenches } = (await page.evaluate(async () => (await fetch('/api/crib')).json())) as {
    wrenches: Array<{ label: string; serial?: string }>;
  };
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('heading', { name: /^Station / })).toBeVisible();
  const inHand = page.getByRole('definition').filter({ hasText: 'calibration' }).getByRole('button');
  const before = (await inHand.textContent()) ?? '';
  // Each wrench answers to its serial: one that may do the pull is taken, another shows why not.
  const taken: string[] = [];
  for (const { label, serial } of wrenches.filter((wrench) => wrench.serial)) {
    await scan(page, serial ?? '');
    const refused = page.getByRole('dialog', { name: 'Which wrench?' });
    await expect(refused.or(inHand.filter({ hasText: label }))).toBeVisible();
    if (await refused.isVisible()) await page.keyboard.press('Escape');
    else taken.push(label);
  }
  expect(taken.length).toBeGreaterThan(0);
  expect(taken.some((label) => before.includes(label))).toBe(true);
  await scan(page, `${app.url}/jobs/${job}/card`);
  await expect(page).toHaveURL(new RegExp(`/jobs/${job}/card$`));
  await scan(page, '14115');
  await expect(page).toHaveURL(/\/vehicles\/v-carrick$/);
  await scan(page, 'no such thing');
  await expect(page.getByRole('dialog', { name: 'Scanned' })).toContainText('Nothing in the shop answers to that.');
});

test('what is said is asked back and done, and gets past no sheet', async ({ page, app }) => {
  const listener = await startListener(0);
  try {
    await signIn(page, app);
    const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
    await give(page, job, ...GUARD_TO_TORQUE.slice(0, 4));
    await set(page, { hears: true, listener: listener.address });
    await page.goto(`${app.url}/jobs/${job}/line`);
    await expect(page.getByText('0 of 6 started')).toBeVisible();
    await expect.poll(() => listener.listeners()).toBe(1);
    listener.hear('done');
    await expect(page.getByText('Done? Say yes or no.')).toBeVisible();
    await expect(page.getByText('0 of 6 started')).toBeVisible();
    listener.hear('yes');
    await expect(page.getByText('1 of 6 started')).toBeVisible();
    listener.hear('take back');
    listener.hear('yes');
    await expect(page.getByText('0 of 6 started')).toBeVisible();
    listener.hear('problem');
    await expect(page.getByRole('dialog')).toBeVisible();
    listener.hear('done');
    listener.hear('yes');
    await expect(page.getByText('A sheet is open: that takes hands.')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByText('0 of 6 started')).toBeVisible();
  } finally {
    await listener.stop();
  }
});

test('large letters on the line, and a second screen that follows it: hold, and let go', async ({
  page,
  app,
  context,
}) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE.slice(0, 4));
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByText('0 of 6 started')).toBeVisible();
  await page.keyboard.press('f');
  const far = page.getByRole('region', { name: 'What is next, in large letters' });
  await expect(far).toContainText('By hand');
  const capital = await far
    .locator('p')
    .first()
    .evaluate((word) => Number.parseFloat(getComputedStyle(word).fontSize));
  expect(capital).toBeGreaterThan(80);

  const second = await context.newPage();
  await second.goto(`${app.url}/jobs/${job}/screen`);
  const helper = second.getByRole('region', { name: 'For the helper' });
  await expect(helper).toContainText('Hold it up');
  await expect(helper).toContainText('none is yet');
  await page.keyboard.press('Space');
  await expect(helper).toContainText('one is yet');
  await page.keyboard.press('Space');
  await expect(helper).toContainText('Let go');
  await expect(helper).toContainText('Hands free', { timeout: 15_000 });
  await second.getByRole('button', { name: 'For the wall' }).click();
  await expect(helper).toBeHidden();
  await expect(second.getByRole('region', { name: 'What is next, in large letters' })).toContainText('By hand');
  await page.keyboard.press('f');
  await expect(far).toBeHidden();
});

/** What has the focus, as a screen reader names it. */
const named = (page: Page) =>
  page.evaluate(() => {
    const here = document.activeElement;
    if (!(here instanceof Element) || here === document.body) return '';
    const labelled = (here.getAttribute('aria-labelledby') ?? '')
      .split(' ')
      .map((id) => document.getElementById(id)?.textContent ?? '')
      .join(' ');
    const own = here instanceof HTMLInputElement ? (here.labels?.[0]?.textContent ?? '') : (here.textContent ?? '');
    const name = here.getAttribute('aria-label') ?? (labelled.trim() || own);
    const role = here.getAttribute('role') ?? here.tagName.toLowerCase();
    return `${role}: ${name.replace(/\s+/g, ' ').trim()}`;
  });

test('the torque screen is walked by ear: every stop is named, the map in its order, and the next station is told', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE);
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('heading', { name: /^Station / })).toBeVisible();
  const said = page.locator('[data-next-said]');
  await expect(said).toHaveText(/^\d+(?:\.\d+)? (?:newton metres|pound feet|pound inches)\. Station \w+, .+\.$/);

  const stops: string[] = [];
  for (let step = 0; step < 60; step++) {
    await page.keyboard.press('Tab');
    const stop = await named(page);
    // Past the last the browser's own bar has it, and the round is over.
    if (stop === '' || (stops.length > 0 && stop === stops[0])) break;
    stops.push(stop);
  }
  expect(stops.length).toBeGreaterThan(12);
  for (const stop of stops) expect(stop).toMatch(/^[a-z]+: \S/);
  const map = stops.filter((stop) => stop.startsWith('button: Station '));
  expect(map).toHaveLength(6);
  expect(map.map((stop) => /, (\d) of 6, /.exec(stop)?.[1])).toEqual(['1', '2', '3', '4', '5', '6']);
  expect(map.filter((stop) => stop.endsWith(', next'))).toHaveLength(1);
  // First the way back and the phases, then the steps, the map, and what is done to the station.
  const at = (part: RegExp) => stops.findIndex((stop) => part.test(stop));
  const order = [/back to the bays/, /Torque/, /Step \d+:/, /Station 1, 1 of 6/, /Problem/].map(at);
  expect(order.every((place) => place >= 0)).toBe(true);
  expect([...order].sort((a, b) => a - b)).toEqual(order);
  const headings = await page.getByRole('heading').allTextContents();
  expect(headings.some((text) => text.startsWith('Station '))).toBe(true);
  await expect(page.getByRole('main')).toHaveCount(1);
  await expect(page.getByRole('navigation', { name: 'The line, step by step' })).toBeVisible();
});
