import { describe, expect, it } from '@jest/globals';
import { kitOfActs, ONE_OF_EACH } from '#demo/any-acts.ts';
import { FRONT_BALL_JOINTS } from '#demo/kits.ts';
import { ISA, MIRA, NOON, openKit, tryCommand, WRENCHES } from '#demo/try-job.ts';
import { jobProgress } from '../job/job-progress.ts';
import { nextOnLine } from '../job/line-next.ts';
import { shoppingList } from '../job/shopping-list.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import type { StepAction } from '../kit/step-action.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { overlap, readiness, type ShopStock } from './readiness.ts';
import { toolsNeeded } from './tool-need.ts';

const TODAY = '2026-11-25';
const STOCK: ShopStock = {
  wrenches: WRENCHES,
  tools: [],
  bottles: [],
  temperatures: [],
  ownMinutes: {},
  withdrawn: [],
};
const kitOf = (actions: StepAction[], change: (kit: KitDocument) => void = () => undefined): KitDocument => {
  const kit = kitOfActs(actions);
  change(kit);
  return kit;
};
const workerOn = (kit: KitDocument) => new CarefulFitter(openKit(kit), WRENCHES, MIRA, NOON);
const names = (kit: KitDocument) => toolsNeeded(openKit(kit).plan, []).needs.map(({ name }) => name);

describe('tools follow from what is done, not from drives alone', () => {
  // What each act takes is common practice, no source.
  it.each<[StepAction, string[]]>([
    [ONE_OF_EACH.chase, ['thread chaser M10 x 1.5']],
    [ONE_OF_EACH.press, ['press', 'bore gauge and micrometer']],
    [ONE_OF_EACH.ream, ['reamer 12 mm']],
    [ONE_OF_EACH.bleed, ['bleeder hose and bottle']],
    [ONE_OF_EACH.grease, ['grease gun']],
    [ONE_OF_EACH.coolDown, ['thermometer']],
    [ONE_OF_EACH.warmUp, ['heat gun', 'thermometer']],
    [ONE_OF_EACH.drill, ['11 mm drill', '4 mm drill', 'plate']],
    [ONE_OF_EACH.support, ['trolley jack']],
  ])('%j', (action, wanted) => {
    expect(names(kitOf([action]))).toEqual(expect.arrayContaining(wanted));
  });
  it('a coil spring that comes off wants a compressor, a taper its press, a baseline its instrument', () => {
    const kit = kitOf([ONE_OF_EACH.remove, ONE_OF_EACH.refit, ONE_OF_EACH.measure], (draft) => {
      for (const thing of draft.removed) if (thing.id === 'r1') thing.name = 'Front coil spring';
    });
    expect(names(kit)).toEqual(expect.arrayContaining(['spring compressor', 'steel rule']));
    expect(names(FRONT_BALL_JOINTS)).toContain('ball joint press');
  });
  it('an angle wants its gauge, a figure in inch-pounds its wrench, a very small one a torque screwdriver', () => {
    const withSpec = (spec: KitDocument['stations'][number]['specs'][number]) =>
      names(
        kitOf([ONE_OF_EACH.start], (draft) => {
          for (const station of draft.stations) station.specs = [spec];
        }),
      );
    expect(
      withSpec({ spec: { kind: 'torqueAngle', startNm: 40, angleDeg: 90 } as never, printed: '40 N·m + 90°' }),
    ).toContain('angle gauge');
    expect(withSpec({ spec: { kind: 'torque', targetNm: 10.17 }, printed: '90 lbf·in' })).toContain(
      'inch-pound torque wrench',
    );
    expect(withSpec({ spec: { kind: 'torque', targetNm: 4 }, printed: '4 N·m' })).toContain('torque screwdriver');
    expect(withSpec({ spec: { kind: 'torque', targetNm: 40 }, printed: '40 N·m' })).not.toContain('torque screwdriver');
  });
  it('what the sheet calls otherwise is the same tool, with how it is used and what misuse does', () => {
    const kit = kitOf([ONE_OF_EACH.press], (draft) => {
      draft.tools = [
        {
          id: 't',
          name: 'Bush press set',
          special: true,
          use: 'Push on the outer ring.',
          misuse: 'On the rubber it tears.',
        },
        { id: 'u', name: 'Slide hammer', special: true },
      ];
    });
    const { needs } = toolsNeeded(openKit(kit).plan, [
      { id: 'c', kind: 'special', name: 'Workshop press', place: 'bay 3' },
    ]);
    expect(needs.find(({ name }) => name === 'Bush press set')).toMatchObject({
      listed: true,
      special: true,
      use: 'Push on the outer ring.',
      misuse: 'On the rubber it tears.',
      have: { place: 'bay 3' },
    });
    // What the acts ask for and the sheet does not list was forgotten.
    expect(needs.filter(({ listed }) => !listed).map(({ name }) => name)).toContain('bore gauge and micrometer');
  });
  it('what the crib lacks stops the work until it is got; what is borrowed comes from somebody', () => {
    const worker = workerOn(kitOf([ONE_OF_EACH.grease]));
    const lacking = () =>
      readiness(worker.log.plan, worker.log.state, STOCK, NOON).onTheWay.flatMap((one) =>
        one.code === 'noTool' ? [one.name] : [],
      );
    expect(lacking()).toContain('grease gun');
    const arrange = { type: 'arrangeTool' as const, tool: 'act grease gun', how: 'rented' as const };
    expect(tryCommand(worker, arrange)).toMatchObject({ refusal: { code: 'nameMissing' } });
    worker.give({ ...arrange, from: 'Sallow Hire' }, ISA);
    expect(lacking()).not.toContain('grease gun');
    const need = toolsNeeded(worker.log.plan, [], worker.log.state.visit.tools).needs.find(
      ({ name }) => name === 'grease gun',
    );
    expect(need?.arranged).toMatchObject({ how: 'rented', from: 'Sallow Hire' });
  });
});

