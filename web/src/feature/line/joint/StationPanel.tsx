import { type FormEvent, useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { classText } from '#contract/wording/class-text.ts';
import { KIND_WORDS } from '#contract/wording/en/kinds.ts';
import { COMPOUND_TEXT, FIGURE_SOURCE_TEXT } from '#contract/wording/en/terms.ts';
import { passText, reasonsText } from '#contract/wording/plan-text.ts';
import { readingText } from '#contract/wording/reading-text.ts';
import { wrenchFaultText } from '#contract/wording/wrench-fault-text.ts';
import { describeDrive } from '#core/fastener/drive.ts';
import { stationState } from '#core/job/job-state.ts';
import { lockerCapacity } from '#core/job/locker-window.ts';
import { finalPull } from '#core/job/station-progress.ts';
import { showBand, showTorque, showTorqueIn } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import { roundTo } from '#core/quantity/rounding.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { acceptBand } from '#core/tightening/kinds.ts';
import { usableBand } from '#core/wrench/usable-band.ts';
import { StackDrawing } from '../../../drawing/StackDrawing.tsx';
import { TorqueGauge } from '../../../drawing/TorqueGauge.tsx';
import { useLiveWrench } from '../../../job/live-wrench.ts';
import { useSettings } from '../../../shop/settings.ts';
import { Button } from '../../../ui/Button.tsx';
import type { TorqueStep } from './use-torque-step.ts';

const UNITS: readonly TorqueUnit[] = ['N·m', 'lbf·ft', 'lbf·in', 'kgf·m'];

/** All a fitter needs to know of the station in hand, figures first. */
export function StationPanel({ torque, onWrench }: { torque: TorqueStep; onWrench: () => void }) {
  const { station, step, group, state, plan } = torque;
  if (!station) return <GroupDone torque={torque} />;
  const place = group.torqueOrder.indexOf(station.id) + 1;
  return (
    <>
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="plate text-4xl whitespace-nowrap sm:text-5xl">Station {station.label}</h2>
        <p className="figures text-right text-[0.95rem]">
          {step.kind === 'pull' ? passText(group.passes[step.pass], step.pass) : ''}
          {step.kind === 'pull' ? ` · ${place} of ${group.stations.length}` : ''}
        </p>
      </div>
      <p className="text-lg">{station.name}</p>
      {step.kind === 'pull' ? <Target torque={torque} /> : <Instruction torque={torque} />}
      <div className="mt-4 grid grid-cols-[6.5rem_1fr] sm:grid-cols-[9rem_1fr] gap-4 border-t border-rule pt-4 text-[0.95rem]">
        <div>
          <StackDrawing
            station={station}
            items={torque.index.items}
            compound={torque.index.compounds.get(station.compound ?? '')}
          />
        </div>
        <Facts torque={torque} onWrench={onWrench} />
      </div>
      {station.specBecause.length > 0 && (
        <p className="mt-3 text-sm">
          {station.printed}, because {reasonsText(plan, station.specBecause)}.
        </p>
      )}
      {station.notThisVehicle && (
        <p className="mt-1 text-sm text-ink-2">Not for this vehicle: {station.notThisVehicle.join(', ')}.</p>
      )}
      {state.visit.figures[station.id] && (
        <p className="mt-1 text-sm">
          Not on the sheet: {FIGURE_SOURCE_TEXT[state.visit.figures[station.id]?.source ?? 'byFeel']},{' '}
          {state.visit.figures[station.id]?.note}, {state.visit.figures[station.id]?.by.name}.
        </p>
      )}
      {station.note && <p className="mt-2 border-l-4 border-ink pl-3">{station.note}</p>}
      {stationState(state, station.id).loosenings.length > 0 && (
        <p className="mt-2 text-sm text-ink-2">
          Loosened before: {stationState(state, station.id).loosenings.at(-1)?.reason}.
        </p>
      )}
      {(stationState(state, station.id).repeats ?? []).map(({ commandId, pass, torqueNm, by }) => (
        <p key={commandId} role="status" className="mt-2 border-l-4 border-bad pl-3">
          <b>Pulled twice for {passText(group.passes[pass], pass)}.</b> {by.name} pulled it again with{' '}
          {torqueNm.toFixed(1)} N·m on another device. It counts once.
        </p>
      ))}
      <Link to={benchAddress(torque)} className="mt-2 inline-flex min-h-11 items-center text-sm underline">
        Work it out on the bench
      </Link>
    </>
  );
}

/** The bench with this joint's bolt and torque in its fields. */
function benchAddress({ station, index, band, document }: TorqueStep): string {
  const bolts = station?.stack.flatMap((piece) =>
    piece.kind === 'hardware' ? (index.items.get(piece.item) ?? []) : [],
  );
  const bolt = bolts?.find((item) => item.kind === 'bolt' && item.thread !== undefined);
  const search = new URLSearchParams({ job: document.id, station: station?.id ?? '' });
  if (bolt?.thread) search.set('thread', bolt.thread);
  if (bolt?.propertyClass) search.set('class', bolt.propertyClass);
  if (band) search.set('torque', String(roundTo(band.targetNm, 2)));
  return `/bench/finish?${search}`;
}

function Target({ torque }: { torque: TorqueStep }) {
  const { station, band, wrench, held, step } = torque;
  const system = useSettings((settings) => settings.system);
  const torqueNm = useLiveWrench((live) => live.torqueNm);
  const angleDeg = useLiveWrench((live) => live.angleDeg);
  const clicked = useLiveWrench((live) => live.clicked);
  const status = useLiveWrench((live) => live.status);
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
  const live = wrench?.faults.length === 0 && wrench.wrench.live;
  return (
    <>
      <div className="mt-2 flex flex-wrap items-end justify-between gap-x-2">
        <div className="flex items-end gap-4">
          <output
            aria-label={`Target ${first.number} ${unit}`}
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
              <p className="text-sm text-ink-2">then on until it yields</p>
              <p className="text-xl whitespace-nowrap">
                gradient ≤ <span className="figures">{Math.round(band.gradient.maxShare * 100)} %</span>
              </p>
            </>
          ) : band.angle ? (
            <>
              <p className="text-sm text-ink-2">then turn</p>
              <p className="figures text-2xl">
                {band.angle.targetDeg}°{' '}
                <span className="text-base text-ink-2">±{Math.round(band.angle.maxDeg - band.angle.targetDeg)}</span>
              </p>
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
              never over {showTorqueIn(band.absoluteMaximumNm, unit).number} {unit}
            </p>
          )}
        </div>
      </div>
      <p className="text-sm text-ink-2">
        printed <span className="figures text-ink">{station.printed}</span>
        {band.targetNm < (acceptBand(station.spec)?.targetNm ?? 0) - 1e-9 ? ', this pass aims at part of it' : ''}
      </p>
      {live && (
        <>
          <TorqueGauge
            band={band}
            unit={unit}
            torqueNm={status === 'pulling' || clicked ? torqueNm : undefined}
            clicked={clicked}
            live={
              status === 'lost'
                ? `wrench ${wrench.wrench.label} not reachable`
                : `live from wrench ${wrench.wrench.label}`
            }
          />
          {band.angle && clicked && <p className="figures">turned {Math.round(angleDeg)}° in all</p>}
          {held && (
            <p role="status" className="border-2 border-ink p-3">
              Stands at <b className="figures">{showTorqueIn(held.torqueNm, unit).number}</b> {unit}. Does the pin go
              through? Never turn back to make it fit.
            </p>
          )}
        </>
      )}
      {station.spec.kind === 'bearing' && (
        <label className="mt-2 flex min-h-14 items-center gap-3 font-bold">
          <input
            type="checkbox"
            className="size-7"
            checked={torque.seated}
            onChange={(event) => torque.setSeated(event.target.checked)}
          />
          Seated at {showTorqueIn(station.spec.seatNm, unit).number} {unit} while turning, backed off{' '}
          {station.spec.backOffDeg}°
        </label>
      )}
      {(!live || status === 'lost') && wrench?.faults.length === 0 && <TypedReading torque={torque} />}
    </>
  );
}

