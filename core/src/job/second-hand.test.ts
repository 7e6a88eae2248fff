import { describe, expect, it } from '@jest/globals';
import { guard, platesSnug, pullOf, untilSnug } from '#demo/try-job.ts';
import type { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { nextOnLine } from './line-next.ts';
import { secondHand } from './second-hand.ts';

/** What a helper holds at what is next for whoever works. */
const held = ({ log, nowMs }: CarefulFitter) => {
  const act = nextOnLine(log.plan, log.state, 'mira', nowMs)?.act;
  return act && secondHand(log.plan, log.state, act, nowMs);
};

describe('what a second pair of hands holds, and until when', () => {
  it('a part is held up until two of its bolts are started', () => {
    const worker = guard();
    worker.checkIn();
    const [first, second] = worker.log.plan.groups[0]?.stations ?? [];
    expect(held(worker)).toMatchObject({ holds: 'part', started: 0, enough: 2 });
    worker.give({ type: 'startByHand', station: first as string });
    expect(held(worker)).toMatchObject({ holds: 'part', started: 1, enough: 2 });
    worker.give({ type: 'startByHand', station: second as string });
    expect(held(worker)).toEqual({ holds: 'nothing' });
  });
  it('the other end is held with its own tool while a nut is pulled, station by station', () => {
    const { worker, first } = platesSnug();
    const before = held(worker);
    expect(before).toMatchObject({ holds: 'otherEnd', station: first, until: 'pulled', drive: { kind: 'hex' } });
    worker.give(pullOf(first, 55));
    expect(held(worker)).not.toMatchObject({ station: first });
  });
  it('a bolt into a tapped hole wants no second hand', () => {
    const worker = untilSnug(guard(), 'guard');
    expect(held(worker)).toEqual({ holds: 'nothing' });
  });
});
