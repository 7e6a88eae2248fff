import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route } from 'react-router';
import { stationState } from '#core/job/job-state.ts';
import { indexOf } from '#core/kit/plan.ts';
import type { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { plate, platesSnug } from '#demo/try-job.ts';
import { stageJob } from '../../../test/job-stage.tsx';
import TroubleSheet from './TroubleSheet.tsx';

afterEach(cleanup);

async function trouble(worker: CarefulFitter, station = 's1') {
  const found = indexOf(worker.log.plan).stations.get(station);
  if (!found) throw new Error(station);
  const sheet = <TroubleSheet station={found} onClose={() => undefined} />;
  const staged = stageJob(<Route path="trouble" element={sheet} />, 'trouble', worker.log);
  await screen.findByRole('dialog');
  return { ...staged, user: userEvent.setup() };
}

describe('trouble at a station', () => {
  it('a damaged thread goes up the ladder one way at a time, and cutting says with what', async () => {
    const { user, log } = await trouble(plate());
    await user.click(screen.getByRole('button', { name: 'Its thread is damaged' }));
    const ladder = screen.getByRole('region', { name: 'Damaged thread' });
    const now = () => within(ladder).getByRole('listitem', { current: 'step' });
    expect(now()).toHaveTextContent('Brush');
    await user.click(within(ladder).getByRole('button', { name: 'It does not' }));
    expect(now()).toHaveTextContent('Chaser');
    await user.click(within(ladder).getByRole('button', { name: 'It does not' }));
    expect(now()).toHaveTextContent('Tap');
    expect(within(ladder).getByRole('button', { name: 'A bolt runs in by hand' })).toBeDisabled();
    await user.type(within(ladder).getByLabelText(/What is used/), 'M10 x 1.5');
    await user.click(within(ladder).getByRole('button', { name: 'A bolt runs in by hand' }));
    expect(within(ladder).getByText(/It runs again/)).toBeVisible();
    expect(stationState(log().state, 's1').mending).toMatchObject([
      { rung: 'brush', runs: false },
      { rung: 'chaser', runs: false },
      { rung: 'tap', runs: true, note: 'M10 x 1.5' },
    ]);
  });
  it('a washer is refused with why, keeping what was typed, and listed once it is in the stack', async () => {
    const { user, log } = await trouble(plate());
    await user.click(screen.getByRole('button', { name: 'It needs a washer more' }));
    const form = screen.getByRole('region', { name: 'Washer added' });
    const add = within(form).getByRole('button', { name: 'Add it to the stack' });
    expect(add).toBeDisabled();
    await user.type(within(form).getByLabelText('Hole, mm'), '10,5');
    await user.type(within(form).getByLabelText('Outside, mm'), '20');
    await user.type(within(form).getByLabelText('Thickness, mm'), '2');
    await user.type(within(form).getByLabelText('Why'), 'slot');
    await user.click(add);
    expect(await within(screen.getByRole('dialog')).findByText(/Too soft for this bolt/)).toBeVisible();
    expect(within(form).getByLabelText('Hole, mm')).toHaveValue('10,5');
    await user.selectOptions(within(form).getByLabelText('Hardness, HV'), '300');
    await user.click(add);
    expect(within(form).getByText('10.5 × 20 × 2')).toBeVisible();
    expect(within(form).getByLabelText('Hole, mm')).toHaveValue('');
    expect(stationState(log().state, 's1').washers).toHaveLength(1);
  });
  it('at a station with its bolt in, a problem is raised at once', async () => {
    await trouble(platesSnug().worker);
    expect(screen.getByText('What is it?')).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Its thread is damaged' })).toBeNull();
  });
});
