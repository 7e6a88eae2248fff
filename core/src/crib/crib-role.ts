import type { Role } from '../job/role.ts';

/** What can be done in the crib. */
export type CribAction = 'lend' | 'check' | 'calibrate' | 'keepWrenches' | 'keepStock' | 'settleRecheck';

const EVERYBODY: readonly CribAction[] = ['lend'];
const FLOOR: readonly CribAction[] = [...EVERYBODY, 'check', 'keepStock', 'settleRecheck'];

/** Everybody borrows; those on the floor check and count; a lead answers for calibration and the wall. */
const MAY: Record<Role, ReadonlySet<CribAction>> = {
  apprentice: new Set([...EVERYBODY, 'check']),
  counter: new Set([...EVERYBODY, 'keepStock']),
  fitter: new Set(FLOOR),
  lead: new Set([...FLOOR, 'calibrate', 'keepWrenches']),
};

export const mayInCrib = (role: Role, action: CribAction): boolean => MAY[role].has(action);
