import type { ThreadRung } from '#core/job/thread-rung.ts';
import type { MayDo } from '#core/job/visit-state.ts';
import type { ClockGate, ComparePoint, HoldBy, StepAction, ThreadEnd } from '#core/kit/step-action.ts';
import type { AskAbout } from '#core/line/ask.ts';
import type { TradeReason } from '#core/line/trade-why.ts';
import { inLanguage } from '../say.ts';

/** The line's own words. Names in braces are filled in by `ask-text.ts`. */

export const SLACKEN_TEXT: Record<Extract<StepAction, { type: 'slacken' }>['to'], string> = inLanguage({
  inPlace: 'in place, not out',
  threadEnd: 'to the end of its thread, the nut stays on',
});

export const COMPARE_TEXT: Record<ComparePoint, string> = inLanguage({
  length: 'Length',
  holes: 'Holes line up',
  angle: 'Angle',
  thickness: 'Thickness',
  direction: 'Direction',
});

export const THREAD_END_TEXT: Record<ThreadEnd, string> = inLanguage({
  bolt: 'on the bolt’s thread',
  nut: 'in the nut',
  studInner: 'on the stud’s short end',
  studOuter: 'on the stud’s long end',
  hole: 'in the hole',
});

export const HOLD_TEXT: Record<HoldBy, string> = inLanguage({
  counterHold: 'counter-held with a second tool',
  helperPedal: 'a helper on the brake pedal',
  handBrake: 'the hand brake',
  tyreContact: 'the tyre just touching the floor',
  bar: 'a bar that locks it',
});

export const CLOCK_GATE_TEXT: Record<ClockGate, string> = inLanguage({
  torque: 'torque',
  wheelsOn: 'wheels on the ground',
  drive: 'driving',
  tow: 'towing and off-road',
});

export const MAY_TEXT: Record<MayDo, string> = inLanguage({
  stand: 'stand, nothing more',
  roll: 'be rolled by hand',
  drive: 'be driven',
  tow: 'be driven and tow',
});

/** What each question says. */
export const ASK_TEXT: Record<AskAbout, string> = inLanguage({
  place: '{what}',
  point: '{what}',
  helper: 'This takes {what, select, none {two} other {{what}}} people. Who helps?',
  method: 'How is it done?',
  methodReason: 'Why this way all the same?',
  supported: 'Held up: {what}',
  hangsFrom: 'It must not hang on {what}. What does it hang from?',
  piece: 'Which piece goes in: {what}',
  count: 'How many are tightened again: {what}',
  uses: 'How often was it tightened before?',
  seal: 'Its seal is in: {what}',
  facing: '{what}',
  tag: 'Tag on {what}: side and place',
  tagBack: 'What does the tag on {what} say?',
  sealedAndTied: '{what}: end sealed and tied up',
  heldUpBy: 'What holds the vehicle up?',
  chocks: 'Where do the chocks stand?',
  standsSet: 'Stands under its jacking points, weight on them, pushed once',
  rampsSet: 'Driven up straight, hand brake on, in gear',
  padsSet: 'Pads under its jacking points, raised a hand and shaken',
  chaserSize: 'Which chaser is in the hand, for {what}?',
  temperature: 'Temperature: {what}',
  value: '{what}',
  instrument: 'Measured with',
  shims: 'Put in, {what}',
  lobe: 'Lobe from neutral, {what}: outwards is above 0',
  verdict: '{what, select, none {Is it so?} other {{what}}}',
  remarks: 'Anything to remark?',
  template: 'Template on: {what}',
  punched: 'Centre punched',
  piloted: 'Pilot hole, {what}',
  drillSize: 'Drill in the chuck{what, select, none {} other {, {what}}}',
  edgeDistance: 'From the hole’s centre to the edge',
  deburred: 'Deburred, chips out',
  treatment: 'Done to it: {what}',
  treated: 'Bare metal treated: {what}',
  photo: 'Photo',
  reason: 'Why: {what}',
  way: 'This cannot be taken back. Which way?',
  option: '{what}',
  finding: '{what}',
  chosenBy: 'Who chose{what, select, owner {, for the owner} other {}}?',
  mark: 'What is stamped on {what}?',
  insert: 'Seated and held by a magnet or a finger: {what}',
  serial: 'Number on {what}',
  besideLength: '{what, select, old {The old one beside it: its length} other {The new one: its length}}',
  besideHeight: '{what, select, old {The old one beside it: its free height} other {The new one: its free height}}',
  besideThickness: '{what, select, old {The old one beside it: how thick} other {The new one: how thick}}',
  besideAngle: '{what, select, old {The old one beside it: its angle} other {The new one: its angle}}',
  besideHoles: 'Old beside new: do the holes of {what} meet?',
  besideHand: 'Old beside new: is {what} of the same hand, bent the same way?',
  stack: 'Piece by piece, head first',
  depth: 'Depth{what, select, none {} other { in {what}}}',
  length: 'Length, {what}',
  inMesh: 'Thread in mesh, {what}, the shorter end',
  equalThread: 'Equal thread shows at both ends, {what}',
  holdBy: 'What holds it?',
  wayOff: 'How does it come out: {what}?',
  boreSize: 'Bore measured{what, select, none {} other {, {what}}}',
  bushSize: 'Outside measured{what, select, none {} other {, {what}}}',
  wayIn: 'How does it go in{what, select, none {} other {: {what}}}?',
  amount: 'How much: {what}',
});

