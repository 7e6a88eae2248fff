import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import type { PlanItem } from '#core/kit/plan.ts';
import { all, draw, number } from '../test/drawn.tsx';
import { CheckRuler, HeadFront, headMark } from './HeadFront.tsx';

afterEach(cleanup);

const item = (over: Partial<PlanItem>): PlanItem =>
  ({
    id: 'i',
    line: '1',
    name: 'Piece',
    kind: 'bolt',
    quantity: 1,
    thread: 'M10 x 1.5',
    lengthMm: 30,
    ...over,
  }) as PlanItem;
const front = (over: Partial<PlanItem>) =>
  draw(<HeadFront item={item(over)} pxPerMm={4} />).querySelector('svg') as SVGSVGElement;

describe('a head from the front', () => {
  // Marks by ISO 898-1 and SAE J429.
  it.each([
    ['10.9', 'M10 x 1.5', { text: '10.9' }],
    ['8', 'M10 x 1.5', { text: '8' }],
    ['8', '3/8-16', { strokes: 6 }],
    ['grade 5', '3/8-16', { strokes: 3 }],
    ['5', '1/4-20', { strokes: 3 }],
    ['2', '1/4-20', { strokes: 0 }],
    ['A2-70', 'M8 x 1.25', { text: 'A2-70' }],
    ['', 'M8 x 1.25', undefined],
  ])('class %s on %s is marked %j', (propertyClass, thread, mark) =>
    expect(headMark({ propertyClass, thread })).toEqual(mark),
  );
  it('is as wide as its hexagon over the corners: 16 mm across flats are 18.5 mm (ISO 4014, 17.77 at least)', () => {
    const wide = number(front({ head: 'hex' }), 'width') / 4 - 2;
    expect(wide).toBeGreaterThan(17.77);
    expect(wide).toBeCloseTo(16 * (2 / Math.sqrt(3)), 2);
  });
  it.each<[string, Partial<PlanItem>]>([
    ['hex', { head: 'hex', propertyClass: '8.8' }],
    ['flange', { head: 'hexFlange', propertyClass: '10.9' }],
    ['socket cap', { head: 'socketCap', propertyClass: '12.9' }],
    ['button', { head: 'button' }],
    ['countersunk', { head: 'countersunk' }],
    ['twelve points', { head: 'twelvePoint' }],
    ['star inside', { head: 'sixLobe' }],
    ['star outside', { head: 'sixLobeOutside' }],
    ['carriage', { head: 'carriage', propertyClass: '8.8' }],
    ['square', { head: 'square' }],
    ['inch', { head: 'hex', thread: '3/8-16', propertyClass: 'grade 8' }],
    ['nut', { kind: 'nut', propertyClass: '10' }],
    ['nylon nut', { kind: 'nut', locking: 'nylon' }],
  ])('%s is drawn with sizes that are numbers', (_, over) => {
    const svg = front(over);
    expect(svg.outerHTML).not.toMatch(/NaN|Infinity|undefined/);
    expect(all(svg, 'circle, polygon, rect').length).toBeGreaterThan(0);
  });
  it('grade 8 has six strokes', () => {
    expect(all(front({ head: 'hex', thread: '3/8-16', propertyClass: 'grade 8' }), 'path')).toHaveLength(6);
  });
  it('a washer, and a bolt nobody gave a thread, has none', () => {
    for (const over of [{ kind: 'washer' as const }, { thread: undefined }])
      expect(draw(<HeadFront item={item(over)} pxPerMm={4} />).querySelector('svg')).toBeNull();
  });
});

it('the check ruler is as long as it says', () => {
  const svg = draw(<CheckRuler pxPerMm={4} />).querySelector('svg') as SVGSVGElement;
  expect(number(svg, 'width')).toBe(64 * 4);
  expect(screen.getByRole('img', { name: 'Ruler of 60 mm' })).toBeInTheDocument();
});
