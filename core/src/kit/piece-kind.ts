/** What a line of a packing list is. */
export const ITEM_KINDS = [
  'bolt',
  'nut',
  'washer',
  'pin',
  'clip',
  'insert',
  'part',
  'compound',
  'stud',
  'collar',
  'coupler',
  'clamp',
] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

export const HEAD_SHAPES = [
  'hex',
  'hexFlange',
  'socketCap',
  'button',
  'countersunk',
  'castle',
  /** Twelve points outside, on a flange. */
  'twelvePoint',
  /** A star inside a round head. */
  'sixLobe',
  /** A star outside, on a flange. */
  'sixLobeOutside',
  /** A mushroom over a square neck. */
  'carriage',
  'square',
  'eye',
  'none',
] as const;
export type HeadShape = (typeof HEAD_SHAPES)[number];

/**
 * How a piece is made, within its kind; where none is named it is the plain one: a straight bolt, a hex nut, a flat
 * washer, a smooth pin. Of a part, the silhouette that comes nearest.
 */
export const PIECE_FORMS = {
  bolt: ['uBolt', 'banjo'],
  nut: ['barrel', 'weld', 'clip', 'rivet', 'plate', 'cap'],
  washer: ['lock', 'star', 'conical', 'fender', 'square', 'seal', 'shim'],
  pin: ['split', 'rClip', 'dowel', 'clevis', 'roll'],
  clip: ['circlipOutside', 'circlipInside', 'pushIn', 'pClip', 'tie', 'blindRivet', 'grommet'],
  insert: ['coil', 'slideIn'],
  part: [
    'plate',
    'angle',
    'channel',
    'arm',
    'bar',
    'pipe',
    'bentPipe',
    'elbow',
    'hose',
    'block',
    'coilSpring',
    'leafSpring',
    'ring',
    'key',
  ],
  compound: [],
  stud: ['collar'],
  collar: ['spacer', 'sleeve', 'bush'],
  coupler: [],
  clamp: ['worm', 'tBolt', 'vBand', 'springBand'],
} as const satisfies Record<ItemKind, readonly string[]>;
export type PieceForm = (typeof PIECE_FORMS)[ItemKind][number];

/** Forms a kind comes in. */
export const formsOf = (kind: ItemKind): readonly PieceForm[] => PIECE_FORMS[kind];

/** Every form, each once; a form's name may belong to two kinds (a clip nut is no clip). */
export const ALL_FORMS: readonly PieceForm[] = [...new Set(ITEM_KINDS.flatMap(formsOf))];

/** An outline of a part as its maker drew it, mm, seen from the front; of a handed part, of the left one. */
export interface PartOutline {
  /** Corners of the closed shape. */
  points: Array<[number, number]>;
  holes?: Array<{ xMm: number; yMm: number; acrossMm: number }>;
}

/** What is compared when an old part is laid beside its new one. */
export const BESIDE = ['length', 'height', 'thickness', 'angle', 'holes', 'hand'] as const;
export type BesideWhat = (typeof BESIDE)[number];

/** Whether a piece may go on with a joint group and stand in no station: a part, and a U-bolt, whose nuts are the stations. */
export const goesOnAsPart = ({ kind, form }: { kind: ItemKind; form?: PieceForm }): boolean =>
  kind === 'part' || form === 'uBolt';
