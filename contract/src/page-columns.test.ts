import { describe, expect, it } from '@jest/globals';
import { type PagePiece, pageText } from './page-columns.ts';

const WIDE = 5;
/** Lines of a column, set at a left edge from a height down. */
const column = (x: number, top: number, lines: readonly string[], step = 13): PagePiece[] =>
  lines.map((text, row) => ({ text, x, end: x + WIDE * text.length, y: top - step * row }));

const LEFT = [
  '1. Lift the seal along the gutter and clean',
  'the channel with a dry cloth.',
  '2. Slide the four M8 nuts in, two per side,',
  'and leave them loose.',
  '3. Put the feet on.',
];
const RIGHT = [
  '4. Tighten the eight M6 screws to 9 Nm, the',
  'middle ones first.',
  '5. Tighten the M8 nuts to 22 Nm with a',
  'socket on a long extension.',
  '6. Retighten after 150 km.',
];

describe('a page of two columns', () => {
  it('is read down the left one and then down the right one, whatever their lines stand at', () => {
    expect(pageText([...column(40, 700, LEFT), ...column(300, 698.3, RIGHT, 13.6)])).toBe(
      [...LEFT, ...RIGHT].join('\n'),
    );
    expect(pageText([...column(40, 700, LEFT), ...column(300, 700, RIGHT)])).toBe([...LEFT, ...RIGHT].join('\n'));
  });
  it('keeps a title across both where it stands', () => {
    const title = column(60, 500, ['Second part, in which both columns begin again below this very line of the sheet']);
    const text = pageText([
      ...column(40, 700, LEFT),
      ...column(300, 700, RIGHT),
      ...title,
      ...column(40, 480, ['7. Then', ...LEFT]),
      ...column(300, 480, ['8. Last', ...RIGHT]),
    ]);
    expect(text.split('\n').slice(9, 13)).toEqual(['6. Retighten after 150 km.', title[0]?.text, '7. Then', LEFT[0]]);
  });
});

describe('a page of one column', () => {
  it('a table stays line by line, its cells parted', () => {
    const joints = ['Upper arm bolt', 'lower arm nut', 'link nut', 'brake hose bracket', 'wheel nut'];
    const figures = ['135 N·m', '165 N·m', '44 N·m', '21 N·m', '130 N·m'];
    expect(pageText([...column(40, 700, joints), ...column(360, 700, figures)]).split('\n')[1]).toBe(
      'lower arm nut   165 N·m',
    );
  });
  it('prose alone and nothing at all', () => {
    expect(pageText(column(40, 700, LEFT))).toBe(LEFT.join('\n'));
    expect(pageText([])).toBe('');
  });
  it('words of a line come together with their spaces', () => {
    const word = (text: string, x: number): PagePiece => ({ text, x, end: x + WIDE * text.length, y: 10 });
    expect(pageText([word('bolts', 68), word('Tighten', 30), word('!', 93.2)])).toBe('Tighten bolts!');
  });
});
