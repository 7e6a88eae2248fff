import { describe, expect, it } from '@jest/globals';
import type { Refusal } from '#core/job/refusal.ts';
import { resolve } from '#core/kit/resolve.ts';
import { FRONT_RECOVERY_POINTS, REAR_ANTI_ROLL_BAR } from '#demo/kits.ts';
import { reasonsText } from './plan-text.ts';
import { refusalText } from './refusal-text.ts';

const resolved = resolve(FRONT_RECOVERY_POINTS, { modelYear: 2021, body: 'dual-cab' }, { shield: true });
if (!resolved.ok) throw new Error('demo kit does not resolve');
const plan = resolved.value;

describe('a refusal in words', () => {
  it('names stations and lines as they are painted, and says what lifts it', () => {
    expect(refusalText({ code: 'outOfOrder', station: 's1', next: 's7' }, plan)).toMatchObject({
      title: 'Out of order',
      lift: 'Do Station 7 first.',
    });
    expect(refusalText({ code: 'pieceShort', item: 'a6', available: 0 }, plan).why).toBe(
      '0 of A5 Flange nut M12 × 1.75 on the tray.',
    );
  });
  it('lists many stations short', () => {
    const waiting = plan.stations.map((station) => station.id);
    expect(refusalText({ code: 'groupNotAllStarted', group: 'plate', waiting }, plan).why).toContain(
      '1, 2, 3, 4, 5, 6 and 6 more',
    );
  });
  it('speaks in the unit that was entered', () => {
    const refusal: Refusal = { code: 'overMaximum', torqueNm: 10.5, maximumNm: 10 };
    expect(refusalText(refusal, plan).why).toContain('10.5 N·m');
    expect(refusalText(refusal, plan, 'lbf·in').why).toContain('lbf·in');
  });
});

describe('why a value applies', () => {
  const kit = REAR_ANTI_ROLL_BAR;
  it('reads like the printed line', () => {
    expect(
      reasonsText(kit, [{ question: 'modelYear', comparison: 'atLeast', value: 2022, answer: 2023, holds: true }]),
    ).toBe('model year 2023 ≥ 2022');
    expect(
      reasonsText(kit, [{ question: 'modelYear', comparison: 'atMost', value: 2021, answer: 2023, holds: false }]),
    ).toBe('model year 2023 > 2021');
    expect(
      reasonsText(kit, [{ question: 'bush', comparison: 'is', value: 'rubber', answer: 'polyurethane', holds: false }]),
    ).toBe('“Which bush material is in the box?” was answered “Polyurethane, with a grease sachet”, not “Rubber, dry”');
    expect(
      reasonsText({ questions: [{ id: 'rail', text: 'Is the roof rail fitted?', kind: 'yesNo' }] }, [
        { question: 'rail', comparison: 'is', value: true, answer: true, holds: true },
      ]),
    ).toBe('“Is the roof rail fitted?” was answered yes');
  });
});
