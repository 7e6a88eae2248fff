import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import { jobProgress } from '#core/job/job-progress.ts';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { DEMO_SHOP, demoWrenches } from '#demo/shop.ts';
import { openKit } from '#demo/try-job.ts';
import { Shop, stage } from '../../test/stage.tsx';
import Bays from './Bays.tsx';

afterEach(cleanup);

const MIDDAY = new Date().setHours(12, 0, 0, 0);
const HOUR = 3_600_000;
const { plan, state } = openKit(FRONT_RECOVERY_POINTS, { shield: false });
const PROGRESS = jobProgress(plan, state);

const GOOD_WRENCHES = demoWrenches(Date.now()).map((wrench) => ({ ...wrench, calibrationDueOn: '2099-01-01' }));

const card = (over: Partial<JobCard> = {}): JobCard => ({
  id: '11111111-1111-4111-8111-111111111111',
  number: '261127-1',
  bay: 2,
  plannedStartMs: MIDDAY,
  estimatedMinutes: 95,
  kitTitle: 'Front recovery points',
  vehicle: { make: 'Aldren', model: 'Tussock', plate: 'US 1' },
  progress: PROGRESS,
  ...over,
});
const shop = (...jobs: JobCard[]) =>
  new Shop()
    .on('GET /wrenches', { body: GOOD_WRENCHES })
    .on('GET /crib', { body: { people: [{ id: 'u-vane', name: 'Mira Vane' }] } })
    .on('GET /jobs', { body: jobs });
const show = (given: Shop) => stage(<Route path="/" element={<Bays />} />, '/', given);
const bay = (number: number): HTMLElement => screen.getAllByRole('listitem')[number - 1] as HTMLElement;

describe('the bays', () => {
  it('say that they are being read, not that nothing is there', async () => {
    show(shop().on('GET /jobs', 'never'));
    expect(await screen.findByText('Reading the bays.')).toBeVisible();
    expect(screen.getByText('Reading.')).toBeVisible();
    expect(screen.queryByText('Nothing waits for anybody.')).toBeNull();
  });
  it('without a job show every bay free, nothing waiting, and the way to receive one', async () => {
    show(shop());
    expect(await screen.findAllByText('free')).toHaveLength(DEMO_SHOP.bays);
    expect(await screen.findByText('Nothing waits for anybody.')).toBeVisible();
    expect(screen.getByRole('link', { name: 'Receive a vehicle' })).toHaveAttribute('href', '/receive');
  });
  it('show a job in its bay, with where it stands, and open it there', async () => {
    show(shop(card()));
    const job = await screen.findByRole('link', { name: /US 1 Tussock/ });
    expect(bay(2)).toContainElement(job);
    expect(job).toHaveAttribute('href', `/jobs/${card().id}/check-in`);
    expect(job).toHaveTextContent('about 1 h 35 min');
    expect(job).toHaveTextContent(/in In .*bay 2/);
    expect(within(bay(1)).getByText('free')).toBeVisible();
  });
  it('a closed job leads to its record; one from before stands by itself', async () => {
    const closed = card({ progress: { ...PROGRESS, phase: 'closed' }, closedAtMs: MIDDAY });
    const old = card({ id: '2', number: '261125-4', plannedStartMs: MIDDAY - 48 * HOUR });
    show(shop(closed, old));
    expect(await screen.findByRole('link', { name: /US 1 Tussock/ })).toHaveAttribute(
      'href',
      expect.stringMatching(/record$/),
    );
    expect(screen.getByRole('heading', { name: 'Still open from before' })).toBeVisible();
    expect(screen.getByRole('link', { name: /261125-4, Front/ })).toHaveAttribute('href', '/jobs/2/check-in');
  });
  it('two jobs of one bay at the same hour do not lie over each other', async () => {
    show(shop(card(), card({ id: '2', vehicle: { make: 'Aldren', model: 'Carrick', plate: 'US 2' } })));
    const tops = (await screen.findAllByRole('link', { name: /US [12]/ })).map((link) => link.parentElement?.style.top);
    expect(new Set(tops).size).toBe(2);
  });
  it('a long name is cut off by the drawing, not lost to a reader', async () => {
    const model = 'Tussock Long Wheelbase Expedition Dual Cab with the very long name';
    show(shop(card({ vehicle: { make: 'Aldren', model, plate: 'ABCDEFG 12345' } })));
    expect(await screen.findByText(model)).toHaveClass('truncate');
    // The plate is what the job is known by: it is never cut.
    expect(screen.getByText('ABCDEFG 12345')).not.toHaveClass('truncate');
  });
  it('short lines are said at the job and wait for a hand', async () => {
    const progress = { ...PROGRESS, shortLines: [{ line: '4', name: 'Bolt', short: 2, stations: 2 }] };
    show(shop(card({ progress })));
    expect(await screen.findByText('2 short of 4')).toBeVisible();
    expect(screen.queryByText('Nothing waits for anybody.')).toBeNull();
  });
  it('offline say so in one sentence, and that what is seen may be old', async () => {
    show(shop().on('GET /jobs', 'unreachable'));
    expect(await screen.findByRole('alert')).toHaveTextContent(
      'The server cannot be reached. Nothing was changed; try again. What you see may be old.',
    );
  });
  it('refused show the reason; a session that ran out is not a failure of the bays', async () => {
    show(shop().on('GET /jobs', { problem: { code: 'notPermitted', status: 403, title: 'Not for you' } }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Not for you');
    cleanup();
    show(shop().on('GET /jobs', { problem: { code: 'notSignedIn', status: 401 } }));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  });
  it('ask for the day that is shown', async () => {
    const { user, shop: asked } = show(shop());
    await screen.findAllByText('free');
    await user.click(screen.getByRole('button', { name: 'Day after' }));
    await waitFor(() =>
      expect(
        Number(
          asked
            .sent('GET')
            .findLast(({ path }) => path === '/jobs')
            ?.query.get('from'),
        ),
      ).toBeGreaterThan(Date.now()),
    );
    await user.click(screen.getByRole('button', { name: 'Today' }));
    expect(screen.getByRole('heading', { name: 'Today' })).toBeVisible();
  });
});
