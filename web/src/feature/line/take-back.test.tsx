import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route } from 'react-router';
import { undoText } from '#contract/wording/undo-text.ts';
import { stationState } from '#core/job/job-state.ts';
import { plate } from '#demo/try-job.ts';
import { useJobStore } from '../../job/job-store.ts';
import { stageJob } from '../../test/job-stage.tsx';
import Line from './Line.tsx';

afterEach(cleanup);

/** Longer than a letter waits for the rest of a scanned code. */
const KEY_HELD_MS = 120;

/** All started by hand: the first bead is next, and the last hand start is what could be taken back. */
function atFirstBead() {
  const worker = plate();
  worker.checkIn();
  worker.startAll();
  return worker.log;
}
const show = () => stageJob(<Route path="line" element={<Line />} />, 'line', atFirstBead());

describe('taking back', () => {
  it('names its victim, and puts it again', async () => {
    const staged = show();
    const user = userEvent.setup();
    const bead = await screen.findByRole('button', { name: /bead on/ });
    const station = staged.log().plan.stations.find(({ id }) => {
      const { bead: on } = stationState(staged.log().state, id);
      return on === undefined;
    });
    await user.click(bead);
    const back = await screen.findByRole('button', { name: /^Take back ?: bead on station/ });
    await user.click(back);
    expect(await screen.findByText(/Taken back:/)).toHaveTextContent(/bead on station/);
    expect(station && stationState(staged.log().state, station.id).bead).toBeUndefined();
    // The hand start before it is another act: it is not undone by pressing once more.
    await user.keyboard('u');
    await act(() => new Promise((settle) => setTimeout(settle, KEY_HELD_MS)));
    expect(stationState(staged.log().state, station?.id ?? '').stage).toBe('started');
    await user.click(screen.getByRole('button', { name: 'Put again' }));
    expect(stationState(staged.log().state, station?.id ?? '').bead).toBeDefined();
  });
  it('what lies on another screen is asked about first', async () => {
    const worker = plate();
    worker.checkIn();
    const log = worker.log;
    const staged = stageJob(<Route path="line" element={<Line />} />, 'line', log);
    const user = userEvent.setup();
    act(
      () =>
        void useJobStore
          .getState()
          .give({ type: 'countLine', item: log.plan.items[0]?.id ?? '', found: 1, damaged: 0 }),
    );
    await user.click(await screen.findByRole('button', { name: /^Take back ?: count of/ }));
    const sheet = await screen.findByRole('dialog', { name: 'Take this back?' });
    expect(sheet).toHaveTextContent(/count of .* ago/);
    await user.click(within(sheet).getByRole('button', { name: 'Leave it' }));
    expect(staged.given.some(({ type }) => type === 'undo')).toBe(false);
  });
});

describe('what is taken back, in words', () => {
  const { plan, state } = atFirstBead();
  const station = plan.stations[0]?.id ?? '';
  it.each([
    [{ act: 'startByHand', station }, /^start on station/],
    [{ act: 'applyCompound', station }, /^bead on station/],
    [{ act: 'snug', station }, /^snug on station/],
    [{ act: 'pull', station, pull: 'none' }, /^pull on station/],
    [{ act: 'countLine', item: plan.items[0]?.id ?? '' }, /^count of/],
  ] as const)('%j', (last, words) => {
    expect(undoText(plan, state, last).whole).toMatch(words);
  });
});
