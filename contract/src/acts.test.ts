import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { LOCKERS } from '#core/compound/compound.ts';
import { ACT_NAMES } from '#core/job/act/act-name.ts';
import type { JobCommand, JobEvent } from '#core/job/acts.ts';
import { debtsOf } from '#core/job/debt.ts';
import { appendEvents, type JobLog, openLog, takeCommand } from '#core/job/job-log.ts';
import { prefixOf } from '#core/kit/ids.ts';
import { lineOf } from '#core/line/line.ts';
import type { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { spreadAnswers, type VisitKit } from '#core/visit/visit.ts';
import { FRONT_RECOVERY_POINTS, REAR_AIR_SPRINGS, REAR_ANTI_ROLL_BAR, TRACK_BAR_BRACE } from '#demo/kits.ts';
import { bar, guard, ISA, MIRA, NOON, plate, RAFE, WRENCHES } from '#demo/try-job.ts';
import { JobCommandSchema, JobEventSchema } from './acts.ts';

/** The event as it comes off the wire or out of the database. */
const read = (event: JobEvent) => JobEventSchema.safeParse(JSON.parse(JSON.stringify(event)));
const expectRead = (events: readonly JobEvent[]) => {
  for (const event of events) {
    const result = read(event);
    if (!result.success) throw new Error(`${event.type}: ${result.error.message}`);
    expect(result.data).toEqual(JSON.parse(JSON.stringify(event)));
  }
};

function visit(): JobLog {
  const kits: VisitKit[] = [];
  for (const document of [REAR_AIR_SPRINGS, TRACK_BAR_BRACE, FRONT_RECOVERY_POINTS])
    kits.push({
      document,
      prefix: prefixOf(
        kits.map((kit) => kit.document.id),
        document.id,
      ),
    });
  const vehicle = { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] };
  const answers = spreadAnswers(kits, { shield: true });
  const opened = openLog({
    kits,
    openedWith: kits.slice(0, 2).map(({ prefix }) => prefix),
    vehicle,
    answers,
    shop: {},
  });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  return opened.value;
}

