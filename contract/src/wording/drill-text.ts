import type { Consequence } from '#core/drill/consequence.ts';
import { CONSEQUENCE_WORDS } from './en/drill.ts';
import { say } from './message.ts';

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
    default:
      return say(words, {});
  }
}
