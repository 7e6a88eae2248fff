import type { ClassFault } from '#core/fastener/property-class.ts';
import type { ThreadError } from '#core/fastener/thread.ts';
import type { InputFault } from '#core/quantity/input-fault.ts';
import type { ParseError } from '#core/quantity/parse-printed.ts';
import type { ProposalFault } from '#core/tightening/proposed-torque.ts';
import { inLanguage, say } from '../say.ts';

/** What is wrong with a number or name given to a calculation, in English. */
export const INPUT_FAULTS: Record<InputFault['code'], string> = inLanguage({
  outOfRange: 'must be between {min} and {max}{unit}, was {value}',
  notANumber: 'must be a number{unit, select, none {} other { in{unit}}}, such as 12.5',
  notListed: 'no table here has {value}; known: {known}',
  contradiction: 'contradicts {with}: {reason}',
});

/** Units by the end of a field's name, as they stand behind a figure. */
export const UNIT_OF_ENDING: ReadonlyArray<readonly [RegExp, string]> = [
  [/MmPerN$/, 'mm/N'],
  [/NPerMm$/, 'N/mm'],
  [/Mm$/, 'mm'],
  [/Nm$/, 'N·m'],
  [/Mpa$/, 'N/mm²'],
  [/Deg$/, '°'],
  [/[a-z]C$/, '°C'],
  [/Min$/, 'min'],
  [/[a-z]H$/, 'h'],
  [/[a-z]N$/, 'N'],
  [/Kmh$/, 'km/h'],
  [/Ml$/, 'mL'],
];

/** What a field is called by a person. What is not here keeps its own name. */
export const FIELD_WORDS: Record<string, string> = inLanguage({
  wrenchLengthMm: 'the length of the wrench',
  offsetMm: 'the offset',
  torqueNm: 'the torque',
  setNm: 'the setting',
  fullCureH: 'the time to full cure',
  fixtureMin: 'the time to hand strength',
  blindDepthMm: 'the closed nut’s depth',
  nutMm: 'the open nut’s thread',
  bearingMm: 'the bearing face',
  holeMm: 'the hole',
  gripMm: 'the clamped length',
  shankMm: 'the plain shank',
  compliance: 'the flange’s matrix',
  bolts: 'the bolts',
});

/** What is wrong with the form of what was given to a calculation: shape, kind, choice. Examples by field. */
export const INPUT_SHAPE = inLanguage({
  unknownField: 'is no field of this topic; it has {fields}',
  missing: 'is missing: give {example}',
  number: 'must be a number{unit, select, none {} other { in{unit}}}, such as {example}',
  text: 'must be text, such as {example}',
  truth: 'must be true or false',
  list: 'must be a list, such as {example}',
  object: 'must be one object of fields, such as {example}',
  choice: 'must be one of {choices}',
  shape: 'must be {example}',
  tooFew: 'must be at least {least}',
  tooMany: 'must be at most {most}',
  whole: 'must be a whole number, such as {example}',
} as const);

