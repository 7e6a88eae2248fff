import type { Fact } from '../../sheet/fact.ts';
import type { Condition } from '../condition.ts';
import type { Question } from '../kit-document.ts';
import { clip, type Drafting, isKind, type Of, slug } from './drafting.ts';
import { askedOf } from './question-in-words.ts';

/** A clause that says when, and not of what. */
const CLAUSE =
  /^(?:if|unless|when(?:ever)?|where(?:ver)?|should|provided|as long as|more|less|fewer|over|under|above|below)\b/i;
/** What a clause may say a vehicle has. */
const HAS =
  /\b(?:vehicle|car|truck|van|pick-?up|estate|wagon|roof|yours|model|it)\b[^.]{0,24}\b(?:has|have|with|without)\b|\b(?:fitted|equipped|installed|present)\b|\byou have an?\b|\bis the (?:early|late|old|new)\w* (?:one|type|version|style)\b|\bthere (?:is|are) an? [^.]{3,40} on the (?:vehicle|car|truck|roof)\b/i;
/** A place of the work or its state, which no vehicle is told by. */
const AT_WORK = /^(?:in|at|for|with the)\b|\b(?:roads?|use|weather|service)$/i;

/**
 * Whether a condition says which vehicle it is: by year, trim or equipment, known before the work. What is found on the
 * way (`if it binds`, `when you are happy`) is no question to ask when the job is opened.
 */
export function isOfVehicle({ value: { from, to, text } }: Of<'condition'>): boolean {
  if (from !== undefined || to !== undefined) return true;
  return CLAUSE.test(text) ? HAS.test(text) : !AT_WORK.test(text) || HAS.test(text);
}

/** Of these a vehicle has the one or the other. Common practice, no source. */
const EITHER_OR = [
  ['steel', 'alloy'],
  ['short', 'long'],
  ['single', 'double'],
  ['manual', 'automatic'],
  ['petrol', 'diesel'],
  ['drum', 'disc'],
  ['leaf', 'coil'],
  ['early', 'late'],
] as const;

/** What a vehicle has that has not this: `alloy rim` for `steel rim`. */
function oppositesOf(thing: string): string[] {
  const [, first = '', noun] = /^(\p{L}+) (\p{L}+)$/u.exec(thing.toLowerCase()) ?? [];
  return noun === undefined
    ? []
    : EITHER_OR.flatMap(([one, other]) =>
        first === one ? [`${other} ${noun}`] : first === other ? [`${one} ${noun}`] : [],
      );
}

/**
 * A condition of the sheet as a rule over a question, which is asked once however often it is said; undefined where its
 * words ask nothing.
 */
export function conditionOf({ kit, place }: Drafting, fact: Of<'condition'>): Condition | undefined {
  const { from, to, text } = fact.value;
  const question = (entry: Question): string => {
    const known = kit.questions.findIndex((other) => other.id === entry.id);
    if (known < 0) kit.questions.push(entry);
    place(fact, `questions[${known < 0 ? kit.questions.length - 1 : known}]`);
    return entry.id;
  };
  if (from !== undefined || to !== undefined) {
    const id = question({
      id: 'modelYear',
      text: 'Model year?',
      kind: 'number',
      min: 1950,
      max: 2060,
      from: 'modelYear',
    });
    const parts: Condition[] = [];
    if (from !== undefined) parts.push({ question: id, atLeast: from });
    if (to !== undefined) parts.push({ question: id, atMost: to });
    return parts.length === 1 ? (parts[0] as Condition) : { all: parts };
  }
  if (!isOfVehicle(fact) || /\bis the (?:early|late|old|new)/i.test(text)) {
    const so = clip(text.replace(/^(?:if|when|where|unless|should)\s+/i, ''), 80);
    const unless = /^unless\b/i.test(text);
    return { question: question({ id: `so-${slug(so)}`, text: `Is it so: ${so}?`, kind: 'yesNo' }), is: !unless };
  }
  const asked = askedOf(text);
  // `Steel rim 110, alloy rim 130`: who has not the one has the other.
  const other =
    asked && kit.questions.find(({ id }) => oppositesOf(asked.thing).some((thing) => id === `has-${slug(thing)}`));
  if (asked && other) {
    place(fact, `questions[${kit.questions.indexOf(other)}]`);
    return { question: other.id, is: !asked.is };
  }
  return (
    asked && {
      question: question({ id: `has-${slug(asked.thing)}`, text: clip(asked.text, 120), kind: 'yesNo' }),
      is: asked.is,
    }
  );
}

