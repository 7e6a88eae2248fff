import type { FactValue, SheetCompound } from './fact.ts';
import type { Phrase } from './fastener-phrase.ts';
import { firstOf, found, lower, openersOf } from './phrase-match.ts';
import { around } from './sentence.ts';
import type { Token } from './token.ts';

/** Phrases of words, one a line; words parted by spaces. */
const phrases = (text: string): ReadonlyArray<readonly string[]> =>
  text
    .split('|')
    .map((phrase) => phrase.trim().split(' '))
    .sort((a, b) => b.length - a.length);

const LOCKER = phrases(
  'mittelfest sichern|hochfest sichern|schraubensicherung|threadlocker|threadlock|thread locker|thread lock|thread lock fluid|thread locking compound|thread locking adhesive|thread locking agent|thread locking liquid|thread locking fluid|threadlocking adhesive|threadlocking compound|locking compound|locking fluid|locking agent|locking liquid|lock agent|lock fluid|threadlocking|thread locking|thread brake|thread adhesive|thread glue|screw lock|screw locking|screw securing|screw securing agent|screw securing fluid|screw securing lacquer|securing fluid|securing agent|securing compound|locking lacquer|locking paste|anti loose glue|anti loosening glue|anti loose liquid|screw locking agent|bolt lock|nut lock fluid|screw glue|screw adhesive|thread 1 ocker|medium lock|strong lock|blue lock|red lock|high lock|blue tl|red tl|medium tl|high tl|blocking liquid|blocking fluid|blocking compound|thread blocking fluid|thread blocking liquid|thread blocking|thread sealing lock',
);
const HIGH = new Set(['hochfest', 'red', 'high', 'permanent', 'strong', 'strongest']);
const MEDIUM = new Set(['mittelfest', 'blue', 'medium', 'middle', 'removable', 'mid', 'med']);
const LOW = new Set(['low', 'weak', 'purple', 'niedrigfest']);
/** What stands behind `low` where it is a strength: `low profile` and `low range` are none. */
const BEHIND_LOW = /^(?:strength|grade|locker|thread\w*|lock\w*|tl|[-,;:.)]|)$/;
const LOCKER_OPENERS = openersOf(LOCKER);
const COLOURED = new Set(['liquid', 'stuff', 'goop', 'locker', 'glue', 'compound', 'fluid', 'drop']);

const COMPOUNDS: ReadonlyArray<readonly [SheetCompound, ReadonlyArray<readonly string[]>]> = [
  [
    'antiSeize',
    phrases(
      'anti seize|anti seize paste|anti seize compound|anti seize grease|antiseize|antiseize paste|copper paste|copper grease|nickel paste|ceramic paste|mounting paste|assembly paste|anti seizing paste|anti seizing oil|anti seizing agent|anti seizing grease|anti seizure paste|molybdenum paste|moly paste|high temperature paste|heat paste',
    ),
  ],
  [
    'sealant',
    phrases(
      'put silicone|some silicone|silicone around|silicone round|silicone under|silicone behind|silicone into|bead of silicone|line of silicone|black silicone|clear silicone|gasket maker|liquid gasket|gasket paste|gasket compound|gasket sealant|flange sealant|silicone sealant|silicone sealer|rtv sealant|rtv silicone|sealant|sealer|rtv|pipe paste|pipe dope|thread sealant|thread sealer|pipe sealant|sealing paste|sealing compound|jointing compound|jointing paste|thread tape|ptfe tape|seam sealer|body sealer|butyl|sealing mastic|mastic',
    ),
  ],
  ['retaining', phrases('retaining compound|bearing retainer|bearing fit compound|joining compound')],
  [
    'penetrant',
    phrases(
      'penetrating oil|penetrating fluid|penetrating spray|penetrant|rust penetrant|rust remover|releasing fluid|releasing spray|releasing oil|release oil|freeing oil|creeping oil|creep oil',
    ),
  ],
  [
    'solvent',
    phrases(
      'brake cleaner|parts cleaner|contact cleaner|alcohol|spirit wipe|lacquer thinner|thinner|thinners|acetone|solvent|degreaser|white spirit|methylated spirit|spirit|isopropyl|cleaning fluid',
    ),
  ],
  [
    'paint',
    phrases(
      'be painted|be primed|prime|touch up paint|zinc primer|zinc spray|zinc paint|primer|cold galvanizing|cold galvanising|corrosion wax|cavity wax|rust wax|wax|undercoating|underseal|paint|lacquer|varnish|antirust|anti rust|rust protection|rust preventive|rust inhibitor',
    ),
  ],
  [
    'lubricant',
    phrases('soapy water|soap|washing up liquid|dish soap|rubber lubricant|silicone spray|assembly lube|lubricant'),
  ],
  [
    'grease',
    phrases(
      'silicone grease|lithium grease|contact grease|dielectric grease|rubber grease|rubbing grease|poly grease|petroleum grease|chassis grease|petroleum jelly|lightly greased|well greased|slightly greased|thinly greased|greased|grease',
    ),
  ],
  [
    'oil',
    phrases('engine oil|motor oil|light oil|clean oil|machine oil|lightly oiled|slightly oiled|only oiled|oiled|oil'),
  ],
];
const COMPOUND_OPENERS = openersOf(...COMPOUNDS.map(([, list]) => list));

