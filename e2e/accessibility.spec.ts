import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { demoVisit, expect, GUARD_TO_TORQUE, give, openJob, signIn, test } from './support/app.ts';
import { LEADS_SCREENS, SHOP_SCREENS, showScreen } from './support/screens.ts';

const axe = readFileSync('node_modules/axe-core/axe.min.js', 'utf8');

/** Serious faults axe-core finds on the page, each with the elements it names; `rules` where not all are asked. */
async function found(page: Page, rules?: string[]): Promise<string[]> {
  // The application's own policy forbids foreign scripts, so it is evaluated rather than added.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe);
  return page.evaluate(async (only) => {
    const { violations } = await (
      window as unknown as {
        axe: {
          run(options: {
            runOnly?: string[];
          }): Promise<{ violations: Array<{ id: string; impact: string; nodes: Array<{ target: string[] }> }> }>;
        };
      }
    ).axe.run(only ? { runOnly: only } : {});
    return violations
      .filter((violation) => violation.impact === 'serious' || violation.impact === 'critical')
      .map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).join(', ')}`);
  }, rules);
}

/**
 * The faults by day; and by night those of its colours, which is all that differs.
 *
 * @param outside - also in bright sun: the screens that are worked at a vehicle
 */
async function faults(page: Page, outside = false): Promise<string[]> {
  const wear = (theme: string) =>
    page.evaluate((name) => document.documentElement.setAttribute('data-theme', name), theme);
  const byDay = await found(page);
  await wear('night');
  const byNight = await found(page, ['color-contrast']);
  if (outside) await wear('sun');
  const inSun = outside ? await found(page, ['color-contrast']) : [];
  await wear('day');
  return [
    ...byDay,
    ...byNight.map((fault) => `by night, ${fault}`),
    ...inSun.map((fault) => `in bright sun, ${fault}`),
  ];
}

test('no serious accessibility fault on any screen, by day and by night', async ({ page, app }) => {
  await page.goto(app.url);
  await expect(page.getByRole('button', { name: /Mira Vane/ })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await signIn(page, app);
  await expect(page.getByRole('link', { name: /Front recovery points/ }).first()).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.goto(`${app.url}/receive`);
  await page.getByRole('button', { name: /Carrick/ }).click();
  await page.getByRole('button', { name: /Adjustable rear/ }).click();
  expect(await faults(page)).toEqual([]);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE);
  for (const [screen, sign] of [
    ['receive', 'Kits'],
    ['conflicts', 'Conflicts between kits'],
    ['check-in', 'Packing list'],
    ['line', 'Station 2'],
    ['close-out', 'Still in the way'],
    ['second-look', 'Second look'],
    ['record', 'Every pull'],
  ] as const) {
    await showScreen(page, `/jobs/${job}/${screen}`, sign);
    expect(await faults(page, true), screen).toEqual([]);
  }
  for (const [address, sign] of [
    ['/bench/interaction', 'Why once round again'],
    ['/bench/torque?thread=16%20mm', 'Torque and preload'],
    ['/vehicles/v-gorse', 'Visits'],
    ['/drill', 'What you spot'],
    ['/drill/make', 'Make a drill'],
    ...SHOP_SCREENS,
  ] as const) {
    await showScreen(page, address, sign);
    // Soft, so that one run names every screen with a fault.
    expect.soft(await faults(page), address).toEqual([]);
  }
  const demo = await demoVisit(page, app);
  for (const [screen, sign] of [
    ['receive', 'True before the strip'],
    ['conflicts', 'Conflicts between kits'],
    ['readiness', 'Torque wrenches'],
    ['card', 'Cautions'],
    ['line', 'Must be true'],
  ] as const) {
    await showScreen(page, `${new URL(demo).pathname}/${screen}`, sign);
    expect.soft(await faults(page), `visit ${screen}`).toEqual([]);
  }
  await page.goto(`${app.url}/kits/read`);
  await page
    .getByLabel('Text of the sheet')
    .fill('1. Remove the two 16 mm bolts.\n2. Torque the M10 bolts to 40 Nm.\nPolish it.');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByRole('heading', { name: 'What it says' })).toBeVisible();
  expect.soft(await faults(page), 'reader').toEqual([]);
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog', { name: 'This screen' })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.context().clearCookies();
  await signIn(page, app, 'Rafe Orrin', '1357');
  for (const [address, sign] of LEADS_SCREENS) {
    await showScreen(page, address, sign);
    expect.soft(await faults(page), address).toEqual([]);
  }
});

test('in gloves whatever is pressed on the line is at least 72 px high, and nothing lies over anything', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(page, job, ...GUARD_TO_TORQUE);
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  await page.getByRole('button', { name: /Switch person or settings/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Settings', exact: true }).click();
  await page.getByLabel('In gloves: whatever is pressed is larger').check();
  await page.keyboard.press('Escape');
  for (const size of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    const small = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('button, a[href], input, select')]
        .filter((element) => element.offsetParent !== null && element.getBoundingClientRect().height < 71.5)
        .map((element) => `${element.tagName} ${element.textContent?.slice(0, 40)}`),
    );
    expect(small, `${size.width} wide`).toEqual([]);
    // The page is no wider than its screen.
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  }
});
