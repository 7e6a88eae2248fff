import type { SheetList } from './packing-line.ts';
import { torqueUnitOf } from './sheet-unit.ts';
import { cellsOf } from './table.ts';

/** Opens a list of pieces, as a heading or at the head of a sentence. */
const PIECES =
  /\b(?:(?<!\b(?:\d|stays?|left|remains?|bolts?|nuts?|screws?|them|pieces|one|two|three|four|five|six|eight|ten|twelve) )in (?:the|this|each|your) (?:box|bag|carton|kit|pack(?:et|age)?|crate|tin|parcel)|contents?(?: of (?:the )?(?:box|bag|carton|kit|pack\w*|crate))?|contenu|inhalt|contenido|contenuto|packing (?:list|note)|parts? (?:list|supplied|included|furnished|in (?:(?:the|this) )?(?:kit|box|bag|carton|crate))|list of (?:parts|pieces|components|contents)|parts list|hardware(?: list| kit| pack| bag)?|(?:fastener|fixing|fitting|bolt) (?:list|pack|kit|bag)s?|(?:kit|set|box|bag|carton|pack(?:et)?|crate|package|delivery) (?:contains?|brings|contents|list|holds?|includes?|comprises)|(?<=^\W{0,4})what(?:'s| is| you (?:got|get|will find|should have))?|what(?:'s| is)? in the (?:box|bag|carton|kit)|what you (?:got|get|will find|should have)|you (?:will )?(?:get|find|receive|should have)|you should (?:find|receive)|there (?:ought to|should) be(?= (?:two|three|four|six|eight|ten|twelve|\d+)\b)|(?:scope|extent) of (?:delivery|supply)|(?:delivery|supply) (?:scope|extent|contents?)|supplied(?: parts| with)?|included(?: parts)?|parts of (?:the )?kit|legend(?: of the (?:figure|drawing))?|bill of materials?|components|pieces|comes (?:with|as|in)|consists of|is made up of)\b/i;

const PIECES_ALONE =
  /^\s*(?:[A-Z\d]{1,3}[.)]\s+)?(?:parts?|materials?|kit|bag|box|carton|contents?|hardware|items?|supplied|you get|pack(?:age|et)?|fasteners?|(?:fasteners?|hardware|parts|components|fixings) (?:and|&|\/|\+) (?:fasteners?|hardware|parts|components|fixings|fittings))(?: (?:[A-Z\d]{1,3}|(?=[\w-]{0,11}\d)[A-Z\d][\w-]{1,11}))?(?:\s*\([^)]*\))?(?: (?:per|each|a|for each|for one) side)?\s*:?\s*$/i;

const TOOLS =
  /\b(?:what (?:tools )?(?:do|will|shall) (?:i|you|we) need|(?:which|what) (?:tools|spanners|sockets)\b|tools?(?: (?:required|needed|list|you (?:will )?need|to hand|recommended|and materials))?|you (?:will )?need|required tools?|special tools?|equipment (?:needed|required)|have (?:ready|to hand)|spanners to hand|workshop supplies|not supplied|not included)\b/i;

export const HEADING_LENGTH = 76;

/** `What is in the bag?`: a heading that asks. */
export const ASKS =
  /^\W*(?:Q[.:]\s+)?(?:what|which)\b.*\b(?:box|bag|carton|kit|pack\w*|crate|tin|parcel|get|find|comes?|supplied|included)\b.*\?$/i;

export const isRule = (line: string): boolean => /^[\s|+:=_*-]*$/.test(line) && line.trim() !== '';

/** A step of the work, and no line of a list. */
export const isWork = (line: string): boolean =>
  /^\s*(?:step\s|par\.?\s|\d{1,2}[.)]\s|[A-Z][.)]\s|[IVX]+\.\s)/i.test(line) &&
  /\b(?:remove|fit|install|tighten|loosen|lift|raise|disconnect|place|put|bolt|attach|check|clean|drill|unscrew|take|undo|slide|refit|open|wait|demount|dismantle|unscrew|screw|free|draw|cut|mount|bring|lay|set|hang|push|turn|apply|torque|wash|park|jack|support|unplug|mark|measure|hold|raise)\b/i.test(
    line,
  );

