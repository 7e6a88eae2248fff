import { useState } from 'react';
import { Link } from 'react-router';
import { ROLE_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import { GoToShop } from '../feature/shop/others/GoToShop.tsx';
import { PinPad } from '../feature/sign-in/PinPad.tsx';
import { counted, useBacklog } from '../job/backlog.ts';
import { useSignInOptions } from '../shop/queries.ts';
import ShopData from '../shop/ShopData.tsx';
import { useSession } from '../shop/session.ts';
import { usePeopleHere } from '../shop/use-people-here.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { tell } from '../ui/tell.ts';
import { useHelp } from './help-store.ts';
import { SettingsSheet } from './SettingsSheet.tsx';

/** Chosen by nobody: the list is shown. */
const NOBODY = '';

/** Passing the tablet on, settings, and signing in again after a session ran out. */
export default function PersonSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <ShopData>
      <People open={open} onClose={onClose} />
    </ShopData>
  );
}

function People({ open, onClose }: { open: boolean; onClose: () => void }) {
  const session = useSession((state) => state.session);
  const status = useSession((state) => state.status);
  const signOut = useSession((state) => state.signOut);
  const help = useHelp((state) => state.show);
  const [settings, setSettings] = useState(false);
  const [chosen, setChosen] = useState<string>();
  const { data: options } = useSignInOptions(open || status === 'expired', session?.shop.id);
  const here = usePeopleHere(open || status === 'expired');
  const waiting = useBacklog((state) => counted(state.entries).waiting);
  /** Without the server, those who have signed in here before. */
  const people = options?.people ?? here;
  if (!session) return null;
  const expired = status === 'expired';
  const close = () => {
    onClose();
    setChosen(undefined);
  };
  const person =
    people.find((entry) => entry.id === chosen) ?? (expired && chosen === undefined ? session.person : undefined);
  return (
    <>
      <Sheet
        open={open || expired}
        onClose={close}
        title={expired ? say('Session ended') : say('Who takes over?')}
        description={
          expired
            ? say('Sign in again. What you did meanwhile is kept here and will be sent.')
            : say('Signed in: {name}, {role}{which}.', {
                name: session.person.name,
                role: ROLE_TEXT[session.person.role],
                which: session.shops ? say(', at {name}', { name: session.shop.name }) : '',
              })
        }
      >
        {!options && (
          <p className="mb-3 text-ink-2">
            {here.length > 0
              ? say('No line to the server: those who have signed in here before can take over, with their PIN.')
              : say('Asking the server who works here.')}
          </p>
        )}
        {waiting > 0 && (
          <p className="mb-3 border-l-4 border-ink pl-3">
            {tell('{which} They are kept under the name of whoever made them, and go out by themselves.', {
              which: (
                <b>
                  {tell('{which} on this device to be sent.', {
                    which: waiting === 1 ? say('One entry waits') : say('{waiting} entries wait', { waiting }),
                  })}
                </b>
              ),
            })}
          </p>
        )}
        {person ? (
          <PinPad
            key={person.id}
            person={person}
            shop={session.shop.id}
            hint={options?.demoPins?.[person.id]}
            onDone={close}
            onBack={() => setChosen(expired && chosen === undefined ? NOBODY : undefined)}
          />
        ) : (
          <div className="grid gap-2">
            {people.map((entry) => (
              <Button key={entry.id} className="justify-between!" onClick={() => setChosen(entry.id)}>
                <span>{entry.name}</span>
                <span className="font-normal text-ink-2">{ROLE_TEXT[entry.role]}</span>
              </Button>
            ))}
            <div className="mt-2 grid grid-cols-2 gap-2">
              <Button
                onClick={() => {
                  close();
                  setSettings(true);
                }}
              >
                {say('Settings')}
              </Button>
              <Button onClick={() => void signOut().then(close)}>{say('Sign out')}</Button>
              <Button
                className="col-span-2 sm:hidden"
                onClick={() => {
                  close();
                  help(true);
                }}
              >
                {say('Help for this screen')}
              </Button>
              {session.shops
                ?.filter(({ id }) => id !== session.shop.id)
                .map((shop) => (
                  <GoToShop key={shop.id} shop={shop} className="col-span-2" />
                ))}
              {session.person.role === 'lead' && (
                <Link
                  to="/shop"
                  className="col-span-2 flex min-h-14 items-center justify-center border-2 border-ink bg-sheet px-4 font-bold"
                  onClick={close}
                >
                  {say('The shop: people and house rules')}
                </Link>
              )}
            </div>
          </div>
        )}
      </Sheet>
      <SettingsSheet open={settings} onClose={() => setSettings(false)} />
    </>
  );
}
