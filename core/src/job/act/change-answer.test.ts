import { describe, expect, it } from '@jest/globals';
import { plate, refusal } from '#demo/try-job.ts';

describe('answers', () => {
  it('may change before work starts, and the plan follows', () => {
    const worker = plate(false);
    worker.give({ type: 'changeAnswer', question: 'shield', value: true });
    expect(worker.log.plan.stations).toHaveLength(12);
    expect(worker.log.state.answerChanges).toMatchObject([{ question: 'shield', from: false, to: true }]);
  });
  it('may change with bolts in, as long as those stay what they were', () => {
    const worker = plate(false);
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 's1' });
    worker.give({ type: 'changeAnswer', question: 'shield', value: true });
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 'sh1' });
    expect(refusal(worker, { type: 'changeAnswer', question: 'shield', value: false })).toBe('workContradicts');
    worker.give({ type: 'loosen', station: 'sh1', to: 'out', reason: 'no shield after all' });
    worker.give({ type: 'changeAnswer', question: 'shield', value: false });
    expect(worker.log.plan.stations).toHaveLength(8);
  });
  it('given by two people at once are not lost unseen', () => {
    const worker = plate(false);
    worker.give({ type: 'changeAnswer', question: 'shield', value: true, seen: false });
    expect(refusal(worker, { type: 'changeAnswer', question: 'modelYear', value: 2023, seen: 2019 })).toBe('accepted');
    expect(refusal(worker, { type: 'changeAnswer', question: 'shield', value: false, seen: false })).toBe(
      'answeredMeanwhile',
    );
    expect(refusal(worker, { type: 'changeAnswer', question: 'shield', value: false, seen: true })).toBe('accepted');
  });
});
