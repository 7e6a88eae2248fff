import { useState } from 'react';
import { COMPOUND_TEXT } from '#contract/wording/en/terms.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { type Compound, LOCKERS, type Locker } from '#core/compound/compound.ts';
import type { BottleFault } from '#core/compound/shelf-bottle.ts';
import { api, call } from '../../../shop/api.ts';
import { serverNowMs } from '../../../shop/clock.ts';
import { useSession } from '../../../shop/session.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { useBottles } from './use-bead.ts';
import type { TorqueStep } from './use-torque-step.ts';

const FAULT_TEXT: Record<BottleFault, string> = {
  printed: say('past its date'),
  opened: say('open too long'),
  tooWarm: say('stood too warm'),
  gelled: say('gelled'),
  empty: say('empty by count'),
};

/** From which bottle the bead comes: scanned or picked once, its lot goes on the record. */
export function BottlePick({ torque, compound }: { torque: TorqueStep; compound: Compound | undefined }) {
  const { document, bead } = torque;
  const take = useBottles((state) => state.take);
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string>();
  const [gelled, setGelled] = useState<readonly string[]>([]);
  if (!compound) return null;
  if (compound.gradeUnknown) return <NameGrade torque={torque} compound={compound} />;
  const shelf = (document.bottles ?? []).filter(({ kind, id }) => kind === compound.kind && !gelled.includes(id));
  const good = shelf.filter(({ fault }) => !fault);
  if (bead.bottle)
    return (
      <p className="mt-2 flex flex-wrap items-center justify-between gap-2 border-2 border-rule px-3 py-1 text-base">
        <span>
          {tell('From {name}, lot {lot}, good to {lastDay}', {
            name: <b>{bead.bottle.name}</b>,
            lot: <b className="figures">{bead.bottle.lot}</b>,
            lastDay: <span className="figures">{bead.bottle.lastDay}</span>,
          })}
        </span>
        <button type="button" className="min-h-11 px-2 underline" onClick={() => take(compound.kind, undefined)}>
          {say('Another bottle')}
        </button>
      </p>
    );
  if (good.length === 0)
    return (
      <p className="mt-2 text-base text-bad">
        {tell('No good bottle of {compoundText} is on the shelf{which}. Its lot will not be on the record.', {
          compoundText: midSentence(COMPOUND_TEXT[compound.kind]),
          which:
            shelf.length > 0
              ? `: ${shelf.map(({ lot, fault }) => say('lot {lot} {which}', { lot, which: fault ? FAULT_TEXT[fault] : '' })).join(', ')}`
              : '',
        })}
      </p>
    );
  const scan = (text: string) => {
    const wanted = text.trim().toLowerCase();
    const bottle = (document.bottles ?? []).find(({ id, lot }) => id === wanted || lot.toLowerCase() === wanted);
    if (!bottle) return setWrong(say('No bottle of this shop has the lot {text}.', { text: text.trim() }));
    if (bottle.kind !== compound.kind)
      return setWrong(
        say('{name} is {compoundText}: put it back.', {
          name: bottle.name,
          compoundText: midSentence(COMPOUND_TEXT[bottle.kind]),
        }),
      );
    if (bottle.fault)
      return setWrong(
        say('{name}, lot {lot}: {faultText}. Take another.', {
          name: bottle.name,
          lot: bottle.lot,
          faultText: FAULT_TEXT[bottle.fault],
        }),
      );
    setWrong(undefined);
    setTyped('');
    return take(compound.kind, bottle.id);
  };
  const putAway = async (id: string) => {
    const on = new Date(serverNowMs()).toISOString().slice(0, 10);
    try {
      await call(api.crib.bottles[':id'].changes.$post({ param: { id }, json: { type: 'gelled', on } }));
      setGelled([...gelled, id]);
    } catch (error) {
      setWrong(
        say('It stays in the books: {which}. Do not use it.', {
          which: error instanceof Error ? error.message : say('the server is not reached'),
        }),
      );
    }
  };
  return (
    <div className="mt-2 border-2 border-ink p-3 text-base">
      <p className="font-bold">{say('From which bottle? Look that it flows: what has gelled never sets.')}</p>
      <ul>
        {good.map(({ id, name, lot, lastDay }) => (
          <li key={id} className="flex flex-wrap items-center justify-between gap-x-2 border-t border-hair py-1">
            <span>
              {tell('{name}, lot {lot}, good to {lastDay}', {
                name: <b>{name}</b>,
                lot: <b className="figures">{lot}</b>,
                lastDay: <span className="figures">{lastDay}</span>,
              })}
            </span>
            <span className="flex gap-2">
              <button type="button" className="min-h-11 px-2 text-sm underline" onClick={() => void putAway(id)}>
                {say('It has gelled')}
              </button>
              <Button tone="dark" onClick={() => take(compound.kind, id)}>
                {tell('Take it{name}', {
                  name: <span className="sr-only">{tell(': {name}, lot {lot}', { name, lot })}</span>,
                })}
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim() !== '') scan(typed);
        }}
      >
        <label className="grid flex-1">
          <span className="text-sm text-ink-2">{say('or scan or type its lot')}</span>
          <input
            className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3"
            autoComplete="off"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <Button type="submit">{say('This one')}</Button>
      </form>
      <p role="status" className="min-h-6 text-bad">
        {wrong}
      </p>
    </div>
  );
}

const GRADE_TEXT: Record<Locker, string> = {
  threadlockerLow: say('Low: for screws up to M6, comes off easily'),
  threadlockerMedium: say('Medium: comes off with hand tools'),
  threadlockerHigh: say('High: comes off with heat'),
};

/** The sheet says `threadlocker` and no more: a lead says which. */
function NameGrade({ torque, compound }: { torque: TorqueStep; compound: Compound }) {
  const role = useSession((session) => session.session?.person.role);
  const [grade, setGrade] = useState<Locker>();
  const [product, setProduct] = useState('');
  return (
    <form
      className="mt-2 border-2 border-bad p-3 text-base"
      onSubmit={(event) => {
        event.preventDefault();
        if (grade && product.trim())
          torque.give({ type: 'nameCompound', compound: compound.id, grade, product: product.trim() });
      }}
    >
      <p className="font-bold">
        {tell('The sheet says “{name}” and not how strong. A lead names the product before any goes on.', {
          name: compound.name,
        })}
      </p>
      {role !== 'lead' ? (
        <p className="mt-1 text-ink-2">{say('Fetch a lead: they take over on this tablet by their initials above.')}</p>
      ) : (
        <>
          <div className="mt-2 grid gap-2">
            {LOCKERS.map((one) => (
              <Button
                key={one}
                tone={grade === one ? 'dark' : 'plain'}
                aria-pressed={grade === one}
                onClick={() => setGrade(one)}
              >
                {GRADE_TEXT[one]}
              </Button>
            ))}
          </div>
          <label className="mt-2 grid">
            <span className="text-sm text-ink-2">{say('Product, as it stands on the bottle')}</span>
            <input
              className="min-h-14 w-full border-2 border-ink bg-sheet px-3"
              value={product}
              onChange={(event) => setProduct(event.target.value)}
            />
          </label>
          <Button type="submit" tone="primary" className="mt-2 w-full" disabled={!grade || product.trim() === ''}>
            {say('This product')}
          </Button>
        </>
      )}
    </form>
  );
}
