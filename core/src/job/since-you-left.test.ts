import { describe, expect, it } from '@jest/globals';
import { MIRA, NOON, plate, RAFE, TAM } from '#demo/try-job.ts';
import { compoundClocks } from './line-clocks.ts';
import { sinceYouLeft } from './since-you-left.ts';

const MINUTE_MS = 60_000;

/** Mira counts; Tam starts bolts; then nobody for a while. */
function shared() {
  const worker = plate();
  worker.checkIn();
  worker.give({ type: 'startByHand', station: 's1' }, TAM);
  worker.give({ type: 'startByHand', station: 's2' }, TAM);
  worker.give({ type: 'raiseProblem', text: 'Plate is bent' }, RAFE);
  return worker;
}

describe('back after a break', () => {
  it('says what others did since, by name', () => {
    const { log, events, nowMs } = shared();
    expect(sinceYouLeft(log.plan, log.state, events, MIRA.id, nowMs)).toMatchObject({
      others: [
        { name: TAM.name, groups: [log.plan.groups[0]?.title], problems: [] },
        { name: RAFE.name, groups: [], problems: ['Plate is bent'] },
      ],
      over: [],
    });
  });
  it('says nothing to who did the last thing a moment ago, or was never here', () => {
    const { log, events, nowMs } = shared();
    expect(sinceYouLeft(log.plan, log.state, events, RAFE.id, nowMs + 9 * MINUTE_MS)).toBeUndefined();
    expect(sinceYouLeft(log.plan, log.state, events, 'nobody', nowMs)).toBeUndefined();
    expect(sinceYouLeft(log.plan, log.state, events, RAFE.id, nowMs + 60 * MINUTE_MS)).toBeUndefined();
  });
  it('says which clock ran out', () => {
    const worker = plate();
    worker.checkIn();
    worker.while(({ log }) => compoundClocks(log.plan, log.state).length === 0);
    const { log, events } = worker;
    const [first] = compoundClocks(log.plan, log.state);
    const after = (first?.endsAtMs ?? NOON) + MINUTE_MS;
    expect(sinceYouLeft(log.plan, log.state, events, MIRA.id, after)).toMatchObject({
      others: [],
      over: [{ kind: 'fixture' }],
    });
  });
});
