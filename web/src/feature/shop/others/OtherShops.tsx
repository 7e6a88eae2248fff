import { type FormEvent, useState } from 'react';
import type { OtherLead, OtherShops as Others } from '#contract/other-shops.ts';
import { MOST_BAYS } from '#contract/shop.ts';
import { RULE_TEXT } from '#contract/wording/en/rules.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../../shop/api.ts';
import { type Change, useChange, useOtherShops } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { typedNumber } from '../../../ui/CommitField.tsx';
import { FormField, inputLook } from '../../../ui/FormField.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { ProveSheet, SecretField } from '../ProveSheet.tsx';
import { GoToShop } from './GoToShop.tsx';

/** The owner's other shops: those the lead leads, who leads this one beside its own, and what it lets the others have. */
export default function OtherShops() {
  const { data, failure } = useOtherShops();
  const change = useChange('otherShops', 'settings');
  const [opening, setOpening] = useState(false);
  if (!data)
    return (
      <p role={failure ? 'alert' : undefined} className={failure ? 'font-bold text-bad' : 'text-ink-2'}>
        {failure ?? say('Asking which there are.')}
      </p>
    );
  return (
    <div className="grid gap-8 lg:grid-cols-2">
      <section aria-label={say('Your shops')} className="grid content-start gap-3">
        <h2 className="plate text-3xl">{say('Your shops')}</h2>
        <p className="max-w-prose text-ink-2">
          {say(
            'Each is kept to itself: its vehicles, jobs, people, tools and records are seen by nobody who does not work there.',
          )}
        </p>
        <ul className="border-t-2 border-ink">
          {data.shops.map((shop) => (
            <li key={shop.id} className="flex min-h-14 flex-wrap items-center gap-3 border-b border-rule py-2">
              <b className="min-w-40 flex-1 break-words">{shop.name}</b>
              {shop.here ? <span className="text-ink-2">{say('you are here')}</span> : <GoToShop shop={shop} />}
            </li>
          ))}
        </ul>
        <Button className="justify-self-start" onClick={() => setOpening(true)}>
          {say('Open another shop')}
        </Button>
      </section>
      <div className="grid content-start gap-8">
        <Leads data={data} change={change} />
        {data.shops.length > 1 && <Consents data={data} change={change} />}
      </div>
      {opening && <OpenAnother change={change} onClose={() => setOpening(false)} />}
    </div>
  );
}

/** Who leads this shop though their own is another. */
function Leads({ data, change }: { data: Others; change: Change }) {
  const [letting, setLetting] = useState<OtherLead>();
  return (
    <section aria-label={say('Leads of other shops')} className="grid content-start gap-2">
      <h2 className="plate text-3xl">{say('Leads of other shops')}</h2>
      {data.leads.length === 0 && <p className="text-ink-2">{say('Nobody of another shop leads this one.')}</p>}
      <ul className={data.leads.length > 0 ? 'border-t-2 border-ink' : ''}>
        {data.leads.map((lead) => (
          <li key={lead.id} className="flex flex-wrap items-center gap-3 border-b border-rule py-2">
            <LeadName lead={lead} />
            <Button
              className="min-h-11!"
              aria-label={say('{name} leads here no more', { name: lead.name })}
              disabled={change.busy}
              onClick={() =>
                void change.act(() => call(api['other-shops'].leads[':id'].$delete({ param: { id: lead.id } })))
              }
            >
              {say('No more')}
            </Button>
          </li>
        ))}
      </ul>
      {change.failure && !letting && (
        <p role="alert" className="font-bold text-bad">
          {change.failure}
        </p>
      )}
      {data.candidates.length > 0 && (
        <>
          <h3 className="mt-2 font-bold">{say('May be let in')}</h3>
          <ul className="border-t border-rule">
            {data.candidates.map((lead) => (
              <li key={lead.id} className="flex flex-wrap items-center gap-3 border-b border-rule py-2">
                <LeadName lead={lead} />
                <Button
                  className="min-h-11!"
                  aria-label={say('Let {name} lead here', { name: lead.name })}
                  onClick={() => setLetting(lead)}
                >
                  {say('Let in')}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
      {letting && (
        <ProveSheet
          title={say('{name} leads here too', { name: letting.name })}
          description={say(
            'A lead of {shop}. They sign in here by their own PIN and may do what every lead of this shop may.',
            { shop: letting.shop },
          )}
          action={say('Let them in')}
          tone="primary"
          change={change}
          onClose={() => setLetting(undefined)}
          act={(secret) => call(api['other-shops'].leads.$post({ json: { person: letting.id, secret } }))}
        />
      )}
    </section>
  );
}

const LeadName = ({ lead }: { lead: OtherLead }) => (
  <span className="min-w-40 flex-1">
    <b className="block break-words">{lead.name}</b>
    <span className="text-sm text-ink-2">{lead.shop}</span>
  </span>
);

/** What this shop lets the others have. */
function Consents({ data, change }: { data: Others; change: Change }) {
  const { sharesKits, wrenchPool } = data;
  return (
    <section aria-label={say('What the others may have')} className="grid content-start gap-3">
      <h2 className="plate text-3xl">{say('What the others may have')}</h2>
      {(['sharesKits', 'wrenchPool'] as const).map((field) => (
        <label key={field} className="flex items-start gap-3 border-l-4 border-ink pl-3">
          <input
            type="checkbox"
            className="mt-1 size-6 shrink-0"
            checked={data[field]}
            disabled={change.busy}
            onChange={(event) => {
              const json = { sharesKits, wrenchPool, [field]: event.target.checked };
              void change.act(() => call(api['other-shops'].consent.$put({ json })));
            }}
          />
          <span>
            <b className="block">{RULE_TEXT[field].title}</b>
            <span className="text-sm text-ink-2">{RULE_TEXT[field].why}</span>
          </span>
        </label>
      ))}
    </section>
  );
}

function OpenAnother({ change, onClose }: { change: Change; onClose: () => void }) {
  const [name, setName] = useState('');
  const [bays, setBays] = useState('2');
  const [secret, setSecret] = useState('');
  const [fault, setFault] = useState<string>();
  const close = () => {
    change.clearFailure();
    onClose();
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const count = typedNumber(bays);
    const wrong =
      name.trim() === ''
        ? say('Give the shop a name.')
        : Number.isInteger(count) && count >= 1 && count <= MOST_BAYS
          ? undefined
          : say('Bays: from 1 to {mostBays}.', { mostBays: MOST_BAYS });
    setFault(wrong);
    if (wrong) return;
    const json = { name: name.trim(), bays: count, secret };
    if (await change.act(() => call(api['other-shops'].$post({ json })))) close();
  };
  return (
    <Sheet
      open
      onClose={close}
      title={say('Open another shop')}
      description={say(
        'Empty, on this installation, and led by you. Go there to take its people in; what you have here stays here.',
      )}
    >
      <form className="grid gap-4" onSubmit={(event) => void submit(event)}>
        <div className="grid grid-cols-[1fr_6rem] gap-3">
          <FormField id="shop-name" label={say('Name of the shop')} fault={fault}>
            <input
              id="shop-name"
              maxLength={120}
              className={inputLook(fault)}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </FormField>
          <FormField id="shop-bays" label={say('Bays')}>
            <input
              id="shop-bays"
              inputMode="numeric"
              className={`${inputLook(undefined)} figures`}
              value={bays}
              onChange={(event) => setBays(event.target.value)}
            />
          </FormField>
        </div>
        <SecretField secret={secret} fault={change.failure} onSecret={setSecret} />
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={close}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={secret.length < 4 || change.busy}>
            {say('Open it')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
