import { describe, expect, it } from '@jest/globals';
import { drafted, joints } from './fixture/drafted.ts';
import { isName, nameIn, trimmedName } from './noun-phrase.ts';

describe('a name', () => {
  it.each([
    'Hanger screws',
    'Bracket to crossmember',
    'Lock nut of ball',
    'M8 bolts next to oil filter',
    'Through bolts',
    'Swing arm pivot',
    'Coilover, lower',
    'Rear ones',
    'Front L',
    'Spring lift',
    'Belly pan bolts',
    'ABS lead bracket M6',
  ])('%s', (title) => expect(isName(title)).toBe(true));
  it.each([
    'Not exceed',
    'Is enough',
    'To ft. lbs',
    'Top nut is and wants **',
    'Kit says',
    'Should vehicle have third row seats',
    'Close collars',
    'Lower bolt only with car standing on its wheels',
    'Lamp on',
    'Provisionally',
    'BALL = NM',
  ])('is not %s', (title) => expect(isName(title)).toBe(false));
});

describe('a title that is nearly a name', () => {
  it.each([
    ['Rehang exhaust', 'Exhaust'],
    ['Awning itself', 'Awning'],
    ['Hub nut, stage stage stage', 'Hub nut'],
    ['Bell housing, upper four', 'Bell housing, upper'],
    ['Ring gear bolts diagonally', 'Ring gear bolts'],
    ['True of core bolt', 'Core bolt'],
    ['Lamp on', 'Lamp'],
    ['Lock nuts', 'Lock nuts'],
  ])('%s is %s', (title, name) => expect(trimmedName(title)).toBe(name));
  it.each(['Kit says', 'Maker prints', 'Not exceed', 'Note to figure', 'Half'])('%s holds none', (title) =>
    expect(trimmedName(title)).toBeUndefined(),
  );
});

describe('what a sentence names', () => {
  it.each([
    ['Lower bolt only with car standing on its wheels', 'Lower bolt'],
    ['Shackle pins are another matter: nip', 'Shackle pins'],
    ['Last word from maker: clamp bolts', 'Clamp bolts'],
    ['counter with the dome nuts', 'Dome nuts'],
    ['Oh and plug bracket', 'Plug bracket'],
    ['U-bolts over, then the centre bolt', 'Centre bolt'],
  ])('%s is %s', (text, name) => expect(nameIn(text, 3)).toBe(name));
  it('is no fastener that nothing tells from another', () => {
    expect(nameIn('the six new hex bolts', 4)).toBeUndefined();
    expect(nameIn('the seat bolts', 4)).toBe('Seat bolts');
  });
});

describe('a joint whose own sentence names nothing', () => {
  const titles = (text: string) => joints(drafted(text)).map(({ title }) => title);
  it('is named by what stands above in its step, and never by half a sentence', () =>
    expect(titles('1. Set the slotted nuts on the studs. Go to 22 lbf ft and no further.\n2. Lower it.\n')).toEqual([
      'Slotted nuts on studs',
    ]));
  it('is named by the row above where its own says `torque`', () =>
    expect(
      titles(
        'BRAKES\n\n            FRONT            REAR\nbracket     2x M12x1.5x35    2x M10x1.25x30\n  torque    115 Nm           64 Nm\ncaliper     2x M14x1.5x40    2x M12x1.25x40\n  torque    150 Nm           85 Nm\n',
      ),
    ).toEqual(['Bracket', 'Bracket', 'Caliper', 'Caliper']));
});
