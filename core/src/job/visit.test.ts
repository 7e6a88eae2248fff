import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { REAR_AIR_SPRINGS, ROCK_SLIDERS, TRACK_BAR_BRACE } from '#demo/kits.ts';
import { demoWrenches } from '#demo/shop.ts';
import { OPENED_NOW } from '../kit/house-rules.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import type { Answers } from '../line/ask.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '../visit/visit.ts';
import type { JobCommand } from './acts.ts';
import { baselineVerdict, sideDifference } from './baseline-verdict.ts';
import { closeBlocks } from './close-blocks.ts';
import { debtsOf, isOwed } from './debt.ts';
import { type JobLog, openLog, takeCommand } from './job-log.ts';
import { jobProgress } from './job-progress.ts';
import { stationState } from './job-state.ts';
import { lineProgress } from './line-progress.ts';
import type { Person } from './role.ts';

const NOON = Date.UTC(2026, 10, 25, 12);
const WRENCHES = demoWrenches(NOON);
const MIRA: Person = { id: 'mira', name: 'Mira', role: 'fitter' };
const RAFE: Person = { id: 'rafe', name: 'Rafe', role: 'lead' };
const HOB: Person = { id: 'hob', name: 'Hob', role: 'apprentice' };
const VEHICLE = { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] };
const AIR = 'sameJoint station@track bar axle bolt';

function open(documents: KitDocument[], later: KitDocument[] = []): JobLog {
  const kits: VisitKit[] = [];
  for (const document of [...documents, ...later]) kits.push({ document, prefix: kitPrefix(kits, document.id) });
  const openedWith = kits.slice(0, documents.length).map(({ prefix }) => prefix);
  const opened = openLog({ kits, openedWith, vehicle: VEHICLE, answers: spreadAnswers(kits, {}), shop: OPENED_NOW });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  return opened.value;
}
const visit = (documents = [REAR_AIR_SPRINGS, TRACK_BAR_BRACE, ROCK_SLIDERS], later: KitDocument[] = []) =>
  new CarefulFitter(open(documents, later), WRENCHES, MIRA, NOON);

let serial = 0;
function refusal(worker: CarefulFitter, command: JobCommand, by: Person = MIRA): string {
  serial += 1;
  const outcome = takeCommand(worker.log, WRENCHES, { id: `v-${serial}`, atMs: worker.nowMs, by, command });
  return outcome.ok ? 'accepted' : outcome.refusal.code;
}
const settle: JobCommand = {
  type: 'settleConflict',
  conflict: AIR,
  choice: 'track-bar-brace',
  reason: 'its bolt is longer',
};

/** Everything that must be settled before the strip. */
function prepare(worker: CarefulFitter): void {
  worker.give(settle, RAFE);
  worker.give({ type: 'answerPrerequisite', prerequisite: 'q1', met: true, value: 11 });
  worker.give({ type: 'answerPrerequisite', prerequisite: 'q2', met: true });
  for (const place of ['front left', 'front right', 'rear left', 'rear right'])
    worker.give({ type: 'measure', baseline: 'h1', place, when: 'before', value: 520 });
  worker.give({ type: 'makeChoice', choice: 'k1', option: 'frame', chosenBy: 'The owner' });
}

const stepsDone = (log: JobLog): ReadonlySet<string> => lineProgress(log.plan, log.state).steps;
const stripOpen = ({ log }: CarefulFitter): boolean =>
  log.plan.steps.some(({ id, phase }) => (phase === 'prepare' || phase === 'strip') && !stepsDone(log).has(id));
/** Everything up to the last thing that comes off. */
const doStrip = (worker: CarefulFitter): void => worker.while(stripOpen);
/** The rear of the vehicle goes up, as a careful pair does it. */
const LIFT: JobCommand = {
  type: 'doAct',
  act: 't2:lift:',
  answers: { heldUpBy: 'stands', chocks: 'front', stands: true },
};

