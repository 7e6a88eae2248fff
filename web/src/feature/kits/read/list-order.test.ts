import { describe, expect, it } from '@jest/globals';
import { readSheet } from '#core/sheet/read-sheet.ts';
import { isShown, listOrder, toCheckFirst } from './list-order.ts';
import { judged, useSheet } from './sheet-store.ts';

/** A figure that is only about right stands before one that is twelve times off. */
const reading = readSheet(`1. Torque the M14 nuts to about 80 Nm.
2. Torque the M12 bolts to 60 Nm.
3. Torque the M10 bolts to 58 Nm.
4. Torque the M8 studs to 62 Nm.
5. Torque the M6 screw to 5 Nm.
`);
const { doubtful } = judged(reading, {}, {});
const printed = (index: number | undefined) => (index === undefined ? undefined : reading.facts[index]?.printed);

describe('the order in which a sheet is looked through', () => {
  it('begins with what would hurt most, and leaves nothing out', () => {
    expect(toCheckFirst(reading.facts, doubtful).map(printed).slice(0, 2)).toEqual(['5 Nm', '80 Nm']);
    const order = listOrder(reading.facts, doubtful);
    expect(new Set(order).size).toBe(order.length);
    expect(order).toHaveLength(reading.facts.filter(isShown).length);
  });
  it('is opened at its first, so that one key each decides all', () => {
    useSheet.getState().open('sheet', reading);
    expect(printed(useSheet.getState().cursor)).toBe('5 Nm');
    useSheet.getState().close();
  });
});
