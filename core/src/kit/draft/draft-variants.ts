import type { SheetStep } from '../../sheet/step-split.ts';
import type { Condition } from '../condition.ts';
import { clip, type Drafting } from './drafting.ts';

/** `VERSION S (short wheelbase)`: what is below it is of one of several things that are sold. */
const HEADING =
  /^(?:[Vv](?:ersion|ariant)|VERSION|VARIANT|[Tt]ype|TYPE|[Kk]it|KIT|[Ss]et|SET|[Oo]ption|OPTION)\s+["']?([A-Z\d]{1,4})["']?\s*(?:[(:–-]\s*([^()]*?)\)?\s*)?:?$/;
/** `ALL VERSIONS`: from here on it is of each of them. */
const OF_ALL =
  /^(?:all|both|every|each|common to all|for all)\b.{0,20}\b(?:versions?|variants?|types?|kits?|sets?|options?)\W*$/i;
const QUESTION = 'version';

/** Which of several versions each sentence of a sheet is of. */
export interface Variants {
  /** The condition of a sentence; undefined where it is of all. */
  conditionAt(at: number): Condition | undefined;
  /** What the version of a sentence is called: `version S`. */
  nameAt(at: number): string | undefined;
  /** Whether a sentence is the heading of a version or of all. */
  isHeading(at: number): boolean;
}

const NONE: Variants = { conditionAt: () => undefined, nameAt: () => undefined, isHeading: () => false };
const headingOf = ({ text }: SheetStep) => HEADING.exec(text.trim());

/** The versions a sheet is divided into by headings, asked for as what was bought; none below two. */
export function draftVariants({ reading: { steps }, kit }: Drafting): Variants {
  const named = steps.map(headingOf).filter((match) => match !== null);
  const values = [...new Set(named.map(([, value = '']) => value))];
  if (values.length < 2) return NONE;
  const word = (
    steps
      .find((step) => headingOf(step))
      ?.text.trim()
      .split(/\s/)[0] ?? 'version'
  ).toLowerCase();
  kit.questions.push({
    id: QUESTION,
    text: `Which ${word} was bought?`,
    kind: 'choice',
    bought: 'part',
    choices: values.map((value) => {
      const said = named.find(([, other]) => other === value)?.[2];
      return { value, label: clip(said ? `${value}, ${said}` : value, 80) };
    }),
  });
  const of: Array<string | undefined> = [];
  let open: string | undefined;
  for (const step of steps) {
    const heading = headingOf(step);
    if (heading) open = heading[1];
    else if (OF_ALL.test(step.text.trim())) open = undefined;
    of.push(open);
  }
  return {
    conditionAt: (at) => (of[at] === undefined ? undefined : { question: QUESTION, is: of[at] }),
    nameAt: (at) => (of[at] === undefined ? undefined : `${word} ${of[at]}`),
    isHeading: (at) => headingOf(steps[at] as SheetStep) !== null || OF_ALL.test(steps[at]?.text.trim() ?? ''),
  };
}
