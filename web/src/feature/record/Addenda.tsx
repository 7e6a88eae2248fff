import { useState } from 'react';
import { addendumText } from '#contract/wording/addendum-text.ts';
import { say } from '#contract/wording/say.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { ProofSheet } from '../../job/ProofSheet.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

const FIELD = 'min-h-14 w-full border-2 border-ink bg-sheet px-3';

/** What was found after the job was signed: it stands behind the record and changes nothing of it. */
export function Addenda() {
  const { plan, state } = useOpenJob();
  const [open, setOpen] = useState(false);
  const [signing, setSigning] = useState<JobCommand>();
  const [text, setText] = useState('');
  const [foundBy, setFoundBy] = useState('');
  const [redone, setRedone] = useState('');
  const [station, setStation] = useState('');
  if (!state.closed) return null;
  const addenda = state.visit.addenda ?? [];
  const lacks =
    text.trim() === '' ? say('Say what was found') : foundBy.trim() === '' ? say('Say who found it') : undefined;
  const done = () => {
    setOpen(false);
    setText('');
    setFoundBy('');
    setRedone('');
    setStation('');
  };
  return (
    <section className="mt-3">
      {addenda.length > 0 && <h3 className="font-bold">{say('Added after the close')}</h3>}
      <ul>
        {addenda.map((addendum) => (
          <li key={addendum.commandId} className="border-b border-hair py-2 text-sm">
            {addendumText(plan, addendum)}
            <span className="block text-ink-2">
              {addendum.by.name}, {shopFormat(addendum.atMs, 'd MMM yyyy HH:mm')}
            </span>
          </li>
        ))}
      </ul>
      <Button className="mt-2 w-full" onClick={() => setOpen(true)}>
        {say('Add what was found later')}
      </Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={say('Found after the close')}
        description={say('The signed record stays as it is. This is added behind it, with your name.')}
      >
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            if (lacks) return;
            setSigning({
              type: 'addAddendum',
              text: text.trim(),
              foundBy: foundBy.trim(),
              ...(redone.trim() ? { redone: redone.trim() } : {}),
              ...(station ? { station } : {}),
            });
          }}
        >
          <label className="grid gap-1">
            <span className="font-bold">{say('What was found')}</span>
            <textarea className={FIELD} rows={3} value={text} onChange={(event) => setText(event.target.value)} />
          </label>
          <label className="grid gap-1">
            <span className="font-bold">{say('Who found it')}</span>
            <input className={FIELD} value={foundBy} onChange={(event) => setFoundBy(event.target.value)} />
          </label>
          <label className="grid gap-1">
            <span className="font-bold">{say('What was redone, if anything')}</span>
            <input className={FIELD} value={redone} onChange={(event) => setRedone(event.target.value)} />
          </label>
          <label className="grid gap-1">
            <span className="font-bold">{say('The joint, where it is about one')}</span>
            <select className={FIELD} value={station} onChange={(event) => setStation(event.target.value)}>
              <option value="">{say('no joint in particular')}</option>
              {plan.stations.map(({ id, label, name }) => (
                <option key={id} value={id}>
                  {label} {name}
                </option>
              ))}
            </select>
          </label>
          <Button type="submit" tone="primary" disabled={lacks !== undefined}>
            {lacks ?? say('Sign it')}
          </Button>
        </form>
      </Sheet>
      <ProofSheet command={signing} title={say('Sign it')} onGiven={done} onClose={() => setSigning(undefined)} />
    </section>
  );
}
