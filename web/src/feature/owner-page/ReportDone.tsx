import { type FormEvent, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { odometerKm as kmOf } from '#core/vehicle/odometer.ts';
import { failureText, isFailure } from '../../shop/failure-text.ts';
import { shrunk } from '../../shop/photos.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { odometerOf } from '../due/odometer-of.ts';
import { askOwnerPage } from './ask.ts';

const MOST_KM = 3_000_000;

/** What an owner had done elsewhere: when, at which odometer, with a photo where there is one. */
export function ReportDone({
  care,
  token,
  onClose,
  onReported,
}: {
  care: string;
  token: string;
  onClose: () => void;
  onReported: () => void;
}) {
  const [doneOn, setDoneOn] = useState(() => new Date().toLocaleDateString('sv'));
  const [typed, setTyped] = useState('');
  const [unit, setUnit] = useState<'km' | 'mi'>('km');
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<File>();
  const [busy, setBusy] = useState(false);
  const [failure, setFailure] = useState<string>();
  const today = new Date().toLocaleDateString('sv');
  const shown = typed.trim() === '' ? undefined : odometerOf(typed);
  const odometerKm = shown === undefined ? undefined : kmOf(shown, unit);
  const wrongOdometer =
    odometerKm === undefined || (odometerKm >= 0 && odometerKm <= MOST_KM) ? undefined : say('A number, like 58 500.');
  const wrongDay = doneOn === '' ? say('Which day?') : doneOn > today ? say('That day is still to come.') : undefined;
  const send = async (event: FormEvent) => {
    event.preventDefault();
    if (wrongDay || wrongOdometer) return;
    setBusy(true);
    setFailure(undefined);
    try {
      const body = new FormData();
      body.set('care', care);
      body.set('doneOn', doneOn);
      if (odometerKm !== undefined) body.set('odometerKm', String(Math.round(odometerKm)));
      if (note.trim()) body.set('note', note.trim());
      if (photo) body.set('photo', await shrunk(photo), 'photo.jpg');
      await askOwnerPage(token, '/done', body);
      onReported();
    } catch (error) {
      // A file that is no picture cannot be made smaller: what was typed stays.
      setFailure(isFailure(error) ? failureText(error) : say('That file is no picture.'));
    }
    setBusy(false);
  };
  return (
    <form
      onSubmit={send}
      className="mt-2 grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3 border-2 border-ink bg-sheet p-4"
    >
      <FormField id={`day ${care}`} label={say('Done on')} fault={wrongDay}>
        <input
          id={`day ${care}`}
          type="date"
          max={today}
          className={inputLook(wrongDay)}
          value={doneOn}
          onChange={(event) => setDoneOn(event.target.value)}
        />
      </FormField>
      <FormField
        id={`odometer ${care}`}
        label={say('Odometer then')}
        fault={wrongOdometer}
        hint={say('As it was read, if it was.')}
      >
        <span className="flex gap-2">
          <input
            id={`odometer ${care}`}
            inputMode="numeric"
            autoComplete="off"
            className={`figures ${inputLook(wrongOdometer)}`}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          {(['km', 'mi'] as const).map((one) => (
            <Button
              key={one}
              tone={unit === one ? 'dark' : 'plain'}
              aria-pressed={unit === one}
              onClick={() => setUnit(one)}
            >
              {one}
            </Button>
          ))}
        </span>
      </FormField>
      <FormField id={`note ${care}`} label={say('By whom, and what they found')}>
        <input
          id={`note ${care}`}
          maxLength={200}
          className={inputLook(undefined)}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </FormField>
      <FormField id={`photo ${care}`} label={say('Photo, of the odometer or the bill')}>
        <input
          id={`photo ${care}`}
          type="file"
          accept="image/*"
          className="min-h-12 w-full min-w-0"
          onChange={(event) => setPhoto(event.target.files?.[0])}
        />
      </FormField>
      {failure && (
        <p role="alert" className="font-bold text-bad">
          {failure}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={onClose}>{say('Not now')}</Button>
        <Button type="submit" tone="primary" disabled={busy || Boolean(wrongDay ?? wrongOdometer)}>
          {busy ? say('Sending') : say('Tell the shop')}
        </Button>
      </div>
    </form>
  );
}
