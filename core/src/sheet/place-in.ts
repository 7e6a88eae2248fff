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
