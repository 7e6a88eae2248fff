import type { FactValue } from './fact.ts';
import { lineAt, takenBy } from './place-in.ts';

const MONTH =
  '(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sep(?:t(?:ember)?)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?|spring|summer|autumn|fall|\\d{1,2}[/.-])';
const YEAR = '((?:19|20)\\d\\d)';
const DATE = `(?:(?:the )?(?:end|start|beginning|middle) of )?(?:model year |my ?|year |${MONTH}\\.? ?)?${YEAR}`;
/** What a kit is divided by: the vehicle and its build. */
const VEHICLE =
  '(?:cars?|vehicles?|models?|trucks?|vans?|pick-?ups?|wagons?|estates?|saloons?|hatchbacks?|coup[eé]s?|axles?|engines?|versions?|types?|trims?|ones|units?|chassis)';

interface Rule {
  pattern: RegExp;
  /** Which group is the first model year, and which the last. */
  years?: (match: RegExpExecArray) => { from?: number; to?: number };
  /** Only at the head of a sentence or line. */
  heads?: true;
}

const year = (text: string | undefined): number | undefined => (text === undefined ? undefined : Number(text));

/** `before 2020` leaves 2020 out; `before 8/2020` does not, a part of it was. */
const WHOLE_YEAR_BEFORE = /\b(?:before|prior to) (?:model year |my ?|year |the (?:start|beginning) of )?\d{4}$/i;
const WHOLE_YEAR_AFTER = /\bafter (?:model year |my ?|year |the end of )?\d{4}$/i;

