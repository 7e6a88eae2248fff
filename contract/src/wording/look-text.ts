import type { Look, LookTarget, LookWay } from '#core/job/look.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { written } from '#core/quantity/display.ts';
import type { LookLine } from '#core/record/look-lines.ts';
import { inLanguage, say } from './say.ts';

export const LOOK_WAY_TEXT: Record<LookWay, string> = inLanguage({
  pull: 'another pull',
  stripe: 'the stripe',
  seen: 'eyes and fingers',
});

/** What is looked at, as it is called on screens. */
export function lookTargetText(plan: Plan, target: LookTarget): string {
  if ('station' in target) {
    const station = indexOf(plan).stations.get(target.station);
    return station ? say('Station {label} {name}', { label: station.label, name: station.name }) : target.station;
  }
  const thing = [...plan.disconnects, ...plan.neighbours].find(({ id }) => id === target.debt);
  const side = thing && 'side' in thing ? thing.side : undefined;
  return thing ? [side, thing.name].filter(Boolean).join(' ') : target.debt;
}

/** What a second look found: `did not move at 55.0 N·m, wrench 3`. */
export function lookText({ way, holds, torqueNm, wrench, note }: Look): string {
  const at = torqueNm === undefined ? '' : say(' at {torqueNm} N·m', { torqueNm: written(torqueNm, 1) });
  const said = {
    pull: `${holds ? say('did not move') : 'disagreed'}${at}${wrench ? `, ${wrench.label}` : ''}`,
    stripe: holds ? say('stripe unbroken') : say('stripe broken'),
    seen: holds ? say('as it should be') : say('not as it should be'),
  }[way];
  return note ? `${said}: ${note}` : said;
}

/** The same with what was looked at, and whether it still counts. */
export function lookLineText(plan: Plan, { look, stands }: LookLine): string {
  const since = look.holds && !stands ? say(' (looked at or worked on since)') : '';
  return `${lookTargetText(plan, look.target)}: ${lookText(look)}${since}`;
}
