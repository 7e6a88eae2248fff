import { describe, expect, it } from '@jest/globals';
import { vehiclePlate } from './vehicle-plate.ts';

const VEHICLE = { id: 'v', make: 'Tolvan', model: 'Gorse 2.4', plate: '14-231', owner: 'Survey' };

describe('the plate for the glove box', () => {
  it('adds up what was fitted, and tells what is left of each rating', () => {
    const { weighs, may, lacks } = vehiclePlate({
      ...VEHICLE,
      ratings: { kerbKg: 1980, grossKg: 2900, frontAxleKg: 1350, rearAxleKg: 1750, towKg: 3000 },
      dimensions: { wheelbaseMm: 3000, hitchBehindMm: 1200, kerbFrontKg: 1080 },
      fitted: [
        {
          word: 'Tow bar',
          loads: {
            massKg: 30,
            aheadOfRearAxleMm: -1000,
            hitch: [{ name: 'receiver', trailerKg: 2500, tongueKg: 120 }],
          },
        },
        { word: 'canopy' },
      ],
    });
    expect(weighs).toEqual([
      ['Kerb weight, from the plate', '1,980 kg'],
      ['Tow bar', '+30 kg'],
      ['Kerb weight with what was fitted', '2,010 kg'],
    ]);
    expect(may).toEqual([
      ['Gross weight, at most', '2,900 kg'],
      ['People, cargo and the ball’s load', '890 kg'],
      ['Front axle', '1,070 kg of 1,350 kg, 280 kg left'],
      ['Rear axle', '940 kg of 1,750 kg, 810 kg left'],
      ['Trailer', '2,500 kg, by the receiver'],
      ['On the ball', '120 kg, by the receiver'],
    ]);
    expect(lacks).toBe('');
  });
  it('says what it does not know, and tells no axle it cannot', () => {
    const { weighs, may, lacks } = vehiclePlate({ ...VEHICLE, ratings: { rearAxleKg: 1750 } });
    expect(weighs).toEqual([]);
    expect(may).toEqual([['Rear axle', 'rated 1,750 kg']]);
    expect(lacks).toMatch(/^Not known: its kerb weight, .*how far the ball is behind the axle\.$/);
  });
});