describe('before the strip', () => {
  it('prerequisites, baselines and choices come first, and a lead may let them be', () => {
    const worker = visit();
    const wheels: JobCommand = { type: 'doStep', step: 't3' };
    expect(refusal(worker, wheels)).toBe('prerequisitesOpen');
    worker.give({ type: 'answerPrerequisite', prerequisite: 'q1', met: true, value: 11 });
    worker.give({ type: 'answerPrerequisite', prerequisite: 'q2', met: false });
    expect(refusal(worker, wheels)).toBe('prerequisitesOpen');
    worker.give({ type: 'overrideStep', refusal: 'prerequisitesOpen', step: 't3', reason: 'cold by hand' }, RAFE);
    expect(refusal(worker, wheels)).toBe('stepWaitsFor');
    expect(refusal(worker, { type: 'overrideStep', refusal: 'answerRefused', step: 't2', reason: 'x' }, RAFE)).toBe(
      'notOverridable',
    );
  });
  it('a figure outside its limits does not meet them, whatever is ticked', () => {
    const worker = visit();
    const bore = (value?: number): JobCommand => ({ type: 'answerPrerequisite', prerequisite: 'q1', met: true, value });
    expect(refusal(worker, bore(12))).toBe('outsideLimits');
    expect(refusal(worker, bore())).toBe('valueInvalid');
    expect(refusal(worker, bore(10.5))).toBe('accepted');
  });
  it('chocks never stand at the end that goes up', () => {
    const worker = visit();
    prepare(worker);
    const lift = (answers: Answers): JobCommand => ({ type: 'doAct', act: 't2:lift:', answers });
    expect(refusal(worker, lift({}))).toBe('actAsks');
    expect(refusal(worker, lift({ heldUpBy: 'stands', chocks: 'rear', stands: true }))).toBe('answerRefused');
    expect(refusal(worker, lift({ heldUpBy: 'jackOnly', chocks: 'front' }))).toBe('answerRefused');
    expect(refusal(worker, lift({ heldUpBy: 'stands', chocks: 'front' }))).toBe('actAsks');
    expect(refusal(worker, lift({ heldUpBy: 'lift', pads: true }))).toBe('accepted');
    expect(refusal(worker, LIFT)).toBe('accepted');
  });
  it('what takes two is not begun alone', () => {
    const worker = visit();
    prepare(worker);
    worker.give(LIFT);
    for (const step of ['t3', 't4']) worker.give({ type: 'doStep', step });
    expect(refusal(worker, { type: 'doStep', step: 't5' })).toBe('actAsks');
    expect(refusal(worker, { type: 'doStep', step: 't5', helper: 'Tam' })).toBe('accepted');
  });
});

describe('conflicts', () => {
  it('wait for a lead, and hold the joint until then', () => {
    const worker = visit();
    worker.checkIn();
    expect(refusal(worker, { type: 'startByHand', station: 's5' })).toBe('conflictOpen');
    expect(refusal(worker, settle)).toBe('notPermitted');
    expect(refusal(worker, { ...settle, choice: 'rock-sliders' } as JobCommand, RAFE)).toBe('choiceNotAllowed');
    expect(refusal(worker, { ...settle, reason: ' ' } as JobCommand, RAFE)).toBe('reasonMissing');
    worker.give(settle, RAFE);
    expect(worker.log.plan.stations.some(({ id }) => id === 's5')).toBe(false);
    expect(jobProgress(worker.log.plan, worker.log.state).conflicts).toBe(0);
  });
  it('a choice that would take a started joint away is refused', () => {
    const worker = visit();
    prepare(worker);
    worker.checkIn();
    doStrip(worker);
    worker.while(({ log }) => stationState(log.state, 'track-bar-brace/s5').stage === 'empty');
    expect(refusal(worker, { ...settle, choice: 'rear-air-springs' } as JobCommand, RAFE)).toBe('workContradicts');
  });
});

