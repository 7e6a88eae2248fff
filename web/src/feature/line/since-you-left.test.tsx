import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route } from 'react-router';
import type { StoredEvent } from '#contract/job.ts';
import { MIRA, NOON, plate, TAM } from '#demo/try-job.ts';
import { useJobStore } from '../../job/job-store.ts';
import { stageJob } from '../../test/job-stage.tsx';
import { FITTER } from '../../test/stage.tsx';
import Line from './Line.tsx';

beforeEach(() => {
  jest.useFakeTimers({ now: NOON, advanceTimers: true, doNotFake: ['setTimeout', 'setInterval'] });
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

/** The person at work counted the kit; Tam went on. */
function line(byOthers: boolean) {
  const worker = plate();
  worker.checkIn();
  if (byOthers) for (const station of ['s1', 's2']) worker.give({ type: 'startByHand', station }, TAM);
  const me = { ...MIRA, id: FITTER.person.id };
  const events = worker.events.map(
    (event, at): StoredEvent => ({
      seq: at + 1,
      hash: '',
      event: event.by.id === MIRA.id ? { ...event, by: me } : event,
    }),
  );
  return stageJob(<Route path="line" element={<Line />} />, 'line', worker.log, { over: { events } });
}

describe('coming back to a line', () => {
  it('tells what another did meanwhile, until it is understood', async () => {
    line(true);
    const told = await screen.findByRole('region', { name: 'Since you left' });
    expect(told).toHaveTextContent(`${TAM.name}: Recovery plate`);
    await userEvent.click(screen.getByRole('button', { name: 'Seen' }));
    expect(screen.queryByRole('region', { name: 'Since you left' })).toBeNull();
  });
  it('tells it when the server is heard, whatever this device had kept', async () => {
    const { log } = line(false);
    expect(screen.queryByRole('region', { name: 'Since you left' })).toBeNull();
    const document = useJobStore.getState().document;
    const [last] = document?.events.slice(-1) ?? [];
    if (!document || !last) throw new Error('a job with events');
    const problem = { ...last.event, type: 'problemRaised', problem: 'p', text: 'Plate is bent', by: TAM } as never;
    useJobStore.setState({ link: 'offline' });
    useJobStore.setState({
      link: 'live',
      log: log(),
      document: { ...document, events: [...document.events, { seq: last.seq + 1, hash: '', event: problem }] },
    });
    expect(await screen.findByRole('region', { name: 'Since you left' })).toHaveTextContent('problem: Plate is bent');
  });
});
