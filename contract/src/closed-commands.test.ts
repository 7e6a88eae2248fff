import { describe, expect, it } from '@jest/globals';
import { PACKED_LENGTH } from '#core/trace/pack-trace.ts';
import { type DeviceCommand, JobCommandSchema } from './acts.ts';
import { LONGEST } from './text.ts';

const figure = { spec: { kind: 'torque' as const, targetNm: 95 }, printed: '95 N·m' };
/** Every command with every field it may have. Total: a command without one does not compile. */
const FULL: { [Name in DeviceCommand['type']]: Required<Extract<DeviceCommand, { type: Name }>> } = {
  changeAnswer: { type: 'changeAnswer', question: 'q', value: true, seen: null },
  countLine: { type: 'countLine', item: 'i', found: 4, damaged: 0, read: 'GL' },
  recountLine: { type: 'recountLine', item: 'i', found: 4, damaged: 0 },
  noteSerial: { type: 'noteSerial', item: 'i', piece: 1, serial: 'SN 4' },
  setApart: { type: 'setApart', item: 'i', quantity: 1, reason: 'burr', photo: 'p' },
  endApart: { type: 'endApart', item: 'i', quantity: 1, to: 'tray', reason: 'dressed' },
  putInTray: { type: 'putInTray', item: 'i', tray: 'Tray', row: 0, column: 1 },
  handKey: { type: 'handKey', key: 'k', name: 'wheel key', kind: 'lockKey', to: { who: 'owner', name: 'the owner' } },
  orderPieces: { type: 'orderPieces', item: 'i', order: 'o-1', quantity: 2, supplier: 'S', promisedMs: 1 },
  takeArrival: { type: 'takeArrival', item: 'i', quantity: 2, order: 'o-1' },
  useShopStock: {
    type: 'useShopStock',
    item: 'i',
    quantity: 1,
    reason: 'lost',
    piece: { id: 's', bin: 'B2', kind: 'bolt', name: 'Bolt' },
  },
  scrapPiece: { type: 'scrapPiece', item: 'i', quantity: 1, reason: 'bent' },
  declareSpare: { type: 'declareSpare', item: 'i', quantity: 1 },
  startByHand: { type: 'startByHand', station: 's' },
  applyCompound: { type: 'applyCompound', station: 's', cleaned: true, holeClean: true, bottle: 'b' },
  doStage: {
    type: 'doStage',
    station: 's',
    stage: 0,
    torqueNm: 60,
    wrench: 'w',
    entered: { value: 60, unit: 'N·m' },
    confirmed: true,
  },
  nameCompound: { type: 'nameCompound', compound: 'c', grade: 'threadlockerHigh', product: 'High 7' },
  settleBasis: { type: 'settleBasis', station: 's', use: 'sameLoad', factorFrom: 'product', factor: 0.8, reason: 'r' },
  addAddendum: { type: 'addAddendum', text: 't', foundBy: 'the owner', redone: 'r', station: 's' },
  snug: { type: 'snug', station: 's', tool: 'hand', runDownNm: 4 },
  pull: {
    type: 'pull',
    station: 's',
    torqueNm: 55,
    angleDeg: 90,
    movementDeg: 12,
    moved: true,
    gradientShare: 0.5,
    pinFits: true,
    pinWay: 'overEnd',
    through: { wrenchLengthMm: 400, offsetMm: 40, angleDeg: 90 },
    seatedAndBackedOff: true,
    seatNm: 68,
    wrench: 'w',
    source: 'typed',
    entered: { value: 40.6, unit: 'lbf·ft' },
    confirmed: true,
    pass: 1,
    trace: 'AAAA',
    issued: 'reading.code',
  },
  confirmStop: { type: 'confirmStop', station: 's', reason: 'seen' },
  seeMark: { type: 'seeMark', station: 's' },
  mendThread: { type: 'mendThread', station: 's', rung: 'brush', runs: true, note: 'brass brush' },
  addWasher: {
    type: 'addWasher',
    station: 's',
    under: 'head',
    insideMm: 10.5,
    outsideMm: 20,
    thicknessMm: 2,
    hardnessHv: 300,
    reason: 'slot',
  },
  loosen: { type: 'loosen', station: 's', to: 'out', reason: 'access' },
  setLoadState: { type: 'setLoadState', state: 'onWheels', measuredMm: 412, heights: { 'front left': 512 } },
  correctPull: { type: 'correctPull', station: 's', pull: 'p', torqueNm: 54, reason: 'misread', pinFits: true },
  raiseProblem: { type: 'raiseProblem', station: 's', text: 'thread is torn' },
  clearProblem: { type: 'clearProblem', problem: 'p', how: 'recut' },
  useCalculation: {
    type: 'useCalculation',
    station: 's',
    tool: 't',
    summary: '22 N·m',
    link: '/bench/value',
    reason: 'none said',
  },
  override: { type: 'override', refusal: 'outOfOrder', station: 's', reason: 'access' },
  acknowledgeBreak: { type: 'acknowledgeBreak', reason: 'compared' },
  close: {
    type: 'close',
    signature: 'Mira Vane',
    note: 'done',
    releases: [{ clock: 'cure:g', endsAtMs: 5, condition: 'no towing' }],
  },
  doAct: {
    type: 'doAct',
    act: 's:check:c',
    answers: { 'at left': 4.6, verdict: 'met', stack: ['a', 'b'], tick: true },
  },
  waiveStep: { type: 'waiveStep', step: 's', reason: 'not on this one' },
  lookAgain: {
    type: 'lookAgain',
    target: { station: 's' },
    way: 'pull',
    holds: true,
    torqueNm: 55,
    entered: { value: 55, unit: 'N·m' },
    wrench: 'w-3',
    note: 'tight',
  },
  waiveCare: { type: 'waiveCare', care: 'a1', reason: 'sold on' },
  beginClock: { type: 'beginClock', act: 's:soak:', sinceMs: 5 },
  takeStep: { type: 'takeStep', step: 's' },
  setBayTemperature: { type: 'setBayTemperature', tempC: 8 },
  park: { type: 'park', reason: 'parts', may: 'roll' },
  resume: { type: 'resume' },
  handBack: { type: 'handBack', kind: 'handedBack', signature: 'Mira Vane', reason: 'owner', may: 'drive' },
  answerPrerequisite: { type: 'answerPrerequisite', prerequisite: 'p', met: true, value: 11, note: 'measured' },
  measure: { type: 'measure', baseline: 'b', place: 'front left', when: 'before', value: 520, photo: 'p' },
  findOut: { type: 'findOut', finding: 'f@left', value: 'seized' },
  arrangeTool: { type: 'arrangeTool', tool: 'act press', how: 'rented', from: 'Sallow Hire' },
  noteBought: { type: 'noteBought', wanted: 'new b1', quantity: 4, expiresOn: '2027-01-31' },
  addStep: { type: 'addStep', text: 'Draw the stud', before: 's', problem: 'p', minutes: 10 },
  makeChoice: { type: 'makeChoice', choice: 'c', option: 'o', chosenBy: 'owner' },
  doStep: { type: 'doStep', step: 's', helper: 'Hob' },
  openDebt: { type: 'openDebt', debt: 'd' },
  addDebt: { type: 'addDebt', name: 'Plug', kind: 'disconnect', count: 1, end: 'cleared', note: 'left' },
  closeDebt: { type: 'closeDebt', debt: 'd', count: 1, end: 'refit', note: 'ok', newPieces: true },
  arrangeRefit: { type: 'arrangeRefit', order: ['d'] },
  giveFigure: { type: 'giveFigure', target: 't', figure, source: 'vehicleMaker', note: 'page 3' },
  settleConflict: { type: 'settleConflict', conflict: 'c', choice: 'o', figure, reason: 'newer' },
  splitShared: { type: 'splitShared', key: 'k', reason: 'two of them' },
  dropKit: { type: 'dropKit', prefix: 'k/', reason: 'sent back' },
  overrideStep: { type: 'overrideStep', refusal: 'r', step: 's', reason: 'access' },
  undo: { type: 'undo' },
};
const COMMANDS = Object.entries(FULL) as Array<[DeviceCommand['type'], Record<string, unknown>]>;
const FIELDS = COMMANDS.flatMap(([name, command]) =>
  Object.keys(command)
    .filter((field) => field !== 'type')
    .map((field) => [name, field] as const),
);
const faults = (command: unknown) => {
  const read = JobCommandSchema.safeParse(command);
  return read.success ? [] : read.error.issues;
};
const places = (command: unknown) => faults(command).map(({ path }) => path.join('.'));

