import { expect, it } from '@jest/globals';
import { mapLines } from './map-lines.ts';

it('bolts are marked out by edges, middles, corners, other bolts and the centre line, each once', () => {
  const lines = mapLines(
    [
      { kind: 'rect', xMm: 10, yMm: 20, widthMm: 100, heightMm: 40, tone: 'part' },
      { kind: 'circle', xMm: 60, yMm: 5, radiusMm: 30, tone: 'vehicle' },
      {
        kind: 'polygon',
        points: [
          [0, 0],
          [10, 7],
          [3, 9],
        ],
        tone: 'part',
      },
    ],
    [{ xMm: 77, yMm: 20 }],
    300,
  );
  expect(lines.xMm).toEqual([300, 77, 10, 60, 110, 0, 3]);
  expect(lines.yMm).toEqual([20, 40, 60, 5, 0, 7, 9]);
});
