import { useMemo } from 'react';
import { midSentence, say } from '#contract/wording/say.ts';
import { indexOf } from '#core/kit/plan.ts';
import { Button } from '../../../ui/Button.tsx';
import type { Film } from './use-rehearsal.ts';

/** What of a group is filmed, by the commands it is made of. */
const STAGES = [
  { name: 'Start', types: ['startByHand'] },
  { name: 'Snug', types: ['snug'] },
  { name: 'Torque', types: ['pull', 'doStage', 'confirmStop', 'seeMark'] },
] as const;

interface Order {
  group: string;
  title: string;
  stages: Array<{ name: string; labels: string[]; from: number; to: number }>;
}

/** The orders in which stations were worked, group by group. */
function ordersOf({ rehearsal, logAt }: Film): Order[] {
  const plan = logAt(rehearsal.moves.length)?.plan;
  if (!plan) return [];
  const { stations } = indexOf(plan);
  return plan.groups.flatMap(({ id, title }) => {
    const stages = STAGES.flatMap(({ name, types }) => {
      const at = rehearsal.moves.flatMap(({ command, station: worked }, index) => {
        const station = worked === undefined ? undefined : stations.get(worked);
        return station?.groupId === id && (types as readonly string[]).includes(command.type)
          ? [{ index, label: station.label }]
          : [];
      });
      const [first] = at;
      const last = at.at(-1);
      return first && last
        ? [{ name, labels: at.map(({ label }) => label), from: first.index, to: last.index + 1 }]
        : [];
    });
    return stages.length > 0 ? [{ group: id, title, stages }] : [];
  });
}

/** Every order of the kit, each to be watched on its map. */
export function GroupOrders({ film, onFilm }: { film: Film; onFilm: (from: number, to: number) => void }) {
  const orders = useMemo(() => ordersOf(film), [film]);
  if (orders.length === 0) return null;
  return (
    <section>
      <h2 className="plate border-b-2 border-ink text-2xl">{say('Every order')}</h2>
      {orders.map(({ group, title, stages }) => (
        <div key={group} className="border-b border-hair py-2">
          <h3 className="font-bold">{title}</h3>
          {stages.map(({ name, labels, from, to }) => (
            <div key={name} className="flex items-center gap-3 py-1">
              <Button
                className="min-h-11! w-24 shrink-0"
                aria-label={say('Watch: {name}, {title}', { name: midSentence(name), title })}
                onClick={() => onFilm(from, to)}
              >
                {name}
              </Button>
              <p className="figures min-w-0 text-sm break-words">{labels.join(' ')}</p>
            </div>
          ))}
        </div>
      ))}
    </section>
  );
}
