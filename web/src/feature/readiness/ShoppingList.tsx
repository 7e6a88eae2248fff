import { type FormEvent, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { ToBuy } from '#core/job/shopping-list.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';

const WHY: Record<ToBuy['what'], string> = {
  newBolt: say('used once: a new one goes in'),
  shopPiece: say('the kit leaves it to the shop'),
  fluid: say('filled in'),
};

const amountText = ({ quantity, unit }: Pick<ToBuy, 'quantity' | 'unit'>): string =>
  quantity > 0 ? `${quantity}${unit ? ` ${unit}` : ''}` : say('as needed');

/** What the plan takes and no box brings: known from the answers on, and ticked off as it is got. */
export function ShoppingList({ list }: { list: readonly ToBuy[] }) {
  const { state, give } = useOpenJob();
  const [getting, setGetting] = useState<ToBuy>();
  return (
    <section className="border-2 border-ink bg-sheet p-4">
      <h2 className="plate mb-1 text-2xl">{say('To be bought')}</h2>
      {list.length === 0 && <p className="text-ink-2">{say('The boxes bring all that is needed.')}</p>}
      <ul>
        {list.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center justify-between gap-3 border-t border-hair py-1.5">
            <span className="min-w-0 flex-1">
              <b>
                <span className="figures">{amountText(one)}</span> {one.name}
              </b>
              <span className="block text-sm text-ink-2">
                {[one.detail, WHY[one.what]].filter(Boolean).join(' · ')}
              </span>
              {one.expiresOn && (
                <span className={`block text-sm ${one.there ? 'text-ink-2' : 'font-bold text-bad'}`}>
                  {tell('good until {expiresOn}', { expiresOn: one.expiresOn })}
                </span>
              )}
            </span>
            <span className={`text-sm ${one.there ? '' : 'font-bold text-bad'}`}>
              {one.there ? say('there') : one.got > 0 ? say('{got} there', { got: one.got }) : say('not there')}
            </span>
            {!state.closed && (
              <Button className="min-h-11!" onClick={() => setGetting(one)}>
                {one.there ? say('Change') : say('It is there')}
                <span className="sr-only">: {one.name}</span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Sheet open={getting !== undefined} onClose={() => setGetting(undefined)} title={getting?.name ?? ''}>
        {getting && (
          <Got
            key={getting.id}
            one={getting}
            onGot={(quantity, expiresOn) => {
              give({ type: 'noteBought', wanted: getting.id, quantity, ...(expiresOn ? { expiresOn } : {}) });
              setGetting(undefined);
            }}
          />
        )}
      </Sheet>
    </section>
  );
}

function Got({ one, onGot }: { one: ToBuy; onGot: (quantity: number, expiresOn: string) => void }) {
  const [quantity, setQuantity] = useState(String(one.quantity || 1));
  const [expiresOn, setExpiresOn] = useState(one.expiresOn ?? '');
  const value = Number(quantity.replace(',', '.'));
  const good = quantity.trim() !== '' && Number.isFinite(value) && value >= 0;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (good) onGot(value, expiresOn);
  };
  const look = 'figures min-h-12 border-2 border-ink bg-sheet px-3';
  return (
    <form onSubmit={submit} className="grid gap-3">
      <label className="grid gap-1">
        <span className="font-bold">
          {tell('How much is there{which}', { which: one.unit ? `, ${one.unit}` : '' })}
        </span>
        <input
          className={look}
          inputMode="decimal"
          value={quantity}
          onChange={(event) => setQuantity(event.target.value)}
        />
        {!good && <span className="text-bad">{say('A number, nought or more.')}</span>}
      </label>
      {one.what === 'fluid' && (
        <label className="grid gap-1">
          <span className="font-bold">{say('Good until, where it spoils')}</span>
          <input
            type="date"
            className={look}
            value={expiresOn}
            onChange={(event) => setExpiresOn(event.target.value)}
          />
        </label>
      )}
      <Button type="submit" tone="primary" disabled={!good}>
        {say('Keep it')}
      </Button>
    </form>
  );
}
