import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import { all, draw } from '../test/drawn.tsx';
import TimeRing, { countdown } from './TimeRing.tsx';

afterEach(cleanup);

describe('what is left of a time', () => {
  it.each([
    [0, '0:00'],
    [59, '0:59'],
    [432, '7:12'],
    [3599.9, '59:59'],
    [3600, '1:00:00'],
    [86_345, '23:59:05'],
  ])('%s s reads %s', (seconds, text) => expect(countdown(seconds)).toBe(text));
  it('is drawn as a share of the ring, never over the whole of it', () => {
    const arcs = (share: number) =>
      all(draw(<TimeRing share={share} text="" className="" label="left" />), 'path').map((path) =>
        path.getAttribute('d'),
      );
    const [whole, full] = arcs(1);
    expect(full).toBe(whole);
    expect(arcs(7)[1]).toBe(whole);
    expect(arcs(0.5)[1]).not.toBe(whole);
    expect(arcs(-1)[1]).toBe(arcs(0)[1]);
  });
  it('is named where no words beside it say it, and silent where they do', () => {
    draw(<TimeRing share={0.5} text="7:12" className="" label="How far the wait is" />);
    expect(screen.getByRole('img', { name: 'How far the wait is' })).toBeVisible();
    cleanup();
    draw(<TimeRing share={0.5} text="7:12" className="" />);
    expect(screen.queryByRole('img')).toBeNull();
  });
});
