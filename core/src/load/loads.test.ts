import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { addedTo, axlesWithTongue } from './axle-loads.ts';
import { carrierLoad } from './carrier.ts';
import { type Combination, combination } from './combination.ts';
import { hitchChain } from './hitch-chain.ts';
import { tongueShare } from './tongue.ts';
import { cargoMove, trailerCargo } from './trailer-cargo.ts';

const must = <T>(result: { ok: true; value: T } | { ok: false; error: unknown }): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
};
const kg = (max: number) => fc.double({ min: 1, max, noNaN: true });

describe('the load on the ball', () => {
  it('stands to the trailer’s mass, bounds inside the band', () => {
    expect(must(tongueShare(2000, 200))).toEqual({ share: 0.1, verdict: 'within', tongueKg: { min: 200, max: 300 } });
    expect(must(tongueShare(2000, 300)).verdict).toBe('within');
    expect(must(tongueShare(2000, 199)).verdict).toBe('tooLight');
    expect(must(tongueShare(2000, 301)).verdict).toBe('tooHeavy');
    expect(must(tongueShare(2000, 100, { min: 0.04, max: 0.07 })).verdict).toBe('within');
    expect(tongueShare(0, 10)).toMatchObject({ error: { field: 'trailerKg' } });
    expect(tongueShare(100, 10, { min: 0.2, max: 0.1 })).toMatchObject({ error: { field: 'band.max' } });
  });
  it('of cargo, worked by hand: 500 kg 600 mm ahead and 200 kg 1000 mm behind', () => {
    const load = {
      unladenKg: 400,
      unladenAheadMm: 100,
      couplerToAxleMm: 3000,
      cargo: [
        { kg: 500, aheadMm: 600 },
        { kg: 200, aheadMm: -1000 },
      ],
    };
    // (400·100 + 500·600 − 200·1000) / 3000
    expect(must(trailerCargo(load))).toEqual({
      totalKg: 1100,
      tongueKg: 140_000 / 3000,
      axleKg: 1100 - 140_000 / 3000,
      share: 140_000 / 3000 / 1100,
    });
    const move = must(cargoMove(load, 0.1));
    expect(move.allMm).toBeCloseTo((0.1 * 1100 * 3000 - 140_000) / 700, 9);
    expect(move.alone.map(({ at }) => at)).toEqual([0, 1]);
  });
  it('balances about the ball as it does about the axle (property)', () => {
    fc.assert(
      fc.property(
        kg(3000),
        fc.double({ min: -500, max: 500, noNaN: true }),
        fc.double({ min: 1500, max: 6000, noNaN: true }),
        fc.array(fc.record({ kg: kg(1000), aheadMm: fc.double({ min: -1500, max: 1400, noNaN: true }) }), {
          maxLength: 5,
        }),
        (unladenKg, unladenAheadMm, couplerToAxleMm, cargo) => {
          const { axleKg, totalKg, tongueKg } = must(
            trailerCargo({ unladenKg, unladenAheadMm, couplerToAxleMm, cargo }),
          );
          const aboutBall = [{ kg: unladenKg, aheadMm: unladenAheadMm }, ...cargo].reduce(
            (sum, piece) => sum + piece.kg * (couplerToAxleMm - piece.aheadMm),
            0,
          );
          expect(axleKg * couplerToAxleMm).toBeCloseTo(aboutBall, 3);
          expect(axleKg + tongueKg).toBeCloseTo(totalKg, 8);
        },
      ),
    );
  });
  it('is reached when the cargo is moved as said (property)', () => {
    fc.assert(
      fc.property(kg(2000), kg(2000), fc.double({ min: 0.03, max: 0.15, noNaN: true }), (unladenKg, cargoKg, share) => {
        const load = {
          unladenKg,
          unladenAheadMm: 80,
          couplerToAxleMm: 30_000 / 8,
          cargo: [{ kg: cargoKg + 20, aheadMm: 0 }],
        };
        const { allMm } = must(cargoMove(load, share));
        fc.pre(allMm < load.couplerToAxleMm && allMm > -9000);
        const moved = { ...load, cargo: [{ kg: cargoKg + 20, aheadMm: allMm }] };
        expect(must(trailerCargo(moved)).share).toBeCloseTo(share, 9);
      }),
    );
  });
  it('wants cargo to move', () =>
    expect(cargoMove({ unladenKg: 400, unladenAheadMm: 0, couplerToAxleMm: 3000, cargo: [] }, 0.1)).toMatchObject({
      error: { field: 'cargo' },
    }));
});

