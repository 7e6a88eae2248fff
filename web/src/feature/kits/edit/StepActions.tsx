import { useState } from 'react';
import {
  ACTION_FIELDS,
  type ActionField,
  actionOf,
  actionText,
  canBeAdded,
  listNames,
  neededFields,
} from '#contract/wording/action-text.ts';
import { ACTION_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Step } from '#core/kit/kit-step.ts';
import type { Method, StepAction } from '#core/kit/step-action.ts';
import { Button } from '../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { tell } from '../../../ui/tell.ts';
import { FigureField } from './FigureField.tsx';
import { LOOK } from './look.ts';

const TYPES = Object.keys(ACTION_FIELDS) as Array<StepAction['type']>;

/** One field of an action. What it cannot take stays in it with the reason beneath. */
function Field({
  kit,
  field,
  value,
  label,
  onChange,
}: {
  kit: KitDocument;
  field: ActionField;
  value: unknown;
  /** What the action is called, for a field without a label of its own. */
  label: string;
  onChange: (value: unknown) => void;
}) {
  switch (field.kind) {
    case 'object': {
      const names = listNames(kit, field.list);
      return (
        <select
          aria-label={field.label === 'What' ? label : `${label}: ${field.label}`}
          className={`min-w-44 ${LOOK}`}
          value={(value as string | undefined) ?? ''}
          onChange={(event) => onChange(event.target.value || undefined)}
        >
          {(field.optional || value === undefined) && (
            <option value="">{field.optional ? say('none named') : say('choose which')}</option>
          )}
          {value !== undefined && !names.some(({ id }) => id === value) && (
            <option value={String(value)}>{tell('{value}, not there', { value: String(value) })}</option>
          )}
          {names.map((entry) => (
            <option key={entry.id} value={entry.id}>
              {entry.name}
            </option>
          ))}
        </select>
      );
    }
    case 'objects': {
      const chosen = (value as string[] | undefined) ?? [];
      return (
        <fieldset className="flex flex-wrap items-center gap-x-4">
          <legend className="text-sm text-ink-2">{field.label}</legend>
          {listNames(kit, field.list).map(({ id, name }) => (
            <label key={id} className="flex min-h-11 items-center gap-2 text-sm">
              <input
                type="checkbox"
                className="size-5"
                checked={chosen.includes(id)}
                // The last one stays: an action of nothing is none.
                disabled={chosen.length === 1 && chosen.includes(id)}
                onChange={(event) =>
                  onChange(event.target.checked ? [...chosen, id] : chosen.filter((other) => other !== id))
                }
              />
              {name}
            </label>
          ))}
        </fieldset>
      );
    }
    case 'choice':
      return (
        <label className="grid gap-1 text-sm text-ink-2">
          {field.label}
          <select
            className={LOOK}
            value={(value as string | undefined) ?? ''}
            onChange={(event) => onChange(event.target.value || undefined)}
          >
            {value === undefined && !field.options.some(([option]) => option === '') && (
              <option value="">{say('choose')}</option>
            )}
            {field.options.map(([option, text]) => (
              <option key={option} value={option}>
                {text}
              </option>
            ))}
          </select>
        </label>
      );
    case 'tick':
      return (
        <label className="flex min-h-11 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="size-5"
            checked={value === true}
            onChange={(event) => onChange(event.target.checked || undefined)}
          />
          {field.label}
        </label>
      );
    case 'number':
      return (
        <div className="w-28">
          <CommitField
            label={field.label}
            className="figures text-right"
            placeholder={field.optional ? (field.field === 'count' ? say('all') : '–') : undefined}
            value={value === undefined ? '' : String(value)}
            onCommit={(typed) => {
              if (typed.trim() === '' && field.optional) return void onChange(undefined);
              const figure = typedNumber(typed);
              if (field.whole && !(Number.isInteger(figure) && figure > 0 && figure <= field.most))
                return say('A whole number.');
              const low = field.least === undefined ? figure > 0 : figure >= field.least;
              return low && figure <= field.most
                ? void onChange(figure)
                : `${field.least === undefined ? say('Up to') : say('{least} to', { least: field.least })} ${field.most}.`;
            }}
          />
        </div>
      );
    case 'places':
      return (
        <div className="min-w-52 flex-1">
          <CommitField
            label={field.label}
            value={((value as string[] | undefined) ?? []).join(', ')}
            onCommit={(typed) => {
              const places = typed
                .split(',')
                .map((place) => place.trim())
                .filter(Boolean);
              return places.length > 0 ? void onChange(places) : say('Name at least one.');
            }}
          />
        </div>
      );
    case 'words':
      return (
        <div className={field.field === 'text' ? 'min-w-60 flex-1' : 'min-w-40'}>
          <CommitField
            label={field.label}
            value={(value as string | undefined) ?? ''}
            onCommit={(typed) => {
              const text = typed.trim().slice(0, 500);
              if (text === '' && !field.optional)
                return field.field === 'text' ? say('Say what is done.') : say('Say it.');
              if (field.field === 'kit' && !/^[A-Za-z0-9][A-Za-z0-9._-]*$/.test(text))
                return say('An id, as in the kit’s address.');
              return void onChange(text || undefined);
            }}
          />
        </div>
      );
  }
}

/** Ways of doing it, right and wrong: one a line, `+` before the right one, `-` before a wrong one, a colon before why. */
const methodsText = (methods: readonly Method[] = []): string =>
  methods.map(({ name, right, why }) => `${right ? '+' : '-'} ${name}: ${why}`).join('; ');

