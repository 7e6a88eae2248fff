import { HARDWARE } from '../../sheet/lexicon.ts';

const setOf = (text: string): ReadonlySet<string> => new Set(text.trim().split(/\s+/));

/** Words that never stand in the name of a joint: they begin, end or part what could be one. */
const NO_NAME_WORDS = setOf(`
  there's here's it its it's they them their he she him we us our you your i me my who which that that's this these those there here
  is are was were be been being isn't aren't has have had do does did don't must shall should will would can could may
  might need needs not no never nothing none if when while where as than then so but because until unless before after
  since once during whether or nor about without within per by via
  say says said print prints printed look looks looked show shows shown want wants wanted mean means get gets got goes go
  gone come comes exceed give gives given use used uses using keep keeps kept leave leaves let make makes made take takes
  taken drawn undo unbox checked route remove removed install installed refit refitted fit fitted put puts repeat borrow
  borrowed apply tighten tightened tightening torque torqued torques holds held rehang reinstall reconnect reattach reuse
  renew brings wait run note read attach attaches attached secure fasten fastened insert join joined connect starting
  begins begin finish bolted screwed secured touch touches wonder hear bought turned stays spins pressed turning why supplied item wrench wrenches spanner spanners qty half
  only evenly firmly again always later afterwards fully enough true same unchanged specified exactly just too very much
  more less most least also still maybe perhaps please pls ok okay oh yes sorry well now finally first last likewise
  meanwhile altogether itself themselves
  nm n·m n.m ft lb lbs ft-lb ft-lbs in-lb in-lbs lb-ft lbf kgm kg-m kgf mm cm inch inches deg degrees newton newtons
  metre metres meter meters pound pounds foot-pounds mil torx one ones two three four five six seven eight nine ten eleven
  twelve thirty both all each every another either other turns round rounds stage stages pass passes steps crosswise
  crossways criss-cross diagonally clockwise max min maximum minimum approx optional pcs pc off x no. op qa`);

/** Words that are an order where they begin a phrase, and may end a name: `Hold the pin`, `caliper slide`, `step pad`. */
const ORDERS = setOf(
  'close open hold slide push pull start bring check feed bolt screw nip pop drill route hang add draw lift jack counter snug place position swing move',
);

/** Words that stand within a name between two things, and neither begin nor end one. */
const JOINS = setOf(
  'to of on in onto into for through between behind under above at with and the a an from next out off up down back outside inside aside together',
);

/** Places, which begin a name and are none alone. */
const PLACES = setOf(
  'front rear upper lower inner outer left right top bottom middle centre center side old new long short big small large little hand l r',
);

/** What a sheet speaks of beside the work, which names no joint. */
const NO_HEADS = setOf(
  'figure figures template maker kit shop book sheet page picture drawing time moment value values answer question word hardware fasteners',
);

/** What a fastener is like, which tells no joint from another. */
const LIKE = setOf(
  'hex hexagon socket flange flanged new own same existing original factory stock plain zinc self security silver fasteners hardware oil grease',
);

/** Whether a word only says what a fastener is like. */
export const isLike = (word: string): boolean => LIKE.has(word);

/** Sizes, which say nothing behind a name. */
const SIZES = setOf('little small big large long short new old');

/** What turns or holds: the noun a joint's name most often ends with. */
const FASTENERS =
  /^(?:bolts?|nuts?|screws?|studs?|set-?screws?|cap-?screws?|lock-?nuts?|clamps?|plugs?|pins?|bleeders?|nipples?|unions?|banjos?|fasteners|collars?|knobs?|u-?bolts?|lugs|straps?|clips?|hardware|buttons?|heads)$/i;

interface Word {
  text: string;
  /** Lower case, without what stands around it. */
  plain: string;
  /** A mark behind it ends the phrase. */
  ends: boolean;
  /** The mark is a comma. */
  comma: boolean;
}

const wordsOf = (text: string): Word[] =>
  [...text.matchAll(/\S+/g)].map(([raw]) => ({
    text: raw.replace(/^[^\p{L}\d]+|[^\p{L}\d]+$/gu, ''),
    plain: raw.replace(/^[^\p{L}\d]+|[^\p{L}\d]+$/gu, '').toLowerCase(),
    comma: raw.endsWith(','),
    ends: /[,;:.!?)\]|→*~=]$/.test(raw) || /^[(*[~=|→<>±@]+$/.test(raw),
  }));

/** `provisionally`, and the words of sentences. */
const isNameless = (plain: string): boolean =>
  NO_NAME_WORDS.has(plain) || /^(?!belly$|family$|dolly$).*[aeilnstv]ly$/.test(plain);

