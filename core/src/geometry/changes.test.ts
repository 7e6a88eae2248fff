import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bumpSteer } from './bump-steer.ts';
import { designCorner } from './corner.ts';
import { changedCorner } from './corner-change.ts';
import { cornerSweep } from './corner-sweep.ts';
import { damperTravel, droopLine } from './droop.ts';
import { changeAt, clockwiseFromFront, type Eccentric, eccentricFor } from './eccentric.ts';
import { STANCE, STRUT, WISHBONES } from './fixture/corners.ts';
import { pointsFault, stanceFault } from './hard-points.ts';
import { liftHeight } from './lift-height.ts';
import { propShaftAngles } from './prop-shaft.ts';
import { type AxleLink, axleAt, type SolidAxle } from './solid-axle.ts';
import { toeDeg, toeMm } from './toe-unit.ts';
import { trackBarShift } from './track-bar.ts';
import { type TrailingArm, trailingArmSweep } from './trailing-arm.ts';
import { add, distance, type Vector } from './vector.ts';
import { tyreRoomAfter, wheelSetChange } from './wheel-offset.ts';

const DEG = 180 / Math.PI;
const must = <T>(result: { ok: true; value: T } | { ok: false; error: unknown }): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
};

describe('hard points that cannot be', () => {
  const wishbones = (change: Partial<typeof WISHBONES>) =>
    pointsFault({ type: 'doubleWishbone', points: { ...WISHBONES, ...change } });
  const every = (by: (point: Vector) => Vector) =>
    Object.fromEntries(
      Object.entries(WISHBONES).map(([name, point]) => [name, by(point)]),
    ) as unknown as typeof WISHBONES;
  it.each([
    ['metres for millimetres', every(([x, y, z]) => [x / 1000, y / 1000, z / 1000]), 'metresForMillimetres', 'points'],
    ['the right side', every(([x, y, z]) => [x, -y, z]), 'mirroredSide', 'points.wheelCentre'],
    ['pivots at one place', { lowerArmRear: WISHBONES.lowerArmFront }, 'pointsCoincide', 'points.lowerArmFront'],
    ['joints upside down', { upperBallJoint: [0, 700, 200] as Vector }, 'upsideDown', 'points.upperBallJoint'],
    ['a ball joint at the pivots', { lowerBallJoint: [8, 300, 255] as Vector }, 'ballInboard', 'points.lowerBallJoint'],
    ['a tie rod in the steering axis', { tieRodOuter: [-3, 705, 415] as Vector }, 'pointsInLine', 'points.tieRodOuter'],
    ['a point miles off', { tieRodInner: [0, 20_000, 0] as Vector }, 'outOfRange', 'points.tieRodInner.y'],
    ['a point that is no number', { tieRodInner: [0, Number.NaN, 0] as Vector }, 'notANumber', 'points.tieRodInner.y'],
  ])('%s', (_, change, code, field) => expect(wishbones(change)).toMatchObject({ code, field }));
  it('none of sound ones', () => {
    expect(wishbones({})).toBeUndefined();
    expect(pointsFault({ type: 'strut', points: STRUT })).toBeUndefined();
    expect(stanceFault(STANCE)).toBeUndefined();
    expect(stanceFault({ ...STANCE, tyreLoadedRadiusMm: 0.32 })).toMatchObject({ field: 'tyreLoadedRadiusMm' });
  });
});

describe('bump steer', () => {
  it('is told by the slope where the wheel works, and moves with the outer end’s height', () => {
    const hung = { type: 'doubleWishbone', points: WISHBONES } as const;
    const design = designCorner(hung, STANCE);
    const of = (up: number) =>
      bumpSteer(must(cornerSweep(must(changedCorner(design, hung, { tieRodOuterUpMm: up })), [-60, -10, 0, 10, 60])));
    // Behind the axle a higher outer end steers out in bump, the more the higher.
    const slopes = [-10, 0, 10].map((up) => of(up).per10MmDeg);
    expect(slopes[0]).toBeGreaterThan(slopes[1] as number);
    expect(slopes[1]).toBeGreaterThan(slopes[2] as number);
    expect(bumpSteer([])).toEqual({ per10MmDeg: 0, rangeDeg: 0 });
    expect(bumpSteer([{ travelMm: 0, toeDeg: 0.1 }])).toEqual({ per10MmDeg: 0, rangeDeg: 0 });
    expect(bumpSteer([-10, 0, 10].map((travelMm) => ({ travelMm, toeDeg: travelMm * 0.01 })))).toEqual({
      per10MmDeg: 0.1,
      rangeDeg: 0.2,
    });
  });
});

