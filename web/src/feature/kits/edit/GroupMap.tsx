import { select } from 'd3-selection';
import { type D3ZoomEvent, type ZoomTransform, zoom, zoomIdentity } from 'd3-zoom';
import { type ChangeEvent, type KeyboardEvent, type PointerEvent, useEffect, useMemo, useRef, useState } from 'react';
import { drawingFaultText, readHoles, writeDxf, writeSvg } from '#contract/bolt-map-file.ts';
import { snap } from '#core/geometry/layout.ts';
import type { JointGroup, KitDocument, Station } from '#core/kit/kit-document.ts';
import { mapBox } from '#core/kit/map-box.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { MapShapes } from '../../../drawing/BoltMap.tsx';
import { StationGlyph } from '../../../drawing/StationGlyph.tsx';
import { Button } from '../../../ui/Button.tsx';
import { AlignTools } from './AlignTools.tsx';
import { ChosenPlace } from './ChosenPlace.tsx';
import { useEditor } from './editor-store.ts';
import { LayOut } from './LayOut.tsx';
import { MapSize } from './MapSize.tsx';
import { FileButton, ToolButton } from './MapTools.tsx';
import { addStations, mirrorStations, moveStations, widenFor } from './map-stations.ts';
import { Outlines } from './Outlines.tsx';
import { type Picture, PictureScale } from './PictureScale.tsx';
import { readPictureFile } from './read-picture.ts';
import { saveFile } from './save-file.ts';

/** Grid that positions snap to, mm; a line of another bolt is caught from this far. */
const GRID_MM = 5;
const REACH_MM = 3;