describe('debts', () => {
  it('open with the strip, once for both kits, and hold the close until each has ended', () => {
    const worker = visit();
    prepare(worker);
    doStrip(worker);
    const owed = debtsOf(worker.log.plan, worker.log.state).filter(isOwed);
    expect(owed.filter(({ name }) => /wheels/i.test(name)).map(({ ids }) => ids)).toEqual([
      ['wheels', 'track-bar-brace/wheels'],
    ]);
    expect(closeBlocks(worker.log.plan, worker.log.state).map(({ code }) => code)).toContain('debtsOpen');
  });
  it('a bolt goes back with a figure and its origin, never with none', () => {
    const worker = visit();
    prepare(worker);
    doStrip(worker);
    const back: JobCommand = { type: 'closeDebt', debt: 'dbolt', count: 2, end: 'refit' };
    expect(refusal(worker, back)).toBe('figureMissing');
    const figure = { spec: { kind: 'torque' as const, targetNm: 95 }, printed: '95 N·m' };
    expect(refusal(worker, { type: 'giveFigure', target: 'dbolt', source: 'vehicleMaker', note: '', figure })).toBe(
      'reasonMissing',
    );
    expect(refusal(worker, { type: 'giveFigure', target: 'dbolt', source: 'vehicleMaker', note: 'p. 31' })).toBe(
      'figureUnreadable',
    );
    worker.give({ type: 'giveFigure', target: 'dbolt', source: 'vehicleMaker', note: 'manual, p. 31', figure });
    worker.give({ ...back, count: 1 } as JobCommand);
    expect(refusal(worker, back)).toBe('debtCount');
    worker.give({ ...back, count: 1 } as JobCommand);
    expect(refusal(worker, back)).toBe('debtNotOpen');
  });
  it('by feel is an honest state with a name and a reason', () => {
    const worker = visit();
    worker.give({ type: 'giveFigure', target: 'dbolt', source: 'byFeel', note: 'no manual for this axle' });
    expect(worker.log.state.visit.figures.dbolt).toMatchObject({ source: 'byFeel', by: { name: 'Mira' } });
    expect(debtsOf(worker.log.plan, worker.log.state).find(({ id }) => id === 'dbolt')?.asks).toEqual([]);
  });
  it('what was to be scrapped does not come back on a fitter’s word', () => {
    const worker = visit();
    prepare(worker);
    doStrip(worker);
    const id = 'rock-sliders/stepBolts';
    const back: JobCommand = { type: 'closeDebt', debt: id, count: 8, end: 'refit', note: 'they look good' };
    expect(refusal(worker, back)).toBe('fateContradicts');
    expect(refusal(worker, { type: 'closeDebt', debt: id, count: 8, end: 'keep' })).toBe('reasonMissing');
    worker.give({ type: 'closeDebt', debt: id, count: 8, end: 'scrap' });
  });
  it('what no sheet speaks of is owed too', () => {
    const worker = visit();
    worker.give({ type: 'addDebt', name: 'heat shield', kind: 'removed', count: 1, end: 'refit' });
    expect(refusal(worker, { type: 'addDebt', name: '', kind: 'other', count: 1, end: 'refit' })).toBe('nameMissing');
    expect(refusal(worker, { type: 'addDebt', name: 'x', kind: 'other', count: 0, end: 'refit' })).toBe(
      'quantityInvalid',
    );
    const [debt] = debtsOf(worker.log.plan, worker.log.state).filter(isOwed);
    expect(debt?.name).toBe('heat shield');
    worker.give({ type: 'closeDebt', debt: debt?.id ?? '', count: 1, end: 'refit' });
    expect(debtsOf(worker.log.plan, worker.log.state).filter(isOwed)).toEqual([]);
  });
  it('a step taken back closes what it opened', () => {
    const worker = visit();
    prepare(worker);
    worker.give(LIFT);
    worker.give({ type: 'doStep', step: 't3' });
    expect(debtsOf(worker.log.plan, worker.log.state).filter(isOwed)).toHaveLength(2);
    worker.give({ type: 'undo' });
    expect(debtsOf(worker.log.plan, worker.log.state).filter(isOwed)).toEqual([]);
    expect(stepsDone(worker.log).has('t3')).toBe(false);
  });
});

describe('a step taken back', () => {
  it('undoes what its own command did and nothing else of the same instant', () => {
    const worker = visit();
    prepare(worker);
    worker.give(LIFT);
    // Two commands in one millisecond: the wheels noted off by hand, and the step that takes them off.
    const at = worker.nowMs + 5;
    const give = (id: string, command: JobCommand) => {
      const outcome = takeCommand(worker.log, WRENCHES, { id, atMs: at, by: MIRA, command });
      if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
      worker.log = outcome.log;
    };
    const wheels = () => debtsOf(worker.log.plan, worker.log.state).filter(({ opened }) => opened !== undefined);
    const removal = worker.log.plan.steps
      .find(({ id }) => id === 't3')
      ?.actions.find((action) => action.type === 'remove');
    give('by-hand', { type: 'openDebt', debt: removal?.type === 'remove' ? removal.removed : '' });
    give('by-step', { type: 'doStep', step: 't3' });
    give('back', { type: 'undo' });
    const [after] = wheels();
    expect(after?.opened?.commandId).toBe('by-hand');
  });
});

