import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { DraftCard, KitCard, KitReach, RevisionCard } from '#contract/kit-draft.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { FITTER, Shop, stage } from '../../test/stage.tsx';
import KitHistory from './KitHistory.tsx';
import KitLibrary from './KitLibrary.tsx';

afterEach(cleanup);

const ROUTES = (
  <>
    <Route path="/kits" element={<KitLibrary />} />
    <Route path="/kits/:kitId" element={<KitHistory />} />
  </>
);
const kit = (over: Partial<KitCard> = {}): KitCard => ({
  id: 'guard',
  title: 'Transfer-case guard',
  maker: 'Fernhill Fabrication',
  revision: 2,
  stations: 6,
  groups: 1,
  statedMinutes: 45,
  addedAtMs: Date.UTC(2026, 10, 1),
  errors: 0,
  warnings: 0,
  ...over,
});
const draft = (over: Partial<DraftCard> = {}): DraftCard => ({
  id: 'brace',
  title: 'Brace',
  maker: 'Pennant Works',
  version: 3,
  stations: 4,
  changedAtMs: Date.UTC(2026, 10, 2, 9, 30),
  changedBy: 'Mira Vane',
  ...over,
});
const shop = (kits: KitCard[] = [kit()], drafts: DraftCard[] = []) =>
  new Shop().on('GET /kit-library/library', { body: kits }).on('GET /kit-library/drafts', { body: drafts });
const as = (role: 'apprentice' | 'lead') => ({ ...FITTER, person: { ...FITTER.person, role } });
const library = (given = shop(), session = FITTER) => stage(ROUTES, '/kits', given, session);

describe('the kits of the shop', () => {
  it('are being read; cannot be read and are tried again', async () => {
    library(shop().on('GET /kit-library/library', 'never'));
    expect(await screen.findByText('Reading the kits.')).toBeVisible();
    cleanup();
    const { user, shop: asked } = library(shop().on('GET /kit-library/library', 'unreachable'));
    expect(await screen.findByText('The kits cannot be read')).toBeVisible();
    expect(screen.getByText(/The server cannot be reached/)).toBeVisible();
    asked.on('GET /kit-library/library', { body: [kit()] });
    await user.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByText('Transfer-case guard')).toBeVisible();
  });
  it('without any say how to get one', async () => {
    library(shop([]));
    expect(await screen.findByText('No kit yet. Read a maker’s sheet, or add a kit file.')).toBeVisible();
    expect(screen.queryByRole('heading', { name: 'Being written' })).toBeNull();
  });
  it('say what the lint found, the worst of it', async () => {
    library(
      shop([kit({ id: 'a', errors: 2, warnings: 5 }), kit({ id: 'b', warnings: 3 }), kit({ id: 'c', groups: 2 })]),
    );
    expect(await screen.findByText('errors: 2')).toHaveClass('text-bad');
    expect(screen.getByText('warnings: 3')).toBeVisible();
    expect(screen.getByText('no findings')).toBeVisible();
    expect(screen.getByText(/6 stations in 2 groups · 45 min stated/)).toBeVisible();
  });
  it('are found by title, maker or id, every word of it', async () => {
    const { user } = library(shop([kit(), kit({ id: 'sliders', title: 'Rock sliders', maker: 'Pennant Works' })]));
    await screen.findByText('Rock sliders');
    await user.type(screen.getByRole('searchbox'), 'fernhill guard');
    expect(screen.queryByText('Rock sliders')).toBeNull();
    await user.type(screen.getByRole('searchbox'), ' zzz');
    expect(screen.getByText('No kit matches “fernhill guard zzz”.')).toBeVisible();
  });
  it('an apprentice reads them and writes none', async () => {
    library(shop([kit()], [draft()]), as('apprentice'));
    expect(await screen.findByText('Transfer-case guard')).toBeVisible();
    expect(screen.queryByRole('button', { name: /Write revision/ })).toBeNull();
    expect(screen.queryByRole('link', { name: 'Read a maker’s sheet' })).toBeNull();
    expect(screen.getByRole('link', { name: 'Export' })).toHaveAttribute(
      'href',
      '/api/kit-library/guard/revisions/2/file',
    );
  });
  it('a revision is begun and opened; refused, the reason is said and nobody is sent anywhere', async () => {
    const {
      user,
      here,
      shop: asked,
    } = library(
      shop().on('POST /kit-library/guard/revise', {
        problem: { code: 'draftExists', status: 409, title: 'Someone is writing it', detail: 'Tam, since nine' },
      }),
    );
    const write = await screen.findByRole('button', { name: 'Write revision 3' });
    await user.click(write);
    expect(await screen.findByRole('alert')).toHaveTextContent('Someone is writing it. Tam, since nine');
    expect(here()).toBe('/kits');
    asked.on('POST /kit-library/guard/revise', { body: {}, status: 201 });
    await user.click(write);
    await waitFor(() => expect(here()).toBe('/kits/drafts/guard'));
  });
  it('an empty kit wants a title and a maker, and is made under an id of its title', async () => {
    const { user, here, shop: asked } = library(shop().on('POST /kit-library/drafts', { body: {}, status: 201 }));
    await user.click(await screen.findByRole('button', { name: 'Start an empty kit' }));
    await user.click(await screen.findByRole('button', { name: 'Start' }));
    expect(screen.getByText('Give the kit a title and a maker.')).toBeVisible();
    expect(asked.sent('POST')).toEqual([]);
    await user.type(screen.getByLabelText('Title'), 'Bär’s Brace, Mk 2');
    await user.type(screen.getByLabelText('Maker'), 'Pennant Works');
    await user.click(screen.getByRole('button', { name: 'Start' }));
    await waitFor(() => expect(here()).toMatch(/^\/kits\/drafts\/[a-z0-9-]+$/));
    expect(asked.sent('POST')[0]?.body).toMatchObject({ document: { title: 'Bär’s Brace, Mk 2' } });
  });
  it('what is being written is listed with who and when, long names and all', async () => {
    const title = 'A title so long that no screen has ever been wide enough to show the whole of it in one line';
    library(shop([kit()], [draft({ title })]));
    const line = await screen.findByRole('link', { name: new RegExp(title) });
    expect(line).toHaveTextContent('4 stations');
    expect(line).toHaveTextContent(/Mira Vane, 2 Nov/);
  });
});