/** A reading typed from a wrench that cannot speak. Digits typed anywhere on the screen land here. */
function TypedReading({ torque }: { torque: TorqueStep }) {
  const { wrench, band, station } = torque;
  const [value, setValue] = useState('');
  const [angle, setAngle] = useState('');
  const [unit, setUnit] = useState<TorqueUnit>(wrench?.wrench.scaleUnit ?? 'N·m');
  const field = useRef<HTMLInputElement>(null);
  const scaleUnit = wrench?.wrench.scaleUnit;
  useEffect(() => {
    if (scaleUnit) setUnit(scaleUnit);
  }, [scaleUnit]);
  // A new station starts with an empty field.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the station is the trigger
  useEffect(() => setValue(''), [station?.id]);
  useHotkeys('0,1,2,3,4,5,6,7,8,9', () => field.current?.focus(), { useKey: true });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const number = Number(value.replace(',', '.'));
    if (value.trim() === '') return;
    // A number that is none is judged like any other: the refusal says what is wrong with it.
    if (torque.type(Number.isNaN(number) ? -1 : number, unit, angle === '' ? undefined : Number(angle))) {
      setValue('');
      setAngle('');
    }
  };
  return (
    <form onSubmit={submit} className="mt-3 flex flex-wrap items-end gap-2">
      <label className="grid flex-1">
        <span className="text-sm text-ink-2">Reading from {wrench?.wrench.label}</span>
        <input
          ref={field}
          className="figures min-h-14 w-full min-w-24 border-2 border-ink bg-sheet px-3 text-3xl font-bold"
          inputMode="decimal"
          autoComplete="off"
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
      </label>
      <label>
        <span className="sr-only">Unit</span>
        <select
          className="figures min-h-14 border-2 border-ink bg-sheet px-2"
          value={unit}
          onChange={(event) => setUnit(event.target.value as TorqueUnit)}
        >
          {UNITS.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      {band?.angle && (
        <label className="grid w-24">
          <span className="text-sm text-ink-2">Turned, °</span>
          <input
            className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3 text-2xl"
            inputMode="decimal"
            value={angle}
            onChange={(event) => setAngle(event.target.value)}
          />
        </label>
      )}
      <Button type="submit" tone="primary" hotkey="ENTER" disabled={value.trim() === ''}>
        {station ? KIND_WORDS[station.spec.kind].record : 'Record'}
      </Button>
    </form>
  );
}

