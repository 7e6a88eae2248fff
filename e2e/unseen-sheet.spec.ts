import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { expect, signIn, swiftHand, test } from './support/app.ts';

/** A card as a small maker types it: codes for steps, two lists, a joint drawn to yield without a threshold. */
const CARD = `LOWMOOR FABRICATION — FITTING CARD LF-77   Under-engine brace
You will want: 13, 16 and 18 mm sockets, E14 bit, electronic wrench with angle, 1.2 h.

In the box
 qty  what                                   for
  4   M12 x 1.75 x 90 flange bolt, 10.9      brace to rail
  4   M12 flange nut, class 10               brace to rail
  2   M10 x 1.5 x 35 flange bolt, 8.8        tab to cross-member

A. Offer the brace, hang it with all four M12 bolts finger started.
B. Tabs: M10 bolts, started.
C. Draw each M12 down to yield (to half of the steepest gradient, not over 165 Nm, wrench with angle).
D. M10 tabs 45 Nm.
`;
const TO_YIELD = '40 Nm, then to yield, never over 165 Nm';

const station = (page: Page) => page.getByRole('heading', { name: /^Station / });

test('a joint drawn to yield, from a stranger’s card to the signed record', async ({ page, app }) => {
  test.slow();
  await swiftHand(page);
  await signIn(page, app, 'Rafe Orrin', '1357');

  // From paper: what the card leaves out is asked for, never made up.
  await page.goto(`${app.url}/kits/read`);
  await page.getByLabel('Text of the sheet').fill(CARD);
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByRole('heading', { name: 'What it says' })).toBeVisible();
  await page.getByRole('button', { name: 'Make the draft' }).click();
  await page.getByLabel('Title of the kit').fill('Under-engine brace');
  await page.getByRole('textbox', { name: 'Maker' }).fill('Lowmoor Fabrication');
  await page.getByRole('dialog').getByRole('button', { name: 'Make the draft' }).click();
  await expect(page.getByRole('heading', { name: /Under-engine brace/ })).toBeVisible();
  await page.getByRole('link', { name: 'Stacks' }).click();
  await expect(page.getByLabel('Why there is none')).toBeVisible();

  // The threshold comes from the maker; the kind is read from the words, and given to the whole group.
  await page.getByLabel('Kind').selectOption({ label: 'As printed: torque, range, angle' }).catch(() => undefined);
  const printed = page.getByLabel('As the sheet prints it');
  await printed.fill(TO_YIELD);
  await printed.press('Enter');
  await expect(page.getByText(/40\.0 N·m.*accepted 40\.0–165\.0/)).toBeVisible();
  await page.screenshot({ path: '/tmp/shots/yield-stacks.png' });
});

export { execFileSync, station };
