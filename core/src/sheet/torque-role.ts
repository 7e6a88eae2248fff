import type { AsideRole, Fact, FactValue, TorqueStage } from './fact.ts';
import { around } from './sentence.ts';
import type { Span } from './token.ts';

/** What a torque is in its sentence. Only targets, and ends that stand alone, become stations. */
type TorqueRole = 'target' | 'ceiling' | 'floor' | AsideRole;

/** Right before a figure: it is never passed. */
const CEILING_BEFORE =
  /(?:\b(?:max(?:imum)?\.?(?: of| torque| is)?|at (?:the )?(?:very )?most|(?:do|must|may|should|shall|can|will)? ?not (?:to )?(?:be )?(?:exceed(?:ed|ing)?|go (?:over|above|past|beyond)|pass)|(?:must|may|should|to)? ?never (?:be )?(?:exceed(?:s|ed)?|above|over|past|beyond|more than|put more than|go (?:over|above|past|beyond)|pass(?:es|ed)?)|no(?:t)? (?:more|higher|over|above)(?: than| of)?|more than|(?:when|if|anything|going|goes|pulled|go) (?:over|above|past|beyond)|over|above|beyond|limit(?:ed)?(?: is| of| to|:)?|ceiling(?: is| of|:)?|without exceeding|exceeding|not exceed|crossing|passing|surpassing)\s*:?|\b(?:max(?:imum)?|limit|ceiling)\b[^.;,]{0,30}\b(?:is|are|of)|[<≤])\s*$/;
