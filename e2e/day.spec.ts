import type { Locator, Page } from '@playwright/test';
import { expect, openJob, signIn, test } from './support/app.ts';

/** The shop's day: jobs moved by hand and by keyboard, called off and put back, and cards printed anew. */

/** What is moved stands in bay 3 and is promised to nobody: a promise would hold it back late in the evening. */
const handles = (page: Page) => bayOf(page, 3).getByRole('button', { name: /^Move / });
/** A time as it is shown: what is tomorrow's late in the evening has its day. */
const TIME = String.raw`(?:[A-Z][a-z]{2} )?\d\d:\d\d`;
/** Where a job stands, as its note says after a move. */
const note = (page: Page) => page.getByRole('status').filter({ hasText: 'now in bay' });
const bayOf = (page: Page, bay: number): Locator =>
  page
    .getByRole('main')
    .getByRole('listitem')
    .filter({ has: page.getByText('Bay', { exact: true }) })
    .nth(bay - 1);

async function freeBay(page: Page): Promise<number> {
  for (let bay = 1; bay <= 4; bay += 1) if ((await bayOf(page, bay).getByText('free').count()) > 0) return bay;
  return 4;
}

/** Where something stands once the plan of the day has moved nothing more: a hand also waits until it holds still. */
async function settled(of: Locator): Promise<{ x: number; y: number; width: number; height: number }> {
  let box = await of.boundingBox();
  await expect
    .poll(
      async () => {
        const before = JSON.stringify(box);
        box = await of.boundingBox();
        return box !== null && JSON.stringify(box) === before;
      },
      { intervals: [400, 400, 400] },
    )
    .toBe(true);
  if (!box) throw new Error('nothing to move');
  return box;
}

test('a job is moved by its handle to another bay and hour, and put back', async ({ page, app }) => {
  await signIn(page, app);
  await openJob(page, 'v-carrick', 'transfer-case-guard', {}, 3);
  await page.goto(app.url);
  const handle = handles(page).first();
  await expect(handle).toBeVisible();
  const name = (await handle.getAttribute('aria-label'))?.replace('Move ', '') ?? '';
  const from = await settled(handle);
  const free = await freeBay(page);
  const bays = await Promise.all([free, 1, 2, 4].map((bay) => settled(bayOf(page, bay))));
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y + 30, { steps: 4 });
  // Late in the evening, and with many jobs, a bay may have no place left today: the hand goes on to the next.
  const told = page.getByText(new RegExp(`^Bay [124], ${TIME} to ${TIME}$`));
  let turn = 0;
  await expect(async () => {
    const to = bays[turn % bays.length] ?? from;
    const along = 0.5 + 0.12 * (Math.floor(turn / bays.length) % 4);
    turn += 1;
    await page.mouse.move(to.x + to.width * along, to.y + to.height / 2, { steps: 8 });
    // What it would be is told before the hand lets go.
    await expect(told).toBeVisible({ timeout: 700 });
  }).toPass({ timeout: 30_000 });
  await page.mouse.up();
  await expect(note(page)).toContainText(name);
  const moved = await note(page).textContent();
  await page.reload();
  const bay = Number(/bay (\d)/.exec(moved ?? '')?.[1]);
  // A vehicle may have several jobs in a bay.
  await expect(
    bayOf(page, bay)
      .getByRole('link', { name: new RegExp(name) })
      .first(),
  ).toBeVisible();
});

