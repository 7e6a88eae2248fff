import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import type { JobCommand } from '#core/job/acts.ts';
import { lockerClock } from '#core/job/locker-window.ts';
import { indexOf } from '#core/kit/plan.ts';
import type { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import type { AcceptBand } from '#core/tightening/band.ts';
import { rankWrenches } from '#core/wrench/suitable-wrench.ts';
import { MIRA, NOON, platesSnug, pullOf, WRENCHES } from '#demo/try-job.ts';
import { LoadStateBar } from './LoadStateBar.tsx';
import LockerGlass from './LockerGlass.tsx';
import LoosenSheet from './LoosenSheet.tsx';
import type { TorqueStep } from './use-torque-step.ts';
import WrenchSheet from './WrenchSheet.tsx';

afterEach(cleanup);

/** What a torque sheet reads of the screen it lies on; what it gives and chooses is kept. */
function torqueOf(worker: CarefulFitter, over: Partial<TorqueStep> = {}) {
  const given: JobCommand[] = [];
  const { plan, state } = worker.log;
  const torque = {
    plan,
    state,
    index: indexOf(plan),
    group: plan.groups[0],
    give: (command: JobCommand) => given.push(command) > 0,
    wrenches: [],
    ...over,
  } as unknown as TorqueStep;
  return { torque, given };
}
const show = (part: ReactElement) => {
  render(part);
  return userEvent.setup();
};
/** A sheet is fetched when it is first wanted. */
const showSheet = async (part: ReactElement) => {
  const user = show(part);
  await screen.findByRole('dialog');
  return user;
};
const nothing = () => undefined;

describe('loosening a station', () => {
  const station = (worker: CarefulFitter, id: string) => worker.log.plan.stations.find((entry) => entry.id === id);

  it('with none chosen says how to choose one, and gives nothing', async () => {
    const { torque, given } = torqueOf(platesSnug().worker);
    let closed = false;
    const user = await showSheet(<LoosenSheet open onClose={() => (closed = true)} torque={torque} />);
    expect(screen.getByText(/Tap the station on the map/)).toBeVisible();
    const [close] = screen.getAllByRole('button', { name: 'Close' });
    await user.click(close as HTMLElement);
    expect(closed).toBe(true);
    expect(given).toEqual([]);
  });
  it('wants a reason, usual or typed, and how far', async () => {
    const { worker, first } = platesSnug();
    const { torque, given } = torqueOf(worker);
    const user = await showSheet(
      <LoosenSheet open onClose={nothing} station={station(worker, first)} torque={torque} />,
    );
    const loosen = screen.getByRole('button', { name: 'Loosen it' });
    expect(loosen).toBeDisabled();
    await user.type(screen.getByLabelText('Why is it loosened?'), '   ');
    expect(loosen).toBeDisabled();
    await user.click(screen.getByRole('button', { name: 'Part moved' }));
    await user.type(screen.getByLabelText('Why is it loosened?'), ' on the lift ');
    await user.click(screen.getByRole('button', { name: 'Take it out' }));
    await user.click(loosen);
    expect(given).toEqual([{ type: 'loosen', station: first, to: 'out', reason: 'Part moved on the lift' }]);
  });
  it('corrects a typed pull, decimal comma and all, and asks a reason', async () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55));
    const { torque, given } = torqueOf(worker);
    const user = await showSheet(
      <LoosenSheet open onClose={nothing} station={station(worker, first)} torque={torque} />,
    );
    const pulls = within(screen.getByRole('list', { name: 'Pulls so far' }));
    await user.click(pulls.getByRole('button', { name: 'Correct' }));
    const [, correct] = pulls.getAllByRole('button', { name: 'Correct' });
    await user.type(pulls.getByLabelText('Right reading, N·m'), '54,5');
    expect(correct).toBeDisabled();
    await user.type(pulls.getByLabelText('Reason for the correction'), 'read the wrong scale');
    await user.click(correct as HTMLElement);
    const pull = worker.log.state.stations.get(first)?.pulls[0]?.id;
    expect(given).toEqual([
      { type: 'correctPull', station: first, pull, torqueNm: 54.5, reason: 'read the wrong scale' },
    ]);
  });
  it('leaves what the wrench itself sent, what was withdrawn and what was loosened since', async () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 80, { source: 'live', movementDeg: 30 }));
    const live = torqueOf(worker);
    await showSheet(<LoosenSheet open onClose={nothing} station={station(worker, first)} torque={live.torque} />);
    expect(screen.getByText('80.0 N·m').closest('span')).toHaveTextContent(MIRA.name);
    expect(screen.queryByRole('button', { name: 'Correct' })).toBeNull();
    cleanup();
    worker.give({ type: 'loosen', station: first, to: 'started', reason: 'overshot' });
    const after = torqueOf(worker);
    await showSheet(<LoosenSheet open onClose={nothing} station={station(worker, first)} torque={after.torque} />);
    expect(screen.getByText('80.0 N·m').closest('span')).toHaveClass('line-through');
  });
  it('shows what a corrected pull was, why and by whom', async () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55));
    const pull = worker.log.state.stations.get(first)?.pulls[0]?.id ?? '';
    worker.give({ type: 'correctPull', station: first, pull, torqueNm: 54.5, reason: 'read the wrong scale' });
    const { torque } = torqueOf(worker);
    await showSheet(<LoosenSheet open onClose={nothing} station={station(worker, first)} torque={torque} />);
    expect(screen.getByText('54.5 N·m')).toBeVisible();
    expect(screen.getByText(`was 55.0 N·m: read the wrong scale (${MIRA.name})`)).toBeVisible();
  });
});

