import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anyVisit } from '#demo/any-visit.ts';
import { blankKit } from '../kit/blank-kit.ts';
import type { Condition } from '../kit/condition.ts';
import type { KitDocument, Question } from '../kit/kit-document.ts';
import { planSoFar } from './plan-so-far.ts';
import { questionsToAsk } from './question-order.ts';
import { answerAll, kitPrefix, type VisitKit, visitQuestions } from './visit.ts';

const yesNo = (id: string, over: Partial<Question> = {}): Question => ({ id, text: `${id}?`, kind: 'yesNo', ...over });
const kit = (questions: Question[], conditions: Condition[], id = 'k'): KitDocument => ({
  ...blankKit(id, id, 'Pennant Works'),
  questions,
  cautions: conditions.map((when, index) => ({ id: `c${index}`, text: 'Mind it', when })),
});
const alone = (document: KitDocument): VisitKit[] => [{ document, prefix: '' }];
const is = (question: string): Condition => ({ question, is: true });

describe('the order of the questions', () => {
  it('what settles most is asked first, whatever the sheet asks first', () => {
    const visit = alone(kit([yesNo('a'), yesNo('b')], [is('a'), is('b'), { all: [is('b'), is('a')] }, is('b')]));
    expect(questionsToAsk(visit, {}, {}).map(({ id }) => id)).toEqual(['b', 'a']);
  });
  it('what decides whether a kit fits at all comes before what settles more', () => {
    const fits = [{ text: 'Long wheelbase', when: is('long') }];
    const visit = alone({ ...kit([yesNo('a'), yesNo('long')], [is('a'), is('a'), is('a')]), fits });
    expect(questionsToAsk(visit, {}, {}).map(({ id, decidesFit }) => [id, decidesFit])).toEqual([
      ['long', true],
      ['a', false],
    ]);
  });
  it('what can change nothing any more is not asked', () => {
    const visit = alone(kit([yesNo('a'), yesNo('b'), yesNo('c')], [{ all: [is('a'), is('b')] }]));
    expect(questionsToAsk(visit, {}, {}).map(({ id }) => id)).toEqual(['a', 'b']);
    expect(questionsToAsk(visit, {}, { a: false })).toEqual([]);
    expect(questionsToAsk(visit, {}, { a: true }).map(({ id }) => id)).toEqual(['b']);
  });
  it('the vehicle answers for itself, also by what it carries, once somebody has looked', () => {
    const visit = alone(kit([yesNo('air', { fitted: 'Air springs' })], [is('air')]));
    expect(questionsToAsk(visit, {}, {})).toHaveLength(1);
    expect(questionsToAsk(visit, { fitted: [] }, {})).toEqual([]);
    expect(planSoFar(visit, { fitted: [{ word: 'air  springs' }] }, {}).stations).toEqual({ in: 0, out: 0, open: 0 });
  });
  it('two kits with one question ask it once, within the limits of both', () => {
    const number = (min: number, max: number): Question => ({
      id: 'y',
      text: 'Year?',
      kind: 'number',
      min,
      max,
      from: 'modelYear',
    });
    const kits: VisitKit[] = [];
    for (const [id, question] of [
      ['one', number(1990, 2030)],
      ['two', number(2000, 2040)],
    ] as const)
      kits.push({ document: kit([question], [{ question: 'y', atLeast: 2010 }], id), prefix: kitPrefix(kits, id) });
    const [asked, ...others] = questionsToAsk(kits, {}, {});
    expect(others).toEqual([]);
    expect(asked?.question).toMatchObject({ min: 2000, max: 2030 });
    if (asked) expect(answerAll(asked, 2012)).toEqual({ y: 2012, 'two/y': 2012 });
  });
  it('answering the first until none is left settles everything (property)', () =>
    fc.assert(
      fc.property(anyVisit, fc.array(fc.boolean(), { minLength: 20, maxLength: 20 }), (kits, choices) => {
        let answers: Record<string, string | number | boolean> = {};
        let asked = 0;
        for (let [next] = questionsToAsk(kits, {}, answers); next; [next] = questionsToAsk(kits, {}, answers)) {
          answers = {
            ...answers,
            ...answerAll(next, next.question.kind === 'number' ? 2018 : (choices[asked] ?? true)),
          };
          asked += 1;
          expect(asked).toBeLessThanOrEqual(visitQuestions(kits).length);
        }
        const { stations } = planSoFar(kits, {}, answers);
        expect(stations.open).toBe(0);
      }),
    ));
});
