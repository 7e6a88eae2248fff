/** What a helper holds, and until when. */
import { inLanguage } from '../say.ts';
export const HOLD_TEXT = inLanguage({
  otherEnd: 'Hold the other side: {drive}',
  part: 'Hold it up: {part}',
  thing: 'Lend a hand: {what}',
  nothing: 'Hands free',
} as const);

/** What tells that it may be let go. */
export const LET_GO_TEXT = inLanguage({
  snug: 'Let go when station {station} is snug.',
  pulled: 'Let go when station {station} is pulled.',
  part: 'Let go when {enough, plural, one {one bolt is} other {# bolts are}} started by hand; {started, plural, =0 {none is} one {one is} other {# are}} yet.',
  thing: 'Stay until it is said to be done.',
  nothing: 'Nothing to hold now. Stay clear of the handle.',
} as const);
