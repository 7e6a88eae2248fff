import { describe, expect, it } from '@jest/globals';
import { openLog } from '#core/job/job-log.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '#core/visit/visit.ts';
import { REAR_AIR_SPRINGS, TRACK_BAR_BRACE } from '#demo/kits.ts';
import { choiceText, conflictTitle, conflictWhy, sideLines } from './conflict-text.ts';
import { refusalText } from './refusal-text.ts';
import { planActionText, stepTitle } from './step-text.ts';

const kits: VisitKit[] = [];
for (const document of [REAR_AIR_SPRINGS, TRACK_BAR_BRACE])
  kits.push({ document, prefix: kitPrefix(kits, document.id) });
const opened = openLog({
  kits,
  openedWith: kits.map(({ prefix }) => prefix),
  vehicle: { modelYear: 2022, drivenWheels: 'four', fitted: [] },
  answers: spreadAnswers(kits, {}),
  shop: {},
});
if (!opened.ok) throw new Error(opened.error.code);
const { plan } = opened.value;

/** Words that read like a sentence: no code, no hole, no undefined. */
const reads = (text: string) => {
  expect(text).not.toMatch(/undefined|NaN|\[object/);
  expect(text.trim().length).toBeGreaterThan(2);
};

describe('refusals of a visit', () => {
  it('name things as the sheet does', () => {
    expect(refusalText({ code: 'figureMissing', debt: 'dbolt' }, plan).why).toContain('rear damper lower bolts');
    expect(refusalText({ code: 'stripOpen', station: 's1', steps: ['t3'] }, plan).why).toContain(
      'Take the rear wheels off',
    );
  });
});

describe('steps and conflicts', () => {
  it('every step of the demo visit reads, and a refit says how many, where they sat and how tight', () => {
    for (const step of plan.steps) {
      reads(stepTitle(plan, step));
      for (const action of step.actions) reads(planActionText(plan, action));
    }
    const refits = plan.steps.filter(({ made }) => made === 'refit').map((step) => stepTitle(plan, step));
    expect(refits).toContain('Refit: 2 × rear damper lower bolts, 70 mm long, heads to the rear');
    expect(refits.some((text) => /12 × .*wheel nuts, 83 lbf·ft/i.test(text))).toBe(true);
  });
  it('a conflict has a title, a why, its figures and its choices', () => {
    const [conflict] = plan.conflicts;
    if (!conflict) throw new Error('no conflict');
    reads(conflictTitle(conflict));
    reads(conflictWhy(conflict));
    expect(conflict.sides.map((side) => Object.fromEntries(sideLines(side)).Torque)).toEqual([
      '111 lbf·ft',
      '90 lbf·ft',
    ]);
    expect(conflict.choices.map((choice) => choiceText(conflict, choice, (id) => id))).toEqual(conflict.choices);
    expect(choiceText({ ...conflict, kind: 'samePlace' }, 'both', (id) => id)).toBe('Both have room');
  });
});
