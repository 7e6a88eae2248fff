import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../../shop/api.ts';
import { useChange } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { SecretField } from '../ProveSheet.tsx';

/** The whole shop in one open file, for a lead who gives their PIN. */
export function MovingOut() {
  const [secret, setSecret] = useState('');
  const [begun, setBegun] = useState(false);
  const { act, busy, failure } = useChange();
  const take = async () => {
    let ticket = '';
    const ok = await act(async () => {
      ({ ticket } = await call(api.archive.$post({ json: { secret } })));
    });
    if (!ok) return;
    setSecret('');
    setBegun(true);
    // The browser's own download: it streams to the disk, however large it grows.
    const link = document.createElement('a');
    link.href = `/api/archive/${ticket}`;
    link.download = '';
    link.click();
  };
  return (
    <section aria-label={say('Moving out')}>
      <h2 className="plate mb-1 text-3xl">{say('Moving out')}</h2>
      <p className="mb-3 max-w-prose text-ink-2">
        {say(
          'Everything of the shop in one ZIP of open files: tables for any program, every kit, every record with what proves it, every photo. No PIN and no key is in it, but all that is personal is: keep it as you keep the books. An empty installation reads it back.',
        )}
      </p>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void take();
        }}
      >
        <span className="min-w-48 flex-1">
          <SecretField
            id="archive-secret"
            secret={secret}
            fault={failure}
            onSecret={(typed) => {
              setSecret(typed);
              setBegun(false);
            }}
          />
        </span>
        <Button type="submit" disabled={secret.length < 4 || busy}>
          {say('Save the whole shop')}
        </Button>
      </form>
      {begun && (
        <p role="status" className="mt-2">
          {say('Your browser is saving it.')}
        </p>
      )}
    </section>
  );
}
