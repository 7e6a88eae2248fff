import type { Station } from '#core/kit/kit-document.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { CommitField } from '../../../ui/CommitField.tsx';
import { typedMm } from './typed-mm.ts';

const AXES = [
  ['xMm', 'Across, mm or in'],
  ['yMm', 'Down, mm or in'],
] as const;

/** Where the chosen stations lie; empty along an axis on which they differ. Typing puts all of them there. */
export function ChosenPlace({
  chosen,
  onMove,
}: {
  chosen: readonly Station[];
  onMove: (moved: ReadonlyArray<{ id: string } & Point>) => void;
}) {
  return (
    <div className="flex gap-2">
      {AXES.map(([axis, label]) => {
        const values = new Set(chosen.map((station) => station[axis]));
        return (
          <div key={axis} className="w-28">
            <CommitField
              label={label}
              className="figures text-right"
              value={values.size === 1 ? String([...values][0]) : ''}
              onCommit={(typed) => {
                const mm = typedMm(typed);
                if (!Number.isFinite(mm) || Math.abs(mm) > 20_000) return 'mm, or 4 3/4 in';
                return void onMove(chosen.map(({ id, xMm, yMm }) => ({ id, xMm, yMm, [axis]: mm })));
              }}
            />
          </div>
        );
      })}
    </div>
  );
}
