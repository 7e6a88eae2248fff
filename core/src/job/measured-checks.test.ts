import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { kitOfActs, ONE_OF_EACH } from '#demo/any-acts.ts';
import { MIRA, openKit, RAFE, tryCommand, WRENCHES } from '#demo/try-job.ts';
import { tryOut } from '../kit/function-tests.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import type { Check } from '../kit/kit-preparation.ts';
import type { StepAction } from '../kit/step-action.ts';
import { type Answers, sureKey } from '../line/ask.ts';
import { checkKey, readAt } from '../line/judge-check.ts';
import { deviations } from '../record/deviations.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { closeBlocks } from './close-blocks.ts';
import { nextOnLine } from './line-next.ts';
import { lineProgress } from './line-progress.ts';

const NOON = Date.UTC(2026, 10, 25, 12);
const GAP: Check = { id: 'gap', text: 'Gap to the exhaust', unit: 'mm', quantity: 'gap', min: 8, max: 15 };

/** A kit of two steps in words and a check after them. */
function kitWith(check: Partial<Check>, more: (kit: KitDocument) => void = () => undefined): KitDocument {
  const kit = kitOfActs([
    { type: 'do', text: 'Turn the pipe' },
    { type: 'do', text: 'Clip the hose' },
    { type: 'check', check: 'gap' },
    { type: 'do', text: 'Road test' },
  ]);
  kit.checks = [{ ...GAP, ...check }];
  more(kit);
  return kit;
}
const stepsOf = (kit: KitDocument, text: string) =>
  kit.steps.find((step) => step.actions.some((a) => 'text' in a && a.text === text))?.id ?? '';
const workerOn = (kit: KitDocument) => {
  const worker = new CarefulFitter(openKit(kit), WRENCHES, MIRA, NOON);
  worker.checkIn();
  return worker;
};
const next = ({ log, nowMs }: CarefulFitter) => nextOnLine(log.plan, log.state, MIRA.id, nowMs)?.act;
const until = (worker: CarefulFitter, type: string) => {
  worker.while((w) => next(w)?.action.type !== type);
  return next(worker)?.id ?? '';
};
const told = ({ log }: CarefulFitter) => deviations(log.plan, log.state).map(({ kind }) => kind);

