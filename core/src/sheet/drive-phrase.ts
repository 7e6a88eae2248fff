import { MM_PER_INCH } from '../quantity/unit.ts';
import type { FactValue, SheetDrive } from './fact.ts';
import { NUMBER_WORDS, TENS_WORDS } from './lexicon.ts';
import { takenBy } from './place-in.ts';

const SPOKEN =
  'four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty(?:[- ](?:one|two|four|seven))?|thirty';
const SIZE = String.raw`(\d-\d\/\d{1,2}|\d{1,2}\/\d{1,2}|\d{1,2}(?:[.,]\d)?|${SPOKEN})`;
const MM = String.raw`\s?(mm|mils?\b|millimet(?:er|re)s?|in\.|inch|")?`;
/** What stands between a size and its tool. */
const KIND = `(?:(?:thin[- ]wall(?:ed)?|deep|long|short|stubby|open[- ]?end(?:ed)?|open|ring|flare(?:[- ]nut)?|(?:12|twelve)[- ]point|bi-?hex|hex(?:agon(?:al)?)?|inner|internal|inside|allen|slotted|combination|cranked|box(?:[- ]end)?|impact|male|ball[- ]end|socket|l|crow(?:[- ]?foot)?|nut|male hex|t-handle|offset)[-\\s]+){0,3}`;
const TOOL = `(sockets?|spanners?|wrench(?:es)?|keys?|allen|hexagons?|hex|drivers?|rings?|heads?|headed|bits?)`;
/** A size behind its tool is none where it measures something else. */
const NOT_SIZE = String.raw`(?![\d/]|[.,]\d|\s?(?:-|–)\s?\d|\s?(?:n\b|nm\b|n·m|n\.m|kgf|lb|ft|in[- ]?lb|x\s?\d|×|%|°|deg|kg|bolts?\b|nuts?\b|screws?\b|off\b|pcs?\b|times|turns?|minutes?|min\b|hours?|to \d|l\b|ml\b|a\b))`;

const spokenNumber = (text: string): number | undefined => {
  const [tens = '', ones] = text.toLowerCase().split(/[- ]/);
  const first = NUMBER_WORDS[tens] ?? TENS_WORDS[tens];
  return first === undefined ? undefined : first + (ones === undefined ? 0 : (NUMBER_WORDS[ones] ?? 0));
};

