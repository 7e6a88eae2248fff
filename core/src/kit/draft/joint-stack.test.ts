import { describe, expect, it } from '@jest/globals';
import { lintKit } from '../lint/lint.ts';
import { drafted, joints } from './fixture/drafted.ts';

const stackOf = (text: string, at = 0): string[] => {
  const kit = drafted(text);
  const station = kit.stations.find(({ id }) => id === kit.groups[at]?.stations[0]);
  return (station?.stack ?? []).map((piece) =>
    piece.kind === 'hardware' ? (kit.items.find(({ id }) => id === piece.item)?.name ?? '') : 'part',
  );
};

// Common practice, no source: the locking washer stands against what is turned.
describe('the washers of a station', () => {
  const list = (washers: string, nuts: string) =>
    `Parts\n4 bolts M10 x 40\n${washers}\n${nuts}\n\n1. Fit the bracket to the frame with four M10 x 40 bolts.\n2. Tighten the M10 bolts to 45 Nm.\n`;
  it('are a plain one under the head and under the nut, and the spring washer at the nut', () =>
    expect(stackOf(list('8 flat washers M10\n4 spring washers M10', '4 nuts M10'))).toEqual([
      'Bolt M10 × 1.5 × 40',
      'Flat washer M10',
      'part',
      'Flat washer M10',
      'Spring washer M10',
      'Nut M10 × 1.5',
    ]));
  it('have the spring washer under the head where nothing is turned behind', () =>
    expect(stackOf(list('4 flat washers M10\n4 spring washers M10', '1 bracket'))).toEqual([
      'Bolt M10 × 1.5 × 40',
      'Spring washer M10',
      'Flat washer M10',
      'part',
    ]));
  it('are of the size of the bolt', () =>
    expect(stackOf(list('4 spring washers M8', '1 bracket'))).toEqual(['Bolt M10 × 1.5 × 40', 'part']));
});

describe('a table of places with the same bolt', () => {
  const kit = drafted(`SIDE BARS
Kit: 2 bars, 6 brackets, 4 off M10 x 30, 2 off M12 x 110, 2 off M12 nyloc nuts, 8 off M10 washers (4 flat, 4 spring), 4 off M12 flat washers.

Position  Bolt                 Washers        Nut          Torque   Note
Front     M10 x 30 HT          1 flat 1 spring captive      45 Nm
Middle    M10 x 30 HT          1 flat 1 spring captive      45 Nm
Rear      M12 x 110 HT         2 flat         M12 nyloc    80 Nm    through chassis tube

Method
1. Offer up the brackets on both sides, bolts loose.
2. Torque the brackets to the table above.
`);
  it('shares the bolts of the list among its rows', () =>
    expect(joints(kit).map(({ title, stations, nm }) => [title, stations, nm])).toEqual([
      ['Front', 2, 45],
      ['Middle', 2, 45],
      ['Rear', 2, 80],
    ]));
  it('knows what a bracket of the list tells apart', () =>
    expect(kit.items.filter(({ kind }) => kind === 'washer').map(({ name, quantity }) => [name, quantity])).toEqual([
      ['Flat M10 washers', 4],
      ['Spring M10 washers', 4],
      ['Flat washer M12', 4],
    ]));
  it('is released without a fault', () =>
    expect(lintKit(kit).filter(({ severity }) => severity === 'error')).toEqual([]));
});

describe('what was kept', () => {
  const kit =
    drafted(`1.1 Remove the spare wheel and its carrier (three bolts, 17 mm). The carrier is not refitted, its bolts are kept.
2.1 Push the hoses on, two clamps on each hose (3 Nm).
2.2 Fix the filler neck with the kept bolts of the carrier (25 Nm). (FIG A)
`);
  it('is as many as came off, turned by what undid it', () => {
    const neck = kit.groups.find(({ title }) => title === 'Filler neck');
    expect(neck?.stations).toHaveLength(3);
    expect(kit.stations.find(({ id }) => id === neck?.stations[0])?.drive).toEqual({ kind: 'hex', acrossFlatsMm: 17 });
  });
  it('has its picture with its step', () => {
    expect(kit.steps.at(-1)?.text).toMatch(/\(25 Nm\)\. \(FIG A\)$/);
    expect(kit.steps.some(({ text }) => text === '(FIG A)')).toBe(false);
  });
});

describe('a row that counts once', () => {
  const items = (rows: string) =>
    drafted(`In the box:\n- Gas struts (2)\n${rows}\n- Foam strip (1)\n\n1. Prop the hood open.\n`).items.map(
      ({ name, quantity }) => [name, quantity],
    );
  it('is of one thing, whatever stands behind its comma', () =>
    expect(items('- Lower ball studs, 10mm hex (2)')).toContainEqual(['Lower ball studs, 10mm hex', 2]));
  it('counts one of each side twice', () =>
    expect(items('- Upper brackets L/R (1 each)')).toContainEqual(['Upper brackets L/R', 2]));
});

describe('what a sheet says to its reader', () => {
  const kit = drafted('Read all of these instructions before you start.\n1. Chock the wheels.\n2. Tighten to 40 Nm.\n');
  it('is minded, and no step', () => {
    expect(kit.cautions.map(({ text }) => text)).toContain('Read all of these instructions before you start.');
    expect(kit.steps.map(({ text }) => text.split(' ')[0])).toEqual(['Chock', 'Tighten']);
  });
});
