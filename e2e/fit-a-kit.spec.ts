import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import type { JobLog } from '#core/job/job-log.ts';
import { stationState } from '#core/job/job-state.ts';
import { expect, setWrench, signIn, swiftHand, test, whereNow } from './support/app.ts';
import { workOnScreen } from './support/line.ts';

const allSnug = ({ plan, state }: JobLog, group: string): boolean =>
  plan.stations.every(({ id, groupId }) => groupId !== group || stationState(state, id).stage === 'snug');

/** The record as text, by another program than the one that wrote it. */
const pdfText = (path: string) => execFileSync('pdftotext', ['-layout', path, '-']).toString().normalize('NFKC');

async function downloadPdf(page: Page): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'pdf' }).click(),
  ]);
  return pdfText(await download.path());
}

const station = (page: Page) => page.getByRole('heading', { name: /^Station / });

test('a kit from sign-in to the PDF, with a keyboard alone', async ({ page, app }) => {
  await swiftHand(page);
  await page.goto(app.url);
  // Sign in: tab to the person, type the PIN.
  await expect(page.getByRole('button', { name: /Mira Vane/ })).toBeVisible();
  await page.getByRole('button', { name: /Mira Vane/ }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('2468');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Needs a hand' })).toBeVisible();

  // Receive: vehicle, kit, its one open question.
  await page.getByRole('link', { name: 'Receive a vehicle' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Vehicle', exact: true })).toBeVisible();
  await page.getByRole('button', { name: /Tussock/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /Front recovery points/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 question can still change it.')).toBeVisible();
  await page.getByRole('button', { name: 'Yes' }).focus();
  await page.keyboard.press('Enter');
  await expect(
    page.getByText('because “Is a splash shield fitted under the radiator?” was answered yes').first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Open the job' }).focus();
  await page.keyboard.press('Enter');

  // Check in: one typed, the rest with Space.
  await expect(page.getByRole('heading', { name: 'Packing list' })).toBeVisible();
  await page.keyboard.type('4');
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 of 10 lines counted')).toBeVisible();
  for (let line = 2; line <= 10; line++) {
    await page.keyboard.press('Space');
    await expect(page.getByText(`${line} of 10 lines counted`)).toBeVisible();
  }

  // The line, step by step, from the parts that go on to the last verify.
  await page.getByRole('link', { name: 'On to the line' }).focus();
  await page.keyboard.press('Enter');
  const job = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
  await workOnScreen(page, job, { until: (log, act) => act.action.type === 'torque' && allSnug(log, 'plate') });
  await expect(page.getByRole('timer')).toContainText('16 pulls are left');
  // Three rounds with the live wrench.
  const seen: string[] = [];
  for (let pull = 0; pull < 24; pull++) {
    await expect(page.getByRole('button', { name: /Pull to click/ })).toBeEnabled();
    const before = await whereNow(page);
    seen.push(/^Station (\w+?)(?:pass|verify)/.exec(before)?.[1] ?? '');
    await page.keyboard.press('Space');
    await expect.poll(() => whereNow(page), { timeout: 60_000 }).not.toBe(before);
  }
  // Middle out: the four inner first, in every round.
  for (const round of [0, 8, 16]) expect(seen.slice(round, round + 4).sort()).toEqual(['2', '3', '6', '7']);
  // The shield is snugged and pulled with a wrench that cannot speak.
  await workOnScreen(page, job);
  await expect(page.getByRole('heading', { name: 'The line is done' })).toBeVisible();
  await page.getByRole('link', { name: 'To Close out' }).focus();
  await page.keyboard.press('Enter');

  // Close out: two spare washers on the tray.
  for (const washer of ['Washer 12, hardened', 'Washer 10, hardened']) {
    await page.getByLabel(`${washer}, pieces on the tray`).focus();
    await page.keyboard.type('1');
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('heading', { name: 'Nothing is in the way' })).toBeVisible();
  // The locker still cures: the driver is told in writing.
  await expect(page.getByLabel(/full cure, until/)).toHaveValue(/^No towing and no off-road use before /);
  await page.getByRole('button', { name: 'Sign and close' }).focus();
  await page.keyboard.press('Enter');
  // Being signed in is not enough: the PIN signs.
  await expect(page.getByLabel('PIN of Mira Vane')).toBeFocused();
  await page.keyboard.type('2468');
  await page.keyboard.press('Enter');

  // Record.
  await expect(page.getByText('the chain is whole')).toBeVisible();
  const text = await downloadPdf(page);
  for (const wanted of [
    'TORQUE RECORD',
    'Tussock',
    '81 lbf·ft',
    '46 lbf·ft',
    '8 N·m, never',
    'W-3',
    'Mira Vane',
    'CLOSED',
  ])
    expect(text).toContain(wanted);
});

test.describe('on a phone, by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('the guard from sign-in to the PDF', async ({ page, app }) => {
    await page.goto(app.url);
    await page.getByRole('button', { name: /Tamsin Quell/ }).tap();
    for (const digit of '3690') await page.getByRole('button', { name: digit, exact: true }).tap();
    await page.getByRole('button', { name: 'Enter' }).tap();
    await page.getByRole('link', { name: 'Receive a vehicle' }).tap();
    await expect(page.getByRole('heading', { name: 'Vehicle', exact: true })).toBeVisible();
    await page.getByRole('button', { name: /Carrick/ }).tap();
    await page.getByRole('button', { name: /Transfer-case guard/ }).tap();
    await page.getByRole('button', { name: 'Open the job' }).tap();
    for (let line = 1; line <= 4; line++) {
      await page.getByRole('button', { name: /^Line \d: all \d here/ }).tap();
      await expect(page.getByText(`${line} of 4 lines counted`)).toBeVisible();
    }
    await page.getByRole('link', { name: 'On to the line' }).tap();
    // Any station may be tapped on the map.
    await page.getByRole('button', { name: /^Station 5,.*empty/ }).tap();
    await expect(page.getByText('1 of 6 started')).toBeVisible();
    await page.getByRole('button', { name: 'Take back' }).tap();
    await expect(page.getByText('0 of 6 started')).toBeVisible();
    for (let count = 1; count <= 6; count++) {
      await page.getByRole('button', { name: 'Started, next' }).tap();
      // The last one leads on to the snug by itself.
      if (count < 6) await expect(page.getByText(`${count} of 6 started`)).toBeVisible();
    }
    for (let count = 1; count <= 6; count++) {
      await expect(station(page)).toHaveText(`Station ${count}`);
      await page.getByRole('button', { name: 'Snug, next' }).tap();
    }
    // Inch-pounds: first read as foot-pounds, which the tablet names.
    await setWrench(page);
    await page.getByLabel('Unit').selectOption('lbf·ft');
    await page.getByLabel(/Reading from W-1/).fill('90');
    await page.getByRole('button', { name: 'Record' }).tap();
    await expect(page.getByRole('alert')).toContainText('Did you mean lbf·in?');
    await page.getByRole('button', { name: 'Seen' }).tap();
    await page.getByLabel('Unit').selectOption('lbf·in');
    for (const label of ['2', '5', '1', '6', '3', '4', '2', '5', '1', '6', '3', '4']) {
      await expect(station(page)).toHaveText(`Station ${label}`);
      await setWrench(page);
      await page.getByRole('button', { name: /^Clicked at/ }).tap();
    }
    await page.getByRole('link', { name: 'To Close out' }).tap();
    await page.getByLabel('Washer 8, pieces on the tray').fill('2');
    await page.getByRole('button', { name: 'Count', exact: true }).tap();
    await page.getByRole('button', { name: 'Sign and close' }).tap();
    for (const digit of '3690') await page.getByRole('button', { name: digit, exact: true }).tap();
    await page.getByRole('button', { name: 'Enter' }).tap();
    await expect(page.getByText('the chain is whole')).toBeVisible();
    const text = await downloadPdf(page);
    for (const wanted of ['80–100 lbf·in', 'Tamsin Quell', 'Transfer-case guard', 'CLOSED'])
      expect(text).toContain(wanted);
    // Nothing on the way may be wider than the phone.
    const wider = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(wider).toBeLessThanOrEqual(0);
  });
});

test('CSV and JSON of the closed demo job come down as files', async ({ page, app }) => {
  await signIn(page, app);
  await page
    .getByRole('link', { name: /closed.*Transfer-case guard/ })
    .first()
    .click();
  for (const kind of ['csv', 'json']) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: kind }).click(),
    ]);
    expect(download.suggestedFilename()).toMatch(new RegExp(`^record-\\d{6}-\\d+\\.${kind}$`));
  }
});
