import { describe, expect, it } from '@jest/globals';
import { REAR_AIR_SPRINGS } from '#demo/kits.ts';
import { MIRA, NOON, refusal, WRENCHES } from '#demo/try-job.ts';
import { closeBlocks } from '../job/close-blocks.ts';
import { oneKit, openLog } from '../job/job-log.ts';
import { lineOf } from '../line/line.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '../visit/visit.ts';
import { batteryOffFor } from './battery-off.ts';
import type { HouseRules } from './house-rules.ts';
import type { KitDocument } from './kit-document.ts';

const RULES = (batteryOff: HouseRules['batteryOff']): Partial<HouseRules> => ({ proof: 'measured', batteryOff });
const VEHICLE = { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] };

/** The air springs on a vehicle whose plug is called otherwise. */
const springs = (name: string): KitDocument => ({
  ...REAR_AIR_SPRINGS,
  disconnects: REAR_AIR_SPRINGS.disconnects.map((entry, at) => (at === 0 ? { ...entry, name } : entry)),
});
function work(kit: KitDocument, batteryOff: HouseRules['batteryOff']): CarefulFitter {
  const opened = openLog({ ...oneKit(kit), vehicle: VEHICLE, answers: {}, shop: RULES(batteryOff) });
  if (!opened.ok) throw new Error(opened.error.code);
  return new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
}
/** Acts of the line that open or close a plug, in its order. */
const plugs = ({ log: { plan } }: CarefulFitter): string[] =>
  lineOf(plan).steps.flatMap(({ acts }) =>
    acts.flatMap(({ action }) =>
      action.type === 'disconnect' || action.type === 'reconnect'
        ? `${action.type} ${plan.disconnects.find(({ id }) => id === action.disconnect)?.name}`
        : [],
    ),
  );
const BATTERY = 'battery, negative lead';

describe('what a battery comes off for (common practice, no source)', () => {
  it.each([
    ['Driver airbag', undefined, 'restraint'],
    ['seat belt tensioner plug', 'connector', 'restraint'],
    ['SRS harness', 'connector', 'restraint'],
    ['Damper plug, left', 'connector', 'damper'],
    ['adaptive shock absorber lead', 'cable', 'damper'],
    ['Front radar', 'connector', 'watched'],
    ['parking sensor', 'sensor', 'watched'],
    ['wheel speed sensor', 'sensor', 'plug'],
    ['fog lamp lead', 'connector', 'plug'],
    // No plug, and not to be fired.
    ['damper lower bolts', undefined, undefined],
    ['axle vent hose', 'hose', undefined],
    ['air spring hose', 'hose', undefined],
  ] as const)('%s', (name, kind, why) => expect(batteryOffFor(name, kind)).toBe(why));
});

describe('the battery on the line', () => {
  it('comes off before the first of them is opened and goes on when the last is back', () => {
    const order = plugs(work(springs('Damper plug'), 'watched'));
    const opened = order.indexOf('disconnect Damper plug');
    expect(opened).toBeGreaterThan(0);
    expect(order.indexOf(`disconnect ${BATTERY}`)).toBeLessThan(opened);
    expect(order.at(-1)).toBe(`reconnect ${BATTERY}`);
    expect(order.filter((one) => one.includes('battery'))).toHaveLength(2);
  });
  it('is gated: no plug is pulled before it, and no job signed while it is off', () => {
    const worker = work(springs('Damper plug'), 'watched');
    const { plan } = worker.log;
    const actOf = (name: string, type: 'disconnect' | 'reconnect') =>
      [...lineOf(plan).actById.values()].find(
        ({ action }) =>
          action.type === type && plan.disconnects.find(({ id }) => id === action.disconnect)?.name === name,
      )?.id ?? '';
    worker.checkIn();
    const done = () => worker.log.state.visit.acts;
    worker.while(() => done()[actOf('Damper plug', 'disconnect')] === undefined);
    expect(done()[actOf(BATTERY, 'disconnect')]).toBeDefined();
    expect(closeBlocks(worker.log.plan, worker.log.state)).toContainEqual(
      expect.objectContaining({ code: 'debtsOpen', debts: expect.arrayContaining(['house.battery']) }),
    );
    worker.finishLine();
    expect(closeBlocks(worker.log.plan, worker.log.state).some(({ code }) => code === 'debtsOpen')).toBe(false);
    const early = work(springs('Damper plug'), 'watched');
    early.checkIn();
    expect(refusal(early, { type: 'doAct', act: actOf('Damper plug', 'disconnect'), answers: {} })).not.toBe(
      'accepted',
    );
  });
  it('stays on where the kit takes it off itself, where nothing asks for it, and where the shop goes by the sheet', () => {
    expect(plugs(work(REAR_AIR_SPRINGS, 'watched')).join()).not.toContain('battery');
    expect(plugs(work(springs('Damper plug'), 'asKit')).join()).not.toContain('battery');
    const [first, ...rest] = REAR_AIR_SPRINGS.steps;
    if (!first) throw new Error('no step');
    const own = { ...springs('Damper plug'), steps: [{ ...first, text: 'Take the battery off.' }, ...rest] };
    expect(plugs(work(own, 'watched')).join()).not.toContain(BATTERY);
    // That it is spoken of is not enough.
    const near = {
      ...springs('Damper plug'),
      steps: [{ ...first, text: 'Keep the lead clear of the battery.' }, ...rest],
    };
    expect(plugs(work(near, 'watched'))).toContain(`disconnect ${BATTERY}`);
  });
  it('a shop that takes it off for any plug does so for a sensor', () =>
    expect(plugs(work(REAR_AIR_SPRINGS, 'anyPlug'))).toContain(`disconnect ${BATTERY}`));
  it('two kits of a visit take it off once', () => {
    const kits: VisitKit[] = [];
    for (const document of [springs('Damper plug'), { ...springs('Damper plug'), id: 'other', title: 'Other' }])
      kits.push({ document, prefix: kitPrefix(kits, document.id) });
    const opened = openLog({
      kits,
      openedWith: kits.map(({ prefix }) => prefix),
      vehicle: VEHICLE,
      answers: spreadAnswers(kits, {}),
      shop: RULES('watched'),
    });
    if (!opened.ok) throw new Error(opened.error.code);
    const worker = new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
    expect(plugs(worker).filter((one) => one === `disconnect ${BATTERY}`)).toHaveLength(1);
  });
  it('jobs opened before it was asked have it as their kit says', () => {
    const opened = openLog({ ...oneKit(springs('Damper plug')), vehicle: VEHICLE, answers: {}, shop: {} });
    if (!opened.ok) throw new Error(opened.error.code);
    expect(opened.value.plan.disconnects.map(({ name }) => name)).not.toContain(BATTERY);
  });
});
