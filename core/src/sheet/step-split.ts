import { NUMBER_WORDS } from './lexicon.ts';
import type { SheetList } from './packing-line.ts';
import { isStop } from './sentence.ts';
import type { Span } from './token.ts';

/** One action of the sheet, in its order. */
export interface SheetStep extends Span {
  text: string;
  /** As the sheet numbers it: `3`, `3a`; none for prose. */
  number?: string;
  /** A line of a list, and nothing to do. */
  list?: SheetList['of'];
  /** Stands behind a warning sign. */
  warns?: true;
  /** What a letter quotes of the one it answers. */
  quoted?: true;
}

// `3.`, `3a)`, `(4)`, `2.1`, `Step 3:`, `Par. 2.`, `IV.`, `B.`, `E1.`, `10   Check`
const NUMBERED =
  /^\s*(?:(?:\[ ?\]\s*)?\(?(?:[Ss]tep|STEP|[Pp]ar(?:agraph|a)?\.?|PAR\.?|[Oo]p(?:eration)?\.?|[Tt]ask|[Pp]hase|[Pp]oint|POINT)?\s*(?:(\d{1,3}(?:\.\d{1,2}){0,2}[a-z]?)\s*[.):|]|([A-Za-z]|[IVX]{1,5}|[ivx]{2,5}|(?!M)[A-Z]\d{1,2})\s*[.):])\)?\s+|(?:[Ss]tep|STEP|[Pp]ar(?:agraph|a)?\.?)\s+(\d{1,3}[a-z]?)\s*[-–]?\s+|(\d{1,3}(?:\.\d{1,2}){0,2}) {1,6}(?!N[·.]?m\b|Ncm\b)(?=\p{Lu}\p{Ll}|\p{Lu}-|"))/u;
// `Step one.`, `Step 4` and nothing more on its line
const COUNTED =
  /^\s*(?:[Ss]tep|STEP|[Oo]p(?:eration)?\.?|[Tt]ask|[Ss]tage)\s+(\p{L}+|\d{1,3}[a-z]?)(?:\s*[.):,–-]+\s+|\s*[.):]?\s*$)/u;

/** `Figure 3.`, `Picture 4:` before what is done there: the sheet's own numbers, where it has no others. */
const FIGURED =
  /^\s*(?:[Ff]ig(?:ure)?\.?|FIG(?:URE)?\.?|[Pp]icture|[Pp]hoto|[Ii]mage|[Dd]rawing)\s+(\d{1,3}[a-z]?)(?:\s*[.):,–-]+\s+| {2,})(?=\p{Lu}|\(\p{Lu})/u;
/** `1.Remove the cover`: typed without a space; `2/ EMPTY RESERVOIR`. */
const NUMBERED_TIGHT = /^\s*(\d{1,2})(?:\.(?=\p{Lu}\p{Ll}{2})|\/\s+(?=\p{Lu}))/u;
/** `3 CENTRE BOLTS THROUGH SPRINGS`: a number alone before capitals, where the numbers run on. */
const NUMBERED_CAPITALS =
  /^\s*(\d{1,2}) {1,6}(?=\p{Lu}[\p{Lu}-]+\b)(?!\d+ {1,6}(?:M|MM|NM|FT|LB|LBS|KG|IN|X|OFF|PCS|ROUNDS?|STAGES?)\b)/u;
/** `   a  Tape the template to the wing`: a letter alone before a sentence, further in than the number it is under. */
const LETTERED_BELOW = /^\s+([a-h])\s{1,4}(?=\p{Lu}\p{Ll})/u;
/** `a  Arms to the crash beam`: a letter alone before its step, in the order of the alphabet. */
const LETTERED_ALONE = /^\s{0,3}([a-z]) {1,4}(?=\p{Lu}\p{Ll})/u;
const FEW_LETTERS = 4;
/** `[ ] 12  Reconnect the battery`: a number between the box and the words. */
const TICKED = /^\s*\[ ?[x ]?\]\s*(\d{1,3}[a-z]?)[.):]?\s+(?=\p{L})/u;
/** `Q.` before what is asked, `A.` before what is answered. */
const QUESTION_OR_ANSWER = /^\s*[QA][.:]\s+(?=\S)/;
/** `Q3 …`, and below it `A3 …`: what is asked and answered, by its number. */
const ASKED_BY_NUMBER = /^\s*([QA])(\d{1,2})[.:)]?\s+(?=\S)/;
const FEW_ASKED = 2;
const FEW_FIGURES = 3;