describe('trailing arms', () => {
  const trailing: TrailingArm = {
    innerPivot: [400, 200, 300],
    outerPivot: [400, 700, 300],
    wheelCentre: [0, 750, 320],
    staticCamberDeg: -1,
    staticToeDeg: 0.2,
  };
  it('across the vehicle: camber and track stay, the wheel goes round on its circle', () => {
    for (const at of must(trailingArmSweep(trailing, [-120, -40, 0, 40, 120]))) {
      expect(at.halfTrackMm).toBeCloseTo(0, 10);
      expect(at.wheelCentreMm[2]).toBeCloseTo(320 + at.travelMm, 9);
      expect(Math.hypot(at.wheelCentreMm[0] - 400, at.wheelCentreMm[2] - 300)).toBeCloseTo(Math.hypot(400, 20), 9);
    }
    expect(must(trailingArmSweep(trailing, [0]))[0]).toMatchObject({ camberDeg: expect.closeTo(-1, 9), rearwardMm: 0 });
  });
  it('askew: the top goes in on bump, as the axis points (small angles: change = turn × axis)', () => {
    const semi = { ...trailing, innerPivot: [330, 200, 300] as Vector, staticCamberDeg: 0, staticToeDeg: 0 };
    const [down, up] = must(trailingArmSweep(semi, [-0.01, 0.01]));
    const axis = { x: 70 / Math.hypot(70, 500), y: 500 / Math.hypot(70, 500) };
    // The axis is level, so the height changes by the turn times the distance off the axis in plan.
    const off = Math.abs((0 - 330) * axis.y - (750 - 200) * axis.x);
    const turn = 0.02 / off;
    expect(Math.abs((up?.camberDeg ?? 0) - (down?.camberDeg ?? 0)) / DEG).toBeCloseTo(turn * axis.x, 9);
    expect((up?.camberDeg ?? 0) - (down?.camberDeg ?? 0)).toBeLessThan(0);
  });
  it('says how far it does not come', () =>
    expect(trailingArmSweep(trailing, [500])).toMatchObject({ error: { code: 'travelOutOfReach', travelMm: 500 } }));
});

const LINKS: AxleLink[] = [
  { name: 'lowerLeft', body: [900, 450, 420], axle: [60, 480, 330] },
  { name: 'lowerRight', body: [900, -450, 420], axle: [60, -480, 330] },
  { name: 'upper', body: [700, 0, 640], axle: [40, 0, 520] },
  { name: 'trackBar', body: [-80, 480, 470], axle: [-80, -440, 390] },
];
const AXLE: SolidAxle = { links: LINKS, leftWheel: [0, 780, 380], rightWheel: [0, -780, 380] };

