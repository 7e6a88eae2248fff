import type { Ref } from 'react';
import { say } from '#contract/wording/say.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import type { Position } from './use-film.ts';

/** By hand with Space, or by itself. */
export function FilmControls({ at, moves, next }: { at: Position; moves: number; next: Ref<HTMLButtonElement> }) {
  const done = at.position >= moves;
  return (
    <div className="sticky bottom-0 flex flex-wrap items-center gap-2 border-t-2 border-ink bg-floor p-2">
      <Button onClick={at.back} disabled={at.position === 0} hotkey="←">
        {say('Back')}
      </Button>
      <Button onClick={at.toggle} disabled={moves === 0} hotkey="P">
        {at.running ? say('Stop') : say('Play it')}
      </Button>
      <Button className="max-sm:hidden" onClick={at.rewind} disabled={at.position === 0}>
        {say('To the beginning')}
      </Button>
      <p className="figures ml-auto text-sm text-ink-2">
        {tell('{position} of {moves}', { position: Math.min(at.position + 1, moves), moves })}
      </p>
      <Button ref={next} tone="primary" className="sm:min-w-44" onClick={at.next} disabled={done} hotkey="Space">
        {at.position === moves - 1 ? say('The end') : say('Next')}
      </Button>
    </div>
  );
}