/** Whether a sheet asks and answers by numbers. */
const asksByNumber = (lines: readonly string[]): boolean =>
  ['Q', 'A'].every((letter) => lines.filter((line) => ASKED_BY_NUMBER.exec(line)?.[1] === letter).length >= FEW_ASKED);

/** The label of a step that is counted in words, or stands alone above its text. */
function counted(line: string): { label: string; length: number } | undefined {
  const [mark = '', word = ''] = COUNTED.exec(line) ?? [];
  const number = /^\d/.test(word) ? word : NUMBER_WORDS[word.toLowerCase()];
  return number === undefined ? undefined : { label: String(number), length: mark.length };
}

/** Where it is said on a tape, or when in a chat and by whom: `[02:40]`, `2:40 -`, `[Tue 18:02] Ola: `. */
const STAMP =
  /^\s*[[(]?(?:\p{L}{2,9}\.?,? )?(\d{1,2}:\d{2}(?::\d{2})?)[\])]?\s*[-–:]?\s+(?:<?\p{Lu}[\p{L}\d_]{1,14}>?:\s+)?(?=\S)/u;
const BULLET = /^\s*(?:(?:->|→|=>)\s*|\(!\)\s+|[⚠△]\s*|[-•*–▪+»]\s+|>{1,3}\s+|\[ ?[x ]?\]\s)/;
const WARNING_SIGN = /(?:\(!\)|[⚠△])\s*$/;
/** A row of cells, which no sentence goes on in. */
const CELLS = /\S {3,}\S|\||\t|\.{4,}/;
/** How long a line is that breaks only because the page ends, as a share of the longest. */
const WRAPPED = 0.72;
/** So many lines with a time before them are typed up from a tape. */
const FEW_STAMPS = 3;

/** Whether the numbers behind the boxes to tick run on from one: `[ ] 3` counts the pieces of a list, too. */
function runsOn(lines: readonly string[], isListed: (start: number) => boolean): boolean {
  let start = 0;
  const numbers: number[] = [];
  for (const line of lines) {
    const [, number] = TICKED.exec(line) ?? [];
    if (number !== undefined && !isListed(start)) numbers.push(Number.parseInt(number, 10));
    start += line.length + 1;
  }
  return numbers.length >= FEW_FIGURES && numbers.every((number, at) => at === 0 || number >= (numbers[at - 1] ?? 0));
}

/** A step that is a heading, or stands in capitals. */
const isHeading = (plain: string): boolean => /^[^a-z]{3,}$/.test(plain) && /[A-Z]{2}/.test(plain);

/**
 * Splits a sheet into steps: one line is one step where lines are numbered or bulleted; prose is split at the ends of
 * its sentences, and a line that goes on in the next is joined to it.
 *
 * @param listed - the list a place stands in, whose lines are never joined
 * @param recorded - the record a place stands in, whose fields are one step
 */
