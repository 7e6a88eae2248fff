import type { Fact } from '../../sheet/fact.ts';
import { HARDWARE } from '../../sheet/lexicon.ts';
import type { SheetStep } from '../../sheet/step-split.ts';
import type { Condition } from '../condition.ts';
import { type KitDocument, LONGEST_JOB_MINUTES, LONGEST_WAIT_MINUTES } from '../kit-document.ts';
import type { StepNeed } from '../kit-step.ts';
import type { Phase } from '../phase.ts';
import type { StepAction } from '../step-action.ts';
import { backInWords } from './back-on.ts';
import { calledLetters, callsOf, rowLetter } from './called-letters.ts';
import { authorityIn } from './camber-words.ts';
import { conditionOf, conditionOver, headsParagraph, isOfVehicle } from './draft-conditions.ts';
import type { Joints } from './draft-joints.ts';
import type { Packing } from './draft-packing.ts';
import type { Variants } from './draft-variants.ts';
import { clip, type Drafting, isCompound, isKind, type Of } from './drafting.ts';
import { firstAfter } from './first-after.ts';
import { formRow, isTitleRow, namesColumns, namesTheJob, rowNumber } from './form-row.ts';
import { isBareRow } from './joint-sentences.ts';
import { bareLabels, tellingWords, timesIn } from './joint-words.ts';
import { limitIn } from './limit-words.ts';
import { isRunInHeading, isSection } from './section.ts';
import { labelOf } from './title-words.ts';
import { goesBack, offAndOn, opensAs, SCRAPPED, soundsLikeAct, wordAct } from './word-acts.ts';

const COMMON_WORDS = new Set(
  'all one two six per its not for out off side new old with from then that this the and them both each remove refit reinstall replace reconnect disconnect unplug connector original stock standard same factory left right front rear upper lower carefully back into onto using'.split(
    ' ',
  ),
);

/** Acts that take the time their sentence says themselves. */
const HAS_ITS_WAIT: ReadonlySet<StepAction['type']> = new Set(['coolDown', 'warmUp', 'soak', 'wait']);

/** `the stock U-bolts one side at a time`: in which turns it is done is no part of its name. */
const BY_TURNS = /,? one (?:side|corner|end|wheel|by one|at a time)\b.*$/i;

/** A sentence about what the one before it named. */
const BACKWARD = /\b(?:them|these|those|it)\b/i;

const LEADING_COUNT =
  /^(?:the |all |both )?(?:\d{1,2}|two|three|four|five|six|seven|eight|nine|ten|twelve)\s+(?=\p{L})/iu;
/** `Remove (2) bolts at each horn.`: what is worked on, where the reader found no plain object. */
const withoutVerb = (text: string): string =>
  text
    .replace(/^\W*(?:then |now )?(?:remove|undo|disconnect|unplug|take off|take out)\s+(?:\(\d{1,2}\)\s*)?/i, '')
    .replace(/[.;]\s*$/, '') || text;
/** A chapter's title in capitals, over steps that are numbered by themselves. */
const CAPITALS = /^(?:\d{1,2}\s+)?[A-Z][A-Z &/-]{4,40}$|^(?:FRONT|REAR|LEFT|RIGHT)$/;
/** `REAR` alone heads what is below it, whatever step it stands behind. */
const HEADS_PLACE = /^(?:front|rear|left|right)(?: (?:axle|side|end|suspension))?:?$/i;
/** `Keep the nuts and bolts.`: what becomes of what just came off. */
const KEEPS =
  /^(?:keep|save|retain|set aside|put aside|store)(?: (?:all|the|these|those|them|it|your|its|factory|original|stock|oe|old|hardware|fasteners|nuts?|bolts?|screws?|and|&|clips?|washers?|parts?|for|re-?use|later|re-?installation|aside|safe))+\.?$/i;
const singular = (word: string): string => word.toLowerCase().replace(/s$/, '');
const wordsIn = (text: string): string[] => (text.match(/\p{L}{3,}/gu) ?? []).map(singular);
/** Whether a sentence is about a thing: `Hooks and bolts are …`, of the tie-down hooks. */
const isNamed = (text: string, name: string): boolean => {
  const [, heads = ''] =
    /^\W*(?:the |both |all )?((?:\p{L}{3,}(?:, | and |, and )?){1,4}?) (?:is|are|go(?:es)?)\b/iu.exec(text) ?? [];
  const last = wordsIn(name).at(-1);
  return last !== undefined && wordsIn(heads).includes(last);
};
/** `These are not used again.`, `Hooks and bolts go back to the customer.`: what becomes of it, and nothing to do. */
const POINTS_AT_IT =
  /^(?:these|those|they|it|both|all of (?:them|it)|the old (?:ones?|parts?|bolts?|nuts?|screws?))\b/i;
const HANDED_BACK =
  /\b(?:go(?:es)?|are|is) (?:handed |given |returned )?(?:back )?(?:to|for) the (?:customer|owner|client)\b|\b(?:are|is) kept\b/i;
/** `The two that are left over are spares.`, `No figure.`: said of the step before. */
const SAID_OF_IT =
  /^(?:the|any)\b[^.]{0,40}\b(?:left over|remain(?:ing|s)?|extra)\b[^.]{0,24}\b(?:are|is) (?:a )?spares?\b|^no (?:figure|torque|value)(?: (?:is )?given)?\W*$|^nothing (?:may|should|must) move\W*$/i;