/** One group's map: stations chosen, moved, laid out, mirrored, read from a drawing. */
export function GroupMap({ kit, group }: { kit: KitDocument; group: JointGroup }) {
  const change = useEditor((state) => state.change);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [drag, setDrag] = useState<{ from: Point; by: Point; moving: string }>();
  const [band, setBand] = useState<{ from: Point; to: Point }>();
  const [transform, setTransform] = useState<ZoomTransform>(zoomIdentity);
  const [snaps, setSnaps] = useState(true);
  const [picture, setPicture] = useState<Picture>();
  const [scaling, setScaling] = useState<Point[]>();
  const [message, setMessage] = useState<string>();
  const svg = useRef<SVGSVGElement>(null);
  const inner = useRef<SVGGElement>(null);
  const stations = useMemo(
    () => group.stations.flatMap((id) => kit.stations.find((station) => station.id === id) ?? []),
    [group.stations, kit.stations],
  );
  const selected = stations.filter((station) => chosen.has(station.id));
  const box = useMemo(() => mapBox(group.map, stations), [group.map, stations]);
  const { widthMm, heightMm } = box;
  const middle = { xMm: box.left + widthMm / 2, yMm: box.top + heightMm / 2 };
  // Glyphs keep a size that can be pressed, whatever the map measures.
  const glyph = Math.max(0.25, Math.min(3, Math.max(widthMm / 640, heightMm / 420)));

  const zoomer = useMemo(
    () =>
      zoom<SVGSVGElement, unknown>()
        .scaleExtent([0.4, 12])
        // The wheel zooms; a drag with the middle button or with Alt moves the sheet.
        .filter((event: MouseEvent) => event.type === 'wheel' || event.button === 1 || event.altKey)
        .on('zoom', (event: D3ZoomEvent<SVGSVGElement, unknown>) => setTransform(event.transform)),
    [],
  );
  useEffect(() => {
    if (!svg.current) return;
    const target = select(svg.current);
    target.call(zoomer).on('dblclick.zoom', null);
    return () => void target.on('.zoom', null);
  }, [zoomer]);
  const zoomBy = (factor: number) => svg.current && zoomer.scaleBy(select(svg.current), factor);
  const zoomHome = () => svg.current && zoomer.transform(select(svg.current), zoomIdentity);

  const at = (event: PointerEvent): Point => {
    const matrix = inner.current?.getScreenCTM()?.inverse();
    if (!matrix) return { xMm: 0, yMm: 0 };
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return { xMm: point.x, yMm: point.y };
  };
  const moveTo = (moved: ReadonlyArray<{ id: string } & Point>) => change((draft) => moveStations(draft, moved));
  const shifted = (station: Station): Point =>
    drag && chosen.has(station.id) ? { xMm: station.xMm + drag.by.xMm, yMm: station.yMm + drag.by.yMm } : station;

  const onStationDown = (event: PointerEvent<SVGGElement>, station: Station) => {
    if (event.button !== 0 || event.altKey) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    if (event.shiftKey) {
      setChosen((before) => {
        const next = new Set(before);
        if (!next.delete(station.id)) next.add(station.id);
        return next;
      });
      return;
    }
    if (!chosen.has(station.id)) setChosen(new Set([station.id]));
    setDrag({ from: at(event), by: { xMm: 0, yMm: 0 }, moving: station.id });
  };
  const onStationMove = (event: PointerEvent) => {
    if (!drag) return;
    const now = at(event);
    const held = stations.find((entry) => entry.id === drag.moving);
    if (!held) return;
    const free = { xMm: held.xMm + now.xMm - drag.from.xMm, yMm: held.yMm + now.yMm - drag.from.yMm };
    const others = stations.filter((entry) => !chosen.has(entry.id));
    const to = snaps ? snap(free, others, GRID_MM, REACH_MM) : free;
    setDrag({ ...drag, by: { xMm: to.xMm - held.xMm, yMm: to.yMm - held.yMm } });
  };
  const onStationUp = () => {
    if (drag && (drag.by.xMm !== 0 || drag.by.yMm !== 0))
      moveTo(selected.map((station) => ({ id: station.id, ...pick(shifted(station)) })));
    setDrag(undefined);
  };
  const onSheetDown = (event: PointerEvent<SVGSVGElement>) => {
    if (event.button !== 0 || event.altKey) return;
    const point = at(event);
    if (scaling && picture) {
      const points = [...scaling, point];
      setScaling(points);
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    setBand({ from: point, to: point });
  };
  const onSheetUp = (event: PointerEvent) => {
    if (!band) return;
    const [left, right] = [Math.min(band.from.xMm, band.to.xMm), Math.max(band.from.xMm, band.to.xMm)];
    const [top, bottom] = [Math.min(band.from.yMm, band.to.yMm), Math.max(band.from.yMm, band.to.yMm)];
    const inside = stations
      .filter(({ xMm, yMm }) => xMm >= left && xMm <= right && yMm >= top && yMm <= bottom)
      .map((station) => station.id);
    setChosen(new Set(event.shiftKey ? [...chosen, ...inside] : inside));
    setBand(undefined);
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
    if (shift && selected.length > 0) {
      event.preventDefault();
      moveTo(selected.map(({ id, xMm, yMm }) => ({ id, xMm: xMm + shift.xMm, yMm: yMm + shift.yMm })));
    }
    if (event.key === 'Escape') setChosen(new Set());
    if (event.key === 'a' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      setChosen(new Set(group.stations));
    }
  };
  const applyTo = (place: (points: Station[]) => Array<Station & Point>) => moveTo(place(selected));

  const addAt = (points: readonly Point[], like?: Station) =>
    change((draft) => addStations(draft, group.id, points, like));
  const mirrorCopies = () => change((draft) => mirrorStations(draft, group.id, selected, middle.xMm));
  const readDxf = async (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    event.target.value = '';
    if (!file) return;
    const read = readHoles(await file.text());
    if (!read.ok) {
      setMessage(drawingFaultText(read.error));
      return;
    }
    const holes = read.value;
    // As many holes as stations: the stations are put on them in their order; else new stations are made.
    if (holes.length === stations.length)
      moveTo(
        stations.map((station, index) => ({
          id: station.id,
          xMm: holes[index]?.xMm ?? 0,
          yMm: holes[index]?.yMm ?? 0,
        })),
      );
    else addAt(holes, selected[0]);
    change((draft) => widenFor(draft, group.id, holes));
    setMessage(`${holes.length} holes taken from ${file.name}.`);
  };
  const readPicture = (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    event.target.value = '';
    if (!file) return;
    if (!/^image\/(png|jpeg|svg\+xml|webp)$/.test(file.type) || file.size > 15 * 1024 * 1024) {
      setMessage(`${file.name} is not a PNG, JPEG, WebP or SVG picture of at most 15 MB.`);
      return;
    }
    readPictureFile(file).then(
      ({ address, widthPx, heightPx }) => {
        setPicture({ address, widthPx, heightPx, mmPerPixel: widthMm / widthPx, xMm: box.left, yMm: box.top });
        setMessage(
          'The picture lies under the map. Scale it by two points. It stays on this screen and is not part of the kit.',
        );
      },
      () => setMessage(`${file.name} cannot be shown as a picture.`),
    );
  };

  return (
    <div className="grid flex-1 lg:min-h-0 lg:grid-cols-[1fr_21rem]">
      <div className="flex min-h-96 flex-col lg:min-h-0">
        <div className="flex flex-wrap items-center gap-1 border-y border-rule px-2 py-1">
          <AlignTools chosen={selected.length} onPlace={applyTo} onMirror={mirrorCopies} />
          <span className="mx-1 h-8 border-l border-rule" />
          <ToolButton onClick={() => zoomBy(1.4)} label="Zoom in">
            +
          </ToolButton>
          <ToolButton onClick={() => zoomBy(1 / 1.4)} label="Zoom out">
            −
          </ToolButton>
          <ToolButton onClick={zoomHome} label="Show all">
            All
          </ToolButton>
          <label className="flex min-h-11 items-center gap-2 px-2 text-sm">
            <input
              type="checkbox"
              className="size-5 accent-(--ink)"
              checked={snaps}
              onChange={(event) => setSnaps(event.target.checked)}
            />
            Snap
          </label>
        </div>
        {message && (
          <p
            role="status"
            className="flex items-center justify-between gap-3 border-b border-rule bg-sheet px-4 py-1 text-sm font-bold"
          >
            {message}
            <button type="button" className="min-h-11 px-2 underline" onClick={() => setMessage(undefined)}>
              Seen
            </button>
          </p>
        )}
        {/* biome-ignore lint/a11y/useSemanticElements: a fieldset cannot stand inside a drawing */}
        <svg
          ref={svg}
          role="group"
          aria-label={`Bolt map of ${group.title}. Choose stations and move them with the arrow keys.`}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: the map takes arrow keys
          tabIndex={0}
          className="grid-paper min-h-72 w-full flex-1 touch-none"
          viewBox={`${box.left - 20} ${box.top - 20} ${widthMm + 40} ${heightMm + 40}`}
          preserveAspectRatio="xMidYMid meet"
          onPointerDown={onSheetDown}
          onPointerMove={(event) => band && setBand({ ...band, to: at(event) })}
          onPointerUp={onSheetUp}
          onKeyDown={onKey}
        >
          <g ref={inner} transform={transform.toString()}>
            <rect
              x={box.left}
              y={box.top}
              width={widthMm}
              height={heightMm}
              fill="none"
              stroke="var(--rule)"
              strokeDasharray="6 4"
              vectorEffect="non-scaling-stroke"
            />
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
            <MapShapes shapes={group.map.shapes} />
            {stations.map((station) => {
              const { xMm, yMm } = shifted(station);
              const isChosen = chosen.has(station.id);
              return (
                // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside an SVG
                <g
                  key={station.id}
                  role="button"
                  tabIndex={-1}
                  aria-pressed={isChosen}
                  aria-label={`Station ${station.label}, ${xMm} by ${yMm} mm`}
                  className="cursor-move"
                  transform={`translate(${xMm} ${yMm}) scale(${glyph})`}
                  onPointerDown={(event) => onStationDown(event, station)}
                  onPointerMove={onStationMove}
                  onPointerUp={onStationUp}
                  onKeyDown={(event) => event.key === 'Enter' && setChosen(new Set([station.id]))}
                >
                  {isChosen && (
                    <circle r={32} fill="none" stroke="var(--medium)" strokeWidth={3} strokeDasharray="5 4" />
                  )}
                  <circle r={26} fill="transparent" />
                  <StationGlyph mark="empty" label={station.label} />
                </g>
              );
            })}
            {band && (
              <rect
                x={Math.min(band.from.xMm, band.to.xMm)}
                y={Math.min(band.from.yMm, band.to.yMm)}
                width={Math.abs(band.to.xMm - band.from.xMm)}
                height={Math.abs(band.to.yMm - band.from.yMm)}
                fill="none"
                stroke="var(--medium)"
                strokeWidth={1.5}
                strokeDasharray="4 3"
              />
            )}
            {scaling?.map((point) => (
              <path
                key={`${point.xMm} ${point.yMm}`}
                d={`M${point.xMm - 12} ${point.yMm}h24M${point.xMm} ${point.yMm - 12}v24`}
                stroke="var(--bad)"
                strokeWidth={2}
              />
            ))}
          </g>
        </svg>
        <p className="border-t border-rule px-4 py-1 text-sm text-ink-2">
          {selected.length > 0
            ? `${selected.length} chosen: arrows move 1 mm, with Shift 10.`
            : 'Drag over stations to choose them, Shift adds, Ctrl A takes all.'}{' '}
          The wheel zooms, Alt and drag moves the sheet.
        </p>
      </div>
      <aside className="grid content-start gap-4 border-l border-rule p-4 lg:min-h-0 lg:overflow-y-auto">
        <section>
          <h2 className="plate text-xl">Chosen</h2>
          {selected.length > 0 ? (
            <ChosenPlace chosen={selected} onMove={moveTo} />
          ) : (
            <p className="text-sm text-ink-2">Nothing is chosen.</p>
          )}
          <Button className="mt-2 min-h-11!" onClick={() => addAt([middle], selected[0])}>
            Add a station
          </Button>
        </section>
        <LayOut
          centre={middle}
          corner={{ xMm: box.left + 40, yMm: box.top + 40 }}
          selected={selected}
          onMove={moveTo}
          onAdd={(points) => addAt(points, selected[0])}
        />
        <Outlines group={group} />
        <MapSize group={group} />
        <section className="grid gap-2">
          <h2 className="plate text-xl">Drawings</h2>
          <FileButton label="Holes from a DXF" accept=".dxf" onFile={readDxf} />
          <div className="flex gap-2">
            <Button
              className="min-h-11!"
              onClick={() => saveFile(`${kit.id}-${group.id}.dxf`, 'application/dxf', writeDxf(group, kit.stations))}
              disabled={stations.length === 0}
            >
              DXF out
            </Button>
            <Button
              className="min-h-11!"
              onClick={() => saveFile(`${kit.id}-${group.id}.svg`, 'image/svg+xml', writeSvg(group, kit.stations))}
            >
              SVG out
            </Button>
          </div>
          <FileButton
            label="A picture behind it"
            accept="image/png,image/jpeg,image/webp,image/svg+xml"
            onFile={readPicture}
          />
          {picture && (
            <PictureScale
              picture={picture}
              points={scaling}
              onStart={() => setScaling([])}
              onPicture={(next) => {
                setPicture(next);
                setScaling(undefined);
              }}
              onRemove={() => {
                setPicture(undefined);
                setScaling(undefined);
              }}
            />
          )}
        </section>
      </aside>
    </div>
  );
}

const pick = ({ xMm, yMm }: Point): Point => ({ xMm, yMm });
