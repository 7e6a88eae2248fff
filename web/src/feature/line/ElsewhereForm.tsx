import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { BAR, FIELD } from './ask-field.ts';

/** Measured by somebody else: who, and what they found, on what paper. Both stand on the record as a deviation. */
export function ElsewhereForm({
  title,
  onSaid,
  onBack,
}: {
  title: string;
  onSaid: (who: string, what: string) => void;
  onBack: () => void;
}) {
  const [who, setWho] = useState('');
  const [what, setWhat] = useState('');
  const good = who.trim() !== '' && what.trim() !== '';
  return (
    <form
      className="flex flex-1 flex-col"
      onSubmit={(event) => {
        event.preventDefault();
        if (good) onSaid(who.trim(), what.trim());
      }}
    >
      <div className="grid gap-3 px-5 pb-3 lg:px-6">
        <p className="text-2xl font-bold">{tell('{title}, measured elsewhere', { title })}</p>
        <label className="grid gap-1">
          <span className="font-bold">{say('Who measured it')}</span>
          <input
            // biome-ignore lint/a11y/noAutofocus: the form stands in the place of the field that was pressed
            autoFocus
            className={FIELD}
            maxLength={200}
            value={who}
            onChange={(event) => setWho(event.target.value)}
          />
        </label>
        <label className="grid gap-1">
          <span className="font-bold">{say('What they found, and where it is written')}</span>
          <input className={FIELD} maxLength={400} value={what} onChange={(event) => setWhat(event.target.value)} />
        </label>
        {!good && <p className="text-sm text-ink-2">{say('Both stand on the record.')}</p>}
        <Button onClick={onBack}>{say('Measure it here')}</Button>
      </div>
      <div className="flex-1" />
      <ActionBar type="submit" className={BAR} hotkey="ENTER" disabled={!good}>
        <span className="text-3xl">{good ? say('So it was measured') : say('Say who and what')}</span>
      </ActionBar>
    </form>
  );
}