describe('the revisions of a kit', () => {
  const revision = (number: number, over: Partial<RevisionCard> = {}): RevisionCard => ({
    revision: number,
    addedAtMs: Date.UTC(2026, 9, number),
    waivers: [],
    ...over,
  });
  const first = { ...TRANSFER_CASE_GUARD, revision: 1 };
  const second = { ...first, revision: 2, title: 'Transfer-case guard, heavy' };
  const none: KitReach = { open: [], fitted: [] };
  const history = (revisions: RevisionCard[], session = FITTER, reach = none) =>
    stage(
      ROUTES,
      '/kits/guard',
      shop()
        .on('GET /kit-library/guard/revisions', { body: revisions })
        .on('GET /kit-library/guard/revisions/1', { body: first })
        .on('GET /kit-library/guard/revisions/2', { body: second })
        .on('GET /kit-library/guard/revisions/3', { body: { ...first, revision: 3 } })
        .on('GET /kit-library/guard/reach', { body: reach }),
      session,
    );
  it('show what changed between the newest two', async () => {
    history([revision(2, { note: 'Heavier plate', releasedBy: 'Rafe Orrin' }), revision(1)]);
    expect(await screen.findByText('Heavier plate')).toBeVisible();
    expect(screen.getByText('Added as a file')).toBeVisible();
    expect(await screen.findByText(/heavy/, { selector: 'li' })).toBeVisible();
  });
  it('one alone differs from nothing', async () => {
    history([revision(1)]);
    expect(await screen.findByText('Nothing differs.')).toBeVisible();
  });
  it('say whom a revised sheet concerns, and what of the shop’s own edits the maker’s newer file does not know', async () => {
    const vehicle = { id: 'v-1', model: 'Carrick 3.0', plate: '14-208' };
    history([revision(3), revision(2, { note: 'Heavier plate', releasedBy: 'Rafe Orrin' }), revision(1)], FITTER, {
      open: [{ job: 'j-1', number: '261127-1', revision: 2, vehicle }],
      fitted: [{ job: 'j-0', number: '261001-1', revision: 1, vehicle: { ...vehicle, plate: '' }, closedAtMs: 1 }],
    });
    expect(await screen.findByRole('link', { name: 'Carrick 3.0 · 14-208' })).toHaveAttribute(
      'href',
      '/jobs/j-1/receive',
    );
    expect(screen.getByRole('link', { name: 'Carrick 3.0 · no plate' })).toHaveAttribute('href', '/vehicles/v-1');
    expect(screen.getByText(/goes on with the revision it was opened with/)).toBeVisible();
    expect(await screen.findByRole('heading', { name: 'The shop’s own edits' })).toBeVisible();
    expect(await screen.findByText('not in it')).toBeVisible();
  });
  it('concern nobody where no job has the kit', async () => {
    history([revision(1)]);
    expect(await screen.findByText('No open job has it.')).toBeVisible();
    expect(screen.getByText('It was fitted to no vehicle yet.')).toBeVisible();
  });
  it('what was let stand and what was withdrawn is said', async () => {
    history([
      revision(1, {
        waivers: [{ key: 'noOrder groups[0]', reason: 'two bolts', by: 'Rafe Orrin' }],
        withdrawn: { atMs: Date.UTC(2026, 9, 9), because: 'wrong torque' },
      }),
    ]);
    expect(await screen.findByText(/Let stand by Rafe Orrin: two bolts/)).toBeVisible();
    expect(screen.getByText(/Withdrawn 9 Oct 2026: wrong torque/)).toBeVisible();
  });
  it('only a lead withdraws, with a reason', async () => {
    history([revision(1)]);
    await screen.findByText('Nothing differs.');
    expect(screen.queryByRole('button', { name: /Withdraw/ })).toBeNull();
    cleanup();
    const { user, shop: asked } = history([revision(1)], as('lead'));
    asked.on('POST /kit-library/guard/revisions/1/withdraw', { body: {}, status: 200 });
    await user.click(await screen.findByRole('button', { name: 'Withdraw revision 1' }));
    const sheet = await screen.findByRole('dialog');
    await user.type(within(sheet).getByRole('textbox'), 'wrong torque');
    await user.click(within(sheet).getByRole('button', { name: 'Withdraw it' }));
    await waitFor(() => expect(asked.sent('POST')[0]?.body).toEqual({ because: 'wrong torque' }));
  });
  it('a kit that is not there is not one that cannot be reached', async () => {
    stage(
      ROUTES,
      '/kits/nope',
      shop().on('GET /kit-library/nope/revisions', { problem: { code: 'unknownKit', status: 404 } }),
    );
    expect(await screen.findByText('No such kit')).toBeVisible();
    cleanup();
    stage(ROUTES, '/kits/guard', shop().on('GET /kit-library/guard/revisions', 'unreachable'));
    expect(await screen.findByText('The kit cannot be read')).toBeVisible();
    expect(screen.queryByText('No such kit')).toBeNull();
  });
});
