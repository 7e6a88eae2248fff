import type { WrenchFault } from '#core/wrench/suitable-wrench.ts';
import { say } from './say.ts';

const WORDS: { [Code in WrenchFault['code']]: (fault: Extract<WrenchFault, { code: Code }>) => string } = {
  wrenchOutOfRange: () => say('Out of range'),
  wrenchWithoutAngle: () => say('Measures no angle'),
  wrenchLocked: () => say('Locked: out of limits'),
  wrenchPulledOut: ({ pulls }) => say('Due: {pulls} pulls', { pulls }),
  wrenchOutOfCalibration: ({ dueOn }) => say('Calibration was due {dueOn}', { dueOn }),
};

/** What speaks against a wrench, in a word or two. */
export const wrenchFaultText = (fault: WrenchFault): string =>
  (WORDS[fault.code] as (fault: WrenchFault) => string)(fault);
