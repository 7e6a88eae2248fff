import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { draftKit } from './draft-kit.ts';

const steps = (text: string) =>
  draftKit(readSheet(text), readSheet(text).facts, { id: 'x', title: 'x', maker: 'x' }).kit.steps.map(
    ({ text: said, phase, actions }) => [said.slice(0, 24), phase, actions.map(({ type }) => type).join(' ')],
  );

const HEAD = `WINCH PLATE
Supplied
  4 pcs  bolt M12x1.75x45 10.9
  4 pcs  nut M12x1.75
  2 pcs  bolt M6x1x16

`;
const TABLE = `Joint                     N·m
Plate to chassis, M12     86
Bracket to plate, M6      9

`;

describe('a table of figures before the steps', () => {
  it('is pulled where a step says so, and its bolts are started where a step says by hand', () => {
    expect(
      steps(`${HEAD}${TABLE}1. Raise the vehicle.
2. Plate on the chassis, four M12 from the front, finger tight.
3. Bracket with the M6 bolts.
4. Tighten by the table, plate first.
5. Lower the vehicle.
`),
    ).toEqual([
      ['Raise the vehicle.', 'strip', 'lift'],
      ['Plate on the chassis, fo', 'loose', 'start'],
      ['Bracket with the M6 bolt', 'loose', 'do'],
      ['Tighten by the table, pl', 'torque', 'torque start torque'],
      ['Lower the vehicle.', 'refit', 'lower'],
    ]);
  });
  it('is pulled before what closes the sheet, where no step says so', () => {
    const found = steps(`${HEAD}${TABLE}1. Disconnect the battery.
2. Plate on the chassis.
3. Bracket on the plate.
4. Reconnect the battery.
`);
    const at = (word: string) => found.findIndex(([, , actions]) => actions?.includes(word));
    expect(at('torque')).toBeGreaterThan(at('disconnect'));
    expect(at('reconnect')).toBeGreaterThan(at('torque'));
  });
  it('stays where the steps have figures of their own', () => {
    const found = steps(`${HEAD}${TABLE}1. Raise the vehicle.
2. Plate on the chassis.
3. Tighten the M12 bolts to 86 Nm.
4. Lower the vehicle.
`);
    expect(found.some(([said, , actions]) => said?.startsWith('Tighten the M12') && actions?.includes('torque'))).toBe(
      true,
    );
  });
});
