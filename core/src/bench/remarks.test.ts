import { describe, expect, it } from '@jest/globals';
import { boltStrength } from '../fastener/property-class.ts';
import { metricThread, parseThread, type Thread } from '../fastener/thread.ts';
import type { Result } from '../result.ts';
import { circlePositions, fadingCompliance } from '../tightening/elastic-interaction.ts';
import { jointStiffness } from '../tightening/joint-stiffness.ts';
import { proposeTorque } from '../tightening/proposed-torque.ts';
import { evenFriction } from '../tightening/thread-finish.ts';
import { adapterSetting } from './adapter.ts';
import { linkLength } from './adjuster.ts';
import { turnByAngle } from './angle.ts';
import { beadFor } from './bead.ts';
import { bushFit } from './bush.ts';
import { castleNut } from './castle.ts';
import { clampAt } from './clamp.ts';
import { compoundFor } from './compound-for.ts';
import { unitSlips } from './convert.ts';
import { waitsFor } from './cure.ts';
import { drillFor } from './drill.ts';
import { engagementOf } from './engagement.ts';
import { ALL_FINISHES, finishChange } from './finish.ts';
import { fitOf } from './fit.ts';
import { identified } from './identify.ts';
import { interaction } from './interaction.ts';
import { preloadOf } from './preload.ts';
import { type Remark, remarksThat, remarkTone } from './remark.ts';
import { headsFor, threadSizes, toolsFit, washersFor } from './sizes.ts';
import { studFor } from './stud.ts';
import { valueFor } from './value.ts';
import { wheelNut } from './wheel.ts';

const M10 = metricThread(10, 1.5);
const M12 = metricThread(12, 1.75);
const read = (text: string): Thread => {
  const thread = parseThread(text);
  if (!thread.ok) throw new Error(text);
  return thread.value.thread;
};
const value = <T>(result: Result<T, { code: string }>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
};
const strength = (name: string, thread: Thread) => value(boltStrength(name, thread));
const codes = ({ remarks }: { remarks: Remark[] }) => remarks.map(({ code }) => code);

// What is remarked at which bound is common practice, no source; the figures behind it have their own tests.

describe('adapter and extension', () => {
  const base = { torqueNm: 60, wrenchLengthMm: 420 };
  it('in line it needs less: 60 · 420 / 470 (lever equilibrium)', () => {
    const answer = value(adapterSetting({ ...base, offsetMm: 50 }));
    expect(answer.settingNm).toBeCloseTo((60 * 420) / 470, 9);
    expect(answer.remarks[0]).toEqual({ code: 'uncorrectedTorque', gotNm: expect.closeTo((60 * 470) / 420, 9) });
  });
  it('across the handle nothing changes and nothing is said of it', () =>
    expect(codes(value(adapterSetting({ ...base, offsetMm: 50, angleDeg: 90 })))).toEqual(['handOnGrip']));
  it('a scale too coarse has no mark', () => {
    expect(codes(value(adapterSetting({ torqueNm: 7, divisionNm: 10 })))).toContain('noMarkInRange');
    expect(value(adapterSetting({ torqueNm: 60, divisionNm: 1 })).mark?.settingNm).toBe(60);
  });
  it('a straight extension twists and leaves the torque alone', () => {
    const answer = value(adapterSetting({ torqueNm: 60, extensionMm: 250 }));
    expect(answer.settingNm).toBe(60);
    expect(answer.twistDeg).toBeGreaterThan(0);
    expect(codes(answer)).toContain('straightExtension');
  });
  it('faults of either part are passed on', () => {
    expect(adapterSetting({ torqueNm: 6000 }).ok).toBe(false);
    expect(adapterSetting({ torqueNm: 60, extensionMm: 1e6 }).ok).toBe(false);
  });
});

