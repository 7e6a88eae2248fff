import { useState } from 'react';
import { PinPad } from '../feature/sign-in/PinPad.tsx';
import { useSignInOptions } from '../shop/queries.ts';
import ShopData from '../shop/ShopData.tsx';
import { useSession } from '../shop/session.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { SettingsSheet } from './SettingsSheet.tsx';

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
  const [settings, setSettings] = useState(false);
  const [chosen, setChosen] = useState<string>();
  const { data: options, failure } = useSignInOptions(open || status === 'expired');
  if (!session) return null;
  const expired = status === 'expired';
  const close = () => {
    onClose();
    setChosen(undefined);
  };
  const person = options?.people.find((entry) => entry.id === chosen) ?? (expired ? session.person : undefined);
  return (
    <>
      <Sheet
        open={open || expired}
        onClose={close}
        title={expired ? 'Session ended' : 'Who takes over?'}
        description={
          expired
            ? 'Sign in again. What you did meanwhile is kept here and will be sent.'
            : `Signed in: ${session.person.name}, ${session.person.role}.`
        }
      >
        {failure && <p className="mb-3 text-bad">{failure}</p>}
        {person ? (
          <PinPad
            key={person.id}
            person={person}
            hint={options?.demoPins?.[person.id]}
            onDone={close}
            onBack={expired ? undefined : () => setChosen(undefined)}
          />
        ) : (
          <div className="grid gap-2">
            {options?.people.map((entry) => (
              <Button key={entry.id} className="justify-between!" onClick={() => setChosen(entry.id)}>
                <span>{entry.name}</span>
                <span className="font-normal text-ink-2">{entry.role}</span>
              </Button>
            ))}
            <div className="mt-2 grid grid-cols-2 gap-2">
              <Button
                onClick={() => {
                  close();
                  setSettings(true);
                }}
              >
                Settings
              </Button>
              <Button onClick={() => void signOut().then(close)}>Sign out</Button>
            </div>
          </div>
        )}
      </Sheet>
      <SettingsSheet open={settings} onClose={() => setSettings(false)} />
    </>
  );
}