describe('a check takes its value', () => {
  it('a miss opens a finding and the step that set it, and neither is open once it is met', () => {
    const kit = kitWith({});
    const back = stepsOf(kit, 'Turn the pipe');
    for (const check of kit.checks) check.failsTo = back;
    const worker = workerOn(kit);
    const act = until(worker, 'check');
    expect(lineProgress(worker.log.plan, worker.log.state).steps.has(back)).toBe(true);
    worker.give({ type: 'doAct', act, answers: { value: 6 } });
    expect(lineProgress(worker.log.plan, worker.log.state).steps.has(back)).toBe(false);
    // The pipe is turned again, and only then is the gap measured once more.
    expect(next(worker)?.step).toBe(back);
    expect(Object.values(worker.log.state.problems)).toMatchObject([{ text: 'Gap to the exhaust: 6', act }]);
    expect(tryCommand(worker, { type: 'doAct', act, answers: { value: 10 } })).toMatchObject({
      refusal: { code: 'stepWaitsFor', steps: [back] },
    });
    worker.onLine();
    expect(next(worker)?.id).toBe(act);
    // Missed once more it is one finding still.
    worker.give({ type: 'doAct', act, answers: { value: 7 } });
    worker.onLine();
    worker.give({ type: 'doAct', act, answers: { value: 10 } });
    expect(Object.values(worker.log.state.problems)).toMatchObject([{ cleared: { how: '10' } }]);
    worker.while(() => true);
    expect(closeBlocks(worker.log.plan, worker.log.state).map(({ code }) => code)).not.toContain('problemOpen');
    expect(told(worker).filter((kind) => kind === 'notMet')).toHaveLength(2);
  });
  it('a miss that only stands on the record lets the work go on, and is a deviation', () => {
    const worker = workerOn(kitWith({ miss: 'deviation' }));
    const act = until(worker, 'check');
    worker.give({ type: 'doAct', act, answers: { value: 6 } });
    expect(worker.log.state.problems).toEqual({});
    expect(next(worker)?.id).not.toBe(act);
    expect(told(worker)).toContain('notMet');
  });
  it('nothing numeric is said without its number: not by a press, nor by words', () => {
    const worker = workerOn(kitWith({}));
    const act = until(worker, 'check');
    for (const answers of [{}, { value: true }, { value: 'ten' }, { verdict: 'met' }] as Answers[])
      expect(tryCommand(worker, { type: 'doAct', act, answers })).toMatchObject({ ok: false });
    const worded = workerOn(
      kitWith({ min: undefined, max: undefined, unit: undefined, text: 'Gap min 10 mm each side' }),
    );
    const said = until(worded, 'check');
    expect(tryCommand(worded, { type: 'doAct', act: said, answers: { verdict: 'met' } })).toMatchObject({
      refusal: { code: 'actAsks', asks: ['at left', 'at right'] },
    });
  });
  it('a step whose words hold a limit is measured too', () => {
    const worker = workerOn(kitOfActs([{ type: 'do', text: 'Air line clear of the exhaust by at least 75 mm' }]));
    const act = until(worker, 'do');
    expect(tryCommand(worker, { type: 'doAct', act })).toMatchObject({ refusal: { code: 'actAsks', asks: ['value'] } });
    worker.give({ type: 'doAct', act, answers: { value: 60 } });
    expect(next(worker)?.id).toBe(act);
    worker.give({ type: 'doAct', act, answers: { value: 80 } });
    expect(next(worker)?.id).not.toBe(act);
  });
  it('measured elsewhere needs who and what, and is a deviation', () => {
    const worker = workerOn(kitWith({}));
    const act = until(worker, 'check');
    for (const value of [['Orrin Alignment', ' '], ['', 'toe 0.1°'], ['only who']])
      expect(tryCommand(worker, { type: 'doAct', act, answers: { value } })).toMatchObject({ ok: false });
    worker.give({ type: 'doAct', act, answers: { value: ['Orrin Alignment', '12 mm, sheet 41'] } });
    expect(deviations(worker.log.plan, worker.log.state)).toMatchObject([
      { kind: 'measuredElsewhere', who: 'Orrin Alignment', what: '12 mm, sheet 41' },
    ]);
  });
  it('a likely slip is asked about, and kept once it is said that it really is so', () => {
    const worker = workerOn(kitWith({}));
    const act = until(worker, 'check');
    expect(tryCommand(worker, { type: 'doAct', act, answers: { value: 1.2 } })).toMatchObject({
      refusal: { code: 'valueDoubtful', value: 1.2, unit: 'mm', meant: 12 },
    });
    worker.give({ type: 'doAct', act, answers: { value: 1.2, [sureKey('value')]: true } });
    expect(told(worker)).toContain('notMet');
  });
  it('holds a phase until it is met', () => {
    const kit = kitWith({ holds: 'prove' }, (draft) => {
      draft.steps = draft.steps.map((step, index) => ({
        ...step,
        phase: index === draft.steps.length - 1 ? 'prove' : 'align',
        after: [],
      }));
    });
    const worker = workerOn(kit);
    const road = stepsOf(kit, 'Road test');
    expect(lineProgress(worker.log.plan, worker.log.state).steps.has(road)).toBe(false);
    const act = until(worker, 'check');
    worker.give({ type: 'doAct', act, answers: { value: 20 } });
    worker.while((w) => next(w)?.id !== act);
    expect(lineProgress(worker.log.plan, worker.log.state).steps.has(road)).toBe(false);
  });
});

describe('what was measured before is measured again', () => {
  const PLACES = ['front left', 'front right'];
  const kitOf = (more: object, actions: StepAction[] = [ONE_OF_EACH.measure]) => {
    const kit = kitOfActs(actions);
    kit.baselines = [
      { id: 'b1', name: 'Ride height', quantity: 'rideHeight', places: PLACES, instrument: 'steel rule', ...more },
    ];
    return kit;
  };
  const readings = (left: number, right: number, instrument = 'steel rule') => ({
    instrument,
    'at front left': left,
    'at front right': right,
  });
  it('at the same places, with the same instrument, before the job can be closed', () => {
    const worker = workerOn(kitOf({ change: { min: 20, max: 28 } }));
    worker.give({ type: 'doAct', act: until(worker, 'measure'), answers: readings(512, 514, 'tape 3') });
    const act = until(worker, 'measureAgain');
    expect(act).not.toBe('');
    expect(closeBlocks(worker.log.plan, worker.log.state).map(({ code }) => code)).toContain('stepsOpen');
    worker.give({ type: 'doAct', act, answers: readings(510.5, 536, 'tape 3') });
    worker.while(() => true);
    expect(deviations(worker.log.plan, worker.log.state)).toMatchObject([
      { kind: 'outsideClaim', place: 'front left', against: 'claim', before: 512, after: 510.5, off: -1.5 },
    ]);
  });
  it('where a miss gates, it is put right first; an absolute limit and the other side count too', () => {
    const worker = workerOn(kitOf({ after: { min: 530 }, sides: 5, miss: 'gates' }));
    worker.give({ type: 'doAct', act: until(worker, 'measure'), answers: readings(512, 514) });
    const act = until(worker, 'measureAgain');
    worker.give({ type: 'doAct', act, answers: readings(528, 531) });
    expect(next(worker)?.id).toBe(act);
    worker.give({ type: 'doAct', act, answers: readings(531, 540) });
    expect(next(worker)?.id).toBe(act);
    expect(deviations(worker.log.plan, worker.log.state)).toMatchObject([
      { kind: 'outsideClaim', against: 'side', off: -9 },
    ]);
    worker.give({ type: 'doAct', act, answers: readings(531, 534) });
    expect(told(worker)).not.toContain('outsideClaim');
    expect(next(worker)?.id).not.toBe(act);
  });
  it('a sheet that measures twice means before and after', () => {
    const { plan } = openKit(kitOf({}, [ONE_OF_EACH.measure, { type: 'do', text: 'Fit it' }, ONE_OF_EACH.measure]));
    const types = plan.steps.flatMap(({ actions }) => actions.map(({ type }) => type));
    expect(types.filter((type) => type === 'measure' || type === 'measureAgain')).toEqual(['measure', 'measureAgain']);
  });
  it('a slip of the second reading is seen by the first', () => {
    const worker = workerOn(kitOf({}));
    worker.give({ type: 'doAct', act: until(worker, 'measure'), answers: readings(512, 514) });
    const act = until(worker, 'measureAgain');
    expect(tryCommand(worker, { type: 'doAct', act, answers: readings(51.2, 540) })).toMatchObject({
      refusal: { code: 'valueDoubtful', key: 'at front left', meant: 512 },
    });
  });
});

