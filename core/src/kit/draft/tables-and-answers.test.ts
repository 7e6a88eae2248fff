import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { draftKit } from './draft-kit.ts';

const drafted = (text: string) => {
  const reading = readSheet(text);
  return draftKit(reading, reading.facts, { id: 'x', title: 'x', maker: 'x' });
};
const groups = (text: string) => {
  const { kit } = drafted(text);
  return kit.groups.map(({ title, stations, when }) => {
    const station = kit.stations.find(({ id }) => id === stations[0]);
    return {
      title,
      count: stations.length,
      when,
      specs: station?.specs.map(({ printed, when: of }) => [printed, of]),
      drive: station?.drive,
    };
  });
};

describe('a table with a column for each vehicle', () => {
  const sheet = `GUARD     Carrick short / Carrick long
In the crate
  A  plate, front            1
  D  M10 x 1.5 x 30, 8.8     8
  E  M12 x 1.75 x 100, 10.9  4
  F  nut M12, flanged        4

                         |  short      |  long
  Cross bar to rails, E  |  95 Nm      |  110 Nm
  Plates to bar, D       |  48 Nm      |  48 Nm
  Plate B to gearbox     |  not fitted |  40 Nm

1  Raise the vehicle on a two-post lift.
2  Hang the cross bar on E with nuts F, finger tight.
3  Offer plate A with D under every head.
4  Pull up E, then D, to the table. Work from the middle out.`;
  const [bar, plates, gearbox] = groups(sheet);
  it('is one joint a row, its figure chosen by the vehicle', () => {
    expect(bar).toMatchObject({
      title: 'Cross bar to rails',
      count: 4,
      specs: [
        ['95 Nm', { question: 'model', is: 'short' }],
        ['110 Nm', { question: 'model', is: 'long' }],
      ],
    });
    expect(plates).toMatchObject({ title: 'Plates to bar', count: 8 });
  });
  it('has a joint only where the row has a figure', () =>
    expect(gearbox).toMatchObject({ title: 'Plate B to gearbox', when: { question: 'model', is: 'long' } }));
  it('asks once which it is', () =>
    expect(drafted(sheet).kit.questions.map(({ id, choices }) => [id, choices?.map(({ value }) => value)])).toEqual([
      ['model', ['short', 'long']],
    ]));
  it('is pulled at the step that says so, and takes nothing off from the middle', () => {
    const { steps } = drafted(sheet).kit;
    const pulls = steps.filter(({ actions }) => actions.some(({ type }) => type === 'torque'));
    expect(pulls.map(({ number }) => number)).toEqual(['4']);
    expect(steps.flatMap(({ actions }) => actions).some(({ type }) => type === 'remove')).toBe(false);
  });
});

describe('a list of figures behind the steps', () => {
  const sheet = `Scope: 1 cross member, 6 bolts M12x40-10.9, 4 bolts M10x35-8.8
1. Dismount the bumper.
2. Screw the side parts on at points "a" loosely.
3. Screw the cross member between them at points "b".
4. Align the tow bar and tighten all screws with the torque.
5. Mount the bumper again.

Torques:
a: M12 (10.9)   120 Nm
b: M10 (8.8)     50 Nm`;
  it('is pulled where the steps say so, before what goes back', () => {
    const { steps } = drafted(sheet).kit;
    expect(
      steps.map(({ number, actions }) => [number, actions.filter(({ type }) => type === 'torque').length]),
    ).toContainEqual(['4', 2]);
    expect(steps.findIndex(({ number }) => number === '4')).toBeLessThan(
      steps.findIndex(({ number }) => number === '5'),
    );
    expect(steps.at(-1)?.number).toBe('5');
  });
});

describe('figures before what they are for', () => {
  it('name their joints', () =>
    expect(
      groups('How tight?\n20 Nm the feet, 12 Nm the roller, 4 the end caps, no more.').map(({ title }) => title),
    ).toEqual(['Feet', 'Roller', 'End caps']));
  it('do not where how they are pulled stands behind', () =>
    expect(
      groups('Wheel nuts in two rounds: 60 Nm crosswise, 120 Nm crosswise.').map(({ title }) => title),
    ).not.toContain('Crosswise'));
});

