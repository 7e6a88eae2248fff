import { KeyRound } from 'lucide-react';
import { say } from '#contract/wording/say.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { hasPasskeys, type Prove, passkeyProof, pinProof } from '../shop/prove.ts';
import { secretRefusedText } from '../shop/secret-text.ts';
import { useSession } from '../shop/session.ts';
import { Button } from '../ui/Button.tsx';
import { SecretPad } from '../ui/SecretPad.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { useJobStore } from './job-store.ts';

/** Asks the person at work for their PIN or passkey for one command, and gives it with that. */
export function ProofSheet({
  command,
  title,
  onGiven,
  onClose,
}: {
  /** What is to be given; the sheet is open while there is something. */
  command: JobCommand | undefined;
  title: string;
  onGiven?: () => void;
  onClose: () => void;
}) {
  const giveProven = useJobStore((store) => store.giveProven);
  const person = useSession((state) => state.session?.person);
  const give = async (prove: Prove): Promise<string | undefined> => {
    if (!command) return undefined;
    try {
      // Refused by the job itself: the strip says why, and the sheet is in its way.
      if (await giveProven(command, prove)) onGiven?.();
      onClose();
      return undefined;
    } catch (error) {
      if (error instanceof Error && error.name === 'NotAllowedError') return say('The passkey was not given.');
      return secretRefusedText(error);
    }
  };
  return (
    <Sheet
      open={command !== undefined}
      onClose={onClose}
      title={title}
      description={say('Others answer by this, so being signed in is not enough.')}
    >
      <SecretPad
        label={say('PIN of {name}', { name: person?.name ?? '' })}
        onSecret={(secret) => give(pinProof(secret))}
      >
        {hasPasskeys() && (
          <Button onClick={() => void give(passkeyProof)}>
            <KeyRound aria-hidden="true" /> {say('Use a passkey')}
          </Button>
        )}
        <Button onClick={onClose}>{say('Leave it')}</Button>
      </SecretPad>
    </Sheet>
  );
}
