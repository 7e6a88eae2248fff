import { describe, expect, it } from '@jest/globals';
import { readSheet } from './read-sheet.ts';
import { runningNumbers } from './running-number.ts';
import { columnSenses } from './table.ts';

const values = (text: string): string[] =>
  readSheet(text).facts.flatMap(({ value }) =>
    value.kind === 'torque'
      ? [
          `${value.min === value.max ? value.min : `${value.min}-${value.max}`} ${value.unit}${value.pair ? ' paired' : ''}`,
        ]
      : value.kind === 'count'
        ? [`${value.count} ${value.noun}`]
        : [],
  );

describe('tables whose headings carry the unit', () => {
  it('gives the unit of the heading to the bare numbers below it', () => {
    expect(values('Size | Torque (Nm)\n--- | ---\nM8 | 25\nM10 | 45-50\n')).toEqual(['25 N·m', '45-50 N·m']);
  });
  it('two columns in two units are one value written twice', () => {
    expect(values('Bolt\tNm\tft-lb\nM8\t25\t18\nM10\t50\t37\n')).toEqual(['25 N·m paired', '50 N·m paired']);
  });
  it('counts below a quantity, labels are no counts', () => {
    expect(
      values('Item   Description          Qty\n1      M8 x 25 flange bolt   6\n2      M8 washer             8\n'),
    ).toEqual(['6 bolt', '8 washer']);
  });
  it('a list without a heading keeps its count at the end of the line', () => {
    expect(values('A1  Hex bolt M10 x 1.5 x 55, class 8.8   4\nA2  Flat washer M10   8')).toEqual([
      '4 bolt',
      '8 washer',
    ]);
  });
  it('a tolerance in a cell is its limits', () => {
    const { facts } = readSheet(
      'Part      Thread   Nm\nNut       M10      46±4\nScrew     M8       23\nClip      M6       9\n',
    );
    const read = facts.flatMap(({ value }) => (value.kind === 'torque' ? [[value.min, value.max]] : []));
    expect(read).toEqual([
      [42, 50],
      [23, 23],
      [9, 9],
    ]);
  });
  it('a list by what is tightened is in the unit that one line gives to all, wherever it stands', () => {
    const list =
      'tow bar ........ M12 95 / ball 300\nroof bars ...... 8\nclamps ......... 3 to 4\nskid plate ..... 35 ft-lb\n';
    const read = (text: string) =>
      readSheet(text).facts.flatMap(({ value }) =>
        value.kind === 'torque' ? [`${value.min}-${value.max} ${value.unit}`] : [],
      );
    expect(read(`${list}everything in Nm if nothing stands behind it.`)).toEqual([
      '95-95 N·m',
      '300-300 N·m',
      '8-8 N·m',
      '3-4 N·m',
      '35-35 lbf·ft',
    ]);
    // Without such a line a bare number is nothing.
    expect(read(list)).toEqual(['35-35 lbf·ft']);
  });
  it('ends where the rows end', () => {
    expect(columnSenses('Size | Torque (Nm)\nM8 | 25\n\nFit 4 | 5 of them').size).toBe(1);
  });
  it('trusts a carried unit less than a printed one', () => {
    const torque = readSheet('Size | Nm\nM8 | 25').facts.find((fact) => fact.value.kind === 'torque');
    expect(torque?.confidence).toBeLessThan(1);
    expect(torque?.about).toBe('M8 × 1.25');
  });
});

