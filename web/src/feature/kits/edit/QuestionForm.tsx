import { say } from '#contract/wording/say.ts';
import type { Question } from '#core/kit/kit-document.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { tell } from '../../../ui/tell.ts';
import { put, useEditor, useKit } from './editor-store.ts';
import { entryMark } from './finding-place.ts';
import { LOOK } from './look.ts';
import { OptionalText } from './OptionalText.tsx';

/** One question: what is asked, how it is answered, and where the vehicle itself knows the answer. */
export function QuestionForm({
  question,
  index,
  onRemove,
}: {
  question: Question;
  index: number;
  onRemove: () => void;
}) {
  const change = useEditor((state) => state.change);
  const { steps } = useKit();
  const edit = (recipe: (question: Question) => void) =>
    change((draft) => {
      const target = draft.questions[index];
      if (target) recipe(target);
    });
  return (
    <li className="grid gap-2 border-b border-rule py-3" {...entryMark('questions', index)}>
      <div className="flex flex-wrap items-end gap-2">
        <div className="min-w-60 flex-1">
          <CommitField
            label={say('Asked')}
            value={question.text}
            onCommit={(typed) =>
              typed.trim() ? void edit((q) => void put(q, 'text', typed.trim())) : say('Ask something.')
            }
          />
        </div>
        <label className="text-sm text-ink-2">
          {say('Answer is')}
          <select
            className={`block ${LOOK}`}
            value={question.kind}
            onChange={(event) =>
              edit((q) => {
                q.kind = event.target.value as Question['kind'];
                if (q.kind === 'choice')
                  q.choices ??= [
                    { value: 'a', label: say('First') },
                    { value: 'b', label: say('Second') },
                  ];
                else delete q.choices;
              })
            }
          >
            <option value="yesNo">{say('yes or no')}</option>
            <option value="choice">{say('one of a list')}</option>
            <option value="number">{say('a number')}</option>
          </select>
        </label>
        <button
          type="button"
          aria-label={say('Take “{text}” away', { text: question.text })}
          className="size-11 text-xl text-ink-2"
          onClick={onRemove}
        >
          ×
        </button>
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <div className="min-w-60 flex-1">
          <CommitField
            label={say('Not sure? Look at')}
            value={question.lookAt ?? ''}
            onCommit={(typed) =>
              void edit((q) => (typed.trim() ? void put(q, 'lookAt', typed.trim()) : void delete q.lookAt))
            }
          />
        </div>
        <label className="text-sm text-ink-2">
          {say('The vehicle knows')}
          <select
            className={`block ${LOOK}`}
            value={question.from ?? ''}
            onChange={(event) =>
              edit((q) => (event.target.value ? void put(q, 'from', event.target.value as 'body') : void delete q.from))
            }
          >
            <option value="">{say('no')}</option>
            <option value="modelYear">{say('its model year')}</option>
            {question.kind === 'number' && <option value="buildMonth">{say('the month it was built in')}</option>}
            <option value="engine">{say('its engine')}</option>
            <option value="drivenWheels">{say('its driven wheels')}</option>
            <option value="body">{say('its body')}</option>
            <option value="gearbox">{say('its gearbox')}</option>
            <option value="trim">{say('its trim')}</option>
          </select>
        </label>
        <label className="text-sm text-ink-2">
          {say('When it is asked')}
          <select
            className={`block max-w-52 ${LOOK}`}
            value={question.askedAt ?? ''}
            onChange={(event) =>
              edit((q) => {
                if (event.target.value) put(q, 'askedAt', event.target.value);
                else {
                  delete q.askedAt;
                  delete q.places;
                }
              })
            }
          >
            <option value="">{say('before the job is opened')}</option>
            {steps.map((step) => (
              <option key={step.id} value={step.id}>
                {tell('at step {number}: {text}', { number: step.number ?? step.id, text: step.text })}
              </option>
            ))}
          </select>
        </label>
        {question.askedAt !== undefined && (
          <div className="w-60">
            <CommitField
              label={say('At each of these places, with commas')}
              value={(question.places ?? []).join(', ')}
              onCommit={(typed) => {
                const places = [...new Set(typed.split(',').map((place) => place.trim()))].filter(Boolean);
                return void edit((q) => (places.length > 0 ? void put(q, 'places', places) : void delete q.places));
              }}
            />
          </div>
        )}
        {question.kind === 'choice' && question.askedAt === undefined && (
          <label className="text-sm text-ink-2">
            {say('What was bought')}
            <select
              className={`block ${LOOK}`}
              value={question.bought ?? ''}
              onChange={(event) =>
                edit((q) =>
                  event.target.value ? void put(q, 'bought', event.target.value as 'side') : void delete q.bought,
                )
              }
            >
              <option value="">{say('no')}</option>
              <option value="side">{say('which side: left or right leaves out the other')}</option>
              <option value="part">{say('which part, finish or size')}</option>
            </select>
          </label>
        )}
        {question.kind !== 'choice' && (
          <div className="w-52">
            <OptionalText
              label={
                question.kind === 'number' ? say('Its figure beside this word') : say('Yes if it carries this word')
              }
              value={question.fitted}
              onChange={(word) => edit((q) => (word ? void put(q, 'fitted', word) : void delete q.fitted))}
            />
          </div>
        )}
        {question.kind === 'number' &&
          (['min', 'max'] as const).map((field) => (
            <div key={field} className="w-24">
              <CommitField
                label={field === 'min' ? say('From') : say('To')}
                className="figures text-right"
                value={question[field] === undefined ? '' : String(question[field])}
                onCommit={(typed) => {
                  const value = typed.trim() === '' ? undefined : typedNumber(typed);
                  if (value !== undefined && !Number.isFinite(value)) return say('A number.');
                  return void edit((q) => (value === undefined ? void delete q[field] : void put(q, field, value)));
                }}
              />
            </div>
          ))}
      </div>
      {question.kind === 'choice' && (
        <CommitField
          label={say('Answers, one after the other with commas')}
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
            if (labels.length < 2) return say('Two answers or more.');
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
