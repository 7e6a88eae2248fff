import { fail, ok, type Result } from '#core/result.ts';
import { LONGEST_SHEET } from '#core/sheet/read-sheet.ts';
import { decodeText } from './decode-text.ts';
import { pageText } from './page-columns.ts';
import { say, thousands } from './wording/say.ts';

/** Why a file was not taken for a sheet. */
export type SheetFault =
  | { code: 'tooLong'; characters: number; most: number }
  | { code: 'binary'; file: string }
  | { code: 'pdfBroken'; file: string; reason: string }
  | { code: 'pdfEncrypted'; file: string }
  /** Only pictures of text: nothing to read. */
  | { code: 'pdfWithoutText'; file: string; pages: number }
  /** A word processor's file: its text stands between marks. */
  | { code: 'richText'; file: string }
  | { code: 'empty'; file: string };

/** Largest file that is opened at all, bytes. */
export const LARGEST_FILE = 20 * 1024 * 1024;

/** A fault in one sentence. */
export function sheetFaultText(fault: SheetFault): string {
  switch (fault.code) {
    case 'tooLong':
      return say('The sheet has {characters} characters; at most {most} are read (about a hundred pages).', {
        characters: thousands(fault.characters),
        most: thousands(fault.most),
      });
    case 'binary':
      return say('{file} is not text: give a .txt, a .md, or a PDF with a text layer.', { file: fault.file });
    case 'pdfBroken':
      return say('{file} cannot be opened as a PDF: {reason}.', { file: fault.file, reason: fault.reason });
    case 'pdfEncrypted':
      return say('{file} is locked with a password: open it, print it to a PDF without one, and give that.', {
        file: fault.file,
      });
    case 'pdfWithoutText':
      return say(
        '{file} has {pages} {pages, plural, one {page} other {pages}} and no text in them, only pictures: run it through text recognition first, or type the sheet.',
        { file: fault.file, pages: fault.pages },
      );
    case 'richText':
      return say('{file} is a word processor’s file (RTF): save it as plain text or as a PDF, and give that.', {
        file: fault.file,
      });
    case 'empty':
      return say('{file} is empty.', { file: fault.file });
  }
}

const isPdf = (bytes: Uint8Array): boolean => {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 1024));
  return head.includes('%PDF-');
};

const isRichText = (bytes: Uint8Array): boolean => new TextDecoder('latin1').decode(bytes.subarray(0, 6)) === '{\\rtf1';

/** Text is what decodes as UTF-8 (or has a UTF-16 mark) and holds hardly any control characters. */
function plainText(bytes: Uint8Array): string | undefined {
  const text = decodeText(bytes);
  // biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what tells a binary file.
  const odd = text.slice(0, 4000).match(/[\u0000-\u0008\u000E-\u001F\uFFFD]/g)?.length ?? 0;
  return odd > 3 ? undefined : text;
}

interface TextItem {
  str: string;
  transform: number[];
  width: number;
  hasEOL: boolean;
}

/** What a page's text items are, laid out. */
const textOfPage = (items: readonly TextItem[]): string =>
  pageText(
    items.flatMap(({ str, transform, width }) => {
      const [x = 0, y = 0] = [transform[4], transform[5]];
      return str.trim() === '' ? [] : [{ text: str, x, end: x + width, y }];
    }),
  );

async function pdfText(bytes: Uint8Array, file: string): Promise<Result<string, SheetFault>> {
  const { getDocumentProxy } = await import('unpdf');
  try {
    // The reader takes the bytes away; the caller keeps its own.
    const pdf = await getDocumentProxy(new Uint8Array(bytes), { verbosity: 0 });
    const pages: string[] = [];
    let length = 0;
    for (let number = 1; number <= pdf.numPages; number++) {
      const page = await pdf.getPage(number);
      const { items } = await page.getTextContent();
      pages.push(textOfPage(items as TextItem[]));
      length += pages.at(-1)?.length ?? 0;
      if (length > LONGEST_SHEET) return fail({ code: 'tooLong', characters: length, most: LONGEST_SHEET });
    }
    const text = pages.join('\n\n');
    return text.trim() === '' ? fail({ code: 'pdfWithoutText', file, pages: pdf.numPages }) : ok(text);
  } catch (error) {
    const name = error instanceof Error ? error.name : '';
    if (name === 'PasswordException') return fail({ code: 'pdfEncrypted', file });
    return fail({
      code: 'pdfBroken',
      file,
      reason: error instanceof Error ? error.message.replace(/\.$/, '') : String(error),
    });
  }
}

/**
 * The text of a sheet's file: plain text, Markdown, or a PDF with a text layer.
 *
 * @param bytes - the file
 * @param file - its name, for the message
 * @returns the text with line ends as `\n`, or why there is none
 */
export async function sheetText(bytes: Uint8Array, file: string): Promise<Result<string, SheetFault>> {
  if (bytes.length === 0) return fail({ code: 'empty', file });
  if (bytes.length > LARGEST_FILE) return fail({ code: 'tooLong', characters: bytes.length, most: LONGEST_SHEET });
  if (isRichText(bytes)) return fail({ code: 'richText', file });
  const read = isPdf(bytes) ? await pdfText(bytes, file) : undefined;
  if (read && !read.ok) return read;
  const text = read?.value ?? plainText(bytes);
  if (text === undefined) return fail({ code: 'binary', file });
  const plain = text.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n');
  if (plain.trim() === '') return fail({ code: 'empty', file });
  if (plain.length > LONGEST_SHEET) return fail({ code: 'tooLong', characters: plain.length, most: LONGEST_SHEET });
  return ok(plain);
}