/** What a sentence says before the list it opens. */
export const OPENS_WRITTEN =
  /(?:^\W{0,3}(?:parts?|contents?|hardware|components)[*\])>]{1,2}\s+|\b(?:find|get|gets|got(?! the\b)|you have|you've got|should have|ought to have|holds?|comes (?:with|as)|consists of|is made up of|brings|contains?|includes?|comprises|receive|supplied(?: are)?|(?:there )?(?:is|are|(?:ought to|should) be))\s+|:\s+)(?=(?:\(?A[).] )?(?:the|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|n\.)\s|\(?\d|\p{L}[\p{L}-]*(?: [\p{L}-]+){0,4} ?\(?(?:[x×]\s?)?\d|\p{L}[\p{L} -]{2,24},\s+(?:an?|one|two|three|four|six|eight|\d+)\s)/iu;

/** A later sentence of a line may open the list: `It is quickly told. You should have one ladder, …`. */
export function headingInside(line: string): SheetList['of'] | undefined {
  const opened = OPENS_WRITTEN.exec(line);
  const stop = opened ? line.slice(0, opened.index).search(/[.!?] [^.!?]*$/) : -1;
  return stop < 0 ? undefined : headingOf(line.slice(stop + 2));
}

/** Whether a line opens a list, and of what. */
export function headingOf(line: string): SheetList['of'] | undefined {
  const plain = line.trim();
  const asks = /\bcheck (?:that )?the (?:box|bag|kit|carton)\b/i.test(line);
  if (plain === '' || isRule(line) || (isWork(line) && !asks)) return undefined;
  const short = plain.length <= HEADING_LENGTH;
  const head = plain.slice(0, 60);
  if (
    TOOLS.test(head) &&
    (short || /:/.test(head)) &&
    !/\bqty\b/i.test(plain) &&
    /^\W*(?:\d+\s+)?(?:what|which|not (?:supplied|included|in the)|tools?|you (?:will )?need|required|special|equipment|have|spanners|workshop)/i.test(
      head,
    )
  )
    return 'tools';
  if (/^(?:parts|contents?|hardware|kit|carton|box|bag)\s{2,}\S[^:\n]* [/|] [^:\n]* [/|] /i.test(plain))
    return 'pieces';
  // `*PARTS* Plate x1 / Collar x4`
  if (/^[*[(<]{1,2}(?:parts?|contents?|hardware|components)[*\])>]{1,2}\s/i.test(plain)) return 'pieces';
  // `1/ PARTS: hose 1 / banjo bolt 2 / …`
  if (/^\d{1,2}\/ ?(?:parts|contents?|hardware|kit)\s*:[^:\n]* [/|] [^:\n]* [/|] /i.test(plain)) return 'pieces';
  if (PIECES_ALONE.test(plain) || /^(?:kit|bag|box|carton|contents?|supplied|parts|hardware|you get)\s*:/i.test(plain))
    return 'pieces';
  // `silicone grease in the bag. Slots` goes on with a sentence of the line above.
  if (/^\p{Ll}[^.:]*\bin (?:the|this|each|your) (?:box|bag|carton|kit|pack\w*)\.\s+\S/u.test(plain)) return undefined;
  const cells = cellsOf(line, 0);
  const counts = cells.some((cell) =>
    /^(?:qty|quantity|pcs|pieces|off|no\.? off|number|count|how many|amount|nos|pack|per kit|per pack|stk|stck|stück|anz|anzahl|menge)\b\.?$/i.test(
      cell.text,
    ),
  );
  if (cells.length > 1 && counts) return isJointTable(cells) ? undefined : 'pieces';
  if (
    PIECES.test(head) &&
    (short ||
      /:/.test(head) ||
      /\b(?:in the|you (?:will )?(?:find|get)|should (?:have|be|find)|ought to be|contains?|holds?|comes (?:as|with)|consists of)\b/i.test(
        head,
      ))
  )
    // `Parts supplied by the owner are not …`: a sentence about them is no list.
    return (/\?$/.test(plain) ? !ASKS.test(plain) : /[.!]$/.test(plain) && !/,|:/.test(plain)) ? undefined : 'pieces';
  return undefined;
}

/** `No | Joint | Fastener | Off | Nm`: a table of what is tightened, and no list of pieces. */
const isJointTable = (cells: ReadonlyArray<{ text: string }>): boolean =>
  cells.some(({ text }) =>
    /^(?:joints?|connections?|where|locations?|fixing points?|between|gewinde|verschraubung(?:en)?|verbindung(?:en)?|schraubenliste|schraubstellen?)\b/i.test(
      text,
    ),
  ) &&
  cells.some(
    ({ text }) =>
      torqueUnitOf(text) !== undefined ||
      /^(?:(?:tightening )?torques?|drehmomente?|anzug(?:s(?:dreh)?momente?)?)\b/i.test(text),
  );

/** The head of the step behind a numbered heading, where the heading is numbered. */
export function nextNumber(heading: string): RegExp | undefined {
  const [, lead = '', number, mark] = /^([ \t]*)(\d{1,2})([.)])\s/.exec(heading) ?? [];
  if (number !== undefined) return new RegExp(`^${lead}${Number(number) + 1}\\${mark}\\s`);
  // `1   CONTENTS OF CARTON`, and then `2   SPECIAL TOOLS`.
  const [, before = '', bare] = /^([ \t]*)(\d{1,2})\s+(?=\p{Lu}{2})/u.exec(heading) ?? [];
  return bare === undefined ? undefined : new RegExp(`^${before}${Number(bare) + 1}\\s+\\p{Lu}{2}`, 'u');
}
