import { type FormEvent, useEffect, useState } from 'react';
import type { PasskeyCard } from '#contract/session.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../shop/api.ts';
import { failureText } from '../shop/failure-text.ts';
import { addPasskey, passkeysOf, removePasskey } from '../shop/passkeys.ts';
import { hasPasskeys } from '../shop/prove.ts';
import { secretRefusedText } from '../shop/secret-text.ts';
import { renewKeys, useSession } from '../shop/session.ts';
import { shopFormat } from '../shop/shop-time.ts';
import { Button } from '../ui/Button.tsx';
import { tell } from '../ui/tell.ts';

const field = 'figures min-h-14 w-full border-2 border-ink bg-sheet px-3';

/** The person's own PIN and passkeys; for leads also how long a PIN the shop asks for. */
export function SecretSettings() {
  const session = useSession((state) => state.session);
  if (!session) return null;
  return (
    <div className="mt-5 grid gap-5 border-t-2 border-ink pt-4 sm:grid-cols-2">
      <ChangePin />
      <div className="grid content-start gap-5">
        {hasPasskeys() && <Passkeys />}
        {session.person.role === 'lead' && <SecretRule digits={session.shop.secretDigits} />}
      </div>
    </div>
  );
}

function ChangePin() {
  const session = useSession((state) => state.session);
  const [secret, setSecret] = useState('');
  const [next, setNext] = useState('');
  const [again, setAgain] = useState('');
  const [said, setSaid] = useState<{ failed: boolean; text: string }>();
  const [busy, setBusy] = useState(false);
  if (!session) return null;
  const digits = session.shop.secretDigits;
  const change = async (event: FormEvent) => {
    event.preventDefault();
    if (next !== again) return setSaid({ failed: true, text: say('The two new PINs differ.') });
    if (next.length < digits)
      return setSaid({ failed: true, text: say('The shop asks for at least {digits} characters.', { digits }) });
    setBusy(true);
    try {
      await call(api.session.secret.$put({ json: { secret, next } }));
      await renewKeys(session, next);
      setSecret('');
      setNext('');
      setAgain('');
      setSaid({ failed: false, text: say('Changed. On other devices you sign in anew.') });
    } catch (error) {
      setSaid({ failed: true, text: secretRefusedText(error) });
    } finally {
      setBusy(false);
    }
  };
  const input = (label: string, value: string, set: (value: string) => void) => (
    <label className="grid gap-1">
      <span className="text-sm">{label}</span>
      <input
        className={field}
        type="password"
        autoComplete="off"
        maxLength={200}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </label>
  );
  return (
    <form onSubmit={(event) => void change(event)} className="grid content-start gap-2">
      <h3 className="font-bold">{say('Your PIN')}</h3>
      {session.secretTooShort && (
        <p className="border-l-4 border-bad pl-3">
          {tell('The shop asks for at least {digits} characters: choose a longer one.', { digits })}
        </p>
      )}
      {input(say('Now'), secret, setSecret)}
      {input(say('New'), next, setNext)}
      {input(say('New, once more'), again, setAgain)}
      <p role="alert" className={said?.failed ? 'text-bad' : ''}>
        {said?.text}
      </p>
      <Button type="submit" disabled={busy || secret.length < 4 || next === ''}>
        {say('Change the PIN')}
      </Button>
    </form>
  );
}

function Passkeys() {
  const [passkeys, setPasskeys] = useState<PasskeyCard[]>();
  const [failure, setFailure] = useState<string>();
  const read = async () => {
    try {
      setPasskeys(await passkeysOf());
    } catch (error) {
      setFailure(failureText(error));
    }
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when it is shown
  useEffect(() => void read(), []);
  const add = async () => {
    setFailure(await addPasskey(say('Passkey of {shopFormat}', { shopFormat: shopFormat(Date.now(), 'd MMM yyyy') })));
    await read();
  };
  const remove = async (id: string) => {
    try {
      await removePasskey(id);
      await read();
    } catch (error) {
      setFailure(failureText(error));
    }
  };
  return (
    <section>
      <h3 className="font-bold">{say('Your passkeys')}</h3>
      <p className="text-sm text-ink-2">
        {say('Instead of the PIN, where the browser has them: a fingerprint, a face, a key.')}
      </p>
      <ul className="mt-1 border-t border-rule">
        {passkeys?.map((passkey) => (
          <li key={passkey.id} className="flex items-center justify-between gap-3 border-b border-hair py-1">
            <span>{passkey.name}</span>
            <button type="button" className="min-h-11 px-2 underline" onClick={() => void remove(passkey.id)}>
              {tell('Remove{name}', { name: <span className="sr-only"> {passkey.name}</span> })}
            </button>
          </li>
        ))}
      </ul>
      {passkeys?.length === 0 && <p className="py-1">{say('None yet.')}</p>}
      <p role="alert" className="mb-2 text-bad">
        {failure}
      </p>
      <Button className="w-full" onClick={() => void add()}>
        {say('Add a passkey')}
      </Button>
    </section>
  );
}

function SecretRule({ digits }: { digits: number }) {
  const load = useSession((state) => state.load);
  const [failure, setFailure] = useState<string>();
  const set = async (wanted: number) => {
    try {
      await call(api.session['secret-rule'].$put({ json: { digits: wanted } }));
      setFailure(undefined);
      await load();
    } catch (error) {
      setFailure(failureText(error));
    }
  };
  return (
    <fieldset>
      <legend className="font-bold">{say('PINs of the shop, at least')}</legend>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {[4, 6, 8].map((wanted) => (
          <Button
            key={wanted}
            tone={digits === wanted ? 'dark' : 'plain'}
            aria-pressed={digits === wanted}
            onClick={() => void set(wanted)}
          >
            {tell('{wanted} long', { wanted })}
          </Button>
        ))}
      </div>
      <p className="mt-1 text-sm text-ink-2">
        {say('Whoever has a shorter one is asked for a new one when signing in.')}
      </p>
      <p role="alert" className="text-bad">
        {failure}
      </p>
    </fieldset>
  );
}
