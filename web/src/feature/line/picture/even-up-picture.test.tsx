import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import type { Symmetry } from '#core/kit/kit-preparation.ts';
import { evenUp } from '#core/line/even-up.ts';
import { EvenUpPicture } from './EvenUpPicture.tsx';

afterEach(cleanup);

const draw = (symmetry: Symmetry, left: number, right: number) => {
  const even = evenUp(
    { id: 'c', text: '', unit: 'mm', places: ['left', 'right'], spread: 1, symmetry },
    { 'at left': left, 'at right': right },
  );
  if (even) render(<EvenUpPicture even={even} />);
};

describe('what to lower, raise or move', () => {
  it.each([
    ['level', 415, 411, 'left reads 4 mm more than right: lower left or raise right by 4 mm, or each by half.'],
    ['leftRight', 411, 415, 'right reads 4 mm more than left: lower right or raise left by 4 mm, or each by half.'],
    ['parallel', 9, 6, 'left reads 3 mm more than right: close left or open right by 3 mm, or each by half.'],
    ['centred', 12, 8, 'left reads 4 mm more than right: it sits 2 mm off the middle. Move it 2 mm towards left.'],
    [
      'centred',
      9,
      8,
      'left reads 1 mm more than right: it sits 0.5 mm off the middle. Move it 0.5 mm towards left. That is close enough.',
    ],
    ['level', 9, 9, 'left and right read alike.'],
  ] as const)('%s, %d and %d', (symmetry, left, right, text) => {
    draw(symmetry, left, right);
    expect(screen.getByRole('img')).toHaveAccessibleName(text);
    expect(screen.getByText(text)).toBeVisible();
  });
});
