import { describe, expect, it } from '@jest/globals';
import { readSheet } from './read-sheet.ts';

/** Each torque as `figure unit`, with a question mark where it is doubted. */
const torques = (text: string) =>
  readSheet(text).facts.flatMap(({ value, confidence }) =>
    value.kind === 'torque' ? [`${value.max} ${value.unit}${confidence < 0.9 ? ' ?' : ''}`] : [],
  );

describe('figures without a unit', () => {
  it.each([
    // The sheet says its unit once.
    [
      'All my figures here are newton metres. The lower ones go to 75. The uppers get 60, with a 6 mm key.',
      ['75 N·m ?', '60 N·m ?'],
    ],
    ['Torques in Nm. Four M10 x 35, two per bush, 50, with a smear of grease.', ['50 N·m ?']],
    ['ALL TORQUES FT-LB UNLESS NOTED\n1. Tighten: frame 52, tube 84.', ['52 lbf·ft ?', '84 lbf·ft ?']],
    ['Torques in Nm. Hang the cover on the socket screws, 30, 8 mm hex.', ['30 N·m ?']],
    // It is the only unit of the sheet, and the figure stands behind a size as it is said.
    [
      'Eighty eight newton metres on both. Then four little ones, M8, twenty four. Next, M14, one hundred and thirty five.',
      ['88 N·m', '24 N·m ?', '135 N·m ?'],
    ],
    [
      'LCA frame -> 148 ft lb\nLCA axle -> 125\nUCA ends -> 92\ntrack bar -> 130 (new flag nut)',
      ['148 lbf·ft ?', '125 lbf·ft ?', '92 lbf·ft ?', '130 lbf·ft ?'],
    ],
  ])('%s', (text, expected) => expect(torques(text)).toEqual(expected));

  it.each([
    'Torques in Nm. Fit the M12 x 40, 10.9, with two washers each.',
    'Torques in Nm. Drawing 4410, sheet 2 goes to page 12.',
    'Torques in Nm. Bolts, 4, and washers, 8 mm thick.',
    // Two units: a bare figure may be in either.
    'Eighty eight newton metres, or sixty five foot pounds. Then four little ones, M8, twenty four.',
  ])('reads none in: %s', (text) => expect(torques(text).filter((torque) => torque.endsWith('?'))).toEqual([]));
});

describe('digits a scanner set apart', () => {
  it('are one number, and doubted', () => {
    expect(torques('M10 bolt to body bush, 4 0  Nm')).toEqual(['40 N·m ?']);
    expect(torques('Wheel nuts 1 2 0 Nm')).toEqual(['120 N·m ?']);
  });
  it('go on with their unit on the next line', () => expect(torques('Torque  8 5\nN m  dry .')).toEqual(['85 N·m ?']));
  it('are never a torque of nothing', () => expect(torques('M8 screws 0 Nm')).toEqual([]));
});

describe('fields that say their unit in their name', () => {
  it('`torque_nm: 48`', () => expect(torques('- name: cradle\n  qty: 4\n  torque_nm: 48')).toEqual(['48 N·m ?']));
  it('the same below in another unit is one torque', () => {
    const { facts } = readSheet('- name: cradle\n  fastener: M8x25\n  torque_nm: 22\n  torque_ftlb: 16');
    expect(facts.filter(({ value }) => value.kind === 'torque').map(({ value }) => value)).toMatchObject([
      { max: 22, unit: 'N·m', pair: { max: 16, unit: 'lbf·ft', agrees: true } },
    ]);
  });
});

describe('columns for dry and for lubricated threads', () => {
  const table = (last: string) =>
    `ALL TORQUES FT-LB\nLOC   FASTENER           QTY  DRY   LUBED\nA     1/2-13 X 1-1/2      4   80    65\nB     3/8-16 X 1          6   30    24\n${last}`;
  it('has each row in the column that the sheet names', () =>
    expect(torques(table('USE THE LUBED COLUMN WITH ANTI-SEIZE ON A. B GOES ON DRY.'))).toEqual([
      '65 lbf·ft ?',
      '30 lbf·ft ?',
    ]));
  it('has all in one column where no letter is named', () =>
    expect(torques(table('Use the dry column.'))).toEqual(['80 lbf·ft ?', '30 lbf·ft ?']));
  it('forbids nothing by the heading `DRY`', () =>
    expect(readSheet(table('Use the lubed column.')).facts.filter(({ value }) => value.kind === 'dry')).toEqual([]));
});

