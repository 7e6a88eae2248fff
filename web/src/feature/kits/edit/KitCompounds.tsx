import type { KitDocument } from '#core/kit/kit-document.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { ConditionButton } from './ConditionEditor.tsx';
import { freshId, put, useEditor } from './editor-store.ts';
import { LOOK } from './look.ts';

/** Compounds of the kit, with the times of their own sheets. */
export function Compounds({ kit }: { kit: KitDocument }) {
  const change = useEditor((state) => state.change);
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 text-sm underline">
        Compounds of this kit ({kit.compounds.length})
      </summary>
      <ul>
        {kit.compounds.map((compound, index) => (
          <li key={compound.id} className="grid gap-2 border-b border-hair py-2">
            <CommitField
              label="Name"
              value={compound.name}
              onCommit={(typed) =>
                typed.trim()
                  ? void change((draft) => put(draft.compounds[index] as { name: string }, 'name', typed.trim()))
                  : 'Give it a name.'
              }
            />
            <div className="grid grid-cols-3 gap-2">
              {(
                [
                  ['workingWindowMin', 'Works for, min', 600],
                  ['fixtureMin', 'Fixture, min', 2880],
                  ['fullCureH', 'Full cure, h', 336],
                ] as const
              ).map(([field, text, most]) => (
                <CommitField
                  key={field}
                  label={text}
                  className="figures text-right"
                  value={compound[field] === undefined ? '' : String(compound[field])}
                  onCommit={(typed) => {
                    const figure = typed.trim() === '' ? undefined : typedNumber(typed);
                    if (figure !== undefined && !(figure > 0 && figure <= most)) return `Up to ${most}.`;
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
              Its own sheet says it stands a trace of oil
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
                The sheet does not say how strong: a lead names the product on the floor
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
        aria-label="Add a compound"
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
        <option value="">Add a compound</option>
        <option value="threadlockerMedium|Threadlocker, medium strength">Threadlocker, medium</option>
        <option value="threadlockerHigh|Threadlocker, high strength">Threadlocker, high strength</option>
        <option value="antiSeize|Anti-seize">Anti-seize</option>
        <option value="grease|Grease">Grease</option>
        <option value="sealant|Sealant">Sealant</option>
        <option value="retaining|Retaining compound">Retaining compound</option>
      </select>
    </details>
  );
}
