import { describe, expect, it } from '@jest/globals';
import type { TableBook } from './book.ts';
import { likelyMapping, readRows } from './read-rows.ts';
import { readTableFile } from './table-file.ts';
import { writeRows } from './write-rows.ts';

/** A book written and read again. */
function again(book: TableBook, rows: readonly object[]): unknown[] {
  const file = readTableFile(writeRows(book, rows));
  if (!file.ok) throw new Error(file.error.reason);
  const read = readRows(book, file.value, likelyMapping(book, file.value.headings));
  return read.map(({ row, faults }) => row ?? faults);
}

describe('a book reads back as it was written', () => {
  it('vehicles, their dials and ratings', () => {
    const rows = [
      {
        plate: 'HL 204',
        make: 'Tolvan',
        model: 'Carrick 3.0',
        owner: 'Harrow, Ines "and sons"',
        contact: '+555 0142',
        modelYear: 2019,
        odometerKm: 82_400,
        ratings: { grossKg: 3050, towKg: 3500 },
        wheels: { thread: 'M12 x 1.5', perWheel: 6, torque: '97 lbf·ft' },
        note: 'two lines\nof it',
      },
      { plate: '', make: 'Sarn', model: 'Merle', owner: 'Ada', odometerKm: 1000 * 1.609_344, odometerUnit: 'mi' },
    ];
    expect(again('vehicles', rows)).toEqual(
      rows.map((row) => ({ ...row, odometerKm: expect.closeTo(row.odometerKm, 6) })),
    );
  });
  it('wrenches in the unit of their scale, with their readings', () => {
    const rows = [40, 200].map((fullScaleNm) => ({
      label: `W-${fullScaleNm}`,
      kind: 'click',
      squareDrive: '1/2 in',
      fullScaleNm: fullScaleNm * 1.355_817_948_33,
      lowestNm: 10,
      scaleUnit: 'lbf·ft',
      intervalMonths: 12,
      calibrationDueOn: '2027-04-03',
      live: true,
      calibration: { on: '2026-04-03', certificate: 'HV-1', readings: [{ setNm: 40, referenceNm: 40.25 }] },
    }));
    expect(again('wrenches', rows)).toEqual(
      rows.map((row) => ({
        ...row,
        fullScaleNm: expect.closeTo(row.fullScaleNm, 8),
        lowestNm: expect.closeTo(row.lowestNm, 8),
      })),
    );
  });
  it.each([
    ['tools', { kind: 'socket', name: '5/8 deep', drive: { kind: 'hex', acrossFlatsMm: 15.875, inch: true } }],
    ['tools', { kind: 'bit', name: 'key', drive: { kind: 'hexKey', acrossFlatsMm: 8 } }],
    ['tools', { kind: 'socket', name: '12-point', drive: { kind: 'twelvePoint', acrossFlatsMm: 14 }, place: 'B3' }],
    ['tools', { kind: 'bit', name: 'T40', drive: { kind: 'sixLobe', size: 'T40' } }],
    ['tools', { kind: 'special', name: 'spring compressor', note: 'not above 1 t' }],
    [
      'compounds',
      {
        name: 'Medium locker',
        kind: 'threadlockerMedium',
        lot: '=1+1',
        sizeMl: 50,
        expiresOn: '2027-09-30',
        openMonths: 12,
        storeMaxC: 28,
      },
    ],
    [
      'fasteners',
      { bin: 'B4', kind: 'bolt', name: 'Flange bolt', thread: 'M10 x 1.5', lengthMm: 30, counted: 120, lowAt: 20 },
    ],
    ['people', { name: 'Pip Sedge', initials: 'PS', role: 'apprentice', mentor: 'MV', skills: ['welding', 'wheels'] }],
  ] as const)('%s: %j', (book, row) => {
    expect(again(book, [row])).toEqual([row]);
  });
});
