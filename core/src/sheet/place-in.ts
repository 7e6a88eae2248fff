import type { Span } from './token.ts';

/** Which of some spans, in order and apart, a place lies in. */
export const placeIn = <S extends Span>(spans: readonly S[]) => {
  const sorted = [...spans].sort((a, b) => a.start - b.start);
  return (place: number): S | undefined => {
    let [low, high] = [0, sorted.length - 1];
    while (low <= high) {
      const middle = (low + high) >> 1;
      const span = sorted[middle] as S;
      if (place < span.start) high = middle - 1;
      else if (place >= span.end) low = middle + 1;
      else return span;
    }
    return undefined;
  };
};

/** The step a place of the text belongs to: the last one that begins at or before it. */
export const stepFinder = (steps: readonly Span[]) => (place: number) => {
  let [low, high] = [0, steps.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((steps[middle]?.start ?? 0) <= place) low = middle;
    else high = middle - 1;
  }
  return Math.max(0, low);
};

/** How many of some places, in order, lie before another. */
export function countBefore(places: readonly number[], before: number): number {
  let [low, high] = [0, places.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((places[middle] ?? 0) < before) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Which characters of a text are taken, and by which of what was found; a look costs no search. */
export function takenBy(length: number) {
  const owner = new Int32Array(length + 1);
  return {
    /** Index of what has a character of the span already; undefined where it is free. */
    at({ start, end }: Span): number | undefined {
      for (let place = start; place < end; place++) if (owner[place]) return (owner[place] ?? 0) - 1;
      return undefined;
    },
    take({ start, end }: Span, index: number): void {
      owner.fill(index + 1, start, end);
    },
  };
}

/** Farthest look for the ends of a line, characters: a sheet without line ends is one line. */
const LINE_REACH = 300;

/** The line a place stands in, as far as it is looked at. */
export function lineAt(text: string, at: number): string {
  const head = text.slice(Math.max(0, at - LINE_REACH), at);
  const tail = text.slice(at, at + LINE_REACH);
  const end = tail.indexOf('\n');
  return head.slice(head.lastIndexOf('\n') + 1) + (end < 0 ? tail : tail.slice(0, end));
}