function methodsRead(typed: string): Method[] | undefined {
  const methods = typed
    .split(';')
    .map((line) => /^\s*([+-])\s*([^:]+):\s*(.+?)\s*$/.exec(line))
    .flatMap((match) =>
      match ? [{ name: (match[2] as string).trim(), right: match[1] === '+', why: match[3] as string }] : [],
    );
  return methods.length >= 2 && methods.length === typed.split(';').filter((line) => line.trim()).length
    ? methods
    : undefined;
}

/** What a step does, action by action. */
export function StepActions({
  kit,
  step,
  edit,
}: {
  kit: KitDocument;
  step: Step;
  edit: (recipe: (step: Step) => void) => void;
}) {
  return (
    <div>
      <h3 className="text-sm text-ink-2">{say('What it does')}</h3>
      <ul>
        {step.actions.map((action, at) => {
          const values = action as unknown as Record<string, unknown>;
          const set = (key: string, to: unknown) =>
            edit((s) => {
              const target = s.actions[at] as unknown as Record<string, unknown> | undefined;
              if (!target) return;
              if (to === undefined) delete target[key];
              else target[key] = to;
            });
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: an action is its place in the step
            <li key={at} className="flex flex-wrap items-end gap-2 border-b border-hair py-1">
              <b className="min-h-11 w-28 content-center">{ACTION_TEXT[action.type]}</b>
              {ACTION_FIELDS[action.type].map((field) => (
                <Field
                  key={field.field}
                  kit={kit}
                  field={field}
                  value={values[field.field]}
                  label={ACTION_TEXT[action.type]}
                  onChange={(to) => set(field.field, to)}
                />
              ))}
              <button
                type="button"
                aria-label={say('Take this action away')}
                className="size-11 text-xl text-ink-2"
                onClick={() => edit((s) => s.actions.splice(at, 1))}
              >
                ×
              </button>
              <FigureField
                kit={kit}
                what={actionText(kit, action)}
                figure={action.figure}
                onFigure={(id) => set('figure', id)}
              />
              <details className="w-full">
                <summary className="min-h-9 cursor-pointer text-sm text-ink-2">
                  {tell('Ways of doing it{which}', { which: action.methods ? ` (${action.methods.length})` : '' })}
                </summary>
                <CommitField
                  label={say('Right and wrong, with semicolons: + press: the boot stays whole; - fork: tears the boot')}
                  value={methodsText(action.methods)}
                  onCommit={(typed) => {
                    if (typed.trim() === '') return void set('methods', undefined);
                    const methods = methodsRead(typed);
                    return methods
                      ? void set('methods', methods)
                      : say('At least two, each with + or -, a name, a colon and why.');
                  }}
                />
              </details>
            </li>
          );
        })}
      </ul>
      <AddAction kit={kit} suggested={step.text} onAdd={(action) => edit((s) => s.actions.push(action))} />
      {step.actions.length > 0 && (
        <p className="mt-1 text-sm text-ink-2">{step.actions.map((action) => actionText(kit, action)).join('; ')}</p>
      )}
    </div>
  );
}

/** A further action: its kind first, then what it cannot do without, which nobody but the writer can say. */
function AddAction({
  kit,
  suggested,
  onAdd,
}: {
  kit: KitDocument;
  /** The step's own words: what an action in words says, where nothing else is typed. */
  suggested: string;
  onAdd: (action: StepAction) => void;
}) {
  const [type, setType] = useState<StepAction['type']>();
  const [values, setValues] = useState<Record<string, unknown>>({});
  const [tried, setTried] = useState(false);
  const leave = () => {
    setType(undefined);
    setValues({});
    setTried(false);
  };
  const add = (action: StepAction) => {
    onAdd(action);
    leave();
  };
  const begin = (chosen: StepAction['type'] | undefined) => {
    const given = chosen === 'do' ? { text: suggested.slice(0, 500) } : {};
    const whole = chosen && actionOf(chosen, given);
    if (whole) return add(whole);
    setType(chosen);
    setValues(given);
  };
  if (!type)
    return (
      <select
        aria-label={say('Add an action')}
        className={LOOK}
        value=""
        onChange={(event) => begin(TYPES.find((one) => one === event.target.value))}
      >
        <option value="">{say('Add an action')}</option>
        {TYPES.map((one) => (
          <option key={one} value={one} disabled={!canBeAdded(kit, one)}>
            {ACTION_TEXT[one]}
          </option>
        ))}
      </select>
    );
  const action = actionOf(type, values);
  return (
    <fieldset className="mt-2 flex flex-wrap items-end gap-2 border-2 border-ink p-3">
      <legend className="px-1 font-bold">{ACTION_TEXT[type]}</legend>
      {neededFields(type).map((field) => (
        <Field
          key={field.field}
          kit={kit}
          field={field}
          value={values[field.field]}
          label={ACTION_TEXT[type]}
          onChange={(to) => setValues((now) => ({ ...now, [field.field]: to }))}
        />
      ))}
      <Button onClick={leave}>{say('Leave it')}</Button>
      <Button tone="primary" onClick={() => (action ? add(action) : setTried(true))}>
        {say('Add it')}
      </Button>
      {tried && !action && (
        <p role="alert" className="w-full font-bold text-bad">
          {say('Nothing is filled in for you: choose or type each of these first.')}
        </p>
      )}
    </fieldset>
  );
}