describe('adjustable link', () => {
  const link = { pitchMm: 1.5, nominalMm: 14, movingEnds: 2 as const, lengthNowMm: 380, targetMm: 386 };
  it.each<[[number, number], string[]]>([
    [
      [22, 22],
      ['meshEnough', 'alignAfterwards'],
    ],
    [
      [22, 30],
      ['endsDiffer', 'alignAfterwards'],
    ],
    [
      [15, 15],
      ['tooLittleInMesh', 'alignAfterwards'],
    ],
    [
      [15, 22],
      ['tooLittleInMesh', 'endsDiffer', 'alignAfterwards'],
    ],
  ])('%j in mesh', (engagementMm, expected) =>
    expect(codes(value(linkLength({ ...link, engagementMm })))).toEqual(expected),
  );
  it('a length that cannot be is a fault', () =>
    expect(linkLength({ ...link, targetMm: 1, engagementMm: [22, 22] })).toMatchObject({
      ok: false,
      error: { field: 'targetMm' },
    }));
});

describe('turning by angle', () => {
  const face = { outsideMm: 15.6, holeMm: 11 };
  const stiffness = value(
    jointStiffness({
      thread: M10,
      gripMm: 30,
      bearingMm: 15.6,
      holeMm: 11,
      partDiameterMm: 47,
      part: 'steel',
      into: 'nut',
    }),
  );
  const question = {
    joint: { thread: M10, yieldMpa: 640, friction: evenFriction(0.12), face },
    stiffness,
    snugNm: 20,
    turnDeg: 20,
    roughness: 'fine' as const,
    interfaces: 0,
    into: 'nut' as const,
    extensionMm: 0,
    extensionBarMm: 16,
  };
  it('a small turn says nothing', () => expect(value(turnByAngle(question)).pastYield).toBe(false));
  it('a quarter turn on a short grip yields, and the bolt is spent', () => {
    const turned = value(turnByAngle({ ...question, turnDeg: 180 }));
    expect(turned.pastYield).toBe(true);
    expect(turned.remarks[0]).toMatchObject({ code: 'yieldsInTurn', yieldDeg: turned.curve.yieldPoint.angleDeg });
  });
  it('many rough faces and a long thin extension are said', () =>
    expect(
      codes(
        value(turnByAngle({ ...question, roughness: 'coarse', interfaces: 6, extensionMm: 900, extensionBarMm: 12 })),
      ),
    ).toEqual(['extensionWinds', 'settlingTakes']));
  it('an impossible extension is a fault', () => expect(turnByAngle({ ...question, extensionMm: 1e6 }).ok).toBe(false));
});

describe('bead', () => {
  it('through: on the bolt; for ten, ten times as much', () => {
    const one = value(beadFor(M10, 12, undefined, 1));
    const ten = value(beadFor(M10, 12, undefined, 10));
    expect(codes(one)).toEqual(['onTheBolt', 'skinContact']);
    expect(ten.totalMl).toBeCloseTo(10 * one.beadMl, 12);
  });
  it('blind with no room: it locks hydraulically', () =>
    expect(codes(value(beadFor(M10, 12, 0, 1)))).toEqual(['locksHydraulically', 'intoTheHole', 'skinContact']));
  it('a pitch no standard lists has no bead', () =>
    expect(beadFor({ system: 'metric', nominalMm: 10, pitchMm: 1.37 }, 12, undefined, 1).ok).toBe(false));
});

describe('bush and compound', () => {
  it('what the sheet says is not remarked as silent', () => {
    expect(codes(bushFit('polyurethane', 'slides'))).toContain('sheetSilent');
    expect(codes(bushFit('polyurethane', 'slides', 'dry'))).not.toContain('sheetSilent');
  });
  const duty = {
    diameterMm: 10,
    mustComeApart: false,
    mustNeverLoosen: true,
    vibration: 'high' as const,
    hotC: 60,
    metals: 'steel' as const,
    nut: 'plain' as const,
    nearPlastic: false,
    oxygenOrExhaustSensor: false,
  };
  it('locker over old oil wants cleaning first', () => {
    expect(codes(compoundFor(duty, true))[0]).toBe('degreaseFirst');
    expect(codes(compoundFor(duty, false))).not.toContain('degreaseFirst');
  });
  it('a locking nut takes none, and so nothing needs cleaning', () => {
    const answer = compoundFor({ ...duty, nut: 'nylonInsert' }, true);
    expect(answer.choice).toBe('none');
    expect(answer.undo).toBeUndefined();
    expect(codes(answer)).not.toContain('degreaseFirst');
  });
});