describe('tables with more than one value to a row', () => {
  it('a column for each vehicle gives each its own figure', () => {
    const { facts } = readSheet(
      'TIGHTENING (N·m)      Elm 20    Elm 30\nCross member nuts     65        90\nDrop bracket          110       -\n',
    );
    expect(facts.flatMap(({ value, model }) => (value.kind === 'torque' ? [[value.max, model]] : []))).toEqual([
      [65, 'Elm 20'],
      [90, 'Elm 30'],
      [110, 'Elm 20'],
    ]);
  });
  it('a row that ends with its unit, and one below it in another', () => {
    const { facts } = readSheet(
      '                 S       L       unit\nmain bolts       48      85      N·m\n                 35      63      lbf·ft\n',
    );
    expect(
      facts.flatMap(({ value, model }) =>
        value.kind === 'torque' ? [[value.max, value.unit, value.pair?.max, model]] : [],
      ),
    ).toEqual([
      [48, 'N·m', 35, 'S'],
      [85, 'N·m', 63, 'L'],
    ]);
  });
  it('of issues side by side the one that is valid now; unchanged is the old one', () => {
    const text =
      'position         first sheet   issue A     valid from now on\ncam bolts        110 Nm        95 Nm       82 Nm\nbump stop        45 Nm         unchanged   unchanged\n';
    expect(values(text)).toEqual(['82 N·m', '45 N·m']);
  });
  it('columns of least, wanted and most are the ends of one figure', () => {
    const bands = (text: string) =>
      readSheet(text).facts.flatMap(({ value }) =>
        value.kind === 'torque' ? [[value.min, value.nominal, value.max, value.limitNm, value.unit]] : [],
      );
    expect(bands('Joint              Min   Nom   Max   Unit\nPlate to chassis   80    86    92    N·m\n')).toEqual([
      [80, 86, 92, undefined, 'N·m'],
    ]);
    expect(bands('Joint              Nom (Nm)   Max (Nm)\nPlate to chassis   86         92\n')).toEqual([
      [86, undefined, 86, 92, 'N·m'],
    ]);
  });
  it('front and rear are places and no vehicles', () => {
    const { facts } = readSheet('OUR FIGURES   (lbf ft)\nkit             front   rear\nspring lift     85      95\n');
    expect(facts.flatMap(({ value, model }) => (value.kind === 'torque' ? [[value.max, model]] : []))).toEqual([
      [85, undefined],
      [95, undefined],
    ]);
  });
  it('a dash in a column of its own joins nothing', () => {
    expect(values('ball joint   28 Nm   -   30 Nm\n')).toEqual(['28 N·m', '30 N·m']);
  });
  it('a ceiling in a cell is no figure to pull to', () => {
    const { facts } = readSheet('Joint           N·m\nBanjo bolt      20\nBleed screw     max. 8\n');
    expect(facts.flatMap(({ value }) => (value.kind === 'torque' ? [[value.max, value.only]] : []))).toEqual([
      [20, undefined],
      [8, 'ceiling'],
    ]);
  });
  it('a list of names and bare figures, its unit said once', () => {
    expect(values('Everything ft-lb unless marked\nfront subframe  68\ncaliper slide  20-24\nhub nut  170\n')).toEqual([
      '68 lbf·ft',
      '20-24 lbf·ft',
      '170 lbf·ft',
    ]);
  });
  it('stages in rows are one procedure', () => {
    const { facts } = readSheet('Stage table:\n   stage 1   20 Nm\n   stage 2   45 Nm\n   stage 3   80 Nm\n');
    expect(facts.flatMap(({ value }) => (value.kind === 'torque' ? [value.stages] : []))).toEqual([
      [{ torqueNm: 20 }, { torqueNm: 45 }, { torqueNm: 80 }],
    ]);
  });
  it('the length of its column goes to the thread of its row', () => {
    const { facts } = readSheet('Qty  Part          Thread   Length   Nm\n4    Hex bolt      M10      30       45\n');
    expect(facts.flatMap(({ value }) => (value.kind === 'thread' ? [value.lengthMm] : []))).toEqual([30]);
  });
});

describe('running numbers', () => {
  it('of rows count nothing; four and more of them in a row are such', () => {
    const rows = [' 9  brake tee', '10  hub nut', '11  jam nuts', '12  wheel nuts'].map(
      (row) => `${row} ....... 50 Nm`,
    );
    expect(values(`${rows.join('\n')}\n`)).toEqual(Array.from({ length: 4 }, () => '50 N·m'));
  });
  it('are told from quantities below each other', () => {
    expect(runningNumbers('4  hex bolts\n5  nuts\n8  washers\n').size).toBe(0);
    expect(runningNumbers('1  hex bolts\n2  nuts\n3  washers\n4  clips\n').size).toBe(4);
  });
});

describe('figures as they are printed', () => {
  it.each([
    ['Tighten to 48 lbf ft (6·6 kgf m).', ['48 lbf·ft paired']],
    ['Ball to frame: two high tensile bolts, 120/130 lbf ft.', ['2 bolt', '120-130 lbf·ft']],
    ['Frame end: 120 (+10/-0) lbf-ft', ['120-130 lbf·ft']],
    ['Bridge bolts: 115 Nm minimum, 130 Nm maximum', ['115-130 N·m']],
    ['Pivot: 60 Nm, back off 1/4, then 25', ['25 N·m']],
  ])('%s', (text, expected) => expect(values(text)).toEqual(expected));
  it('a nought left out before its point, and a pitch a scanner misread', () => {
    const { facts } = readSheet('The gap is .016 in. Rail bolts M14xl.5 are new.');
    expect(facts.flatMap(({ value }) => (value.kind === 'hole' ? [value.diameterMm] : []))).toEqual([0.4064]);
    expect(facts.flatMap(({ value }) => (value.kind === 'thread' ? [value.designation] : []))).toEqual(['M14 × 1.5']);
  });
});
