import { boltStrength } from '../fastener/property-class.ts';
import { parseThread } from '../fastener/thread.ts';
import type { Item } from './kit-document.ts';

/** What of a fastener decides whether it may stand in for another. */
export type Fastener = Pick<
  Item,
  | 'kind'
  | 'form'
  | 'name'
  | 'thread'
  | 'lengthMm'
  | 'head'
  | 'propertyClass'
  | 'finish'
  | 'acrossFlatsMm'
  | 'outsideMm'
  | 'insideMm'
  | 'thicknessMm'
  | 'locking'
  | 'leftHand'
>;

/** What a substitute may differ in. */
export const SUBSTITUTE_TRAITS = [
  'kind',
  'form',
  'thread',
  'hand',
  'length',
  'class',
  'finish',
  'head',
  'flats',
  'inside',
  'outside',
  'thickness',
  'locking',
] as const;
export type SubstituteTrait = (typeof SUBSTITUTE_TRAITS)[number];

/**
 * In what a substitute differs. `weaker`: it holds, bears or grips less, or it is not known that it does not; `other`:
 * it holds as much, and something else follows from it.
 */
export interface SubstituteDifference {
  trait: SubstituteTrait;
  how: 'weaker' | 'other';
  wanted?: string;
  is?: string;
}

/** `same`: nobody has to decide · `lead`: a lead takes it on · `refused`: it does not hold what the joint needs. */
export interface SubstituteVerdict {
  verdict: 'same' | 'lead' | 'refused';
  differences: SubstituteDifference[];
}

/** Lengths and widths that are one to the eye and to the joint, mm (chosen by us). */
const SAME_MM = 0.5;

/** Heads that press on a flange or a washer face of their own. */
const FLANGED: ReadonlySet<string | undefined> = new Set(['hexFlange', 'twelvePoint', 'sixLobeOutside']);

const mm = (value: number | undefined): string | undefined => (value === undefined ? undefined : `${value} mm`);

const threadOf = (text: string | undefined): string | undefined => {
  const read = text === undefined ? undefined : parseThread(text);
  return read?.ok ? read.value.thread.designation : text;
};

/** Proof strength of a bolt's class, or the number of a nut's; what is not known has none. */
function strengthOf({ kind, propertyClass, thread }: Fastener): number | undefined {
  if (propertyClass === undefined) return undefined;
  if (kind === 'bolt' || kind === 'stud') {
    const read = thread === undefined ? undefined : parseThread(thread);
    const strength = read?.ok ? boltStrength(propertyClass, read.value.thread) : undefined;
    return strength?.ok ? strength.value.proofMpa : undefined;
  }
  const number = Number.parseFloat(propertyClass.replace(/^grade\s*/i, ''));
  return Number.isFinite(number) ? number : undefined;
}

/**
 * Whether a piece from the shop may stand in for one of the sheet. A weaker one is refused, one that differs without
 * being weaker is for a lead, and what is not known of it counts as weaker wherever the sheet asks for it (common
 * practice, no source).
 */
export function judgeSubstitute(wanted: Fastener, piece: Fastener): SubstituteVerdict {
  const differences: SubstituteDifference[] = [];
  const add = (trait: SubstituteTrait, how: 'weaker' | 'other', want?: string, is?: string) =>
    differences.push({
      trait,
      how,
      ...(want === undefined ? {} : { wanted: want }),
      ...(is === undefined ? {} : { is }),
    });
  if (wanted.kind !== piece.kind) add('kind', 'weaker', wanted.kind, piece.kind);
  if (wanted.form !== piece.form) add('form', 'weaker', wanted.form, piece.form);
  const [thread, itsThread] = [threadOf(wanted.thread), threadOf(piece.thread)];
  if (thread !== itsThread) add('thread', 'weaker', thread, itsThread);
  if ((wanted.leftHand ?? false) !== (piece.leftHand ?? false)) add('hand', 'weaker');
  if (wanted.lengthMm !== undefined) {
    const off = piece.lengthMm === undefined ? Number.NaN : piece.lengthMm - wanted.lengthMm;
    // A longer one may bottom before it clamps; a shorter one leaves out threads.
    if (!(Math.abs(off) <= SAME_MM))
      add('length', off > 0 ? 'other' : 'weaker', mm(wanted.lengthMm), mm(piece.lengthMm));
  }
  if (wanted.propertyClass !== undefined && wanted.propertyClass !== piece.propertyClass) {
    const [need, has] = [strengthOf(wanted), strengthOf(piece)];
    const holds = need !== undefined && has !== undefined && has >= need;
    add('class', holds ? 'other' : 'weaker', wanted.propertyClass, piece.propertyClass);
  }
  if (wanted.finish !== undefined && wanted.finish !== piece.finish)
    add('finish', 'other', wanted.finish, piece.finish);
  if (wanted.head !== undefined && wanted.head !== piece.head)
    add('head', FLANGED.has(wanted.head) && !FLANGED.has(piece.head) ? 'weaker' : 'other', wanted.head, piece.head);
  if (
    wanted.acrossFlatsMm !== undefined &&
    piece.acrossFlatsMm !== undefined &&
    Math.abs(wanted.acrossFlatsMm - piece.acrossFlatsMm) > SAME_MM
  )
    add('flats', 'other', mm(wanted.acrossFlatsMm), mm(piece.acrossFlatsMm));
  size('inside', wanted.insideMm, piece.insideMm, () => 'weaker');
  size('outside', wanted.outsideMm, piece.outsideMm, (off) => (off > 0 ? 'other' : 'weaker'));
  size('thickness', wanted.thicknessMm, piece.thicknessMm, (off) => (off > 0 ? 'other' : 'weaker'));
  if (wanted.locking !== piece.locking)
    add(
      'locking',
      wanted.locking !== undefined && piece.locking === undefined ? 'weaker' : 'other',
      wanted.locking,
      piece.locking,
    );
  const refused = differences.some(({ how }) => how === 'weaker');
  return { verdict: refused ? 'refused' : differences.length > 0 ? 'lead' : 'same', differences };

  function size(
    trait: 'inside' | 'outside' | 'thickness',
    want: number | undefined,
    is: number | undefined,
    how: (off: number) => 'weaker' | 'other',
  ) {
    if (want === undefined) return;
    const off = is === undefined ? Number.NaN : is - want;
    if (!(Math.abs(off) <= SAME_MM)) add(trait, Number.isNaN(off) ? 'weaker' : how(off), mm(want), mm(is));
  }
}

/** Pieces of a shelf that may stand in for one of the sheet, those nobody has to decide on first; none that is refused. */
export const substitutes = <P extends Fastener>(
  wanted: Fastener,
  shelf: readonly P[],
): Array<{ piece: P } & SubstituteVerdict> =>
  shelf
    .map((piece) => ({ piece, ...judgeSubstitute(wanted, piece) }))
    .filter(({ verdict }) => verdict !== 'refused')
    .sort((a, b) => a.differences.length - b.differences.length);
