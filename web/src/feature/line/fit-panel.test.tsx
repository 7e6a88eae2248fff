import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { FitPanel } from './FitPanel.tsx';

afterEach(cleanup);

describe('bore and bush as measured', () => {
  it('says nothing before both are measured', () => {
    render(<FitPanel answers={{ bore: 45 }} />);
    expect(screen.queryByLabelText('The fit as measured')).toBeNull();
  });
  it('a tight one: how warm, and the seconds left, which run from the heat', async () => {
    render(<FitPanel answers={{ bore: 45, bush: 45.09 }} />);
    expect(screen.getByText('0.090 mm')).toBeVisible();
    // 0.09 + 0.02 slip over 45 mm of steel, 11.7e-6 per kelvin: 209 K above 20 °C.
    expect(screen.getByText('229 °C')).toBeVisible();
    const user = userEvent.setup();
    await user.click(screen.getByRole('button', { name: 'Aluminium' }));
    expect(screen.queryByText('229 °C')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Out of the heat now' }));
    expect(screen.getByRole('timer')).toHaveTextContent(/s until the slip is gone/);
    expect(screen.getByRole('button', { name: 'Again from now' })).toBeVisible();
  });
  it('one with play wants no heat', () => {
    render(<FitPanel answers={{ bore: 45.05, bush: 45 }} />);
    expect(screen.getByText(/of play/)).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Aluminium' })).toBeNull();
  });
});
