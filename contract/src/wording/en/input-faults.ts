import type { ClassFault } from '#core/fastener/property-class.ts';
import type { ThreadError } from '#core/fastener/thread.ts';
import type { InputFault } from '#core/quantity/input-fault.ts';
import type { ParseError } from '#core/quantity/parse-printed.ts';
import type { ProposalFault } from '#core/tightening/proposed-torque.ts';

/** What is wrong with a number or name given to a calculation, in English. */
export const INPUT_FAULTS: Record<InputFault['code'], string> = {
  outOfRange: 'must be between {min} and {max}, was {value}',
  notANumber: 'must be a number',
  notListed: '{value} is not listed; known: {known}',
  contradiction: 'contradicts {with}: {reason}',
};

/** Why a property class cannot be used for a thread. */
export const CLASS_FAULTS: Record<ClassFault['code'], string> = {
  classUnknown: '“{propertyClass}” is no class or grade known here; known: {known}',
  classNotForSize:
    '{propertyClass} {reason, select, metricOnly {exists for metric threads only} inchOnly {exists for inch threads only} tooLarge {is not standardised for so large a thread} other {is not standardised for so small a thread}}',
};

/** Why a thread callout could not be read. */
export const THREAD_ERRORS: Record<ThreadError['code'], string> = {
  driveSizeNotThread: '“{text}” is the size of a socket, not a thread: say M10 or 3/8-16',
  pitchUnknown: 'no standard pitch is known for “{text}”: give it, as in M9 × 1',
  seriesContradicts:
    '“{text}” names two threads: {printed} threads per inch is not {series} at this size, which has {listed}. Leave out the one that is wrong',
  threadUnreadable:
    '“{text}” is not a thread: write M10, M10 × 1.25, M6x1-6g, 3/8-16, 7/16-20 UNF-2A, #10-32 or M12 LH',
};

/** Why a printed quantity could not be read. */
export const PARSE_ERRORS: Record<ParseError['code'], string> = {
  empty: 'nothing was given',
  numberMissing: 'no number in “{text}”',
  unitMissing: 'no unit after “{text}”',
  unitUnknown: '“{unit}” is no unit known here',
  wrongDimension: '{unit} does not measure {expected}',
  ambiguousComma: '“{text}” may mean {asDecimal} or {asThousands}: write it with a point',
  rangeReversed: 'the range runs backwards, from {min} to {max}',
  zeroDenominator: '“{text}” divides by zero',
  negative: '“{text}” is below nothing: only a temperature may have a minus',
  belowAbsoluteZero: '“{text}” is colder than anything can be: −273.15 °C, −459.67 °F is the least',
  tooLarge: '“{text}” has more digits than anything on a vehicle: look for a slip',
};

/** Why no torque is proposed. */
export const PROPOSAL_FAULTS: Record<Exclude<ProposalFault['code'], ClassFault['code']>, string> = {
  safetyCritical: 'no value is proposed for a {tag} joint: only the kit’s sheet or the vehicle maker’s manual',
  headNotListed: '{head} does not list this size',
};
