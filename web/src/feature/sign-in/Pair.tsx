import { type FormEvent, useEffect, useRef, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../shop/api.ts';
import { failureText } from '../../shop/failure-text.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';

/** A tablet that followed a lead's code: it gets its name, and then asks who is working. */
export default function Pair() {
  // Behind the #, so that it never stands in a log of addresses.
  const [code, setCode] = useState(() => decodeURIComponent(window.location.hash.slice(1)));
  const [name, setName] = useState<string>();
  const [failure, setFailure] = useState<string>();
  const [busy, setBusy] = useState(false);
  const followed = useRef(false);
  const pair = async (given: string) => {
    setBusy(true);
    setFailure(undefined);
    try {
      setName((await call(api.session.pairing.$post({ json: { code: given } }))).name);
    } catch (error) {
      setFailure(failureText(error as Error));
    }
    setBusy(false);
  };
  // A code counts once: following the address twice must not use it up twice.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, with the address it came with
  useEffect(() => {
    if (followed.current || code === '') return;
    followed.current = true;
    void pair(code);
  }, []);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void pair(code);
  };
  return (
    <main className="grid min-h-dvh content-center bg-bench p-5">
      <div className="mx-auto grid w-full max-w-md gap-4">
        <h1 className="plate text-4xl">{name === undefined ? say('Let this tablet in') : name}</h1>
        {name === undefined ? (
          <form className="grid gap-4" onSubmit={submit}>
            <p>
              {say(
                'A lead finds the code under The shop, Tablets. It is good for a quarter of an hour and counts once.',
              )}
            </p>
            <FormField id="pairing" label={say('Code')} fault={failure}>
              <input
                id="pairing"
                autoComplete="off"
                autoCapitalize="characters"
                className={`${inputLook(failure)} figures text-2xl`}
                value={code}
                onChange={(event) => setCode(event.target.value)}
              />
            </FormField>
            <Button type="submit" tone="primary" disabled={busy || code.trim().length < 4}>
              {busy ? say('Asking the server') : say('Let it in')}
            </Button>
          </form>
        ) : (
          <>
            <p role="status">{say('This tablet is known by that name from now on.')}</p>
            <Button tone="primary" onClick={() => window.location.replace('/')}>
              {say('Go on to sign in')}
            </Button>
          </>
        )}
      </div>
    </main>
  );
}