describe('kits coming and going', () => {
  it('one that comes while the wheels are off finds them off, and nothing done is lost', () => {
    const worker = visit([REAR_AIR_SPRINGS], [TRACK_BAR_BRACE]);
    for (const command of [
      { type: 'answerPrerequisite', prerequisite: 'q1', met: true, value: 11 },
      { type: 'answerPrerequisite', prerequisite: 'q2', met: true },
      { type: 'makeChoice', choice: 'k1', option: 'frame', chosenBy: 'The owner' },
      ...['front left', 'front right', 'rear left', 'rear right'].map((place) => ({
        type: 'measure' as const,
        baseline: 'h1',
        place,
        when: 'before' as const,
        value: 520,
      })),
      LIFT,
      { type: 'doStep', step: 't3' },
    ] as JobCommand[])
      worker.give(command);
    worker.give({ type: 'addKit', prefix: 'track-bar-brace/', kit: 'track-bar-brace', revision: 1, answers: {} });
    const { plan, state } = worker.log;
    expect(plan.kits.map(({ id }) => id)).toEqual(['rear-air-springs', 'track-bar-brace']);
    expect(stepsDone(worker.log).has('t3')).toBe(true);
    // Off already: the new kit's own step for it fell to the one that was done.
    expect(plan.steps.some(({ id }) => id === 'track-bar-brace/t2')).toBe(false);
    expect(
      debtsOf(plan, state)
        .filter(isOwed)
        .map(({ ids }) => ids.length),
    ).toEqual([2, 2]);
    expect(plan.conflicts).toHaveLength(1);
    worker.give({ type: 'dropKit', prefix: 'track-bar-brace/', reason: 'plate missing' });
    expect(worker.log.plan.conflicts).toEqual([]);
    expect(debtsOf(worker.log.plan, worker.log.state).filter(isOwed)).toHaveLength(2);
    expect(refusal(worker, { type: 'dropKit', prefix: '', reason: 'all' })).toBe('lastKit');
  });
  it('one that has bolts in, or things off that only it puts back, is not dropped', () => {
    const worker = visit();
    prepare(worker);
    worker.checkIn();
    doStrip(worker);
    expect(refusal(worker, { type: 'dropKit', prefix: 'track-bar-brace/', reason: 'x' })).toBe('workContradicts');
    expect(refusal(worker, { type: 'dropKit', prefix: 'nope/', reason: 'x' })).toBe('kitNotIn');
  });
  it('a whole visit of three kits is worked to the end', () => {
    const worker = visit([REAR_AIR_SPRINGS, TRACK_BAR_BRACE]);
    prepare(worker);
    worker.checkIn();
    worker.closeOut();
    expect(worker.log.state.closed?.signature).toBe('Mira');
  });
});

describe('the result against its baseline', () => {
  const stamp = { commandId: 'c', atMs: 0, by: MIRA };
  it.each([
    [520, 530, 'asClaimed', 10],
    [520, 505, 'belowClaim', -15],
    [520, 560, 'aboveClaim', 40],
  ])('%p to %p mm is %p', (before, after, code, by) =>
    expect(
      baselineVerdict(
        { change: { min: -5, max: 15 } },
        { before: { value: before, ...stamp }, after: { value: after, ...stamp } },
      ),
    ).toEqual({ code, by }),
  );
  it('without both, or without a claim, is not judged', () => {
    expect(baselineVerdict({}, { before: { value: 1, ...stamp } })).toEqual({ code: 'open' });
    expect(baselineVerdict({}, { before: { value: 1, ...stamp }, after: { value: 3, ...stamp } })).toEqual({
      code: 'changed',
      by: 2,
    });
  });
  it('a lean is the difference of the sides of an axle', () =>
    expect(
      sideDifference([
        { place: 'rear left', measured: { after: { value: 540, ...stamp } } },
        { place: 'rear right', measured: { after: { value: 528, ...stamp } } },
        { place: 'front left' },
      ]),
    ).toEqual([{ axle: 'rear', difference: 12 }]));
});

/** Whatever hands give, a debt ends at most as often as it opened, and the fold is the same however it is cut. */
describe('any hands (property)', () => {
  const anyCommand = (log: JobLog): fc.Arbitrary<JobCommand> => {
    const step = fc.constantFrom(...log.plan.steps.map(({ id }) => id));
    const debt = fc.constantFrom(...debtsOf(log.plan, log.state).map(({ id }) => id));
    const end = fc.constantFrom('refit' as const, 'keep' as const, 'scrap' as const, 'cleared' as const);
    return fc.oneof(
      fc.record({
        type: fc.constant('doStep' as const),
        step,
        helper: fc.constant('Tam'),
      }),
      fc.record({ type: fc.constant('openDebt' as const), debt }),
      fc.record({
        type: fc.constant('closeDebt' as const),
        debt,
        count: fc.integer({ min: -1, max: 9 }),
        end,
        note: fc.constant('so'),
      }),
      fc.constant<JobCommand>({ type: 'undo' }),
    );
  };
  it('never end more than they opened', () => {
    const worker = visit();
    prepare(worker);
    fc.assert(
      fc.property(fc.array(anyCommand(worker.log), { maxLength: 40 }), (commands) => {
        let { log } = worker;
        commands.forEach((command, index) => {
          const outcome = takeCommand(log, WRENCHES, { id: `p${index}`, atMs: NOON + index * 1000, by: HOB, command });
          ({ log } = outcome);
        });
        for (const entry of debtsOf(log.plan, log.state)) {
          expect(entry.ended).toBeLessThanOrEqual(entry.count);
          if (entry.ended > 0) expect(entry.opened).toBeDefined();
        }
      }),
      { numRuns: 60, seed: 5 },
    );
  });
});
