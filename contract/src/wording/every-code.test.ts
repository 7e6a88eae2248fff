import { describe, expect, it } from '@jest/globals';
import type { ClassFault } from '#core/fastener/property-class.ts';
import type { ThreadError } from '#core/fastener/thread.ts';
import { openLog } from '#core/job/job-log.ts';
import type { Refusal } from '#core/job/refusal.ts';
import { lineOf } from '#core/line/line.ts';
import type { InputFault } from '#core/quantity/input-fault.ts';
import type { ParseError } from '#core/quantity/parse-printed.ts';
import type { Obstacle } from '#core/readiness/readiness.ts';
import type { Deviation } from '#core/record/deviations.ts';
import type { ProposalFault } from '#core/tightening/proposed-torque.ts';
import type { OdometerDoubt } from '#core/vehicle/odometer.ts';
import type { VehicleDoubt, VehicleFault } from '#core/vehicle/vehicle.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '#core/visit/visit.ts';
import type { WrenchFault } from '#core/wrench/suitable-wrench.ts';
import { REAR_AIR_SPRINGS, TRACK_BAR_BRACE } from '#demo/kits.ts';
import { deviationText } from './deviation-text.ts';
import {
  classFaultText,
  inputFaultText,
  parseErrorText,
  proposalFaultText,
  threadErrorText,
} from './input-fault-text.ts';
import { obstaclePath, obstacleText } from './readiness-text.ts';
import { refusalText } from './refusal-text.ts';
import { odometerDoubtText, vehicleDoubtText, vehicleFaultText } from './vehicle-text.ts';
import { wrenchFaultText } from './wrench-fault-text.ts';

/** One of each code of a union: a code more or less does not compile. */
type OneOfEach<Union extends { code: string }> = {
  [Code in Union['code']]: Omit<Extract<Union, { code: Code }>, 'code'>;
};
const each = <Union extends { code: string }>(facts: OneOfEach<Union>): Union[] =>
  Object.entries(facts).map(([code, rest]) => ({ code, ...(rest as object) }) as unknown as Union);

