import { say } from '#contract/wording/say.ts';
import type { KitLoads } from '#core/kit/kit-loads.ts';
import type { HitchPart } from '#core/load/hitch-chain.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { useEditor, useKit } from './editor-store.ts';

const PART = /^(.+?)\s+(\d+|-)\s*\/\s*(\d+|-)$/;

/** `receiver 3500/150`, `ball 2700/-`: a part, what it tows and what it carries; a dash where its plate is silent. */
export function readHitchPart(text: string): HitchPart | undefined {
  const [, name, trailer, tongue] = PART.exec(text.trim()) ?? [];
  if (!name) return undefined;
  const rated = (figure: string | undefined) => (figure === undefined || figure === '-' ? undefined : Number(figure));
  const [trailerKg, tongueKg] = [rated(trailer), rated(tongue)];
  return { name, ...(trailerKg === undefined ? {} : { trailerKg }), ...(tongueKg === undefined ? {} : { tongueKg }) };
}

const hitchText = ({ name, trailerKg, tongueKg }: HitchPart): string =>
  `${name} ${trailerKg ?? '-'}/${tongueKg ?? '-'}`;

/** What the kit does to the vehicle's own sheet. */
export function LoadsFields() {
  const { loads = {} } = useKit();
  const change = useEditor((state) => state.change);
  const put = (next: KitLoads) =>
    change((draft) => {
      const known = Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined));
      if (Object.keys(known).length > 0) draft.loads = known;
      else delete draft.loads;
    });
  const figure = (field: 'massKg' | 'aheadOfRearAxleMm' | 'carrierKg', label: string, least: number, most: number) => (
    <CommitField
      label={label}
      className="figures text-right"
      value={loads[field] === undefined ? '' : String(loads[field])}
      onCommit={(typed) => {
        if (typed.trim() === '') return void put({ ...loads, [field]: undefined });
        const value = typedNumber(typed);
        return value >= least && value <= most
          ? void put({ ...loads, [field]: value })
          : say('{least} to {most}.', { least, most });
      }}
    />
  );
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      {figure('massKg', say('Heavier than what it replaces, kg'), -1000, 5000)}
      {figure('aheadOfRearAxleMm', say('Its mass ahead of the rear axle, mm'), -5000, 10_000)}
      <CommitField
        label={say('Hitch parts: name, trailer/ball kg, with semicolons')}
        value={(loads.hitch ?? []).map(hitchText).join('; ')}
        onCommit={(typed) => {
          const written = typed.split(';').filter((part) => part.trim() !== '');
          const parts = written.map(readHitchPart);
          const bad = written.find((_, at) => parts[at] === undefined);
          if (bad !== undefined)
            return say('“{bad}” is no part: such as receiver 3500/150 or ball 2700/-.', { bad: bad.trim() });
          const hitch = parts.filter((part) => part !== undefined);
          return void put({ ...loads, hitch: hitch.length > 0 ? hitch : undefined });
        }}
      />
      {figure('carrierKg', say('Rack or box on the ball, kg'), 1, 1000)}
    </div>
  );
}
