import type { JobLog } from '#core/job/job-log.ts';
import type { LineAct } from '#core/line/line.ts';
import { lineOf } from '#core/line/line.ts';
import { FRONT_LIFT } from '#demo/kits.ts';
import { expect, give, openJob, provePin, signIn, swiftHand, test } from './support/app.ts';
import { workOnScreen } from './support/line.ts';

/** A wrench that reaches what none of the demo's does: the sliders want 250 N·m. */
async function _biggerWrench(page: import('@playwright/test').Page, url: string): Promise<void> {
  const added = await page.request.post(`${url}/api/crib/wrenches`, {
    data: {
      label: 'W-9',
      kind: 'click',
      fullScaleNm: 400,
      lowestNm: 100,
      scaleUnit: 'N·m',
      squareDrive: '3/4 in',
      live: false,
      divisionNm: 1,
      calibratedOn: new Date(Date.now() - 30 * 86_400_000).toISOString().slice(0, 10),
      calibrationDueOn: new Date(Date.now() + 300 * 86_400_000).toISOString().slice(0, 10),
    },
  });
  expect(added.status(), await added.text()).toBeLessThan(300);
}

const counts = FRONT_LIFT.items.map(({ id, quantity }) => ({
  type: 'countLine',
  item: id,
  found: quantity,
  damaged: 0,
}));
const _sideOf = ({ plan }: JobLog, act: LineAct) => lineOf(plan).stepById.get(act.step)?.step.side;

test('the long kit, sixty steps and more, from strip to signed record by keyboard', async ({ page, app }) => {
  test.setTimeout(180_000);
  await swiftHand(page);
  await signIn(page, app, 'Rafe Orrin', '1357');
  const job = await openJob(page, 'v-carrick', 'front-lift', {}, 2);
  await give(page, job, ...counts);
  await page.goto(`${app.url}/jobs/${job}/line`);
  const { acts, presses } = await workOnScreen(page, job);
  await expect(page.getByRole('heading', { name: 'The line is done' })).toBeVisible();
  expect(acts).toBeGreaterThan(120);
  expect(presses / acts).toBeLessThan(1.9);
  await page.getByRole('link', { name: 'To Close out' }).click();
  await page.getByLabel('Washer 12, plain, pieces on the tray').fill('4');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Nothing is in the way' })).toBeVisible();
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await provePin(page, '1357');
  await expect(page.getByText('the chain is whole')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'The line, step by step' })).toBeVisible();
});
