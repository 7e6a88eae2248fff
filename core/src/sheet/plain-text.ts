/** Hyphens of every kind that a sheet's programs print between digits and words. */
const HYPHENS = /[\u2010\u2011\u2012\u2212\ufe63\u00ad]/g;
/** Spaces that are no line's end, and marks that take no room. */
const SPACES = /[\u00a0\u1680\u2000-\u200d\u202f\u205f\u2060\u3000\ufeff]|\ufe0f|\u20e3/g;
/** A frame drawn round a whole card: its edges, and a line between two bars with none inside. */
const BOX_EDGE = /^[ \t]*\+[-=]{8,}\+[ \t]*$/gm;
const BOX_LINE = /^\|([^|\n]*)\|(?=[ \t]*$)/gm;
/** `[10] Open tailgate`: a program's numbers of steps, where there are several. */
const NUMBER_IN_BRACKETS = /^([ \t]*)\[(\d{1,3})\](?= )/gm;
const FEW_NUMBERS = 3;
const bracketedNumbers = (text: string): string =>
  (text.match(NUMBER_IN_BRACKETS)?.length ?? 0) < FEW_NUMBERS
    ? text
    : text.replace(NUMBER_IN_BRACKETS, (_, lead: string, number: string) => `${lead}${number}) `);
/** `[4x M8x20]`, `[24 Nm]`: words in square brackets as in round ones; a box to tick and a time stay what they are. */
const SQUARE_BRACKETS = /\[(?!\d{1,2}:\d\d)(?=[^\]\n]*[\p{L}\d]{2})([^[\]\n]{3,60})\]/gu;
/** Names of fields as programs write them: `torque_nm` */
const SNAKE = /(?<=\p{L})_(?=\p{L})/gu;
/** Dots a unit is written with: `N∙m`, `N‧m`, `N・m`. */
const UNIT_DOTS = /[\u2219\u22c5\u2027\u30fb\uff65\u2022](?=m)/g;
/** A scanner's `M14xl.5`: no pitch begins with a letter. */
const MISREAD_PITCH = /(?<=\bM\d{1,2} ?[x×] ?)[lI](?=[.,]\d)/g;
/** A scanner's `Ml2` */
const MISREAD_SIZE = /(?<=\bM)[lI](?=\d\b)/g;
/** Figures a scanner made of letters inside a word: `bo1ts`, `h0urs`, `mi1es`; `10x1mm` is none. */
const FIGURES_IN_WORD =
  /(?<![\d\p{L}])(?!x|m\d|t\d|e\d)\p{L}+[01](?!(?:mm|cm|nm|ft|lb|in|km|kg|pcs?)\b)\p{Ll}{2,}(?![\d\p{L}])/giu;