/** Ways of saving a damaged thread. */
export const THREAD_RUNG_TEXT: Record<ThreadRung, { name: string; how: string }> = inLanguage({
  brush: { name: 'Brush', how: 'Brush it dry with brass, blow it out, and try a good bolt with fingers alone.' },
  chaser: { name: 'Chaser', how: 'A chaser of its own size and pitch, oiled: it reforms and cuts nothing.' },
  tap: {
    name: 'Tap',
    how: 'A tap cuts metal away: the thread is weaker after. Square to the hole, oiled, half a turn back for each turn in.',
  },
  insert: {
    name: 'Insert',
    how: 'The thread is cut out and an insert of its own size goes in, as long as one and a half bolts are thick where it has the room.',
  },
});

/** Why the trade takes one way and not another. */
export const TRADE_TEXT: Record<TradeReason, string> = inLanguage({
  wheelsComeOff: 'The wheels come off: it cannot stand on them.',
  jackOnly: 'A jack raises; it does not hold.',
  ratedTooLow: '{gear} bears {ratedKg} kg; it would have to bear {needKg} kg.',
  usedUp: 'Tightened {used} times in this shop, and its rule is {most}.',
  usedBefore: 'Tightened {used, plural, one {once} other {# times}} here; the shop’s rule is {most}.',
  pressesTaper: 'The boot and the taper stay whole.',
  strikesTaper: 'Only where the vehicle maker allows it: the eye bruises, and a slip hits the boot.',
  forksTaper: 'It tears the boot of a joint that goes back on.',
  forksScrap: 'The joint is scrap: its boot may tear.',
  pressesSleeve: 'The bore stays round.',
  burnsBush: 'Fumes and a scored bore; only for a bush that is scrap.',
  lockerByHand: 'Medium strength lets go of a hand tool.',
  lockerByHeat: 'High strength lets go at about 250 °C. Keep the flame off rubber, boots, paint and lines.',
  lockerCold: 'The bolt twists off before the locker lets go.',
  hammersLocked: 'The blows round the head and shear the thread.',
  electricBrake: 'Its motor and gear give before the nut does.',
  handBrakeHolds: 'Only a brake pulled by a lever and a cable.',
  tyreHolds: 'The tyre just touches the floor; the weight stays on the stands.',
  barHolds: 'Across two studs, their threads covered by nuts.',
  counterHolds: 'A second tool on its other end.',
  pedalHolds: 'Somebody in the seat, who does nothing else.',
  fitLoose: 'The measured fit is loose: retaining compound fills it.',
  fitAsItIs: 'The measured fit slides: it goes in as it is.',
  fitPress: 'The measured fit is for the press.',
  fitWarm: 'The measured fit is tight: warm the bore or chill the bush.',
  deformsBore: 'The last of all: a bore that was staked holds once.',
});

/** Answers that are ours and not the kit's. */
export const OPTION_TEXT: Record<string, string> = inLanguage({
  met: 'It is so',
  notMet: 'Not so',
  new: 'A new one',
  again: 'The old one again',
  same: 'Same',
  differs: 'Differs',
  lift: 'Lift',
  stands: 'Stands',
  ramps: 'Ramps',
  floor: 'On the floor',
  jackOnly: 'The jack alone',
  front: 'Front wheels',
  rear: 'Rear wheels',
  reversible: 'The way that can be taken back',
  forGood: 'For good',
  leftAlone: 'Left as it is',
  pressTaper: 'Press it with a joint press',
  strikeTaper: 'Strike the eye from both sides',
  fork: 'Drive a fork in',
  pressSleeve: 'Press, over a sleeve of its size',
  burnOut: 'Burn or drill it out',
  handTool: 'Hand tool, one steady pull',
  impact: 'Impact wrench',
  heat: 'Heat the nut, turn it hot',
  cold: 'Force it cold',
  electricBrake: 'The electric parking brake',
  retain: 'With retaining compound',
  pushIn: 'Pushed in by hand',
  pressIn: 'Pressed in',
  warmOrChill: 'Bore warmed or bush chilled',
  deformBore: 'Bore staked or peened',
  another: 'Something else',
  otherwise: 'Otherwise',
  ...HOLD_TEXT,
});
