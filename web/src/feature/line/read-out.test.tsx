import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { render, renderHook } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useSettings } from '../../shop/settings.ts';
import { speakWith } from '../../shop/speech.ts';
import { useReadOut } from './use-read-out.ts';

const said: string[] = [];
let hushed = 0;
beforeEach(() => {
  said.length = 0;
  hushed = 0;
  speakWith({ say: (text) => said.push(text), hush: () => (hushed += 1) });
});
afterEach(() => {
  speakWith();
  useSettings.getState().set({ voice: false });
});

function Screen() {
  useReadOut('63 newton metres. Station 4.');
  return <p>A screen</p>;
}

describe('what is next, read out', () => {
  it('is said whenever it changes, and not twice for the same', () => {
    useSettings.getState().set({ voice: true });
    const { rerender } = renderHook(({ text }) => useReadOut(text), { initialProps: { text: 'Snug. Station 1.' } });
    rerender({ text: 'Snug. Station 1.' });
    rerender({ text: 'Snug. Station 2.' });
    rerender({ text: '' });
    expect(said).toEqual(['Snug. Station 1.', 'Snug. Station 2.']);
  });
  it('is silent until it is wanted, but R says it', async () => {
    render(<Screen />);
    expect(said).toEqual([]);
    await userEvent.keyboard('r');
    expect(said).toEqual(['63 newton metres. Station 4.']);
  });
  it('stops with the screen', () => {
    const { unmount } = renderHook(() => useReadOut('Snug.'));
    unmount();
    expect(hushed).toBe(1);
  });
});