describe('a special that two jobs want in the same hours', () => {
  const press = () => workerOn(FRONT_BALL_JOINTS);
  const CRIB = [{ id: 'p', kind: 'special' as const, name: 'Ball joint press', place: 'Cage' }];
  const clashes = (worker: CarefulFitter, alongside: Array<{ number: string; specials: string[] }>) =>
    readiness(worker.log.plan, worker.log.state, { ...STOCK, tools: CRIB, alongside }, NOON).onTheWay.flatMap((one) =>
      one.code === 'toolElsewhere' ? [`${one.name} ${one.number}`] : [],
    );
  it('is told with the other job, but for one that was rented', () => {
    const worker = press();
    expect(clashes(worker, [{ number: '261127-2', specials: ['Ball joint  press'] }])).toEqual([
      'ball joint press 261127-2',
    ]);
    expect(clashes(worker, [{ number: '261127-2', specials: ['spring compressor'] }])).toEqual([]);
    worker.give({ type: 'arrangeTool', tool: 'act ball joint press', how: 'rented', from: 'Sallow Hire' }, ISA);
    expect(clashes(worker, [{ number: '261127-2', specials: ['ball joint press'] }])).toEqual([]);
  });
  it('stands in the list of a job by name', () => {
    const { log } = press();
    expect(jobProgress(log.plan, log.state).specials).toEqual(['ball joint press']);
  });
  it('hours that only touch do not overlap', () => {
    const at = (startMs: number, minutes: number) => ({ startMs, minutes });
    expect(overlap(at(0, 60), at(3_600_000, 60))).toBe(false);
    expect(overlap(at(0, 61), at(3_600_000, 60))).toBe(true);
    expect(overlap(at(3_600_000, 1), at(0, 120))).toBe(true);
  });
});

describe('what no box brings', () => {
  const kit = kitOf([ONE_OF_EACH.remove, ONE_OF_EACH.refit, ONE_OF_EACH.fill], (draft) => {
    for (const thing of draft.removed)
      if (thing.id === 'r1')
        Object.assign(thing, {
          name: 'Axle bolt',
          count: 2,
          kind: 'bolt',
          thread: 'M12 x 1.5',
          singleUse: true,
          side: 'left',
        });
    for (const item of draft.items) if (item.id === 'bolt') item.source = 'shop';
  });
  it('is one-use bolts by their thread and side, what the kit leaves to the shop, and what is filled in', () => {
    const worker = workerOn(kit);
    expect(shoppingList(worker.log.plan, worker.log.state, TODAY)).toMatchObject([
      { id: 'new r1', what: 'newBolt', name: 'Axle bolt', detail: 'M12 × 1.5, left', quantity: 2, there: false },
      { what: 'shopPiece', quantity: 4, there: false },
      { what: 'fluid', name: 'oil', quantity: 1.2, unit: 'L', there: false },
    ]);
  });
  it('blocks like a short line until enough is there, and again when it is past its date', () => {
    const worker = workerOn(kit);
    const short = (today = NOON) =>
      readiness(worker.log.plan, worker.log.state, STOCK, today).onTheWay.flatMap((one) =>
        one.code === 'notBought' ? [`${one.quantity} ${one.name}`] : [],
      );
    expect(short()).toEqual(['2 Axle bolt, M12 × 1.5, left', '4 M10 bolt', '1.2 L oil']);
    const got = (wanted: string, quantity: number, more = {}) =>
      worker.give({ type: 'noteBought', wanted, quantity, ...more }, ISA);
    got('new r1', 1);
    expect(short()).toHaveLength(3);
    got('new r1', 2);
    got('fill oil L', 2, { expiresOn: '2026-12-31' });
    expect(short()).toEqual(['4 M10 bolt']);
    // Counted at check-in is there.
    worker.checkIn();
    expect(short()).toEqual([]);
    expect(short(Date.UTC(2027, 1, 1))).toEqual(['1.2 L oil']);
  });
  it('what is filled in is not filled in before it is there, nor once it is past its date', () => {
    const filled = kitOf([ONE_OF_EACH.fill]);
    const worker = workerOn(filled);
    worker.checkIn();
    const next = () => nextOnLine(worker.log.plan, worker.log.state, MIRA.id, worker.nowMs)?.act;
    worker.while(() => next()?.action.type !== 'fill');
    const act = next()?.id ?? '';
    const fill = () => tryCommand(worker, { type: 'doAct', act, answers: { amount: 1.2 } });
    expect(fill()).toMatchObject({ refusal: { code: 'fluidMissing', wanted: 'fill oil L', quantity: 1.2, unit: 'L' } });
    worker.give({ type: 'noteBought', wanted: 'fill oil L', quantity: 1 });
    expect(fill()).toMatchObject({ refusal: { code: 'fluidMissing' } });
    worker.give({ type: 'noteBought', wanted: 'fill oil L', quantity: 2, expiresOn: '2020-01-31' });
    expect(fill()).toMatchObject({ refusal: { code: 'fluidMissing', expired: true } });
    worker.give({ type: 'noteBought', wanted: 'fill oil L', quantity: 2 });
    expect(fill()).toMatchObject({ ok: true });
  });
  it('a bolt for which the kit brings the new one is not bought, nor one that may go back', () => {
    const brings = structuredClone(kit);
    for (const thing of brings.removed) if (thing.id === 'r1') thing.replacedBy = 'p1';
    expect(shoppingList(workerOn(brings).log.plan, workerOn(brings).log.state, TODAY).map(({ what }) => what)).toEqual([
      'shopPiece',
      'fluid',
    ]);
  });
});