test('by keyboard: lifted, a quarter on, a bay down, to tomorrow; Escape leaves it', async ({ page, app }) => {
  await signIn(page, app);
  await openJob(page, 'v-carrick', 'transfer-case-guard', {}, 3);
  await page.goto(app.url);
  const handle = handles(page).first();
  const name = (await handle.getAttribute('aria-label')) ?? '';
  const today = await page.getByRole('button', { name }).count();
  const preview = page.getByText(new RegExp(`^Bay \\d, .*${TIME} to ${TIME}$`));
  const lift = async () => {
    await handle.focus();
    await page.keyboard.press('Space');
    await expect(page.getByText(/is lifted/)).toBeAttached();
  };
  // The first keys after the lift may come before the hand is followed: a key is pressed until it moves the job.
  const until = (key: string, stands: RegExp) =>
    expect(async () => {
      await page.keyboard.press(key);
      await expect(preview).toHaveText(stands, { timeout: 1000 });
    }).toPass({ timeout: 20_000 });
  await lift();
  await until('ArrowRight', /./);
  const first = (await preview.textContent()) ?? '';
  await expect(async () => {
    await page.keyboard.press('ArrowRight');
    await expect(preview).not.toHaveText(first, { timeout: 1000 });
  }).toPass({ timeout: 20_000 });
  await page.keyboard.press('Escape');
  await expect(preview).toHaveCount(0);
  await expect(note(page)).toHaveCount(0);
  await lift();
  await until('PageDown', /^Bay \d, \w+day/);
  await page.keyboard.press('Space');
  await expect(note(page)).toBeVisible();
  // A vehicle may have several jobs: they are counted.
  const ofVehicle = page.getByRole('button', { name });
  await expect(ofVehicle).toHaveCount(today - 1);
  await page.getByRole('button', { name: 'Day after' }).click();
  await expect(ofVehicle.first()).toBeVisible();
  // Late in the evening what is put back ends tomorrow, and stands on both pages: today's tells.
  await note(page).getByRole('button', { name: 'Put it back' }).click();
  await expect(note(page)).toHaveCount(0);
  await page.getByRole('button', { name: 'Today', exact: true }).click();
  await expect(ofVehicle).toHaveCount(today);
});

test('a vehicle that does not come frees its bay and is put back; its card prints alone', async ({ page, app }) => {
  await signIn(page, app);
  await page.getByRole('link', { name: 'Receive', exact: true }).click();
  // Nobody knows this plate: it becomes a new vehicle, with the plate in its field.
  await page.getByLabel('Plate, owner, VIN').fill('nw 26 abc');
  await page.keyboard.press('Enter');
  const form = page.getByRole('dialog', { name: 'New vehicle' });
  await expect(form.getByLabel('Plate')).toHaveValue('NW 26 ABC');
  await form.getByLabel('Owner', { exact: true }).fill('Una Farrow');
  await form.getByLabel('Owner’s phone or mail').fill('0555 010 203');
  await form.getByLabel('Make').fill('Aldren');
  await form.getByLabel('Model', { exact: true }).fill('Gorse');
  await form.getByLabel('Model year').fill('2021');
  await form.getByLabel('Driven wheels').selectOption('four');
  await form.getByLabel('Body', { exact: true }).selectOption('dual-cab');
  await form.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: /^Track-bar brace/ }).click();
  // In the middle of it the tablet is reloaded.
  await page.reload();
  await expect(page.getByRole('button', { name: /NW 26 ABC/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('button', { name: /^Track-bar brace/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: /Open the job/ }).click();
  await expect(page).toHaveURL(/\/jobs\/.*\/(receive|check-in)$/);
  const job = page.url().replace(/\/[^/]+$/, '');

  await page.goto(`${job}/receive`);
  await page.getByRole('button', { name: 'It does not come' }).click();
  await page.getByRole('button', { name: 'Call it off' }).click();
  await expect(page.getByRole('alert')).toContainText('Say which of the two');
  await page.getByRole('button', { name: 'Did not come' }).click();
  await page.getByLabel('Note').fill('Nobody at the phone');
  await page.getByRole('button', { name: 'Call it off' }).click();
  await expect(page.getByText('Nobody at the phone.')).toBeVisible();
  await page.goto(app.url);
  const off = page.locator('section', { has: page.getByRole('heading', { name: 'Called off' }) });
  await expect(off).toContainText('NW 26 ABC');
  await expect(page.getByRole('button', { name: /Move NW 26 ABC/ })).toHaveCount(0);
  await off.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('button', { name: /Move NW 26 ABC/ })).toBeVisible();
  await expect(off).toHaveCount(0);

  await page.goto(`${job}/card`);
  await expect(page.getByText('0555 010 203')).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('article', { name: 'Job card' })).toBeVisible();
  await expect(page.getByRole('banner')).toBeHidden();
  // Printed, nothing stands above the card: no empty page, no heading of the screen.
  const top = await page.getByRole('article', { name: 'Job card' }).boundingBox();
  expect(top?.y).toBeLessThan(30);
});