describe('waits', () => {
  const times = { workingWindowMin: 10, fixtureMin: 20, fullCureH: 24 };
  it.each([
    [22, 'steel', false, ['timesOfModel']],
    [3, 'steel', false, ['timesOfModel', 'tooColdToSet']],
    [22, 'stainless', false, ['timesOfModel', 'primerHelps']],
    [22, 'stainless', true, ['timesOfModel']],
  ] as const)('%s °C on %s, primer %s', (temperatureC, substrate, primer, expected) =>
    expect(codes(value(waitsFor(times, { temperatureC, substrate, primer }, 'model')))).toEqual(expected),
  );
  it('a sheet’s own times are said to be so', () =>
    expect(codes(value(waitsFor(times, { temperatureC: 22, substrate: 'steel' }, 'productSheet')))).toEqual([
      'timesOfSheet',
    ]));
});

describe('drill', () => {
  it.each([
    [8.5, 'drillUsable'],
    [9, 'drillOverThread'],
    [8, 'drillTight'],
  ] as const)('%s mm to tap M10 (ISO 2306: 8.5)', (have, code) =>
    expect(codes(value(drillFor('tap', M10, 'medium', have)))[0]).toBe(code),
  );
  it('a clearance drill below the bolt passes nothing; one above is not remarked on', () => {
    expect(codes(value(drillFor('clearance', M10, 'medium', 9.5)))).toEqual(['drillUnderBolt', 'pilotFirst']);
    expect(codes(value(drillFor('clearance', M10, 'medium', 10.5)))).toEqual(['pilotFirst']);
  });
  it('an inch hole is found among the drills bought in fractions (ASME B18.2.8: 9/32 for 1/4)', () =>
    expect(value(drillFor('clearance', read('1/4-20'), 'medium')).name).toContain('9/32'));
  it('a size without a listed hole is a fault of the thread', () =>
    expect(drillFor('clearance', metricThread(9, 1.25), 'medium')).toMatchObject({
      ok: false,
      error: { field: 'thread' },
    }));
  it('only a tap drill has a share of thread', () => {
    expect(value(drillFor('tap', M10, 'medium')).threadHeightShare).toBeCloseTo(0.77, 2);
    expect(value(drillFor('insert', M10, 'medium', 10)).threadHeightShare).toBeUndefined();
  });
});

describe('thread in mesh', () => {
  const joint = { thread: M10, boltTensileMpa: 800, tappedTensileMpa: 290 };
  it('too short by what it lacks, and the weaker thread gives first', () => {
    const answer = value(engagementOf(joint, 8));
    expect(answer.remarks[0]).toMatchObject({
      code: 'engagementShort',
      missingMm: expect.closeTo(answer.limits.lengthMm - 8, 9),
      weakest: 'tappedThread',
    });
  });
  it('a hair over the need is enough', () => {
    const need = value(engagementOf(joint)).limits.lengthMm;
    expect(codes(value(engagementOf(joint, need + 1e-6)))[0]).toBe('engagementEnough');
    expect(codes(value(engagementOf(joint)))).toEqual(['fullThreadsOnly']);
  });
  it('a negative depth is a fault', () => expect(engagementOf(joint, -1).ok).toBe(false));
});

