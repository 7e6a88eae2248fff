import { type KeyboardEvent, type PointerEvent, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { onSheetLines } from '#core/geometry/layout.ts';
import { leastDistance } from '#core/geometry/spread-apart.ts';
import type { JointGroup, MapShape, Station } from '#core/kit/kit-document.ts';
import type { MapBox } from '#core/kit/map-box.ts';
import { mapLines } from '#core/kit/map-lines.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { MapShapes } from '../../../../drawing/BoltMap.tsx';
import { StationGlyph } from '../../../../drawing/StationGlyph.tsx';
import { anchorOf, handlesOf, movedBy, reshaped } from './outline-shape.ts';
import type { Picture } from './PictureScale.tsx';
import { mmAt, pxX, pxY } from './sheet-view.ts';
import type { SheetOnScreen } from './use-sheet-view.ts';

/** A line of the sheet is caught from this far, px. */
const REACH_PX = 8;
/** Less than this a hand has not moved, px. */
const STILL_PX = 4;
/** Across a glyph, px. */
const GLYPH_PX = 64;

/** What a hand holds on the drawing. */
type Hold =
  | { what: 'stations'; id: string; from: Point; by: Point; on: Partial<Point> }
  | { what: 'outline'; index: number; shape: MapShape; from: Point; handle?: number; on: Partial<Point> }
  | { what: 'band'; from: Point; to: Point; outline?: number };

const NOWHERE: Point = { xMm: 0, yMm: 0 };

/** The drawing: stations and outlines taken by hand, and caught by the lines of the sheet. */
export function MapDrawing({
  group,
  sheet,
  box,
  centreXMm,
  stations,
  chosen,
  onChoose,
  outline,
  onOutline,
  onMove,
  onShape,
  picture,
  scaling,
  onScale,
}: {
  group: JointGroup;
  sheet: SheetOnScreen;
  box: MapBox;
  centreXMm: number;
  stations: readonly Station[];
  chosen: ReadonlySet<string>;
  onChoose: (ids: ReadonlySet<string>) => void;
  /** The outline in hand, by its place in the list. */
  outline: number | undefined;
  onOutline: (index: number | undefined) => void;
  onMove: (moved: ReadonlyArray<{ id: string } & Point>) => void;
  onShape: (index: number, shape: MapShape) => void;
  picture?: Picture;
  scaling?: Point[];
  /** Takes a point while a picture is being scaled. */
  onScale?: (point: Point) => void;
}) {
  const { drawing, view, size } = sheet;
  const [hold, setHold] = useState<Hold>();
  const { shapes } = group.map;
  const selected = stations.filter(({ id }) => chosen.has(id));
  const reachMm = REACH_PX / view.scale;

  const at = (event: PointerEvent): Point => {
    const rect = drawing.current?.getBoundingClientRect();
    return mmAt(view, { x: event.clientX - (rect?.left ?? 0), y: event.clientY - (rect?.top ?? 0) });
  };
  /** With Ctrl held nothing catches. */
  const caught = (free: Point, others: readonly Point[], lines: readonly MapShape[], event: PointerEvent) =>
    event.ctrlKey || event.metaKey
      ? { place: { xMm: Math.round(free.xMm * 10) / 10, yMm: Math.round(free.yMm * 10) / 10 }, on: {} }
      : onSheetLines(free, mapLines(lines, others, centreXMm), reachMm);
  const capture = (event: PointerEvent) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
  };

  const onStationDown = (event: PointerEvent<SVGGElement>, { id }: Station) => {
    if (event.button !== 0 || event.altKey || scaling) return;
    capture(event);
    onOutline(undefined);
    if (event.shiftKey) {
      const next = new Set(chosen);
      if (!next.delete(id)) next.add(id);
      onChoose(next);
      return;
    }
    if (!chosen.has(id)) onChoose(new Set([id]));
    setHold({ what: 'stations', id, from: at(event), by: NOWHERE, on: {} });
  };
  const onOutlineDown = (event: PointerEvent<SVGElement>, index: number, handle?: number) => {
    const shape = shapes[index];
    if (event.button !== 0 || event.altKey || scaling || !shape) return;
    capture(event);
    setHold({ what: 'outline', index, shape, from: at(event), handle, on: {} });
  };
  const onSheetDown = (event: PointerEvent<SVGSVGElement>) => {
    if (event.button !== 0 || event.altKey) return;
    const point = at(event);
    if (scaling) {
      onScale?.(point);
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    const under = event.target instanceof Element ? event.target.closest('[data-outline]') : null;
    const index = under?.getAttribute('data-outline');
    setHold({ what: 'band', from: point, to: point, ...(index ? { outline: Number(index) } : {}) });
  };
  const onDrag = (event: PointerEvent) => {
    if (!hold) return;
    const now = at(event);
    if (hold.what === 'band') {
      setHold({ ...hold, to: now });
      return;
    }
    const by = { xMm: now.xMm - hold.from.xMm, yMm: now.yMm - hold.from.yMm };
    if (hold.what === 'stations') {
      const held = stations.find(({ id }) => id === hold.id);
      if (!held) return;
      const others = stations.filter(({ id }) => !chosen.has(id));
      const { place, on } = caught({ xMm: held.xMm + by.xMm, yMm: held.yMm + by.yMm }, others, shapes, event);
      setHold({ ...hold, by: { xMm: place.xMm - held.xMm, yMm: place.yMm - held.yMm }, on });
      return;
    }
    const stored = shapes[hold.index];
    if (!stored) return;
    const others = shapes.filter((_, index) => index !== hold.index);
    if (hold.handle !== undefined) {
      const { place, on } = caught(now, stations, others, event);
      setHold({ ...hold, shape: reshaped(stored, hold.handle, place), on });
      return;
    }
    const anchor = anchorOf(stored);
    const { place, on } = caught({ xMm: anchor.xMm + by.xMm, yMm: anchor.yMm + by.yMm }, stations, others, event);
    setHold({
      ...hold,
      shape: movedBy(stored, { xMm: place.xMm - anchor.xMm, yMm: place.yMm - anchor.yMm }),
      on,
    });
  };
  const letGo = (event: PointerEvent) => {
    if (!hold) return;
    setHold(undefined);
    if (hold.what === 'stations') {
      const { by } = hold;
      if (by.xMm !== 0 || by.yMm !== 0)
        onMove(selected.map(({ id, xMm, yMm }) => ({ id, xMm: xMm + by.xMm, yMm: yMm + by.yMm })));
      return;
    }
    if (hold.what === 'outline') {
      if (hold.shape !== shapes[hold.index]) onShape(hold.index, hold.shape);
      return;
    }
    const { from, to, outline: pressed } = hold;
    const moved = Math.max(Math.abs(to.xMm - from.xMm), Math.abs(to.yMm - from.yMm)) * view.scale;
    if (moved < STILL_PX) {
      onOutline(pressed);
      onChoose(new Set());
      return;
    }
    const inside = stations
      .filter(
        ({ xMm, yMm }) =>
          xMm >= Math.min(from.xMm, to.xMm) &&
          xMm <= Math.max(from.xMm, to.xMm) &&
          yMm >= Math.min(from.yMm, to.yMm) &&
          yMm <= Math.max(from.yMm, to.yMm),
      )
      .map(({ id }) => id);
    onOutline(undefined);
    onChoose(new Set(event.shiftKey ? [...chosen, ...inside] : inside));
  };
  const onKey = (event: KeyboardEvent) => {
    const step = event.shiftKey ? 10 : 1;
    const by: Record<string, Point> = {
      ArrowLeft: { xMm: -step, yMm: 0 },
      ArrowRight: { xMm: step, yMm: 0 },
      ArrowUp: { xMm: 0, yMm: -step },
      ArrowDown: { xMm: 0, yMm: step },
    };
    const shift = by[event.key];
    const shape = outline === undefined ? undefined : shapes[outline];
    if (shift && selected.length > 0) {
      event.preventDefault();
      onMove(selected.map(({ id, xMm, yMm }) => ({ id, xMm: xMm + shift.xMm, yMm: yMm + shift.yMm })));
    } else if (shift && shape && outline !== undefined) {
      event.preventDefault();
      onShape(outline, movedBy(shape, shift));
    }
    if (event.key === 'Escape') {
      setHold(undefined);
      onChoose(new Set());
      onOutline(undefined);
    }
    if (event.key === 'a' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      onChoose(new Set(group.stations));
    }
  };

  const shown = shapes.map((shape, index) => (hold?.what === 'outline' && hold.index === index ? hold.shape : shape));
  const placeOf = (station: Station): Point =>
    hold?.what === 'stations' && chosen.has(station.id)
      ? { xMm: station.xMm + hold.by.xMm, yMm: station.yMm + hold.by.yMm }
      : station;
  // Glyphs keep a size that can be pressed, and shrink only where they would cover one another.
  const nearPx = leastDistance(stations) * view.scale;
  const glyph = Math.max(0.45, Math.min(1, nearPx / GLYPH_PX || 1));
  const on = hold && hold.what !== 'band' ? hold.on : {};
  const held = outline === undefined ? undefined : shown[outline];
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset cannot stand inside a drawing
    <svg
      ref={drawing}
      role="group"
      aria-label={say('Bolt map of {title}. Choose stations and move them with the arrow keys.', {
        title: group.title,
      })}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: the map takes arrow keys
      tabIndex={0}
      className="grid-paper absolute inset-0 h-full w-full touch-none select-none"
      onPointerDown={onSheetDown}
      onPointerMove={onDrag}
      onPointerUp={letGo}
      onPointerCancel={() => setHold(undefined)}
      onKeyDown={onKey}
    >
      <rect
        x={pxX(view, box.left)}
        y={pxY(view, box.top)}
        width={box.widthMm * view.scale}
        height={box.heightMm * view.scale}
        fill="none"
        stroke="var(--rule)"
        strokeDasharray="6 4"
      />
      <g transform={`translate(${view.leftPx} ${view.topPx}) scale(${view.scale})`}>
        {picture && (
          <image
            href={picture.address}
            x={picture.xMm}
            y={picture.yMm}
            width={picture.widthPx * picture.mmPerPixel}
            height={picture.heightPx * picture.mmPerPixel}
            opacity={0.55}
          />
        )}
        {shown.map((shape, index) => (
          <g
            // biome-ignore lint/suspicious/noArrayIndexKey: outlines have no name of their own
            key={index}
            data-outline={index}
            className={index === outline ? 'cursor-move' : 'cursor-pointer'}
            onPointerDown={index === outline ? (event) => onOutlineDown(event, index) : undefined}
          >
            <MapShapes shapes={[shape]} unit={1 / view.scale} />
          </g>
        ))}
      </g>
      {/* The vehicle's middle, and the lines that have caught what is in hand. */}
      <line
        x1={pxX(view, centreXMm)}
        x2={pxX(view, centreXMm)}
        y2={size.height}
        stroke="var(--ink-2)"
        strokeDasharray="18 5 4 5"
      />
      {on.xMm !== undefined && (
        <line x1={pxX(view, on.xMm)} x2={pxX(view, on.xMm)} y2={size.height} stroke="var(--medium)" strokeWidth={2} />
      )}
      {on.yMm !== undefined && (
        <line y1={pxY(view, on.yMm)} y2={pxY(view, on.yMm)} x2={size.width} stroke="var(--medium)" strokeWidth={2} />
      )}
      {stations.map((station) => {
        const { xMm, yMm } = placeOf(station);
        const isChosen = chosen.has(station.id);
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside an SVG
          <g
            key={station.id}
            role="button"
            tabIndex={-1}
            aria-pressed={isChosen}
            aria-label={say('Station {label}, {xMm} by {yMm} mm', { label: station.label, xMm, yMm })}
            className="cursor-move"
            transform={`translate(${pxX(view, xMm)} ${pxY(view, yMm)}) scale(${glyph})`}
            onPointerDown={(event) => onStationDown(event, station)}
            onKeyDown={(event) => event.key === 'Enter' && onChoose(new Set([station.id]))}
          >
            {isChosen && <circle r={34} fill="none" stroke="var(--medium)" strokeWidth={4} strokeDasharray="5 4" />}
            <circle r={28} fill="transparent" />
            <StationGlyph mark="empty" label={station.label} />
          </g>
        );
      })}
      {held &&
        outline !== undefined &&
        handlesOf(held).map(({ xMm, yMm }, handle) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a handle is known by its place
            key={handle}
            data-handle={handle}
            x={pxX(view, xMm) - 9}
            y={pxY(view, yMm) - 9}
            width={18}
            height={18}
            fill="var(--color-paint)"
            stroke="var(--ink)"
            strokeWidth={2}
            className="cursor-crosshair"
            onPointerDown={(event) => onOutlineDown(event, outline, handle)}
          />
        ))}
      {hold?.what === 'band' && (
        <rect
          x={pxX(view, Math.min(hold.from.xMm, hold.to.xMm))}
          y={pxY(view, Math.min(hold.from.yMm, hold.to.yMm))}
          width={Math.abs(hold.to.xMm - hold.from.xMm) * view.scale}
          height={Math.abs(hold.to.yMm - hold.from.yMm) * view.scale}
          fill="none"
          stroke="var(--medium)"
          strokeWidth={1.5}
          strokeDasharray="4 3"
        />
      )}
      {scaling?.map(({ xMm, yMm }) => (
        <path
          key={`${xMm} ${yMm}`}
          d={`M${pxX(view, xMm) - 14} ${pxY(view, yMm)}h28M${pxX(view, xMm)} ${pxY(view, yMm) - 14}v28`}
          stroke="var(--bad)"
          strokeWidth={2}
        />
      ))}
    </svg>
  );
}
