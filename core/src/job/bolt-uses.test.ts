import { describe, expect, it } from '@jest/globals';
import { REAR_ANTI_ROLL_BAR } from '#demo/kits.ts';
import { NOON, RAFE, refusal, WRENCHES } from '#demo/try-job.ts';
import { OPENED_NOW } from '../kit/house-rules.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { lineOf } from '../line/line.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { boltUsesAfter } from './bolt-uses.ts';
import { oneKit, openLog } from './job-log.ts';
import { asksNow } from './line-known.ts';

/** A bolt of the vehicle of which nobody says how often it may go back in. */
const KIT: KitDocument = {
  ...REAR_ANTI_ROLL_BAR,
  removed: [
    {
      id: 'caliper',
      name: 'caliper bolt',
      count: 1,
      fate: 'refit',
      side: 'left',
      reuseUnknown: true,
      kind: 'bolt',
      specs: [{ printed: '40 N·m', spec: { kind: 'torque', targetNm: 40 } }],
    },
  ],
  disconnects: [],
  neighbours: [],
  temporary: [],
  steps: [
    { id: 'off', text: 'Off', phase: 'strip', actions: [{ type: 'remove', removed: 'caliper' }] },
    { id: 'on', text: 'On', phase: 'strip', actions: [{ type: 'refit', removed: 'caliper' }] },
  ],
};

function job(boltUses: Array<{ bolt: string; uses: number }> | undefined, most?: number): CarefulFitter {
  const opened = openLog({
    ...oneKit(KIT),
    vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab', boltUses },
    answers: { bush: 'rubber' },
    shop: most === undefined ? {} : { boltUses: most },
  });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  const worker = new CarefulFitter(opened.value, WRENCHES, RAFE, NOON);
  worker.while(({ log }) => !('opened' in (log.state.visit.debts.caliper ?? {})));
  return worker;
}
const refitAct = (worker: CarefulFitter) => {
  const found = [...lineOf(worker.log.plan).actById.values()].find(({ action }) => action.type === 'refit');
  if (!found) throw new Error('no refit');
  return found;
};
const put = (worker: CarefulFitter, answers: Record<string, string | number>) =>
  ({ type: 'doAct', act: refitAct(worker).id, answers }) as const;

describe('a bolt of the vehicle that goes back in', () => {
  it('is asked about where nobody counted, and counted from then on', () => {
    const worker = job(undefined);
    expect(refusal(worker, put(worker, { piece: 'again' }))).toBe('actAsks');
    // The usual rule: twice.
    expect(refusal(worker, put(worker, { piece: 'again', uses: 3 }))).toBe('answerRefused');
    worker.give(put(worker, { piece: 'again', uses: 1 }));
    expect(boltUsesAfter(worker.log.plan, worker.log.state)).toEqual([{ bolt: 'left caliper bolt', uses: 2 }]);
  });
  it('of which the shop counted is not asked again, and is changed once its uses are up', () => {
    const once = job([{ bolt: 'Left caliper bolt', uses: 1 }]);
    expect(asksNow(once.log.plan, once.log.state, refitAct(once), { piece: 'again' }).map(({ key }) => key)).toEqual([
      'piece',
    ]);
    once.give(put(once, { piece: 'again' }));
    expect(boltUsesAfter(once.log.plan, once.log.state)).toEqual([{ bolt: 'left caliper bolt', uses: 2 }]);
    const spent = job([{ bolt: 'left caliper bolt', uses: 2 }]);
    expect(refusal(spent, put(spent, { piece: 'again' }))).toBe('answerRefused');
    spent.give(put(spent, { piece: 'new' }));
    expect(boltUsesAfter(spent.log.plan, spent.log.state)).toEqual([{ bolt: 'left caliper bolt', uses: 1 }]);
    const generous = job([{ bolt: 'left caliper bolt', uses: 2 }], 4);
    expect(refusal(generous, put(generous, { piece: 'again' }))).toBe('accepted');
  });
});

describe('neighbours that were loosened for access', () => {
  const NEIGHBOURED: KitDocument = {
    ...KIT,
    removed: [],
    neighbours: [
      {
        id: 'link',
        name: 'drop link bolt',
        count: 3,
        spec: { printed: '54 N·m', spec: { kind: 'torque', targetNm: 54 } },
      },
    ],
    steps: [
      { id: 'off', text: 'Off', phase: 'strip', actions: [{ type: 'loosen', neighbour: 'link' }] },
      { id: 'on', text: 'On', phase: 'strip', actions: [{ type: 'retighten', neighbour: 'link' }] },
    ],
  };
  it('are tightened again to the last one', () => {
    const opened = openLog({
      ...oneKit(NEIGHBOURED),
      vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' },
      answers: { bush: 'rubber' },
      shop: OPENED_NOW,
    });
    if (!opened.ok) throw new Error(JSON.stringify(opened.error));
    const worker = new CarefulFitter(opened.value, WRENCHES, RAFE, NOON);
    worker.while(({ log }) => !('opened' in (log.state.visit.debts.link ?? {})));
    const act = [...lineOf(worker.log.plan).actById.values()].find(({ action }) => action.type === 'retighten');
    const tell = (answers: Record<string, number>) => ({ type: 'doAct', act: act?.id ?? '', answers }) as const;
    expect(refusal(worker, tell({}))).toBe('actAsks');
    expect(refusal(worker, tell({ count: 2 }))).toBe('answerRefused');
    worker.give(tell({ count: 3 }));
    expect(worker.log.state.visit.debts.link?.ends).toMatchObject([{ count: 3 }]);
  });
});
