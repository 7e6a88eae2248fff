import { useMemo } from 'react';
import { againText, evenWayText, givesText, settlesText } from '#contract/wording/load-text.ts';
import { say } from '#contract/wording/say.ts';
import { evenWays, loadLeft } from '#core/job/load-left.ts';
import { BoltMap } from '../../../drawing/BoltMap.tsx';
import { useStationMarks } from '../../../job/use-open-job.ts';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** What each bolt of the group still holds, on its map, and the way with the fewest pulls; the sheet's order stays. */
export default function LoadLeftSheet({ torque, onClose }: { torque: TorqueStep; onClose: () => void }) {
  const { plan, state, group, stations, index } = torque;
  const marks = useStationMarks(plan, state, stations);
  const left = useMemo(() => loadLeft(plan, state, group), [plan, state, group]);
  const ways = useMemo(() => left && evenWays(plan, group, left.gives), [plan, group, left]);
  const label = (id: string) => index.stations.get(id)?.label ?? id;
  const notes = new Map(left?.bolts.map(({ station, share }) => [station, `${Math.round(100 * share)} %`]));
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={say('Load left in each bolt')}
      description={say(
        'Tightening one bolt of a plate takes load from those beside it. A model, not a measurement of load.',
      )}
    >
      {!left ? (
        <p>
          {say(
            'Nothing can be said of this group: its bolts share no plate, they are drawn to an angle, or nothing is pulled yet.',
          )}
        </p>
      ) : (
        <>
          <div className="grid-paper h-72">
            <BoltMap group={group} stations={stations} marks={marks} notes={notes} />
          </div>
          <p className="mt-3 text-xl">{againText(plan, left)}</p>
          {left.settles.length > 0 && <p className="mt-1">{settlesText(plan, left)}</p>}
          {left.again.length > 0 && (
            <ul className="list-disc pl-6">
              {left.bolts
                .filter(({ station, takenBy }) => left.again.includes(station) && takenBy !== undefined)
                .map(({ station, takenBy = '' }) => (
                  <li key={station}>
                    {tell('Station {label}: most of it went when station {label2} was pulled after it.', {
                      label: label(station),
                      label2: label(takenBy),
                    })}
                  </li>
                ))}
            </ul>
          )}
          <p className="mt-2 text-sm text-ink-2">{givesText(left)}</p>
          {ways && (
            <dl className="mt-3 grid grid-cols-[9rem_1fr] gap-y-1 border-t-2 border-ink pt-3">
              <dt className="text-ink-2">{say('The sheet’s order')}</dt>
              <dd>{evenWayText(ways.own, group.stations.map(label))}</dd>
              <dt className="text-ink-2">{say('Fewest pulls')}</dt>
              <dd>{evenWayText(ways.best, group.stations.map(label))}</dd>
            </dl>
          )}
          <p className="mt-3 text-sm text-ink-2">
            {say(
              'Advice. Where the sheet prints an order, that order is worked; this only says where once more is worth it.',
            )}
          </p>
        </>
      )}
    </Sheet>
  );
}
