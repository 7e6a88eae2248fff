import type { PersonCard } from '#contract/session.ts';
import { say } from '#contract/wording/say.ts';
import { secretRefusedText } from '../../shop/secret-text.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { SecretPad } from '../../ui/SecretPad.tsx';

/** Signing in, or taking a device over, by PIN. */
export function PinPad({
  person,
  shop,
  hint,
  onDone,
  onBack,
}: {
  person: PersonCard;
  /** Where they are to work, where there are several. */
  shop?: string;
  hint?: string;
  onDone?: () => void;
  onBack?: () => void;
}) {
  const signIn = useSession((state) => state.signIn);
  const enter = async (secret: string) => {
    try {
      await signIn(person.id, secret, shop);
      onDone?.();
      return undefined;
    } catch (error) {
      return secretRefusedText(error);
    }
  };
  return (
    <SecretPad label={say('PIN for {name}', { name: person.name })} hint={hint} onSecret={enter}>
      {onBack && <Button onClick={onBack}>{say('Somebody else')}</Button>}
    </SecretPad>
  );
}
