import { type OutlineFault, outlineOf } from '#contract/outline-file.ts';
import { say } from '#contract/wording/say.ts';
import type { PartOutline } from '#core/kit/piece-kind.ts';
import { fail, type Result } from '#core/result.ts';

/** Corners a curve is laid out in. */
const CORNERS = 120;
/** Millimetres of what a width may be given in; a picture in pixels has 96 of them to the inch (CSS). */
const UNIT_MM: Readonly<Record<string, number>> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, px: 25.4 / 96, '': 1 };

/** Millimetres of one user unit: by the width it is printed at, else one. */
function unitOf(svg: SVGSVGElement): number {
  const [, number = '', unit = ''] = /^([\d.]+)\s*([a-z]*)$/i.exec(svg.getAttribute('width') ?? '') ?? [];
  const box = svg.viewBox.baseVal;
  if (number === '' || !box || box.width === 0) return 1;
  return (Number(number) * (UNIT_MM[unit.toLowerCase()] ?? 1)) / box.width;
}

const SHAPES: ReadonlySet<string> = new Set(['svg', 'g', 'path', 'polygon', 'polyline', 'rect', 'ellipse', 'circle']);
const PLACED_BY = 'd points x y width height rx ry cx cy r transform viewBox'.split(' ');

/** A copy of a picture with its shapes alone: no script, handler, link or picture inside it. */
function shapesOf(element: Element): SVGElement {
  const copy = document.createElementNS('http://www.w3.org/2000/svg', element.localName);
  for (const name of PLACED_BY) {
    const value = element.getAttribute(name);
    if (value !== null) copy.setAttribute(name, value);
  }
  for (const child of element.children) if (SHAPES.has(child.localName)) copy.append(shapesOf(child));
  return copy;
}

/** The outline of a part from an SVG picture: its largest closed path, and its circles as holes. */
export function outlineFromSvg(text: string): Result<PartOutline, OutlineFault> {
  const parsed = new DOMParser().parseFromString(text, 'image/svg+xml');
  const root = parsed.documentElement;
  if (parsed.querySelector('parsererror') || root.localName !== 'svg')
    return fail({ code: 'notDxf', reason: say('it is no SVG picture') });
  // Lengths along a path are known only to a picture that stands in the page; nothing of a stranger's file but its
  // shapes comes into ours.
  const svg = shapesOf(root) as SVGSVGElement;
  svg.setAttribute('style', 'position:absolute;visibility:hidden');
  document.body.append(svg);
  try {
    const unit = unitOf(svg);
    const placed = (shape: SVGGraphicsElement, x: number, y: number): [number, number] => {
      const to = svg
        .getScreenCTM()
        ?.inverse()
        .multiply(shape.getScreenCTM() ?? new DOMMatrix());
      const point = new DOMPoint(x, y).matrixTransform(to);
      return [point.x * unit, point.y * unit];
    };
    const figures = [...svg.querySelectorAll<SVGGeometryElement>('path, polygon, polyline, rect, ellipse')].map(
      (shape) => {
        if (shape instanceof SVGPolygonElement || shape instanceof SVGPolylineElement)
          return [...shape.points].map(({ x, y }) => placed(shape, x, y));
        const length = shape.getTotalLength();
        return Array.from({ length: CORNERS }, (_, index) => {
          const { x, y } = shape.getPointAtLength((length * index) / CORNERS);
          return placed(shape, x, y);
        });
      },
    );
    const circles = [...svg.querySelectorAll('circle')].map((circle) => {
      const { cx, cy, r } = circle;
      const [xMm, yMm] = placed(circle, cx.baseVal.value, cy.baseVal.value);
      const [edge] = placed(circle, cx.baseVal.value + r.baseVal.value, cy.baseVal.value);
      return { xMm, yMm, acrossMm: 2 * Math.abs(edge - xMm) };
    });
    return outlineOf(figures, circles);
  } finally {
    svg.remove();
  }
}
