import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { Cautions } from './Cautions.tsx';

const CAUTIONS = [
  { id: 'gloves', kit: 'k', text: 'Gloves on.' },
  { id: 'eye', kit: 'k', text: 'Never pull above the rating.', safetyCritical: true },
] as unknown as Parameters<typeof Cautions>[0]['cautions'];

afterEach(cleanup);

describe('cautions', () => {
  it('are all in full where the work begins', () => {
    render(<Cautions cautions={CAUTIONS} />);
    expect(screen.getByText('Gloves on.')).toBeVisible();
    expect(screen.getByText('Never pull above the rating.')).toBeVisible();
  });
  it('once read, the gravest stays in sight and the others are one tap away', () => {
    render(<Cautions cautions={CAUTIONS} read />);
    const line = document.querySelector('summary');
    expect(line?.textContent).toBe('Never pull above the rating.and 1 more');
    expect(document.querySelector('details')?.open).toBe(false);
    line?.click();
    expect(document.querySelector('details')?.open).toBe(true);
  });
  it('none leave no empty frame', () => {
    const { container } = render(<Cautions cautions={[]} read />);
    expect(container.innerHTML).toBe('');
  });
});
