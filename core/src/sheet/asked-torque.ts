/** A verb of the work before a figure, in its sentence. */
const WORK =
  /\b(?:(?:re-?)?tighten\w*|(?:re-?)?torqu(?:e[ds]?|ing)|pull(?:ed|s)?|lock(?:ed)?(?= (?:the|all|both|these|down|up|them|it)\b)|nip(?:ped)?|snug|set|bring|done up|do (?:them|it|these|those) up|run (?:them |it )?(?:down|up|in)|wind|screw(?:ed)? (?:down|in|up)|fasten\w*|seat(?:ed)?|clamp(?:ed)?|clos(?:e|es|ed|ing)|secur(?:e|es|ed)|fit(?:ted|s)?|install(?:ed|s)?|mount(?:ed)?|refit|attach(?:ed)?|put|give (?:it|them)|gets?|check(?:ed)? (?:at|with|to)|go(?:es)? (?:over|round|to|back)|finish|work up|approach|anzugsmoment|drehmoment|serrer|apretar)\b/;
/** What is tightened, or its size, right before a figure. */
const PIECE =
  /(?:\b(?:bolts?|nuts?|screws?|studs?|plugs?|caps?|clamps?|unions?|heads?|ends?|links?|pins?|sensors?|brackets?|washers?|bands?|collars?|inserts?|eyes?|arms?|mounts?|strut|fittings?|nipples?|covers?|feet|foot|bars?|hose|flange|side|front|rear|upper|lower|top|bottom|inner|outer|left|right|each|all|both|dry|oiled|greased|lubricated|new|final(?:ly)?|stage|step|pass|then|first|second|third|size|class|cold|hot|loaded|ground|wheels?|value|figure|torque|moment|couple|setting)|m ?\d[\d.,x× ]*|\d\/\d\S*|#?\d+-\d+\S*|[)\]]|"|\d ?mm|\d ?af|\b(?:8|10|12)\.\d)\s*[,:=–-]?\s*(?:(?:to|at|with|is|are|=|of|gets?|takes?|needs?|wants?|go(?:es)? to|go|on|by|must be|should be|shall be|to be|receives?|becomes?)\s+)*(?:a |the |about |around |approx\.? |torque |final |of )*$/;
/** A figure that opens its row, its cell or its sentence. */
const OPENS =
  /(?:^|[:=|•\t–→>]|\.{3}|\s{2}|[,;(]|\b(?:then|and|or|plus|finally|first)\b)\s*(?:\(|\[|\{|to |at |with |is )?$/;
/** A figure that is said outright: `it is 45 Nm`, `they go to 25`. */
const SAID =
  /\b(?:it|they|these|those|this|that|figure|value|torque|answer|right|correct|ones?)\b[^.;,]{0,24}\b(?:is|are|be|becomes?|gets?|go(?:es)?|takes?|needs?|wants?|receives?)\b[^.;,]{0,20}$|\b(?:it's|they're|that's)\b[^.;,]{0,12}$/;
/** A figure with its joint behind it. */
const BEHIND = /^\s*,?\s*(?:on|for|at|to) (?:all|the|each|every|both|these|those)\b/;
/** Words of a tale, a machine or a trial, and not of an instruction. */
const TOLD =
  /\b(?:hear|heard|feels?|felt|saw|seen|transmits?|swears?|wonder|rang|thinks?|believes?|remember|reckons?|fellows?|somebody|people|others|neighbour|customer|forum|they say|i have|i had|we had|years? ago|back then|spec'd|designed|permanent(?! (?:lock|thread|screw|glue|red))|fixture|cycles|kn\b|moment at|static|dynamic|fatigue|preload|service limit|wear limit|must lie|should lie|must be between|has to lie|running-in|motor over|motors? of|engine of|kw\b|hp\b|slips?|makers?'s? own|does not apply|by mistake|notice gave|previous notice|constructor)\b/;

/** Who did something once: a person of a tale, and not the reader of the sheet. */
const PERSON = String.raw`(?:i|we|he|she|they|who|somebody|someone|everybody|nobody|(?:my|our|his|her|their|your|the|a|an|one|another|last|previous|some)(?:'s)? (?:[\w-]+ ){0,2}(?:lad|apprentice|brother|sister|father|dad|son|friend|mate|buddy|pal|neighbou?r|cousin|boss|foreman|member|owner|customer|mechanic|fitter|fellow|guy|bloke|man|chap|shop|garage|dealer|workshop|supplier|colleague|trainee|helper)s?)`;
/** `His brother used 3 Nm`, `our member did his to 160 Nm`: what somebody did, with any verb. */
const PERSON_DID = new RegExp(
  String.raw`\b${PERSON}\b[^.;:]{0,40}\b(?:did|used|put|started|began|went|had|took|gave|tried|ran|pulled|set|torqued|tightened|nipped|cranked|leaned|swung|wound|brought|left|stopped at|settled on|got (?:it|them|mine|his|hers|theirs)|heard|read|thought|said|told)\b[^.;]{0,44}$`,
);
/** `Test bolts yielded at 142 ft-lb`, `the original instruction called for 75 ft-lb`: what happened, and nothing to be done. */
const HAPPENED =
  /\b(?:yielded|reported|remained|called for|(?<!\b(?:engineers?|designers?|makers?|manufacturers?|suppliers?|technical|works|office) )asked for|quoted|relaxed|failed|stretched|snapped|sheared|stripped|cracked|broke|let go|gave way|came loose|loosened|dropped|crept|bent|dimpled|crushed|returned|measured|recorded|withstood|delivered|produced|reached only|applied a (?:load|force|moment)|had (?:only |just )?been (?:done|tightened|torqued|pulled|set)|were found|was found|were left|was left)\b[^.;,]{0,34}$/;
/** `Went to 65 Nm on the brackets`: somebody's own tale, without its subject. */
const WENT = /^\W*(?:went|did|used|put|took|had|tightened|torqued)\b(?! (?:the|all|both|each)\b)[^.;]{0,30}$/;
/** `I always gave 18 Nm, and you should too`: meant for whoever reads it. */
const AFFIRMED =
  /^[^.;]{0,12}\b(?:and|so) (?:you should|so should you|do the same|that is (?:right|what|the figure)|that's (?:right|what)|it is (?:right|still))\b/;
/** `Most deliver 250 ft-lb`, `the hub maker quotes 130 Nm`: told in the present of something else. */
const SAID_ELSEWHERE =
  /\b(?:delivers?|quotes?|claims?|reckons?|is (?:good|rated) (?:for|to)|(?:operable|released?|unlocks?|engages?|opens?) (?:with|at|by|under)|last time)\b[^.;,]{0,26}$|\blast time\b[^.;]{0,60}$/;
/** Right behind a figure: what came of it, or that it stayed behind. */
const CAME_OF_IT =
  /^ (?:(?:two|one|three|some|several|most|all|both|many) )?(?:of )?(?:mine|ours|them|the bolts|the studs|the nuts)[^.;]{0,16}\b(?:broke|snapped|sheared|stripped|stretched|failed|cracked|bent)|^,? (?:remained|was left|were left|and (?:needed|snapped|stripped|broke|cracked|ruined|bent|crushed|had to|the [\w -]{3,24} (?:dimpled|cracked|bent|broke|stripped|split|gave))|already\b|which (?:cracked|broke|bent|stripped|crushed|pulled))|^[^.;]{0,8}\b(?:in the first second|at the end of the test|that is why|that's why)\b/;

/**
 * Whether a sentence asks for a torque: by a verb of tightening, the piece it is for, or a row that names it. `told` is
 * a tale, a machine or a trial; `unsaid` has none of these, and is doubted.
 *
 * @param before - the sentence up to the figure, lower case
 * @param after - the sentence behind it
 */
export function askedTorque(before: string, after: string): 'asked' | 'told' | 'unsaid' {
  const clause = before.split(/[;]\s|\.\s/).at(-1) ?? before;
  if (TOLD.test(clause.slice(-100)) || TOLD.test(after.split(/[,;]|\.\s/)[0]?.slice(0, 44) ?? '')) {
    // In a tale only what is said outright counts.
    const tightened =
      /\b(?:tighten(?:ed)?|torque (?:to|the|them|it|all)|retighten)\b[^.;,]{0,40}$/.test(clause) &&
      !/\b(?:were|was|had been|used to|would)\b/.test(clause);
    return tightened ? 'asked' : 'told';
  }
  // A figure after `but` or `so` is said anew: `I started at 10 Nm, but the template shows 6 Nm`.
  const anew =
    clause
      .split(
        /\b(?:but|so today|so now|instead|today|now|when (?=it|they)|then (?=(?:he |she |they )?(?:looked|checked|corrected)\b))\b/,
      )
      .at(-1) ?? clause;
  // `I went 35 ft-lbs on these`: advice of one who did it, and doubted.
  if (/\b(?:i|we) (?:went|did|used?|go|do|put|torque|torqued)\b[^.;:]{0,30}$/.test(anew) && BEHIND.test(after))
    return 'unsaid';
  if (AFFIRMED.test(after)) return 'asked';
  const wanted = /\b(?:it|they|these|those|that) (?:wants?|needs?|takes?|gets?|must|should)\b[^.;,]{0,12}$/.test(anew);
  if (
    (PERSON_DID.test(anew) && !wanted) ||
    WENT.test(anew) ||
    HAPPENED.test(anew) ||
    SAID_ELSEWHERE.test(anew) ||
    CAME_OF_IT.test(after.slice(0, 60))
  )
    return 'told';
  const asked =
    // A size and little more before it: `M10 tabs 45 Nm`.
    /\bm ?\d{1,2}\b[^.;:]{0,24}$|\b\d\/\d{1,2}\b[^.;:]{0,24}$/.test(clause) ||
    WORK.test(clause) ||
    PIECE.test(clause) ||
    OPENS.test(clause) ||
    SAID.test(clause) ||
    BEHIND.test(after);
  return asked ? 'asked' : 'unsaid';
}
