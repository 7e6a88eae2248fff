import { useEffect, useState } from 'react';
import { conditionText } from '#contract/wording/condition-text.ts';
import { answersText } from '#contract/wording/finding-text.ts';
import { conditionsOf } from '#core/kit/answer-space.ts';
import { questionsIn } from '#core/kit/condition.ts';
import type { KitDocument, Question } from '#core/kit/kit-document.ts';
import type { VariantRow } from '#core/kit/variant-table.ts';
import { Button } from '../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { kitWorker } from '../../../worker/kit-worker.ts';
import { ConditionButton } from './ConditionEditor.tsx';
import { freshId, put, useEditor, useKit } from './editor-store.ts';
import { LOOK } from './look.ts';
import { OptionalText } from './OptionalText.tsx';

/** Rows of the table that are shown at once. */
const SHOWN = 60;

/** What is asked before the plan is made, and what every combination of answers changes. */
export function QuestionEditor() {
  const kit = useKit();
  const change = useEditor((state) => state.change);
  const [table, setTable] = useState<{ rows: VariantRow[] | undefined }>();
  useEffect(() => {
    let newest = true;
    void kitWorker()
      .variants(kit)
      // What does not fit stands at the end.
      .then((rows) => newest && setTable({ rows: rows?.sort((a, b) => Number(b.fits) - Number(a.fits)) }));
    return () => {
      newest = false;
    };
  }, [kit]);
  const rows = table?.rows;
  const [more, setMore] = useState(false);
  const [refused, setRefused] = useState<string>();
  const remove = (question: Question, index: number) => {
    const used = conditionsOf(kit).filter((when) => questionsIn(when).includes(question.id)).length;
    if (used > 0) {
      setRefused(
        `“${question.text}” decides ${used} ${used === 1 ? 'thing' : 'things'} of this kit. Change those rules first.`,
      );
      return;
    }
    setRefused(undefined);
    change((draft) => void draft.questions.splice(index, 1));
  };
  return (
    <div className="grid content-start gap-6 p-4 lg:min-h-0 lg:grid-cols-2 lg:overflow-y-auto">
      <section>
        <div className="flex items-baseline justify-between gap-3 border-b-2 border-ink">
          <h2 className="plate text-2xl">Questions</h2>
          <Button
            className="min-h-11!"
            onClick={() =>
              change(
                (draft) =>
                  void draft.questions.push({
                    id: freshId(draft.questions, `q${draft.questions.length + 1}`),
                    text: 'New question?',
                    kind: 'yesNo',
                  }),
              )
            }
          >
            Add a question
          </Button>
        </div>
        {refused && (
          <p role="alert" className="mt-2 font-bold text-bad">
            {refused}
          </p>
        )}
        <ul>
          {kit.questions.map((question, index) => (
            <QuestionForm
              key={question.id}
              question={question}
              index={index}
              onRemove={() => remove(question, index)}
            />
          ))}
          {kit.questions.length === 0 && (
            <li className="py-3 text-ink-2">None. Every vehicle that fits gets the same kit.</li>
          )}
        </ul>
        <div className="mt-6 flex items-baseline justify-between gap-3 border-b-2 border-ink">
          <h2 className="plate text-2xl">Fits</h2>
          <Button
            className="min-h-11!"
            onClick={() =>
              change((draft) => void draft.fits.push({ text: 'The vehicle it is made for', when: firstRule(kit) }))
            }
            disabled={kit.questions.length === 0}
          >
            Add a condition
          </Button>
        </div>
        <ul>
          {kit.fits.map((fit, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a fit has no name of its own
            <li key={index} className="flex flex-wrap items-end gap-2 border-b border-hair py-2">
              <div className="min-w-48 flex-1">
                <CommitField
                  label="In words"
                  value={fit.text}
                  onCommit={(typed) =>
                    typed.trim()
                      ? void change((draft) => void put(draft.fits[index] as { text: string }, 'text', typed.trim()))
                      : 'Say it.'
                  }
                />
              </div>
              <ConditionButton
                when={fit.when}
                of={fit.text}
                onChange={(when) =>
                  when && change((draft) => void put(draft.fits[index] as { when: typeof when }, 'when', when))
                }
              />
              <button
                type="button"
                aria-label={`Take ${fit.text} away`}
                className="size-11 text-xl text-ink-2"
                onClick={() => change((draft) => void draft.fits.splice(index, 1))}
              >
                ×
              </button>
            </li>
          ))}
        </ul>
        <ChoiceList kit={kit} />
        <h2 className="plate mt-6 border-b-2 border-ink text-2xl">The kit</h2>
        <div className="grid gap-3 pt-2 sm:grid-cols-2">
          <CommitField
            label="Title"
            value={kit.title}
            onCommit={(typed) =>
              typed.trim() ? void change((draft) => void put(draft, 'title', typed.trim())) : 'Give it a title.'
            }
          />
          <CommitField
            label="Maker"
            value={kit.maker}
            onCommit={(typed) =>
              typed.trim() ? void change((draft) => void put(draft, 'maker', typed.trim())) : 'Give it a maker.'
            }
          />
          <CommitField
            label="Stated time, minutes"
            className="figures text-right"
            value={kit.statedMinutes === undefined ? '' : String(kit.statedMinutes)}
            onCommit={(typed) => {
              const minutes = typed.trim() === '' ? undefined : typedNumber(typed);
              if (minutes !== undefined && !(minutes > 0 && minutes <= 10_000)) return 'Up to 10,000.';
              return void change((draft) => {
                if (minutes === undefined) delete draft.statedMinutes;
                else draft.statedMinutes = minutes;
              });
            }}
          />
          <CommitField
            label="Difficulty, as the sheet says"
            value={kit.difficulty ?? ''}
            onCommit={(typed) =>
              void change((draft) => {
                if (typed.trim()) draft.difficulty = typed.trim();
                else delete draft.difficulty;
              })
            }
          />
          <label className="text-sm text-ink-2">
            Power tools
            <select
              className={`w-full ${LOOK}`}
              value={kit.powerTools ?? ''}
              onChange={(event) =>
                change((draft) => {
                  if (event.target.value) draft.powerTools = event.target.value as 'never';
                  else delete draft.powerTools;
                })
              }
            >
              <option value="">not said: run down only</option>
              <option value="runDownOnly">run down only</option>
              <option value="never">never</option>
              <option value="free">freely, torque after</option>
            </select>
          </label>
          <label className="text-sm text-ink-2">
            Scope
            <select
              className={`w-full ${LOOK}`}
              value={kit.scope ?? ''}
              onChange={(event) =>
                change((draft) => {
                  if (event.target.value) draft.scope = event.target.value as 'pair';
                  else delete draft.scope;
                })
              }
            >
              <option value="">not said</option>
              <option value="wholeKit">a whole kit</option>
              <option value="pair">a pair of parts</option>
              <option value="singlePart">a single part</option>
              <option value="finish">a finish</option>
            </select>
          </label>
        </div>
      </section>
      <section className="min-w-0">
        <h2 className="plate border-b-2 border-ink text-2xl">Every combination, and what it changes</h2>
        {!table && <p className="py-3 text-ink-2">Working it out.</p>}
        {table && rows === undefined && (
          <p className="py-3">
            Too many combinations to show one by one. Each station's own conditions are still checked under Findings.
          </p>
        )}
        {rows && (
          // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls is reached by keyboard
          <div className="overflow-x-auto" tabIndex={0}>
            <table className="w-full text-left text-[15px]">
              <thead>
                <tr className="border-b border-rule">
                  <th className="py-1">Answers</th>
                  <th className="py-1 text-right">Stations</th>
                  <th className="py-1 pl-3 text-right">Steps</th>
                  <th className="py-1 pl-4">Against the first</th>
                </tr>
              </thead>
              <tbody>
                {rows.slice(0, more ? undefined : SHOWN).map((row) => (
                  <tr
                    key={JSON.stringify(row.answers)}
                    className={`border-b border-hair align-top ${row.fits ? '' : 'text-ink-2'}`}
                  >
                    <td className="py-1 pr-3">{answersText(kit, row.answers) || 'no question'}</td>
                    <td className="figures py-1 text-right">{row.fits ? row.stations : ''}</td>
                    <td className="figures py-1 pl-3 text-right">{row.fits ? row.steps : ''}</td>
                    <td className="py-1 pl-4">
                      {row.fits
                        ? row.changes.length > 0
                          ? `${row.changes.slice(0, 6).join(', ')}${row.changes.length > 6 ? ` and ${row.changes.length - 6} more` : ''}`
                          : 'as the first'
                        : `does not fit: ${kit.fits.map((fit) => conditionText(kit, fit.when)).join(', ')}`}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        {rows && rows.length > SHOWN && !more && (
          <Button className="mt-2" onClick={() => setMore(true)}>
            Show all {rows.length}
          </Button>
        )}
      </section>
    </div>
  );
}

const firstRule = (kit: KitDocument) => {
  const [question] = kit.questions;
  if (question?.kind === 'number') return { question: question.id, atLeast: question.min ?? 0 };
  return {
    question: question?.id ?? '',
    is: question?.kind === 'choice' ? (question.choices?.[0]?.value ?? '') : true,
  };
};

function QuestionForm({ question, index, onRemove }: { question: Question; index: number; onRemove: () => void }) {
  const change = useEditor((state) => state.change);
  const edit = (recipe: (question: Question) => void) =>
    change((draft) => {
      const target = draft.questions[index];
      if (target) recipe(target);
    });
  return (
    <li className="grid gap-2 border-b border-rule py-3">
      <div className="flex flex-wrap items-end gap-2">
        <div className="min-w-60 flex-1">
          <CommitField
            label="Asked"
            value={question.text}
            onCommit={(typed) =>
              typed.trim() ? void edit((q) => void put(q, 'text', typed.trim())) : 'Ask something.'
            }
          />
        </div>
        <label className="text-sm text-ink-2">
          Answer is
          <select
            className={`block ${LOOK}`}
            value={question.kind}
            onChange={(event) =>
              edit((q) => {
                q.kind = event.target.value as Question['kind'];
                if (q.kind === 'choice')
                  q.choices ??= [
                    { value: 'a', label: 'First' },
                    { value: 'b', label: 'Second' },
                  ];
                else delete q.choices;
              })
            }
          >
            <option value="yesNo">yes or no</option>
            <option value="choice">one of a list</option>
            <option value="number">a number</option>
          </select>
        </label>
        <button
          type="button"
          aria-label={`Take “${question.text}” away`}
          className="size-11 text-xl text-ink-2"
          onClick={onRemove}
        >
          ×
        </button>
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <div className="min-w-60 flex-1">
          <CommitField
            label="Not sure? Look at"
            value={question.lookAt ?? ''}
            onCommit={(typed) =>
              void edit((q) => (typed.trim() ? void put(q, 'lookAt', typed.trim()) : void delete q.lookAt))
            }
          />
        </div>
        <label className="text-sm text-ink-2">
          The vehicle knows
          <select
            className={`block ${LOOK}`}
            value={question.from ?? ''}
            onChange={(event) =>
              edit((q) => (event.target.value ? void put(q, 'from', event.target.value as 'body') : void delete q.from))
            }
          >
            <option value="">no</option>
            <option value="modelYear">its model year</option>
            <option value="engine">its engine</option>
            <option value="drivenWheels">its driven wheels</option>
            <option value="body">its body</option>
            <option value="gearbox">its gearbox</option>
            <option value="trim">its trim</option>
          </select>
        </label>
        {question.kind === 'yesNo' && (
          <div className="w-52">
            <OptionalText
              label="Yes if it carries this word"
              value={question.fitted}
              onChange={(word) => edit((q) => (word ? void put(q, 'fitted', word) : void delete q.fitted))}
            />
          </div>
        )}
        {question.kind === 'number' &&
          (['min', 'max'] as const).map((field) => (
            <div key={field} className="w-24">
              <CommitField
                label={field === 'min' ? 'From' : 'To'}
                className="figures text-right"
                value={question[field] === undefined ? '' : String(question[field])}
                onCommit={(typed) => {
                  const value = typed.trim() === '' ? undefined : typedNumber(typed);
                  if (value !== undefined && !Number.isFinite(value)) return 'A number.';
                  return void edit((q) => (value === undefined ? void delete q[field] : void put(q, field, value)));
                }}
              />
            </div>
          ))}
      </div>
      {question.kind === 'choice' && (
        <CommitField
          label="Answers, one after the other with commas"
          value={(question.choices ?? []).map((choice) => choice.label).join(', ')}
          onCommit={(typed) => {
            const labels = [
              ...new Set(
                typed
                  .split(',')
                  .map((label) => label.trim())
                  .filter(Boolean),
              ),
            ];
            if (labels.length < 2) return 'Two answers or more.';
            return void edit((q) => {
              // An answer that keeps its words or its place keeps its value, so that rules go on meaning it.
              const before = q.choices ?? [];
              const taken = new Set<string>();
              q.choices = labels.map((label, place) => {
                const known =
                  before.find((choice) => choice.label === label) ??
                  (before.length === labels.length ? before[place] : undefined);
                let value = known?.value ?? (label.toLowerCase().replace(/[^a-z0-9]+/g, '-') || `answer-${place + 1}`);
                while (taken.has(value)) value += '-2';
                taken.add(value);
                return { value, label };
              });
            });
          }}
        />
      )}
    </li>
  );
}

/** Choices that belong to a person: each option with what it brings, one line per option. */
function ChoiceList({ kit }: { kit: KitDocument }) {
  const change = useEditor((state) => state.change);
  const plain = {
    text: 'Which setting?',
    by: 'owner' as const,
    options: [
      { value: 'soft', label: 'Soft', consequence: 'Rides softer, leans more' },
      { value: 'firm', label: 'Firm', consequence: 'Leans less, may break loose earlier' },
    ],
  };
  return (
    <>
      <div className="mt-6 flex items-baseline justify-between gap-3 border-b-2 border-ink">
        <h2 className="plate text-2xl">Choices of owner or fitter</h2>
        <Button
          className="min-h-11!"
          onClick={() =>
            change((draft) => {
              draft.choices.push({
                id: freshId(draft.choices, `choice-${draft.choices.length + 1}`),
                ...structuredClone(plain),
              });
            })
          }
        >
          Add a choice
        </Button>
      </div>
      <ul>
        {kit.choices.map((choice, index) => (
          <li key={choice.id} className="grid gap-2 border-b border-hair py-2">
            <div className="flex flex-wrap items-end gap-2">
              <div className="min-w-48 flex-1">
                <CommitField
                  label="Asked"
                  value={choice.text}
                  onCommit={(typed) =>
                    typed.trim()
                      ? void change((draft) => put(draft.choices[index], 'text', typed.trim()))
                      : 'Ask something.'
                  }
                />
              </div>
              <label className="text-sm text-ink-2">
                Belongs to
                <select
                  className={`block ${LOOK}`}
                  value={choice.by}
                  onChange={(event) =>
                    change((draft) => put(draft.choices[index], 'by', event.target.value as 'owner'))
                  }
                >
                  <option value="owner">the owner</option>
                  <option value="fitter">the fitter</option>
                </select>
              </label>
              <ConditionButton
                when={choice.when}
                of={choice.text}
                onChange={(when) => change((draft) => put(draft.choices[index], 'when', when))}
              />
              <button
                type="button"
                aria-label={`Take “${choice.text}” away`}
                className="size-11 text-xl text-ink-2"
                onClick={() => change((draft) => void draft.choices.splice(index, 1))}
              >
                ×
              </button>
            </div>
            <CommitField
              label="Options, one to a line: what it is = what it brings"
              multiline
              value={choice.options.map((option) => `${option.label} = ${option.consequence}`).join('\n')}
              onCommit={(typed) => {
                const options = typed
                  .split('\n')
                  .map((line) => line.split('=').map((part) => part.trim()))
                  .filter(([label]) => label);
                if (options.length < 2 || options.some(([, consequence]) => !consequence))
                  return 'Two lines or more, each: what it is = what it brings';
                return void change((draft) =>
                  put(
                    draft.choices[index],
                    'options',
                    options.map(([label = '', consequence = ''], place) => ({
                      value: choice.options[place]?.value ?? `option-${place + 1}`,
                      label,
                      consequence,
                    })),
                  ),
                );
              }}
            />
          </li>
        ))}
      </ul>
    </>
  );
}
