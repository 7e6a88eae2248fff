import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { lusolve } from 'mathjs';
import { type Corner, designCorner } from './corner.ts';
import { type CornerChange, changedCorner } from './corner-change.ts';
import { cornerSweep } from './corner-sweep.ts';
import { STANCE, STRUT, WISHBONES } from './fixture/corners.ts';
import type { HardPoints } from './hard-points.ts';
import { anglesOf, type CornerPose, cornerSolver, poseAtTravel } from './solve-corner.ts';
import { add, cross, distance, dot, length, minus, turnedDirection, unit, type Vector } from './vector.ts';

const DEG = 180 / Math.PI;
const HUNG: Record<HardPoints['type'], HardPoints> = {
  doubleWishbone: { type: 'doubleWishbone', points: WISHBONES },
  strut: { type: 'strut', points: STRUT },
};
const TRAVELS = [-120, -80, -40, -10, 0, 10, 40, 80, 120];

const must = <T>(result: { ok: true; value: T } | { ok: false; error: unknown }): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
};
const design = (type: HardPoints['type']): Corner => designCorner(HUNG[type], STANCE);
const changed = (type: HardPoints['type'], change: CornerChange) =>
  must(changedCorner(design(type), HUNG[type], change));

/**
 * The same corner another way: the knuckle as a free body (where its lower joint is, and how it is turned), six
 * conditions on it, Newton's method with differences for the Jacobian and mathjs for the linear equations.
 */
function freeBody(corner: Corner, travelMm: number): CornerPose {
  const { knuckle, lowerArm, upperMount, tieRodInner, tieRodMm, design: built } = corner;
  const poseOf = ([x, y, z, rx, ry, rz]: readonly number[]) => {
    const spinBy: Vector = [rx as number, ry as number, rz as number];
    const angle = length(spinBy);
    const axis: Vector = angle > 0 ? unit(spinBy) : [1, 0, 0];
    const lower: Vector = add(built.lower, [x as number, y as number, z as number]);
    const direction = (of: Vector) => turnedDirection(of, axis, angle);
    const carried = (point: Vector) => add(lower, direction(minus(point, knuckle.lower)));
    return {
      lower,
      upper: carried(knuckle.upper),
      tieRodOuter: carried(knuckle.tieRodOuter),
      wheelCentre: carried(knuckle.wheelCentre),
      spin: direction(knuckle.spin),
      line: knuckle.strutLine ? direction(knuckle.strutLine) : undefined,
    };
  };
  const misses = (free: readonly number[]): number[] => {
    const pose = poseOf(free);
    const above =
      upperMount.kind === 'arm'
        ? [
            distance(pose.upper, upperMount.arm.front) - upperMount.arm.frontLengthMm,
            distance(pose.upper, upperMount.arm.rear) - upperMount.arm.rearLengthMm,
          ]
        : (() => {
            const off = cross(minus(upperMount.top, pose.upper), pose.line as Vector);
            return [off[0], off[1]];
          })();
    return [
      distance(pose.lower, lowerArm.front) - lowerArm.frontLengthMm,
      distance(pose.lower, lowerArm.rear) - lowerArm.rearLengthMm,
      ...above,
      distance(pose.tieRodOuter, tieRodInner) - tieRodMm,
      pose.wheelCentre[2] - built.wheelCentre[2] - travelMm,
    ];
  };
  let free = [0, 0, travelMm, 0, 0, 0];
  for (let step = 0; step < 40; step++) {
    const here = misses(free);
    if (Math.max(...here.map(Math.abs)) < 1e-11) break;
    const columns = free.map((value, at) => {
      const h = at < 3 ? 1e-5 : 1e-7;
      const [up, down] = [1, -1].map((side) => misses(free.map((v, k) => (k === at ? value + side * h : v)))) as [
        number[],
        number[],
      ];
      return up.map((v, row) => (v - (down[row] as number)) / (2 * h));
    });
    const jacobian = here.map((_, row) => columns.map((column) => column[row] as number));
    const change = (
      lusolve(
        jacobian,
        here.map((v) => -v),
      ) as number[][]
    ).map(([v]) => v as number);
    free = free.map((value, at) => value + (change[at] as number));
  }
  const { line: _, ...pose } = poseOf(free);
  // With a strut the upper point of the pose is the fixed top.
  return upperMount.kind === 'slide' ? { ...pose, upper: upperMount.top } : pose;
}

