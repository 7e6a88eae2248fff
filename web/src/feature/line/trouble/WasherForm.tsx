import { type FormEvent, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { WASHER_HV, type WasherHv } from '#core/fastener/washer-hardness.ts';
import { stationState } from '#core/job/job-state.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';

const SIZES = [
  ['insideMm', say('Hole, mm')],
  ['outsideMm', say('Outside, mm')],
  ['thicknessMm', say('Thickness, mm')],
] as const;
const FIELD = 'figures min-h-12 w-full border-2 border-ink bg-sheet px-2';
const figure = (typed: string): number => (typed.trim() === '' ? Number.NaN : Number(typed.replace(',', '.')));

/** A washer of the shop's goes under: with its size and hardness, and the stack checked again. */
export function WasherForm({ station }: { station: PlanStation }) {
  const { state, give } = useOpenJob();
  const { washers = [] } = stationState(state, station.id);
  const [typed, setTyped] = useState({ insideMm: '', outsideMm: '', thicknessMm: '' });
  const [under, setUnder] = useState<'head' | 'nut'>('head');
  const [hardnessHv, setHardness] = useState<WasherHv>(200);
  const [reason, setReason] = useState('');
  const sizes = {
    insideMm: figure(typed.insideMm),
    outsideMm: figure(typed.outsideMm),
    thicknessMm: figure(typed.thicknessMm),
  };
  const ready = Object.values(sizes).every(Number.isFinite) && reason.trim() !== '';
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!ready) return;
    if (give({ type: 'addWasher', station: station.id, under, ...sizes, hardnessHv, reason: reason.trim() }))
      setTyped({ insideMm: '', outsideMm: '', thicknessMm: '' });
  };
  return (
    <section aria-label={say('Washer added')}>
      {washers.map((washer) => (
        <p key={washer.commandId} className="border-b border-hair py-1">
          {tell('{insideMm} mm, {hardnessHv} HV, under the {under}', {
            insideMm: (
              <b className="figures">
                {washer.insideMm} × {washer.outsideMm} × {washer.thicknessMm}
              </b>
            ),
            hardnessHv: washer.hardnessHv,
            under: washer.under,
          })}
          {washer.noThreadShows && (
            <span className="block text-bad">{say('Fewer than two turns show past the nut.')}</span>
          )}
        </p>
      ))}
      <form onSubmit={submit} className="mt-2 grid grid-cols-3 gap-2">
        {SIZES.map(([field, label]) => (
          <label key={field} className="grid gap-1">
            <span className="text-sm text-ink-2">{label}</span>
            <input
              className={FIELD}
              inputMode="decimal"
              value={typed[field]}
              onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
            />
          </label>
        ))}
        <label className="grid gap-1">
          <span className="text-sm text-ink-2">{say('Under the')}</span>
          <select className={FIELD} value={under} onChange={(event) => setUnder(event.target.value as 'head' | 'nut')}>
            <option value="head">{say('head')}</option>
            <option value="nut">{say('nut')}</option>
          </select>
        </label>
        <label className="grid gap-1">
          <span className="text-sm text-ink-2">{say('Hardness, HV')}</span>
          <select
            className={FIELD}
            value={hardnessHv}
            onChange={(event) => setHardness(Number(event.target.value) as WasherHv)}
          >
            {WASHER_HV.map((hv) => (
              <option key={hv}>{hv}</option>
            ))}
          </select>
        </label>
        <label className="col-span-3 grid gap-1">
          <span className="text-sm text-ink-2">{say('Why')}</span>
          <input className={FIELD} maxLength={500} value={reason} onChange={(event) => setReason(event.target.value)} />
        </label>
        <Button type="submit" className="col-span-3" disabled={!ready}>
          {say('Add it to the stack')}
        </Button>
      </form>
    </section>
  );
}
