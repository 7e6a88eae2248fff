import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { debtsOf, isOwed } from '#core/job/debt.ts';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';
import { AddDebt } from './AddDebt.tsx';
import { DebtList } from './DebtList.tsx';
import FigureSheet from './FigureSheet.tsx';

/** What is off, open or on the vehicle and must end somewhere; what lacks a figure; what no sheet speaks of. */
export default function OwedSheet({ onClose }: { onClose: () => void }) {
  const { plan, state } = useOpenJob();
  const [adding, setAdding] = useState(false);
  const [figure, setFigure] = useState<{ id: string; name: string }>();
  const debts = debtsOf(plan, state);
  const wanted = [
    ...debts.filter((debt) => debt.asks.includes('torque')).map(({ id, name }) => ({ id, name })),
    ...plan.stations
      .filter((station) => station.spec.kind === 'missing' && state.visit.figures[station.id] === undefined)
      .map((station) => ({ id: station.id, name: `station ${station.label}, ${station.name}` })),
  ];
  if (adding) return <AddDebt onClose={() => setAdding(false)} />;
  if (figure) return <FigureSheet target={figure.id} name={figure.name} onClose={() => setFigure(undefined)} />;
  const opened = debts.filter((debt) => debt.opened !== undefined);
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Owed')}
      description={say('{count} off, open or on the vehicle for the work.', { count: opened.filter(isOwed).length })}
      wide
    >
      {wanted.length > 0 && (
        <section className="mb-4 border-2 border-bad p-3">
          <h3 className="plate text-2xl">{say('No figure on the sheet')}</h3>
          <ul>
            {wanted.map((entry) => (
              <li key={entry.id} className="flex items-center justify-between gap-3 border-t border-hair py-1">
                {entry.name}
                <Button onClick={() => setFigure(entry)}>
                  {tell('Find one{name}', {
                    name: <span className="sr-only"> {tell('for {name}', { name: entry.name })}</span>,
                  })}
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <DebtList debts={opened} />
      {opened.length === 0 && <p className="text-ink-2">{say('Nothing is off the vehicle.')}</p>}
      <div className="mt-4 grid grid-cols-2 gap-2">
        <Button onClick={onClose}>{say('Close')}</Button>
        <Button onClick={() => setAdding(true)}>{say('Off, not on the sheet')}</Button>
      </div>
    </Sheet>
  );
}
