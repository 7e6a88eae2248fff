import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { adjusterTurns } from './adjuster.ts';
import { studLength } from './stud-length.ts';
import { metricThread } from './thread.ts';
import {
  insertEngagement,
  requiredEngagement,
  shearArea,
  stripLoads,
  TAPPED_SHEAR_RATIO,
} from './thread-engagement.ts';

const m10 = metricThread(10, 1.5);
const value = <T>(result: { ok: true; value: T } | { ok: false; error: unknown }): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
};

describe('engagement at which the bolt breaks first', () => {
  it('is 0.97 d by the basic profile and 1.24 d by limits for M10 8.8 in aluminium of 290 N/mm²', () => {
    const { basic, limits } = value(requiredEngagement({ thread: m10, boltTensileMpa: 800, tappedTensileMpa: 290 }));
    expect(basic.diameters).toBeCloseTo(0.97, 2);
    expect(limits.diameters).toBeCloseTo(1.24, 2);
    expect(basic.governs).toBe('internal');
  });
  it('matches the worked shear areas of FED-STD-H28 for 1/2-13 (basic, in² per inch: 0.779 external, 1.121 internal)', () => {
    // Computed by hand from the standard's formulas with basic sizes 0.5, 0.4500, 0.4167.
    const areas = shearArea({ system: 'unified', nominalMm: 12.7, pitchMm: 25.4 / 13 }, 'basic');
    expect((areas?.externalMm2PerMm ?? 0) / 25.4).toBeCloseTo(
      Math.PI * 13 * 0.4167 * (0.5 / 13 + 0.57735 * (0.45 - 0.4167)),
      3,
    );
    expect((areas?.internalMm2PerMm ?? 0) / 25.4).toBeCloseTo(
      Math.PI * 13 * 0.5 * (0.5 / 13 + 0.57735 * (0.5 - 0.45)),
      3,
    );
  });
  it('grows with the bolt and shrinks with the material (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 300, max: 1300, noNaN: true }),
        fc.double({ min: 100, max: 900, noNaN: true }),
        fc.double({ min: 1.01, max: 2, noNaN: true }),
        (bolt, part, more) => {
          const length = (b: number, p: number) =>
            value(requiredEngagement({ thread: m10, boltTensileMpa: b, tappedTensileMpa: p })).limits.lengthMm;
          if (bolt * more <= 2500) expect(length(bolt * more, part)).toBeGreaterThanOrEqual(length(bolt, part) - 1e-9);
          expect(length(bolt, part * more)).toBeLessThanOrEqual(length(bolt, part) + 1e-9);
        },
      ),
    );
  });
  it('with limits always asks for more than the basic profile, coarse and fine', () => {
    for (const pitch of [1.5, 1.25, 1, 0.75]) {
      const { basic, limits } = value(
        requiredEngagement({ thread: metricThread(10, pitch), boltTensileMpa: 800, tappedTensileMpa: 290 }),
      );
      expect(limits.lengthMm).toBeGreaterThan(basic.lengthMm);
    }
  });
  it('an insert needs less depth than the bare thread in soft metal', () => {
    const input = { thread: m10, boltTensileMpa: 1040, tappedTensileMpa: 200 };
    const [insert, bare] = [value(insertEngagement(input)), value(requiredEngagement(input))];
    expect(insert.basic.lengthMm).toBeLessThan(bare.basic.lengthMm);
    expect(insert.limits.lengthMm).toBeLessThan(bare.limits.lengthMm);
    expect(insert.limits.lengthMm).toBeGreaterThan(insert.basic.lengthMm);
  });
  it('in hard metal the bolt’s own thread strips inside the insert first, and that length counts', () => {
    const hard = { thread: m10, boltTensileMpa: 400, tappedTensileMpa: 1200 };
    const { basic } = value(insertEngagement(hard));
    const areas = shearArea(m10, 'basic');
    // FED-STD-H28: As·Rm / (A of the bolt's thread · 0.6 Rm) = As / (0.6 A).
    expect(basic.governs).toBe('external');
    expect(basic.lengthMm).toBeCloseTo(57.99 / (0.6 * (areas?.externalMm2PerMm ?? 0)), 2);
  });
  it('cast iron shears at 0.9 of its tensile strength: two thirds of the length (VDI 2230-1, from memory)', () => {
    const iron = { thread: m10, boltTensileMpa: 800, tappedTensileMpa: 250 };
    const like = value(requiredEngagement(iron)).basic.lengthMm;
    const own = value(requiredEngagement({ ...iron, tappedShearRatio: TAPPED_SHEAR_RATIO.castIron })).basic.lengthMm;
    expect(own / like).toBeCloseTo(0.6 / 0.9, 9);
  });
  it('the bolt’s ratio and the hole’s are apart: each moves its own thread', () => {
    const joint = { thread: m10, boltTensileMpa: 800, tappedTensileMpa: 290 };
    const plain = value(stripLoads(joint, 10));
    const other = value(stripLoads({ ...joint, boltShearRatio: 0.7 }, 10));
    expect(other.boltThreadStripsN / plain.boltThreadStripsN).toBeCloseTo(0.7 / 0.6, 9);
    expect(other.tappedThreadStripsN).toBe(plain.tappedThreadStripsN);
  });
  it('names the weakest member', () => {
    const input = { thread: m10, boltTensileMpa: 800, tappedTensileMpa: 290 };
    expect(value(stripLoads(input, 8)).weakest).toBe('tappedThread');
    expect(value(stripLoads(input, 13)).weakest).toBe('bolt');
  });
  it('refuses absurd strengths by name', () => {
    const outcome = requiredEngagement({ thread: m10, boltTensileMpa: 0, tappedTensileMpa: 290 });
    expect(outcome).toEqual({
      ok: false,
      error: { code: 'outOfRange', field: 'boltTensileMpa', value: 0, min: 50, max: 2500 },
    });
  });
});