describe('another finish', () => {
  const joint = { thread: M10, strength: strength('8.8', M10), face: { outsideMm: 15.6, holeMm: 11 } };
  it('anti-seize where dry was meant loads more; the other way less', () => {
    expect(codes(finishChange(joint, 50, 'dry', ALL_FINISHES, 'antiSeize'))).toContain('loadMoreThanMeant');
    expect(codes(finishChange(joint, 50, 'antiSeize', ALL_FINISHES, 'dry'))).toContain('loadLessThanMeant');
  });
  it('the same finish is not remarked on; one finish asked for is the one on the thread', () => {
    expect(codes(finishChange(joint, 30, 'dry', ALL_FINISHES, 'dry'))).toEqual(['sheetCountsOnCompound']);
    expect(codes(finishChange(joint, 90, 'dry', ['antiSeize']))).toContain('yieldsWhenSlippery');
    expect(finishChange(joint, 30, 'dry', ALL_FINISHES).outcomes.length).toBeGreaterThan(3);
  });
});

describe('bore and pin', () => {
  const question = { diameterMm: 25, slipMm: 0.03, roomC: 20, bore: 'steel' as const, pin: 'bronze' as const };
  it.each([
    [25.03, 'fitHeatOrChill'],
    [25.02, 'fitPress'],
    [25, 'fitAsItIs'],
    [24.9, 'fitRetaining'],
    [27, 'fitCheckParts'],
  ] as const)('a pin of %s mm in 25: %s', (pinMm, code) => {
    const interferenceMm = Math.max(-1, Math.min(1, pinMm - 25));
    expect(codes(value(fitOf({ ...question, interferenceMm, measured: { boreMm: 25, pinMm } })))[0]).toBe(code);
  });
  it('warmed it counts seconds; too hot it says so; without heat nothing', () => {
    const warm = value(fitOf({ ...question, interferenceMm: 0.03, wallMm: 8 }));
    expect(warm.needsHeat).toBe(true);
    expect(warm.secondsLeft).toBeGreaterThan(0);
    expect(codes(value(fitOf({ ...question, bore: 'magnesium', interferenceMm: 0.2 })))).toContain('hotterThanAllowed');
    const loose = value(fitOf({ ...question, interferenceMm: -0.5, wallMm: 8 }));
    expect([loose.needsHeat, loose.secondsLeft, codes(loose)]).toEqual([false, undefined, []]);
  });
  it('faults are named', () => {
    expect(fitOf({ ...question, slipMm: 5, interferenceMm: 0 })).toMatchObject({
      ok: false,
      error: { field: 'slipMm' },
    });
    expect(fitOf({ ...question, interferenceMm: 0.03, wallMm: -1 })).toMatchObject({ error: { field: 'wallMm' } });
    expect(fitOf({ ...question, interferenceMm: 0, measured: { boreMm: -1, pinMm: 1 } }).ok).toBe(false);
  });
});

describe('which thread it is', () => {
  it('diameter and pitch of one thread are sure', () => {
    const found = value(identified({ majorMm: 9.85, pitchMm: 1.5 }));
    expect([found.sure, codes(found)]).toEqual([true, ['nothingAgainst']]);
  });
  it('without a pitch it is not sure', () => {
    const found = value(identified({ majorMm: 9.85 }));
    // 1/8 NPT is about as wide.
    expect([found.sure, codes(found)]).toEqual([false, ['pipeThread', 'severalFit']]);
  });
  it('a socket alone is no thread (M15 in the bolt’s name)', () =>
    expect(codes(value(identified({ acrossFlatsMm: 13 })))).toContain('socketIsNoThread'));
  it('clues that contradict are named', () =>
    expect(value(identified({ majorMm: 9.85, pitchMm: 1.5, acrossFlatsMm: 24 })).remarks[0]?.code).toBe(
      'cluesAgainst',
    ));
});

