import { describe, expect, it } from '@jest/globals';
import { kitOfActs, ONE_OF_EACH } from '#demo/any-acts.ts';
import { MIRA, NOON, openKit, RAFE, tryCommand, WRENCHES } from '#demo/try-job.ts';
import { OPENED_NOW } from '../kit/house-rules.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { kitFaults } from '../kit/kit-integrity.ts';
import { resolve } from '../kit/resolve.ts';
import { lineOf } from '../line/line.ts';
import { deviations } from '../record/deviations.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import type { JobCommand } from './acts.ts';
import { openLog } from './job-log.ts';
import { nextOnLine } from './line-next.ts';

const VEHICLE = { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' };
/** A kit that cleans two studs, looks at each of them, and knows what to do with a bad one. */
function studKit(change: (kit: KitDocument) => void = () => undefined): KitDocument {
  const kit = kitOfActs([ONE_OF_EACH.clean, ONE_OF_EACH.start, ONE_OF_EACH.snug, ONE_OF_EACH.torque]);
  kit.prerequisites = [];
  kit.checks = [];
  kit.baselines = [];
  const [, , , , last] = kit.steps;
  if (!last) throw new Error('no last step');
  kit.steps.pop();
  kit.questions = [
    {
      id: 'stud',
      text: 'How is the stud?',
      kind: 'choice',
      choices: [
        { value: 'good', label: 'Good' },
        { value: 'poor', label: 'Poor' },
        { value: 'seized', label: 'Seized' },
      ],
      askedAt: 't1',
      places: ['left', 'right'],
    },
  ];
  for (const at of ['left', 'right'])
    kit.steps.splice(1, 0, {
      id: `draw-${at}`,
      text: `Draw the ${at} stud`,
      phase: 'prepare',
      minutes: 15,
      actions: [{ type: 'do', text: 'Two nuts against each other' }],
      when: { question: 'stud', at, is: 'seized' },
    });
  kit.tools = [{ id: 'puller', name: 'stud puller', when: { question: 'stud', at: 'left', is: 'seized' } }];
  change(kit);
  expect(kitFaults(kit)).toEqual([]);
  return kit;
}
const stepIds = (worker: CarefulFitter): string[] => worker.log.plan.steps.map(({ id }) => id);
const findAct = (worker: CarefulFitter): string => {
  const act = [...lineOf(worker.log.plan).actById.values()].find(({ action }) => action.type === 'find');
  if (!act) throw new Error('nothing is asked');
  return act.id;
};
/** The worker once what is found is what the line asks next. */
function atTheLook(kit: KitDocument): CarefulFitter {
  const worker = new CarefulFitter(openKit(kit), WRENCHES, MIRA, NOON);
  worker.checkIn();
  for (let left = 40; left > 0; left -= 1) {
    const next = nextOnLine(worker.log.plan, worker.log.state, MIRA.id, worker.nowMs);
    if (!next || next.act.action.type === 'find') return worker;
    worker.onLine();
  }
  return worker;
}

describe('what is found on the way', () => {
  it('opens the job unanswered, and adds the steps and tools of just the hole it was found at', () => {
    const worker = atTheLook(studKit());
    expect(stepIds(worker)).not.toContain('draw-left');
    expect(worker.log.plan.tools).toEqual([]);
    worker.give({ type: 'doAct', act: findAct(worker), answers: { 'at left': 'seized', 'at right': 'good' } });
    expect(stepIds(worker)).toContain('draw-left');
    expect(stepIds(worker)).not.toContain('draw-right');
    expect(worker.log.plan.tools.map(({ name }) => name)).toEqual(['stud puller']);
    // The joints wait for it: it stands before them in the sheet.
    expect(nextOnLine(worker.log.plan, worker.log.state, MIRA.id, worker.nowMs)?.act.step).toBe('draw-left');
    expect(worker.log.state.visit.findings['stud@left']).toMatchObject({ value: 'seized', by: MIRA });
  });
  it('every place is asked, and a word the sheet does not know is refused', () => {
    const worker = atTheLook(studKit());
    const give = (answers: Record<string, string>) =>
      tryCommand(worker, { type: 'doAct', act: findAct(worker), answers });
    expect(give({ 'at left': 'good' })).toMatchObject({ ok: false, refusal: { code: 'actAsks', asks: ['at right'] } });
    expect(give({ 'at left': 'good', 'at right': 'odd' })).toMatchObject({
      ok: false,
      refusal: { code: 'answerRefused' },
    });
  });
  it('said anew it changes the line, unless work done since speaks against it', () => {
    const worker = atTheLook(studKit());
    worker.give({ type: 'doAct', act: findAct(worker), answers: { 'at left': 'seized', 'at right': 'good' } });
    worker.give({ type: 'findOut', finding: 'stud@left', value: 'poor' });
    expect(stepIds(worker)).not.toContain('draw-left');
    expect(tryCommand(worker, { type: 'findOut', finding: 'stud@left', value: 'odd' })).toMatchObject({
      refusal: { code: 'answerNotAllowed' },
    });
    expect(tryCommand(worker, { type: 'findOut', finding: 'stud', value: 'good' })).toMatchObject({
      refusal: { code: 'unknownQuestion' },
    });
  });
  it('is taken back like any other act, and then nothing hangs on it', () => {
    const worker = atTheLook(studKit());
    worker.give({ type: 'doAct', act: findAct(worker), answers: { 'at left': 'seized', 'at right': 'good' } });
    worker.give({ type: 'undo' });
    expect(worker.log.state.visit.findings).toEqual({});
    expect(stepIds(worker)).not.toContain('draw-left');
    expect(nextOnLine(worker.log.plan, worker.log.state, MIRA.id, worker.nowMs)?.act.action.type).toBe('find');
  });
  it('is not unsaid once what it asked for was done: the record would lose it', () => {
    const worker = atTheLook(studKit());
    worker.give({ type: 'doAct', act: findAct(worker), answers: { 'at left': 'seized', 'at right': 'good' } });
    worker.onLine();
    expect(worker.log.state.visit.acts).toHaveProperty(
      [...lineOf(worker.log.plan).actById.values()].find(({ step }) => step === 'draw-left')?.id ?? '',
    );
    expect(tryCommand(worker, { type: 'findOut', finding: 'stud@left', value: 'good' })).toMatchObject({
      refusal: { code: 'workContradicts', steps: ['Draw the left stud'] },
    });
    // What is of the other hole may still be said otherwise.
    expect(tryCommand(worker, { type: 'findOut', finding: 'stud@right', value: 'seized' }).ok).toBe(true);
  });
  it('leaves out what hangs on it where nothing is known yet, a `not` among them', () => {
    const kit = studKit((draft) => {
      for (const step of draft.steps)
        if (step.id === 'draw-right') step.when = { not: { question: 'stud', at: 'right', is: 'good' } };
    });
    const worker = atTheLook(kit);
    expect(stepIds(worker)).not.toContain('draw-right');
    worker.give({ type: 'doAct', act: findAct(worker), answers: { 'at left': 'good', 'at right': 'poor' } });
    expect(stepIds(worker)).toContain('draw-right');
  });
  it('a kit cannot hang its fit on it, ask it before the job at several places, or ask at a step it does not have', () => {
    const faults = (change: (kit: KitDocument) => void) => {
      const kit = studKit();
      change(kit);
      return kitFaults(kit).map(({ path, code }) => `${path} ${code}`);
    };
    const left = { question: 'stud', at: 'left', is: 'good' };
    expect(faults((kit) => kit.fits.push({ text: 'good studs', when: left }))).toEqual(['fits[0].when fitToldLater']);
    expect(faults((kit) => Object.assign(kit.questions[0] as object, { askedAt: undefined }))).toEqual([
      'questions[0].places placesAskedBefore',
    ]);
    expect(faults((kit) => Object.assign(kit.questions[0] as object, { askedAt: 'ghost' }))).toEqual([
      'questions[0].askedAt unknownReference',
    ]);
    // A hole that nobody is asked about.
    expect(
      faults((kit) => Object.assign(kit.tools[0] as object, { when: { question: 'stud', at: 'middle', is: 'good' } })),
    ).toEqual(['tools[0].when unknownQuestion']);
  });
});

describe('what the owner or the fitter chooses', () => {
  const tip = (is: string) => ({ question: 'k1', is });
  const choosing = () =>
    studKit((kit) => {
      kit.tools.push({ id: 'saw', name: 'saw', when: tip('out') });
      const [first] = kit.stations;
      if (first)
        first.specs = [
          { spec: { kind: 'torque', targetNm: 40 }, printed: '40 N·m', when: tip('in') },
          { spec: { kind: 'torque', targetNm: 50 }, printed: '50 N·m', when: tip('out') },
        ];
    });
  const printed = (worker: CarefulFitter) => worker.log.plan.stations[0]?.printed;
  it('branches figures and tools; before, there is no figure and nobody tightens by feel', () => {
    const worker = new CarefulFitter(openKit(choosing()), WRENCHES, MIRA, NOON);
    worker.checkIn();
    expect(worker.log.plan.stations[0]?.spec).toEqual({ kind: 'missing', why: 'later' });
    expect(printed(worker)).toBe('40 N·m or 50 N·m');
    const byFeel: JobCommand = { type: 'confirmStop', station: 's1', reason: 'as tight as it was' };
    expect(tryCommand(worker, byFeel)).toMatchObject({ refusal: { code: 'figureLater' } });
    worker.give({ type: 'makeChoice', choice: 'k1', option: 'out', chosenBy: 'the owner' });
    expect(printed(worker)).toBe('50 N·m');
    expect(worker.log.plan.tools.map(({ name }) => name)).toEqual(['saw']);
    worker.give({ type: 'makeChoice', choice: 'k1', option: 'in', chosenBy: 'the owner' });
    expect(printed(worker)).toBe('40 N·m');
  });
  it('in a kit of before that calls a question and a choice alike, the question is meant, and the job goes on', () => {
    const kit = studKit();
    kit.questions.push({ id: 'k1', text: 'Is there a shield?', kind: 'yesNo' });
    kit.tools = [{ id: 'saw', name: 'saw', when: { question: 'k1', is: true } }];
    const worker = new CarefulFitter(openKit(kit, { k1: true }), WRENCHES, MIRA, NOON);
    worker.give({ type: 'makeChoice', choice: 'k1', option: 'out', chosenBy: 'the owner' });
    expect(worker.log.plan.tools.map(({ name }) => name)).toEqual(['saw']);
  });
  it('a job is worked through to its signature with the choice made on the line', () => {
    const worker = new CarefulFitter(openKit(choosing()), WRENCHES, MIRA, NOON);
    worker.checkIn();
    worker.finishLine();
    worker.closeOut();
    expect(worker.log.state.closed?.signature).toBe(MIRA.name);
  });
});

describe('what was bought', () => {
  const bought = (answer: string) => {
    const kit = studKit((draft) => {
      draft.questions.push({
        id: 'bought',
        text: 'What was bought?',
        kind: 'choice',
        bought: 'side',
        choices: [
          { value: 'pair', label: 'The pair' },
          { value: 'left', label: 'The left one' },
          { value: 'right', label: 'The right one' },
        ],
      });
      draft.stations.forEach((station, index) => {
        station.side = index % 2 === 0 ? 'left' : 'right';
      });
      draft.items.push({
        id: 'shim2',
        line: 'A9',
        bag: 'A',
        kind: 'part',
        name: 'Shim',
        quantity: 1,
        source: 'kit',
        side: 'right',
        fittedWith: 'g1',
      });
    });
    const resolved = resolve(kit, VEHICLE, { bought: answer });
    if (!resolved.ok) throw new Error(JSON.stringify(resolved.error));
    return resolved.value;
  };
  it('of one side, what the kit has for the other falls away, and says why', () => {
    const left = bought('left');
    expect(left.stations.map(({ id }) => id)).toEqual(['s1', 's3']);
    expect(left.items.map(({ id }) => id)).not.toContain('shim2');
    expect(left.groups.map(({ stations }) => stations)).toEqual([['s1'], ['s3']]);
    // Two of the four bolts are over: the packing list is the whole kit's.
    expect(left.items.find(({ id }) => id === 'bolt')).toMatchObject({ needed: 2, expectedSpare: 2 });
    expect(left.trace.find(({ id }) => id === 's2')).toMatchObject({
      included: false,
      because: [{ question: 'bought', value: 'left', answer: 'left', holds: true }],
    });
    expect(bought('pair').stations).toHaveLength(4);
    expect(bought('right').items.map(({ id }) => id)).toContain('shim2');
  });
  it('is asked for with its sides', () => {
    const kit = studKit();
    kit.questions.push({ id: 'b', text: 'Which?', kind: 'choice', bought: 'side', choices: [] });
    expect(kitFaults(kit).map(({ code }) => code)).toEqual(['choicesMissing', 'sidesMissing']);
  });
});

describe('what hangs on the vehicle as it is', () => {
  const lowered = (fitted?: Array<{ word: string; amount?: { value: number; printed: string } }>) => {
    const kit = studKit((draft) => {
      draft.questions.push({ id: 'low', text: 'Lowered by how much, mm?', kind: 'number', fitted: 'lowered' });
      const [first] = draft.stations;
      const more = { kind: 'clamped' as const, name: 'spacer', thicknessMm: 8, when: { question: 'low', atLeast: 30 } };
      if (first) first.stack = [...first.stack, more];
    });
    return resolve(kit, { ...VEHICLE, fitted }, {});
  };
  it('a figure of its earlier changes answers a number, nought where it was not changed, nothing where nobody looked', () => {
    const stack = (result: ReturnType<typeof lowered>) =>
      result.ok
        ? result.value.stations[0]?.stack.map((piece) => ('name' in piece ? piece.name : piece.item))
        : result.error.code;
    expect(stack(lowered([{ word: 'Lowered', amount: { value: 40, printed: '40 mm' } }]))).toEqual(['bolt', 'spacer']);
    expect(stack(lowered([{ word: 'lowered', amount: { value: 25, printed: '25 mm' } }]))).toEqual(['bolt']);
    expect(stack(lowered([]))).toEqual(['bolt']);
    expect(stack(lowered([{ word: 'lowered' }]))).toBe('answersMissing');
    expect(stack(lowered())).toBe('answersMissing');
  });
});

describe('what no sheet foresaw', () => {
  it('a lead puts a step into the line; it is done before the step it was put before, and then the line goes on', () => {
    const worker = new CarefulFitter(openKit(studKit()), WRENCHES, MIRA, NOON);
    worker.checkIn();
    worker.give({ type: 'raiseProblem', text: 'the bracket is cracked' });
    const [problem = ''] = Object.keys(worker.log.state.problems);
    worker.give({ type: 'addStep', text: 'Weld the bracket', before: 't2', problem, minutes: 40 }, RAFE);
    const [added] = worker.log.state.visit.addedSteps;
    const steps = stepIds(worker);
    expect(steps.indexOf(added?.id ?? '')).toBe(steps.indexOf('t2') - 1);
    const start = worker.log.plan.steps.find(({ id }) => id === 't2');
    expect(start?.after).toContain(added?.id);
    worker.give({ type: 'clearProblem', problem, how: 'welded, see the step' }, RAFE);
    worker.finishLine();
    worker.closeOut();
    expect(worker.log.state.closed).toBeDefined();
    // It stands on the record, with what it answers.
    expect(deviations(worker.log.plan, worker.log.state).find(({ kind }) => kind === 'stepAdded')).toMatchObject({
      text: 'Weld the bracket',
      problem: 'the bracket is cracked',
      by: RAFE,
    });
    expect(tryCommand(worker, { type: 'addStep', text: 'more', before: 't2' }, RAFE)).toMatchObject({ ok: false });
  });
  it('is not put before what is done, behind nothing, or by a fitter', () => {
    const worker = atTheLook(studKit());
    const add = (before: string, more = {}) =>
      tryCommand(worker, { type: 'addStep', text: 'x', before, ...more } as JobCommand, RAFE);
    expect(add('ghost')).toMatchObject({ refusal: { code: 'unknownStep' } });
    expect(add('t2', { problem: 'ghost' })).toMatchObject({ refusal: { code: 'unknownProblem' } });
    expect(add('t2', { minutes: 0 })).toMatchObject({ refusal: { code: 'minutesImplausible' } });
    worker.give({ type: 'doAct', act: findAct(worker), answers: { 'at left': 'good', 'at right': 'good' } });
    expect(add('t1')).toMatchObject({ refusal: { code: 'stepDoneAlready' } });
  });
  it('stays in the line when the kit it was put into has changed its mind', () => {
    const opened = openLog({
      kits: [{ document: studKit(), prefix: '' }],
      openedWith: [''],
      vehicle: VEHICLE,
      answers: {},
      shop: OPENED_NOW,
    });
    if (!opened.ok) throw new Error('does not resolve');
    const worker = new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
    worker.checkIn();
    for (
      let left = 40;
      left > 0 && nextOnLine(worker.log.plan, worker.log.state, MIRA.id, NOON)?.act.action.type !== 'find';
      left--
    )
      worker.onLine();
    worker.give({ type: 'doAct', act: findAct(worker), answers: { 'at left': 'seized', 'at right': 'good' } });
    worker.give({ type: 'addStep', text: 'Heat it', before: 'draw-left' }, RAFE);
    worker.give({ type: 'findOut', finding: 'stud@left', value: 'good' });
    expect(stepIds(worker).at(-1)).toMatch(/^added\./);
  });
});