/** `WARNING: HOOKS ARE NOT FOR RECOVERY.` */
const WARNED =
  /^\W*(?:warning|danger|caution|attention|(?:note|important)(?=\W+(?:do not|don['’]t|never)\b))\s*[:!–-]\s*/i;
/** `Took me three hours.`, `Kit is the one with the removable ball.`: told, and nothing to do. */
const TOLD_ONLY =
  /^\S+ (?:replaces|supersedes) \S+\b[^.;]{0,24}\W*$|^(?:it |this |the (?:job|whole thing) )?(?:took|takes) (?:me |us |you )?(?:about |around |roughly |some )?[\w -]{1,20}(?:hours?|minutes|mins|days?|afternoon|morning|evening)\b[^.;]{0,20}\W*$|^(?:the |this |my )?kit is (?:the|a|an)\b|\? no need\W*$/i;
/** `A second person is a big help.`, `Two people are needed.` */
const ASKS_FOR_HELP =
  /^(?:(?:note|tip):? )?(?:an? (?:second|other|helper|assistant)|another (?:person|pair)|two (?:people|persons|men)|(?:you|this|it) (?:will |may )?(?:need|takes?|needs|want)|(?:some|these) steps|a helper)\b/i;
/** Before an act that is not to be done. */
const NOT_NEEDED = /\b(?:not (?:necessary|needed|required) to|do not|don['’]t|never|no need to|must not)\s*$/i;
/** `RED/BLUE = HIGH/MEDIUM THREADLOCK.`: how signs of the sheet are meant. */
const LEGEND = /^[\p{L}]{1,12}(?: ?[/,&] ?[\p{L}]{1,12}){0,3} ?= ?\p{L}[^.;=]{2,60}\.?$/u;
/** How a letter begins and ends. */
const GREETING = /^(?:hello|hi|dear|regards|kind regards|best|cheers|thanks|yours|sincerely|greetings)\b.{0,24}$/i;
const LETTERHEAD =
  /^(?:from|to|re|subject|date|cc|sent)\s?:|^(?:please|kindly) (?:write|note|amend|correct|send|call|confirm|reply|forward|let us|let me)\b/i;

const BOTH = /^both (?:the |of the )?/i;
/** `Remove both front wheels (6 nuts each)` counts the nuts; `two per side` is four. */
const countsOf = ({ value: { noun } }: Of<'count'>, object: string): boolean =>
  noun === 'piece' || object.toLowerCase().includes(noun.toLowerCase());
/** Wheels are the vehicle's own: `Fit wheels` puts back what came off. */
const ROAD_WHEELS = /^(?:both |all |the )*(?:front |rear |road )?wheels?$/i;

const NO_THING = /^(?:anything|everything|something|it|them|this|that)\W*$/i;
/** The fitter's own: `Remove the alignment tool` takes nothing off the vehicle. */
const A_TOOL = /^(?:the )?(?:[\p{L}-]+ ){0,2}(?:tools?|jacks?|stands?|wedges?|trolley)$/iu;

/** Before the first numbered step: a title, a line of the packing list or of the tools, which nobody does. */
const QUANTITY_LINE = /^\s*\d+\s*(?:off|x|no\.?|pcs?\.?|pieces?)\s/i;
const WHAT_IS_NEEDED =
  /^\s*(?:what you(?:'ll)? need|you (?:will|'ll)? ?need|(?:tools?|equipment)(?: needed| required)?|parts|(?:approximate |approx\.? |estimated )?(?:fitting |installation )?time|difficulty|skill level)\b.{0,3}[:.]/i;
/** `You will want a 10 and a 17 mm socket, …`: what is wanted for the work, as a sentence. */
const WANTS_TOOLS =
  /^you(?: will|['’]ll)? (?:need|want)\b.*\b(?:sockets?|spanners?|wrench(?:es)?|keys?|drill|jack|kit)\b/i;
/** `Signed ____   Checked by ____`, `Page 1 of 2`: to be filled in on paper. */
const FORM_FIELDS = /^(?:[\p{L}. ]{2,24}[:.]?\s*_{3,}\s*)+$|^page \d+ of \d+$/iu;
/** What the owner must never do with it, or the next fitter: no step of this work. */
const FOR_LATER =
  /^(?:note:? )?(?:check|inspect) [^.]{0,40}\b(?:frequently|regularly|periodically|often|from time to time)\b|^(?:tow|load|carry|use|drive) only\b|^never\b(?!.*\b(?:tighten|torque|bolts?|nuts?|screws?|threads?)\b)|\b(?:if|when|whenever|once) (?:it is|they are|it's|they're)? ?(?:ever|later|again) |\bwhenever (?:it is|they are)\b/i;

/** `Do not oil the threads.`, `Values are for dry threads.`: minded while working, and done by nobody. */
const MINDED =
  /\b(?:are|is) (?:one|single)[- ](?:time )?use\b|^(?:new (?:bolts|nuts|screws|studs|washers)|always) (?:must be used|use new)\b[^.;]{0,20}|^(?:do not|don['’]t|never)\b(?!.*\b(?:tighten|torque|snug|but|instead|until|yet|before|after|fully|final(?:ly)?)\b)|^(?:(?:all|the|these|torque) )*(?:values|figures|torques)\b[^.]*\b(?:are|apply|assume|hold)\b|^all (?:values|figures|torques) (?:are |in )*(?:n·?m|ft|lbs?|foot|newton)\b|\bto be kept (?:greased|oiled|clean|dry)\b|^(?:that|this|it) (?:was|is) (?:wrong|a misprint|an? (?:error|mistake))\b|^(?:the |this |it )[\w -]{0,30}\bweighs (?:about )?\d|^(?:(?:if|when) (?:you are |you're )?(?:in doubt|unsure|not sure)|in (?:the )?case of (?:any )?(?:doubts?|questions?|queries|problems?))\b[^.]*\b(?:ask|call|phone|ring|write|contact|stop)\b/i;

/** `How tight?`, `Can I pull straight away?`: headings of a leaflet that answers questions. */
const QUESTION =
  /^(?:what|how|which|where|when|why|who|any|and|can|do|does|is|are|must|should|may|will)\b[^.;]{0,70}\?$/i;
const isQuestion = ({ text }: SheetStep): boolean => QUESTION.test(text.trim());
/** `all Nm`: how the figures are meant, and nothing to do. */
const UNIT_ALONE =
  /^(?:all|everything|(?:all )?(?:torques?|values|figures))(?: (?:is|are|in))* (?:n[·.⋅]? ?m|newton met(?:re|er)s|ft[ .·-]?lbs?|lb[ .·-]?ft|foot[- ]pounds?|lbf[ .·]ft)\.?$/i;
/** What such a leaflet answers with, before it says what. */
const SMALL_TALK =
  /^(?:sure|ok(?:ay)?|right|correct|of course|no problem|here (?:you go|goes|it is)|(?:thanks?|thank you)(?: for [^.]{3,60})?|short version)\W*$|^(?:sorry\b[^.;]{0,60}|rating|score|asked by|answered by|status|replied)\b(?![^.]*\d ?(?:n·?m|ft|lb|mm))/i;
const YES_NO = /^(?:yes|no|none|never|stop|nothing)\W*$/i;

/** `Method`, `Section 3 Fitting`: over the steps below it. */
const HEADS_STEPS =
  /^(?:(?:section|part|chapter|stage|phase) (?:\d{1,2}|[ivx]{1,4}|[A-F])\b[.:]?(?: [\p{L}& -]{3,40})?|method|procedure|instructions?|fitting|preparation|preparations|assembly|installation|directions|removal|the work|how to(?: (?:fit|do) (?:it|them))?|steps|before you (?:start|begin))\W*$/iu;
/** `(FIG A)`, `See photo 3.`: a picture of what stands before it. */
const PICTURE_ALONE =
  /^\(?(?:see )?(?:fig(?:ure)?s?|pic(?:ture)?s?|photos?|illus(?:tration)?s?|images?|drawings?)\.? ?[A-Z\d]{1,3}(?: ?(?:[,&–-]|and) ?[A-Z\d]{1,3})*\)?\.?$/i;
/** `11  7  3  1  5   9  13`: a row of a drawing of where which is. */
const NUMBERS_ALONE = /^(?:\d{1,2}\s+){3,}\d{1,2}$/;
/** `Read all of these instructions before you start.`: said to whoever begins, and no work on the vehicle. */
const READ_FIRST =
  /^(?:please |kindly )?(?:read|study|go through|review)\b[^.]*\b(?:instructions?|sheet|manual|leaflet|guide|steps|all of (?:this|it))\b/i;
/** `Done.` */
const ALL_DONE = /^(?:done|finished|that(?:'s| is) (?:it|all)|good luck|enjoy|end)\W*$/i;
/** `The vehicle shall not tow for 24 hours`, said of nobody's hands. */
const FORBIDS =
  /^(?:the |this |these )?(?:fitter|vehicle|car|truck|you|nobody|no one|it|they|customer|owner|bar|kit|rack|carrier|product|tow ?bar|hitch|winch|bracket|plate|step|lamp|light)s?\s+(?:shall|must|may|should|will|can)(?:\s+not|\s+never|n't)\b/i;

/** A word that stands over what is to be minded, and says nothing by itself. */
const WARNING_WORD = /^\W*(?:attention|caution|warning|note|notice|important|danger)\W*$/i;
const FEW = 3;
/** Facts that say what a kit is for, and nothing to do. */
const NAMES_ONLY: ReadonlySet<Fact['value']['kind']> = new Set(['side', 'condition', 'count', 'mark', 'difficulty']);
const isFront = (text: string, own: readonly Fact[]): boolean =>
  QUANTITY_LINE.test(text) ||
  WHAT_IS_NEEDED.test(text) ||
  (isTitle(text) && own.every(({ value }) => value.kind === 'side' || value.kind === 'condition'));
const ENDS = /[.!?;:]\s*$/;
const isTitle = (text: string): boolean => !ENDS.test(text) && text.trim().split(/\s+/).length <= 12;

/** The title of a sheet in capitals: `RECOVERY POINTS, FRONT, PAIR`. */
const isCapitalTitle = (text: string): boolean => /^[^\p{Ll}.!?;:]{6,80}$/u.test(text.trim());

/** `Torque codes`, over a list of them. */
const FIGURES_TITLE =
  /^(?:tightening )?torques?(?: (?:codes?|values?|settings?|figures?|table|list|chart|specs?|specifications?|key))?\W*$/i;
/** A figure said of what is done when the owner comes back. */
export const laterIn = (own: readonly Fact[]): boolean => {
  const due = own.find(isKind('aftercare'));
  // `120 Nm crosswise, and 120 again after 50 km`: pulled now, and again.
  const now = own.some((fact) => fact.value.kind === 'torque' && due !== undefined && fact.end < due.start);
  const again = due !== undefined && own.some((fact) => fact.start > due.start && fact.value.kind === 'torque');
  return due !== undefined && (!now || again);
};

/** Said of the whole vehicle, and not of the lift it needs. */
const RAISES = /^(?:raise|lift) the\b/i;

/** What every torque is found by. */
const ANY: ReadonlySet<string> = new Set(['']);

/** The steps, each with what it has done; lines of the packing list and headings are none. */
export function draftSteps(
  drafting: Drafting,
  { listed }: Packing,
  { groupOf, assembledIn, keyedRows, stagedIn, together }: Joints,
  variants: Variants,
  /** Groups of the other side, by the sentence that repeats them there. */
  repeated: ReadonlyMap<number, readonly string[]>,
): void {
  const { reading, facts, kit, inStep, place, assume, freshId, compoundId } = drafting;
  const torques = facts.filter(isKind('torque'));
  const refits = facts
    .filter(isKind('action'))
    .filter(
      ({ value: { action, object } }) =>
        action === 'refit' || action === 'reconnect' || (action === 'fit' && ROAD_WHEELS.test(object)),
    );
  // What came off is known again by its own words; `bolts` and `with` say nothing of which.
  const nounsOf = (text: string): Set<string> =>
    new Set(
      (text.toLowerCase().match(/\p{L}{3,}/gu) ?? [])
        .filter((word) => !HARDWARE.has(word) && !COMMON_WORDS.has(word))
        .map((word) => word.replace(/(?<=\p{L}{3})s$/u, '')),
    );
  // By what is named first (`the brake hose from the strut` goes back with the hose), else by its whole sentence.
  const sentence = (one: Fact): string => reading.steps[one.step]?.text ?? '';
  const byObject = firstAfter(refits, ({ value }) => nounsOf(value.object));
  const bySentence = firstAfter(refits, (fact) => nounsOf(sentence(fact)));
  const backLater = (fact: Of<'action'>): Of<'action'> | undefined =>
    byObject(nounsOf(fact.value.object), fact.start) ?? bySentence(nounsOf(sentence(fact)), fact.start);
  const nextTorque = firstAfter(torques, () => ANY);
  const nextOfSize = firstAfter(torques, ({ about }) => new Set(about === undefined ? [] : [about]));
  /** Sizes that a sentence names, or the one before it in the same step of the sheet. */
  const sizesNamed = (at: number): ReadonlySet<string> => {
    const before = reading.steps[at - 1];
    const same = before?.number !== undefined && before.number === reading.steps[at]?.number ? inStep(at - 1) : [];
    const threads = [...inStep(at), ...same].filter(isKind('thread'));
    return new Set(threads.map(({ value }) => value.designation));
  };
  // `A   strut top nuts ... 45 Nm`: a figure that steps further on call by its letter.
  const calls = callsOf(reading.steps);
  const byLetter = new Map<string, string>();
  /** Letters that no step tightens by name: where their points are fitted last. */
  const pulledAt = new Map<number, string[]>();
  const lettered = new Set<number>();
  for (const fact of torques) {
    const text = reading.steps[fact.step]?.text ?? '';
    const letter = rowLetter(text);
    const group = groupOf.get(fact);
    if (letter === undefined || group === undefined || byLetter.has(letter)) continue;
    const tightened = calls.tightened(letter, fact.step);
    const fitted = tightened ? undefined : calls.fittedAt(letter);
    if (!tightened && fitted === undefined) continue;
    if (fitted !== undefined) pulledAt.set(fitted, [...(pulledAt.get(fitted) ?? []), letter]);
    byLetter.set(letter, group);
    lettered.add(fact.step);
  }
  // A sentence may put back several things: `Clip in the hose and the wire`.
  const removedBy = new Map<Fact, string[]>();
  const disconnectedBy = new Map<Fact, string[]>();
  /** Things that came off with another, by what they go back with where no sentence puts them back by their name. */
  const backTogether = new Map<string, string>();
  const numbered = reading.steps.filter(({ number }) => number !== undefined).length;
  const runIn = reading.steps.filter((step, at) => isRunInHeading(step, reading.steps[at + 1])).length;
  const lastTorque = Math.max(-1, ...torques.filter((fact) => !laterIn(inStep(fact.step))).map(({ step }) => step));
  const firstNumbered = reading.steps.findIndex(({ number }) => number !== undefined);
  const asks = reading.steps.filter(isQuestion).length >= FEW;
  const firstList = reading.steps.findIndex((step) => step.list !== undefined);
  const byStation = new Map(kit.stations.map(({ id, compound }) => [id, compound]));
  const compoundOf = new Map(kit.groups.map(({ id, stations }) => [id, byStation.get(stations[0] ?? '')]));
  reading.steps.forEach((step, at) => {
    const own = inStep(at);
    if (listed.has(at) || lettered.has(at) || keyedRows.has(at) || step.quoted || WARNING_WORD.test(step.text)) return;
    const staged = stagedIn.get(at);
    const begun =
      staged && kit.steps.find(({ actions }) => actions.some((one) => one.type === 'torque' && one.group === staged));
    if (begun) {
      begun.text = clip(`${begun.text} ${step.text}`, 2000);
      return;
    }
    if (headsParagraph(drafting, at) || variants.isHeading(at) || FIGURES_TITLE.test(step.text.trim())) return;
    if (HEADS_STEPS.test(step.text.trim()) || ALL_DONE.test(step.text.trim())) return;
    if (HEADS_PLACE.test(step.text.trim())) return;
    if (at === 0 && isCapitalTitle(step.text) && !own.some(isKind('torque'))) return;
    const cameOff = kit.steps.at(-1)?.actions.flatMap((one) => (one.type === 'remove' ? [one.removed] : [])) ?? [];
    if (KEEPS.test(step.text.trim()) && cameOff.length > 0) {
      // It is kept: where nothing puts it back, it is handed over and not scrapped.
      for (const thing of kit.removed) if (cameOff.includes(thing.id) && thing.fate === 'scrap') thing.fate = 'keep';
      const last = kit.steps.at(-1);
      if (last) last.text = clip(`${last.text} ${step.text}`, 2000);
      for (const fact of own) place(fact, `steps[${kit.steps.length - 1}].text`);
      return;
    }
    const pulled = own.some(isKind('torque'));
    // `Hooks and bolts go back to the customer`: what came off is named again, and nothing is done.
    const [goes, scrapped] = [HANDED_BACK.test(step.text), SCRAPPED.test(step.text)];
    const known = kit.removed.filter(({ id }) => cameOff.includes(id));
    const meant = POINTS_AT_IT.test(step.text) ? known : known.filter(({ name }) => isNamed(step.text, name));
    const tells = !pulled && goes !== scrapped && own.every(({ value }) => value.kind !== 'action' || scrapped);
    if (meant.length > 0 && tells) {
      for (const thing of meant) thing.fate = goes ? 'keep' : 'scrap';
      const last = kit.steps.at(-1);
      if (last) last.text = clip(`${last.text} ${step.text}`, 2000);
      for (const fact of own) place(fact, `steps[${kit.steps.length - 1}].text`);
      return;
    }
    // `A second person is a big help.`
    const helped = kit.steps.at(-1);
    const onlyHelp = own.length > 0 && own.every(({ value }) => value.kind === 'need' && value.need === 'helper');
    if (helped && onlyHelp && ASKS_FOR_HELP.test(step.text)) {
      helped.text = clip(`${helped.text} ${step.text}`, 2000);
      helped.people = 2;
      helped.needs = [...new Set([...(helped.needs ?? []), 'helper' as const])];
      for (const fact of own) place(fact, `steps[${kit.steps.length - 1}].needs`);
      return;
    }
    // `Tighten in three passes`, and below it a table of them: rows of figures that belong to the sentence above.
    const passes = kit.steps.at(-1);
    if (passes && isBareRow(step.text) && ofPasses(torques, step)) {
      passes.text = clip(`${passes.text} ${step.text.replace(/\s+/g, ' ')}`, 2000);
      for (const fact of own.filter(isKind('torque'))) {
        const group = groupOf.get(fact);
        if (group === undefined) continue;
        passes.actions = passes.actions.filter(({ type }) => type !== 'do');
        passes.actions.push({ type: 'torque', group });
        passes.phase = 'torque';
      }
      return;
    }
    if (TOLD_ONLY.test(step.text.trim()) && !pulled) return;
    if (
      PICTURE_ALONE.test(step.text.trim()) ||
      NUMBERS_ALONE.test(step.text.trim()) ||
      (SAID_OF_IT.test(step.text.trim()) && !pulled)
    ) {
      const shown = kit.steps.at(-1);
      if (shown) shown.text = clip(`${shown.text} ${step.text}`, 2000);
      return;
    }
    if (runIn >= FEW && isRunInHeading(step, reading.steps[at + 1])) return;
    if (SMALL_TALK.test(step.text.trim()) || UNIT_ALONE.test(step.text.trim())) return;
    if (step.number === undefined && numbered >= FEW && CAPITALS.test(step.text)) return;
    if (GREETING.test(step.text) || LETTERHEAD.test(step.text)) return;
    // `Re-torque after 300 miles; a bolt that turns before that must come out`: both are of the later visit.
    const visit = step.number !== undefined && reading.steps[at - 1]?.number === step.number && at - 1 > lastTorque;
    const later = kit.aftercare.at(-1);
    if (visit && later && laterIn(inStep(at - 1)) && /;\s*$/.test(reading.steps[at - 1]?.text ?? '')) {
      later.text = clip(`${later.text} ${step.text}`, 500);
      for (const fact of own) place(fact, `aftercare[${kit.aftercare.length - 1}]`);
      return;
    }
    const works = own.some(({ value }) => value.kind === 'action' || value.kind === 'torque');
    if (!works && WHAT_IS_NEEDED.test(step.text)) return;
    if (WANTS_TOOLS.test(step.text) || FORM_FIELDS.test(step.text.trim()) || formRow(step.text) === '') return;
    if (isTitleRow(step.text, reading.steps[at + 1]?.text) || namesColumns(step.text)) return;
    if (!pulled && namesTheJob(step.text)) return;
    if (LEGEND.test(step.text.trim()) && !pulled) return;
    // `Sequence`, over a table of it.
    if (
      !works &&
      !/[\s|]/.test(step.text.trim()) &&
      isTitleRow(reading.steps[at + 1]?.text ?? '', reading.steps[at + 2]?.text)
    )
      return;
    // What an eccentric moves is told to whoever sets it, and done by nobody.
    if (!works && authorityIn(step.text) !== undefined) return;
    const limit = own.some(isKind('torque')) ? undefined : limitIn(step.text);
    // `The old notes said 28 Nm`, `your wrench must read 20 to 100`: told so that it is known.
    const done = own.some(
      ({ value }) => value.kind === 'torque' || (value.kind === 'action' && value.action !== 'check'),
    );
    // `After 500 km: all again, 55 Nm` is due later, and its figure is the joint's own.
    const outdated = !done && own.some(isKind('torqueAside')) && !own.some(isKind('aftercare'));
    const acts = soundsLikeAct(step.text) && !(outdated && /^test\b/i.test(step.text));
    // `Pins get no grease`: minded while working, where it says nothing more.
    const dryOnly =
      own.some(({ value }) => value.kind === 'dry') &&
      !works &&
      !own.some(({ value }) => value.kind === 'compound' || value.kind === 'stage');
    // `Two persons` is asked of the work, and what must be done is done.
    const asked = own.some(isKind('need')) || /\b(?:must|shall|has to|have to) be\b/i.test(step.text);
    const warned = WARNED.test(step.text) && !done && !asked && !soundsLikeAct(step.text.replace(WARNED, ''));
    const minded =
      warned ||
      ((MINDED.test(step.text) || READ_FIRST.test(step.text) || step.warns || outdated || dryOnly) &&
        !own.some(isKind('torque')) &&
        !acts) ||
      (FORBIDS.test(step.text) && !own.some(isKind('torque')));
    if (limit !== undefined || minded || (at > lastTorque && FOR_LATER.test(step.text))) {
      kit.cautions.push({
        id: freshId('caution'),
        text: clip(step.text, 500),
        ...(limit === undefined ? {} : { limits: limit }),
      });
      for (const fact of own) place(fact, `cautions[${kit.cautions.length - 1}]`);
      return;
    }
    // `1 Remove the bumper` over its sub-steps is work, `Assemble` alone is none.
    if ((!works || !/\s/.test(step.text)) && isSection(step, reading.steps[at + 1])) return;
    // A sheet that numbers its steps has its front matter before them.
    if (numbered >= FEW && at < firstNumbered && isFront(step.text, own)) return;
    if (numbered >= FEW && at === 0 && firstNumbered > 0 && !ENDS.test(step.text) && !own.some(isKind('torque')))
      return;
    // So has one that lists its pieces before anything is said to do.
    const introduces = at < firstList && own.every(({ value }) => NAMES_ONLY.has(value.kind));
    if (introduces && !soundsLikeAct(step.text)) return;
    if (asks && (step.text.trim().endsWith('?') || YES_NO.test(step.text))) return;
    const actions: StepAction[] = [];
    const path = `steps[${kit.steps.length}]`;
    // What is said here is placed once the step stands: a sentence may turn out to be none.
    const here: Fact[] = [];
    for (const fact of own) {
      const { value } = fact;
      if (value.kind === 'action') {
        const object = clip((value.object.trim() || withoutVerb(step.text)).replace(BY_TURNS, ''), 120);
        // `Before you undo anything` takes nothing off; `bin them` says what becomes of what came off just before.
        if (NO_THING.test(object) && (value.action === 'remove' || value.action === 'discard')) {
          here.push(fact);
          const last = kit.steps.at(-1);
          const off =
            last?.number === step.number ? last?.actions.find((action) => action.type === 'remove') : undefined;
          const thing =
            SCRAPPED.test(step.text) && kit.removed.find(({ id }) => off?.type === 'remove' && id === off.removed);
          if (thing) thing.fate = 'scrap';
        } else if (value.action === 'remove' && A_TOOL.test(object)) {
          here.push(fact);
        } else if (value.action === 'remove') {
          const told = own.filter(isKind('count')).find((entry) => entry.start >= fact.start && countsOf(entry, object))
            ?.value.count;
          const count = (told ?? (BOTH.test(object) ? 2 : 1)) * (timesIn(step.text, [])?.times ?? 1);
          const id = freshId(`off ${object}`);
          // `Remove the stock U-bolts. Discard them.`
          const next = reading.steps[at + 1];
          const gone =
            SCRAPPED.test(step.text) ||
            (next !== undefined &&
              next.number === step.number &&
              BACKWARD.test(next.text) &&
              SCRAPPED.test(next.text) &&
              // `Undo the hooks, these are not needed any more` speaks of what it takes off itself.
              !inStep(at + 1).some(
                ({ value: other }) =>
                  other.kind === 'action' && other.action === 'remove' && !NO_THING.test(other.object.trim() || 'it'),
              ));
          // `Remove the wheels and the brake calipers`: two things, each put back by its own name.
          const along = alongWith(step.text, object);
          const whole = backLater(fact as Of<'action'>);
          const alongBack = along === undefined ? undefined : byObject(nounsOf(along), fact.start);
          const named = along === undefined ? whole : byObject(nounsOf(object), fact.start);
          const ownBack = named ?? (whole === alongBack ? undefined : whole);
          const things = [
            { id, object, count, back: ownBack },
            ...(along === undefined
              ? []
              : [{ id: freshId(`off ${along}`), object: along, count: BOTH.test(along) ? 2 : 1, back: alongBack }]),
          ];
          const [, second] = things;
          if (second && ownBack === undefined && alongBack) backTogether.set(id, second.id);
          for (const thing of things) {
            const back = gone ? undefined : thing.back;
            const againLater = back !== undefined || (!gone && backInWords(drafting, at, thing.object));
            const name = thing.object.replace(LEADING_COUNT, '').replace(BOTH, '') || thing.object;
            kit.removed.push({
              id: thing.id,
              name,
              count: thing.count,
              fate: gone ? 'scrap' : againLater ? 'refit' : 'keep',
            });
            if (back) removedBy.set(back, [...(removedBy.get(back) ?? []), thing.id]);
            else if (!gone && !againLater) assume(`removed[${kit.removed.length - 1}]`, 'fateUnknown', name);
            actions.push({ type: 'remove', removed: thing.id });
            place(fact, `removed[${kit.removed.length - 1}]`);
          }
        } else if (value.action === 'disconnect') {
          const id = freshId(`open ${object}`);
          kit.disconnects.push({ id, name: object, kind: opensAs(object) });
          const back = backLater(fact as Of<'action'>);
          if (back) disconnectedBy.set(back, [...(disconnectedBy.get(back) ?? []), id]);
          actions.push({ type: 'disconnect', disconnect: id });
          place(fact, `disconnects[${kit.disconnects.length - 1}]`);
        } else if (removedBy.has(fact) || disconnectedBy.has(fact)) {
          for (const removed of removedBy.get(fact) ?? []) actions.push({ type: 'refit', removed });
          for (const disconnect of disconnectedBy.get(fact) ?? []) actions.push({ type: 'reconnect', disconnect });
        } else if (NOT_NEEDED.test(step.text.slice(0, Math.max(0, fact.start - step.start)))) {
          // `It is not necessary to jack it up`
        } else if (value.action === 'lift' && /vehicle|car|truck|front|rear|^it\b/i.test(object)) {
          actions.push({ type: 'lift' });
        } else if (value.action === 'lower' && /vehicle|car|truck/i.test(object)) {
          actions.push({ type: 'lower' });
        }
        here.push(fact);
      } else if (value.kind === 'need' && value.need === 'lift' && RAISES.test(fact.printed)) {
        // `Raise the vehicle` asks for a lift, and is work of its own.
        if (!actions.some(({ type }) => type === 'lift')) actions.push({ type: 'lift' });
      } else if (value.kind === 'hole' && value.role === 'drill') {
        const { action, taken } = drillOf(step, own, fact as Of<'hole'>);
        actions.push(action);
        for (const said of taken) here.push(said);
      } else if (value.kind === 'duration' && value.role === 'wait' && value.minutes <= LONGEST_WAIT_MINUTES) {
        actions.push({ type: 'wait', minutes: value.minutes });
        here.push(fact);
      } else if (value.kind === 'torque') {
        const group = groupOf.get(fact);
        if (group && !actions.some((action) => action.type === 'torque' && action.group === group))
          for (const one of [group, ...(together.get(group) ?? [])]) actions.push({ type: 'torque', group: one });
      } else if (value.kind === 'compound' && isCompound(value.compound)) {
        actions.push({ type: 'apply', compound: compoundId(value.compound, fact.confidence) });
        here.push(fact);
      }
    }
    for (const letter of [...calledLetters(step.text), ...(pulledAt.get(at) ?? [])]) {
      const group = byLetter.get(letter);
      if (group && !actions.some((action) => action.type === 'torque' && action.group === group))
        for (const one of [group, ...(together.get(group) ?? [])]) actions.push({ type: 'torque', group: one });
    }
    // `Same thing on the other side`: its threads are treated, started and pulled there.
    const again = repeated.get(at) ?? [];
    if (again.length > 0) actions.push({ type: 'do', text: clip(formRow(step.text), 500) });
    for (const group of again) {
      const compound = compoundOf.get(group);
      if (compound) actions.push({ type: 'apply', compound, group });
      actions.push({ type: 'torque', group });
    }
    // A wait that cools something, and what no fact of the sheet says but its words do.
    const bare = actions.every(({ type }) => type === 'wait');
    const byWords = bare ? wordAct(drafting, formRow(step.text)) : undefined;
    const previous = kit.steps.at(-1);
    // `bin them` is what becomes of what came off just before, and no step of its own.
    if (byWords?.type === 'remove' && SCRAPPED.test(step.text) && previous?.number === step.number)
      if (previous?.actions.some((action) => action.type === 'remove' && action.removed === byWords.removed)) return;
    // A note says several things in a line: `wheels off, both drums off`.
    if (bare && byWords === undefined) actions.push(...offAndOn(drafting, step.text));
    if (byWords && HAS_ITS_WAIT.has(byWords.type)) actions.splice(0, actions.length, byWords);
    else if (byWords) actions.unshift(byWords);
    // What is bolted back on goes back first.
    const back = actions.some(({ type }) => type === 'refit') ? [] : goesBack(drafting, at);
    if (!bare) actions.unshift(...back);
    // `Drop link | 16 mm | 55 Nm`: what came off, of which nothing else is said, is back on once it is pulled.
    if (actions.some(({ type }) => type === 'torque') && !actions.some(({ type }) => type === 'refit')) {
      const bolted = kit.removed.find(
        (thing) =>
          fateUnknown(drafting, thing) && beginsWith(step.text, thing.name) && !offAt(kit, thing.id, step.number),
      );
      if (bolted) {
        settle(drafting, bolted);
        actions.unshift({ type: 'refit', removed: bolted.id });
      }
    }
    // `Start all bolts by hand`, `snug`: of the size its step names, else of the group that is torqued next.
    // What is tried by hand is not put together by hand.
    const stage = byWords?.type === 'test' ? undefined : own.find(isKind('stage'));
    if (stage && (stage.value.stage === 'loose' || stage.value.stage === 'snug')) {
      const sizes = sizesNamed(at);
      const following = nextTorque(ANY, stage.start);
      // Every size the step names, each by the first figure for it; one sentence may start two.
      const ofSize = [...sizes].flatMap((size) => {
        const torque = nextOfSize(new Set([size]), stage.start);
        return (torque && groupOf.get(torque)) ?? [];
      });
      const next = following && groupOf.get(following);
      // `relay: 1 screw, hand tight`: a joint of its own that has no figure.
      const label = labelOf(step.text);
      const other =
        label !== undefined &&
        !tellingWords(label).some((word) =>
          tellingWords(reading.steps[following?.step ?? -1]?.text ?? '').includes(word),
        );
      // `Hang the wing on A studs, snug`, of a table above.
      const ofLetter = bareLabels(step.text).flatMap((letter) => byLetter.get(letter.toUpperCase()) ?? []);
      const groups = other
        ? []
        : ofLetter.length > 0
          ? ofLetter
          : ofSize.length > 0
            ? ofSize
            : [assembledIn.get(at) ?? next].flatMap((group) => group ?? []);
      for (const group of new Set(groups)) {
        actions.push({ type: stage.value.stage === 'loose' ? 'start' : 'snug', group });
        here.push(stage);
      }
    }
    if (own.some((fact) => fact.value.kind === 'caution')) {
      kit.cautions.push({ id: freshId('caution'), text: clip(step.text, 500) });
      for (const fact of own) if (fact.value.kind === 'caution') place(fact, `cautions[${kit.cautions.length - 1}]`);
    }
    let said = step.start;
    for (const fact of own.filter(isKind('aftercare'))) {
      const { distanceKm, days, heatCycles, event, repeats } = fact.value;
      // `The hoop bolts at five hundred miles, lugs at fifty`: each of what stands before it.
      const clause = step.text.slice(said - step.start, fact.end - step.start);
      const what = AFTERCARE_OF.some(([words]) => words.test(clause)) ? clause : step.text;
      said = fact.end;
      kit.aftercare.push({
        id: freshId('aftercare'),
        text: clip(step.text, 500),
        about: AFTERCARE_OF.find(([words]) => words.test(what))?.[1] ?? 'joints',
        ...(distanceKm ? { afterKm: Math.round(distanceKm * 10) / 10 } : {}),
        ...(days ? { afterDays: days } : {}),
        ...(heatCycles ? { afterHeatCycles: heatCycles } : {}),
        // It is said within a sentence: `Due after the first recovery`.
        ...(event
          ? {
              event: clip(
                event.replace(/^\p{Lu}(?=\p{Ll})/u, (first) => first.toLowerCase()),
                120,
              ),
            }
          : {}),
        ...(repeats ? { repeats: true } : {}),
      });
      place(fact, `aftercare[${kit.aftercare.length - 1}]`);
    }
    // `Within 14 days` is a date to keep, not the hours a job takes.
    const job = own
      .filter(isKind('duration'))
      .find(({ value }) => value.role === 'job' && value.minutes <= LONGEST_JOB_MINUTES);
    if (job && kit.statedMinutes === undefined) {
      kit.statedMinutes = job.value.minutes;
      place(job, 'statedMinutes');
    }
    const difficulty = own.find(isKind('difficulty'));
    if (difficulty) {
      kit.difficulty = clip(difficulty.value.text, 120);
      place(difficulty, 'difficulty');
    }
    // What is due when the owner comes back is no step of this work.
    if (at > lastTorque && laterIn(own) && !actions.some(({ type }) => type !== 'torque')) return;
    // A heading says nothing that is to be done.
    const telling = own.filter((fact) => fact.value.kind !== 'side');
    const heading = at === 0 && step.number === undefined && !byWords;
    if (telling.length === 0 && (heading || /:$/.test(step.text))) return;
    const needs: StepNeed[] = [];
    for (const fact of own) {
      if (fact.value.kind === 'need') {
        needs.push(fact.value.need);
        place(fact, `${path}.needs`);
      } else if (fact.value.kind === 'rideHeight') needs.push('rideHeight');
      else here.push(fact);
    }
    const conditions = own.filter(isKind('condition'));
    const only = conditions[0];
    const overIt = conditions.length === 0 ? conditionOver(drafting, at) : undefined;
    const when =
      conditions.length === 1 && only && only.start - step.start < 3 && isOfVehicle(only)
        ? conditionOf(drafting, only)
        : overIt && conditionOf(drafting, overIt);
    const number = step.number ?? rowNumber(step.text);
    for (const fact of here) place(fact, path);
    kit.steps.push({
      id: freshId(`step ${number ?? kit.steps.length + 1}`),
      ...(number ? { number } : {}),
      text: clip(formRow(step.text), 2000),
      phase: phaseOf(own, actions) ?? (lastTorque >= 0 && at > lastTorque ? 'refit' : 'loose'),
      actions: actions.length > 0 ? actions : [{ type: 'do', text: clip(formRow(step.text), 500) }],
      ...(needs.includes('helper') ? { people: 2 } : {}),
      ...(needs.length > 0 ? { needs: [...new Set(needs)] } : {}),
      ...(bothOf(when, variants.conditionAt(at)) ?? {}),
    });
  });
  const putsBack = (id: string) => (action: StepAction) => action.type === 'refit' && action.removed === id;
  for (const [one, other] of backTogether) {
    const thing = kit.removed.find(({ id }) => id === one);
    if (thing?.fate !== 'refit' || kit.steps.some(({ actions }) => actions.some(putsBack(one)))) continue;
    kit.steps.find(({ actions }) => actions.some(putsBack(other)))?.actions.unshift({ type: 'refit', removed: one });
  }
}

/** How far behind a figure the row with its turn may stand, characters. */
const TURN_BEHIND = 4;
/** Whether a row is of a figure that is reached in several passes: one of its rows, or the turn right below them. */
const ofPasses = (torques: ReadonlyArray<Of<'torque'>>, row: SheetStep): boolean =>
  torques.some(
    ({ start, end, value }) =>
      value.stages !== undefined &&
      ((row.end > start && row.start < end) ||
        (value.angleDeg !== undefined && row.start >= end && row.start - end <= TURN_BEHIND)),
  );

/** `… the wheels and the brake calipers`: what comes off along with a thing, and is no piece that holds it. */
function alongWith(text: string, object: string): string | undefined {
  const at = text.indexOf(object);
  const behind = at < 0 ? '' : text.slice(at + object.length);
  const [, thing] =
    /^(?: \([^)]*\))?,? and (?:the|both) ([\p{L} -]{3,30}?)(?=\s*(?:[.,;(]|from\b|$))/u.exec(behind) ?? [];
  return thing === undefined ||
    /^(?:upper|lower|front|rear|left|right|others?|rest|same|inner|outer)$/i.test(thing) ||
    /\b(?:bolts?|nuts?|screws?|washers?|clips?|studs?|fasteners?|hardware|pins?)$/i.test(thing)
    ? undefined
    : thing;
}

type Removed = KitDocument['removed'][number];

const fatePath = ({ kit }: Drafting, thing: Removed): string => `removed[${kit.removed.indexOf(thing)}]`;

/** Whether the sheet says nowhere what becomes of a thing. */
const fateUnknown = (drafting: Drafting, thing: Removed): boolean =>
  drafting.assumed.some(({ code, path }) => code === 'fateUnknown' && path === fatePath(drafting, thing));

/** It goes back: nothing is assumed of it any more. */
function settle(drafting: Drafting, thing: Removed): void {
  const { assumed } = drafting;
  const at = assumed.findIndex(({ code, path }) => code === 'fateUnknown' && path === fatePath(drafting, thing));
  if (at >= 0) assumed.splice(at, 1);
  thing.fate = 'refit';
}

/** Whether a sentence begins with a thing's name: `Drop link | 16 mm | 55`. */
const beginsWith = (text: string, name: string): boolean => {
  const head = text.toLowerCase().replace(/^\W*(?:the )?/, '');
  const called = name.toLowerCase().replace(/^the /, '');
  return head.startsWith(called) && !/^[\p{L}-]/u.test(head.slice(called.length));
};

/** Whether a thing comes off in the step of the sheet with this number. */
const offAt = ({ steps }: KitDocument, removed: string, number: string | undefined): boolean =>
  steps.some(
    (step) =>
      number !== undefined &&
      step.number === number &&
      step.actions.some((action) => action.type === 'remove' && action.removed === removed),
  );

/** Both conditions, where there are two. */
const bothOf = (one: Condition | undefined, other: Condition | undefined): { when: Condition } | undefined => {
  const all = [one, other].filter((condition) => condition !== undefined);
  const [only] = all;
  return only === undefined ? undefined : { when: all.length > 1 ? { all } : only };
};

const AFTERCARE_OF: ReadonlyArray<[RegExp, KitDocument['aftercare'][number]['about']]> = [
  [/wheel|lug/i, 'wheels'],
  [/align/i, 'alignment'],
  [/grease/i, 'grease'],
  [/\b(?:bolts?|nuts?|screws?|studs?|clamps?)\b/i, 'joints'],
];

/** A drill, with its pilot where the sheet has one: the hole that is wanted is the one opened to afterwards. */
function drillOf(
  step: Drafting['reading']['steps'][number],
  own: readonly Fact[],
  fact: Of<'hole'>,
): { action: StepAction; taken: Fact[] } {
  const printed = (of: Fact): string => of.printed.replace(/\.$/, '');
  const around = step.text.slice(Math.max(0, fact.start - step.start - 14), fact.end - step.start + 8);
  const opened = /\bpilot\b/i.test(around)
    ? own.filter(isKind('length')).find(({ start }) => start > fact.start)
    : undefined;
  const wanted = opened ?? fact;
  const tidy = (mm: number): number => Math.round(mm * 100) / 100;
  const inch = /\bin\b|"|inch/i.test(printed(wanted)) ? { size: printed(wanted) } : {};
  return {
    action: {
      type: 'drill',
      diameterMm: tidy(opened ? opened.value.lengthMm : fact.value.diameterMm),
      ...inch,
      ...(opened ? { pilotMm: tidy(fact.value.diameterMm) } : {}),
    },
    taken: opened ? [fact, opened] : [fact],
  };
}

function phaseOf(facts: readonly Fact[], actions: readonly StepAction[]): Phase | undefined {
  const types = new Set(actions.map((action) => action.type));
  const verbs = new Set(facts.flatMap((fact) => (fact.value.kind === 'action' ? [fact.value.action] : [])));
  if (types.has('torque')) return 'torque';
  if (types.has('remove') || types.has('disconnect') || types.has('swingAside')) return 'strip';
  if (types.has('refit') || types.has('reconnect') || types.has('clear') || types.has('lower')) return 'refit';
  if (types.has('test')) return 'prove';
  if (types.has('check')) return 'align';
  if (types.has('coolDown') || types.has('clean') || types.has('dry') || types.has('soak') || types.has('measure'))
    return 'prepare';
  if (types.has('putOn') || types.has('lift')) return 'strip';
  if (facts.some((fact) => fact.value.kind === 'aftercare')) return 'prove';
  if (types.has('wait')) return 'hold';
  if (types.has('drill') || verbs.has('clean') || verbs.has('measure') || verbs.has('lift') || verbs.has('loosen'))
    return 'prepare';
  if (verbs.has('check')) return 'align';
  return undefined;
}