describe('choosing a wrench', () => {
  const band: AcceptBand = { targetNm: 55, minNm: 53, maxNm: 57 } as AcceptBand;
  const wrenches = rankWrenches(
    [
      ...WRENCHES,
      {
        ...(WRENCHES.find(({ id }) => id === 'w-3') as (typeof WRENCHES)[number]),
        id: 'old',
        label: 'Old',
        calibrationDueOn: '2026-01-05',
        locked: { atMs: NOON, because: 'Off by 8 %' },
      },
    ],
    band,
    NOON,
  );
  it('shows those that may first; the others cannot be chosen and say everything that is against them', async () => {
    const chosen: string[] = [];
    const { torque } = torqueOf(platesSnug().worker, { wrenches, band, chooseWrench: (id) => chosen.push(id) });
    const user = await showSheet(<WrenchSheet open onClose={nothing} torque={torque} />);
    expect(screen.getByText('This pull wants 55 N·m.')).toBeVisible();
    const rows = within(screen.getByRole('list')).getAllByRole('button');
    const may = rows.map((row) => !(row as HTMLButtonElement).disabled);
    expect(may).toEqual([...may].sort((a, b) => Number(b) - Number(a)));
    const old = rows.find((row) => row.textContent?.startsWith('Old'));
    expect(old).toBeDisabled();
    expect(old).toHaveTextContent('Locked: out of limits');
    expect(old).toHaveTextContent('Calibration was due 2026-01-05');
    await user.click(old as HTMLElement);
    expect(chosen).toEqual([]);
    await user.click(rows[0] as HTMLElement);
    expect(chosen).toEqual([wrenches[0]?.wrench.id]);
  });
  it('says so where no pull is due', async () => {
    const { torque } = torqueOf(platesSnug().worker, { wrenches: [] });
    await showSheet(<WrenchSheet open onClose={nothing} torque={torque} />);
    expect(screen.getByText('No pull is due now.')).toBeVisible();
  });
});

