import type { Conflict, ConflictSide } from '#core/kit/plan-conflict.ts';
import { CHOICES, CONFLICTS } from './en/conflicts.ts';
import { DIFFERENCE_TEXT, END_TEXT } from './en/terms.ts';
import { say } from './say.ts';

/** A conflict in one line. */
export const conflictTitle = ({ kind, place }: Conflict): string => say(CONFLICTS[kind].title, { place });

/** Why a conflict matters, and what each way leads to. */
export const conflictWhy = ({ kind, differs }: Conflict): string =>
  say(CONFLICTS[kind].why, { differs: differs.map((one) => DIFFERENCE_TEXT[one]).join(', ') });

/** One kit's side of a conflict, in figures. */
export function sideLines(side: ConflictSide): Array<[string, string]> {
  const lines: Array<[string, string]> = [];
  if (side.printed !== undefined) lines.push([say('Torque'), side.printed]);
  if (side.hardware) lines.push([say('Bolt and nut'), side.hardware]);
  if (side.spec && side.hardware !== undefined) lines.push([say('On the thread'), side.compound ?? 'nothing']);
  if (side.atRideHeight !== undefined)
    lines.push([say('Vehicle'), side.atRideHeight ? say('at ride height') : say('hanging or lifted')]);
  if (side.fate !== undefined) lines.push([say('Ends'), END_TEXT[side.fate]]);
  return lines;
}

/** What a choice is called on its button. */
export function choiceText(conflict: Conflict, choice: string, kitTitle: (id: string) => string): string {
  const values = { place: conflict.place, second: kitTitle(conflict.sides[1]?.kit ?? '') };
  if (choice === 'both' || choice === 'answerYes') return say(CHOICES[choice], values);
  return choice === 'asIs' ? say(CONFLICTS[conflict.kind].asIs, values) : kitTitle(choice);
}
