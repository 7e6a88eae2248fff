import { select } from 'd3-selection';
import { type D3ZoomEvent, type ZoomTransform, zoom, zoomIdentity } from 'd3-zoom';
import { type RefObject, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { MapBox } from '#core/kit/map-box.ts';
import { fitted, type ScreenSize, type SheetView, zoomed } from './sheet-view.ts';

/** Until the screen has said how large it is. */
const USUAL: ScreenSize = { width: 800, height: 480 };

export interface SheetOnScreen {
  drawing: RefObject<SVGSVGElement | null>;
  size: ScreenSize;
  view: SheetView;
  zoomBy: (factor: number) => void;
  showAll: () => void;
}

/** A sheet that fills its drawing; the wheel or two fingers zoom it, Alt and a drag move it. */
export function useSheetView(box: MapBox): SheetOnScreen {
  const drawing = useRef<SVGSVGElement>(null);
  const [size, setSize] = useState<ScreenSize>(USUAL);
  const [transform, setTransform] = useState<ZoomTransform>(zoomIdentity);
  useLayoutEffect(() => {
    if (!drawing.current) return undefined;
    const observer = new ResizeObserver(([entry]) => {
      const { width = 0, height = 0 } = entry?.contentRect ?? {};
      if (width > 0 && height > 0) setSize({ width, height });
    });
    observer.observe(drawing.current);
    return () => observer.disconnect();
  }, []);
  const zoomer = useMemo(
    () =>
      zoom<SVGSVGElement, unknown>()
        .scaleExtent([0.4, 12])
        .filter(
          (event: MouseEvent | TouchEvent) =>
            event.type === 'wheel' ||
            event.altKey ||
            ('button' in event && event.button === 1) ||
            ('touches' in event && event.touches.length > 1),
        )
        .on('zoom', (event: D3ZoomEvent<SVGSVGElement, unknown>) => setTransform(event.transform)),
    [],
  );
  useEffect(() => {
    if (!drawing.current) return undefined;
    const target = select(drawing.current);
    target.call(zoomer).on('dblclick.zoom', null);
    return () => void target.on('.zoom', null);
  }, [zoomer]);
  const view = useMemo(() => zoomed(fitted(box, size), transform), [box, size, transform]);
  return {
    drawing,
    size,
    view,
    zoomBy: (factor) => drawing.current && zoomer.scaleBy(select(drawing.current), factor),
    showAll: () => drawing.current && zoomer.transform(select(drawing.current), zoomIdentity),
  };
}
