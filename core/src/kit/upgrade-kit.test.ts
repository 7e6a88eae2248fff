import { describe, expect, it } from '@jest/globals';
import { readKit, writeKit } from '#contract/read-kit.ts';
import { DEMO_KITS } from '#demo/kits.ts';
import { blankKit } from './blank-kit.ts';
import { type JointGroup, KIT_VERSION, type Question } from './kit-document.ts';
import { upgradeKit } from './upgrade-kit.ts';

/** A file as version 1 wrote it: none of what came later. */
function asVersion1(kit: object): Record<string, unknown> {
  const {
    format,
    id,
    revision,
    title,
    maker,
    fits,
    questions,
    items,
    compounds,
    stations,
    groups,
    cautions,
    aftercare,
  } = kit as Record<string, unknown>;
  return {
    format,
    version: 1,
    id,
    revision,
    title,
    maker,
    fits,
    // What is asked at a step came with the steps.
    questions: (questions as Question[]).filter(({ askedAt }) => askedAt === undefined),
    items,
    compounds,
    stations,
    // Version 1 named the groups waited for, and nothing of the stage.
    groups: (groups as JointGroup[]).map(({ after, ...group }) => ({
      ...group,
      ...(after ? { after: after.map((entry) => entry.group) } : {}),
    })),
    cautions,
    aftercare,
  };
}

describe('a kit file of an older version', () => {
  it('is read as this one, with nothing lost and nothing made up', () => {
    for (const kit of DEMO_KITS) {
      const old = asVersion1(kit);
      const read = readKit(JSON.stringify(old));
      expect(read.ok && read.value).toMatchObject({
        ...old,
        // What it waited with was not said: the stage that was held then.
        groups: kit.groups.map((group) => ({
          ...group,
          ...(group.after ? { after: group.after.map((entry) => ({ ...entry, holds: 'snug' })) } : {}),
        })),
        version: KIT_VERSION,
        steps: [],
        removed: [],
        tools: [],
      });
    }
  });
  it('of version 4 says what it said, under the new number', () => {
    for (const kit of DEMO_KITS) {
      const read = readKit(JSON.stringify({ ...kit, version: 4 }));
      expect(read.ok && read.value).toEqual({ ...kit, version: KIT_VERSION });
    }
  });
  it('written again, is this version, and reads back equal', () => {
    const read = readKit(JSON.stringify(asVersion1(DEMO_KITS[0] as object)));
    if (!read.ok) throw new Error('refused');
    expect(readKit(writeKit(read.value))).toEqual(read);
  });
  it('leaves this version, a later one and anything else as it is', () => {
    for (const other of [
      blankKit('a', 'A', 'B'),
      { format: 'wrenchman-kit', version: 99 },
      { version: 1 },
      null,
      7,
      [1],
    ])
      expect(upgradeKit(other)).toEqual(other);
  });
});
