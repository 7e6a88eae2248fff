import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { kitOfActs } from '#demo/any-acts.ts';
import { guard, MIRA, openKit, RAFE } from '#demo/try-job.ts';
import type { JobEvent } from '../job/acts.ts';
import type { Person } from '../job/role.ts';
import { lineOf } from '../line/line.ts';
import { stepSpreads, stepTimes } from './step-times.ts';

const MIN = 60_000;
const kit = kitOfActs([
  { type: 'do', text: 'Clip the hose' },
  { type: 'do', text: 'Turn the pipe' },
]);
kit.steps = kit.steps.map((step, index) => ({ ...step, minutes: index === 0 ? 5 : 40 }));
const { plan } = openKit(kit);
const own = lineOf(plan).steps.filter(({ step }) => step.made === undefined);
const at = (index: number) => own[index]?.id ?? '';
const did = (step: string, atMin: number, by: Person = MIRA): JobEvent =>
  ({ type: 'stepDone', step, covers: [], commandId: `c${step}${atMin}`, atMs: atMin * MIN, by }) as JobEvent;
const seen = (atMin: number, by: Person = MIRA): JobEvent =>
  ({ type: 'checkedIn', commandId: `in${atMin}`, atMs: atMin * MIN, by }) as unknown as JobEvent;
const took = (...events: JobEvent[]) =>
  Object.fromEntries(stepTimes(plan, events).map(({ step, tookMin }) => [step, tookMin]));

describe('what a step took', () => {
  it('is the time from a person’s act before to their own in it', () =>
    expect(took(seen(0), did(at(0), 6), did(at(1), 20))).toEqual({ [at(0)]: 6, [at(1)]: 14 }));
  it('leaves out a break, but not a long step', () => {
    expect(took(seen(0), did(at(0), 31))).toEqual({});
    expect(took(seen(0), did(at(1), 70))).toEqual({ [at(1)]: 70 });
    expect(took(seen(0), did(at(1), 81))).toEqual({});
  });
  it('adds up two who work on one step, and does not count one’s time as the other’s', () =>
    expect(took(seen(0), seen(8, RAFE), did(at(0), 10), did(at(0), 12, RAFE))).toEqual({ [at(0)]: 14 }));
  it('takes entries as they came from two tablets, in any order', () =>
    expect(took(did(at(1), 20), seen(0), did(at(0), 6))).toEqual(took(seen(0), did(at(0), 6), did(at(1), 20))));
  it('has the sheet’s own minutes beside it', () =>
    expect(stepTimes(plan, [seen(0), did(at(0), 6)])[0]?.plannedMin).toBe(own[0]?.step.minutes));
  it('gives starting, snugging and pulling to the step of the joint', () => {
    const worker = guard();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    const line = lineOf(worker.log.plan);
    const times = stepTimes(worker.log.plan, worker.events);
    const torque = worker.log.plan.groups.map(({ id }) => line.jointActs.get(`${id} torque`)?.[0]?.step);
    for (const step of torque) expect(times.find((one) => one.step === step)?.tookMin).toBeGreaterThan(0);
  });
  it('is never more than the time between the first act and the last, for one who works alone (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.integer({ min: 0, max: 300 }), fc.boolean()), { maxLength: 30 }), (list) => {
        const events = list.map(([minute, first]) => did(at(first ? 0 : 1), minute));
        const minutes = list.map(([minute]) => minute);
        const sum = stepTimes(plan, events).reduce((all, { tookMin }) => all + tookMin, 0);
        expect(sum).toBeLessThanOrEqual(list.length > 0 ? Math.max(...minutes) - Math.min(...minutes) + 1e-9 : 0);
      }),
      { numRuns: 200, seed: 20 },
    );
  });
});

describe('a step over many jobs', () => {
  const row = (step: string, tookMin: number, plannedMin?: number) => ({
    step,
    text: step,
    tookMin,
    ...(plannedMin === undefined ? {} : { plannedMin }),
  });
  // Worked by hand after Hyndman and Fan (1996), definition 7: h = (n − 1) p.
  it('is a median and quarters', () =>
    expect(stepSpreads([4, 1, 3, 2].map((minutes) => row('a', minutes, 2)))).toEqual([
      {
        step: 'a',
        text: 'a',
        plannedMin: 2,
        jobs: 4,
        quarterMin: 1.75,
        medianMin: 2.5,
        threeQuartersMin: 3.25,
      },
    ]));
  it('stands first where it runs over by most; without a plan it runs over by nothing', () =>
    expect(
      stepSpreads([row('early', 3, 10), row('unplanned', 40), row('over', 12, 5), row('far over', 30, 5)]).map(
        ({ step }) => step,
      ),
    ).toEqual(['far over', 'over', 'unplanned', 'early']));
  it('goes by the newest job’s words and plan', () =>
    expect(stepSpreads([row('a', 1, 9), row('a', 1, 5)])[0]?.plannedMin).toBe(9));
  it('is empty for none', () => expect(stepSpreads([])).toEqual([]));
});
