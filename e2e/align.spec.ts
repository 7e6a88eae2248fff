import { STRUT_LIFT_40 } from '#demo/kits.ts';
import { nextOnLine } from '../core/src/job/line-next.ts';
import { expect, give, openJob, signIn, swiftHand, test } from './support/app.ts';
import { workLine } from './support/line.ts';
import { counts } from './support/visits.ts';

test('camber set with eccentric bolts: the rack reads, the screen says which way, a file settles it', async ({
  page,
  app,
}) => {
  await swiftHand(page);
  await signIn(page, app, 'Rafe Orrin', '1357');
  const job = await openJob(page, 'v-tussock', 'strut-lift-40', {}, 2);
  await give(page, job, ...counts(STRUT_LIFT_40.items));
  await workLine(page, job, ({ log, nowMs }) => {
    const next = nextOnLine(log.plan, log.state, 'u-orrin', nowMs);
    return next?.act.action.type !== 'align';
  });
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('heading', { name: 'Align: Camber' })).toBeVisible();
  // The lobes first: the rack is not asked before it is said where they stand.
  await expect(page.getByRole('button', { name: 'From the rack' })).toBeDisabled();
  const field = page.locator('aside form input').first();
  for (const lobe of ['-60', '-60']) {
    await field.fill(lobe);
    await page.keyboard.press('Enter');
  }
  await page.getByRole('button', { name: 'From the rack' }).click();
  // Too far in: not met, and each wheel is told which way.
  await expect(page.getByText('Not met.', { exact: true })).toBeVisible();
  await expect(
    page.getByText(/front left: -\d\.\d\d°, aim -0\.50°\. Turn the lobe \d+° outwards.*top goes out/),
  ).toBeVisible();
  await expect(page.getByRole('img', { name: /Align/ })).toContainText('turn the lobe outwards');
  // A file that lacks a wheel says so, and nothing is lost.
  const file = page.getByLabel('File of the alignment rack');
  await field.fill('30');
  await page.keyboard.press('Enter');
  await field.fill('30');
  await page.keyboard.press('Enter');
  await file.setInputFiles({
    name: 'rack.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('wheel,camberDeg\nfront left,wide'),
  });
  await expect(page.getByText('rack.csv: line 2, camberDeg “wide” is no number.')).toBeVisible();
  await file.setInputFiles({
    name: 'rack.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('wheel,camberDeg\nfront right,-0.45\nfront left,-0.52'),
  });
  await expect(page.getByRole('heading', { name: 'Align: Camber' })).toBeHidden();
  await page.goto(`${app.url}/jobs/${job}/record`);
  await expect(page.getByText(/Align: Camber.*-0\.52/).first()).toBeVisible();
});
