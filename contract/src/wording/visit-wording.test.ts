import { describe, expect, it } from '@jest/globals';
import { openLog } from '#core/job/job-log.ts';
import type { Refusal } from '#core/job/refusal.ts';
import type { Obstacle } from '#core/readiness/readiness.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '#core/visit/visit.ts';
import { REAR_AIR_SPRINGS, TRACK_BAR_BRACE } from '#demo/kits.ts';
import { choiceText, conflictTitle, conflictWhy, sideLines } from './conflict-text.ts';
import { obstaclePath, obstacleText } from './readiness-text.ts';
import { refusalText } from './refusal-text.ts';
import { planActionText, stepTitle } from './step-text.ts';
import { vehicleDoubtText, vehicleFaultText } from './vehicle-text.ts';

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
  const refusals: Refusal[] = [
    { code: 'workContradicts', stations: ['s1'], things: ['rear wheels'] },
    { code: 'questionsOpen', questions: ['Is a shield there?'] },
    { code: 'planImpossible', reason: 'specMissing' },
    { code: 'answeredMeanwhile', question: 'Raised?', answer: true },
    { code: 'unknownDebt', debt: 'x' },
    { code: 'valueInvalid', value: Number.NaN },
    { code: 'outsideLimits', value: 12, min: 10.5, max: 11.5 },
    { code: 'nameMissing' },
    { code: 'prerequisitesOpen', prerequisites: ['q1'] },
    { code: 'baselinesMissing', baselines: ['h1'] },
    { code: 'choicesOpen', choices: ['k1'] },
    { code: 'conflictOpen', conflict: plan.conflicts[0]?.id ?? '' },
    { code: 'stripOpen', station: 's1', steps: ['t3'] },
    { code: 'stepWaitsFor', step: 't3', steps: ['t2'] },
    { code: 'stepDoneAlready', step: 't2' },
    { code: 'helperNeeded', step: 't5', people: 2 },
    { code: 'chocksNotSaid', step: 't2' },
    { code: 'chocksAtRaisedEnd', step: 't2', end: 'rear' },
    { code: 'debtOpenAlready', debt: 'wheels' },
    { code: 'debtNotOpen', debt: 'wheels' },
    { code: 'debtCount', debt: 'wheels', count: 3, left: 2 },
    { code: 'fateContradicts', debt: 'bumps', planned: 'keep', end: 'refit' },
    { code: 'figureMissing', debt: 'dbolt' },
    { code: 'newPieceAsked', debt: 'dbolt' },
    { code: 'figureUnreadable', printed: '' },
    { code: 'figureGivenAlready', target: 's1' },
    { code: 'kitAlreadyIn', kit: 'x' },
    { code: 'kitNotIn', prefix: 'x/' },
    { code: 'lastKit' },
  ];
  it.each(refusals.map((refusal) => [refusal.code, refusal] as const))(
    '%s says what, why and what lifts it',
    (_, refusal) => {
      const { title, why, lift } = refusalText(refusal, plan);
      for (const text of [title, why, lift]) reads(text);
    },
  );
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
  it('what stands in the way is a sentence with a way to it', () => {
    const obstacles: Obstacle[] = [
      { code: 'noWrench', targetNm: 250, printed: '184 lbf·ft', stations: ['s1'], group: 'g' },
      { code: 'compoundShort', kind: 'antiSeize', needMl: 2, haveMl: 1, group: 'g' },
      { code: 'prerequisiteOpen', prerequisite: 'q', text: 'Axle bored out', daysBefore: 3 },
      { code: 'kitWithdrawn', kit: 'Rock sliders', because: 'wrong bolt' },
      { code: 'noFigure', station: 's', label: '4', group: 'g' },
    ];
    for (const obstacle of obstacles) {
      reads(obstacleText(obstacle));
      expect(obstaclePath(obstacle)).toMatch(/^(\.\.|\/crib)/);
    }
  });
  it('doubts and faults of a vehicle read', () => {
    reads(vehicleFaultText({ code: 'yearImpossible', year: 1802, from: 1886, to: 2027 }));
    expect(vehicleDoubtText({ code: 'vinCheckDigit', written: '3', computed: 'X' })).toContain('worked out it is X');
  });
});