describe('axles', () => {
  it('with a load on the ball: the rear takes more than it, the front gives up the rest', () => {
    const { frontKg, rearKg, checks } = must(
      axlesWithTongue({
        frontKg: 1100,
        rearKg: 1300,
        wheelbaseMm: 3000,
        hitchBehindMm: 1200,
        tongueKg: 150,
        ratings: { frontAxleKg: 1040, rearAxleKg: 1500, grossKg: 2600 },
      }),
    );
    expect([frontKg, rearKg]).toEqual([1040, 1510]);
    expect(checks.map(({ limit, ok, marginKg }) => [limit, ok, marginKg])).toEqual([
      ['frontAxle', true, 0],
      ['rearAxle', false, -10],
      ['gross', true, 50],
    ]);
  });
  it('keep the sum and the moment, wherever a mass lies (property)', () => {
    fc.assert(
      fc.property(
        kg(2000),
        kg(2000),
        kg(500),
        fc.double({ min: -3000, max: 5000, noNaN: true }),
        (frontKg, rearKg, mass, at) => {
          const after = addedTo({ frontKg, rearKg }, mass, at, 3000);
          expect(after.frontKg + after.rearKg).toBeCloseTo(frontKg + rearKg + mass, 7);
          // About the front axle, 3000 mm ahead of the rear.
          expect(after.rearKg * 3000).toBeCloseTo(rearKg * 3000 + mass * (3000 - at), 3);
        },
      ),
    );
  });
});

describe('a hitch of several parts', () => {
  it('is limited by the weakest plate of each kind, not by one part', () => {
    expect(
      must(
        hitchChain([
          { name: 'receiver', trailerKg: 3500, tongueKg: 150 },
          { name: 'mount', trailerKg: 2700, tongueKg: 270 },
          { name: 'ball', trailerKg: 3500 },
        ]),
      ),
    ).toEqual({
      trailerKg: 2700,
      trailerLimitedBy: 'mount',
      tongueKg: 150,
      tongueLimitedBy: 'receiver',
      silent: [{ name: 'ball', rating: 'tongueKg' }],
    });
    expect(must(hitchChain([{ name: 'ball' }])).trailerKg).toBeUndefined();
    expect(hitchChain([{ name: 'ball', tongueKg: -5 }])).toMatchObject({ error: { field: 'components[0].tongueKg' } });
  });
});

const DAY: Combination = {
  wheelbaseMm: 2900,
  hitchBehindMm: 1150,
  kerb: { kg: 2100, frontShare: 0.55 },
  occupants: { kg: 150, frontShare: 0.5 },
  cargo: { kg: 100, frontShare: 0 },
  hitchHardwareKg: 20,
  trailerKg: 1800,
  tongueShare: 0.1,
  ratings: { grossKg: 2900, rearAxleKg: 1700, combinationKg: 5000, trailerKg: 3000, tongueKg: 250 },
};

