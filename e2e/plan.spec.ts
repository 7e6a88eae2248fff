import type { Page } from '@playwright/test';
import type { DayDocument } from '#contract/day.ts';
import { nextOnLine } from '#core/job/line-next.ts';
import { lineOf } from '#core/line/line.ts';
import { ROCK_SLIDERS, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { expect, give, openJob, signIn, startAll, test } from './support/app.ts';
import { workLine } from './support/line.ts';
import { counts } from './support/visits.ts';

/** The plan of the shop's day: drawn from the work left, moved by hand and by key, and made anew from what happens. */

// Jobs that other files left in the bays would be planned too, and may leave no room in a bay today.
test.use({ shopOf: 'plan' });

const bayOf = (page: Page, bay: number) =>
  page
    .getByRole('main')
    .getByRole('listitem')
    .filter({ has: page.getByText('Bay', { exact: true }) })
    .nth(bay - 1);
const handleOf = (page: Page, bay: number) =>
  bayOf(page, bay)
    .getByRole('button', { name: /^Move / })
    .first();
/** A time as it is shown: late in the evening it is tomorrow's, by its day. */
const TIME = String.raw`(?:[A-Z][a-z]{2} )?\d\d:\d\d`;

/** When a job of a bay is ready, as its bar says; the plan has to be there first. */
async function readyIn(page: Page, bay: number): Promise<string> {
  const link = bayOf(page, bay)
    .getByRole('link')
    .filter({ hasText: new RegExp(`ready ${TIME}`) })
    .first();
  await expect(link).toBeVisible({ timeout: 20_000 });
  return new RegExp(`ready (${TIME})`).exec((await link.textContent()) ?? '')?.[1] ?? '';
}

test('the day is planned from the work left: bars, people, promises at risk and what they hang on', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await readyIn(page, 4);
  await expect(page.getByText(/No plan is shorter|At most \d+ % longer than what is possible/)).toBeVisible();
  const lane = page.getByRole('region', { name: 'People' });
  await expect(lane.getByRole('listitem')).toHaveCount(4);
  // Promised before anybody reckoned: it is told first, and leads to why.
  const risk = page.getByRole('link', { name: /14-231 at risk/ });
  await expect(risk).toContainText(/at risk: ready about/);
  await risk.click();
  await expect(page.getByRole('heading', { name: 'What the end hangs on' })).toBeVisible();
  await expect(page.getByText(/steps one after the other/).first()).toBeVisible();
  await expect(page.getByText(/until it may be driven/)).toBeVisible();
  await expect(page.getByText(/the sheet says .*, (not timed here yet|timed)/).first()).toBeVisible();
  await page.reload();
  await expect(page.getByText(new RegExp(`at risk: ready about ${TIME}`))).toBeVisible({ timeout: 20_000 });
});

test('a job that is put onto another snaps behind it and says why; Escape leaves it', async ({ page, app }) => {
  await signIn(page, app);
  await readyIn(page, 3);
  const handle = handleOf(page, 3);
  let sooner = 0;
  let from = { x: 0, y: 0 };
  // What comes in late moves the rows: a handle that was missed is taken again.
  await expect(async () => {
    await page.mouse.up();
    const at = await handle.boundingBox();
    if (!at) throw new Error('nothing to move');
    from = at;
    await page.mouse.move(at.x + 8, at.y + 8);
    await page.mouse.down();
    await page.mouse.move(at.x + 8, at.y - 20, { steps: 4 });
    await expect(page.getByRole('status').filter({ hasText: /^Bay \d/ })).toBeVisible({ timeout: 1000 });
  }).toPass({ timeout: 20_000 });
  const onto = await bayOf(page, 2).boundingBox();
  if (!onto) throw new Error('nothing to put it onto');
  const told = page.getByRole('status').filter({ hasText: /^Bay 2/ });
  // A little sooner and sooner, until the other is in the way.
  await expect(async () => {
    sooner += 12;
    await page.mouse.move(from.x + 20 - (sooner % 96), onto.y + onto.height / 2, { steps: 3 });
    await expect(told).toContainText(new RegExp(`Behind 14-208 Tussock.*: the bay is taken until ${TIME}`), {
      timeout: 500,
    });
  }).toPass({ timeout: 30_000 });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(page.getByText(/now in bay/)).toHaveCount(0);
});

