import type { Page } from '@playwright/test';
import type { JobDocument } from '#contract/job.ts';
import { type App, demoVisit, expect, give } from './app.ts';
import { countAll } from './line.ts';

/** A wrench that reaches what none of the demo's does: the sliders want 250 N·m. Other tests count on its absence: given back. */
export async function biggerWrench(page: Page, url: string): Promise<() => Promise<void>> {
  const added = await page.request.post(`${url}/api/crib/wrenches`, {
    data: {
      // What another test gave back may still stand in the crib's books by its label.
      label: `W-${90 + Math.floor(Math.random() * 1e6)}`,
      kind: 'click',
      squareDrive: '3/4 in',
      fullScaleNm: 400,
      lowestNm: 100,
      scaleUnit: 'N·m',
      divisionNm: 1,
      intervalMonths: 12,
      calibrationDueOn: new Date(Date.now() + 300 * 86_400_000).toISOString().slice(0, 10),
      live: false,
    },
  });
  expect(added.status(), await added.text()).toBeLessThan(300);
  const { id } = (await added.json()) as { id: string };
  return async () => {
    expect((await page.request.delete(`${url}/api/crib/wrenches/${id}`, { headers: { Origin: url } })).status()).toBe(
      200,
    );
  };
}

/** The demo's visit opened a second time, for a day that no other test looks at: they share the shop. */
async function sameVisitAgain(page: Page, app: App): Promise<string> {
  const shown = (await demoVisit(page, app)).replace('/jobs/', '/api/jobs/');
  const { kits, answers } = (await (await page.request.get(shown)).json()) as JobDocument;
  const opened = await page.request.post(`${app.url}/api/jobs`, {
    data: {
      vehicle: 'v-gorse',
      kits: kits.map(({ document }) => document.id),
      answers,
      bay: 4,
      plannedStartMs: Date.now() + 5 * 86_400_000,
    },
  });
  expect(opened.status(), await opened.text()).toBe(201);
  return ((await opened.json()) as { id: string }).id;
}

/** That visit with its conflict settled and its parts counted. */
export async function visitReady(page: Page, app: App): Promise<string> {
  const job = await sameVisitAgain(page, app);
  await give(page, job, {
    type: 'settleConflict',
    conflict: 'sameJoint station@track bar axle bolt',
    choice: 'track-bar-brace',
    reason: 'its bolt is longer',
  });
  await countAll(page, job);
  return job;
}

/** Every line of a packing list counted as it says. */
export const counts = (items: ReadonlyArray<{ id: string; quantity: number; mark?: string }>) =>
  items.map(({ id, quantity, mark }) => ({ type: 'countLine', item: id, found: quantity, damaged: 0, read: mark }));
