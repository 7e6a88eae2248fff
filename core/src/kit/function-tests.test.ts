import { describe, expect, it } from '@jest/globals';
import { DEMO_KITS, FRONT_LIFT, REAR_AIR_SPRINGS } from '#demo/kits.ts';
import { MIRA, NOON, WRENCHES } from '#demo/try-job.ts';
import { closeBlocks } from '../job/close-blocks.ts';
import { oneKit, openLog } from '../job/job-log.ts';
import { asksNow } from '../job/line-known.ts';
import { nextOnLine } from '../job/line-next.ts';
import { type Answers, judgeAnswers } from '../line/ask.ts';
import { lineOf } from '../line/line.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '../visit/visit.ts';
import { FUNCTION_TESTS, type FunctionTest, functionTests, type Touched } from './function-tests.ts';
import { OPENED_NOW } from './house-rules.ts';
import type { KitDocument } from './kit-document.ts';
import type { Disconnect, Step } from './kit-step.ts';

const NOTHING: Touched = {
  groups: [],
  disconnects: [],
  removed: [],
  neighbours: [],
  checks: [],
  items: [],
  steps: [],
  adds: [],
};
const AT = { kit: 'kit', prefix: '' } as const;
const applies = { kit: 'kit', because: [] };
const plug = (name: string, kind: Disconnect['kind']): Partial<Touched> => ({
  disconnects: [{ id: 'd', name, kind, ...applies }],
});
const off = (name: string): Partial<Touched> => ({
  removed: [{ id: 'r', name, count: 1, fate: 'refit', ...applies }],
});
const asked = (touched: Partial<Touched>): FunctionTest[] => {
  const ids = functionTests('touched', { ...NOTHING, ...touched }, AT).map(({ id }) => id);
  return FUNCTION_TESTS.filter((test) => ids.includes(`house.test-${test}`));
};

describe('what is tried out after what was touched (common practice, no source)', () => {
  it.each<[string, Partial<Touched>, FunctionTest[]]>([
    ['a brake hose opened', plug('brake hose, left', 'hose'), ['leak', 'brakes', 'road', 'distance']],
    ['a coolant hose', plug('coolant hose', 'hose'), ['leak']],
    ['an axle vent, open to the air', plug('axle vent hose', 'hose'), []],
    ['a caliper hung up', off('front caliper'), ['brakes', 'road', 'distance']],
    ['a clip of a brake hose', off('brake hose clip'), []],
    ['a tie rod end', off('tie rod end nut'), ['steering', 'road', 'distance']],
    ['a rear upper arm steers nothing', off('rear upper arm'), []],
    ['a fog lamp lead', plug('fog lamp lead', 'connector'), ['lamps', 'warnings']],
    ['a wheel speed sensor', plug('wheel speed sensor', 'sensor'), ['warnings']],
    ['a radar', plug('front radar', 'connector'), ['warnings', 'assistance']],
    ['a valve in the exhaust', off('exhaust valve'), ['valve', 'road', 'distance']],
    ['wheels', off('rear wheels'), ['road', 'distance']],
    ['raised suspension', { adds: ['raised suspension'] }, ['assistance', 'road', 'distance']],
    ['a part with lamps in it', { items: [{ name: 'Light bar', kind: 'part' }] }, ['lamps']],
    ['a bumper cover', off('bumper cover'), []],
  ])('%s', (_, touched, tests) => expect(asked(touched)).toEqual(tests));

  it.each([
    ['leak', plug('coolant hose', 'hose'), 'Run warm and look for leaks.'],
    ['steering', off('left tie rod'), 'Turn the wheel from lock to lock.'],
    ['lamps', plug('fog lamp lead', 'connector'), 'Check that all lights work.'],
    ['road', off('rear wheels'), 'Road-test the vehicle.'],
    ['warnings', plug('level sensor', 'sensor'), 'Read the fault codes.'],
  ] as const)('is not asked again where the sheet asks for it: %s', (test, touched, text) => {
    expect(asked(touched)).toContain(test);
    expect(asked({ ...touched, steps: [{ id: 's', text, actions: [], needs: [] }] })).not.toContain(test);
  });

  it('is told in words on the road: the usual ones where it went well, the fitter’s own where it did not', () => {
    const opened = openLog({ ...oneKit(FRONT_LIFT), vehicle: VEHICLE, answers: ANSWERS, shop: OPENED_NOW });
    if (!opened.ok) throw new Error(JSON.stringify(opened.error));
    const { plan, state } = opened.value;
    const road = [...lineOf(plan).actById.values()].find(
      ({ action }) => action.type === 'test' && action.check.includes('test-road'),
    );
    if (!road) throw new Error('no road test');
    const remarks = (answers: Answers) => asksNow(plan, state, road, answers).find(({ key }) => key === 'remarks');
    expect(remarks({ verdict: 'met' })).toMatchObject({ suggested: 'nothing heard, nothing felt' });
    expect(remarks({ verdict: 'notMet' })).toMatchObject({ suggested: undefined });
    expect(judgeAnswers(asksNow(plan, state, road, {}), { verdict: 'notMet' }).missing).toEqual(['remarks']);
  });

  it('is asked now where the sheet asks for it later', () => {
    const steps = [{ id: 's', text: 'Check for leaks after 1000 km.', actions: [], needs: [] }];
    expect(asked({ ...plug('coolant hose', 'hose'), steps })).toContain('leak');
  });

  it('leads back to the step that closed what fails', () => {
    const steps = [
      { id: 'open', text: '', needs: [], actions: [{ type: 'disconnect' as const, disconnect: 'd' }] },
      { id: 'close', text: '', needs: [], actions: [{ type: 'reconnect' as const, disconnect: 'd' }] },
    ];
    const [leak] = functionTests('touched', { ...NOTHING, ...plug('coolant hose', 'hose'), steps }, AT);
    expect(leak).toMatchObject({ id: 'house.test-leak', failsTo: 'close' });
  });

  it('asks nothing where the shop goes by the sheet, or a joint is only tightened again', () => {
    expect(functionTests('asKit', { ...NOTHING, ...off('rear wheels') }, AT)).toEqual([]);
    const opened = openLog({ ...oneKit(FRONT_LIFT), vehicle: VEHICLE, answers: ANSWERS, shop: OPENED_NOW });
    if (!opened.ok) throw new Error(JSON.stringify(opened.error));
    const groups = opened.value.plan.groups.map((group) => ({ ...group, recheck: true as const }));
    expect(functionTests('touched', { ...NOTHING, groups, ...off('rear wheels') }, AT)).toEqual([]);
  });
});