const VARIANTS: Array<[string, HardPoints['type'], CornerChange]> = [
  ['two arms as designed', 'doubleWishbone', {}],
  ['a tie rod end 10 mm up', 'doubleWishbone', { tieRodOuterUpMm: 10 }],
  ['an upper arm 6 mm shorter', 'doubleWishbone', { upperArmShorterMm: 6 }],
  ['links set by themselves', 'doubleWishbone', { linkLengthsMm: { tieRod: 360, lowerArmFront: 430 } }],
  ['a strut as designed', 'strut', {}],
  ['a clamp bolt 5 mm out', 'strut', { clampBoltMm: 5 }],
  ['a clamp bolt 4 mm in', 'strut', { clampBoltMm: -4 }],
  ['a strut’s tie rod end 8 mm down', 'strut', { tieRodOuterUpMm: -8 }],
];

describe('a corner over its travel', () => {
  it.each(VARIANTS)('%s: two ways of solving it agree to a millionth of a millimetre', (_, type, change) => {
    const corner = changed(type, change);
    const solver = must(cornerSolver(corner));
    for (const travelMm of TRAVELS) {
      const pose = must(poseAtTravel(solver, travelMm));
      const other = freeBody(corner, travelMm);
      for (const joint of ['lower', 'upper', 'tieRodOuter', 'wheelCentre'] as const)
        expect(distance(pose[joint], other[joint])).toBeLessThan(1e-6);
      expect(distance(pose.spin, other.spin)).toBeLessThan(1e-9);
      expect(pose.wheelCentre[2] - corner.design.wheelCentre[2]).toBeCloseTo(travelMm, 8);
    }
  });
  it.each(VARIANTS)('%s: links keep their length, the knuckle its shape, to 1e-9 mm', (_, type, change) => {
    const corner = changed(type, change);
    const { knuckle } = corner;
    const solver = must(cornerSolver(corner));
    for (const travelMm of TRAVELS) {
      const pose = must(poseAtTravel(solver, travelMm));
      expect(Math.abs(distance(pose.tieRodOuter, corner.tieRodInner) - corner.tieRodMm)).toBeLessThan(1e-9);
      expect(Math.abs(distance(pose.lower, corner.lowerArm.front) - corner.lowerArm.frontLengthMm)).toBeLessThan(1e-9);
      expect(Math.abs(distance(pose.lower, corner.lowerArm.rear) - corner.lowerArm.rearLengthMm)).toBeLessThan(1e-9);
      if (corner.upperMount.kind === 'arm') {
        const { arm } = corner.upperMount;
        expect(Math.abs(distance(pose.upper, arm.front) - arm.frontLengthMm)).toBeLessThan(1e-9);
        expect(Math.abs(distance(pose.upper, arm.rear) - arm.rearLengthMm)).toBeLessThan(1e-9);
      }
      for (const [a, b] of [
        ['lower', 'tieRodOuter'],
        ['lower', 'wheelCentre'],
        ['tieRodOuter', 'wheelCentre'],
      ] as const)
        expect(Math.abs(distance(pose[a], pose[b]) - distance(knuckle[a], knuckle[b]))).toBeLessThan(1e-9);
      expect(Math.abs(length(pose.spin) - 1)).toBeLessThan(1e-12);
    }
  });
  it.each(['doubleWishbone', 'strut'] as const)('%s: at the design it stands as it was said to stand', (type) => {
    const [at] = must(cornerSweep(design(type), [0]));
    expect(at?.camberDeg).toBeCloseTo(STANCE.staticCamberDeg, 10);
    expect(at?.toeDeg).toBeCloseTo(STANCE.staticToeDeg, 10);
    expect(at).toMatchObject({ halfTrackCentreMm: 0, halfTrackContactMm: 0 });
    // ISO 8855: the contact lies under the centre, a loaded radius along the wheel's plane.
    expect(distance(at?.contactMm as Vector, at?.wheelCentreMm as Vector)).toBeCloseTo(STANCE.tyreLoadedRadiusMm, 9);
  });

  it('two equal, level arms side by side keep the wheel upright (parallelogram)', () => {
    const points = {
      ...WISHBONES,
      lowerArmFront: [150, 400, 250],
      lowerArmRear: [-150, 400, 250],
      lowerBallJoint: [0, 700, 250],
      upperArmFront: [150, 400, 550],
      upperArmRear: [-150, 400, 550],
      upperBallJoint: [0, 700, 550],
      tieRodInner: [-120, 400, 300],
      tieRodOuter: [-120, 700, 300],
    } as typeof WISHBONES;
    for (const at of must(cornerSweep(designCorner({ type: 'doubleWishbone', points }, STANCE), TRAVELS))) {
      expect(at.camberDeg).toBeCloseTo(STANCE.staticCamberDeg, 9);
      expect(at.toeDeg).toBeCloseTo(STANCE.staticToeDeg, 9);
      // The arm's own circle: 300 mm long, from level.
      expect(at.halfTrackCentreMm).toBeCloseTo(Math.sqrt(300 ** 2 - at.travelMm ** 2) - 300, 8);
    }
  });

  // Freudenstein, Approximate synthesis of four-bar linkages, Trans. ASME 77 (1955): K1 cos ψ − K2 cos φ + K3 = cos(φ − ψ).
  it('arms that swing about lines along X are a four-bar linkage: camber by Freudenstein’s equation', () => {
    const lower = { pivot: [350, 250], ball: [720, 240] } as const;
    const upper = { pivot: [430, 560], ball: [690, 575] } as const;
    const flat = (x: number, [y, z]: readonly [number, number]): Vector => [x, y, z];
    const points = {
      lowerArmFront: flat(150, lower.pivot),
      lowerArmRear: flat(-150, lower.pivot),
      lowerBallJoint: flat(0, lower.ball),
      upperArmFront: flat(150, upper.pivot),
      upperArmRear: flat(-150, upper.pivot),
      upperBallJoint: flat(0, upper.ball),
      // The rod lies beside the lower arm, as long and as high: it steers nothing.
      tieRodInner: flat(-120, lower.pivot),
      tieRodOuter: flat(-120, lower.ball),
      wheelCentre: [0, 800, 390] as Vector,
    };
    const corner = designCorner({ type: 'doubleWishbone', points }, { ...STANCE, staticCamberDeg: 0, staticToeDeg: 0 });
    const solver = must(cornerSolver(corner));
    const ground = Math.hypot(upper.pivot[0] - lower.pivot[0], upper.pivot[1] - lower.pivot[1]);
    const base = Math.atan2(upper.pivot[1] - lower.pivot[1], upper.pivot[0] - lower.pivot[0]);
    const [a, c] = [lower, upper].map(({ pivot, ball }) => Math.hypot(ball[0] - pivot[0], ball[1] - pivot[1])) as [
      number,
      number,
    ];
    const b = Math.hypot(upper.ball[0] - lower.ball[0], upper.ball[1] - lower.ball[1]);
    const [k1, k2, k3] = [ground / a, ground / c, (a ** 2 - b ** 2 + c ** 2 + ground ** 2) / (2 * a * c)];
    for (const travelMm of TRAVELS) {
      const pose = must(poseAtTravel(solver, travelMm));
      const phi = Math.atan2(pose.lower[2] - lower.pivot[1], pose.lower[1] - lower.pivot[0]) - base;
      const psi = Math.atan2(pose.upper[2] - upper.pivot[1], pose.upper[1] - upper.pivot[0]) - base;
      expect(k1 * Math.cos(psi) - k2 * Math.cos(phi) + k3).toBeCloseTo(Math.cos(phi - psi), 10);
      const coupler = Math.atan2(pose.upper[1] - pose.lower[1], pose.upper[2] - pose.lower[2]);
      const built = Math.atan2(upper.ball[0] - lower.ball[0], upper.ball[1] - lower.ball[1]);
      expect(anglesOf(solver, pose).camberDeg).toBeCloseTo((coupler - built) * DEG, 9);
      expect(anglesOf(solver, pose).toeDeg).toBeCloseTo(0, 9);
    }
  });

  // Milliken and Milliken, Race Car Vehicle Dynamics (1995), chapter 17: camber changes by 1 in the front-view swing arm's length.
  it('camber changes at first by one in the swing arm’s length, to the meeting of the arms', () => {
    const points = {
      ...WISHBONES,
      lowerArmFront: [150, 350, 250],
      lowerArmRear: [-150, 350, 250],
      lowerBallJoint: [0, 720, 240],
      upperArmFront: [150, 430, 545],
      upperArmRear: [-150, 430, 545],
      upperBallJoint: [0, 690, 575],
      tieRodInner: [-120, 350, 250],
      tieRodOuter: [-120, 720, 240],
    } as typeof WISHBONES;
    const line = ([, y1, z1]: Vector, [, y2, z2]: Vector) => ({ slope: (z2 - z1) / (y2 - y1), at: z1, from: y1 });
    const low = line(points.lowerArmFront, points.lowerBallJoint);
    const high = line(points.upperArmFront, points.upperBallJoint);
    const y = (high.at - high.slope * high.from - (low.at - low.slope * low.from)) / (low.slope - high.slope);
    const corner = designCorner({ type: 'doubleWishbone', points }, { ...STANCE, staticCamberDeg: 0, staticToeDeg: 0 });
    const [down, up] = must(cornerSweep(corner, [-0.01, 0.01]));
    const perMm = ((up?.camberDeg as number) - (down?.camberDeg as number)) / 0.02 / DEG;
    expect(perMm).toBeCloseTo(-1 / (points.wheelCentre[1] - y), 8);
  });

  it('a wheel’s signs read as a fitter says them', () => {
    // Caster: the upper joint lies behind the lower; kingpin: inside it; scrub: the contact outside the axis.
    const [at] = must(cornerSweep(design('doubleWishbone'), [0]));
    expect(at?.casterDeg).toBeCloseTo(Math.atan2(8 + 14, 575 - 255) * DEG, 9);
    expect(at?.kpiDeg).toBeCloseTo(Math.atan2(720 - 690, 575 - 255) * DEG, 9);
    expect(at?.scrubRadiusMm).toBeGreaterThan(0);
    expect(at?.mechanicalTrailMm).toBeGreaterThan(0);
    const camber = (type: HardPoints['type'], change: CornerChange) =>
      (must(cornerSweep(changed(type, change), [0]))[0]?.camberDeg ?? 0) - STANCE.staticCamberDeg;
    // A shorter upper arm pulls the top in; a clamp bolt that goes outwards pushes it out.
    expect(camber('doubleWishbone', { upperArmShorterMm: 5 })).toBeLessThan(-0.5);
    expect(camber('strut', { clampBoltMm: 5 })).toBeGreaterThan(1);
    expect(camber('strut', { clampBoltMm: -5 })).toBeLessThan(-1);
    const toe = (change: CornerChange) => must(cornerSweep(changed('doubleWishbone', change), [0]))[0]?.toeDeg ?? 0;
    // Behind the axle, a longer rod pushes the rear of the wheel out: toe in.
    expect(toe({ linkLengthsMm: { tieRod: design('doubleWishbone').tieRodMm + 1 } })).toBeGreaterThan(0.1);
    // The rod was set anew, so the design's toe stays.
    expect(toe({ tieRodOuterUpMm: 12 })).toBeCloseTo(STANCE.staticToeDeg, 9);
  });

  it('a tie rod end that is moved up and back again steers as before', () => {
    fc.assert(
      fc.property(fc.double({ min: -20, max: 20, noNaN: true }), fc.constantFrom(...TRAVELS), (up, travelMm) => {
        const points = { ...WISHBONES, tieRodOuter: add(WISHBONES.tieRodOuter, [0, 0, -up]) };
        const hung: HardPoints = { type: 'doubleWishbone', points };
        const back = must(changedCorner(designCorner(hung, STANCE), hung, { tieRodOuterUpMm: up }));
        const [a] = must(cornerSweep(back, [travelMm]));
        const [b] = must(cornerSweep(design('doubleWishbone'), [travelMm]));
        expect(a?.toeDeg).toBeCloseTo(b?.toeDeg as number, 7);
        expect(a?.camberDeg).toBeCloseTo(b?.camberDeg as number, 7);
      }),
      { numRuns: 60 },
    );
  });

  it('a right wheel, mirrored, is the same wheel', () => {
    const corner = changed('doubleWishbone', { upperArmShorterMm: 4 });
    const mirror = ([x, y, z]: Vector): Vector => [x, -y, z];
    const solver = must(cornerSolver(corner));
    for (const travelMm of TRAVELS) {
      const pose = must(poseAtTravel(solver, travelMm));
      const right = { lower: mirror(pose.lower), upper: mirror(pose.upper), centre: mirror(pose.wheelCentre) };
      // Mirrored joints keep every distance, so they solve the mirrored corner.
      expect(distance(right.lower, mirror(corner.lowerArm.front))).toBeCloseTo(corner.lowerArm.frontLengthMm, 9);
      expect(dot(minus(right.upper, right.lower), minus(right.centre, right.lower))).toBeCloseTo(
        dot(minus(pose.upper, pose.lower), minus(pose.wheelCentre, pose.lower)),
        6,
      );
    }
  });
});

