import { act, fireEvent } from '@testing-library/react';

/** Types a code as a scanner does: all in one go, ended by Enter, however busy the machine is. */
export const scan = (code: string): void =>
  act(() => {
    for (const key of [...code, 'Enter']) fireEvent.keyDown(document.body, { key });
  });
