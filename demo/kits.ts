import type { KitDocument } from '#core/kit/kit-document.ts';
import frontLift from './kits/front-lift.json' with { type: 'json' };
import frontRecoveryPoints from './kits/front-recovery-points.json' with { type: 'json' };
import rearAirSprings from './kits/rear-air-springs.json' with { type: 'json' };
import rearAntiRollBar from './kits/rear-anti-roll-bar.json' with { type: 'json' };
import rockSliders from './kits/rock-sliders.json' with { type: 'json' };
import trackBarBrace from './kits/track-bar-brace.json' with { type: 'json' };
import transferCaseGuard from './kits/transfer-case-guard.json' with { type: 'json' };

/** The invented kits of the demo. The files are checked against the schema and the lint in their own test. */
export const FRONT_RECOVERY_POINTS = frontRecoveryPoints as unknown as KitDocument;
export const TRANSFER_CASE_GUARD = transferCaseGuard as unknown as KitDocument;
export const REAR_ANTI_ROLL_BAR = rearAntiRollBar as unknown as KitDocument;
export const REAR_AIR_SPRINGS = rearAirSprings as unknown as KitDocument;
export const TRACK_BAR_BRACE = trackBarBrace as unknown as KitDocument;
export const ROCK_SLIDERS = rockSliders as unknown as KitDocument;
/** The long one: two sides, sixty steps and more, every kind of act. */
export const FRONT_LIFT = frontLift as unknown as KitDocument;
export const DEMO_KITS: KitDocument[] = [
  FRONT_RECOVERY_POINTS,
  TRANSFER_CASE_GUARD,
  REAR_ANTI_ROLL_BAR,
  REAR_AIR_SPRINGS,
  TRACK_BAR_BRACE,
  ROCK_SLIDERS,
  FRONT_LIFT,
];
