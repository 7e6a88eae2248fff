import type { DebtEnd } from '#core/job/debt-kind.ts';
import type { Conflict, ConflictSide, JointDifference } from '#core/kit/plan-conflict.ts';

export const DIFFERENCE_TEXT: Record<JointDifference, string> = {
  figure: 'the torque',
  compound: 'what goes on the thread',
  hardware: 'the bolt or nut',
  standing: 'how the vehicle stands',
};

export const END_TEXT: Record<DebtEnd, string> = {
  refit: 'back on',
  transfer: 'moved over',
  keep: 'kept for the owner',
  scrap: 'scrapped',
  cleared: 'closed again',
};

/** A conflict in one line. */
export function conflictTitle(conflict: Conflict): string {
  switch (conflict.kind) {
    case 'sameJoint':
      return `One joint, two sheets: ${conflict.place}`;
    case 'samePlace':
      return `Two parts for one place: ${conflict.place}`;
    case 'fates':
      return `One keeps off what the other puts back: ${conflict.place}`;
    case 'standing':
      return `Lifted for one, on its weight for the other: ${conflict.place}`;
    case 'overtaken':
      return `One kit was told it is not there, another puts it on: ${conflict.place}`;
    case 'order':
      return `Contrary order: ${conflict.place} is worked after the others`;
  }
}

/** Why a conflict matters, and what each way leads to. */
export function conflictWhy(conflict: Conflict): string {
  switch (conflict.kind) {
    case 'sameJoint':
      return `The sheets differ in ${conflict.differs.map((one) => DIFFERENCE_TEXT[one]).join(', ')}. A figure belongs to the hardware it was printed for: the chosen kit’s bolt goes in with the chosen kit’s figure, the other’s is left over.`;
    case 'samePlace':
      return 'Both kits bring a part for this place. Choose whose goes on, or say that both have room.';
    case 'fates':
      return 'What is thrown away cannot be put back. The choice decides whether the refit list has it.';
    case 'standing':
      return 'Rubber is tightened on its weight, a stand goes under a hanging axle. Choose whose way it comes off.';
    case 'overtaken':
      return 'Answer as it will be once the other kit is on, or have this kit worked first, while it is not.';
    case 'order':
      return 'The sheets open and close the same things in contrary order, so these kits are worked one after the other. Things may come off twice.';
  }
}

/** One kit's side of a conflict, in figures. */
export function sideLines(side: ConflictSide): Array<[string, string]> {
  const lines: Array<[string, string]> = [];
  if (side.printed !== undefined) lines.push(['Torque', side.printed]);
  if (side.hardware) lines.push(['Bolt and nut', side.hardware]);
  if (side.spec) lines.push(['On the thread', side.compound ?? 'nothing']);
  if (side.atRideHeight !== undefined)
    lines.push(['Vehicle', side.atRideHeight ? 'at ride height' : 'hanging or lifted']);
  if (side.fate !== undefined) lines.push(['Ends', END_TEXT[side.fate]]);
  return lines;
}

/** What a choice is called on its button. */
export function choiceText(conflict: Conflict, choice: string, kitTitle: (id: string) => string): string {
  switch (choice) {
    case 'both':
      return 'Both have room';
    case 'answerYes':
      return `Answer “yes”: ${conflict.place} will be on`;
    case 'asIs':
      return conflict.kind === 'order'
        ? 'Work it after the others'
        : `Work ${kitTitle(conflict.sides[1]?.kit ?? '')} first`;
    default:
      return kitTitle(choice);
  }
}
