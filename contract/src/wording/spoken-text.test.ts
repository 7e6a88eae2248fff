import { describe, expect, it } from '@jest/globals';
import type { NextStep } from '#core/job/next-station.ts';
import { TORQUE_UNITS } from '#core/quantity/unit.ts';
import type { AcceptBand } from '#core/tightening/band.ts';
import { SPOKEN_UNIT } from './en/spoken.ts';
import { forTheEar, spokenJoint } from './spoken-text.ts';

const station = { label: '4', name: 'Plate right, outer' };
const band: AcceptBand = { targetNm: 63, minNm: 60, maxNm: 66 };

describe('what a joint wants, for the ear', () => {
  it('is the figure, its unit in words, and where', () => {
    expect(spokenJoint({ kind: 'pull', station: 's4', pass: 0 }, station, band, 'N·m')).toBe(
      '63 newton metres. Station 4, Plate right, outer.',
    );
  });
  it('never says pound inches for pound feet', () => {
    const said = TORQUE_UNITS.map((unit) => spokenJoint({ kind: 'pull', station: 's4', pass: 0 }, station, band, unit));
    expect(new Set(said).size).toBe(TORQUE_UNITS.length);
    for (const [at, unit] of TORQUE_UNITS.entries()) expect(said[at]).toContain(SPOKEN_UNIT[unit]);
  });
  it('tells the angle behind a torque, and what is never passed', () => {
    const angle = { targetDeg: 90, minDeg: 85, maxDeg: 95 };
    const said = spokenJoint(
      { kind: 'pull', station: 's4', pass: 0 },
      station,
      { ...band, angle, absoluteMaximumNm: 80 },
      'N·m',
    );
    expect(said).toBe('63 newton metres, then 90 degrees. Station 4, Plate right, outer. Never over 80 newton metres.');
  });
  it.each<[NextStep, string]>([
    [{ kind: 'start', station: 's4' }, 'Start by hand. Station 4, Plate right, outer.'],
    [{ kind: 'compound', station: 's4' }, 'Bead. Station 4, Plate right, outer.'],
    [{ kind: 'snug', station: 's4' }, 'Snug. Station 4, Plate right, outer.'],
    [{ kind: 'loosen', station: 's4' }, 'Loosen. Station 4, Plate right, outer.'],
    [{ kind: 'stage', station: 's4', stage: 1 }, 'Stage 2. Station 4, Plate right, outer.'],
    [{ kind: 'confirmStop', station: 's4' }, 'To its stop. Station 4, Plate right, outer.'],
    [{ kind: 'done' }, 'Group done.'],
  ])('%j', (step, said) => expect(spokenJoint(step, station, undefined, 'N·m')).toBe(said));
  it('is nothing where no station is in hand', () =>
    expect(spokenJoint({ kind: 'snug', station: 's4' }, undefined, undefined, 'N·m')).toBe(''));
});

describe('a text of the screen, for the ear', () => {
  it.each([
    ['Bolt M10 × 1.25, 46 lbf·ft', 'Bolt M 10 by 1.25, 46 pound feet'],
    ['80–100 lbf·in', '80 to 100 pound inches'],
    ['Turn 90° ± 5°', 'Turn 90 degrees plus or minus 5 degrees'],
    ['Gap ≥ 12 mm', 'Gap at least 12 millimetres'],
    ['Cool to 40 °C', 'Cool to 40 degrees Celsius'],
    ['Plate and bracket', 'Plate and bracket'],
  ])('%s', (text, said) => expect(forTheEar(text)).toBe(said));
});