function Instruction({ torque }: { torque: TorqueStep }) {
  const { step, station, group, plan, state, index } = torque;
  if (!station) return null;
  const compound = index.compounds.get(station.compound ?? '');
  switch (step.kind) {
    case 'start':
      return (
        <p className="mt-3 text-xl">
          Not started by hand yet. All of {group.title} go in their threads before any is drawn down.
        </p>
      );
    case 'compound': {
      const capacity = lockerCapacity(plan, state, group.id);
      return (
        <div className="mt-3 text-xl">
          <p>
            Back it out, clean the thread, {compound ? COMPOUND_TEXT[compound.kind].toLowerCase() : 'compound'} on, and
            in again by hand.
          </p>
          {compound?.workingWindowMin && (
            <p className="mt-2 text-base text-ink-2">
              The clock runs from the first bead: {compound.workingWindowMin} min.{' '}
              {capacity === undefined || capacity.stations >= group.stations.length
                ? `At this pace all ${group.stations.length} reach full torque inside it.`
                : `At this pace only ${capacity.stations} of ${group.stations.length} reach full torque inside it: do them in two goes.`}{' '}
              Read the product’s sheet.
            </p>
          )}
        </div>
      );
    }
    case 'snug':
      return (
        <div className="mt-3">
          <p className="text-xl">
            Draw it down until the parts are in firm contact. Not more: torque comes when all are snug.
          </p>
          {torque.index.kits.get(station.kit)?.powerTools === 'never' ? (
            <p className="mt-2 font-bold">No power tool on this kit.</p>
          ) : (
            <Button className="mt-3" onClick={() => torque.give({ type: 'snug', station: station.id, tool: 'power' })}>
              Ran it down with a power tool
            </Button>
          )}
        </div>
      );
    case 'confirmStop':
      if (station.spec.kind === 'missing')
        return (
          <div className="mt-3">
            <p className="text-xl">{MISSING_TEXT[station.spec.why]} Look for a figure before you tighten it by feel.</p>
            {station.spec.note && <p className="mt-1 text-ink-2">{station.spec.note}</p>}
            <p className="mt-2">
              What you did goes on the record with your name and your reason, and is shown at hand-over.
            </p>
          </div>
        );
      return (
        <p className="mt-3 text-xl">
          {KIND_WORDS[station.spec.kind].turn.replace('{stop}', 'stop' in station.spec ? station.spec.stop : '')}
        </p>
      );
    case 'loosen':
      return (
        <p className="mt-3 text-xl text-bad">
          The last pull proves nothing: it went past the band, or clicked without moving. Loosen it and pull again.
        </p>
      );
    default:
      return null;
  }
}

