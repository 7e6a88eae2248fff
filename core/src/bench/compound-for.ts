import {
  type CompoundChoice,
  chooseCompound,
  type ThreadDuty,
  treatmentConflicts,
  type UndoAdvice,
  undoAdvice,
} from '../compound/compound-choice.ts';
import { type Remark, remarksThat } from './remark.ts';

export interface CompoundAnswer extends CompoundChoice {
  /** How it comes off again. */
  undo?: UndoAdvice;
  remarks: Remark[];
}

/** What a thread wants when the sheet does not say. */
export function compoundFor(duty: ThreadDuty, uncleaned: boolean): CompoundAnswer {
  const picked = chooseCompound(duty);
  const none = picked.choice === 'none';
  const conflicts = picked.choice === 'none' ? [] : treatmentConflicts({ compounds: [picked.choice], uncleaned });
  return {
    ...picked,
    undo: picked.choice === 'none' ? undefined : undoAdvice(picked.choice),
    remarks: remarksThat(
      !none && conflicts.length > 0 && { code: 'degreaseFirst' },
      ...picked.caveats.map((code): Remark => ({ code })),
      { code: 'neverBoth' },
    ),
  };
}
