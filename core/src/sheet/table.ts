import type { TorqueUnit } from '../quantity/unit.ts';
import { fieldTorques } from './record-lines.ts';
import { runningNumbers } from './running-number.ts';
import { onlyUnit, torqueUnitOf, unitOfAll } from './sheet-unit.ts';
import { type ThreadState, threadStateOf, usedThreadState } from './thread-state-columns.ts';
import { misreadNumber, type Span } from './token.ts';

/** What a column says of what is in it: a torque in a unit, a count (of each side), a tool's size, an old value, or only a label. */
export type ColumnSense =
  | { torque: TorqueUnit }
  | 'count'
  | 'countPerSide'
  | 'label'
  | 'drive'
  | 'length'
  | 'old'
  | 'others';

/** A cell of a table's row. */
export interface Cell {
  text: string;
  /** Place of the cell's first character in the sheet. */
  start: number;
  /** Columns of the line it takes, from the line's first character. */
  from: number;
  to: number;
}

/** Cells are parted by a bar, a tab, two spaces and more, or a row of dots. Between bars an empty cell counts. */
export function cellsOf(line: string, offset: number): Cell[] {
  const cells: Cell[] = [];
  const add = (raw: string, at: number) => {
    const lead = raw.length - raw.trimStart().length;
    const text = raw.trim();
    cells.push({ text, start: offset + at + lead, from: at + lead, to: at + lead + text.length });
  };
  if (line.includes('|') || line.includes('\t')) {
    let at = 0;
    for (const raw of line.split(/[|\t]/)) {
      add(raw, at);
      at += raw.length + 1;
    }
    // A bar that frames the table parts no cells.
    if (/^\s*\|/.test(line)) cells.shift();
    if (/\|\s*$/.test(line)) cells.pop();
    return cells;
  }
  const parted = line.match(/;(?=\S)/g)?.length ?? 0;
  const commas = line.match(/,(?=\S)/g)?.length ?? 0;
  // Spreadsheets saved as text have no space behind their separators.
  const separator = parted > 2 && !/; /.test(line) ? ';' : commas > 2 && !/, /.test(line) ? ',' : undefined;
  if (separator !== undefined) {
    let at = 0;
    for (const raw of line.split(separator)) {
      add(raw, at);
      at += raw.length + 1;
    }
    return cells;
  }
  for (const match of line.matchAll(/(?:(?! {2}|(?:\. ?){3,}).)+/g)) {
    if (match[0].trim().replace(/^\.+|\.+$/g, '') !== '')
      add(
        match[0].replace(/^[. ]+(?=\S)/, (dots) => ' '.repeat(dots.length)),
        match.index,
      );
  }
  return cells;
}

/** Columns of what is no longer so: `old`, `until March`, `was`. */
export const OLD = /^(?:old|was|before|previous(?:ly)?|former(?:ly)?|superseded|until|up to)\b/i;
/** One of several issues side by side; the last holds. */
const ISSUE =
  /^[^,;]{0,16}\b(?:issue|rev(?:ision)?|edition|version|print(?:ing)?|letter|interim|notice|bulletin)\b[^,;]{0,12}$|^(?:to|until|from|since|as of)?\s*(?:\p{L}+\.? )?(?:19|20)\d\d$/iu;

/** The column that holds today: `valid from now on`, `new`. */
export const NOW = /^(?:valid|now|new|current|from now|today|revised|corrected|as of|this (?:issue|sheet))\b/i;
/** A column of an earlier print, where one of today stands beside it. */
const EARLIER = /^(?:first|original|initial|earlier|issue|rev(?:ision)?|edition|version|print)\b/i;

