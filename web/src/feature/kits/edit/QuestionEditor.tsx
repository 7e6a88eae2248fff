import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { conditionsOf } from '#core/kit/answer-space.ts';
import { questionsIn } from '#core/kit/condition.ts';
import type { FitCondition, KitDocument, Question } from '#core/kit/kit-document.ts';
import { NOT_NAMED } from '#core/kit/not-named.ts';
import { Button } from '../../../ui/Button.tsx';
import { ChoiceList } from './ChoiceList.tsx';
import { freshId, useEditor, useKit } from './editor-store.ts';
import { useShowAsked } from './finding-place.ts';
import { KitHead } from './KitHead.tsx';
import { QuestionForm } from './QuestionForm.tsx';
import { type RowField, RowList } from './RowList.tsx';
import { VariantTable } from './VariantTable.tsx';

const FITS: ReadonlyArray<RowField<FitCondition>> = [
  { field: 'text', label: say('In words'), kind: 'words', width: 'min-w-48 flex-1' },
  { field: 'when', label: say('When'), kind: 'when', width: '' },
];

/** What is asked before the plan is made, and what every combination of answers changes. */
export function QuestionEditor() {
  const kit = useKit();
  useShowAsked();
  return (
    <div className="grid content-start gap-6 p-4 lg:min-h-0 lg:grid-cols-2 lg:overflow-y-auto">
      <section>
        <QuestionList />
        <RowList<'fits'>
          list="fits"
          title={say('Fits')}
          add={say('Add a condition')}
          large
          nameless
          disabled={kit.questions.length === 0}
          fields={FITS}
          nameOf={({ text }) => text}
          plain={(now) => ({ text: say('The vehicle it is made for'), when: firstRule(now) })}
        />
        <ChoiceList />
        <KitHead />
      </section>
      <VariantTable />
    </div>
  );
}

/** The questions in the order they were written; one that decides something is not taken away. */
function QuestionList() {
  const kit = useKit();
  const change = useEditor((state) => state.change);
  const [refused, setRefused] = useState<string>();
  const remove = (question: Question, index: number) => {
    const used = conditionsOf(kit).filter((when) => questionsIn(when).includes(question.id)).length;
    if (used > 0) {
      setRefused(
        say(
          '“{text}” decides {used} {used, plural, one {thing} other {things}} of this kit. Change those rules first.',
          { text: question.text, used },
        ),
      );
      return;
    }
    setRefused(undefined);
    change((draft) => void draft.questions.splice(index, 1));
  };
  return (
    <>
      <div className="flex items-baseline justify-between gap-3 border-b-2 border-ink">
        <h2 className="plate text-2xl">{say('Questions')}</h2>
        <Button
          className="min-h-11!"
          onClick={() =>
            change((draft) => {
              const id = freshId(draft.questions, `q${draft.questions.length + 1}`);
              draft.questions.push({ id, text: NOT_NAMED.questions, kind: 'yesNo' });
            })
          }
        >
          {say('Add a question')}
        </Button>
      </div>
      {refused && (
        <p role="alert" className="mt-2 font-bold text-bad">
          {refused}
        </p>
      )}
      <ul>
        {kit.questions.map((question, index) => (
          <QuestionForm key={question.id} question={question} index={index} onRemove={() => remove(question, index)} />
        ))}
        {kit.questions.length === 0 && (
          <li className="py-3 text-ink-2">{say('None. Every vehicle that fits gets the same kit.')}</li>
        )}
      </ul>
    </>
  );
}

const firstRule = (kit: KitDocument): FitCondition['when'] => {
  const [question] = kit.questions;
  if (question?.kind === 'number') return { question: question.id, atLeast: question.min ?? 0 };
  return {
    question: question?.id ?? '',
    is: question?.kind === 'choice' ? (question.choices?.[0]?.value ?? '') : true,
  };
};
