import type { CompoundKind } from '#core/compound/compound.ts';
import type { FactorSource } from '#core/job/act/settle-basis.ts';
import type { DebtEnd } from '#core/job/debt-kind.ts';
import type { FigureSource } from '#core/job/figure.ts';
import type { KeyKind } from '#core/job/key-held.ts';
import type { Role } from '#core/job/role.ts';
import type { StepNeed } from '#core/kit/kit-step.ts';
import type { Phase } from '#core/kit/phase.ts';
import type { HeadShape } from '#core/kit/piece-kind.ts';
import type { PlanAction } from '#core/kit/plan.ts';
import type { JointDifference } from '#core/kit/plan-conflict.ts';
import type { FigureBasis } from '#core/kit/printed-spec.ts';
import type { PullVerdict } from '#core/tightening/judge-pull.ts';
import type { Pattern } from '#core/tightening/pattern.ts';
import type { Raised } from '#core/visit/raised-aftercare.ts';
import { inLanguage } from '../say.ts';

export const PATTERN_TEXT: Record<Pattern | 'printed', string> = inLanguage({
  asListed: 'as listed',
  star: 'star',
  cross: 'cross',
  middleOut: 'middle out',
  outsideIn: 'outside in',
  rowZigZag: 'row zig-zag',
  circular: 'round the circle',
  printed: 'order from the sheet',
});

/** The thread a figure is for. */
export const BASIS_TEXT: Record<FigureBasis, string> = inLanguage({
  dry: 'a dry thread',
  oiled: 'an oiled thread',
  locker: 'a thread with locker',
  antiSeize: 'a thread with anti-seize',
});

/** Nuts by their shape, where it is not the usual hexagon. */
export const NUT_TEXT: Partial<Record<HeadShape, string>> = inLanguage({
  hexFlange: 'with flange',
  castle: 'castle',
  square: 'square',
  twelvePoint: '12-point',
});

/** Heads as they are spoken of. */
export const HEAD_TEXT: Record<HeadShape, string> = inLanguage({
  hex: 'hex head',
  hexFlange: 'flange head',
  socketCap: 'socket cap',
  button: 'button head',
  countersunk: 'countersunk',
  castle: 'castle',
  twelvePoint: '12-point head',
  sixLobe: 'six-lobe, star inside',
  sixLobeOutside: 'six-lobe, star outside',
  carriage: 'carriage bolt',
  square: 'square head',
  eye: 'eye bolt',
  none: 'no head',
});

export const COMPOUND_TEXT: Record<CompoundKind, string> = inLanguage({
  threadlockerLow: 'Low-strength locker',
  threadlockerMedium: 'Medium locker',
  threadlockerHigh: 'High-strength locker',
  antiSeize: 'Anti-seize',
  grease: 'Grease',
  sealant: 'Sealant',
  retaining: 'Retaining compound',
});

export const VERDICT_TEXT: Record<PullVerdict, string> = inLanguage({
  accepted: 'accepted',
  under: 'under the band',
  over: 'over the band',
  overMaximum: 'over the absolute maximum',
  noMovement: 'clicked without moving',
});

/** What a figure rests on where the sheet gives none. */
export const FIGURE_SOURCE_TEXT: Record<FigureSource, string> = inLanguage({
  kitSheet: 'this kit’s sheet',
  vehicleMaker: 'vehicle maker’s manual',
  otherKit: 'another kit’s sheet',
  estimate: 'an estimate',
  byFeel: 'by feel',
});

export const PHASE_TEXT: Record<Phase, string> = inLanguage({
  prepare: 'Prepare',
  strip: 'Strip',
  loose: 'Loose',
  align: 'Align',
  snug: 'Snug',
  torque: 'Torque',
  hold: 'Hold',
  refit: 'Refit',
  prove: 'Prove',
});

