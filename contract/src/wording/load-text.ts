import type { LoadLeft } from '#core/job/load-left.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import type { EvenPlan } from '#core/tightening/even-plan.ts';
import { LOAD } from './en/load.ts';
import { PATTERN_TEXT } from './en/terms.ts';
import { say } from './say.ts';

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** `3 and 7`, `3, 5 and 7`. */
const listed = (words: readonly string[]): string =>
  words.length < 2
    ? words.join('')
    : say('{words} and {words2}', { words: words.slice(0, -1).join(', '), words2: words.at(-1) });

/** Which joints are pulled once more, with what they hold; that all hold enough where none is. */
export function againText(plan: Plan, { bolts, again }: LoadLeft): string {
  const { stations } = indexOf(plan);
  const shares = new Map(bolts.map(({ station, share }) => [station, share]));
  return say(again.length === 0 ? LOAD.allHold : LOAD.again, {
    count: again.length,
    stations: listed(again.map((id) => stations.get(id)?.label ?? id)),
    shares: listed(again.map((id) => percent(shares.get(id) ?? 0))),
  });
}

/** Which joints settle; undefined where none does. */
export function settlesText(plan: Plan, { settles }: LoadLeft): string | undefined {
  const { stations } = indexOf(plan);
  return settles.length === 0
    ? undefined
    : say(LOAD.settles, {
        count: settles.length,
        stations: listed(settles.map((id) => stations.get(id)?.label ?? id)),
      });
}

/** How much the plate was taken to give, and where that comes from. */
export const givesText = ({ gives, measured }: LoadLeft): string =>
  say(measured ? LOAD.givesMeasured : LOAD.givesAssumed, { gives: percent(gives) });

/** One way to tighten a group; that none reaches it where there is none. */
export function evenWayText(way: EvenPlan | undefined, labels: readonly string[]): string {
  if (!way) return LOAD.noWay;
  return say(LOAD.way, {
    pattern: way.pattern === 'printed' ? undefined : PATTERN_TEXT[way.pattern],
    stages: listed(way.stages.map(percent)),
    extra: way.extra.length > 0 ? listed(way.extra.map((bolt) => labels[bolt] ?? String(bolt + 1))) : undefined,
    pulls: way.pulls,
    spread: percent(way.unevenness),
  });
}
