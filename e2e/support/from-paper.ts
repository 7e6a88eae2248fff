import type { Page } from '@playwright/test';
import { type App, expect, provePin, releaseKit } from './app.ts';
import { countAll, countTray, workOnScreen } from './line.ts';

/** Releases the draft that is open: what the lint says of the sheet is let stand by name. */
export async function releaseAsPrinted(page: Page): Promise<void> {
  await page.getByRole('link', { name: /Findings/ }).press('Enter');
  await page.getByLabel('Note').fill('From the maker’s sheet');
  const reasons = page.getByLabel('Let it stand because');
  // What stands open is worked out beside the page: until it may be released, more may come.
  await expect(async () => {
    for (let at = 0; at < (await reasons.count()); at++) await reasons.nth(at).fill('As the maker’s sheet has it');
    await expect(page.getByRole('button', { name: 'Release it' })).toBeEnabled({ timeout: 2_000 });
  }).toPass();
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await releaseKit(page);
  await expect(page.getByText('From the maker’s sheet')).toBeVisible();
}

/** Answers what is still asked, one question after another, each with its last choice: `No`, the newest, the other one. */
async function answerTheRest(page: Page): Promise<void> {
  const next = page.getByRole('region', { name: 'Next question' });
  const open = page.getByRole('button', { name: 'Open the job' });
  await expect(async () => {
    if ((await next.count()) > 0) {
      const asked = await next.getByRole('group').first().getAttribute('aria-label');
      await next.getByRole('button').last().click();
      await expect(next.getByRole('group', { name: asked ?? '', exact: true })).toHaveCount(0, { timeout: 1_000 });
    }
    await expect(open).toBeEnabled({ timeout: 500 });
  }).toPass({ timeout: 20_000 });
}

/** Opens a job with a kit, answers what it asks of the vehicle, counts its bags, works every step on the screen and signs. */
export async function workToRecord(page: Page, app: App, title: string, pin: string, answer?: string): Promise<void> {
  await page.goto(`${app.url}/receive?vehicle=v-carrick`);
  await page.getByRole('button', { name: new RegExp(title) }).click();
  // What the kit asks of the vehicle.
  if (answer) await page.getByText(answer, { exact: true }).click();
  await answerTheRest(page);
  await page.getByRole('button', { name: 'Open the job' }).click();
  await page.waitForURL(/\/jobs\//);
  const job = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
  await countAll(page, job);
  await page.goto(`${app.url}/jobs/${job}/line`);
  await workOnScreen(page, job, { shortRounds: true });
  await page.getByRole('link', { name: 'To Close out' }).click();
  await countTray(page);
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await provePin(page, pin);
  await expect(page.getByText('the chain is whole')).toBeVisible();
}