describe('a solid axle', () => {
  it('stands as it was designed', () =>
    expect(must(axleAt(AXLE, { left: 0, right: 0 }))).toMatchObject({
      leftMm: expect.closeTo(0, 8),
      steerDeg: expect.closeTo(0, 8),
      bushesGiveMm: expect.closeTo(0, 8),
    }));
  it('of three links and a bar fits at every height, links as long as they are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (left, right) => {
          expect(must(axleAt(AXLE, { left, right })).bushesGiveMm).toBeLessThan(1e-6);
        },
      ),
      { numRuns: 40 },
    );
  });
  it('is pulled across by its bar as the closed form says, where nothing else turns it', () => {
    // Level links of one length side by side keep the axle square; the bar alone moves it.
    const level: AxleLink[] = [
      { name: 'lowerLeft', body: [900, 400, 330], axle: [0, 400, 330] },
      { name: 'lowerRight', body: [900, -400, 330], axle: [0, -400, 330] },
      { name: 'upper', body: [900, 0, 530], axle: [0, 0, 530] },
      { name: 'trackBar', body: [0, 450, 460], axle: [0, -430, 380] },
    ];
    const at = must(
      axleAt({ links: level, leftWheel: [0, 780, 380], rightWheel: [0, -780, 380] }, { left: -50, right: -50 }),
    );
    const bar = trackBarShift({ barLengthMm: Math.hypot(880, 80), heightDifferenceMm: 80, liftMm: 50 });
    // Its frame end is on the left, so the axle goes left by what the bar takes; links turn with that a little.
    expect(at.leftMm).toBeCloseTo(must(bar).shiftMm, 1);
    expect(Math.abs(at.steerDeg)).toBeLessThan(0.2);
  });
  it('with two upper links for one is over-held: what the bushes give is said', () => {
    const four: AxleLink[] = [
      ...LINKS.filter(({ name }) => name !== 'upper'),
      { name: 'upperLeft', body: [700, 380, 640], axle: [40, 300, 520] },
      { name: 'upperRight', body: [700, -380, 640], axle: [40, -300, 520] },
    ];
    const at = must(axleAt({ ...AXLE, links: four }, { left: 80, right: -80 }));
    expect(at.rollDeg).toBeCloseTo(Math.asin(160 / 1560) * DEG, 1);
    expect(at.bushesGiveMm).toBeGreaterThan(0.01);
  });
  it('turns its nose with the length of the links', () => {
    const longer = LINKS.map((link) =>
      link.name === 'upper' ? { ...link, lengthMm: distance(link.body, link.axle) + 5 } : link,
    );
    expect(must(axleAt({ ...AXLE, links: longer }, { left: 0, right: 0 })).pinionUpDeg).toBeGreaterThan(0.5);
    expect(axleAt({ ...AXLE, links: LINKS.slice(0, 3) }, { left: 0, right: 0 })).toMatchObject({
      error: { code: 'linksTooFew', has: 3 },
    });
  });
});

describe('a track bar', () => {
  it('worked by hand: 900 mm, 100 high, lifted 50', () => {
    const { shiftMm, beforeDeg, afterDeg, recentreLengthMm, recentreByMm } = must(
      trackBarShift({ barLengthMm: 900, heightDifferenceMm: 100, liftMm: 50 }),
    );
    expect(shiftMm).toBeCloseTo(Math.sqrt(800_000) - Math.sqrt(787_500), 9);
    expect(beforeDeg).toBeCloseTo(6.3794, 3);
    expect(afterDeg).toBeCloseTo(9.5941, 3);
    expect(recentreLengthMm).toBeCloseTo(Math.sqrt(800_000 + 22_500), 9);
    expect(recentreByMm).toBeCloseTo(recentreLengthMm - 900, 12);
  });
  it('that is level before and after moves nothing, and one that cannot be so steep is refused', () => {
    expect(must(trackBarShift({ barLengthMm: 900, heightDifferenceMm: -25, liftMm: 50 })).shiftMm).toBeCloseTo(0, 12);
    expect(trackBarShift({ barLengthMm: 300, heightDifferenceMm: 250, liftMm: 80 })).toMatchObject({
      error: { field: 'liftMm' },
    });
  });
  it('that is made longer by what it says brings the axle back (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 600, max: 1200 }),
        fc.integer({ min: -200, max: 200 }),
        fc.integer({ min: 0, max: 150 }),
        (bar, height, lift) => {
          const { recentreLengthMm } = must(
            trackBarShift({ barLengthMm: bar, heightDifferenceMm: height, liftMm: lift }),
          );
          const across = Math.sqrt(recentreLengthMm ** 2 - (height + lift) ** 2);
          expect(across).toBeCloseTo(Math.sqrt(bar ** 2 - height ** 2), 8);
        },
      ),
    );
  });
});

describe('a prop shaft', () => {
  it('with parallel ends runs evenly at any height; a lift opens both joints alike', () => {
    const { before, after, lengthChangeMm } = must(
      propShaftAngles({ horizontalMm: 1200, heightDifferenceMm: 100, liftMm: 50, outputDownDeg: 3, pinionUpDeg: 3 }),
    );
    expect(before.shaftDeg).toBeCloseTo(4.7636, 3);
    expect(before.outputJointDeg).toBeCloseTo(1.7636, 3);
    expect(after.outputJointDeg).toBeCloseTo(after.pinionJointDeg, 12);
    expect(after.unevenShare).toBeCloseTo(0, 12);
    expect(lengthChangeMm).toBeCloseTo(Math.hypot(1200, 150) - Math.hypot(1200, 100), 12);
  });
  // SAE AE-7: one joint at 10° swings by 1/cos 10° − cos 10° = 3.06 %.
  it('with its nose along the shaft has one joint that works alone', () => {
    const { before } = must(
      propShaftAngles({
        horizontalMm: 1000,
        heightDifferenceMm: 0,
        liftMm: 0,
        outputDownDeg: -10,
        pinionUpDeg: 0,
      }),
    );
    expect(before).toMatchObject({ outputJointDeg: 10, pinionJointDeg: 0 });
    expect(before.unevenShare).toBeCloseTo(0.0306, 4);
  });
});

