import { useState } from 'react';
import { conditionText } from '#contract/wording/condition-text.ts';
import { say } from '#contract/wording/say.ts';
import { askedBy, askedOf } from '#core/kit/asked.ts';
import { buildMonthField, isBuildMonth, readBuildMonth } from '#core/kit/build-month.ts';
import { answerId, type Condition } from '#core/kit/condition.ts';
import type { Question } from '#core/kit/kit-document.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';
import { useKit } from './editor-store.ts';

/** When something applies, in words; pressed, the rule can be changed. */
export function ConditionButton({
  when,
  of,
  onChange,
}: {
  when: Condition | undefined;
  /** What it is the condition of, for the title. */
  of: string;
  onChange: (when: Condition | undefined) => void;
}) {
  const kit = useKit();
  const [open, setOpen] = useState(false);
  const [rule, setRule] = useState<Condition | undefined>(when);
  const text = conditionText(kit, when);
  const asked = askedBy(kit);
  return (
    <>
      <button
        type="button"
        className={`min-h-11 max-w-72 truncate border-2 px-2 text-left text-sm ${when ? 'border-ink font-bold' : 'border-rule text-ink-2'}`}
        title={text}
        onClick={() => {
          setRule(when);
          setOpen(true);
        }}
        aria-label={say('When {of} applies: {text}', { of, text })}
      >
        {text}
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} wide title={say('When does it apply?')} description={of}>
        {asked.length === 0 ? (
          <p className="mb-4">{say('This kit asks no questions yet. Add one under Questions first.')}</p>
        ) : (
          <RuleNode rule={rule} questions={asked} onChange={setRule} />
        )}
        <p className="mt-4 border-t border-rule pt-3">
          {tell('Applies: {conditionText}', { conditionText: <b>{conditionText(kit, rule)}</b> })}
        </p>
        <div className="mt-4 grid grid-cols-2 gap-2">
          <Button onClick={() => setOpen(false)}>{say('Leave it')}</Button>
          <Button
            tone="primary"
            onClick={() => {
              onChange(rule);
              setOpen(false);
            }}
          >
            {say('Keep this rule')}
          </Button>
        </div>
      </Sheet>
    </>
  );
}

type Shape = 'always' | 'all' | 'any' | 'not' | 'compare';
const SHAPES: ReadonlyArray<readonly [Shape, string]> = [
  ['always', say('Always')],
  ['compare', say('One answer')],
  ['all', say('All of these')],
  ['any', say('Any of these')],
  ['not', say('Not this')],
];

const shapeOf = (rule: Condition | undefined): Shape =>
  rule === undefined ? 'always' : 'all' in rule ? 'all' : 'any' in rule ? 'any' : 'not' in rule ? 'not' : 'compare';

/** The rules a rule is made of; one that compares is made of itself. */
const partsOf = (rule: Condition | undefined): Condition[] => {
  if (rule === undefined) return [];
  if ('all' in rule) return rule.all;
  if ('any' in rule) return rule.any;
  return 'not' in rule ? [rule.not] : [rule];
};

/** The plainest rule over a question: yes, its first choice, or from its least number on. */
const plainRule = (question: Question | undefined): Condition => {
  if (!question) return { question: '', is: true };
  const asked = askedOf(question.id);
  if (question.kind === 'yesNo') return { ...asked, is: true };
  if (question.kind === 'choice') return { ...asked, is: question.choices?.[0]?.value ?? '' };
  return { ...asked, atLeast: question.min ?? 0 };
};

const LOOK = 'min-h-11 border-2 border-ink bg-sheet px-2';

