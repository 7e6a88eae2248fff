import { type ReactNode, useState } from 'react';
import { actionText } from '#contract/wording/action-text.ts';
import { NEED_TEXT, PHASE_TEXT } from '#contract/wording/en/terms.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Step, StepNeed } from '#core/kit/kit-step.ts';
import { NOT_NAMED } from '#core/kit/not-named.ts';
import type { Phase } from '#core/kit/phase.ts';
import { Button } from '../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { tell } from '../../../ui/tell.ts';
import { ConditionButton } from './ConditionEditor.tsx';
import { freshId, put, useEditor, useKit } from './editor-store.ts';
import { entryMark, useAskedEntry, useShowAsked } from './finding-place.ts';
import { LOOK } from './look.ts';
import { SortableList } from './SortableList.tsx';
import { StepActions } from './StepActions.tsx';
import { StepLists } from './StepLists.tsx';

/** The steps in their order, each with what it does; and the lists the actions speak of. */
export function StepEditor() {
  const kit = useKit();
  const change = useEditor((state) => state.change);
  const asked = useAskedEntry();
  const [open, setOpen] = useState(() => (asked?.list === 'steps' ? kit.steps[asked.index]?.id : undefined));
  useShowAsked();
  const add = () =>
    change((draft) => {
      const id = freshId(draft.steps, `step-${draft.steps.length + 1}`);
      draft.steps.push({
        id,
        number: String(draft.steps.length + 1),
        text: NOT_NAMED.steps,
        phase: draft.steps.at(-1)?.phase ?? 'prepare',
        actions: [],
      });
      setOpen(id);
    });
  return (
    <div className="grid flex-1 lg:min-h-0 lg:grid-cols-[1fr_24rem]">
      <div className="p-4 lg:min-h-0 lg:overflow-y-auto">
        <div className="mb-3 flex flex-wrap items-center gap-3">
          <Button onClick={add}>{say('Add a step')}</Button>
          <p className="text-sm text-ink-2">
            {tell('{numberOf}, {reduce} minutes given{which}.', {
              numberOf: numberOf(kit.steps.length, 'step'),
              reduce: kit.steps.reduce((sum, step) => sum + (step.minutes ?? 0), 0),
              which: kit.statedMinutes ? say(', {statedMinutes} stated', { statedMinutes: kit.statedMinutes }) : '',
            })}
          </p>
        </div>
        <SortableList
          label={say('Step')}
          ids={kit.steps.map((step) => step.id)}
          onOrder={(ids) =>
            change((draft) => {
              draft.steps = ids.flatMap((id) => draft.steps.find((step) => step.id === id) ?? []);
            })
          }
          render={(id, index, handle) => {
            const step = kit.steps[index];
            return (
              step && (
                <StepRow
                  key={id}
                  kit={kit}
                  step={step}
                  index={index}
                  handle={handle}
                  open={open === id}
                  onOpen={() => setOpen(open === id ? undefined : id)}
                />
              )
            );
          }}
        />
        {kit.steps.length === 0 && (
          <p className="text-ink-2">
            {say('No step yet. The groups alone can be worked from; steps add what comes before, between and after.')}
          </p>
        )}
      </div>
      <aside className="grid content-start gap-5 border-l border-rule p-4 lg:min-h-0 lg:overflow-y-auto">
        <StepLists />
      </aside>
    </div>
  );
}

