import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import type { StationMark } from '#core/job/station-progress.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { openKit } from '#demo/try-job.ts';
import { all, draw, inSvg, number, points } from '../test/drawn.tsx';
import { BoltMap, MapLegend } from './BoltMap.tsx';
import { hexagon, MARK_TEXT, StationGlyph } from './StationGlyph.tsx';

afterEach(cleanup);

describe('a station’s state', () => {
  const MARKS = Object.keys(MARK_TEXT) as StationMark[];
  it('is told by shape: no two states are drawn with the same outlines', () => {
    const shapes = MARKS.map((mark) => {
      const drawn = inSvg(<StationGlyph mark={mark} />);
      const shape = all(drawn, 'circle, polygon, path').map(
        (part) =>
          `${part.tagName} ${part.getAttribute('d') ?? part.getAttribute('points') ?? part.getAttribute('r')} ${part.getAttribute('stroke-dasharray')}`,
      );
      cleanup();
      return shape.join('|');
    });
    expect(new Set(shapes).size).toBe(MARKS.length);
  });
  it('a verified one has two stripes where one at torque has one', () => {
    const stripes = (mark: StationMark) =>
      all(inSvg(<StationGlyph mark={mark} />), 'path[stroke="#ffd21f"]').map(
        (path) => path.getAttribute('d')?.match(/M/g)?.length,
      );
    expect(stripes('atTorque')).toEqual([1]);
    cleanup();
    expect(stripes('verified')).toEqual([2]);
  });
  it('the next one stands in a disc, and a long label is written smaller', () => {
    expect(all(inSvg(<StationGlyph mark="snug" label="L10" next />), 'circle[fill="#ffd21f"]')).toHaveLength(1);
    expect(number(screen.getByText('L10'), 'font-size')).toBeLessThan(15);
  });
  it('a hexagon is as wide across its flats as it says', () => {
    const xs = hexagon(30)
      .split(' ')
      .map((pair) => Number(pair.split(',')[0]));
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(30, 9);
  });
  it('the legend names the marks it is given', () => {
    draw(<MapLegend marks={['empty', 'bad']} />);
    expect(screen.getAllByRole('listitem').map((item) => item.textContent)).toEqual(['empty', 'must be loosened']);
  });
});

