import { describe, expect, it } from '@jest/globals';
import { REAR_AIR_SPRINGS } from '#demo/kits.ts';
import { MIRA, NOON, RAFE, WRENCHES } from '#demo/try-job.ts';
import type { Aftercare } from '../kit/kit-document.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { dueAfter } from './due.ts';
import { oneKit, openLog } from './job-log.ts';

function springs(aftercare: Aftercare[]): CarefulFitter {
  const opened = openLog({
    ...oneKit({ ...REAR_AIR_SPRINGS, aftercare }),
    vehicle: { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    answers: {},
    shop: {},
  });
  if (!opened.ok) throw new Error(opened.error.code);
  return new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
}
const wheels: Aftercare = { id: 'w', text: 'Wheel nuts again', about: 'wheels', afterKm: 80 };
const due = ({ log: { plan, state } }: CarefulFitter, odometerKm?: number) =>
  dueAfter(plan, state, { closedAtMs: NOON, ...(odometerKm === undefined ? {} : { odometerKm }) });

describe('what is due after a job', () => {
  it('is counted from the odometer of the visit and from when it was signed', () => {
    const worker = springs([wheels, { id: 'a', text: 'Align', about: 'alignment', afterDays: 3 }]);
    const told = due(worker, 120_000);
    expect(told.find(({ care }) => care.key === 'w')).toMatchObject({ atKm: 120_080 });
    expect(told.find(({ care }) => care.key === 'a')).toMatchObject({ atMs: NOON + 3 * 86_400_000 });
    expect(told.find(({ care }) => care.key === 'a')).not.toHaveProperty('atKm');
  });
  it('where nobody read the odometer no reading is made up, and an event alone has no date', () => {
    const [first, second] = due(
      springs([wheels, { id: 'e', text: 'Look at the bolts', event: 'first tow', about: 'alignment' }]),
    ).slice(-2);
    expect([first?.atKm, first?.atMs]).toEqual([undefined, undefined]);
    expect([second?.atKm, second?.atMs]).toEqual([undefined, undefined]);
  });
  it('leaves out what the owner is not asked', () => {
    const worker = springs([wheels]);
    const before = due(worker).length;
    worker.give({ type: 'waiveCare', care: 'w', reason: 'Done here' }, RAFE);
    expect(due(worker)).toHaveLength(before - 1);
  });
});
