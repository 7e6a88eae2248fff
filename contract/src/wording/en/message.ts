import type { MessageState } from '../../owner-message.ts';
import { inLanguage, say } from '../say.ts';

/** Why an owner is asked back, by what it is about. */
export const WHY_TEXT = inLanguage({
  wheels: 'Wheel nuts settle in their first kilometres; one that has is found before it works loose.',
  joints: 'New joints settle as they are first loaded; one that has is found before it works loose.',
  alignment: 'Parts that carry the wheels were moved; until they are aligned the tyres wear and the vehicle may pull.',
  lampAim: 'The ride height moved, and the lamps with it: they blind others or light too short.',
  grease: 'Without fresh grease the joint wears and lets water in.',
  other: 'The maker’s sheet asks for it.',
} as const);
export type Why = keyof typeof WHY_TEXT;

export const MESSAGE_STATE_TEXT: Record<MessageState, string> = inLanguage({
  waiting: 'waits to be sent',
  sent: 'sent',
  delivered: 'delivered',
  failed: 'did not arrive',
  stopped: 'not sent',
});

/** What every message ends with. */
export const stopText = (): string => say('Answer STOP for no more messages.');
