import type { Page } from '@playwright/test';
import { expect, signIn, test } from './support/app.ts';

/** A kit played before it is released: by hand, as a film, on every vehicle; and what ends nowhere is not released. */

const CHECK_BEHIND = {
  id: 'gap',
  text: 'Gap between bracket and hose',
  unit: 'mm',
  min: 10,
  when: { question: 'raised', is: true },
};

/** A draft of the air springs; `change` works on its document. */
async function draft(page: Page, url: string, change?: string): Promise<void> {
  await page.evaluate(async (recipe) => {
    const send = (method: string, path: string, body: object) =>
      fetch(`/api/kit-library/${path}`, {
        method,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      }).then((answer) => answer.json());
    const { document, version } = await send('POST', 'rear-air-springs/revise', {});
    if (recipe === undefined) return;
    const check = JSON.parse(recipe);
    const group = document.groups.at(-1).id;
    document.checks.push({ ...check, gates: [group] });
    document.steps.push({
      id: 'gap-late',
      text: 'Look at the gap',
      phase: 'prove',
      actions: [{ type: 'check', check: check.id }],
      when: check.when,
    });
    await send('PUT', 'drafts/rear-air-springs', { document, version });
  }, change);
  await page.goto(`${url}/kits/drafts/rear-air-springs/dry-run`);
}

const heading = (page: Page) => page.getByRole('region', { name: 'The line' }).locator('[aria-live=polite]');

test.afterEach(async ({ page }) => {
  await page.evaluate(() => fetch('/api/kit-library/drafts/rear-air-springs', { method: 'DELETE' }));
});

test('by hand with Space, as a film of an order, on another vehicle, to what is left', async ({ page, app }) => {
  await signIn(page, app);
  await draft(page, app.url);
  await expect(page.getByText('Every one is worked to its end')).toBeVisible();
  await expect(heading(page)).toHaveText('Count: 2 × P1 Air spring');
  await page.keyboard.press('Space');
  await expect(heading(page)).toHaveText(/^Count: .* P2 /);
  await page.keyboard.press('ArrowLeft');
  await expect(heading(page)).toHaveText(/P1 Air spring$/);
  // Any step by a tap on the strip; the fitter's own questions stand under the picture.
  const strip = page.getByRole('navigation', { name: 'Steps of the line' });
  await strip.getByRole('button').nth(1).click();
  await expect(page.getByText(/^Step 1 of \d+/)).toBeVisible();
  // The torque order of the brackets runs by itself, and stands still at its end.
  await page.getByRole('button', { name: /^Watch: torque, Lower brackets/ }).click();
  await expect(heading(page)).toHaveText(/^Station \d: pull to /);
  await expect(page.getByRole('img', { name: /at torque/ }).first()).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('button', { name: /^Play it/ })).toBeVisible({ timeout: 20_000 });
  // Another vehicle is another job.
  const count = page.getByText(/^\d+ of \d+$/);
  const before = (await count.textContent())?.split(' of ')[1];
  await page.getByLabel('Is the suspension raised?').selectOption('no');
  await expect(count).not.toHaveText(new RegExp(` of ${before}$`));
  await expect(heading(page)).toHaveText(/P1 Air spring$/);
  // To the end at once: the strip's last piece, and one more.
  await strip.getByRole('button').last().click();
  for (let left = 12; left > 0 && (await page.getByRole('button', { name: /^(Next|The end)/ }).isEnabled()); left -= 1)
    await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: 'Signed and closed' })).toBeVisible();
  await expect(page.getByText('Hands at work')).toBeVisible();
  await expect(page.getByText(/16 mm socket/)).toBeVisible();
});

test('a check behind what it holds is a dead end with one answer, and the kit is not released', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await draft(page, app.url, JSON.stringify(CHECK_BEHIND));
  await expect(page.getByText('1 dead end: not to be released')).toBeVisible();
  const verdict = page.getByRole('region', { name: 'Every vehicle' });
  await expect(verdict).toContainText('Is the suspension raised: yes');
  // The others are worked to their end.
  await page.getByLabel('Is the suspension raised?').selectOption('no');
  await verdict.getByRole('button', { name: 'Play this one' }).first().click();
  await expect(page.getByLabel('Is the suspension raised?')).toHaveValue('0');
  await page.getByRole('button', { name: /^Play it/ }).focus();
  await page.getByRole('navigation', { name: 'Steps of the line' }).getByRole('button').last().click();
  for (let left = 60; left > 0 && (await page.getByRole('button', { name: /^(Next|The end)/ }).isEnabled()); left -= 1)
    await page.getByRole('button', { name: /^(Next|The end)/ }).click();
  await expect(page.getByRole('alert')).toContainText('A dead end');
  await page.getByRole('link', { name: /^Findings/ }).click();
  await expect(page.getByText('Dead end', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Release it' })).toBeDisabled();
  // The lint has found it too: its place is one tap away, with the cursor in it.
  await page.getByRole('link', { name: 'Track bar' }).click();
  await expect(page).toHaveURL(/\/drafts\/rear-air-springs\/groups\?at=groups\.\d+$/);
  await expect(page.getByLabel('Title').first()).toHaveValue('Track bar');
});
