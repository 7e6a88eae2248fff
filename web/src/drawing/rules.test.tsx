import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { acceptBand } from '#core/tightening/kinds.ts';
import { all, draw, number } from '../test/drawn.tsx';
import { PhaseRule, rulePhases } from './PhaseRule.tsx';
import { TorqueGauge } from './TorqueGauge.tsx';
import { TorqueRule } from './TorqueRule.tsx';

afterEach(cleanup);

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
