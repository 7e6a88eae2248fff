import { useLocation } from 'react-router';
import type { Shortcut } from '../app/ShortcutSheet.tsx';

const EVERYWHERE: Shortcut[] = [{ keys: 'U', does: 'Take back your last count, start, pull or step' }];

const BY_SCREEN: Record<string, Shortcut[]> = {
  receive: [],
  strip: [{ keys: 'Space', does: 'The marked step is done' }],
  refit: [{ keys: 'Space', does: 'The marked line is back' }],
  'check-in': [
    { keys: 'Space', does: 'This line is all here' },
    { keys: '0–9, Enter', does: 'Type a count' },
    { keys: '+ / −', does: 'One more, one fewer' },
    { keys: 'D', does: 'One of them is damaged' },
    { keys: '↑ ↓', does: 'Line above, line below' },
  ],
  'fit-loose': [
    { keys: 'Space', does: 'The marked station is started by hand' },
    { keys: 'G', does: 'Next joint group' },
    { keys: 'P', does: 'Raise a problem' },
  ],
  torque: [
    { keys: 'Space', does: 'The one big action: bead, snug, pull' },
    { keys: '0–9, Enter', does: 'Type a reading' },
    { keys: 'W', does: 'Choose the wrench' },
    { keys: 'L', does: 'Loosen' },
    { keys: 'P', does: 'Raise a problem' },
    { keys: 'G', does: 'Next joint group' },
  ],
  'close-out': [],
  record: [],
};

/** The keys of the job screen in view. */
export function useShortcuts(): Shortcut[] {
  const screen = useLocation().pathname.split('/').at(-1) ?? '';
  return [...(BY_SCREEN[screen] ?? []), ...EVERYWHERE];
}
