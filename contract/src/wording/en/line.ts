import type { MayDo } from '#core/job/visit-state.ts';
import type { ClockGate, ComparePoint, HoldBy, StepAction, ThreadEnd } from '#core/kit/step-action.ts';
import type { AskAbout } from '#core/line/ask.ts';

/** The line's own words. Names in braces are filled in by `ask-text.ts`. */

export const SLACKEN_TEXT: Record<Extract<StepAction, { type: 'slacken' }>['to'], string> = {
  inPlace: 'in place, not out',
  threadEnd: 'to the end of its thread, the nut stays on',
};

export const COMPARE_TEXT: Record<ComparePoint, string> = {
  length: 'Length',
  holes: 'Holes line up',
  angle: 'Angle',
  thickness: 'Thickness',
  direction: 'Direction',
};

export const THREAD_END_TEXT: Record<ThreadEnd, string> = {
  bolt: 'on the bolt’s thread',
  nut: 'in the nut',
  studInner: 'on the stud’s short end',
  studOuter: 'on the stud’s long end',
  hole: 'in the hole',
};

export const HOLD_TEXT: Record<HoldBy, string> = {
  counterHold: 'counter-held with a second tool',
  helperPedal: 'a helper on the brake pedal',
  handBrake: 'the hand brake',
  tyreContact: 'the tyre just touching the floor',
  bar: 'a bar that locks it',
};

export const CLOCK_GATE_TEXT: Record<ClockGate, string> = {
  torque: 'torque',
  wheelsOn: 'wheels on the ground',
  drive: 'driving',
  tow: 'towing and off-road',
};

export const MAY_TEXT: Record<MayDo, string> = {
  stand: 'stand, nothing more',
  roll: 'be rolled by hand',
  drive: 'be driven',
  tow: 'be driven and tow',
};

/** What each question says. */
export const ASK_TEXT: Record<AskAbout, string> = {
  place: '{what}',
  point: '{what}',
  helper: 'This takes {what, select, none {two} other {{what}}} people. Who helps?',
  method: 'How is it done?',
  methodReason: 'Why this way all the same?',
  supported: 'Held up: {what}',
  hangsFrom: 'It must not hang on {what}. What does it hang from?',
  piece: 'Which piece goes in: {what}',
  uses: 'How often was it tightened before?',
  seal: 'Its seal is in: {what}',
  facing: '{what}',
  tag: 'Tag on {what}: side and place',
  tagBack: 'What does the tag on {what} say?',
  sealedAndTied: '{what}: end sealed and tied up',
  heldUpBy: 'What holds the vehicle up?',
  chocks: 'Where do the chocks stand?',
  standsSet: 'Stands under its jacking points, weight on them, pushed once',
  padsSet: 'Pads under its jacking points, raised a hand and shaken',
  chaserSize: 'Which chaser is in the hand, for {what}?',
  temperature: 'Temperature: {what}',
  value: '{what}',
  verdict: '{what, select, none {Is it so?} other {{what}}}',
  template: 'Template on: {what}',
  punched: 'Centre punched',
  piloted: 'Pilot hole, {what}',
  drillSize: 'Drill in the chuck{what, select, none {} other {, {what}}}',
  edgeDistance: 'From the hole’s centre to the edge',
  deburred: 'Deburred, chips out',
  treated: 'Bare metal treated: {what}',
  photo: 'Photo',
  reason: 'Why: {what}',
  way: 'This cannot be taken back. Which way?',
  option: '{what}',
  chosenBy: 'Who chose{what, select, owner {, for the owner} other {}}?',
  mark: 'What is stamped on {what}?',
  insert: 'Seated and held by a magnet or a finger: {what}',
  serial: 'Number on {what}',
  stack: 'Piece by piece, head first',
  depth: 'Depth{what, select, none {} other { in {what}}}',
  length: 'Length, {what}',
  inMesh: 'Thread in mesh, {what}, the shorter end',
  equalThread: 'Equal thread shows at both ends, {what}',
  holdBy: 'What holds it?',
  amount: 'How much: {what}',
};

/** Answers that are ours and not the kit's. */
export const OPTION_TEXT: Record<string, string> = {
  met: 'It is so',
  notMet: 'Not so',
  new: 'A new one',
  again: 'The old one again',
  same: 'Same',
  differs: 'Differs',
  lift: 'Lift',
  stands: 'Stands',
  ramps: 'Ramps',
  jackOnly: 'The jack alone',
  front: 'Front wheels',
  rear: 'Rear wheels',
  reversible: 'The way that can be taken back',
  forGood: 'For good',
  leftAlone: 'Left as it is',
  another: 'Something else',
  otherwise: 'Otherwise',
  ...HOLD_TEXT,
};
