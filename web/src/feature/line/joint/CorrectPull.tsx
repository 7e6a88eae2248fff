import { useState } from 'react';
import { VERDICT_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import type { Pull } from '#core/job/job-state.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { written } from '#core/quantity/display.ts';
import { asksOf } from '#core/tightening/kinds.ts';
import { passFraction } from '#core/tightening/pass-plan.ts';
import { shopFormat } from '../../../shop/shop-time.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** One pull on record, and correcting a misread one: the old value and the reason stay. */
export function CorrectPull({ pull, station, torque }: { pull: Pull; station: PlanStation; torque: TorqueStep }) {
  const [open, setOpen] = useState(false);
  const [value, setValue] = useState('');
  const [reason, setReason] = useState('');
  const [pinFits, setPinFits] = useState(pull.pinFits ?? false);
  const pass = torque.group?.passes[pull.pass];
  const asksPin = asksOf(station.spec, pass && passFraction(pass)).includes('pinFits');
  // A reading that the wrench sent itself is no slip of the keyboard.
  const correctable = !pull.voided && !pull.withdrawn && pull.source === 'typed';
  const correct = () => {
    if (
      torque.give({
        type: 'correctPull',
        station: station.id,
        pull: pull.id,
        torqueNm: Number(value.replace(',', '.')),
        reason,
        ...(asksPin ? { pinFits } : {}),
      })
    )
      setOpen(false);
  };
  return (
    <li className="border-b border-hair py-2 last:border-b-0">
      <div className="flex items-center justify-between gap-3">
        <span className={pull.voided || pull.withdrawn ? 'text-ink-2 line-through' : ''}>
          <b className="figures">{written(pull.torqueNm, 1)} N·m</b> {VERDICT_TEXT[pull.verdict]}, {pull.wrench.label},{' '}
          {pull.by.name}, {shopFormat(pull.atMs, 'HH:mm')}
        </span>
        {correctable && (
          <button type="button" className="min-h-11 px-2 underline" onClick={() => setOpen(!open)}>
            {say('Correct')}
          </button>
        )}
      </div>
      {pull.corrections.map((correction) => (
        <p key={correction.commandId} className="text-sm text-ink-2">
          {tell('was {from} N·m: {reason} ({name})', {
            from: written(correction.from, 1),
            reason: correction.reason,
            name: correction.by.name,
          })}
        </p>
      ))}
      {open && (
        <div className="mt-2 grid grid-cols-[7rem_1fr_auto] gap-2">
          <input
            aria-label={say('Right reading, N·m')}
            placeholder="N·m"
            className="figures min-h-14 border-2 border-ink bg-sheet px-2"
            inputMode="decimal"
            value={value}
            onChange={(event) => setValue(event.target.value)}
          />
          <input
            aria-label={say('Reason for the correction')}
            placeholder={say('Reason')}
            maxLength={500}
            className="min-h-14 min-w-0 border-2 border-ink bg-sheet px-2"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <Button onClick={correct} disabled={value.trim() === '' || reason.trim() === ''}>
            {say('Correct')}
          </Button>
          {asksPin && (
            <label className="col-span-3 flex min-h-11 items-center gap-2">
              <input type="checkbox" checked={pinFits} onChange={(event) => setPinFits(event.target.checked)} />
              {say('The pin goes through')}
            </label>
          )}
        </div>
      )}
    </li>
  );
}
