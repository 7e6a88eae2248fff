import type { ToolContradiction } from '#core/fastener/identify.ts';
import { say } from './say.ts';

const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;

/** What the tools a sheet names say against a thread, and what to do about it. */
export function toolVoteText(contradiction: ToolContradiction): string {
  switch (contradiction.code) {
    case 'widthNotOfThread': {
      const { acrossFlatsMm, usualMm, alsoFits } = contradiction;
      const usual = usualMm.length > 0 ? say('; usual are {usualMm}', { usualMm: usualMm.map(mm).join(', ') }) : '';
      const fits =
        alsoFits.length > 0 ? say(' It is the size of {alsoFits}.', { alsoFits: alsoFits.slice(0, 3).join(', ') }) : '';
      return say('Its {mm} key is of another thread{usual}.{fits} Measure the thread before it goes in.', {
        mm: mm(acrossFlatsMm),
        usual,
        fits,
      });
    }
    case 'drillBelowThread':
      return say('It does not pass the {mm} hole that is drilled for it: {mm2} are needed.', {
        mm: mm(contradiction.drillMm),
        mm2: mm(contradiction.neededMm),
      });
    case 'tapDrillWrong':
      return say('The hole for its thread is drilled {mm}; {mm2} is right.', {
        mm: mm(contradiction.drillMm),
        mm2: mm(contradiction.rightMm),
      });
  }
}