/** Any act there is, on things the job has and on some it has not. Total: an act without one does not compile. */
const anyOf = (log: JobLog): { [Name in JobCommand['type']]: fc.Arbitrary<Extract<JobCommand, { type: Name }>> } => {
  const { plan } = log;
  const id = (list: ReadonlyArray<{ id: string }>) => fc.constantFrom(...list.map((entry) => entry.id), 'none-such');
  const station = id(plan.stations);
  const item = id(plan.items);
  const step = id(plan.steps);
  const debt = id(debtsOf(plan, log.state));
  const few = fc.integer({ min: -1, max: 5 });
  const reason = fc.constantFrom('because', ' ');
  const end = fc.constantFrom(
    'refit' as const,
    'keep' as const,
    'scrap' as const,
    'cleared' as const,
    'transfer' as const,
  );
  const figure = fc.constant({ spec: { kind: 'torque' as const, targetNm: 95 }, printed: '95 N·m' });
  const maybe = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined });
  const be = <Type extends string>(type: Type) => fc.constant(type);
  return {
    changeAnswer: fc.record({
      type: be('changeAnswer'),
      question: id(plan.questions),
      value: fc.constantFrom(true, false, 2023, 'rubber'),
      seen: maybe(fc.constant(null)),
    }),
    countLine: fc.record({
      type: be('countLine'),
      item,
      found: few,
      damaged: fc.integer({ min: 0, max: 1 }),
      read: maybe(fc.constantFrom('L', 'R')),
    }),
    recountLine: fc.record({ type: be('recountLine'), item, found: few, damaged: fc.integer({ min: 0, max: 1 }) }),
    noteSerial: fc.record({ type: be('noteSerial'), item, piece: few, serial: reason }),
    setApart: fc.record({ type: be('setApart'), item, quantity: few, reason, photo: maybe(fc.constant('p')) }),
    endApart: fc.record({
      type: be('endApart'),
      item,
      quantity: few,
      to: fc.constantFrom('tray' as const, 'scrap' as const),
      reason,
    }),
    putInTray: fc.record({ type: be('putInTray'), item, tray: fc.constantFrom('Tray', 'none'), row: few, column: few }),
    handKey: fc.record({
      type: be('handKey'),
      key: fc.constantFrom(undefined, 'none'),
      name: reason,
      kind: fc.constantFrom('lockKey' as const, 'code' as const),
      to: fc.record({ who: fc.constantFrom('owner' as const, 'person' as const), name: reason }),
    }),
    orderPieces: fc.record({
      type: be('orderPieces'),
      item,
      order: fc.constantFrom('o-1', 'o-2'),
      quantity: few,
      supplier: reason,
      promisedMs: fc.constant(NOON),
    }),
    takeArrival: fc.record({ type: be('takeArrival'), item, quantity: few, order: fc.constantFrom(undefined, 'o-1') }),
    useShopStock: fc.record({
      type: be('useShopStock'),
      item,
      quantity: few,
      reason,
      piece: maybe(
        fc.constant({ id: 's', bin: 'B2', kind: 'bolt' as const, name: 'Bolt', thread: 'M10 x 1.5', lengthMm: 30 }),
      ),
    }),
    scrapPiece: fc.record({ type: be('scrapPiece'), item, quantity: few, reason }),
    declareSpare: fc.record({ type: be('declareSpare'), item, quantity: few }),
    startByHand: fc.record({ type: be('startByHand'), station }),
    applyCompound: fc.record({
      type: be('applyCompound'),
      station,
      cleaned: fc.boolean(),
      holeClean: maybe(fc.boolean()),
      bottle: fc.constantFrom(undefined, 'b-none'),
    }),
    snug: fc.record({ type: be('snug'), station, tool: fc.constantFrom('hand' as const, 'power' as const) }),
    pull: fc.record({
      type: be('pull'),
      station,
      torqueNm: fc.double({ min: 0, max: 200, noNaN: true }),
      wrench: fc.constantFrom('w-1', 'w-2', 'w-3', 'w-5', 'w-none'),
      source: fc.constantFrom('typed' as const, 'live' as const),
      angleDeg: maybe(fc.double({ min: 0, max: 120, noNaN: true })),
      movementDeg: maybe(fc.double({ min: 0, max: 60, noNaN: true })),
      gradientShare: maybe(fc.double({ min: 0, max: 1, noNaN: true })),
      entered: fc.constantFrom(undefined, undefined, undefined, { value: 60, unit: 'lbf·ft' as const }),
      pass: fc.constantFrom(undefined, undefined, undefined, 0, 1),
      issued: fc.constant(undefined),
      confirmed: maybe(fc.boolean()),
      pinFits: maybe(fc.boolean()),
      seatedAndBackedOff: maybe(fc.boolean()),
      seatNm: maybe(fc.double({ min: 0, max: 200, noNaN: true })),
    }),
    doStage: fc.record({
      type: be('doStage'),
      station,
      stage: fc.nat({ max: 3 }),
      torqueNm: maybe(fc.double({ min: 0, max: 200, noNaN: true })),
      wrench: fc.constantFrom('w-1', 'w-none'),
      entered: fc.constant(undefined),
      confirmed: maybe(fc.boolean()),
    }),
    nameCompound: fc.record({
      type: be('nameCompound'),
      compound: fc.constantFrom('locker', 'ghost'),
      grade: fc.constantFrom(...LOCKERS),
      product: reason,
    }),
    settleBasis: fc.record({
      type: be('settleBasis'),
      station,
      use: fc.constantFrom('asPrinted' as const, 'sameLoad' as const),
      factorFrom: maybe(fc.constantFrom('friction' as const, 'product' as const)),
      factor: maybe(fc.double({ min: 0, max: 2, noNaN: true })),
      reason,
    }),
    addAddendum: fc.record({
      type: be('addAddendum'),
      text: reason,
      foundBy: reason,
      redone: maybe(reason),
      station: maybe(station),
    }),
    confirmStop: fc.record({ type: be('confirmStop'), station, reason: maybe(reason) }),
    seeMark: fc.record({ type: be('seeMark'), station }),
    mendThread: fc.record({
      type: be('mendThread'),
      station,
      rung: fc.constantFrom('brush' as const, 'chaser' as const, 'tap' as const, 'insert' as const),
      runs: fc.boolean(),
      note: reason,
    }),
    addWasher: fc.record({
      type: be('addWasher'),
      station,
      under: fc.constantFrom('head' as const, 'nut' as const),
      insideMm: fc.constantFrom(8.4, 10.5),
      outsideMm: fc.constantFrom(20, 21),
      thicknessMm: fc.constantFrom(1.6, 2),
      hardnessHv: fc.constantFrom(200 as const, 300 as const),
      reason,
    }),
    loosen: fc.record({ type: be('loosen'), station, to: fc.constantFrom('started' as const, 'out' as const), reason }),
    setLoadState: fc.record({
      type: be('setLoadState'),
      state: fc.constantFrom('hanging' as const, 'onWheels' as const),
      measuredMm: maybe(fc.constant(412)),
    }),
    correctPull: fc.record({
      type: be('correctPull'),
      station,
      pull: fc.constantFrom(
        ...[...log.state.stations.values()].flatMap(({ pulls }) => pulls.map((pull) => pull.id)),
        'none',
      ),
      torqueNm: fc.double({ min: -5, max: 150, noNaN: true }),
      reason,
      pinFits: maybe(fc.boolean()),
    }),
    raiseProblem: fc.record({ type: be('raiseProblem'), station: maybe(station), text: reason }),
    clearProblem: fc.record({
      type: be('clearProblem'),
      problem: fc.constantFrom(...Object.keys(log.state.problems), 'none'),
      how: reason,
    }),
    useCalculation: fc.record({
      type: be('useCalculation'),
      station: maybe(station),
      tool: be('value'),
      summary: be('22 N·m'),
      link: be('/bench/value'),
      reason,
    }),
    override: fc.record({
      type: be('override'),
      refusal: fc.constantFrom('outOfOrder', 'notAtRideHeight', 'jobClosed'),
      station,
      reason,
    }),
    answerPrerequisite: fc.record({
      type: be('answerPrerequisite'),
      prerequisite: id(plan.prerequisites),
      met: fc.boolean(),
      value: maybe(fc.constant(11)),
      note: maybe(reason),
    }),
    measure: fc.record({
      type: be('measure'),
      baseline: id(plan.baselines),
      place: fc.constantFrom('front left', 'rear right', 'roof'),
      when: fc.constantFrom('before' as const, 'after' as const),
      value: fc.constantFrom(520, 1e9),
      photo: maybe(be('p')),
    }),
    findOut: fc.record({
      type: be('findOut'),
      finding: id(plan.questions),
      value: fc.oneof(fc.boolean(), fc.integer(), fc.constant('x')),
    }),
    arrangeTool: fc.record({
      type: be('arrangeTool'),
      tool: fc.constantFrom('act press', ' '),
      how: fc.constantFrom('owned' as const, 'borrowed' as const, 'rented' as const),
      from: maybe(be('Sallow Hire')),
    }),
    noteBought: fc.record({
      type: be('noteBought'),
      wanted: be('new b1'),
      quantity: fc.integer(),
      expiresOn: maybe(be('2027-01-31')),
    }),
    addStep: fc.record({
      type: be('addStep'),
      text: reason,
      before: id(plan.steps),
      problem: maybe(be('p')),
      minutes: maybe(fc.integer()),
    }),
    makeChoice: fc.record({
      type: be('makeChoice'),
      choice: id(plan.choices),
      option: fc.constantFrom('frame', 'x'),
      chosenBy: fc.constantFrom('The owner', ''),
    }),
    doAct: fc.record({
      type: be('doAct'),
      act: fc.constantFrom(...[...lineOf(plan).actById.keys()], 'none-such'),
      answers: maybe(
        fc.dictionary(
          fc.constantFrom('heldUpBy', 'chocks', 'stands', 'at front left', 'verdict', 'helper', 'option'),
          fc.oneof(fc.boolean(), fc.integer(), fc.constantFrom('stands', 'front', 'met', 'notMet', 'Tam')),
        ),
      ),
    }),
    doStep: fc.record({ type: be('doStep'), step, helper: maybe(fc.constant('Tam')) }),
    waiveStep: fc.record({ type: be('waiveStep'), step, reason }),
    lookAgain: fc.record({
      type: be('lookAgain'),
      target: fc.oneof(fc.record({ station }), fc.record({ debt: fc.constantFrom('none-such') })),
      way: fc.constantFrom('pull' as const, 'stripe' as const, 'seen' as const),
      holds: fc.boolean(),
      torqueNm: maybe(fc.integer({ min: -5, max: 400 })),
      wrench: maybe(fc.constant('w-3')),
      note: maybe(reason),
    }),
    waiveCare: fc.record({
      type: be('waiveCare'),
      care: fc.constantFrom(...plan.aftercare.map(({ id }) => id), 'raised:wheels', 'none-such'),
      reason,
    }),
    beginClock: fc.record({
      type: be('beginClock'),
      act: fc.constantFrom(...[...lineOf(plan).actById.keys()], 'none-such'),
      sinceMs: maybe(fc.constant(NOON - 60_000)),
    }),
    takeStep: fc.record({ type: be('takeStep'), step }),
    setBayTemperature: fc.record({ type: be('setBayTemperature'), tempC: fc.integer({ min: -60, max: 60 }) }),
    park: fc.record({ type: be('park'), reason, may: fc.constantFrom('stand' as const, 'drive' as const) }),
    resume: fc.record({ type: be('resume') }),
    handBack: fc.record({
      type: be('handBack'),
      kind: fc.constantFrom('handedBack' as const, 'oldParts' as const),
      signature: fc.constantFrom('Mira', ''),
      reason,
      may: fc.constantFrom('roll' as const, 'tow' as const),
    }),
    openDebt: fc.record({ type: be('openDebt'), debt }),
    addDebt: fc.record({
      type: be('addDebt'),
      name: fc.constantFrom('Tow eye cover', ''),
      kind: fc.constantFrom('removed' as const, 'other' as const),
      count: few,
      end,
      note: maybe(reason),
    }),
    closeDebt: fc.record({
      type: be('closeDebt'),
      debt,
      count: few,
      end,
      note: maybe(reason),
      newPieces: maybe(fc.boolean()),
    }),
    arrangeRefit: fc.record({ type: be('arrangeRefit'), order: fc.array(step, { maxLength: 4 }) }),
    giveFigure: fc.record({
      type: be('giveFigure'),
      target: fc.oneof(station, debt),
      figure: maybe(figure),
      source: fc.constantFrom('vehicleMaker' as const, 'byFeel' as const),
      note: reason,
    }),
    settleConflict: fc.record({
      type: be('settleConflict'),
      conflict: id(plan.conflicts),
      choice: fc.constantFrom(...plan.conflicts.flatMap(({ choices }) => choices), 'x'),
      figure: maybe(figure),
      reason,
    }),
    splitShared: fc.record({
      type: be('splitShared'),
      key: fc.constantFrom(...plan.shared.map(({ key }) => key), 'x'),
      reason,
    }),
    addKit: fc.constant({
      type: 'addKit' as const,
      prefix: `${FRONT_RECOVERY_POINTS.id}/`,
      kit: FRONT_RECOVERY_POINTS.id,
      revision: 1,
      answers: { [`${FRONT_RECOVERY_POINTS.id}/shield`]: true },
    }),
    dropKit: fc.record({
      type: be('dropKit'),
      prefix: fc.constantFrom(...plan.kits.map(({ prefix }) => prefix), 'x/'),
      reason,
    }),
    overrideStep: fc.record({
      type: be('overrideStep'),
      refusal: fc.constantFrom('prerequisitesOpen', 'stepWaitsFor', 'jobClosed'),
      step,
      reason,
    }),
    undo: fc.constant({ type: 'undo' as const }),
    keepPhoto: fc.record({
      type: be('keepPhoto'),
      photo: fc.uuid(),
      sha256: fc.constant('0'.repeat(64)),
      mime: fc.constant('image/jpeg'),
      bytes: fc.nat(),
    }),
    acknowledgeBreak: fc.record({ type: be('acknowledgeBreak'), reason }),
    close: fc.record({ type: be('close'), signature: fc.constantFrom('Mira Vane', ' '), note: maybe(reason) }),
  };
};

