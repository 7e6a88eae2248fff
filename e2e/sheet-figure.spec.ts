import { join } from 'node:path';
import { FRONT_LIFT } from '#demo/kits.ts';
import { expect, give, openJob, signIn, test } from './support/app.ts';
import { untilAct, workLine } from './support/line.ts';

const PAGE = join(import.meta.dirname, '../docs/screenshots/bays.png');

/** The long kit under a name of its own: the tests share one library. */
const KIT = { ...FRONT_LIFT, id: 'front-lift-figures', title: 'Front lift with figures' };

test('a figure is cut out of the sheet, pinned to a step, released with the kit and shown at the act, offline too', async ({
  page,
  app,
  browser,
}) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  const made = await page.request.post(`${app.url}/api/kit-library/drafts`, { data: { document: KIT } });
  expect(made.status(), await made.text()).toBe(201);
  await page.goto(`${app.url}/kits/drafts/${KIT.id}/steps`);
  await page
    .getByRole('button', { name: /Bring your figure|1\.1/ })
    .first()
    .click();
  const figure = page.getByLabel(/figure of the sheet$/).first();
  await figure.selectOption({ label: 'Cut one out…' });

  // What is no page is refused by its name.
  const dialog = page.getByRole('dialog');
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'notes.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('no picture'),
  });
  await expect(dialog.getByRole('alert')).toContainText('notes.txt is neither a picture nor a PDF');
  await dialog.locator('input[type=file]').setInputFiles(PAGE);
  const stage = dialog.locator('.touch-none');
  await expect(stage.locator('canvas')).toBeVisible();
  const box = await stage.boundingBox();
  if (!box) throw new Error('no page on screen');
  await page.mouse.move(box.x + 20, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  await dialog.getByLabel('Called').fill('Figure 1');
  await dialog.getByRole('button', { name: 'Pin it here' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(figure).toHaveValue(/figure/);
  await expect(page.getByRole('img', { name: 'Figure 1' })).toBeVisible();
  const saved = async () =>
    (await (await page.request.get(`${app.url}/api/kit-library/drafts/${KIT.id}`)).json()) as {
      version: number;
      document: { figures?: Array<{ picture: string; page: string }> };
    };
  await expect.poll(async () => (await saved()).document.figures?.length).toBe(1);
  const draft = await saved();
  const [cut] = draft.document.figures ?? [];
  expect(cut?.page).not.toBe(cut?.picture);
  const released = await page.request.post(`${app.url}/api/kit-library/drafts/${KIT.id}/release`, {
    data: {
      version: draft.version,
      note: 'with its figures',
      waivers: [{ key: '*', reason: 'the long kit as the demo has it' }],
    },
  });
  expect(released.status(), await released.text()).toBe(201);

  // At the act it is pinned to, small; a tap shows it large, and the page it was cut from.
  const job = await openJob(page, 'v-carrick', KIT.id, {}, 2);
  await give(
    page,
    job,
    ...KIT.items.map(({ id, quantity, mark }) => ({
      type: 'countLine',
      item: id,
      found: quantity,
      damaged: 0,
      read: mark,
    })),
  );
  await workLine(
    page,
    job,
    untilAct(({ action }) => action.figure !== undefined),
  );
  await page.goto(`${app.url}/jobs/${job}/line`);
  const small = page.getByRole('img', { name: 'Sheet: Figure 1' });
  await expect(small).toBeVisible();
  await expect.poll(() => small.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(10);
  const width = await small.evaluate((img: HTMLImageElement) => img.naturalWidth);
  await small.click();
  await page.getByRole('button', { name: 'The whole page' }).click();
  const whole = page.getByRole('img', { name: 'Page of Figure 1' });
  await expect(whole).toBeVisible();
  await expect.poll(() => whole.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(width);
  // Named by its bytes, it is kept for good.
  const answer = await page.request.get(`${app.url}/api/kit-library/pictures/${cut?.picture}`);
  expect(answer.headers()['cache-control']).toContain('immutable');

  // The tablet has it before it is looked at: the job was only opened, and then the network went.
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } });
  const tablet = await context.newPage();
  await signIn(tablet, app, 'Rafe Orrin', '1357');
  await tablet.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await tablet.goto(`${app.url}/jobs/${job}/check-in`);
  const kept = () =>
    tablet.evaluate(async () => (await (await caches.open('kit-pictures')).keys()).map(({ url }) => url).length);
  await expect.poll(kept, { timeout: 20_000 }).toBe(2);
  await context.setOffline(true);
  await tablet.goto(`${app.url}/jobs/${job}/line`);
  const here = tablet.getByRole('img', { name: 'Sheet: Figure 1' });
  await expect(here).toBeVisible();
  await expect.poll(() => here.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(width);
  await context.close();
});