describe('names and drives', () => {
  it('a chapter over its lettered steps is none of them', () =>
    expect(
      drafted(
        '1  Body\n   a  Screw the studs in, 4 Nm.\n   b  Fit the nuts, 6 Nm.\n   c  Tighten the straps to 3 Nm.',
      ).kit.steps.map(({ text }) => text),
    ).not.toContain('Body'));
  it('two words of hardware name it', () =>
    expect(groups('1. Remove the hose.\n2. Hose clamps 3.5 Nm.').map(({ title }) => title)).toEqual(['Hose clamps']));
  it('a list of tools says not which of them turns what', () =>
    expect(
      groups(
        'Hardware: 12 M8 x 1.25 x 25 bolts, 12 M6 x 1 x 20 bolts, 12 M6 nuts.\nTools required: 13 mm socket, 10 mm wrench.\n1. Tighten the M8 bolts to 23 Nm and the M6 nuts to 7 Nm.',
      ).map(({ drive }) => drive),
    ).toEqual([
      { kind: 'hex', acrossFlatsMm: 13 },
      { kind: 'hex', acrossFlatsMm: 10 },
    ]));
});

describe('what waits or goes ahead', () => {
  const order = (text: string) =>
    drafted(text).kit.steps.flatMap(({ text: said, actions }) =>
      actions.some(({ type }) => type === 'torque' || type === 'apply' || type === 'lower') ? [said] : [],
    );
  it('keeps the order of the sheet among what waits for the wheels', () =>
    expect(
      order(`1. Raise the vehicle.
2. Lower arm bolt M14 125 Nm at ride height.
3. Damper bolt M12 90 Nm at ride height.
4. Lower the vehicle.
5. Clean up.`),
    ).toEqual([
      'Lower the vehicle.',
      'On its wheels: Lower arm bolt M14 125 Nm at ride height.',
      'On its wheels: Damper bolt M12 90 Nm at ride height.',
    ]));
  it('lowers once where the sheet does not', () => {
    const { steps } = drafted(`1. Raise the vehicle.
2. Lower arm bolt M14 125 Nm at ride height.
3. Damper bolt M12 90 Nm at ride height.
4. Clean up.`).kit;
    const acts = steps.flatMap(({ actions }) => actions.map(({ type }) => type));
    expect(acts.filter((type) => type === 'lower')).toHaveLength(1);
    expect(acts.indexOf('lower')).toBeLessThan(acts.indexOf('torque'));
  });
  it('puts what goes on the threads before they are started, in the order of the sheet', () => {
    const said = order(`1. Tighten the hanger bolts to 80 Nm.
2. Tighten the shackle bolts to 45 Nm.
3. Copper grease on the hanger bolts.
4. Medium threadlocker on the shackle bolts.`);
    expect(said.findIndex((text) => text.startsWith('Copper'))).toBeLessThan(
      said.findIndex((text) => text.includes('80 Nm')),
    );
    expect(said.findIndex((text) => text.startsWith('Medium'))).toBeLessThan(
      said.findIndex((text) => text.includes('45 Nm')),
    );
  });
});

describe('what was said of steps that found another place', () => {
  const resolve = (root: unknown, path: string): unknown =>
    path
      .split(/[.[\]]+/)
      .filter(Boolean)
      .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], root);
  const files = ['demo/sheets', 'sheets/known', 'sheets/whole'].flatMap((folder) =>
    readdirSync(folder)
      .filter((file) => file.endsWith('.txt'))
      .filter((_, at) => folder !== 'sheets/known' || at % 6 === 0)
      .map((file) => `${folder}/${file}`),
  );
  it('still leads to something of the kit', () => {
    const lost = files.flatMap((file) => {
      const { kit, assumed, placed } = drafted(readFileSync(file, 'utf8'));
      return (
        [...assumed.map(({ path }) => path), ...placed.values()]
          // The thread of a part stays with its name.
          .map((path) => path.replace(/\.thread$/, ''))
          .filter((path) => resolve(kit, path) === undefined)
          .map((path) => `${file}: ${path}`)
      );
    });
    expect(lost).toEqual([]);
  });
});