describe('every event a decision makes', () => {
  it.each([
    ['recovery points', () => plate(true)],
    ['guard', guard],
    ['anti-roll bar', bar],
  ])('of the whole job of the %s passes its schema', (_, make: () => CarefulFitter) => {
    const worker = make();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    worker.closeOut();
    expectRead(worker.events);
  });
  it('passes its schema, whatever is commanded by whom (property)', () => {
    const logs = [visit(), appendEvents(plate(true).log, []), bar().log];
    const seen = new Set<string>();
    for (const log of logs) {
      const acts = anyOf(log);
      const command = fc.oneof(...ACT_NAMES.map((name) => acts[name] as fc.Arbitrary<JobCommand>));
      fc.assert(
        fc.property(fc.array(fc.tuple(command, fc.constantFrom(MIRA, RAFE, RAFE, ISA)), { maxLength: 60 }), (given) => {
          let current = log;
          given.forEach(([asked, by], index) => {
            const outcome = takeCommand(current, WRENCHES, {
              id: `e-${index}`,
              atMs: NOON + index * 1000,
              by,
              command: asked,
            });
            if (outcome.ok) {
              expectRead(outcome.events);
              for (const event of outcome.events) seen.add(event.type);
            }
            current = outcome.log;
          });
        }),
        { numRuns: 150, seed: 3 },
      );
    }
    // The property is worth what it reaches.
    expect(seen.size).toBeGreaterThan(20);
  });
});

