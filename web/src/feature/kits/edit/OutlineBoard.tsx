import { type PointerEvent, useRef, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { PartOutline } from '#core/kit/piece-kind.ts';

/** The sheet it is drawn on grows with the part; its squares are of so many mm. */
const SQUARE_MM = 10;
const LEAST_MM = 160;
/** A corner or a hole lands on whole steps, mm. */
const STEP_MM = 5;

const snap = (mm: number): number => Math.round(mm / STEP_MM) * STEP_MM;

type Grip = { corner: number } | { hole: number };

/**
 * A part's outline drawn by hand on squared paper: a press puts the next corner, a corner or a hole is dragged, or moved
 * with the arrow keys; Delete takes it away.
 */
export function OutlineBoard({
  outline,
  tool,
  onChange,
}: {
  outline: PartOutline | undefined;
  /** What a press on the paper puts down. */
  tool: 'corner' | 'hole';
  onChange: (outline: PartOutline | undefined) => void;
}) {
  const board = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<Grip>();
  /** Corners before there are three: no outline yet. */
  const [begun, setBegun] = useState<Array<[number, number]>>([]);
  const points = outline?.points ?? begun;
  const holes = outline?.holes ?? [];
  const far = (values: number[]) => Math.max(LEAST_MM, ...values) + 2 * SQUARE_MM;
  const width = far([...points.map(([x]) => x), ...holes.map(({ xMm }) => xMm)]);
  const height = far([...points.map(([, y]) => y), ...holes.map(({ yMm }) => yMm)]) * 0.7;
  const at = (event: PointerEvent): [number, number] => {
    const matrix = board.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return [snap(point.x), snap(point.y)];
  };
  const keep = (corners: Array<[number, number]>) => {
    if (corners.length < 3) {
      setBegun(corners);
      if (outline) onChange(undefined);
      return;
    }
    setBegun([]);
    onChange({ ...outline, points: corners });
  };
  const place = (grip: Grip, [x, y]: [number, number]) => {
    if ('corner' in grip) keep(points.map((point, index) => (index === grip.corner ? [x, y] : point)));
    else if (outline)
      onChange({
        ...outline,
        holes: holes.map((hole, index) => (index === grip.hole ? { ...hole, xMm: x, yMm: y } : hole)),
      });
  };
  const remove = (grip: Grip) => {
    if ('corner' in grip) keep(points.filter((_, index) => index !== grip.corner));
    else if (outline) {
      const rest = holes.filter((_, index) => index !== grip.hole);
      onChange(rest.length > 0 ? { ...outline, holes: rest } : { points: outline.points });
    }
  };
  const putDown = (event: PointerEvent) => {
    const [x, y] = at(event);
    if (tool === 'corner') keep([...points, [x, y]]);
    else if (outline) onChange({ ...outline, holes: [...holes, { xMm: x, yMm: y, acrossMm: 11 }] });
  };
  const onKey = (grip: Grip, x: number, y: number) => (event: React.KeyboardEvent) => {
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-STEP_MM, 0],
      ArrowRight: [STEP_MM, 0],
      ArrowUp: [0, -STEP_MM],
      ArrowDown: [0, STEP_MM],
    };
    const step = by[event.key];
    if (step) {
      event.preventDefault();
      place(grip, [x + step[0], y + step[1]]);
    }
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      remove(grip);
    }
  };
  const grips = [
    ...points.map(([x, y], corner) => ({ grip: { corner } as Grip, x, y, r: 4, name: `Corner ${corner + 1}` })),
    ...holes.map(({ xMm, yMm, acrossMm }, hole) => ({
      grip: { hole } as Grip,
      x: xMm,
      y: yMm,
      r: Math.max(4, acrossMm / 2),
      name: `Hole ${hole + 1}`,
    })),
  ];
  const isHeld = (grip: Grip) => held !== undefined && JSON.stringify(held) === JSON.stringify(grip);
  return (
    <svg
      ref={board}
      viewBox={`${-SQUARE_MM} ${-SQUARE_MM} ${width} ${height}`}
      className="w-full touch-none border-2 border-ink bg-sheet"
      role="application"
      aria-label={say('Squared paper, 10 mm to the square')}
      onPointerDown={(event) => event.target === event.currentTarget && putDown(event)}
      onPointerMove={(event) => held && place(held, at(event))}
      onPointerUp={() => setHeld(undefined)}
    >
      <defs>
        <pattern id="squared" width={SQUARE_MM} height={SQUARE_MM} patternUnits="userSpaceOnUse">
          <path d={`M${SQUARE_MM} 0H0V${SQUARE_MM}`} fill="none" stroke="var(--hair)" strokeWidth={0.4} />
        </pattern>
      </defs>
      <rect
        x={-SQUARE_MM}
        y={-SQUARE_MM}
        width={width}
        height={height}
        fill="url(#squared)"
        className="pointer-events-none"
      />
      {points.length > 1 && (
        <polygon
          points={points.map((point) => point.join(',')).join(' ')}
          fill="var(--steel)"
          stroke="var(--ink)"
          strokeWidth={0.8}
          className="pointer-events-none"
        />
      )}
      {grips.map(({ grip, x, y, r, name }) => (
        // biome-ignore lint/a11y/useSemanticElements: a handle inside a drawing
        <circle
          key={name}
          cx={x}
          cy={y}
          r={r}
          role="button"
          tabIndex={0}
          aria-label={say('{name}, {x} across, {y} down', { name, x, y })}
          fill={isHeld(grip) ? 'var(--paint)' : 'hole' in grip ? 'var(--sheet)' : 'var(--ink)'}
          stroke="var(--ink)"
          strokeWidth={0.8}
          className="cursor-move"
          onPointerDown={(event) => {
            event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId);
            setHeld(grip);
          }}
          onKeyDown={onKey(grip, x, y)}
        />
      ))}
    </svg>
  );
}