/** Right behind a figure: it is never passed. */
const CEILING_AFTER =
  /^\s*[,(]?\s*(?:\(?max(?:imum)?\b(?!\.?:? ?\d)|(?:is|as) (?:the|its|an?) (?:(?:top|absolute|upper|very) )?(?:limit|maximum|max|most|ceiling|end)|at (?:the )?(?:very )?(?:most|outside|max(?:imum)?)\b(?! ?\d)|must (?:not|never) be (?:passed|exceeded)|(?:is|are) (?:never|not) (?:to be )?(?:passed|exceeded)|and (?:never|not|no) (?:more|further|beyond|over)\b(?! than)|or less\b|tops\b|and it (?:strips|breaks|cracks)|(?:bends|breaks|strips|cracks|shears|crushes|pulls out|splits|destroys|damages|ruins|kills|tears|will (?:strip|break|crack|bend|crush))\b)/;
const FLOOR_BEFORE =
  /(?:\b(?:min(?:imum)?\.?(?: of)?|at least|not (?:less|under|below)(?: than)?|no less than)|[>≥])\s*$/;
const FLOOR_AFTER = /^\s*(?:\(?min(?:imum)?\b(?!\.?:? ?\d)|or more\b|at (?:the )?(?:very )?least\b(?! ?\d)|and up\b)/;

/** A tool is spoken of and not a joint. */
const TOOL =
  /\b(?:torque[- ](?:wrench|key|driver|screwdriver|tool)|tool|(?:\w+ )?wrench|clicker|key|driver|screwdriver|clutch)\b/;
const TOOL_SAYS =
  /\b(?:good (?:to|for|from)|goes?(?: only| down| up| from)?|starts?|starting|begins?|reads?|rang(?:e|es|ing)|covers?|covering|reach(?:es|ing)?|from|capable|that (?:small|low|big)|slips?|scale|click(?:s|ed)?|calibrat\w+|due|set (?:to|at)|preset|only|needs?|takes?|stops?|ends?|works?|does)\b|:\s*$/;
const PULLS =
  /\b(?:tighten(?:ed)?|torque (?:to|them|it|all|the|bolts?|nuts?)|pull(?:ed)? (?:to|them|it)|bring|nip|set the)\b/;

/** The speaker takes it back at once: `forty five, no, sorry`. */
const TAKEN_BACK =
  /^[,\s–-]*(?:no,? (?:sorry|wait|hang on|hold on)|sorry|scratch that|correction|i mean|er,? no|oops|or rather|wait,? no)\b/;
/** Right before a figure: it is the one not to use. */
const NOT_THIS =
  /\b(?:and )?not (?:the |at |to |with )?$|\b(?:do not|don't|never|must not) (?:follow|use|take|go by|believe|mind|trust)\b[^.;]*$|\b(?:page|sheet|paper|list|print|copy|version|friend'?s?(?: \w+)?|mate'?s?|forum|label|sticker|card|website|video|he|she|they|somebody|someone)\b(?<!\b(?:new|this|our|final|latest) \w+)[^.;:]{0,24}\b(?:said|gave|told|had|quoted)\b[^.;:]{0,12}$/;

/** Said of the figure itself: it is not this kit's, or no longer holds. */
const SUPERSEDED =
  /\b(?:withdrawn|supersed\w+|no longer|obsolete|cancel(?:led|ed)|crossed out|struck out|replaced by|corrected|misprint|typing error|typo|wrong(?:ly)?|in error|erroneous|incorrect|mistake|used to (?:be|say)|previous(?:ly)?|former(?:ly)?|earlier (?:issue|edition|print|sheet|revision)|old(?:er)? (?:figure|value|sheet|issue|edition|instruction|torque|spec\w*|print\w*|spacers? said)|issue [a-z] (?:said|gave|had|answered)|should (?:have )?read|not the [\d.]|instead of(?: the)?|rather than|said by mistake|is void|forget the|ignore(?: the)?|disregard)\b/;
const NOT_OURS =
  /\b(?:stamped (?:on|in|into)|engraved|moulded (?:in|into)|molded (?:in|into)|cast (?:in|into)|printed on the (?:cap|lid|label)|factory(?:'s)? (?:figure|value|setting|spec\w*|torque)|(?:factory|maker's|car's|handbook|hand book|owner's manual|manual's|catalogue) figure|in the (?:hand ?book|owner'?s? manual|catalogue)|somebody else|another (?:kit|maker|make)|not touched|left alone|leave (?:it|that|them|the \w+) alone|does not (?:come off|concern)|is not (?:ours|this|for)|belongs? to|for comparison|for reference only|compare|as an example|e\.g\.|engine torque|engine's torque|peak torque|torque of the engine|power gain|gains?|more torque|at \d[\d ,.]* ?(?:rpm|r\/min|1\/min|\/min)|rpm|kw|horsepower|\bhp\b|bending moment|roll moment|moment of|twisting moment|tensile|burst|proof load|fatigue|tested (?:to|at|with)|test(?:ed)? load|failed at|broke at|strips? at|stripped at|cracks? at|breaks? at|shears? at|bends? at|yields? at|lets? go at|relaxe[sd] (?:to|by)|lost|drops? (?:to|by)|measured|found at|came off at|came loose|was at|loosen(?:ed|s)? (?:at|with)|undo(?:es|ing)? (?:at|takes)|breakaway|break-away|residual|prevailing|run[- ]?(?:down|on) torque|to turn the (?:nut|lock))\b/;
/** Behind a figure: where it stands, or that nothing here is done with it. */
const ELSEWHERE =
  /^[^.;]*?\b(?:max\W+)?(?:(?:is |was |as )?(?:stamped|moulded|molded|engraved|cast|printed) (?:on|in|into|by)|not touched|is not touched|in the (?:\w+ )?(?:hand ?book|manual|catalogue)|not (?:ours|of this kit|part of this|for (?:our|this|these|us))|test value|you found on|on its handle|of (?:twist|bending|load|force))\b/;

/** The one that holds now, where both are named in a sentence. */
const NOW =
  /\b(?:now|new (?:figure|value)|correct(?:ed)? (?:figure|value|to|is)|use|is to be|should (?:be|read)|valid)\W*(?:\w+\W+){0,4}$/;

/** Quoted lines of a letter that is answered: what was asked, and not what is said. */
const ANSWERED =
  /^(?:on .{3,80} wrote|.{0,60}\bwrote|.{0,40}original message|-{2,} ?(?:forwarded|your (?:mail|message))).{0,40}:?\s*-*$/im;

const lineOf = (text: string, at: number): string =>
  text.slice(text.lastIndexOf('\n', at - 1) + 1, text.indexOf('\n', at) < 0 ? undefined : text.indexOf('\n', at));

/** What a torque that stands at a span is. */
export function torqueRole(text: string, span: Span, inList: boolean, answered: boolean): TorqueRole {
  const { before, after } = around(text, span);
  if (answered && /^\s*>/.test(lineOf(text, span.start))) return 'superseded';
  const near = before.slice(-60);
  // A ceiling stands right at its figure; what is said of the figure may stand further off.
  const ceiling = CEILING_BEFORE.test(before) || CEILING_AFTER.test(after);
  const own = before.split(/[,;]\s|:\s(?=.)/).at(-1) ?? before;
  if (TAKEN_BACK.test(after) || NOT_THIS.test(before)) return 'superseded';
  const toolBefore =
    TOOL.test(own) &&
    !/\b(?:with|using|by) (?:the|a|an|your|its) (?:[\w-]+ ){0,2}[\w-]+:? ?$/.test(own) &&
    TOOL_SAYS.test(own.slice(own.search(TOOL)));
  const toolAfter = /^\s*(?:torque )?(?:key|wrench|clicker|driver)\b/.test(after);
  if ((toolBefore && !PULLS.test(before)) || toolAfter) return 'wrench';
  if (inList && TOOL.test(lineOf(text, span.start).toLowerCase())) return 'wrench';
  if (SUPERSEDED.test(near) && !NOW.test(before)) return 'superseded';
  if (
    /^[^.;]{0,60}\b(?:is|are|was|were|has been|have been)?\s*(?:withdrawn|superseded|cancelled|canceled|void|wrong|obsolete|no longer valid|a misprint|not valid|crossed out)\b/.test(
      after,
    )
  )
    return 'superseded';
  if (ELSEWHERE.test(after.slice(0, 70))) return 'other';
  // The sentence before a comma speaks of one figure; past it another may be given.
  if (
    NOT_OURS.test(own.slice(-90)) ||
    (/^\s*(?:\([^)]*\)\s*)?(?:is|are|was|belongs?|at \d|of (?:bending|torque|engine)|stamped|engraved|moulded|more at|gain|in the (?:hand ?book|owner)|for the (?:factory|original|stock|old|standard) (?:bolts?|nuts?|wheels?|washers?))\b/.test(
      after,
    ) &&
      NOT_OURS.test(after.slice(0, 110)))
  )
    return ceiling && !NOT_OURS.test(own.slice(-90)) ? 'ceiling' : 'other';
  if (ceiling) return 'ceiling';
  if (FLOOR_BEFORE.test(before) || FLOOR_AFTER.test(after)) return 'floor';
  return 'target';
}

/** Words that lead from one stage to the next, and nothing else between two figures. */
const CONNECT =
  /^(?:\s|[,;.:()→/–-]|>|->|\b(?:then|next|after(?:wards?| that)?|again|finally|and|last(?:ly)?|first(?:ly)?|second(?:ly)?|third(?:ly)?|to|up|at|all|with|in|go|going|round|around|a|the|them|it|bring|pull|pulled|tighten|torque|stage|step|pass|turn|end|on|1|2|3|4|1st|2nd|3rd|i{1,3}|by|follow(?:ed|ing)?|full|final|figure|value|is|of|same|order|pattern|bolts?|nuts?|screws?|each|every|once|more|crosswise|across|star|cross)\b)*$/i;
/** What makes of two figures the stages of one joint. */
const STAGED =
  /\b(?:first|then|stages?|passes|finally|steps|firstly|1st|in two|in three|twice|again|round|increments)\b|→|->/i;
const BACK_OFF =
  /\b(?:back (?:it|them|the \w+ )?\s?off|back[- ]?off|slacken|undo|loosen|turn(?:ed)? back|release)\b[^.]{0,40}?(?:(\d+)\s?(?:°|deg)|(\d)\/(\d) (?:of a )?turn|(half|quarter|full|third|three-quarter)[ -]?(?:a )?turn|a turn)?/i;
const TURN: Record<string, number> = { quarter: 90, third: 120, half: 180, full: 360, 'three-quarter': 270 };

/** How far it is turned back between two figures, degrees; 0 where it is loosened with no angle said; undefined if not. */
function backOffBetween(between: string): number | undefined {
  const match = BACK_OFF.exec(between);
  if (!match) return undefined;
  const share = /\b(\d)\/(\d) (?:of a )?turn/.exec(between);
  const degrees = /(\d+)\s?(?:°|deg)/.exec(between);
  const word = /\b(quarter|third|half|full|three-quarter)s?[ -](?:of )?(?:a )?turn/i.exec(between);
  if (degrees) return Number(degrees[1]);
  if (share) return (360 * Number(share[1])) / Number(share[2]);
  return word ? (TURN[word[1]?.toLowerCase() ?? ''] ?? 0) : 0;
}

type TorqueFact = Fact & { value: Extract<FactValue, { kind: 'torque' }> };
const isTorque = (fact: Fact): fact is TorqueFact => fact.value.kind === 'torque';

const asAside = (fact: TorqueFact, role: AsideRole): Fact => {
  const { kind: _, ...value } = fact.value;
  return { ...fact, value: { kind: 'torqueAside', role, ...value } };
};

/** The item or step a sentence speaks of: `for item 3`, `Step j:`. */
const LABEL = /\b(?:item|step|no\.?|pos\.?|line|position|par\.?) ?([a-z]|\d{1,3}[a-z]?)\b/i;

/** Whether a line of the sheet begins with a label. */
const bearsLabel = (text: string, at: number, label: string): boolean => {
  // A step may go on over some lines; its label stands at the head of one of them.
  const head = text
    .slice(Math.max(0, at - 400), at)
    .split('\n')
    .reverse();
  const own = head.find((line) => /^\s*[|(]?\s*(?:step |item )?(?:[a-z]|\d{1,3}[a-z]?)[.):]?\s/i.test(line)) ?? '';
  return new RegExp(`^\\s*[|(]?\\s*(?:step |item )?${label}[.):]?\\s`, 'i').test(own);
};

/** The torque a sentence names by its item or step; −1 without one. */
function namedTorque(facts: readonly Fact[], text: string, fact: Fact): number {
  const label = LABEL.exec(around(text, fact).before)?.[1];
  return label === undefined
    ? -1
    : facts.findLastIndex(
        (other) => isTorque(other) && other.value.maxNm <= maxNmOf(fact) && bearsLabel(text, other.start, label),
      );
}
const maxNmOf = (fact: Fact): number => (fact.value.kind === 'torque' ? fact.value.maxNm : 0);

/** A figure that is taken back further on is no target where it stood: `Step j: the value of 190 Nm is withdrawn`. */
function takeBack(facts: Fact[], text: string, fact: TorqueFact): void {
  const { before, after } = around(text, fact);
  if (!/\b(?:withdrawn|cancell?ed|void|superseded|no longer|replaced|corrected)\b/.test(after)) return;
  const label = LABEL.exec(before)?.[1];
  const same = facts.flatMap((other, index) =>
    isTorque(other) && Math.abs(other.value.maxNm - fact.value.maxNm) < 0.01 ? [index] : [],
  );
  const meant =
    label === undefined ? same : same.filter((index) => bearsLabel(text, (facts[index] as Fact).start, label));
  for (const index of meant.length > 0 ? meant : same.length === 1 ? same : []) {
    const old = facts[index];
    if (old && isTorque(old)) facts[index] = asAside(old, 'superseded');
  }
}

/** How far behind its torque a ceiling may stand, characters. */
const CEILING_REACH = 260;

/**
 * Gives every torque its part: a ceiling joins the torque it limits, stages join their final value, and what nothing
 * is pulled to is set aside.
 *
 * @param listed - whether a place stands in a list of parts or tools
 */
export function giveRoles(facts: readonly Fact[], text: string, listed: (at: number) => boolean): Fact[] {
  const answered = ANSWERED.test(text);
  const done: Fact[] = [];
  /** The torque last read, whose ceiling or next stage may follow. */
  let open: TorqueFact | undefined;
  let openAt = -1;
  for (const fact of facts) {
    if (!isTorque(fact)) {
      done.push(fact);
      continue;
    }
    const inList = listed(fact.start);
    const role = torqueRole(text, fact, inList, answered);
    if (role === 'wrench' || role === 'superseded' || role === 'other') {
      if (role === 'superseded') takeBack(done, text, fact);
      done.push(asAside(fact, role));
      continue;
    }
    const near = open !== undefined && fact.start - open.end < CEILING_REACH;
    const between = open ? text.slice(open.end, fact.start) : '';
    const sameBlock = near && open?.step === fact.step;
    const sameJoint = near && !/\n\s*\n/.test(between) && (sameBlock || !/\n\s*(?:\d+|[A-Za-z])[.):]/.test(between));
    if (role === 'ceiling') {
      if (open && sameJoint && open.value.limitNm === undefined && fact.value.maxNm > 0.99 * open.value.maxNm) {
        // From a floor on to a ceiling: reached, and then on to the slot.
        const { only: _, ...target } = open.value;
        const joined: TorqueFact = { ...open, value: { ...target, limitNm: fact.value.maxNm } };
        done[openAt] = joined;
        open = joined;
        continue;
      }
      const labelled = namedTorque(done, text, fact);
      if (labelled >= 0) {
        const limited = done[labelled] as TorqueFact;
        done[labelled] = { ...limited, value: { ...limited.value, limitNm: fact.value.maxNm } };
        if (labelled === openAt) open = done[labelled] as TorqueFact;
        continue;
      }
      done.push({ ...fact, value: { ...fact.value, only: 'ceiling', limitNm: fact.value.maxNm } });
      continue;
    }
    if (role === 'floor') {
      open = { ...fact, confidence: Math.min(fact.confidence, 0.8), value: { ...fact.value, only: 'floor' } };
      done.push(open);
      openAt = done.length - 1;
      continue;
    }
    if (open && sameJoint && open.value.only === undefined) {
      const backOffDeg = backOffBetween(between);
      const lead = text.slice(Math.max(0, open.start - 60), open.start);
      const staged =
        sameBlock &&
        open.value.unit === fact.value.unit &&
        fact.value.maxNm > open.value.maxNm * 1.02 &&
        (CONNECT.test(between)
          ? STAGED.test(lead + between)
          : /\b(?:stage|pass|step) (?:1|one|i)\b/i.test(lead) &&
            /\b(?:stage|pass|step) (?:2|two|ii|3|three)\b/i.test(between));
      if (staged || (backOffDeg !== undefined && between.length < 120)) {
        const stages: TorqueStage[] = [...(open.value.stages ?? [{ torqueNm: open.value.maxNm }])];
        if (backOffDeg !== undefined) stages.push({ backOffDeg });
        stages.push({ torqueNm: fact.value.maxNm });
        const joined: TorqueFact = {
          ...fact,
          start: open.start,
          printed: text.slice(open.start, fact.end),
          about: fact.about ?? open.about,
          confidence: Math.min(open.confidence, fact.confidence),
          value: { ...fact.value, stages },
        };
        done[openAt] = joined;
        open = joined;
        continue;
      }
    }
    done.push(fact);
    open = fact;
    openAt = done.length - 1;
  }
  return done;
}