/** Whether a word may stand in a name: of letters, and none that only makes a sentence. */
const stands = ({ plain, text }: Word): boolean =>
  (/^\p{L}[\p{L}'’/-]*$/u.test(plain) && plain.length > 1 && !isNameless(plain)) || /^[A-Z]$/.test(text);

/** How much a phrase says of a joint: its fastener most, then a part, then two words; nothing where it has no head. */
function worthOf(phrase: readonly Word[]): number {
  const heads = phrase.filter(
    ({ plain }) => plain.length > 1 && !JOINS.has(plain) && !PLACES.has(plain) && !NO_HEADS.has(plain),
  );
  if (heads.length === 0) return 0;
  const telling = heads.filter(({ plain }) => !LIKE.has(plain));
  const [first = { plain: '' }] = phrase;
  if (
    telling.length + Number(PLACES.has(first.plain) && !SIZES.has(first.plain)) > 1 &&
    telling.some(({ plain }) => FASTENERS.test(plain))
  )
    return 4;
  if (heads.some(({ plain }) => HARDWARE.has(plain) && !FASTENERS.test(plain) && !/^(?:washers?|pads?)$/.test(plain)))
    return 3;
  return heads.length > 1 ? 2 : 1;
}

/** Whether a word may begin a phrase: no join, and no order, which the noun of its own size may look like: `bolt the arm`. */
const begins = ({ plain }: Word, next: Word | undefined): boolean =>
  // `Through bolts` are a kind of bolts, and a swing arm is a part.
  (!JOINS.has(plain) || (plain === 'through' && FASTENERS.test(next?.plain ?? ''))) &&
  !(
    ORDERS.has(plain) &&
    (!FASTENERS.test(plain) || /^(?:an?|the|up|down)$/.test(next?.plain ?? '')) &&
    next !== undefined &&
    !(plain === 'swing' && /^(?:arms?|away|gate|bolts?)$/.test(next.plain))
  );

const endsNone = (word: Word | undefined): boolean => JOINS.has(word?.plain ?? '') || SIZES.has(word?.plain ?? '');

/** The phrases of a text that could name a thing, in their order, each with what it is worth. */
function phrasesOf(text: string): Array<{ words: Word[]; worth: number }> {
  const phrases: Word[][] = [[]];
  const all = wordsOf(text);
  for (const [at, word] of all.entries()) {
    const now = phrases.at(-1) as Word[];
    if (word.plain !== '' && stands(word) && (now.length > 0 || begins(word, all[at + 1]))) now.push(word);
    else if (now.length > 0) phrases.push([]);
    if (word.ends && (phrases.at(-1) as Word[]).length > 0) phrases.push([]);
  }
  return phrases
    .map((words) => {
      let end = words.length;
      while (end > 0 && endsNone(words[end - 1])) end--;
      return words.slice(0, end);
    })
    .filter((words) => words.length > 0)
    .map((words) => ({ words, worth: worthOf(words) }));
}

/** More is a sentence and no name. */
const LONGEST = 40;

/** Whether a title is a name: nothing of a sentence in it, no mark, and no join at its ends. */
export function isName(title: string): boolean {
  if (/[*~=<>→±?!;@|]|\(\s*$/.test(title)) return false;
  if (/^(?:front|rear|upper|lower|inner|outer|left|right|long|short|top|bottom) ones?$/i.test(title)) return true;
  const all = wordsOf(title).filter(({ plain }) => plain !== '');
  const [first, last] = [all[0], all.at(-1)];
  return (
    first !== undefined &&
    begins(first, all[1]) &&
    !JOINS.has(last?.plain ?? '') &&
    all.every(({ plain }) => !isNameless(plain)) &&
    (worthOf(all.filter(stands)) > 0 || all.every(({ plain }) => PLACES.has(plain)))
  );
}

const named = (phrase: readonly Word[]): string | undefined => {
  const name = phrase
    .map(({ text }) => text)
    .filter((word) => !/^(?:the|an?)$/i.test(word))
    .join(' ');
  return name.length < 3 || name.length > LONGEST ? undefined : `${name[0]?.toUpperCase()}${name.slice(1)}`;
};

/**
 * What a text calls the thing it speaks of: of its phrases the one that says most, the last where several do, since a
 * figure stands behind what it is for.
 *
 * @param least - 4 for a fastener with a word, 3 for a part, 2 for two words
 */
export function nameIn(text: string, least: 2 | 3 | 4): string | undefined {
  const phrases = phrasesOf(text);
  const most = Math.max(0, ...phrases.map(({ worth }) => worth));
  const best = most < least ? undefined : phrases.findLast(({ worth }) => worth === most);
  return best && named(best.words);
}

/** What says or shows something is no thing. */
const SAYS = /\b(?:says?|said|prints?|shows?|looks?|looked|means?|wants?)\b/i;

/** A title without the order before it and the manner behind it: `Rehang exhaust`, `Awning itself`, `Hub nut, stage`. */
export function trimmedName(title: string): string | undefined {
  if (SAYS.test(title)) return undefined;
  const all = wordsOf(title).filter(({ plain }) => plain !== '');
  let [from, to] = [0, all.length];
  const nameless = (word: Word | undefined) => word !== undefined && isNameless(word.plain);
  while (from < to && (nameless(all[from]) || !begins(all[from] as Word, all[from + 1]))) from++;
  while (to > from && (nameless(all[to - 1]) || endsNone(all[to - 1]))) to--;
  const rest = all.slice(from, to);
  const name = rest.map(({ text }, at) => (rest[at]?.comma && at < rest.length - 1 ? `${text},` : text)).join(' ');
  return name.length >= 3 && isName(name) ? `${name[0]?.toUpperCase()}${name.slice(1)}` : undefined;
}
