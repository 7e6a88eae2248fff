import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Fact } from '#core/sheet/fact.ts';
import { readSheet } from '#core/sheet/read-sheet.ts';

/** Sheets that are worked on; of the others nothing is looked at. */
const TEXTS = ['sheets/known', 'sheets/whole'].flatMap((folder) =>
  readdirSync(folder)
    .filter((file) => file.endsWith('.txt'))
    .map((file) => [file, readFileSync(join(folder, file), 'utf8')] as const),
);

type Torque = Fact & { value: Extract<Fact['value'], { kind: 'torque' }> };
const torques = (text: string): Torque[] =>
  readSheet(text).facts.filter((fact): fact is Torque => fact.value.kind === 'torque');
const PLAIN = 0.9;
/** Plain figures of a sheet in one unit and no more: their words can be changed and put back. */
const simple = (text: string): Torque[] =>
  torques(text).filter(
    ({ confidence, printed, value }) =>
      confidence >= PLAIN &&
      /^\d{1,3} ?N[·.]?m$/.test(printed) &&
      value.stages === undefined &&
      value.limitNm === undefined,
  );
const changed = (text: string, { start, end }: Torque, printed: string) =>
  text.slice(0, start) + printed + text.slice(end);

/** The torque that is read where another stood. */
const at = (text: string, start: number) =>
  torques(text).find((fact) => fact.start >= start - 2 && fact.start <= start + 4);

describe('a sheet that is changed is read as changed, or doubted', () => {
  const places = TEXTS.flatMap(([file, text]) => simple(text).map((fact) => ({ file, text, fact })));
  it('has enough figures to change', () => expect(places.length).toBeGreaterThan(60));

  it('another figure', () => {
    fc.assert(
      fc.property(fc.constantFrom(...places), fc.integer({ min: 3, max: 240 }), ({ text, fact }, figure) => {
        const read = at(changed(text, fact, `${figure} Nm`), fact.start);
        // A figure beside another that is larger may become its ceiling or its stage; it is never another figure.
        if (read && read.confidence >= PLAIN && read.value.only === undefined && read.value.stages === undefined)
          expect([read.value.nominal ?? read.value.max, read.value.unit]).toEqual([figure, 'N·m']);
      }),
      { numRuns: 60 },
    );
  });
  it('another unit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...places),
        fc.constantFrom(['ft-lb', 'lbf·ft'] as const, ['in-lb', 'lbf·in'] as const, ['kgf·m', 'kgf·m'] as const),
        ({ text, fact }, [written, unit]) => {
          const read = at(changed(text, fact, `${fact.value.max} ${written}`), fact.start);
          if (read && read.confidence >= PLAIN) expect(read.value.unit).toBe(unit);
        },
      ),
      { numRuns: 60 },
    );
  });
  it.each([
    ['a figure dash', '\u2012'],
    ['a hyphen that does not break', '\u2011'],
    ['an en dash', '\u2013'],
    ['points', '...'],
    ['one sign of points', '\u2026'],
  ])('a range with %s', (_, dash) => {
    for (const { file, text, fact } of places.filter((_, place) => place % 7 === 0).slice(0, 16)) {
      const [low, high] = [fact.value.max, fact.value.max + 2];
      const read = at(changed(text, fact, `${low}${dash}${high} Nm`), fact.start);
      if (read && read.confidence >= PLAIN && read.value.stages === undefined)
        expect([file, read.value.min, read.value.max]).toEqual([file, low, high]);
    }
  });
  it('a line that breaks before the unit', () => {
    for (const { file, text, fact } of places.filter((_, place) => place % 7 === 0).slice(0, 16)) {
      const read = at(changed(text, fact, `${fact.value.max}\nNm`), fact.start);
      if (read && read.confidence >= PLAIN)
        expect([file, read.value.unit, read.value.max]).toEqual([file, 'N·m', fact.value.max]);
    }
  });
  it('other columns: what stands under a heading follows it', () => {
    const table = (order: readonly number[]) => {
      const heads = ['Joint', 'Thread', 'Qty', 'Torque (Nm)'];
      const rows = [
        ['bracket to frame', 'M10', '4', '48'],
        ['cover', 'M6', '8', '9'],
        ['tow eye', 'M14', '2', '140'],
      ];
      return [heads, ...rows]
        .map((cells) => order.map((column) => (cells[column] ?? '').padEnd(20)).join(''))
        .join('\n');
    };
    fc.assert(
      fc.property(fc.shuffledSubarray([0, 1, 2, 3], { minLength: 4 }), (order) => {
        const read = torques(table(order)).map(({ value }) => `${value.max} ${value.unit}`);
        expect(read).toEqual(['48 N·m', '9 N·m', '140 N·m']);
      }),
    );
  });
});