/** What a field wants, by its name, or by topic and name where topics differ: what there is no example for is a number. */
export const INPUT_EXAMPLES: Record<string, string> = {
  thread:
    'a callout such as "M10 × 1.5", "3/8-16" or "#10-32", or { "nominalMm": 10, "pitchMm": 1.5 }, or { "diameterIn": 0.375, "threadsPerInch": 16 }',
  propertyClass: '"8.8", "grade 5" or "A2-70"',
  from: 'a finish such as "dry", or a coefficient such as 0.12',
  to: 'a finish such as "antiSeize", a coefficient such as 0.1, or a list of them',
  'convert.from': '"lbf·ft"',
  'convert.to': '"N·m"',
  'convert.value': '90',
  into: '"nut", or what the thread is tapped into, such as "aluminium"',
  text: '"80-100 in-lb"',
  points: '[{ "setNm": 120, "referenceNm": [119, 121, 120, 122, 118] }]',
  referenceNm: '[119, 121, 120, 122, 118]',
  history: '[0.01, -0.005, 0.02]',
  times: '{ "workingWindowMin": 12, "fixtureMin": 20, "fullCureH": 24 }',
  circle: '{ "bolts": 6, "diameterMm": 120 }',
  positions: '[{ "xMm": 0, "yMm": -60 }, { "xMm": 60, "yMm": 0 }]',
  complianceMmPerN: '[[4e-6, 1e-6], [1e-6, 4e-6]]',
  pulls: '[{ "bolt": 0, "toN": 15000 }]',
  order: '[0, 3, 1, 4, 2, 5]',
  stages: '[0.5, 1]',
  'linkage.points': '{ "lowerArmFront": [160, 330, 290], "wheelCentre": [0, 800, 380], … }, each [x, y, z] in mm',
  ...Object.fromEntries(
    [
      'lowerArmFront',
      'lowerArmRear',
      'lowerBallJoint',
      'upperArmFront',
      'upperArmRear',
      'upperBallJoint',
      'strutTop',
      'strutLower',
      'clampBoltLower',
      'clampBoltUpper',
      'tieRodInner',
      'tieRodOuter',
      'wheelCentre',
    ].map((point) => [point, say('[x, y, z] in mm, such as [8, 720, 255]')]),
  ),
  innerPivot: '[x, y, z] in mm, such as [330, 200, 300]',
  outerPivot: '[x, y, z] in mm, such as [400, 700, 300]',
  leftWheel: '[x, y, z] in mm, such as [0, 780, 380]',
  rightWheel: '[x, y, z] in mm, such as [0, -780, 380]',
  links: '[{ "name": "trackBar", "body": [-80, 480, 470], "axle": [-80, -440, 390] }]',
  travels: '[{ "leftMm": -40, "rightMm": -40 }]',
  staticCamberDeg: '-0.5',
  staticToeDeg: '0.1',
  tyreLoadedRadiusMm: '340',
  travelsMm: '[-100, 0, 100]',
  change: '{ "upperArmShorterMm": 5 }',
  linkLengthsMm: '{ "tieRod": 352.5 }',
  code: '"265/65 R17"',
  oldTyre: '"265/65 R17", or a diameter in mm such as 776',
  newTyre: '"285/70 R17", or a diameter in mm such as 831',
  indicatedKmh: '100',
  axleRatio: '3.9',
  trailerKg: '1800',
  tongueKg: '150',
  band: '[10, 15] in per cent, or { "min": 0.1, "max": 0.15 }',
  cargo: '[{ "kg": 400, "aheadMm": 150 }]',
  'combination.cargoKg': '120',
  components: '[{ "name": "receiver", "trailerKg": 3500, "tongueKg": 150 }]',
  ratings: '{ "grossKg": 2900, "rearAxleKg": 1600 }',
  activities: '[{ "id": "bead", "minutes": 5, "uses": { "fitter": 1 } }]',
  lags: '[{ "from": "bead", "to": "pull", "minMinutes": 0, "maxMinutes": 15 }]',
  resources: '[{ "id": "fitter", "capacity": 1, "windows": [[0, 480]] }]',
  uses: '{ "fitter": 1 }',
  windows: '[[0, 480], [540, 900]]',
  seconds: '1',
  seed: '1',
  targetShare: '0.11',
  tongueShare: '0.1',
  kerbFrontShare: '0.55',
  occupantsFrontShare: '0.5',
  cargoFrontShare: '0.1',
  loadFrontShare: '0.4',
  'linkage.input':
    '{ "type": "doubleWishbone", "points": { … }, "staticCamberDeg": -0.5, "staticToeDeg": 0.1, "tyreLoadedRadiusMm": 340 }',
  'tyre.input': '{ "code": "265/65 R17" }',
  input: '{ "thread": "M10", "propertyClass": "8.8" }',
  'convert.input': '{ "text": "90 ft-lb", "to": "N·m" } or { "value": 90, "from": "lbf·ft", "to": "N·m" }',
  friction: '0.12',
  threadFriction: '0.12',
  headFriction: '0.12',
  nutFactor: '0.2',
  yieldShare: '0.9',
  proofShare: '0.75',
  count: '4',
  bolts: '6',
  bolt: '0',
};
export const EXAMPLE_NUMBER = '12.5';

/** Why a property class cannot be used for a thread. */
export const CLASS_FAULTS: Record<ClassFault['code'], string> = inLanguage({
  classUnknown: '“{propertyClass}” is no class or grade known here; known: {known}',
  classNotForSize:
    '{propertyClass} {reason, select, metricOnly {exists for metric threads only} inchOnly {exists for inch threads only} tooLarge {is not standardised for so large a thread} other {is not standardised for so small a thread}}',
});

/** Why a thread callout could not be read. */
export const THREAD_ERRORS: Record<ThreadError['code'], string> = inLanguage({
  driveSizeNotThread: '“{text}” is the size of a socket, not a thread: say M10 or 3/8-16',
  pitchUnknown: 'no standard pitch is known for “{text}”: give it, as in M9 × 1',
  seriesContradicts:
    '“{text}” names two threads: {printed} threads per inch is not {series} at this size, which has {listed}. Leave out the one that is wrong',
  threadUnreadable:
    '“{text}” is not a thread: write M10, M10 × 1.25, M6x1-6g, 3/8-16, 7/16-20 UNF-2A, #10-32 or M12 LH',
});

/** Why a printed quantity could not be read. */
export const PARSE_ERRORS: Record<ParseError['code'], string> = inLanguage({
  empty: 'nothing was given',
  numberMissing: 'no number in “{text}”',
  unitMissing: 'no unit after “{text}”',
  unitUnknown: '“{unit}” is no unit known here',
  wrongDimension: '{unit} does not measure {expected}',
  ambiguousComma: '“{text}” may mean {asDecimal} or {asThousands}: write it with a point',
  rangeReversed: 'the range runs backwards, from {min} to {max}',
  zeroDenominator: '“{text}” divides by zero',
  negative: '“{text}” is below nothing: only a temperature may have a minus',
  belowAbsoluteZero: '“{text}” is colder than anything can be: −273.15 °C, −459.67 °F is the least',
  tooLarge: '“{text}” has more digits than anything on a vehicle: look for a slip',
});

/** Why no torque is proposed. */
export const PROPOSAL_FAULTS: Record<Exclude<ProposalFault['code'], ClassFault['code']>, string> = inLanguage({
  safetyCritical: 'no value is proposed for a {tag} joint: only the kit’s sheet or the vehicle maker’s manual',
  headNotListed: '{head} does not list this size',
});
