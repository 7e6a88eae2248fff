import { askedTorque } from './asked-torque.ts';
import type { AsideRole } from './fact.ts';
import { lineAt } from './place-in.ts';
import { isQuoted } from './quoted-letter.ts';
import { around } from './sentence.ts';
import type { Span } from './token.ts';

/** What a torque is in its sentence. Only targets, and ends that stand alone, become stations. */
type TorqueRole = 'target' | 'ceiling' | 'floor' | AsideRole;

/** Right before a figure: it is never passed. */
const CEILING_BEFORE =
  /(?:\b(?:max(?:im(?:um|al(?:ly)?))?\.?(?: of| torque| is)?|at (?:the )?(?:very )?most|(?:do|must|may|should|shall|can|will)? ?not (?:to )?(?:be )?(?:exceed(?:ed|ing)?|go (?:over|above|past|beyond)|pass)|(?:must|may|should|shall|to)? ?(?:on no account|under no circumstances|in no case|never) (?:be )?(?:exceed(?:s|ed)?|above|over|past|beyond|more than|put more than|go (?:over|above|past|beyond)|pass(?:es|ed)?(?: of)?)|no(?:t)? (?:more|higher|over|above)(?: than| of)?|more than|(?:when|if|anything|going|goes|pulled|go) (?:over|above|past|beyond)|over|above|beyond|limit(?:ed)?(?: is| of| to|:)?|ceiling(?: is| of|:)?|without exceeding|exceeding|not exceed|crossing|passing|surpassing)\s*:?|\b(?:max(?:imum)?|limit|ceiling)\b[^.;,]{0,30}\b(?:is|are|of)|[<≤]=?|=<)\s*$/;

/** `never pull (7) past`: some words between. */
const CEILING_FAR = /\bnever\b[^.;]{0,30}\b(?:past|beyond|over|above|more than|further than)\s*$/;

