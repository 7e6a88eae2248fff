import { type JobSetup, oneKit } from '#core/job/job-log.ts';
import { blankKit } from '#core/kit/blank-kit.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';

/** A kit of one plate with many bolts, or several with as many each, for measuring; two rounds, no compound. */
export function largeKit(stationCount: number, plates = 1): KitDocument {
  const ids = Array.from({ length: stationCount }, (_, index) => `s${index + 1}`);
  return {
    ...blankKit(
      `plate-${stationCount}${plates > 1 ? `-${plates}` : ''}`,
      `Plate with ${stationCount} bolts`,
      'Pennant Works',
    ),
    statedMinutes: 480,
    items: [
      {
        id: 'bolt',
        line: '1',
        bag: 'A',
        kind: 'bolt',
        name: 'Bolt M10 × 1.5 × 30',
        quantity: stationCount,
        source: 'kit',
        thread: 'M10 x 1.5',
      },
    ],
    stations: ids.map((id, index) => ({
      id,
      label: String(index + 1),
      name: `Hole ${index + 1}`,
      xMm: (index % 25) * 60,
      yMm: Math.floor(index / 25) * 60,
      stack: [{ kind: 'hardware', item: 'bolt' }],
      specs: [{ spec: { kind: 'torque', targetNm: 60 }, printed: '60 N·m' }],
      drive: { kind: 'hex', acrossFlatsMm: 16 },
    })),
    groups: Array.from({ length: plates }, (_, plate) => ({
      id: plate === 0 ? 'plate' : `plate-${plate + 1}`,
      title: plates === 1 ? 'Plate' : `Plate ${plate + 1}`,
      map: { title: 'Plate', note: '', widthMm: 1500, heightMm: 960, shapes: [] },
      stations: ids.slice((plate * stationCount) / plates, ((plate + 1) * stationCount) / plates),
      torqueOrder: { pattern: 'asListed' as const },
      stages: [1],
      verify: true,
    })),
  };
}

export const largeSetup = (stationCount: number): JobSetup => ({
  ...oneKit(largeKit(stationCount)),
  vehicle: {},
  answers: {},
  shop: OPENED_NOW,
});