const RULES: readonly Rule[] = [
  // `2011-2015`, `2011 to 2015 cars`
  {
    pattern: new RegExp(
      `(?:\\b(?:built|made|produced) (?:from |between )?)?(?:\\b(?:0?[1-9]|1[0-2])[/.])?\\b${YEAR}\\s?(?:[-–—]|to|through|until)\\s?(?:(?:0?[1-9]|1[0-2])[/.])?${YEAR}\\b`,
      'gi',
    ),
    years: (match) => ({ from: year(match[1]), to: year(match[2]) }),
  },
  // `ab Bj. 2021`, `bis Baujahr 2019`
  {
    pattern: new RegExp(`\\b(?:ab|seit) (?:Bj\\.?|Baujahr|MJ|Modelljahr) ?${YEAR}`, 'gi'),
    years: (match) => ({ from: year(match[1]) }),
  },
  {
    pattern: new RegExp(`\\bbis (?:Bj\\.?|Baujahr|MJ|Modelljahr) ?${YEAR}`, 'gi'),
    years: (match) => ({ to: year(match[1]) }),
  },
  // `Cars of 2019 and 2020`
  {
    pattern: new RegExp(`\\b${VEHICLE} (?:of|from|built in|made in) ${YEAR} (?:and|or|&) ${YEAR}\\b`, 'gi'),
    years: (match) => ({ from: year(match[1]), to: year(match[2]) }),
  },
  // `2016 and newer`, `2012 on`, `2014+`
  {
    pattern: new RegExp(
      `\\b${YEAR}(?:\\s?\\+|(?: (?:and|or|&) (?:newer|later|up|on|after|onwards?)| onwards?| on\\b| up\\b(?! to)))`,
      'gi',
    ),
    years: (match) => ({ from: year(match[1]) }),
  },
  {
    pattern: new RegExp(`\\b${YEAR} (?:and|or|&) (?:older|earlier|before|prior)`, 'gi'),
    years: (match) => ({ to: year(match[1]) }),
  },
  // `up to August 2008`, `built before 8/2011`, `cars until 2017`
  {
    pattern: new RegExp(
      `\\b(?:(?:${VEHICLE} )?(?:built|made|produced|manufactured|registered|sold|of) )?(?:in )?(?:up to(?: and including)?|before|prior to|until|till|to|through|not after) ${DATE}\\b`,
      'gi',
    ),
    years: (match) => ({ to: Number(match[1]) - (WHOLE_YEAR_BEFORE.test(match[0]) ? 1 : 0) }),
  },
  {
    pattern: new RegExp(
      `\\b(?:(?:${VEHICLE} )?(?:built|made|produced|manufactured|registered|sold) )?(?:since|from|after|starting(?: in| with)?|as of|beginning) ${DATE}\\b(?!\\s?(?:[-–—]|to|through|until)\\s?(?:19|20)\\d\\d)`,
      'gi',
    ),
    years: (match) => ({ from: Number(match[1]) + (WHOLE_YEAR_AFTER.test(match[0]) ? 1 : 0) }),
  },
  {
    pattern: new RegExp(`\\b(?:built|made|produced|manufactured) in ${DATE} (?:or|and) (?:before|earlier)`, 'gi'),
    years: (match) => ({ to: year(match[1]) }),
  },
  // `WM-1 only`, `WM-2 and WM-3:`; `M12:` is a thread
  {
    pattern: /\b(?!M\d)[A-Z]{1,4}-?\d{1,4}(?:(?:,| and| or|\/) ?[A-Z]{1,4}-?\d{1,4})*(?: only\b|(?=:\s))/g,
    heads: true,
  },
  {
    pattern: new RegExp(
      `\\b(?:old|later|earlier|older|newer|pre-|post-)\\s?(?!ones?\\b|units?\\b)(?:${VEHICLE})\\b`,
      'gi',
    ),
  },
  // `glass roof: NO.`, `Chassis lower than 180 mm:`
  { pattern: /\b\p{L}[\p{L} ]{2,24}(?=: ?NO\b)/gu, heads: true },
  {
    pattern: new RegExp(
      `\\b${VEHICLE} (?:lower|higher|longer|shorter|wider|narrower|heavier|lighter|older|newer|smaller|larger) than [^.,;:\\n]{2,30}`,
      'gi',
    ),
    heads: true,
  },
  // `OPTION A bags:`, `Variant 2`: branches that are lettered
  { pattern: /\b(?:option|variant|version|alternative) [A-H1-6]\b/gi, heads: true },
  // `Vehicles whose permissible mass exceeds …`
  { pattern: new RegExp(`\\b${VEHICLE} whose [^.,;:\\n]{3,60}`, 'gi'), heads: true },
  // `Axle 240 is excluded`, `Above 0.18 mm move a shim`, `At greater run-out`
  {
    pattern: new RegExp(
      `\\b(?:${VEHICLE}|kits?) [\\p{L}\\d -]{1,20} (?:is|are) (?:excluded|exempt|not (?:included|affected|covered|concerned))\\b`,
      'giu',
    ),
    heads: true,
  },
  {
    pattern:
      /\b(?:above|below|under|over|beyond|(?:at|with) (?:greater|larger|smaller|higher|lower|more|less)) [^.,;:\n]{2,24}(?=[,:]| (?:mm|%|kg|°))/gi,
    heads: true,
  },
  { pattern: /\bonly (?:where|if|when|in case) [^.,;:()\n]{3,60}/gi },
  { pattern: /\bgot (?:the|an?|no) [^.,;:?\n]{3,40}\?/gi, heads: true },
  // `Only vehicles built after 03/2019 …; before that order foot G2`
  { pattern: /\b(?:before|after) that (?=(?:date|order|use|fit|take|you|the|it)\b)/gi, heads: true },
  // `With roof load the limit is 60 kg`: equipment that some have
  {
    pattern:
      /\bwith(?:out)? (?:an? |the )?(?:roof load|roof rack|air suspension|(?:all|four|front|rear)[- ]wheel drive|tow ?bar|trailer|winch|radar|(?:reversing )?camera|(?:parking )?sensors?|sun ?roof|heated seats?|head(?:light|lamp) washers?|fog (?:lamps?|lights?)|parking heater|side steps?|mud ?flaps?|sport(?:s)? (?:package|suspension)|(?:rear |front )?(?:sway|anti-roll) bar|bull ?bar|skid plate|spare wheel carrier|gas conversion|adaptive (?:dampers?|cruise)|lift kit|tow package)\b(?! (?:supplied|included))/gi,
    heads: true,
  },
  // `if …`, up to where the clause ends
  {
    pattern:
      /\b(?:if(?=\s)|[l1]f(?= (?:you|the|it|they|rock|an?|your|any|there|not)\b)|unless|in (?:the )?case (?:of|that)?|provided(?: that)?|should (?:the|a|an|it|your|any|one|there)\b|as long as|whenever(?! a wheel)) ?[^.,;:()\n!?]*(?:\n(?=[a-z])[^.,;:()\n!?]*)?/gi,
  },
  {
    pattern: /\b(?:when|where|wherever)\b[^.,;:\n!?]*(?:\n(?=[a-z])[^.,;:\n!?]*)?(?=[,:])/gi,
    heads: true,
  },
  { pattern: /\bwhen (?:small|large|loose|tight|hard|too \w+|not \w+|fitted|equipped)\b/gi, heads: true },
  {
    pattern:
      /\((?:option(?:al)?|if (?:fitted|equipped|present|supplied)|where (?:fitted|equipped)|not on all [^)]*|[^()\n]{0,40} only)\)/gi,
  },
  // `Adaptive cruise? Stop.`, `Chassis Nos. 4001 to 4760:`, `Rear disc cars only`, `except on the wagon`
  {
    pattern:
      /\b(?!(?:how|what|which|who|why|when|where|do|does|did|is|are|can|should|will|would|may|must|q)\b)(?!wax|need|want|\p{L}+ (?:it|the|them|this)\b)(?:\p{L}[\p{L}\d-]+ [\p{L}\d -]{3,32}|\p{L}{3,}ing)\?(?=\s+\p{Lu})/giu,
    heads: true,
  },
  // `built 03/17 or after`, `before 03/17`
  {
    pattern:
      /\b(?:(?:built|made|produced|registered) (?:before |after |from |since |until |up to |in )?|(?:before|after|from|since|until|up to) )(?:0?[1-9]|1[0-2])\/(?:\d\d|20\d\d)(?![\d"-])(?: (?:or|and) (?:after|later|newer|before|earlier|older)| on(?:wards?)?\b)?/gi,
    heads: true,
  },
  {
    pattern: new RegExp(
      `\\b${VEHICLE}(?: (?:built|made|produced|registered))? (?:before |after |from |since |until |up to |built )?(?:0?[1-9]|1[0-2])\\/(?:20)?\\d\\d(?: (?:or|and) (?:after|later|newer|before|earlier|older)| on(?:wards?)?\\b)?`,
      'gi',
    ),
  },
  // `Left-hand arm:`, `Estate:`, `Other bumpers:`: what the branch is called
  {
    pattern:
      /\b(?:(?:left|right|driver'?s?|passenger'?s?)(?:[- ]hand)?(?: (?:side|arm|door|rail|bracket|wheel|unit))?|hatchback|estate|saloon|sedan|wagon|van|pick-?up|crew cab|double cab|single cab|convertible|coup[eé]|diesel|petrol|hybrid|electric|manual|automatic|lhd|rhd|lwb|swb|2wd|4wd|awd|w\/ ?(?:\p{L}+ ){0,2}\p{L}+|other (?:\p{L}+ ){0,2}\p{L}+|(?:all )?others|early|late)(?=:\s)/giu,
    heads: true,
  },
  { pattern: /\bon the (?!\p{Ll})\p{Lu}\p{Ll}{3,}(?= |,|:)/giu, heads: true },
  {
    pattern:
      /\b(?:for|when|where|with) [^.,;:\n]{2,40}\b(?:wider|longer|larger|bigger|smaller|thicker|thinner|higher|lower|shorter|heavier|more|less) than [^.,;:\n]{2,24}/gi,
  },
  { pattern: /\b(?:where|if|when) there (?:is|are) (?:no|an?|not) [^.,;:\n]{2,30}/gi },
  // `Hardtop with tow bar:`, `Batteries on the passenger side:`, `not for plastic housings`
  { pattern: /\b\p{Lu}\p{Ll}{2,} with(?:out)? [^.,;:\n]{3,30}(?=:)/gu, heads: true },
  { pattern: /\b\p{Lu}\p{Ll}{2,} on the (?:passenger|driver|left|right|near|off)[^.,;:\n]{0,24}(?=:)/gu, heads: true },
  {
    pattern: new RegExp(
      `\\bnot (?:for|on) (?:[\\p{L}-]+ ){0,3}(?:${VEHICLE}|housings?|wheels?|gearbox(?:es)?|beams?|roofs?)\\b`,
      'giu',
    ),
    heads: true,
  },
  {
    pattern:
      /\bnot with (?:the |an? )?(?:factory|original|optional|sports?|heavy[- ]duty) [^.,;:()\n]{3,40}(?=[).;,\n])/gi,
    heads: true,
  },
  { pattern: /\bwhere you(?:'ve| have) got (?:them|one|it|an? [^.,;:\n]{2,20})/gi },
  {
    pattern:
      /\b(?:serial|chassis|frame|vin) (?:nos?\.?|numbers?) (?:up to(?: and including)?|from|until|before|after) [A-Z]{0,3}\d{2,8}/gi,
  },
  // `GT:`, `XL:`
  {
    pattern: /\b(?!(?:NB|PS|RE|TO|FAO|TEL|FAX|ATT|REF|QTY|NO|ID|OK|TIP|END|FIG|NM|LB|FT)\b)[A-Z]{2,3}(?=:\s+\p{L})/gu,
    heads: true,
  },
  { pattern: /\bwith no [^.,;:\n]{2,30}(?=[,:])/gi, heads: true },
  {
    pattern:
      /\b(?:chassis|serial|frame|engine|body|vin)(?: (?:nos?\.?|numbers?))? (?:up to |from |before |after |until )?[A-Z]{0,3}[\d ]{3,9}(?:(?: to | through | ?[-–] ?| and | onwards?| on\b)[A-Z]{0,3}[\d ]{0,9})?(?=:|, |\.\s)/gi,
    heads: true,
  },
  {
    pattern: new RegExp(`\\b\\p{L}[\\p{L} -]{2,30} ${VEHICLE} only\\b`, 'giu'),
    heads: true,
  },
  // `On the short wheelbase`, `units below serial 5500`
  {
    pattern:
      /\bon the (?:short|long|high|low|single|double|crew|extended|early|late|manual|automatic|diesel|petrol|electric|hybrid)(?: (?:wheelbase|roof|cab|bed|model|version|one|gearbox|tank))?(?=[ ,:])/gi,
    heads: true,
  },
  {
    pattern:
      /\b(?:units?|kits?|cars?|vehicles?|bars?|racks?) (?:below|above|under|over|up to|from|before|after) (?:serial|chassis|number|no\.) ?(?:nos?\.? )?[A-Z]{0,3}\d{2,8}/gi,
  },
  // `CREW CAB MODELS:`, `Tarmac spec only:`
  {
    pattern:
      /\b(?!(?:all|both|these|those|other|the|on|for|with|in)\b)\p{L}[\p{L}\d-]*(?: [\p{L}\d-]+){0,3} (?:models?|cars|vehicles|trucks|vans|versions)(?=:\s)/giu,
    heads: true,
  },
  { pattern: /\b\p{L}[\p{L} -]{2,30} (?:spec|trim|grade|market|package) only\b/giu, heads: true },
  { pattern: /\bexcept (?:on|for|with|in|where) [^.,;:\n]{3,40}/gi },
  { pattern: /\bwith(?:out)?:(?=\s)/gi, heads: true },
  // `Winch option only:`
  { pattern: /\b\p{L}[\p{L} -]{2,40} only(?=:)/giu, heads: true },
  { pattern: /\b(?:where|if|when) (?:fitted|equipped|present|applicable)\b/gi },
  // `On diesels put the clip back`
  {
    pattern:
      /\b(?:on|for) (?:the )?(?:diesels|petrols|hybrids|automatics|manuals|estates|wagons|saloons|pick-?ups|vans)\b/gi,
    heads: true,
  },
  // `Cars with automatic gearbox`, `Vehicles without …`, `Trucks that have`
  {
    pattern: new RegExp(
      `\\b(?:on |for |with )?(?:all |some |the |any )?${VEHICLE} (?:with(?:out)?|w\\/|that (?:have|has|had)|having|fitted with|equipped with|of (?:the )?|on (?:the )?\\d|without) [^.,;:\\n]{2,60}`,
      'gi',
    ),
    heads: true,
  },
  { pattern: /\b(?:models?|vehicles?|trucks?|cars?) with(?:out)? [^.,;:\n]{2,50}/gi },
  // `With headlight washers:`, `On cars that …:`, `For hard insertion,`
  { pattern: /\b(?:with(?:out)?|on|for|in|at) [^.,;:\n]{2,60}:(?=\s)/gi, heads: true },
  {
    pattern: new RegExp(
      `\\b(?:on|for|with|in) [^.,;:\\n]{0,40}\\b(?:${VEHICLE}|work|use|roads?|country|climates?|weather|tyres?|tires?|wheels?(?! arch)|insertion)\\b(?=[,: ])`,
      'gi',
    ),
    heads: true,
  },
  // `LHD cars`, `RHD:`, `4x4 models`, `diesel only`
  {
    pattern: new RegExp(
      `\\b(?:lhd|rhd|left[- ]hand drive|right[- ]hand drive|4x4|4wd|2wd|awd|diesel|petrol|manual|automatic|turbo|hybrid|electric)\\b(?: (?:${VEHICLE}|gearbox|transmission)| only)?(?=[ :,])`,
      'gi',
    ),
    heads: true,
  },
  {
    pattern:
      /\b(?:left|right|driver'?s?|passenger'?s?|near|off|front|rear|one)[- ]?(?:hand )?side only\b|\bonly (?:on|for|with) (?:the )?[^.,;:\n]{3,40}/gi,
  },
  // `More than 10 mm between the two sides:`, `Fewer than 8 and you stop`
  { pattern: /\b(?:more|less|fewer|over|under|above|below) than \d[^.,;:\n]{0,50}/gi, heads: true },
  { pattern: /\bversions? (?:"[^"\n]+"|\w+)(?: with [^.,;:\n]{3,40})?/gi, heads: true },
];

/** Said in passing, and no branch of the work: `if you look at them`, `if you ask me`. */
const IDIOM =
  /^(?:(?:when|once) (?:they|all|both|everything)(?:'re| are| is)? (?:all |both )?(?:in|on|started|tight|done|up)\b|where i\b|in this$|when i\b|for [a-z] = |if you (?:must|ever have to|have to have)\b|should [^.]{2,40}\?|[il1]f (?:you (?:look at|ask|like|will|want my|know what|see what)\b|anything\b|ever\b|only\b|at all\b|(?:you (?:are|'re) )?(?:in doubt|unsure|not sure)\b|you (?:have|need) (?:any )?(?:questions?|queries|help)\b|he\b|she\b|i\b|they seem\b)|when in doubt\b|in (?:the )?case of (?:any )?(?:doubts?|questions?|queries|problems?)\b|when (?:i|we|(?:you|you're|it|it's|that|that's) (?:(?:are|is|re|s) )?(?:all )?(?:happy|done|ready|finished|right|good|satisfied)|you've|all is|done|finished|ready)\b|in (?:this order|service|issue|edition|the (?:carton|box|bag|kit|crate|parcel|packet|package|pack|tin|set)|short|use|all|general|total|detail|brief|stock|question)\b|on (?:mon|tues|wednes|thurs|fri|satur|sun)day\b|with (?:\d|two|three|four|six|eight) |with the axle$|for (?:the person|your|questions|more|help|example)\b|(?:on|in) (?:the )?(?:way|page|next|same|other hand)\b|(?:on|at) the (?:left|right|other|second|near|off)[^:]*\b(?:work|use)$|at (?:(?:the )?(?:end|beginning|start|last)\b|\d))|\b(?:unit is given|stands behind it|otherwise|stated|noted|marked|complain)\b|torque\?|\b(?:required|needed|necessary|supplied|included)\??$|\d\?$|\d ?n[·.]?m\b|only on the$/i;
/** `Where the frame meets the chassis`: a place; `when the ladder lies level`: how far the work is. */
const PLACE_SAID =
  /^(?:where (?:the|a|an|it|they|each|both) (?:[\w-]+ ){0,3}(?:meets?|touch(?:es)?|sits?|joins?|cross(?:es)?|pass(?:es)?|enters?|lies?|rests?|ends?|begins?|runs?|goes|bolts?)\b|when (?:the |it |they |both |all |each |every)?(?:[\w-]+ ){0,2}(?:lies?|sits?|is|are|hangs?|stands?) (?:all |both |quite )?(?:level|flush|straight|square|centred|centered|even|equal|the same|within\b|in (?:place|line|position)|on (?:its|their) wheels|seated|aligned|parallel|down|home)\b)/i;
/** `On the flat of the axle tube`: where on a part, and no kind of vehicle. */
const PART_SAID =
  /^(?:on|in|at|to|from) (?:the|both|each) (?:\p{L}+ )?(?:sides?|flats?|ends?|top|bottom|back|front|rear|left|right|outside|inside|underside|faces?|cent(?:re|er)|middle|edges?|flanges?|holes?|corners?|head|foot|base) of\b/iu;
/** `Raise vehicle with a lift`: what is done to the vehicle, with what. */
/** `Pages before 2021 gave 95 Nm`: of the papers, and not of the vehicle. */
const PAPERS = /\b(?:pages?|sheets?|issues?|leaflets?|prints?|editions?|papers?|letters?) (?:of |from )?$/i;
const WITH_WEIGHT = /^with (?:the |its |full )?(?:weight|load) (?:on|of)\b/i;
const HANDLED = /\b(?:raise|lift|jack up|secure|support|lower|park|drive|move) (?:up )?(?:the )?$/i;

const ENDS = /[,;:\s(]+$/;
/** A condition without a comma ends where the action begins. */
const ACTION =
  /\s(?:use|fit|install|remove|tighten|loosen|refit|drill|skip|add|apply|clean|check|replace|leave|start|stop|go|do|put|take|then|unplug|unclip|turn|slide|order|push|pull|set|see|open|cut|bend|ream)\b.*$/i;
/** A place at the head of a sentence, a line or a bracket. */
const HEADS =
  /(?:^|\[ ?\]|\n\s*\d+(?:\.\d+)+|\n\s*\d{1,2}\s|(?:STEP|Step) \d{1,2}[.:]?\s|[\n.!?;:()>•*|]|\s[-–—]|\d[.):]|\([a-z]+\))\s*["']?$/;

/** Lines that say what the kit is for: its head, and no branch of the work. */
const APPLICATION =
  /\b(?:fits?|suits?|application|compatible|designed for|made for|applies to)\b|\b(?:vehicles?|for|models?):/i;

/** Lines that end with a question, from which on a sheet is one of questions and answers. */
const QUESTIONS_OF_A_SHEET = 3;

/** How far behind a condition by year the other years may be named, characters. */
const OTHER_YEARS_REACH = 120;

/** The branches of a sheet: by model year and date, equipment, side, what is found. Places and values, in order. */
export function conditions(text: string): Array<{ start: number; end: number; value: FactValue }> {
  const found: Array<{ start: number; end: number; value: Extract<FactValue, { kind: 'condition' }> }> = [];
  const taken = takenBy(text.length);
  // A few lines are no sheet with a head.
  const head = text.split('\n').length < 8 ? 0 : headEnd(text);
  const asked = (text.match(/\?[ \t]*$/gm) ?? []).length >= QUESTIONS_OF_A_SHEET;
  for (const { pattern, years, heads } of RULES) {
    pattern.lastIndex = 0;
    for (const match of text.matchAll(pattern)) {
      const start = match.index;
      if (heads && !HEADS.test(text.slice(Math.max(0, start - 8), start))) continue;
      let printed = match[0].replace(ENDS, '');
      const when = printed.replace(ACTION, '');
      if (when.length >= 6 && !years) printed = when.replace(ENDS, '');
      if (
        printed.length < 3 ||
        /^(?:when|where|if)(?: so)?$/i.test(printed) ||
        /^[QA]\d{1,2}\b/.test(printed) ||
        /\botherwise\b/i.test(printed)
      )
        continue;
      // A letter's question that is quoted, and a title in capitals, are no branch.
      if (/\?$/.test(printed) && (/^\s*>/.test(lineAt(text, start)) || /^[^a-z]+$/.test(lineAt(text, start)))) continue;
      // A sheet of questions answers them; none is a branch of the work.
      if (asked && /\?$/.test(printed) && /\?\s*$/.test(lineAt(text, start))) continue;
      // `Tighten it hot? NO - let it cool`: asked and answered at once.
      if (
        /\?$/.test(printed) &&
        /^ (?:no|yes|never|always)\b/i.test(text.slice(start + printed.length, start + printed.length + 8))
      )
        continue;
      // In a talk a question is answered by the other.
      if (/\?$/.test(printed) && /^\s*(?:\[[\d:.]+\] ?)?\p{L}{1,14}: /u.test(lineAt(text, start))) continue;
      if (
        IDIOM.test(printed) ||
        WITH_WEIGHT.test(printed) ||
        PLACE_SAID.test(printed) ||
        PART_SAID.test(printed) ||
        HANDLED.test(text.slice(Math.max(0, start - 24), start)) ||
        PAPERS.test(text.slice(Math.max(0, start - 16), start))
      )
        continue;
      if (/^with (?:(?:the|your) )?(?:vehicle|car|truck|van)\b/i.test(printed)) continue;
      const line = lineAt(text, start);
      if (years && start < head && (APPLICATION.test(line) || start < head / 2 || !/[.]\s*$/.test(line))) continue;
      const end = start + printed.length;
      const owner = taken.at({ start, end });
      const inside = owner === undefined ? undefined : found[owner];
      if (inside) {
        // A year inside a longer condition gives it its years.
        if (years) Object.assign(inside.value, years(match as RegExpExecArray));
        continue;
      }
      taken.take({ start, end }, found.length);
      found.push({
        start,
        end,
        value: {
          kind: 'condition',
          ...(years ? tidy(years(match as RegExpExecArray)) : {}),
          text: printed
            .replace(/\s+/g, ' ')
            .replace(/^[("']+|^(?:on|for) (?=(?:models?|vehicles?|cars?|trucks?)\b)/gi, ''),
        },
      });
    }
  }
  found.sort((a, b) => a.start - b.start);
  for (const [index, { start, value }] of found.entries()) {
    // `2018+ models only; earlier models …`: the years that are left.
    const before = found[index - 1];
    if (value.from !== undefined || value.to !== undefined || !before || start - before.end > OTHER_YEARS_REACH)
      continue;
    if (before.value.from !== undefined && /^(?:earlier|older)\b/i.test(value.text)) value.to = before.value.from - 1;
    else if (before.value.to !== undefined && /^(?:later|newer)\b/i.test(value.text)) value.from = before.value.to + 1;
  }
  for (const span of contrasts(text)) {
    if (taken.at(span) !== undefined) continue;
    taken.take(span, found.length);
    found.push({ ...span, value: { kind: 'condition', text: text.slice(span.start, span.end).replace(/\s+/g, ' ') } });
  }
  return found.sort((a, b) => a.start - b.start);
}

/** What two versions of one thing differ in: `steel wheels` and `alloy wheels`, `short wheelbase` and `long wheelbase`. */
const CONTRAST =
  /(?<=(?:^|^\s*\d{1,2}[.)]?\s|[.,;:(•*\t–-]| {2}|\b(?:on|for|with|in)(?: the)?|\b[A-Z][a-z]{2,})[ \t]*)(steel|wooden|wood|alloy|alumini?um|cast[- ]iron|iron|plastic|wooden|short|long|low|high|single|double|crew|manual|auto(?:matic)?|petrol|diesel|drum|disc|leaf|coil|early|late) (wheels?|rims?|beam|housings?|bumpers?|wheelbase|roof|chassis|cab|gearbox|transmission|engines?|springs?|brakes?|floor|axles?|tank|bed|deck|body)(?: only)?\b/gim;
/** Both sides of a contrast, where a sheet names both. */
function contrasts(text: string): Array<{ start: number; end: number }> {
  const byNoun = new Map<string, Array<{ word: string; start: number; end: number }>>();
  for (const match of text.matchAll(CONTRAST)) {
    const noun = (match[2] ?? '').toLowerCase().replace(/s$/, '');
    const list = byNoun.get(noun) ?? [];
    list.push({ word: (match[1] ?? '').toLowerCase(), start: match.index, end: match.index + match[0].length });
    byNoun.set(noun, list);
  }
  return [...byNoun.values()]
    .filter((list) => new Set(list.map(({ word }) => word)).size > 1)
    .flatMap((list) => list.map(({ start, end }) => ({ start, end })));
}

const tidy = (span: { from?: number; to?: number }): { from?: number; to?: number } => ({
  ...(span.from === undefined ? {} : { from: span.from }),
  ...(span.to === undefined ? {} : { to: span.to }),
});

/** Where the sheet's head ends: its first lines, before anything is done. */
function headEnd(text: string): number {
  let at = 0;
  for (let line = 0; line < 6 && at >= 0; line++) {
    const end = text.indexOf('\n', at);
    const own = text.slice(at, end < 0 ? undefined : end);
    if (
      /^\s*(?:\d{1,3}|[A-Za-z])[.):]\s|^\s*\d{1,3} {2,}\S/.test(own) ||
      (own.length > 60 && /[a-z,]\s*$/.test(own) && line > 2) ||
      // Prose from the first line on: a sentence ends in it and another begins.
      (own.length > 70 && /[a-z]\. \p{Lu}[a-z]+ [a-z]/u.test(own))
    )
      return at;
    if (end < 0) return text.length;
    at = end + 1;
  }
  return at;
}
