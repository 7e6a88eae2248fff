import { useState } from 'react';
import { HookInputSchema, SCOPES, type Scope, TOLD, type Told } from '#contract/outside.ts';
import { SCOPE_TEXT, TOLD_TEXT } from '#contract/wording/en/outside.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../../shop/api.ts';
import type { Change } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { FormField, inputLook } from '../../../ui/FormField.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { SecretField } from '../ProveSheet.tsx';

/** Some of a few, as boxes to tick. */
function Boxes<Value extends string>({
  legend,
  all,
  text,
  chosen,
  onChosen,
}: {
  legend: string;
  all: readonly Value[];
  text: Record<Value, string>;
  chosen: readonly Value[];
  onChosen: (chosen: Value[]) => void;
}) {
  return (
    <fieldset className="grid">
      <legend className="font-bold">{legend}</legend>
      {all.map((value) => (
        <label key={value} className="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            className="size-6"
            checked={chosen.includes(value)}
            onChange={(event) =>
              onChosen(event.target.checked ? [...chosen, value] : chosen.filter((other) => other !== value))
            }
          />
          {text[value]}
        </label>
      ))}
    </fieldset>
  );
}

interface FormProps {
  change: Change;
  onClose: () => void;
  onMade: (name: string, secret: string) => void;
}

/** A key for another program: its name, what it may do, and the lead's PIN. */
export function KeyForm({ change, onClose, onMade }: FormProps) {
  const [name, setName] = useState('');
  const [scopes, setScopes] = useState<Scope[]>(['kits:read', 'visits:read', 'visits:write']);
  const [secret, setSecret] = useState('');
  const close = () => {
    change.clearFailure();
    onClose();
  };
  return (
    <Sheet open onClose={close} title={say('A key for a program')}>
      <form
        className="grid gap-4"
        onSubmit={async (event) => {
          event.preventDefault();
          const made = await change.act(async () => {
            const json = { name: name.trim(), scopes, secret };
            const { key } = await call(api.programs.keys.$post({ json }));
            onMade(json.name, key);
          });
          if (made) close();
        }}
      >
        <FormField id="program" label={say('What has it')} hint={say('Till, web shop.')}>
          <input
            id="program"
            className={inputLook(false)}
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </FormField>
        <Boxes legend={say('What it may do')} all={SCOPES} text={SCOPE_TEXT} chosen={scopes} onChosen={setScopes} />
        <SecretField secret={secret} fault={change.failure} onSecret={setSecret} />
        <Button
          type="submit"
          tone="primary"
          disabled={name.trim() === '' || scopes.length === 0 || secret.length < 4 || change.busy}
        >
          {say('Make the key')}
        </Button>
      </form>
    </Sheet>
  );
}

/** Where a program listens, and of what it is told. */
export function HookForm({ change, onClose, onMade }: FormProps) {
  const [url, setUrl] = useState('');
  const [events, setEvents] = useState<Told[]>([...TOLD]);
  const [secret, setSecret] = useState('');
  const read = HookInputSchema.shape.url.safeParse(url.trim());
  const fault = url.trim() === '' || read.success ? undefined : say('An address such as https://till.example/told.');
  const close = () => {
    change.clearFailure();
    onClose();
  };
  return (
    <Sheet open onClose={close} title={say('A program that is told')}>
      <form
        className="grid gap-4"
        onSubmit={async (event) => {
          event.preventDefault();
          const made = await change.act(async () => {
            const json = { url: url.trim(), events, secret };
            const answer = await call(api.programs.hooks.$post({ json }));
            onMade(json.url, answer.secret);
          });
          if (made) close();
        }}
      >
        <FormField id="hook-url" label={say('Where it listens')} fault={fault}>
          <input
            id="hook-url"
            inputMode="url"
            className={`${inputLook(fault)} figures`}
            maxLength={500}
            placeholder="https://till.example/told"
            value={url}
            onChange={(event) => setUrl(event.target.value)}
          />
        </FormField>
        <Boxes legend={say('What it is told')} all={TOLD} text={TOLD_TEXT} chosen={events} onChosen={setEvents} />
        <SecretField secret={secret} fault={change.failure} onSecret={setSecret} />
        <Button
          type="submit"
          tone="primary"
          disabled={!read.success || events.length === 0 || secret.length < 4 || change.busy}
        >
          {say('Tell it from now on')}
        </Button>
      </form>
    </Sheet>
  );
}
