import { describe, expect, it } from '@jest/globals';
import { REFUSALS } from './en/refusals.ts';
import { WHY_NOTES, WHY_OF, type WhyId } from './en/why.ts';

const ids = Object.keys(WHY_NOTES) as WhyId[];

describe('why it is so', () => {
  it('no refusal is without a reason, and no reason stands behind nothing', () => {
    expect(Object.keys(WHY_OF).sort()).toEqual(Object.keys(REFUSALS).sort());
    const used = new Set(Object.values(WHY_OF));
    expect(ids.filter((id) => !used.has(id))).toEqual([]);
  });
  it.each(ids)('%s says why, what to do, and where it comes from, briefly', (id) => {
    const { title, why, next, source } = WHY_NOTES[id];
    expect(title).toMatch(/^Why /);
    for (const text of [why, next, source]) expect(text).toMatch(/[.]$/);
    expect(why.split(/[.:;] /).length).toBeGreaterThan(1);
    expect(why.length).toBeLessThan(420);
    expect(next.length).toBeLessThan(140);
    expect(source).toMatch(/practice|ISO|VDI|SAE|ASME|NIST|sheets|rule of this application/);
  });
  it('a reason is told once: no two begin alike', () => {
    expect(new Set(ids.map((id) => WHY_NOTES[id].why.slice(0, 40))).size).toBe(ids.length);
  });
});
