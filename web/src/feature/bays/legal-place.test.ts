import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { QUARTER_MS } from './day-scale.ts';
import { legalPlace, type Standing } from './legal-place.ts';

const DAY = Date.UTC(2026, 10, 30);
const at = (hours: number) => DAY + hours * 4 * QUARTER_MS;
const standing = (over: Partial<Standing> = {}): Standing => ({
  id: 'b',
  bay: 2,
  startMs: at(10),
  endMs: at(12),
  name: '14-231 Gorse',
  ...over,
});
const job = { id: 'a', lengthMs: 4 * QUARTER_MS };

describe('where a job may stand', () => {
  it('is where it was let go, if its bay is free then', () => {
    const put = { bay: 1, plannedStartMs: at(10.5) };
    expect(legalPlace(put, job, [standing()], [])).toEqual({ put });
    expect(legalPlace({ bay: 2, plannedStartMs: at(12) }, job, [standing()], [])).not.toHaveProperty('snapped');
  });
  it('snaps behind the other or before it, whichever is nearer, and says why', () => {
    expect(legalPlace({ bay: 2, plannedStartMs: at(11.25) }, job, [standing()], [])).toMatchObject({
      put: { plannedStartMs: at(12) },
      snapped: { why: 'behind', other: { id: 'b' } },
    });
    expect(legalPlace({ bay: 2, plannedStartMs: at(9.5) }, job, [standing()], [])).toMatchObject({
      put: { plannedStartMs: at(9) },
      snapped: { why: 'before' },
    });
  });
  it('stays where nothing near is free: what is against it is told, and a shop may know better', () => {
    const put = { bay: 2, plannedStartMs: at(13) };
    expect(legalPlace(put, job, [standing({ endMs: at(18) })], [])).toEqual({ put });
  });
  it('waits for the shop to open, and is done before it closes', () => {
    const open: Array<[number, number]> = [[at(8), at(17)]];
    expect(legalPlace({ bay: 1, plannedStartMs: at(7) }, job, [], open)).toMatchObject({
      put: { plannedStartMs: at(8) },
      snapped: { why: 'opens' },
    });
    expect(legalPlace({ bay: 1, plannedStartMs: at(17) }, job, [], open)).toMatchObject({
      put: { plannedStartMs: at(16) },
      snapped: { why: 'closed' },
    });
  });
  it('does not stand in its own way, and another day is another day', () => {
    expect(legalPlace({ bay: 2, plannedStartMs: at(11) }, job, [standing({ id: 'a' })], [])).not.toHaveProperty(
      'snapped',
    );
    expect(legalPlace({ days: 1 }, job, [standing()], [])).toEqual({ put: { days: 1 } });
  });
  it('lies over nobody wherever it snaps to, and on a quarter (property)', () => {
    const other = fc.record({ start: fc.nat(60), quarters: fc.integer({ min: 1, max: 12 }) });
    fc.assert(
      fc.property(
        fc.array(other, { maxLength: 6 }),
        fc.nat(70),
        fc.integer({ min: 1, max: 10 }),
        (others, start, quarters) => {
          const list = others.map((one, index) =>
            standing({
              id: `o${index}`,
              startMs: DAY + one.start * QUARTER_MS + 7,
              endMs: DAY + (one.start + one.quarters) * QUARTER_MS + 7,
            }),
          );
          const put = { bay: 2, plannedStartMs: DAY + start * QUARTER_MS };
          const found = legalPlace(put, { id: 'a', lengthMs: quarters * QUARTER_MS }, list, []);
          if (!found.snapped || 'days' in found.put) return;
          const from = found.put.plannedStartMs;
          expect(from % QUARTER_MS).toBe(0);
          for (const one of list) expect(from >= one.endMs || from + quarters * QUARTER_MS <= one.startMs).toBe(true);
        },
      ),
    );
  });
});
