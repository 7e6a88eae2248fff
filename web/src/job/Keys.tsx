import { useId, useState } from 'react';
import { KEY_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import { KEY_KINDS, type KeyHolder, type KeyKind, keyIsBack } from '#core/job/key-held.ts';
import { type KeyOfJob, keysOf } from '#core/job/keys.ts';
import { Button } from '../ui/Button.tsx';
import { FormField, inputLook } from '../ui/FormField.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { tell } from '../ui/tell.ts';
import { useOpenJob } from './use-open-job.ts';

/** Who has a key now, in words. */
const holderText = ({ hands }: KeyOfJob): string => {
  const now = hands.at(-1);
  if (!now) return say('nobody has it yet');
  if (now.who === 'vehicle') return say('in the vehicle: {name}', { name: now.name });
  return now.who === 'owner' ? say('with the owner, {name}', { name: now.name }) : now.name;
};

/** Keys, lock bits, removal tools and codes: who has each, handed on by name. The job is not signed while one is out. */
export function Keys() {
  const { plan, state } = useOpenJob();
  const [handing, setHanding] = useState<KeyOfJob | 'new'>();
  const keys = keysOf(plan, state);
  return (
    <section aria-label={say('Keys, bits and codes')} className="mt-5 border-t-2 border-ink pt-3">
      <h3 className="plate text-2xl">{say('Keys, bits and codes')}</h3>
      <ul>
        {keys.map((key) => (
          <li key={key.id} className="flex items-center gap-3 border-b border-rule py-2">
            <span className="min-w-0 flex-1">
              <b className="block">{key.name}</b>
              <span className={keyIsBack(key) ? 'text-ink-2' : 'font-bold text-bad'}>{holderText(key)}</span>
            </span>
            <Button aria-label={say('Hand on {name}', { name: key.name })} onClick={() => setHanding(key)}>
              {say('Hand on')}
            </Button>
          </li>
        ))}
      </ul>
      {keys.length === 0 && (
        <p className="text-ink-2">{say('None named. A wheel lock key or a radio code has a keeper too.')}</p>
      )}
      <Button className="mt-2 w-full" onClick={() => setHanding('new')}>
        {say('Name a key, bit or code')}
      </Button>
      <Sheet
        open={handing !== undefined}
        onClose={() => setHanding(undefined)}
        title={
          handing && handing !== 'new' ? say('Hand on: {name}', { name: handing.name }) : say('A key, bit or code')
        }
      >
        {handing && <Handing of={handing === 'new' ? undefined : handing} onDone={() => setHanding(undefined)} />}
      </Sheet>
    </section>
  );
}

const TO: Record<KeyHolder['who'], { text: string; label: string }> = {
  person: { text: say('Somebody here'), label: say('Who has it') },
  owner: { text: say('The owner'), label: say('Handed to') },
  vehicle: { text: say('Put in the vehicle'), label: say('Where') },
};

function Handing({ of, onDone }: { of?: KeyOfJob; onDone: () => void }) {
  const { give } = useOpenJob();
  const id = useId();
  const [name, setName] = useState(of?.name ?? '');
  const [kind, setKind] = useState<KeyKind>(of?.kind ?? 'lockKey');
  const [who, setWho] = useState<KeyHolder['who']>('person');
  const [to, setTo] = useState('');
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (give({ type: 'handKey', ...(of ? { key: of.id } : {}), name, kind, to: { who, name: to } })) onDone();
      }}
    >
      {!of && (
        <div className="grid grid-cols-2 gap-3">
          <FormField id={`${id}-name`} label={say('What it is')}>
            <input
              id={`${id}-name`}
              className={inputLook(undefined)}
              maxLength={120}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </FormField>
          <FormField id={`${id}-kind`} label={say('Kind')}>
            <select
              id={`${id}-kind`}
              className={inputLook(undefined)}
              value={kind}
              onChange={(event) => setKind(event.target.value as KeyKind)}
            >
              {KEY_KINDS.map((one) => (
                <option key={one} value={one}>
                  {KEY_TEXT[one]}
                </option>
              ))}
            </select>
          </FormField>
        </div>
      )}
      <div className="grid grid-cols-3 gap-2">
        {(Object.keys(TO) as Array<KeyHolder['who']>).map((one) => (
          <Button
            key={one}
            tone={who === one ? 'dark' : 'plain'}
            aria-pressed={who === one}
            onClick={() => setWho(one)}
          >
            {TO[one].text}
          </Button>
        ))}
      </div>
      <FormField id={`${id}-to`} label={TO[who].label}>
        <input
          id={`${id}-to`}
          className={inputLook(undefined)}
          maxLength={120}
          value={to}
          onChange={(event) => setTo(event.target.value)}
        />
      </FormField>
      {of && of.hands.length > 0 && (
        <p className="text-sm text-ink-2">
          {tell('Had it: {hands}.', { hands: of.hands.map((hand) => hand.name).join(', ') })}
        </p>
      )}
      <Button type="submit" tone="primary" disabled={name.trim() === '' || to.trim() === ''}>
        {say('Hand it over')}
      </Button>
    </form>
  );
}
