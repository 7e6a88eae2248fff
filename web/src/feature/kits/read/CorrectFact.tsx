import { type FormEvent, useState } from 'react';
import { FACT_KIND_TEXT, factText } from '#contract/wording/fact-text.ts';
import { say } from '#contract/wording/say.ts';
import type { Fact, FactValue } from '#core/sheet/fact.ts';
import { readSheet } from '#core/sheet/read-sheet.ts';
import { Button } from '../../../ui/Button.tsx';
import { inputLook } from '../../../ui/FormField.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';

/** Corrects one fact by typing it as the sheet should have printed it; the same reader reads it. */
export function CorrectFact({
  fact,
  onValue,
  onClose,
}: {
  fact: Fact;
  onValue: (value: FactValue) => void;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState(fact.printed);
  const read = readSheet(typed).facts.map((entry) => entry.value);
  // The same kind first; a 16 mm bolt may turn out to be an M10.
  const value = read.find((entry) => entry.kind === fact.value.kind) ?? read[0];
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (value) onValue(value);
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Correct what was read')}
      description={say('The sheet prints “{printed}”.', { printed: fact.printed })}
    >
      <form onSubmit={submit} className="grid gap-3">
        <label htmlFor="correct-fact" className="font-bold">
          {say('Type it as it should be printed')}
        </label>
        <input
          id="correct-fact"
          className={`figures ${inputLook(value === undefined)}`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          spellCheck={false}
          autoComplete="off"
        />
        <p aria-live="polite" className={value ? '' : 'font-bold text-bad'}>
          {value ? (
            <>
              {FACT_KIND_TEXT[value.kind]}: <b>{factText(value)}</b>
            </>
          ) : (
            say('Nothing can be read from this.')
          )}
        </p>
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={!value}>
            {say('Take this')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
