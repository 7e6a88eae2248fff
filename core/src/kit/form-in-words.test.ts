import { describe, expect, it } from '@jest/globals';
import { formInWords } from './form-in-words.ts';
import { ALL_FORMS, formsOf, ITEM_KINDS } from './piece-kind.ts';

/** Names as packing lists have them: common practice, no source. */
const CALLED: ReadonlyArray<[string, string, string | undefined]> = [
  ['U-bolt 1/2-20 x 7 1/4', 'bolt', 'uBolt'],
  ['4x u bolts', 'bolt', 'uBolt'],
  ['banjo bolt M12x1.5', 'bolt', 'banjo'],
  ['v-band clamp 2.5in', 'clamp', 'vBand'],
  ['T-bolt clamp 63-71', 'clamp', 'tBolt'],
  ['worm-drive clamps', 'clamp', 'worm'],
  ['hose clamp', 'clamp', 'worm'],
  ['clamp for hose', 'part', 'hose'],
  ['M6 rivet nut', 'nut', 'rivet'],
  ['clip nut', 'nut', 'clip'],
  ['nut clip-on', 'nut', undefined],
  ['copper washer 12x18', 'washer', 'seal'],
  ['penny washer', 'washer', 'fender'],
  ['split lock washer', 'washer', 'lock'],
  ['split pin 1/8', 'pin', 'split'],
  ['cotter pins', 'pin', 'split'],
  ['external circlip 20', 'clip', 'circlipOutside'],
  ['internal circlip', 'clip', 'circlipInside'],
  ['push pins', 'clip', 'pushIn'],
  ['R-clip 3mm', 'pin', 'rClip'],
  ['silicone elbow', 'part', 'elbow'],
  ['helper leaf', 'part', 'leafSpring'],
  ['padlock key', 'part', 'key'],
  ['crush sleeve', 'collar', 'sleeve'],
];

describe('what a packing list calls a piece', () => {
  it.each(CALLED)('%s: %s, %s', (words, kind, form) => {
    const named = formInWords(words);
    if (form === undefined) expect(named?.form).toBeUndefined();
    else expect(named).toMatchObject({ kind, form });
  });

  it('names no form where the words name none', () => {
    for (const words of ['hex bolt M10 x 30', 'flat washer', 'skid guard', ''])
      expect(formInWords(words)?.form).toBeUndefined();
  });

  it('gives a form of the kind it gives, whatever it was called', () => {
    for (const [words] of CALLED) {
      const named = formInWords(words);
      if (named?.form) expect(formsOf(named.kind)).toContain(named.form);
    }
  });

  it('knows each form once', () => {
    expect(new Set(ALL_FORMS).size).toBe(ALL_FORMS.length);
    expect(ITEM_KINDS.every((kind) => formsOf(kind).every((form) => ALL_FORMS.includes(form)))).toBe(true);
  });
});
