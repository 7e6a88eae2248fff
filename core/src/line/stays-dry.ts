import type { CompoundKind } from '../compound/compound.ts';
import type { PlanStation } from '../kit/plan.ts';

/** What makes faces slide. */
const SLIPPERY: ReadonlySet<CompoundKind> = new Set<CompoundKind>(['antiSeize', 'grease']);

/**
 * Whether a joint must stay clear of a compound, whatever a rule for the whole kit says: one that holds by the friction of
 * its faces takes nothing that makes them slide. A locker on its thread does not (common practice, no source).
 */
export const staysDry = ({ tags }: Pick<PlanStation, 'tags'>, kind: CompoundKind): boolean =>
  (tags?.includes('frictionFace') ?? false) && SLIPPERY.has(kind);
