import { say } from '#contract/wording/say.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { tell } from '../../../ui/tell.ts';
import { ConditionButton } from './ConditionEditor.tsx';
import { freshId, put, useEditor } from './editor-store.ts';
import { LOOK } from './look.ts';

/** Compounds of the kit, with the times of their own sheets. */
export function Compounds({ kit }: { kit: KitDocument }) {
  const change = useEditor((state) => state.change);
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 text-sm underline">
        {tell('Compounds of this kit ({count})', { count: kit.compounds.length })}
      </summary>
      <ul>
        {kit.compounds.map((compound, index) => (
          <li key={compound.id} className="grid gap-2 border-b border-hair py-2">
            <CommitField
              label={say('Name')}
              value={compound.name}
              onCommit={(typed) =>
                typed.trim()
                  ? void change((draft) => put(draft.compounds[index] as { name: string }, 'name', typed.trim()))
                  : say('Give it a name.')
              }
            />
            <div className="grid grid-cols-3 gap-2">
              {(
                [
                  ['workingWindowMin', say('Works for, min'), 600],
                  ['fixtureMin', say('Fixture, min'), 2880],
                  ['fullCureH', say('Full cure, h'), 336],
                ] as const
              ).map(([field, text, most]) => (
                <CommitField
                  key={field}
                  label={text}
                  className="figures text-right"
                  value={compound[field] === undefined ? '' : String(compound[field])}
                  onCommit={(typed) => {
                    const figure = typed.trim() === '' ? undefined : typedNumber(typed);
                    if (figure !== undefined && !(figure > 0 && figure <= most)) return say('Up to {most}.', { most });
                    return void change((draft) => {
                      const target = draft.compounds[index];
                      if (target && figure === undefined) delete target[field];
                      else if (target) target[field] = figure;
                    });
                  }}
                />
              ))}
            </div>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={compound.oilTolerant ?? false}
                onChange={(event) =>
                  change((draft) => {
                    const target = draft.compounds[index];
                    if (!target) return;
                    if (event.target.checked) target.oilTolerant = true;
                    else delete target.oilTolerant;
                  })
                }
              />
              {say('Its own sheet says it stands a trace of oil')}
            </label>
            {compound.kind === 'threadlockerMedium' && (
              <label className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={compound.gradeUnknown ?? false}
                  onChange={(event) =>
                    change((draft) => {
                      const target = draft.compounds[index];
                      if (!target) return;
                      if (event.target.checked) target.gradeUnknown = true;
                      else delete target.gradeUnknown;
                    })
                  }
                />
                {say('The sheet does not say how strong: a lead names the product on the floor')}
              </label>
            )}
            <ConditionButton
              when={compound.when}
              of={compound.name}
              onChange={(when) =>
                change((draft) => {
                  const target = draft.compounds[index];
                  if (target && when) target.when = when;
                  else if (target) delete target.when;
                })
              }
            />
          </li>
        ))}
      </ul>
      <select
        aria-label={say('Add a compound')}
        className={`mt-2 ${LOOK}`}
        value=""
        onChange={(event) => {
          const [kind, name] = event.target.value.split('|') as [KitDocument['compounds'][number]['kind'], string];
          if (name)
            change((draft) => {
              draft.compounds.push({ id: freshId(draft.compounds, kind), name, kind });
            });
        }}
      >
        <option value="">{say('Add a compound')}</option>
        <option value="threadlockerLow|Threadlocker, low strength">{say('Threadlocker, low strength')}</option>
        <option value="threadlockerMedium|Threadlocker, medium strength">{say('Threadlocker, medium')}</option>
        <option value="threadlockerHigh|Threadlocker, high strength">{say('Threadlocker, high strength')}</option>
        <option value="antiSeize|Anti-seize">{say('Anti-seize')}</option>
        <option value="grease|Grease">{say('Grease')}</option>
        <option value="sealant|Sealant">{say('Sealant')}</option>
        <option value="retaining|Retaining compound">{say('Retaining compound')}</option>
      </select>
    </details>
  );
}
