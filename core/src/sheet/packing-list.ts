import type { Fact } from './fact.ts';
import {
  ASKS,
  HEADING_LENGTH,
  headingInside,
  headingOf,
  isWork,
  nextNumber,
  OPENS_WRITTEN,
} from './packing-heading.ts';
import { itemOf, nounOf } from './packing-item.ts';
import { FEW_PIECES, type Line, linesOf, type PackingLine, type SheetList } from './packing-line.ts';
import { BAG, countColumn, countedLines, letteredCells, readRows, rowItem, rowsBelow } from './packing-rows.ts';
import {
  circledRun,
  countedCells,
  NAMES_FASTENER,
  runIn,
  STROKES,
  sentenceEnd,
  strokedItems,
  writtenItems,
} from './packing-written.ts';
import { isSpoken } from './sentence.ts';

const PER_SIDE = /\b(?:per|each|a|one) side\s*:?\s*$/i;

/** Names of tools: what stands below a heading that asks for them, with no count before it. */
const TOOL_NAME =
  /\b(?:sockets?|spanners?|wrench(?:es)?|ratchets?|(?:hex|allen) keys?|screwdrivers?|pliers|hammers?|mallets?|brush(?:es)?|jacks?|axle stands?|stands|drills?|bits?|pullers?|trestles?|tape measure|caliper|knife|saw|file)\b/i;

/** A part of the kit that is opened in the next sentence. */
const PACK_BEHIND =
  /^\.[ \t\n]+(?:the )?(?:(?:fixing|fastener|fitting|bolt|hardware|screw) (?:pack(?:et)?|kit|bag)|hardware|fasteners|fixings)(?: \w)?:[ \t]+/i;
const PACK_REACH = 40;

