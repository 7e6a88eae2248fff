import { describe, expect, it } from '@jest/globals';
import { doubts } from './doubt.ts';
import { readSheet } from './read-sheet.ts';

const facts = (text: string) => readSheet(text).facts;
/** Each torque as `figure unit`, what is set aside in brackets. */
const torques = (text: string): string[] =>
  facts(text).flatMap(({ value }) =>
    value.kind === 'torque'
      ? [`${value.max} ${value.unit}`]
      : value.kind === 'torqueAside'
        ? [`(${value.max} ${value.unit})`]
        : [],
  );
const kinds = (text: string, kind: string) => facts(text).filter(({ value }) => value.kind === kind);

describe('a figure that is due later', () => {
  it.each([
    [
      'the same',
      'Pull the eight screws to 22 Nm. After 50 km: go round the eight screws once more at 22 Nm.',
      '(22 N·m)',
    ],
    [
      'a wrench set below it, to check',
      'The bolts shall be tightened to 105 N m. They shall be checked at 500 km, at 95 N m.',
      '(95 N·m)',
    ],
    ['the next day', 'M8 at 20 Nm.\nNext day: all M8 again at 20 Nm.', '(20 N·m)'],
  ])('is no second joint: %s', (_, text, aside) => expect(torques(text)[1]).toBe(aside));
  it('is a joint of its own where none has it', () =>
    expect(torques('Fit the guard, M8, 22 Nm. After 500 km check the hub nut to 280 Nm.')).toEqual([
      '22 N·m',
      '280 N·m',
    ]));
  it.each([
    ['RT @ 1000 km', { distanceKm: 1000 }],
    ['Next day: all bolts again.', { days: 1 }],
    ['Check clamps at the first oil change.', { event: 'at the first oil change' }],
    ['Check the bolts again after driving 300km.', { distanceKm: 300 }],
  ])('%s', (text, due) => expect(kinds(text, 'aftercare')[0]?.value).toMatchObject(due));
});

describe('a correction', () => {
  const letter = `page 2 step 4 says 85 Nm for the rear bolts. It should read 58 Nm.
page 3: the front tabs are M8 x 20 (we wrote M8 x 30), 24 Nm as printed.
`;
  it('has the right figure, and sets the wrong one aside', () =>
    expect(torques(letter)).toEqual(['(85 N·m)', '58 N·m', '24 N·m']));
  it('has the right size alone', () =>
    expect(kinds(letter, 'thread').map(({ printed }) => printed)).toEqual(['M8 x 20']));
});

describe('numbers that are no torques', () => {
  it('are the class behind a size', () =>
    expect(torques('Torques      M10 10.9    55 Nm\n             M12 8.8     79 Nm\n')).toEqual(['55 N·m', '79 N·m']));
  it('are not counts either, where they are stages', () => {
    const text = '4 New U-bolts 1/2-20, 4 hi-nuts/side. TQ 30, 60, 85 ft-lb.';
    const [torque] = kinds(text, 'torque');
    expect(torque?.value).toMatchObject({ max: 85, unit: 'lbf·ft' });
    expect(torque?.value.kind === 'torque' && torque.value.stages?.length).toBe(3);
    expect(kinds(text, 'count').map(({ printed }) => printed)).toEqual(['4 hi-nuts']);
  });
  it('are not the whole part of a length', () =>
    expect(
      kinds('Six bolts of half-inch UNF, two and a half inches long.', 'count').map(({ printed }) => printed),
    ).toEqual(['Six bolts']));
});

describe('a note that has no unit at all', () => {
  const note = 'top M10 → 45\nwheel bolts M14 → 130, star\n';
  it('is read in newton metres for its metric threads, and each figure is doubted for it', () => {
    const found = facts(note);
    expect(torques(note)).toEqual(['45 N·m', '130 N·m']);
    const codes = [...doubts(found)].flatMap(([at, { code }]) => (found[at]?.value.kind === 'torque' ? [code] : []));
    expect(codes).toEqual(['noUnit', 'noUnit']);
  });
  it('is not where a unit stands anywhere', () => expect(torques(`${note}clamp 18 ft-lb\n`)).toEqual(['18 lbf·ft']));
});

describe('words of another English', () => {
  it.each([
    ['To the threads of M8 middle strength glue is applied.', 'threadlockerMedium'],
    ['Thread the studs in, a drop of red on each.', 'threadlockerHigh'],
    ['Blue TL on M12 only.', 'threadlockerMedium'],
    ['The bolts must coat anti-seizing oil.', 'antiSeize'],
  ])('%s', (text, compound) => expect(kinds(text, 'compound')[0]?.value).toMatchObject({ compound }));
  it.each(['no lock on those', 'dont grease the ball', 'nothing whatever on the others'])('%s goes on dry', (text) => {
    expect(kinds(text, 'dry')).toHaveLength(1);
    expect(kinds(text, 'compound')).toEqual([]);
  });
  it('is no compound that dries, tests or is on already', () => {
    expect(kinds('10 minutes for the paint to dry. Soap test.', 'compound')).toEqual([]);
    expect(kinds('Sealant on threads is already on, add nothing.', 'compound')).toEqual([]);
  });
  it('reads full-width signs and steps typed without a space', () => {
    const text = '1、Put the strip under the bracket, torsion 20～22N·m.\n2、Lock the lamp.\n3、Wire pass hole.\n';
    expect(kinds(text, 'torque')[0]?.value).toMatchObject({ min: 20, max: 22 });
    expect(readSheet(text).steps.map(({ number }) => number)).toEqual(['1', '2', '3']);
  });
});

describe('how far the work is', () => {
  it.each(['When the ladder lies level, pull the screws.', 'When both brackets sit flush, start the nuts.'])(
    '%s is no branch',
    (text) => expect(kinds(text, 'condition')).toEqual([]),
  );
  it('is not mistaken for a vehicle', () =>
    expect(kinds('Cars of 2019 and 2020. The studs are M12.', 'condition')[0]?.value).toMatchObject({
      from: 2019,
      to: 2020,
    }));
});
