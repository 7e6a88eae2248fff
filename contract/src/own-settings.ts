import { z } from 'zod';

/** What a person likes, on whichever tablet they work. */
export const OwnSettingsSchema = z.strictObject({
  /** Units a torque is shown in first. */
  system: z.enum(['metric', 'inch']),
  /** Where the big actions stand on a wide screen. */
  hand: z.enum(['right', 'left']),
  textSize: z.enum(['normal', 'large', 'larger']),
  /** Code of the key a foot pedal sends; empty where there is none. @see UI Events KeyboardEvent code Values */
  pedalKey: z.string().max(40),
});
export type OwnSettings = z.infer<typeof OwnSettingsSchema>;
