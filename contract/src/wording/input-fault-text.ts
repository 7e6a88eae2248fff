import type { ClassFault } from '#core/fastener/property-class.ts';
import type { ThreadError } from '#core/fastener/thread.ts';
import type { InputFault } from '#core/quantity/input-fault.ts';
import type { ParseError } from '#core/quantity/parse-printed.ts';
import type { ProposalFault } from '#core/tightening/proposed-torque.ts';
import {
  CLASS_FAULTS,
  FIELD_WORDS,
  INPUT_FAULTS,
  PARSE_ERRORS,
  PROPOSAL_FAULTS,
  THREAD_ERRORS,
  UNIT_OF_ENDING,
} from './en/input-faults.ts';
import { say, type Values } from './say.ts';

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

/** The unit a field is given in, as it stands behind a figure: ` mm`; nothing where its name says none. */
export function unitOfField(field: string): string {
  const unit = UNIT_OF_ENDING.find(([ending]) => ending.test(field.replace(/(\[\d+\])+$/, '')))?.[1];
  return unit === undefined ? '' : unit === '°' ? unit : ` ${unit}`;
}

/** What is wrong with a number or name given to a calculation. */
export const inputFaultText = (fault: InputFault): FaultText => {
  const values = valuesOf(fault);
  const unit = unitOfField(fault.field);
  return {
    field: fault.field,
    reason: say(INPUT_FAULTS[fault.code], {
      ...values,
      unit: fault.code === 'notANumber' && unit === '' ? 'none' : unit,
      ...('with' in fault ? { with: FIELD_WORDS[fault.with] ?? fault.with } : {}),
    }),
  };
};

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
