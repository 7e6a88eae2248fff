import { describe, expect, it } from '@jest/globals';
import type { StoredEvent } from '#contract/job.ts';
import { JobLines } from './job-lines.ts';

const event = (seq: number) => ({ seq }) as StoredEvent;
const upTo = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, at) => event(from + at));

/** A store with so many events of the job `j`, and how often its events were read. */
function store(count: number) {
  return {
    count,
    reads: 0,
    heads: async function (jobs: readonly string[]) {
      return jobs.map((id) => ({ id, seq: this.count }));
    },
    eventsAfter: async function (_: string, seq: number) {
      this.reads += 1;
      return upTo(seq + 1, this.count);
    },
  };
}
function listener() {
  const seqs: number[] = [];
  return { seqs, back: (events: StoredEvent[]) => void seqs.push(...events.map(({ seq }) => seq)) };
}

describe('lines to a job', () => {
  it('bring what is stored here at once, and what is stored elsewhere at the next look, each once', async () => {
    const kept = store(3);
    const lines = new JobLines(kept);
    const { seqs, back } = listener();
    lines.listen('j', 3, back);
    kept.count = 4;
    lines.stored('j', [event(4)]);
    expect(seqs).toEqual([4]);
    await lines.look();
    expect([seqs, kept.reads]).toEqual([[4], 0]);
    // Two from elsewhere, then one of ours before the look: it waits for them.
    kept.count = 7;
    lines.stored('j', [event(7)]);
    expect(seqs).toEqual([4]);
    await lines.look();
    expect(seqs).toEqual([4, 5, 6, 7]);
    lines.stored('j', [event(7)]);
    expect(seqs).toEqual([4, 5, 6, 7]);
  });
  it('give a second listener what it lacks, and the first nothing twice but by number', async () => {
    const kept = store(9);
    const lines = new JobLines(kept);
    const [first, second] = [listener(), listener()];
    lines.listen('j', 9, first.back);
    lines.listen('j', 6, second.back);
    await lines.look();
    expect(second.seqs).toEqual([7, 8, 9]);
  });
  it('are not looked at once nobody listens', async () => {
    const kept = store(1);
    const lines = new JobLines(kept);
    const { seqs, back } = listener();
    const stop = lines.listen('j', 0, back);
    stop();
    await lines.look();
    lines.stored('j', [event(2)]);
    expect([seqs, kept.reads]).toEqual([[], 0]);
  });
});
