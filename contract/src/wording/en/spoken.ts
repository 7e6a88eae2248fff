import type { NextStep } from '#core/job/next-station.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { inLanguage } from '../say.ts';

/** Units as they are said aloud: the eye reads `lbf·in`, the ear needs the words. */
export const SPOKEN_UNIT: Record<TorqueUnit, string> = inLanguage({
  N·m: 'newton metres',
  kgf·m: 'kilogram force metres',
  kgf·cm: 'kilogram force centimetres',
  lbf·ft: 'pound feet',
  lbf·in: 'pound inches',
});

/** What a joint wants next, for the ear: figure first, then where. */
export const SPOKEN_JOINT: Record<NextStep['kind'], string> = inLanguage({
  start: 'Start by hand. {station}.',
  compound: 'Bead. {station}.',
  snug: 'Snug. {station}.',
  loosen: 'Loosen. {station}.',
  stage: 'Stage {stage}. {station}.',
  pull: '{figure}{angle, select, none {} other {, then {angle} degrees}}. {station}.{ceiling, select, none {} other { Never over {ceiling}.}}',
  confirmStop: 'To its stop. {station}.',
  done: 'Group done.',
});
