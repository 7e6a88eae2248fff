import { describe, expect, it } from '@jest/globals';
import { BOOKS, type TableBook } from './book.ts';
import { BroughtSchema } from './brought.ts';
import { TABLES } from './column/tables.ts';
import { brought, likelyMapping, readRows, unmapped } from './read-rows.ts';
import { readTableFile } from './table-file.ts';

const read = (book: TableBook, text: string) => {
  const file = readTableFile(text);
  if (!file.ok) throw new Error(file.error.reason);
  const mapping = likelyMapping(book, file.value.headings);
  return {
    mapping,
    lacking: unmapped(book, mapping).map(({ field }) => field),
    rows: readRows(book, file.value, mapping),
  };
};

describe('vehicles out of another shop’s list', () => {
  const LIST = [
    'Registration;Make;Model;Customer Name;Mobile;Mileage;GVWR;Tire Size;Colour',
    'HL 204;Tolvan;Carrick 3.0;Ines Harrow;555 0142;82.400;3050;265/70 R17;green',
    '',
    'ST 77;Aldren;Tussock 2.8 4x4;;555 0199;41 000 mi;2,9 t;;red',
    'QL 8;Sarn;Merle 1.6T;=HYPERLINK("x");;twelve;;;',
  ].join('\r\n');

  it('maps what it knows and leaves the rest alone', () => {
    const { mapping, lacking } = read('vehicles', LIST);
    expect(mapping).toEqual([
      'plate',
      'make',
      'model',
      'owner',
      'contact',
      'odometer',
      'ratings.grossKg',
      'wheels.tyre',
      undefined,
    ]);
    expect(lacking).toEqual([]);
  });
  it('reads a whole line, and names every fault of the others by the line a spreadsheet shows', () => {
    const { rows } = read('vehicles', LIST);
    expect(rows[0]).toEqual({
      line: 2,
      faults: [],
      row: {
        plate: 'HL 204',
        make: 'Tolvan',
        model: 'Carrick 3.0',
        owner: 'Ines Harrow',
        contact: '555 0142',
        odometerKm: 82_400,
        ratings: { grossKg: 3050 },
        wheels: { tyre: '265/70 R17' },
      },
    });
    expect(rows[1]?.line).toBe(4);
    expect(rows[1]?.faults.map(({ column }) => column)).toEqual(['Customer Name', 'GVWR']);
    expect(rows[2]?.faults.map(({ row, column, reason }) => `${row} ${column} ${reason}`)).toEqual([
      '5 Customer Name starts with “=”: formulas are not taken',
      '5 Mileage must be kilometres or miles, was “twelve”',
    ]);
  });
});

describe('wrenches with their certificates', () => {
  const HEAD = 'Label,Drive,Max,Min,Last calibrated,Interval,Certificate,Calibration readings';
  const READINGS = '"40: 40.2 39.9 40.1 40.0 40.3; 120: 119.5 120.4 120.1 119.8 120; 200: 199 201 200.5 200 199.4"';
  it('works out the due day and the scale’s unit', () => {
    const { rows } = read('wrenches', `${HEAD}\nW-3,1/2",150 ft-lb,30 ft-lb,2026-01-31,13,,`);
    expect(rows[0]?.row).toMatchObject({
      label: 'W-3',
      kind: 'click',
      squareDrive: '1/2 in',
      scaleUnit: 'lbf·ft',
      calibrationDueOn: '2027-02-28',
      live: false,
    });
    expect(rows[0]?.row).not.toHaveProperty('calibration');
  });
  it('takes the readings with the certificate, and asks for both', () => {
    const whole = read('wrenches', `${HEAD}\nW-4,3/8,200,40,2026-04-03,12,HV-2214,${READINGS}`).rows[0];
    expect(whole?.row).toMatchObject({ calibration: { on: '2026-04-03', certificate: 'HV-2214' } });
    const half = read('wrenches', `${HEAD}\nW-4,3/8,200,40,2026-04-03,12,HV-2214,`).rows[0];
    expect(half?.faults).toEqual([
      { row: 2, column: 'Calibration readings', reason: expect.stringContaining('bring both') },
    ]);
  });
});

describe('other books', () => {
  it.each([
    [
      'tools',
      'Name,Size,Location\n16 mm deep socket,16 mm,Board B',
      { kind: 'socket', drive: { kind: 'hex', acrossFlatsMm: 16 }, place: 'Board B' },
    ],
    [
      'compounds',
      'Product\tKind\tBatch\tSize\tExpiry date\nMedium locker\tMedium\tL2291\t50 mL\t30.9.2027',
      { kind: 'threadlockerMedium', sizeMl: 50, expiresOn: '2027-09-30', storeMaxC: 28 },
    ],
    [
      'fasteners',
      'Drawer,Type,Description,Thread,Length,Class,Qty\nB4,bolt,Flange bolt,M10 x 1.5,30,10.9,120',
      { bin: 'B4', kind: 'bolt', lengthMm: 30, counted: 120 },
    ],
    [
      'people',
      'Name,Initials,Position,Skills\nWren Calder,wc,Technician,welding',
      { role: 'fitter', skills: ['welding'] },
    ],
  ] as const)('%s', (book, text, row) => {
    const { rows, lacking } = read(book, text);
    expect(lacking).toEqual([]);
    expect(rows[0]?.faults).toEqual([]);
    expect(rows[0]?.row).toMatchObject(row);
    expect(BroughtSchema.safeParse(brought(book, 'list.csv', [rows[0]?.row ?? {}])).success).toBe(true);
  });
  it('says what is missing before a line is read', () => {
    const { lacking } = read('people', 'Name,Telephone\nWren Calder,555 0100');
    expect(lacking).toEqual(['initials', 'role']);
  });
  it.each(BOOKS.filter((book) => book !== 'kits'))('every column of %s has a name no other column has', (book) => {
    const names = TABLES[book].columns.flatMap(({ field, label, also = [] }) => [
      ...new Set([field, label, ...also].map((name) => name.toLowerCase().replace(/[^a-z0-9]/g, ''))),
    ]);
    expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([]);
  });
});

describe('files', () => {
  it('JSON with a list of records, parts and lists in them', () => {
    const file = readTableFile(
      '{"made":"2026","cars":[{"plate":"HL 1","ratings":{"grossKg":3050},"tags":["a","b"]},{"plate":"HL 2"}]}',
    );
    expect(file).toEqual({
      ok: true,
      value: {
        headings: ['plate', 'ratings.grossKg', 'tags'],
        lines: [
          { line: 1, cells: ['HL 1', '3050', 'a, b'] },
          { line: 2, cells: ['HL 2', '', ''] },
        ],
      },
    });
  });
  it.each([
    ['', 'empty'],
    ['{"a": [1', 'no JSON'],
    ['{"a": 1}', 'one list'],
    ['[{"a": 1}, 5]', 'Entry 2'],
    ['plate,make', 'nothing under'],
    ['plate,plate\n1,2', 'Two columns'],
    [`a\n${'x\n'.repeat(2001)}`, 'at most 2000'],
  ])('%j is refused with its reason', (text, reason) =>
    expect(readTableFile(text)).toEqual({
      ok: false,
      error: { code: 'fileFaulty', reason: expect.stringContaining(reason) },
    }),
  );
});
