import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { AdjusterBody } from './AdjusterBody.tsx';
import { BoreAndPin } from './BoreAndPin.tsx';
import { CastleNut } from './CastleNut.tsx';
import { HoleRings } from './HoleRings.tsx';
import { InteractionRing } from './InteractionRing.tsx';
import { JointSection } from './JointSection.tsx';
import { Lever } from './Lever.tsx';
import { StudStackDrawing } from './StudStack.tsx';
import { ThreadCombs } from './ThreadCombs.tsx';
import { TwinRule } from './TwinRule.tsx';
import { WaitRule } from './WaitRule.tsx';

afterEach(cleanup);

const draw = (what: React.ReactElement): HTMLElement => {
  const { container } = render(what);
  expect(container.innerHTML).not.toMatch(/NaN|Infinity|undefined/);
  return container;
};
const all = (from: Element, selector: string): Element[] => [...from.querySelectorAll(selector)];
const number = (from: Element | null | undefined, name: string): number => Number(from?.getAttribute(name));

describe('the lever', () => {
  const lever = (offsetMm: number, angleDeg: number) =>
    draw(<Lever wrenchMm={400} offsetMm={offsetMm} angleDeg={angleDeg} label="lever" />);
  const drive = (drawn: HTMLElement) => drawn.querySelectorAll('line')[1];
  it('in line the fastener lies beyond the drive, away from the hand; across beside it; folded back behind', () => {
    const x = (angle: number) => {
      const line = drive(lever(60, angle));
      cleanup();
      return [number(line, 'x1') - number(line, 'x2'), number(line, 'y1') - number(line, 'y2')] as const;
    };
    expect(x(0)[0]).toBeLessThan(0);
    expect(x(90)[0]).toBeCloseTo(0, 6);
    expect(Math.abs(x(90)[1])).toBeGreaterThan(0);
    expect(x(180)[0]).toBeGreaterThan(0);
  });
  it('lengths are to scale with each other', () => {
    const drawn = lever(100, 0);
    const [line, wrench] = [drive(drawn), drawn.querySelector('rect')];
    expect(number(wrench, 'width') / (number(line, 'x2') - number(line, 'x1'))).toBeCloseTo(4, 6);
    expect(screen.getByText('E 100 mm, 0°')).toBeVisible();
  });
  it('without an offset says none', () => {
    lever(0, 0);
    expect(screen.queryByText(/^E /)).toBeNull();
  });
});

describe('the castle nut', () => {
  it('has as many slots as it is said to, and shows what is left to the next', () => {
    const drawn = draw(<CastleNut slots={6} pastDeg={45} label="nut" />);
    expect(all(drawn, 'g[transform^="rotate"]')).toHaveLength(6);
    expect(screen.getByText('15° on')).toBeVisible();
  });
  it('turned past, its slots stand past the hole by as much', () => {
    const drawn = draw(<CastleNut slots={8} pastDeg={10} label="nut" />);
    expect(drawn.querySelector('g[transform^="rotate"]')).toHaveAttribute('transform', 'rotate(10 210 140)');
  });
});

describe('the castle nut’s next slot', () => {
  const met = (pastDeg: number) => {
    const drawn = draw(<CastleNut slots={6} pastDeg={pastDeg} label="nut" />);
    const slot = drawn.querySelector('g > rect[fill="var(--band)"]')?.parentElement?.getAttribute('transform');
    cleanup();
    return slot;
  };
  it('is the one the hole meets when the nut goes on, never the one behind it', () => {
    // 45° past of 60: the slot at 345° is 15° short of the hole at the top.
    expect(met(45)).toBe('rotate(345 210 140)');
    expect(met(0)).toBe('rotate(0 210 140)');
  });
  it('has six corners that turn with it, and a pin hole through the bolt that does not', () => {
    const paths = (pastDeg: number) => {
      const drawn = draw(<CastleNut slots={6} pastDeg={pastDeg} label="nut" />);
      const found = [drawn.querySelector('path'), drawn.querySelector('path[stroke-dasharray]')].map((path) =>
        path?.getAttribute('d'),
      );
      cleanup();
      return found;
    };
    expect(paths(10)[0]).not.toBe(paths(40)[0]);
    expect(paths(10)[0]?.match(/[ML]/g)).toHaveLength(6);
    expect(paths(10)[1]).toBe(paths(40)[1]);
  });
});

describe('bore and pin', () => {
  const pin = (interferenceMm: number) => {
    const drawn = draw(<BoreAndPin interferenceMm={interferenceMm} boreC={120} pinC={-18} label="fit" />);
    const r = number(drawn.querySelectorAll('circle')[2], 'r');
    cleanup();
    return r;
  };
  it('a tight pin is drawn larger than the bore, a loose one smaller, and neither without bound', () => {
    expect(pin(0.02)).toBeGreaterThan(pin(0));
    expect(pin(-0.02)).toBeLessThan(pin(0));
    expect(pin(50)).toBe(pin(1));
  });
  it('says how warm each is', () => {
    draw(<BoreAndPin interferenceMm={0} boreC={119.6} pinC={-18} label="fit" />);
    expect(screen.getByText('120 °C')).toBeVisible();
    expect(screen.getByText('-18 °C')).toBeVisible();
  });
});