describe('a command of a device', () => {
  it('never brings a kit in: the server pins it and makes its prefix', () => {
    const addKit = { type: 'addKit', prefix: 'ghost/', kit: 'ghost', revision: 1, answers: {} };
    expect(JobCommandSchema.safeParse(addKit).success).toBe(false);
  });
  it.each([
    ['a reason over 500 characters', { type: 'loosen', station: 's1', to: 'out', reason: 'x'.repeat(501) }, 'reason'],
    ['half a character', { type: 'raiseProblem', text: 'bent \ud83d' }, 'text'],
    ['a field nobody knows', { type: 'undo', twice: true }, ''],
    ['an act nobody knows', { type: 'levitate' }, 'type'],
  ])('with %s is not read, and says where', (_, command, path) => {
    const result = JobCommandSchema.safeParse(command);
    expect(result.success).toBe(false);
    expect(result.error?.issues[0]?.path.join('.')).toBe(path);
  });
  it('with a whole emoji and 500 characters is read', () => {
    expect(JobCommandSchema.safeParse({ type: 'raiseProblem', text: '🔧'.repeat(250) }).success).toBe(true);
  });
});

it('the demo kit with every kind of joint is still among them', () =>
  expect(new Set(REAR_ANTI_ROLL_BAR.stations.flatMap(({ specs }) => specs.map(({ spec }) => spec.kind)))).toContain(
    'slot',
  ));
