import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { renderHook, waitFor } from '@testing-library/react';
import { useAwake } from './use-awake.ts';

let asked = 0;
let released = 0;
let answers: () => Promise<unknown>;
const see = (state: 'visible' | 'hidden') => {
  Object.defineProperty(document, 'visibilityState', { value: state, configurable: true });
  document.dispatchEvent(new Event('visibilitychange'));
};

beforeEach(() => {
  asked = 0;
  released = 0;
  answers = async () => ({
    release: async () => {
      released += 1;
    },
  });
  Object.defineProperty(document, 'visibilityState', { value: 'visible', configurable: true });
  Object.defineProperty(navigator, 'wakeLock', {
    configurable: true,
    value: {
      request: () => {
        asked += 1;
        return answers();
      },
    },
  });
});
afterEach(() => {
  Reflect.deleteProperty(navigator, 'wakeLock');
});

describe('a screen that does not go dark', () => {
  it('is asked for with the line, again when the page is back, and let go with it', async () => {
    const { unmount } = renderHook(() => useAwake());
    await waitFor(() => expect(asked).toBe(1));
    see('hidden');
    expect(asked).toBe(1);
    see('visible');
    await waitFor(() => expect(asked).toBe(2));
    unmount();
    await waitFor(() => expect(released).toBe(1));
  });
  it('goes dark as it always did where the tablet says no, or knows no such thing', async () => {
    answers = async () => Promise.reject(new Error('battery'));
    const { unmount } = renderHook(() => useAwake());
    await waitFor(() => expect(asked).toBe(1));
    unmount();
    Reflect.deleteProperty(navigator, 'wakeLock');
    renderHook(() => useAwake()).unmount();
    expect(released).toBe(0);
  });
});
