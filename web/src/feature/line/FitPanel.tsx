import { useEffect, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { fitOf } from '#core/bench/fit.ts';
import type { FitKind, FitMaterial } from '#core/fit/shrink-fit.ts';
import type { Answers } from '#core/line/ask.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';

const KIND_TEXT: Record<FitKind, string> = {
  loose: say('loose'),
  slide: say('a sliding fit'),
  push: say('a push fit'),
  press: say('a press fit'),
  shrink: say('a shrink fit'),
};
/** What bores of this trade are made of. */
const BORES: ReadonlyArray<readonly [FitMaterial, string]> = [
  ['steel', say('Steel')],
  ['castIron', say('Cast iron')],
  ['aluminium', say('Aluminium')],
];
/** Clearance wanted while the parts go together, mm, and a wall of an arm or knuckle, mm (chosen by us). */
const SLIP_MM = 0.02;
const WALL_MM = 8;

/** What bore and part make as they were measured: the fit, how warm the bore must be, and the seconds it stays open. */
export function FitPanel({ answers, roomC = 20 }: { answers: Answers; roomC?: number }) {
  const { bore: boreMm, bush: pinMm } = answers;
  const [bore, setBore] = useState<FitMaterial>('steel');
  const [outAtMs, setOut] = useState<number>();
  const [nowMs, setNow] = useState(0);
  useEffect(() => {
    if (outAtMs === undefined) return undefined;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [outAtMs]);
  if (typeof boreMm !== 'number' || typeof pinMm !== 'number') return null;
  const fit = fitOf({
    diameterMm: boreMm,
    interferenceMm: pinMm - boreMm,
    slipMm: SLIP_MM,
    roomC,
    bore,
    pin: 'steel',
    measured: { boreMm, pinMm },
    wallMm: WALL_MM,
  });
  if (!fit.ok || !fit.value.measured) return null;
  const { measured, boreC, needsHeat, secondsLeft, tooHot } = fit.value;
  const hundredths = Math.abs(measured.interferenceMm).toFixed(3);
  const warms = measured.remedy === 'heatOrChill' && needsHeat;
  const left =
    secondsLeft === undefined || outAtMs === undefined ? secondsLeft : secondsLeft - (nowMs - outAtMs) / 1000;
  return (
    <section className="mx-5 mt-3 border-2 border-ink p-3 lg:mx-6" aria-label={say('The fit as measured')}>
      <p>
        <b className="figures">{hundredths} mm</b>{' '}
        {measured.interferenceMm > 0 ? say('too large to slide in') : say('of play')}: <b>{KIND_TEXT[measured.kind]}</b>
        .
      </p>
      {warms && (
        <>
          <div className="mt-2 grid grid-cols-3 gap-2">
            {BORES.map(([material, name]) => (
              <Button
                key={material}
                tone={bore === material ? 'dark' : 'plain'}
                aria-pressed={bore === material}
                onClick={() => setBore(material)}
              >
                {name}
              </Button>
            ))}
          </div>
          <p className="mt-2">
            {tell('Warm the bore to {boreC}{tooHot}. Never with an open flame on a bush with rubber.', {
              boreC: <b className="figures">{Math.round(boreC)} °C</b>,
              tooHot: tooHot && (
                <b className="text-bad">{say(', hotter than its material stands: chill the part too, or press it')}</b>
              ),
            })}
          </p>
          {left !== undefined && Number.isFinite(left) && (
            <div className="mt-2 flex items-center justify-between gap-3">
              <p role="timer" className={left <= 0 ? 'font-bold text-bad' : ''}>
                {left <= 0
                  ? say('It grips by now: warm it again.')
                  : tell('{left} until the slip is gone', {
                      left: <b className="figures text-2xl">{Math.ceil(left)} s</b>,
                    })}
              </p>
              <Button
                onClick={() => {
                  setNow(Date.now());
                  setOut(Date.now());
                }}
              >
                {outAtMs === undefined ? say('Out of the heat now') : say('Again from now')}
              </Button>
            </div>
          )}
        </>
      )}
    </section>
  );
}
