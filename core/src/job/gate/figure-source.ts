import type { HouseRules } from '../../kit/house-rules.ts';
import type { FigureSource } from '../figure.ts';
import type { Refusal } from '../refusal.ts';
import type { Person } from '../role.ts';

/**
 * Why a joint may not be tightened to a figure from there in this shop, or by this person. What is the joint's own, from
 * its sheet or the vehicle maker's manual, may be taken by everybody who answers for the work.
 */
export function sourceRefused(
  rules: HouseRules,
  by: Pick<Person, 'role'>,
  target: string,
  source: FigureSource,
): Refusal | undefined {
  if (source === 'kitSheet' || source === 'vehicleMaker') return undefined;
  if (source === 'byFeel' && !rules.byFeel) return { code: 'byFeelNotHere', target };
  const taken = { byFeel: true, estimate: rules.estimates, otherKit: rules.otherKits }[source];
  if (!taken) return { code: 'sourceNotHere', target, source };
  return rules.figuresBy === 'lead' && by.role !== 'lead' ? { code: 'leadTakesFigure', target, source } : undefined;
}
