import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { MIRA, NOON, openKit, WRENCHES } from '#demo/try-job.ts';
import { CarefulFitter } from './careful-fitter.ts';
import { reachFrom } from './reach.ts';
import { waitFor } from './wait-for.ts';

const HOUR_MS = 3_600_000;
/** The guard with one bolt missing, or none. */
function job(short: number) {
  const worker = new CarefulFitter(openKit(TRANSFER_CASE_GUARD), WRENCHES, MIRA, NOON);
  const bolt = worker.log.plan.items.find(({ kind }) => kind === 'bolt')?.id ?? '';
  for (const { id, quantity } of worker.log.plan.items)
    worker.give({ type: 'countLine', item: id, found: quantity - (id === bolt ? short : 0), damaged: 0 });
  return { log: worker.log, bolt };
}
const minutes = ({ workMinutes, waitMinutes }: { workMinutes: number; waitMinutes: number }) =>
  workMinutes + waitMinutes;

describe('waiting for pieces', () => {
  const { log, bolt } = job(1);
  const short = { item: bolt, quantity: 1 };
  const whole = minutes(reachFrom(job(0).log, NOON));
  const stop = NOON + minutes(reachFrom(log, NOON)) * 60_000;

  it('costs nothing where they come before the work wants them', () => {
    const wait = waitFor(log, short, NOON, NOON);
    expect(wait.standsMinutes).toBe(0);
    expect(wait.stopsMs).toBe(stop);
    expect(wait.finishedMs).toBeCloseTo(NOON + whole * 60_000, -3);
  });

  it('costs as long as the vehicle stands, minute for minute', () => {
    const [early, late] = [5, 6].map((hours) => waitFor(log, short, stop + hours * HOUR_MS, NOON));
    expect(early?.standsMinutes).toBeCloseTo(300, 6);
    expect((late?.finishedMs ?? 0) - (early?.finishedMs ?? 0)).toBeCloseTo(HOUR_MS, 3);
  });

  it('is none where nothing is short, and changes nothing of the job', () => {
    const before = structuredClone(log.state.lines);
    expect(waitFor(job(0).log, short, NOON + HOUR_MS, NOON)).toMatchObject({ standsMinutes: 0 });
    expect(log.state.lines).toEqual(before);
  });
});