describe('what a device may ask, off the wire', () => {
  it.each(COMMANDS)('%s is read as it was sent', (_, command) => {
    expect(JobCommandSchema.parse(JSON.parse(JSON.stringify(command)))).toEqual(command);
  });
  it.each(COMMANDS)('%s takes no word it does not know', (_, command) => {
    expect(faults({ ...command, stray: 1 })).toMatchObject([{ code: 'unrecognized_keys', keys: ['stray'] }]);
  });
  it.each(FIELDS)('%s with %s of no kind at all is refused by that name', (name, field) => {
    // Answers are words by words: any object of plain values is one.
    const nothing = name === 'doAct' && field === 'answers' ? [{ nothing: { known: 1 } }] : [{ nothing: 'known' }];
    for (const value of [...nothing, Number.NaN, Number.POSITIVE_INFINITY])
      expect(places({ ...FULL[name], [field]: value })[0]?.split('.')[0]).toBe(field);
  });
  it.each(FIELDS.filter(([name, field]) => typeof (FULL[name] as never)[field] === 'string'))(
    '%s with %s longer than anything is refused by that name',
    (name, field) => {
      const longest = Math.max(...Object.values(LONGEST), 1000, PACKED_LENGTH);
      expect(new Set(places({ ...FULL[name], [field]: 'x'.repeat(longest + 1) }))).toEqual(new Set([field]));
    },
  );
  it('names an act it does not know, and a kit does not come in as one', () => {
    for (const type of ['fly', 'addKit', '', 7, null, undefined])
      expect(faults({ type, kit: 'k', prefix: 'k/' })).toMatchObject([{ path: ['type'] }]);
    for (const command of [null, 'pull', [], 4]) expect(faults(command)).not.toEqual([]);
  });
});
