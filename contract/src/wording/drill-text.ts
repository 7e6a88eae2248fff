import type { Consequence } from '#core/drill/consequence.ts';
import type { Pace } from '#core/drill/pace.ts';
import { CONSEQUENCE_WORDS, PACE_WORDS } from './en/drill.ts';
import { say } from './say.ts';

const percent = (share: number): string => String(Math.round(share * 100));

/** What would have come of a fault, in one sentence. */
export function consequenceText(consequence: Consequence): string {
  const words = CONSEQUENCE_WORDS[consequence.code];
  switch (consequence.code) {
    case 'fewerBolts':
      return say(words, { bolts: consequence.bolts, of: consequence.of, load: percent(consequence.loadEach) });
    case 'overloaded':
      return say(words, {
        load: percent(consequence.loadShare),
        yield: consequence.yieldShare === undefined ? 'none' : percent(consequence.yieldShare),
      });
    case 'leftOut':
      return say(words, { joints: consequence.joints });
    case 'loadLost':
      return say(words, { left: percent(consequence.leftShare) });
    case 'threadShort':
      return say(words, {
        mm: consequence.byMm,
        diameters: consequence.diameters === undefined ? 'none' : String(consequence.diameters),
      });
    case 'weaker':
    case 'gripLost':
      return say(words, { left: percent(consequence.leftShare) });
    case 'pressed':
      return say(words, { times: String(consequence.times) });
    case 'burns':
      return say(words, { celsius: consequence.celsius });
    case 'falls':
      return say(words, { kilojoule: String(consequence.kilojoule) });
    case 'misread':
      return say(words, { share: percent(consequence.share) });
    case 'tilted':
      return say(words, { mm: consequence.mm });
    default:
      return say(words, {});
  }
}

const whole = (minutes: number): string => String(Math.max(1, Math.round(minutes)));

/** How long a drill takes at other times and others, beside one attempt; undefined where there is nothing to compare it with. */
export function paceText({ own, others }: Pace): string | undefined {
  const parts = [
    ...(own ? [say(PACE_WORDS.own, { times: own.times, minutes: whole(own.minutes) })] : []),
    ...(others ? [say(PACE_WORDS.others, { people: others.people, minutes: whole(others.minutes) })] : []),
  ];
  return parts.length > 0 ? [...parts, PACE_WORDS.noPoints].join(' ') : undefined;
}
