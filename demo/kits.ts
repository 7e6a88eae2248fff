import type { KitDocument } from '#core/kit/kit-document.ts';
import brakeHoseShields from './kits/brake-hose-shields.json' with { type: 'json' };
import frontBallJoints from './kits/front-ball-joints.json' with { type: 'json' };
import frontBrakeHoses from './kits/front-brake-hoses.json' with { type: 'json' };
import frontLift from './kits/front-lift.json' with { type: 'json' };
import frontRecoveryPoints from './kits/front-recovery-points.json' with { type: 'json' };
import rearAirSprings from './kits/rear-air-springs.json' with { type: 'json' };
import rearAntiRollBar from './kits/rear-anti-roll-bar.json' with { type: 'json' };
import rockSliders from './kits/rock-sliders.json' with { type: 'json' };
import strutLift40 from './kits/strut-lift-40.json' with { type: 'json' };
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
/** Height and camber: set with eccentric bolts, read on the rack. */
export const STRUT_LIFT_40 = strutLift40 as unknown as KitDocument;
/** Three for one front axle: a caliper that two of them take off, an order they contradict each other in, and more. */
export const FRONT_BRAKE_HOSES = frontBrakeHoses as unknown as KitDocument;
export const FRONT_BALL_JOINTS = frontBallJoints as unknown as KitDocument;
export const BRAKE_HOSE_SHIELDS = brakeHoseShields as unknown as KitDocument;
export const DEMO_KITS: KitDocument[] = [
  FRONT_RECOVERY_POINTS,
  TRANSFER_CASE_GUARD,
  REAR_ANTI_ROLL_BAR,
  REAR_AIR_SPRINGS,
  TRACK_BAR_BRACE,
  ROCK_SLIDERS,
  FRONT_LIFT,
  STRUT_LIFT_40,
  FRONT_BRAKE_HOSES,
  FRONT_BALL_JOINTS,
  BRAKE_HOSE_SHIELDS,
];