describe('the bolt map', () => {
  const { plan } = openKit(TRANSFER_CASE_GUARD);
  const [group] = plan.groups;
  if (!group) throw new Error('a group');
  const stations = plan.stations.filter((station) => station.groupId === group.id);
  const map = (over: Partial<React.ComponentProps<typeof BoltMap>> = {}) => (
    <BoltMap group={group} stations={stations} marks={new Map()} {...over} />
  );
  it('has every station where the kit puts it, and all of them on the sheet', () => {
    const drawn = draw(map());
    expect(screen.getAllByRole('img')).toHaveLength(stations.length);
    const [left = 0, top = 0, width = 0, height = 0] = (drawn.querySelector('svg')?.getAttribute('viewBox') ?? '')
      .split(' ')
      .map(Number);
    for (const { xMm, yMm } of stations) {
      expect(drawn.querySelector(`g[transform^="translate(${xMm} ${yMm})"]`)).not.toBeNull();
      expect(xMm).toBeGreaterThan(left);
      expect(xMm).toBeLessThan(left + width);
      expect(yMm).toBeGreaterThan(top);
      expect(yMm).toBeLessThan(top + height);
    }
  });
  it('what has not begun is empty; the next one is said to be', () => {
    const [first] = stations;
    draw(map({ next: first?.id, marks: new Map([[stations[1]?.id ?? '', 'verified']]) }));
    expect(screen.getByRole('img', { name: `Station ${first?.label}, 1 of 6, empty, next` })).toBeVisible();
    expect(screen.getByRole('img', { name: `Station ${stations[1]?.label}, 2 of 6, verified` })).toBeVisible();
  });
  it('a station is pressed with the finger and with Enter, and with nothing else', () => {
    const onStation = jest.fn();
    draw(map({ onStation }));
    const [button] = screen.getAllByRole('button') as [HTMLElement];
    fireEvent.click(button);
    fireEvent.keyDown(button, { key: 'Enter' });
    fireEvent.keyDown(button, { key: 'x' });
    expect(onStation.mock.calls).toEqual([[stations[0]?.id], [stations[0]?.id]]);
  });
  it('the way goes through what is given, a station that is gone left out', () => {
    const [a, b] = stations;
    const drawn = draw(map({ path: [a?.id ?? '', 'gone', b?.id ?? ''] }));
    expect(points(drawn.querySelector('polyline'))).toEqual([
      [a?.xMm, a?.yMm],
      [b?.xMm, b?.yMm],
    ]);
    cleanup();
    expect(draw(map({ path: [a?.id ?? ''] })).querySelector('polyline')).toBeNull();
  });
  it('the call stands at its station, towards the middle', () => {
    const right = [...stations].sort((a, b) => b.xMm - a.xMm)[0];
    draw(map({ next: right?.id, call: { title: 'Pull to 10 N·m', note: 'first of two' } }));
    expect(screen.getByText('Pull to 10 N·m')).toHaveAttribute('text-anchor', 'end');
    expect(screen.getByText('first of two')).toBeVisible();
  });
  const viewBox = (drawn: HTMLElement) => {
    const [left = 0, top = 0, width = 0, height = 0] = (drawn.querySelector('svg')?.getAttribute('viewBox') ?? '')
      .split(' ')
      .map(Number);
    return { left, right: left + width, top, bottom: top + height };
  };
  it('a call is inside the map however narrow that is', () => {
    const narrow = stations.slice(0, 3).map((station, index) => ({ ...station, xMm: 10, yMm: index * 200 }));
    const drawn = draw(
      map({
        group: { ...group, map: { ...group.map, shapes: [] } },
        stations: narrow,
        next: narrow[0]?.id,
        call: { title: 'Start by hand, three turns' },
      }),
    );
    const box = viewBox(drawn);
    const text = screen.getByText('Start by hand, three turns');
    const [at, size] = [Number(text.getAttribute('x')), Number(text.getAttribute('font-size'))];
    // A condensed letter is less than half as wide as it is high.
    const end =
      at + (text.getAttribute('text-anchor') === 'end' ? -1 : 1) * (text.textContent ?? '').length * size * 0.5;
    for (const x of [at, end]) {
      expect(x).toBeGreaterThanOrEqual(box.left);
      expect(x).toBeLessThanOrEqual(box.right);
    }
  });
  it('stations closer than their signs are drawn apart, each led back to its hole', () => {
    const close = stations
      .slice(0, 4)
      .map((station, index) => ({ ...station, xMm: [0, 4, 500, 900][index] ?? 0, yMm: 0 }));
    const drawn = draw(map({ stations: close }));
    const at = [...drawn.querySelectorAll('[role=img] > g')].map((sign) =>
      Number(/translate\(([-\d.]+)/.exec(sign.getAttribute('transform') ?? '')?.[1]),
    );
    const size =
      Number(/scale\(([\d.]+)/.exec(drawn.querySelector('[role=img] > g')?.getAttribute('transform') ?? '')?.[1]) * 44;
    expect((at[1] ?? 0) - (at[0] ?? 0)).toBeGreaterThanOrEqual(size * 0.99);
    expect(at.slice(2)).toEqual([500, 900]);
    expect([...drawn.querySelectorAll('[data-lead] circle')].map((dot) => Number(dot.getAttribute('cx')))).toEqual([
      0, 4,
    ]);
  });
  it('draws every kind of outline, with its words in its middle', () => {
    const shapes = [
      { kind: 'rect', xMm: 0, yMm: 0, widthMm: 100, heightMm: 40, tone: 'part', label: 'Plate' },
      { kind: 'circle', xMm: 50, yMm: 90, radiusMm: 10, tone: 'vehicle', label: 'Hub' },
      {
        kind: 'polygon',
        points: [
          [0, 0],
          [30, 0],
          [0, 30],
        ],
        tone: 'part',
        label: 'Gusset',
      },
    ] as never;
    const drawn = draw(map({ group: { ...group, map: { ...group.map, shapes } } }));
    expect(drawn.querySelector('rect')).toHaveAttribute('width', '100');
    expect([number(screen.getByText('Plate'), 'x'), number(screen.getByText('Plate'), 'y')]).toEqual([50, 20]);
    expect([number(screen.getByText('Hub'), 'x'), number(screen.getByText('Hub'), 'y')]).toEqual([50, 90]);
    expect([number(screen.getByText('Gusset'), 'x'), number(screen.getByText('Gusset'), 'y')]).toEqual([10, 10]);
  });
});
