import { describe, expect, it } from '@jest/globals';
import { demoShelf } from '#demo/crib.ts';
import { readShelfCsv, writeShelfCsv } from './shelf-csv.ts';

const lines = () => demoShelf().map((drawer) => ({ ...drawer, countedAtMs: 0, taken: 0 }));

describe('the shelf as a table', () => {
  it('goes out and comes back as it was, with what is left for the count', () => {
    const [first, ...rest] = lines();
    if (!first) throw new Error('empty');
    const read = readShelfCsv(writeShelfCsv([{ ...first, taken: 4 }, ...rest]));
    if (!read.ok) throw new Error(JSON.stringify(read.error));
    expect(read.value.length).toBe(rest.length + 1);
    expect(read.value[0]).toMatchObject({ bin: 'A1', thread: 'M8 x 1.25', counted: first.counted - 4, lowAt: 10 });
    expect(read.value.at(-1)).toMatchObject({ kind: 'pin', form: 'split', lengthMm: 32 });
  });

  it('takes a spreadsheet’s own words for the columns', () => {
    const read = readShelfCsv('Drawer;Type;Description;Thread;Length;Qty;Low\nB4;nut;Nut;M8 x 1.25;;40;5\n');
    expect(read).toEqual({
      ok: true,
      value: [{ bin: 'B4', kind: 'nut', name: 'Nut', thread: 'M8 x 1.25', counted: 40, lowAt: 5 }],
    });
  });

  it('names every cell it cannot take, and takes nothing then', () => {
    const read = readShelfCsv('bin,kind,name,counted\nA1,bolt,Bolt,4\n,bolt,Bolt,x\nA3,gadget,Bolt,-1\n');
    expect(read.ok ? [] : read.error.cells.map(({ row, column }) => `${row} ${column}`)).toEqual([
      '3 bin',
      '3 counted',
      '4 kind',
      '4 counted',
    ]);
    const told = (text: string) => {
      const bad = readShelfCsv(text);
      return bad.ok ? '' : (bad.error.cells[0]?.reason ?? '');
    };
    expect(told('name\nBolt\n')).toContain('missing: bin, kind, counted');
    expect(told('bin,kind,name,counted\n')).toContain('no row');
    expect(told('')).toContain('missing');
  });
});