/** And letters it made of figures, in capitals: `OlL`, `N0 PAINT`. */
const LETTER_IN_CAPITALS = /(?<=\p{Lu})l(?=\p{Lu})/gu;
const NO_IN_CAPITALS = /(?<![\p{L}\d])N0(?= \p{L})/gu;
/** A scanner's `l/2-13 x l-3/4`: a one of a fraction or before it. */
const FRACTION_MISREAD = /(?<![\p{L}\d])[lI](?=\/(?:2|4|8|16)\b|-\d{1,2}\/(?:2|4|8|16)\b)/gu;
/** `"four M10x40"`: the mark of a quotation behind a metric size, and no inches. */
const QUOTED_SIZE = /(?<=\bM\d{1,2}(?: ?[x×] ?\d[\d.,]*){1,2})["”](?!\d)/g;
/** `2 bolts M10 of 60`: its length, as a translation has it. */
const LENGTH_BY_OF = /(?<=\bM\d{1,2} )of(?= (?:[12]\d|[3-9]\d|1\d\d)(?: ?mm)?\b(?!\s*(?:n|ft|lb|%|of)))/gi;
/** `32 1b. ft.`: a pound and no figure. */
const POUND = /(?<=\d ?)1b(?=s?\.?[ -]?f(?:oo)?t)/gi;
/** `25O miles`: a distance that only comes due; a torque stays as it is, to be doubted. */
const FIGURE_OF_DISTANCE = /(?<=\dO?)O(?=O? ?(?:km|miles?|mi)\b)/g;
/** `l000 km`, `l5O miles` */
const LETTER_OF_DISTANCE = /(?<![\p{L}\d])[lI](?=\d[\dO]{1,3} ?(?:km|miles?|mi)\b)/gu;
/** A scanner's `boits`, `Iocker`, `Ieft`. */
const BOLT_MISREAD = /(?<=\bbo)i(?=ts?\b)/gi;
const SMALL_L = /(?<!\p{L})I(?=(?:ock|eft|ower|ong|oose|ift)\p{Ll}*)/gu;
/** `M1O x 3O`: a length of a screw; its size stays as it is, to be doubted. */
const FIGURE_OF_LENGTH = /(?<=\bM[\dOIl]{1,2} ?[x×] ?\dO?)O(?![\p{L}\d])/gu;
/** `Guard plate   l`, `washer   1O`: counts at the end of rows of a list, where other rows have figures. */
const COUNT_AT_END = /(?<=\S {2,})(?:[lI]|\d[Oo]|[lI]\d)(?=[ \t]*$)/gm;
const COUNTED_AT_END = /\S {2,}\d{1,3}[ \t]*$/gm;
const FEW_COUNTED = 3;
const scannedCounts = (text: string): string =>
  (text.match(COUNTED_AT_END)?.length ?? 0) < FEW_COUNTED
    ? text
    : text.replace(COUNT_AT_END, (figure) => figure.replace(/[lI]/, '1').replace(/[Oo]/, '0'));
/** `1.1/8 in.`: a whole and its fraction. */
const POINTED_FRACTION = /(?<=(?<![\d.,])\d)\.(?=\d{1,2}\/(?:2|4|8|16)\b)/g;
/** Stops and lists of an East Asian typewriter: `1、`, `。`; a wave between the ends of a range. */
const NUMBER_STOP = /(?<=^[ \t]*\d{1,2})\u3001/gm;
const WAVE = /(?<=\d ?)[\u301c~](?= ?\d)/g;
/** `M8*30`, `bolt*4`: a cross. */
const STAR_CROSS = /(?<=[\p{L}\d] ?)\*(?= ?\d)/gu;
/** A decimal point that is raised, as older British sheets print it: `6·6`. */
const RAISED_POINT = /(?<=\d)[\u00b7\u2219\u22c5](?=\d)/g;

/** `8mm-1.25 x 25mm`, `8mm x 25mm hex bolts`: a metric thread as an American sheet writes it. */
const THREAD_IN_MM =
  /(?<![\d.,/-])(4|5|6|8|10|12|14|16)( ?)mm(?:-(?=(?:0\.[78]|1|1\.0|1\.25|1\.5|1\.75|2|2\.0)(?![\d.]))|(?= ?[x×] ?[1-9]\d ?mm (?:\p{L}+[ -]){0,3}(?:bolts?|screws?|studs?)\b))/giu;
/** What the same sheet calls by its size: `the 8mm bolts`, `6mm nylon lock nuts`. */
const sizedInMm = (sizes: readonly string[]): RegExp =>
  new RegExp(
    String.raw`(?<![\d.,/x×-]|[x×] )(${sizes.join('|')})( ?)mm(?= (?:(?:hex(?:agon)?|carriage|flanged?|button|socket|cap|lock(?:ing)?|nylon|nylock|flat|plain|split|stainless|serrated|zinc|self|head|fender|large)[ -]){0,3}(?:bolts?|nuts?|washers?|screws?|studs?|hardware|locknuts?)\b)`,
    'gi',
  );
function threadsInMm(text: string): string {
  const sizes = [...new Set([...text.matchAll(THREAD_IN_MM)].map(([, size = '']) => size))];
  if (sizes.length === 0) return text;
  return text
    .replace(THREAD_IN_MM, (written, size: string, gap: string) =>
      `M${size}${gap} ${written.endsWith('-') ? 'x' : ''}`.padEnd(written.length),
    )
    .replace(sizedInMm(sizes), (written, size: string) => `M${size}`.padEnd(written.length));
}

/** `Q How tight?` and below it `A 20 Nm the feet`: the letters of a talk in questions and answers, which say nothing. */
const ASKED = /^Q(?= \p{Lu}[^\n]{3,120}\?[ \t]*$)/gmu;
const ANSWERED = /(?<=\?[ \t]*\n)A(?= [\p{Lu}\d])/gu;
const FEW_QUESTIONS = 3;
const withoutLetters = (text: string): string =>
  (text.match(ASKED)?.length ?? 0) < FEW_QUESTIONS || (text.match(ANSWERED)?.length ?? 0) < FEW_QUESTIONS
    ? text
    : text.replace(ASKED, ' ').replace(ANSWERED, ' ');

/** Rows of a spreadsheet kept as text: so many marks in each, in so many rows. */
const FEW_CELLS = 3;
const FEW_RECORDS = 3;
/** `10;Arm to frame;M12;4;18 mm;110`: what parts the cells is a bar, as in a table that was drawn. */
function separatedRows(text: string): string {
  const marks = text.split('\n').map((line) => line.split(';').length - 1);
  const most = Math.max(...marks);
  const rows = marks.filter((count) => count === most).length;
  return most < FEW_CELLS || rows < FEW_RECORDS
    ? text
    : text
        .split('\n')
        .map((line, at) => (marks[at] === most ? line.replaceAll(';', '|') : line))
        .join('\n');
}

/** A row of a comma-separated file with its commas as bars: no comma within quotes, and none with a space behind. */
function commaRow(line: string): { bars: number; row: string } {
  let quoted = false;
  let bars = 0;
  const row = [...line].map((sign, at, signs) => {
    if (sign === '"') {
      quoted = !quoted;
      return ' ';
    }
    if (sign !== ',' || quoted || signs[at + 1] === ' ') return sign;
    bars++;
    return '|';
  });
  return { bars, row: row.join('') };
}
/** `"2","Hanger to frame","M10x30","4","17 mm","46"`: rows of a comma-separated file, each with as many cells, as those of a table. */
function commaRows(text: string): string {
  const lines = text.split('\n');
  const rows = lines.map(commaRow);
  const most = Math.max(...rows.map(({ bars }) => bars));
  const many = rows.filter(({ bars }) => bars === most).length;
  const written = lines.filter((line) => line.trim() !== '').length;
  // Nearly all of a file is rows; prose has commas with spaces behind them.
  return most < FEW_CELLS || many < FEW_RECORDS || many < 0.8 * written
    ? text
    : rows.map(({ bars, row }, at) => (bars === most ? row : lines[at])).join('\n');
}

/** `12 M8 x` and below it `25 set screws`: a size that goes on in the next line. */
const SIZE_BROKEN = /(?<=\bM\d{1,2}(?: ?[x×] ?\d(?:[.,]\d+)?)? ?[x×])[ \t]*\n[ \t]*(?=\d{2,3}\b)/g;
/** `six bracket assem-` and below it `blies`: a word that a program broke; what is written with a hyphen keeps it. */
const WORD_BROKEN =
  /(?<![\p{L}-])(?!(?:self|non|pre|re|anti|cross|semi|mid|half|off|heavy|thin|left|right|ft|in|lb|lbs|foot|inch|two|three|four|six|high|low|long|short|hand|torque|zinc|U|T)-)(\p{L}{2,})-\n([ \t]*)(\p{Ll}{2,}[.,;:!?)]*)/gu;