export const NEED_TEXT: Record<StepNeed, string> = inLanguage({
  lift: 'Lift',
  stands: 'Stands',
  jack: 'Jack',
  helper: 'Helper',
  rideHeight: 'At ride height',
  wheelsOff: 'Wheels off',
});

export const ACTION_TEXT: Record<PlanAction['type'], string> = inLanguage({
  slacken: 'Loosen',
  remove: 'Remove',
  refit: 'Refit',
  swingAside: 'Swing aside',
  swingBack: 'Swing back',
  support: 'Support',
  compare: 'Compare old with new',
  moveOver: 'Move over',
  disconnect: 'Disconnect',
  reconnect: 'Reconnect',
  windBack: 'Wind back',
  loosen: 'Loosen',
  retighten: 'Tighten again',
  putOn: 'Put on',
  refitForNow: 'Refit for now',
  clear: 'Take away',
  lift: 'Lift the vehicle',
  lower: 'Lower the vehicle',
  clean: 'Clean',
  dry: 'Dry',
  chase: 'Chase',
  soak: 'Soak',
  coolDown: 'Let cool',
  warmUp: 'Let warm up',
  measure: 'Measure',
  measureAgain: 'Measure again',
  check: 'Check',
  test: 'Try',
  prerequisite: 'Must be true',
  drill: 'Drill',
  ream: 'Ream',
  cut: 'Cut',
  bend: 'Bend',
  decide: 'Decide',
  choose: 'Choose',
  find: 'Look',
  apply: 'Apply',
  leaveDry: 'Leave dry',
  fit: 'Fit',
  buildStack: 'Build the stack',
  press: 'Press in',
  preset: 'Set to length',
  shim: 'Shim',
  align: 'Align',
  start: 'Start by hand',
  snug: 'Snug',
  torque: 'Torque',
  verify: 'Verify',
  hold: 'Hold',
  grease: 'Grease',
  bleed: 'Bleed',
  fill: 'Fill',
  wait: 'Wait',
  followKit: 'Go to another kit',
  do: 'Do',
  undo: 'Put back',
  settle: 'Settle',
});

export const DIFFERENCE_TEXT: Record<JointDifference, string> = inLanguage({
  figure: 'the torque',
  compound: 'what goes on the thread',
  hardware: 'the bolt or nut',
  standing: 'how the vehicle stands',
});

export const END_TEXT: Record<DebtEnd, string> = inLanguage({
  refit: 'back on',
  transfer: 'moved over',
  keep: 'kept for the owner',
  scrap: 'scrapped',
  cleared: 'closed again',
});

/** What is to be come back for though no sheet says so. */
export const RAISED_TEXT: Record<Raised, string> = inLanguage({
  alignment: 'Wheel alignment, before long drives: parts that carry the geometry were moved. No sheet says so.',
  lampAim: 'Headlamp aim and driver-assist sensors: the ride height moved. No sheet says so.',
  wheels: 'Wheel nuts again, on the ground: the wheels were off. No sheet says so.',
  exhaust: 'Exhaust joints again, once they have been hot and are cold: they settle. No sheet says so.',
  clamps: 'Clamps again: what they hold settles. No sheet says so.',
  bushes: 'Bush bolts again, at ride height: bushes settle. No sheet says so.',
});

/** Where the torque for another thread comes from. */
export const FACTOR_TEXT: Record<FactorSource, string> = inLanguage({
  friction: 'by the table of frictions',
  product: 'by the product’s own sheet',
  house: 'by the rule of the house',
});

/** What is kept by name: keys, bits, tools and codes. */
export const KEY_TEXT: Record<KeyKind, string> = inLanguage({
  vehicleKey: 'vehicle key',
  lockKey: 'lock key',
  lockBit: 'lock bit',
  removalTool: 'removal tool',
  code: 'code',
});

/** What each role is called. */
export const ROLE_TEXT: Record<Role, string> = inLanguage({
  fitter: 'fitter',
  lead: 'lead',
  counter: 'counter',
  apprentice: 'apprentice',
});
