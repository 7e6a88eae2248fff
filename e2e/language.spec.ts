import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { demoVisit, expect, GUARD_TO_TORQUE, give, openJob, signIn, test } from './support/app.ts';
import { LEADS_SCREENS, SHOP_SCREENS } from './support/screens.ts';

test('a tablet speaks German: chosen at sign-in, on screens and papers, and English again from the settings', async ({
  page,
  app,
}) => {
  await page.goto(app.url);
  await page.getByRole('button', { name: 'Deutsch' }).click();
  await expect(page.getByRole('heading', { name: 'Wer arbeitet?' })).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('lang', 'de');
  await page.getByRole('button', { name: /Rafe Orrin/ }).click();
  await page.getByLabel('PIN für Rafe Orrin').fill('1357');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Braucht eine Hand' })).toBeVisible();

  // A figure with its comma, and the same figure typed with one.
  await page.goto(`${app.url}/bench/convert`);
  await page.getByLabel('Gedruckt').fill('46,5 N·m');
  await expect(page.getByText('34,3').first()).toBeVisible();

  // The line, and a refusal in its words; a job of its own, which no other test of this shop closes.
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard', {}, 3);
  await give(page, job, ...GUARD_TO_TORQUE);
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByText(/^Schritt \d+ von \d+ · /).first()).toBeVisible();
  await page.goto(`${app.url}/jobs/${job}/close-out`);
  await expect(page.getByRole('heading', { name: 'Noch im Weg' })).toBeVisible();
  // What the server says and prints is in the language of the tablet that asks.
  const answer = await page.request.get(`${app.url}/api/jobs/00000000-0000-4000-8000-000000000000`);
  expect(await answer.json()).toMatchObject({ title: 'Kein solcher Auftrag in dieser Werkstatt' });

  await page.getByRole('button', { name: /^Rafe Orrin, Meister/ }).click();
  await page.getByRole('button', { name: 'Einstellungen', exact: true }).click();
  await page.getByRole('button', { name: 'English' }).click();
  await expect(page.getByRole('heading', { name: 'Still in the way' })).toBeVisible();
});

/** Words of a message drawn out by two fifths; its places, and what they choose by, stay. */
function longer(message: string): string {
  let depth = 0;
  return message.replace(/[{}]|\p{L}{3,}/gu, (part) => {
    if (part === '{') depth++;
    if (part === '}') depth--;
    return part.length === 1 || depth > 0 ? part : part + part.slice(-Math.ceil(part.length * 0.4)).toLowerCase();
  });
}

/** What of a screen is cut off, or stands out of the window; what may be cut says so and scrolls. */
const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    if (document.documentElement.scrollWidth > innerWidth + 1) found.push('the page scrolls sideways');
    for (const element of document.querySelectorAll<HTMLElement>(
      'button, a, label, th, td, h1, h2, h3, legend, li, p',
    )) {
      const { left, right, width, height } = element.getBoundingClientRect();
      if (width < 2 || height < 2 || element.closest('.sr-only, svg')) continue;
      const scrolls = element.closest('[class*="overflow-x"], [class*="overflow-auto"]') !== null;
      const name = () => `${element.tagName.toLowerCase()} “${element.textContent?.trim().slice(0, 40)}”`;
      if (!scrolls && left < innerWidth && right > innerWidth + 2) found.push(`${name()} leaves the window`);
      const { overflowX, textOverflow } = getComputedStyle(element);
      // Words of two things beside each other must not run into one another.
      if (element.matches('nav > a, .line-foot > button') && element.scrollWidth > element.clientWidth + 1)
        found.push(`${name()} runs into the next`);
      if (overflowX === 'hidden' && textOverflow !== 'ellipsis' && element.scrollWidth > element.clientWidth + 2)
        found.push(`${name()} is cut`);
    }
    return found;
  });

test('screens stand with words that are two fifths longer, on a tablet and on a phone', async ({ page, app }) => {
  test.slow();
  const german: Record<string, string> = JSON.parse(readFileSync('contract/src/wording/de.json', 'utf8'));
  const drawnOut = Object.fromEntries(
    Object.keys(german).map((message) => [message, longer(message.replace(/ ‖ \w+$/, ''))]),
  );
  await signIn(page, app, 'Rafe Orrin', '1357');
  const job = await demoVisit(page, app);
  await page.route(/\/assets\/de-[\w-]+\.js$/, async (route) => {
    const answer = await route.fetch();
    // The other file of that name holds the months.
    if ((await answer.text()).length < 100_000) return route.fulfill({ response: answer });
    return route.fulfill({ contentType: 'text/javascript', body: `export default ${JSON.stringify(drawnOut)}` });
  });
  await page.context().addCookies([{ name: 'language', value: 'de', url: app.url }]);
  const ofJob = ['', '/readiness', '/card', '/check-in', '/line', '/close-out', '/record'].map(
    (path) => `/jobs/${job}${path}`,
  );
  const screens = ['/', '/receive', ...ofJob, ...[...SHOP_SCREENS, ...LEADS_SCREENS].map(([path]) => path)];
  const faults: string[] = [];
  // Nothing a screen fetches may try what the page's policy forbids.
  page.on('console', (said) => {
    if (/script-src|Content Security Policy/.test(said.text())) faults.push(`${page.url()}: ${said.text()}`);
  });
  for (const [width, height, paths] of [
    [1280, 800, ['/', '/receive', ...ofJob, '/kits', '/crib', '/shop']],
    [390, 844, screens],
  ] as const) {
    await page.setViewportSize({ width, height });
    for (const path of paths) {
      await page.goto(`${app.url}${path}`);
      await expect(page.getByRole('heading').first()).toBeVisible();
      faults.push(...(await cutOff(page)).map((fault) => `${width} ${path}: ${fault}`));
    }
  }
  expect(faults).toEqual([]);
});
