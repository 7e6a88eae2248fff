import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';

/** Choices that belong to a person, each option with what it brings, kept with the name of who chose. */
export function Choices() {
  const { document, plan, state, give } = useOpenJob();
  const me = useSession((session) => session.session?.person.name ?? '');
  const [names, setNames] = useState<Record<string, string>>({});
  if (plan.choices.length === 0) return null;
  return (
    <section className="mt-5">
      <h2 className="plate text-3xl">{say('Choices')}</h2>
      {plan.choices.map((choice) => {
        const made = state.visit.choices[choice.id];
        const name = names[choice.id] ?? made?.chosenBy ?? (choice.by === 'owner' ? document.vehicle.owner : me);
        return (
          <fieldset key={choice.id} className="mt-2 border-t border-rule pt-2">
            <legend className="float-left w-full font-bold">
              {choice.text}{' '}
              <span className="font-normal text-ink-2">{tell('The {by} chooses.', { by: choice.by })}</span>
            </legend>
            <div className="clear-left grid gap-2 sm:grid-cols-2">
              {choice.options.map((option) => (
                <Button
                  key={option.value}
                  tone={made?.option === option.value ? 'dark' : 'plain'}
                  aria-pressed={made?.option === option.value}
                  disabled={state.closed !== undefined}
                  className="flex-col items-start !gap-0 py-2 text-left"
                  onClick={() =>
                    give({ type: 'makeChoice', choice: choice.id, option: option.value, chosenBy: name.trim() })
                  }
                >
                  <span>{option.label}</span>
                  <span className="text-sm font-normal">{option.consequence}</span>
                </Button>
              ))}
            </div>
            <label className="mt-2 flex items-center gap-3 text-sm text-ink-2">
              {say('Chosen by')}
              <input
                className="min-h-11 flex-1 border-2 border-ink bg-sheet px-3 text-ink"
                value={name}
                onChange={(event) => setNames({ ...names, [choice.id]: event.target.value })}
              />
            </label>
          </fieldset>
        );
      })}
    </section>
  );
}
