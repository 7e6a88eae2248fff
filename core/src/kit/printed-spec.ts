import type { TighteningSpec } from '../tightening/kinds.ts';
import type { Condition } from './condition.ts';

/** A specification with the words it was printed in, and the case it is for. */
export interface PrintedSpec {
  spec: TighteningSpec;
  /** The torque as the sheet prints it: `46 lbf·ft`. Shown first, converted second. */
  printed: string;
  when?: Condition;
}
