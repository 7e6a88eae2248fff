import type { TighteningSpec } from '../tightening/kinds.ts';
import type { Fate } from './kit-step.ts';
import type { PrintedSpec } from './printed-spec.ts';

/**
 * `sameJoint`: two kits tighten one joint, and not alike · `samePlace`: two parts for one place · `fates`: one kit keeps
 * or scraps what the other puts back or moves over · `refitFigure`: what both put back has another figure in each · `standing`: the same thing comes off at ride height and lifted ·
 * `overtaken`: one kit puts on what the other was told is not there · `contrary`: the sheets close the same things in
 * contrary order · `order`: one opens and closes a shared thing more than once, so it is worked after the others.
 */
export type ConflictKind =
  | 'sameJoint'
  | 'samePlace'
  | 'fates'
  | 'refitFigure'
  | 'standing'
  | 'overtaken'
  | 'contrary'
  | 'order';

/** In what two sheets differ about one joint. */
export type JointDifference = 'figure' | 'compound' | 'hardware' | 'standing';

export interface ConflictSide {
  kit: string;
  /** What it concerns in the plan: stations, items, removed things, steps. */
  ids: string[];
  name: string;
  printed?: string;
  spec?: TighteningSpec;
  /** Name of what goes on the thread; absent: nothing. */
  compound?: string;
  /** Bolt and nut, as the packing list names them. */
  hardware?: string;
  atRideHeight?: boolean;
  fate?: Fate;
}

/** What a lead chose: whose way stands, or `both` where the two can stand side by side. */
export interface Settlement {
  choice: string;
  /** A figure of neither kit, from the vehicle's manual: with it the chosen kit's hardware is tightened. */
  figure?: Pick<PrintedSpec, 'spec' | 'printed'>;
  /** For an answer turned to yes: the question, by its scoped id. */
  question?: string;
}

export interface Conflict {
  /** Kind and place: the same for the same clash whatever else is in the visit. */
  id: string;
  kind: ConflictKind;
  place: string;
  differs: JointDifference[];
  sides: ConflictSide[];
  /** Allowed choices: kit ids, `both`, `asIs`, `answerYes`. */
  choices: string[];
  settled?: Settlement;
}
