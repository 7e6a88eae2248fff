import { describe, expect, it } from '@jest/globals';
import { judgeAnswers } from './ask.ts';
import { besideAsks } from './beside.ts';

const keys = (beside: Parameters<typeof besideAsks>[0]['beside'], answers = {}) =>
  besideAsks({ beside, name: 'Upper arm' }, answers).map(({ key }) => key);
const failed = (beside: Parameters<typeof besideAsks>[0]['beside'], answers: Record<string, number | string>) =>
  judgeAnswers(besideAsks({ beside, name: 'Upper arm' }, answers), answers).failed;

describe('the old part beside the new one', () => {
  it('asks nothing where the sheet says nothing', () => expect(keys(undefined)).toEqual([]));

  it('measures the old one first, then the new one against it', () => {
    expect(keys([{ what: 'length' }])).toEqual(['old-length']);
    expect(keys([{ what: 'length' }], { 'old-length': 372 })).toEqual(['old-length', 'new-length']);
    expect(failed([{ what: 'length' }], { 'old-length': 372, 'new-length': 373.5 })).toEqual([]);
    expect(failed([{ what: 'length' }], { 'old-length': 372, 'new-length': 376 })).toEqual(['new-length']);
  });

  it('takes the difference the sheet states, a spring that is taller by so much', () => {
    const taller = [{ what: 'height' as const, min: 25, max: 35 }];
    expect(failed(taller, { 'old-height': 310, 'new-height': 340 })).toEqual([]);
    // The same as before: it is the old spring again.
    expect(failed(taller, { 'old-height': 310, 'new-height': 310 })).toEqual(['new-height']);
    const atLeast = [{ what: 'height' as const, min: 25 }];
    expect(failed(atLeast, { 'old-height': 310, 'new-height': 500 })).toEqual([]);
  });

  it('sees holes and hand, and refuses a part bent the other way', () => {
    expect(keys([{ what: 'holes' }, { what: 'hand' }])).toEqual(['beside-holes', 'beside-hand']);
    const asks = besideAsks({ beside: [{ what: 'hand' }], name: 'Upper arm' }, {});
    expect(judgeAnswers(asks, { 'beside-hand': 'differs' }).refused).toBeDefined();
  });
});
