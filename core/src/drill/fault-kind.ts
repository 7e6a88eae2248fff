/** Where a learner meets a fault: in the bag, on the sheet, at the joint before a bolt goes in, in the hand that pulls, or on the clock. */
export const FAULT_ROOMS = ['bag', 'sheet', 'hole', 'pull', 'clock'] as const;
export type FaultRoom = (typeof FAULT_ROOMS)[number];

/** What a drill can put in a learner's way. */
export const FAULT_KINDS = [
  'short',
  'wrongClass',
  'wrongLength',
  'damagedThread',
  'wrongSide',
  'swapped',
  'usedBolt',
  'usedNut',
  'lostDecimal',
  'unitSlip',
  'contradiction',
  'missingFigure',
  'forceForTorque',
  'lockerOnLockNut',
  'wrongCount',
  'calledByHead',
  'seizedStud',
  'poorHole',
  'undeclaredPart',
  'leftInPlace',
  'greasyThread',
  'halfDone',
  'leftHandThread',
  'washerMissing',
  'partReversed',
  'greasyFace',
  'neighbourLoose',
  'gapUneven',
  'hotPart',
  'onJackAlone',
  'wrongWrench',
  'crossed',
  'bottomed',
  'stripping',
  'slippery',
  'alreadyTight',
  'soft',
  'lockerSet',
] as const;
export type FaultKind = (typeof FAULT_KINDS)[number];

/** From when on it does its harm: once the first of its joints is started by hand, or pulled. */
export type HarmFrom = 'start' | 'pull';

interface Fault {
  room: FaultRoom;
  /** What it is put on. */
  on: 'item' | 'group' | 'station';
  harmFrom: HarmFrom;
  /** From 1, told at a glance, to 4, told by feel alone (chosen by us). */
  level: 1 | 2 | 3 | 4;
  /** The mistakes of the trade it stands for, by their numbers in the list of the product's capabilities. */
  mistakes: readonly string[];
}

export const FAULTS: Readonly<Record<FaultKind, Fault>> = {
  short: { room: 'bag', on: 'item', harmFrom: 'start', level: 1, mistakes: ['M26'] },
  damagedThread: { room: 'bag', on: 'item', harmFrom: 'start', level: 1, mistakes: ['M15'] },
  wrongLength: { room: 'bag', on: 'item', harmFrom: 'start', level: 2, mistakes: ['M37', 'M65'] },
  wrongSide: { room: 'bag', on: 'item', harmFrom: 'start', level: 2, mistakes: ['M12'] },
  wrongClass: { room: 'bag', on: 'item', harmFrom: 'start', level: 3, mistakes: ['M06', 'M11'] },
  swapped: { room: 'bag', on: 'item', harmFrom: 'start', level: 2, mistakes: ['M09', 'M65'] },
  usedBolt: { room: 'bag', on: 'item', harmFrom: 'start', level: 3, mistakes: ['M44'] },
  usedNut: { room: 'bag', on: 'item', harmFrom: 'start', level: 3, mistakes: ['M21'] },
  missingFigure: { room: 'sheet', on: 'group', harmFrom: 'pull', level: 1, mistakes: ['M27'] },
  lostDecimal: { room: 'sheet', on: 'group', harmFrom: 'pull', level: 2, mistakes: ['M05', 'M06'] },
  contradiction: { room: 'sheet', on: 'group', harmFrom: 'pull', level: 3, mistakes: ['M07', 'M09', 'M10'] },
  unitSlip: { room: 'sheet', on: 'group', harmFrom: 'pull', level: 4, mistakes: ['M01'] },
  forceForTorque: { room: 'sheet', on: 'group', harmFrom: 'pull', level: 2, mistakes: ['M08'] },
  wrongCount: { room: 'sheet', on: 'group', harmFrom: 'pull', level: 2, mistakes: ['M25', 'M31'] },
  calledByHead: { room: 'sheet', on: 'group', harmFrom: 'pull', level: 3, mistakes: ['M02', 'M03', 'M65'] },
  lockerOnLockNut: { room: 'sheet', on: 'group', harmFrom: 'pull', level: 3, mistakes: ['M43'] },
  seizedStud: { room: 'hole', on: 'station', harmFrom: 'start', level: 1, mistakes: ['M51'] },
  poorHole: { room: 'hole', on: 'station', harmFrom: 'start', level: 2, mistakes: ['M04', 'M16'] },
  undeclaredPart: { room: 'hole', on: 'station', harmFrom: 'start', level: 2, mistakes: ['M60'] },
  leftInPlace: { room: 'hole', on: 'station', harmFrom: 'start', level: 1, mistakes: ['M23'] },
  greasyThread: { room: 'hole', on: 'station', harmFrom: 'start', level: 2, mistakes: ['M40'] },
  halfDone: { room: 'hole', on: 'station', harmFrom: 'start', level: 3, mistakes: ['M22', 'M30'] },
  leftHandThread: { room: 'hole', on: 'station', harmFrom: 'start', level: 2, mistakes: ['M36'] },
  washerMissing: { room: 'hole', on: 'station', harmFrom: 'start', level: 1, mistakes: ['M14'] },
  partReversed: { room: 'hole', on: 'station', harmFrom: 'start', level: 2, mistakes: ['M13'] },
  greasyFace: { room: 'hole', on: 'station', harmFrom: 'start', level: 2, mistakes: ['M42'] },
  neighbourLoose: { room: 'hole', on: 'station', harmFrom: 'start', level: 3, mistakes: ['M24'] },
  gapUneven: { room: 'hole', on: 'station', harmFrom: 'start', level: 2, mistakes: ['M54', 'M55', 'M58'] },
  hotPart: { room: 'hole', on: 'station', harmFrom: 'start', level: 1, mistakes: ['M49'] },
  onJackAlone: { room: 'hole', on: 'station', harmFrom: 'start', level: 1, mistakes: ['M46', 'M48'] },
  wrongWrench: { room: 'hole', on: 'station', harmFrom: 'pull', level: 2, mistakes: ['M53'] },
  crossed: { room: 'pull', on: 'station', harmFrom: 'pull', level: 2, mistakes: ['M15'] },
  bottomed: { room: 'pull', on: 'station', harmFrom: 'pull', level: 3, mistakes: ['M37'] },
  stripping: { room: 'pull', on: 'station', harmFrom: 'pull', level: 2, mistakes: ['M06'] },
  slippery: { room: 'pull', on: 'station', harmFrom: 'pull', level: 4, mistakes: ['M40', 'M41'] },
  alreadyTight: { room: 'pull', on: 'station', harmFrom: 'pull', level: 3, mistakes: ['M29'] },
  soft: { room: 'pull', on: 'station', harmFrom: 'pull', level: 4, mistakes: ['M33'] },
  lockerSet: { room: 'clock', on: 'group', harmFrom: 'pull', level: 3, mistakes: ['M38'] },
};

/** The kinds a learner may name in one room, wrong ones among them. */
export const kindsOfRoom = (room: FaultRoom): FaultKind[] => FAULT_KINDS.filter((kind) => FAULTS[kind].room === room);
