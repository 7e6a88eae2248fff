/**
 * What each step waits for: the steps it names, or, where it names none, the one before it in the list.
 *
 * @param steps - in the sheet's order
 * @returns step ids by step id; the first step of a list waits for nothing
 */
export function stepsBefore(steps: ReadonlyArray<{ id: string; after?: string[] }>): Map<string, string[]> {
  return new Map(
    steps.map(({ id, after }, index) => {
      const previous = steps[index - 1];
      return [id, after ?? (previous ? [previous.id] : [])];
    }),
  );
}

/**
 * The same for a part of the list: a step left out hands on what it waited for itself.
 *
 * @param kept - ids of the steps that remain
 */
export function keptStepsBefore(
  steps: ReadonlyArray<{ id: string; after?: string[] }>,
  kept: ReadonlySet<string>,
): Map<string, string[]> {
  const before = stepsBefore(steps);
  const through = (id: string, seen: Set<string>): string[] =>
    (before.get(id) ?? []).flatMap((earlier) => {
      if (kept.has(earlier)) return [earlier];
      if (seen.has(earlier)) return [];
      seen.add(earlier);
      return through(earlier, seen);
    });
  return new Map(
    steps.filter((step) => kept.has(step.id)).map((step) => [step.id, [...new Set(through(step.id, new Set()))]]),
  );
}