export function splitSteps(
  text: string,
  listed: (place: number) => Pick<SheetList, 'of'> | undefined = () => undefined,
  recorded: (place: number) => Span | undefined = () => undefined,
): SheetStep[] {
  const steps: SheetStep[] = [];
  let offset = 0;
  let open: { start: number; number?: string; quoted?: true } | undefined;
  const close = (end: number) => {
    if (!open) return;
    const raw = text.slice(open.start, end);
    const lead = raw.length - raw.trimStart().length;
    const trimmed = raw.trim();
    const list = listed(open.start + lead)?.of;
    if (trimmed !== '')
      steps.push({
        start: open.start + lead,
        end: open.start + lead + trimmed.length,
        text: trimmed,
        number: open.number,
        ...(list ? { list } : {}),
        ...(open.quoted ? { quoted: true } : {}),
        ...(WARNING_SIGN.test(text.slice(Math.max(0, open.start - 6), open.start + lead)) ? { warns: true } : {}),
      });
    open = undefined;
  };
  const lines = text.split('\n');
  const starts = [0];
  for (const line of lines) starts.push((starts.at(-1) ?? 0) + line.length + 1);
  const inList = (at: number): boolean => listed(starts[at] ?? 0) !== undefined;
  const written = lines.filter((line) => /\p{L}/u.test(line));
  // Dictated notes have no capitals; each line is a breath of its own.
  const dictated = written.filter((line) => /^\s*\p{Ll}/u.test(line.replace(BULLET, ''))).length > 0.6 * written.length;
  // `(1)`, `(2)` number steps only where they run on; `(4) bolts` counts.
  const bracketed = lines.flatMap((line) => /^\s*\((\d{1,3})\)\s/.exec(line)?.[1] ?? []).map(Number);
  const running = bracketed.length > 1 && bracketed.every((label, at) => label === (bracketed[0] ?? 0) + at);
  const lengths = written.map((line) => line.trimEnd().length).sort((a, b) => a - b);
  const page = lengths[Math.floor(lengths.length * 0.9)] ?? 0;
  const labelled = lines.filter(
    (line, at) => !inList(at) && (NUMBERED.test(line) || NUMBERED_TIGHT.test(line) || counted(line)),
  ).length;
  // Questions and answers: `Q.` and `A.` number nothing.
  const answers = ['Q', 'A'].every(
    (letter) =>
      lines.filter((line) => QUESTION_OR_ANSWER.test(line) && line.trimStart().startsWith(letter)).length >=
      FEW_FIGURES,
  );
  const byNumber = asksByNumber(lines);
  /** The open paragraph asks what the next one answers. */
  let asks = false;
  const inCapitals = lines
    .flatMap((line, at) => (inList(at) ? [] : (NUMBERED_CAPITALS.exec(line)?.[1] ?? [])))
    .map(Number);
  const capitals =
    labelled < FEW_FIGURES &&
    inCapitals.length >= FEW_FIGURES &&
    inCapitals.every((label, at) => label === (inCapitals[0] ?? 0) + at);
  const figured = labelled < FEW_FIGURES && lines.filter((line) => FIGURED.test(line)).length >= FEW_FIGURES;
  const ticked = runsOn(lines, (start) => listed(start) !== undefined);
  const below = lines.flatMap((line, at) => (inList(at) ? [] : (LETTERED_BELOW.exec(line)?.[1] ?? [])));
  const lettered =
    below.length >= FEW_FIGURES &&
    below.every((letter, at) => letter === 'a' || letter.charCodeAt(0) === (below[at - 1] ?? '').charCodeAt(0) + 1);
  const alone = lines.flatMap((line, at) => (inList(at) ? [] : (LETTERED_ALONE.exec(line)?.[1] ?? [])));
  const byLetter =
    !lettered &&
    alone.length >= FEW_LETTERS &&
    alone.every((letter, at) => letter.charCodeAt(0) === 'a'.charCodeAt(0) + at);
  const numbered = figured || ticked || capitals || byLetter ? lines.length : labelled;
  // One time of day is none.
  const taped = lines.filter((line) => STAMP.test(line)).length >= FEW_STAMPS;
  /** The number of the paragraph that is open, which its further sentences share. */
  let paragraph: string | undefined;
  /** The number its lettered lines are under. */
  let above = '';
  /** How far in the last numbered line stands. */
  let numberIndent = 0;
  let before = '';
  for (const [row, line] of lines.entries()) {
    const start = offset;
    offset += line.length + 1;
    const plain = line.trim();
    if (plain === '' || /^[-_=*~#.]{3,}$/.test(plain)) {
      close(start);
      before = '';
      paragraph = undefined;
      continue;
    }
    const own = taped ? STAMP : figured ? FIGURED : ticked && listed(start) === undefined ? TICKED : undefined;
    const asked = answers ? QUESTION_OR_ANSWER.exec(line) : null;
    const answer = byNumber ? ASKED_BY_NUMBER.exec(line) : null;
    const number =
      own?.exec(line) ??
      (asked || answer
        ? null
        : running || !/^\s*\(\d/.test(line)
          ? (NUMBERED.exec(line) ??
            (labelled >= FEW_FIGURES ? NUMBERED_TIGHT.exec(line) : null) ??
            (capitals ? NUMBERED_CAPITALS.exec(line) : null) ??
            (byLetter && !inList(row) ? LETTERED_ALONE.exec(line) : null))
          : null);
    const letter = lettered && !number && listed(start) === undefined ? LETTERED_BELOW.exec(line) : null;
    const spoken = number ? undefined : counted(line);
    const begins =
      number !== null ||
      letter !== null ||
      asked !== null ||
      answer !== null ||
      spoken !== undefined ||
      BULLET.test(line) ||
      isHeading(plain) ||
      listed(start) !== undefined ||
      CELLS.test(line.trim());
    // A line in lower case goes on with the one before, and so does one after a line that only the page ended.
    const ended = /[.:;!?]["')]*\s*$/.test(before) || CELLS.test(before.trim()) || isHeading(before.trim());
    const wrapped = page > 50 && before.trimEnd().length >= WRAPPED * page && !ended;
    const lower = /^(?:[a-z]|\((?!\d+\))|\d{1,3} ?(?:N[·.]?m|ft|lbs?|mm)\b)/.test(plain);
    const within = recorded(start);
    // `8 5` and below it `N m`: a figure whose unit no longer fitted on the line.
    const parted = /\d\s*$/.test(before) && /^(?:N ?[·.]?m|ft|lbs?|kgf?[ ·.]?m)\b/i.test(plain);
    const goesOn =
      open !== undefined &&
      (parted ||
        // `(four bolts` and below it `M8, 13 mm)`
        (!begins && /\([^()]*$/.test(before) && /^[^(]{0,40}\)/.test(plain)) ||
        (within !== undefined && within.start < start) ||
        (!dictated &&
          !begins &&
          (lower || wrapped) &&
          !(inList(row - 1) && !inList(row)) &&
          // `How tight?`, and below it `20 Nm the feet`: the answer is no part of what is asked.
          !/\?\s*$/.test(before)));
    if (!goesOn) close(start);
    // What stands further out than a numbered line is no part of its paragraph.
    const indent = line.length - line.trimStart().length;
    const outside = !goesOn && number === null && indent < numberIndent;
    if (number) numberIndent = indent;
    if (number) {
      paragraph = number.slice(1).find((label) => label !== undefined);
      above = paragraph ?? '';
    } else if (letter) paragraph = `${above}${letter[1]}`;
    else if (answer) paragraph = answer[2];
    else if (spoken) paragraph = spoken.label;
    else if (begins || outside || numbered < 3) paragraph = undefined;
    // Its text is in the lines below.
    if (spoken && plain.length <= spoken.length) {
      before = '';
      continue;
    }
    // What is ticked or pointed at is no part of what is said.
    const mark = number ?? letter ?? asked ?? answer ?? BULLET.exec(line);
    if (answer || paragraph === undefined) asks = answer?.[1] === 'Q';
    const question = asks ? { quoted: true as const } : {};
    open ??= { start: start + (mark?.[0].length ?? spoken?.length ?? 0), number: paragraph, ...question };
    before = line;
    // Sentences end inside the line.
    for (const match of line.matchAll(/[.!?](?=["')]*\s+["'(]*[A-Z])(?<!\(!)|.(?=\s*\(!\)\s)|;\s/g)) {
      const at = start + match.index;
      if (match[0] !== ';' && !isStop(text, at)) continue;
      if (at < (open?.start ?? 0)) continue;
      // ` ... ` of a fax parts words, and no sentences.
      if (match[0] === '.' && /\s\.{2,4}$/.test(text.slice(Math.max(0, at - 5), at + 1))) continue;
      const number: string | undefined = open?.number;
      close(at + 1);
      open = { start: at + 1, number, ...question };
    }
  }
  close(text.length);
  return steps;
}
