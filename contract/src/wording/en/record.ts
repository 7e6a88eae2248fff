import type { PullStands } from '#core/record/record-lines.ts';
import { inLanguage } from '../say.ts';

/** Whether a pull still proves something, behind its line; and for the CSV's column of its own. */
export const STANDS_WORDS: Record<PullStands, { behind: string; column: string }> = inLanguage({
  stands: { behind: '', column: 'yes' },
  takenBack: { behind: 'taken back', column: 'taken back' },
  loosenedSince: { behind: 'loosened since', column: 'loosened since' },
  besideTurned: { behind: 'the joint beside it turned since', column: 'joint beside it turned since' },
});
