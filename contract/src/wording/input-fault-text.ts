import type { ClassFault } from '#core/fastener/property-class.ts';
import type { ThreadError } from '#core/fastener/thread.ts';
import type { InputFault } from '#core/quantity/input-fault.ts';
import type { ParseError } from '#core/quantity/parse-printed.ts';
import { unreachable } from '#core/result.ts';
import type { ProposalFault } from '#core/tightening/proposed-torque.ts';

/** A reason a calculation was refused, with the field it concerns, for a person. */
export interface FaultText {
  field: string;
  reason: string;
}

const figure = (value: number): string => String(Number(value.toPrecision(4)));

/** What is wrong with a number or name given to a calculation. */
export function inputFaultText(fault: InputFault): FaultText {
  switch (fault.code) {
    case 'outOfRange':
      return {
        field: fault.field,
        reason: `must be between ${figure(fault.min)} and ${figure(fault.max)}, was ${figure(fault.value)}`,
      };
    case 'notANumber':
      return { field: fault.field, reason: 'must be a number' };
    case 'notListed':
      return { field: fault.field, reason: `${fault.value} is not listed; known: ${fault.known.join(', ')}` };
    case 'contradiction':
      return { field: fault.field, reason: `contradicts ${fault.with}: ${fault.reason}` };
    default:
      return unreachable(fault);
  }
}

const NOT_FOR_SIZE: Record<Extract<ClassFault, { code: 'classNotForSize' }>['reason'], string> = {
  metricOnly: 'exists for metric threads only',
  inchOnly: 'exists for inch threads only',
  tooLarge: 'is not standardised for so large a thread',
  tooSmall: 'is not standardised for so small a thread',
};

/** Why a property class cannot be used for a thread. */
export function classFaultText(fault: ClassFault): FaultText {
  if (fault.code === 'classUnknown') {
    return {
      field: 'propertyClass',
      reason: `“${fault.propertyClass}” is no class or grade known here; known: ${fault.known.join(', ')}`,
    };
  }
  return { field: 'propertyClass', reason: `${fault.propertyClass} ${NOT_FOR_SIZE[fault.reason]}` };
}

/** Why a thread callout could not be read. */
export function threadErrorText(error: ThreadError): FaultText {
  switch (error.code) {
    case 'driveSizeNotThread':
      return { field: 'thread', reason: `“${error.text}” is the size of a socket, not a thread: say M10 or 3/8-16` };
    case 'pitchUnknown':
      return { field: 'thread', reason: `no standard pitch is known for “${error.text}”: give it, as in M9 × 1` };
    case 'threadUnreadable':
      return { field: 'thread', reason: `“${error.text}” is not a thread: write M10, M10 × 1.25, 3/8-16 or #10-32` };
    default:
      return unreachable(error);
  }
}

/** Why a printed quantity could not be read. */
export function parseErrorText(error: ParseError): string {
  switch (error.code) {
    case 'empty':
      return 'nothing was given';
    case 'numberMissing':
      return `no number in “${error.text}”`;
    case 'unitMissing':
      return `no unit after “${error.text}”`;
    case 'unitUnknown':
      return `“${error.unit}” is no unit known here`;
    case 'wrongDimension':
      return `${error.unit} does not measure ${error.expected}`;
    case 'ambiguousComma':
      return `“${error.text}” may mean ${error.asDecimal} or ${error.asThousands}: write it with a point`;
    case 'rangeReversed':
      return `the range runs backwards, from ${error.min} to ${error.max}`;
    case 'zeroDenominator':
      return `“${error.text}” divides by zero`;
    default:
      return unreachable(error);
  }
}

/** Why no torque is proposed. */
export function proposalFaultText(fault: ProposalFault): FaultText {
  switch (fault.code) {
    case 'safetyCritical':
      return {
        field: 'joint',
        reason: `no value is proposed for a ${fault.tag} joint: only the kit's sheet or the vehicle maker's manual`,
      };
    case 'headNotListed':
      return { field: 'head', reason: `${fault.head} does not list this size` };
    default:
      return classFaultText(fault);
  }
}