/** Words after which a compound's name names something else: a fitting, a drain, a pan. */
const NOT_A_COMPOUND = new Set(
  'fitting fittings nipple nipples gun pan filter cooler line lines drain leak leaks level pressure seal seals change plug cap pump feed return hose temperature sump thrower type will runs drips drained drains leaks comes spills spill pen marker line lines code work finish shop job test tests cup cups point points bag plan mark marks stripe stripes dot dots shows appears emerges'.split(
    ' ',
  ),
);
/** `1.9 l of hypoid oil`: what is filled in. */
const OIL_MEASURED = /\d ?(?:l|litres?|liters?|ml|qts?|quarts?|pints?|pts?|oz)\b\.? (?:of )?(?:\p{L}+ ){0,2}$/iu;
/** `Change the oil after 800 km.` */
const OIL_RUNS = /\b(?:change|drain|check|fill|refill|top up|let out|catch) (?:in |out )?(?:the |all |some |your )?$/i;
/** `Oil ........... 2.4 l` */
const OIL_FILLED = /^[ .:…]{0,24}(?:approx\.? |about )?\d+(?:[.,]\d+)? ?(?:l|litres?|liters?|qts?|quarts?|pints?)\b/i;
/** A verb whose object is treated with it: `grease the pins`, `oil the threads`. */
const OBJECT = new Set(['the', 'all', 'both', 'each', 'its', 'these', 'every', 'a', 'an']);

/** What is there already and comes off. */
const RESIDUE_BEFORE =
  /\b(?:remove|removing|clean(?:ed|ing)?(?: off| away)?|wipe[sd]?(?: off| away)?|scrap(?:e|ed|ing)(?: off| away)?|brush(?: off| away)?|wash(?: off)?|rub off|get (?:all |the |any )?|residual|remains? of|remnants? of|rests? of|(?<!\b(?:an?|slight|thin|light|small|good|bare|the merest) )traces? of|excess|surplus|old|dried|free (?:of|from)|clear of|degrease)\b(?:(?!\bwith\b|\bin\b|\busing\b|\bthen\b|\b(?:and|,) (?:apply|put|use|add|smear)\b|, (?:medium|high|new|fresh|a drop|zinc|primer|paint|wax|grease)\b)[^.;:])*$/;
const RESIDUE_AFTER =
  /^(?:[^.;]{0,40}\b(?:off|away)\b|[^.;]{0,30}\b(?:which|that) (?:remained|is left|was left)|[^.;]{0,24}\b(?:residue|remains|is removed|comes off)\b|[^.;]{0,70}\b(?:must|shall|should|has to|have to|is to|are to) be (?:removed|cleaned|scraped|taken off|brushed off|washed off)\b)/;
