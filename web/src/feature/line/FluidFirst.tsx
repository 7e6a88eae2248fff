import { useId, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { ActionBar } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import type { LineInHand } from './use-line.ts';

/** What is to be filled in, as the shopping list has it and the shelf has not. */
export interface FluidMissing {
  wanted: string;
  name: string;
  quantity: number;
  unit: string;
  expired?: true;
}

/** Held back until somebody says that it is there: as much as the sheet wants, and in date. */
export function FluidFirst({ line, fluid }: { line: LineInHand; fluid: FluidMissing }) {
  const { wanted, name, quantity, unit, expired } = fluid;
  const [until, setUntil] = useState('');
  const id = useId();
  const here = () =>
    line.give({
      type: 'noteBought',
      wanted,
      quantity: quantity > 0 ? quantity : 1,
      ...(until === '' ? {} : { expiresOn: until }),
    });
  usePrimaryKey(here);
  return (
    <>
      <div className="px-5 lg:px-6">
        <p className="text-xl text-balance">
          {tell('{which} No box brings it; it stands on the shopping list.', {
            which: expired
              ? say('The {name} noted for this job is past its date.', { name })
              : say('No {name} is noted as there for this job.', { name }),
          })}
        </p>
        <label htmlFor={id} className="mt-4 block font-bold">
          {say('Good until, where the can says it')}
        </label>
        <input
          id={id}
          type="date"
          className="figures mt-1 min-h-14 w-full border-2 border-ink bg-sheet px-3"
          value={until}
          onChange={({ target }) => setUntil(target.value)}
        />
      </div>
      <div className="flex-1" />
      <ActionBar className="thumb-bar" onClick={here}>
        {tell('It is here{which}', { which: quantity > 0 ? `: ${quantity} ${unit}` : '' })}
      </ActionBar>
    </>
  );
}
