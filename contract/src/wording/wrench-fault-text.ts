import type { WrenchFault } from '#core/wrench/suitable-wrench.ts';

const WORDS: { [Code in WrenchFault['code']]: (fault: Extract<WrenchFault, { code: Code }>) => string } = {
  wrenchOutOfRange: () => 'Out of range',
  wrenchWithoutAngle: () => 'Measures no angle',
  wrenchLocked: () => 'Locked: out of limits',
  wrenchPulledOut: ({ pulls }) => `Due: ${pulls} pulls`,
  wrenchOutOfCalibration: ({ dueOn }) => `Calibration was due ${dueOn}`,
};

/** What speaks against a wrench, in a word or two. */
export const wrenchFaultText = (fault: WrenchFault): string =>
  (WORDS[fault.code] as (fault: WrenchFault) => string)(fault);
