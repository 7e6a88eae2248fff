import { HARDWARE, NUMBER_WORDS, TENS_WORDS } from './lexicon.ts';

const TENS = Object.keys(TENS_WORDS).filter((word) => word !== 'ten');
/** `twelve`, `thirty`, `twenty-four`. */
export const WORD_COUNT = [
  `(?:${TENS.join('|')})(?:[- ](?:one|two|three|four|five|six|seven|eight|nine))?`,
  ...Object.keys(NUMBER_WORDS).filter((word) => word !== 'twenty'),
].join('|');
export const LEADING = new RegExp(
  String.raw`^(?:and |then |plus |also )?(?:n\.? ?|qty\.? ?)?(\(?\d{1,3}\)?|${WORD_COUNT}|the|an|a pair of|one each|1 pair|2 pairs)(?:\s*(?:x|×|\*|off|pcs?\.?|pieces?(?= +\p{L})|ea\.?|nos?\.?|no\.))?\s+(?=[\p{L}#\d"'(.])`,
  'iu',
);
const TRAILING =
  /(?:\s[x×*]\s?|[x×*](?=\d)|\s*[-–=:]\s+|,\s*|\s+|\(\s*)(\d{1,3})\)?(?:\s*(?:x|pcs?\.?|pieces?|off|ea(?:ch)?\.?|nos?\.?|no\.))?\)?(?:\s*\([^)]*\))?$/i;
const MARKED_TRAILING =
  /(?:\s?[x×*]\s?(\d{1,3})|[\s,:.-](?:qty|quantity)[.:]? ?(\d{1,3})|\((\d{1,3})(?:\s*(?:x|off|pcs?\.?|pieces?|parts|(?:of )?each))?\)|(?:^|[\s,:-])(\d{1,3}) ?(?:off|pcs?\.?|pieces?|ea\.?|each|nos?\.?)|(?:,| -|:|\.{2,}|…) ?(one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)|\s(one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)(?=\s+off$)|, ?(?:a )?(pair)|\s(\d{1,3}) ?[x×])(?:\s*(?:each|off))?$/i;
