import type { Fact, FactValue } from './fact.ts';

type Thread = Fact & { value: Extract<FactValue, { kind: 'thread' }> };
const isThread = (fact: Fact): fact is Thread => fact.value.kind === 'thread';
const sizeOf = (designation: string): string => designation.split(/[ -]/)[0] ?? designation;

/**
 * The joint of a figure by the size the sheet writes elsewhere: `four M14 x 1.5 x 45 … 180 Nm on the M14` is of M14 × 1.5.
 * Only where the sheet has one pitch for the size; what is printed bare stays a coarse one that is assumed.
 */
export function ofWrittenSize(facts: readonly Fact[]): Fact[] {
  const written = new Map<string, Set<string>>();
  const bare = new Set<string>();
  for (const { value } of facts.filter(isThread)) {
    if (value.pitchAssumed) bare.add(value.designation);
    else
      written.set(
        sizeOf(value.designation),
        (written.get(sizeOf(value.designation)) ?? new Set()).add(value.designation),
      );
  }
  return facts.map((fact) => {
    if (fact.value.kind !== 'torque' || fact.about === undefined || !bare.has(fact.about)) return fact;
    const [only, more] = [...(written.get(sizeOf(fact.about)) ?? [])];
    return only !== undefined && more === undefined ? { ...fact, about: only } : fact;
  });
}

/** `180 Nm (133 ft-lb) on the M14`: between a figure and the size it is for. */
const ON_THE = /^\s?(?:\([^()]{1,24}\) )?(?:on|for) (?:the |all (?:the )?|both (?:the )?|these |every |each )?$/i;
/** How far behind its figure the size may stand, characters. */
const REACH = 48;

/** Figures that say behind them which size they are for, and not which was named before: `… on the M14 and 90 Nm on the M12`. */
export function ofSizeBehind(text: string, facts: readonly Fact[]): Fact[] {
  const threads = facts.filter(isThread);
  let next = 0;
  return facts.map((fact) => {
    if (fact.value.kind !== 'torque') return fact;
    while (next < threads.length && (threads[next]?.start ?? 0) < fact.end) next++;
    const thread = threads[next];
    const said = thread && thread.start - fact.end <= REACH && ON_THE.test(text.slice(fact.end, thread.start));
    return said ? { ...fact, about: thread.value.designation } : fact;
  });
}
