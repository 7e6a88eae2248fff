import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import type { PlanItem } from '#core/kit/plan.ts';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { openKit } from '#demo/try-job.ts';
import { all, draw, number } from '../test/drawn.tsx';
import { StackDrawing } from './StackDrawing.tsx';

afterEach(cleanup);

describe('the stack of a station', () => {
  const { plan } = openKit(FRONT_RECOVERY_POINTS, { shield: true });
  const items = new Map(plan.items.map((entry) => [entry.id, entry]));
  const station = plan.stations.find(({ compound }) => compound !== undefined) ?? plan.stations[0];
  if (!station) throw new Error('a station');
  const clamped = (thicknessMm: number) => ({ kind: 'clamped' as const, name: `Plate of ${thicknessMm}`, thicknessMm });
  it('is named from head to nut, with what is on the thread', () => {
    draw(
      <StackDrawing
        station={station}
        items={items}
        compound={{ id: 'l', kind: 'threadlockerMedium', name: 'Medium' } as never}
      />,
    );
    const label = screen.getByRole('img').getAttribute('aria-label') ?? '';
    for (const piece of station.stack)
      expect(label).toContain(piece.kind === 'clamped' ? piece.name : (items.get(piece.item)?.name ?? piece.item));
    expect(label).toMatch(/on the thread$/);
  });
  it('has a layer for each piece but the bolt, each beneath the one before', () => {
    const drawn = draw(<StackDrawing station={station} items={items} />);
    const layers = station.stack.filter(
      (piece) => piece.kind === 'clamped' || !['bolt', 'pin'].includes(items.get(piece.item)?.kind ?? ''),
    );
    const rects = all(drawn, 'svg > rect').slice(0, layers.length);
    let y = 0;
    for (const rect of rects) {
      expect(number(rect, 'y')).toBeCloseTo(y, 6);
      y += number(rect, 'height');
    }
  });
  it('a thick part is cut short and a thin one thickened, so that both are seen', () => {
    const thick = { ...station, stack: [clamped(300), clamped(0.1)] };
    const [a, b] = all(draw(<StackDrawing station={thick} items={items} />), 'svg > rect');
    expect(number(a, 'height')).toBeLessThan(60);
    expect(number(b, 'height')).toBeGreaterThanOrEqual(2);
  });
  it('a stud reaches over the part and has no head; a countersunk head is level with it', () => {
    const [bolt] = [...items.values()].filter(({ kind }) => kind === 'bolt');
    if (!bolt) throw new Error('a bolt');
    const as = (over: Partial<PlanItem>) =>
      draw(
        <StackDrawing
          station={{ ...station, stack: [{ kind: 'hardware', item: bolt.id }, clamped(10)] }}
          items={new Map([[bolt.id, { ...bolt, ...over }]])}
        />,
      );
    const stud = as({ kind: 'stud' });
    expect(Math.min(...all(stud, 'svg > rect').map((rect) => number(rect, 'y')))).toBeLessThan(0);
    expect(all(stud, 'svg > rect')).toHaveLength(2);
    cleanup();
    const sunk = as({ head: 'countersunk' });
    expect(Math.min(...all(sunk, 'svg > rect').map((rect) => number(rect, 'y')))).toBe(0);
    expect(sunk.querySelector('path[d^="M-"]')).not.toBeNull();
  });
  it('a piece the plan does not have is drawn and named all the same', () => {
    draw(<StackDrawing station={{ ...station, stack: [{ kind: 'hardware', item: 'ghost' }] }} items={items} />);
    expect(screen.getByRole('img')).toHaveAttribute('aria-label', expect.stringContaining('ghost'));
    expect(screen.getByRole('img').outerHTML).not.toMatch(/NaN|Infinity/);
  });
});