/** Whatever is read, a closed job has a value for every numeric check and every miss among its deviations. */
describe('no closed job has a numeric check without a value, nor a miss that is not told (property)', () => {
  const anyCheck = fc.record({
    limits: fc.constantFrom<Partial<Check>>(
      { min: 8, max: 15 },
      { min: 10 },
      { max: 12 },
      { target: 11, tolerance: 1 },
      { min: -1, max: 1, travel: { from: 'down', to: 'up' } },
    ),
    places: fc.constantFrom<Partial<Check>>(
      {},
      { places: ['left', 'right'] },
      { places: ['left', 'right'], spread: 2 },
      { places: ['left', 'right'], sides: 1.5 },
    ),
    miss: fc.constantFrom<Partial<Check>>({}, { miss: 'deviation' }),
    tries: fc.array(fc.double({ min: 5, max: 20, noNaN: true }), { maxLength: 3 }),
  });
  it('holds', () => {
    fc.assert(
      fc.property(fc.array(anyCheck, { minLength: 1, maxLength: 4 }), (shapes) => {
        const kit = kitOfActs(shapes.map((_, index): StepAction => ({ type: 'check', check: `c${index}` })));
        kit.checks = shapes.map(
          ({ limits, places, miss }, index): Check => ({
            id: `c${index}`,
            text: `Check ${index}`,
            unit: 'mm',
            ...limits,
            ...places,
            ...miss,
          }),
        );
        const worker = workerOn(kit);
        const tried = new Map<string, number>();
        worker.while((w) => {
          const act = next(w);
          const action = act?.action;
          if (!act || action?.type !== 'check') return true;
          const index = Number(action.check.slice(1));
          const time = tried.get(act.id) ?? 0;
          const value = shapes[index]?.tries[time];
          tried.set(act.id, time + 1);
          if (value === undefined) return true;
          const check = kit.checks[index] as Check;
          const keys = (check.places ?? [undefined]).flatMap((place) =>
            check.travel ? [checkKey(place, 'from'), checkKey(place, 'to')] : [checkKey(place)],
          );
          const answers = Object.fromEntries(
            keys.flatMap((key, at) => [
              [key, value + at],
              [sureKey(key), true],
            ]),
          );
          w.give({ type: 'doAct', act: act.id, answers });
          return true;
        });
        const { plan, state } = worker.log;
        const blocks = closeBlocks(plan, state).filter(({ code }) => code !== 'piecesUnaccounted');
        expect(blocks).toEqual([]);
        const missed = deviations(plan, state).filter(({ kind }) => kind === 'notMet').length;
        const failed = Object.values(state.visit.acts).flatMap(({ tries }) =>
          tries.filter((one) => one.failed.length > 0),
        );
        expect(missed).toBe(failed.length);
        for (const check of plan.checks.filter(({ unit }) => unit !== undefined)) {
          const tries = Object.entries(state.visit.acts).find(([id]) =>
            id.endsWith(`:${tryOut(check).type}:${check.id}`),
          )?.[1].tries;
          expect(readAt(check, tries?.at(-1)?.answers ?? {})).toHaveLength(check.places?.length ?? 1);
        }
      }),
      { numRuns: 60, seed: 14, endOnFailure: true },
    );
  });
});

it('a lead is not asked less', () => {
  const worker = workerOn(kitWith({}));
  const act = until(worker, 'check');
  expect(tryCommand(worker, { type: 'doAct', act }, RAFE)).toMatchObject({ refusal: { code: 'actAsks' } });
});
