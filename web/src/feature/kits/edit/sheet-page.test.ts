import { describe, expect, it } from '@jest/globals';
import { cutBetween, WHOLE_PAGE } from './sheet-page.ts';

describe('a rectangle drawn on a page', () => {
  it('lies between its corners, whichever way it was drawn', () => {
    const cut = { x: 0.1, y: 0.2, width: 0.5, height: 0.3 };
    for (const [a, b] of [
      [
        { x: 0.1, y: 0.2 },
        { x: 0.6, y: 0.5 },
      ],
      [
        { x: 0.6, y: 0.2 },
        { x: 0.1, y: 0.5 },
      ],
    ] as const) {
      const drawn = cutBetween(a, b);
      for (const side of ['x', 'y', 'width', 'height'] as const) expect(drawn[side]).toBeCloseTo(cut[side]);
    }
  });
  it('stays on the page, and a tap takes all of it', () => {
    expect(cutBetween({ x: -0.4, y: 0.5 }, { x: 0.5, y: 1.7 })).toEqual({ x: 0, y: 0.5, width: 0.5, height: 0.5 });
    expect(cutBetween({ x: 0.3, y: 0.3 }, { x: 0.305, y: 0.9 })).toEqual(WHOLE_PAGE);
  });
});
