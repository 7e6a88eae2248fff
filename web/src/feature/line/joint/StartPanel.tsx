import { say } from '#contract/wording/say.ts';
import { describeDrive, hasSize } from '#core/fastener/drive.ts';
import { stationState } from '#core/job/job-state.ts';
import { StackDrawing } from '../../../drawing/StackDrawing.tsx';
import { useInDrill } from '../../../job/in-drill.ts';
import { tell } from '../../../ui/tell.ts';
import { BottlePick } from './BottlePick.tsx';
import { SheetOnlyPanel } from './SheetOnlyPanel.tsx';
import type { TorqueStep } from './use-torque-step.ts';

/** A station to be started by hand: its stack in the order it goes together, and what must be felt. */
export function StartPanel({ torque }: { torque: TorqueStep }) {
  const { station, stations, state, index } = torque;
  const sheetOnly = useInDrill((drill) => drill.sheetOnly);
  if (!station) return null;
  if (sheetOnly) return <SheetOnlyPanel torque={torque} onWrench={() => undefined} />;
  const started = stations.filter(({ id }) => stationState(state, id).stage !== 'empty').length;
  const leftHand = station.stack.some((piece) => piece.kind === 'hardware' && index.items.get(piece.item)?.leftHand);
  return (
    <>
      <div className="flex items-baseline justify-between">
        <h1 className="plate text-5xl">{tell('Station {label}', { label: station.label })}</h1>
        <span className="figures text-ink-2">
          {tell('{started} of {count} started', { started, count: stations.length })}
        </span>
      </div>
      <p className="text-lg">{station.name}</p>
      {torque.beadHasSet && (
        <div role="status" className="mt-2 border-l-4 border-bad pl-3">
          <p className="font-bold">{say('Its bead has begun to set before the bolt was started.')}</p>
          <p>{say('Wipe it off, clean bolt and hole, put on a new one, and start the bolt while it is wet.')}</p>
          <BottlePick torque={torque} compound={index.compounds.get(station.compound ?? '')} />
        </div>
      )}
      {leftHand && <p className="font-bold text-bad">{say('Left-hand thread: it goes in against the clock.')}</p>}
      <div className="mt-4 grid grid-cols-[130px_1fr] gap-5">
        <StackDrawing station={station} items={index.items} />
        <ol className="text-[0.95rem]">
          {station.stack.map((piece, place) => {
            const item = piece.kind === 'hardware' ? index.items.get(piece.item) : undefined;
            return (
              // biome-ignore lint/suspicious/noArrayIndexKey: a stack is its order; the same washer may lie in it twice
              <li key={place} className="border-b border-hair py-1">
                {piece.kind === 'clamped' ? (
                  <span className="text-ink-2">{piece.name}</span>
                ) : (
                  <b>{item?.name ?? piece.item}</b>
                )}
                {piece.kind === 'hardware' && piece.facing && (
                  <span className="block text-sm text-ink-2">{piece.facing}</span>
                )}
              </li>
            );
          })}
        </ol>
      </div>
      {(stationState(state, station.id).washers ?? []).map((washer) => (
        <p key={washer.commandId} className="mt-2">
          <b>{tell('Washer added under the {under}:', { under: washer.under })}</b>{' '}
          <span className="figures">
            {washer.insideMm} × {washer.outsideMm} × {washer.thicknessMm}
          </span>{' '}
          mm
        </p>
      ))}
      <p className="mt-4">
        {say(
          'Fingers only, at least three turns. One that will not start by hand is crossed or dirty: say so under Problem.',
        )}{' '}
        {hasSize(station.drive) && (
          <span className="text-ink-2">
            {tell('Leave the {describeDrive} where it is.', { describeDrive: describeDrive(station.drive) })}
          </span>
        )}
      </p>
    </>
  );
}
