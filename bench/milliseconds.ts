/** Milliseconds of `work`, the middle of seven runs, after one that warms up. */
export function milliseconds(work: () => void): number {
  work();
  const times = Array.from({ length: 7 }, () => {
    const startedMs = performance.now();
    work();
    return performance.now() - startedMs;
  });
  return times.sort((a, b) => a - b)[3] as number;
}