describe('vehicle and trailer together', () => {
  it('counts the ball’s load in the gross mass and the trailer once in the combination', () => {
    const answer = must(combination(DAY));
    expect(answer).toMatchObject({
      grossKg: 2550,
      combinationKg: 4170,
      tongueKg: 180,
      payloadKg: 450,
      payloadLeftKg: 350,
    });
    // Moments about the front axle: kerb, people, cargo at their shares, 200 kg at the ball.
    expect(answer.rearKg).toBeCloseTo(2100 * 0.45 + 75 + 100 + 200 * (1 + 1150 / 2900), 9);
    expect(answer.frontKg + answer.rearKg).toBeCloseTo(answer.grossKg, 9);
    expect(answer.checks.find(({ limit }) => limit === 'payload')).toMatchObject({
      ratingKg: 800,
      actualKg: 450,
      ok: true,
    });
  });
  it('names the nearest limit and the one that stops the trailer, which may be another', () => {
    const answer = must(combination(DAY));
    expect(answer.mostUtilised).toBe('gross');
    // Ball: 2500 kg; combination: 2630; rear axle: (1700 − 1120 − 20·1.3966)/(0.1·1.3966).
    expect(answer).toMatchObject({ maxTrailerLimitedBy: 'tongue', maxTrailerKg: 2500 });
  });
  it('the heaviest trailer just reaches the limit that is named, and passes no other (property)', () => {
    fc.assert(
      fc.property(
        fc.record({
          kerb: kg(3000),
          people: kg(500),
          cargo: kg(800),
          front: fc.double({ min: 0.4, max: 0.65, noNaN: true }),
        }),
        fc.double({ min: 0.04, max: 0.16, noNaN: true }),
        fc.record({ gross: kg(1500), rear: kg(2000), all: kg(4000), trailer: kg(3500), tongue: kg(300) }),
        (mass, tongueShare, room) => {
          const kerbKg = 500 + mass.kerb;
          const asked: Combination = {
            ...DAY,
            kerb: { kg: kerbKg, frontShare: mass.front },
            occupants: { kg: mass.people, frontShare: 0.5 },
            cargo: { kg: mass.cargo, frontShare: 0 },
            tongueShare,
            ratings: {
              grossKg: kerbKg + mass.people + mass.cargo + 20 + room.gross,
              rearAxleKg: kerbKg + mass.cargo + 300 + room.rear,
              combinationKg: kerbKg + mass.people + mass.cargo + 20 + room.all,
              trailerKg: room.trailer + 1,
              tongueKg: room.tongue + 1,
            },
          };
          const { maxTrailerKg = 0, maxTrailerLimitedBy } = must(combination(asked));
          const at = must(combination({ ...asked, trailerKg: maxTrailerKg }));
          for (const { limit, ok, marginKg } of at.checks) {
            expect(ok || marginKg > -1e-6).toBe(true);
            if (limit === maxTrailerLimitedBy) expect(Math.abs(marginKg)).toBeLessThan(1e-6);
          }
        },
      ),
    );
  });
  it('counts what lies on the roof against the roof’s rating, as part of the cargo', () => {
    const answer = must(combination({ ...DAY, onRoofKg: 80, ratings: { ...DAY.ratings, roofKg: 75 } }));
    expect(answer.checks.find(({ limit }) => limit === 'roof')).toMatchObject({ ok: false, marginKg: -5 });
    expect(answer.grossKg).toBe(2550);
    expect(combination({ ...DAY, onRoofKg: 101 })).toMatchObject({ error: { field: 'onRoofKg' } });
  });
  it('without a rating nothing is checked and nothing is promised', () => {
    const answer = must(combination({ ...DAY, ratings: {} }));
    expect(answer.checks).toEqual([]);
    expect(answer).not.toHaveProperty('maxTrailerKg');
    expect(answer).not.toHaveProperty('mostUtilised');
  });
  it('is over before any trailer: then none may be pulled', () =>
    expect(must(combination({ ...DAY, cargo: { kg: 900, frontShare: 0 } })).maxTrailerKg).toBe(0));
  it('a gross rating below the kerb mass contradicts it', () =>
    expect(combination({ ...DAY, ratings: { grossKg: 2000 } })).toMatchObject({ error: { code: 'contradiction' } }));
});

describe('a carrier that is no trailer', () => {
  it('counts whole against ball and carrier rating, and pulls at a longer lever', () => {
    const answer = must(
      carrierLoad({
        wheelbaseMm: 3000,
        hitchBehindMm: 1200,
        carrierKg: 20,
        loadKg: 60,
        behindBallMm: 300,
        axles: { frontKg: 1100, rearKg: 1300 },
        ratings: { tongueKg: 100, carrierKg: 60, rearAxleKg: 1500 },
      }),
    );
    expect(answer.massKg).toBe(80);
    expect(answer.frontKg).toBe(1060);
    expect(answer.rearKg).toBe(1420);
    expect(answer.momentNm).toBeCloseTo(80 * 9.80665 * 0.3, 9);
    expect(answer.checks.map(({ limit, ok }) => [limit, ok])).toEqual([
      ['tongue', true],
      ['carrier', false],
      ['rearAxle', true],
    ]);
  });
});