describe('bolts that unload one another', () => {
  const group = {
    boltStiffnessNPerMm: 300_000,
    complianceMmPerN: fadingCompliance(circlePositions(6, 100), 4e-6, 84, 100),
  };
  const order = [0, 3, 1, 4, 2, 5];
  it('one straight round leaves a bolt loose; a second helps', () => {
    const once = value(interaction({ group, order, targetN: 1000 }));
    expect(codes(once)).toEqual(['boltLeftLoose']);
    const twice = value(interaction({ group, order, targetN: 1000, stages: [1, 1] }));
    expect(codes(twice)[0]).toBe('roundHelped');
    expect(twice.afterRound).toHaveLength(2);
    expect(twice.unevenness).toBeLessThan(once.unevenness);
  });
  it('a round of an even group does little', () =>
    expect(codes(value(interaction({ group, order, targetN: 1000, stages: [1, 1, 1, 1, 1, 1, 1, 1] })))).toEqual([
      'roundDidLittle',
    ]));
  it('pulls one by one take their highest as the aim, and have no rounds', () => {
    const pulled = value(interaction({ group, order, pulls: [{ bolt: 0, toN: 500 }] }));
    expect([pulled.afterRound, pulled.oneRoundTargetsN]).toEqual([[], undefined]);
  });
  it('a fault of any part is passed on', () => {
    expect(interaction({ group, order, pulls: [{ bolt: 9, toN: 500 }] }).ok).toBe(false);
    expect(interaction({ group, order, targetN: 1000, wanted: -1 }).ok).toBe(false);
  });
});

describe('torque and preload', () => {
  const question = {
    thread: M10,
    strength: strength('8.8', M10),
    face: { outsideMm: 15.6, holeMm: 11 },
    friction: evenFriction(0.12),
    prevailingNm: 0,
    form: 'vdi' as const,
  };
  it.each([
    [150, ['boltBreaks', 'headSinks']],
    [70, ['boltYields']],
    [5, ['littleUsed']],
  ] as const)('%s N·m on M10 8.8', (torqueNm, expected) =>
    expect(codes(preloadOf({ ...question, given: { torqueNm } }))).toEqual(expect.arrayContaining([...expected])),
  );
  it('near proof is said before it yields: 97 % of 33 700 N (ISO 898-1, M10 8.8) on a slippery thread', () => {
    const near = preloadOf({ ...question, friction: evenFriction(0.02), given: { preloadN: 0.97 * 33_700 } });
    expect(codes(near)).toContain('nearProof');
  });
  it('torque and preload are there and back', () => {
    const there = preloadOf({ ...question, given: { torqueNm: 40 } });
    expect(preloadOf({ ...question, given: { preloadN: there.preloadN } }).torqueNm).toBeCloseTo(40, 9);
    const k = preloadOf({ ...question, nutFactor: 0.2, given: { torqueNm: 40 } });
    expect(k.preloadN).toBeCloseTo(40 / (0.2 * 0.01), 6);
  });
  it('a nut factor is used throughout: assembly torque, shares and range', () => {
    const k = preloadOf({ ...question, nutFactor: 0.2, finish: 'dry', given: { torqueNm: 40 } });
    expect(k.assemblyTorqueNm).toBeCloseTo(0.2 * 0.01 * k.assemblyPreloadN, 6);
    expect(k.shares.totalNm).toBeCloseTo(40, 9);
    expect(k.shares.pitchNm).toBeCloseTo(0.16e-3 * 1.5 * k.preloadN, 9);
    // The range is the finish's own spread about what the factor gives.
    expect(k.range?.minN).toBeLessThan(k.preloadN);
    expect(k.range?.maxN).toBeGreaterThan(k.preloadN);
  });
  it('a washer spreads the load: M10 8.8 on ISO 7089 over aluminium presses with about 191, not 363 N/mm² (VDI 2230-1, 5.5.4)', () => {
    const onWasher = preloadOf({
      ...question,
      face: { outsideMm: 14.63, holeMm: 10.5 },
      part: 'aluminium',
      pressed: { holeMm: 11, washer: { outsideMm: 20, thicknessMm: 2 } },
    });
    expect(onWasher.pressureMpa).toBeCloseTo(191, 0);
    expect(onWasher.pressedRing).toEqual({ outsideMm: 14.63 + 3.2, holeMm: 11 });
    expect(codes(onWasher)).not.toContain('headSinks');
  });
  it('a part narrower than the head bears no further than its edge', () => {
    const narrow = preloadOf({ ...question, pressed: { holeMm: 11, partDiameterMm: 14 } });
    expect(narrow.pressedRing.outsideMm).toBe(14);
    expect(narrow.pressureMpa).toBeCloseTo((4 * narrow.preloadN) / (Math.PI * (14 ** 2 - 11 ** 2)), 6);
  });
  it('the scatter of the method is about the torque used, and said where its top yields', () => {
    const click = preloadOf({ ...question, method: 'click', given: { torqueNm: 48 } });
    expect(((click.scatter?.minN ?? 0) + (click.scatter?.maxN ?? 0)) / 2).toBeCloseTo(click.preloadN, 6);
    expect(codes(click)).toContain('scatterMayYield');
    expect(codes(preloadOf({ ...question, method: 'click', given: { torqueNm: 25 } }))).not.toContain(
      'scatterMayYield',
    );
  });
  it('a torque beyond the breaking load says so, with both loads (46 400 N, ISO 898-1 table 4)', () => {
    const [first] = preloadOf({ ...question, given: { torqueNm: 150 } }).remarks;
    expect(first).toMatchObject({ code: 'boltBreaks', breaksN: expect.closeTo(46_400, -2) });
  });
  it('a locking nut’s drag twists the shank too, and leaves less for the load', () => {
    const [free, drags] = [preloadOf(question), preloadOf({ ...question, prevailingNm: 12 })];
    expect(drags.assemblyPreloadN).toBeLessThan(free.assemblyPreloadN);
    expect(drags.stress.yieldShare).toBeCloseTo(0.9, 9);
  });
  it('nothing given is what the bolt takes, and little use is not said of it', () => {
    const taken = preloadOf({ ...question, rule: { kind: 'yieldShare', share: 0.1 } });
    expect(taken.preloadN).toBe(taken.assemblyPreloadN);
    expect(codes(taken)).toEqual([]);
  });
  it('a finish that may be slippery is warned of', () =>
    expect(
      codes(preloadOf({ ...question, friction: evenFriction(0.18), finish: 'dry', given: { torqueNm: 60 } })),
    ).toContain('finishMayYield'));
});