/** Cells, whose next line is another row's. */
const IN_COLUMNS = /\S {3,}\S|\|/;
/** Broken words whole again, in the line that goes on with them; a capital stays where it is. */
const mended = (text: string): string =>
  text.replace(WORD_BROKEN, (broken, head: string, indent: string, tail: string, at: number) => {
    const line = text.slice(text.lastIndexOf('\n', at) + 1, at);
    const below = text.slice(at + broken.length - tail.length).split('\n', 1)[0] ?? '';
    if (IN_COLUMNS.test(line) || IN_COLUMNS.test(below)) return broken;
    return /^\p{Lu}/u.test(head) ? `${head}${tail}\n${indent} ` : `\n${indent} ${head}${tail}`;
  });

/**
 * A sheet's text with its signs in one writing: full-width letters and digits, keycaps, hyphens, dots in units, curly
 * quotes and fraction strokes. Every character keeps its place, so that what is read can be shown in the sheet.
 */
export function plainText(text: string): string {
  return scannedCounts(mended(threadsInMm(commaRows(separatedRows(withoutLetters(bracketedNumbers(text)))))))
    .replace(/(?:\d\ufe0f?\u20e3)+/g, (run) => (run.match(/\d/g) ?? []).join('').padEnd(run.length))
    .replace(/[\uff01-\uff5e]/g, (sign) => String.fromCharCode(sign.charCodeAt(0) - 0xfee0))
    .replace(NUMBER_STOP, '.')
    .replace(/\u3001/g, ',')
    .replace(/\u3002/g, '.')
    .replace(WAVE, '-')
    .replace(STAR_CROSS, '×')
    .replace(HYPHENS, '-')
    .replace(SPACES, ' ')
    .replace(SNAKE, ' ')
    .replace(SQUARE_BRACKETS, '($1)')
    .replace(UNIT_DOTS, '·')
    .replace(RAISED_POINT, '.')
    .replace(FIGURES_IN_WORD, (word) => word.replace(/(?<=\p{L})0/gu, 'o').replace(/(?<=\p{L})1/gu, 'l'))
    .replace(LETTER_IN_CAPITALS, 'I')
    .replace(NO_IN_CAPITALS, 'NO')
    .replace(SIZE_BROKEN, (gap) => ' '.repeat(gap.length))
    .replace(FRACTION_MISREAD, '1')
    .replace(QUOTED_SIZE, ' ')
    .replace(LENGTH_BY_OF, 'x ')
    .replace(POUND, 'lb')
    .replace(FIGURE_OF_DISTANCE, '0')
    .replace(FIGURE_OF_LENGTH, '0')
    .replace(LETTER_OF_DISTANCE, '1')
    .replace(BOLT_MISREAD, 'l')
    .replace(SMALL_L, 'l')
    .replace(POINTED_FRACTION, '-')
    .replace(MISREAD_PITCH, '1')
    .replace(MISREAD_SIZE, '1')
    .replace(/[\u2044\u2215]/g, '/')
    .replace(/[\u2018\u2019]/g, "'")
    .replace(/[\u201c\u201d\u201e]/g, '"')
    .replace(BOX_EDGE, (edge) => ' '.repeat(edge.length))
    .replace(BOX_LINE, (_, inside: string) => ` ${inside} `);
}

