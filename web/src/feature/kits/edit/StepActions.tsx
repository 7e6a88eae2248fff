import { ACTION_FIELD, actionObjects } from '#contract/wording/action-text.ts';
import { ACTION_TEXT } from '#contract/wording/en/terms.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Step, StepAction } from '#core/kit/kit-step.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { LOOK } from './look.ts';

/** A new action of a kind, on the first thing there is for it. */
function plainAction(kit: KitDocument, type: StepAction['type'], text: string): StepAction | undefined {
  const field = ACTION_FIELD[type];
  if (field) {
    const [first] = actionObjects(kit, type) ?? [];
    return first && ({ type, [field]: first.id } as unknown as StepAction);
  }
  if (type === 'drill') return { type, diameterMm: 10 };
  if (type === 'wait') return { type, minutes: 30 };
  if (type === 'followKit') return { type, kit: 'another-kit' };
  if (type === 'do') return { type, text };
  return { type } as StepAction;
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
      <h3 className="text-sm text-ink-2">What it does</h3>
      <ul>
        {step.actions.map((action, at) => {
          const field = ACTION_FIELD[action.type];
          const value = field ? (action as unknown as Record<string, string>)[field] : undefined;
          const set = (key: string, to: unknown) => edit((s) => Object.assign(s.actions[at] as object, { [key]: to }));
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: an action is its place in the step
            <li key={at} className="flex flex-wrap items-end gap-2 py-1">
              <b className="min-h-11 w-28 content-center">{ACTION_TEXT[action.type]}</b>
              {field && (
                <select
                  aria-label={ACTION_TEXT[action.type]}
                  className={`min-w-52 ${LOOK}`}
                  value={value}
                  onChange={(event) => set(field, event.target.value)}
                >
                  {!actionObjects(kit, action.type)?.some((entry) => entry.id === value) && (
                    <option value={value}>{value}, not there</option>
                  )}
                  {actionObjects(kit, action.type)?.map((entry) => (
                    <option key={entry.id} value={entry.id}>
                      {entry.name}
                    </option>
                  ))}
                </select>
              )}
              {action.type === 'refit' && (
                <div className="w-24">
                  <CommitField
                    label="How many"
                    className="figures text-right"
                    placeholder="all"
                    value={action.count === undefined ? '' : String(action.count)}
                    onCommit={(typed) => {
                      const count = typed.trim() === '' ? undefined : typedNumber(typed);
                      if (count !== undefined && !(Number.isInteger(count) && count > 0)) return 'A whole number.';
                      return void edit((s) => {
                        const target = s.actions[at];
                        if (target?.type !== 'refit') return;
                        if (count === undefined) delete target.count;
                        else target.count = count;
                      });
                    }}
                  />
                </div>
              )}
              {action.type === 'drill' && (
                <div className="w-24">
                  <CommitField
                    label="mm"
                    className="figures text-right"
                    value={String(action.diameterMm)}
                    onCommit={(typed) =>
                      typedNumber(typed) > 0 && typedNumber(typed) <= 200
                        ? void set('diameterMm', typedNumber(typed))
                        : 'Up to 200 mm.'
                    }
                  />
                </div>
              )}
              {action.type === 'wait' && (
                <div className="w-24">
                  <CommitField
                    label="Minutes"
                    className="figures text-right"
                    value={String(action.minutes)}
                    onCommit={(typed) =>
                      typedNumber(typed) > 0 && typedNumber(typed) <= 20_160
                        ? void set('minutes', typedNumber(typed))
                        : 'Up to two weeks.'
                    }
                  />
                </div>
              )}
              {action.type === 'followKit' && (
                <CommitField
                  label="Kit’s id"
                  value={action.kit}
                  onCommit={(typed) =>
                    /^[A-Za-z0-9][A-Za-z0-9._-]*$/.test(typed.trim())
                      ? void set('kit', typed.trim())
                      : 'An id, as in the kit’s address.'
                  }
                />
              )}
              {action.type === 'do' && (
                <div className="min-w-60 flex-1">
                  <CommitField
                    label="In words"
                    value={action.text}
                    onCommit={(typed) =>
                      typed.trim() ? void set('text', typed.trim().slice(0, 500)) : 'Say what is done.'
                    }
                  />
                </div>
              )}
              <button
                type="button"
                aria-label="Take this action away"
                className="size-11 text-xl text-ink-2"
                onClick={() => edit((s) => s.actions.splice(at, 1))}
              >
                ×
              </button>
            </li>
          );
        })}
      </ul>
      <select
        aria-label="Add an action"
        className={LOOK}
        value=""
        onChange={(event) => {
          const action = plainAction(kit, event.target.value as StepAction['type'], step.text.slice(0, 500));
          if (action) edit((s) => s.actions.push(action));
        }}
      >
        <option value="">Add an action</option>
        {Object.entries(ACTION_TEXT).map(([type, text]) => (
          <option key={type} value={type} disabled={plainAction(kit, type as StepAction['type'], 'x') === undefined}>
            {text}
          </option>
        ))}
      </select>
    </div>
  );
}