describe('the joint in section', () => {
  const joint = (washer?: { outsideMm: number; thicknessMm: number }) =>
    draw(
      <JointSection
        diameterMm={10}
        bearingMm={14.63}
        holeMm={11}
        headMm={6.4}
        gripMm={25}
        engagedMm={8}
        into="nut"
        washer={washer}
        label="joint"
      />,
    );
  it('shows a washer between head and part, to scale with the bolt, and none where there is none', () => {
    expect(joint().querySelector('[data-washer]')).toBeNull();
    cleanup();
    const washer = joint({ outsideMm: 20, thicknessMm: 2 }).querySelector('[data-washer]');
    expect(number(washer, 'width') / number(washer, 'height')).toBeCloseTo(10, 6);
  });
});

describe('the stud in its stack', () => {
  const stack = (over: Partial<React.ComponentProps<typeof StudStackDrawing>> = {}) =>
    draw(
      <StudStackDrawing
        studMm={45}
        spacerMm={10}
        wheelMm={12}
        engagementMm={12}
        neededMm={12}
        nominalMm={12}
        label="stack"
        {...over}
      />,
    );
  it('spacer, wheel and mesh are to scale and stand one after the other', () => {
    const drawn = stack();
    const [, spacer, wheel] = all(drawn, 'rect');
    expect(number(spacer, 'width') / number(wheel, 'width')).toBeCloseTo(10 / 12, 6);
    expect(number(spacer, 'x') + number(spacer, 'width')).toBeCloseTo(number(wheel, 'x'), 6);
    expect(screen.getByText('in mesh: needs 12.0, has 12.0 mm')).toBeVisible();
  });
  it('what is missing of the thread is dashed; enough has none', () => {
    expect(stack().querySelector('rect[stroke="var(--bad)"]')).toBeNull();
    cleanup();
    const lack = stack({ engagementMm: 8 }).querySelector('rect[stroke="var(--bad)"]');
    cleanup();
    const more = stack({ engagementMm: 4 }).querySelector('rect[stroke="var(--bad)"]');
    expect(number(more, 'width')).toBeCloseTo(2 * number(lack, 'width'), 6);
  });
  it('thread in mesh has no compound’s colour', () => {
    const drawn = stack();
    expect(drawn.innerHTML).not.toMatch(/--(medium|high|low|antiSeize|anti-seize|grease|sealant)\b/);
    expect(all(drawn, 'line').length).toBeGreaterThan(3);
  });
  it('without a spacer there is none; a closed nut has its end', () => {
    const open = all(stack({ spacerMm: 0 }), 'rect').length;
    cleanup();
    expect(all(stack({ spacerMm: 0, blindDepthMm: 15 }), 'rect').length).toBe(open + 1);
  });
});

describe('the adjustable link', () => {
  const link = (after: [number, number], turns: number, movingEnds: 1 | 2 = 2) =>
    draw(
      <AdjusterBody before={[22, 22]} after={after} needed={14} movingEnds={movingEnds} turns={turns} label="link" />,
    );
  it('says how far and which way; which end is short is red', () => {
    const drawn = link([10, 20], 2.5);
    expect(screen.getByText('2.50 turns, longer')).toBeVisible();
    expect(all(drawn, 'rect[fill="var(--bad)"]')).toHaveLength(1);
    cleanup();
    link([24, 24], -1, 1);
    expect(screen.getByText('1.00 turns, shorter')).toBeVisible();
    expect(screen.getByText('one end moves')).toBeVisible();
  });
  it('an end that came out is drawn with nothing in mesh, not with less than nothing', () => {
    const drawn = link([-4, 22], 10);
    for (const rect of all(drawn, 'rect')) expect(number(rect, 'width')).toBeGreaterThanOrEqual(0);
  });
});