/** Right behind a figure: it is never passed. */
const CEILING_AFTER =
  /^\s*[,(]?\s*(?:\(?max(?:imum)?\b(?!\.?:? ?\d)|(?:is|as) (?:the|its|an?) (?:(?:top|absolute|upper|very) )?(?:limit|maximum|max|most|ceiling|end)|at (?:the )?(?:very )?(?:most|outside|max(?:imum)?)\b(?! ?\d)|must (?:not|never) be (?:passed|exceeded)|(?:is|are) (?:never|not) (?:to be )?(?:passed|exceeded)|(?:is|are) (?:passed|exceeded)\b|and (?:never|not|no) (?:(?:a|one) (?:hair|bit|touch|tad|fraction|click|whisker) )?(?:more|further|beyond|over)\b(?! than)|no more\b(?! than)|or less\b|tops\b|being the (?:most|limit|max(?:imum)?)\b|and it (?:strips|breaks|cracks)|(?:bends|breaks|strips|cracks|shears|crushes|pulls (?:out|through|the)|splits|destroys|damages|ruins|kills|tears|will (?:strip|break|crack|bend|crush|pull|tear|damage|split|ruin))\b)/;

const FLOOR_BEFORE =
  /(?:\b(?:min(?:imum)?\.?(?: of)?|at least|not (?:less|under|below)(?: than)?|no less than)|[>≥])\s*$/;

const FLOOR_AFTER = /^\s*(?:\(?min(?:imum)?\b(?!\.?:? ?\d)|or more\b|at (?:the )?(?:very )?least\b(?! ?\d)|and up\b)/;

/** A tool is spoken of and not a joint. */
const TOOL =
  /\b(?:torque[- ](?:wrench|key|driver|screwdriver|tool)|tool|(?:\w+ )?wrench(?:es)?|clicker|key|driver|screwdriver|clutch|(?:impact )?gun|ratchet|nut ?runner)\b/;

const TOOL_SAYS =
  /\b(?:good (?:to|for|from)|goes?(?: only| down| up| from)?|starts?|starting|begins?|reads?|rang(?:e|es|ing)|covers?|covering|reach(?:es|ing)?|from|of|with|capable|that (?:small|low|big)|slips?|scale|click(?:s|ed)?|calibrat\w+|due|set (?:to|at)|preset|only|needs?|takes?|stops?|ends?|works?|does|delivers?|gives?)\b|[:(,]\s*$|\(\d{1,3} ?[-–] ?$/;

const PULLS =
  /\b(?:tighten(?:ed)?|torque (?:to|them|it|all|the|bolts?|nuts?)|pull(?:ed)? (?:to|them|it|the|all)|bring|nip|set the|and (?:torque|pull))\b/;

/** It is what the work is done with: `with the torque key: 5 Nm`. */
const WITH_TOOL = /\b(?:with|using|by) (?:the|a|an|your|its) (?:[\w-]+ ){0,2}[\w-]+[:,]? ?$/;

/** How far a wrench goes: `torque wrench up to 50 Nm`, `torque wrench (max 50 Nm)`; among what is needed also `to`. */
const TOOL_UP_TO =
  /\btorque[- ](?:wrench|key|driver|screwdriver)s?,? (?:(?:that (?:goes|reads)|good|reading|rated) )?\(?(?:up to|max(?:imum|\.)?(?: of)?):?\s*$/;

const TORQUE_TOOL_TO = /\btorque[- ](?:wrench|key|driver|screwdriver)s? to $/;

const NEEDED = /^\W*(?:you(?:'ll| will)? (?:need|want)|tools?\b|needed|required|have ready|equipment|to hand)/i;

/** A range this wide is a wrench's. */
export const WRENCH_RANGE = 3;

/** The speaker takes it back at once: `forty five, no, sorry`. */
const TAKEN_BACK =
  /^[,\s–-]*(?:(?:each|all|both|on (?:each|those|these|them))[,\s–-]+)?(?:no,? (?:sorry|wait|hang on|hold on)|sorry|scratch that|correction|i mean|er,? no|oops|or rather|wait,? no)\b/;

/** Right before a figure: it is the one not to use, or used to be. */
const NOT_THIS = [
  // `Bay 2 had used 18 Nm on the left`
  /\bhad (?:already )?(?:used|pulled|set|torqued|tightened|put|gone to|done)\b[^.;:,]{0,16}$/,
  // `the old carrier used 25 Nm`
  /\b(?:old(?:er)?|previous|former|last|other) (?!(?:bolts?|nuts?|screws?)\b)\p{L}+ (?:used|had|took|wanted|needed|went to|was at)\b[^.;:,]{0,12}$/u,
  // `the bolts may have been tightened to 35 N·m at the works`
  /\b(?:may|might|could|must) have been (?:\w+ )?(?:tightened|torqued|pulled|set|done up)(?: (?:to|at|with)(?: (?:about|only|around|nearly))?)? $/,
  /\b(?:issue|edition|rev(?:ision)?\.?|version) [a-z0-9]{1,2}\b[^.;:]{0,30}\b(?:for|at|had|gave|asked for|said|answered|prescribed|specified|set|raised|wanted|used)\b[^.;:,]{0,12}$/,
  /\b(?:that|which|those|kits?|cars?|bolts?|nuts?) (?:\w+ )?(?:were|was|had been) (?:already )?(?:tightened|torqued|pulled|set)(?: to| at| with)? $/,
  /\b(?:was|were|had been) (?:\w+ )?(?:given|listed|shown|printed|quoted|stated|published) (?:as|at|with)\b[^.;:,]{0,10}$/,
  /\b(?:and )?not (?:the |at |to |with )?$/,
  // Said in brackets, it ends with them.
  /\b(?:do not|don't|never|must not) (?:follow|use|take|go by|believe|mind|trust|go back to)\b(?:[^.;()]|\([^()]*(?:\)|$))*$/,
  /\b(?:drawings?|pages?|sheets?|papers?|lists?|prints?|copy|copies|versions?|issues?|editions?|he|she|they)\b(?<!\b(?:new|this|our|final|latest) \w+)[^.;:,]{0,24}\b(?:said|gave|told|had|quoted|used|asked|wanted)\b[^.;:,]{0,12}$/,
  /(?:^|[(,]\s?|\b(?:it|they|figure|value|bolts?|nuts?|torque|setting|which|that)\s)(?:was|were|had been|used to be)(?: once| still)? $/,
  /\b(?:previous(?:ly)?|former(?:ly)?|old|earlier|before(?: that)?|originally|once|until (?:now|then|recently)|last (?:year|month)'?s?):? (?:it was |at |to |had |gave |said )?$/,
  /\b(?:replac(?:es|ing|ed)|withdraw(?:s|n|ing)?|cancel(?:s|led)?|instead of|in place of|rather than|supersed(?:es|ing)|forget|ignore|disregard|cross(?:ed)?[- ]out(?= )|strike(?: out)?|delete)\b[^.;:,]{0,44}$/,
  /\bcrossed?[- ]out\b[^;]{0,60}$/,
  /\b(?:old(?:er)?|earlier|previous|former|first|last) (?:figure|value|sheet|issue|edition|instruction|torque|spec\w*|print\w*|page|version|leaflet|booklet|letter|mail|note|card|paper|list|drawing|bulletin|poster)s?\b[^.;,]{0,30}(?:,? ?(?:that|it|they|which) (?:said|gave|had|told|asked|wanted)[^.;,]{0,20})?$/,
  /\b(?:misprint(?:ed)?|typo|typing error|wrong(?:ly)?|in error|erroneous(?:ly)?|mistaken(?:ly)?|by mistake|printed as|reads? wrongly)\b[^.;]{0,20}$/,
];

/** `page 2 says 85 Nm for the bolts. It should read 58 Nm`: in the next sentence another takes its place. */
const SHOULD_READ =
  /^[^.;\n]{0,80}[.;,:]?\s+(?:(?:it|that|this|which|they) )?should (?:read|be|say|have (?:read|been|said))\b[^.;\n]{0,12}\d/i;

const READS = /\bshould (?:read|be|say|have (?:read|been|said)) $/;

/** Right behind a figure: it no longer holds, or never did. */
const IS_OFF =
  /^[ ,–—-]{1,3}(?:do not|don't|never) (?:use|take|apply|go by) (?:it|this|that|(?:the |this |that )?(?:\w+ )?(?:figure|value|number|setting))\b|^[^.;]{0,60}?\b(?:is|are|was|were|has been|have been)?\s*(?:withdrawn|superseded|cancelled|canceled|void|wrong|obsolete|no longer valid|invalid|no longer right|a misprint|misprinted|a typing error|an error|an? (?:drawing|printing|print|copying|copy) error|a mistake|not valid|crossed out|out of date|history)\b|^[^.;]{0,40}\b(?:looks|sounds|seems|smells|reads)(?: to me)?(?: like| as)?(?: an?)? (?:typo|mistake|misprint|error|wrong|slip)\b|^[^.;]{0,60}?, (?:that|this|which|and that) (?:was|were) (?:only )?(?:for|with|of)\b|^,? ?(?:which|that|as)\b[^.;]{0,24}\b(?:old(?:er)?|earlier|previous|former|first) (?:edition|issue|sheet|version|print(?:ing)?|booklet|leaflet|page|card|letter)\b/;

/** Right behind a figure: it did not do. */
/** `150 Nm is what an old leaflet gave`, `… has nothing to do with us`. */
const WAS_GIVEN =
  /^,? ?(?:is|was|were|are) what (?:an?|the|some|their|my)\b[^.;]{0,40}\b(?:gave|said|had|used|wrote|printed|told)\b|^[^.;]{0,60}\bnothing to do with (?:us|this|our|it)\b/;

/** `55 Nm is for the older 12.9 studs` */
const FOR_THE_OLDER =
  /^,? (?:is|was|were|are) (?:only )?for (?:the |an? |those )?(?:older|old|previous|former|earlier|other|first)\b/;

const DID_NOT_DO =
  /^,? ?(?:and |but )?(?:it |they |that )?(?:rattled|slipped|stripped|worked loose|came (?:loose|undone)|did not hold|didn't hold|was no good)\b|^,? ?(?:which|that|and (?:that|it)) (?:was|were|proved|turned out) (?:to be )?(?:far |much |a bit )?too (?:little|low|much|high|tight|loose|weak)\b/;

/** Right behind a figure: it was so for a trial. */
const FOR_A_TRIAL =
  /^ (?:for|in|during|on) (?:the|this|our|that|each) (?:tests?|trials?|measurements?|demonstration|photos?|first (?:tests?|trials?))\b/;

/** Said before a figure: it is another's, or no torque of a joint that is tightened here. */
const OTHERS_BEFORE = [
  // `Instruction sheet issue 2 to show 24 Nm`: what is to be printed
  /\b(?:sheets?|instructions?|drawings?|labels?|cards?|pages?|lists?)\b[^.;]{0,30}\bto (?:show|say|read|give|state)\b[^.;,]{0,12}$/,
  // `Tried 55 Nm, one insert turned`, `may lose load at 120 Nm`
  /\b(?:i |we |they |he |she )?(?:have )?tried(?: it| them)?(?: at| with)? $/,
  /\b(?:loses?|losing|lost) (?:its |their |the )?(?:load|preload|tension|grip|clamp(?:ing)?(?: load| force)?)\b[^.;]{0,12}$/,
  // `Nothing on this tent is tighter than 15 Nm.`
  /\b(?:nothing|none|no (?:bolt|screw|nut|joint))\b[^.;]{0,40}\b(?:tighter|more|higher)(?: than)? $/,
  // `loosening after vibration 4 N·m of 48 N·m`
  /\b(?:loosening|loss|relaxation|drop|torque left) after\b[^.;]{0,44}$/,
  /\(\s*(?:factory|oem|standard|stock|original):? $/,
  // `44 Nm (dry: 55 Nm)`: for another state of the thread than its row says.
  /\d ?n\S{0,3} \(\s*(?:if )?(?:dry|oiled|lubricated|greased|unlubricated|with(?:out)? (?:grease|oil|paste|locker|anti-?seize))[:=]? $/,
  /\b(?:factory|original|stock|standard|maker's|manufacturer's|car's|dealer'?s?)(?:'s)? (?:\w+ )?(?:figure|value|setting|spec\w*|torque)\b[^.;]{0,30}$/,
  /\b(?:hand ?book|owner'?s? manual|manual|catalogue|forum|internet|book(?! (?:on|of|for|with|that came with) (?:this|the|our|these))|label|sticker|website|video|other makers?|another (?:kit|maker|make)|other kits?|others|some people|people|somebody|someone|my (?:friend|mate|brother|buddy|pal|cousin|boss|dad|father|colleague|helper|apprentice)|the (?:lad|apprentice|guy|fellow|last (?:shop|man|owner))|one (?:guy|shop|man)|friend'?s?|buddy|mate'?s?|neighbour|customer|(?:his|her|my|your|their|the) (?:dealer|garage|workshop)|dealers|garages|(?:a|one) reader)\b[^.;,]{0,30}\b(?:says?|said|gives?|gave|tells?|told|has|had|have|states?|quotes?|goes?|go|use[sd]?|swears? by|wants?|shows?|lists?|takes?|went|did|put|ran|pulled|torqued|tightened|reckons?|thought)\b[^.;,]{0,20}$/,
  // `I used mine up to 250 ft lbs`: of the tool, or of another's work.
  /\b(?:mine|ours)\b (?:up to|went|goes|go|was|is|were|took|snapped|needed|only|down to)\b[^.;,]{0,16}$/,
  /\b(?:some|others|many|most) (?:say|go|use|swear|people|folks?|shops?|fitters?)\b[^.;,]{0,16}$/,
  /\b(?:engine|motor|gearbox|coupling|clutch|shaft|joint|hub|axle|winch|drive|differential|rail|weld|bracket|arm)\b[^.;,]{0,24}\b(?:makes?|gives?|produces?|develops?|holds?|starts?|pulls?|carr(?:y|ies)|transmits?|is (?:good|rated|tested)|withstands?|stands|takes up|puts out|rated|delivers)\b[^.;,]{0,18}$/,
  /\b(?:(?:hand|parking|foot) ?brake|brake|braking|steering|cranking|pedal|engine|peak|rated|output|input|bending|roll(?:ing)?|twisting|tilting|overturning|turning|rotating|running|rotational|drag|starting|loosening|undoing|friction|breakaway|break-away|prevailing|residual|run[- ]?down|run[- ]?on|proof|test|bearing) (?:torque|moment|load|effort|resistance)s?\b[^.;]{0,26}$/,
  /\b(?:turning|rotating|rolling|running|friction|sliding) (?:resistance|drag)\b[^.;]{0,80}$/,
  // `reads +2 Nm at 130`: how far a wrench is out.
  /\b(?:reads?|reading|shows?|off|out)\b[^.;,]{0,10}[+-] ?$/,
  // `Your sheet says 45 Nm`, to its maker
  /\byour (?:sheet|instructions?|booklet|leaflet|card|manual|page|website|list)\b[^.;,]{0,16}\b(?:says?|gives?|has|asks?|states?|calls for)\b[^.;,]{0,10}$/,
  // Of kits that were fitted before, of another maker's, and what is only often so.
  /\balready (?:been )?(?:fitted|tightened|torqued|installed|done)\b[^.;:]{0,50}$/,
  /\b(?:of|from|by) other (?:makers?|makes?|brands?|kits?|manufacturers?)\b[^.;]{0,60}$/,
  /\((?:often|usually|typically|mostly|commonly|normally) (?:about |around )?$/,
  /\b(?:must|should|shall|has to|have to) (?:still )?(?:turn|move|rotate|swing|slide)\b[^.;,]{0,12}\b(?:at|with|by)\b[^.;,]{0,8}$/,
  /\b(?:breakaway|break-away|proof|pull|load|bench) test\b[^.;]{0,50}$/,
  // `the same 95 Nm gives a third more load`
  /\bthe same $/,
  // What an engine gives, a spring or a bar takes, a steering wheel needs.
  /(?<!\bto (?:the )?)\b(?:engine|motor)\b[^.;]{0,16}$|\b(?:torsion(?! ?$)|spring rate|bar rate|stiffness)\b[^.;]{0,20}$/,
  /\b(?:gun|driver|wrench|ratchet|tool)\b[^.;]{0,12}\b(?:says?|claims?|promises?|makes?)\b[^.;]{0,8}$/,
  // `with used bearings as noted plus 0.5 Nm`: what is added to another figure.
  /\b(?:as (?:noted|measured|before|found)|the old (?:one|value)) (?:plus|and|\+) $/,
  /\b(?:torque|moment) of the (?:engine|motor|gearbox)\b[^.;]{0,26}$/,
  /\b(?:rated|tested|proof|certified|approved|designed|good|calculated) (?:to|at|with|for|up to)\b[^.;]{0,14}$/,
  /\b(?:(?<!\bhigh[- ])tensile|burst|fatigue|ultimate|failure|gain(?:s|ed)?|horsepower|power|kw|bhp)\b[^.;]{0,30}$/,
  /\b(?:snap(?:s|ped)?|strip(?:s|ped)?|br(?:eaks?|oke|oken)|crack(?:s|ed)?|shear(?:s|ed)?|yield(?:s|ed)?|fail(?:s|ed)?|spins?(?: out)?|spun(?: out)?|crush(?:es|ed)?|let go|lets go|gave way|gives way|bent|bends?|pulled out|twisted off)\b[^.;,]{0,24}\b(?:at|with|under|after|around|about|near)\b[^.;,]{0,10}$/,
  /\b(?:came|come|comes|went|going|out|off|undone) [^.;:]{0,26}\bat (?:about |around |only |nearly |roughly |maybe |something like )?$/,
  /\b(?:found|measured|came (?:off|loose|undone)|came up|turned|undone|loosened|started|moved|(?<!\b(?:be|to) )checked|logged|recorded|last reading|reading|actual|result|(?<!\b(?:bolts?|nuts?|screws?|studs?|m\d{1,2}s?|\/\d{1,2}["”]?s) )got|showed|it took|took|needed|break(?:s|ing)? loose|broke loose)\b:?(?: (?:at|with|about|around|only|just|was|of|a|nearly))* ?$/,
  /\b(?:loses?|lost|drop(?:s|ped)?(?: by| to)?|relax(?:es|ed)?(?: by| to)?|settles?(?: by| to)?|differs? by|difference(?: of)?|within|spread(?: of)?|apart by|add|adds|error(?: of)?|out by|off by|deviation(?: of)?)(?: about| some| only)? ?$/,
  /\b(?:hand|arm|finger|thumb|person|man|grip|short key|screwdriver)\b[^.;,]{0,16}\b(?:makes?|gives?|reaches?|manages?|is worth|can do|does)\b[^.;,]{0,12}$/,
  /\b(?:would|could|might) (?:be|have been|need|take|want|go)\b[^.;]{0,12}$/,
  /\b(?:conversion|convert(?:ed|s)?|equals?|equal to|corresponds? to|is the same as)\b[^.;]{0,16}$/,
  /\b(?:for example|for instance|e\.g\.|example|as an example|for comparison|compare(?:d)?(?: with| to)?|for reference(?: only)?|say)\b:?,? ?$/,
  /\bconfus(?:e|ed|ing)\b[^.;]{0,40}$|\bmix(?:ed)? (?:it |them )?up\b[^.;]{0,30}$/,
  /\b(?:stamped|engraved|moulded|molded|cast|printed) (?:on|in|into)\b[^.;]{0,20}$/,
  // `a bolt that turns before 45 lb-ft`
  /\b(?:turns?|moves?|clicks?|slips?|gives?)\b[^.;,]{0,12}\b(?:before|below|under) $/,
  // `Do not simply turn the old bolt on from 72 Nm.`
  /\b(?:turn|go|pull|work|start)\b[^.;]{0,24}\b(?:on|up) from $|\bnot\b[^.;]{0,12}\b(?:turn|go|pull|work)\b[^.;]{0,24}\bon $/,
  // What it feels like, and what is added to a figure.
  /\b(?:feels like|equals)(?: about| roughly| around| some| nearly)? $/,
  /\b(?:another|a further|an extra|an additional) $/,
];

/** The same figure in another unit: `seventy newton metres, that's about fifty-two foot pounds`. */
const SAME_FIGURE = /\b(?:that(?:'s| is)|which is|this is)(?: about| roughly| around| some| nearly)? $/;

/** A figure stands before it in its sentence. */
const HAS_FIGURE = /\d ?(?:n|ft|foot|lb|in|k)|\b(?:newton|kilos?|pounds?|metres?|meters?)\b/;

/** `Breakaway torque of the locking unit, one wheel up: 110 Nm or more`: what the part takes to turn. */
const DRAG =
  /\b(?:breakaway|break-away|drag|prevailing) torque\b[^.;]{0,60}$|\b(?:residual|free) (?:turning|rotation|movement)\b[^.;]{0,60}$/;

/** What it takes to turn a part, and no bolt. */
const TURNED_BY = /\btorque (?:on|at|of) the (?:steering wheel|crank|hub|shaft|pinion|wheel)\b[^.;]{0,60}$/;

/** One of several that were measured: `measured: 38, 42 and 61 Nm`. */
/** Of what was tried: `specimen 2 at 121 N·m`. */
const SPECIMEN =
  /\b(?:specimens?|test pieces?|test (?:bolts?|nuts?|joints?)|prototypes?|samples? (?:no\.? ?)?\d)\b(?:[^.;]|\.\d){0,120}$/;

const MEASURED_LIST = /\b(?:measured|found|read)\b:? ?[\d,. /-]+(?:and )?$/;

/** Said behind a figure. */
const OTHERS_AFTER = [
  /^\s*(?:at|@) ?\d[\d ,.]* ?(?:rpm|r\/min|1\/min|\/min|u\/min)|^\s*(?:at \d[\d ]*\/min)/,
  /^\s*(?:on|at) the (?:dyno|rollers|brake stand|crank|flywheel|test bench|box)\b|^\s*of it\b/,
  /^\) (?:related|referred|belongs?|belonged|applied) (?:to|for)\b/,
  /^\s*(?:of )?(?:running|turning|prevailing|drag|breakaway|break-away|residual|starting) torque\b/,
  /^\s*and the (?:bolt|nut|screw|stud|joint|wheel|flange) (?:must|may|should|shall) not (?:move|turn|give)\b/,
  /^\s*(?:gives?|produces?|means?) (?:a |about |only |nearly )?(?:third|quarter|half|more|less|the load|twice)\b/,
  /^\s*of (?:twist|bending|torque at|engine|load|force|moment|rotation|prevailing|turning|friction|drag|breakaway|power|each other)/,
  /^\s*(?:of|from) each other|^\s*(?:apart|difference|too (?:much|little)|high|low|over|under|short|out)\b(?! (?:the|a|and|no)\b)/,
  /^\s*(?:of|from|on|in|for) (?:the )?(?:vehicle maker|car maker|factory|handbook|owner|old|other|lower|upper|neighbouring|original|engine)\b[^.;]{0,30}\b(?:bolt|nut|maker|manual|book|figure|is for|belongs)?/,
  /^\s*(?:to (?:undo|loosen|break|turn|move|start|free)|on its handle|when it (?:came|let)|before (?:it|they) (?:let|went|snapped|stretch|yield|break|bend|give|fail|strip|tear))/,
  // `The 190 Nm you mentioned is for the rear.`
  /^ (?:that )?(?:you|he|she|they) (?:mentioned|quoted|gave|asked|wrote|found|read|saw|had|named|sent)\b/,
  /^\s*without (?:moving|turning|a move|giving)\b/,
  /^\s*(?:was|were|had been|is) (?:mentioned|suggested|rumou?red|named|asked|wanted|specified|prescribed|called for)\b/,
  /^[^.;,]{0,50}\b(?:is|are|was|were) (?:for|of|meant for) (?:the )?(?:factory|original|stock|old|standard|other|another|somebody)\b/,
  /^[^.;]{0,50}\b(?:somebody else's|not (?:ours|of this kit|part of this|for (?:our|this|these|us))|belongs? (?:to|on)|left alone|not touched|stays? as it is|leave (?:it|that|them) (?:alone|be))\b/,
  /^\s*=\s*\d/,
  // `(9 Nm) need not be touched, but if you had to loosen them, that is the figure`
  /^[^.;]{0,30}\b(?:need not|needn't|do not need to|are not to) be (?:touched|moved|loosened|undone)\b/,
  // `Below 80 Nm return the unit.`
  /^ (?:return|reject|replace|send|scrap|repeat|start again)\b/,
  // `a rate of 3.1 Nm per degree`, `at 100 Nm it may be out by 4 %`
  /^\s*(?:per|\/) ?(?:deg|degree|°|rad|mm|turn|km)/,
  /^\s*(?:it|they|the wrench) (?:may|must|can) (?:not )?(?:be )?(?:out|off|wrong|differ)\b/,
  // `Its 8 Nm screws are not to be used again.`
  /^\s*(?:bolts?|nuts?|screws?|studs?)\b[^.;]{0,30}\b(?:not|never|no longer)\b[^.;]{0,16}\b(?:re-?used|used)\b/,
  /^\s*(?:from (?:the )?(?:works|factory|line|assembly)|ex works|as delivered|when new)\b/,
];

/** `1 lb-ft = 1.356 N.m`: how units go into each other, and no figure of a joint. */
const CONVERSION = /^1(?:[.,]0+)?\s?\p{L}[^\d=\n]{0,14}=\s*\d/iu;

/** Behind a figure: where it stands, or that nothing here is done with it. */
const ELSEWHERE =
  /^[^.;]*?\b(?:max\W+)?(?:(?:is |was |as )?(?:stamped|moulded|molded|engraved|cast|printed) (?:on|in|into|by)|not touched|is not touched|in the (?:\w+ )?(?:hand ?book|manual|catalogue)|test value|you found on|on its handle)\b/;

/** `Check the breakaway torque with one wheel locked. Standard 50 N·m or more`: what is measured, and what it should be. */
const MEASURED_BEFORE =
  /\b(?:check|measure|inspect|read)\b[^.]{0,50}\b(?:(?:breakaway|turning|starting|rotating|drag|running|slip|preload) (?:torque|effort)|preload|starting torque)\b[^.]{0,60}[.:]\s*(?:standard|normal|specified|nominal|service limit|limit|new|used)\b[^.]{0,30}$/i;

/** A line of a buyer's review, which begins with its stars. */
const isReviewed = (text: string, at: number): boolean => /^\W*[★☆✩✭⭐]/u.test(lineAt(text, at));

/** Whether a place stands in a question that a sheet answers further on: `YOUR QUESTION: …`, `OUR ANSWER: …`. */
function isAsked(text: string, at: number): boolean {
  const marks = [
    ...text
      .slice(Math.max(0, at - 600), at)
      .matchAll(/^[ \t]*(?:(?:your|the|our) )?(question|answer|reply)\b[ \t]*\d{0,2}[:.]/gim),
  ];
  return (
    marks.at(-1)?.[1]?.toLowerCase() === 'question' &&
    /^[ \t]*(?:(?:your|the|our) )?(?:answer|reply)\b[ \t]*\d{0,2}[:.]/im.test(text.slice(at))
  );
}

/** `Before: link nut 95 N·m`, and on another line `After: …`. */
const BEFORE_LINE = /^\W*(?:before|old|was|previously|until now|so far)\s*[:=]/i;

const AFTER_LINE = /^\W*(?:after|new|now|from now on|revised|changed to)\s*[:=]/im;

/** What a torque that stands at a span is. */
export function torqueRole(text: string, span: Span, inList: boolean, answered: boolean, wide: boolean): TorqueRole {
  const { before, after } = around(text, span);
  if (BEFORE_LINE.test(lineAt(text, span.start)) && AFTER_LINE.test(text)) return 'superseded';
  if (answered && isQuoted(text, span.start)) return 'superseded';
  // A ceiling stands right at its figure; what is said of the figure may stand further off.
  const ceiling = CEILING_BEFORE.test(before) || CEILING_FAR.test(before) || CEILING_AFTER.test(after);
  const own = before.split(/[,;]\s|:\s(?=.)/).at(-1) ?? before;
  const clause = before.split(/;\s|,\s(?!and the)/).at(-1) ?? before;
  if (TAKEN_BACK.test(after) || NOT_THIS.some((words) => words.test(before))) return 'superseded';
  // `It should read 58 Nm`: the figure that takes the place of a wrong one.
  if (READS.test(before)) return 'target';
  const tool = own.search(TOOL);
  // `The hinge bolts need a torque wrench: 24 Nm`
  const forPiece =
    /\b(?:bolts?|nuts?|screws?|studs?)\b[^.;:]{0,40}\b(?:needs?|wants?|requires?|takes?|with|use|using) (?:a|the) torque[- ]wrench: ?$/.test(
      before,
    );
  const speaksOfTool = !forPiece && tool >= 0 && TOOL_SAYS.test(own.slice(tool)) && !WITH_TOOL.test(own);
  const toolAfter = /^\s*(?:torque )?(?:key|wrench|clicker|driver|gun|ratchet)\b/.test(after);
  if ((speaksOfTool && !PULLS.test(before)) || toolAfter) return 'wrench';
  if (TOOL_UP_TO.test(own) && !PULLS.test(before)) return 'wrench';
  if (NEEDED.test(lineAt(text, span.start)) && TORQUE_TOOL_TO.test(own)) return 'wrench';
  if (wide && TOOL.test(before)) return 'wrench';
  if (inList && /\btorque[- ]?(?:wrench|key|driver|screwdriver|tool)\b/i.test(lineAt(text, span.start)))
    return 'wrench';
  if (
    SHOULD_READ.test(text.slice(span.end, span.end + 140)) &&
    /\b(?:says?|reads?|printed|shows?|gives?|states?|has)\b[^.;]{0,24}$/.test(before)
  )
    return 'superseded';
  if (IS_OFF.test(after) || DID_NOT_DO.test(after) || WAS_GIVEN.test(after)) return 'superseded';
  if (CONVERSION.test(text.slice(span.start, span.end + 24))) return 'other';
  if (
    isReviewed(text, span.start) ||
    isAsked(text, span.start) ||
    MEASURED_BEFORE.test(text.slice(Math.max(0, span.start - 200), span.start))
  )
    return 'other';
  if (/^[^.;]{0,70}\?["')]*\s*$/.test(after)) return 'other';
  // A figure between strokes is part of a number: `M1245-75Nm/b`.
  if (
    /[\w]-$/.test(text.slice(Math.max(0, span.start - 2), span.start)) &&
    /^[/-]\w/.test(text.slice(span.end, span.end + 2))
  )
    return 'other';
  if (ELSEWHERE.test(after.slice(0, 70))) return 'other';
  if (FOR_A_TRIAL.test(after)) return 'other';
  if (OTHERS_AFTER.some((words) => words.test(after.slice(0, 110)))) return 'other';
  // The clause before a comma speaks of one figure; past it another may be given.
  if (MEASURED_LIST.test(before) || SPECIMEN.test(before) || DRAG.test(before) || TURNED_BY.test(before))
    return 'other';
  if (SAME_FIGURE.test(clause) && HAS_FIGURE.test(before)) return 'other';
  if (OTHERS_BEFORE.some((words) => words.test(clause))) return 'other';
  if (FOR_THE_OLDER.test(after)) return 'superseded';
  if (askedTorque(before, after) === 'told') return 'other';
  if (ceiling) return 'ceiling';
  if (FLOOR_BEFORE.test(before) || FLOOR_AFTER.test(after)) return 'floor';
  return 'target';
}