test('the plan is made anew when a step is late or done: ready moves', async ({ page, app }) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', TRANSFER_CASE_GUARD.id, {}, 1);
  await page.reload();
  const before = await readyIn(page, 1);
  const left = page.getByRole('link', { name: /14-115/ });
  await expect(left.first()).toBeVisible();
  await page.goto(`${app.url}/plan/${job}`);
  const rows = page.getByRole('table').getByRole('row');
  await expect(rows.nth(2)).toBeVisible({ timeout: 20_000 });
  const count = await rows.count();
  // All is done on the line but a little: the plan has fewer steps, and the job is ready sooner.
  await give(
    page,
    job,
    ...counts(TRANSFER_CASE_GUARD.items),
    ...startAll(...TRANSFER_CASE_GUARD.stations.map(({ id }) => id)),
  );
  await expect.poll(() => rows.count(), { timeout: 30_000 }).toBeLessThan(count);
  await page.goto(app.url);
  await expect.poll(() => readyIn(page, 1), { timeout: 30_000 }).not.toBe(before);
});

test('what if, week and the wall: tried side by side, nothing is kept', async ({ page, app }) => {
  await signIn(page, app);
  await page.getByRole('button', { name: 'What if' }).click();
  await expect(page.getByRole('columnheader', { name: 'Ready then' })).toBeVisible({ timeout: 20_000 });
  await page.getByLabel('One is not there').selectOption({ label: 'Rafe Orrin' });
  await expect(page.getByRole('status').filter({ hasText: 'Without Rafe Orrin' })).toBeVisible();
  await expect(page.getByText(/\+\d|the same/).first()).toBeVisible({ timeout: 20_000 });
  await page.getByLabel('The bay is at, °C').fill('2');
  await expect(page.getByRole('status').filter({ hasText: 'Bay at 2 °C' })).toBeVisible();
  await page.getByRole('button', { name: 'As it is' }).click();
  await expect(page.getByText('As it is.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('One is not there')).toHaveValue('');
  await page.getByRole('button', { name: 'Week' }).click();
  await expect(page.getByRole('rowheader', { name: '4', exact: true })).toBeVisible();
  const tomorrow = page.getByRole('columnheader').nth(2);
  await tomorrow.getByRole('button').click();
  await expect(page.getByRole('button', { name: 'Day', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText('Today');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('banner')).toBeHidden();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});

test('a step that takes two is not offered while nobody is free, but begun once somebody holds', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  const job = await openJob(page, 'v-gorse', ROCK_SLIDERS.id, {}, 3);
  await give(page, job, ...counts(ROCK_SLIDERS.items));
  // All but two have gone home, and the other one is at work.
  await page.route('**/api/days?*', async (route) => {
    const response = await route.fetch();
    const day = (await response.json()) as DayDocument;
    const people = day.people.filter(({ name }) => name === 'Rafe Orrin' || name === 'Mira Vane');
    const mira = people.find(({ name }) => name === 'Mira Vane')?.id ?? '';
    const others = day.jobs.filter(({ id, work }) => id !== job && work.steps.some(({ free }) => free)).slice(0, 4);
    const jobs = [
      ...day.jobs.filter(({ id }) => id === job),
      ...others.map((one) => ({ ...one, begun: true, fitters: [mira] })),
    ];
    await route.fulfill({ response, json: { ...day, people, jobs, open: [] } });
  });
  // Done up to the step that two have to hold.
  await workLine(page, job, ({ log }) => {
    const next = nextOnLine(log.plan, log.state, '', Date.now());
    return next !== undefined && (lineOf(log.plan).stepById.get(next.act.step)?.step.people ?? 1) === 1;
  });
  await page.goto(`${app.url}/jobs/${job}/line`);
  const alone = page.getByRole('heading', { name: 'Nobody to hold' });
  await expect(alone).toBeVisible({ timeout: 20_000 });
  const busy = page.getByText(/nobody is free before \d\d:\d\d, then Mira Vane/);
  await expect(busy).toBeVisible();
  await page.getByRole('button', { name: 'Somebody holds: begin' }).click();
  await expect(alone).toHaveCount(0);
  // The screen of the step goes on saying it.
  await expect(busy).toBeVisible();
  await page.unroute('**/api/days?*');
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByText(/Takes two: .* is free/)).toBeVisible({ timeout: 20_000 });
});

test('a phone has the day as a list, and a person their calendar', async ({ page, app }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, app);
  const agenda = page.getByRole('main').getByRole('listitem').filter({ hasText: '14-231' }).first();
  await expect(agenda).toBeVisible({ timeout: 20_000 });
  await expect(agenda.getByRole('link', { name: 'What its end hangs on' })).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 800 });
  const calendar = page.getByRole('link', { name: 'Mira Vane’s days as a calendar' });
  const href = (await calendar.getAttribute('href')) ?? '';
  const answer = await page.request.get(`${app.url}${href}`);
  expect(answer.status()).toBe(200);
  expect(await answer.text()).toMatch(/BEGIN:VCALENDAR[\s\S]*SUMMARY:/);
});
