import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type Bottle, bottleFor, leftMl, reorderList } from './bottle.ts';
import { checkSettingNm, doubtFromMs, judgeCheck, type WrenchCheck } from './check-pull.ts';
import { mayInCrib } from './crib-role.ts';
import { type Loan, outForJob } from './crib-tool.ts';

const bottle = (over: Partial<Bottle> = {}): Bottle => ({
  id: 'b',
  name: 'Medium locker',
  kind: 'threadlockerMedium',
  lot: 'L1',
  sizeMl: 50,
  expiresOn: '2027-08-01',
  storeMaxC: 28,
  receivedAtMs: 0,
  usedMl: 0,
  adjustedMl: 0,
  ...over,
});
const TODAY = '2026-11-25';

describe('bottles', () => {
  it('count down and never below nothing (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 200, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (usedMl, adjustedMl) => {
          expect(leftMl(bottle({ usedMl, adjustedMl }))).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
  it('an open one is used up before another is opened, then the first to go off', () => {
    const shelf = [
      bottle({ id: 'new', expiresOn: '2027-01-01' }),
      bottle({ id: 'open', openedOn: '2026-10-01' }),
      bottle({ id: 'open-empty', openedOn: '2026-09-01', usedMl: 50 }),
    ];
    expect(bottleFor(shelf, 'threadlockerMedium')?.id).toBe('open');
    expect(bottleFor(shelf.slice(0, 1), 'threadlockerMedium')?.id).toBe('new');
    expect(bottleFor(shelf, 'antiSeize')).toBeUndefined();
  });
  it('go on the list when low, off or expiring, not while a good one stands beside', () => {
    const list = (bottles: Bottle[]) => reorderList(bottles, [], [], [], TODAY).map((line) => line.because);
    expect(list([bottle()])).toEqual([]);
    expect(list([bottle({ usedMl: 45 })])).toEqual(['low']);
    expect(list([bottle({ usedMl: 50 })])).toEqual(['empty']);
    expect(list([bottle({ expiresOn: '2026-11-01' })])).toEqual(['expired']);
    expect(list([bottle({ expiresOn: '2026-12-10' })])).toEqual(['expiring']);
    expect(list([bottle({ expiresOn: '2026-11-01' }), bottle({ id: 'c' })])).toEqual([]);
  });
  it('so do missing tools and wrenches that must go for calibration', () =>
    expect(
      reorderList(
        [],
        [],
        [{ name: '16 mm socket', missing: {} }, { name: '18 mm socket' }],
        [{ label: 'W-5', due: true, daysLeft: -6 }],
        TODAY,
      ),
    ).toEqual([
      { what: 'tool', name: '16 mm socket', because: 'missing' },
      { what: 'wrench', name: 'W-5', because: 'calibration', figure: -6 },
    ]));
});

describe('check-pulls (ISO 6789-1: ±4 %, ±6 % to 10 N·m)', () => {
  const wrench = { fullScaleNm: 200, kind: 'click' } as const;
  const readings = (...references: number[]) => references.map((referenceNm) => ({ setNm: 120, referenceNm }));
  it('one reading outside is enough', () => {
    expect(judgeCheck(wrench, readings(121, 119, 122)).within).toBe(true);
    expect(judgeCheck(wrench, readings(121, 119, 126)).within).toBe(false);
    expect(judgeCheck(wrench, []).within).toBe(false);
  });
  it('doubt runs from the last good check before the bad one', () => {
    const check = (atMs: number, within: boolean) => ({ atMs, within }) as WrenchCheck;
    const checks = [check(100, true), check(200, true), check(300, false), check(400, true)];
    expect(doubtFromMs(checks, 300)).toBe(200);
    expect(doubtFromMs([], 300)).toBe(0);
  });
  it('is set to a mark of the scale near 60 %', () => {
    expect(checkSettingNm({ fullScaleNm: 210 })).toBe(126);
    expect(checkSettingNm({ fullScaleNm: 210, divisionNm: 5 })).toBe(125);
  });
});

describe('loans', () => {
  const loan = (over: Partial<Loan>): Loan => ({
    id: '1',
    thing: 'tool',
    thingId: 't',
    thingName: '16 mm socket',
    personId: 'p',
    personName: 'A. Person',
    outAtMs: 1,
    ...over,
  });
  it('what is out for a job is named until it is back', () => {
    const loans = [loan({ jobId: 'j' }), loan({ id: '2', jobId: 'j', backAtMs: 2 }), loan({ id: '3', jobId: 'k' })];
    expect(outForJob(loans, 'j')).toEqual(['16 mm socket (A. Person)']);
  });
  it('everybody borrows; only a lead calibrates', () => {
    expect((['apprentice', 'counter', 'fitter', 'lead'] as const).map((role) => mayInCrib(role, 'lend'))).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect((['apprentice', 'counter', 'fitter', 'lead'] as const).map((role) => mayInCrib(role, 'calibrate'))).toEqual([
      false,
      false,
      false,
      true,
    ]);
  });
});
