import type { Look, LookTarget, LookWay } from '#core/job/look.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import type { LookLine } from '#core/record/look-lines.ts';

export const LOOK_WAY_TEXT: Record<LookWay, string> = {
  pull: 'another pull',
  stripe: 'the stripe',
  seen: 'eyes and fingers',
};

/** What is looked at, as it is called on screens. */
export function lookTargetText(plan: Plan, target: LookTarget): string {
  if ('station' in target) {
    const station = indexOf(plan).stations.get(target.station);
    return station ? `Station ${station.label} ${station.name}` : target.station;
  }
  const thing = [...plan.disconnects, ...plan.neighbours].find(({ id }) => id === target.debt);
  const side = thing && 'side' in thing ? thing.side : undefined;
  return thing ? [side, thing.name].filter(Boolean).join(' ') : target.debt;
}

/** What a second look found: `did not move at 55.0 N·m, wrench 3`. */
export function lookText({ way, holds, torqueNm, wrench, note }: Look): string {
  const at = torqueNm === undefined ? '' : ` at ${torqueNm.toFixed(1)} N·m`;
  const said = {
    pull: `${holds ? 'did not move' : 'disagreed'}${at}${wrench ? `, ${wrench.label}` : ''}`,
    stripe: holds ? 'stripe unbroken' : 'stripe broken',
    seen: holds ? 'as it should be' : 'not as it should be',
  }[way];
  return note ? `${said}: ${note}` : said;
}

/** The same with what was looked at, and whether it still counts. */
export function lookLineText(plan: Plan, { look, stands }: LookLine): string {
  const since = look.holds && !stands ? ' (looked at or worked on since)' : '';
  return `${lookTargetText(plan, look.target)}: ${lookText(look)}${since}`;
}
