import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { formsOf, ITEM_KINDS } from '#core/kit/piece-kind.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { all, draw, number } from '../test/drawn.tsx';
import { HardwareDrawing, lacksForDrawing } from './HardwareDrawing.tsx';
import { hardwareShape } from './hardware-shape.ts';

afterEach(cleanup);

describe('a piece of hardware', () => {
  const item = (over: Partial<PlanItem>): PlanItem =>
    ({ id: 'i', line: '1', name: 'Piece', kind: 'bolt', quantity: 1, ...over }) as PlanItem;
  const drawn = (over: Partial<PlanItem>, pxPerMm = 4) =>
    draw(<HardwareDrawing item={item(over)} pxPerMm={pxPerMm} />).querySelector('svg') as SVGSVGElement;
  it('is drawn at true size: its length and a head are as many pixels as the glass has to the millimetre', () => {
    const bolt = { thread: 'M10 x 1.5', lengthMm: 30, head: 'hex' } as const;
    const [two, four] = [number(drawn(bolt, 2), 'width'), number(drawn(bolt, 4), 'width')];
    expect(four).toBeCloseTo(2 * two, 6);
    // Head 0.65 d and shank, and a little air.
    expect(four / 4).toBeGreaterThanOrEqual(30 + 6.5);
    expect(four / 4).toBeLessThan(30 + 6.5 + 6);
  });
  it('a long one is drawn smaller and says by how much', () => {
    const svg = drawn({ thread: 'M10', lengthMm: 200, head: 'hex' });
    expect(svg).toHaveAttribute('aria-label', expect.stringMatching(/^Piece, drawn 1 to 3$/));
    expect(screen.getByText('1:3')).toBeVisible();
    expect(number(svg, 'width') / 4).toBeLessThanOrEqual(78 * 1.01);
  });
  it.each<[string, Partial<PlanItem>]>([
    ['socket cap', { thread: 'M8', lengthMm: 20, head: 'socketCap' }],
    ['flange', { thread: 'M8', lengthMm: 20, head: 'hexFlange' }],
    ['twelve-point', { thread: 'M10', lengthMm: 40, head: 'twelvePoint' }],
    ['star inside', { thread: 'M8', lengthMm: 20, head: 'sixLobe' }],
    ['star outside', { thread: 'M8', lengthMm: 20, head: 'sixLobeOutside' }],
    ['carriage', { thread: 'M10', lengthMm: 50, head: 'carriage' }],
    ['square', { thread: 'M10', lengthMm: 50, head: 'square' }],
    ['eye', { thread: 'M10', lengthMm: 50, head: 'eye' }],
    ['nut', { kind: 'nut', thread: 'M8' }],
    ['castle nut', { kind: 'nut', thread: 'M12', head: 'castle' }],
    ['washer', { kind: 'washer', outsideMm: 20, insideMm: 10.5, thicknessMm: 2 }],
    ['pin', { kind: 'pin', lengthMm: 30 }],
    ['insert', { kind: 'insert', outsideMm: 12 }],
    ['insert by its thread', { kind: 'insert', thread: 'M10 x 1.5' }],
    ['stud', { kind: 'stud', thread: 'M12 x 1.25', lengthMm: 50 }],
    ['coupler', { kind: 'coupler', thread: 'M10 x 1.5', lengthMm: 30 }],
    ['collar', { kind: 'collar', outsideMm: 24, insideMm: 12 }],
    ['countersunk', { thread: 'M8', lengthMm: 25, head: 'countersunk' }],
    ['part', { kind: 'part', lengthMm: 60 }],
    ['a thread no one can read', { thread: 'M-ten', lengthMm: 20 }],
  ])('%s is drawn with sizes that are numbers', (_, over) => {
    const svg = drawn(over);
    expect(svg.outerHTML).not.toMatch(/NaN|Infinity|undefined/);
    expect(number(svg, 'width')).toBeGreaterThan(0);
    expect(all(svg, 'path, rect, circle, polygon, line').length).toBeGreaterThan(0);
  });
  /** All that any form is drawn by. */
  const sized = { thread: 'M10 x 1.5', lengthMm: 60, outsideMm: 40, insideMm: 30, acrossFlatsMm: 16 };
  const everyForm = ITEM_KINDS.flatMap((kind) => formsOf(kind).map((form) => ({ kind, form })));
  it.each(everyForm)(
    '$kind made as $form is drawn within its box, and no other form of its kind looks the same',
    ({ kind, form }) => {
      const svg = drawn({ ...sized, kind, form });
      expect(svg.outerHTML).not.toMatch(/NaN|Infinity|undefined/);
      expect(all(svg, 'path, rect, circle, polygon').length).toBeGreaterThan(0);
      const [left = 0, top = 0, wide = 0, high = 0] = (svg.getAttribute('viewBox') ?? '').split(' ').map(Number);
      // Circles are the easiest to hold to the box: each lies in it with its edge.
      for (const circle of all(svg, ':scope > circle')) {
        const [x, y, r] = [number(circle, 'cx'), number(circle, 'cy'), number(circle, 'r')].map((value) => value || 0);
        expect(Math.abs(y ?? 0) + (r ?? 0)).toBeLessThanOrEqual(high / 2 + 1e-6);
        expect((x ?? 0) - (r ?? 0)).toBeGreaterThanOrEqual(left - 1e-6);
        expect((x ?? 0) + (r ?? 0)).toBeLessThanOrEqual(left + wide + 1e-6);
      }
      expect(top).toBeCloseTo(-high / 2, 6);
      cleanup();
      const like = formsOf(kind).filter((other) => other !== form);
      for (const other of like) {
        const same = drawn({ ...sized, kind, form: other }).innerHTML === svg.innerHTML;
        // A wide washer, a shim and a plain one differ by their figures; a spacer and a sleeve by nothing but the word.
        const byFigures = kind === 'washer' || kind === 'collar' || (kind === 'pin' && other === 'dowel');
        if (!byFigures) expect({ other, same }).toEqual({ other, same: false });
        cleanup();
      }
    },
  );
  it('says what is missing of a form before it makes anything up', () => {
    expect(lacksForDrawing({ kind: 'bolt', form: 'uBolt', thread: 'M12 x 1.75', lengthMm: 100 })).toBe(
      'width between the legs',
    );
    expect(lacksForDrawing({ kind: 'clamp', form: 'vBand' })).toBe('size');
    expect(lacksForDrawing({ kind: 'part', form: 'arm' })).toBe('size');
    expect(
      lacksForDrawing({
        kind: 'part',
        outline: {
          points: [
            [0, 0],
            [10, 0],
            [0, 10],
          ],
        },
      }),
    ).toBeUndefined();
  });
  it('a U-bolt is as wide as its bow and two legs, life-size', () => {
    const svg = drawn({ kind: 'bolt', form: 'uBolt', thread: '1/2-20', insideMm: 50, lengthMm: 55 });
    // Half an inch of leg each side of 50 mm, and a millimetre of air each way.
    expect(number(svg, 'height') / 4 - 2).toBeCloseTo(50 + 2 * 12.7, 1);
  });
  it('a part carries its stamp; the right one is the mirror image of the left', () => {
    const outline = {
      points: [
        [0, 0],
        [80, 0],
        [80, 20],
        [0, 50],
      ] as Array<[number, number]>,
    };
    const left = drawn({ kind: 'part', mark: 'GL', side: 'left', outline });
    expect(left.querySelector('text')).toHaveTextContent('GL');
    expect(left.querySelector('g')).not.toHaveAttribute('transform', expect.stringContaining('scale'));
    cleanup();
    const right = drawn({ kind: 'part', mark: 'GR', side: 'right', outline });
    expect(right.querySelector('g')).toHaveAttribute('transform', 'scale(1 -1)');
    // Letters are never mirrored.
    expect(right.querySelector('text')?.closest('g')).toBeNull();
  });
  it('a countersunk screw is as long as its whole length, its head in it (ISO 888); a stud has no head', () => {
    const air = 2;
    for (const over of [
      { thread: 'M8', lengthMm: 25, head: 'countersunk' },
      { kind: 'stud', thread: 'M8', lengthMm: 25 },
    ] as const)
      expect(number(drawn(over), 'width') / 4).toBeCloseTo(25 + air, 6);
    const hex = number(drawn({ thread: 'M8', lengthMm: 25, head: 'hex' }), 'width') / 4;
    expect(hex).toBeGreaterThan(25 + 0.65 * 8);
  });
  it('no two kinds look alike', () => {
    const looks = (['bolt', 'stud', 'coupler', 'insert', 'nut', 'pin', 'washer'] as const).map(
      (kind) => drawn({ kind, thread: 'M10 x 1.5', lengthMm: 30, outsideMm: 20 }).innerHTML,
    );
    expect(new Set(looks).size).toBe(looks.length);
  });
  it.each<[string, Partial<PlanItem>, string]>([
    ['bolt without a thread', { lengthMm: 30 }, 'thread'],
    ['bolt without a length', { thread: 'M8' }, 'length'],
    ['nut of nothing', { kind: 'nut' }, 'thread'],
    ['part of nothing', { kind: 'part' }, 'size'],
    ['washer of nothing', { kind: 'washer' }, 'size'],
    ['pin of nothing', { kind: 'pin' }, 'size'],
  ])('%s is said not to be drawn, and nothing is made up', (_, over, lacks) => {
    const { container } = render(<HardwareDrawing item={item({ ...over })} pxPerMm={4} />);
    expect(container).toHaveTextContent(`not drawn: ${lacks} not given`);
    expect(container.querySelector('svg')).toBeNull();
  });
  it('one that is missing is drawn faint', () =>
    expect(
      draw(<HardwareDrawing item={item({ thread: 'M8', lengthMm: 20 })} pxPerMm={4} missing />).querySelector('svg'),
    ).toHaveAttribute('opacity', '0.35'));
  it('its shape follows its data, and the standard where the data is silent (ISO 4014: 16 mm for M10; ISO 4762: 8)', () => {
    expect(hardwareShape(item({ thread: 'M10', head: 'hex' })).acrossFlatsMm).toBe(16);
    expect(hardwareShape(item({ thread: 'M10', head: 'hex', acrossFlatsMm: 17 })).acrossFlatsMm).toBe(17);
    expect(hardwareShape(item({ thread: 'M10', head: 'socketCap' }))).toMatchObject({
      acrossFlatsMm: 8,
      headHeightMm: 10,
    });
    expect(hardwareShape(item({ thread: '3/8-16' })).diameterMm).toBeCloseTo(9.525, 3);
    expect(hardwareShape(item({ kind: 'washer', outsideMm: 21 }))).toMatchObject({ diameterMm: 21, thread: undefined });
  });
});
