import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS, REAR_ANTI_ROLL_BAR } from '#demo/kits.ts';
import { demoWrenches } from '#demo/shop.ts';
import { openKit } from '#demo/try-job.ts';
import { lineProgress } from '../job/line-progress.ts';
import { lineOf } from '../line/line.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { usableBand } from '../wrench/usable-band.ts';
import { estimator } from './estimate.ts';
import { baseMinutes, jobWork, settingMin, stepName } from './job-work.ts';

const NOW = Date.UTC(2026, 10, 30, 9);
const BY = { estimator: estimator([]) };
const MIRA = { id: 'u-vane', name: 'Mira Vane', role: 'fitter' as const };
const opened = (kit: typeof FRONT_RECOVERY_POINTS, answers: Parameters<typeof openKit>[1]) => openKit(kit, answers);

describe('what is left of a job', () => {
  const log = opened(FRONT_RECOVERY_POINTS, { shield: true });
  it('is every open step, with what its sheet says or its share of what it says in all', () => {
    const { steps } = jobWork('a', log.plan, log.state, NOW, BY);
    expect(steps.map(({ step }) => step)).toEqual(lineOf(log.plan).steps.map(({ id }) => id));
    const [kit] = log.plan.kits;
    const sum = steps.reduce((all, { leftMin }) => all + leftMin, 0);
    expect(kit?.statedMinutes).toBeDefined();
    expect(sum).toBeCloseTo(kit?.statedMinutes ?? 0, -1);
    expect([...baseMinutes(log.plan).values()].every(({ minutes, stated }) => minutes >= 1 && stated)).toBe(true);
  });
  it('is less the further it is worked, and nothing at the end', () => {
    const worker = new CarefulFitter(log, demoWrenches(NOW), MIRA, NOW);
    const left = () => jobWork('a', worker.log.plan, worker.log.state, worker.nowMs, BY);
    const minutes = () => left().steps.reduce((all, { leftMin }) => all + leftMin, 0);
    const seen = [minutes()];
    worker.checkIn();
    worker.startAll();
    seen.push(minutes());
    const begun = left().steps.filter((one) => one.begun !== undefined);
    for (const { begun: hand } of begun) expect(hand?.by).toBe(MIRA.id);
    worker.finishTorque();
    seen.push(minutes());
    expect(seen[1]).toBeLessThan(seen[0] ?? 0);
    expect(seen[2]).toBeLessThan(seen[1] ?? 0);
    const { steps } = lineProgress(worker.log.plan, worker.log.state);
    expect(left().steps.every(({ step }) => !steps.has(step))).toBe(true);
  });
  it('has lags in the line’s order only, and each between steps that are left', () => {
    const { steps, lags } = jobWork('a', log.plan, log.state, NOW, BY);
    const number = new Map(steps.map((one) => [one.step, one.number]));
    expect(lags.length).toBeGreaterThan(0);
    for (const { from, to, why } of lags) {
      expect(number.has(from) && number.has(to)).toBe(true);
      if (why === 'order') expect(number.get(from)).toBeLessThan(number.get(to) ?? 0);
    }
  });
  it('lets nothing begin that something of the line keeps, and something begin', () => {
    const { steps, lags } = jobWork('a', log.plan, log.state, NOW, BY);
    expect(steps.some(({ free }) => free)).toBe(true);
    for (const { to, why } of lags) if (why === 'order') expect(steps.find((one) => one.step === to)?.free).toBe(false);
  });
});

describe('pieces that are short', () => {
  it('keep the step that wants them, and are told where nobody promised them', () => {
    const log = opened(REAR_ANTI_ROLL_BAR, { bush: 'polyurethane' });
    const worker = new CarefulFitter(log, demoWrenches(NOW), MIRA, NOW);
    worker.give({ type: 'countLine', item: 'r7', found: 1, damaged: 0 });
    const { steps, cannot } = jobWork('a', worker.log.plan, worker.log.state, NOW, BY);
    const wanting = steps.filter(({ parts }) => parts !== undefined);
    expect(wanting.length).toBeGreaterThan(0);
    expect(wanting.every(({ free }) => !free)).toBe(true);
    expect(cannot).toMatchObject([{ kind: 'notPromised' }]);
  });
});

describe('times of what sets', () => {
  it('stretch in the cold for the cure and never for the window', () => {
    const times = { workingWindowMin: 12, fixtureMin: 20, fullCureH: 24 };
    expect(settingMin({ times, part: 'fixture' }, 22)).toBe(20);
    expect(settingMin({ times, part: 'fixture' }, 2)).toBe(80);
    expect(settingMin({ times, part: 'window' }, 2)).toBe(12);
  });
});

it('a step’s name is its own, whatever kit it came with', () =>
  expect([stepName('b/s4'), stepName('s4')]).toEqual(['s4', 's4']));

describe('the wrench that only one joint’s figure finds', () => {
  it('is shared like a special tool; where several do, none is waited for', () => {
    const log = opened(FRONT_RECOVERY_POINTS, { shield: true });
    const all = demoWrenches(NOW);
    const toolsWith = (wrenches: typeof all) =>
      jobWork('a', log.plan, log.state, NOW, { ...BY, wrenches }).steps.flatMap(({ tools }) => tools);
    const one = all.filter((wrench) => usableBand(wrench).maxNm >= 150).slice(0, 1);
    expect(one).toHaveLength(1);
    const shared = toolsWith(one);
    expect(new Set(shared)).toEqual(new Set(one.map(({ label }) => label)));
    const twins = one.flatMap((wrench) => [wrench, { ...wrench, id: `${wrench.id}-2`, label: `${wrench.label} too` }]);
    expect(toolsWith(twins)).toEqual([]);
  });
});
