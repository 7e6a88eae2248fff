import { describe, expect, it } from '@jest/globals';
import { FRONT_BALL_JOINTS, FRONT_BRAKE_HOSES } from '#demo/kits.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { cornerGrid } from './corner-grid.ts';
import { resolveVisit } from './resolve-visit.ts';
import { kitPrefix, type VisitKit } from './visit.ts';

const gridOf = (documents: KitDocument[], answers = {}) => {
  const kits: VisitKit[] = [];
  for (const document of documents) kits.push({ document, prefix: kitPrefix(kits, document.id) });
  const resolved = resolveVisit(kits, {}, answers);
  if (!resolved.ok) throw new Error(JSON.stringify(resolved.error));
  return cornerGrid(resolved.value);
};
const names = (parts: Array<{ name: string; onlyHere: boolean }>) =>
  parts.map(({ name, onlyHere }) => `${name}${onlyHere ? ' !' : ''}`);

describe('parts by corner', () => {
  it('stand at the end their words or their joints say, left beside right', () => {
    const [front, ...others] = gridOf([FRONT_BALL_JOINTS]);
    expect(front?.end).toBe('front');
    expect(names(front?.left ?? [])).toContain('Upper ball joint, left');
    expect(front?.right.find(({ comesOff }) => !comesOff)).toMatchObject({
      name: 'Upper ball joint, right',
      mark: 'R',
      onlyHere: false,
    });
    // The old joint says neither end, and its joints are none of the kit's.
    expect(others.map(({ end, left }) => [end, names(left)])).toEqual([
      ['either', ['Caliper bolts', 'Old upper ball joint']],
    ]);
  });
  it('what one side has alone is told; what two kits take off there stands once', () => {
    const rows = gridOf([FRONT_BRAKE_HOSES, FRONT_BALL_JOINTS], { bought: 'left' });
    const all = rows.flatMap(({ left, right }) => [...left, ...right]);
    expect(names(all)).toContain('Brake hose, left !');
    expect(all.filter(({ name }) => name === 'Front caliper')).toHaveLength(2);
  });
  it('wheels and their nuts are half at each corner', () => {
    const [front] = gridOf([FRONT_BALL_JOINTS]);
    const at = (parts: Array<{ name: string; quantity: number }> = []) =>
      parts.filter(({ name }) => /wheel/.test(name)).map(({ name, quantity }) => `${quantity} ${name}`);
    expect(at(front?.left)).toEqual(['1 Front wheels', '6 Front wheel nuts']);
    expect(at(front?.right)).toEqual(at(front?.left));
  });
  it('a kit that has no sides has no grid', () => {
    expect(cornerGrid({ items: [], removed: [], groups: [], shared: [] })).toEqual([]);
  });
});
