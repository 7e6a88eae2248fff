import { describe, expect, it } from '@jest/globals';
import { DEMO_KITS } from '#demo/kits.ts';
import { mapBox } from './map-box.ts';

describe('what a bolt map shows', () => {
  it('is the sheet from the origin, where everything lies on it', () => {
    const map = { title: 'M', note: '', widthMm: 300, heightMm: 200, shapes: [] };
    expect(mapBox(map, [{ xMm: 40, yMm: 40 }])).toEqual({ left: 0, top: 0, widthMm: 300, heightMm: 200 });
  });
  it('holds every station and outline of the demo kits', () => {
    for (const kit of DEMO_KITS) {
      for (const group of kit.groups) {
        const stations = kit.stations.filter((station) => group.stations.includes(station.id));
        const { left, top, widthMm, heightMm } = mapBox(group.map, stations);
        for (const { xMm, yMm } of stations) {
          expect(xMm).toBeGreaterThanOrEqual(left);
          expect(xMm).toBeLessThanOrEqual(left + widthMm);
          expect(yMm).toBeGreaterThanOrEqual(top);
          expect(yMm).toBeLessThanOrEqual(top + heightMm);
        }
      }
    }
  });
});
