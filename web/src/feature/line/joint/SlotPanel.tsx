import { say } from '#contract/wording/say.ts';
import { slotForecast } from '#core/job/next-slot.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { tell } from '../../../ui/tell.ts';
import { type Held, type TorqueStep, turnedBy } from './use-torque-step.ts';

/** Parts of a slot a fitter can tell by eye. */
const PARTS = [
  [say('a quarter'), 0.25],
  ['half', 0.5],
  [say('three quarters'), 0.75],
] as const;

/** A castle nut at its torque: does its pin go through, and what the next slot will take. */
export function SlotPanel({ torque, held, unit }: { torque: TorqueStep; held: Held; unit: TorqueUnit }) {
  const { station, plan } = torque;
  if (station?.spec.kind !== 'slot') return null;
  const { ceilingNm } = station.spec;
  const show = (nm: number) => showTorqueIn(nm, unit).number;
  const forecast = slotForecast(plan, station, held.torqueNm, turnedBy(held));
  return (
    <div role="status" className="mt-2 border-2 border-ink p-3">
      <p>
        {tell('Stands at {show}  {unit}. {which}', {
          show: <b className="figures">{show(held.torqueNm)}</b>,
          unit,
          which: torque.pinThrough
            ? say('How are its legs bent? As the sheet says; clear of what turns beside it.')
            : say('Does the pin go through? Never turn back to make it fit.'),
        })}
      </p>
      {torque.pinThrough ? null : forecast ? (
        <>
          <p className="mt-2">
            {tell('It may be turned {reachDeg} on before its ceiling of {show}  {unit}.', {
              reachDeg: <b className="figures">{Math.floor(Math.min(forecast.reachDeg, forecast.stepDeg))}°</b>,
              show: show(ceilingNm),
              unit,
            })}
          </p>
          <ul className="figures text-sm">
            {PARTS.map(([name, share]) => {
              const deg = share * forecast.stepDeg;
              const thereNm = held.torqueNm + deg * forecast.nmPerDeg;
              return (
                <li key={name} className={thereNm > ceilingNm ? 'text-bad' : ''}>
                  {tell('{name} of a slot, {deg}°: about {show}{which}', {
                    name,
                    deg: Math.round(deg),
                    show: show(thereNm),
                    which: thereNm > ceilingNm ? say(', too much') : '',
                  })}
                </li>
              );
            })}
          </ul>
          <p className="text-sm">
            {tell(
              'A slot further away than that: a washer under the nut, or another nut. Foretold from {which}; the wrench has the last word.',
              { which: forecast.measured ? say('how it turned just now') : say('its stack') },
            )}
          </p>
        </>
      ) : (
        <p className="mt-2 text-sm text-ink-2">
          {tell(
            'Its stack does not say how steeply the torque rises: turn on slowly, and never over {show}  {unit}. Past that, a washer under the nut or another nut.',
            { show: show(ceilingNm), unit },
          )}
        </p>
      )}
    </div>
  );
}
