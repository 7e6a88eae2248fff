/** Why the trade takes one way and not another, where no sheet says it. Common practice, no source. */
export const TRADE_REASONS = [
  'wheelsComeOff',
  'jackOnly',
  'ratedTooLow',
  'usedUp',
  'usedBefore',
  'pressesTaper',
  'strikesTaper',
  'forksTaper',
  'forksScrap',
  'pressesSleeve',
  'burnsBush',
  'lockerByHand',
  'lockerByHeat',
  'lockerCold',
  'hammersLocked',
  'electricBrake',
  'handBrakeHolds',
  'tyreHolds',
  'barHolds',
  'counterHolds',
  'pedalHolds',
  'fitLoose',
  'fitAsItIs',
  'fitPress',
  'fitWarm',
  'deformsBore',
] as const;
export type TradeReason = (typeof TRADE_REASONS)[number];

/** A reason of the trade, with what it counts. */
export interface TradeWhy {
  code: TradeReason;
  /** What it is, what it bears and what it would have to bear, kg. */
  gear?: string;
  ratedKg?: number;
  needKg?: number;
  used?: number;
  most?: number;
}
