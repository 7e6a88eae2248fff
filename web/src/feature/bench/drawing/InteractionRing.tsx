import { useEffect, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { BoltRing } from './BoltRing.tsx';

/** Plays a tightening sequence pull by pull, or stands at one of them. */
export function InteractionRing({
  shares,
  pulled,
  order,
}: {
  shares: readonly (readonly number[])[];
  pulled: readonly number[];
  order: readonly number[];
}) {
  const last = shares.length - 1;
  const [at, setAt] = useState(last);
  const [playing, setPlaying] = useState(false);
  const here = Math.min(at, last);
  useEffect(() => {
    if (!playing) return undefined;
    const timer = setTimeout(() => (here >= last ? setPlaying(false) : setAt(here + 1)), 450);
    return () => clearTimeout(timer);
  }, [playing, here, last]);
  return (
    <div>
      <BoltRing
        shares={shares[here] ?? []}
        pulled={pulled[here]}
        order={order}
        label={say('After pull {here} of {count}', { here: here + 1, count: shares.length })}
      />
      <div className="flex items-center gap-3">
        <Button
          className="min-w-24"
          onClick={() => {
            if (!playing && here >= last) setAt(0);
            setPlaying(!playing);
          }}
        >
          {playing ? say('Stop') : say('Play')}
        </Button>
        <label className="flex flex-1 items-center gap-3">
          <span className="figures w-24 text-sm">
            {tell('pull {here}/{count}', { here: here + 1, count: shares.length })}
          </span>
          <input
            type="range"
            className="h-14 flex-1 accent-(--ink)"
            min={0}
            max={last}
            value={here}
            aria-label={say('Pull shown')}
            onChange={(event) => {
              setPlaying(false);
              setAt(Number(event.target.value));
            }}
          />
        </label>
      </div>
    </div>
  );
}
