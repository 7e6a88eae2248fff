import { describe, expect, it } from '@jest/globals';
import { calculate } from '../calc/calc.ts';

const because = (input: object) => {
  const answer = calculate('schedule', input);
  if (!answer.ok) throw new Error(answer.error.reason);
  return (answer.value as { infeasible: { because: string[] } }).infeasible.because;
};

describe('why a plan cannot be', () => {
  it('is said in sentences: an order, a longest wait, a helper nobody has, a bay that is not there', () => {
    expect(
      because({
        activities: [
          { id: 'bead', minutes: 2 },
          { id: 'pull', minutes: 3 },
        ],
        lags: [
          { from: 'bead', to: 'pull', maxMinutes: 10 },
          { from: 'bead', to: 'pull', minMinutes: 20 },
        ],
      }),
    ).toEqual(['pull begins at most 10 min after bead has ended', 'pull begins at least 20 min after bead has ended']);
    expect(
      because({
        activities: [{ id: 'lift', minutes: 5, uses: { helper: 2 } }],
        resources: [{ id: 'helper', capacity: 1 }],
      }),
    ).toEqual(['lift takes 5 min and 2 of helper', 'there is 1 of helper']);
    expect(
      because({
        activities: [{ id: 'weld', minutes: 50, uses: { bay: 1 } }],
        resources: [{ id: 'bay', capacity: 1, windows: [{ from: 0, to: 40 }] }],
      }),
    ).toEqual(['weld takes 50 min and 1 of bay', 'bay is there from 0 to 40 min']);
    expect(
      because({
        activities: ['a', 'b'].map((id) => ({ id, minutes: 5 })),
        lags: [
          { from: 'a', to: 'b' },
          { from: 'b', to: 'a', minMinutes: 0 },
        ],
      }),
    ).toEqual(['b begins after a has ended', 'a begins after b has ended']);
  });
});