describe('an eccentric', () => {
  const out: Eccentric = { authorityDeg: 1.2, lobeOut: 'topOut' };
  it('goes where the aim is, a quarter turn each way, and says what is missing', () => {
    const answer = must(eccentricFor({ eccentric: out, nowDeg: -1.5, aimDeg: -0.5, lobeDeg: 0 }));
    expect(answer).toMatchObject({ towards: 'outwards', top: 'out', startsAway: false, missingDeg: 0 });
    expect(answer.angleDeg).toBeCloseTo(Math.asin(1 / 1.2) * DEG, 9);
    const far = must(eccentricFor({ eccentric: out, nowDeg: -3, aimDeg: -0.5, lobeDeg: 0 }));
    expect(far).toMatchObject({ angleDeg: 90, camberDeg: -1.8 });
    expect(far.missingDeg).toBeCloseTo(1.3, 12);
  });
  it('of the other sense goes the other way, and a start on the wrong side is said', () => {
    const other: Eccentric = { ...out, lobeOut: 'topIn' };
    expect(must(eccentricFor({ eccentric: other, nowDeg: -1.5, aimDeg: -0.5, lobeDeg: 0 }))).toMatchObject({
      towards: 'inwards',
      top: 'out',
    });
    // Neutral is at -1.5; the lobe starts outwards, which pulls the top in, and the aim lies out.
    expect(
      must(eccentricFor({ eccentric: other, nowDeg: -1.5 + changeAt(other, 90), aimDeg: -0.5, lobeDeg: 90 })),
    ).toMatchObject({ startsAway: true, towards: 'inwards' });
  });
  it('comes back where it was asked to go (property), and left and right turn opposite ways', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        fc.constantFrom<Eccentric['lobeOut']>('topOut', 'topIn'),
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -0.95, max: 0.95, noNaN: true }),
        (authorityDeg, lobeOut, lobeDeg, share) => {
          const eccentric = { authorityDeg, lobeOut };
          const nowDeg = -1 + changeAt(eccentric, lobeDeg);
          const { angleDeg, camberDeg, neutralDeg } = must(
            eccentricFor({ eccentric, nowDeg, aimDeg: -1 + share * authorityDeg, lobeDeg }),
          );
          expect(neutralDeg).toBeCloseTo(-1, 9);
          expect(camberDeg).toBeCloseTo(-1 + share * authorityDeg, 9);
          expect(neutralDeg + changeAt(eccentric, angleDeg)).toBeCloseTo(camberDeg, 9);
        },
      ),
    );
    expect(clockwiseFromFront('left', 'outwards')).toBe(true);
    expect(clockwiseFromFront('right', 'outwards')).toBe(false);
    expect(clockwiseFromFront('left', 'inwards')).toBe(false);
  });
  it('small angles: the clamp bolt’s chord turns the knuckle by chord over distance', () => {
    const hung = { type: 'strut', points: STRUT } as const;
    const of = (mm: number) =>
      must(cornerSweep(must(changedCorner(designCorner(hung, STANCE), hung, { clampBoltMm: mm })), [0]))[0]
        ?.camberDeg ?? 0;
    const perMm = (of(0.001) - of(-0.001)) / 0.002 / DEG;
    const apart = Math.hypot((STRUT.clampBoltUpper?.[1] as number) - 668, (STRUT.clampBoltUpper?.[2] as number) - 330);
    // The lower joint is held by its arm, so the strut turns back about its top by the bolt's share of the way to it.
    const [toBolt, toTop] = [STRUT.clampBoltLower as Vector, STRUT.strutTop].map((point) =>
      distance(point, STRUT.lowerBallJoint),
    ) as [number, number];
    expect((perMm * apart) / (1 - toBolt / toTop)).toBeCloseTo(1, 1);
  });
});

