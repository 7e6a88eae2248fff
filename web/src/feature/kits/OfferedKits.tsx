import { useState } from 'react';
import type { OfferedKit } from '#contract/other-shops.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../shop/api.ts';
import { useChange, useOfferedKits } from '../../shop/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';

/** Kits of the owner's other shops that may be taken over; nothing where there are none. */
export function OfferedKits({
  lead,
  matches,
}: {
  lead: boolean;
  /** Whether a kit is among those looked for. */
  matches: (kit: OfferedKit) => boolean;
}) {
  const { data = [] } = useOfferedKits();
  const offered = data.filter(matches);
  const [taking, setTaking] = useState<OfferedKit>();
  if (offered.length === 0) return null;
  return (
    <section className="mt-6" aria-label={say('Kits of our other shops')}>
      <h2 className="plate text-2xl">{say('Of our other shops')}</h2>
      <ul className="border-t-2 border-ink">
        {offered.map((kit) => (
          <li
            key={`${kit.shop.id} ${kit.id}`}
            className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-rule px-2 py-3"
          >
            <span className="min-w-60 flex-1">
              <b className="block text-lg break-words">{kit.title}</b>
              <span className="text-sm text-ink-2">
                {kit.maker} · {kit.shop.name}
              </span>
            </span>
            <span className="figures text-sm">{tell('revision {revision}', { revision: kit.revision })}</span>
            {kit.here !== undefined && kit.here >= kit.revision ? (
              <span className="text-sm text-ink-2">
                {kit.here === kit.revision ? say('here already') : say('here: revision {here}', { here: kit.here })}
              </span>
            ) : (
              <Button
                aria-label={say('Take {title} of {name}', { title: kit.title, name: kit.shop.name })}
                onClick={() => setTaking(kit)}
              >
                {say('Take it over')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {taking && <Take kit={taking} lead={lead} onClose={() => setTaking(undefined)} />}
    </section>
  );
}

function Take({ kit, lead, onClose }: { kit: OfferedKit; lead: boolean; onClose: () => void }) {
  const { act, busy, failure, clearFailure } = useChange('library', 'kits', 'offered');
  const [because, setBecause] = useState('');
  const close = () => {
    clearFailure();
    onClose();
  };
  return (
    <Sheet
      open
      onClose={close}
      title={say('Take {title} over', { title: kit.title })}
      description={say(
        'Revision {revision} of {name}, as it is there, with the pages and figures of its sheet. It is looked through as any kit file; what is changed here later changes nothing there.',
        { revision: kit.revision, name: kit.shop.name },
      )}
    >
      <form
        className="grid gap-4"
        onSubmit={async (event) => {
          event.preventDefault();
          const reason = because.trim();
          const json = { shop: kit.shop.id, kit: kit.id, ...(reason ? { because: reason } : {}) };
          if (await act(() => call(api['other-shops'].kits.$post({ json })))) close();
        }}
      >
        {lead && (
          <FormField id="because" label={say('Where it has warnings: why they may stand')} fault={undefined}>
            <input
              id="because"
              maxLength={500}
              className={inputLook(undefined)}
              value={because}
              onChange={(event) => setBecause(event.target.value)}
            />
          </FormField>
        )}
        {failure && (
          <p role="alert" className="max-h-48 overflow-y-auto font-bold break-words text-bad">
            {failure}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={close}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={busy}>
            {busy ? say('Taking it over') : say('Take it over')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