const toMm = (size: string, unit: string | undefined): { mm: number; inch: boolean } | undefined => {
  const spoken = spokenNumber(size);
  const parts = /^(?:(\d)-)?(\d+)\/(\d+)$/.exec(size);
  // A width ends in a half if in anything: `screws of 2.2` are those of a paragraph.
  if (/^\d{1,2}[.,][1-46-9]$/.test(size) && !/^in|"/i.test(unit ?? '')) return undefined;
  const value =
    spoken ?? (parts ? Number(parts[1] ?? 0) + Number(parts[2]) / Number(parts[3]) : Number(size.replace(',', '.')));
  const inch = /^in|"/i.test(unit ?? '') || (parts !== null && !/^m/i.test(unit ?? ''));
  const mm = inch ? value * MM_PER_INCH : value;
  return Number.isFinite(mm) && mm >= 1.5 && mm <= 75 ? { mm, inch } : undefined;
};

const KEY =
  /\b(?:inner |internal )?hex(?:agon)?[- ]+socket(?= ?$)|\b(?:inner|internal|inside|allen|male|socket|l|ball[- ]end|t-handle)[- ]+(?:hex(?:agon)?[- ]+)?(?:keys?|bits?|hex\b)|\bhex(?:agon(?:al)?)?[- ]+(?:keys?|bits?)|\ballen\b|\bl-key/i;

function driveOf(words: string, size: string, unit: string | undefined): SheetDrive | undefined {
  const read = toMm(size, unit);
  if (!read) return undefined;
  const inch = read.inch ? { inch: true as const } : {};
  if (/\b(?:12|twelve)[- ]?(?:point|pt\b)|bi-?hex/i.test(words)) return { kind: 'twelvePoint', acrossFlatsMm: read.mm };
  return KEY.test(words)
    ? { kind: 'hexKey', acrossFlatsMm: read.mm, ...inch }
    : { kind: 'hex', acrossFlatsMm: read.mm, ...inch };
}

type Place = { start: number; end: number; value: Extract<FactValue, { kind: 'drive' }> };

const SCREWS_BEHIND = /^ (?:head(?:ed)? )?(?:cap )?(?:screws?|bolts?)\b/i;
/** Widths in inches as they are said before a spanner. */
const INCH_SPANNERS: Record<string, string> = {
  'three eighths': '3/8',
  'seven sixteenths': '7/16',
  half: '1/2',
  'nine sixteenths': '9/16',
  'five eighths': '5/8',
  'three quarter': '3/4',
  'three quarters': '3/4',
};

/** `the socket screws, 30, 8 mm hex`: what has its hexagon inside */
const SOCKET_SCREW = /\b(?:socket|cap|allen)(?:[- ]head)? (?:cap )?(?:screws?|bolts?)\b[^.;\n]*$/i;

/** Heads of the bolts a vehicle is undone by, mm; other widths behind such words are lengths. Common practice, no source. */
const HEADS = { least: 7, most: 36 };
/** The width of a head that a sentence takes something off by. */
const headUndone = (match: RegExpExecArray): SheetDrive | undefined =>
  Number(match[1]) >= HEADS.least && Number(match[1]) <= HEADS.most ? driveOf('', match[1] ?? '', 'mm') : undefined;

const RULES: ReadonlyArray<{
  pattern: RegExp;
  read: (match: RegExpExecArray) => SheetDrive | undefined;
  of?: 'fastener';
}> = [
  // `cross #2`, `cross-head No. 2`, `square No. 2`, `PH2`
  {
    pattern: /\b(?:cross(?:[- ]?(?:head|point|slot|tip))?|ph|pz)[ -]?(?:no\.? ?|#|size )?([0-4])\b/gi,
    read: (match) => ({ kind: 'cross', size: `No. ${match[1]}` }),
  },
  {
    pattern: /\bsquare (?:no\.? ?|#|size )([0-4])\b/gi,
    read: (match) => ({ kind: 'square', size: `No. ${match[1]}` }),
  },
  {
    pattern: /(?<![\d/])(\d\/\d{1,2})(?:"| in\.?| inch)? square (?:drive |bit|key|plug|hole|recess)?/gi,
    read: (match) => {
      const mm = toMm(match[1] ?? '', undefined)?.mm;
      return mm === undefined || /drive/i.test(match[0])
        ? undefined
        : { kind: 'square', size: `${match[1]} in`, acrossFlatsMm: mm };
    },
  },
  // `21 mm thin-wall socket`, `3/16 inner key`, `7/16 in. 12-point socket`
  {
    pattern: new RegExp(String.raw`(?<![\w/.,×#-])${SIZE}${MM}[\s-]+(${KIND}${TOOL})\b(?! to\b)`, 'gi'),
    read: (match) => {
      const [, size = '', unit, words = ''] = match;
      // `eight hexagon socket screws` are counted in words.
      if (
        /^\p{L}/u.test(size) &&
        unit === undefined &&
        SCREWS_BEHIND.test(match.input.slice(match.index + match[0].length))
      )
        return undefined;
      // `8 hex bolts` counts; a bare number is a size only before what is turned with.
      const bare = unit === undefined && !size.includes('/');
      if (bare && !/^(?:\w+[- ])*(?:socket|spanner|wrench|key|driver)$/i.test(words)) return undefined;
      if (bare && (spokenNumber(size) ?? Number(size)) < 6) return undefined;
      // `4 mm key`, `6 mm hex` is the small one with six sides.
      const mm = toMm(size, unit)?.mm ?? 99;
      const small = /^(?:l[- ])?keys?$/i.test(words)
        ? mm <= 10
        : /^hex$/i.test(words) &&
          (mm <= 6 || (mm <= 12 && SOCKET_SCREW.test(match.input.slice(Math.max(0, match.index - 40), match.index))));
      return driveOf(small ? 'hex key' : words.replace(/\bhex(?:agon(?:al)?)?[- ]+sockets?$/i, 'socket'), size, unit);
    },
  },
  // `key of 14`, `spanner 13`, `Socket 17 for M10`, `inner key 6`, `hexagon 10`, `SW 13`
  {
    pattern: new RegExp(
      String.raw`\b((?:inner |internal |hex(?:agon)? |allen )?(?:keys?|spanners?|sockets?|wrench(?:es)?|hexagon|hex|allen|s\.?w\.?|a\.?f\.?|across flats|width)) (?:of |size |no\.? )?${SIZE}${MM}${NOT_SIZE}`,
      'gi',
    ),
    read: (match) => driveOf(match[1] ?? '', match[2] ?? '', match[3]),
  },
  // `8 mm square`: of a plug or a key, and of no tube.
  {
    pattern:
      /(?<![\d.,/×x])(\d{1,2}) ?mm square\b(?! (?:tubes?|tubing|sections?|bars?|plates?|washers?|steel|pads?|beams?))/gi,
    read: (match) => {
      const mm = Number(match[1]);
      return mm >= 5 && mm <= 19 ? { kind: 'square', size: `${mm} mm`, acrossFlatsMm: mm } : undefined;
    },
  },
  // `Remove the link nut {14 mm} and the bracket bolt {12 mm}`: what turns it, in brackets of its own.
  {
    pattern: /(?<=\b(?:bolts?|nuts?|screws?|of \p{L}+|\d pcs) ?\{)(\d{1,2}) ?mm(?=\})/giu,
    read: (match) => driveOf('', match[1] ?? '', 'mm'),
  },
  // `Unbolt the links, 15 mm top, 18 mm bottom`: what is turned is named by its place.
  {
    pattern:
      /(?<=\b(?:unbolt|undo|unscrew|remove|take off|loosen)\b[^.;\n]{3,60}[,(] ?)(\d{1,2}) ?mm(?= (?:at the |on the )?(?:top|bottom|upper|lower|front|rear|inside|outside|inner|outer)\b)/gi,
    read: (match) => driveOf('', match[1] ?? '', 'mm'),
  },
  // `eye bolt 18 mm wrench, rear shackle 21.`: the next piece's, of the same kind.
  {
    pattern: /(?<=\b\d{1,2} ?mm (?:wrench|spanner|socket), (?:\p{L}+ ){1,3})(\d{2})(?=[.;\n])/giu,
    read: (match) => driveOf('', match[1] ?? '', 'mm'),
  },
  // `ring spanner 17 and 19`: the second of two
  {
    pattern:
      /(?<=\b(?:spanners?|sockets?|keys?|wrench(?:es)?) \d{1,2}(?: ?mm)? ?(?:and|or|&|\+|\/|,) ?)(\d{1,2})(?: ?(mm))?(?=[,.;\n]| (?:for|and)\b)/gi,
    read: (match) => driveOf('', match[1] ?? '', 'mm'),
  },
  // `that's a 13 mil`: said of what fits.
  {
    pattern:
      /\b(?:it's|that's|that is|it is|they're|they are|need|needs|take|takes|use|with|by)\s+(?:an?\s+|the\s+)?(\d{1,2}|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty(?:[- ](?:one|two|four|seven))?) ?(mil|mills?)\b(?! (?:thick|long|wide|deep|gap|hole|drill|of|from|apart|spacer|plate|clear))/gi,
    read: (match) => driveOf('', match[1] ?? '', 'mm'),
  },
  // `nine bolts, all 10 mm`, `the pinion nut (30 mm)`, `13#wrench`, `the nut is a twenty four`
  {
    pattern:
      /\b(?:bolts?|nuts?|screws?|heads?)(?:\/side|\/end| (?:per|a) side)?(?:,? (?:all|each|both) | \()(\d{1,2}) ?(mm)\b(?! (?:long|wide|thick|deep|dia|hole|apart|gap|from|of))(?=[).,;]| (?:socket|head|hex)|\s*$)/gim,
    read: (match) => driveOf('', match[1] ?? '', match[2]),
    of: 'fastener',
  },
  {
    pattern: /(?<![\w.])(\d{1,2}) ?# ?(?:wrench|spanner|socket|key)/gi,
    read: (match) => driveOf('', match[1] ?? '', 'mm'),
  },
  {
    pattern: new RegExp(
      String.raw`\b(?:(?:nuts?|bolts?|screws?|heads?) (?:is|are|takes?|needs?) an?|heads (?:is|are)) (${SPOKEN}|\d{1,2})(?=[.,;\n]| (?:and|so|but|mil|mm)\b)`,
      'gi',
    ),
    read: (match) => driveOf('', match[1] ?? '', 'mm'),
    of: 'fastener',
  },
  // `5 (Inbus)`, `6 (Allen)`: a key's width in a column
  {
    pattern: /(?<![\d.,/])(\d{1,2})(?: ?mm)? ?\((?:inbus|allen|hex key|imbus)\)/gi,
    read: (match) => driveOf('hex key', match[1] ?? '', 'mm'),
  },
  // `head 10 mm`, `nut of 15`, `nut 18 mm`
  {
    pattern: new RegExp(
      String.raw`\b(heads?|nuts?|bolts?|screws?)\s+(?:of ${SIZE}${MM}|${SIZE}\s?(mm)\b)(?:[ -](?:heads?|hex))?${NOT_SIZE}(?!,? (?:long|thick|wide|deep|apart|from|of|to|or|dia|gap))`,
      'gi',
    ),
    read: (match) =>
      driveOf(
        /(?:12|twelve)[- ]?(?:pt\.?|point) $/i.exec(
          match.input.slice(Math.max(0, match.index - 14), match.index),
        )?.[0] ?? '',
        match[2] ?? match[4] ?? '',
        match[3] ?? match[5],
      ),
    of: 'fastener',
  },
  // `two nuts a side, 17 mm)`: a nut has no length
  {
    pattern:
      /(?<=\bnuts?(?: (?:a|per|each|on each|either) (?:side|end)| each)?, )(\d{1,2}) ?(mm)(?=[).;,]| (?:socket|head|hex))/gi,
    read: (match) => driveOf('', match[1] ?? '', match[2]),
    of: 'fastener',
  },
  // `star twenty five`, `a T thirty head`
  {
    pattern:
      /\b(?:star|six[- ]?lobe|torx|T(?=[ -]\w+ (?:heads?|bits?|keys?|sockets?|drivers?|screws?)\b))s?[ -](ten|fifteen|twenty(?:[- ](?:five|seven))?|thirty|forty(?:[- ]five)?|fifty(?:[- ]five)?)\b/gi,
    read: (match) => {
      const size = spokenNumber(match[1] ?? '') ?? 0;
      return SIX_LOBE_KEYS.has(size) ? { kind: 'sixLobe', size: `T${size}` } : undefined;
    },
  },
  // `Clamp nuts: 13 mm, dry.`
  {
    pattern: /\b(?:nuts?|bolts?|screws?|heads?):\s+(\d{1,2}) ?(mm)(?=[,.;\n]|$)/gi,
    read: (match) => driveOf('', match[1] ?? '', match[2]),
    of: 'fastener',
  },
  // `tool: 21 mm / 22 mm`
  {
    pattern:
      /(?<=^\s*(?:tools?|sockets?|spanners?|wrench|drive|a\/?f)\s*[:=][^\n]{0,20})(?<![\d.])(\d{1,2}) ?(mm)\b/gim,
    read: (match) => driveOf('', match[1] ?? '', match[2]),
  },
  // `three quarter spanner`
  {
    pattern: new RegExp(
      `\\b(${Object.keys(INCH_SPANNERS).join('|').replaceAll(' ', '[- ]')})(?:[- ]inch)? (?:ring |open[- ]ended? )?(?:spanners?|wrench(?:es)?|sockets?|heads?)\\b`,
      'gi',
    ),
    read: (match) => driveOf('', INCH_SPANNERS[(match[1] ?? '').toLowerCase().replace('-', ' ')] ?? '', 'in.'),
  },
  // `3/4 AF`
  {
    pattern: new RegExp(String.raw`(?<![\d/.,-])${SIZE}${MM}[ -]?(?:a\.?\/?f\.?|across (?:the )?flats)\b`, 'gi'),
    read: (match) => driveOf('', match[1] ?? '', match[2]),
  },
  // `six-lobe 30`, `star 40 bit`
  {
    pattern:
      /\b(?:(?:inner )?six[- ]?lobe(?:d|s)?|star)(?: (?:bit|key|socket|driver|size|no\.?|drive))? ?(?:T ?)?(\d{2})\b(?! ?(?:mm|nm|n·m|ft|lb|in\b|x|×|°|%|pcs|off|[.,]\d))/gi,
    read: (match) =>
      SIX_LOBE_KEYS.has(Number(match[1])) ? { kind: 'sixLobe', size: `T${Number(match[1])}` } : undefined,
  },
  // `Unclip the brake line bracket (10 mm)`: what is taken off, and what undoes it
  {
    pattern:
      /(?<=\b(?:remove|unclip|unbolt|undo|unscrew|detach|disconnect|loosen|unfasten)\b[^.;:\n()\d]{3,50}\()(\d{1,2}) ?(mm)(?=\))/gi,
    read: headUndone,
    of: 'fastener',
  },
  // `remove the 3 nuts that hold each pipe to the manifold (15 mm)`, `bracket off (10 mm)`, `Undo the nut (M10, 16 mm)`
  {
    pattern:
      /(?<=\b(?:remove|unbolt|undo|unscrew|loosen|take off)\b[^.;:\n()]{0,30}\b(?:bolts?|nuts?|screws?)\b[^.;:\n()]{0,60}\((?:M\d{1,2}, )?)(\d{1,2}) ?(mm)(?=\))/gi,
    read: headUndone,
    of: 'fastener',
  },
  {
    pattern: /(?<=(?:^|\n|\d {1,2}|[.;] )[\p{L} -]{4,40} off \()(\d{1,2}) ?(mm)(?=\))/gu,
    read: headUndone,
    of: 'fastener',
  },
  // `2 Torx 20 screws`
  {
    pattern: /\btorx (?:no\.? ?|size )?T?(\d{2})\b(?! ?(?:mm|nm|n·m|ft|lb|in\b|x|×|pcs|off))/gi,
    read: (match) =>
      SIX_LOBE_KEYS.has(Number(match[1])) ? { kind: 'sixLobe', size: `T${Number(match[1])}` } : undefined,
  },
  // `Remove the carrier (three bolts, 17 mm)`
  {
    pattern:
      /(?<=\b(?:remove|unclip|unbolt|undo|unscrew|detach|disconnect|loosen|unfasten|take)\b[^.;:\n()]{3,60}\((?:\d{1,2}|two|three|four|five|six|eight|ten|twelve) (?:\p{L}+ )?(?:bolts|nuts|screws)(?: each)?,? )(\d{1,2}) ?(mm)(?=\))/giu,
    read: headUndone,
    of: 'fastener',
  },
  // `Remove the 4 bolts of the support, two each side, 18 mm.`, `Remove the link nut from the strut, 17 mm, hold …`
  {
    pattern:
      /(?<=\b(?:remove|unbolt|undo|unscrew|detach|disconnect|loosen|unfasten|take off)\b[^.;:\n()]{0,40}\b(?:bolts?|nuts?|screws?)\b[^.;:\n()\d]{0,60}, )(\d{1,2}) ?(mm)(?=\s*(?:[.;,)]|$))/gim,
    read: headUndone,
    of: 'fastener',
  },
  // `Remove the upper (15 mm) and lower (18 mm) shock bolts`
  {
    pattern:
      /(?<=\b(?:remove|unbolt|undo|unscrew|detach|disconnect|loosen|unfasten)\b[^.;:\n]{0,50}\b(?:upper|lower|front|rear|inner|outer|top|bottom) \()(\d{1,2}) ?(mm)(?=\)[^.;\n]{0,40}\b(?:bolts?|nuts?|screws?)\b)/gi,
    read: headUndone,
    of: 'fastener',
  },
  // `Remove the lower shackle bolt (21 mm) and the upper (18 mm)`
  {
    pattern:
      /(?<=\b(?:bolts?|nuts?|screws?) \(\d{1,2} ?mm\),? and the (?:upper|lower|front|rear|inner|outer|left|right|other|top|bottom) (?:one )?\()(\d{1,2}) ?(mm)(?=\))/gi,
    read: (match) => driveOf('', match[1] ?? '', 'mm'),
    of: 'fastener',
  },
  // `the pinch bolt out (13 mm)`
  {
    pattern: /(?<=\b(?:bolts?|nuts?|screws?) (?:out|off|away) \()(\d{1,2}) ?(mm)(?=\))/gi,
    read: (match) => driveOf('', match[1] ?? '', 'mm'),
    of: 'fastener',
  },
  // `T30`, `T-50 star`, `E14`, and a scanner's `T3O`
  {
    pattern: /(?<![\w-])([TE])-?(\d{1,3}|[1-9][Oo])(?!\w|\.\d|-\w)/g,
    read: (match) => {
      const size = Number((match[2] ?? '').replace(/o/i, '0'));
      if (isLineLabel(match)) return undefined;
      const known = match[1] === 'T' ? SIX_LOBE_KEYS : SIX_LOBE_SOCKETS;
      return known.has(size) ? { kind: 'sixLobe', size: `${match[1]}${size}` } : undefined;
    },
  },
];
/** `E4 Exhaust:` above `E5 Drain screw:`: the letter and its number count the lines. */
function isLineLabel({ 1: letter, 2: number, index, input }: RegExpExecArray): boolean {
  const begins = input.slice(input.lastIndexOf('\n', index - 1) + 1, index).trim() === '';
  return (
    begins && [-1, 1].some((next) => new RegExp(`^[ \\t]*${letter}${Number(number) + next}(?=[ .:)])`, 'm').test(input))
  );
}
// ISO 10664 sizes and those of its outer counterpart; from memory.
const SIX_LOBE_KEYS = new Set([5, 6, 7, 8, 9, 10, 15, 20, 25, 27, 30, 40, 45, 50, 55, 60, 70, 80, 90, 100]);
const SIX_LOBE_SOCKETS = new Set([4, 5, 6, 7, 8, 10, 11, 12, 14, 16, 18, 20, 22, 24]);

/** The first sizes of a list that its last one's tool names: `15, 18 and 21 mm sockets`. */
const SIZES_BEFORE = new RegExp(
  String.raw`(?<![\w/.,×#-])((?:\d{1,2}(?: ?mm)?, ?(?:and )?)*\d{1,2}(?: ?mm)?,? (?:and|or|&|\+) )(?:an? )?\d{1,2} ?(mm )?(?=(?:${KIND})(?:sockets?|spanners?|wrench(?:es)?)\b)`,
  'gi',
);

/** A further size in a sentence of tools: `Spanners: 3/4 AF for the U-bolts, 22 mm for the pins, 17 for the damper`. */
const FURTHER = /\b(?:spanners?|sockets?|keys?|wrench(?:es)?)\b[^.;\n]{0,90}?(?:\n\s+[^.;\n]{0,60})?/gi;
const NEXT_SIZE = new RegExp(String.raw`[,;&]\s*(?:and\s+)?(?:an? )?${SIZE}${MM}(?= (?:for|on|at)\b)`, 'gi');

/** Sizes of sockets, keys and heads, wherever their words stand. Places and values, in order. */
export function drives(text: string): Place[] {
  const found: Place[] = [];
  const taken = takenBy(text.length);
  const add = (start: number, end: number, drive: SheetDrive, describes: 'tool' | 'fastener') => {
    if (taken.at({ start, end }) !== undefined) return;
    taken.take({ start, end }, found.length);
    found.push({ start, end, value: { kind: 'drive', drive, describes } });
  };
  for (const { pattern, read, of } of RULES) {
    for (const match of text.matchAll(pattern)) {
      const drive = read(match as RegExpExecArray);
      const heads = of === 'fastener' || /\bhead(?:s|ed)?$/i.test(match[0]);
      if (drive) add(match.index, match.index + match[0].trimEnd().length, drive, heads ? 'fastener' : 'tool');
    }
  }
  for (const match of text.matchAll(SIZES_BEFORE)) {
    for (const size of (match[1] ?? '').matchAll(/\d{1,2}(?: ?mm)?/g)) {
      const number = size[0].replace(/ ?mm/, '');
      const drive = Number(number) < 6 ? undefined : driveOf('', number, 'mm');
      if (drive) add(match.index + size.index, match.index + size.index + size[0].length, drive, 'tool');
    }
  }
  for (const sentence of text.matchAll(FURTHER)) {
    const from = sentence.index;
    const tail = text.slice(from, from + 160).split(/[.;](?=\s)|\n\s*\n/)[0] ?? '';
    for (const match of tail.matchAll(NEXT_SIZE)) {
      const drive = driveOf('', match[1] ?? '', match[2]);
      const lead = match[0].search(/\d/);
      if (drive) add(from + match.index + lead, from + match.index + match[0].length, drive, 'tool');
    }
  }
  return found.sort((a, b) => a.start - b.start);
}
