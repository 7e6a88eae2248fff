import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import { Route } from 'react-router';
import type { Crib } from '#contract/crib.ts';
import { kitOfActs, ONE_OF_EACH } from '#demo/any-acts.ts';
import { demoBottles, demoTemperatures, demoTools } from '#demo/crib.ts';
import { guard, NOON, openKit, plate } from '#demo/try-job.ts';
import { documentOf, stageJob } from '../../test/job-stage.tsx';
import { Shop } from '../../test/stage.tsx';
import JobCardScreen from '../job-card/JobCardScreen.tsx';
import ReadinessScreen from './ReadinessScreen.tsx';

afterEach(cleanup);

const SCREENS = (
  <>
    <Route path="readiness" element={<ReadinessScreen />} />
    <Route path="card" element={<JobCardScreen />} />
  </>
);
const crib = (over: Partial<Crib> = {}): Crib => ({
  wrenches: [],
  tools: demoTools(),
  bottles: demoBottles(NOON),
  temperatures: demoTemperatures(NOON),
  rechecks: [],
  people: [],
  ...over,
});
const shop = (over: Partial<Crib> = {}) =>
  new Shop().on('GET /crib', { body: crib(over) }).on('GET /kits/*/minutes', { body: [] });
const show = (given: Shop, log = plate(true).log, over = {}) =>
  stageJob(SCREENS, 'readiness', log, { shop: given, over });

describe('what the day needs', () => {
  it('is not said before the crib is read, nor without it', async () => {
    show(shop().on('GET /crib', 'never'));
    expect(await screen.findByText('Reading the crib.')).toBeVisible();
    expect(screen.queryByText('Nothing is missing.')).toBeNull();
    cleanup();
    show(shop().on('GET /crib', 'unreachable'));
    expect(await screen.findByRole('alert')).toHaveTextContent('The server cannot be reached');
    expect(screen.queryByText('Nothing is missing.')).toBeNull();
  });
  it('an empty crib is missing every tool, and each says where to go', async () => {
    show(shop({ tools: [], bottles: [] }));
    await screen.findByRole('heading', { name: 'Tools' });
    expect(screen.getAllByText('none').length).toBeGreaterThan(0);
    expect(screen.getAllByRole('link', { name: /^Go there/ }).length).toBeGreaterThan(0);
    expect(screen.queryByText('Nothing is missing.')).toBeNull();
  });
  it('a shop without a wrench that reaches says which torque is missing', async () => {
    show(shop(), plate(true).log, { wrenches: [] });
    expect((await screen.findAllByText('Missing')).length).toBeGreaterThan(0);
  });
  it('what no box brings is got with its amount and its day; what the crib lacks is got from somebody', async () => {
    const kit = kitOfActs([ONE_OF_EACH.fill, ONE_OF_EACH.grease]);
    const { user, given } = show(shop({ tools: [] }), openKit(kit));
    expect(await screen.findByRole('heading', { name: 'To be bought' })).toBeVisible();
    await user.click(screen.getByRole('button', { name: /It is there.*oil/ }));
    const amount = await screen.findByLabelText('How much is there, L');
    await user.clear(amount);
    await user.type(amount, 'x');
    expect(screen.getByRole('button', { name: 'Keep it' })).toBeDisabled();
    await user.clear(amount);
    await user.type(amount, '1,5');
    await user.click(screen.getByRole('button', { name: 'Keep it' }));
    expect(given.at(-1)).toMatchObject({ type: 'noteBought', wanted: 'fill oil L', quantity: 1.5 });
    expect(await screen.findByText('there')).toBeVisible();
    await user.click(screen.getByRole('button', { name: /Get it.*grease gun/ }));
    await user.click(await screen.findByRole('button', { name: 'Rented' }));
    await user.type(await screen.findByLabelText('From whom'), 'Sallow Hire');
    await user.click(screen.getByRole('button', { name: 'Reserve it for this job' }));
    expect(given.at(-1)).toMatchObject({ type: 'arrangeTool', how: 'rented', from: 'Sallow Hire' });
    expect(await screen.findByText('rented from Sallow Hire')).toBeVisible();
  });
  it('threads without a compound need none; own history is shown with its jobs', async () => {
    show(shop().on('GET /kits/*/minutes', { body: [50, 60, 70] }), guard().log);
    expect(await screen.findByText('No thread takes any.')).toBeVisible();
    expect(await screen.findByText(/\(3\)/)).toBeVisible();
  });
  it('a withdrawn kit keeps it from beginning', async () => {
    const log = guard().log;
    const kits = documentOf(log).kits.map((kit) => ({ ...kit, withdrawn: { atMs: 0, because: 'wrong bolt' } }));
    show(shop(), log, { kits });
    expect((await screen.findAllByText(/wrong bolt/)).length).toBeGreaterThan(0);
  });
});

describe('the card of a job', () => {
  it('has its number, its vehicle and its code; the label the plate', async () => {
    const { user } = stageJob(SCREENS, 'card', guard().log);
    const card = await screen.findByRole('article', { name: 'Job card' });
    expect(card).toHaveTextContent('261127-1');
    expect(await screen.findByRole('img', { name: /^Code of http:\/\/shop\.test\// })).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Label' }));
    expect(screen.getByRole('region', { name: 'Label' })).toHaveTextContent(documentOf(guard().log).vehicle.plate);
    expect(screen.getByRole('button', { name: 'Print the label' })).toBeVisible();
  });
});