/** One node of a rule; rules stand inside rules. */
function RuleNode({
  rule,
  questions,
  onChange,
  inner = false,
}: {
  rule: Condition | undefined;
  questions: readonly Question[];
  onChange: (rule: Condition | undefined) => void;
  inner?: boolean;
}) {
  const shape = shapeOf(rule);
  const reshape = (to: Shape) => {
    const first = plainRule(questions[0]);
    const parts = partsOf(rule);
    // What was already ruled stays, as far as the new kind can hold it.
    const shapes: Record<Shape, Condition | undefined> = {
      always: undefined,
      compare: parts.find((part) => shapeOf(part) === 'compare') ?? first,
      all: { all: parts.length > 0 ? parts : [first] },
      any: { any: parts.length > 0 ? parts : [first] },
      not: { not: parts[0] ?? first },
    };
    onChange(shapes[to]);
  };
  const shapePicker = (
    <select
      aria-label={say('Kind of rule')}
      className={LOOK}
      value={shape}
      onChange={(event) => reshape(event.target.value as Shape)}
    >
      {SHAPES.filter(([name]) => !inner || name !== 'always').map(([name, text]) => (
        <option key={name} value={name}>
          {text}
        </option>
      ))}
    </select>
  );
  if (rule === undefined) return <div className="flex flex-wrap gap-2">{shapePicker}</div>;
  if ('all' in rule || 'any' in rule) {
    const parts = 'all' in rule ? rule.all : rule.any;
    const keep = (list: Condition[]) => onChange('all' in rule ? { all: list } : { any: list });
    return (
      <div className="border-l-3 border-ink pl-3">
        {shapePicker}
        <ul className="mt-2 grid gap-2">
          {parts.map((part, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: parts of a rule have no other name
            <li key={index} className="flex items-start gap-2">
              <div className="flex-1">
                <RuleNode
                  inner
                  rule={part}
                  questions={questions}
                  onChange={(next) => keep(parts.map((other, at) => (at === index && next ? next : other)))}
                />
              </div>
              {parts.length > 1 && (
                <button
                  type="button"
                  aria-label={say('Take this part away')}
                  className="size-11 text-xl"
                  onClick={() => keep(parts.filter((_, at) => at !== index))}
                >
                  ×
                </button>
              )}
            </li>
          ))}
        </ul>
        <button
          type="button"
          className="mt-1 min-h-11 px-2 underline"
          onClick={() => keep([...parts, plainRule(questions[0])])}
        >
          {say('Add a part')}
        </button>
      </div>
    );
  }
  if ('not' in rule)
    return (
      <div className="border-l-3 border-bad pl-3">
        {shapePicker}
        <div className="mt-2">
          <RuleNode inner rule={rule.not} questions={questions} onChange={(next) => next && onChange({ not: next })} />
        </div>
      </div>
    );
  const id = answerId(rule.question, rule.at);
  const question = questions.find((entry) => entry.id === id);
  const comparison = 'is' in rule ? 'is' : 'atLeast' in rule ? 'atLeast' : 'atMost';
  const value = 'is' in rule ? rule.is : 'atLeast' in rule ? rule.atLeast : rule.atMost;
  const compare = (how: string, to: typeof value) => {
    const asked = askedOf(id);
    if (how === 'is') onChange({ ...asked, is: to });
    else if (how === 'atLeast') onChange({ ...asked, atLeast: Number(to) });
    else onChange({ ...asked, atMost: Number(to) });
  };
  return (
    <div className="flex flex-wrap gap-2">
      {shapePicker}
      <select
        aria-label={say('Question')}
        className={`${LOOK} max-w-64`}
        value={id}
        onChange={(event) => onChange(plainRule(questions.find((entry) => entry.id === event.target.value)))}
      >
        {!question && <option value={id}>{id || say('choose')}</option>}
        {questions.map((entry) => (
          <option key={entry.id} value={entry.id}>
            {entry.text}
          </option>
        ))}
      </select>
      {question?.kind === 'number' && (
        <>
          <select
            aria-label={say('Comparison')}
            className={LOOK}
            value={comparison}
            onChange={(event) => compare(event.target.value, Number(value))}
          >
            <option value="atLeast">{say('at least')}</option>
            <option value="atMost">{say('at most')}</option>
            <option value="is">{say('exactly')}</option>
          </select>
          {question.from === 'buildMonth' ? (
            <input
              aria-label={say('Value')}
              type="month"
              className={`figures ${LOOK}`}
              value={isBuildMonth(Number(value)) ? buildMonthField(Number(value)) : ''}
              onChange={(event) => {
                const built = readBuildMonth(event.target.value);
                if (built !== undefined) compare(comparison, built);
              }}
            />
          ) : (
            <input
              aria-label={say('Value')}
              type="number"
              className={`figures w-28 ${LOOK}`}
              value={Number(value)}
              onChange={(event) => event.target.value !== '' && compare(comparison, Number(event.target.value))}
            />
          )}
        </>
      )}
      {question?.kind === 'yesNo' && (
        <select
          aria-label={say('Answer')}
          className={LOOK}
          value={value === true ? 'yes' : 'no'}
          onChange={(event) => compare('is', event.target.value === 'yes')}
        >
          <option value="yes">{say('yes')}</option>
          <option value="no">{say('no')}</option>
        </select>
      )}
      {question?.kind === 'choice' && (
        <select
          aria-label={say('Answer')}
          className={LOOK}
          value={String(value)}
          onChange={(event) => compare('is', event.target.value)}
        >
          {question.choices?.map((choice) => (
            <option key={choice.value} value={choice.value}>
              {choice.label}
            </option>
          ))}
        </select>
      )}
    </div>
  );
}
