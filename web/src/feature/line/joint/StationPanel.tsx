import { Link } from 'react-router';
import { FACTOR_TEXT, FIGURE_SOURCE_TEXT } from '#contract/wording/en/terms.ts';
import { passText, reasonsText } from '#contract/wording/plan-text.ts';
import { say } from '#contract/wording/say.ts';
import { setsOnTheThread } from '#core/compound/compound.ts';
import { stationState } from '#core/job/job-state.ts';
import { ownPass } from '#core/kit/plan.ts';
import { written } from '#core/quantity/display.ts';
import { roundTo } from '#core/quantity/rounding.ts';
import { StackDrawing } from '../../../drawing/StackDrawing.tsx';
import { useInDrill } from '../../../job/in-drill.ts';
import { tell } from '../../../ui/tell.ts';
import { BasisChoice } from './BasisChoice.tsx';
import { GroupDone } from './GroupDone.tsx';
import { JointFacts } from './JointFacts.tsx';
import { JointInstruction } from './JointInstruction.tsx';
import { SheetOnlyPanel } from './SheetOnlyPanel.tsx';
import { TorqueTarget } from './TorqueTarget.tsx';
import type { TorqueStep } from './use-torque-step.ts';

/** All a fitter needs to know of the station in hand, figures first. */
export function StationPanel({ torque, onWrench }: { torque: TorqueStep; onWrench: () => void }) {
  const { station, step, group, state, plan } = torque;
  const sheetOnly = useInDrill((drill) => drill.sheetOnly);
  if (!station) return <GroupDone torque={torque} />;
  if (sheetOnly) return <SheetOnlyPanel torque={torque} onWrench={onWrench} />;
  const place = group.torqueOrder.indexOf(station.id) + 1;
  const compound = torque.index.compounds.get(station.compound ?? '');
  const pass = step.kind === 'pull' ? group.passes[step.pass] : undefined;
  const marked =
    compound !== undefined &&
    setsOnTheThread(compound.kind) &&
    pass?.kind === 'tighten' &&
    pass.fraction === 1 &&
    group.passes.some(({ kind }) => kind === 'verify');
  // Of a bolt of the vehicle nobody knows what it goes through.
  const drawn = station.stack.length > 0;
  return (
    <>
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="plate text-4xl whitespace-nowrap sm:text-5xl">
          {tell('Station {label}', { label: station.label })}
        </h2>
        <p className="figures text-right text-[0.95rem]">
          {step.kind === 'pull' ? passText(group.passes[step.pass], ownPass(station, step.pass)) : ''}
          {step.kind === 'pull' ? say(' · {place} of {count}', { place, count: group.stations.length }) : ''}
        </p>
      </div>
      <p className="text-lg">{station.name}</p>
      {pass?.kind === 'verify' && !torque.atMark && (
        <p className="mt-1 border-l-4 border-paint pl-3 font-bold">
          {say('Second look: the same torque again, and nothing should move.')}
        </p>
      )}
      {torque.atMark ? (
        <p className="mt-3 text-xl">
          {say(
            'Its locker has set: look at the mark across head and part. Unbroken, it proves the joint; a pull that moves it breaks the bond. Broken, or no mark there: loosen it, clean it, and do it again.',
          )}
        </p>
      ) : torque.clash ? (
        <BasisChoice torque={torque} clash={torque.clash} />
      ) : step.kind === 'pull' ? (
        <TorqueTarget torque={torque} />
      ) : (
        <JointInstruction torque={torque} />
      )}
      {marked && (
        <p className="mt-2 text-sm">
          {say('Then a line across head and part: once the locker has set, the second look is at it.')}
        </p>
      )}
      <div
        className={`mt-4 grid gap-4 border-t border-rule pt-4 text-[0.95rem] ${drawn ? 'grid-cols-[6.5rem_1fr] sm:grid-cols-[9rem_1fr]' : ''}`}
      >
        {drawn && (
          <div>
            <StackDrawing station={station} items={torque.index.items} compound={compound} />
          </div>
        )}
        <JointFacts torque={torque} onWrench={onWrench} />
      </div>
      {station.specBecause.length > 0 && (
        <p className="mt-3 text-sm">
          {tell('{printed}, because {reasonsText}.', {
            printed: station.printed,
            reasonsText: reasonsText(plan, station.specBecause),
          })}
        </p>
      )}
      {station.aimed && (
        <p className="mt-2 border-l-4 border-ink pl-3">
          {station.aimed.use === 'asPrinted'
            ? say(
                'As printed, {printed}, although its thread is not the one the figure counts on: chosen and signed.',
                { printed: station.printed },
              )
            : say(
                '{factor} % of the printed {printed}, for the same load on this thread: {factorText}, chosen and signed.',
                {
                  factor: Math.round(station.aimed.factor * 100),
                  printed: station.printed,
                  factorText: FACTOR_TEXT[station.aimed.factorFrom ?? 'friction'],
                },
              )}
        </p>
      )}
      {station.figureFrom && (
        <p className="mt-1 text-sm text-ink-2">
          {tell('This sheet sends to that of {title}, station {label}: its figure.', {
            title: plan.kits.find(({ id }) => id === station.figureFrom?.kit)?.title,
            label: plan.stations.find(({ id }) => id === station.figureFrom?.station)?.label,
          })}
        </p>
      )}
      {station.notThisVehicle && (
        <p className="mt-1 text-sm text-ink-2">
          {tell('Not for this vehicle: {notThisVehicle}.', {
            notThisVehicle: station.notThisVehicle.map(({ printed }) => printed).join(', '),
          })}
        </p>
      )}
      {state.visit.figures[station.id] && (
        <p className="mt-1 text-sm">
          {tell('Not on the sheet: {figureSourceText}, {note}, {name}.', {
            figureSourceText: FIGURE_SOURCE_TEXT[state.visit.figures[station.id]?.source ?? 'byFeel'],
            note: state.visit.figures[station.id]?.note,
            name: state.visit.figures[station.id]?.by.name,
          })}
        </p>
      )}
      {station.note && <p className="mt-2 border-l-4 border-ink pl-3">{station.note}</p>}
      {stationState(state, station.id).loosenings.length > 0 && (
        <p className="mt-2 text-sm text-ink-2">
          {tell('Loosened before: {reason}.', { reason: stationState(state, station.id).loosenings.at(-1)?.reason })}
        </p>
      )}
      {(stationState(state, station.id).repeats ?? []).map(({ commandId, pass, torqueNm, by }) => (
        <p key={commandId} role="status" className="mt-2 border-l-4 border-bad pl-3">
          {tell('{passText}  {name} pulled it again with {torqueNm} N·m on another device. It counts once.', {
            passText: (
              <b>
                {tell('Pulled twice for {passText}.', {
                  passText: passText(group.passes[pass], ownPass(station, pass)),
                })}
              </b>
            ),
            name: by.name,
            torqueNm: written(torqueNm, 1),
          })}
        </p>
      ))}
      <Link to={benchAddress(torque)} className="mt-2 inline-flex min-h-11 items-center text-sm underline">
        {say('Work it out on the bench')}
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
