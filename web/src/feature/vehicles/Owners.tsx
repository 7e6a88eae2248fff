import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { OwnersChange } from '#contract/owner.ts';
import { privacyNote } from '#contract/wording/en/privacy.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { type LikelyDouble, likelyDoubles, type Owner, ownersOf } from '#core/vehicle/owners.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { api, call } from '../../shop/api.ts';
import { type Change, useChange, useVehicles } from '../../shop/queries.ts';
import { saveFile } from '../../shop/save-file.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { ProveSheet } from '../shop/ProveSheet.tsx';

/** Most owners that are listed; a search finds the rest. */
const SHOWN = 200;

const BECAUSE: Record<LikelyDouble['because'], string> = {
  contact: say('the same way to reach them'),
  order: 'the same words in another order',
  spelling: say('one letter apart'),
};

/** Owners of the vehicles: found, made one where they are written twice, given what is held, forgotten. */
export default function Owners() {
  const { data: vehicles, failure } = useVehicles();
  const change = useChange('vehicles');
  const lead = useSession((state) => state.session?.person.role === 'lead');
  const [query, setQuery] = useState('');
  const [before, setBefore] = useState<{ name: string; change: OwnersChange }>();
  const [left, setLeft] = useState<readonly string[]>([]);
  const owners = useMemo(() => ownersOf(vehicles ?? []), [vehicles]);
  const doubles = useMemo(() => likelyDoubles(owners), [owners]);
  const asked = query.trim().toLowerCase();
  const found = owners.filter(({ name, contacts, vehicles: own }) =>
    `${name} ${contacts.join(' ')} ${own.map(({ plate }) => plate).join(' ')}`.toLowerCase().includes(asked),
  );
  const open = doubles.filter(({ first, second }) => !left.includes(`${first.name}\n${second.name}`));
  const put = async (name: string, json: OwnersChange, keep: boolean) => {
    await change.act(async () => {
      const was = (await call(api.owners.$put({ json }))) as OwnersChange;
      setBefore(keep ? { name, change: was } : undefined);
    });
  };
  const merge = (into: Owner, other: Owner) => {
    const contact = into.contacts[0] ?? other.contacts[0];
    const vehiclesOf = [...into.vehicles, ...other.vehicles].map(({ id }) => ({
      id,
      owner: into.name,
      ...(contact ? { contact } : {}),
    }));
    void put(into.name, { vehicles: vehiclesOf }, true);
  };
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-4">
        <div className="flex flex-wrap items-end justify-between gap-4">
          <h1 className="plate text-3xl">{say('Owners')}</h1>
          <Link to="/vehicles" className="flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold">
            {say('Vehicles')}
          </Link>
        </div>
        <label htmlFor="find-owner" className="mt-3 block font-bold">
          {say('Name, contact or plate')}
        </label>
        <input
          id="find-owner"
          type="search"
          autoComplete="off"
          className="figures min-h-14 w-full max-w-xl border-2 border-ink bg-sheet px-3 text-xl"
          value={query}
          onChange={(event) => setQuery(event.target.value)}
        />
        {(failure ?? change.failure) && (
          <p role="alert" className="mt-3 font-bold text-bad">
            {failure ?? change.failure}
          </p>
        )}
        {before && (
          <div role="status" className="mt-3 flex flex-wrap items-center gap-3 border-4 border-paint bg-sheet p-3">
            <p className="flex-1">
              {tell('{name} is one now, with {numberOf}.', {
                name: <b className="break-words">{before.name}</b>,
                numberOf: numberOf(before.change.vehicles.length, 'vehicle'),
              })}
            </p>
            <Button disabled={change.busy} onClick={() => void put('', before.change, false)}>
              {say('Take it back')}
            </Button>
          </div>
        )}
        {!vehicles && !failure && <p className="mt-4 text-ink-2">{say('Reading the owners.')}</p>}
        {asked === '' && open.length > 0 && (
          <section aria-label={say('May be one')} className="mt-5">
            <h2 className="plate text-2xl">{say('May be one')}</h2>
            <ul className="border-t-2 border-ink">
              {open.slice(0, SHOWN).map(({ first, second, because }) => (
                <li key={`${first.name} ${second.name}`} className="border-b border-rule py-2">
                  <p className="break-words">
                    {tell('{name} and {name2}{because}', {
                      name: <b>{first.name}</b>,
                      name2: <b>{second.name}</b>,
                      because: <span className="text-ink-2">: {BECAUSE[because]}</span>,
                    })}
                  </p>
                  <div className="mt-1 flex flex-wrap gap-2">
                    <Button className="min-h-11!" disabled={change.busy} onClick={() => merge(first, second)}>
                      {tell('One: {name}', { name: first.name })}
                    </Button>
                    <Button className="min-h-11!" disabled={change.busy} onClick={() => merge(second, first)}>
                      {tell('One: {name}', { name: second.name })}
                    </Button>
                    <Button className="min-h-11!" onClick={() => setLeft([...left, `${first.name}\n${second.name}`])}>
                      {say('They are two')}
                    </Button>
                  </div>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section aria-label={say('All owners')} className="mt-5">
          <h2 className="plate text-2xl">{numberOf(found.length, 'owner')}</h2>
          {vehicles && found.length === 0 && (
            <p className="text-ink-2">
              {owners.length === 0 ? say('No vehicle has an owner yet.') : say('Nobody answers to that.')}
            </p>
          )}
          <ul className="border-t-2 border-ink">
            {found.slice(0, SHOWN).map((owner) => (
              <OwnerLine key={owner.name} owner={owner} lead={lead} change={change} />
            ))}
          </ul>
          {found.length > SHOWN && (
            <p className="text-sm text-ink-2">
              {tell('and {count} more: search for them', { count: found.length - SHOWN })}
            </p>
          )}
        </section>
        <PrivacyNote />
      </main>
    </div>
  );
}

/** What an owner may be told of what is held: to read out, to print, to send. */
function PrivacyNote() {
  const shop = useSession((state) => state.session?.shop.name) ?? say('The shop');
  const lines = privacyNote(shop);
  return (
    <section aria-label={say('What owners are told')} className="mt-8 max-w-prose">
      <h2 className="plate text-2xl">{say('What owners are told')}</h2>
      <div className="border-t-2 border-ink pt-2">
        {lines.map((line) => (
          <p key={line} className="mb-2">
            {line}
          </p>
        ))}
        <Button
          className="min-h-11!"
          onClick={() => saveFile('what-we-hold-of-you.txt', 'text/plain;charset=utf-8', `${lines.join('\n\n')}\n`)}
        >
          {say('Save as a text')}
        </Button>
      </div>
    </section>
  );
}

/** One owner with what they bring; a lead gives out or erases what is held. */
function OwnerLine({ owner, lead, change }: { owner: Owner; lead: boolean; change: Change }) {
  const [erasing, setErasing] = useState(false);
  return (
    <li className="grid items-center gap-x-4 gap-y-1 border-b border-rule py-2 sm:grid-cols-[18rem_1fr_auto]">
      <span className="min-w-0">
        <b className="block break-words">{owner.name}</b>
        <span className="block text-sm break-words text-ink-2">{owner.contacts.join(', ')}</span>
      </span>
      <span className="flex flex-wrap gap-x-4">
        {owner.vehicles.map(({ id, plate, make, model }) => (
          <Link key={id} to={`/vehicles/${id}`} className="inline-flex min-h-11 items-center gap-2 underline">
            <span className="figures font-bold">{plate || say('no plate')}</span> {make} {model}
          </Link>
        ))}
      </span>
      {lead && (
        <span className="flex flex-wrap gap-2">
          <a
            className="flex min-h-11 items-center border-2 border-ink bg-sheet px-4 font-bold"
            href={`/api/owners/export?name=${encodeURIComponent(owner.name)}`}
            download
            aria-label={say('Save what is held of {name}', { name: owner.name })}
          >
            {say('Save')}
          </a>
          <Button
            className="min-h-11!"
            aria-label={say('Forget {name}', { name: owner.name })}
            onClick={() => setErasing(true)}
          >
            {say('Forget')}
          </Button>
        </span>
      )}
      {erasing && (
        <ProveSheet
          title={say('Forget {name}', { name: owner.name })}
          description={say(
            'Name, contact, plate, VIN and note go from {numberOf} and from all their records, for good. What was torqued stays, and its seals still hold. Backups made before keep them until they are rotated out.',
            { numberOf: numberOf(owner.vehicles.length, 'vehicle') },
          )}
          action={say('Forget them')}
          change={change}
          onClose={() => setErasing(false)}
          act={(secret) => call(api.owners.erase.$post({ json: { name: owner.name, secret } }))}
        />
      )}
    </li>
  );
}
