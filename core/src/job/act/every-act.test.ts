import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS, REAR_AIR_SPRINGS, TRACK_BAR_BRACE } from '#demo/kits.ts';
import { guard, HOB, ISA, MIRA, NOON, openKit, plate, RAFE, tryCommand, WRENCHES } from '#demo/try-job.ts';
import { OPENED_NOW } from '../../kit/house-rules.ts';
import { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '../../visit/visit.ts';
import type { JobCommand } from '../acts.ts';
import { mayDo } from '../decide.ts';
import { openLog } from '../job-log.ts';
import { stationState } from '../job-state.ts';
import { ROLES, type Role } from '../role.ts';

type Name = JobCommand['type'];

const WASHER = { under: 'head', insideMm: 10.5, outsideMm: 20, thicknessMm: 2, hardnessHv: 300 } as const;

/** Who may give what: one act more or less does not compile. Common practice, no source; chosen by us. */
const WHO: Record<Name, string> = {
  changeAnswer: 'fitter lead counter',
  countLine: 'fitter lead counter apprentice',
  recountLine: 'fitter lead counter apprentice',
  noteSerial: 'fitter lead counter apprentice',
  setApart: 'fitter lead counter apprentice',
  endApart: 'fitter lead',
  putInTray: 'fitter lead counter apprentice',
  handKey: 'fitter lead counter apprentice',
  orderPieces: 'fitter lead counter',
  takeArrival: 'fitter lead counter apprentice',
  useShopStock: 'fitter lead counter',
  scrapPiece: 'fitter lead',
  declareSpare: 'fitter lead',
  startByHand: 'fitter lead apprentice',
  applyCompound: 'fitter lead apprentice',
  snug: 'fitter lead apprentice',
  pull: 'fitter lead apprentice',
  confirmStop: 'fitter lead apprentice',
  loosen: 'fitter lead apprentice',
  doStage: 'fitter lead apprentice',
  nameCompound: 'lead',
  settleBasis: 'fitter lead',
  addAddendum: 'fitter lead',
  seeMark: 'fitter lead apprentice',
  mendThread: 'fitter lead apprentice',
  addWasher: 'fitter lead apprentice',
  setLoadState: 'fitter lead apprentice',
  correctPull: 'fitter lead',
  raiseProblem: 'fitter lead counter apprentice',
  clearProblem: 'fitter lead',
  useCalculation: 'lead',
  override: 'fitter lead',
  undo: 'fitter lead counter apprentice',
  close: 'fitter lead',
  answerPrerequisite: 'fitter lead counter',
  measure: 'fitter lead apprentice',
  makeChoice: 'fitter lead counter',
  findOut: 'apprentice fitter lead',
  addStep: 'lead',
  arrangeTool: 'fitter lead counter apprentice',
  noteBought: 'fitter lead counter apprentice',
  doAct: 'fitter lead apprentice',
  doStep: 'fitter lead apprentice',
  waiveStep: 'fitter lead',
  waiveCare: 'fitter lead',
  lookAgain: 'fitter lead',
  beginClock: 'fitter lead apprentice',
  takeStep: 'fitter lead apprentice',
  setBayTemperature: 'fitter lead apprentice',
  park: 'fitter lead',
  resume: 'fitter lead apprentice',
  handBack: 'fitter lead',
  overrideStep: 'fitter lead',
  openDebt: 'fitter lead apprentice',
  closeDebt: 'fitter lead apprentice',
  addDebt: 'fitter lead apprentice',
  giveFigure: 'fitter lead',
  settleConflict: 'lead',
  keepPhoto: 'fitter lead counter apprentice',
  acknowledgeBreak: 'lead',
  splitShared: 'fitter lead',
  addKit: 'fitter lead counter',
  dropKit: 'fitter lead counter',
  arrangeRefit: 'fitter lead',
};

describe('who may', () => {
  it.each(Object.entries(WHO) as Array<[Name, string]>)('%s: %s', (name, roles) => {
    expect(ROLES.filter((role: Role) => mayDo(role, name))).toEqual(
      ROLES.filter((role) => roles.split(' ').includes(role)),
    );
  });
  it('one who may not is refused with the role and the act, before anything else is looked at', () => {
    const nonsense: JobCommand = { type: 'scrapPiece', item: 'ghost', quantity: -1, reason: '' };
    expect(tryCommand(guard(), nonsense, HOB)).toMatchObject({
      ok: false,
      refusal: { code: 'notPermitted', role: 'apprentice', command: 'scrapPiece' },
    });
  });
});

/** A command of each act that names something the job does not have, or says what cannot be. */
const WRONG: Array<[JobCommand, string]> = [
  [{ type: 'changeAnswer', question: 'ghost', value: true }, 'unknownQuestion'],
  [{ type: 'changeAnswer', question: 'shield', value: 'perhaps' }, 'answerNotAllowed'],
  [{ type: 'countLine', item: 'ghost', found: 1, damaged: 0 }, 'unknownItem'],
  [{ type: 'countLine', item: 'a1', found: -1, damaged: 0 }, 'countInvalid'],
  [{ type: 'countLine', item: 'a1', found: 1.5, damaged: 0 }, 'countInvalid'],
  [{ type: 'countLine', item: 'a1', found: 1, damaged: 2 }, 'countInvalid'],
  [{ type: 'recountLine', item: 'ghost', found: 1, damaged: 0 }, 'unknownItem'],
  [{ type: 'recountLine', item: 'a1', found: 1, damaged: 0 }, 'notCounted'],
  [{ type: 'noteSerial', item: 'ghost', piece: 1, serial: 'x' }, 'unknownItem'],
  [{ type: 'noteSerial', item: 'a1', piece: 1, serial: 'x' }, 'carriesNoNumber'],
  [{ type: 'setApart', item: 'ghost', quantity: 1, reason: 'x' }, 'unknownItem'],
  [{ type: 'setApart', item: 'a1', quantity: 0, reason: 'x' }, 'quantityInvalid'],
  [{ type: 'setApart', item: 'a1', quantity: 1, reason: ' ' }, 'reasonMissing'],
  [{ type: 'setApart', item: 'a1', quantity: 1000, reason: 'x' }, 'pieceShort'],
  [{ type: 'endApart', item: 'a1', quantity: 1, to: 'tray', reason: 'x' }, 'fewerApart'],
  [{ type: 'putInTray', item: 'ghost', tray: 'Tray', row: 0, column: 0 }, 'unknownItem'],
  [{ type: 'putInTray', item: 'a1', tray: 'Tray', row: 4, column: 0 }, 'noSuchCompartment'],
  [{ type: 'putInTray', item: 'a1', tray: 'Box', row: 0, column: 0 }, 'noSuchCompartment'],
  [{ type: 'handKey', name: ' ', kind: 'lockKey', to: { who: 'owner', name: 'x' } }, 'nameMissing'],
  [{ type: 'handKey', name: 'Key', kind: 'lockKey', to: { who: 'person', name: ' ' } }, 'keeperMissing'],
  [{ type: 'handKey', key: 'ghost', name: 'Key', kind: 'lockKey', to: { who: 'owner', name: 'x' } }, 'unknownKey'],
  [{ type: 'orderPieces', item: 'ghost', order: 'o', quantity: 1, supplier: 's', promisedMs: 0 }, 'unknownItem'],
  [{ type: 'orderPieces', item: 'a1', order: 'o', quantity: 0, supplier: 's', promisedMs: 0 }, 'quantityInvalid'],
  [{ type: 'orderPieces', item: 'a1', order: 'o', quantity: 1, supplier: ' ', promisedMs: 0 }, 'nameMissing'],
  [{ type: 'takeArrival', item: 'ghost', quantity: 1 }, 'unknownItem'],
  [{ type: 'takeArrival', item: 'a1', quantity: 1 }, 'notCounted'],
  [{ type: 'useShopStock', item: 'ghost', quantity: 1, reason: 'x' }, 'unknownItem'],
  [{ type: 'useShopStock', item: 'a1', quantity: 0, reason: 'x' }, 'quantityInvalid'],
  [{ type: 'useShopStock', item: 'a1', quantity: 1, reason: '  ' }, 'reasonMissing'],
  [{ type: 'scrapPiece', item: 'ghost', quantity: 1, reason: 'x' }, 'unknownItem'],
  [{ type: 'scrapPiece', item: 'a1', quantity: 0.5, reason: 'x' }, 'quantityInvalid'],
  [{ type: 'scrapPiece', item: 'a1', quantity: 1, reason: '' }, 'reasonMissing'],
  [{ type: 'scrapPiece', item: 'a1', quantity: 1000, reason: 'x' }, 'pieceShort'],
  [{ type: 'declareSpare', item: 'ghost', quantity: 1 }, 'unknownItem'],
  [{ type: 'declareSpare', item: 'a1', quantity: -1 }, 'quantityInvalid'],
  [{ type: 'startByHand', station: 'ghost' }, 'unknownStation'],
  [{ type: 'startByHand', station: 's1' }, 'notCounted'],
  [{ type: 'applyCompound', station: 'ghost', cleaned: true }, 'unknownStation'],
  [{ type: 'applyCompound', station: 's1', cleaned: true }, 'notStarted'],
  [{ type: 'snug', station: 'ghost', tool: 'hand' }, 'unknownStation'],
  [{ type: 'snug', station: 's1', tool: 'hand' }, 'notStarted'],
  [{ type: 'pull', station: 'ghost', torqueNm: 50, wrench: 'w-3', source: 'typed' }, 'unknownStation'],
  [{ type: 'pull', station: 's1', torqueNm: 50, wrench: 'ghost', source: 'typed' }, 'notStarted'],
  [{ type: 'confirmStop', station: 'ghost' }, 'unknownStation'],
  [{ type: 'confirmStop', station: 's1' }, 'needsTorque'],
  [{ type: 'doStage', station: 'ghost', stage: 0 }, 'unknownStation'],
  [{ type: 'doStage', station: 's1', stage: 0 }, 'noStages'],
  [{ type: 'nameCompound', compound: 'ghost', grade: 'threadlockerHigh', product: 'x' }, 'unknownCompound'],
  [{ type: 'settleBasis', station: 'ghost', use: 'asPrinted', reason: 'x' }, 'unknownStation'],
  [{ type: 'settleBasis', station: 's1', use: 'asPrinted', reason: 'x' }, 'basisAgrees'],
  [{ type: 'addAddendum', text: 'x', foundBy: 'x' }, 'jobOpen'],
  [{ type: 'seeMark', station: 'ghost' }, 'unknownStation'],
  [{ type: 'seeMark', station: 's1' }, 'markProvesNothing'],
  [{ type: 'mendThread', station: 'ghost', rung: 'brush', runs: true }, 'unknownStation'],
  [{ type: 'addWasher', station: 'ghost', ...WASHER, reason: 'x' }, 'unknownStation'],
  [{ type: 'addWasher', station: 's1', ...WASHER, reason: ' ' }, 'reasonMissing'],
  [{ type: 'addWasher', station: 's1', ...WASHER, outsideMm: 9, reason: 'x' }, 'washerImpossible'],
  [{ type: 'loosen', station: 'ghost', to: 'out', reason: 'x' }, 'unknownStation'],
  [{ type: 'loosen', station: 's1', to: 'out', reason: 'x' }, 'nothingToLoosen'],
  [{ type: 'correctPull', station: 'ghost', pull: 'p', torqueNm: 50, reason: 'x' }, 'unknownStation'],
  [{ type: 'correctPull', station: 's1', pull: 'ghost', torqueNm: 50, reason: 'x' }, 'unknownPull'],
  [{ type: 'raiseProblem', text: ' ' }, 'reasonMissing'],
  [{ type: 'raiseProblem', station: 'ghost', text: 'x' }, 'unknownStation'],
  [{ type: 'clearProblem', problem: 'ghost', how: 'x' }, 'unknownProblem'],
  [{ type: 'useCalculation', tool: 'torque', summary: 's', link: '/bench/torque', reason: '' }, 'reasonMissing'],
  [
    { type: 'useCalculation', tool: 'torque', summary: 's', link: '/bench/torque', reason: 'x', station: 'ghost' },
    'unknownStation',
  ],
  [{ type: 'override', refusal: 'outOfOrder', station: 'ghost', reason: 'x' }, 'unknownStation'],
  [{ type: 'override', refusal: 'overMaximum', station: 's1', reason: 'x' }, 'notOverridable'],
  [{ type: 'override', refusal: 'outOfOrder', station: 's1', reason: ' ' }, 'reasonMissing'],
  [{ type: 'undo' }, 'nothingToUndo'],
  [{ type: 'acknowledgeBreak', reason: 'x' }, 'noBreaks'],
  [{ type: 'close', signature: 'Somebody Else' }, 'signatureNotYours'],
  [{ type: 'close', signature: ' ' }, 'signatureMissing'],
  [{ type: 'close', signature: RAFE.name }, 'closeBlocked'],
  [{ type: 'answerPrerequisite', prerequisite: 'ghost', met: true }, 'unknownPrerequisite'],
  [{ type: 'measure', baseline: 'ghost', place: 'left', when: 'before', value: 1 }, 'unknownBaseline'],
  [{ type: 'findOut', finding: 'ghost', value: true }, 'unknownQuestion'],
  [{ type: 'arrangeTool', tool: 'press', how: 'rented', from: ' ' }, 'nameMissing'],
  [{ type: 'noteBought', wanted: 'ghost', quantity: 1 }, 'unknownWanted'],
  [{ type: 'addStep', text: ' ', before: 'x' }, 'reasonMissing'],
  [{ type: 'makeChoice', choice: 'ghost', option: 'x', chosenBy: 'Ines' }, 'choiceUnknown'],
  [{ type: 'doStep', step: 'ghost' }, 'unknownStep'],
  [{ type: 'overrideStep', refusal: 'helperNeeded', step: 'ghost', reason: 'x' }, 'unknownStep'],
  [{ type: 'openDebt', debt: 'ghost' }, 'unknownDebt'],
  [{ type: 'closeDebt', debt: 'ghost', count: 1, end: 'refit' }, 'unknownDebt'],
  [{ type: 'addDebt', name: ' ', kind: 'removed', count: 1, end: 'refit' }, 'nameMissing'],
  [{ type: 'addDebt', name: 'Clip', kind: 'removed', count: 0, end: 'refit' }, 'quantityInvalid'],
  [{ type: 'giveFigure', target: 'ghost', source: 'byFeel', note: 'x' }, 'unknownFigureTarget'],
  [{ type: 'giveFigure', target: 's1', source: 'byFeel', note: 'x' }, 'figureGivenAlready'],
  [{ type: 'settleConflict', conflict: 'ghost', choice: 'x', reason: 'x' }, 'unknownConflict'],
  [{ type: 'splitShared', key: 'ghost', reason: 'x' }, 'notShared'],
  [{ type: 'dropKit', prefix: 'ghost/', reason: 'x' }, 'kitNotIn'],
  [{ type: 'dropKit', prefix: '', reason: 'x' }, 'lastKit'],
  [{ type: 'arrangeRefit', order: ['ghost'] }, 'unknownStep'],
  [{ type: 'doAct', act: 'ghost' }, 'unknownAct'],
  [{ type: 'doAct', act: 'line.start.plate:start:plate' }, 'doneByStations'],
  [{ type: 'waiveStep', step: 'ghost', reason: 'x' }, 'unknownStep'],
  [{ type: 'lookAgain', target: { station: 'ghost' }, way: 'stripe', holds: true }, 'lookNotDue'],
  [{ type: 'waiveCare', care: 'ghost', reason: 'x' }, 'unknownCare'],
  [{ type: 'waiveStep', step: 'line.start.plate', reason: 'x' }, 'notWaivable'],
  [{ type: 'beginClock', act: 'ghost' }, 'unknownAct'],
  [{ type: 'takeStep', step: 'ghost' }, 'unknownStep'],
  [{ type: 'setBayTemperature', tempC: 80 }, 'temperatureInvalid'],
  [{ type: 'park', reason: ' ', may: 'stand' }, 'reasonMissing'],
  [{ type: 'resume' }, 'notParked'],
  [{ type: 'handBack', kind: 'handedBack', signature: 'Somebody', reason: 'x', may: 'roll' }, 'signatureNotYours'],
];

describe('what a job does not have, or what cannot be', () => {
  const items = openKit(FRONT_RECOVERY_POINTS, { shield: true }).plan.items;
  it('the table speaks of things the job does have', () => {
    expect(items.map(({ id }) => id)).toContain('a1');
    expect(Object.keys(WHO).filter((name) => !WRONG.some(([{ type }]) => type === name))).toEqual([
      'setLoadState',
      'keepPhoto',
      'addKit',
    ]);
  });
  it.each(WRONG.map(([command, code]) => [JSON.stringify(command), code, command] as const))(
    '%s: %s, and nothing is recorded',
    (_, code, command) => {
      const worker = plate(true);
      const outcome = tryCommand(worker, command, RAFE);
      expect(outcome).toMatchObject({ ok: false, refusal: { code } });
      expect(outcome.log).toBe(worker.log);
    },
  );
  it('closed, a job takes nothing more, whoever asks', () => {
    const worker = guard();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    worker.closeOut();
    for (const [command] of WRONG.filter(([{ type }]) => type !== 'acknowledgeBreak' && type !== 'addAddendum'))
      expect(tryCommand(worker, command, RAFE)).toMatchObject({ ok: false, refusal: { code: 'jobClosed' } });
  });
});

const KITS: VisitKit[] = [];
for (const document of [REAR_AIR_SPRINGS, TRACK_BAR_BRACE])
  KITS.push({ document, prefix: kitPrefix(KITS, document.id) });
/** A visit of two kits, before anything was done. */
function visit(): CarefulFitter {
  const opened = openLog({
    kits: KITS,
    openedWith: KITS.map(({ prefix }) => prefix),
    vehicle: { modelYear: 2022, drivenWheels: 'four', fitted: [] },
    answers: spreadAnswers(KITS, {}),
    shop: OPENED_NOW,
  });
  if (!opened.ok) throw new Error(opened.error.code);
  return new CarefulFitter(opened.value, WRENCHES, RAFE, NOON);
}
const code = (worker: CarefulFitter, command: JobCommand, by = RAFE) => {
  const outcome = tryCommand(worker, command, by);
  return outcome.ok ? 'accepted' : outcome.refusal.code;
};

describe('acts of a visit', () => {
  it('a choice wants a name; made again, the newer stands', () => {
    const worker = visit();
    const [choice] = worker.log.plan.choices;
    if (!choice) return;
    const [first, second = first] = choice.options;
    expect(code(worker, { type: 'makeChoice', choice: choice.id, option: first?.value ?? '', chosenBy: ' ' })).toBe(
      'nameMissing',
    );
    worker.give({ type: 'makeChoice', choice: choice.id, option: first?.value ?? '', chosenBy: 'Ines Calder' });
    worker.give({ type: 'makeChoice', choice: choice.id, option: second?.value ?? '', chosenBy: 'Ines Calder' });
    expect(worker.log.state.visit.choices[choice.id]).toMatchObject({ option: second?.value });
  });
  it('a measurement before and one after stand side by side; a figure that is none is refused', () => {
    const worker = visit();
    const [baseline] = worker.log.plan.baselines;
    if (!baseline) throw new Error('a baseline');
    const [place = ''] = baseline.places;
    const measure = (when: 'before' | 'after', value: number): JobCommand => ({
      type: 'measure',
      baseline: baseline.id,
      place,
      when,
      value,
    });
    expect(code(worker, measure('before', Number.POSITIVE_INFINITY))).toBe('valueInvalid');
    expect(code(worker, { ...measure('before', 1), place: 'roof' } as JobCommand)).toBe('unknownBaseline');
    worker.give(measure('before', 481));
    worker.give(measure('after', 512));
    worker.give(measure('after', 513));
    expect(worker.log.state.visit.measurements[baseline.id]?.[place]).toMatchObject({
      before: { value: 481 },
      after: { value: 513 },
    });
  });
  it('a prerequisite with limits wants its figure, and is not met outside them', () => {
    const worker = visit();
    const limited = worker.log.plan.prerequisites.find(({ min, max }) => min !== undefined || max !== undefined);
    if (!limited) return;
    const answer = (value?: number): JobCommand => ({
      type: 'answerPrerequisite',
      prerequisite: limited.id,
      met: true,
      ...(value === undefined ? {} : { value }),
    });
    expect(code(worker, answer())).toBe('valueInvalid');
    expect(code(worker, answer((limited.max ?? limited.min ?? 0) + 1e6))).toBe('outsideLimits');
    expect(code(worker, answer(limited.min ?? limited.max ?? 0))).toBe('accepted');
  });
  it('a conflict is settled by a lead with one of its choices and a reason', () => {
    const worker = visit();
    const [conflict] = worker.log.plan.conflicts;
    if (!conflict) throw new Error('a conflict');
    const settle = (choice: string, reason: string): JobCommand => ({
      type: 'settleConflict',
      conflict: conflict.id,
      choice,
      reason,
    });
    expect(code(worker, settle('neither', 'x'))).toBe('choiceNotAllowed');
    expect(code(worker, settle(conflict.choices[0] ?? '', ' '))).toBe('reasonMissing');
    expect(code(worker, settle(conflict.choices[0] ?? '', 'x'), MIRA)).toBe('notPermitted');
    worker.give(settle(conflict.choices[0] ?? '', 'longer bolt'));
    expect(worker.log.plan.conflicts.find(({ id }) => id === conflict.id)?.settled).toMatchObject({
      choice: conflict.choices[0],
    });
  });
  it('a thing noted by hand is owed until it has ended, and ends no more often than it was there', () => {
    const worker = visit();
    worker.give({ type: 'addDebt', name: 'Loose clip', kind: 'removed', count: 3, end: 'refit' });
    const id = Object.keys(worker.log.state.visit.debts).at(-1) ?? '';
    const end = (count: number, over: object = {}): JobCommand =>
      ({ type: 'closeDebt', debt: id, count, end: 'refit', ...over }) as JobCommand;
    expect(code(worker, end(4))).toBe('debtCount');
    expect(code(worker, end(0))).toBe('debtCount');
    expect(code(worker, end(1, { end: 'scrap' }))).toBe('reasonMissing');
    worker.give(end(2));
    worker.give(end(1, { end: 'scrap', note: 'broke' }));
    expect(code(worker, end(1))).toBe('debtNotOpen');
  });
  it('the order of the refit is a person’s, each step once', () => {
    const worker = visit();
    const refits = worker.log.plan.steps.filter(({ made }) => made === 'refit').map(({ id }) => id);
    worker.give({ type: 'arrangeRefit', order: [...refits, ...refits].reverse() });
    expect(worker.log.state.visit.refitOrder).toEqual([...refits].reverse());
  });
  it('dropping a kit wants a reason, and leaves the other', () => {
    const worker = visit();
    expect(code(worker, { type: 'dropKit', prefix: 'track-bar-brace/', reason: '' })).toBe('reasonMissing');
    worker.give({ type: 'dropKit', prefix: 'track-bar-brace/', reason: 'plate missing' });
    expect(worker.log.plan.kits.map(({ id }) => id)).toEqual([REAR_AIR_SPRINGS.id]);
  });
  it('the load state is the last one said', () => {
    const worker = visit();
    worker.give({ type: 'setLoadState', state: 'hanging' });
    worker.give({ type: 'setLoadState', state: 'rideHeight', measuredMm: 412 });
    expect(worker.log.state.load).toMatchObject({ state: 'rideHeight', measuredMm: 412 });
  });
});

describe('acts on a joint', () => {
  const started = (): CarefulFitter => {
    const worker = plate();
    worker.checkIn();
    worker.startAll();
    return worker;
  };
  const locked = (worker: CarefulFitter) =>
    worker.log.plan.stations.find(({ compound }) => compound !== undefined)?.id ?? '';
  it('a started one is not started again; a bead goes on once and on a clean thread', () => {
    const worker = started();
    const station = locked(worker);
    expect(code(worker, { type: 'startByHand', station })).toBe('alreadyStarted');
    expect(code(worker, { type: 'applyCompound', station, cleaned: false })).toBe('threadNotClean');
    worker.give({ type: 'applyCompound', station, cleaned: true });
    expect(code(worker, { type: 'applyCompound', station, cleaned: true })).toBe('compoundAlreadyOn');
  });
  it('loosened out, it is empty again and keeps what was done to it', () => {
    const worker = started();
    const station = locked(worker);
    worker.give({ type: 'applyCompound', station, cleaned: true });
    expect(code(worker, { type: 'loosen', station, to: 'out', reason: ' ' })).toBe('reasonMissing');
    worker.give({ type: 'loosen', station, to: 'out', reason: 'wrong bolt' });
    expect(stationState(worker.log.state, station).stage).toBe('empty');
    expect(stationState(worker.log.state, station).bead).toBeUndefined();
    expect(stationState(worker.log.state, station).loosenings).toMatchObject([{ reason: 'wrong bolt' }]);
    expect(code(worker, { type: 'startByHand', station })).toBe('accepted');
  });
  it('a problem is cleared once, with how, and not by one who does not answer for it', () => {
    const worker = started();
    worker.give({ type: 'raiseProblem', station: 's1', text: 'runs tight' }, ISA);
    const [problem = ''] = Object.keys(worker.log.state.problems);
    expect(code(worker, { type: 'clearProblem', problem, how: ' ' })).toBe('reasonMissing');
    expect(code(worker, { type: 'clearProblem', problem, how: 'chased' }, HOB)).toBe('notPermitted');
    worker.give({ type: 'clearProblem', problem, how: 'chased' });
    expect(code(worker, { type: 'clearProblem', problem, how: 'chased' })).toBe('unknownProblem');
  });
  it('a refusal that was lifted stands lifted until the joint is loosened', () => {
    const worker = plate();
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 's1' });
    const snug: JobCommand = { type: 'snug', station: 's1', tool: 'hand' };
    expect(code(worker, snug)).toBe('groupNotAllStarted');
    worker.give({ type: 'override', refusal: 'groupNotAllStarted', station: 's1', reason: 'jig' }, RAFE);
    expect(code(worker, snug)).not.toBe('groupNotAllStarted');
    worker.give({ type: 'loosen', station: 's1', to: 'started', reason: 'again' });
    expect(code(worker, snug)).toBe('groupNotAllStarted');
    expect(stationState(worker.log.state, 's1').earlierOverrides).toMatchObject([{ refusal: 'groupNotAllStarted' }]);
  });
});
