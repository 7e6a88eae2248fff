/** What is said of the load that is left in the bolts of a group. */
import { inLanguage } from '../say.ts';
export const LOAD = inLanguage({
  allHold: 'All that were pulled still hold nine tenths of their load or more.',
  again:
    '{count, plural, one {Station {stations} holds {shares} of its load: pull it} other {Stations {stations} hold {shares} of their load: pull them}} once more, after this round.',
  settles:
    '{count, plural, one {Station {stations} moved} other {Stations {stations} moved}} by more than the joints beside can have taken: something between settles. Go round again until nothing moves, and look at what is clamped.',
  givesMeasured: 'The plate gives {gives} of what a bolt gives: taken from how far the check pulls moved.',
  givesAssumed:
    'The plate is taken to give {gives} of what a bolt gives: chosen by us, no check pull of a live wrench has measured it.',
  way: '{pattern, select, none {} other {{pattern}, }}{stages}{extra, select, none {} other {, then {extra} once more}}: {pulls} pulls, {spread} between least and most',
  noWay: 'not even to a tenth within four rounds',
} as const);
