import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route } from 'react-router';
import { pullBand } from '#core/job/next-station.ts';
import { traceJointOf } from '#core/job/pull-curve.ts';
import { indexOf, type PlanStation } from '#core/kit/plan.ts';
import { textbookPull } from '#core/trace/fixture/textbook-pull.ts';
import { packTrace } from '#core/trace/pack-trace.ts';
import type { ShownKind } from '#core/trace/pull-trace.ts';
import { NOON, platesSnug, pullOf } from '#demo/try-job.ts';
import { useSettings } from '../../shop/settings.ts';
import { speakWith } from '../../shop/speech.ts';
import { stageJob } from '../../test/job-stage.tsx';
import { FITTER } from '../../test/stage.tsx';
import Line from './Line.tsx';

const said: string[] = [];
beforeEach(() => {
  jest.useFakeTimers({ now: NOON, advanceTimers: true, doNotFake: ['setTimeout', 'setInterval'] });
  said.length = 0;
  speakWith({ say: (text) => said.push(text), hush: () => undefined });
});
afterEach(() => {
  cleanup();
  speakWith();
  useSettings.getState().set({ voice: false });
  jest.useRealTimers();
});

/** The first bolt of the plate pulled by the person at work, its curve as it is. */
function pulled(kind: ShownKind) {
  const { worker, first } = platesSnug();
  const { plan } = worker.log;
  const station = indexOf(plan).stations.get(first) as PlanStation;
  const band = pullBand(plan, station, 0);
  const joint = band && traceJointOf(plan, station, band);
  if (!band || !joint) throw new Error('no joint');
  const trace = packTrace(textbookPull(joint, kind, 4));
  worker.give(pullOf(first, band.targetNm, { source: 'live', movementDeg: 40, trace }), FITTER.person);
  stageJob(<Route path="line" element={<Line />} />, 'line', worker.log);
  return station;
}
const notice = () => screen.queryByRole('region', { name: 'What the curve says' });

describe('what the curve of your last pull says', () => {
  it('is nothing of a good joint', async () => {
    pulled('good');
    expect(await screen.findByRole('button', { name: 'Load left' })).toBeVisible();
    expect(notice()).toBeNull();
  });
  it('is the fault, what to do now, and the curve with its reasons; it goes when it is seen', async () => {
    const { label } = pulled('stripping');
    const told = await screen.findByRole('region', { name: 'What the curve says' });
    expect(told).toHaveTextContent(`Station ${label}: a thread gives way`);
    expect(told).toHaveTextContent('Stop. Do not turn on.');
    await userEvent.click(within(told).getByRole('button', { name: 'See the curve' }));
    const sheet = await screen.findByRole('dialog', { name: 'A thread gives way' });
    expect(within(sheet).getByRole('img', { name: /Torque over angle/ })).toBeInTheDocument();
    expect(sheet).toHaveTextContent(/\d+ % of its torque lost while it was turned on/);
    expect(sheet).toHaveTextContent('They carry what this one does not.');
    await userEvent.keyboard('{Escape}');
    await userEvent.click(await screen.findByRole('button', { name: 'Seen' }));
    expect(notice()).toBeNull();
  });
  it('is said aloud where what is next is read out', async () => {
    useSettings.getState().set({ voice: true });
    const { label } = pulled('yielding');
    await screen.findByRole('region', { name: 'What the curve says' });
    expect(said).toContain(`Station ${label}. The bolt stretches for good.`);
  });
});