describe('studs and spacers', () => {
  const stack = { studMm: 44, wheelMm: 18, spacerMm: 0, pitchMm: 1.5, nominalMm: 12 };
  it('a spacer of x needs at least x more stud (common practice, no source)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 60, noNaN: true }), (x) => {
        const bare = value(studLength({ ...stack, spacerMm: 0 }));
        const spaced = value(studLength({ ...stack, spacerMm: x, studMm: stack.studMm + x }));
        expect(spaced.engagementMm).toBeCloseTo(bare.engagementMm, 9);
      }),
    );
  });
  it('counts the turns and the shortage', () => {
    expect(value(studLength(stack))).toMatchObject({ engagementMm: 26, tooShortByMm: 0, thickestSpacerMm: 14 });
    expect(value(studLength(stack)).turns).toBeCloseTo(26 / 1.5, 9);
    expect(value(studLength({ ...stack, spacerMm: 25 })).tooShortByMm).toBeCloseTo(11, 9);
  });
  it('sees a blind nut bottom before it clamps (M37)', () =>
    expect(value(studLength({ ...stack, blindDepthMm: 20 }))).toMatchObject({ bottoms: true, bottomsByMm: 6 }));
  it('a spacer is thick enough that the closed nut seats, thin enough that it holds, or none is', () => {
    const closed = { ...stack, spacerMm: 0, blindDepthMm: 20 };
    const { thinnestSpacerMm: thin, thickestSpacerMm: thick, noSpacerFits } = value(studLength(closed));
    expect(noSpacerFits).toBe(false);
    for (const spacerMm of [thin, thick])
      expect(value(studLength({ ...closed, spacerMm }))).toMatchObject({ bottoms: false, tooShortByMm: 0 });
    expect(value(studLength({ ...closed, spacerMm: thin - 0.1 })).bottoms).toBe(true);
    expect(value(studLength({ ...closed, spacerMm: thick + 0.1 })).tooShortByMm).toBeGreaterThan(0);
    // A cap shallower than the thread it has to hold.
    expect(value(studLength({ ...closed, blindDepthMm: 6 })).noSpacerFits).toBe(true);
  });
});

describe('an open nut', () => {
  const stack = { studMm: 44, wheelMm: 18, spacerMm: 0, pitchMm: 1.5, nominalMm: 12 };
  it('has no more in mesh than its own thread, though the stud comes through', () =>
    expect(value(studLength({ ...stack, nutMm: 16 }))).toMatchObject({
      engagementMm: 16,
      nutLacksMm: 0,
      bottoms: false,
      thickestSpacerMm: 14,
    }));
  it('shorter than the thread asked for, no stud and no spacer helps', () =>
    expect(value(studLength({ ...stack, nutMm: 9 }))).toMatchObject({ nutLacksMm: 3, noSpacerFits: true }));
  it('is not closed as well', () =>
    expect(studLength({ ...stack, nutMm: 16, blindDepthMm: 20 })).toMatchObject({ error: { field: 'nutMm' } }));
});

describe('adjusters', () => {
  const link = {
    pitchMm: 1.5,
    movingEnds: 2 as const,
    lengthNowMm: 380,
    targetMm: 386,
    engagementMm: [22, 22] as [number, number],
    nominalMm: 14,
  };
  it('both ends move: 6 mm on a 1.5 pitch are two turns', () => {
    const advice = value(adjusterTurns(link));
    expect(advice.turns).toBeCloseTo(2, 9);
    expect(advice.engagementAfterMm).toEqual([19, 19]);
    expect(advice.shortByMm).toBe(0);
    expect(advice.longestMm).toBe(396);
  });
  it('there and back leaves it as it was (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: 360, max: 395, noNaN: true }), (target) => {
        const there = value(adjusterTurns({ ...link, targetMm: target }));
        const back = value(
          adjusterTurns({
            ...link,
            lengthNowMm: target,
            targetMm: link.lengthNowMm,
            engagementMm: there.engagementAfterMm,
          }),
        );
        expect(back.turns).toBeCloseTo(-there.turns, 9);
        expect(back.engagementAfterMm[0]).toBeCloseTo(22, 9);
      }),
    );
  });
  it('says what is missing when too little thread stays', () =>
    expect(value(adjusterTurns({ ...link, targetMm: 400 })).shortByMm).toBeCloseTo(2, 9));
});