/** Words a person can read: no code, no hole, no fact that was not there. */
const reads = (text: string) => {
  expect(text).not.toMatch(/undefined|NaN|\[object|\{|\}/);
  expect(text.trim().length).toBeGreaterThan(2);
};
const NOON = Date.UTC(2026, 10, 25, 12);

const kits: VisitKit[] = [];
for (const document of [REAR_AIR_SPRINGS, TRACK_BAR_BRACE])
  kits.push({ document, prefix: kitPrefix(kits, document.id) });
const opened = openLog({
  kits,
  openedWith: kits.map(({ prefix }) => prefix),
  vehicle: { modelYear: 2022, drivenWheels: 'four', fitted: [] },
  answers: spreadAnswers(kits, {}),
  shop: {},
});
if (!opened.ok) throw new Error(opened.error.code);
const { plan } = opened.value;
const station = plan.stations[0]?.id ?? '';
const item = plan.items[0]?.id ?? '';
const step = plan.steps[0]?.id ?? '';
const lineAct = [...lineOf(plan).actById.keys()][0] ?? '';
const group = plan.groups[0]?.id ?? '';
const conflict = plan.conflicts[0]?.id ?? '';
const debt = plan.removed[0]?.id ?? '';

const REFUSALS: OneOfEach<Refusal> = {
  notPermitted: { role: 'apprentice', command: 'close' },
  jobClosed: {},
  unknownCare: { care: 'gone' },
  lookNotDue: { station },
  lookOwnWork: { station },
  practiseFirst: { station },
  lookTooSoon: { debt, leftMin: 4 },
  lookWay: { way: 'pull' },
  pullDoesHarm: { station },
  lookTooLow: { station, torqueNm: 40, minNm: 52 },
  careWaivedAlready: { care: 'gone' },
  driverSeats: { station, says: 'kit' },
  notYoursToBend: { rule: 'power', bender: 'lead' },
  commandUnreadable: { faults: [{ path: 'note', message: 'too long' }] },
  notSignedInThen: { person: 'u-hob' },
  proofMissing: {},
  signatureNotYours: { name: 'Mira Vane' },
  wrenchNotLive: { wrench: 'W-1' },
  liveUnproven: { station },
  enteredDisagrees: { entered: '60 lbf·ft', torqueNm: 60 },
  implausibleAngle: { angleDeg: 900, limitDeg: 720 },
  passNotDue: { station },
  recordBroken: { at: 4 },
  noBreaks: {},
  unknownStation: { station: 'ghost' },
  unknownItem: { item: 'ghost' },
  unknownWrench: { wrench: 'ghost' },
  unknownPull: { pull: 'p' },
  pullNotStanding: { station, pull: 'p' },
  liveNotCorrected: { station, pull: 'p' },
  byFeelNotHere: { target: 'g1' },
  sourceNotHere: { target: 'g1', source: 'estimate' },
  leadTakesFigure: { target: 'g1', source: 'byFeel' },
  notForSafety: { target: station, source: 'byFeel' },
  unknownProblem: { problem: 'p' },
  unknownQuestion: { question: 'q' },
  answerNotAllowed: { question: 'q' },
  workContradicts: { stations: [station], things: ['rear wheels'], steps: ['Dress the bore.'] },
  questionsOpen: { questions: ['Is a shield there?'] },
  planImpossible: { reason: 'specMissing' },
  answeredMeanwhile: { question: 'Raised?', answer: true },
  stampNotRead: { item, stamps: ['GL', 'GR'] },
  stampOfAnother: { item, read: 'GR', is: 'GL' },
  sameCounter: { item, name: 'Mira Vane' },
  carriesNoNumber: { item },
  serialMissing: { item },
  serialTaken: { item, serial: 'SN 1', piece: 1 },
  noSuchPiece: { item, piece: 3, pieces: 2 },
  fewerApart: { item, apart: 1 },
  noSuchCompartment: { tray: 'Tray' },
  keeperMissing: { key: 'wheel key' },
  unknownKey: { key: 'k' },
  orderedAlready: { order: 'o-1' },
  unknownOrder: { order: 'o-1' },
  substituteWeaker: { item, differences: [{ trait: 'class', how: 'weaker', wanted: '10.9', is: '8.8' }] },
  substituteForLead: { item, differences: [{ trait: 'length', how: 'other', wanted: '30 mm', is: '35 mm' }] },
  countInvalid: { found: 2, damaged: 3 },
  quantityInvalid: { quantity: 1.5 },
  countBelowUse: { item, inUse: 4 },
  reasonMissing: {},
  notCounted: { items: [item] },
  pieceShort: { item, available: 0 },
  alreadyStarted: { station },
  notStarted: { station },
  threadHasSet: { station },
  markProvesNothing: { station },
  threadTaken: { station },
  gentlerFirst: { station, rung: 'tap', nextRung: 'chaser' },
  threadNeedsApproval: { rung: 'tap' },
  threadStillBad: { station },
  washerImpossible: { insideMm: 20, outsideMm: 10, thicknessMm: 2 },
  washerTooSmall: { station, insideMm: 8.4, boltMm: 10 },
  washerTooSoft: { station, hardnessHv: 200, neededHv: 300 },
  washerShortens: { station, engagedMm: 4.2, neededMm: 8 },
  noCompoundHere: { station },
  compoundAlreadyOn: { station },
  threadNotClean: { station },
  compoundMissing: { station, compound: 'locker' },
  alreadySnug: { station },
  powerToolForbidden: { station },
  threadTooSmallForPower: { station, threadMm: 5, fromMm: 6 },
  groupNotAllStarted: { group, waiting: [station] },
  groupNotAllSnug: { group, waiting: [station] },
  groupWaitsFor: { group, waitsFor: [group] },
  outOfOrder: { station, next: station },
  stationComplete: { station },
  mustBeLoosened: { station, verdict: 'noMovement' },
  noTorqueFigure: { station },
  needsTorque: { station },
  wrenchOutOfRange: { wrenchId: 'w', minNm: 20, maxNm: 100, targetNm: 150 },
  wrenchWithoutAngle: { wrenchId: 'w' },
  wrenchOutOfCalibration: { wrenchId: 'w', dueOn: '2026-01-01' },
  wrenchPulledOut: { wrenchId: 'w', pulls: 5001 },
  wrenchLocked: { wrenchId: 'w', because: 'Off by 8 %', atMs: NOON },
  lockerWindowClosed: { station, closedAtMs: NOON },
  notAtRideHeight: { station, state: 'hanging' },
  slotNotAligned: { station },
  bearingNotSeated: { station },
  gradientMissing: { station },
  movementNotSaid: { station },
  implausibleTorque: { torqueNm: 2000, limitNm: 1500 },
  likelyUnitSlip: { readAs: 'N·m', meant: 'lbf·ft' },
  jobOpen: {},
  holeNotClean: { station: 's' },
  anotherWanted: { station: 's', person: 'Mira' },
  wheelHangs: { station: 's' },
  staysDry: { station: 's', compound: 'Paste' },
  gradeUnknown: { station: 's', compound: 'Threadlocker' },
  gradeKnown: { compound: 'Threadlocker' },
  unknownCompound: { compound: 'c' },
  unknownBottle: { bottle: 'b' },
  bottleNotSaid: { station: 's', bottles: ['Medium locker, lot 04'] },
  bottleWrongKind: { bottle: 'Paste', wanted: 'Medium locker' },
  bottleUnfit: { bottle: 'Medium locker', because: 'printed', lastDay: '2026-01-01' },
  basisOpen: { station: 's', basis: 'dry', compound: 'antiSeize' },
  basisAgrees: { station: 's' },
  factorMissing: {},
  factorImpossible: { factor: 3, min: 0.5, max: 1.2 },
  noStages: { station: 's' },
  stageDue: { station: 's', stage: 2 },
  stageDone: { station: 's' },
  stageReading: { station: 's' },
  angleMissing: { station: 's', minDeg: 85, maxDeg: 95 },
  angleShort: { station: 's', turnedDeg: 55, leftDeg: 35 },
  adapterImpossible: {},
  ranDownStiff: { station: 's', torqueNm: 30, limitNm: 20 },
  angleOver: { station: 's', turnedDeg: 99, maxDeg: 95 },
  outsideBand: { verdict: 'over', minNm: 76, maxNm: 84 },
  overMaximum: { torqueNm: 12, maximumNm: 10 },
  nothingToLoosen: { station },
  nothingToUndo: {},
  unknownPrerequisite: { prerequisite: 'p' },
  unknownBaseline: { baseline: 'b', place: 'left' },
  unknownStep: { step: 'ghost' },
  unknownDebt: { debt: 'ghost' },
  unknownConflict: { conflict: 'ghost' },
  unknownFigureTarget: { target: 'ghost' },
  choiceUnknown: { choice: 'c' },
  figureLater: { station: 's1' },
  minutesImplausible: {},
  unknownWanted: { wanted: 'new b1' },
  choiceNotAllowed: { conflict, choice: 'c' },
  valueInvalid: { value: Number.NaN },
  outsideLimits: { value: 12, min: 10.5, max: 11.5 },
  nameMissing: {},
  prerequisitesOpen: { prerequisites: ['q1'] },
  baselinesMissing: { baselines: ['h1'] },
  choicesOpen: { choices: ['k1'] },
  conflictOpen: { conflict },
  stripOpen: { station, steps: [step] },
  stepWaitsFor: { step, steps: [step] },
  stepDoneAlready: { step },
  unknownAct: { act: 'ghost' },
  actDoneAlready: { act: lineAct },
  doneByStations: { act: lineAct },
  actWaitsFor: { act: lineAct, acts: [lineAct] },
  actAsks: { act: lineAct, asks: ['at left', 'photo'] },
  stepAsks: { step, acts: [lineAct] },
  answerRefused: { act: lineAct, key: 'mark', answer: 'R', expected: 'L', why: 'longer leg down' },
  otherSideOpen: { act: lineAct, debt, side: 'left' },
  partUnderMissing: { act: lineAct, item },
  keptOnUntil: { act: lineAct, steps: [step] },
  clockNotBegun: { act: lineAct },
  valueDoubtful: { act: lineAct, key: 'value', value: 1850, unit: 'mm', meant: 185 },
  rideHeightOff: { station, place: 'front left', value: 480, min: 500, max: 520 },
  fluidMissing: { act: lineAct, wanted: 'fill axle oil L', name: 'axle oil', quantity: 1.9, unit: 'L' },
  clockRunning: { act: lineAct, endsAtMs: 0 },
  clockInvalid: { act: lineAct },
  compoundNotSet: { step, group, endsAtMs: 0 },
  stillRaised: { step },
  notWaivable: { step, acts: [lineAct] },
  checkNotMet: { station, check: 'ghost' },
  jobParked: {},
  notParked: {},
  temperatureInvalid: { tempC: 90 },
  stillOff: { debts: [], stations: [station] },
  debtOpenAlready: { debt },
  debtNotOpen: { debt },
  debtCount: { debt, count: 3, left: 2 },
  fateContradicts: { debt, planned: 'keep', end: 'refit' },
  figureMissing: { debt },
  newPieceAsked: { debt },
  figureUnreadable: { printed: '' },
  figureGivenAlready: { target: station },
  notShared: { key: 'k' },
  kitAlreadyIn: { kit: 'x' },
  kitNotIn: { prefix: 'x/' },
  lastKit: {},
  notOverridable: { refusal: 'overMaximum' },
  signatureMissing: {},
  closeBlocked: { blocks: [{ kind: 'stationsOpen', stations: [station] } as never] },
};

describe('every refusal', () => {
  it.each(each<Refusal>(REFUSALS).map((refusal) => [refusal.code, refusal] as const))(
    '%s says what, why and what lifts it',
    (_, refusal) => {
      const { title, why, lift } = refusalText(refusal, plan);
      for (const text of [title, why, lift]) reads(text);
    },
  );
  it('no id of the plan is shown where the plan has a name for it', () => {
    const name = plan.stations[0]?.label ?? '';
    expect(refusalText({ code: 'alreadySnug', station }, plan).why).toContain(`Station ${name}`);
    expect(refusalText({ code: 'stepDoneAlready', step }, plan).why).not.toContain(step);
    expect(refusalText({ code: 'pieceShort', item, available: 1 }, plan).why).toContain(plan.items[0]?.name);
  });
  it('limits that are left out leave no hole in the sentence', () => {
    for (const refusal of [
      { code: 'outsideLimits', value: 12, min: 10 },
      { code: 'outsideLimits', value: 12, max: 10 },
      { code: 'outsideBand', verdict: 'under', minNm: 40 },
      { code: 'figureUnreadable', printed: '8o N·m' },
      { code: 'commandUnreadable', faults: [] },
    ] as Refusal[])
      reads(refusalText(refusal, plan).title);
    expect(refusalText({ code: 'outsideLimits', value: 12, min: 10 }, plan).why).not.toContain('none');
  });
});

const BY = { atMs: NOON, by: { id: 'u-vane', name: 'Mira Vane', role: 'fitter' as const } };
const PULL = { torqueNm: 81.2, verdict: 'over' } as never;
type Kind = Deviation['kind'];
const DEVIATIONS: { [K in Kind]: Omit<Extract<Deviation, { kind: K }>, 'kind' | 'atMs' | 'by'> } = {
  stepWaived: { step, reason: 'not on this one' },
  careWaived: { care: 'gone', reason: 'sold on' },
  ownLook: { target: { station } },
  turnedSince: { station, torqueNm: 9.6, turnedDeg: 14 },
  stepAdded: { text: 'Weld the bracket', problem: 'cracked' },
  substitute: {
    item,
    quantity: 1,
    piece: { id: 's', bin: 'B2', kind: 'bolt', name: 'Bolt' },
    differences: [
      { trait: 'length', how: 'other', wanted: '30 mm', is: '35 mm' },
      { trait: 'head', how: 'weaker', wanted: 'hexFlange', is: 'hex' },
      { trait: 'form', how: 'weaker', wanted: 'uBolt' },
      { trait: 'hand', how: 'weaker' },
    ],
    reason: 'the lead took it',
  },
  ordered: { item, quantity: 2, supplier: 'Hollin Fasteners', promisedMs: NOON, arrived: 1 },
  apart: { item, quantity: 1, reason: 'burr on the thread' },
  countsDiffer: { item, first: 6, second: 5 },
  wrongWay: { act: lineAct, way: 'fork', reason: 'the boot is scrap' },
  outsideClaim: { baseline: 'h1', place: 'front left', against: 'claim', before: 512, after: 510, off: -2 },
  measuredElsewhere: { act: 'a', place: 'left', who: 'Orrin Alignment', what: 'toe 0.1°, sheet 41' },
  notMet: { act: lineAct, said: 'left 3', met: false },
  clockReleased: { group, endsAtMs: 0, reason: 'no towing' },
  parked: { may: 'roll', open: 3, reason: 'parts', resumed: false },
  unfinished: { way: 'handedBack', may: 'drive', open: 3, reason: 'the owner needs it' },
  override: { station, refusal: 'outOfOrder', reason: 'bracket in the way' },
  pullMissed: { station, pull: PULL },
  pullRepeated: { station, torqueNm: 24, pass: 0 },
  breakAcknowledged: { breaks: [4], reason: 'Compared with the backup' },
  clockOff: { offMs: 864_000_000, changed: true },
  clockBackwards: { byMs: 3_600_000 },
  pullWithdrawn: { station, pull: PULL },
  curve: { station, pull: PULL, curve: { kind: 'crossed', confidence: 0.97, also: ['notSeated'] } },
  pullCorrected: { station, from: 80, to: 81, reason: 'misread' },
  threadMended: { station, rung: 'insert', runs: true, note: 'M10 insert, 15 mm' },
  washerAdded: {
    station,
    under: 'head',
    insideMm: 10.5,
    outsideMm: 20,
    thicknessMm: 2,
    hardnessHv: 300,
    reason: 'slot wider than the head',
  },
  loosened: { station, reason: 'wrong washer', spent: [item] },
  lineShort: { item, missing: 2, damaged: 1 },
  shopStock: { item, quantity: 2, reason: 'two were short' },
  scrapped: { item, quantity: 1, reason: 'crossed' },
  answerChanged: { question: 'raised', from: false, to: true },
  withoutFigure: { station, reason: 'by feel' },
  calculation: { station, summary: 'M10 8.8: 49 N·m', reason: 'sheet silent', link: '/bench/torque' },
  figureGiven: { target: station, printed: '49 N·m', source: 'estimate', note: 'sheet silent' },
  basisSettled: { station, use: 'sameLoad', factorFrom: 'friction', printedNm: 49, sameLoadNm: 36, reason: 'salt' },
  compoundNamed: { compound: 'c', product: 'High 7' },
  stageMissed: { station, stage: 0, torqueNm: 20, verdict: 'under' },
  addendum: { station, text: 'Loose again', foundBy: 'the owner', redone: 'pulled' },
  conflictSettled: { conflict, choice: plan.conflicts[0]?.choices[0] ?? '', reason: 'longer bolt' },
  sharedSplit: { key: 'k', reason: 'two different bolts' },
  kitDropped: { prefix: 'track-bar-brace/', reason: 'plate missing' },
  stepOverride: { step, refusal: 'helperNeeded', reason: 'a jack held it' },
  prerequisiteUnmet: { prerequisite: 'p', note: 'owner knows' },
  debtEnded: { name: 'Bump stop', count: 2, planned: 'refitted' as never, end: 'scrapped' as never, note: 'torn' },
  problem: { station, text: 'Bolt crossed', cleared: 'New bolt' },
};

describe('every deviation', () => {
  const kit = { questions: kits.flatMap(({ document }) => document.questions) };
  const text = (kind: Kind, over: object = {}) =>
    deviationText({ kind, ...BY, ...DEVIATIONS[kind], ...over } as Deviation, plan, kit);
  it.each(Object.keys(DEVIATIONS) as Kind[])('%s is a sentence with its reason', (kind) => {
    const words = text(kind);
    reads(words);
    expect(words).toMatch(/[.!?]$/);
    const { reason } = DEVIATIONS[kind] as { reason?: string };
    if (reason) expect(words).toContain(reason);
  });
  it('what was typed with its full stop gets no second', () => {
    expect(text('scrapped', { reason: 'crossed.' })).not.toContain('..');
    expect(text('problem', { text: 'Why?', cleared: undefined })).toContain('Why?');
  });
  it('what may be left out leaves no hole', () => {
    for (const [kind, over] of [
      ['calculation', { station: undefined }],
      ['figureGiven', { printed: undefined }],
      ['figureGiven', { target: debt }],
      ['prerequisiteUnmet', { note: undefined }],
      ['debtEnded', { note: undefined }],
      ['problem', { station: undefined, cleared: undefined }],
      ['loosened', { spent: [] }],
      ['lineShort', { damaged: 0 }],
      ['lineShort', { missing: 0 }],
      ['answerChanged', { question: 'gone' }],
      ['override', { station: 'gone' }],
      ['kitDropped', { prefix: '' }],
    ] as Array<[Kind, object]>)
      reads(text(kind, over));
  });
});

describe('every obstacle', () => {
  const OBSTACLES: OneOfEach<Obstacle> = {
    conflictOpen: { conflict, place: 'track bar bolt' },
    prerequisiteOpen: { prerequisite: 'q', text: 'Axle bored out', daysBefore: 3 },
    baselineMissing: { baseline: 'h1', name: 'Ride height' },
    choiceOpen: { choice: 'k', text: 'Which hole?' },
    noWrench: { targetNm: 250, printed: '184 lbf·ft', stations: ['s1'], group: 'g' },
    noTool: { name: '21 mm socket', group: 'g' },
    compoundShort: { kind: 'antiSeize', needMl: 2, haveMl: 1, group: 'g' },
    hardwareShort: { item, name: 'Bolt', short: 2, group: 'g' },
    noFigure: { station, label: '4', group: 'g' },
    otherSheet: { kit: 'Bumper', step: '12' },
    toolElsewhere: { name: 'ball joint press', number: '261127-2', group: '' },
    notBought: { name: 'axle bolt', quantity: '4', group: '' },
    liftTooWeak: { name: 'Two-post lift', ratedKg: 2500, needKg: 3100 },
    noSkill: { skill: 'welding', named: ['Mira Vane'], has: [], group: '' },
    kitWithdrawn: { kit: 'Rock sliders', because: 'wrong bolt' },
  };
  it.each(each<Obstacle>(OBSTACLES).map((obstacle) => [obstacle.code, obstacle] as const))(
    '%s is a line with a way to it',
    (_, obstacle) => {
      reads(obstacleText(obstacle));
      expect(obstaclePath(obstacle)).toMatch(/^(\.\.|\/crib)/);
    },
  );
  it('says how long before only where that is asked', () => {
    const open: Obstacle = { code: 'prerequisiteOpen', prerequisite: 'q', text: 'Axle bored out' };
    reads(obstacleText(open));
    expect(obstacleText(open)).not.toMatch(/\b0\b/);
  });
});

describe('a vehicle’s faults and doubts', () => {
  const FAULTS: OneOfEach<VehicleFault> = {
    nameMissing: { field: 'owner' },
    monthImpossible: { month: 201913 },
    yearImpossible: { year: 1802, from: 1886, to: 2027 },
    ratingImpossible: { field: 'grossKg', kg: -4 },
    dimensionImpossible: { field: 'wheelbaseMm', value: 2.9, from: 1000, to: 10_000 },
    odometerImpossible: { km: -1 },
  };
  const DOUBTS: OneOfEach<VehicleDoubt> = {
    vinForm: { length: 11 },
    vinCharacters: { characters: ['I', 'O'] },
    vinCheckDigit: { written: '3', computed: 'X' },
    monthOffYear: { built: 2018, year: 2021 },
    vinYear: { year: 2021, years: [1992, 2022] },
    ratingsDisagree: { smaller: 'grossKg', larger: 'kerbKg' },
    axlesBelowGross: { axlesKg: 2400, grossKg: 2900 },
    tyreUnreadable: { tyre: 'big' },
    wheelThreadUnreadable: { thread: 'M-twelve' },
  };
  const ODOMETER: OneOfEach<OdometerDoubt> = {
    odometerLower: { lastKm: 80_000 },
    odometerMiles: { lastKm: 80_000, asMilesKm: 81_000 },
    odometerFar: { lastKm: 80_000, byKm: 400_000 },
  };
  it('every one reads', () => {
    for (const fault of each<VehicleFault>(FAULTS)) reads(vehicleFaultText(fault));
    for (const doubt of each<VehicleDoubt>(DOUBTS)) reads(vehicleDoubtText(doubt));
    for (const doubt of each<OdometerDoubt>(ODOMETER)) reads(odometerDoubtText(doubt));
  });
  it('with its facts', () => {
    expect(vehicleDoubtText({ code: 'vinCheckDigit', written: '3', computed: 'X' })).toContain('worked out it is X');
    expect(vehicleDoubtText({ code: 'vinYear', year: 2021, years: [1992, 2022] })).toContain('1992 or 2022');
    expect(odometerDoubtText({ code: 'odometerFar', lastKm: 80_000, byKm: 400_000 })).toContain('400,000 km');
  });
});

describe('what a calculation or a sheet cannot take', () => {
  it('every fault reads, with the field it is of', () => {
    const INPUT: OneOfEach<InputFault> = {
      outOfRange: { field: 'gripMm', value: 1234.5678, min: 1, max: 500 },
      notANumber: { field: 'gripMm' },
      notListed: { field: 'thread', value: 'M10 × 1.37', known: ['1', '1.25', '1.5'] },
      contradiction: { field: 'holeMm', with: 'bearingMm', reason: 'is larger' },
    };
    for (const fault of each<InputFault>(INPUT)) {
      const { field, reason } = inputFaultText(fault);
      expect(field).toBe(fault.field);
      reads(reason);
    }
    expect(inputFaultText({ code: 'outOfRange', field: 'x', value: 1234.5678, min: 1, max: 500 }).reason).toContain(
      '1235',
    );
  });
  it('every fault of a class, a thread, a printed figure and a proposal reads', () => {
    const reasons = ['metricOnly', 'inchOnly', 'tooLarge', 'tooSmall'] as const;
    const CLASSES: ClassFault[] = [
      { code: 'classUnknown', propertyClass: '9.9', known: ['8.8', '10.9'] },
      ...reasons.map(
        (reason): ClassFault => ({ code: 'classNotForSize', propertyClass: '8.8', nominalMm: 60, reason }),
      ),
    ];
    for (const fault of CLASSES) reads(classFaultText(fault).reason);
    expect(new Set(CLASSES.map((fault) => classFaultText(fault).reason)).size).toBe(CLASSES.length);
    const THREADS: OneOfEach<ThreadError> = {
      driveSizeNotThread: { text: '16 mm bolt' },
      threadUnreadable: { text: 'M-ten' },
      seriesContradicts: { text: '1/4-20 UNF', series: 'UNF', printed: '20', listed: '28' },
      pitchUnknown: { text: 'M9' },
    };
    for (const error of each<ThreadError>(THREADS)) reads(threadErrorText(error).reason);
    const PRINTED: OneOfEach<ParseError> = {
      empty: {},
      numberMissing: { text: 'N·m' },
      unitMissing: { text: '45' },
      unitUnknown: { unit: 'stone' },
      wrongDimension: { expected: 'torque', unit: 'mm' },
      ambiguousComma: { text: '1,500', asDecimal: 1.5, asThousands: 1500 },
      rangeReversed: { min: 50, max: 40 },
      negative: { text: '-5 Nm' },
      belowAbsoluteZero: { text: '-300 °C' },
      tooLarge: { text: '1e300 mi' },
      zeroDenominator: { text: '1/0' },
    };
    for (const error of each<ParseError>(PRINTED)) reads(parseErrorText(error));
    const PROPOSALS: ProposalFault[] = [
      { code: 'safetyCritical', tag: 'brake' },
      { code: 'headNotListed', head: 'ISO 4162', nominalMm: 22 },
      { code: 'classUnknown', propertyClass: '9.9', known: [] },
    ];
    for (const fault of PROPOSALS) reads(proposalFaultText(fault).reason);
  });
  it('every fault of a wrench is a word or two', () => {
    const codes = [
      'wrenchOutOfRange',
      'wrenchWithoutAngle',
      'wrenchLocked',
      'wrenchPulledOut',
      'wrenchOutOfCalibration',
    ] as const;
    const WRENCH: OneOfEach<WrenchFault> = Object.fromEntries(codes.map((code) => [code, REFUSALS[code]])) as never;
    for (const fault of each<WrenchFault>(WRENCH)) {
      reads(wrenchFaultText(fault));
      expect(wrenchFaultText(fault).length).toBeLessThan(45);
    }
  });
});
