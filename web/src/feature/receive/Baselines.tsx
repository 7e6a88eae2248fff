import { Camera } from 'lucide-react';
import { useState } from 'react';
import { changeText, claimText } from '#contract/wording/change-text.ts';
import { say } from '#contract/wording/say.ts';
import { baselineVerdict, sideDifference } from '#core/job/baseline-verdict.ts';
import { QUANTITY_UNIT } from '#core/kit/baseline-unit.ts';
import type { Plan } from '#core/kit/plan.ts';
import { doubtful } from '#core/quantity/doubtful-measure.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { takePhoto } from '../../shop/photos.ts';
import { tell } from '../../ui/tell.ts';

/** What is measured before it is taken apart, and again after: four corners, toe, lengths, gaps. */
export function Baselines() {
  const { plan } = useOpenJob();
  if (plan.baselines.length === 0) return null;
  return (
    <section className="mt-5">
      <h2 className="plate text-3xl">{say('Measured before and after')}</h2>
      {plan.baselines.map((baseline) => (
        <BaselineTable key={baseline.id} baseline={baseline} />
      ))}
    </section>
  );
}

function BaselineTable({ baseline }: { baseline: Plan['baselines'][number] }) {
  const { state } = useOpenJob();
  const unit = QUANTITY_UNIT[baseline.quantity];
  const places = baseline.places.map((place) => ({ place, measured: state.visit.measurements[baseline.id]?.[place] }));
  const lean = sideDifference(places);
  return (
    <div className="mt-2">
      <h3 className="font-bold">
        {baseline.name}, {unit}
        {baseline.instrument && (
          <span className="font-normal text-ink-2">
            {tell(', with {instrument}', { instrument: baseline.instrument })}
          </span>
        )}
        {baseline.change && (
          <span className="font-normal text-ink-2">
            {tell('; the kit says {claimText}', { claimText: claimText(baseline.quantity, baseline.change, unit) })}
          </span>
        )}
      </h3>
      <table className="w-full text-left">
        <thead className="text-sm text-ink-2">
          <tr>
            <th className="py-1 font-normal">{say('Place')}</th>
            <th className="py-1 font-normal">{say('Before')}</th>
            <th className="py-1 font-normal">{say('After')}</th>
            <th className="py-1 font-normal">{say('Change', {}, 'noun')}</th>
          </tr>
        </thead>
        <tbody>
          {places.map(({ place, measured }) => {
            const verdict = baselineVerdict(baseline, measured);
            const off = verdict.code === 'belowClaim' || verdict.code === 'aboveClaim';
            return (
              <tr key={place} className="border-t border-hair">
                <th className="py-1 font-normal">{place}</th>
                <td className="py-1">
                  <Reading
                    baseline={baseline}
                    place={place}
                    when="before"
                    value={measured?.before?.value}
                    photo={measured?.before?.photo}
                  />
                </td>
                <td className="py-1">
                  <Reading
                    baseline={baseline}
                    place={place}
                    when="after"
                    value={measured?.after?.value}
                    photo={measured?.after?.photo}
                  />
                </td>
                <td className={`figures py-1 ${off ? 'font-bold text-bad' : ''}`}>
                  {'by' in verdict ? changeText(baseline.quantity, verdict.by, unit) : ''}
                  {off && baseline.change && (
                    <span className="block text-sm">
                      {tell('the kit says {claimText}', {
                        claimText: claimText(baseline.quantity, baseline.change, unit),
                      })}
                    </span>
                  )}
                  {verdict.code === 'asClaimed' && <span className="block text-sm">{say('as the kit says')}</span>}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {lean.map(({ axle, difference }) => (
        <p key={axle} className="text-sm text-ink-2">
          {tell('{charAt}: left {which} than right by {difference}  {unit}.', {
            charAt: axle.charAt(0).toUpperCase() + axle.slice(1),
            which: difference >= 0 ? say('higher') : say('lower'),
            difference: Math.abs(difference),
            unit,
          })}
        </p>
      ))}
    </div>
  );
}

function Reading({
  baseline,
  place,
  when,
  value,
  photo,
}: {
  baseline: Plan['baselines'][number];
  place: string;
  when: 'before' | 'after';
  value?: number;
  photo?: string;
}) {
  const { document: job, state, give } = useOpenJob();
  const [typed, setTyped] = useState<string>();
  const [failure, setFailure] = useState<string>();
  /** A doubtful reading that is kept when it is entered once more. */
  const [sure, setSure] = useState<number>();
  const unit = QUANTITY_UNIT[baseline.quantity];
  const taken = state.visit.measurements[baseline.id] ?? {};
  const before = when === 'after' ? taken[place]?.before?.value : undefined;
  const near =
    before !== undefined
      ? [before]
      : Object.entries(taken).flatMap(([other, { [when]: read }]) => (other === place || !read ? [] : [read.value]));
  const label = `${baseline.name}, ${place}, ${when}`;
  const keep = (photoId = photo) => {
    const number = Number((typed ?? String(value ?? '')).replace(',', '.'));
    if ((typed ?? String(value ?? '')).trim() === '') return;
    if (!Number.isFinite(number)) {
      setFailure(say('A number is needed.'));
      return;
    }
    if (number === value && photoId === photo) return;
    const doubt = number === sure ? undefined : doubtful(number, { quantity: baseline.quantity, unit, near });
    if (doubt) {
      setSure(number);
      setFailure(
        say('Hardly {number} {unit}.{which} Enter it once more if it really is so.', {
          number,
          unit,
          which: doubt.meant === undefined ? '' : say(' Was it {meant}?', { meant: doubt.meant }),
        }),
      );
      return;
    }
    setFailure(undefined);
    give({
      type: 'measure',
      baseline: baseline.id,
      place,
      when,
      value: number,
      ...(photoId ? { photo: photoId } : {}),
    });
    setTyped(undefined);
  };
  return (
    <span className="flex items-center gap-1">
      <input
        aria-label={label}
        className="figures min-h-12 w-20 border-2 border-ink bg-sheet px-2"
        inputMode="decimal"
        disabled={state.closed !== undefined}
        value={typed ?? (value === undefined ? '' : String(value))}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => keep()}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
      />
      {baseline.photo && value !== undefined && (
        <label className="flex min-h-12 cursor-pointer items-center px-2" title={say('Photo: {label}', { label })}>
          <Camera size={20} aria-hidden="true" />
          <span className="sr-only">{tell('Photo: {label}', { label })}</span>
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file)
                takePhoto(job.id, file)
                  .then((id) => keep(id))
                  .catch(() => setFailure(say('This is no picture that can be read.')));
            }}
          />
        </label>
      )}
      {photo && (
        <a className="text-sm underline" href={`/api/jobs/${job.id}/photos/${photo}`} target="_blank" rel="noreferrer">
          {say('photo')}
        </a>
      )}
      {failure && (
        <span role="alert" className="text-sm text-bad">
          {failure}
        </span>
      )}
    </span>
  );
}