describe('heights, room and slack', () => {
  it('three numbers of a lift', () => {
    expect(must(liftHeight({ kind: 'spacer', thicknessMm: 22 }, 0.55, 50))).toEqual({
      atSpringMm: 22,
      atWheelMm: 40,
      namedOverMm: expect.closeTo(10, 9),
    });
    // Hooke: 9000 N on 45 N/mm from 450 free stands at 250, on 50 N/mm from 460 at 280.
    expect(
      must(
        liftHeight(
          { kind: 'spring', old: { freeMm: 450, rateNPerMm: 45 }, new: { freeMm: 460, rateNPerMm: 50 }, loadN: 9000 },
          1,
        ),
      ),
    ).toEqual({ atSpringMm: 30, atWheelMm: 30 });
    expect(liftHeight({ kind: 'spacer', thicknessMm: 22 }, 0)).toMatchObject({ error: { field: 'motionRatio' } });
  });
  it('toe in degrees and across a rim', () => {
    expect(toeMm(0.15, 440)).toBeCloseTo(1.1519, 3);
    expect(toeDeg(toeMm(0.31, 420), 420)).toBeCloseTo(0.31, 12);
  });
  it('another wheel: out by offset and spacer, room inside and at the arch', () => {
    const before = { offsetMm: 30, tyreWidthMm: 265, tyreDiameterMm: 776 };
    const change = must(
      wheelSetChange(before, { offsetMm: 10, tyreWidthMm: 285, tyreDiameterMm: 831, spacerMm: 5 }, 12),
    );
    expect(change).toMatchObject({ outMm: 25, innerLossMm: -15, outerGainMm: 35, radiusMm: 27.5 });
    expect(change.scrubMm).toBeCloseTo(25 - 27.5 * Math.tan(12 / DEG), 9);
    expect(tyreRoomAfter({ bumpMm: 60, lockMm: 45, innerMm: 20 }, change)).toEqual({
      bumpMm: 32.5,
      lockMm: -17.5,
      innerMm: 35,
    });
    expect(wheelSetChange(before, { ...before, tyreDiameterMm: 33 })).toMatchObject({
      error: { field: 'after.tyreDiameterMm' },
    });
  });
  it('a hose at full droop', () => {
    const line = { acrossMm: 120, heightMm: 90, droopMm: 110, liftMm: 40, lineMm: 290, slackMm: 25 };
    const answer = must(droopLine(line));
    expect(answer.beforeMm).toBeCloseTo(Math.hypot(120, 200), 9);
    expect(answer.shortByMm).toBeCloseTo(25 - (290 - Math.hypot(120, 240)), 9);
    expect(must(droopLine({ ...line, lineMm: 340 })).shortByMm).toBe(0);
  });
  it('a damper after a lift: drawn out, or shut before its stop', () => {
    const damper = {
      extendedMm: 560,
      compressedMm: 360,
      standingMm: 450,
      motionRatio: 0.8,
      liftMm: 50,
      bumpStopMm: 60,
    };
    expect(must(damperTravel(damper))).toEqual({
      standingAfterMm: 490,
      droopLeftMm: expect.closeTo(87.5, 9),
      bumpLeftMm: expect.closeTo(162.5, 9),
      toStopMm: 110,
      bottomsFirst: false,
      topsOut: false,
    });
    expect(must(damperTravel({ ...damper, liftMm: 120 })).topsOut).toBe(true);
    expect(must(damperTravel({ ...damper, compressedMm: 440, liftMm: 0 })).bottomsFirst).toBe(true);
    expect(damperTravel({ ...damper, standingMm: 900 })).toMatchObject({ error: { field: 'standingMm' } });
  });
  it('a corner that is moved along the vehicle stands the same (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: -2000, max: 2000 }), fc.integer({ min: -100, max: 400 }), (x, z) => {
        const moved = Object.fromEntries(
          Object.entries(WISHBONES).map(([name, point]) => [name, add(point as Vector, [x, 0, z])]),
        ) as unknown as typeof WISHBONES;
        const at = (points: typeof WISHBONES) =>
          must(cornerSweep(designCorner({ type: 'doubleWishbone', points }, STANCE), [70]))[0];
        expect(at(moved)?.toeDeg).toBeCloseTo(at(WISHBONES)?.toeDeg as number, 8);
        expect(at(moved)?.scrubRadiusMm).toBeCloseTo(at(WISHBONES)?.scrubRadiusMm as number, 6);
      }),
      { numRuns: 30 },
    );
  });
});
