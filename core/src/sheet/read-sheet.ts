import { aftercares } from './aftercare-phrase.ts';
import { chartInWords, classCharts } from './chart-by-class.ts';
import { dryPlaces } from './compound-phrase.ts';
import { conditions } from './condition-phrase.ts';
import type { Fact } from './fact.ts';
import { feels } from './feel-phrase.ts';
import { generalCharts } from './general-chart.ts';
import { generalInWords, generalRules } from './general-torque.ts';
import { figuresTakenBack, giveRoles } from './give-roles.ts';
import { modelColumns } from './model-columns.ts';
import { oldColumns } from './old-columns.ts';
import type { SheetList } from './packing-line.ts';
import { packingFacts, packingLists } from './packing-list.ts';
import { pageFurniture } from './page-furniture.ts';
import { passives } from './passive-phrase.ts';
import { placeIn, stepFinder } from './place-in.ts';
import { plainText, withoutTranslation } from './plain-text.ts';
import { isQuoted, passedOn, quotesLetter, quotesQuestions } from './quoted-letter.ts';
import { readTokens } from './read-tokens.ts';
import { readingOrder } from './reading-order.ts';
import { records } from './record-lines.ts';
import type { ShopLexicon } from './shop-lexicon.ts';
import { signsExplained } from './signs-explained.ts';
import { ofSizeBehind, ofWrittenSize } from './sizes-of-sheet.ts';
import { type SheetStep, splitSteps } from './step-split.ts';
import { columnSenses } from './table.ts';
import { stepTorques, stepTorquesInWords } from './torques-by-step.ts';
import { afterwards, type Ordered, type WrittenOut, writtenOut } from './written-out.ts';

export type { SheetStep };

export interface SheetReading {
  text: string;
  steps: SheetStep[];
  facts: Fact[];
  /** Steps in which nothing was found: shown, never dropped. */
  unread: number[];
}

/** Whether a count begins in what stands before its step's words: the step's number, `8   M8 bolts`. */
function isLabel(text: string, steps: readonly SheetStep[], { start, step }: Fact): boolean {
  const own = steps[step];
  return own?.number !== undefined && start < own.start && !text.slice(start, own.start).includes('\n');
}

/** Longest text that is read, characters: about a hundred pages. */
export const LONGEST_SHEET = 600_000;

/** How sure a torque is that stands in a chart, a rule or a list of steps, as one under a column's heading is. */
const BROUGHT = 0.85;

/** What stands right before a size that was printed wrongly. */
const WROTE =
  /\b(?:we (?:wrote|printed|said)|wrongly (?:printed|given)(?: as)?|misprinted as|instead of|not the|was printed as) $/i;

/**
 * What the sheet says by signs and charts, said where it is meant; the legend of the signs is no work. A rule or a list
 * whose figures are said in steps holds no joints of its own.
 */
function inOwnWords(laid: Ordered): WrittenOut & { saidElsewhere: ReadonlySet<'rule' | 'steps'> } {
  const { places, legend } = signsExplained(laid.text);
  const bare = legend.reduce(
    (rest, { start, end }) => rest.slice(0, start) + ' '.repeat(end - start) + rest.slice(end),
    laid.text,
  );
  const ruled = generalInWords(bare);
  const stepped = stepTorquesInWords(bare);
  const saidElsewhere = new Set<'rule' | 'steps'>();
  if (ruled.length > 0) saidElsewhere.add('rule');
  if (stepped.length > 0) saidElsewhere.add('steps');
  const said = [...places, ...chartInWords(bare), ...ruled, ...stepped].sort((a, b) => a.start - b.start);
  return { ...afterwards(laid, writtenOut(bare, said)), saidElsewhere };
}

/**
 * Reads an instruction sheet's text into facts, each with its place in the text.
 *
 * The text is laid out first (one language, reading order, lists, steps); then it is read token by token, and what only
 * a whole sentence says (the part a torque plays, conditions, what is due later) is read beside. Nothing is guessed
 * silently: mended scans and carried-over units lower the confidence.
 *
 * @param printed - the sheet's text, at most {@link LONGEST_SHEET} characters
 * @param lexicon - what this shop calls its compounds
 */
