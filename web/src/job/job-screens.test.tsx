import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { JobLog } from '#core/job/job-log.ts';
import { openLog } from '#core/job/job-log.ts';
import { nextOnLine } from '#core/job/line-next.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '#core/visit/visit.ts';
import { FRONT_BALL_JOINTS, REAR_AIR_SPRINGS, ROCK_SLIDERS, TRACK_BAR_BRACE, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { bar, guard, MIRA, NOON, openKit, plate, pullOf, RAFE, untilSnug, WRENCHES } from '#demo/try-job.ts';
import CheckIn from '../feature/check-in/CheckIn.tsx';
import CloseOut from '../feature/close-out/CloseOut.tsx';
import SecondLook from '../feature/close-out/SecondLook.tsx';
import Conflicts from '../feature/conflicts/Conflicts.tsx';
import Receive from '../feature/receive/Receive.tsx';
import RecordScreen from '../feature/record/Record.tsx';
import { documentOf, JOB, stageJob } from '../test/job-stage.tsx';
import { Shop, stage } from '../test/stage.tsx';
import JobShell from './JobShell.tsx';
import { useJobStore } from './job-store.ts';

afterEach(cleanup);

const SCREENS = (
  <>
    <Route path="receive" element={<Receive />} />
    <Route path="conflicts" element={<Conflicts />} />
    <Route path="check-in" element={<CheckIn />} />
    <Route path="close-out" element={<CloseOut />} />
    <Route path="second-look" element={<SecondLook />} />
    <Route path="record" element={<RecordScreen />} />
    <Route path="*" element={<p>another screen</p>} />
  </>
);
type Options = NonNullable<Parameters<typeof stageJob>[3]>;
const show = (path: string, log: JobLog, options: Options = {}) => stageJob(SCREENS, path, log, options);
const visit = (...documents: Array<typeof REAR_AIR_SPRINGS>): JobLog => {
  const kits: VisitKit[] = [];
  for (const document of documents) kits.push({ document, prefix: kitPrefix(kits, document.id) });
  const opened = openLog({
    kits,
    openedWith: kits.map(({ prefix }) => prefix),
    vehicle: { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    answers: spreadAnswers(kits, {}),
    shop: OPENED_NOW,
  });
  if (!opened.ok) throw new Error(opened.error.code);
  return opened.value;
};
const ballJoints = (): CarefulFitter => new CarefulFitter(openKit(FRONT_BALL_JOINTS), WRENCHES, MIRA, NOON);
const alert = () => screen.findByRole('alert');

/** A record of which nothing is known but good. */
const WHOLE = { breaks: [], open: [], sealed: true, unheard: [], anchorFaults: [], publicKey: 'key', lastHash: 'h' };

describe('a job that cannot be shown', () => {
  it.each([
    ['unknownJob', 'No such job'],
    ['broken', 'Job cannot be shown'],
    ['outdated', 'A newer Wrenchman is on the server'],
    ['unreachable', 'Not reachable'],
  ] as const)('%s says what it is, with a way back', async (failure, title) => {
    useJobStore.setState({ failure, log: undefined, jobId: JOB, open: async () => undefined, close: () => undefined });
    stage(<Route path="/jobs/:jobId" element={<JobShell />} />, `/jobs/${JOB}`, new Shop());
    expect(await screen.findByText(title)).toBeVisible();
    expect(screen.getByRole('link', { name: 'To the bays' })).toBeVisible();
  });
  it('while it is opened says so; the job of another address is not shown in its place', async () => {
    useJobStore.setState({
      failure: undefined,
      log: openKit(TRANSFER_CASE_GUARD),
      jobId: 'another',
      open: async () => undefined,
    });
    stage(<Route path="/jobs/:jobId" element={<JobShell />} />, `/jobs/${JOB}`, new Shop());
    expect(await screen.findByText('Opening the job.')).toBeVisible();
  });
});

describe('the shell of a job', () => {
  it('says how this device stands with the server', async () => {
    show('check-in', guard().log);
    expect(await screen.findByText('Saved on the server')).toBeInTheDocument();
    act(() => useJobStore.setState({ link: 'offline', pending: [{}, {}] as never }));
    expect(screen.getByText(/^Offline/)).toHaveTextContent('Offline, 2 kept here');
    act(() => useJobStore.setState({ link: 'live', pending: [{}] as never }));
    expect(screen.getByText('Sending 1')).toBeInTheDocument();
  });
  it('a closed job says who signed it', async () => {
    const worker = guard();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    worker.closeOut();
    show('record', worker.log, { shop: new Shop().on('GET /jobs/*/record', { body: WHOLE }) });
    expect(await screen.findByText(/Closed and signed by/)).toHaveTextContent('Mira');
  });
  it('what the server refused later stays until it is put away', async () => {
    const put: string[] = [];
    const worker = guard();
    const entry = {
      id: 'e1',
      refused: { code: 'wrenchLocked', wrenchId: 'w', because: 'Off by 8 %', atMs: 0 },
      envelope: { by: { name: 'Mira Vane' }, command: { type: 'pull', station: 'g1', torqueNm: 10.2 } },
    };
    show('check-in', worker.log);
    act(() => useJobStore.setState({ refusedLater: [entry] as never, putAway: (id) => void put.push(id) }));
    expect(await alert()).toHaveTextContent(/Mira Vane: .*station .*10\.2 N·m\. Wrench locked: Off by 8 %/);
    screen.getByRole('button', { name: 'Put away' }).click();
    expect(put).toEqual(['e1']);
  });
});

describe('checking in', () => {
  it('counts the line in hand with the keys, and goes on to the next', async () => {
    const { user, given, log } = show('check-in', guard().log);
    await screen.findByText(/0 of \d+ lines counted/);
    const [first] = log().plan.items;
    await user.keyboard('4{Enter}');
    expect(given).toEqual([{ type: 'countLine', item: first?.id, found: 4, damaged: 0 }]);
    expect(screen.getByText(/1 of \d+ lines counted/)).toBeVisible();
    await user.keyboard(' ');
    expect(given).toHaveLength(2);
    await user.keyboard('u');
    expect(await screen.findByText(/1 of \d+ lines counted/)).toBeVisible();
  });
  it('what is no count is refused with the reason, and nothing is counted', async () => {
    const { user } = show('check-in', guard().log);
    await screen.findByText(/0 of/);
    await user.keyboard('2');
    fireEvent.keyDown(document.body, { key: '.', code: 'Period' });
    await user.keyboard('5{Enter}');
    expect(await alert()).toHaveTextContent('Not a count');
    expect(screen.getByText(/0 of \d+ lines counted/)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Seen' }));
    expect(screen.queryByRole('alert')).toBeNull();
  });
  it('a short line says who waits, and shop stock fills it with a reason', async () => {
    const { user, given, log } = show('check-in', guard().log);
    await screen.findByText(/0 of/);
    const bolt = log().plan.items.find(({ kind }) => kind === 'bolt');
    for (const item of log().plan.items) await user.keyboard(item.id === bolt?.id ? '1{Enter}' : ' ');
    expect(await screen.findByRole('heading', { name: /\d+ short:/ })).toBeVisible();
    expect(screen.getByText(/wait; the rest can be worked/)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Use shop stock' }));
    await user.click(await screen.findByRole('button', { name: 'Same class and length from the rack' }));
    const confirm = screen.queryByRole('button', { name: 'Use them' });
    if (confirm) await user.click(confirm);
    await waitFor(() => expect(given.at(-1)).toMatchObject({ type: 'useShopStock', item: bolt?.id }));
    expect(screen.queryByRole('heading', { name: /short:/ })).toBeNull();
  });
  it('pieces that are damaged are no good ones', async () => {
    const { user, log } = show('check-in', guard().log);
    await screen.findByText(/0 of/);
    await user.keyboard(' ');
    await user.keyboard('{ArrowUp}d');
    const [first] = log().plan.items;
    await waitFor(() => expect(log().state.lines[first?.id ?? '']?.count).toMatchObject({ damaged: 1 }));
    expect(screen.getAllByText(/1 damaged|1 short/).length).toBeGreaterThan(0);
  });
});

describe('a job as it was received', () => {
  it('shows vehicle, kit and what the answers decided; facts nobody knows are said to be so', async () => {
    const log = plate(true).log;
    const { vehicle } = documentOf(log);
    show('receive', log, { over: { vehicle: { ...vehicle, engine: undefined, odometerKm: undefined } } });
    expect((await screen.findAllByText('not known')).length).toBeGreaterThan(0);
    expect(screen.getByText('not read')).toBeVisible();
    expect(screen.getByText('What the answers decided')).toBeVisible();
  });
  it('an answer is changed after its consequence was seen', async () => {
    const { user, given } = show('receive', plate(false).log);
    await user.click(await screen.findByRole('button', { name: /splash shield/ }));
    const sheet = await screen.findByRole('dialog');
    expect(within(sheet).getByRole('button', { name: 'Change it' })).toBeDisabled();
    await user.click(within(sheet).getByRole('button', { name: 'Yes' }));
    await user.click(within(sheet).getByRole('button', { name: 'Change it' }));
    expect(given).toEqual([{ type: 'changeAnswer', question: 'shield', value: true, seen: false }]);
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(screen.getByText(/Changed since the job was opened/)).toHaveTextContent('Mira Vane');
  });
  it('what was found is said anew where it was found otherwise; what stands at which corner is seen', async () => {
    const worker = ballJoints();
    show('receive', worker.log);
    expect(await screen.findAllByText('asked on the line')).toHaveLength(2);
    const corners = screen.getByRole('table');
    expect(within(corners).getByRole('row', { name: /^Front/ })).toHaveTextContent('Upper ball joint, left L');
    cleanup();
    worker.while(({ log }) => nextOnLine(log.plan, log.state, '', NOON)?.act.action.type !== 'find');
    worker.onLine();
    const again = show('receive', worker.log);
    expect(await screen.findAllByText('Good')).toHaveLength(2);
    await again.user.click(screen.getByRole('button', { name: /Say anew.*left bore/ }));
    await again.user.click(within(await screen.findByRole('dialog')).getByRole('button', { name: 'Scored' }));
    expect(again.given.at(-1)).toEqual({ type: 'findOut', finding: 'bore@left bore', value: 'scored' });
    expect(await screen.findByText('Scored')).toBeVisible();
  });
  it('is moved to another day and other hands; one that is promised before it begins is not', async () => {
    const people = [{ id: 'u-vane', name: 'Mira Vane' }];
    const asked = new Shop().on('GET /crib', { body: { people } }).on('PUT /jobs/*/slot', { body: {}, status: 200 });
    const { user } = show('receive', guard().log, { shop: asked });
    await user.click(await screen.findByRole('button', { name: 'Move the job' }));
    const sheet = within(await screen.findByRole('dialog'));
    fireEvent.change(sheet.getByLabelText('Start'), { target: { value: '2027-01-11T08:00' } });
    fireEvent.change(sheet.getByLabelText(/Promised for/), { target: { value: '2027-01-10T08:00' } });
    expect(sheet.getByText('Promised before it begins.')).toBeVisible();
    expect(sheet.getByRole('button', { name: 'Move it' })).toBeDisabled();
    fireEvent.change(sheet.getByLabelText(/Promised for/), { target: { value: '2027-01-12T08:00' } });
    await user.click(sheet.getByRole('button', { name: 'In the yard' }));
    await user.click(await sheet.findByRole('button', { name: 'Mira Vane' }));
    await user.click(sheet.getByRole('button', { name: 'Move it' }));
    await waitFor(() =>
      expect(asked.sent('PUT')[0]?.body).toMatchObject({
        bay: 2,
        place: 'yard',
        fitters: ['u-vane'],
        plannedStartMs: new Date('2027-01-11T08:00').getTime(),
      }),
    );
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });
  it('a revision that was withdrawn is said at its kit', async () => {
    const log = guard().log;
    const kits = documentOf(log).kits.map((kit) => ({ ...kit, withdrawn: { atMs: 0, because: 'wrong bolt' } }));
    show('receive', log, { over: { kits } });
    expect(await screen.findByText(/This revision was withdrawn: wrong bolt/)).toBeVisible();
  });
  it('the only kit cannot be dropped; one of two can, with a reason', async () => {
    show('receive', guard().log);
    await screen.findByText('What the answers decided');
    expect(screen.queryByRole('button', { name: /^Drop/ })).toBeNull();
    cleanup();
    const { user, given } = show('receive', visit(REAR_AIR_SPRINGS, TRACK_BAR_BRACE));
    await user.click(await screen.findByRole('button', { name: `Drop ${TRACK_BAR_BRACE.title}` }));
    await user.click(await screen.findByRole('button', { name: 'Parts missing' }));
    const confirm = screen.queryByRole('button', { name: 'Drop it' });
    if (confirm) await user.click(confirm);
    await waitFor(() => expect(given.at(-1)).toMatchObject({ type: 'dropKit', prefix: 'track-bar-brace/' }));
  });
  it('a kit that does not fit, or that cannot be read, is not added', async () => {
    const { user } = show('receive', visit(REAR_AIR_SPRINGS), {
      shop: new Shop()
        .on('GET /kits', { body: [ROCK_SLIDERS, REAR_AIR_SPRINGS] })
        .on('GET /kits/*/minutes', { body: [] }),
    });
    await user.click(await screen.findByRole('button', { name: 'Add a kit' }));
    const sheet = await screen.findByRole('dialog');
    expect(await within(sheet).findByRole('button', { name: new RegExp(ROCK_SLIDERS.title) })).toBeVisible();
    expect(within(sheet).queryByRole('button', { name: new RegExp(REAR_AIR_SPRINGS.title) })).toBeNull();
    expect(within(sheet).getByRole('button', { name: 'Add it' })).toBeDisabled();
    cleanup();
    const away = show('receive', visit(REAR_AIR_SPRINGS), { shop: new Shop().on('GET /kits', 'unreachable') });
    await away.user.click(await screen.findByRole('button', { name: 'Add a kit' }));
    expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
  });
});

describe('kits at odds', () => {
  it('one kit cannot be', async () => {
    show('conflicts', guard().log);
    expect(await screen.findByText('One kit cannot be at odds with itself.')).toBeVisible();
  });
  it('a fitter sees both figures and waits for a lead', async () => {
    show('conflicts', visit(REAR_AIR_SPRINGS, TRACK_BAR_BRACE));
    expect(await screen.findByText('111')).toBeVisible();
    expect(screen.getByText('90')).toBeVisible();
    expect(screen.getByText(/A lead chooses/)).toBeVisible();
    expect(screen.getAllByText(/Waits for a lead/).length).toBeGreaterThan(0);
  });
  it('a lead settles it with a reason; another figure must be one', async () => {
    const { user, given } = show('conflicts', visit(REAR_AIR_SPRINGS, TRACK_BAR_BRACE), { role: 'lead' });
    const conflict = (await screen.findAllByRole('article'))[0] as HTMLElement;
    await user.click(within(conflict).getAllByRole('button')[0] as HTMLElement);
    const sheet = await screen.findByRole('dialog');
    const figure = within(sheet).queryByPlaceholderText('leave empty for the kit’s own');
    if (figure) {
      await user.type(figure, 'tight');
      expect(within(sheet).getByText(/No torque can be read from it/)).toBeVisible();
      await user.clear(figure);
    }
    await user.type(within(sheet).getAllByRole('textbox').at(-1) as HTMLElement, 'longer bolt');
    await user.click(within(sheet).getByRole('button', { name: 'Settle it' }));
    await user.type(await screen.findByLabelText('PIN of Mira Vane'), '1357{Enter}');
    await waitFor(() => expect(given.at(-1)).toMatchObject({ type: 'settleConflict', reason: 'longer bolt' }));
    expect(await screen.findByText(/longer bolt/)).toBeVisible();
  });
});

describe('closing out', () => {
  const out = () => new Shop().on('GET /jobs/*/tools-out', { body: [] });
  it('of a job just begun lists everything in the way, each with a way there', async () => {
    show('close-out', bar().log, { shop: out() });
    expect(await screen.findByText(/lines not counted/)).toBeVisible();
    expect(screen.getAllByRole('link', { name: 'To the line' }).length).toBeGreaterThan(0);
    expect(screen.getByRole('button', { name: /still in the way/ })).toBeDisabled();
  });
  it('things lent for the job keep it open', async () => {
    show('close-out', guard().log, { shop: out().on('GET /jobs/*/tools-out', { body: ['16 mm deep socket'] }) });
    expect(await screen.findByText(/16 mm deep socket/)).toBeVisible();
    expect(screen.getByText(/It may lie in the vehicle/)).toBeVisible();
  });
  it('a finished job is signed by the one who is signed in, with their PIN, and leads to its record', async () => {
    const worker = guard();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    const shop = out().on('GET /jobs/*/record', { body: WHOLE });
    const { user, given, here } = show('close-out', worker.log, { shop });
    for (;;) {
      const tray = screen
        .queryAllByLabelText(/pieces on the tray/)
        .find((field) => field.getAttribute('placeholder') === '?');
      if (!tray) break;
      const row = tray.closest('tr') as HTMLElement;
      const [supplied = 0, fitted = 0, scrapped = 0, missing = 0] = within(row)
        .getAllByRole('cell')
        .slice(2, 6)
        .map((cell) => Number(cell.textContent));
      await user.type(tray, `${supplied - fitted - scrapped - missing}{Enter}`);
    }
    expect(await screen.findByRole('heading', { name: 'Nothing is in the way' })).toBeVisible();
    const sign = screen.getByRole('button', { name: 'Sign and close' });
    await user.click(sign);
    // Being signed in is not enough: a wrong PIN signs nothing.
    shop.on('POST /session/leave', { problem: { code: 'wrongSecret', status: 401 } });
    await user.type(await screen.findByLabelText('PIN of Mira Vane'), '0000{Enter}');
    expect(await screen.findByText('Wrong PIN.')).toBeVisible();
    expect(given.some(({ type }) => type === 'close')).toBe(false);
    shop.on('POST /session/leave', { body: { leave: 'leave' } });
    await user.type(screen.getByLabelText('PIN of Mira Vane'), '2468{Enter}');
    await waitFor(() => expect(here()).toBe(`/jobs/${JOB}/record`));
    expect(given.at(-1)).toEqual({ type: 'close', signature: 'Mira Vane', note: undefined });
  });
  it('what is due later is not asked of the owner by a lead, with a reason and a PIN', async () => {
    const shop = out().on('POST /session/leave', { body: { leave: 'leave' } });
    const log = visit({ ...REAR_AIR_SPRINGS, aftercare: [] });
    const { user, given } = show('close-out', log, { shop, role: 'lead' });
    const later = within(await screen.findByRole('region', { name: 'Due later' }));
    expect(later.getAllByRole('listitem')).toHaveLength(3);
    await user.click(later.getByRole('button', { name: /Not asked: Wheel nuts/ }));
    await user.click(await screen.findByRole('button', { name: 'Done before the vehicle goes' }));
    await user.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Not asked' }));
    await user.type(await screen.findByLabelText('PIN of Mira Vane'), '2468{Enter}');
    await waitFor(() =>
      expect(given.at(-1)).toEqual({
        type: 'waiveCare',
        care: 'raised:wheels',
        reason: 'Done before the vehicle goes',
      }),
    );
    expect(await later.findByText(/Not asked of the owner: Done before the vehicle goes/)).toBeVisible();
    expect(later.queryByRole('button', { name: /Not asked: Wheel nuts/ })).toBeNull();
    cleanup();
    // A fitter sees it, and asks it.
    show('close-out', log, { shop: out() });
    expect(await screen.findByText(/Wheel nuts again/)).toBeVisible();
    expect(screen.queryByRole('button', { name: /Not asked/ })).toBeNull();
  });
  it('an open problem is cleared with how', async () => {
    const worker = guard();
    worker.give({ type: 'raiseProblem', station: 'g1', text: 'Will not start' });
    const { user, given } = show('close-out', worker.log, { shop: out() });
    expect(await screen.findByText(/Will not start/)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Cleared' }));
    await user.click(await screen.findByRole('button', { name: 'Replaced' }));
    const confirm = within(screen.queryByRole('dialog') ?? document.body).queryByRole('button', { name: 'Cleared' });
    if (confirm && !given.some(({ type }) => type === 'clearProblem')) await user.click(confirm);
    await waitFor(() => expect(given.at(-1)).toMatchObject({ type: 'clearProblem', how: 'Replaced' }));
  });
});

describe('the second look', () => {
  const finished = (): JobLog => {
    // Finished in the morning: what is looked at now is looked at afterwards.
    const worker = new CarefulFitter(openKit(TRANSFER_CASE_GUARD), WRENCHES, MIRA, NOON - 6 * 3_600_000);
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    return { ...worker.log, plan: { ...worker.log.plan, rules: { ...worker.log.plan.rules, secondLook: 'all' } } };
  };
  it('goes over what is finished without its first readings, one press each', async () => {
    const log = finished();
    const { user, given } = show('second-look', log);
    expect(await screen.findByRole('heading', { name: /^Station \d/ })).toBeVisible();
    expect(screen.getAllByText('Asked for')).toHaveLength(log.plan.stations.length);
    // Blind: no reading of the first time.
    const [pull] = [...log.state.stations.values()].flatMap(({ pulls }) => pulls);
    expect(screen.queryByText(new RegExp(`${pull?.torqueNm.toFixed(1)} N·m`))).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Did not move' }));
    await waitFor(() => expect(given.at(-1)).toMatchObject({ type: 'lookAgain', way: 'pull', holds: true }));
    expect(await screen.findByText('Looked at, Mira Vane')).toBeVisible();
    await user.keyboard(' ');
    await waitFor(() => expect(screen.getAllByText('Looked at, Mira Vane')).toHaveLength(2));
  });
  it('what moved is a finding, named there until it is mended and looked at again', async () => {
    const { user, given, log } = show('second-look', finished());
    await user.type(await screen.findByLabelText(/Note, where/), 'A quarter turn');
    await user.click(screen.getByRole('button', { name: 'It moved' }));
    await waitFor(() => expect(given.at(-1)).toMatchObject({ holds: false, note: 'A quarter turn' }));
    expect(await screen.findByText('Disagreed: look again when it is mended')).toBeVisible();
    expect(Object.values(log().state.problems)[0]?.text).toMatch(/^Second look: it moved at .*A quarter turn$/);
    cleanup();
    show('close-out', log(), { shop: new Shop().on('GET /jobs/*/tools-out', { body: [] }) });
    expect(await screen.findByText(/second looks due/)).toBeVisible();
    expect(screen.getByRole('link', { name: 'To the second look' })).toBeVisible();
    cleanup();
    show('record', log(), { shop: new Shop().on('GET /jobs/*/record', { body: WHOLE }) });
    expect(await screen.findByText(/^Station .*: disagreed at .*A quarter turn/)).toBeVisible();
  });
  it('of a job just begun has nothing, and says what comes here', async () => {
    show('second-look', guard().log);
    expect(await screen.findByText(/Nothing is finished yet/)).toBeVisible();
  });
});

describe('the record on screen', () => {
  const chain = (body: unknown) => ({ shop: new Shop().on('GET /jobs/*/record', { body }) });
  it('says what is due later, by sheet or not, and what the owner is not asked', async () => {
    const worker = new CarefulFitter(visit({ ...REAR_AIR_SPRINGS, aftercare: [] }), WRENCHES, MIRA, NOON);
    worker.give({ type: 'waiveCare', care: 'raised:lampAim', reason: 'Aimed here' }, RAFE);
    show('record', worker.log, chain(WHOLE));
    expect(await screen.findByText(/Wheel nuts again/)).toBeVisible();
    expect(screen.getByText('Not asked of the owner: Aimed here (Rafe)')).toBeVisible();
    expect(screen.getByText(/Not asked of the owner: Headlamp aim.*Aimed here/)).toBeVisible();
  });
  it('of a job not begun has a line for every joint, none pulled, and no deviation', async () => {
    const log = guard().log;
    show('record', log, chain(WHOLE));
    expect(await screen.findAllByText('not yet')).toHaveLength(log.plan.stations.length);
    expect(screen.getByText('None.')).toBeVisible();
    expect(screen.getByRole('heading', { name: 'Work in progress' })).toBeVisible();
  });
  it('says that the chain is whole, where it breaks, or that it could not be checked', async () => {
    show('record', guard().log, chain(WHOLE));
    expect(await screen.findByText(/the chain is whole/)).toBeVisible();
    cleanup();
    show('record', guard().log, chain({ ...WHOLE, breaks: [7], open: [7] }));
    expect(await screen.findByText(/altered outside of Wrenchman: entry 7/)).toBeVisible();
    cleanup();
    show('record', guard().log, { shop: new Shop().on('GET /jobs/*/record', 'unreachable') });
    expect(await screen.findByText(/could not be checked\. The server cannot be reached/)).toBeVisible();
  });
  it('a pull past its band is red, says why, and is a deviation by name', async () => {
    const worker = untilSnug(guard(), guard().log.plan.groups[0]?.id ?? '');
    worker.give(pullOf('g2', 14, { wrench: 'w-1', confirmed: true }));
    show('record', worker.log, chain(WHOLE));
    expect(await screen.findByText('124 lbf·in')).toHaveClass('text-bad');
    expect(screen.queryByText('None.')).toBeNull();
    expect(screen.getAllByText(/Mira/).length).toBeGreaterThan(1);
  });
});

describe('a refusal on the floor', () => {
  const refuse = async (role: 'fitter' | 'lead') => {
    const worker = guard();
    worker.checkIn();
    const staged = show('check-in', worker.log, { role });
    await screen.findByText(/lines counted/);
    // Drawn down before the others are in their threads.
    act(() => {
      useJobStore.getState().give({ type: 'startByHand', station: 'g1' });
      useJobStore.getState().give({ type: 'snug', station: 'g1', tool: 'hand' });
    });
    return staged;
  };
  it('a fitter is told that a lead may lift it', async () => {
    await refuse('fitter');
    expect(await alert()).toHaveTextContent('Start all of them first');
    expect(screen.getByText(/A lead may lift this/)).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Allow it' })).toBeNull();
  });
  it('a lead lifts it with a reason, and what was refused is done', async () => {
    const { user, given, log } = await refuse('lead');
    await user.click(await screen.findByRole('button', { name: 'Allow it' }));
    const sheet = await screen.findByRole('dialog');
    await user.type(within(sheet).getByRole('textbox'), 'bracket in the way');
    await user.click(within(sheet).getByRole('button', { name: 'Allow it' }));
    await user.type(await screen.findByLabelText('PIN of Mira Vane'), '1357{Enter}');
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
    expect(given.slice(-2)).toEqual([
      { type: 'override', refusal: 'groupNotAllStarted', station: 'g1', reason: 'bracket in the way' },
      { type: 'snug', station: 'g1', tool: 'hand' },
    ]);
    expect(log().state.stations.get('g1')?.stage).toBe('snug');
  });
});
