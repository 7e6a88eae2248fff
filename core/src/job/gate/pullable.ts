import { acceptBand } from '../../tightening/kinds.ts';
import type { Figure } from '../figure.ts';
import { PLAUSIBLE_NM } from '../plausible.ts';

/** Whether a typed figure is one a wrench can be set to. */
export function canBePulled({ spec }: Figure): boolean {
  const band = acceptBand(spec);
  return band !== undefined && band.targetNm > 0 && band.targetNm <= PLAUSIBLE_NM;
}
