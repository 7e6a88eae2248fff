import type { ClassFault } from '#core/fastener/property-class.ts';
import type { ThreadError } from '#core/fastener/thread.ts';
import type { InputFault } from '#core/quantity/input-fault.ts';
import type { ParseError } from '#core/quantity/parse-printed.ts';
import type { ProposalFault } from '#core/tightening/proposed-torque.ts';
import { CLASS_FAULTS, INPUT_FAULTS, PARSE_ERRORS, PROPOSAL_FAULTS, THREAD_ERRORS } from './en/input-faults.ts';
import { say, type Values } from './message.ts';

/** A reason a calculation was refused, with the field it concerns, for a person. */
export interface FaultText {
  field: string;
  reason: string;
}

/** Four figures are enough to see what is wrong; lists stand with commas. */
const shown = (fact: unknown): string | number =>
  typeof fact === 'number' ? String(Number(fact.toPrecision(4))) : Array.isArray(fact) ? fact.join(', ') : String(fact);
const valuesOf = (fault: object): Values =>
  Object.fromEntries(Object.entries(fault).map(([name, fact]) => [name, shown(fact)]));

/** What is wrong with a number or name given to a calculation. */
export const inputFaultText = (fault: InputFault): FaultText => ({
  field: fault.field,
  reason: say(INPUT_FAULTS[fault.code], valuesOf(fault)),
});

/** Why a property class cannot be used for a thread. */
export const classFaultText = (fault: ClassFault): FaultText => ({
  field: 'propertyClass',
  reason: say(CLASS_FAULTS[fault.code], valuesOf(fault)),
});

/** Why a thread callout could not be read. */
export const threadErrorText = (error: ThreadError): FaultText => ({
  field: 'thread',
  reason: say(THREAD_ERRORS[error.code], valuesOf(error)),
});

/** Why a printed quantity could not be read. */
export const parseErrorText = (error: ParseError): string => say(PARSE_ERRORS[error.code], valuesOf(error));

/** Why no torque is proposed. */
export function proposalFaultText(fault: ProposalFault): FaultText {
  if (fault.code === 'safetyCritical' || fault.code === 'headNotListed')
    return {
      field: fault.code === 'headNotListed' ? 'head' : 'joint',
      reason: say(PROPOSAL_FAULTS[fault.code], valuesOf(fault)),
    };
  return classFaultText(fault);
}
