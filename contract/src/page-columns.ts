/** A piece of text on a page, points from the page's lower left corner. */
export interface PagePiece {
  text: string;
  /** Where it begins and ends across the page. */
  x: number;
  end: number;
  /** The height of its base line. */
  y: number;
}

/** Pieces whose base lines differ by less are of one line, points. */
const ONE_LINE = 2.5;
/** A gap this wide parts the cells of a table, points. */
const CELL_GAP = 12;
/** A space between words, points. */
const WORD_GAP = 0.8;
/** Narrowest white that parts two columns, points; and where across the page it is looked for. */
const GUTTER = { least: 10, from: 0.25, to: 0.75 };
/** How many pieces in ten may run across a gutter: titles and rules of the page. */
const ACROSS = 0.1;
/** Lines each column has at least. */
const FEW_LINES = 4;
/** How wide a column's full line is, as a share of the page's text: cells of a table are narrower. */
const PROSE_WIDTH = 0.22;
/** Share of a column's lines that go on with the sentence before them. */
const RUNS_ON = 0.2;

/** Pieces of one height beside each other; wide gaps part the cells of a table. */
function linesOf(pieces: readonly PagePiece[]): Array<{ y: number; pieces: PagePiece[] }> {
  const lines: Array<{ y: number; pieces: PagePiece[] }> = [];
  for (const piece of pieces) {
    const line = lines.find((entry) => Math.abs(entry.y - piece.y) < ONE_LINE);
    if (line) line.pieces.push(piece);
    else lines.push({ y: piece.y, pieces: [piece] });
  }
  for (const line of lines) line.pieces.sort((a, b) => a.x - b.x);
  return lines.sort((a, b) => b.y - a.y);
}

const writeLine = (pieces: readonly PagePiece[]): string =>
  pieces.reduce((text, piece, index) => {
    const gap = piece.x - (pieces[index - 1]?.end ?? piece.x);
    return text + (index === 0 ? '' : gap > CELL_GAP ? '   ' : gap > WORD_GAP ? ' ' : '') + piece.text;
  }, '');

/** Whether the lines of a side are running text: wide enough, and some of them go on with a sentence. */
function isProse(pieces: readonly PagePiece[], width: number): boolean {
  const lines = linesOf(pieces);
  if (lines.length < FEW_LINES) return false;
  const widths = lines.map((line) => (line.pieces.at(-1)?.end ?? 0) - (line.pieces[0]?.x ?? 0)).sort((a, b) => a - b);
  // The last line of a paragraph is short.
  const usual = widths[Math.floor((3 * widths.length) / 4)] ?? 0;
  const runsOn = lines.filter((line) => /^\s*\p{Ll}/u.test(writeLine(line.pieces))).length;
  return usual >= PROSE_WIDTH * width && runsOn >= RUNS_ON * lines.length;
}

/** The middle of the white between two columns of running text; undefined on a page of one, and over a table. */
function gutterOf(pieces: readonly PagePiece[]): number | undefined {
  if (pieces.length < 2 * FEW_LINES) return undefined;
  const left = Math.min(...pieces.map(({ x }) => x));
  const width = Math.max(...pieces.map(({ end }) => end)) - left;
  let best = { from: 0, to: 0 };
  let run: number | undefined;
  for (let at = left + GUTTER.from * width; at <= left + GUTTER.to * width; at += 1) {
    const across = pieces.filter(({ x, end }) => x < at && end > at).length;
    if (across > ACROSS * pieces.length) run = undefined;
    else {
      run ??= at;
      if (at - run > best.to - best.from) best = { from: run, to: at };
    }
  }
  if (best.to - best.from < GUTTER.least) return undefined;
  const middle = (best.from + best.to) / 2;
  const sides = [pieces.filter(({ end }) => end <= middle), pieces.filter(({ x }) => x >= middle)];
  return sides.every((side) => isProse(side, width)) ? middle : undefined;
}

/**
 * The text of a page in reading order: a column after the other where it has two of running text, with what runs across
 * both in its place; line by line where it has one, or a table.
 */
export function pageText(pieces: readonly PagePiece[]): string {
  const gutter = gutterOf(pieces);
  const write = (of: readonly PagePiece[]): string[] => linesOf(of).map((line) => writeLine(line.pieces));
  if (gutter === undefined) return write(pieces).join('\n');
  const text: string[] = [];
  let band: PagePiece[] = [];
  const flush = () => {
    text.push(...write(band.filter(({ end }) => end <= gutter)), ...write(band.filter(({ x }) => x >= gutter)));
    band = [];
  };
  for (const line of linesOf(pieces)) {
    const across = line.pieces.some(({ x, end }) => x < gutter && end > gutter);
    if (!across) band.push(...line.pieces);
    else {
      flush();
      text.push(writeLine(line.pieces));
    }
  }
  flush();
  return text.join('\n');
}
