import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { Change } from '../../shop/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** Something a lead answers for with their own PIN. */
export function ProveSheet({
  title,
  description,
  action,
  tone = 'bad',
  change,
  act,
  onClose,
}: {
  title: string;
  description: string;
  action: string;
  tone?: 'bad' | 'primary';
  change: Change;
  act: (secret: string) => Promise<unknown>;
  onClose: () => void;
}) {
  const [secret, setSecret] = useState('');
  const close = () => {
    change.clearFailure();
    onClose();
  };
  return (
    <Sheet open onClose={close} title={title} description={description}>
      <form
        className="grid gap-4"
        onSubmit={async (event) => {
          event.preventDefault();
          if (await change.act(() => act(secret))) close();
        }}
      >
        <SecretField secret={secret} fault={change.failure} onSecret={setSecret} />
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={close}>{say('Leave it')}</Button>
          <Button type="submit" tone={tone} disabled={secret.length < 4 || change.busy}>
            {action}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

/** The lead's own PIN, hidden as it is typed. */
export function SecretField({
  secret,
  fault,
  onSecret,
  id = 'own-secret',
}: {
  secret: string;
  fault?: string;
  onSecret: (secret: string) => void;
  /** Where a page has more than one. */
  id?: string;
}) {
  return (
    <FormField id={id} label={say('Your own PIN')} fault={fault}>
      <input
        id={id}
        type="password"
        autoComplete="off"
        className={`${inputLook(fault)} figures text-2xl`}
        value={secret}
        onChange={(event) => onSecret(event.target.value)}
      />
    </FormField>
  );
}
