/** A condition of a sheet as it is asked when the vehicle comes in. */
export interface Asked {
  /** `Does it have: a roof rack?`, in the words of the sheet. */
  text: string;
  /** What is asked about, for the question's id. */
  thing: string;
  /** The answer the sheet's condition means: `without air conditioning` asks for the air conditioning. */
  is: boolean;
}

const VEHICLE = 'cars?|vehicles?|trucks?|vans?|models?|versions?|types?|wagons?|pick-?ups?|estates?|saloons?|chassis';
/** Parts and kits that come in several kinds, and have something as vehicles do. */
const CARRIER = `${VEHICLE}|beds?|bumpers?|kits?|axles?`;
/** What opens a condition and asks nothing. */
const OPENER =
  /^(?:only (?:if|for|on|where|when)|in case of|except (?:on|for)|if so|if|when(?:ever)?|where(?:ver)?|unless|should|provided that|as long as|for|on|at|with|w\/)\s+(?:the |an? )?(?:(?:equipped|fitted) with (?:the |an? )?)?/i;

/** What a vehicle is, and does not have: its body, its drive, its engine. */
const IS_ONE =
  /^(?:estate|van|saloon|sedan|hatchback|pick-?up|wagon|coupe|convertible|(?:crew|double|single|extended|regular) cab|(?:right|left)[- ]hand drive|[lr]hd|diesel|petrol|gas(?:oline)?|hybrid|electric|automatic|manual|4x4|[24]wd|awd|(?:short|long) wheelbase|[sl]wb)s?$/i;
/** Which of its kind it is: `LHD cars`, `trucks built before 03/17`, `diesels`. */
const ONE_OF = new RegExp(
  `^(?!.*\\bwith)(?:[\\p{L}\\d/ -]{2,30} )?(?:${VEHICLE})$|^(?:${VEHICLE}) (?:built|made|from|before|after|of|produced)\\b|^(?:diesels|petrols|hybrids|automatics|manuals|estates|saloons|wagons|vans)$`,
  'iu',
);
/** Numbers and dates, which a vehicle is told by and has none of. */
const NUMBERED = /^(?:chassis|serial|frame|vin|axle|units?)\b.*\d|\bbuilt\b/i;

