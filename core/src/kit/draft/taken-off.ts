import type { Drafting, Of } from './drafting.ts';
import { isKind, KIND_OF } from './drafting.ts';
import type { JointSentences } from './joint-sentences.ts';
import { partWords, tellingWords, timesIn } from './joint-words.ts';

const PLACES = /\b(?:front|rear|upper|lower|inner|outer|left|right|top|bottom)\b/gi;

/** The words that say which joint a text is of, its place among them. */
const wordsOf = (text: string): Set<string> =>
  new Set([...tellingWords(text), ...partWords(text), ...(text.toLowerCase().match(PLACES) ?? [])]);

/** How many of a joint's words what comes off must share, as a share of them. */
const ENOUGH = 0.6;

interface TakenOff {
  fact: Of<'drive'>;
  words: ReadonlySet<string>;
}

/** The drives of what comes off, by the words of their clauses, found once for a sheet. */
const known = new WeakMap<Drafting['facts'], ReadonlyMap<string, readonly TakenOff[]>>();
function takenOff({ reading, facts }: Drafting): ReadonlyMap<string, readonly TakenOff[]> {
  const made = known.get(facts);
  if (made) return made;
  const off = new Set(
    facts
      .filter(isKind('action'))
      .filter(({ value: { action } }) => ['remove', 'disconnect', 'loosen'].includes(action))
      .map(({ step }) => step),
  );
  const byWord = new Map<string, TakenOff[]>();
  let from = -1;
  for (const fact of facts.filter(isKind('drive'))) {
    const step = reading.steps[fact.step];
    if (!step || !off.has(fact.step)) continue;
    const start = Math.max(step.start, from);
    from = fact.end;
    const clause = step.text.slice(start - step.start, fact.end - step.start);
    // `(18 mm, hold the stud with a 6 mm key)`: what holds the other end undoes nothing.
    if (/\bhold(?:ing)?\b/i.test(clause)) continue;
    const words = wordsOf(clause);
    for (const word of words) byWord.set(word, [...(byWord.get(word) ?? []).slice(-MOST_ALIKE), { fact, words }]);
  }
  known.set(facts, byWord);
  return byWord;
}
/** So many clauses that share a word are looked at; a sheet with more repeats itself. */
const MOST_ALIKE = 60;

/**
 * What undid a joint of the vehicle's own does it up again: `Remove the upper ball joint nut (19 mm)` and later `Reconnect
 * upper ball joint. Torque to …`. Only where one clause names the joint better than any other.
 */
export function driveTakenOff(drafting: Drafting, title: string): Of<'drive'> | undefined {
  const wanted = [...wordsOf(title)];
  const byWord = takenOff(drafting);
  const shares = new Map<Of<'drive'>, number>();
  for (const word of wanted)
    for (const { fact, words } of byWord.get(word) ?? [])
      shares.set(fact, wanted.filter((one) => words.has(one)).length / wanted.length);
  const [best, second] = [...shares].sort(([, a], [, b]) => b - a);
  return best && best[1] >= ENOUGH && best[1] > (second?.[1] ?? 0) ? best[0] : undefined;
}

/** What comes off, by the words of its name, found once for a sheet. */
const offKnown = new WeakMap<Drafting['facts'], ReadonlyMap<string, ReadonlyArray<Of<'action'>>>>();
function offByWord({ facts, reading }: Drafting): ReadonlyMap<string, ReadonlyArray<Of<'action'>>> {
  const made = offKnown.get(facts);
  if (made) return made;
  const off = new Map<string, Array<Of<'action'>>>();
  for (const fact of facts.filter(isKind('action')))
    if (fact.value.action === 'remove')
      for (const word of namesOf(`${fact.value.object} ${alongWith(reading, fact)}`)) {
        const there = off.get(word);
        if (there) there.push(fact);
        else off.set(word, [fact]);
      }
  offKnown.set(facts, off);
  return off;
}

/** `Remove the spare wheel and its carrier`: what comes off along with it. */
const alongWith = ({ steps }: Drafting['reading'], { step, value }: Of<'action'>): string => {
  const text = steps[step]?.text ?? '';
  const at = text.indexOf(value.object);
  return at < 0
    ? ''
    : (/^(?: \([^)]*\))?,? (?:and|with) (?:its|the|their) ([\p{L} -]{3,30})/u.exec(
        text.slice(at + value.object.length),
      )?.[1] ?? '');
};

/** What a thing is known again by: the words that tell it from others, and the parts it is of. */
const namesOf = (text: string): Set<string> => new Set([...tellingWords(text), ...partWords(text)]);

/** More of one name than these tell nothing of a joint. */
const MOST_OFF = 40;

/**
 * How many came off, for a joint whose own sentence says no number: `Remove both front wheels (6 nuts each)` are twelve
 * wheel nuts, `Detach the tie-rod end, one per side` two nuts of it.
 */
export function countTakenOff(
  drafting: Drafting,
  said: JointSentences,
  torque: Of<'torque'>,
): { count: number; drive?: Of<'drive'> } | undefined {
  const [kind] = said.kinds;
  const { reading, inStep } = drafting;
  const off = offByWord(drafting);
  // `Strut in, top nuts`: where a word only says which of its kind, the part names it.
  const words = said.words.some((word) => off.has(word)) ? said.words : said.parts;
  const named = new Set(words.flatMap((word) => (off.get(word) ?? []).slice(0, MOST_OFF)));
  for (const fact of [...named].sort((a, b) => a.start - b.start)) {
    const text = reading.steps[fact.step]?.text ?? '';
    if (fact.step === torque.step) continue;
    const counted = inStep(fact.step)
      .filter(isKind('count'))
      .filter(({ value }) => ['bolt', 'nut'].includes(KIND_OF[value.noun] ?? ''))
      // Known by a part alone, its count names the part: `the two rear bracket bolts`.
      .filter(({ printed }) => said.words.length > 0 || said.parts.some((part) => partWords(printed).includes(part)))
      .find(({ value }, _, all) => (kind === undefined ? all.length === 1 : KIND_OF[value.noun] === kind));
    // `the brake calipers (2 bolts each)`: more than one of them, two unless it says.
    const several =
      /\b(?:both|two|2)\b.*\beach\b|\b\p{L}{3,}s \(\d{1,2} (?:\p{L}+ )?(?:bolts|nuts|screws) each\b/iu.test(text);
    const times = timesIn(text, [])?.times ?? (several ? 2 : undefined);
    const drive = inStep(fact.step).filter(isKind('drive'))[0];
    const turned = drive ? { drive } : {};
    if (counted) return { count: counted.value.count * (times ?? 1), ...turned };
    if (times !== undefined) return { count: times };
  }
  return undefined;
}