describe('sizes', () => {
  it('M10 has its pitch diameter (ISO 724: 9.026) and a clearance hole of 11 (ISO 273)', () => {
    const sizes = threadSizes(M10);
    expect(sizes.pitchDiameterMm).toBeCloseTo(9.026, 3);
    expect(sizes.clearanceHoleMm.medium).toBe(11);
    expect(headsFor(M10).length).toBeGreaterThan(3);
    expect(washersFor(M10).map(({ standard }) => standard)).toEqual(['ISO 7089', 'ISO 7093']);
  });
  it.each([
    [{ acrossFlatsMm: 16 }, ['toolsOfThread']],
    [{ acrossFlatsMm: 24 }, ['widthNotOfThread']],
    [{ clearanceDrillMm: 8 }, ['drillBelowThread']],
    [{ tapDrillMm: 9.5 }, ['tapDrillWrong']],
    [{}, []],
  ])('%j for M10', (named, expected) => expect(toolsFit(M10, named).map(({ code }) => code)).toEqual(expected));
});

describe('nuts', () => {
  it.each([
    [[6, 1, 47, 61, 0.4, 1.5], ['castleCaution']],
    [
      [6, 45, 47, 61, 0.4, 1.5],
      ['turnToSlot', 'castleCaution'],
    ],
    [
      [6, 20, 47, 50, 0.4, 1.5],
      ['slotOverCeiling', 'castleCaution'],
    ],
  ] as const)('castle nut %j', (question, expected) =>
    expect(codes(value(castleNut(...(question as unknown as Parameters<typeof castleNut>))))).toEqual(expected),
  );
  it.each([
    [{ studMm: 60, wheelMm: 12, spacerMm: 10 }, ['studLongEnough', 'studCaution']],
    [{ studMm: 30, wheelMm: 12, spacerMm: 10 }, ['studTooShort', 'studCaution']],
    [{ studMm: 60, wheelMm: 12, spacerMm: 10, blindDepthMm: 20 }, ['nutBottoms', 'studCaution']],
  ])('stud %j', (stack, expected) =>
    expect(codes(value(studFor({ pitchMm: 1.5, nominalMm: 12, ...stack })))).toEqual(expected),
  );
  const face = { outsideMm: 20, holeMm: 14, halfAngleDeg: 30 };
  const wheel = (nutNm: number, seatingNm?: number) =>
    codes(wheelNut(M12, strength('10.9', M12), face, nutNm, seatingNm, 'dry'));
  it('a wheel stud: seated unknown, little, too much, and yielding', () => {
    expect(wheel(100)).toEqual(['wheelTorqueSource', 'seatingUnknown', 'wheelRetorque']);
    expect(wheel(100, 5)).toContain('studMayTurnOn');
    expect(wheel(100, 300)).toContain('seatingTooMuch');
    expect(wheel(900)[0]).toBe('studYields');
  });
  it('a band clamp over its most', () => {
    const clamp = {
      thread: metricThread(5, 0.8),
      face: { outsideMm: 8, holeMm: 5.5 },
      finish: 'dry' as const,
      hoseMm: 60,
      bandMm: 14,
      mostNm: 5,
    };
    expect(codes(value(clampAt(clamp, 6)))).toEqual(['overClampMost', 'hosesSettle']);
    expect(codes(value(clampAt(clamp, 4)))).toEqual(['underClampMost', 'hosesSettle']);
    expect(clampAt({ ...clamp, bandMm: -1 }, 4).ok).toBe(false);
  });
});

