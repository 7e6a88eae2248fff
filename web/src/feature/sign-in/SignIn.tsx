import { KeyRound } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import type { PersonCard, ShopCard } from '#contract/session.ts';
import { LANGUAGE_NAMES } from '#contract/wording/catalogues.ts';
import { ROLE_TEXT } from '#contract/wording/en/terms.ts';
import { LANGUAGES, language, say } from '#contract/wording/say.ts';
import { counted, useBacklog } from '../../job/backlog.ts';
import { chooseLanguage } from '../../shop/own-language.ts';
import { signInByPasskey } from '../../shop/passkeys.ts';
import { hasPasskeys } from '../../shop/prove.ts';
import { useSignInOptions } from '../../shop/queries.ts';
import { usePeopleHere } from '../../shop/use-people-here.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { PinPad } from './PinPad.tsx';

/** Seen once in the life of an installation. */
const FirstRun = lazy(() => import('../shop/FirstRun.tsx'));

/** Which of the owner's shops this is: asked of a device that nobody has signed in on. */
function Shops({ shops, onChoose }: { shops: readonly ShopCard[]; onChoose: (shop: string) => void }) {
  return (
    <>
      <h2 className="plate mb-4 text-4xl">{say('Which shop?')}</h2>
      <ul className="border-t-2 border-ink">
        {shops.map(({ id, name }) => (
          <li key={id} className="border-b border-rule">
            <button
              type="button"
              className="min-h-16 w-full px-2 text-left text-xl font-bold break-words hover:bg-sheet"
              onClick={() => onChoose(id)}
            >
              {name}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Signing in: where there are several shops which, then who, then the PIN. */
export default function SignIn() {
  const [shop, setShop] = useState<string>();
  const { data: options, failure } = useSignInOptions(true, shop);
  const [choosing, setChoosing] = useState(false);
  const choose = options?.shops && (choosing || options.shopId === undefined);
  const here = usePeopleHere(options === undefined);
  const waiting = useBacklog((state) => counted(state.entries).waiting);
  const [person, setPerson] = useState<PersonCard>();
  const [refused, setRefused] = useState<string>();
  const people = options?.people ?? here;
  return (
    <main className="flex min-h-full flex-col bg-bench md:flex-row">
      <section className="flex flex-col justify-between bg-plate p-6 text-on-plate md:w-[420px] md:p-10">
        <div>
          <h1 className="plate text-6xl md:text-7xl">Wrenchman</h1>
          <p className="mt-3 text-lg text-on-plate-2">{options?.shop ?? ' '}</p>
          <Stripe />
        </div>
        <Languages />
        <p className="mt-6 hidden text-sm text-on-plate-2 md:block">
          {say('An aid, not an approval. The vehicle maker’s manual, the kit maker’s sheet and local law come first.')}
        </p>
      </section>
      <section className="grid flex-1 content-center p-5 md:p-12">
        <div className="mx-auto w-full max-w-md">
          {choose ? (
            <Shops
              shops={options.shops ?? []}
              onChoose={(chosen) => {
                setShop(chosen);
                setChoosing(false);
              }}
            />
          ) : options?.shop === '' ? (
            <Suspense fallback={null}>
              <FirstRun />
            </Suspense>
          ) : person ? (
            <PinPad
              key={person.id}
              person={person}
              shop={options?.shopId}
              hint={options?.demoPins?.[person.id]}
              onBack={() => setPerson(undefined)}
            />
          ) : (
            <>
              <h2 className="plate mb-4 text-4xl">{say('Who is working?')}</h2>
              {failure && (
                <p role="alert" className="mb-3 border-l-4 border-bad pl-3 text-bad">
                  {failure}
                </p>
              )}
              {!options && !failure && <p className="text-ink-2">{say('Asking the server who works here.')}</p>}
              {!options && here.length > 0 && (
                <p className="mb-3">{say('Those who have signed in on this device before can go on without it.')}</p>
              )}
              {waiting > 0 && (
                <p className="mb-3 border-l-4 border-ink pl-3">
                  {tell('{which} to be sent once somebody signs in.', {
                    which: (
                      <b>
                        {tell('{which} on this device', {
                          which: waiting === 1 ? say('One entry waits') : say('{waiting} entries wait', { waiting }),
                        })}
                      </b>
                    ),
                  })}
                </p>
              )}
              <ul className="border-t-2 border-ink">
                {people.map((entry) => (
                  <li key={entry.id} className="border-b border-rule">
                    <button
                      type="button"
                      className="flex min-h-16 w-full items-center gap-4 px-2 text-left hover:bg-sheet"
                      onClick={() => setPerson(entry)}
                    >
                      <span className="figures grid size-11 place-items-center bg-plate text-on-plate">
                        {entry.initials}
                      </span>
                      <span className="flex-1">
                        <span className="block font-bold">{entry.name}</span>
                        <span className="text-sm text-ink-2">{ROLE_TEXT[entry.role]}</span>
                      </span>
                      {options?.demoPins && (
                        <span className="figures text-sm text-ink-2">
                          {tell('PIN {demoPins}', { demoPins: options.demoPins[entry.id] })}
                        </span>
                      )}
                    </button>
                  </li>
                ))}
              </ul>
              {options?.shops && (
                <Button className="mt-3 w-full" onClick={() => setChoosing(true)}>
                  {say('Another shop')}
                </Button>
              )}
              {options && hasPasskeys() && (
                <Button className="mt-3 w-full" onClick={() => void signInByPasskey().then(setRefused)}>
                  <KeyRound aria-hidden="true" /> {say('Sign in with a passkey')}
                </Button>
              )}
              {refused && (
                <p role="alert" className="mt-2 text-bad">
                  {refused}
                </p>
              )}
              {options?.demoPins && (
                <p className="mt-3 text-sm text-ink-2">
                  {say('This is the demo: its PINs are shown. A real shop’s never are.')}
                </p>
              )}
            </>
          )}
        </div>
      </section>
    </main>
  );
}

/** The languages of this device: whoever comes to it first may not read the one it speaks. */
function Languages() {
  return (
    <ul className="mt-6 flex flex-wrap gap-2">
      {LANGUAGES.map((one) => (
        <li key={one}>
          <button
            type="button"
            lang={one}
            aria-pressed={one === language()}
            className={`min-h-12 border px-4 ${one === language() ? 'border-on-plate font-bold' : 'border-on-plate-2 text-on-plate-2'}`}
            onClick={() => chooseLanguage(one)}
          >
            {LANGUAGE_NAMES[one]}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** A bolt head with its stripe of witness paint: the sign of the trade for done. */
function Stripe() {
  return (
    <svg className="mt-8 hidden w-56 md:block" viewBox="0 0 220 150" aria-hidden="true">
      <rect x="0" y="120" width="220" height="8" fill="#4b5963" />
      <path d="M60 120v-52l22-14h56l22 14v52z" fill="#c9d1d5" stroke="#fff" strokeWidth="2" />
      <path d="M82 54v66M138 54v66" stroke="#4b5963" strokeWidth="2" />
      <rect x="44" y="112" width="132" height="10" fill="#aeb8be" stroke="#fff" strokeWidth="2" />
      <path d="M112 46 128 134" stroke="#ffd21f" strokeWidth="13" />
    </svg>
  );
}
