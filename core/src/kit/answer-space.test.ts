import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_KITS } from '#demo/kits.ts';
import {
  answerSpace,
  axesOf,
  combinationCount,
  combinations,
  combinationsFor,
  conditionsOf,
  MOST_COMBINATIONS,
  variants,
} from './answer-space.ts';
import { blankKit } from './blank-kit.ts';
import { type Condition, evaluate } from './condition.ts';
import type { KitDocument } from './kit-document.ts';

const kitWith = (conditions: Condition[]): KitDocument => ({
  ...blankKit('k', 'K', 'Pennant Works'),
  questions: [
    { id: 'year', text: 'Model year?', kind: 'number', min: 1990, max: 2030 },
    { id: 'shield', text: 'Shield?', kind: 'yesNo' },
    {
      id: 'bush',
      text: 'Bush?',
      kind: 'choice',
      choices: [
        { value: 'soft', label: 'Soft' },
        { value: 'firm', label: 'Firm' },
      ],
    },
  ],
  cautions: conditions.map((when, index) => ({ id: `c${index}`, text: 'Mind this', when })),
});

const anyYear = fc.integer({ min: 1985, max: 2035 });
const anyCondition: fc.Arbitrary<Condition> = fc.letrec<{ rule: Condition }>((tie) => ({
  rule: fc.oneof(
    { depthSize: 'small' },
    fc.record({ question: fc.constant('year'), atLeast: anyYear }),
    fc.record({ question: fc.constant('year'), atMost: anyYear }),
    fc.record({ question: fc.constant('year'), is: anyYear }),
    fc.record({ question: fc.constant('shield'), is: fc.boolean() }),
    fc.record({ question: fc.constant('bush'), is: fc.constantFrom('soft', 'firm') }),
    fc.record({ all: fc.array(tie('rule'), { minLength: 1, maxLength: 3 }) }),
    fc.record({ any: fc.array(tie('rule'), { minLength: 1, maxLength: 3 }) }),
    fc.record({ not: tie('rule') }),
  ),
})).rule;

describe('answers that can make a difference', () => {
  it('are the thresholds of a number and their neighbours, within its limits', () => {
    const kit = kitWith([
      { question: 'year', atLeast: 2016 },
      { question: 'year', atMost: 1990 },
    ]);
    expect(answerSpace(kit)).toMatchObject([{ question: { id: 'year' }, values: [1990, 1991, 2015, 2016] }]);
  });
  it('leave out a question no rule asks about', () => {
    expect(answerSpace(kitWith([{ question: 'shield', is: true }])).map((axis) => axis.question.id)).toEqual([
      'shield',
    ]);
    expect(combinations([])).toEqual([{}]);
  });
  it('stand for every answer: whatever a person says, some combination decides every rule alike', () => {
    fc.assert(
      fc.property(
        fc.array(anyCondition, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 1990, max: 2030 }),
        fc.boolean(),
        fc.constantFrom('soft', 'firm'),
        (conditions, year, shield, bush) => {
          const kit = kitWith(conditions);
          const truths = (answers: Parameters<typeof evaluate>[1]) =>
            conditions.map((when) => evaluate(when, answers).truth).join();
          const wanted = truths({ year, shield, bush });
          const asked = new Set(
            conditionsOf(kit).flatMap((when) => JSON.stringify(when).match(/year|shield|bush/g) ?? []),
          );
          const combos = combinations(answerSpace(kit));
          expect(combos.every((answers) => Object.keys(answers).every((id) => asked.has(id)))).toBe(true);
          expect(combos.some((answers) => truths(answers) === wanted)).toBe(true);
        },
      ),
    );
  });
  it('are as many as their count, no two alike', () => {
    fc.assert(
      fc.property(fc.array(anyCondition, { maxLength: 4 }), (conditions) => {
        const axes = answerSpace(kitWith(conditions));
        const combos = combinations(axes);
        expect(combos).toHaveLength(combinationCount(axes));
        expect(new Set(combos.map((answers) => JSON.stringify(answers))).size).toBe(combos.length);
      }),
    );
  });
  it('are only of vehicles the kit fits', () => {
    for (const kit of DEMO_KITS) {
      const all = variants(kit) ?? [];
      expect(all.length).toBeGreaterThan(0);
      for (const answers of all)
        for (const fit of kit.fits) expect(evaluate(fit.when, answers).truth).not.toBe('false');
    }
  });
  it('are told to be too many rather than gone through for hours', () => {
    const kit = kitWith([]);
    for (let index = 0; index < 13; index++) {
      kit.questions.push({ id: `q${index}`, text: 'Is it?', kind: 'yesNo' });
      kit.cautions.push({ id: `q${index}`, text: 'Mind this', when: { question: `q${index}`, is: true } });
    }
    expect(combinationCount(answerSpace(kit))).toBeGreaterThan(MOST_COMBINATIONS);
    expect(variants(kit)).toBeUndefined();
    // What hangs on a few of them is still gone through.
    expect(combinationsFor(kit, answerSpace(kit), [{ question: 'q1', is: true }])).toHaveLength(2);
    expect(axesOf(answerSpace(kit), [{ question: 'q1', is: true }])).toHaveLength(1);
  });
});
