import { type FormEvent, useState } from 'react';
import { type AccessChange, PersonInputSchema, type ShopPerson } from '#contract/shop.ts';
import { ROLE_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import { ROLES, type Role } from '#core/job/role.ts';
import { SKILLS, type Skill } from '#core/job/skill.ts';
import { api, call } from '../../shop/api.ts';
import type { Change } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { ProveSheet } from './ProveSheet.tsx';

const ACCESS: Record<AccessChange['do'], { text: string; why: string }> = {
  resetPin: {
    text: say('New PIN'),
    why: say('They are signed out everywhere and begin with a PIN that is shown here once.'),
  },
  lock: { text: say('Lock'), why: say('They are signed out everywhere and cannot sign in until unlocked.') },
  unlock: { text: say('Unlock'), why: say('They sign in again with the PIN they had.') },
  leave: {
    text: say('Leaves the shop'),
    why: say('They are signed out everywhere. What they did stays under their name.'),
  },
  return: { text: say('Comes back'), why: say('They begin with a new PIN that is shown here once.') },
};

/** The people of the shop: who works here, in what role, and who has left. */
export function People({ people, change }: { people: readonly ShopPerson[]; change: Change }) {
  const me = useSession((state) => state.session?.person.id);
  const [form, setForm] = useState<'new' | ShopPerson>();
  const [asking, setAsking] = useState<{ person: ShopPerson; what: AccessChange['do'] }>();
  const [pin, setPin] = useState<{ name: string; pin: string }>();
  const present = people.filter(({ leftAtMs }) => leftAtMs === undefined);
  const left = people.filter(({ leftAtMs }) => leftAtMs !== undefined);
  return (
    <section aria-label={say('People')}>
      <div className="mb-2 flex items-center justify-between gap-3">
        <h2 className="plate text-3xl">{say('People')}</h2>
        <Button tone="primary" onClick={() => setForm('new')}>
          {say('Take somebody in')}
        </Button>
      </div>
      {pin && (
        <div role="status" className="mb-3 border-4 border-paint bg-sheet p-4">
          <p>
            {tell('PIN of {name}, shown once: {pin}', {
              name: <b>{pin.name}</b>,
              pin: <b className="figures text-3xl">{pin.pin}</b>,
            })}
          </p>
          <p className="text-sm text-ink-2">{say('They change it under their initials, Settings.')}</p>
          <Button className="mt-2" onClick={() => setPin(undefined)}>
            {say('It was passed on')}
          </Button>
        </div>
      )}
      <ul className="border-t-2 border-ink">
        {present.map((person) => (
          <li key={person.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-2">
            <span className="figures grid size-11 place-items-center bg-plate text-on-plate">{person.initials}</span>
            <span className="min-w-48 flex-1">
              <b className="block">{person.name}</b>
              <span className={`text-sm ${person.lockedAtMs ? 'font-bold text-bad' : 'text-ink-2'}`}>
                {[
                  ROLE_TEXT[person.role],
                  ...person.skills,
                  person.mentor &&
                    say('with {name}', {
                      name: people.find(({ id }) => id === person.mentor)?.name ?? say('a mentor'),
                    }),
                  person.lockedAtMs && 'locked',
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </span>
            </span>
            <span className="flex flex-wrap gap-2">
              <Button
                className="min-h-11!"
                aria-label={say('Change {name}', { name: person.name })}
                onClick={() => setForm(person)}
              >
                {say('Change')}
              </Button>
              {(['resetPin', person.lockedAtMs ? 'unlock' : 'lock', 'leave'] as const).map((what) => (
                <Button
                  key={what}
                  className="min-h-11!"
                  aria-label={`${ACCESS[what].text}: ${person.name}`}
                  disabled={person.id === me && what !== 'resetPin'}
                  onClick={() => setAsking({ person, what })}
                >
                  {ACCESS[what].text}
                </Button>
              ))}
            </span>
          </li>
        ))}
      </ul>
      {left.length > 0 && (
        <>
          <h3 className="mt-5 font-bold">{say('Have left')}</h3>
          <ul>
            {left.map((person) => (
              <li key={person.id} className="flex items-center gap-3 border-b border-hair py-2">
                <span className="flex-1">
                  {person.name}{' '}
                  <span className="text-sm text-ink-2">
                    {tell('{role}, left', { role: ROLE_TEXT[person.role] })}{' '}
                    {person.leftAtMs && shopFormat(person.leftAtMs, 'd MMM yyyy')}
                  </span>
                </span>
                <Button
                  className="min-h-11!"
                  aria-label={say('Comes back: {name}', { name: person.name })}
                  onClick={() => setAsking({ person, what: 'return' })}
                >
                  {say('Comes back')}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
      {form && (
        <PersonForm
          person={form === 'new' ? undefined : form}
          people={present}
          change={change}
          onClose={() => setForm(undefined)}
          onPin={(name, given) => setPin({ name, pin: given })}
        />
      )}
      {asking && (
        <ProveSheet
          title={`${ACCESS[asking.what].text}: ${asking.person.name}`}
          description={ACCESS[asking.what].why}
          action={ACCESS[asking.what].text}
          tone="primary"
          change={change}
          onClose={() => setAsking(undefined)}
          act={async (secret) => {
            const json = { do: asking.what, secret };
            const answer = await call(api.shop.people[':id'].access.$post({ param: { id: asking.person.id }, json }));
            if ('pin' in answer && answer.pin) setPin({ name: asking.person.name, pin: answer.pin });
          }}
        />
      )}
    </section>
  );
}

/** Somebody new, or somebody changed. */
function PersonForm({
  person,
  people,
  change: { act, failure },
  onClose,
  onPin,
}: {
  person: ShopPerson | undefined;
  people: readonly ShopPerson[];
  change: Change;
  onClose: () => void;
  onPin: (name: string, pin: string) => void;
}) {
  const [name, setName] = useState(person?.name ?? '');
  const [initials, setInitials] = useState(person?.initials ?? '');
  const [role, setRole] = useState<Role>(person?.role ?? 'fitter');
  const [mentor, setMentor] = useState(person?.mentor ?? '');
  const [skills, setSkills] = useState<Skill[]>(person?.skills ?? []);
  const [tried, setTried] = useState(false);
  const input = { name, initials, role, skills, ...(role === 'apprentice' && mentor ? { mentor } : {}) };
  const read = PersonInputSchema.safeParse(input);
  const faultOf = (field: string) =>
    tried && !read.success
      ? read.error.issues.find(({ path }) => path[0] === field) &&
        (field === 'name' ? say('a name is needed') : say('one to four letters'))
      : undefined;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (!read.success) return;
    const kept = await act(async () => {
      if (person) await call(api.shop.people[':id'].$put({ param: { id: person.id }, json: read.data }));
      else {
        const { pin } = await call(api.shop.people.$post({ json: read.data }));
        onPin(read.data.name, pin);
      }
    });
    if (kept) onClose();
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={person ? say('Change {name}', { name: person.name }) : say('Take somebody in')}
    >
      <form className="grid gap-4" noValidate onSubmit={(event) => void submit(event)}>
        <div className="grid grid-cols-[1fr_7rem] gap-3">
          <FormField id="person-name" label={say('Name, as it stands on records')} fault={faultOf('name')}>
            <input
              id="person-name"
              className={inputLook(faultOf('name') ? { message: '' } : undefined)}
              maxLength={120}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </FormField>
          <FormField id="person-initials" label={say('Initials')} fault={faultOf('initials')}>
            <input
              id="person-initials"
              className={inputLook(faultOf('initials') ? { message: '' } : undefined)}
              maxLength={4}
              value={initials}
              onChange={(event) => setInitials(event.target.value)}
            />
          </FormField>
        </div>
        <FormField id="person-role" label={say('Role')}>
          <select
            id="person-role"
            className={inputLook(undefined)}
            value={role}
            onChange={(event) => setRole(event.target.value as Role)}
          >
            {ROLES.map((one) => (
              <option key={one} value={one}>
                {ROLE_TEXT[one]}
              </option>
            ))}
          </select>
        </FormField>
        {role === 'apprentice' && (
          <FormField id="person-mentor" label={say('Who answers for them')}>
            <select
              id="person-mentor"
              className={inputLook(undefined)}
              value={mentor}
              onChange={(event) => setMentor(event.target.value)}
            >
              <option value="">{say('nobody named')}</option>
              {people
                .filter((one) => one.id !== person?.id && (one.role === 'fitter' || one.role === 'lead'))
                .map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
            </select>
          </FormField>
        )}
        <fieldset>
          <legend className="font-bold">{say('Known for')}</legend>
          <div className="grid grid-cols-2 gap-1">
            {SKILLS.map((skill) => (
              <label key={skill} className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5 accent-(--ink)"
                  checked={skills.includes(skill)}
                  onChange={() =>
                    setSkills(skills.includes(skill) ? skills.filter((one) => one !== skill) : [...skills, skill])
                  }
                />
                {skill}
              </label>
            ))}
          </div>
        </fieldset>
        {failure && (
          <p role="alert" className="font-bold text-bad">
            {failure}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary">
            {person ? say('Keep it') : say('Take them in')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