export function readSheet(printed: string, lexicon: ShopLexicon = []): SheetReading {
  const { text, inSheet, holdsWords, asPrinted, saidElsewhere } = inOwnWords(
    readingOrder(withoutTranslation(passedOn(plainText(printed)))),
  );
  const fields = records(text);
  // What a record counts is no line of a packing list.
  const packing = packingLists(
    fields.reduce(
      (rest, { start, end }) => rest.slice(0, start) + rest.slice(start, end).replace(/[^\n]/g, ' ') + rest.slice(end),
      text,
    ),
  );
  const charts = [
    ...generalCharts(text),
    ...classCharts(text),
    ...(saidElsewhere.has('rule') ? generalRules(text) : []),
    ...(saidElsewhere.has('steps') ? stepTorques(text) : []),
  ].map((span): SheetList => ({ ...span, of: 'chart' }));
  const senses = columnSenses(text);
  const page = pageFurniture(text).map((span): SheetList => ({ ...span, of: 'page' }));
  const charted = placeIn([...charts, ...page]);
  const lists = placeIn(packing.lists);
  // A table's heading is no step; one over a list of pieces is that list's.
  const headings = senses.headings
    .filter(({ start }) => lists(start) === undefined && charted(start) === undefined)
    .map((span): SheetList => ({ ...span, of: 'heading' }));
  const aroundIt = placeIn(page);
  const listed = placeIn([
    ...packing.lists.filter(({ start }) => charted(start) === undefined),
    ...charts,
    ...page,
    ...headings,
  ]);
  const answered = quotesLetter(text);
  const quotes = answered || quotesQuestions(text);
  const steps = splitSteps(text, listed, placeIn(fields)).map(
    (step): SheetStep => (quotes && isQuoted(text, step.start) ? { ...step, quoted: true } : step),
  );
  const stepAt = stepFinder(steps);
  const due = aftercares(text);
  const outdated = placeIn([...senses.outdated, ...oldColumns(text)].sort((a, b) => a.start - b.start));
  const read = readTokens({ text, steps, listed, labels: packing.labels, due, senses }, lexicon);
  const roled = giveRoles(
    read,
    text,
    (place) => listed(place) !== undefined,
    (place) => outdated(place) !== undefined,
    (place) => senses.has(place),
    (place) => charted(place) !== undefined,
  );
  // What a column with a figure in each cell is of, where the cells say their unit themselves; old values are of none.
  const models = modelColumns(text);
  const modelled = roled.filter(({ value, start }) => value.kind === 'torque' && models.has(start));
  if (new Set(modelled.map(({ start }) => models.get(start))).size > 1)
    for (const fact of modelled) fact.model ??= models.get(fact.start);
  const takenBack = placeIn(figuresTakenBack(text));
  const counted = packingFacts(text, packing.lines, stepAt);
  const feet = new Set(
    counted.flatMap(({ start, value }) => (value.kind === 'count' && value.noun === 'feet' ? [start] : [])),
  );
  const spotted = [...conditions(text), ...dryPlaces(text), ...feels(text), ...passives(text), ...due].map(
    ({ start, end, value }): Fact => ({
      start,
      end,
      value,
      printed: text.slice(start, end).replace(/\s+/g, ' '),
      confidence: 1,
      step: stepAt(start),
    }),
  );
  // What a place says dry stands once, with the compound it forbids where one is named there.
  const forbidden = roled.filter((fact) => fact.value.kind === 'dry');
  const kept = spotted.filter(
    (fact) => fact.value.kind !== 'dry' || !forbidden.some((other) => other.start < fact.end && other.end > fact.start),
  );
  const inHeading = placeIn(senses.headings);
  // What a letter quotes is what was asked: only its torques are shown, as such.
  const facts = ofWrittenSize(
    ofSizeBehind(
      text,
      [...roled, ...counted, ...kept].sort((a, b) => a.start - b.start),
    ),
  )
    .filter((fact) => fact.value.kind !== 'count' || fact.value.item !== undefined || !isLabel(text, steps, fact))
    // A column that is headed `dry` forbids nothing.
    .filter((fact) => fact.value.kind !== 'dry' || inHeading(fact.start) === undefined)
    // What stands around the work of a page is no fact of it; its torques are shown, as another's.
    .filter((fact) => fact.value.kind === 'torqueAside' || aroundIt(fact.start) === undefined)
    // The size in a column of old values, or of a figure that is taken back, is nobody's any more.
    .filter(
      ({ value, start }) =>
        value.kind !== 'thread' || (outdated(start) === undefined && takenBack(start) === undefined),
    )
    // `2 feet, 1 left 1 right` of a list: pieces, and no length.
    .filter(({ value, start }) => value.kind !== 'length' || !feet.has(start))
    // `we wrote M8 x 30`: what a correction calls wrong.
    .filter(({ value, start }) => value.kind !== 'thread' || !WROTE.test(text.slice(Math.max(0, start - 28), start)))
    .filter((fact) => !answered || fact.value.kind === 'torqueAside' || !isQuoted(text, fact.start))
    .sort((a, b) => a.start - b.start);
  const touched = new Set(facts.filter((fact) => fact.value.kind !== 'side').map((fact) => fact.step));
  return {
    text: printed,
    // Its own words, so that what is found in it stands where they say.
    steps: steps.map((step) => ({ ...step, ...inSheet(step), text: holdsWords(step) ? asPrinted(step) : step.text })),
    facts: facts.map((fact) => {
      const span = inSheet(fact);
      // The sheet's own signs are shown, unless the words go on in another column, or say what stands elsewhere.
      if (holdsWords(fact)) {
        // Brought here from a chart, a rule or a list: a person looks once whether it is meant.
        const sure = fact.value.kind === 'torque' ? Math.min(fact.confidence, BROUGHT) : fact.confidence;
        return { ...fact, ...span, confidence: sure };
      }
      if (span.end - span.start !== fact.end - fact.start) return { ...fact, ...span };
      // `8mm` that is read as `M8` is shown to its end.
      let more = 0;
      while (text[fact.end + more] === ' ' && /[\p{L}\d]/u.test(printed[span.end + more] ?? '')) more++;
      const end = span.end + more;
      return { ...fact, start: span.start, end, printed: printed.slice(span.start, end) };
    }),
    // A list's heading has nothing to be read.
    unread: steps.flatMap((step, index) => (touched.has(index) || step.list ? [] : [index])),
  };
}
