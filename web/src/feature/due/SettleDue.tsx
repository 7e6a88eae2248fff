import { type FormEvent, useState } from 'react';
import type { DueItem, SettledHow } from '#contract/due.ts';
import { SETTLED_TEXT } from '#contract/wording/due-text.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../shop/api.ts';
import { useChange } from '../../shop/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { OdometerField, useOdometer } from './OdometerField.tsx';

/** What became of something due: done here or elsewhere, with the odometer then, or not wanted. */
export function SettleDue({ item, onClose, onSettled }: { item: DueItem; onClose: () => void; onSettled: () => void }) {
  const change = useChange('due');
  const [how, setHow] = useState<SettledHow>(item.settled ? 'open' : 'here');
  const reading = useOdometer(item.vehicle.odometerUnit);
  const [note, setNote] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (reading.fault) return;
    const json = {
      job: item.job,
      care: item.care,
      how,
      ...(note.trim() ? { note: note.trim() } : {}),
      ...(reading.km === undefined ? {} : { odometerKm: reading.km }),
    };
    if (await change.act(() => call(api.due.settled.$post({ json })))) onSettled();
  };
  const choices: SettledHow[] = item.settled
    ? ['open', 'here', 'elsewhere', 'notWanted']
    : ['here', 'elsewhere', 'notWanted'];
  return (
    <Sheet open onClose={onClose} title={say('What became of it')} description={`${item.vehicle.plate}: ${item.text}`}>
      <form onSubmit={submit} className="grid gap-4">
        <fieldset className="grid gap-2 sm:grid-cols-3">
          <legend className="sr-only">{say('What became of it')}</legend>
          {choices.map((one) => (
            <Button
              key={one}
              tone={one === how ? 'dark' : 'plain'}
              aria-pressed={one === how}
              onClick={() => setHow(one)}
            >
              {SETTLED_TEXT[one]}
            </Button>
          ))}
        </fieldset>
        {(how === 'here' || how === 'elsewhere') && (
          <OdometerField
            id="due-odometer"
            when="then"
            reading={reading}
            hint={
              item.repeats
                ? say('It is due again from there; without it, from what the vehicle is likely to have gone.')
                : say('Tells how far the vehicle goes in a day.')
            }
          />
        )}
        <FormField id="due-note" label={say('Note')}>
          <input
            id="due-note"
            maxLength={300}
            className={inputLook(undefined)}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </FormField>
        {change.failure && (
          <p role="alert" className="font-bold text-bad">
            {change.failure}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={change.busy || reading.fault !== undefined}>
            {say('Keep it')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