describe('a joint without a figure', () => {
  const question = { hardware: 'kit' as const, tag: 'ordinary' as const, otherKitSameJoint: false, strictShop: false };
  const proposal = (part: 'steel' | 'aluminium') =>
    value(proposeTorque({ thread: M10, propertyClass: '12.9', finish: 'dry', tag: 'ordinary', part }));
  it('worked out is never called the sheet’s', () =>
    expect(codes(valueFor(question, proposal('steel')))).toContain('notFromSheet'));
  it('a soft part cuts it back', () =>
    expect(codes(valueFor(question, proposal('aluminium')))).toContain('cutForBearing'));
  it('a safety-critical joint has no value but the sheet’s or the maker’s', () => {
    expect(codes(valueFor({ ...question, tag: 'brake' }, undefined))).toEqual([
      'safetyCriticalNoValue',
      'nothingMayBeUsed',
    ]);
    expect(valueFor({ ...question, tag: 'brake', vehicleMakerNm: 120 }, undefined).best?.torqueNm).toBe(120);
  });
  it('sheet and manual further apart than a wrench is off by are both shown', () => {
    const both = { ...question, kitSheetNm: 100, vehicleMakerNm: 120 };
    expect(codes(valueFor(both, undefined))).toContain('sheetAndManualDiffer');
    expect(codes(valueFor({ ...both, vehicleMakerNm: 103 }, undefined))).not.toContain('sheetAndManualDiffer');
  });
});

describe('units, and how a remark weighs', () => {
  it('slips go with what is measured', () => {
    expect(unitSlips('torque')).toEqual([{ code: 'inchOrFoot' }]);
    expect(unitSlips('force')).toEqual([{ code: 'forceNotTorque' }]);
    expect(unitSlips('length')).toEqual([]);
  });
  it('bad, good, and else to be minded', () => {
    expect(remarkTone({ code: 'boltYields' })).toBe('bad');
    expect(remarkTone({ code: 'drillUsable' })).toBe('good');
    expect(remarkTone({ code: 'neverBoth' })).toBe('mind');
    expect(remarksThat(false, undefined, { code: 'neverBoth' })).toEqual([{ code: 'neverBoth' }]);
  });
});
