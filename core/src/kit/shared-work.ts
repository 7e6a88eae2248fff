/** Something two kits ask for that is done once, or one joint that two kits name. */
export interface SharedWork {
  /** Stays the same whatever else is in the visit, so that a person can say "these are two things". */
  key: string;
  what: 'removed' | 'disconnect' | 'neighbour' | 'baseline' | 'check' | 'word' | 'station' | 'aftercare' | 'caution';
  name: string;
  /** Told by a place both kits name, or only by the same words. */
  by: 'place' | 'name';
  members: Array<{ kit: string; id: string }>;
  /** For a joint: the station that is worked; the others stand behind it. */
  keeps?: string;
}