/** Words that tell a language by how often they come; none is a word of another in the list but where it says so. */
const COMMON: Record<string, ReadonlySet<string>> = {
  en: new Set(
    'the a an of and to with for is are not it on in at by from be this that if each all both side bolt bolts nut nuts torque tighten fit remove do your off until'.split(
      ' ',
    ),
  ),
  de: new Set(
    'der die das den dem des und mit für von nicht ist sind auf im bei zum zur ein eine einen oder aus nach vor bis schrauben mutter muttern schraube anziehen lösen von'.split(
      ' ',
    ),
  ),
  fr: new Set(
    'le la les des du de et avec pour dans sur est sont ne pas un une au aux puis vis écrou écrous serrer poser dépose à'.split(
      ' ',
    ),
  ),
  es: new Set('el los las del y con para una se tornillos tuercas apretar que'.split(' ')),
  it: new Set('il gli della dei delle con che di una non si viti dadi serrare dal'.split(' ')),
  nl: new Set('de het een voor van niet op bij aan uit moeren bouten vast dat zijn'.split(' ')),
};

/** The language most of a text's common words are of, and by how much; undefined where there are too few to tell. */
function languageOf(text: string): string | undefined {
  const words = text.toLowerCase().match(/\p{L}+/gu) ?? [];
  const score = Object.entries(COMMON).map(
    ([name, list]) => [name, words.filter((word) => list.has(word)).length] as const,
  );
  const accented = words.filter((word) => /[äöüßéèêàçñ]/.test(word)).length;
  const best = score.reduce((a, b) => (b[1] > a[1] ? b : a));
  const english = score.find(([name]) => name === 'en')?.[1] ?? 0;
  if (best[0] !== 'en' && best[1] + accented > Math.max(1, english)) return best[0];
  if (best[1] === 0 && accented > 1) return 'other';
  return best[1] > 0 ? best[0] : undefined;
}

