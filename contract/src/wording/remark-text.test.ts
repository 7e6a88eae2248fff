import { describe, expect, it } from '@jest/globals';
import type { Remark, RemarkCode, RemarkFacts } from '#core/bench/remark.ts';
import { REMARKS } from './en/bench.ts';
import { remarkText } from './remark-text.ts';

/** Facts of every remark that has some; a remark more or a fact less does not compile. */
type WithFacts = { [Code in RemarkCode as unknown extends RemarkFacts[Code] ? never : Code]: RemarkFacts[Code] };
const FACTS: WithFacts = {
  bumpSteers: { per10MmDeg: 0.08 },
  toeMoved: { toeDeg: -0.6 },
  aimOutOfReach: { missingDeg: 0.4 },
  axleShifts: { shiftMm: 8 },
  barSteep: { afterDeg: 14 },
  jointSteep: { jointDeg: 9 },
  runsUneven: { unevenShare: 0.02 },
  slipOpens: { byMm: 7 },
  dialReadsLow: { errorShare: 0.05 },
  dialReadsHigh: { errorShare: 0.03 },
  tyreTouches: { shortMm: 12 },
  nameIsNotRise: { namedOverMm: 10 },
  lineShort: { shortMm: 15 },
  damperDrawnOut: { leftMm: 12 },
  damperShutsFirst: { shortMm: 20 },
  ballTooLight: { leastKg: 150 },
  ballTooHeavy: { mostKg: 250 },
  moveForward: { allMm: 240 },
  moveBack: { allMm: 240 },
  overRatings: { limits: ['rearAxle', 'gross'] },
  nearestLimit: { limit: 'tongue', usedShare: 0.9 },
  trailerStops: { limit: 'combination', trailerKg: 2100 },
  uncorrectedTorque: { gotNm: 67 },
  gotOutside: { gotNm: 67, fromNm: 57, toNm: 63 },
  tooLittleInMesh: { shortByMm: 2, longestMm: 400 },
  endsDiffer: { unequalByMm: 3 },
  yieldsInTurn: { yieldDeg: 81 },
  extensionWinds: { twistDeg: 4 },
  settlingTakes: { lossShare: 0.2 },
  locksHydraulically: { mostMl: 0.1 },
  drillUnderBolt: { drillMm: 8, thread: 'M10' },
  drillOverThread: { drillMm: 9, heightShare: 0.5 },
  drillTight: { drillMm: 8 },
  drillUsable: { drillMm: 8.5, heightShare: 0.77 },
  engagementShort: { missingMm: 2, weakest: 'tappedThread', stripsN: 30_000 },
  loadMoreThanMeant: { moreShare: 0.4, meantNm: 38 },
  loadLessThanMeant: { lessShare: 0.2, meantNm: 60 },
  hotterThanAllowed: { boreC: 300, limitC: 250, bore: 'steel' },
  pipeThread: { pipes: ['G 1/8', 'R 1/8'] },
  cluesAgainst: { clues: ['pitchMm', 'acrossFlatsMm'] },
  roundHelped: { beforeShare: 0.4, afterShare: 0.1 },
  roundDidLittle: { beforeShare: 0.03, afterShare: 0.02 },
  boltLeftLoose: { lowestShare: 0.6 },
  widthNotOfThread: { acrossFlatsMm: 24, thread: 'M10', usualMm: [16, 17], alsoFits: ['M16', 'M14', 'M15', 'M17'] },
  drillBelowThread: { drillMm: 8, thread: 'M10', neededMm: 11 },
  tapDrillWrong: { drillMm: 9.5, thread: 'M10', rightMm: 8.5 },
  slotOverCeiling: { thereNm: 70, shimMm: 0.3 },
  turnToSlot: { thereNm: 55 },
  nutBottoms: { byMm: 4 },
  studTooShort: { atLeastMm: 40 },
  nutTooShort: { lacksMm: 3 },
  boltBreaks: { carriesN: 61_000, breaksN: 46_000 },
  scatterMayYield: { mostN: 44_000 },
  headSinks: { pressedMpa: 363, limitMpa: 290, part: 'aluminium' },
  boltYields: { yieldShare: 1.2 },
  nearProof: { proofShare: 0.97 },
  partsComeApart: { missingN: 1200 },
  partsSlip: { keepsN: 3000, needsN: 5000 },
  yieldsAtWork: { yieldShare: 1.1 },
  fatigueNear: { swingsMpa: 60, enduresMpa: 51 },
  heatTakesLoad: { takenN: 4000 },
  heatAddsLoad: { addedN: 5000 },
  sheetAndManualDiffer: { sheetNm: 100, manualNm: 120 },
  seatingTooMuch: { seatingShare: 0.7 },
  studMayTurnOn: { twistNm: 30 },
};
const remark = (code: RemarkCode) => ({ code, ...(FACTS as Record<string, object>)[code] }) as Remark;
const plain = (code: RemarkCode) => remarkText(remark(code), (quantity, value) => `${value} ${quantity}`);

describe('remarks of the bench in words', () => {
  it.each(Object.keys(REMARKS) as RemarkCode[])('%s says all of its facts and nothing else', (code) => {
    const text = plain(code);
    expect(text).toMatch(/\.$/);
    expect(text).not.toMatch(/[{}]|undefined|NaN|none/);
    for (const fact of Object.values((FACTS as Record<string, object>)[code] ?? {}))
      if (typeof fact === 'number') expect(text).toContain(String(fact));
  });
  it('a figure is written by what it measures, as the reader wants it', () => {
    expect(plain('slotOverCeiling')).toContain('70 torque');
    expect(plain('slotOverCeiling')).toContain('0.3 length');
    expect(plain('boltYields')).toContain('1.2 percent');
    expect(plain('engagementShort')).toContain('the tapped thread gives first, at 30000 force');
    expect(plain('hotterThanAllowed')).toContain('300 temperature');
    expect(plain('locksHydraulically')).toContain('0.1 volume');
    expect(plain('yieldsInTurn')).toContain('81 angle');
  });
  it('lists read as lists, and no longer than is of use', () => {
    expect(plain('cluesAgainst')).toContain('pitch and socket');
    expect(plain('widthNotOfThread')).toContain('M16, M14, M15.');
    const none = { ...remark('widthNotOfThread'), alsoFits: [] } as Remark;
    expect(remarkText(none, (_, value) => String(value))).not.toContain('That socket');
  });
});
