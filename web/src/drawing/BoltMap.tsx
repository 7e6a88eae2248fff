import { memo, useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { StationMark } from '#core/job/station-progress.ts';
import type { MapShape } from '#core/kit/kit-document.ts';
import { layOutMap, type MapExtent, type MapScreen } from '#core/kit/map-layout.ts';
import type { PlanGroup, PlanStation } from '#core/kit/plan.ts';
import { MARK_TEXT, StationGlyph } from './StationGlyph.tsx';

const TONE = {
  vehicle: { fill: 'var(--floor)', stroke: 'var(--rule)' },
  part: { fill: 'var(--sheet)', stroke: 'var(--ink)' },
} as const;

/** The outlines behind the stations. */
export const MapShapes = ({ shapes, unit = 1 }: { shapes: readonly MapShape[]; unit?: number }) => (
  <>
    {shapes.map((shape) => (
      <Shape key={JSON.stringify(shape)} shape={shape} unit={unit} />
    ))}
  </>
);

function Shape({ shape, unit }: { shape: MapShape; unit: number }) {
  const { fill, stroke } = TONE[shape.tone];
  const dress = { fill, stroke, strokeWidth: (shape.tone === 'part' ? 2 : 1.5) * unit };
  const label = (x: number, y: number) =>
    shape.label && (
      <text
        x={x}
        y={y}
        textAnchor="middle"
        dominantBaseline="central"
        className="plate"
        fontSize={17 * unit}
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

/** About the width of a letter of a call, in the same units. */
const LETTER = 13;

export interface BoltMapProps {
  group: PlanGroup;
  stations: readonly PlanStation[];
  marks: ReadonlyMap<string, StationMark>;
  /** The one thing to do now. */
  next?: string;
  /** Where the last was and where the next after this one is, for the dotted way. */
  path?: readonly string[];
  call?: { title: string; note?: string };
  /** A word or figure under a station. */
  notes?: ReadonlyMap<string, string>;
  onStation?: (id: string) => void;
}

/** A joint group seen from where the fitter stands, with every station in its state. */
export function BoltMap({ group, stations, marks, next, path = [], call, notes, onStation }: BoltMapProps) {
  const svg = useRef<SVGSVGElement>(null);
  const [screen, setScreen] = useState<MapScreen>();
  useLayoutEffect(() => {
    const drawing = svg.current;
    if (!drawing) return undefined;
    const observer = new ResizeObserver(([entry]) => {
      const { width = 0, height = 0 } = entry?.contentRect ?? {};
      if (width > 0 && height > 0) setScreen({ width, height });
    });
    observer.observe(drawing);
    return () => observer.disconnect();
  }, []);
  const {
    box: bare,
    drawn,
    unit,
    glyph,
  } = useMemo(() => layOutMap(group.map.shapes, stations, screen), [group, stations, screen]);
  const box = { ...bare };
  const at = new Map(drawn.map((station) => [station.id, station]));
  const nextAt = next === undefined ? undefined : at.get(next);
  const called = nextAt && call ? placeCall(nextAt, call, box, unit) : undefined;
  if (called) {
    box.left = Math.min(box.left, called.left);
    box.right = Math.max(box.right, called.right);
    box.top = called.top;
  }
  const way = path.flatMap((id) => at.get(id) ?? []);
  // The same function for as long as the map stands, whatever it calls: hundreds of stations are drawn anew only where one changed.
  const onPress = useRef(onStation);
  useLayoutEffect(() => {
    onPress.current = onStation;
  });
  const press = useCallback((id: string) => onPress.current?.(id), []);
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset cannot stand inside a drawing
    <svg
      ref={svg}
      role="group"
      aria-label={`${group.title}: ${group.map.title}`}
      className="h-full w-full"
      viewBox={`${box.left} ${box.top} ${box.right - box.left} ${box.bottom - box.top}`}
      preserveAspectRatio="xMidYMid meet"
    >
      <MapShapes shapes={group.map.shapes} unit={unit} />
      {way.length > 1 && (
        <polyline
          points={way.map((s) => `${s.xMm},${s.yMm}`).join(' ')}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2 * unit}
          strokeDasharray={`${2 * unit} ${6 * unit}`}
          strokeLinecap="round"
        />
      )}
      {called && call && (
        <g>
          <path d={called.lead} fill="none" stroke="var(--ink)" strokeWidth={2 * unit} />
          <text x={called.xMm} y={called.yMm} textAnchor={called.anchor} className="plate" fontSize={24 * unit}>
            {call.title}
          </text>
          {call.note && (
            <text
              x={called.xMm}
              y={called.yMm + 20 * unit}
              textAnchor={called.anchor}
              fontSize={15 * unit}
              style={{ fill: 'var(--ink-2)' }}
            >
              {call.note}
            </text>
          )}
        </g>
      )}
      {/* What is drawn apart is led back to where it really is. */}
      {drawn.map(({ id, xMm, yMm }, index) => {
        const real = stations[index] as PlanStation;
        return Math.hypot(xMm - real.xMm, yMm - real.yMm) < glyph / 10 ? null : (
          <g key={id} data-lead={id}>
            <circle cx={real.xMm} cy={real.yMm} r={3 * unit} style={{ fill: 'var(--ink)' }} />
            <line x1={real.xMm} y1={real.yMm} x2={xMm} y2={yMm} stroke="var(--ink)" strokeWidth={1.5 * unit} />
          </g>
        );
      })}
      {drawn.map((station, index) => (
        <MapStation
          key={station.id}
          place={index + 1}
          count={drawn.length}
          station={station}
          mark={marks.get(station.id) ?? 'empty'}
          next={station.id === next}
          note={notes?.get(station.id)}
          unit={unit}
          onPress={onStation && press}
        />
      ))}
    </svg>
  );
}

/** One station on the map. */
const MapStation = memo(function MapStation({
  station,
  place: index,
  count,
  mark,
  next,
  note,
  unit,
  onPress,
}: {
  station: PlanStation;
  /** Where it stands among the others, from 1. */
  place: number;
  count: number;
  mark: StationMark;
  next: boolean;
  note?: string;
  unit: number;
  onPress?: (id: string) => void;
}) {
  // Said here and not by the map: of hundreds of stations only those are worded anew that changed.
  const place = say('{place} of {count}', { place: index, count });
  const state = `${MARK_TEXT[mark]}${next ? say(', next') : ''}${note ? `, ${note}` : ''}`;
  const content = (
    <g transform={`translate(${station.xMm} ${station.yMm}) scale(${unit})`}>
      {/* A target for a finger, larger than the drawing. */}
      <circle r={34} fill="transparent" />
      <StationGlyph mark={mark} label={station.label} next={next} />
      {note && (
        <text
          x={29}
          y={6}
          className="figures"
          fontSize={16}
          style={{ paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: 4 }}
        >
          {note}
        </text>
      )}
    </g>
  );
  if (!onPress)
    return (
      // biome-ignore lint/a11y/noInteractiveElementToNoninteractiveRole: a drawn station without a handler is a picture
      <g role="img" aria-label={say('Station {label}, {place}, {state}', { label: station.label, place, state })}>
        {content}
      </g>
    );
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside an SVG
    <g
      role="button"
      tabIndex={0}
      aria-label={say('Station {label}, {place}, {name}, {state}', {
        label: station.label,
        place,
        name: station.name,
        state,
      })}
      className="cursor-pointer"
      onClick={() => onPress(station.id)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        onPress(station.id);
      }}
    >
      {content}
    </g>
  );
});

/** Where a call stands: above the map, towards its middle, with a lead down to its station. */
function placeCall(at: PlanStation, call: { title: string; note?: string }, box: MapExtent, unit: number) {
  const towards = at.xMm > (box.left + box.right) / 2 ? -1 : 1;
  const xMm = at.xMm + towards * 66 * unit;
  const longMm = Math.max(call.title.length, (call.note?.length ?? 0) * 0.7) * LETTER * unit;
  return {
    lead: `M${at.xMm} ${at.yMm - 36 * unit}V${box.top - 18 * unit}h${towards * 60 * unit}`,
    xMm,
    yMm: box.top - 26 * unit,
    anchor: towards < 0 ? ('end' as const) : ('start' as const),
    left: towards < 0 ? xMm - longMm : xMm,
    right: towards < 0 ? xMm : xMm + longMm,
    top: box.top - 50 * unit,
  };
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
