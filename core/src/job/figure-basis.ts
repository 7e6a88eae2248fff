import type { CompoundKind } from '../compound/compound.ts';
import { boltStrength } from '../fastener/property-class.ts';
import { parseThread } from '../fastener/thread.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { basisMadeBy, type FigureBasis, finishOfBasis } from '../kit/printed-spec.ts';
import { lubricationChange } from '../tightening/lubrication-change.ts';
import { usualFace } from '../tightening/proposed-torque.ts';
import type { ThreadFinish } from '../tightening/thread-finish.ts';

/** What the thread is, for the table of frictions. */
const FINISH_OF: Partial<Record<CompoundKind, ThreadFinish>> = {
  // Of the same stuff, with less that bonds: as slippery.
  threadlockerLow: 'lockerMedium',
  threadlockerMedium: 'lockerMedium',
  threadlockerHigh: 'lockerHigh',
  antiSeize: 'antiSeize',
  grease: 'oiled',
};

/** A figure made for another thread than the one that is put together. */
export interface BasisClash {
  basis: FigureBasis;
  compound: CompoundKind;
  printedNm: number;
  /** Torque that makes the load the printed one makes on the thread it counts on, over the printed one, by friction. */
  frictionFactor: number;
}

/** Kinds whose figure is one torque, and can be aimed at otherwise. */
const printedNmOf = ({ spec }: PlanStation): number | undefined =>
  spec.kind === 'torque' || spec.kind === 'targetWithMaximum'
    ? spec.targetNm
    : spec.kind === 'range'
      ? (spec.minNm + spec.maxNm) / 2
      : undefined;

/**
 * Whether a compound goes on that the figure did not count on, and what the figure would be for the same load.
 *
 * @returns undefined where the sheet does not say what its figure is for, where it counted on the compound, or where the
 *   bolt is not known well enough to work it out
 * @see VDI 2230-1:2015, equation (R13), with the friction of `thread-finish.ts`
 */
export function basisClash(plan: Plan, station: PlanStation): BasisClash | undefined {
  const { items, compounds } = indexOf(plan);
  const compound = compounds.get(station.compound ?? '')?.kind;
  const { basis } = station;
  const printedNm = printedNmOf(station);
  if (compound === undefined || basis === undefined || printedNm === undefined) return undefined;
  const made = basisMadeBy(compound);
  const finish = FINISH_OF[compound];
  if (made === undefined || finish === undefined || made === basis) return undefined;
  const bolt = station.stack
    .flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : []))
    .find(({ thread }) => thread !== undefined);
  const read = parseThread(bolt?.thread ?? '');
  const clash = { basis, compound, printedNm };
  if (!read.ok) return { ...clash, frictionFactor: 1 };
  const { thread } = read.value;
  const face = usualFace(thread);
  // The strength does not enter the torque for equal load; any class of the thread's system will do.
  const strength = boltStrength(bolt?.propertyClass ?? (thread.system === 'metric' ? '8.8' : '5'), thread);
  if (!face || !strength.ok) return { ...clash, frictionFactor: 1 };
  const [outcome] = lubricationChange({ thread, strength: strength.value, face }, printedNm, finishOfBasis(basis), [
    finish,
  ]);
  return { ...clash, frictionFactor: (outcome?.atEqualPreloadNm ?? printedNm) / printedNm };
}
