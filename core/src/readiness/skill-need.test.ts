import { describe, expect, it } from '@jest/globals';
import { FRONT_LIFT, REAR_AIR_SPRINGS, ROCK_SLIDERS, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { NOON, WRENCHES } from '#demo/try-job.ts';
import { oneKit, openLog } from '../job/job-log.ts';
import type { HouseRules } from '../kit/house-rules.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import type { Plan } from '../kit/plan.ts';
import { readiness } from './readiness.ts';
import { type Skilled, skillsMissing, skillsNeeded } from './skill-need.ts';

const opened = (kit: KitDocument, shop: Partial<HouseRules> = {}) => {
  const log = openLog({
    ...oneKit(kit),
    vehicle: { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    answers: {},
    shop,
  });
  if (!log.ok) throw new Error(log.error.code);
  return log.value;
};
const plan = (kit: KitDocument, shop?: Partial<HouseRules>): Plan => opened(kit, shop).plan;
const saying = (text: string): KitDocument => {
  const [first, ...rest] = ROCK_SLIDERS.steps;
  if (!first) throw new Error('no step');
  return { ...ROCK_SLIDERS, steps: [{ ...first, text }, ...rest] };
};
const MIRA: Skilled = { id: 'm', name: 'Mira Vane', skills: ['wheels'] };
const TAM: Skilled = { id: 't', name: 'Tamsin Quell', skills: ['welding', 'electrical'] };
const HOB: Skilled = { id: 'h', name: 'Hob Larkmoor' };

describe('what a job asks of hands (common practice, no source)', () => {
  it('wheels that come off, and an alignment on the shop’s own rack', () => {
    expect(skillsNeeded(plan(REAR_AIR_SPRINGS))).toEqual(['wheels']);
    expect(skillsNeeded(plan(FRONT_LIFT, { aligner: 'ownRack' }))).toEqual(['wheels', 'alignment']);
    expect(skillsNeeded(plan(FRONT_LIFT, { aligner: 'sentOut' }))).toEqual(['wheels']);
    expect(skillsNeeded(plan(TRANSFER_CASE_GUARD))).toEqual([]);
  });
  it.each([
    ['Weld the plate all round.', ['welding']],
    ['Tighten the weld nuts.', []],
    ['Route the wiring harness and crimp the ends.', ['electrical']],
    ['Fit the guard.', []],
  ])('%s', (text, skills) => expect(skillsNeeded(plan(saying(text)))).toEqual(skills));
});

describe('what is missing', () => {
  const weld = plan(saying('Weld the plate all round.'));
  it('is asked of those named for the job, with who else has it', () => {
    expect(skillsMissing(weld, [MIRA, TAM, HOB], ['m', 'h'])).toEqual([
      { skill: 'welding', named: ['Mira Vane', 'Hob Larkmoor'], has: ['Tamsin Quell'] },
    ]);
    expect(skillsMissing(weld, [MIRA, TAM, HOB], ['t'])).toEqual([]);
  });
  it('is asked of the whole shop where nobody is named', () => {
    expect(skillsMissing(weld, [MIRA, TAM])).toEqual([]);
    expect(skillsMissing(weld, [MIRA, HOB])).toEqual([{ skill: 'welding', named: [], has: [] }]);
  });
  it('a shop that keeps no skills is asked nothing', () => expect(skillsMissing(weld, [HOB])).toEqual([]));
  it('stops the day on the way, and does not keep it from beginning', () => {
    const log = opened(saying('Weld the plate all round.'));
    const stock = { wrenches: WRENCHES, tools: [], bottles: [], temperatures: [], ownMinutes: {}, withdrawn: [] };
    const codes = (people: Skilled[]) =>
      readiness(log.plan, log.state, { ...stock, people }, NOON).onTheWay.map(({ code }) => code);
    expect(codes([MIRA])).toContain('noSkill');
    expect(codes([TAM])).not.toContain('noSkill');
  });
});
