import { describe, expect, it } from '@jest/globals';
import { plainText } from './plain-text.ts';
import { readSheet } from './read-sheet.ts';

const torques = (text: string) =>
  readSheet(text).facts.flatMap(({ value }) => (value.kind === 'torque' ? [value] : []));
const items = (text: string) =>
  readSheet(text).facts.flatMap(({ value }) =>
    value.kind === 'count' && value.item !== undefined ? [[value.count, value.item]] : [],
  );

describe('a comma-separated file', () => {
  const PLAN = `"step","operation","fastener","qty","tool","torque_nm","note"
"1","Hanger to frame, left and right","M10x30 8.8","4","17 mm","46","by hand first"
"2","Tank strap","M8x60","1","13 mm","20 max",""
"3","Hose clamps","band","2","7 mm","3.5",""
`;
  it('is a table, whose commas within quotes part nothing', () => {
    expect(torques(PLAN)).toMatchObject([
      { min: 46, max: 46, unit: 'N·m' },
      { max: 20, only: 'ceiling' },
      { min: 3.5, max: 3.5 },
    ]);
    expect(readSheet(PLAN).steps[1]?.text).toContain('Hanger to frame, left and right');
  });
  it('needs no quotes', () => expect(torques(PLAN.replaceAll('"', '').replace(', left', ' left'))).toHaveLength(3));
  it('keeps every character in its place', () => expect(plainText(PLAN)).toHaveLength(PLAN.length));
  it('is no prose with commas', () => {
    const prose = 'Bolts, nuts, washers, clips, ties.\nOne, two, three, four, five.\nAll, of, it, is, said.\n';
    expect(plainText(prose)).toBe(prose);
  });
});

describe('what a program broke', () => {
  it('is whole again where it goes on in the next line', () => {
    expect(plainText('Six bracket assem-\nblies and bolts\n')).toContain('assemblies');
    expect(plainText('Pull it from the under-\n   side of the sill\n')).toContain('underside');
  });
  it.each([
    ['a self-\nlocking nut', 'self-\nlocking'],
    ['33 ft-\nlb (45 N-m)', 'ft-\nlb'],
    // Cells of two columns.
    ['one  |  Außen-\ntwo  |  gewinde', 'Außen-\ntwo'],
  ])('stays as it is: %s', (text, part) => expect(plainText(text)).toContain(part));
  it('has its size in one', () =>
    expect(items('Fixing pack: 12 M8 x\n25 hex set screws, 12 M8 nuts, 24 washers.\n\n1 Fit them.\n')).toContainEqual([
      12,
      expect.stringMatching(/M8 x\s+25 hex set screws/),
    ]));
  it('keeps every character behind it in its place', () => {
    const text = 'Six bracket assem-\nblies, then 24 Nm\n';
    expect(plainText(text).indexOf('24 Nm')).toBe(text.indexOf('24 Nm'));
  });
});

describe('a scan', () => {
  it('has ones in its fractions', () =>
    expect(readSheet('4    l/2-13 x l-3/4 GR5 bolt\n').facts.map(({ value }) => value)).toContainEqual(
      expect.objectContaining({ kind: 'thread', designation: '1/2-13' }),
    ));
  it('has no inches behind a quoted metric size', () =>
    expect(
      readSheet('- "four M10x40" must read six M10x40, three per foot.').facts.flatMap(({ value }) =>
        value.kind === 'thread' ? [value.lengthMm] : [],
      ),
    ).toEqual([40, 40]));
});

describe('passes in rows', () => {
  it.each([
    ['   Stage 1: 30 N.m\n   Stage 2: 60 N.m\n   Stage 3: 75 degrees\n'],
    ['   PASS     SPEC\n   1        30 N.m (22 lb ft)\n   2        60 N.m (44 lb ft)\n   3        +75 degrees\n'],
  ])('end with their turn: %s', (rows) =>
    expect(torques(`3. Tighten in a star pattern in three passes.\n${rows}4. Next.\n`)).toMatchObject([
      { min: 60, max: 60, angleDeg: 75, stages: [{ torqueNm: 30 }, { torqueNm: 60 }] },
    ]),
  );
  it('are no stages where nothing heads them so', () =>
    expect(torques('Torques\n1        30 Nm\n2        60 Nm\n')).toHaveLength(2));
});

describe('a chart by grade', () => {
  const CHART = `H. Torque per chart.

   SIZE       GRADE 5     GRADE 8
   7/16"      50          70
   1/2"       75          110
   All values ft-lb. Bolts in this kit are Grade 8.
`;
  it('is of the class of all of the kit, in the unit said below it', () =>
    expect(torques(CHART).map(({ max, unit }) => [max, unit])).toEqual([
      [70, 'lbf·ft'],
      [110, 'lbf·ft'],
    ]));
  it('takes no size for a head', () =>
    expect(readSheet(CHART).facts.filter(({ value }) => value.kind === 'drive')).toEqual([]));
});

describe('words of warning and of lists', () => {
  it('on no account exceeded', () =>
    expect(torques('Nuts are tightened to 22 Nm. They should on no account exceed 25 Nm.')).toMatchObject([
      { max: 22, limitNm: 25 },
    ]));
  it('oil destroys rubber', () =>
    expect(
      readSheet('The bushes go in dry; oil and grease destroy them.').facts.flatMap(({ value }) =>
        value.kind === 'compound' ? [value.compound] : [],
      ),
    ).toEqual([]));
  it('counts in German', () =>
    expect(
      items(
        'Pos   Stk   Benennung\n1     1     Querträger / cross member\n2     4     Schraube / bolt M12x35\n3     4     Scheibe / washer 13\n',
      ),
    ).toEqual([
      [1, 'Querträger / cross member'],
      [4, 'Schraube / bolt M12x35'],
      [4, 'Scheibe / washer 13'],
    ]));
  it('stands beside one another by its numbers', () =>
    expect(
      items(
        '(1) Shackle plate  2      (3) 9/16-12 x 4-1/2 bolt  4\n(2) Poly bushing  8       (4) Sleeve  4\n(5) Nylock nut  4         (6) Grease packet  2\n',
      ),
    ).toHaveLength(6));
  it('is lettered within a sentence', () =>
    expect(
      items(
        'The package brings: A) the bar, B) two plates, C) 6 nuts M8 flanged, D) 2 bolts M10 of 60.\n\n1) Fit it.\n',
      ),
    ).toEqual([
      [1, 'bar'],
      [2, 'plates'],
      [6, 'nuts M8 flanged'],
      [2, 'bolts M10 x 60'],
    ]));
  it('is looked at again after a fortnight', () =>
    expect(readSheet('Look at the clamps again after a fortnight.').facts.map(({ value }) => value)).toContainEqual(
      expect.objectContaining({ kind: 'aftercare', days: 14 }),
    ));
});
