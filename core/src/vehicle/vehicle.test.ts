import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { stationSpot } from './joint-spot.ts';
import { odometerDoubt, odometerKm } from './odometer.ts';
import { readTyreSize } from './tyre-size.ts';
import { type Vehicle, vehicleDoubts, vehicleFaults } from './vehicle.ts';
import { findVehicles } from './vehicle-search.ts';
import { plainVin, readVin, vinCheckDigit } from './vin.ts';

const LETTERS = 'ABCDEFGHJKLMNPRSTUVWXYZ0123456789';
/** Seventeen lawful characters with the check digit put in. */
const anyVin = fc.array(fc.constantFrom(...LETTERS), { minLength: 17, maxLength: 17 }).map((characters) => {
  const draft = characters.join('');
  return `${draft.slice(0, 8)}${vinCheckDigit(draft)}${draft.slice(9)}`;
});
const CLASS: Record<string, number> = Object.fromEntries(
  // 49 CFR 565.15 (c), table III, written out again as a check on the one in use.
  ['AJ1', 'BKS2', 'CLT3', 'DMU4', 'ENV5', 'FW6', 'GPX7', 'HY8', 'RZ9', '0'].flatMap((letters, index) =>
    Array.from(letters, (letter) => [letter, (index + 1) % 10]),
  ),
);

describe('vehicle identification numbers, ISO 3779 and 49 CFR 565.15', () => {
  it('seventeen ones check: the sum of the weights is 89, and 89 = 8 · 11 + 1', () => {
    expect(vinCheckDigit('11111111111111111')).toBe('1');
    expect(readVin('1111 1111 1111 1111 1')).toMatchObject({
      ok: true,
      value: { checkDigitApplies: true, checkDigit: { holds: true }, lastSix: '111111' },
    });
  });
  it('one wrong character is always found where its value differs: 11 is prime (property)', () => {
    fc.assert(
      fc.property(anyVin, fc.integer({ min: 0, max: 16 }), fc.constantFrom(...LETTERS), (vin, place, letter) => {
        if (place === 8 || CLASS[letter] === CLASS[vin.charAt(place)]) return;
        const slipped = vin.slice(0, place) + letter + vin.slice(place + 1);
        const read = readVin(slipped);
        expect(read.ok && read.value.checkDigit.holds).toBe(false);
      }),
    );
  });
  it('a check digit is prescribed in regions 1 to 5 only', () => {
    const read = readVin('W1111111111111111');
    expect(read.ok && read.value.checkDigitApplies).toBe(false);
    expect(read.ok && read.value.modelYears).toEqual([]);
  });
  it('the tenth character is the model year, in rounds of thirty (565.15 table VII: 2010 A, 2018 J, 2020 L, 2026 T)', () => {
    const yearOf = (code: string) => {
      const read = readVin(`11111111${1}${code}1111111`);
      return read.ok && read.value.modelYears;
    };
    expect(yearOf('A')).toEqual([1980, 2010]);
    expect(yearOf('J')).toEqual([1988, 2018]);
    expect(yearOf('L')).toEqual([1990, 2020]);
    expect(yearOf('T')).toEqual([1996, 2026]);
    expect(yearOf('9')).toEqual([2009, 2039]);
    expect(yearOf('0')).toEqual([]);
  });
  it('I, O and Q, and the wrong number of characters, are told with their place', () => {
    expect(readVin('1O1111111111111I1')).toEqual({
      ok: false,
      fault: {
        code: 'vinCharacters',
        wrong: [
          { place: 2, character: 'O' },
          { place: 16, character: 'I' },
        ],
      },
    });
    expect(readVin('111')).toEqual({ ok: false, fault: { code: 'vinLength', length: 3 } });
  });
  it('is the same with the marks a label puts around it', () => expect(plainVin(' *ab-1 2*')).toBe('AB12'));
});

describe('tyre sizes', () => {
  it('265/65 R 17: 431.8 mm rim and two walls of 172.25 mm (ETRTO: design overall diameter 776 mm)', () => {
    expect(readTyreSize('265/65R17 112S')?.diameterMm).toBeCloseTo(776.3, 1);
    expect(readTyreSize('LT 265/65 R17')?.sectionMm).toBe(265);
  });
  it('flotation sizes print inches', () => {
    const size = readTyreSize('31x10.50R15LT');
    expect(size?.diameterMm).toBeCloseTo(787.4, 6);
    expect(size?.sectionMm).toBeCloseTo(266.7, 6);
  });
  it('anything else is no size', () => {
    for (const text of ['', 'big ones', '265', '265/65']) expect(readTyreSize(text)).toBeUndefined();
  });
});

const vehicle = (over: Partial<Vehicle> = {}): Vehicle => ({
  id: 'v',
  make: 'Aldren',
  model: 'Tussock 2.8 4×4',
  plate: '14-208',
  owner: 'Upper Sallow Rivers Survey',
  ...over,
});

