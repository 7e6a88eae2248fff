import type { ItemKind, PieceForm } from './piece-kind.ts';

/** What a piece is, read off what it is called. */
export interface NamedForm {
  kind: ItemKind;
  /** Left out where the words name a kind and nothing plainer. */
  form?: PieceForm;
  /** The head, where its name is one: a carriage bolt. */
  head?: 'carriage' | 'eye' | 'hexFlange' | 'castle' | 'twelvePoint' | 'button' | 'socketCap' | 'countersunk';
  locking?: 'nylon' | 'allMetal';
}

/** The more particular name stands before the plainer: a clip nut is a nut, a hose clamp a clamp. */
const NAMES: ReadonlyArray<[RegExp, NamedForm]> = [
  [/\bu[- ]?bolts?\b/i, { kind: 'bolt', form: 'uBolt' }],
  [/\bbanjo(?: bolts?| screws?| fittings?)?\b/i, { kind: 'bolt', form: 'banjo' }],
  [/\bcarriage bolts?\b|\bcoach bolts?\b/i, { kind: 'bolt', head: 'carriage' }],
  [/\beye ?bolts?\b/i, { kind: 'bolt', head: 'eye' }],
  // Called by its head alone too: `8 button heads`.
  [/\bbutton[- ]heads?(?: (?:screws?|bolts?))?\b/i, { kind: 'bolt', head: 'button' }],
  [/\b(?:countersunk|csk)[- ]heads?(?: (?:screws?|bolts?))?\b/i, { kind: 'bolt', head: 'countersunk' }],
  [/\b(?:socket[- ])?cap[- ]heads?(?: (?:screws?|bolts?))?\b/i, { kind: 'bolt', head: 'socketCap' }],
  [/\b(?:socket|pan|hex|round|dome|truss|flange)[- ]heads?\b/i, { kind: 'bolt' }],
  [/\b(?:barrel|cross[- ]dowel) nuts?\b/i, { kind: 'nut', form: 'barrel' }],
  [/\bweld(?:ing)?[- ]?nuts?\b/i, { kind: 'nut', form: 'weld' }],
  [/\b(?:clip|speed|u)[- ]?nuts?\b/i, { kind: 'nut', form: 'clip' }],
  [/\b(?:rivet[- ]?nuts?|blind nuts?)\b/i, { kind: 'nut', form: 'rivet' }],
  [/\bnut[- ]?plates?\b/i, { kind: 'nut', form: 'plate' }],
  [/\b(?:dome|domed|acorn|closed|cap) nuts?\b/i, { kind: 'nut', form: 'cap' }],
  [/\b(?:castle|castellated|slotted) nuts?\b/i, { kind: 'nut', head: 'castle' }],
  [/\bnylon(?:[- ](?:lock|insert))? nuts?\b/i, { kind: 'nut', locking: 'nylon' }],
  [/\bflanged? nuts?\b/i, { kind: 'nut', head: 'hexFlange' }],
  [
    /\b(?:split|spring|lock)[- ]?(?:M\d{1,2} )?washers?\b|\bwashers?,? (?:M\d{1,2},? )?(?:spring|split|lock(?:ing)?)\b/i,
    { kind: 'washer', form: 'lock' },
  ],
  [/\b(?:star|toothed|serrated) (?:M\d{1,2} )?washers?\b/i, { kind: 'washer', form: 'star' }],
  [/\b(?:conical|belleville|disc spring)(?: washers?)?\b/i, { kind: 'washer', form: 'conical' }],
  [/\b(?:fender|penny|repair|wide) washers?\b/i, { kind: 'washer', form: 'fender' }],
  [/\bsquare (?:plate )?washers?\b/i, { kind: 'washer', form: 'square' }],
  [/\b(?:copper|crush|seal(?:ing)?|bonded) washers?\b/i, { kind: 'washer', form: 'seal' }],
  [/\bshims?\b/i, { kind: 'washer', form: 'shim' }],
  [/\b(?:split|cotter)[- ]?pins?\b/i, { kind: 'pin', form: 'split' }],
  [/\br[- ]?(?:clips?|pins?)\b|\bhitch pins?\b/i, { kind: 'pin', form: 'rClip' }],
  [/\b(?:dowel|locating)(?: pins?|s)?\b/i, { kind: 'pin', form: 'dowel' }],
  [/\bclevis pins?\b/i, { kind: 'pin', form: 'clevis' }],
  [/\b(?:roll|spring|tension) pins?\b/i, { kind: 'pin', form: 'roll' }],
  [/\b(?:internal|inside|bore) (?:circlips?|snap rings?)\b/i, { kind: 'clip', form: 'circlipInside' }],
  [/\b(?:circlips?|snap rings?|retaining rings?)\b/i, { kind: 'clip', form: 'circlipOutside' }],
  [/\bpush[- ](?:in |on )?(?:pins?|clips?|fasteners?|rivets?)\b/i, { kind: 'clip', form: 'pushIn' }],
  [/\bp[- ]?clips?\b/i, { kind: 'clip', form: 'pClip' }],
  [/\b(?:cable|zip)[- ]?ties?\b/i, { kind: 'clip', form: 'tie' }],
  [/\b(?:blind )?rivets?\b/i, { kind: 'clip', form: 'blindRivet' }],
  [/\bgrommets?\b/i, { kind: 'clip', form: 'grommet' }],
  [/\bv[- ]?bands?(?: clamps?)?\b/i, { kind: 'clamp', form: 'vBand' }],
  [/\bt[- ]?bolt clamps?\b/i, { kind: 'clamp', form: 'tBolt' }],
  [/\b(?:worm(?:[- ]drive)?|screw) (?:hose )?(?:clamps?|clips?)\b/i, { kind: 'clamp', form: 'worm' }],
  [/\b(?:constant tension|spring)(?: hose)? (?:clamps?|bands?)\b/i, { kind: 'clamp', form: 'springBand' }],
  [/\bhose (?:clamps?|clips?)\b/i, { kind: 'clamp', form: 'worm' }],
  [/\b(?:wire|coil|helical) (?:thread )?inserts?\b/i, { kind: 'insert', form: 'coil' }],
  [/\bslide[- ]in (?:nuts?|inserts?)\b/i, { kind: 'insert', form: 'slideIn' }],
  [/\b(?:spacers?|stand-?offs?)\b/i, { kind: 'collar', form: 'spacer' }],
  [/\b(?:crush (?:sleeve|tube)s?|sleeves?)\b/i, { kind: 'collar', form: 'sleeve' }],
  [/\bbush(?:es|ings?)?\b/i, { kind: 'collar', form: 'bush' }],
  [/\bcoil springs?\b/i, { kind: 'part', form: 'coilSpring' }],
  [/\b(?:helper |add-a-)?lea(?:f|ves)\b/i, { kind: 'part', form: 'leafSpring' }],
  [/\b(?:silicone |hose )?elbows?\b/i, { kind: 'part', form: 'elbow' }],
  [/\bhoses?\b/i, { kind: 'part', form: 'hose' }],
  [/\bbent (?:pipe|tube)s?\b|\bcharge pipes?\b/i, { kind: 'part', form: 'bentPipe' }],
  [/\b(?:pipe|tube)s?\b/i, { kind: 'part', form: 'pipe' }],
  [/\bkeys?\b/i, { kind: 'part', form: 'key' }],
  [/\barms?\b|\blinks?\b/i, { kind: 'part', form: 'arm' }],
  [/\bbrackets?\b/i, { kind: 'part', form: 'angle' }],
  [/\bbars?\b/i, { kind: 'part', form: 'bar' }],
  [/\bblocks?\b/i, { kind: 'part', form: 'block' }],
  [/\bplates?\b/i, { kind: 'part', form: 'plate' }],
];

/**
 * What the words of a packing list call a piece; the name that stands last wins, as English has it: a hose clamp is a
 * clamp, a clamp hose a hose.
 */
export function formInWords(words: string): NamedForm | undefined {
  let found: { named: NamedForm; start: number; end: number } | undefined;
  for (const [name, named] of NAMES)
    for (const match of words.matchAll(new RegExp(name, 'gi'))) {
      const [start, end] = [match.index, match.index + match[0].length];
      // A name inside another is the plainer one.
      if (found && end <= found.end) continue;
      found = { named, start, end };
    }
  return found?.named;
}
