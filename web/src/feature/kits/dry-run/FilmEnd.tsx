import { minutesText } from '#contract/wording/minutes-text.ts';
import { deadEndText } from '#contract/wording/rehearsal-text.ts';
import { say } from '#contract/wording/say.ts';
import type { JobLog } from '#core/job/job-log.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { toolsNeeded } from '#core/readiness/tool-need.ts';
import { tell } from '../../../ui/tell.ts';
import type { Film } from './use-rehearsal.ts';

/** How this vehicle's job ended: what is left, what it took; or where it stands still. */
export function FilmEnd({ kit, film, log }: { kit: KitDocument; film: Film; log: JobLog | undefined }) {
  const { deadEnd, leftovers, workMinutes, statedMinutes, waitMinutes, torqueNm } = film.rehearsal;
  if (deadEnd) {
    const { at, why } = deadEndText(kit, deadEnd, log);
    return (
      <div role="alert" className="m-5 border-l-8 border-bad bg-sheet p-5">
        <h2 className="plate text-3xl text-bad">{say('A dead end')}</h2>
        {at && <p className="mt-1 text-xl font-bold">{at}</p>}
        <p className="mt-1 text-lg">{why}</p>
        <p className="mt-3 text-ink-2">{say('A kit that ends like this on any vehicle is not released.')}</p>
      </div>
    );
  }
  const tools = log ? toolsNeeded(log.plan, []).needs : [];
  const nameOf = (id: string) => {
    const item = kit.items.find((entry) => entry.id === id);
    return item ? `${item.line} ${item.name}` : id;
  };
  return (
    <div className="m-5 grid gap-5 bg-sheet p-5 md:grid-cols-2">
      <div className="md:col-span-2">
        <h2 className="plate text-3xl">{say('Signed and closed')}</h2>
        <p className="text-ink-2">{say('This vehicle’s job was worked to its end.')}</p>
      </div>
      <section>
        <h3 className="plate border-b border-ink text-xl">{say('Time')}</h3>
        <dl>
          <Row name="Hands at work" value={minutesText(workMinutes)} />
          <Row name="of it, as the steps say" value={minutesText(statedMinutes)} />
          <Row name="Nothing but waiting" value={minutesText(waitMinutes)} />
          <Row
            name="The kit says"
            value={kit.statedMinutes === undefined ? 'nothing' : minutesText(kit.statedMinutes)}
          />
        </dl>
        <p className="mt-1 text-sm text-ink-2">
          {say('Where a step gives no minutes each move is counted with our own.')}
        </p>
      </section>
      <section>
        <h3 className="plate border-b border-ink text-xl">{say('Left over')}</h3>
        {leftovers.length === 0 && <p className="py-1 text-ink-2">{say('Nothing.')}</p>}
        <ul>
          {leftovers.map(({ item, left, stated }) => (
            <li
              key={item}
              className={`flex justify-between gap-3 border-b border-hair py-1 ${stated === left ? '' : 'font-bold text-bad'}`}
            >
              <span>{nameOf(item)}</span>
              <span className="figures whitespace-nowrap">
                {left}
                {stated === left
                  ? say(', as stated')
                  : stated === undefined
                    ? say(', not stated')
                    : say(', stated {stated}', { stated })}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section className="md:col-span-2">
        <h3 className="plate border-b border-ink text-xl">{say('In the hand')}</h3>
        {torqueNm && (
          <p className="py-1">
            {tell('Torque wrench from {number} to {number2}', {
              number: <b className="figures">{showTorqueIn(torqueNm.min, 'N·m').number}</b>,
              number2: <b className="figures">{showTorqueIn(torqueNm.max, 'N·m').number} N·m</b>,
            })}
          </p>
        )}
        <p>{tools.map(({ name }) => name).join(', ') || say('No tool is named.')}</p>
      </section>
    </div>
  );
}

const Row = ({ name, value }: { name: string; value: string }) => (
  <div className="flex justify-between gap-3 border-b border-hair py-1">
    <dt>{name}</dt>
    <dd className="figures font-bold">{value}</dd>
  </div>
);
