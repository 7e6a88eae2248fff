import { describe, expect, it } from '@jest/globals';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { FINDING_CODES, type Finding, type FindingCode, finding } from '#core/kit/lint/finding.ts';
import type { FindingFacts } from '#core/kit/lint/finding-facts.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { DEMO_KITS } from '#demo/kits.ts';
import { answersText, findingText, placeText } from './finding-text.ts';

const strength = {
  printed: '80 N·m',
  lowPercent: 60,
  usualPercent: 90,
  highPercent: 120,
  dryPercent: 70,
  finish: 'oiled',
  withCompound: true,
  weakest: 'tappedThread',
  propertyClass: '8.8',
  fullNm: 66,
} as const;
const neighbours = { printed: '80 N·m', targetNm: 80, neighboursNm: 7, ratio: 11.9 };
const refits = { owed: 4, back: 3, fate: 'refit' } as const;
const turned = { turned: 'nut', onto: 'Bracket', torqueNm: 95, material: 'slot' };
const lengths = { line: 'A1 Bolt', lengthMm: 30, gripMm: 25, engagedMm: 5 };
const hole = { holeMm: 8.5, where: 'Bracket', thread: 'M10', fineMm: 10.5, tapDrillMm: 8.5 };

/** Facts as each rule gives them. Total: a new code asks for its own. */
const EXAMPLES: FindingFacts = {
  overProof: strength,
  mayPassProof: strength,
  littlePreload: { ...strength, withCompound: false },
  classUnknown: { line: 'A1 Bolt' },
  twelveTimes: neighbours,
  offNeighbours: neighbours,
  pairDisagrees: { printed: '50 N·m (50 ft-lb)', firstNm: 50, secondNm: 67.8 },
  boltBySocket: { widthMm: 16, may: [] },
  driveNotOfThread: { thread: 'M10', widthMm: 19, usual: ['16', '17'], alsoFits: ['M12'] },
  twoDriveSizes: { widthMm: 16, lineMm: 17, line: 'A1 Bolt' },
  short: { has: 4, needed: 6 },
  leftoverDiffers: { stated: 1, left: 2 },
  sidesUneven: { left: 1, right: 0 },
  neverUsed: { has: 2 },
  notRefitted: refits,
  refittedTooOften: { ...refits, back: 5 },
  notReconnected: { open: 1, closed: 0 },
  notRetightened: {},
  notCleared: {},
  noFigure: { why: 'byFeel', printed: 'tight' },
  unitAmbiguous: { printed: '45' },
  noWasherHighTorque: turned,
  noWasherSoft: turned,
  engagementShort: { ...lengths, neededMm: 8, into: 'tapped' },
  bottomsOut: { ...lengths, depthMm: 12, overMm: 3 },
  noThreadShowing: { ...lengths, pastMm: 1, wantedMm: 3 },
  lockerWithAntiSeize: { compound: 'Medium locker' },
  lockerOnLockingNut: { compound: 'Medium locker' },
  lockerNearPlastic: { compound: 'Medium locker' },
  figureForOtherThread: { printed: '54 N·m', basis: 'dry', compound: 'Medium locker' },
  highWhereUndone: { compound: 'High strength', thread: '' },
  slipperyFrictionFace: { compound: 'Anti-seize' },
  slipperyWheel: { compound: 'Grease' },
  noOrder: { stations: 6, best: 'star', imbalance: 0.2 },
  betterOrder: { own: 0.5, best: 'cross', imbalance: 0.2, printed: true },
  specGap: {},
  specOverlap: { values: ['40 N·m', '52 N·m'] },
  neverApplies: { what: 'station' },
  questionUnused: {},
  foundTooLate: { question: 'How is the bore?', askedAt: 'step 4' },
  tooManyCombinations: { count: 5000, most: 4096 },
  stepsInCircle: {},
  stepUnreachable: { waitsFor: '3 Take the shield off' },
  torqueBeforeStart: { group: 'Plate' },
  gateAgainstSteps: { waitsFor: 'Plate' },
  partBeforeSupport: { part: 'B1 Guard', under: 'Bracket' },
  groupNotInSteps: {},
  boltCannotPass: hole,
  holeTight: { ...hole, holeMm: 10.2 },
  tapDrillWrong: { drillMm: 9, rightMm: 8.5, thread: 'M10' },
  stretchBoltNotMarked: { station: '4' },
  oneUseReused: { kind: 'pin' },
  noVerify: { stations: ['1', '2'] },
  bushNotAtRideHeight: { stations: ['1'] },
  torquedWhileLifted: { group: 'Links' },
  windowTooShort: { bolts: 14, rounds: 2, needsMin: 20, windowMin: 15, atOnce: 10 },
  forceForTorque: { printed: '33 lb', unit: 'lb' },
  threadNotNamed: { printed: '430 N·m', torqueNm: 430 },
  wideRange: { printed: '5-45 N·m', ratio: 9 },
  outOfEnvelope: { what: 'length', value: 550, unit: 'mm', most: 400, least: 3 },
  noAlignment: { stations: ['1', '2'] },
  noWheelTorque: {},
  noWheelRetorque: {},
  checkWithoutLimits: { unit: 'mm' },
  limitInWords: { min: 10, unit: 'mm' },
  sidesInWords: { places: ['left', 'right'] },
  refitsScrapped: { thing: 'bump stop', fate: 'scrap' },
  thousandsComma: { printed: '3,200 N·m' },
  quantityOdd: { quantity: 4711 },
  threadOfOtherSystem: { thread: '3/8-16', others: 'metric' },
  notNamedYet: { name: 'New tool' },
  sizesVoteForAnother: { thread: 'M10', clues: ['drive 13', 'hole 9'], elect: ['8 mm'] },
};
const make = finding as unknown as (code: FindingCode, path: string, place: string, facts: object) => Finding;
const words = (code: FindingCode) => findingText(make(code, 'p', 'P', EXAMPLES[code]));

