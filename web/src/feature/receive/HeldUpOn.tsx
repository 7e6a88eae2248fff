import { tooWeakText } from '#contract/wording/lifting-gear-text.ts';
import { say } from '#contract/wording/say.ts';
import { HELD_UP_BY, type HeldUpBy, wheelsFree } from '#core/kit/held-up-by.ts';
import { type TooWeak, weakFor } from '#core/shop/lifting-gear.ts';
import { Button } from '../../ui/Button.tsx';

const HELD_TEXT: Record<HeldUpBy, string> = {
  lift: say('Lift'),
  stands: say('Stands'),
  ramps: say('Ramps'),
  floor: say('Floor'),
};

/** How the vehicle will be held up; with the wheels off it stands on none of them. Left open, the line asks. */
export function HeldUpOn({
  by,
  wheelsOff,
  tooWeak = [],
  onChoose,
}: {
  by: HeldUpBy | undefined;
  wheelsOff: boolean;
  /** What the shop has that is rated for less than this vehicle. */
  tooWeak?: readonly TooWeak[];
  onChoose: (by: HeldUpBy | undefined) => void;
}) {
  return (
    <fieldset className="col-span-2 grid grid-cols-4 gap-2">
      <legend className="mb-1 text-sm text-ink-2">{say('Held up on')}</legend>
      {HELD_UP_BY.map((one) => (
        <Button
          key={one}
          className="px-1!"
          tone={one === by ? 'dark' : 'plain'}
          aria-pressed={one === by}
          disabled={(wheelsOff && !wheelsFree(one)) || weakFor(one, tooWeak) !== undefined}
          onClick={() => onChoose(one === by ? undefined : one)}
        >
          {HELD_TEXT[one]}
        </Button>
      ))}
      {wheelsOff && (
        <p className="col-span-4 text-sm text-ink-2">
          {say('The wheels come off: it cannot stand on ramps or on the floor.')}
        </p>
      )}
      {tooWeak.map((weak) => (
        <p key={weak.kind} className="col-span-4 text-sm text-ink-2">
          {tooWeakText(weak)}
        </p>
      ))}
    </fieldset>
  );
}