/** The condition a fact stands under: the last one said before it in its step, else the step's only one. */
export function conditionFor(drafting: Drafting, fact: Fact): Condition | undefined {
  if (fact.model !== undefined) return modelCondition(drafting, fact.model);
  const conditions = drafting.inStep(fact.step).filter(isKind('condition'));
  const before = conditions.filter((entry) => entry.start < fact.start).at(-1);
  const own = before ?? (conditions.length === 1 ? conditions[0] : undefined);
  const chosen = own ?? conditionOver(drafting, fact.step);
  return chosen && conditionOf(drafting, chosen);
}

/** `All cars.`: from here on it is of each of them. */
const OF_ALL = /^(?:all|both|every|each)\b[^.]{0,24}\b(?:cars?|vehicles?|models?|years?|versions?|trucks?|vans?)\W*$/i;
const VEHICLES =
  /\b(?:cars?|vehicles?|models?|trucks?|vans?|wagons?|pick-?ups?|ones|on|of|for|from|in|up|to|before|after|since|until|till|built|made|sold|registered|model|years?|only|and|newer|older|later|earlier)\b/gi;
const NAMES_VEHICLES = /^(?:on |for )?(?:the )?(?:cars?|vehicles?|models?|trucks?|vans?|wagons?|pick-?ups?)\b/i;
/** Sentences of a paragraph a heading may stand before. */
const REACH = 16;

/**
 * `Cars of 2016 to 2018. Bolt the clamps …`: a sentence that says nothing but which vehicle it is stands over the rest of its
 * paragraph. The condition over a sentence; undefined where none is, or the sentence is that heading.
 */
export function conditionOver({ reading, inStep }: Drafting, at: number): Of<'condition'> | undefined {
  const { steps } = reading;
  for (let above = at - 1; above >= Math.max(0, at - REACH); above--) {
    const [head, next] = [steps[above], steps[above + 1]];
    // An empty line ends the paragraph.
    if (!head || !next || head.list || next.start - head.end > 1) return undefined;
    if (OF_ALL.test(head.text.trim())) return undefined;
    const only = standsAlone(head.text, inStep(above).filter(isKind('condition')));
    if (only) return only;
  }
  return undefined;
}

/** The condition a sentence is made of, where it says nothing else. */
function standsAlone(text: string, conditions: ReadonlyArray<Of<'condition'>>): Of<'condition'> | undefined {
  const [only, ...more] = conditions;
  const rest = only && text.replace(only.printed, ' ').replace(VEHICLES, ' ');
  const ofYears = only?.value.from !== undefined || only?.value.to !== undefined;
  return only && more.length === 0 && (ofYears || NAMES_VEHICLES.test(text)) && !/\p{L}{3}/u.test(rest ?? '')
    ? only
    : undefined;
}

/** Whether a sentence is such a heading, and nothing to do. */
export const headsParagraph = ({ reading, inStep }: Drafting, at: number): boolean => {
  const text = reading.steps[at]?.text ?? '';
  return OF_ALL.test(text.trim()) || standsAlone(text, inStep(at).filter(isKind('condition'))) !== undefined;
};

const MODEL_QUESTION = 'model';

/** A figure of one column of a matrix holds for the vehicle at its head; the question is asked once for all. */
function modelCondition({ kit, facts }: Drafting, model: string): Condition {
  const values = [...new Set(facts.flatMap((fact) => fact.model ?? []))];
  if (!kit.questions.some(({ id }) => id === MODEL_QUESTION))
    kit.questions.push({
      id: MODEL_QUESTION,
      text: 'Which of these is the vehicle?',
      kind: 'choice',
      choices: values.map((value) => ({ value: slug(value), label: clip(value, 80) })),
    });
  return { question: MODEL_QUESTION, is: slug(model) };
}
