import { describe, expect, it } from '@jest/globals';
import { paceOf } from './pace.ts';

const took = (person: string, ...minutes: number[]) => minutes.map((each) => ({ person, minutes: each }));

describe('how long a drill takes', () => {
  it('is said of the learner’s other times, and of others each counted once', () => {
    const times = [...took('hob', 20, 12, 14), ...took('mira', 6, 6, 6, 6), ...took('tam', 10)];
    expect(paceOf(times, 'hob')).toEqual({
      own: { minutes: 14, times: 3 },
      others: { minutes: 8, people: 2 },
    });
  });
  it('says nothing of others while it would be of one person', () => {
    expect(paceOf([...took('hob', 5), ...took('mira', 6, 7)], 'hob')).toEqual({ own: { minutes: 5, times: 1 } });
    expect(paceOf(took('mira', 6), 'hob')).toEqual({});
  });
});