const VEHICLE = { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] };
const ANSWERS = { rearTravel: false };

/** The air springs with their plug put back, and without the checks of their sheet; its words speak of a road test all the same. */
const silent = (): KitDocument => ({
  ...REAR_AIR_SPRINGS,
  checks: [],
  steps: [
    ...REAR_AIR_SPRINGS.steps.map(
      (step): Step => ({ ...step, actions: step.actions.filter(({ type }) => type !== 'check' && type !== 'test') }),
    ),
    {
      id: 'plug-in',
      text: 'Plug everything in.',
      phase: 'refit',
      actions: REAR_AIR_SPRINGS.disconnects.map(({ id }) => ({ type: 'reconnect', disconnect: id })),
    },
  ],
});
const open = (documents: KitDocument[], shop = OPENED_NOW): CarefulFitter => {
  const kits: VisitKit[] = [];
  for (const document of documents) kits.push({ document, prefix: kitPrefix(kits, document.id) });
  const opened = openLog({
    kits,
    openedWith: kits.map(({ prefix }) => prefix),
    vehicle: VEHICLE,
    answers: spreadAnswers(kits, {}),
    shop,
  });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  return new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
};
const testsOn = ({ log: { plan } }: CarefulFitter) =>
  lineOf(plan).steps.flatMap(({ id, acts }) =>
    acts.flatMap((act) =>
      'check' in act.action && act.action.check.includes('house.test-')
        ? [{ step: id, act, id: act.action.check }]
        : [],
    ),
  );

describe('function tests on the line', () => {
  it('come last, keep the job from being signed, and a fail reopens what was closed', () => {
    const worker = open([silent()]);
    const tests = testsOn(worker);
    expect(tests.map(({ id }) => id)).toEqual(
      ['warnings', 'assistance', 'distance'].map((test) => `house.test-${test}`),
    );
    expect(lineOf(worker.log.plan).steps.at(-1)?.id).toBe(tests.at(-1)?.step);
    const [warnings] = tests;
    if (!warnings) throw new Error('no test');
    worker.checkIn();
    const codes = () => closeBlocks(worker.log.plan, worker.log.state).map(({ code }) => code);
    const next = () => nextOnLine(worker.log.plan, worker.log.state, MIRA.id, worker.nowMs)?.act;
    worker.while(() => next()?.id !== warnings.act.id);
    expect(codes()).toContain('stepsOpen');
    const back = worker.log.plan.checks.find(({ id }) => id === warnings.id)?.failsTo;
    worker.give({ type: 'doAct', act: warnings.act.id, answers: { verdict: 'notMet' } });
    expect(back).toBe('plug-in');
    expect(next()?.step).toBe(back);
    expect(codes()).toContain('problemOpen');
    worker.finishLine();
    expect(codes().filter((code) => code === 'stepsOpen' || code === 'problemOpen')).toEqual([]);
  });

  it('are done once for two kits that touch the same', () => {
    const second = { ...silent(), id: 'other', title: 'Other' };
    const once = testsOn(open([silent()])).length;
    expect(testsOn(open([silent(), second]))).toHaveLength(once);
  });

  it('stand on no job opened before they were asked', () => {
    for (const document of DEMO_KITS) {
      const opened = openLog({ ...oneKit(document), vehicle: VEHICLE, answers: {}, shop: {} });
      if (opened.ok) expect(opened.value.plan.checks.some(({ id }) => id.includes('house.test-'))).toBe(false);
    }
  });
});
