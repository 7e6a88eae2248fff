import { expose } from 'comlink';
import { sheetFaultText, sheetText } from '#contract/sheet-text.ts';
import { draftKit } from '#core/kit/draft/draft-kit.ts';
import type { Draft } from '#core/kit/draft/drafting.ts';
import type { Fact } from '#core/sheet/fact.ts';
import { LONGEST_SHEET, readSheet, type SheetReading } from '#core/sheet/read-sheet.ts';
import type { ShopWord } from '#core/sheet/shop-lexicon.ts';

export type ReadOutcome = { ok: true; reading: SheetReading } | { ok: false; message: string };

/** Reading of sheets off the screen's thread. */
const worker = {
  /** Text out of a file, and what it says. */
  async readFile(bytes: Uint8Array, name: string, lexicon: ShopWord[]): Promise<ReadOutcome> {
    const text = await sheetText(bytes, name);
    return text.ok
      ? { ok: true, reading: readSheet(text.value, lexicon) }
      : { ok: false, message: sheetFaultText(text.error) };
  },
  readText(text: string, lexicon: ShopWord[]): ReadOutcome {
    if (text.length > LONGEST_SHEET)
      return { ok: false, message: sheetFaultText({ code: 'tooLong', characters: text.length, most: LONGEST_SHEET }) };
    return { ok: true, reading: readSheet(text, lexicon) };
  },
  draft(
    reading: Pick<SheetReading, 'steps'>,
    facts: Fact[],
    head: { id: string; title: string; maker: string },
  ): Draft {
    return draftKit(reading, facts, head);
  },
};
export type SheetWorker = typeof worker;
expose(worker);
