import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { AssignmentCard, AttemptCard, DrillCard, LearnerCard } from '#contract/drill.ts';
import type { Drill } from '#core/drill/drill.ts';
import { judgeDrill } from '#core/drill/judge-drill.ts';
import { type Meeting, masteryOf } from '#core/drill/mastery.ts';
import { playDrill, STYLES } from '#core/drill/scripted-learner.ts';
import { demoDrills } from '#demo/drills.ts';
import { DEMO_KITS, FRONT_RECOVERY_POINTS, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { useDrill } from '../../practice/drill-store.ts';
import { FITTER, Shop, stage } from '../../test/stage.tsx';
import DrillScreen from './DrillScreen.tsx';
import { drillForYou } from './for-you.ts';
import LayOutScreen from './LayOutScreen.tsx';
import LearnersScreen from './LearnersScreen.tsx';
import MakeDrill from './MakeDrill.tsx';
import VerdictScreen from './VerdictScreen.tsx';

beforeEach(() => useDrill.setState({ run: undefined, done: undefined, said: undefined }));
afterEach(cleanup);

const DRILLS = demoDrills() as [Drill, Drill, Drill, Drill];
const T0 = Date.now();
const DAY = 86_400_000;
const card = (drill: Drill): DrillCard => ({
  id: drill.id,
  title: drill.title,
  mode: drill.mode,
  kit: drill.kit.title,
  faults: drill.faults.length,
  level: 2,
  madeBy: 'Rafe Orrin',
});
const met: Meeting[] = [
  { kind: 'short', catch: 'caught', atMs: T0 - 9 * DAY },
  { kind: 'short', catch: 'caught', atMs: T0 - 3 * DAY },
  { kind: 'crossed', catch: 'missed', atMs: T0 - 6 * DAY },
];
const learner = (over: Partial<LearnerCard> = {}): LearnerCard => ({
  person: FITTER.person.id,
  name: FITTER.person.name,
  role: 'fitter',
  attempts: 2,
  lastMs: T0 - 3 * DAY,
  mastery: masteryOf(met, T0),
  ...over,
});
const attempt: AttemptCard = {
  id: 'a-1',
  drill: DRILLS[0].id,
  title: DRILLS[0].title,
  mode: 'guided',
  seed: 101,
  beganMs: T0 - DAY,
  endedMs: T0 - DAY,
  score: 0.5,
  caught: 1,
  late: 1,
  missed: 1,
  falseAlarms: 2,
  closed: true,
};
const asked = (over: Partial<AssignmentCard> = {}): AssignmentCard => ({
  id: 's-1',
  person: FITTER.person.id,
  personName: FITTER.person.name,
  drill: DRILLS[1].id,
  title: DRILLS[1].title,
  by: 'Rafe Orrin',
  atMs: T0 - 2 * DAY,
  comment: 'Before Friday.',
  ...over,
});
const shop = (): Shop =>
  new Shop()
    .on('GET /drills', { body: DRILLS.map(card) })
    .on('GET /drills/attempts', { body: [attempt] })
    .on('GET /drills/mastery', { body: learner() })
    .on('GET /drills/assignments', { body: [asked()] })
    .on('GET /drills/learners', { body: [learner(), learner({ person: 'u-hob', name: 'Hob Larkmoor', attempts: 0 })] })
    .on('GET /kits', { body: [TRANSFER_CASE_GUARD] });
const ROUTES = (
  <>
    <Route path="/drill" element={<DrillScreen />} />
    <Route path="/drill/verdict" element={<VerdictScreen />} />
    <Route path="/drill/verdict/:attempt" element={<VerdictScreen />} />
    <Route path="/drill/lay-out" element={<LayOutScreen />} />
    <Route path="/drill/learners" element={<LearnersScreen />} />
    <Route path="/drill/make" element={<MakeDrill />} />
    <Route path="*" element={<p>another screen</p>} />
  </>
);
const LEAD = { ...FITTER, person: { ...FITTER.person, role: 'lead' as const } };

describe('the drills', () => {
  it('stand with what is asked first, what was done, and what is spotted by now', async () => {
    const { user } = stage(ROUTES, '/drill', shop());
    expect(await screen.findByText(/Rafe Orrin asks you to do it\. Before Friday\./)).toBeVisible();
    expect(screen.getByText(/Drill for you/)).toBeVisible();
    const mine = screen.getByRole('list', { name: 'What you spot' });
    expect(within(mine).getByText('Short in the bag').closest('li')).toHaveTextContent('2 of 2mastered');
    expect(within(mine).getByText('Crossed thread').closest('li')).toHaveTextContent(/wants practice.*0 of 1.*not yet/);
    expect(within(mine).getByText(/Worn hole/)).not.toBeVisible();
    await user.click(within(mine).getByText(/kinds were never met/));
    expect(within(mine).getByText(/Worn hole/)).toBeVisible();
    expect(screen.getByText('1 found, 1 too late, 1 not found, 2 false')).toBeVisible();
    expect(screen.queryByRole('link', { name: 'Make a drill' })).toBeNull();
  });
  it('a shop without any, and a learner without any, are told what to do', async () => {
    stage(
      ROUTES,
      '/drill',
      shop()
        .on('GET /drills', { body: [] })
        .on('GET /drills/attempts', { body: [] })
        .on('GET /drills/mastery', { body: null })
        .on('GET /drills/assignments', { body: [] })
        .on('GET /kits', { body: [] }),
      LEAD,
    );
    expect(await screen.findByText(/No drill is on the shelf/)).toBeVisible();
    expect(screen.getByText('You have done no drill yet.')).toBeVisible();
    expect(screen.getByRole('link', { name: 'Make a drill' })).toBeVisible();
    expect(screen.queryByText(/Drill for you/)).toBeNull();
  });
  it('that cannot be fetched say so', async () => {
    stage(ROUTES, '/drill', shop().on('GET /drills', 'unreachable'));
    expect(await screen.findByRole('alert')).toBeVisible();
  });
  it('are begun, a blank one by laying it out', async () => {
    const { user } = stage(ROUTES, '/drill', shop().on('GET /drills/*', { body: DRILLS[3] }));
    await user.click(await screen.findByRole('button', { name: /^Begin: The whole side/ }));
    expect(await screen.findByText(/group 1 of/)).toBeVisible();
    expect(useDrill.getState().run?.drill.title).toBe(DRILLS[3].title);
  });
  it('from a file that is none are refused with what is wrong', async () => {
    const { user } = stage(ROUTES, '/drill', shop());
    const input = await screen.findByLabelText('Begin one from a file');
    await user.upload(input, new File(['{"format":"wrenchman-drill"}'], 'x.json', { type: 'application/json' }));
    expect(await screen.findByText(/^seed:/)).toBeVisible();
  });
});

describe('the drill for you', () => {
  it('has what is due, and shows less the more is mastered', () => {
    const fresh = drillForYou(DEMO_KITS, masteryOf(met, T0), 3, T0);
    expect(fresh?.faults.map(({ kind }) => kind)).toEqual(['crossed']);
    expect(fresh?.mode).toBe('guided');
    const all = masteryOf(
      masteryOf([], T0).flatMap(({ kind }): Meeting[] => [
        { kind, catch: 'caught', atMs: T0 - 5 * DAY },
        { kind, catch: 'caught', atMs: T0 - DAY },
      ]),
      T0,
    );
    const master = drillForYou(DEMO_KITS, all, 3, T0);
    expect(master?.mode).toBe('blank');
    expect(master?.faults.length).toBeGreaterThan(2);
    expect(drillForYou([], all, 3, T0)).toBeUndefined();
  });
});

describe('the verdict', () => {
  it('is given at once and kept; what was missed says what comes of it and what to do next time', async () => {
    const played = playDrill(DRILLS[0], STYLES.careless, 4).attempt;
    useDrill.setState({
      done: { ...played, calls: [{ atMs: 1, afterEvents: 0, kind: 'short', target: 'p1', right: false }] },
    });
    const pace = { own: { minutes: 14.2, times: 3 }, others: { minutes: 8, people: 2 } };
    const body = { id: 'a-2', verdict: judgeDrill(played), pace };
    const given = shop().on('POST /drills/attempts', { body, status: 201 });
    stage(ROUTES, '/drill/verdict', given);
    expect(await screen.findByText('Kept for you.')).toBeVisible();
    expect(
      screen.getByText(
        '14 min is the middle of your 3 other times. 2 others here take about 8 min. Speed counts for nothing.',
      ),
    ).toBeVisible();
    expect(screen.getAllByText('not found').length).toBe(2);
    expect(screen.getAllByText('Next time:').length).toBe(2);
    expect(screen.getByRole('heading', { name: 'Said to be wrong, and was not' })).toBeVisible();
    expect(given.sent('POST')).toHaveLength(1);
  });
  it('that cannot be kept is shown all the same, and tried again', async () => {
    useDrill.setState({ done: playDrill(DRILLS[0], STYLES.careful, 4).attempt });
    const given = shop().on('POST /drills/attempts', 'unreachable');
    const { user } = stage(ROUTES, '/drill/verdict', given);
    expect(await screen.findByText('2 of 2')).toBeVisible();
    const again = await screen.findByRole('button', { name: 'Try again' });
    given.on('POST /drills/attempts', { body: { id: 'a-3', verdict: {}, pace: {} }, status: 201 });
    await user.click(again);
    expect(await screen.findByText('Kept for you.')).toBeVisible();
  });
  it('of nothing leads back', async () => {
    stage(ROUTES, '/drill/verdict', shop());
    expect(await screen.findByText('No drill was ended here')).toBeVisible();
  });
  it('of one that is kept is fetched', async () => {
    const { attempt: played, verdict } = playDrill(DRILLS[1], STYLES.hasty, 2);
    stage(
      ROUTES,
      '/drill/verdict/a-1',
      shop().on('GET /drills/attempts/*', { body: { id: 'a-1', attempt: played, verdict, pace: {} } }),
    );
    expect(await screen.findByRole('heading', { name: DRILLS[1].title })).toBeVisible();
    expect(screen.getByText(/Seed 202/)).toBeVisible();
  });
});

describe('a blank drill', () => {
  it('is laid out group by group, and not gone on with before it is', async () => {
    useDrill.getState().begin({ ...DRILLS[0], mode: 'blank' });
    const { user } = stage(ROUTES, '/drill/lay-out', shop());
    const begin = await screen.findByRole('button', { name: 'Begin' });
    expect(begin).toBeDisabled();
    const stations = screen.getAllByRole('button').filter((entry) => entry.tagName.toLowerCase() === 'g');
    for (const station of stations) await user.click(station);
    expect(stations.at(-1)).toHaveAccessibleName(/number 6$/);
    await user.click(screen.getByRole('button', { name: 'Take the last back' }));
    expect(stations.at(-1)).not.toHaveAccessibleName(/number/);
    await user.click(stations.at(-1) as HTMLElement);
    await user.click(screen.getByRole('radio', { name: /P-1/ }));
    expect(begin).toBeDisabled();
    await user.type(screen.getByLabelText('To what? (N·m)'), 'much');
    expect(screen.getByText('“much” is no torque.')).toBeVisible();
    expect(begin).toBeDisabled();
    await user.clear(screen.getByLabelText('To what? (N·m)'));
    await user.type(screen.getByLabelText('To what? (N·m)'), '62,5');
    await user.click(begin);
    expect(await screen.findByText('another screen')).toBeVisible();
    expect(useDrill.getState().run?.laidOut[0]?.order).toHaveLength(6);
    expect(useDrill.getState().run?.laidOut[0]?.figureNm).toBe(62.5);
  });
});

describe('a mentor', () => {
  it('sees what each spots, asks for a drill, and signs off what was done', async () => {
    const given = shop()
      .on('GET /drills/assignments', { body: [asked({ attempt: { id: 'a-1', score: 0.75, endedMs: T0 } })] })
      .on('POST /drills/assignments', { body: { id: 's-2' }, status: 201 })
      .on('POST /drills/assignments/*/sign', { body: { id: 's-1' } });
    const { user } = stage(ROUTES, '/drill/learners', given, LEAD);
    expect(await screen.findByText(/75 of 100/)).toBeVisible();
    await user.type(screen.getByLabelText('A word on it'), 'Clean.');
    await user.click(screen.getByRole('button', { name: 'Sign it off' }));
    await waitFor(() => expect(given.sent('POST').at(-1)?.body).toEqual({ comment: 'Clean.' }));
    await user.type(await screen.findByLabelText('A word with it'), 'Twice.');
    await user.click(screen.getByRole('button', { name: 'Ask to do it' }));
    await waitFor(() =>
      expect(given.sent('POST').at(-1)?.body).toEqual({
        person: FITTER.person.id,
        drill: DRILLS[0].id,
        comment: 'Twice.',
      }),
    );
    await user.click(screen.getByRole('button', { name: /Hob Larkmoor/ }));
    expect(await screen.findByText('Has done no drill yet.')).toBeVisible();
  });
});

describe('who spots what', () => {
  it('that is not for this person says so', async () => {
    const given = shop().on('GET /drills/learners', { status: 403, body: { title: 'Your role may not do this' } });
    stage(ROUTES, '/drill/learners', given);
    expect(await screen.findByRole('heading', { name: 'Not shown' })).toBeVisible();
    expect(screen.getByText(/Your role may not do this/)).toBeVisible();
    expect(screen.queryByText('Asked for')).toBeNull();
  });
});

describe('a drill is made', () => {
  it('from a kit, with what a good learner finds of it, and put on the shelf', async () => {
    const given = shop().on('POST /drills', { body: { id: 'd-9' }, status: 201 });
    const { user } = stage(ROUTES, '/drill/make', given, LEAD);
    await user.click(await screen.findByRole('button', { name: 'Place 3 for me' }));
    expect(await screen.findByText(/A good learner finds/)).toHaveTextContent('3 of 3 and closes the job');
    const [away] = screen.getAllByRole('button', { name: /^Take away/ });
    if (!away) throw new Error('no fault');
    await user.click(away);
    expect(screen.getByText(/A good learner finds/)).toHaveTextContent('2 of 2');
    await user.type(screen.getByLabelText('What it is called'), 'Two things');
    await user.click(screen.getByRole('button', { name: 'Put it on the shelf' }));
    await waitFor(() => expect(given.sent('POST')[0]?.body).toMatchObject({ title: 'Two things', mode: 'guided' }));
  });
  it('for a vehicle of its own: what such a one does not have is not wrong on it', async () => {
    const given = shop().on('GET /kits', { body: [FRONT_RECOVERY_POINTS] });
    const { user } = stage(ROUTES, '/drill/make', given, LEAD);
    const shield = await screen.findByLabelText(/shield/i);
    await user.selectOptions(shield, 'yes');
    await user.selectOptions(screen.getByLabelText('Fault'), 'Crossed thread');
    const places = screen.getByLabelText('Where');
    const put = () => user.click(screen.getByRole('button', { name: 'Put it there' }));
    await put();
    const ofShield = within(places).getAllByRole('option', { name: /shield/i })[0];
    if (!ofShield) throw new Error('no place at the shield');
    await user.selectOptions(places, ofShield);
    await put();
    expect(screen.getAllByRole('button', { name: /^Take away/ })).toHaveLength(2);
    await user.selectOptions(shield, 'no');
    expect(screen.getAllByRole('button', { name: /^Take away/ })).toHaveLength(1);
    expect(screen.getByText(/A good learner finds/)).toHaveTextContent('1 of 1 and closes the job');
  });
  it('not without a kit', async () => {
    stage(ROUTES, '/drill/make', shop().on('GET /kits', { body: [] }), LEAD);
    expect(await screen.findByText('The shop has no released kit yet.')).toBeVisible();
  });
});
