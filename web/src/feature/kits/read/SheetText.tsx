import { memo, useEffect, useMemo, useRef } from 'react';
import type { Fact } from '#core/sheet/fact.ts';
import type { SheetReading } from '#core/sheet/read-sheet.ts';
import type { Judged } from './sheet-store.ts';

/** The line under a fact says what it is: solid for a value, dotted for a word, the compound's colour, red for doubt. */
function look(fact: Fact, state: 'taken' | 'rejected' | 'open'): string {
  if (state === 'rejected') return 'line-through text-ink-2 decoration-2';
  if (state === 'open') return 'font-bold border-b-3 border-dashed border-bad text-bad';
  switch (fact.value.kind) {
    case 'torque':
    case 'thread':
    case 'count':
    case 'drive':
    case 'squareDrive':
    case 'hole':
    case 'length':
      return 'font-bold border-b-3 border-ink';
    case 'compound':
      return fact.value.compound === 'threadlockerHigh'
        ? 'font-bold border-b-3 border-high'
        : fact.value.compound === 'antiSeize'
          ? 'font-bold border-b-3 border-antiseize'
          : fact.value.compound === 'threadlockerMedium'
            ? 'font-bold border-b-3 border-medium'
            : fact.value.compound === 'threadlockerLow'
              ? 'font-bold border-b-3 border-steel'
              : 'font-bold border-b-3 border-grease';
    case 'action':
    case 'side':
      return 'border-b border-dotted border-ink-2';
    default:
      return 'font-bold border-b-3 border-dotted border-ink';
  }
}

interface Piece {
  start: number;
  text: string;
  fact?: number;
  unread: boolean;
}

/** The sheet line by line, cut where facts begin and end. */
function linesOf(reading: SheetReading): Piece[][] {
  const { text, facts, steps, unread } = reading;
  const marks = facts.map((fact, index) => ({ ...fact, index })).sort((a, b) => a.start - b.start);
  const gaps = unread.map((index) => steps[index]).flatMap((step) => (step ? [step] : []));
  const isUnread = (at: number) => gaps.some((gap) => at >= gap.start && at < gap.end);
  const lines: Piece[][] = [];
  let offset = 0;
  let next = 0;
  for (const line of text.split('\n')) {
    const end = offset + line.length;
    const pieces: Piece[] = [];
    let at = offset;
    const plain = (to: number) => {
      if (to > at) pieces.push({ start: at, text: text.slice(at, to), unread: isUnread(at) });
      at = Math.max(at, to);
    };
    while (next < marks.length && (marks[next]?.start ?? Number.POSITIVE_INFINITY) < end) {
      const mark = marks[next];
      next++;
      // A fact that lies inside another one is shown in the list only.
      if (!mark || mark.start < at) continue;
      plain(mark.start);
      const to = Math.min(mark.end, end);
      pieces.push({ start: mark.start, text: text.slice(mark.start, to), fact: mark.index, unread: false });
      at = to;
    }
    plain(end);
    lines.push(pieces);
    offset = end + 1;
  }
  return lines;
}

/** The maker's sheet with everything that was read marked where it stands. */
export const SheetText = memo(function SheetText({
  reading,
  judged,
  cursor,
  onPoint,
}: {
  reading: SheetReading;
  judged: Judged;
  cursor: number;
  onPoint: (index: number) => void;
}) {
  const lines = useMemo(() => linesOf(reading), [reading]);
  const here = useRef<HTMLButtonElement>(null);
  // A fact inside another one, as a size inside a count, is shown by what it stands in.
  const at = reading.facts[cursor]?.start ?? -1;
  const isHere = (piece: Piece): boolean => at >= piece.start && at < piece.start + piece.text.length;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the place to show changes with the cursor
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'nearest' });
  }, [cursor]);
  return (
    <ol className="text-[17px] leading-[1.75]">
      {lines.map((pieces, number) => (
        <li
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its number
          key={number}
          className="grid grid-cols-[2.5rem_1fr] [content-visibility:auto] [contain-intrinsic-height:30px]"
        >
          <span aria-hidden className="figures text-sm leading-[2.1] text-ink-2">
            {number + 1}
          </span>
          <span className="whitespace-pre-wrap">
            {pieces.map((piece) =>
              piece.fact === undefined ? (
                <span key={piece.start} className={piece.unread ? 'hatched' : undefined}>
                  {piece.text}
                </span>
              ) : (
                <button
                  key={piece.start}
                  ref={isHere(piece) ? here : undefined}
                  type="button"
                  tabIndex={-1}
                  className={`inline whitespace-pre-wrap text-left ${look(judged.facts[piece.fact] as Fact, judged.stateOf(piece.fact))} ${
                    isHere(piece) ? 'bg-paint text-on-paint!' : ''
                  }`}
                  onClick={() => onPoint(piece.fact as number)}
                >
                  {piece.text}
                </button>
              ),
            )}
          </span>
        </li>
      ))}
    </ol>
  );
});
