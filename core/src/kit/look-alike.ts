import { parseThread, type Thread } from '../fastener/thread.ts';
import type { Item } from './kit-document.ts';
import type { PieceForm } from './piece-kind.ts';

/** What of a piece is seen, felt or read. */
export type Seen = Pick<
  Item,
  | 'kind'
  | 'form'
  | 'name'
  | 'thread'
  | 'lengthMm'
  | 'head'
  | 'propertyClass'
  | 'finish'
  | 'outsideMm'
  | 'insideMm'
  | 'thicknessMm'
  | 'locking'
  | 'leftHand'
  | 'side'
  | 'mark'
>;

/** In what two pieces that look alike differ: of this one, and of the other. */
export type Difference =
  | { what: 'length' | 'outside' | 'inside' | 'thickness'; mm: number; otherMm: number }
  | { what: 'thread' | 'class' | 'finish' | 'side' | 'mark'; is: string; otherIs: string }
  /** Left out: the plain one. */
  | { what: 'form'; is?: PieceForm; otherIs?: PieceForm }
  | { what: 'hand'; left: boolean }
  | { what: 'locking'; locks: boolean };

/** Diameters so near are one to the eye: 8 mm and 5/16, 10 mm and 3/8, 12 mm and 1/2 inch (chosen by us). */
const SAME_DIAMETER_MM = 0.75;
/** Lengths so near are told apart only side by side, share of the longer and mm (chosen by us). */
const NEAR_LENGTH = { share: 0.3, mm: 15 };
/** Washers and sleeves, mm each way (chosen by us). */
const NEAR_DISC_MM = { inside: 1.5, outside: 3 };

const threadOf = ({ thread }: Seen): Thread | undefined => {
  const read = thread === undefined ? undefined : parseThread(thread);
  return read?.ok ? read.value.thread : undefined;
};

/** Without the words for a side: a left arm and a right arm are called alike. */
const plainName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/\b(left|right)(-hand)?\b|,/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const near = (a: number | undefined, b: number | undefined, mm: number): boolean =>
  a === undefined || b === undefined || Math.abs(a - b) <= mm;

/** Whether a hand that reaches for one may come up with the other. */
function alike(a: Seen, b: Seen): boolean {
  if (a.kind !== b.kind || (a.head ?? b.head) !== (b.head ?? a.head)) return false;
  // A U-bolt is taken for no hex bolt; a lock washer well for a flat one.
  if (a.form !== b.form && a.kind !== 'washer' && a.kind !== 'part') return false;
  switch (a.kind) {
    case 'bolt':
    case 'stud':
    case 'nut':
    case 'coupler':
    case 'insert': {
      const [one, other] = [threadOf(a), threadOf(b)];
      if (!one || !other || Math.abs(one.nominalMm - other.nominalMm) > SAME_DIAMETER_MM) return false;
      const [length, otherLength] = [a.lengthMm, b.lengthMm];
      if (length === undefined || otherLength === undefined) return true;
      const apart = Math.abs(length - otherLength);
      return apart <= NEAR_LENGTH.mm && apart <= NEAR_LENGTH.share * Math.max(length, otherLength);
    }
    case 'washer':
    case 'collar':
      return near(a.insideMm, b.insideMm, NEAR_DISC_MM.inside) && near(a.outsideMm, b.outsideMm, NEAR_DISC_MM.outside);
    case 'pin':
    case 'clip':
    case 'clamp':
      return near(a.outsideMm, b.outsideMm, 1) && near(a.lengthMm, b.lengthMm, NEAR_LENGTH.mm);
    case 'part':
      return plainName(a.name) === plainName(b.name);
    case 'compound':
      return false;
  }
}

function differences(a: Seen, b: Seen): Difference[] {
  const found: Difference[] = [];
  const size = (what: 'length' | 'outside' | 'inside' | 'thickness', mm?: number, otherMm?: number) => {
    if (mm !== undefined && otherMm !== undefined && mm !== otherMm) found.push({ what, mm, otherMm });
  };
  const word = (what: 'thread' | 'class' | 'finish' | 'side' | 'mark', is?: string, otherIs?: string) => {
    if (is !== undefined && otherIs !== undefined && is !== otherIs) found.push({ what, is, otherIs });
  };
  word('thread', threadOf(a)?.designation, threadOf(b)?.designation);
  if (a.leftHand !== b.leftHand) found.push({ what: 'hand', left: a.leftHand === true });
  size('length', a.lengthMm, b.lengthMm);
  word('class', a.propertyClass, b.propertyClass);
  if ((a.locking === undefined) !== (b.locking === undefined))
    found.push({ what: 'locking', locks: a.locking !== undefined });
  size('inside', a.insideMm, b.insideMm);
  size('outside', a.outsideMm, b.outsideMm);
  size('thickness', a.thicknessMm, b.thicknessMm);
  if (a.form !== b.form) found.push({ what: 'form', is: a.form, otherIs: b.form });
  word('side', a.side, b.side);
  word('mark', a.mark, b.mark);
  word('finish', a.finish, b.finish);
  return found;
}

/** A piece that may be taken for another, and what tells them apart. */
export interface LookAlike<P extends Seen> {
  piece: P;
  differs: Difference[];
}

/** The pieces among others that this one may be taken for; what is the same in every respect is no other piece. */
export const lookAlikes = <P extends Seen>(piece: Seen, others: readonly P[]): Array<LookAlike<P>> =>
  others.flatMap((other) => {
    if (other === piece || !alike(piece, other)) return [];
    const differs = differences(piece, other);
    return differs.length > 0 ? [{ piece: other, differs }] : [];
  });
