import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import type { StationMark } from '#core/job/station-progress.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { acceptBand } from '#core/tightening/kinds.ts';
import { FRONT_RECOVERY_POINTS, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { openKit } from '#demo/try-job.ts';
import { BoltMap, MapLegend } from './BoltMap.tsx';
import { ControlChart } from './ControlChart.tsx';
import { Curve } from './Curve.tsx';
import { HardwareDrawing } from './HardwareDrawing.tsx';
import { hardwareShape } from './hardware-shape.ts';
import { PhaseRule, rulePhases } from './PhaseRule.tsx';
import { StackDrawing } from './StackDrawing.tsx';
import { hexagon, MARK_TEXT, StationGlyph } from './StationGlyph.tsx';
import { TorqueGauge } from './TorqueGauge.tsx';
import { TorqueRule } from './TorqueRule.tsx';
import { VehicleOutline } from './VehicleOutline.tsx';

afterEach(cleanup);

const draw = (what: React.ReactElement): HTMLElement => render(what).container;
const inSvg = (what: React.ReactElement): HTMLElement => draw(<svg aria-hidden="true">{what}</svg>);
const all = (from: Element, selector: string): Element[] => [...from.querySelectorAll(selector)];
const number = (from: Element | null | undefined, name: string): number => Number(from?.getAttribute(name));
const points = (polygon: Element | null): Array<[number, number]> =>
  (polygon?.getAttribute('points') ?? '').split(' ').map((pair) => pair.split(',').map(Number) as [number, number]);

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
    expect(screen.getByRole('img', { name: `Station ${first?.label}, empty, next` })).toBeVisible();
    expect(screen.getByRole('img', { name: `Station ${stations[1]?.label}, verified` })).toBeVisible();
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

describe('a piece of hardware', () => {
  const item = (over: Partial<PlanItem>): PlanItem =>
    ({ id: 'i', line: '1', name: 'Piece', kind: 'bolt', quantity: 1, ...over }) as PlanItem;
  const drawn = (over: Partial<PlanItem>, pxPerMm = 4) =>
    draw(<HardwareDrawing item={item(over)} pxPerMm={pxPerMm} />).querySelector('svg') as SVGSVGElement;
  it('is drawn at true size: its length and a head are as many pixels as the glass has to the millimetre', () => {
    const bolt = { thread: 'M10 x 1.5', lengthMm: 30, head: 'hex' } as const;
    const [two, four] = [number(drawn(bolt, 2), 'width'), number(drawn(bolt, 4), 'width')];
    expect(four).toBeCloseTo(2 * two, 6);
    // Head 0.65 d and shank, and a little air.
    expect(four / 4).toBeGreaterThanOrEqual(30 + 6.5);
    expect(four / 4).toBeLessThan(30 + 6.5 + 6);
  });
  it('a long one is drawn smaller and says by how much', () => {
    const svg = drawn({ thread: 'M10', lengthMm: 200, head: 'hex' });
    expect(svg).toHaveAttribute('aria-label', expect.stringMatching(/^Piece, drawn 1 to 3$/));
    expect(screen.getByText('1:3')).toBeVisible();
    expect(number(svg, 'width') / 4).toBeLessThanOrEqual(78 * 1.01);
  });
  it.each<[string, Partial<PlanItem>]>([
    ['socket cap', { thread: 'M8', lengthMm: 20, head: 'socketCap' }],
    ['flange', { thread: 'M8', lengthMm: 20, head: 'hexFlange' }],
    ['nut', { kind: 'nut', thread: 'M8' }],
    ['castle nut', { kind: 'nut', thread: 'M12', head: 'castle' }],
    ['washer', { kind: 'washer', outsideMm: 20, insideMm: 10.5, thicknessMm: 2 }],
    ['pin', { kind: 'pin', lengthMm: 30 }],
    ['insert', { kind: 'insert', outsideMm: 12 }],
    ['insert by its thread', { kind: 'insert', thread: 'M10 x 1.5' }],
    ['stud', { kind: 'stud', thread: 'M12 x 1.25', lengthMm: 50 }],
    ['coupler', { kind: 'coupler', thread: 'M10 x 1.5', lengthMm: 30 }],
    ['collar', { kind: 'collar', outsideMm: 24, insideMm: 12 }],
    ['countersunk', { thread: 'M8', lengthMm: 25, head: 'countersunk' }],
    ['part', { kind: 'part', lengthMm: 60 }],
    ['a thread no one can read', { thread: 'M-ten', lengthMm: 20 }],
    ['nothing known', {}],
  ])('%s is drawn with sizes that are numbers', (_, over) => {
    const svg = drawn(over);
    expect(svg.outerHTML).not.toMatch(/NaN|Infinity|undefined/);
    expect(number(svg, 'width')).toBeGreaterThan(0);
    expect(all(svg, 'path, rect, circle, polygon, line').length).toBeGreaterThan(0);
  });
  it('a countersunk screw is as long as its whole length, its head in it (ISO 888); a stud has no head', () => {
    const air = 2;
    for (const over of [
      { thread: 'M8', lengthMm: 25, head: 'countersunk' },
      { kind: 'stud', thread: 'M8', lengthMm: 25 },
    ] as const)
      expect(number(drawn(over), 'width') / 4).toBeCloseTo(25 + air, 6);
    const hex = number(drawn({ thread: 'M8', lengthMm: 25, head: 'hex' }), 'width') / 4;
    expect(hex).toBeGreaterThan(25 + 0.65 * 8);
  });
  it('no two kinds look alike', () => {
    const looks = (['bolt', 'stud', 'coupler', 'insert', 'nut', 'pin', 'washer'] as const).map(
      (kind) => drawn({ kind, thread: 'M10 x 1.5', lengthMm: 30 }).innerHTML,
    );
    expect(new Set(looks).size).toBe(looks.length);
  });
  it('one that is missing is drawn faint', () =>
    expect(
      draw(<HardwareDrawing item={item({ thread: 'M8' })} pxPerMm={4} missing />).querySelector('svg'),
    ).toHaveAttribute('opacity', '0.35'));
  it('its shape follows its data, and the standard where the data is silent (ISO 4014: 16 mm for M10; ISO 4762: 8)', () => {
    expect(hardwareShape(item({ thread: 'M10', head: 'hex' })).acrossFlatsMm).toBe(16);
    expect(hardwareShape(item({ thread: 'M10', head: 'hex', acrossFlatsMm: 17 })).acrossFlatsMm).toBe(17);
    expect(hardwareShape(item({ thread: 'M10', head: 'socketCap' }))).toMatchObject({
      acrossFlatsMm: 8,
      headHeightMm: 10,
    });
    expect(hardwareShape(item({ thread: '3/8-16' })).diameterMm).toBeCloseTo(9.525, 3);
    expect(hardwareShape(item({ kind: 'washer', outsideMm: 21 }))).toMatchObject({ diameterMm: 21, thread: undefined });
  });
});

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

describe('a live torque', () => {
  const band = acceptBand({ kind: 'torque', targetNm: 50, toleranceFraction: 0.1 });
  if (!band) throw new Error('a band');
  const gauge = (torqueNm?: number, clicked = false, unit: 'N·m' | 'lbf·ft' = 'N·m') =>
    draw(<TorqueGauge band={band} unit={unit} torqueNm={torqueNm} live="wrench W-3" clicked={clicked} />);
  const pointer = (drawn: HTMLElement) => drawn.querySelector('path');
  it('without a pull has a band and no pointer', () => {
    expect(pointer(gauge())).toBeNull();
    expect(screen.getByRole('img', { name: 'wrench W-3' })).toBeVisible();
  });
  it('points at what is read, black before the click and yellow after', () => {
    const before = pointer(gauge(40));
    expect(before).toHaveAttribute('fill', 'var(--ink)');
    const at = Number(/H([\d.]+)/.exec(before?.getAttribute('d') ?? '')?.[1]);
    cleanup();
    const after = pointer(gauge(55, true));
    expect(after).toHaveAttribute('fill', '#ffd21f');
    expect(Number(/H([\d.]+)/.exec(after?.getAttribute('d') ?? '')?.[1])).toBeGreaterThan(at);
  });
  it('the band lies where its limits do; the target inside it', () => {
    const drawn = gauge(50);
    const rect = drawn.querySelector('rect');
    const [from, to] = [number(rect, 'x'), number(rect, 'x') + number(rect, 'width')];
    const target = number(drawn.querySelector('line[stroke-width="4"]'), 'x1');
    expect(target).toBeGreaterThan(from);
    expect(target).toBeLessThan(to);
  });
  it('far over the scale it stays on the sheet and says the true figure', () => {
    const drawn = gauge(500);
    expect(screen.getByText('500.0')).toBeVisible();
    expect(drawn.innerHTML).not.toMatch(/NaN|Infinity/);
  });
  it('in the other unit the same place has another figure', () => {
    gauge(50, false, 'lbf·ft');
    expect(screen.getByRole('img', { name: 'wrench W-3, 36.9 lbf·ft' })).toBeVisible();
  });
  it('a band without an upper end still has a scale', () => {
    const open = { ...band, maxNm: Number.POSITIVE_INFINITY };
    expect(draw(<TorqueGauge band={open} unit="N·m" live="w" clicked={false} />).innerHTML).not.toMatch(/NaN|Infinity/);
  });
});

describe('the torques of a kit on one rule', () => {
  const marks = [
    { key: 'a', nm: 10, name: 'Guard' },
    { key: 'b', nm: 120, name: 'Twelve times', bad: true },
    { key: 'c', nm: 40, name: 'Here', here: true },
  ];
  it('equal ratios are equal distances', () => {
    const drawn = draw(<TorqueRule marks={[10, 20, 40].map((nm) => ({ key: String(nm), nm, name: '' }))} />);
    const at = all(drawn, 'g[transform]').map((g) =>
      Number(/translate\(([\d.]+)/.exec(g.getAttribute('transform') ?? '')?.[1]),
    );
    expect((at[1] ?? 0) - (at[0] ?? 0)).toBeCloseTo((at[2] ?? 0) - (at[1] ?? 0), 6);
  });
  it('one that is off says its figure, and may be pressed', () => {
    const onMark = jest.fn();
    draw(<TorqueRule marks={marks} onMark={onMark} />);
    fireEvent.click(screen.getByRole('button', { name: /^Twelve times, 120.0 newton metres, off its neighbours/ }));
    fireEvent.keyDown(screen.getByRole('button', { name: /^Guard/ }), { key: 'Enter' });
    expect(onMark.mock.calls).toEqual([['b'], ['a']]);
    expect(screen.getByText('120')).toBeVisible();
  });
  it('without a torque says so', () => {
    draw(<TorqueRule marks={[]} />);
    expect(screen.getByText('No torque yet.')).toBeVisible();
  });
});

describe('joints on the vehicle', () => {
  const dot = (along: number, across: number, done: boolean) => ({
    key: `${along} ${across}`,
    spot: { along, across },
    done,
    label: `at ${along}`,
  });
  it('the nose is at the left and the driver’s left below; done is full, open dashed', () => {
    const drawn = draw(<VehicleOutline title="Joints" dots={[dot(0.1, -0.5, true), dot(0.9, 0.5, false)]} />);
    const [front, rear] = all(drawn, 'circle') as [Element, Element];
    expect(number(front, 'cx')).toBeLessThan(number(rear, 'cx'));
    expect(number(front, 'cy')).toBeGreaterThan(number(rear, 'cy'));
    expect(front).not.toHaveAttribute('stroke-dasharray');
    expect(rear).toHaveAttribute('stroke-dasharray');
    expect(drawn.querySelector('title')?.textContent).toBe('at 0.1');
  });
});

describe('the phases of a job', () => {
  const phase = (name: string, done: number, of: number) => ({ phase: name, done, of }) as never;
  const rule = (at: string, ...phases: never[]) =>
    draw(
      <MemoryRouter initialEntries={[at]}>
        <PhaseRule phases={rulePhases(phases)} />
      </MemoryRouter>,
    );
  it('a kit that takes nothing off has neither strip nor refit', () => {
    expect(
      rulePhases([phase('checkIn', 0, 4), phase('strip', 0, 0), phase('refit', 0, 0)]).map(({ to }) => to),
    ).toEqual(['receive', 'check-in']);
    expect(rulePhases([phase('strip', 1, 2), phase('refit', 0, 2)]).map(({ title }) => title)).toEqual([
      'Receive',
      'Strip',
      'Refit',
    ]);
  });
  it('ticks fill as steps are done; a little done shows at once, all only when all is', () => {
    const filled = (done: number) => {
      const drawn = rule('/x', phase('torque', done, 24));
      const ticks = all(drawn.querySelectorAll('svg')[1] as Element, 'line[stroke="#ffd21f"]').length;
      cleanup();
      return ticks;
    };
    expect([filled(0), filled(1), filled(24)]).toEqual([0, 1, 10]);
    expect(filled(23)).toBeLessThanOrEqual(10);
  });
  it('where one stands is pointed at; the leaves of receiving are part of it', () => {
    rule('/jobs/1/conflicts', phase('torque', 0, 2));
    expect(screen.getByRole('link', { name: /^Receive/ })).toHaveClass('text-paint');
    expect(screen.getByRole('link', { name: /^Torque/ })).not.toHaveClass('text-paint');
  });
});

describe('a curve', () => {
  const curve = (over: Partial<React.ComponentProps<typeof Curve>> = {}) =>
    draw(
      <Curve
        label="Load over torque"
        xLabel="torque"
        yLabel="load"
        series={[
          {
            key: 's',
            label: 'load',
            points: [
              [0, 0],
              [50, 20],
              [100, 40],
            ],
          },
        ]}
        {...over}
      />,
    );
  it('is straight where its points are, and its frame holds it', () => {
    const drawn = curve();
    const path = drawn.querySelector('g[clip-path] path')?.getAttribute('d') ?? '';
    const at = [...path.matchAll(/([\d.]+),([\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]) as [number, number][];
    expect(at).toHaveLength(3);
    const [[x0, y0], [x1, y1], [x2, y2]] = at as [[number, number], [number, number], [number, number]];
    expect((y1 - y0) / (x1 - x0)).toBeCloseTo((y2 - y1) / (x2 - x1), 6);
    expect(y2).toBeLessThan(y0);
  });
  it('limits are lines with their names; one outside its scale is left out', () => {
    curve({
      limits: [
        { y: 30, text: 'proof', bad: true },
        { x: 500, text: 'far away' },
        { x: 50, text: 'half' },
      ],
    });
    expect(screen.getByText('proof')).toBeVisible();
    expect(screen.getByText('half')).toBeVisible();
    expect(screen.queryByText('far away')).toBeNull();
  });
  it('a second scale stands on top, in its own unit', () => {
    curve({ xOther: { label: 'lbf·ft', factor: 0.7376 } });
    expect(screen.getByText('lbf·ft')).toBeVisible();
  });
  it('marks, bands and a logarithmic scale are drawn in numbers', () => {
    const drawn = curve({
      log: true,
      series: [
        {
          key: 's',
          label: 'strength',
          points: [
            [1, 0],
            [10, 10],
            [100, 95],
          ],
          dashed: true,
          tone: 'faint',
        },
      ],
      band: {
        label: 'range',
        points: [
          [1, 0, 1],
          [100, 80, 99],
        ],
      },
      marks: [{ x: 10, y: 10, text: 'fixture' }],
      xTicks: [{ at: 10, text: 'ten' }],
    });
    expect(drawn.innerHTML).not.toMatch(/NaN|Infinity/);
    expect(screen.getByText('ten')).toBeVisible();
    expect(screen.getByText('fixture')).toBeVisible();
  });
});

describe('the checks of a wrench', () => {
  const point = (value: number, worst = value, calibration = false) => ({
    value,
    worst,
    calibration,
    label: `${value}`,
  });
  const chart = (points: ReturnType<typeof point>[]) =>
    draw(<ControlChart points={points} permissible={0.04} label="Deviation" />);
  it('without any says so, and with few when its own limits begin', () => {
    chart([]);
    expect(screen.getByText('no check-pull yet')).toBeVisible();
    cleanup();
    chart([point(0.01), point(0.012)]);
    expect(screen.getByText(/2 checks, oldest left; own limits from/)).toBeVisible();
    expect(screen.queryByText('own limit')).toBeNull();
  });
  it('one out of what is allowed is a cross, a calibration an open ring', () => {
    const drawn = chart([point(0, 0, true), point(0.01), point(0.02, 0.05)]);
    expect(all(drawn, 'path[stroke="var(--bad)"]')).toHaveLength(1);
    expect(all(drawn, 'circle[fill="var(--sheet)"]')).toHaveLength(1);
    expect(all(drawn, 'circle[fill="var(--ink)"]')).toHaveLength(1);
  });
  it('from enough checks on it has limits of its own, and rings what stands out', () => {
    const steady = Array.from({ length: 14 }, (_, at) => point(at % 2 === 0 ? 0.002 : -0.002));
    const drawn = chart([...steady, point(0.03)]);
    expect(screen.getAllByText('own limit')).toHaveLength(2);
    expect(all(drawn, 'circle[stroke="var(--bad)"]').length).toBeGreaterThan(0);
  });
});
