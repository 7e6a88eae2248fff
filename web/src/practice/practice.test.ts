import { describe, expect, it } from '@jest/globals';
import { KitDocumentSchema } from '#contract/kit.ts';
import { kitFaults } from '#core/kit/kit-integrity.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { PRACTICE_KIT } from './practice-kit.ts';

describe('the kit to practise on', () => {
  it('is a kit like any other, and a sound one', () => {
    expect(KitDocumentSchema.safeParse(PRACTICE_KIT).error?.issues).toBeUndefined();
    expect(kitFaults(PRACTICE_KIT)).toEqual([]);
    expect(lintKit(PRACTICE_KIT).filter(({ severity }) => severity === 'error')).toEqual([]);
  });
});
