import { classText } from '#contract/wording/class-text.ts';
import { BASIS_TEXT, COMPOUND_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import { wrenchFaultText } from '#contract/wording/wrench-fault-text.ts';
import { describeDrive } from '#core/fastener/drive.ts';
import { stationState } from '#core/job/job-state.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { usableBand } from '#core/wrench/usable-band.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** What is in the hand at a station: bolt, drive, wrench and what is on the thread. */
export function JointFacts({
  torque,
  onWrench,
  wrenchOnly = false,
}: {
  torque: TorqueStep;
  onWrench: () => void;
  /** The rest is what a learner has to know. */
  wrenchOnly?: boolean;
}) {
  const { station, index, wrench, step, state } = torque;
  if (!station) return null;
  const bolt = station.stack
    .flatMap((piece) => (piece.kind === 'hardware' ? (index.items.get(piece.item) ?? []) : []))
    .find((item) => item.thread);
  const own = torque.plan.removed.find(({ id }) => id === torque.group.again?.thing);
  const compound = index.compounds.get(station.compound ?? '');
  const bead = stationState(state, station.id).bead;
  const range = wrench && usableBand(wrench.wrench);
  const scaleUnit = wrench?.wrench.scaleUnit ?? 'N·m';
  const show = (nm: number) => showTorqueIn(nm, scaleUnit).number;
  const swatch =
    compound?.kind === 'threadlockerHigh'
      ? 'bg-high'
      : compound?.kind === 'threadlockerMedium'
        ? 'bg-medium'
        : compound?.kind === 'threadlockerLow'
          ? 'bg-steel'
          : compound?.kind === 'antiSeize'
            ? 'bg-antiseize'
            : 'bg-grease';
  const theWrench = step.kind === 'pull' && (
    <div className="flex gap-3">
      <dt className="w-16 shrink-0 text-ink-2">{say('Wrench')}</dt>
      <dd className="flex-1">
        <button type="button" className="min-h-11 w-full border-2 border-rule px-2 py-1 text-left" onClick={onWrench}>
          {wrench ? (
            <>
              <b>{wrench.wrench.label}</b>
              {range && (
                <span className="figures">
                  {' '}
                  {show(range.minNm)}–{show(range.maxNm)} {scaleUnit}
                </span>
              )}{' '}
              {wrench.wrench.squareDrive}
              <span className={`block text-sm ${wrench.faults.length > 0 ? 'text-bad' : 'text-ink-2'}`}>
                {wrench.faults.length > 0
                  ? wrench.faults.map(wrenchFaultText).join(' · ')
                  : say('calibration good to {calibrationDueOn}', { calibrationDueOn: wrench.wrench.calibrationDueOn })}
              </span>
            </>
          ) : (
            say('None in the crib')
          )}
        </button>
      </dd>
    </div>
  );
  if (wrenchOnly) return <dl>{theWrench}</dl>;
  return (
    <dl className="grid content-start gap-2">
      <div className="flex gap-3">
        <dt className="w-16 shrink-0 text-ink-2">{own?.kind === 'nut' ? say('Nut') : say('Bolt')}</dt>
        <dd>
          <b className="figures">{(own?.thread ?? bolt?.thread ?? '').replaceAll('x', '×')}</b>
          {torque.group.again && <span> {say('the vehicle’s own')}</span>}
          {bolt?.lengthMm ? <span className="figures"> × {bolt.lengthMm}</span> : null}
          <span className="block text-ink-2">
            {bolt?.leftHand && <b className="block text-bad">{say('Left-hand thread: tightens against the clock')}</b>}
            {[bolt?.propertyClass && classText(bolt.propertyClass), bolt?.singleUse ? say('use once') : undefined]
              .filter(Boolean)
              .join(', ')}
          </span>
        </dd>
      </div>
      <div className="flex gap-3">
        <dt className="w-16 shrink-0 text-ink-2">{say('Drive')}</dt>
        <dd>
          <b>{describeDrive(station.drive)}</b>
          {station.holding && (
            <span className="block text-ink-2">
              {station.holding.note ?? say('Hold the other side')} ({describeDrive(station.holding.drive)})
            </span>
          )}
        </dd>
      </div>
      {theWrench}
      <div className="flex gap-3">
        <dt className="w-16 shrink-0 text-ink-2">{say('Thread')}</dt>
        <dd className="flex flex-wrap items-start gap-2">
          {compound ? (
            <>
              <span aria-hidden="true" className={`mt-1 size-3.5 shrink-0 ${swatch}`} />
              <span>
                <b>{COMPOUND_TEXT[compound.kind]}</b>, {bead ? say('on') : say('to come')}
              </span>
            </>
          ) : own ? (
            say('as it came out, wiped clean')
          ) : (
            say('dry, as supplied')
          )}
          {step.kind === 'pull' && (
            <span className="block text-sm text-ink-2">
              {station.basis
                ? say('the figure is for {basisText}', { basisText: BASIS_TEXT[station.basis] })
                : say('for which thread the figure is, the sheet does not say')}
            </span>
          )}
        </dd>
      </div>
    </dl>
  );
}
