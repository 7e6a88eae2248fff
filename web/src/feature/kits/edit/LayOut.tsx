import { useState } from 'react';
import { boltCircle, onGrid, onLine } from '#core/geometry/layout.ts';
import type { Station } from '#core/kit/kit-document.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { Button } from '../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { LOOK } from './look.ts';
import { typedMm } from './typed-mm.ts';

/** Bolt circle, line and grid: for the chosen stations, or for new ones. */
export function LayOut({
  centre,
  corner,
  selected,
  onMove,
  onAdd,
}: {
  /** Middle and upper left of the map. */
  centre: Point;
  corner: Point;
  selected: readonly Station[];
  onMove: (moved: ReadonlyArray<{ id: string } & Point>) => void;
  onAdd: (points: Point[]) => void;
}) {
  const [shape, setShape] = useState<'circle' | 'line' | 'grid'>('circle');
  const [count, setCount] = useState(4);
  const [values, setValues] = useState({
    diameter: 100,
    from: 0,
    length: 200,
    angle: 0,
    columns: 3,
    across: 60,
    down: 60,
  });
  const places = (n: number): Point[] => {
    if (shape === 'circle') return boltCircle(centre, values.diameter, n, values.from);
    if (shape === 'grid') return onGrid(corner, n, Math.max(1, values.columns), values.across, values.down);
    const rise = (values.angle * Math.PI) / 180;
    const half = { xMm: (values.length / 2) * Math.cos(rise), yMm: (values.length / 2) * Math.sin(rise) };
    return onLine(
      { xMm: centre.xMm - half.xMm, yMm: centre.yMm - half.yMm },
      { xMm: centre.xMm + half.xMm, yMm: centre.yMm + half.yMm },
      n,
    );
  };
  const field = (name: keyof typeof values, label: string, least = 0) => (
    <div className="w-24">
      <CommitField
        label={label}
        className="figures text-right"
        value={String(values[name])}
        onCommit={(typed) => {
          const value = name === 'columns' || name === 'from' || name === 'angle' ? typedNumber(typed) : typedMm(typed);
          if (!Number.isFinite(value) || value < least || value > 20_000) return 'A number.';
          if (name === 'columns' && !Number.isInteger(value)) return 'A whole number.';
          return void setValues({ ...values, [name]: value });
        }}
      />
    </div>
  );
  return (
    <section>
      <h2 className="plate text-xl">Lay out</h2>
      <div className="flex flex-wrap items-end gap-2">
        <label className="text-sm text-ink-2">
          As
          <select
            className={`block ${LOOK}`}
            value={shape}
            onChange={(event) => setShape(event.target.value as 'circle')}
          >
            <option value="circle">a bolt circle</option>
            <option value="line">a line</option>
            <option value="grid">a grid</option>
          </select>
        </label>
        {shape === 'circle' && (
          <>
            {field('diameter', 'Diameter', 1)}
            {field('from', 'First at, °')}
          </>
        )}
        {shape === 'line' && (
          <>
            {field('length', 'Length', 1)}
            {field('angle', 'Slope, °')}
          </>
        )}
        {shape === 'grid' && (
          <>
            {field('columns', 'Columns', 1)}
            {field('across', 'Across', 1)}
            {field('down', 'Down', 1)}
          </>
        )}
        <div className="w-20">
          <CommitField
            label="Count"
            className="figures text-right"
            value={String(count)}
            onCommit={(typed) => {
              const value = typedNumber(typed);
              return Number.isInteger(value) && value >= 1 && value <= 200 ? void setCount(value) : '1 to 200.';
            }}
          />
        </div>
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button
          className="min-h-11!"
          disabled={selected.length < 2}
          onClick={() =>
            onMove(places(selected.length).map((point, index) => ({ id: selected[index]?.id ?? '', ...point })))
          }
        >
          The {selected.length > 1 ? selected.length : ''} chosen
        </Button>
        <Button className="min-h-11!" onClick={() => onAdd(places(count))}>
          {count} new
        </Button>
      </div>
    </section>
  );
}

/** The label after the largest number in use. */
export const nextLabel = (labels: readonly string[]): string =>
  String(Math.max(0, ...labels.map((label) => Number(/\d+/.exec(label)?.[0] ?? 0))) + 1);