const MISSING_TEXT = {
  notGiven: 'The sheet gives no figure.',
  byFeel: 'The sheet says: by feel.',
  otherSheet: 'The figure stands on another sheet.',
} as const;

function Facts({ torque, onWrench }: { torque: TorqueStep; onWrench: () => void }) {
  const { station, index, wrench, step, state } = torque;
  if (!station) return null;
  const bolt = station.stack
    .flatMap((piece) => (piece.kind === 'hardware' ? (index.items.get(piece.item) ?? []) : []))
    .find((item) => item.thread);
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
        : compound?.kind === 'antiSeize'
          ? 'bg-antiseize'
          : 'bg-grease';
  return (
    <dl className="grid content-start gap-2">
      <div className="flex gap-3">
        <dt className="w-16 shrink-0 text-ink-2">Bolt</dt>
        <dd>
          <b className="figures">{(bolt?.thread ?? '').replaceAll('x', '×')}</b>
          {bolt?.lengthMm ? <span className="figures"> × {bolt.lengthMm}</span> : null}
          <span className="block text-ink-2">
            {[bolt?.propertyClass && classText(bolt.propertyClass), bolt?.singleUse ? 'use once' : undefined]
              .filter(Boolean)
              .join(', ')}
          </span>
        </dd>
      </div>
      <div className="flex gap-3">
        <dt className="w-16 shrink-0 text-ink-2">Drive</dt>
        <dd>
          <b>{describeDrive(station.drive)}</b>
          {station.holding && (
            <span className="block text-ink-2">
              {station.holding.note ?? 'Hold the other side'} ({describeDrive(station.holding.drive)})
            </span>
          )}
        </dd>
      </div>
      {step.kind === 'pull' && (
        <div className="flex gap-3">
          <dt className="w-16 shrink-0 text-ink-2">Wrench</dt>
          <dd className="flex-1">
            <button
              type="button"
              className="min-h-11 w-full border-2 border-rule px-2 py-1 text-left"
              onClick={onWrench}
            >
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
                      : `calibration good to ${wrench.wrench.calibrationDueOn}`}
                  </span>
                </>
              ) : (
                'None in the crib'
              )}
            </button>
          </dd>
        </div>
      )}
      <div className="flex gap-3">
        <dt className="w-16 shrink-0 text-ink-2">Thread</dt>
        <dd className="flex items-start gap-2">
          {compound ? (
            <>
              <span aria-hidden="true" className={`mt-1 size-3.5 shrink-0 ${swatch}`} />
              <span>
                <b>{COMPOUND_TEXT[compound.kind]}</b>, {bead ? 'on' : 'to come'}
              </span>
            </>
          ) : (
            'dry, as supplied'
          )}
        </dd>
      </div>
    </dl>
  );
}

function GroupDone({ torque }: { torque: TorqueStep }) {
  const { group, plan, state, index } = torque;
  return (
    <>
      <h2 className="plate text-5xl">{group.title}</h2>
      <p className="mt-1 text-lg">
        Done: every station at torque{group.passes.some((pass) => pass.kind === 'verify') ? ' and verified' : ''}. Paint
        the stripes.
      </p>
      <table className="mt-4 w-full text-left">
        <thead className="text-sm text-ink-2">
          <tr>
            <th className="font-normal">Station</th>
            <th className="font-normal">Printed</th>
            <th className="text-right font-normal">N·m</th>
          </tr>
        </thead>
        <tbody>
          {group.torqueOrder.map((id) => {
            const station = index.stations.get(id);
            const pull = finalPull(plan, state, id);
            return (
              <tr key={id} className="border-t border-hair">
                <td className="py-1.5">
                  <b className="figures">{station?.label}</b>{' '}
                  <span className="text-sm text-ink-2">{station?.name}</span>
                </td>
                <td className="figures text-sm whitespace-nowrap">{station?.printed}</td>
                <td className="figures text-right font-bold">
                  {pull && station ? readingText(station.spec, pull) : '–'}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}
