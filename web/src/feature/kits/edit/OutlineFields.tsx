import { type ChangeEvent, useRef, useState } from 'react';
import { outlineFaultText, readOutlineDxf } from '#contract/outline-file.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import type { Item } from '#core/kit/kit-document.ts';
import type { PartOutline } from '#core/kit/piece-kind.ts';
import { HardwareDrawing } from '../../../drawing/HardwareDrawing.tsx';
import { Button } from '../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { OutlineBoard } from './OutlineBoard.tsx';
import { outlineFromSvg } from './outline-from-svg.ts';

/** Numbers with commas between them, groups with semicolons: `0,0; 100,0`. */
const groupsOf = (typed: string, size: number): number[][] | undefined => {
  const groups = typed
    .split(';')
    .filter((group) => group.trim() !== '')
    .map((group) => group.split(',').map((part) => typedNumber(part)));
  return groups.every((group) => group.length === size && group.every(Number.isFinite)) ? groups : undefined;
};

/** What a part looks like: corners typed, or an outline taken from a drawing. */
export function OutlineFields({
  item,
  onChange,
}: {
  item: Item;
  onChange: (outline: PartOutline | undefined) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ text: string; bad?: boolean }>();
  const [tool, setTool] = useState<'corner' | 'hole'>('corner');
  const { outline } = item;
  const read = async (event: ChangeEvent<HTMLInputElement>) => {
    const chosen = event.target.files?.[0];
    event.target.value = '';
    if (!chosen) return;
    const text = await chosen.text();
    const found = /\.svg$/i.test(chosen.name) ? outlineFromSvg(text) : readOutlineDxf(text);
    if (!found.ok) return setSaid({ text: `${chosen.name}: ${outlineFaultText(found.error)}`, bad: true });
    onChange(found.value);
    setSaid({
      text: say('{numberOf} and {numberOf2} taken from {name}.', {
        numberOf: numberOf(found.value.points.length, 'corner'),
        numberOf2: numberOf(found.value.holes?.length ?? 0, 'hole'),
        name: chosen.name,
      }),
    });
  };
  return (
    <section aria-label={say('Outline')} className="mt-5">
      <h3 className="plate border-b-2 border-ink text-xl">{say('What it looks like')}</h3>
      <p className="py-1 text-sm text-ink-2">
        {say(
          'From the front, in mm; of a part that comes in left and right, the left one. Without an outline it is drawn by its form and length.',
        )}
      </p>
      <div className="mb-2 flex gap-2">
        {(['corner', 'hole'] as const).map((one) => (
          <Button
            key={one}
            className="min-h-11!"
            tone={tool === one ? 'dark' : 'plain'}
            aria-pressed={tool === one}
            disabled={one === 'hole' && !outline}
            onClick={() => setTool(one)}
          >
            {one === 'corner' ? say('Put corners') : say('Put holes')}
          </Button>
        ))}
      </div>
      <OutlineBoard outline={outline} tool={tool} onChange={onChange} />
      <div className="flex flex-wrap items-center gap-4 py-2">
        <HardwareDrawing item={item} pxPerMm={2} />
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        <CommitField
          label={say('Corners: across,down; …')}
          className="figures"
          value={(outline?.points ?? []).map((point) => point.join(',')).join('; ')}
          onCommit={(typed) => {
            if (typed.trim() === '') return void onChange(undefined);
            const points = groupsOf(typed, 2) as Array<[number, number]> | undefined;
            if (!points || points.length < 3) return say('Three corners or more: 0,0; 100,0; 50,80');
            return void onChange({ ...outline, points });
          }}
        />
        <CommitField
          label={say('Holes: across,down,wide; …')}
          className="figures"
          value={(outline?.holes ?? []).map(({ xMm, yMm, acrossMm }) => `${xMm},${yMm},${acrossMm}`).join('; ')}
          onCommit={(typed) => {
            if (!outline) return typed.trim() === '' ? undefined : say('The corners come first.');
            const holes = groupsOf(typed, 3);
            if (!holes || holes.some(([, , across = 0]) => across <= 0))
              return say('Across, down and how wide: 20,20,11');
            const { points } = outline;
            return void onChange(
              holes.length === 0
                ? { points }
                : {
                    points,
                    holes: holes.map(([xMm = 0, yMm = 0, acrossMm = 0]) => ({ xMm, yMm, acrossMm })),
                  },
            );
          }}
        />
      </div>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button onClick={() => file.current?.click()}>{say('From a drawing, SVG or DXF')}</Button>
        {outline && <Button onClick={() => onChange(undefined)}>{say('Take the outline away')}</Button>}
        <input
          ref={file}
          type="file"
          accept=".svg,.dxf,image/svg+xml"
          aria-label={say('Drawing of the outline')}
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => void read(event)}
        />
      </div>
      {said && (
        <p role={said.bad ? 'alert' : 'status'} className={`mt-2 ${said.bad ? 'font-bold text-bad' : 'text-ink-2'}`}>
          {said.text}
        </p>
      )}
    </section>
  );
}
