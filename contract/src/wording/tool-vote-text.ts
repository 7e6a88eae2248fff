import type { ToolContradiction } from '#core/fastener/identify.ts';

const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;

/** What the tools a sheet names say against a thread, and what to do about it. */
export function toolVoteText(contradiction: ToolContradiction): string {
  switch (contradiction.code) {
    case 'widthNotOfThread': {
      const { acrossFlatsMm, usualMm, alsoFits } = contradiction;
      const usual = usualMm.length > 0 ? `; usual are ${usualMm.map(mm).join(', ')}` : '';
      const fits = alsoFits.length > 0 ? ` It is the size of ${alsoFits.slice(0, 3).join(', ')}.` : '';
      return `Its ${mm(acrossFlatsMm)} key is of another thread${usual}.${fits} Measure the thread before it goes in.`;
    }
    case 'drillBelowThread':
      return `It does not pass the ${mm(contradiction.drillMm)} hole that is drilled for it: ${mm(contradiction.neededMm)} are needed.`;
    case 'tapDrillWrong':
      return `The hole for its thread is drilled ${mm(contradiction.drillMm)}; ${mm(contradiction.rightMm)} is right.`;
  }
}