describe('links that do not meet', () => {
  it('are named: which link, or how far it does not come', () => {
    expect(cornerSweep(changed('doubleWishbone', { linkLengthsMm: { tieRod: 900 } }), [0])).toMatchObject({
      error: { code: 'linkCannotReach', link: 'tieRod' },
    });
    expect(cornerSweep(changed('doubleWishbone', { linkLengthsMm: { upperArmFront: 20 } }), [0])).toMatchObject({
      error: { code: 'armImpossible', link: 'upperArm' },
    });
    expect(cornerSweep(design('doubleWishbone'), [600])).toMatchObject({
      error: { code: 'travelOutOfReach', travelMm: 600 },
    });
  });
  it('want the kind of corner they are of', () => {
    expect(changedCorner(design('strut'), HUNG.strut, { upperArmShorterMm: 5 })).toMatchObject({
      error: { code: 'wantsOther', wants: 'doubleWishbone' },
    });
    expect(changedCorner(design('doubleWishbone'), HUNG.doubleWishbone, { clampBoltMm: 5 })).toMatchObject({
      error: { code: 'wantsOther', wants: 'strut' },
    });
    const { clampBoltUpper: _, ...points } = STRUT;
    expect(changedCorner(design('strut'), { type: 'strut', points }, { clampBoltMm: 5 })).toMatchObject({
      error: { code: 'wantsOther', wants: 'clampBolts' },
    });
  });
});