describe('a vehicle', () => {
  it('without a VIN, a year or ratings is a vehicle', () => {
    expect(vehicleFaults(vehicle(), 2026)).toEqual([]);
    expect(vehicleDoubts(vehicle())).toEqual([]);
  });
  it.each([1885, 2028, 2020.5, Number.NaN])('of the year %p cannot be', (modelYear) =>
    expect(vehicleFaults(vehicle({ modelYear }), 2026)).toMatchObject([{ code: 'yearImpossible' }]),
  );
  it('of next year can', () => expect(vehicleFaults(vehicle({ modelYear: 2027 }), 2026)).toEqual([]));
  it('a name left out, a rating of nothing and a broken odometer are named', () => {
    const faults = vehicleFaults(vehicle({ owner: ' ', ratings: { towKg: 0 }, odometerKm: -1 }), 2026);
    expect(faults.map((fault) => fault.code)).toEqual(['nameMissing', 'ratingImpossible', 'odometerImpossible']);
  });
  it('a wrong check digit and a year the VIN contradicts are doubts, not faults', () => {
    const doubted = vehicle({ vin: '111111112L1111111', modelYear: 2020 });
    expect(vehicleFaults(doubted, 2026)).toEqual([]);
    expect(vehicleDoubts(doubted).map((doubt) => doubt.code)).toEqual(['vinCheckDigit']);
    const year = vehicle({ vin: '111111111L1111111', modelYear: 2019 });
    expect(vehicleDoubts(year).some((doubt) => doubt.code === 'vinYear')).toBe(true);
    expect(vehicleDoubts(vehicle({ vin: '12' }))).toEqual([{ code: 'vinForm', length: 2 }]);
    expect(vehicleDoubts(vehicle({ vin: 'Q' }))).toEqual([{ code: 'vinCharacters', characters: ['Q'] }]);
  });
  it('ratings that contradict each other are shown', () => {
    const doubts = vehicleDoubts(
      vehicle({ ratings: { kerbKg: 3100, grossKg: 3000, frontAxleKg: 1300, rearAxleKg: 1500, combinationKg: 6000 } }),
    );
    expect(doubts).toEqual([
      { code: 'ratingsDisagree', smaller: 'kerbKg', larger: 'grossKg' },
      { code: 'axlesBelowGross', axlesKg: 2800, grossKg: 3000 },
    ]);
  });
  it('a tyre or a wheel thread that cannot be read is shown', () =>
    expect(vehicleDoubts(vehicle({ wheels: { tyre: 'large', thread: '19 mm' } })).map((doubt) => doubt.code)).toEqual([
      'tyreUnreadable',
      'wheelThreadUnreadable',
    ]));
});

describe('odometers', () => {
  it('lower than last time is asked about; in miles it may be right', () => {
    expect(odometerDoubt(61_240, 61_240)).toBeUndefined();
    expect(odometerDoubt(61_240, 60_000)).toEqual({ code: 'odometerMiles', lastKm: 61_240, asMilesKm: 96_560.64 });
    expect(odometerDoubt(61_240, 6124)).toEqual({ code: 'odometerLower', lastKm: 61_240 });
    expect(odometerDoubt(61_240, 612_400)).toMatchObject({ code: 'odometerFar' });
    expect(odometerDoubt(undefined, 5)).toBeUndefined();
  });
  it('a mile is 1.609344 km', () => expect(odometerKm(1000, 'mi')).toBeCloseTo(1609.344, 9));
});

describe('finding a vehicle', () => {
  const list = [
    vehicle({ id: 'a', plate: '14-208', vin: '11111111111208115' }),
    vehicle({ id: 'b', plate: '14-115', model: 'Carrick 3.0' }),
    vehicle({ id: 'c', plate: 'HL 1', owner: 'Harrow Lane Fitting Shop' }),
  ];
  const ids = (query: string) => findVehicles(list, query).map((entry) => entry.id);
  it('by plate with or without its dash, by owner, by the last six', () => {
    expect(ids('14208')).toEqual(['a']);
    expect(ids('14-2')).toEqual(['a']);
    expect(ids('rivers survey')).toEqual(['a', 'b']);
    expect(ids('208115')).toEqual(['a']);
    expect(ids('carrick')).toEqual(['b']);
    expect(ids('')).toEqual(['a', 'b', 'c']);
    expect(ids('nobody')).toEqual([]);
  });
});

describe('where a joint is drawn', () => {
  const group = { spot: { along: 0.8, across: 0 }, map: { widthMm: 400, heightMm: 200 } };
  it('a joint of one side stands on that side, whatever its map', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 200 }), (xMm, yMm) => {
        const at = (side: 'left' | 'right') => stationSpot(group, { xMm, yMm, side });
        expect(at('left')?.across).toBeLessThan(0);
        expect(at('right')?.across).toBeGreaterThan(0);
        expect(at('left')?.along).toBeCloseTo(0.8, 0);
      }),
    ));
  it('a group without a place is not drawn', () =>
    expect(stationSpot({ map: group.map }, { xMm: 1, yMm: 1 })).toBeUndefined());
});