/** A number that is the size of what it stands before. */
const SIZE_BEHIND =
  /^(?:-?(?:mm|cm|m(?!\s+(?:five|six|eight|ten|twelve|fourteen|sixteen|\d))|inch(?:es)?|in|pin|core|way|piece|part|point|hole|lug|stud|leaf|a|amp|v|w|oz|ml|l|kg|g|deg|pole)\b|["″°]|[-/.,]\d|\s?(?:mm|cm|ml|a|amp|oz|kg|g|litres?|deg|min(?:ute)?s?|hours?|days?)\b)/i;

export const countIn = (text: string): number | undefined => {
  const bare = text.replace(/[()]/g, '').toLowerCase();
  if (/^\d+$/.test(bare)) return Number(bare);
  if (bare === 'the' || bare === 'an' || bare === 'a' || bare === '1 pair') return bare === '1 pair' ? 2 : 1;
  if (bare === 'a pair of') return 2;
  if (bare === '2 pairs') return 4;
  if (bare === 'one each') return 1;
  const [tens = '', ones] = bare.split(/[- ]/);
  return ones === undefined || TENS_WORDS[tens] === undefined
    ? (NUMBER_WORDS[bare] ?? TENS_WORDS[bare])
    : TENS_WORDS[tens] + (NUMBER_WORDS[ones] ?? 0);
};

/** ` ×6 (pressed in)` at the end of an item, and how far back it is looked for, characters. */
const CROSSED = /(?<=\S)\s[x×](\d{1,3})(?:\s?\(\p{L}[\p{L} ,-]{0,30}\))?\s*$/u;
const LONGEST_TAIL = 48;
const ENDS_WITH_SIZE = /\bM\d{1,2}(?:[x×]\d{1,3}(?:\.\d+)?){0,2}$/i;

/** The count and the name of one item: `4 x foot`, `U-bolts 4`, `cable tie x12`, `a tube of sealant`. */
export function itemOf(raw: string): { count: number; item: string } | undefined {
  const once = countedOnce(raw);
  // `Upper brackets L/R (1 each)`: two of them.
  return once && ONE_OF_EACH.test(raw) && BOTH_SIDES.test(once.item) ? { ...once, count: 2 * once.count } : once;
}
/** A size with its length, its class or its strength: what a cross parts from it behind them counts. */
const WHOLE_SIZE =
  /\bM\d{1,2} ?[x×] ?\d{2,3}$|\bM\d{1,2} ?[x×] ?\d\.\d{1,2} ?[x×] ?\d{2,3}$|\b(?:cl(?:ass)?\.?|gr(?:ade)?\.?)? ?(?:4\.6|4\.8|5\.8|6\.8|8\.8|9\.8|10\.9|12\.9)$|\b(?:cl(?:ass)?|gr(?:ade)?)\.? ?\d{1,2}$|\d\/\d{1,2}-\d{2} ?[x×] ?\d[\d/-]*"?$/i;
const ONE_OF_EACH = /\(\d{1,2} (?:of )?each\)\s*$/i;
const BOTH_SIDES = /\b(?:L ?[/&+] ?R|LH ?[/&+] ?RH|left (?:and|&|\/) right|driver (?:and|&|\/) passenger)\b/i;

function countedOnce(raw: string): { count: number; item: string } | undefined {
  // `flange nut M10 ×6`, `stud bolt M10×25 ×6 (pressed in)`: a cross that stands off its size and touches its number.
  const [tail = '', often] = CROSSED.exec(raw.slice(-LONGEST_TAIL)) ?? [];
  const crossed = raw.slice(0, raw.length - tail.length).trimEnd();
  if (tail !== '' && Number(often) > 0 && /\p{L}{2}/u.test(crossed) && !/\d$/.test(crossed.replace(ENDS_WITH_SIZE, '')))
    return { count: Number(often), item: crossed.replace(/\s+/g, ' ').trim() };
  // `bolt M10x35        x 8`: what stands off by itself counts, and is no length.
  const apart = /^(.*\S)\s{2,}[x×]\s?(\d{1,3})\s*$/.exec(raw.trimEnd());
  if (apart && /\p{L}{2}/u.test(apart[1] ?? '') && Number(apart[2]) > 0)
    return { count: Number(apart[2]), item: (apart[1] ?? '').replace(/\s+/g, ' ').trim() };
  const text = raw
    .replace(/\s+/g, ' ')
    .replace(
      /^ ?(?:an? |one )?(?:bag|box|packet|sachet|set) (?:with|of) (?=(?:\d|two|three|four|five|six|eight|ten|twelve)\b)/i,
      '',
    )
    // `you have the two guards`
    .replace(/^ ?(?:and |plus )?the (?=(?:\d{1,2}|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve) )/i, '')
    .trim()
    .replace(/[.,;]+$/, '');
  // `M8x25 - 4`: a size alone names its bolt.
  const [, size, many] = /^(M\d{1,2} ?[x×] ?\d[\d.x× ]*?) [-–=] (\d{1,2})$/.exec(text) ?? [];
  if (size !== undefined && Number(many) > 0) return { count: Number(many), item: size };
  // `U-bolt M8 1`: what it is, its size, and how many; more than nine may be a length.
  const [, named, few] = /^(\p{L}[\p{L} -]{2,}\bM\d{1,2}(?: ?[x×] ?\d[\d.]*)*) ([1-9])$/iu.exec(text) ?? [];
  if (named !== undefined) return { count: Number(few), item: named };
  const [, number, alone] = /^(\d{1,3}) ?(?:x |× ?|off |pcs )?(M\d{1,2} ?[x×] ?\d[\d.x× ]*)$/.exec(text) ?? [];
  if (alone !== undefined && Number(number) > 0) return { count: Number(number), item: alone };
  // `M12x40 8`: a whole size, and how many.
  const [, sized, times] = /^(M\d{1,2} ?[x×] ?\d{2,3}) (\d{1,2})$/i.exec(text) ?? [];
  if (sized !== undefined && Number(times) > 0) return { count: Number(times), item: sized };
  // `bracket pair`
  const [, paired] = /^(?:a |one |1 )?(\p{L}[\p{L} -]{2,40}) pair$/iu.exec(text) ?? [];
  if (paired !== undefined) return { count: 2, item: paired };
  if (!/\p{L}{2}/u.test(text)) return undefined;
  // `key 13`, `socket 17`: the size of a tool, of which there is one.
  if (/^(?:hex |allen )?(?:key|spanner|socket|wrench) (?:\d{1,2})(?: ?mm)?$/i.test(text))
    return { count: 1, item: text };
  const marked = MARKED_TRAILING.exec(text);
  // `(2) U-bolts w/ flange nuts (4)`: the first counts what is named, the last what comes with it.
  const leads = (/^\(\d{1,3}\) /.test(text) && /\(\d{1,3}\)$/.test(text)) || /^\d{1,3} ?[x×] \p{L}/u.test(text);
  if (marked && !leads) {
    const said = marked.slice(1).find((group) => group !== undefined) ?? '';
    const count = countIn(/^pair$/i.test(said) ? '1 pair' : said);
    const item = text
      .slice(0, marked.index)
      .replace(/[\s.…]+$/, '')
      .trim();
    // `M8 x 22` is a length and no count; `M5 x 35 screw x3` counts.
    // A whole size before it leaves it the count: `T-bolt M8x40 x8`.
    const whole = WHOLE_SIZE.test(item);
    const sized = !whole && /[\d"]$|\dmm$|\d mm$/i.test(item) && marked[1] !== undefined;
    if (count !== undefined && !sized && /\p{L}{2}/u.test(item)) return { count, item };
  }
  const lead = LEADING.exec(text);
  if (lead) {
    const count = countIn(lead[1] ?? '');
    const rest = text.slice(lead[0].length).trim();
    const bare = text.slice((lead.index ?? 0) + lead[0].trimEnd().length);
    if (
      count !== undefined &&
      count > 0 &&
      count <= 500 &&
      rest !== '' &&
      !SIZE_BEHIND.test(bare.trimStart() === bare ? bare : ` ${rest}`) &&
      !SIZE_BEHIND.test(rest)
    )
      return { count, item: rest };
  }
  const trail = TRAILING.exec(text);
  if (trail) {
    const item = text.slice(0, trail.index).trim();
    const sized =
      /(?:\bM\d+(?:\.\d+)?|[x×*]|\d|dia\.?|class|grade|size)$/i.test(item) || /\s*[x×*]\s*$/.test(trail[0].slice(0, 3));
    // `bolt M10x30 8.8: 8`: behind a colon nothing but the count stands.
    const parted = /^\s*[:=]\s/.test(trail[0]) && !/\b(?:dia\.?|class|grade|size)$/i.test(item);
    if ((!sized || parted) && /\p{L}{2}/u.test(item)) return { count: Number(trail[1]), item };
  }
  return undefined;
}

/** Parts of a kit beside its hardware, by the last word of their name. Common words of the trade, from memory. */
const PART =
  /\b(?:frame|bar|beam|tube|guard|tray|hoop|rail|ladder|step|carrier|hitch|skid|cover|cable|harness|loom|member|crossmember|shackle|ball|neck|panel|liner|spring|cage|tongue|channel|bumper|rack|basket|winch)$/i;

/** One thing that is named without a count: `frame`, `the skid plate`. */
export function singleOf(raw: string): { count: number; item: string } | undefined {
  const [, item = ''] = /^(?:and |the )*(\p{L}[\p{L} -]{2,30})$/iu.exec(raw.replace(/[.,;]+$/, '')) ?? [];
  const last = item.toLowerCase().split(/[ -]/).at(-1) ?? '';
  // The head of a snorkel or a pump, and no bolt's.
  // `12 M8 x 25, bar to bracket`: what they join is no piece.
  if (/\bto\b/i.test(item)) return undefined;
  return PART.test(item) || last === 'head' || (HARDWARE.has(last) && !last.endsWith('s'))
    ? { count: 1, item }
    : undefined;
}

/** What is counted: the last piece of hardware named before `with`, `for`, `of`, or the last word there. */
export function nounOf(item: string): string {
  // `two M10 x 40 for the top hinge`: what it is for says nothing of what it is.
  if (/^heads?$/i.test(item.trim())) return 'part';
  // A tie rod ties nothing up.
  if (/\b(?:tie|track|drag)[ -]rods?$/i.test(item.trim())) return 'rod';
  const own = item.split(/\s(?:for|in|into|to|on|of) (?:the |each |both )?\p{L}/u)[0] ?? item;
  // `M10x1.5x30 cl. 10.9`: a size with its length and class is a bolt's.
  if (
    /^M\d{1,2}(?: ?[x×] ?\d+(?:[.,]\d+)?){1,2}(?: ?mm)?(?:,? ?\(?(?:cl(?:ass)?\.? ?)?\d{1,2}\.\d\)?)?(?:\s*\+.*)?$/i.test(
      own.trim(),
    )
  )
    return 'bolt';
  // `1/2-13 x 1-1/2 GR 8`, `5/16-18 carriage`
  if (
    /^(?:#\d{1,2}|\d{1,2}\/\d{1,2})-\d{2}(?: ?[x×] ?\d[\d/. -]*"?)?(?:,? ?(?:gr(?:ade)?\.? ?\d|carriage|hex|flange))*$/i.test(
      item.trim(),
    )
  )
    return 'bolt';
  // `M6×16 hexagon socket` is a screw by its head, a `flat pad` a washer in another's English.
  if (/\b(?:hex(?:agon)? socket|socket head|button head)s?$/i.test(item.trim()) && /\bM\d{1,2} ?[x×*]/i.test(item))
    return 'screw';
  if (/^discs? \d{1,2}(?:[.,]\d)? ?[x×] ?\d/i.test(item.trim())) return 'washer';
  if (/\b(?:flat|spring|plain) pads?$/i.test(item.trim())) return 'washer';
  // `tube screw locking fluid`: what holds it is counted.
  const holder = /^(tube|sachet|bottle|tin|pot|ampoule|bags?|box(?:es)?|packets?)\b(?= (?:of|with)\b)/i.exec(
    item.trim(),
  )?.[1];
  if (holder !== undefined) return holder.toLowerCase();
  // Part numbers name no piece.
  const plain = item.replace(/\b[A-Z\d]+(?:-[A-Z\d]+)+\b/g, ' ').replace(/\band an? (?:half|quarter)\b/gi, ' ');
  const head =
    (/\p{L}{3}/u.test(plain) ? plain : item).toLowerCase().split(/\b(?:with|for|to|and|in|on|,)\b|\bw\/|[,(+]/)[0] ??
    item;
  const words = (head.trim() === '' ? item.toLowerCase() : head).match(/\p{L}+/gu) ?? [];
  const known = words.filter((word) => HARDWARE.has(word)).at(-1);
  if (known !== undefined) return HARDWARE.get(known) ?? known;
  const of = (words as readonly string[]).indexOf('of');
  const last = (of > 0 ? words.slice(0, of) : words).filter((word) => word.length > 1).at(-1) ?? 'piece';
  return last.length > 3 && last.endsWith('s') && !last.endsWith('ss') ? last.slice(0, -1) : last;
}
