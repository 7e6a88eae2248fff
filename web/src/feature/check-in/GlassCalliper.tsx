import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { useSettings } from '../../shop/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';

/** What a distance on the glass may be taken as. */
export type GlassUse = 'majorMm' | 'lengthMm' | 'pitchMm';

/** Threads that a comb of lines spans when a pitch is read off. */
const SPAN = 10;
const WIDE_PX = 320;

/**
 * Two lines on the glass, to be slid until the piece lies between them: life-size only once the screen has been scaled
 * against a bank card.
 */
export function GlassCalliper({ onTake }: { onTake: (use: GlassUse, mm: number) => void }) {
  const { pxPerMm, scaled } = useSettings();
  const wideMm = WIDE_PX / pxPerMm;
  const [left, setLeft] = useState(Math.round(wideMm * 2) / 10);
  const [right, setRight] = useState(Math.round(wideMm * 5) / 10);
  const mm = Math.round((right - left) * 10) / 10;
  const slider = (name: string, value: number, set: (to: number) => void) => (
    <label className="grid text-sm text-ink-2">
      {name}
      <input
        type="range"
        className="h-11 w-full accent-(--ink)"
        min={0}
        max={Math.floor(wideMm * 10) / 10}
        step={0.1}
        value={value}
        onChange={(event) => set(Number(event.target.value))}
      />
    </label>
  );
  if (!scaled)
    return (
      <p className="border-l-4 border-ink pl-3">
        {say(
          'To measure on the glass the screen is scaled first: open Settings by your initials, lay a bank card on the outline and slide until they match.',
        )}
      </p>
    );
  return (
    <section aria-label={say('On the glass')} className="grid gap-2">
      <p className="text-sm text-ink-2">{say('Lay the piece on the screen and slide the lines against it.')}</p>
      <svg
        width={WIDE_PX}
        height={110}
        className="max-w-full border-2 border-ink bg-sheet"
        role="img"
        aria-label={say('{mm} mm between the lines', { mm })}
      >
        {Array.from({ length: Math.floor(wideMm) + 1 }, (_, at) => (
          <line
            // biome-ignore lint/suspicious/noArrayIndexKey: the strokes of a rule
            key={at}
            x1={at * pxPerMm}
            x2={at * pxPerMm}
            y1={110}
            y2={110 - (at % 10 === 0 ? 18 : at % 5 === 0 ? 12 : 7)}
            stroke="var(--ink-2)"
          />
        ))}
        {[left, right].map((at, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the left and the right jaw
          <line key={index} x1={at * pxPerMm} x2={at * pxPerMm} y1={0} y2={110} stroke="var(--bad)" strokeWidth={2} />
        ))}
      </svg>
      {slider(say('Left line'), left, setLeft)}
      {slider(say('Right line'), right, setRight)}
      <div className="flex flex-wrap gap-2">
        <Button className="min-h-11!" disabled={mm <= 0} onClick={() => onTake('majorMm', mm)}>
          {tell('{mm} mm is the diameter', { mm })}
        </Button>
        <Button className="min-h-11!" disabled={mm <= 0} onClick={() => onTake('lengthMm', mm)}>
          {say('the length')}
        </Button>
        <Button
          className="min-h-11!"
          disabled={mm <= 0}
          onClick={() => onTake('pitchMm', Math.round((mm / SPAN) * 1000) / 1000)}
        >
          {tell('{span} threads long', { span: SPAN })}
        </Button>
      </div>
    </section>
  );
}