/** `Kit theirs (coil)`: what stands below is of another kit. */
const OTHERS = /\b(?:theirs|competitors?'?s?|other (?:makers?|brands?|makes?|kits?))\b/i;

export function senseOf(heading: string): ColumnSense | undefined {
  if (OTHERS.test(heading)) return 'others';
  if (OLD.test(heading)) return 'old';
  if (/\d/.test(heading)) return undefined;
  const torque = torqueUnitOf(heading);
  if (torque !== undefined) return { torque };
  if (/^(?:(?:length|long|lg\.?)(?: ?\(?mm\)?)?|l ?\(?mm\)?)$/i.test(heading)) return 'length';
  if (/^(?:per|each|a) side\b/i.test(heading)) return 'countPerSide';
  if (
    /^(qty|quantity|count|pcs|pieces|off|no\.? off|how many|number(?: of)?|amount|nos|stk|units|each|anzahl|menge|stück(?:zahl)?|quantité|nombre|cantidad|quantità|aantal)\b/i.test(
      heading,
    )
  )
    return 'count';
  if (/^(tool|drive|socket|spanner|wrench|key|hex|a\/?f|sw)s?( size)?\b/i.test(heading)) return 'drive';
  if (/^(item|line|no|nr|ref|pos|position|#|step|part no|part number|p\/n|pn|drawing|key|index|id)\b/i.test(heading))
    return 'label';
  return undefined;
}

/** A column of torques whose heading leaves out the unit: its first row with one gives it. */
const TORQUE_ALONE =
  /^(?:(?:final|tightening) )?(?:torques?|tq|trq|tighten(?:ing)?|tightening torque|drehmoment|anzugsmoment|couple(?: de serrage)?|par(?: de apriete)?|coppia(?: di serraggio)?|aanhaalmoment)$/i;
/** Classes of ISO 898-1. */
export const PROPERTY_CLASS = /^(?:4\.6|4\.8|5\.6|5\.8|6\.8|8\.8|9\.8|10\.9|12\.9)$/;
const isClassBeside = (cell: Cell, cells: readonly Cell[], line: string): boolean =>
  PROPERTY_CLASS.test(cell.text) &&
  /\bM\d/.test(line) &&
  cells.some((other) => other !== cell && (WITH_UNIT.test(other.text) || PLAIN_NUMBER.test(other.text)));
/** `160 Nm`: a figure with its unit. */
const WITH_UNIT = /^\d+(?:[.,]\d+)?\s*(?:[-–]\s*\d+(?:[.,]\d+)?\s*)?(\p{L}[\p{L}·. -]*)$/u;

const PLAIN_NUMBER =
  /^\d+(?:[.,]\d+)?(?:\s*[-+] ?\d+(?:[.,]\d+)?\s*\/\s*[-+] ?\d+(?:[.,]\d+)?|\s*(?:[-–÷…±]|\+\/?-|\.{2,3}|to)\s*\d+(?:[.,]\d+)?(?: ?%)?)?$/;
/** `2x4`: two places with four each, in a column that counts. */
const COUNT_TIMES = /^\d{1,2} ?[x×] ?\d{1,2}$/i;
/** `M12 95`: a size and its figure in one cell; the figure is its last group. */
const SIZED_CELL = /^M\d{1,2}(?: ?[x×] ?\d+(?:[.,]\d+)?)?,? +(\d{1,3}(?:[.,]\d)?)$/i;
/** `max. 8`, `≤ 12`: a ceiling in a cell; its figure stands behind. */
const CEILING_CELL = /^(?:max(?:imum)?\.?:?|≤|<|at most|up to|not over) ?(?=\d+(?:[.,]\d+)?$)/i;
/** `6 max`: a ceiling whose word stands behind its figure. */
const CEILING_BEHIND_CELL = /^(?=\d+(?:[.,]\d+)? ?(?:max(?:imum)?\.?|at most|tops)$)/i;
/** A cell of today's values that leaves the old one as it was. */
const AS_BEFORE = /^(?:unchanged|no change|as before|(?:the )?same|stays|remains|idem|ditto|=|→)\.?$/i;
/** `(7) 9`: two units in one cell. */
const TWO_NUMBERS =
  /\((\d+(?:[.,]\d+)?)\)\s{0,4}(\d+(?:[.,]\d+)?)(?!\S)|(?<!\S)(\d+(?:[.,]\d+)?)\s{0,4}\((\d+(?:[.,]\d+)?)\)/g;
/** `---+---`, `====`: a rule and no row. */
export const RULE = /^[\s|+:=_-]*$/;

/** `13`, `13 mm`, `5 (key)`: a size in a column of tools. */
const DRIVE_CELL = /^\d{1,2}(?:[.,]\d)? ?(?:mm)?(?: ?\(?(?:(?:hex|allen) )?key\)?)?$/i;

/** A column of figures for threads of one state. */
interface StateColumn {
  state: ThreadState;
  torque: TorqueUnit;
}

/** The columns of a heading that are for dry and for lubricated threads; none unless both are there. */
function stateColumns(cells: readonly Cell[], above: TorqueUnit | undefined): ReadonlyMap<number, StateColumn> {
  const found = new Map<number, StateColumn>();
  cells.forEach((cell, index) => {
    const column = threadStateOf(cell.text);
    const torque = column && (column.rest === '' ? above : torqueUnitOf(column.rest));
    if (column && torque) found.set(index, { state: column.state, torque });
  });
  return new Set([...found.values()].map(({ state }) => state)).size === 2 ? found : new Map();
}

interface Heading {
  cells: Cell[];
  /** What the columns of a matrix are called, each a vehicle or version; empty in other tables. */
  models?: ReadonlyMap<number, string>;
  /** The line it stands in. */
  row?: number;
  /** Columns for dry and for lubricated threads. */
  states?: ReadonlyMap<number, StateColumn>;
  /** Each row ends with its own unit. */
  unitLast?: true;
  /** Columns of least, wanted and most. */
  bands?: ReadonlyMap<number, 'min' | 'nominal' | 'max'>;
  /** The unit of all its figures. */
  unit?: TorqueUnit;
  /** Columns of torques that still want their unit. */
  unsaid: ReadonlySet<number>;
  senses: Array<ColumnSense | undefined>;
  barred: boolean;
}

/** The heading a cell stands under: by its number between bars, by its place where the columns are only aligned. */
function columnOf(heading: Heading, cells: readonly Cell[], index: number): number | undefined {
  if (heading.barred) return index;
  if (cells.length === heading.cells.length) return index;
  const cell = cells[index];
  if (!cell) return undefined;
  const overlap = heading.cells.map((column) => Math.min(column.to, cell.to) - Math.max(column.from, cell.from));
  const best = overlap.reduce((a, value, at) => (value > (overlap[a] ?? Number.NEGATIVE_INFINITY) ? at : a), 0);
  return (overlap[best] ?? -99) > -6 ? best : undefined;
}

/** A row whose name ends with the unit of what it measures. */
const MEASURED_ROW = /\p{L}{3}[^,;]*,\s*(?:mm|cm|in|inch|kg|lbs?|bar|psi|deg|°|km|h|min)$/iu;
/** The unit behind the comma or in the brackets of a row's name: `Wheel nuts, Nm`. */
const rowUnit = (cell: Cell | undefined): TorqueUnit | undefined => {
  const [, comma, bracket] =
    /\p{L}{3}[^,;]*(?:,\s*([^,;()]{2,14})|\s*\(([^()]{2,14})\))$/u.exec(cell?.text ?? '') ?? [];
  return torqueUnitOf(comma ?? bracket ?? '');
};

/** What the numbers of one cell are. `pair`: the second number of a cell in two units. */
export interface Sensed {
  sense: ColumnSense;
  /** The unit of a second number in the same cell, in brackets or after them. */
  second?: { start: number; unit: TorqueUnit };
  /** Which of several vehicles or versions its column is of. */
  model?: string;
  /** The ends of a figure that stands in columns of least, wanted and most. */
  band?: { min?: number; nominal?: number; max?: number };
}

/** What a vehicle or version may be called at the head of its column. */
const MODEL_NAME =
  /^(?=.*\p{L})(?!(?:note|remark|sign|done|ok|tool|initial|check|class|thread|size|pass|stage|round)s?\b)[\p{L}\d][\p{L}\d ./+-]{0,22}$/iu;

/**
 * The heading of a matrix, `TIGHTENING (N·m)   Elm 20   Elm 30`: a title with a unit, or a line below one, and a column
 * of bare figures for each vehicle.
 */
/** The only unit of torque a heading names. */
function unitOf({ senses }: Heading): TorqueUnit | undefined {
  const units = senses.flatMap((sense) => (typeof sense === 'object' ? [sense.torque] : []));
  return units.length === 1 ? units[0] : undefined;
}

/** The vehicle a column is of; `front` and `rear` are places of one. */
function modelOf(heading: Heading, column: number): string | undefined {
  const name = heading.models?.get(column);
  return name === undefined || PLACE.test(name) ? undefined : name;
}

/** Columns of least, wanted and most: `Min   Nom   Max`. */
const BANDS: ReadonlyArray<readonly [RegExp, 'min' | 'nominal' | 'max']> = [
  [/^(?:min(?:imum|\.)?|least|low(?:er)?(?: limit)?|lsl)$/i, 'min'],
  [/^(?:nom(?:inal|\.)?|target|set(?:ting)?|aim|wanted)$/i, 'nominal'],
  [/^(?:max(?:imum|\.)?|most|high|upper(?: limit)?|never over|usl)$/i, 'max'],
];
/** What a place is called, which tells no vehicle from another. */
export const PLACE = /^(?:front|rear|left|right|upper|lower|inner|outer|top|bottom|[lr]h|inside|outside)\b/i;

/** The heading of a table that gives the ends of each figure; two columns of them at least. */
function bandHeading(cells: readonly Cell[], line: string, above: TorqueUnit | undefined): Heading | undefined {
  let unit = above;
  const bands = new Map<number, 'min' | 'nominal' | 'max'>();
  cells.forEach((cell, index) => {
    const own = /[([]?\s*([\p{L}·. -]{1,9})\s*[)\]]?$/u.exec(cell.text)?.[1];
    const bare = cell.text.replace(/\s*[([,].*$/, '').trim();
    const named = BANDS.find(([pattern]) => pattern.test(bare) || pattern.test(bare.split(' ')[0] ?? ''));
    if (!named) return;
    bands.set(index, named[1]);
    unit = (own ? torqueUnitOf(own.split(' ').slice(-2).join(' ')) : undefined) ?? unit;
  });
  const unitLast = /^units?$/i.test(cells.at(-1)?.text ?? '');
  if (bands.size < 2 || new Set(bands.values()).size < bands.size || (unit === undefined && !unitLast))
    return undefined;
  return {
    cells: [...cells],
    bands,
    senses: cells.map((cell, index) => (bands.has(index) ? undefined : senseOf(cell.text))),
    unsaid: new Set(),
    barred: /[|\t]/.test(line),
    ...(unitLast ? { unitLast: true as const } : {}),
    ...(unit ? { unit } : {}),
  };
}

/** A row below columns of least, wanted and most: one figure with its ends. @returns how many were taken */
function bandRow(heading: Heading, cells: readonly Cell[], senses: Map<number, Sensed>): number {
  const unit = heading.unitLast ? torqueUnitOf(cells.at(-1)?.text ?? '') : heading.unit;
  const band: { min?: number; nominal?: number; max?: number } = {};
  const places: number[] = [];
  cells.forEach((cell, index) => {
    const column = columnOf(heading, cells, index);
    const end = column === undefined ? undefined : heading.bands?.get(column);
    if (end === undefined || !/^\d+(?:[.,]\d+)?$/.test(cell.text)) return;
    band[end] = Number(cell.text.replace(',', '.'));
    places.push(cell.start);
  });
  const [first, ...rest] = places;
  if (unit === undefined || first === undefined) return 0;
  senses.set(first, { sense: { torque: unit }, band });
  for (const at of rest) senses.set(at, { sense: 'label' });
  return places.length;
}

export const isModelName = (text: string): boolean => MODEL_NAME.test(text) && !SIZED_CELL.test(text);

/** A row of a matrix that counts: `bolts per point   3   2   4`. */
const COUNTS_PIECES = /^(?:bolts?|nuts?|screws?|washers?|studs?|pieces|pcs|qty|quantity|number)\b/i;

function matrixHeading(
  cells: readonly Cell[],
  line: string,
  below: string,
  above: TorqueUnit | undefined,
): Heading | undefined {
  const unitLast = /^units?$/i.test(cells.at(-1)?.text ?? '');
  const names = cells.slice(0, -1).filter((cell) => isModelName(cell.text) && senseOf(cell.text) === undefined);
  if (unitLast && names.length > 1 && names.length >= cells.length - 2)
    return {
      cells: [...cells],
      models: new Map(cells.flatMap((cell, index) => (names.includes(cell) ? [[index, cell.text] as const] : []))),
      senses: cells.map(() => undefined),
      unsaid: new Set(),
      barred: /[|\t]/.test(line),
      unitLast: true,
    };
  return titledMatrix(cells, line, below, above);
}

function titledMatrix(
  cells: readonly Cell[],
  line: string,
  below: string,
  above: TorqueUnit | undefined,
): Heading | undefined {
  const title = cells[0] ? unitAbove(cells[0].text) : undefined;
  const unit = title ?? above;
  const names = cells.filter(
    (cell, index) => (title === undefined || index > 0) && isModelName(cell.text) && senseOf(cell.text) === undefined,
  );
  if (unit === undefined || names.length < 2 || names.length < cells.length - 1) return undefined;
  const figures = cellsOf(below, 0).filter((cell) => PLAIN_NUMBER.test(cell.text) || SIZED_CELL.test(cell.text));
  if (figures.length < 2 || !/\p{L}{3}/u.test(below)) return undefined;
  const models = new Map(cells.flatMap((cell, index) => (names.includes(cell) ? [[index, cell.text] as const] : [])));
  return {
    cells: [...cells],
    models,
    senses: cells.map((_, index) => (models.has(index) ? { torque: unit } : undefined)),
    unsaid: new Set(),
    barred: /[|\t]/.test(line),
  };
}

/**
 * A row of a matrix that ends with its unit, `main bolts   48   85   85   N·m`; one without a name gives the figures of the
 * row above in another unit.
 * @returns how many figures were taken
 */
function unitRow(
  heading: Heading,
  cells: readonly Cell[],
  senses: Map<number, Sensed>,
  last: Map<number, number>,
): number {
  const unit = torqueUnitOf(cells.at(-1)?.text ?? '');
  const figures = cells.flatMap((cell, index) => {
    const column = columnOf(heading, cells, index);
    return column !== undefined && heading.models?.has(column) && /^\d/.test(cell.text) ? [{ cell, column }] : [];
  });
  const again = figures.length === cells.length - 1 && figures.every(({ column }) => last.has(column));
  if (unit === undefined || figures.length === 0) {
    last.clear();
    return 0;
  }
  for (const { cell, column } of figures) {
    const above = last.get(column);
    const known = above === undefined ? undefined : senses.get(above);
    if (again && above !== undefined && known) {
      senses.set(above, { ...known, second: { start: cell.start, unit } });
      senses.set(cell.start, { sense: 'label' });
    } else senses.set(cell.start, { sense: { torque: unit }, model: modelOf(heading, column) });
  }
  last.clear();
  if (!again) for (const { cell, column } of figures) last.set(column, cell.start);
  return figures.length;
}

/** The two units of a line above a chart: `(lbf·ft) N·m`. */
function chartUnits(line: string): { bracketed: TorqueUnit; plain: TorqueUnit } | undefined {
  const match =
    /\(\s*([A-Za-z·.\- ]{2,9})\s*\)\s+([A-Za-z·.-]{2,9})\s*$|([A-Za-z·.-]{2,9})\s+\(\s*([A-Za-z·.\- ]{2,9})\s*\)\s*$/.exec(
      line,
    );
  const bracketed = match && torqueUnitOf(match[1] ?? match[4] ?? '');
  const plain = match && torqueUnitOf(match[2] ?? match[3] ?? '');
  return bracketed && plain ? { bracketed, plain } : undefined;
}

/** The unit a line gives to the list below it: `Torque values (N·m)`, `all figures in ft-lb`. */
function unitAbove(line: string): TorqueUnit | undefined {
  if (/\d/.test(line) || line.trim().length > 90) return undefined;
  if (!/\b(?:torques?|tighten(?:ing)?|values?|figures?|settings?|tight)\b/i.test(line)) return undefined;
  for (const match of line.matchAll(
    /(?:[([]\s*(?:all )?(?:in )?|\bin |:\s*)([A-Za-z·.-]+(?:[ ·.-][A-Za-z.]+){0,2})/g,
  )) {
    const words = (match[1] ?? '').split(' ');
    for (let most = words.length; most > 0; most--) {
      const unit = torqueUnitOf(words.slice(0, most).join(' '));
      if (unit) return unit;
    }
  }
  return undefined;
}

/** A bare figure of a clause: no size, no count, no length, and not half of something. */
const BARE_FIGURE =
  /(?<![\p{L}\d.,/#-])\d{1,3}(?:[.,]\d)?(?:\s?[-–]\s?\d{1,3}(?:[.,]\d)?)?(?![\p{L}\d"'°%/#×-]|[.,]\d|\s?(?:mm|cm|in\b|inch|x\b|×|off\b|pcs|turns?|times|goes|passes|km|mi\b|miles|deg|[nN][·.]?m|(?:ft|in|lb)\b|kg|psi|bar\b|years?|days?|h\b|min\b))/u;

/** `front subframe  68`, `caliper slide  20-24`: a name and its figure. */
const NAMED_FIGURE =
  /^\s*\p{Ll}[^\d\n]{2,40}?(?: {2,}|\t| ?[:=] ?)\d{1,3}(?:[.,]\d)?(?: ?[-–] ?\d{1,3}(?:[.,]\d)?)?(?![\d"'])/iu;
/** Fewer such lines are no list (chosen by us). */
const FEW_NAMED = 3;
/** The lines of a list of names and figures, where there are enough of them to be one. */
function namedFigures(text: string): ReadonlySet<number> {
  const rows = text.split('\n').flatMap((line, row) => (NAMED_FIGURE.test(line) ? [row] : []));
  return new Set(rows.length < FEW_NAMED ? [] : rows);
}

/** `95`, `28 (was 25)`, `110 / red on the long one`: a figure that begins a cell and is no count and no size. */
const FIGURE_CELL = /^\d{1,3}(?:[.,]\d)?(?:\s?[-–]\s?\d{1,3}(?:[.,]\d)?)?(?=$|\s*(?:[,;(+!]|\/ ?\p{L}))/u;
/** The figure of a row of names, sizes and remarks, `caliper   2 x M12   95   no paste`. */
function figureCell(cells: readonly Cell[]): Cell | undefined {
  const [name, ...others] = cells.flatMap(atArrows).filter(({ text }) => text !== '');
  const counted = cells.some(({ text }) => ARROW.test(text)) ? /\p{L}{3}/u : /^\p{L}{3}/u;
  return counted.test(name?.text ?? '') ? others.findLast((cell) => FIGURE_CELL.test(cell.text)) : undefined;
}
/** `-> 2x rear bolts M12 -> 80`: arrows part the cells of a note. */
const ARROW = /->|→|=>/;
function atArrows(cell: Cell): Cell[] {
  let at = 0;
  return cell.text.split(/(->|→|=>)/).flatMap((part, index) => {
    const from = at + part.length - part.trimStart().length;
    at += part.length;
    const text = part.trim();
    return index % 2 === 1
      ? []
      : [{ text, start: cell.start + from, from: cell.from + from, to: cell.from + from + text.length }];
  });
}
/** The lines of a list that has its figures in cells of their own, where there are enough of them to be one. */
function figureRows(text: string): ReadonlySet<number> {
  const lines = text.split('\n');
  const rows = lines.flatMap((line, row) => (figureCell(cellsOf(line, 0)) ? [row] : []));
  // An arrow is no accident.
  const few = rows.some((row) => ARROW.test(lines[row] ?? '')) ? 1 : FEW_NAMED;
  return new Set(rows.length < few ? [] : rows);
}

/** `lock nut M12 ..... 2`: a row that ends with a small number of pieces. */
const COUNTED_ROW = /^(?=.{4,200}$)[^\p{L}]*\p{L}.*(?:\.{2,}|\s\.|\s{2,})\s*\d{1,2}\s*$/u;
/** The rows of lists that count washers: no figure there is a torque. A fact of the trade, no source. */
function pieceRows(lines: readonly string[]): ReadonlySet<number> {
  const rows = new Set<number>();
  let block: number[] = [];
  const close = () => {
    if (block.length >= FEW_NAMED && block.some((row) => /\bwashers?\b/i.test(lines[row] ?? '')))
      for (const row of block) rows.add(row);
    block = [];
  };
  lines.forEach((line, row) => {
    if (COUNTED_ROW.test(line)) block.push(row);
    else close();
  });
  close();
  return rows;
}

/** A figure that ends its row's leader: `shock upper .... 50`, `UCA both ends -> 92`. */
const LED_FIGURE = /(?:->|→|=>|\.{3,}|(?:\. ){3,})\s*\d/;
const WITH_TORQUE = /\d\s?(?:n ?[·.]?m|(?:ft|in)[ .-]*(?:lbs?|lbf|#)|lbf?[ .-]*(?:ft|in)|kgf?[ ·.]?m)\b/i;
/**
 * Rows of a note that give each joint its figure behind an arrow or dots and say the unit only once, `… 148 ft lb`,
 * `… 125`, with that unit: their first row has it, and the sheet no other.
 */
function ledRows(text: string): { rows: ReadonlySet<number>; unit?: TorqueUnit } {
  const rows = new Set<number>();
  let block: number[] = [];
  const lines = text.split('\n');
  const close = () => {
    if (block.length >= FEW_NAMED && WITH_TORQUE.test(lines[block[0] ?? 0] ?? ''))
      for (const row of block) rows.add(row);
    block = [];
  };
  lines.forEach((line, row) => {
    if (LED_FIGURE.test(line)) block.push(row);
    // A remark in a row of its own parts no note.
    else if (line.trim() === '' || !LED_FIGURE.test(lines[row + 1] ?? '')) close();
  });
  close();
  return { rows, unit: rows.size > 0 ? onlyUnit(text) : undefined };
}

/** Where the bare figures stand of a cell that lists several joints: one in each of its clauses, none in brackets. */
function bareFigures(cell: Cell): number[] {
  const plain = cell.text.replace(/\([^)]*\)/g, (inside) => ' '.repeat(inside.length));
  const places: number[] = [];
  for (const clause of plain.matchAll(/[^,;/]+/g)) {
    const figure = BARE_FIGURE.exec(clause[0]);
    if (figure && !TORQUE_SAID.test(clause[0].slice(figure.index + figure[0].length)))
      places.push(cell.start + clause.index + figure.index);
  }
  return places;
}
const TORQUE_SAID = /^\s*(?:to\s*\d+\s*)?(?:[nN][·.]?m|ft|in|lb|kg)/;

/** Columns of a form that is filled in at the work: `Item | Work | Spec | Found | Init.` */
const FORM_HEADING =
  /^(?:items?|no|nr|#|steps?|work|tasks?|operations?|what|description|spec(?:ification)?|values?|limits?|target|tools?|found|actual|measured|results?|readings?|init(?:ial)?s?|by|sign(?:ed|ature)?|ok|done|tick|checks?|checked|date|remarks?|notes?)[.:]?$/i;
const FORM_COLUMNS = 3;

/**
 * What the headings of the sheet's tables say of the bare numbers below them, by the place of each number.
 * A table is a heading with a torque unit or a quantity in it and the rows that follow, with as many cells, fewer or
 * more; a list below a line that names a unit is a table of one column.
 */
export function columnSenses(
  text: string,
): ReadonlyMap<number, Sensed> & { outdated: readonly Span[]; headings: readonly Span[] } {
  const senses = new Map<number, Sensed>();
  const outdated: Span[] = [];
  const headings: Span[] = [];
  let heading: Heading | undefined;
  /** The figures of the last row that ended with a unit, by their column: the next may give them in another. */
  const below = new Map<number, number>();
  let chart: ReturnType<typeof chartUnits>;
  let above: TorqueUnit | undefined;
  const all = unitOfAll(text);
  const named = all ? namedFigures(text) : new Set<number>();
  const usedState = usedThreadState(text);
  const led = ledRows(text);
  const ofRows = all ?? led.unit;
  const figured = ofRows ? figureRows(text) : new Set<number>();
  let misfits = 0;
  let offset = 0;
  const lines = text.split('\n');
  const counted = pieceRows(lines);
  for (const [row, line] of lines.entries()) {
    const start = offset;
    offset += line.length + 1;
    if (line.trim() === '') {
      if (heading && misfits > 0) heading = undefined;
      continue;
    }
    if (RULE.test(line)) continue;
    const cells = cellsOf(line, start);
    // A title with its unit, in cells of its own, stands right above the columns.
    const title = heading && heading.row === row - 1 ? unitOf(heading) : undefined;
    const under = lines.slice(row + 1, row + 4).find((next) => next.trim() !== '' && !RULE.test(next)) ?? '';
    const banded = cells.length > 1 ? bandHeading(cells, line, title ?? above ?? all) : undefined;
    const matrix = cells.length > 1 ? matrixHeading(cells, line, under, title ?? above ?? all) : undefined;
    if (banded ?? matrix) {
      heading = banded ?? matrix;
      headings.push({ start, end: start + line.length });
      misfits = 0;
      continue;
    }
    const issues = cells.filter((cell) => ISSUE.test(cell.text));
    const renewed = cells.some((cell) => NOW.test(cell.text));
    const found = cells.map((cell) =>
      (issues.length > 1 && ISSUE.test(cell.text) && cell !== issues.at(-1)) || (renewed && EARLIER.test(cell.text))
        ? 'old'
        : senseOf(cell.text),
    );
    // `DRY   LUBED`: the same figures for both states of the threads, of which the sheet uses one.
    const states = stateColumns(cells, title ?? above ?? all);
    for (const [index, { torque }] of states) found[index] = { torque };
    const headed = cells.every((cell) => !/^\d|\d$/.test(cell.text) || ISSUE.test(cell.text));
    if (
      headed &&
      cells.length > 1 &&
      (found.some((sense) => sense !== undefined && sense !== 'label' && sense !== 'drive') ||
        (all !== undefined && cells.some((cell) => TORQUE_ALONE.test(cell.text))))
    ) {
      // `TORQUE LIST, all N·m`, and then a column headed `torque`.
      if (all)
        cells.forEach((cell, index) => {
          if (TORQUE_ALONE.test(cell.text)) found[index] = { torque: all };
        });
      const unsaid = new Set(cells.flatMap((cell, index) => (TORQUE_ALONE.test(cell.text) ? [index] : [])));
      heading = {
        cells,
        row,
        senses: found,
        ...(states.size > 0 ? { states } : {}),
        unsaid,
        barred: /[|\t]|;\S/.test(line) || (/,\S/.test(line) && !/ {2}/.test(line)),
      };
      headings.push({ start, end: start + line.length });
      misfits = 0;
      continue;
    }
    if (cells.length >= FORM_COLUMNS && cells.every((cell) => FORM_HEADING.test(cell.text))) {
      headings.push({ start, end: start + line.length });
      continue;
    }
    const units = chartUnits(line);
    if (units) {
      chart = units;
      misfits = 0;
      continue;
    }
    const unit =
      cells.length <= 3
        ? unitAbove(
            cells.length < 3
              ? line
              : cells
                  .slice(0, 2)
                  .map((cell) => cell.text)
                  .join(' '),
          )
        : undefined;
    if (unit) {
      above = unit;
      heading = undefined;
      misfits = 0;
      continue;
    }
    if (/^\W*(?:total|sum|weight)\b/i.test(line)) continue;
    let read = 0;
    for (const two of chart ? line.matchAll(TWO_NUMBERS) : []) {
      if (!chart) break;
      const bracketFirst = two[1] !== undefined;
      const second = start + two.index + two[0].lastIndexOf(bracketFirst ? (two[2] ?? '') : (two[4] ?? ''));
      senses.set(start + two.index + (bracketFirst ? 1 : 0), {
        sense: { torque: bracketFirst ? chart.bracketed : chart.plain },
        second: { start: second, unit: bracketFirst ? chart.plain : chart.bracketed },
      });
      read++;
    }
    if (read > 0) {
      misfits = 0;
      continue;
    }
    if (heading?.bands) {
      read = bandRow(heading, cells, senses);
      if (read > 0) {
        misfits = 0;
        continue;
      }
    } else if (heading?.unitLast) {
      read = unitRow(heading, cells, senses, below);
      if (read > 0) {
        misfits = 0;
        continue;
      }
    }
    // A row with one value alone has no old one beside it.
    const kept =
      cells.some((cell) => AS_BEFORE.test(cell.text)) || cells.filter((cell) => /^[<≤~]?\d/.test(cell.text)).length < 2;
    const used = heading?.states && usedState(cells[0]?.text ?? '');
    const counting =
      heading?.models !== undefined && heading.models.size > 0 && COUNTS_PIECES.test(cells[0]?.text ?? '');
    cells.forEach((cell, index) => {
      const column = heading && columnOf(heading, cells, index);
      const given = heading && column !== undefined && heading.unsaid.has(column) && WITH_UNIT.exec(cell.text)?.[1];
      const unit = given ? torqueUnitOf(given) : undefined;
      if (heading && column !== undefined && unit) {
        heading.senses[column] = { torque: unit };
        senses.set(cell.start, { sense: { torque: unit } });
      }
      const sense = column === undefined ? undefined : heading?.senses[column];
      const state = column === undefined ? undefined : heading?.states?.get(column)?.state;
      if (state !== undefined && used !== undefined && state !== used) {
        if (PLAIN_NUMBER.test(cell.text)) outdated.push({ start: cell.start, end: cell.start + cell.text.length });
        return;
      }
      if (counting && typeof sense === 'object') return;
      if ((sense === 'others' || (sense === 'old' && !kept)) && cell.text !== '')
        outdated.push({ start: cell.start, end: cell.start + cell.text.length });
      if (sense === 'drive' && DRIVE_CELL.test(cell.text)) senses.set(cell.start, { sense });
      const ceiling = CEILING_CELL.exec(cell.text) ?? CEILING_BEHIND_CELL.exec(cell.text);
      if (ceiling && typeof sense === 'object') {
        senses.set(cell.start + ceiling[0].length, { sense });
        read++;
      }
      const sized = typeof sense === 'object' ? SIZED_CELL.exec(cell.text)?.[1] : undefined;
      // `M10 10.9`: a size and its class.
      if (sense !== undefined && sized !== undefined && !PROPERTY_CLASS.test(sized)) {
        const model = heading && column !== undefined ? modelOf(heading, column) : undefined;
        senses.set(cell.start + cell.text.length - sized.length, { sense, ...(model === undefined ? {} : { model }) });
        read++;
      }
      if (typeof sense === 'object' && misreadNumber(cell.text) !== undefined) {
        senses.set(cell.start, { sense });
        read++;
      }
      if (sense === 'count' && COUNT_TIMES.test(cell.text)) {
        senses.set(cell.start, { sense });
        read++;
      }
      if (!PLAIN_NUMBER.test(cell.text)) return;
      // `M10   10.9   55 Nm`: the class of the bolt, beside the figure it has.
      // In a row with a cell for each title it is what its title says: `M10   4   4.6   33`, in kg-m.
      if (cells.length !== heading?.cells.length && isClassBeside(cell, cells, line)) return;
      if (sense === 'length' && /^\d{1,3}(?:[.,]\d)?$/.test(cell.text)) senses.set(cell.start, { sense });
      if (sense !== undefined && sense !== 'old' && sense !== 'others' && sense !== 'drive' && sense !== 'length') {
        const model = heading && column !== undefined ? modelOf(heading, column) : undefined;
        senses.set(cell.start, { sense, ...(model === undefined ? {} : { model }) });
        read++;
      } else if (above && cells.length > 1 && index > 0 && read === 0) {
        senses.set(cell.start, { sense: { torque: above } });
        read++;
      }
    });
    // `Torque to hub, Nm   120   120`: a row that says its own unit.
    const ofRow = read === 0 && cells.length > 1 ? rowUnit(cells[0]) : undefined;
    if (ofRow) {
      const figures = cells.slice(1).filter((cell) => PLAIN_NUMBER.test(cell.text));
      // The same on both axles is one figure.
      const said = new Set(figures.map(({ text: figure }) => figure)).size === 1 ? figures.slice(0, 1) : figures;
      for (const { start: place } of figures) senses.set(place, { sense: 'label' });
      for (const { start: place } of said) {
        senses.set(place, { sense: { torque: ofRow } });
        read++;
      }
    }
    // `Spacer thickness, mm   20   25` counts no spacers; `Key, mm   17` says what turns it.
    if (read === 0 && cells.length > 1 && MEASURED_ROW.test(cells[0]?.text ?? '')) {
      const key = /^(?:keys?|sockets?|spanners?|wrench)\b/i.test(cells[0]?.text ?? '');
      for (const { text: figure, start: place } of cells.slice(1))
        if (PLAIN_NUMBER.test(figure)) senses.set(place, { sense: key ? 'drive' : 'label' });
    }
    // A list by what is tightened, in the unit that one line gives to all.
    if (
      ofRows &&
      !counted.has(row) &&
      read === 0 &&
      !heading &&
      cells.length > 1 &&
      (all ? cells.length === 2 && (/\p{L}{3}.*\.{3}/u.test(line) || named.has(row)) : led.rows.has(row))
    )
      for (const place of cells.slice(-1).flatMap(bareFigures)) {
        senses.set(place, { sense: { torque: ofRows } });
        read++;
      }
    const figure = read === 0 && !heading && !counted.has(row) && figured.has(row) ? figureCell(cells) : undefined;
    if (ofRows && figure && (all !== undefined || led.rows.has(row))) {
      senses.set(figure.start, { sense: { torque: ofRows } });
      read++;
    }
    // A sentence ends a table; a remark in a row of its own does not.
    if (read === 0 && cells.length <= 1) {
      misfits++;
      if (misfits > 1) [heading, chart, above] = [undefined, undefined, undefined];
    } else if (read > 0) misfits = 0;
  }
  for (const { start, unit, second } of fieldTorques(text)) {
    senses.set(start, { sense: { torque: unit }, ...(second ? { second } : {}) });
    if (second) senses.set(second.start, { sense: 'label' });
  }
  for (const at of runningNumbers(text)) if (!senses.has(at)) senses.set(at, { sense: 'label' });
  return Object.assign(senses, { outdated, headings });
}
