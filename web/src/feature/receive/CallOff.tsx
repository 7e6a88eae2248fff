import { useState } from 'react';
import { CALLED_OFF, type CallOff as Said } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { CALLED_OFF_TEXT } from '#contract/wording/slot-text.ts';
import { api, call } from '../../shop/api.ts';
import { useChange } from '../../shop/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** The vehicle does not come: said with why, and taken back as easily. */
export function CallOff({
  job,
  open,
  onClose,
  onDone,
}: {
  job: string;
  open: boolean;
  onClose: () => void;
  onDone: () => void;
}) {
  const { act, busy, failure } = useChange('jobs');
  const [as, setAs] = useState<Said['as']>();
  const [note, setNote] = useState('');
  const [tried, setTried] = useState(false);
  const send = () => {
    setTried(true);
    if (!as) return;
    const json: Said = { as, ...(note.trim() ? { note: note.trim() } : {}) };
    void act(() => call(api.jobs[':jobId']['called-off'].$put({ param: { jobId: job }, json }))).then(
      (done) => done && onDone(),
    );
  };
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title={say('The vehicle does not come')}
      description={say(
        'Its bay and its people are free. The job stays, with its kits and answers, and can be put back.',
      )}
    >
      <fieldset className="grid grid-cols-2 gap-2">
        <legend className="sr-only">{say('Why')}</legend>
        {CALLED_OFF.map((one) => (
          <Button key={one} tone={one === as ? 'dark' : 'plain'} aria-pressed={one === as} onClick={() => setAs(one)}>
            {CALLED_OFF_TEXT[one]}
          </Button>
        ))}
      </fieldset>
      {tried && !as && (
        <p role="alert" className="mt-1 font-bold text-bad">
          {say('Say which of the two.')}
        </p>
      )}
      <div className="mt-3">
        <FormField
          id="call-off-note"
          label={say('Note')}
          hint={say('Who said so, or how they were called. Not required.')}
        >
          <input
            id="call-off-note"
            className={inputLook(undefined)}
            maxLength={300}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </FormField>
      </div>
      {failure && (
        <p role="alert" className="mt-2 text-bad">
          {failure}
        </p>
      )}
      <div className="mt-4 grid grid-cols-2 gap-2">
        <Button onClick={onClose}>{say('Leave it')}</Button>
        <Button tone="primary" disabled={busy} onClick={send}>
          {busy ? say('Calling off') : say('Call it off')}
        </Button>
      </div>
    </Sheet>
  );
}

/** The vehicle comes after all. */
export function PutBack({ job, onDone }: { job: string; onDone: () => void }) {
  const { act, busy, failure } = useChange('jobs');
  return (
    <>
      <Button
        tone="primary"
        disabled={busy}
        onClick={() =>
          void act(() => call(api.jobs[':jobId']['called-off'].$delete({ param: { jobId: job } }))).then(
            (done) => done && onDone(),
          )
        }
      >
        {say('Put it back')}
      </Button>
      {failure && (
        <p role="alert" className="text-bad">
          {failure}
        </p>
      )}
    </>
  );
}
