import { memo } from 'react';
import type { StationMark } from '#core/job/station-progress.ts';
import type { MapShape } from '#core/kit/kit-document.ts';
import type { PlanGroup, PlanStation } from '#core/kit/plan.ts';
import { MARK_TEXT, StationGlyph } from './StationGlyph.tsx';

const TONE = {
  vehicle: { fill: 'var(--floor)', stroke: 'var(--rule)' },
  part: { fill: 'var(--sheet)', stroke: 'var(--ink)' },
} as const;

/** The outlines behind the stations. */
export const MapShapes = ({ shapes }: { shapes: readonly MapShape[] }) => (
  <>
    {shapes.map((shape) => (
      <Shape key={JSON.stringify(shape)} shape={shape} />
    ))}
  </>
);

function Shape({ shape }: { shape: MapShape }) {
  const { fill, stroke } = TONE[shape.tone];
  const dress = { fill, stroke, strokeWidth: shape.tone === 'part' ? 2 : 1.5 };
  const label = (x: number, y: number) =>
    shape.label && (
      <text
        x={x}
        y={y}
        textAnchor="middle"
        dominantBaseline="central"
        className="plate"
        fontSize={17}
        style={{ fill: 'var(--ink-2)' }}
      >
        {shape.label}
      </text>
    );
  switch (shape.kind) {
    case 'rect':
      return (
        <>
          <rect x={shape.xMm} y={shape.yMm} width={shape.widthMm} height={shape.heightMm} {...dress} />
          {label(shape.xMm + shape.widthMm / 2, shape.yMm + shape.heightMm / 2)}
        </>
      );
    case 'circle':
      return (
        <>
          <circle cx={shape.xMm} cy={shape.yMm} r={shape.radiusMm} {...dress} />
          {label(shape.xMm, shape.yMm)}
        </>
      );
    case 'polygon': {
      const n = shape.points.length;
      return (
        <>
          <polygon points={shape.points.map((point) => point.join(',')).join(' ')} {...dress} />
          {label(
            shape.points.reduce((sum, [x]) => sum + x, 0) / n,
            shape.points.reduce((sum, [, y]) => sum + y, 0) / n,
          )}
        </>
      );
    }
  }
}

/** Glyphs never shrink below this many map millimetres: they stay readable and pressable. */
const GLYPH_MM = 46;
const MARGIN_MM = 40;

export interface BoltMapProps {
  group: PlanGroup;
  stations: readonly PlanStation[];
  marks: ReadonlyMap<string, StationMark>;
  /** The one thing to do now. */
  next?: string;
  /** Where the last was and where the next after this one is, for the dotted way. */
  path?: readonly string[];
  call?: { title: string; note?: string };
  onStation?: (id: string) => void;
}

/** A joint group seen from where the fitter stands, with every station in its state. */
export const BoltMap = memo(function BoltMap({
  group,
  stations,
  marks,
  next,
  path = [],
  call,
  onStation,
}: BoltMapProps) {
  const xs = [...stations.map((s) => s.xMm), ...group.map.shapes.flatMap(extentX)];
  const ys = [...stations.map((s) => s.yMm), ...group.map.shapes.flatMap(extentY)];
  const box = {
    left: Math.min(...xs) - MARGIN_MM,
    right: Math.max(...xs) + MARGIN_MM,
    top: Math.min(...ys) - MARGIN_MM,
    bottom: Math.max(...ys) + MARGIN_MM,
  };
  const at = new Map(stations.map((station) => [station.id, station]));
  const nextAt = next === undefined ? undefined : at.get(next);
  const scale = GLYPH_MM / 44;
  const way = path.flatMap((id) => at.get(id) ?? []);
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset cannot stand inside a drawing
    <svg
      role="group"
      aria-label={`${group.title}: ${group.map.title}`}
      className="h-full w-full"
      viewBox={`${box.left} ${box.top - (call ? 50 : 0)} ${box.right - box.left} ${box.bottom - box.top + (call ? 50 : 0)}`}
      preserveAspectRatio="xMidYMid meet"
    >
      <MapShapes shapes={group.map.shapes} />
      {way.length > 1 && (
        <polyline
          points={way.map((s) => `${s.xMm},${s.yMm}`).join(' ')}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
          strokeDasharray="2 6"
          strokeLinecap="round"
        />
      )}
      {nextAt && call && (
        <g>
          <path
            d={`M${nextAt.xMm} ${nextAt.yMm - 36}V${box.top - 18}h${nextAt.xMm > (box.left + box.right) / 2 ? -60 : 60}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <text
            x={nextAt.xMm + (nextAt.xMm > (box.left + box.right) / 2 ? -66 : 66)}
            y={box.top - 26}
            textAnchor={nextAt.xMm > (box.left + box.right) / 2 ? 'end' : 'start'}
            className="plate"
            fontSize={24}
          >
            {call.title}
          </text>
          {call.note && (
            <text
              x={nextAt.xMm + (nextAt.xMm > (box.left + box.right) / 2 ? -66 : 66)}
              y={box.top - 6}
              textAnchor={nextAt.xMm > (box.left + box.right) / 2 ? 'end' : 'start'}
              fontSize={15}
              style={{ fill: 'var(--ink-2)' }}
            >
              {call.note}
            </text>
          )}
        </g>
      )}
      {stations.map((station) => {
        const mark = marks.get(station.id) ?? 'empty';
        const isNext = station.id === next;
        const content = (
          <g transform={`translate(${station.xMm} ${station.yMm}) scale(${scale})`}>
            {/* A target for a finger, larger than the drawing. */}
            <circle r={34} fill="transparent" />
            <StationGlyph mark={mark} label={station.label} next={isNext} />
          </g>
        );
        if (!onStation) {
          return (
            // biome-ignore lint/a11y/noInteractiveElementToNoninteractiveRole: a drawn station without a handler is a picture
            <g
              key={station.id}
              role="img"
              aria-label={`Station ${station.label}, ${MARK_TEXT[mark]}${isNext ? ', next' : ''}`}
            >
              {content}
            </g>
          );
        }
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside an SVG
          <g
            key={station.id}
            role="button"
            tabIndex={0}
            aria-label={`Station ${station.label}, ${station.name}, ${MARK_TEXT[mark]}${isNext ? ', next' : ''}`}
            className="cursor-pointer"
            onClick={() => onStation(station.id)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter') return;
              event.preventDefault();
              onStation(station.id);
            }}
          >
            {content}
          </g>
        );
      })}
    </svg>
  );
});

function extentX(shape: MapShape): number[] {
  if (shape.kind === 'rect') return [shape.xMm, shape.xMm + shape.widthMm];
  if (shape.kind === 'circle') return [shape.xMm - shape.radiusMm, shape.xMm + shape.radiusMm];
  return shape.points.map(([x]) => x);
}

function extentY(shape: MapShape): number[] {
  if (shape.kind === 'rect') return [shape.yMm, shape.yMm + shape.heightMm];
  if (shape.kind === 'circle') return [shape.yMm - shape.radiusMm, shape.yMm + shape.radiusMm];
  return shape.points.map(([, y]) => y);
}

/** The shapes of all states, for the foot of a map. */
export function MapLegend({ marks }: { marks: readonly StationMark[] }) {
  return (
    <ul className="flex flex-wrap items-center gap-x-5 gap-y-1 text-sm">
      {marks.map((mark) => (
        <li key={mark} className="flex items-center gap-2">
          <svg viewBox="-36 -36 72 72" className="size-8" aria-hidden="true">
            <StationGlyph mark={mark} />
          </svg>
          {MARK_TEXT[mark]}
        </li>
      ))}
    </ul>
  );
}