function StepRow({
  kit,
  step,
  index,
  handle,
  open,
  onOpen,
}: {
  kit: KitDocument;
  step: Step;
  index: number;
  handle: ReactNode;
  open: boolean;
  onOpen: () => void;
}) {
  const change = useEditor((state) => state.change);
  const edit = (recipe: (step: Step) => void) =>
    change((draft) => {
      const target = draft.steps.find((entry) => entry.id === step.id);
      if (target) recipe(target);
    });
  return (
    <div className={`border-b border-rule ${open ? 'bg-sheet' : ''}`} {...entryMark('steps', index)}>
      <div className="flex items-start gap-2 py-1">
        {handle}
        <button
          type="button"
          aria-expanded={open}
          className="flex min-h-11 min-w-0 flex-1 items-baseline gap-3 text-left"
          onClick={onOpen}
        >
          <span className="figures w-8 shrink-0">{step.number ?? index + 1}</span>
          <span className="min-w-0 flex-1">
            <span className={open ? 'font-bold' : 'line-clamp-2'}>{step.text}</span>
            <span className="block text-sm text-ink-2">
              {[
                PHASE_TEXT[step.phase],
                ...step.actions.map((action) => actionText(kit, action)),
                step.minutes ? `${step.minutes} min` : '',
                ...(step.needs ?? []).map((need) => NEED_TEXT[need]),
              ]
                .filter((text) => text && text !== step.text)
                .join(' · ')}
            </span>
          </span>
        </button>
        <button
          type="button"
          aria-label={say('Take step {number} away', { number: step.number ?? index + 1 })}
          className="size-11 text-xl text-ink-2"
          onClick={() =>
            change((draft) => {
              draft.steps = draft.steps.filter((entry) => entry.id !== step.id);
              for (const other of draft.steps) {
                const after = other.after?.filter((id) => id !== step.id);
                if (after && after.length > 0) other.after = after;
                else delete other.after;
              }
            })
          }
        >
          ×
        </button>
      </div>
      {open && (
        <div className="grid gap-3 pr-2 pb-4 pl-14">
          <CommitField
            label={say('What the sheet says')}
            multiline
            value={step.text}
            onCommit={(typed) =>
              typed.trim() ? void edit((s) => put(s, 'text', typed.trim())) : say('Say what is done.')
            }
          />
          <div className="flex flex-wrap gap-2">
            <div className="w-20">
              <CommitField
                label={say('Number')}
                value={step.number ?? ''}
                onCommit={(typed) =>
                  void edit((s) => (typed.trim() ? put(s, 'number', typed.trim().slice(0, 12)) : delete s.number))
                }
              />
            </div>
            <label className="text-sm text-ink-2">
              {say('Phase')}
              <select
                className={`block ${LOOK}`}
                value={step.phase}
                onChange={(event) => edit((s) => put(s, 'phase', event.target.value as Phase))}
              >
                {Object.entries(PHASE_TEXT).map(([phase, text]) => (
                  <option key={phase} value={phase}>
                    {text}
                  </option>
                ))}
              </select>
            </label>
            {(
              [
                ['minutes', say('Minutes'), 10_000],
                ['people', say('People'), 20],
              ] as const
            ).map(([field, text, most]) => (
              <div key={field} className="w-20">
                <CommitField
                  label={text}
                  className="figures text-right"
                  value={step[field] === undefined ? '' : String(step[field])}
                  onCommit={(typed) => {
                    if (typed.trim() === '') return void edit((s) => delete s[field]);
                    const value = typedNumber(typed);
                    if (!(value > 0 && value <= most) || (field === 'people' && !Number.isInteger(value)))
                      return say('Up to {most}.', { most });
                    return void edit((s) => put(s, field, value));
                  }}
                />
              </div>
            ))}
            <div className="self-end">
              <ConditionButton
                when={step.when}
                of={`Step ${step.number ?? index + 1}`}
                onChange={(when) => edit((s) => (when ? put(s, 'when', when) : delete s.when))}
              />
            </div>
          </div>
          <div className="flex flex-wrap gap-x-4">
            {Object.entries(NEED_TEXT).map(([need, text]) => (
              <label key={need} className="flex min-h-11 items-center gap-2 text-sm">
                <input
                  type="checkbox"
                  className="size-5 accent-(--ink)"
                  checked={step.needs?.includes(need as StepNeed) ?? false}
                  onChange={(event) =>
                    edit((s) => {
                      const rest = (s.needs ?? []).filter((entry) => entry !== need);
                      const needs = event.target.checked ? [...rest, need as StepNeed] : rest;
                      if (needs.length > 0) s.needs = needs;
                      else delete s.needs;
                    })
                  }
                />
                {text}
              </label>
            ))}
          </div>
          <StepActions kit={kit} step={step} edit={edit} />
          {kit.steps.length > 1 && (
            <label className="text-sm text-ink-2">
              {say('Only after another step than the one before')}
              <select
                className={`block w-full max-w-xl ${LOOK}`}
                value=""
                onChange={(event) =>
                  event.target.value &&
                  edit((s) => put(s, 'after', [...new Set([...(s.after ?? []), event.target.value])]))
                }
              >
                <option value="">{step.after ? say('Add one more') : say('the step before it')}</option>
                {kit.steps
                  .filter((other) => other.id !== step.id)
                  .map((other) => (
                    <option key={other.id} value={other.id}>
                      {other.number ?? ''} {other.text.slice(0, 70)}
                    </option>
                  ))}
              </select>
              {step.after?.map((id) => (
                <span key={id} className="mt-1 mr-2 inline-flex items-center gap-1 border border-rule px-2">
                  {tell('after {number}', { number: kit.steps.find((other) => other.id === id)?.number ?? id })}
                  <button
                    type="button"
                    aria-label={say('Not after it')}
                    className="size-9"
                    onClick={() =>
                      edit((s) => {
                        const after = (s.after ?? []).filter((other) => other !== id);
                        if (after.length > 0) s.after = after;
                        else delete s.after;
                      })
                    }
                  >
                    ×
                  </button>
                </span>
              ))}
            </label>
          )}
        </div>
      )}
    </div>
  );
}