/** Right before a name: what is put on it is another thing. */
const APPLIED_WITH = /\b(?:with|using|in)\s+(?:\w+\s+){0,2}$/;
/** Nothing of it goes on. */
const FORBIDDEN_BEFORE =
  /\b(?:no|not|never|without|don't|dont|doesnt|do not|does not|neither|nor|avoid|instead of|nothing like|is not|isn't|aren't|banned|forbidden|prohibited|delete|strike out|cross out)\b[^.;:]{0,46}$/;
const FORBIDDEN_AFTER =
  /^(?: (?:and|or) (?:oil|grease|paste|petrol|spirit))? (?:destroys?|attacks?|rots?|ruins?|eats?|swells?|harms?|perish(?:es)?) (?:them|it|the|rubber)\b|^[^.;:]{0,30}: no\b(?! (?:less|more|need))|^[^.;]{0,60}?\b(?:(?:shall|must|should|may|can|is|are) not (?:to )?be (?:used|applied|put|added)|(?:is|are) (?:forbidden|prohibited|not (?:used|allowed|permitted|needed|required|wanted|necessary))|must not|may not|should not|on (?:the |its |their )?threads? is not\b|not (?:needed|required|wanted|necessary|allowed|permitted)|forbidden|prohibited|is a mistake|is wrong|is a bad idea|is no longer used|are no longer used|is no longer needed|is no good|has no place|does not belong|by mistake|do not use it|don't use it|not to be used|leave it (?:off|out|away))\b/;
/** A cell that says no: `copper grease NO`. */
const CELL_NO = /^[ \t]*[:=–-]?[ \t]*(?:no|none)[ \t]*(?=[|,.;)\n]|$)/i;
/** Asked and denied: `Is threadlocker a good idea? It is not.` */
const ASKED = /^[^.?!\n]{0,44}\?["']?\s*(?:\[?[\d:.]*\]? ?\p{L}{1,14}: ?)?(?:it is not|no\b|never|don't|nope|nah)/iu;
/** A negation that speaks of something else: `do not forget the grease`, `not only`. */
const NOT_NEGATED =
  /\b(?:do not|don't|never) (?:forget|omit|skip|spare|be mean with)\b[^.;:]*$|\bnot only\b[^.;:]*$|\bno more than\b[^.;:]*$|\bnot (?:too much|more than)\b[^.;:]*$/;

/** What is said of a compound where it is named: put on, left off, or there already. */
function polarity(source: string, start: number, end: number, compound: SheetCompound): 'apply' | 'dry' | 'residue' {
  const { before, after } = around(source, { start, end });
  const clause = before.slice(-110);
  if (/^[- ]free\b/.test(after)) return 'residue';
  // `Let the locking compound set`: it is on already.
  if (
    /\b(?:let|allow|until|once|when|after|before|for) (?:the |all (?:the )?|this )?(?:\w+ )?$/.test(clause) &&
    /^ (?:to )?(?:has |have |is |are )?(?:set|sets|cures?|cured|dry|dries|dried|hardens?|hardened|touch dry)\b/.test(
      after,
    )
  )
    return 'residue';
  // On the new part already, or of its finish.
  if (
    /^ already (?:on|fitted|applied)\b|^(?: paste| compound)?(?: on (?:the )?threads?)? (?:is|are|comes?) (?:already )?on\b[^.;]{0,20}\balready\b|^(?: on (?:the |its |their )?threads?)? (?:is|are) already\b/.test(
      after,
    )
  )
    return 'residue';
  if (/^ (?:at|by|from|in) (?:the |our )?(?:works|factory|maker|manufacturer)\b/.test(after)) return 'residue';
  if (/\bits own $|\b(?:a )?word (?:on|about) $/.test(clause)) return 'residue';
  // `somebody before you oiled them`, `Before: oiled`, `they come greased`: it was so, and nobody is to do it.
  if (
    /^(?:oiled|greased|painted|waxed)\b/i.test(source.slice(start, end)) &&
    /\b(?:some ?body|some ?one|any ?body|any ?one|some (?:fool|idiot|clown)|they (?:come|are|were)|before you|(?:has|have|had) (?:been )?|before:|was:|were)\s*(?:has |have |had |already )?$/.test(
      clause,
    )
  )
    return 'residue';
  const solvent = compound === 'solvent' || compound === 'lubricant';
  const asked = source.slice(end, end + 90);
  if (CELL_NO.test(asked) || FORBIDDEN_AFTER.test(after) || ASKED.test(asked)) return 'dry';
  if (FORBIDDEN_BEFORE.test(clause) && !NOT_NEGATED.test(clause)) {
    // The negation ends with its clause: `not too tight, oil the threads`.
    const tail = clause.slice(clause.search(FORBIDDEN_BEFORE));
    // `not 25 like the sticker, use the blue one`: a new verb begins anew.
    if (
      /^(?:no|not|never|without|don't|any|do not|does not|is not)\b(?! (?:use|apply|put|add|be|to|spray|coat|smear|brush|paint|grease|oil|let|get|leave)\b).*\b(?:use|apply|put|add|coat|smear|spray)\b/.test(
        tail,
      )
    )
      return 'apply';
    if (!/,(?! (?:or|nor|no|and no)\b)/.test(tail) || /\b(?:no|nor|never|without)\b [^,]*$/.test(tail)) return 'dry';
  }
  // `Brush grease on the pins`: on and not off.
  // `Grease the bushes but keep the grease off the threads.`
  if (/^ (?:the|all|both|each|its|these) [^.;]{2,30}?,? but\b/.test(after)) return 'apply';
  const on =
    /^\s*(?:on|onto|over|to|into|around)\b/.test(after) && !/\b(?:old|residual|remains?|excess)\b[^.;]*$/.test(clause);
  if (!solvent && !on && !APPLIED_WITH.test(clause) && (RESIDUE_BEFORE.test(clause) || RESIDUE_AFTER.test(after)))
    return 'residue';
  return 'apply';
}

const spokenOf = (source: string, start: number, end: number, compound: SheetCompound): FactValue => {
  const said = polarity(source, start, end, compound);
  const text = source.slice(start, end);
  if (said === 'dry') return { kind: 'dry', of: compound, text };
  return said === 'residue' ? { kind: 'residue', of: compound, text } : { kind: 'compound', compound };
};

const FASTENER = /^(?:bolts?|nuts?|screws?|studs?|threads?)$/;

/** Where a locker ends that is told by its colour: `red stuff`, `Blue on the tow-eye bolts.`; undefined where none is. */
function colouredLocker(tokens: readonly Token[], at: number): number | undefined {
  if (!['blue', 'red'].includes(lower(tokens, at))) return undefined;
  const next = lower(tokens, at + 1);
  if (COLOURED.has(next)) return lower(tokens, at + 2) === 'of' ? undefined : at + 2;
  const before = tokens[at - 1];
  // `24 Nm blue`, `hand tight + blue.`: a colour alone, where a note ends.
  const ends = tokens[at + 1] === undefined || /^(?:\n|[.,;)|])$/.test(next);
  const celled = before?.kind === 'number' && (tokens[at]?.start ?? 0) - before.end >= 2;
  if (celled && ends) return at + 1;
  if (ends && before !== undefined && /^(?:\+|nm|m|lb|lbs|lbf|ft|w|with|dab|drop)$/.test(before.lower)) return at + 1;
  // `a drop of red on each`
  if (next === 'on' && before?.lower === 'of' && /^(?:drop|dab|spot|bead|bit)$/.test(tokens[at - 2]?.lower ?? ''))
    return at + 1;
  // `Use red on the 1/2 bolts`
  const begins =
    before === undefined || before.kind === 'break' || before.text === '.' || /^(?:use|put|apply)$/.test(before.lower);
  const onThem = next === 'on' && ['the', 'these', 'those', 'all'].includes(lower(tokens, at + 2));
  return begins && onThem && tokens.slice(at + 3, at + 7).some((token) => FASTENER.test(token.lower))
    ? at + 1
    : undefined;
}

/** Where a locker ends that is told by its strength, as in a column: `locker, medium`, `strong locker`. */
function strongLocker(tokens: readonly Token[], at: number): number | undefined {
  // A cell of its own in a row that is tightened: `| 22 N m | medium |`.
  if (MEDIUM.has(lower(tokens, at)) || HIGH.has(lower(tokens, at))) {
    const next = lower(tokens, at + 1) === 'strength' ? at + 2 : at + 1;
    // `middle strength glue`
    if (next > at + 1 && /^(?:glue|adhesive|liquid|fluid|compound)$/.test(lower(tokens, next))) return next + 1;
    const [before, after] = [tokens[at - 1], tokens[next]];
    const closes = after === undefined || after.kind === 'break' || after.text === '|';
    // `the bolts get medium strength`: of the locker the sheet speaks of.
    const asked = next > at + 1 && /^(?:use|get|gets|with|need|needs|want|wants)$/.test(before?.lower ?? '');
    if (asked && (closes || /^[.,;)]$/.test(after?.text ?? ''))) return next;
    return before?.text === '|' && closes ? next : undefined;
  }
  if (lower(tokens, at) !== 'locker') return undefined;
  // `goes back with new locker`: its strength is not said.
  if (/^(?:new|fresh|some)$/.test(lower(tokens, at - 1))) return at + 1;
  // `locker, medium`, `locker (the strong one)`, `locker: medium`
  const parted = [',', '(', '-', ':', '='].includes(lower(tokens, at + 1)) ? at + 2 : at + 1;
  const behind = lower(tokens, parted) === 'the' ? parted + 1 : parted;
  // `high strength locker`: its strength stands before the word for it.
  const ahead = ['strength', 'grade'].includes(lower(tokens, at - 1))
    ? at - (lower(tokens, at - 2) === '-' ? 3 : 2)
    : at - (lower(tokens, at - 1) === '.' ? 2 : 1);
  return [ahead, behind].some((place) => [HIGH, MEDIUM, LOW].some((words) => words.has(lower(tokens, place))))
    ? at + 1
    : undefined;
}

/** Locker with its strength from the words around it; without one, medium is assumed and said to be so. */
export function locker(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const colour = lower(tokens, at);
  const byColour = colouredLocker(tokens, at);
  const byStrength = strongLocker(tokens, at);
  if (byColour === undefined && byStrength === undefined && !LOCKER_OPENERS.has(colour)) return undefined;
  const next = firstOf(tokens, at, LOCKER) ?? byColour ?? byStrength;
  if (next === undefined) return undefined;
  // Within the same breath: not past the sentence or an `and`.
  const near: string[] = byColour === undefined && byStrength === undefined ? [] : [colour];
  for (let own = at; own < next; own++) near.push(lower(tokens, own));
  for (let back = at - 1; back >= at - 5 && back >= 0; back--) {
    const token = tokens[back];
    if (!token || token.text === '.' || token.lower === 'and') break;
    if (token.lower !== 'low' || BEHIND_LOW.test(lower(tokens, back + 1))) near.push(token.lower);
  }
  for (let on = next; on < next + 6; on++) {
    const token = tokens[on];
    if (!token || token.text === '.' || token.lower === 'and') break;
    if (token.lower !== 'low' || BEHIND_LOW.test(lower(tokens, on + 1))) near.push(token.lower);
  }
  const high = near.some((word) => HIGH.has(word));
  const medium = near.some((word) => MEDIUM.has(word));
  const low = near.some((word) => LOW.has(word)) && !high && !medium;
  const compound: SheetCompound = low ? 'threadlockerLow' : high && !medium ? 'threadlockerHigh' : 'threadlockerMedium';
  const [first, last] = [tokens[at], tokens[next - 1]];
  const value = spokenOf(source, first?.start ?? 0, last?.end ?? 0, compound);
  return { value, next, suspect: value.kind === 'compound' && !high && !medium && !low };
}

export function compound(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  if (!COMPOUND_OPENERS.has(lower(tokens, at))) return undefined;
  // `fluid-film` and `oil-pan` are named otherwise; `grease-proof` is no grease.
  for (const [kind, list] of COMPOUNDS) {
    const next = firstOf(tokens, at, list);
    if (next === undefined) continue;
    const after = lower(tokens, next);
    // `Q7 Grease?` asks.
    if (after === '?' || NOT_A_COMPOUND.has(after)) return undefined;
    // `prime the bare edge`, `deburr, prime, then set`: a verb, and no prime mover.
    if (lower(tokens, at) === 'prime' && !/^(?:the|bare|both|all|it|them|any|and|,|edges?|holes?)$/.test(after))
      return undefined;
    // `drain plug of the oil`, `gear oil`: what runs in the vehicle.
    const before = lower(tokens, at - 1);
    if (
      kind === 'oil' &&
      (before === 'gear' ||
        before === 'fork' ||
        before === 'gearbox' ||
        [
          'change',
          'drain',
          'fill',
          'refill',
          'new',
          'fresh',
          'waste',
          'differential',
          'diff',
          'axle',
          'transmission',
          'hydraulic',
        ].includes(before) ||
        OIL_FILLED.test(source.slice(tokens[next - 1]?.end ?? 0, (tokens[next - 1]?.end ?? 0) + 40)) ||
        OIL_MEASURED.test(source.slice(Math.max(0, (tokens[at]?.start ?? 0) - 40), tokens[at]?.start ?? 0)) ||
        OIL_RUNS.test(source.slice(Math.max(0, (tokens[at]?.start ?? 0) - 24), tokens[at]?.start ?? 0)) ||
        (before === 'the' && lower(tokens, at - 2) === 'of'))
    )
      return undefined;
    if (after === 'is' && lower(tokens, at) === 'thinner') return undefined;
    if (kind === 'solvent' && ['is', 'are', 'the'].includes(before) && lower(tokens, at).startsWith('thinner'))
      return undefined;
    if (kind === 'paint' && ['powder', 'body', 'vehicle', 'car'].includes(before)) return undefined;
    // `paint to be removed from the earth face`
    if (
      kind === 'paint' &&
      /^(?:to|must|shall|has|is) be$/.test(`${after} ${lower(tokens, next + 1)}`) &&
      /^(?:removed|scraped|taken)$/.test(lower(tokens, next + 2))
    )
      return undefined;
    // `I mark each head with paint`
    if (
      kind === 'paint' &&
      before === 'with' &&
      tokens.slice(Math.max(0, at - 7), at).some(({ lower }) => /^mark(?:s|ed)?$/.test(lower))
    )
      return undefined;
    // `grease pivot every 6 months`, `grease every 5 000 miles`: due later.
    if (
      (kind === 'grease' || kind === 'oil') &&
      /^\s*(?:[\w-]+ ){0,3}every (?:\d|month|year|week|service|oil|spring|autumn)/.test(
        around(source, { start: tokens[at]?.start ?? 0, end: tokens[next - 1]?.end ?? 0 }).after,
      )
    )
      return undefined;
    if (after === 'every' && /\d/.test(lower(tokens, next + 1))) return undefined;
    if (OBJECT.has(after) && ['grease', 'oil'].includes(kind)) {
      const { after: rest } = around(source, { start: tokens[at]?.start ?? 0, end: tokens[next - 1]?.end ?? 0 });
      // `Grease the bushes with the grease supplied`: what is put on is named behind.
      if (/\bwith\b[^.;]*\b(?:grease|oil|paste|compound|lubricant)\b/.test(rest)) return undefined;
      if (/\b(?:every|each|monthly|yearly|once|twice|regularly)\b/.test(rest)) return undefined;
    }
    const value = spokenOf(source, tokens[at]?.start ?? 0, tokens[next - 1]?.end ?? 0, kind);
    return found(value, next);
  }
  return undefined;
}

/** What goes on dry, with no compound named. */
const DRY =
  /(?<=[.;:][ \n]{1,4})dry(?=\.(?:\s|$))|\b(?:(?:use|put|apply|with) nothing on|nothing (?:whatever |whatsoever |at all )?on (?:the|these|those|its) |(?:not|never|un)[- ]?(?:be )?lubricated|un(?:oiled|greased)|no lubrica(?:nt|tion)|no (?:paste|goop|compound|lube|glue|locker|lock(?= on\b))\b|\ball (?:the )?others? dry\b|, not the (?:taper|threads?|cones?|seats?|studs?|bolts?|screws?)\b|do(?:es)? not (?:need|want|take|add|use) any\b|(?:do|shall|must) not (?:additionally |also |be )?glued?\b|(?:threads?|studs?|nuts?|bolts?|screws?|cones?|faces?|taper|seats?|ends?|fit(?:ted)?|install(?:ed)?|assembl(?:e|ed)|tighten(?:ed)?|torqued?|go(?:es)?(?: in| on| together)?|enter|stay|stays|remain|remains|left|leave|kept|keep|used?|clean and|them|it|these|bare and)\b[^.;\n]{0,18}?\bdry\b(?! (?:for|\d|out|off|weight|up|before|time|values?|figures?|torques?|settings?)))|\bdry (?:threads?|and clean|faces?|studs?|fit|assembly|joints?)\b|(?:^|\n)[^\n.]{0,30}: ?dry\b|\bkeep (?:it|them|the paste|the grease) off\b|\(\w{1,2}\) dry\b|\bM\d{1,2}s? (?:is |are |stays? |go(?:es)? )?dry\b(?= ?(?:[.,;:)\n]|$))|\bnone on (?:the|these|any|all)(?: of the)? (?:[\p{L}-]+ ){0,2}(?:threads?|studs?|faces?|bolts?|nuts?|screws?)\b|\b(?:shall|must|may|should|do|can) not (?:be )?(?:coat(?:ed)?|greased?|oil(?:ed)?|lubricated?)\b|\bno silicone\b|\bnot on (?:(?:the|these|any) )?(?:M\d{1,2}s?|threads?|bolts?|nuts?|screws?|studs?|cones?|faces?|seat)\b|, dry[.,;:)\n]|\bdry, as (?:delivered|supplied|packed)|\bones? nothing\b|\b(?:compound|locker|lubricant|lube|treatment)(?:\s*[:=]\s*| {1,4})(?:none|nil)\b|\b(?:do not|don't|never|no) (?:use )?(?:sealing |ptfe |thread )tape\b|\| *dry *(?=\||\n|$)|(?<=\t| {2,})dry[ \t]*(?=\t|\n|$| {2})/giu;
/** Words that make of `dry` a wait or a wiping. */
const DRYING = /\b(?:let|allow|until|wipe|wiped|blow|leave to|hair|touch)\b[^.;\n]{0,20}$/i;

/** Places where the sheet says that nothing goes on. */
export function dryPlaces(text: string): Array<{ start: number; end: number; value: FactValue }> {
  return [...text.matchAll(DRY)].flatMap((match) => {
    const start = match.index;
    const dry = start + match[0].toLowerCase().lastIndexOf('dry');
    if (/dry/i.test(match[0]) && DRYING.test(text.slice(Math.max(0, dry - 28), dry))) return [];
    const end = start + match[0].trimEnd().length;
    return [{ start, end, value: { kind: 'dry' as const, text: match[0].trim().replace(/\s+/g, ' ') } }];
  });
}
