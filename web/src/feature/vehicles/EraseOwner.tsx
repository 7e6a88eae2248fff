import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../shop/api.ts';
import { secretRefusedText } from '../../shop/secret-text.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { SecretPad } from '../../ui/SecretPad.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** Takes what is personal out of a vehicle and its records, on the owner's wish; a lead does it, with their PIN. */
export function EraseOwner({ vehicle, onErased }: { vehicle: string; onErased: () => void }) {
  const person = useSession((state) => state.session?.person);
  const [open, setOpen] = useState(false);
  if (person?.role !== 'lead') return null;
  const erase = async (secret: string) => {
    try {
      await call(api.vehicles[':id'].erase.$post({ param: { id: vehicle }, json: { secret } }));
      setOpen(false);
      onErased();
      return undefined;
    } catch (error) {
      return secretRefusedText(error);
    }
  };
  return (
    <>
      <button type="button" className="mt-4 min-h-11 underline" onClick={() => setOpen(true)}>
        {say('Erase the owner’s data')}
      </button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={say('Erase the owner’s data')}
        description={say(
          'Name, contact, plate, VIN and note go from this vehicle and from all its records, for good. What was torqued stays, and its seals still hold. Backups made before keep them until they are rotated out.',
        )}
      >
        <SecretPad label={say('PIN of {name}', { name: person.name })} onSecret={erase}>
          <Button onClick={() => setOpen(false)}>{say('Leave it')}</Button>
        </SecretPad>
      </Sheet>
    </>
  );
}
