import { describe, expect, it } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import { DEMO_KITS } from '#demo/kits.ts';
import { PACKING_COLUMNS, readCell, readPackingCsv, readTable, writePackingCsv } from './packing-csv.ts';

describe('a packing list as a table', () => {
  it('written and read again is the same in every column of the table', () => {
    for (const kit of DEMO_KITS) {
      const read = readPackingCsv(writePackingCsv(kit.items));
      if (!read.ok) throw new Error(JSON.stringify(read.error));
      const shown = (items: typeof kit.items) => items.map((item) => PACKING_COLUMNS.map((column) => item[column]));
      expect(shown(read.value)).toEqual(shown(kit.items));
    }
  });
  it('is CSV to another reader too (csv-parse)', () => {
    const kit = DEMO_KITS[0];
    if (!kit) throw new Error('no demo kit');
    const rows = parse(writePackingCsv(kit.items), { columns: true }) as Array<Record<string, string>>;
    expect(rows.map((row) => row.name)).toEqual(kit.items.map((item) => item.name));
  });
  it('takes a spreadsheet’s own headings, a decimal comma, and tabs', () => {
    const read = readPackingCsv('Item\tDescription\tQty\tLength\nA1\tBolt\t4\t27,5\n');
    expect(read).toMatchObject({
      ok: true,
      value: [{ id: 'A1', line: 'A1', name: 'Bolt', quantity: 4, lengthMm: 27.5 }],
    });
    expect(readTable('a\tb\nc\td')).toEqual([
      ['a', 'b'],
      ['c', 'd'],
    ]);
  });
  it('refuses formulas, wrong numbers and unknown kinds, each with row and column, and takes nothing then', () => {
    const read = readPackingCsv('name,quantity,kind\n"=HYPERLINK(""x"")",4,bolt\nBolt,many,bolt\nNut,2,gadget\n');
    expect(read).toEqual({
      ok: false,
      error: {
        code: 'tableFaulty',
        cells: [
          { row: 2, column: 'name', reason: 'starts with “=”: formulas are not taken' },
          { row: 3, column: 'quantity', reason: 'must be a number above 0, was “many”' },
          { row: 4, column: 'kind', reason: expect.stringContaining('must be one of bolt') },
        ],
      },
    });
  });
  it('writes what a spreadsheet would run so that it does not', () => {
    const [item] = DEMO_KITS[0]?.items ?? [];
    if (!item) throw new Error('no item');
    expect(writePackingCsv([{ ...item, name: '=1+1' }])).toContain(`'=1+1`);
  });
  it.each(['', 'just words', 'a,b\n1,2'])('says what a table needs: %j', (text) => {
    const read = readPackingCsv(text);
    expect(!read.ok && read.error.cells[0]?.reason).toMatch(/must name the columns/);
  });
  it('gives double lines ids of their own', () => {
    const read = readPackingCsv('line,name,quantity\nA1,Bolt,4\nA1,Nut,4\n', new Set(['A1']));
    expect(read.ok && read.value.map((item) => item.id)).toEqual(['A1-2', 'A1-3']);
  });
  it('an empty cell clears what may be empty, and only that', () => {
    expect(readCell('thread', ' ')).toEqual({ ok: true, value: undefined });
    expect(readCell('name', '')).toMatchObject({ ok: false });
  });
});
