import { describe, expect, it } from '@jest/globals';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { FINDING_CODES, type FindingCode, finding } from '#core/kit/lint/finding.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { DEMO_KITS } from '#demo/kits.ts';
import { answersText, findingText, placeText } from './finding-text.ts';

describe('findings in words', () => {
  it.each(Object.keys(FINDING_CODES) as FindingCode[])('%s has a title, a reason and a way out', (code) => {
    const { title, why, clears } = findingText(finding(code, 'items[0]', 'A1 Bolt', { why: 'byFeel' }));
    for (const text of [title, why, clears]) expect(text.trim()).not.toBe('');
    expect(title).not.toMatch(/[.!]$/);
  });
  it('leaves no number out', () => {
    const kit = structuredClone(DEMO_KITS[0]) as KitDocument;
    for (const item of kit.items) item.quantity = Math.max(1, item.quantity - 3);
    for (const station of kit.stations) station.drive = { kind: 'hex', acrossFlatsMm: 27 };
    const texts = lintKit(kit).map((entry) => Object.values(findingText(entry)).join(' '));
    expect(texts.length).toBeGreaterThan(3);
    for (const text of texts) expect(text).not.toMatch(/undefined|NaN|\[object/);
  });
  it('names the answers that show it, and how many places more', () => {
    const kit = { questions: [{ id: 'shield', text: 'Is there a shield?', kind: 'yesNo' as const }] };
    expect(answersText(kit, { shield: true })).toBe('Is there a shield: yes');
    expect(placeText({ place: 'Station 1', also: ['Station 2', 'Station 3'] })).toBe('Station 1 and 2 more');
  });
});
