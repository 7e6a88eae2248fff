import { useState } from 'react';
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
  const fault = typed !== '' && !(Number.isInteger(number) && number >= 0) ? 'A whole number from 0.' : undefined;
  return (
    <div className="mt-2">
      {recount && (
        <p className={recount.agrees ? '' : 'font-bold text-bad'}>
          {recount.agrees
            ? `Counted twice: ${count.by.name} and ${recount.by.name} agree.`
            : `${count.by.name} counted ${count.found}, ${recount.by.name} ${recount.found}. Count the line again.`}
        </p>
      )}
      {!recount && !mine && (
        <Button className="w-full" onClick={() => setCounting(true)}>
          Count again, without looking
        </Button>
      )}
      {!recount && mine && <p className="text-sm text-ink-2">Counted by you: a second count is somebody else’s.</p>}
      <Sheet
        open={counting}
        onClose={() => setCounting(false)}
        title={`Second count: ${item.line} ${item.name}`}
        description="The first count is not shown. Tip them out and count."
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
          <FormField id="second-count" label="Pieces" fault={fault}>
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
            That many
          </Button>
        </form>
      </Sheet>
    </div>
  );
}