describe('how the suspension stands', () => {
  const bar = (load?: object) => {
    const { worker } = platesSnug();
    const { torque, given } = torqueOf(worker, { state: { ...worker.log.state, load } as TorqueStep['state'] });
    return { given, user: show(<LoadStateBar torque={torque} />) };
  };
  it.each([
    ['', undefined],
    ['412', 412],
    ['412,5', 412.5],
  ])('says it stands at ride height, measured “%s”', async (typed, measuredMm) => {
    const { given, user } = bar();
    if (typed) await user.type(screen.getByLabelText('Hub to arch, mm'), typed);
    await user.click(screen.getByRole('button', { name: 'At ride height' }));
    expect(given).toEqual([{ type: 'setLoadState', state: 'rideHeight', measuredMm }]);
  });
  it.each(['high', '0', '-4', '99999'])('does not let a height of “%s” go missing unsaid', async (typed) => {
    const { given, user } = bar();
    await user.type(screen.getByLabelText('Hub to arch, mm'), typed);
    expect(screen.getByRole('alert')).toHaveTextContent('A height is a number from 1 to 3000 mm');
    await user.click(screen.getByRole('button', { name: 'On its wheels' }));
    expect(given).toEqual([]);
  });
  it('asks every height the sheet wants, and says which is off', async () => {
    const { worker } = platesSnug();
    const { torque, given } = torqueOf(worker, {
      state: { ...worker.log.state, load: undefined } as TorqueStep['state'],
    });
    const group = { ...torque.group, rideHeight: { places: ['front left', 'front right'], min: 500, max: 520 } };
    const user = show(<LoadStateBar torque={{ ...torque, group }} />);
    expect(screen.getByRole('button', { name: 'At ride height' })).toBeDisabled();
    await user.type(screen.getByLabelText('front left, mm'), '512');
    await user.type(screen.getByLabelText('front right, mm'), '480');
    expect(screen.getByRole('status')).toHaveTextContent('Wanted at least 500, at most 520 mm: front right 480.');
    await user.clear(screen.getByLabelText('front right, mm'));
    await user.type(screen.getByLabelText('front right, mm'), '510');
    await user.click(screen.getByRole('button', { name: 'At ride height' }));
    expect(given).toEqual([
      {
        type: 'setLoadState',
        state: 'rideHeight',
        measuredMm: undefined,
        heights: { 'front left': 512, 'front right': 510 },
      },
    ]);
  });
  it('once loaded says who said it and with what height, and can be taken back', async () => {
    const { given, user } = bar({ state: 'onWheels', measuredMm: 412.5, by: MIRA });
    expect(screen.getByText('On its wheels').closest('p')).toHaveTextContent('measured 412.5 mm, said by Mira.');
    await user.click(screen.getByRole('button', { name: 'It hangs again' }));
    expect(given).toEqual([{ type: 'setLoadState', state: 'hanging' }]);
  });
  it('hanging again asks again', () => {
    bar({ state: 'hanging', by: MIRA });
    expect(screen.getByText('Torqued only at ride height.')).toBeVisible();
  });
});

describe('the clock of the locker', () => {
  it('says how long the oldest bead can still be worked, and at the end that it has begun to set', () => {
    const { worker } = platesSnug();
    const { torque } = torqueOf(worker);
    const clock = lockerClock(torque.plan, torque.state, torque.group.id);
    if (!clock) throw new Error('no locker in this group');
    const now = Date.now;
    try {
      Date.now = () => clock.closesAtMs - 432_000;
      show(<LockerGlass torque={torque} />);
      expect(screen.getByRole('timer')).toHaveAccessibleName(/: 7:12 left$/);
      expect(screen.getByText(/is the oldest/)).toBeVisible();
      cleanup();
      Date.now = () => clock.closesAtMs - 1000;
      show(<LockerGlass torque={torque} />);
      expect(screen.getByText('Locker closing')).toBeVisible();
      cleanup();
      Date.now = () => clock.closesAtMs + 60_000;
      show(<LockerGlass torque={torque} />);
      expect(screen.getByText('Locker has begun to set')).toBeVisible();
      expect(screen.getByRole('timer')).toHaveAccessibleName(/: 0:00 left$/);
    } finally {
      Date.now = now;
    }
  });
});
