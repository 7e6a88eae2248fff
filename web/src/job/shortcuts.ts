import { useMemo } from 'react';
import { useLocation } from 'react-router';
import { say } from '#contract/wording/say.ts';
import type { Shortcut } from '../app/shortcut.ts';

const EVERYWHERE: Shortcut[] = [{ keys: 'U', does: say('Take back your last count, start, pull or step') }];

const BY_SCREEN: Record<string, Shortcut[]> = {
  receive: [],
  'check-in': [
    { keys: 'Space', does: say('This line is all here') },
    { keys: '0–9, Enter', does: say('Type a count') },
    { keys: '+ / −', does: say('One more, one fewer') },
    { keys: 'D', does: say('One of them is damaged') },
    { keys: '↑ ↓', does: say('Line above, line below') },
  ],
  line: [
    { keys: 'Space', does: say('The one big action of the step') },
    { keys: '0–9, Enter', does: say('Type a reading; choose an answer by its number') },
    { keys: 'T', does: say('The tape: all steps') },
    { keys: 'N', does: say('Leave it for later, or back to what is next') },
    { keys: 'O', does: say('What is owed') },
    { keys: 'W', does: say('Choose the wrench') },
    { keys: 'L', does: say('Loosen') },
    { keys: 'P', does: say('Raise a problem') },
    { keys: 'R', does: say('Say aloud what is next') },
    { keys: 'F', does: say('Large letters, read across the bay') },
  ],
  'close-out': [],
  'second-look': [{ keys: 'Space', does: say('It holds: did not move, unbroken, seated') }],
  record: [],
};

/** The keys of the job screen in view. */
export function useShortcuts(): Shortcut[] {
  const screen = useLocation().pathname.split('/').at(-1) ?? '';
  return useMemo(() => [...(BY_SCREEN[screen] ?? []), ...EVERYWHERE], [screen]);
}
