import { KIND_WORDS } from '#contract/wording/en/kinds.ts';
import { COMPOUND_TEXT } from '#contract/wording/en/terms.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { setsOnTheThread } from '#core/compound/compound.ts';
import { undoAdvice } from '#core/compound/compound-choice.ts';
import { benderOf } from '#core/job/gate/bending.ts';
import { lockerCapacity } from '#core/job/locker-window.ts';
import { isTooSmallForPower } from '#core/job/run-down.ts';
import { oilBefore } from '#core/line/oil-before.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { BottlePick } from './BottlePick.tsx';
import { RunDown } from './RunDown.tsx';
import { StagePanel } from './StagePanel.tsx';
import type { TorqueStep } from './use-torque-step.ts';

/** What to do at a station that is not pulled yet, or not by a figure. */
export function JointInstruction({ torque }: { torque: TorqueStep }) {
  const { step, station, group, plan, state, index } = torque;
  if (!station) return null;
  const compound = index.compounds.get(station.compound ?? '');
  switch (step.kind) {
    case 'start':
      return (
        <p className="mt-3 text-xl">
          {tell('Not started by hand yet. All of {title} go in their threads before any is drawn down.', {
            title: group.title,
          })}
        </p>
      );
    case 'compound': {
      const capacity = lockerCapacity(plan, state, group.id);
      const oiled = oilBefore(plan, station);
      const undo = compound && undoAdvice(compound.kind);
      const locking = station.stack.some(
        (piece) => piece.kind === 'hardware' && index.items.get(piece.item)?.locking !== undefined,
      );
      return (
        <div className="mt-3 text-xl">
          <p>
            {tell('Back it out, clean the thread, {which} on, and in again by hand.', {
              which: compound ? midSentence(COMPOUND_TEXT[compound.kind]) : say('compound'),
            })}
          </p>
          {benderOf(plan.rules, 'residue') !== 'nobody' && compound && setsOnTheThread(compound.kind) && (
            <Button
              className="mt-2"
              onClick={() =>
                torque.give({ type: 'applyCompound', station: station.id, cleaned: false, ...torque.bead.said })
              }
            >
              {say('Old locker stays on it')}
            </Button>
          )}
          {locking && compound && setsOnTheThread(compound.kind) && (
            <p className="mt-2 border-l-4 border-bad pl-3 text-base font-bold">
              {say(
                'Its nut grips by itself: locker runs under it and keeps it from being used again. Ask a lead whether the sheet means this joint.',
              )}
            </p>
          )}
          <BottlePick torque={torque} compound={compound} />
          {oiled !== undefined && (
            <p className="mt-2 text-base font-bold">
              {tell(
                'Step {oiled} left oil here: degrease bolt and hole and let them dry. A trace keeps a locker from setting.',
                { oiled },
              )}
            </p>
          )}
          {compound?.oilTolerant && (
            <p className="mt-2 text-base text-ink-2">
              {say('By its own sheet it stands a trace of oil. Dirt it does not.')}
            </p>
          )}
          {undo && (
            <p className="mt-2 text-base text-ink-2">
              {undo.heatC === undefined
                ? say('It comes off again with hand tools.')
                : say('It comes off again at about {heatC} °C: not beside rubber, boots or lines.', {
                    heatC: undo.heatC,
                  })}
            </p>
          )}
          {compound?.workingWindowMin && (
            <p className="mt-2 text-base text-ink-2">
              {tell('The clock runs from the first bead: {workingWindowMin} min. {which} Read the product’s sheet.', {
                workingWindowMin: compound.workingWindowMin,
                which:
                  capacity === undefined || capacity.stations >= group.stations.length
                    ? say('At this pace all {count} reach full torque inside it.', { count: group.stations.length })
                    : say('At this pace only {stations} of {count} reach full torque inside it: do them in two goes.', {
                        stations: capacity.stations,
                        count: group.stations.length,
                      }),
              })}
            </p>
          )}
        </div>
      );
    }
    case 'snug':
      return (
        <div className="mt-3">
          <p className="text-xl">
            {say('Draw it down until the parts are in firm contact. Not more: torque comes when all are snug.')}
          </p>
          {torque.index.kits.get(station.kit)?.powerTools === 'never' ? (
            <p className="mt-2 font-bold">{say('No power tool on this kit.')}</p>
          ) : isTooSmallForPower(plan, station) ? (
            <p className="mt-2 font-bold">
              {say('By hand: this shop runs no thread so small down with a power tool.')}
            </p>
          ) : (
            <div className="mt-3 flex flex-wrap gap-2">
              <Button onClick={() => torque.give({ type: 'snug', station: station.id, tool: 'power' })}>
                {say('Ran it down with a power tool')}
              </Button>
              {torque.index.kits.get(station.kit)?.powerTools === 'free' && plan.rules.powerSeats && (
                <Button onClick={() => torque.give({ type: 'snug', station: station.id, tool: 'powerSeated' })}>
                  {say('Seated it with one')}
                </Button>
              )}
            </div>
          )}
          <RunDown key={station.id} torque={torque} />
        </div>
      );
    case 'stage':
      return <StagePanel torque={torque} stage={step.stage} />;
    case 'confirmStop':
      if (station.spec.kind === 'missing')
        return (
          <div className="mt-3">
            <p className="text-xl">
              {tell('{missingText} Look for a figure before you tighten it by feel.', {
                missingText: MISSING_TEXT[station.spec.why],
              })}
            </p>
            {station.spec.note && <p className="mt-1 text-ink-2">{station.spec.note}</p>}
            <p className="mt-2">
              {say('What you did goes on the record with your name and your reason, and is shown at hand-over.')}
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
          {say(
            'The last pull proves nothing: it went past the band, or clicked without moving. Loosen it and pull again.',
          )}
        </p>
      );
    default:
      return null;
  }
}

const MISSING_TEXT = {
  notGiven: say('The sheet gives no figure.'),
  byFeel: say('The sheet says: by feel.'),
  otherSheet: say('The figure stands on another sheet.'),
  later: say('Which figure of the sheet it is hangs on what is still to be found or chosen.'),
} as const;
