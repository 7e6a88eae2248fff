import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup } from '@testing-library/react';
import { all, draw, number } from '../test/drawn.tsx';
import { VehicleOutline } from './VehicleOutline.tsx';

afterEach(cleanup);

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
