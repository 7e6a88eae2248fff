import { describe, expect, it } from '@jest/globals';
import { REAR_AIR_SPRINGS } from '#demo/kits.ts';
import { HOB, MIRA, NOON, RAFE, refusal, WRENCHES } from '#demo/try-job.ts';
import type { HouseRules } from '../kit/house-rules.ts';
import { deviations } from '../record/deviations.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { type Care, careList } from './care.ts';
import { oneKit, openLog } from './job-log.ts';

function springs(rules: Partial<HouseRules>, aftercare = REAR_AIR_SPRINGS.aftercare): CarefulFitter {
  const opened = openLog({
    ...oneKit({ ...REAR_AIR_SPRINGS, aftercare }),
    vehicle: { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    answers: {},
    shop: rules,
  });
  if (!opened.ok) throw new Error(opened.error.code);
  return new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
}
const due = (worker: CarefulFitter): Care[] => careList(worker.log.plan, worker.log.state);
const wheels = { type: 'waiveCare', care: 'raised:wheels', reason: 'Torqued again here tomorrow' } as const;

describe('what is due later', () => {
  it('is what the sheet asks, and before it what nobody else asks', () => {
    expect(due(springs({}, [])).map(({ key }) => key)).toEqual(['raised:alignment', 'raised:lampAim', 'raised:wheels']);
    const printed = due(springs({}));
    expect(printed.length).toBe(REAR_AIR_SPRINGS.aftercare.length);
    expect(printed.every(({ from, waived }) => from === 'sheet' && waived === undefined)).toBe(true);
  });
  it('a lead does not ask it of the owner, with a reason that stands on the record, and may take that back', () => {
    const worker = springs({}, []);
    expect(refusal(worker, wheels)).toBe('notYoursToBend');
    expect(refusal(worker, wheels, HOB)).toBe('notPermitted');
    expect(refusal(worker, { ...wheels, reason: ' ' }, RAFE)).toBe('reasonMissing');
    expect(refusal(worker, { ...wheels, care: 'raised:exhaust' }, RAFE)).toBe('unknownCare');
    worker.give(wheels, RAFE);
    expect(due(worker).find(({ key }) => key === 'raised:wheels')?.waived).toMatchObject({
      reason: wheels.reason,
      by: RAFE,
    });
    expect(refusal(worker, wheels, RAFE)).toBe('careWaivedAlready');
    expect(deviations(worker.log.plan, worker.log.state)).toContainEqual(
      expect.objectContaining({ kind: 'careWaived', care: 'raised:wheels', reason: wheels.reason }),
    );
    // Only the one who said it takes it back.
    expect(refusal(worker, { type: 'undo' }, MIRA)).toBe('nothingToUndo');
    worker.give({ type: 'undo' }, RAFE);
    expect(due(worker).some(({ waived }) => waived)).toBe(false);
    expect(deviations(worker.log.plan, worker.log.state).some(({ kind }) => kind === 'careWaived')).toBe(false);
  });
  it('where the shop leaves it to fitters a fitter does; where it lets nobody, nobody', () => {
    expect(refusal(springs({ bentBy: { aftercare: 'fitter' } }, []), wheels)).toBe('accepted');
    expect(refusal(springs({ bentBy: { aftercare: 'nobody' } }, []), wheels, RAFE)).toBe('notYoursToBend');
  });
});
