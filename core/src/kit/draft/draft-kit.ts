import type { Fact } from '../../sheet/fact.ts';
import type { SheetReading } from '../../sheet/read-sheet.ts';
import { againInWords } from './again-in-words.ts';
import { compoundBefore } from './compound-before.ts';
import { draftJoints } from './draft-joints.ts';
import { draftPacking } from './draft-packing.ts';
import { draftSteps } from './draft-steps.ts';
import { draftTools } from './draft-tools.ts';
import { draftVariants } from './draft-variants.ts';
import { type Draft, startDrafting } from './drafting.ts';
import { leftOverJoints } from './left-over-joints.ts';
import { onlyThereThen } from './only-there-then.ts';
import { partedBySides } from './other-side-later.ts';
import { placeParts } from './place-parts.ts';
import { rideHeightLast } from './ride-height-last.ts';
import { putTogetherFirst, startedFirst } from './started-first.ts';
import { tableAtItsStep } from './table-at-its-step.ts';

/**
 * Builds a draft kit from what was read. Everything the sheet says is placed; what it does not say is left at a plain
 * value and told as an assumption, never hidden. Steps that could not be read stand in the draft as their own text.
 *
 * @param reading - a sheet's steps
 * @param facts - its facts as accepted or corrected by a person, in the order of the sheet
 */
export function draftKit(
  reading: Pick<SheetReading, 'steps'>,
  facts: readonly Fact[],
  head: { id: string; title: string; maker: string },
): Draft {
  const drafting = startDrafting(reading, facts, head);
  const packing = draftPacking(drafting);
  const variants = draftVariants(drafting);
  const joints = draftJoints(drafting, packing, variants);
  onlyThereThen(drafting, joints);
  const repeated = partedBySides(drafting, joints.sided);
  draftSteps(drafting, packing, joints, variants, repeated);
  tableAtItsStep(drafting, packing);
  leftOverJoints(drafting);
  againInWords(drafting, joints);
  startedFirst(drafting);
  putTogetherFirst(drafting);
  draftTools(drafting);
  rideHeightLast(drafting);
  compoundBefore(drafting);
  placeParts(drafting);
  const { kit, assumed, placed } = drafting;
  return { kit, assumed, placed };
}