/** An answer that begins to count at once. */
const ANSWERS =
  /^\s*(?:A[.:]\s+)?(?=(?:the|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\s|\(?\d)/i;

/** Finds the lists of a sheet, and what its packing lists hold. Linear in the length of the text. */
export function packingLists(text: string): { lists: SheetList[]; lines: PackingLine[]; labels: ReadonlySet<string> } {
  const lines = linesOf(text);
  const lists: SheetList[] = [];
  const found: PackingLine[] = [];
  let at = 0;
  while (at < lines.length) {
    const line = lines[at] as Line;
    const bag =
      /^\s*(?:bag|box|pack(?:et)?) (?:[A-Z]\d?|\d{1,2})\b/i.test(line.text) && rowItem(line.text) !== undefined;
    const heading = bag ? 'pieces' : (headingOf(line.text) ?? headingInside(line.text));
    const styled = heading === undefined ? countedLines(lines, at) : 0;
    if (styled > 0) {
      const rows = lines.slice(at, at + styled).map((entry) => ({ ...entry }));
      lists.push({ start: line.start, end: (rows.at(-1) as Line).end, of: 'pieces' });
      found.push(...readRows(rows, text));
      at += styled;
      continue;
    }
    const opened = heading === undefined ? null : OPENS_WRITTEN.exec(line.text);
    if (heading !== undefined && opened && opened.index < 90) {
      const from = line.start + opened.index + opened[0].length;
      let end = sentenceEnd(text, from);
      // `… and eight washers. Plus four bolts for the tabs.`
      while (
        /^\.[ \t]+(?:plus|also|and|then there|in the (?:bag|box|other) (?:i counted|there are|are|you))\b/i.test(
          text.slice(end, end + 16),
        )
      )
        end = sentenceEnd(text, end + 1);
      const items = writtenItems(text.slice(from, end), from, heading === 'pieces' && /:\s*$/.test(opened[0]));
      // `… and one fixing pack. Fixing pack: 12 M8 x 25 screws, …`: what a part of the kit holds, right behind it.
      const pack = PACK_BEHIND.exec(text.slice(end, end + PACK_REACH))?.[0];
      if (pack !== undefined && heading === 'pieces') {
        const inside = end + pack.length;
        end = sentenceEnd(text, inside);
        items.push(...writtenItems(text.slice(inside, end), inside));
      }
      if (items.length >= 2) {
        lists.push({ start: line.start, end, of: heading });
        if (heading === 'pieces') found.push(...items);
        while (at < lines.length && (lines[at] as Line).start < end) at++;
        continue;
      }
    }
    // `What you get. One cooler, two stays, …`, `Bolt legend: (P) M10x70 4 pcs   (Q) …`: in the line of its heading.
    const head = /^[^.:\n]{3,40}[.:][ \t]+(?=\S)/.exec(line.text)?.[0];
    const inLine =
      head !== undefined &&
      heading === 'pieces' &&
      // Between strokes each is a piece, counted or not.
      !STROKES.test(line.text) &&
      headingOf(head.trim().replace(/\.$/, ':')) === 'pieces';
    if (head !== undefined && inLine) {
      const from = line.start + head.length;
      const cells = letteredCells(line.text.slice(head.length), from);
      const end = cells.length > 0 ? line.end : sentenceEnd(text, from);
      const items = cells.length > 0 ? cells : writtenItems(text.slice(from, end), from, true);
      if (items.length >= (cells.length > 0 ? 2 : FEW_PIECES)) {
        lists.push({ start: line.start, end, of: 'pieces' });
        found.push(...items);
        while (at < lines.length && (lines[at] as Line).start < end) at++;
        continue;
      }
    }
    // `What is in the box? One damper, two brackets, …`
    const asked = /^[^?\n]{8,60}\?[ \t]+/.exec(line.text);
    const answerBehind =
      heading === 'pieces' && asked && ASKS.test(asked[0].trimEnd()) && ANSWERS.test(line.text.slice(asked[0].length));
    // `Carton: arm / hub bracket / 5 pcs M10 bolts`
    const strokes = heading === 'pieces' ? STROKES.exec(line.text) : null;
    if ((answerBehind && asked) || strokes) {
      const from = line.start + (strokes?.[0].length ?? asked?.[0].length ?? 0);
      const end = strokes ? line.end : sentenceEnd(text, from);
      const items = strokes ? strokedItems(text.slice(from, end), from) : writtenItems(text.slice(from, end), from);
      if (items.length >= FEW_PIECES) {
        lists.push({ start: line.start, end, of: 'pieces' });
        found.push(...items);
        while (at < lines.length && (lines[at] as Line).start < end) at++;
        continue;
      }
    }
    // `Q. What's in the box?` and below it `A. One bar, four bolts, …`.
    const answer = heading === 'pieces' && ASKS.test(line.text) ? ANSWERS.exec(lines[at + 1]?.text ?? '') : null;
    if (answer) {
      const from = (lines[at + 1] as Line).start + answer[0].length;
      const end = sentenceEnd(text, from);
      const items = writtenItems(text.slice(from, end), from);
      if (items.length >= FEW_PIECES) {
        lists.push({ start: line.start, end, of: 'pieces' });
        found.push(...items);
        while (at < lines.length && (lines[at] as Line).start < end) at++;
        continue;
      }
    }
    // What is said in one breath has its list there, and no rows below.
    const spoken = isSpoken(text) && line.text.length > HEADING_LENGTH;
    const block =
      heading === undefined || spoken ? undefined : rowsBelow(lines, bag ? at - 1 : at, nextNumber(line.text));
    if (heading !== undefined && block && block.rows.length > 0) {
      // `You need`: tools, or the pieces of the kit where its rows count hardware.
      const of = heading === 'tools' && countsHardware(block.rows) ? 'pieces' : heading;
      lists.push({ start: line.start, end: (lines[block.end - 1] as Line).end, of });
      if (of === 'pieces') {
        const rows = readRows(block.rows, text, countColumn(line.text) ?? countColumn(block.titles ?? ''));
        // `Items per side`: a vehicle has two.
        found.push(...(PER_SIDE.test(line.text) ? rows.map((row) => ({ ...row, count: 2 * row.count })) : rows));
      }
      at = block.end;
      continue;
    }
    const below = lines[at + 1];
    if (heading === 'tools' && below && TOOL_NAME.test(below.text) && !isWork(below.text)) {
      // On to the empty line, or to where something is done or listed.
      let last = at + 1;
      for (let next = last + 1; next < lines.length; next++) {
        const more = lines[next] as Line;
        if (more.text.trim() === '' || isWork(more.text) || headingOf(more.text) !== undefined) break;
        if (!BAG.test(more.text) && !TOOL_NAME.test(more.text)) break;
        last = next;
      }
      lists.push({ start: line.start, end: (lines[last] as Line).end, of: 'tools' });
      at = last + 1;
      continue;
    }
    const circled = [circledRun, countedCells].map((run) => run(line)).find(({ length }) => length > 0) ?? [];
    if (circled.length > 0) {
      lists.push({ start: (lines[at] as Line).start, end: (lines[at] as Line).end, of: 'pieces' });
      found.push(...circled);
      at++;
      continue;
    }
    const run = heading === 'tools' ? undefined : runIn(lines, at, text);
    if (run) {
      lists.push({ start: run.start, end: run.end, of: 'pieces' });
      found.push(...run.items);
      while (at < lines.length - 1 && (lines[at] as Line).end < run.end) at++;
    }
    at++;
  }
  const labels = new Set(found.flatMap(({ label }) => (label === undefined ? [] : [label])));
  return { lists, lines: found, labels };
}

/** Whether the rows of a list count washers, or several kinds of bolts and nuts: nobody lists those among tools. */
const countsHardware = (rows: readonly Line[]): boolean => {
  const hardware = rows.filter(
    ({ text }) => itemOf(text.replace(BAG, '')) !== undefined && NAMES_FASTENER.test(text) && !TOOL_NAME.test(text),
  );
  return hardware.length >= 2;
};

/** The counts of the packing lists as facts. */
export const packingFacts = (text: string, lines: readonly PackingLine[], stepAt: (at: number) => number): Fact[] =>
  lines.map(({ start, end, count, item, label }) => ({
    start,
    end,
    printed: text.slice(start, end).replace(/\s+/g, ' '),
    confidence: 1,
    // The label of a row stands before its step.
    step: stepAt(Math.max(start, end - 1)),
    value: {
      kind: 'count',
      count,
      noun: nounOf(item),
      item: item.replace(/\s+/g, ' ').slice(0, 120),
      ...(label === undefined ? {} : { label }),
    },
  }));