/** `the vehicle has front parking sensors`, `you have a winch`: who has it says nothing. */
const WHO_HAS =
  /^(?:(?:the|your|this|a|an) )?(?:vehicle|car|truck|van|roof|model|you|it|yours)(?:'s| is)? (?:has|have|had|got|gets|fitted with|equipped with|comes? with|carries)(?: got)?\s+(?:the |an? )?/i;
const THERE_IS = /^there (?:is|are|'s) (?:an? |the )?/i;
/** `cars with a tow package`: what they have. */
const WITH = new RegExp(
  `^(?:all |the |some )?(?:[\\p{L}-]+ )?(?:${CARRIER})\\s+(with(?:out)?|w\\/|that have|having|fitted with|equipped with)\\s+(?:the |an? )?`,
  'iu',
);
const WITHOUT = /^without\s+(?:the |an? )?/i;
/** `parking sensors are fitted between …`: that they are there. */
const IS_THERE = /\s(?:is|are|was|were) (?:also |already )?(?:fitted|installed|present|equipped)\b(?! with\b)/i;
/** What is then done, or is then so, behind the thing itself. */
const THEN =
  /(?<=\S{3}),?\s(?:the (?:\p{L}+ ){1,2}(?:is|are|points?|must|shall|sits?|have|has|needs?|ring|plates)\b|they|it|you|he|she|must|can(?:'t|not)?|shall|should|will|has|have|needs?|needed|gets?|take|takes|use|uses|is (?:excluded|affected|deeper|different)|are (?:not )?(?:excluded|affected|different)|sits?|points?|hold|look|fit|install|remove|order|leave|start|put|tighten|torque|need|this)\b.*$/iu;
/** A clause: something is so or done, and nothing has it. */
const CLAUSE = /\b(?:is|are|was|were|isn't|hasn't|doesn't|has been|have been|undid|weep|bind|own|carries)\b/i;

/** Words that ask nothing by themselves. */
const NOTHING =
  /^(?:(?:the|an?|one|other|both|each|left|right|hand|left-hand|right-hand|front|rear|side|long|short|only|all|others?|models?|cars|vehicles|versions?|options?|steps?|before|after|that|this|it|for|on|more|part|your|car|so|with|without)\W*)+$/i;

const tidy = (text: string): string =>
  text
    .replace(/[\s?.,;:)]+$/, (end) => (end.startsWith(')') ? ')' : ''))
    .replace(/^[\s("'[]+/, '')
    .replace(/\s+/g, ' ')
    .trim();

/** Closes no bracket that was never opened. */
const balanced = (text: string): string => (text.includes('(') ? text : text.replace(/\)+$/, '')).trim();

const lower = (text: string): string =>
  /^\p{Lu}\p{Ll}/u.test(text) ? `${text[0]?.toLowerCase()}${text.slice(1)}` : text;

/**
 * How a condition is asked: of what the vehicle has, which of its kind it is, or whether something is so.
 *
 * @returns undefined where its words ask nothing: `one side`, `before that`
 */
export function askedOf(condition: string): Asked | undefined {
  let rest = balanced(tidy(condition));
  // `On some models the exhaust must be lowered`: whether it is one of them is seen at the vehicle.
  const some = /^(?:on|for) some (?:\p{L}+ )?(?:models|vehicles|cars|trucks),? (.{6,})$/iu.exec(rest)?.[1];
  if (some) return { text: `Is it so: ${some.slice(0, 80)}?`, thing: `so ${some}`, is: true };
  const unless = /^unless\b/i.test(rest);
  let is = !unless;
  const without = WITHOUT.exec(rest);
  if (without) {
    rest = rest.slice(without[0].length);
    is = !is;
  }
  rest = rest.replace(
    /^(?:if|on|for) (?=(?:all |the |some )?(?:\p{L}+ )?(?:cars|vehicles|trucks|models|versions)\b)/iu,
    '',
  );
  rest = rest.replace(/^in case of (?:the |an? )?/i, '');
  const has = WITH.exec(rest);
  if (has) {
    if (/^without$/i.test(has[1] ?? '')) is = !is;
    rest = rest.slice(has[0].length);
  }
  rest = rest.replace(OPENER, '').replace(/^(?:the|an?) (?=\p{L})/iu, '');
  rest = rest.replace(/^.*\b(?:required|needed|necessary|only) (?:on|for|with) (?:the )?(?=\p{L})/iu, '');
  const owned = WHO_HAS.test(rest) || THERE_IS.test(rest);
  rest = rest
    .replace(WHO_HAS, '')
    .replace(THERE_IS, '')
    .replace(/\s+only$/i, '');
  const none = owned && /^no /i.test(rest);
  if (none) {
    rest = rest.slice('no '.length);
    is = !is;
  }
  const there = IS_THERE.test(rest);
  rest = rest.replace(IS_THERE, '');
  const clause = !owned && !there && !has && CLAUSE.test(rest);
  const thing = balanced(tidy(clause ? rest : rest.replace(THEN, ''))).slice(0, 80);
  const stands = Boolean(has) || owned || there || IS_ONE.test(thing);
  if (thing.length < 2 || (NOTHING.test(thing) && !stands)) return undefined;
  if (clause) return { text: `Is it so: ${lower(thing)}?`, thing: `so ${thing}`, is };
  if (IS_ONE.test(thing))
    return {
      text: `Is it: ${thing.replace(/(?<=diesel|petrol|hybrid|automatic|manual|estate|saloon|wagon|van)s$/i, '')}?`,
      thing,
      is,
    };
  if (NUMBERED.test(thing)) return { text: `Is it so: ${lower(thing)}?`, thing, is };
  if (!has && !owned && ONE_OF.test(thing)) return { text: `Is it one of these: ${lower(thing)}?`, thing, is };
  return { text: `Does it have: ${lower(thing)}?`, thing, is };
}
