/**
 * Gauss–Newton: values that make several misses as small as they go together, damped where a step would make it worse
 * (Levenberg's addition to the diagonal).
 *
 * @param missesAt - the misses at some values, and how each changes with each value
 * @returns the values, and the largest miss that is left
 * @see Nocedal and Wright, Numerical Optimization, 2nd edition (2006), section 10.3
 */
export function leastSquares(
  from: readonly number[],
  missesAt: (values: readonly number[]) => { misses: number[]; rates: number[][] },
): { values: number[]; missMm: number } {
  let values = [...from];
  let here = missesAt(values);
  let damping = 1e-9;
  for (let step = 0; step < 80; step++) {
    const { misses, rates } = here;
    const normal = values.map((_, i) =>
      values.map(
        (__, j) =>
          rates.reduce((sum, row) => sum + (row[i] as number) * (row[j] as number), 0) * (i === j ? 1 + damping : 1) +
          (i === j ? 1e-14 : 0),
      ),
    );
    const right = values.map(
      (_, i) => -rates.reduce((sum, row, k) => sum + (row[i] as number) * (misses[k] as number), 0),
    );
    const change = solveLinear(normal, right);
    if (!change) break;
    const next = values.map((value, at) => value + (change[at] as number));
    const there = missesAt(next);
    if (squares(there.misses) <= squares(misses) * (1 + 1e-12)) {
      values = next;
      here = there;
      damping = Math.max(1e-12, damping / 10);
      if (Math.max(...change.map(Math.abs)) < 1e-13) break;
    } else {
      damping *= 20;
      if (damping > 1e12) break;
    }
  }
  return { values, missMm: Math.max(...here.misses.map(Math.abs)) };
}

const squares = (list: readonly number[]): number => list.reduce((sum, value) => sum + value * value, 0);

/** Linear equations by elimination with the largest pivot; nothing where they do not determine the answer. */
function solveLinear(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | undefined {
  const n = right.length;
  const rows = matrix.map((row, at) => [...row, right[at] as number]);
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let row = column + 1; row < n; row++)
      if (Math.abs(rows[row]?.[column] as number) > Math.abs(rows[pivot]?.[column] as number)) pivot = row;
    const top = rows[pivot] as number[];
    if (!(Math.abs(top[column] as number) > 1e-300)) return undefined;
    [rows[column], rows[pivot]] = [top, rows[column] as number[]];
    for (let row = 0; row < n; row++) {
      if (row === column) continue;
      const own = rows[row] as number[];
      const share = (own[column] as number) / (top[column] as number);
      for (let at = column; at <= n; at++) own[at] = (own[at] as number) - share * (top[at] as number);
    }
  }
  return rows.map((row, at) => (row[n] as number) / (row[at] as number));
}
