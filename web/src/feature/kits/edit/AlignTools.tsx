import { type AlignTo, align, distribute } from '#core/geometry/layout.ts';
import type { Station } from '#core/kit/kit-document.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { ToolButton } from './MapTools.tsx';

/** Puts chosen stations in line, evenly apart, or on the other side too. */
export function AlignTools({
  chosen,
  onPlace,
  onMirror,
}: {
  chosen: number;
  onPlace: (place: (points: Station[]) => Array<Station & Point>) => void;
  onMirror: () => void;
}) {
  return (
    <>
      {(
        [
          ['left', 'Left'],
          ['middle', 'Middle'],
          ['right', 'Right'],
          ['top', 'Top'],
          ['centre', 'Centre'],
          ['bottom', 'Bottom'],
        ] as ReadonlyArray<readonly [AlignTo, string]>
      ).map(([to, text]) => (
        <ToolButton
          key={to}
          disabled={chosen < 2}
          onClick={() => onPlace((points) => align(points, to))}
          label={`Align ${text.toLowerCase()}`}
        >
          {text}
        </ToolButton>
      ))}
      <ToolButton
        disabled={chosen < 3}
        onClick={() => onPlace((points) => distribute(points, 'x'))}
        label="Space evenly across"
      >
        Across
      </ToolButton>
      <ToolButton
        disabled={chosen < 3}
        onClick={() => onPlace((points) => distribute(points, 'y'))}
        label="Space evenly down"
      >
        Down
      </ToolButton>
      <ToolButton disabled={chosen === 0} onClick={onMirror} label="Mirror copies left to right">
        Mirror
      </ToolButton>
    </>
  );
}
