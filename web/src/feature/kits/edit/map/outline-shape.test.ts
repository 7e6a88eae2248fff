import { describe, expect, it } from '@jest/globals';
import type { MapShape } from '#core/kit/kit-document.ts';
import { anchorOf, handlesOf, movedBy, outlineName, reshaped } from './outline-shape.ts';

const RECT: MapShape = { kind: 'rect', xMm: 10, yMm: 20, widthMm: 100, heightMm: 40, tone: 'part' };
const CIRCLE: MapShape = { kind: 'circle', xMm: 50, yMm: 60, radiusMm: 30, tone: 'part', label: 'Hub' };
const FIGURE: MapShape = {
  kind: 'polygon',
  points: [
    [0, 10],
    [40, 0],
    [20, 30],
  ],
  tone: 'vehicle',
};

describe('an outline taken by its handles', () => {
  it.each([0, 1, 2, 3])('a rectangle by corner %i: the corner across from it stays', (corner) => {
    const stays = handlesOf(RECT)[(corner + 2) % 4];
    const after = reshaped(RECT, corner, { xMm: 300, yMm: 400 });
    expect(handlesOf(after)).toContainEqual(stays);
    expect(handlesOf(after)).toContainEqual({ xMm: 300, yMm: 400 });
  });
  it('a rectangle never becomes nothing', () => {
    expect(reshaped(RECT, 0, { xMm: 110, yMm: 60 })).toMatchObject({ widthMm: 1, heightMm: 1 });
  });
  it('a circle by its edge, from its middle', () => {
    expect(reshaped(CIRCLE, 0, { xMm: 50, yMm: 100 })).toMatchObject({ xMm: 50, yMm: 60, radiusMm: 40 });
  });
  it('a figure by one corner, the others stay', () => {
    expect(reshaped(FIGURE, 1, { xMm: 60, yMm: 5 })).toMatchObject({
      points: [
        [0, 10],
        [60, 5],
        [20, 30],
      ],
    });
  });
  it.each([RECT, CIRCLE, FIGURE])('moved as a whole every handle moves as far', (shape) => {
    const by = { xMm: 7, yMm: -3 };
    expect(handlesOf(movedBy(shape, by))).toEqual(
      handlesOf(shape).map(({ xMm, yMm }) => ({ xMm: xMm + 7, yMm: yMm - 3 })),
    );
    expect(anchorOf(movedBy(shape, by))).toEqual({ xMm: anchorOf(shape).xMm + 7, yMm: anchorOf(shape).yMm - 3 });
  });
  it('is called by its label, else by what it is', () => {
    expect([RECT, CIRCLE, FIGURE].map(outlineName)).toEqual(['Rectangle 1', 'Hub', 'Figure 3']);
  });
});
