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

/** `Variant   Hub   Bracket bolts`, over a row for each: `A   5-hole   M12x40 (4)`. */
const TABLE_HEAD = /^(variants?|versions?|types?|options?)(?:\s{2,}|\s*\|)\s*\S/i;
const TABLE_ROW = /^\|?\s*([A-Z]\d?)(?:\s{2,}|\s*\|)\s*([^\s|](?:[^|]*?\S)?)(?=\s{2,}|\s*\||$)/;
/** `Torque: A 115 Nm, B 140 Nm`: the letter right before a figure. */
const LETTER_BEFORE = /(?:^|[\s,;:(])([A-Z]\d?)\s*[:=]?\s*$/;

/** Which of several versions each sentence of a sheet is of. */
export interface Variants {
  /** The condition of a figure that stands behind the letter of a version: `A 115 Nm, B 140 Nm`. */
  conditionBefore(step: number, at: number): Condition | undefined;
  /** The condition of a sentence; undefined where it is of all. */
  conditionAt(at: number): Condition | undefined;
  /** What the version of a sentence is called: `version S`. */
  nameAt(at: number): string | undefined;
  /** Whether a sentence is the heading of a version or of all. */
  isHeading(at: number): boolean;
}

const NONE: Variants = {
  conditionBefore: () => undefined,
  conditionAt: () => undefined,
  nameAt: () => undefined,
  isHeading: () => false,
};
const headingOf = ({ text }: SheetStep) => HEADING.exec(text.trim());

/** The versions that a table of the sheet names in its rows, which later figures call by their letters; none below two. */
function versionsOfTable({ reading: { steps }, kit }: Drafting): Variants | undefined {
  const head = steps.findIndex(({ text }) => TABLE_HEAD.test(text.trim()));
  const word = TABLE_HEAD.exec(steps[head]?.text.trim() ?? '')?.[1]
    ?.toLowerCase()
    .replace(/s$/, '');
  if (word === undefined) return undefined;
  const rows: Array<{ value: string; label: string }> = [];
  for (let at = head + 1; at < steps.length; at++) {
    const [, value, label = ''] = TABLE_ROW.exec(steps[at]?.text.trim() ?? '') ?? [];
    if (value === undefined) break;
    rows.push({ value, label: clip(`${value}, ${label}`, 80) });
  }
  const letters = new Set(rows.map(({ value }) => value));
  const calls = ({ text }: SheetStep): boolean =>
    [...text.matchAll(/(?<=^|[\s,;:(])([A-Z]\d?)\s*[:=]?\s*\d{1,3}(?:[.,]\d)?\s*(?:n[·. ]?m|ft|lb|in)/gi)].some(
      ([, letter = '']) => letters.has(letter),
    );
  if (letters.size < 2 || !steps.slice(head + rows.length + 1).some(calls)) return undefined;
  kit.questions.push({
    id: QUESTION,
    text: `Which ${word} was bought?`,
    kind: 'choice',
    bought: 'part',
    choices: rows,
  });
  return {
    ...NONE,
    conditionBefore: (step, at) => {
      const { text = '', start = 0 } = steps[step] ?? {};
      const letter = LETTER_BEFORE.exec(text.slice(0, Math.max(0, at - start)))?.[1];
      return letter !== undefined && letters.has(letter) ? { question: QUESTION, is: letter } : undefined;
    },
    isHeading: (at) => at >= head && at <= head + rows.length,
  };
}

/** The versions a sheet is divided into by headings, asked for as what was bought; none below two. */
export function draftVariants(drafting: Drafting): Variants {
  const {
    reading: { steps },
    kit,
  } = drafting;
  const named = steps.map(headingOf).filter((match) => match !== null);
  const values = [...new Set(named.map(([, value = '']) => value))];
  if (values.length < 2) return versionsOfTable(drafting) ?? NONE;
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
    conditionBefore: () => undefined,
    conditionAt: (at) => (of[at] === undefined ? undefined : { question: QUESTION, is: of[at] }),
    nameAt: (at) => (of[at] === undefined ? undefined : `${word} ${of[at]}`),
    isHeading: (at) => headingOf(steps[at] as SheetStep) !== null || OF_ALL.test(steps[at]?.text.trim() ?? ''),
  };
}
