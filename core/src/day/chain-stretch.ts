import type { Hanging } from './day-plan.ts';

/** Links of a chain that follow each other for no other reason than that one person does one after the other. */
export interface ChainStretch {
  /** In the order of the day. */
  links: Hanging[];
  startMs: number;
  endMs: number;
}

/** Whether a link only goes on with the job it came from. */
const goesOn = ({ at, because }: Hanging): boolean =>
  because.kind === 'order' || (because.kind === 'person' && because.job === at.job);

/**
 * A chain in the order of the day, put together where one step only follows the other: what is left are the moments at
 * which something else than work decides.
 *
 * @param chain - from the last moment back to the first
 */
export function chainStretches(chain: readonly Hanging[]): ChainStretch[] {
  const found: ChainStretch[] = [];
  for (const link of chain.toReversed()) {
    const last = found.at(-1);
    const before = last?.links.at(-1);
    if (last && before && goesOn(link) && before.at.job === link.at.job) {
      last.links.push(link);
      last.endMs = Math.max(last.endMs, link.at.endMs);
    } else found.push({ links: [link], startMs: link.at.startMs, endMs: link.at.endMs });
  }
  return found;
}
