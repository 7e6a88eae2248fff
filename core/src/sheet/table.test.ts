import { describe, expect, it } from '@jest/globals';
import { readSheet } from './read-sheet.ts';
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
