import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { FromWrench, ToWrench } from '../wrench-stream.ts';
import { LineReader, readInstrumentLine, targetLine } from './instrument-line.ts';
import { PairedWrench } from './paired-wrench.ts';

const SAMPLES = ['S,0,0,0.1', 'S,20,1.5,4.2', 'S,40,3,12'];

describe('lines of an instrument', () => {
  it('say the same as cells and as JSON', () => {
    for (const [cells, json] of [
      ['H,HL-3105,82,0.1', { say: 'hello', serial: 'HL-3105', battery: 0.82, zeroNm: 0.1 }],
      ['H,HL-3105', { say: 'hello', serial: 'HL-3105' }],
      ['B,40,0', { say: 'status', battery: 0.4, zeroNm: 0 }],
      ['S,120,14.5,31.2', { say: 'sample', ms: 120, deg: 14.5, nm: 31.2 }],
      ['C,46.1', { say: 'click', nm: 46.1 }],
      ['E', { say: 'end' }],
    ] as const) {
      expect(readInstrumentLine(cells)).toEqual(json);
      expect(readInstrumentLine(JSON.stringify(json))).toEqual(json);
    }
  });
  it.each(['S,120,abc,3', 'S,1,2', '{"say":"sample"', 'Z,1', 'H,', '{"say":"end","x":1}', '\u0000\u0001', 'B,250'])(
    '%j is told as not understood, with the line',
    (line) => expect(readInstrumentLine(line)).toMatchObject({ say: 'fault', reason: 'notKnown' }),
  );
  it('are put together from any pieces, with noise between them', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 40 }), (sizes) => {
        const text = `H,HL-1\r\n${SAMPLES.join('\n')}\n\n#?!garbage\n${SAMPLES[2]}\nE\n`;
        const reader = new LineReader();
        const heard = [];
        let at = 0;
        for (let turn = 0; at < text.length; turn++) {
          const size = sizes[turn % sizes.length] as number;
          heard.push(...reader.feed(text.slice(at, at + size)));
          at += size;
        }
        expect(heard.map(({ say }) => say)).toEqual(['hello', 'sample', 'sample', 'sample', 'fault', 'sample', 'end']);
      }),
    ));
  it('that never end are dropped with a word, and what comes after is read', () => {
    const reader = new LineReader();
    const heard = [...reader.feed('x'.repeat(600)), ...reader.feed('y'.repeat(600)), ...reader.feed('\nE\n')];
    expect(heard).toEqual([expect.objectContaining({ say: 'fault', reason: 'tooLong' }), { say: 'end' }]);
  });
  it('are answered in the writing the instrument greeted in', () => {
    expect(targetLine('csv', 46.123, 43, 49)).toBe('T,46.12,43,49\n');
    expect(JSON.parse(targetLine('ndjson', 46.123, 43, 49))).toEqual({
      say: 'target',
      targetNm: 46.12,
      minNm: 43,
      maxNm: 49,
    });
  });
});

/** A transport that says what the test wants, and keeps what was said back. */
function paired(expected: { serial?: string } = { serial: 'HL-3105' }) {
  const said: FromWrench[] = [];
  const wrench = new PairedWrench({ label: 'W-2', fullScaleNm: 100, ...expected }, (message) => said.push(message));
  const arm = (over: Partial<Extract<ToWrench, { type: 'arm' }>> = {}) =>
    wrench.arm({ type: 'arm', station: 's1', targetNm: 46, standingNm: 0, nominalMm: 10, ...over });
  const types = () => said.map(({ type }) => type);
  const hears = (...lines: string[]) => {
    for (const line of lines) wrench.hear(`${line}\n`);
  };
  const faults = () => said.flatMap((message) => (message.type === 'fault' ? [message.code] : []));
  return { wrench, said, arm, types, hears, faults };
}
/** A pull to a torque: a sample every 20 ms, two degrees each. */
const pullTo = (nm: number, fromMs = 0) => [
  ...Array.from({ length: 25 }, (_, at) => `S,${fromMs + at * 20},${at * 2},${((nm * at) / 24).toFixed(2)}`),
  `S,${fromMs + 520},48,1`,
];