describe('holes, threads and rules', () => {
  it('holes are rings to scale with each other, the largest outermost', () => {
    const rings = [
      { text: 'drill', diameterMm: 8.5, kind: 'cut' as const },
      { text: 'bolt', diameterMm: 10, kind: 'thread' as const },
      { text: 'faint', diameterMm: 5, kind: 'faint' as const },
    ];
    const circles = all(draw(<HoleRings rings={rings} label="holes" />), 'circle').map((circle) => number(circle, 'r'));
    expect(circles[1]).toBeCloseTo((circles[0] ?? 0) * 0.85, 6);
    expect(circles[2]).toBeCloseTo((circles[0] ?? 0) * 0.5, 6);
    expect(screen.getByText('8.50 mm, 0.335 in')).toBeVisible();
  });
  it('a finer thread has more teeth on the same length; the measured pitch lies beneath', () => {
    const drawn = draw(
      <ThreadCombs
        combs={[
          { name: 'M10 × 1.5', pitchMm: 1.5, diameterMm: 10 },
          { name: 'M10 × 1', pitchMm: 1, diameterMm: 10 },
        ]}
        measuredPitchMm={1.45}
        label="combs"
      />,
    );
    const teeth = all(drawn, 'path').map((path) => (path.getAttribute('d')?.match(/L/g)?.length ?? 0) / 2);
    expect(teeth).toEqual([8, 12, 8]);
    expect(drawn.querySelector('path[stroke="var(--bad)"]')).not.toBeNull();
  });
  it('two rules with one pointer: the same place is the same quantity', () => {
    const pointer = (value: number) => {
      const drawn = draw(<TwinRule value={value} first="N·m" second="lbf·ft" label="rule" />);
      const d = drawn.querySelector('path[stroke-width="4"]')?.getAttribute('d') ?? '';
      cleanup();
      return Number(/M([\d.]+)/.exec(d)?.[1]);
    };
    expect(pointer(50)).toBeCloseTo(pointer(500), 6);
    draw(<TwinRule value={0} first="N·m" second="lbf·ft" label="rule" />);
    expect(screen.getByRole('img', { name: 'rule' })).toBeVisible();
  });
  it('a temperature below nothing keeps its sign, and the other rule its own zero', () => {
    const drawn = draw(<TwinRule value={-20} first="°C" second="°F" label="cold" />);
    // From −32 to 0 °C over 600 px: −20 stands at 3/8 of them; 0 °C is 32 °F at the right end.
    expect(
      Number(/M([\d.]+)/.exec(drawn.querySelector('path[stroke-width="4"]')?.getAttribute('d') ?? '')?.[1]),
    ).toBeCloseTo(20 + (600 * 12) / 32, 6);
  });
  it('waits stand in their order on one rule, each from where the one before ends', () => {
    const drawn = draw(<WaitRule windowMin={10} fixtureMin={30} fullMin={1440} label="waits" />);
    const rects = all(drawn, 'rect');
    for (const [at, rect] of rects.slice(1).entries())
      expect(number(rects[at], 'x') + number(rects[at], 'width')).toBeCloseTo(number(rect, 'x'), 6);
    expect(screen.getByText('full load')).toBeVisible();
  });
  it('a wait longer than the rule stays on it', () => {
    const drawn = draw(<WaitRule windowMin={0.2} fixtureMin={3000} fullMin={100_000} label="waits" />);
    for (const rect of all(drawn, 'rect')) expect(number(rect, 'x') + number(rect, 'width')).toBeLessThanOrEqual(621);
  });
});

describe('the joint cut through', () => {
  const joint = {
    diameterMm: 10,
    bearingMm: 16,
    holeMm: 11,
    headMm: 6.5,
    gripMm: 20,
    engagedMm: 10,
    into: 'tapped' as const,
    label: 'joint',
  };
  it('fits its sheet however long the bolt', () => {
    for (const gripMm of [2, 20, 400]) {
      const drawn = draw(<JointSection {...joint} gripMm={gripMm} />);
      for (const rect of all(drawn, 'rect')) {
        expect(number(rect, 'y') + number(rect, 'height')).toBeLessThanOrEqual(301);
        expect(number(rect, 'width')).toBeGreaterThanOrEqual(0);
      }
      cleanup();
    }
  });
  it('draws a cone only where one is asked for', () => {
    const without = all(draw(<JointSection {...joint} />), 'path, polygon').length;
    cleanup();
    expect(all(draw(<JointSection {...joint} coneSlope={0.5} />), 'path, polygon').length).toBeGreaterThan(without);
  });
  it('a note stands beneath', () => {
    draw(<JointSection {...joint} into="nut" note="grip as an example" />);
    expect(screen.getByText('grip as an example')).toBeVisible();
  });
});

describe('the ring of bolts that unload one another', () => {
  const shares = [
    [1, 0, 0],
    [0.9, 1, 0],
    [0.8, 0.9, 1],
  ];
  const ring = () => draw(<InteractionRing shares={shares} pulled={[0, 1, 2]} order={[0, 1, 2]} />);
  it('begins at the end, and any pull can be looked at', () => {
    ring();
    expect(screen.getByText('pull 3/3')).toBeVisible();
    fireEvent.change(screen.getByRole('slider'), { target: { value: '0' } });
    expect(screen.getByText('pull 1/3')).toBeVisible();
    expect(screen.getByLabelText('After pull 1 of 3')).toBeVisible();
  });
  it('plays from the first pull, and stops when told', () => {
    ring();
    fireEvent.click(screen.getByRole('button', { name: 'Play' }));
    expect(screen.getByText('pull 1/3')).toBeVisible();
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
    expect(screen.getByRole('button', { name: 'Play' })).toBeVisible();
  });
});
