import { lazy, Suspense } from 'react';
import { KIND_WORDS } from '#contract/wording/en/kinds.ts';
import { say } from '#contract/wording/say.ts';
import { showBand, showTorque, showTorqueIn } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { acceptBand } from '#core/tightening/kinds.ts';
import { useLiveWrench } from '../../../job/live-wrench.ts';
import { useSettings } from '../../../shop/settings.ts';
import { tell } from '../../../ui/tell.ts';
import { PlainReading } from './PlainReading.tsx';
import { SeatFirst } from './SeatFirst.tsx';
import { SlotPanel } from './SlotPanel.tsx';
import type { TorqueStep } from './use-torque-step.ts';

/** The gauge comes with the first wrench that speaks; typed readings need none. */
const TorqueGauge = lazy(() =>
  import('../../../drawing/TorqueGauge.tsx').then((drawing) => ({ default: drawing.TorqueGauge })),
);

/** The figure of the pull in hand, its window, and where the wrench stands. */
export function TorqueTarget({ torque }: { torque: TorqueStep }) {
  const { station, band, wrench, held, step } = torque;
  const system = useSettings((settings) => settings.system);
  const torqueNm = useLiveWrench((live) => live.torqueNm);
  const angleDeg = useLiveWrench((live) => live.angleDeg);
  const clicked = useLiveWrench((live) => live.clicked);
  const status = useLiveWrench((live) => live.status);
  const fault = useLiveWrench((live) => live.fault);
  const instrument = useLiveWrench((live) => live.instrument);
  if (!band || !station || step.kind !== 'pull') return null;
  const finite = { minNm: band.minNm, maxNm: Number.isFinite(band.maxNm) ? band.maxNm : band.targetNm * 3 };
  // A threshold is where watching begins, not a figure to be met: it is rounded like any other.
  const within = band.gradient ? undefined : finite;
  // As the sheet prints it; what it is in the other system stands beneath.
  const printed = printedTorqueUnit(station.printed);
  const shown = showTorque(
    band.targetNm,
    printed === undefined ? system : printed === 'N·m' ? 'metric' : 'inch',
    within,
  );
  const first = printed === undefined ? shown.first : showTorqueIn(band.targetNm, printed, within);
  const { second } = shown;
  const unit = first.unit as TorqueUnit;
  const ends = showBand(finite.minNm, finite.maxNm, unit);
  const live = wrench?.faults.length === 0 && wrench.wrench.live && !torque.through;
  return (
    <>
      <div className="mt-2 flex flex-wrap items-end justify-between gap-x-2">
        <div className="flex items-end gap-4">
          <output
            aria-label={say('Target {number} {unit}', { number: first.number, unit })}
            className={`figures leading-[0.9] font-bold ${first.number.length > 3 ? 'text-[52px] sm:text-[76px]' : 'text-[76px] sm:text-[96px]'}`}
          >
            {first.number}
          </output>
          <div className="pb-2">
            <p className="figures text-2xl">{unit}</p>
            <p className="figures whitespace-nowrap text-ink-2">
              {second.number} {second.unit}
            </p>
          </div>
        </div>
        <div className="ml-auto pb-2 text-right">
          {band.gradient ? (
            <>
              <p className="text-sm text-ink-2">{say('then on until it yields')}</p>
              <p className="text-xl whitespace-nowrap">
                {tell('gradient ≤ {maxShare}', {
                  maxShare: <span className="figures">{Math.round(band.gradient.maxShare * 100)} %</span>,
                })}
              </p>
            </>
          ) : band.angle ? (
            <>
              <p className="text-sm text-ink-2">{torque.turnedDeg > 0 ? say('turn on by') : say('then turn')}</p>
              <p className="figures text-2xl">
                {Math.round(band.angle.targetDeg - torque.turnedDeg)}°{' '}
                <span className="text-base text-ink-2">±{Math.round(band.angle.maxDeg - band.angle.targetDeg)}</span>
              </p>
              {torque.turnedDeg > 0 && (
                <p className="figures text-sm text-ink-2">
                  {tell('{turnedDeg}° of {targetDeg}° done', {
                    turnedDeg: Math.round(torque.turnedDeg),
                    targetDeg: band.angle.targetDeg,
                  })}
                </p>
              )}
            </>
          ) : (
            <>
              <p className="text-sm text-ink-2">{KIND_WORDS[station.spec.kind].window}</p>
              <p className="figures text-xl whitespace-nowrap">
                {ends.min} – {ends.max}
              </p>
            </>
          )}
          {band.absoluteMaximumNm !== undefined && (
            <p className="figures text-sm whitespace-nowrap text-bad">
              {tell('never over {number}  {unit}', { number: showTorqueIn(band.absoluteMaximumNm, unit).number, unit })}
            </p>
          )}
        </div>
      </div>
      <p className="text-sm text-ink-2">
        {tell('printed {printed}{which}', {
          printed: <span className="figures text-ink">{station.printed}</span>,
          which:
            band.targetNm < (acceptBand(station.spec)?.targetNm ?? 0) - 1e-9
              ? say(', this pass aims at part of it')
              : '',
        })}
      </p>
      {live && (
        <>
          <Suspense fallback={<div className="aspect-[420/102] w-full" />}>
            <TorqueGauge
              band={band}
              unit={unit}
              torqueNm={status === 'pulling' || clicked ? torqueNm : undefined}
              clicked={clicked}
              live={
                status === 'lost'
                  ? say('wrench {label} not reachable', { label: wrench.wrench.label })
                  : say('live from wrench {label}{which}', {
                      label: wrench.wrench.label,
                      which: instrument?.serial ? `, ${instrument.serial}` : '',
                    })
              }
            />
          </Suspense>
          {fault && (
            <p role="alert" className="text-bad">
              {fault}
            </p>
          )}
          {band.angle && clicked && (
            <p className="figures">{tell('turned {angleDeg}° in all', { angleDeg: Math.round(angleDeg) })}</p>
          )}
        </>
      )}
      {held && <SlotPanel torque={torque} held={held} unit={unit} />}
      {station.spec.kind === 'bearing' && (
        <SeatFirst key={station.id} torque={torque} spec={station.spec} unit={unit} />
      )}
      {(!live || torque.through || status === 'lost') && !held && wrench?.faults.length === 0 && (
        <PlainReading torque={torque} />
      )}
    </>
  );
}