describe('a paired instrument', () => {
  it('is let in by its serial, told its target, and read to the end of its pull', () => {
    const { said, arm, types, hears } = paired();
    arm();
    expect(types()).toEqual([]);
    hears('H,hl 3105,80,0.2');
    expect(types()).toEqual(['paired', 'tell', 'armed']);
    expect(said[1]).toMatchObject({ text: 'T,46,46,46\n' });
    hears(...pullTo(47));
    const frames = said.filter(({ type }) => type === 'frame');
    expect(frames.length).toBe(26);
    expect(types().filter((type) => type === 'click')).toHaveLength(1);
    expect(said.at(-1)).toEqual({ type: 'end', station: 's1', peakNm: 47, angleDeg: 0, movementDeg: 48 });
  });
  it('counts only what the nut turned, where it held torque before', () => {
    const { said, arm, hears } = paired();
    hears('H,HL-3105');
    arm({ standingNm: 23 });
    hears(...pullTo(47));
    const end = said.at(-1);
    // Nine tenths of 23 N·m are reached after 22 degrees of winding up.
    expect(end).toMatchObject({ type: 'end', movementDeg: 26 });
  });
  it('that is another one is refused by its name, and nothing of it is taken', () => {
    const { said, arm, hears, faults } = paired();
    arm();
    hears('H,HL-3109,80,0');
    expect(faults()).toEqual(['otherInstrument']);
    expect(said[0]).toMatchObject({ message: expect.stringContaining('This is HL-3109. W-2 is HL-3105') });
    hears(...pullTo(47));
    expect(said).toHaveLength(1);
  });
  it('is taken by whatever name where none is on file', () => {
    const { types, hears } = paired({});
    hears('H,anything');
    expect(types()).toEqual(['paired']);
  });
  it('pulls nothing with a flat battery, nor before it is at zero', () => {
    const flat = paired();
    flat.arm();
    flat.hears('H,HL-3105,3,0', ...pullTo(47));
    expect(flat.faults()).toEqual(['batteryFlat']);
    expect(flat.types()).not.toContain('armed');
    const off = paired();
    off.arm();
    off.hears('H,HL-3105,80,1.6', ...pullTo(47));
    expect(off.faults()).toEqual(['zeroOff']);
    off.hears('B,80,0.1');
    expect(off.types().slice(-2)).toEqual(['tell', 'armed']);
    off.hears(...pullTo(47));
    expect(off.said.at(-1)).toMatchObject({ type: 'end', peakNm: 47 });
  });
  it('says of garbage what it was, and loses nothing of the pull', () => {
    const { said, arm, hears, faults } = paired();
    hears('H,HL-3105');
    arm();
    const lines = pullTo(47);
    hears(...lines.slice(0, 10), '¤¤¤', ...lines.slice(10));
    expect(faults()).toEqual(['lineUnread']);
    expect(said.at(-1)).toMatchObject({ type: 'end', peakNm: 47, movementDeg: 48 });
  });
  it('a frame that comes late does not pull the gauge back', () => {
    const { said, arm, hears } = paired();
    hears('H,HL-3105');
    arm();
    const lines = pullTo(47);
    const late = lines.splice(6, 1);
    hears(...lines.slice(0, 12), ...late, ...lines.slice(12));
    const times = said.flatMap((message) => (message.type === 'frame' ? [message.atMs] : []));
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(said.at(-1)).toMatchObject({ type: 'end', peakNm: 47 });
  });
  it('whose line breaks in the middle of a pull gives no reading of half a pull, and goes on when it is back', () => {
    const { said, arm, hears, faults, wrench } = paired();
    hears('H,HL-3105');
    arm();
    hears(...pullTo(47).slice(0, 12));
    wrench.lost();
    expect(faults()).toEqual(['lineLost']);
    hears('E');
    expect(said.map(({ type }) => type)).not.toContain('end');
    hears('H,HL-3105');
    expect(said.at(-1)).toMatchObject({ type: 'armed' });
    hears(...pullTo(46.5, 9000));
    expect(said.at(-1)).toMatchObject({ type: 'end', peakNm: 46.5 });
  });
  it('is armed anew for every pull: a second pull for nothing gives nothing', () => {
    const { said, arm, hears } = paired();
    hears('H,HL-3105');
    arm();
    hears(...pullTo(47));
    const before = said.length;
    hears(...pullTo(47, 2000));
    expect(said).toHaveLength(before);
  });
});
