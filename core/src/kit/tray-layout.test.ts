import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { lookAlikes, type Seen } from './look-alike.ts';
import { layOut, placeName, USUAL_TRAYS } from './tray-layout.ts';

type Piece = Seen & { id: string };
const bolt = (id: string, lengthMm: number, thread = 'M10 x 1.5'): Piece => ({
  id,
  kind: 'bolt',
  name: 'Bolt',
  thread,
  lengthMm,
});

describe('laying hardware out', () => {
  it('goes row by row in the order it is used', () => {
    const pieces = [bolt('a', 30), bolt('b', 60, 'M6 x 1'), bolt('c', 25, 'M8 x 1.25')];
    expect([...layOut(pieces, USUAL_TRAYS)].map(([id, place]) => [id, placeName(place)])).toEqual([
      ['a', 'A1'],
      ['b', 'A2'],
      ['c', 'A3'],
    ]);
  });

  it('keeps look-alikes apart, while there is room for it', () => {
    const pieces = [bolt('a', 30), bolt('b', 32), bolt('c', 34)];
    const laid = layOut(pieces, [{ name: 'T', rows: 1, columns: 5 }]);
    expect([...laid.values()].map(({ column }) => column)).toEqual([0, 2, 4]);
    // Two compartments: beside each other, since each must lie somewhere.
    const small = layOut(pieces, [{ name: 'T', rows: 1, columns: 2 }]);
    expect([...small.keys()]).toEqual(['a', 'b']);
  });

  it('leaves what a hand laid where it lies', () => {
    const laid = layOut([bolt('a', 30), bolt('b', 60, 'M6 x 1')], USUAL_TRAYS, {
      b: { tray: 'Tray', row: 0, column: 0 },
    });
    // What lies elsewhere stays where it lay.
    const three = [bolt('a', 30), bolt('b', 60, 'M6 x 1'), bolt('c', 25, 'M8 x 1.25')];
    const moved = layOut(three, USUAL_TRAYS, { a: { tray: 'Tray', row: 3, column: 5 } });
    expect([...moved].map(([id, place]) => `${id} ${placeName(place)}`).sort()).toEqual(['a D6', 'b A2', 'c A3']);
    expect(placeName(laid.get('b') ?? { row: 9, column: 9 })).toBe('A1');
    expect(placeName(laid.get('a') ?? { row: 9, column: 9 })).toBe('A2');
  });

  it('never two lines in one compartment, nor look-alikes side by side in a tray with room to spare', () => {
    const threads = ['M6 x 1', 'M8 x 1.25', 'M10 x 1.5', 'M12 x 1.75'];
    const some = fc.array(fc.tuple(fc.constantFrom(...threads), fc.integer({ min: 20, max: 90 })), { maxLength: 12 });
    fc.assert(
      fc.property(some, (list) => {
        const pieces = list.map(([thread, length], index) => bolt(`p${index}`, length, thread));
        const laid = layOut(pieces, [{ name: 'T', rows: 12, columns: 16 }]);
        expect(laid.size).toBe(pieces.length);
        const places = [...laid.values()];
        expect(new Set(places.map(placeName)).size).toBe(places.length);
        for (const piece of pieces)
          for (const { piece: other } of lookAlikes(piece, pieces)) {
            const [one, two] = [laid.get(piece.id), laid.get(other.id)];
            if (!one || !two) throw new Error('not laid');
            expect(Math.max(Math.abs(one.row - two.row), Math.abs(one.column - two.column))).toBeGreaterThan(1);
          }
      }),
    );
  });
});