const blank = (text: string): string => text.replace(/[^\n]/g, ' ');

/**
 * Blanks what says the same in another language, beside the English or under each of its lines, so that no figure of
 * a sheet in two languages counts twice. A sheet that is mostly not English is left as it is.
 */
export function withoutTranslation(text: string): string {
  const lines = text.split('\n');
  const told = lines.map((line) => languageOf(line));
  const english = told.filter((language) => language === 'en').length;
  const beside = translationColumn(lines);
  if (beside !== undefined)
    return lines
      .map((line) => {
        const bar = line.indexOf('|');
        return Math.abs(bar - beside) <= 1 ? line.slice(0, bar) + blank(line.slice(bar)) : line;
      })
      .join('\n');
  const foreign = told.filter((language) => language !== undefined && language !== 'en').length;
  const halves = lines.map(halvesOf);
  const parted = halves.filter((half) => half && (half.first === 'en') !== (half.second === 'en')).length;
  if (foreign < 3 || foreign > Math.max(english, parted) * 1.6) return text;
  return lines
    .map((line, at) => {
      const [language, half] = [told[at], halves[at]];
      if (half && half.first !== half.second) {
        const rest = line.slice(half.at);
        // `Check both lights. - Vérifier les deux feux.`, and the other way round.
        if (half.second !== undefined && half.second !== 'en') return line.slice(0, half.at) + blank(rest);
        if (half.first !== undefined && half.first !== 'en') return blank(line.slice(0, half.at)) + rest;
        return line;
      }
      return language !== undefined && language !== 'en' ? blank(line) : line;
    })
    .join('\n');
}

/** A line in two halves, each perhaps in a language of its own; undefined where a line is not parted. */
function halvesOf(line: string): { at: number; first?: string; second?: string } | undefined {
  const half = /\s[-–/]\s(?=[^-–/]*$)/.exec(line);
  if (!half) return undefined;
  const at = half.index + 2;
  return { at, first: languageOf(line.slice(0, half.index)), second: languageOf(line.slice(at)) };
}

/** Where the bar stands that parts English on the left from its translation on the right; undefined without one. */
function translationColumn(lines: readonly string[]): number | undefined {
  const places = new Map<number, number[]>();
  lines.forEach((line, at) => {
    const bar = line.indexOf('|');
    if (bar >= 20 && line.indexOf('|', bar + 1) < 0) places.set(bar, [...(places.get(bar) ?? []), at]);
  });
  const [column, rows] = [...places].reduce<[number, number[]]>(
    (best, next) => (next[1].length > best[1].length ? next : best),
    [0, []],
  );
  if (rows.length < 6) return undefined;
  const side = (left: boolean) =>
    languageOf(rows.map((at) => (left ? lines[at]?.slice(0, column) : lines[at]?.slice(column + 1))).join(' '));
  const right = side(false);
  return side(true) === 'en' && right !== undefined && right !== 'en' ? column : undefined;
}
