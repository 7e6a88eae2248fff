import { describe, expect, it } from '@jest/globals';
import { REAR_AIR_SPRINGS, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { MIRA, NOON, openKit, WRENCHES } from '#demo/try-job.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { CarefulFitter } from './careful-fitter.ts';
import { reachFrom } from './reach.ts';

/** A job counted in, with some lines short of so many. */
function counted(kit: KitDocument, short: Record<string, number>, answers = {}): CarefulFitter {
  const worker = new CarefulFitter(openKit(kit, answers), WRENCHES, MIRA, NOON);
  for (const { id, quantity } of worker.log.plan.items)
    worker.give({ type: 'countLine', item: id, found: quantity - (short[id] ?? 0), damaged: 0 });
  return worker;
}

describe('how far a job gets with what is there', () => {
  it('with all pieces to its end, and the vehicle rolls', () => {
    const { stopsFor, steps, rolls, open, halfDone, workMinutes } = reachFrom(
      counted(TRANSFER_CASE_GUARD, {}).log,
      NOON,
    );
    expect(stopsFor).toBeUndefined();
    expect(steps.done).toBe(steps.of);
    expect([open, halfDone]).toEqual([[], []]);
    expect(rolls).toBe(true);
    expect(workMinutes).toBeGreaterThan(5);
  });
  it('without a bolt, up to the step that wants it; what is half done is named, and it does not roll', () => {
    const worker = counted(TRANSFER_CASE_GUARD, {});
    const bolt = worker.log.plan.items.find(({ kind }) => kind === 'bolt')?.id ?? '';
    const reach = reachFrom(counted(TRANSFER_CASE_GUARD, { [bolt]: 1 }).log, NOON);
    expect(reach).toMatchObject({ stopsFor: bolt, rolls: false });
    expect(reach.halfDone).toHaveLength(1);
    expect(reach.steps.done).toBeLessThan(reach.steps.of);
  });
  it('with the wheels off and the axle down, says what is off and how it stands', () => {
    const kit = REAR_AIR_SPRINGS;
    const part = kit.items.find(({ kind }) => kind === 'part')?.id ?? '';
    const reach = reachFrom(counted(kit, { [part]: 1 }, { raised: false }).log, NOON);
    expect(reach.stopsFor).toBe(part);
    expect(reach.rolls).toBe(false);
    expect(reach.open.some((name) => /wheel/i.test(name))).toBe(true);
    expect(reach.load).not.toBe('onWheels');
    expect(reach.lastStep).toBeDefined();
  });
  it('changes nothing of the job it looks at', () => {
    const worker = counted(TRANSFER_CASE_GUARD, {});
    const before = worker.log;
    reachFrom(worker.log, NOON);
    expect(worker.log).toBe(before);
    expect(reachFrom(worker.log, NOON)).toEqual(reachFrom(worker.log, NOON));
  });
  it('further on there is less left', () => {
    const worker = counted(TRANSFER_CASE_GUARD, {});
    const early = reachFrom(worker.log, NOON).workMinutes;
    worker.startAll();
    expect(reachFrom(worker.log, NOON).workMinutes).toBeLessThan(early);
  });
});