describe('findings in words', () => {
  it.each(Object.keys(FINDING_CODES) as FindingCode[])(
    '%s has a title, a reason and a way out, with no hole in them',
    (code) => {
      const { title, why, clears } = words(code);
      for (const text of [title, why, clears]) {
        expect(text.trim().length).toBeGreaterThan(3);
        expect(text).not.toMatch(/undefined|NaN|\[object|[{}]/);
      }
      expect(title).not.toMatch(/[.!]$/);
    },
  );
  it.each([
    [
      'overProof',
      'why',
      '80 N·m makes 60 to 120 % of what the tapped thread bears (class 8.8), 90 % with usual friction; 70 % if the thread were dry.',
    ],
    [
      'littlePreload',
      'why',
      '80 N·m makes 60 to 120 % of what the tapped thread bears (class 8.8), 90 % with usual friction.',
    ],
    ['short', 'title', '2 short'],
    ['boltBySocket', 'why', '16 mm is the width of the head. Its thread may be one no standard gives this head.'],
    ['driveNotOfThread', 'why', '19 mm across flats on M10; usual are 16, 17 mm. 19 mm goes with M12.'],
    ['notReconnected', 'why', 'Disconnected once, reconnected never.'],
    ['noFigure', 'why', 'The sheet says: by feel.'],
    ['noWasherSoft', 'title', 'No washer under a nut turned on a slot'],
    ['boltCannotPass', 'why', '8.5 mm in Bracket for M10. That is its tap drill.'],
    ['outOfEnvelope', 'why', '550 mm; nothing of this trade passes 400 mm.'],
    ['highWhereUndone', 'why', 'High strength on this thread: it is undone later, and this strength needs heat.'],
  ] as const)('%s, %s: %s', (code, part, text) => expect(words(code)[part]).toBe(text));
  it('leaves no number out', () => {
    const kit = structuredClone(DEMO_KITS[0]) as KitDocument;
    for (const item of kit.items) item.quantity = Math.max(1, item.quantity - 3);
    for (const station of kit.stations) station.drive = { kind: 'hex', acrossFlatsMm: 27 };
    const texts = lintKit(kit).map((entry) => Object.values(findingText(entry)).join(' '));
    expect(texts.length).toBeGreaterThan(3);
    for (const text of texts) expect(text).not.toMatch(/undefined|NaN|\[object/);
  });
  it('names the answers that show it, and how many places more', () => {
    const kit = { choices: [], questions: [{ id: 'shield', text: 'Is there a shield?', kind: 'yesNo' as const }] };
    expect(answersText(kit, { shield: true })).toBe('Is there a shield: yes');
    expect(placeText({ place: 'Station 1', also: ['Station 2', 'Station 3'] })).toBe('Station 1 and 2 more');
  });
});
