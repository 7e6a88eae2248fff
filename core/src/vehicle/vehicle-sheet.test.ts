import { describe, expect, it } from '@jest/globals';
import { vehicleSheet } from './vehicle-sheet.ts';

const PLATE = { kerbKg: 2000, grossKg: 2900, towKg: 3000 };
const SIZE = { wheelbaseMm: 3000, hitchBehindMm: 1200, kerbFrontKg: 1100 };

describe('a vehicle’s own sheet', () => {
  it('without kits is its plate', () => {
    expect(vehicleSheet({ ratings: PLATE, dimensions: SIZE })).toMatchObject({
      kerbKg: 2000,
      payloadKg: 900,
      axles: { frontKg: 1100, rearKg: 900 },
      hitch: { trailerKg: 3000, trailerLimitedBy: 'vehicle' },
      gaps: [],
    });
  });
  it('with a bumper 900 mm ahead of the front axle: payload falls, the rear axle is lifted, ratings stay', () => {
    const sheet = vehicleSheet({
      ratings: PLATE,
      dimensions: SIZE,
      fitted: [{ word: 'bumper and winch', loads: { massKg: 80, aheadOfRearAxleMm: 3900 } }],
    });
    // By the lever: front 80 · 3900 / 3000.
    expect(sheet).toMatchObject({ kerbKg: 2080, payloadKg: 820, axles: { frontKg: 1204, rearKg: 876 } });
  });
  it('with a mass whose place nobody said tells no axle loads, and says what is missing', () => {
    const sheet = vehicleSheet({
      ratings: PLATE,
      dimensions: SIZE,
      fitted: [
        { word: 'roof rack', amount: { value: 30, printed: '30 kg' } },
        { word: 'lowered', amount: { value: 40, printed: '40 mm' } },
      ],
    });
    expect(sheet).toMatchObject({ addedKg: 30, kerbKg: 2030, gaps: ['placeOfMass'] });
    expect(sheet).not.toHaveProperty('axles');
  });
  it('tows by the weakest plate, its own among them', () => {
    const hitch = [
      { name: 'receiver', trailerKg: 3500, tongueKg: 140 },
      { name: 'ball', trailerKg: 2700 },
    ];
    expect(
      vehicleSheet({ ratings: PLATE, fitted: [{ word: 'hitch', loads: { hitch, carrierKg: 75 } }] }),
    ).toMatchObject({
      hitch: { trailerKg: 2700, trailerLimitedBy: 'ball', tongueKg: 140, tongueLimitedBy: 'receiver' },
      carrierKg: 75,
    });
  });
  it('of a vehicle nobody measured knows nothing, and says so', () => {
    expect(vehicleSheet({})).toEqual({
      added: [],
      addedKg: 0,
      hitch: { silent: [] },
      gaps: ['kerbKg', 'grossKg', 'kerbFrontKg', 'wheelbaseMm', 'hitchBehindMm'],
    });
  });
});
