import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { stagesText } from '#contract/wording/stage-text.ts';
import type { ProcedureStage } from '../tightening/kind/procedure.ts';
import { procedureFromPrinted, turnedDegrees } from './procedure-from-printed.ts';

describe('turning as it is spoken of', () => {
  // A hexagon has six flats, a turn 360 degrees: plain geometry.
  it.each([
    ['back off 90°', 90],
    ['2 flats', 120],
    ['1 flat', 60],
    ['1/4 turn', 90],
    ['half a turn', 180],
    ['a quarter turn', 90],
    ['5 turns', 1800],
    ['turn 45 degrees', 45],
    ['tap it', undefined],
    ['0 turns', undefined],
  ] as const)('%s', (text, deg) => {
    expect(turnedDegrees(text)).toBe(deg);
  });
});

describe('a procedure as printed', () => {
  it('of a wheel bearing: seat, turn, back off, final', () => {
    expect(procedureFromPrinted('68 N·m; turn 5 turns; back off 1 flat; tighten again to 20 N·m')).toEqual({
      ok: true,
      value: {
        kind: 'procedure',
        stages: [
          { do: 'tighten', torqueNm: 68 },
          { do: 'turn', deg: 1800 },
          { do: 'backOff', deg: 60 },
          { do: 'tighten', torqueNm: 20 },
        ],
      },
    });
  });
  it('taps and settles too', () => {
    const read = procedureFromPrinted('30 lbf·ft\ntap\nsettle 10 min\n30 lbf·ft');
    expect(read.ok && read.value.stages.map(({ do: what }) => what)).toEqual(['tighten', 'tap', 'settle', 'tighten']);
  });
  it.each([
    ['68 N·m', { code: 'tooFewStages' }],
    ['68 N·m; back off 90°', { code: 'endsOtherwise' }],
    ['68 N·m; wiggle; 20 N·m', { code: 'stageUnread', stage: 2, text: 'wiggle' }],
    ['68 N·m; back off; 20 N·m', { code: 'stageUnread', stage: 2, text: 'back off' }],
  ])('%s is said to be none', (printed, error) => {
    expect(procedureFromPrinted(printed)).toEqual({ ok: false, error });
  });
  it('what is written is read back as it was (property)', () => {
    const stage = fc.oneof<fc.Arbitrary<ProcedureStage>[]>(
      fc.integer({ min: 1, max: 400 }).map((torqueNm) => ({ do: 'tighten', torqueNm })),
      fc.integer({ min: 1, max: 720 }).map((deg) => ({ do: 'backOff', deg })),
      fc.integer({ min: 1, max: 3600 }).map((deg) => ({ do: 'turn', deg })),
      fc.constant<ProcedureStage>({ do: 'tap' }),
      fc.option(fc.integer({ min: 1, max: 60 }), { nil: undefined }).map((minutes) => ({
        do: 'settle',
        ...(minutes === undefined ? {} : { minutes }),
      })),
    );
    fc.assert(
      fc.property(fc.array(stage, { minLength: 1, maxLength: 8 }), fc.integer({ min: 1, max: 400 }), (first, last) => {
        const stages: ProcedureStage[] = [...first, { do: 'tighten', torqueNm: last }];
        expect(procedureFromPrinted(stagesText(stages))).toEqual({ ok: true, value: { kind: 'procedure', stages } });
      }),
    );
  });
});
