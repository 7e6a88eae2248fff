import { readingText } from '#contract/wording/reading-text.ts';
import { say } from '#contract/wording/say.ts';
import { finalPull } from '#core/job/station-progress.ts';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** A group with nothing left to do: what each of its stations ended at. */
export function GroupDone({ torque }: { torque: TorqueStep }) {
  const { group, plan, state, index } = torque;
  return (
    <>
      <h2 className="plate text-5xl">{group.title}</h2>
      <p className="mt-1 text-lg">
        {tell('Done: every station at torque{which}. Paint the stripes.', {
          which: group.passes.some((pass) => pass.kind === 'verify') ? say(' and verified') : '',
        })}
      </p>
      <table className="mt-4 w-full text-left">
        <thead className="text-sm text-ink-2">
          <tr>
            <th className="font-normal">{say('Station')}</th>
            <th className="font-normal">{say('Printed')}</th>
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
