import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { lineState } from '#core/job/job-state.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { typedNumber } from '../../ui/CommitField.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** A second count of a line by somebody else, who does not see the first while counting. */
export function Recount({ item }: { item: PlanItem }) {
  const { state, give } = useOpenJob();
  const me = useSession((session) => session.session?.person.id);
  const [counting, setCounting] = useState(false);
  const [typed, setTyped] = useState('');
  const { count, recount } = lineState(state, item.id);
  if (!count) return null;
  const mine = count.by.id === me;
  const number = typedNumber(typed);
  const fault = typed !== '' && !(Number.isInteger(number) && number >= 0) ? say('A whole number from 0.') : undefined;
  return (
    <div className="mt-2">
      {recount && (
        <p className={recount.agrees ? '' : 'font-bold text-bad'}>
          {recount.agrees
            ? say('Counted twice: {name} and {name2} agree.', { name: count.by.name, name2: recount.by.name })
            : say('{name} counted {found}, {name2} {found2}. Count the line again.', {
                name: count.by.name,
                found: count.found,
                name2: recount.by.name,
                found2: recount.found,
              })}
        </p>
      )}
      {!recount && !mine && (
        <Button className="w-full" onClick={() => setCounting(true)}>
          {say('Count again, without looking')}
        </Button>
      )}
      {!recount && mine && (
        <p className="text-sm text-ink-2">{say('Counted by you: a second count is somebody else’s.')}</p>
      )}
      <Sheet
        open={counting}
        onClose={() => setCounting(false)}
        title={say('Second count: {line} {name}', { line: item.line, name: item.name })}
        description={say('The first count is not shown. Tip them out and count.')}
      >
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            if (typed === '' || fault) return;
            if (give({ type: 'recountLine', item: item.id, found: number, damaged: 0 })) {
              setCounting(false);
              setTyped('');
            }
          }}
        >
          <FormField id="second-count" label={say('Pieces')} fault={fault}>
            <input
              id="second-count"
              inputMode="numeric"
              // biome-ignore lint/a11y/noAutofocus: the sheet was opened to type this
              autoFocus
              className={`figures ${inputLook(fault ? { message: fault } : undefined)}`}
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
            />
          </FormField>
          <Button type="submit" tone="primary" disabled={typed === '' || fault !== undefined}>
            {say('That many')}
          </Button>
        </form>
      </Sheet>
    </div>
  );
}
