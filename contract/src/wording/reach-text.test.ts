import { describe, expect, it } from '@jest/globals';
import type { Reach } from '#core/rehearse/reach.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { openKit } from '#demo/try-job.ts';
import { reachText, standsText } from './reach-text.ts';

const { plan } = openKit(TRANSFER_CASE_GUARD);
const [first, second] = plan.steps;
const reach = (over: Partial<Reach> = {}): Reach => ({
  steps: { done: 1, of: plan.steps.length },
  lastStep: first?.id,
  stopsAt: second?.id,
  workMinutes: 40,
  waitMinutes: 30,
  open: [],
  halfDone: [],
  rolls: true,
  ...over,
});

describe('how far it gets, in words', () => {
  it('names the step and the time', () => {
    expect(reachText(plan, reach())).toMatch(/^Work goes on for about 1 h 10 min, to step 2 of \d+, .+\.$/);
  });
  it('says when nothing can be done, and when all can', () => {
    expect(reachText(plan, reach({ steps: { done: 0, of: 2 }, lastStep: undefined }))).toContain(
      'before anything is done',
    );
    expect(reachText(plan, reach({ stopsAt: undefined }))).toMatch(/^All \d+ steps can be worked/);
  });
  it('says what keeps it from being rolled, the first four by name', () => {
    expect(standsText(reach())).toContain('may be rolled');
    expect(
      standsText(reach({ rolls: false, load: 'hanging', open: ['a', 'b', 'c', 'd', 'e', 'f'], halfDone: ['Guard'] })),
    ).toBe(
      'Then it keeps its bay, and is not rolled: it hangs; open or off: a, b, c, d and 2 more; not at torque: Guard.',
    );
  });
});