describe('a figure that is taken back further on', () => {
  const text =
    'Two M16 x 120 through the neck, 200 Nm.\nNeck bolts are 210 Nm since issue D, the 200 was for the M14 neck.';
  it('is no target, and its size is nobody’s', () => {
    expect(torques(text)).toEqual(['210 N·m']);
    expect(readSheet(text).facts.flatMap(({ value }) => (value.kind === 'thread' ? [value.designation] : []))).toEqual([
      'M16 × 2',
    ]);
  });
});

describe('rows with a leader', () => {
  it('go on in the unit of their first', () =>
    expect(
      torques(
        'hoop to frame ....... 1/2-13 ..... 75 ft-lbs\nshock upper ......... 50\nshock lower ......... 65 (weight on it)\n',
      ),
    ).toEqual(['75 lbf·ft', '50 lbf·ft ?', '65 lbf·ft ?']));
  it('have none where only the last says one', () =>
    expect(torques('roof bars ...... 8\nclamps ......... 4\nskid plate ..... 35 ft-lb\n')).toEqual(['35 lbf·ft']));
});

describe('a program’s own numbers and brackets', () => {
  const card = `[10] Open tailgate. (tool: trim lever)
[20] Position brackets L/R on rivnuts. [4x M8x20] [class 8.8]
[30] Torque bracket screws [24 Nm] [both brackets]
[40] Fit anti-rattle pads [M5x12, qty 6, 4 Nm] [blue locker]
[50] Fold trim back. [check: no rattle at 30 km/h]
[60] Recheck [30] after [500 km]`;
  const { facts, steps } = readSheet(card);
  it('number the steps', () => expect(steps.map(({ number }) => number)).toContain('30'));
  it('hold what is in them', () => {
    expect(torques(card)).toEqual(['24 N·m', '4 N·m']);
    expect(facts.flatMap(({ value }) => (value.kind === 'count' ? [value.count] : []))).toEqual([4, 2, 6]);
    expect(facts.flatMap(({ value }) => (value.kind === 'compound' ? [value.compound] : []))).toEqual([
      'threadlockerMedium',
    ]);
  });
  it('keep a speed from coming due', () =>
    expect(facts.flatMap(({ value }) => (value.kind === 'aftercare' ? [value.distanceKm] : []))).toEqual([500]));
});

it('takes a bare ceiling behind a figure for its end', () => {
  const [torque] = readSheet('Nip them up, then 19 Nm. Do not overdo it, the bar is alu, 22 is the most.').facts.filter(
    ({ value }) => value.kind === 'torque',
  );
  expect(torque?.value).toMatchObject({ max: 19, limitNm: 22 });
});

it('reads the drawing office’s notes: a size in brackets, a tolerance behind the figure', () => {
  const notes = `1. ALL DIMENSIONS IN MM. TORQUES IN N.m.
2. FASTENERS ITEM 4 (M12x1.75x30, 10.9, 6 OFF) TO 90 +10/-0, ZONE B3.
3. ITEM 6 SHOULDER SCREW TO SEAT BY HAND, THEN 15.
4. RE-TORQUE AT FIRST SERVICE, 1000 KM.`;
  const { facts } = readSheet(notes);
  expect(facts.flatMap(({ value }) => (value.kind === 'torque' ? [[value.min, value.max]] : []))).toEqual([
    [90, 100],
    [15, 15],
  ]);
  expect(facts.flatMap(({ value }) => (value.kind === 'aftercare' ? [value.distanceKm] : []))).toEqual([1000]);
});

it('knows a German fitter’s short words', () => {
  const { facts } = readSheet(
    'Winde: 4x M12x40, 45 Nm, kreuzweise, mittelfest sichern\nNachziehen nach 100 km\nab Bj. 2021: Halter versetzen',
  );
  expect(facts.map(({ value }) => value)).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ kind: 'pattern', pattern: 'cross' }),
      expect.objectContaining({ kind: 'compound', compound: 'threadlockerMedium' }),
      expect.objectContaining({ kind: 'aftercare', distanceKm: 100 }),
      expect.objectContaining({ kind: 'condition', from: 2021 }),
    ]),
  );
});
