import { useMemo } from 'react';
import { useLocation } from 'react-router';
import type { Shortcut } from '../app/shortcut.ts';

const EVERYWHERE: Shortcut[] = [{ keys: 'U', does: 'Take back your last count, start, pull or step' }];

const BY_SCREEN: Record<string, Shortcut[]> = {
  receive: [],
  'check-in': [
    { keys: 'Space', does: 'This line is all here' },
    { keys: '0–9, Enter', does: 'Type a count' },
    { keys: '+ / −', does: 'One more, one fewer' },
    { keys: 'D', does: 'One of them is damaged' },
    { keys: '↑ ↓', does: 'Line above, line below' },
  ],
  line: [
    { keys: 'Space', does: 'The one big action of the step' },
    { keys: '0–9, Enter', does: 'Type a reading; choose an answer by its number' },
    { keys: 'T', does: 'The tape: all steps' },
    { keys: 'N', does: 'Leave it for later, or back to what is next' },
    { keys: 'O', does: 'What is owed' },
    { keys: 'W', does: 'Choose the wrench' },
    { keys: 'L', does: 'Loosen' },
    { keys: 'P', does: 'Raise a problem' },
    { keys: 'R', does: 'Say aloud what is next' },
    { keys: 'F', does: 'Large letters, read across the bay' },
  ],
  'close-out': [],
  'second-look': [{ keys: 'Space', does: 'It holds: did not move, unbroken, seated' }],
  record: [],
};

/** The keys of the job screen in view. */
export function useShortcuts(): Shortcut[] {
  const screen = useLocation().pathname.split('/').at(-1) ?? '';
  return useMemo(() => [...(BY_SCREEN[screen] ?? []), ...EVERYWHERE], [screen]);
}
