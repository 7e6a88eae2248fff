import type { Dimension } from '../quantity/unit.ts';
import { type Remark, remarksThat } from './remark.ts';

/** The slips that go with what a figure measures. */
export const unitSlips = (dimension: Dimension): Remark[] =>
  remarksThat(dimension === 'torque' && { code: 'inchOrFoot' }, dimension === 'force' && { code: 'forceNotTorque' });
