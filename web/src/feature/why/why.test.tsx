import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { WHY_NOTES } from '#contract/wording/en/why.ts';
import { WhyDrawing } from './WhyDrawing.tsx';
import WhySheet from './WhySheet.tsx';

afterEach(cleanup);

describe('why it was refused', () => {
  it('stands with its picture, one thing to do, its source and the way to all reasons', async () => {
    render(
      <MemoryRouter>
        <WhySheet code="lockerWindowClosed" onClose={() => undefined} />
      </MemoryRouter>,
    );
    expect(await screen.findByRole('dialog', { name: WHY_NOTES.locker.title })).toBeVisible();
    expect(screen.getByRole('img', { name: /bead on the thread/ })).toBeVisible();
    expect(screen.getByText(WHY_NOTES.locker.next)).toBeVisible();
    expect(screen.getByText(WHY_NOTES.locker.source)).toBeVisible();
    expect(screen.getByRole('link', { name: 'All reasons' })).toHaveAttribute('href', '/handbook#locker');
  });
  it('each picture says in words what it shows', () => {
    for (const { picture } of Object.values(WHY_NOTES)) {
      const { unmount } = render(<WhyDrawing picture={picture} />);
      expect(screen.getByRole('img').getAttribute('aria-label')?.length).toBeGreaterThan(15);
      unmount();
    }
  });
});
