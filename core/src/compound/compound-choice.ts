import { type CompoundKind, isLocker } from './compound.ts';

/** What is asked of a thread. */
export interface ThreadDuty {
  diameterMm: number;
  /** Must come apart again with hand tools. */
  mustComeApart: boolean;
  hotC: number;
  vibration: 'low' | 'high';
  /** A joint that must never loosen: driveline, hub, brake, steering. */
  mustNeverLoosen: boolean;
  nut: 'plain' | 'nylonInsert' | 'allMetalLocking';
  metals: 'steel' | 'stainless' | 'aluminiumWithSteel' | 'galvanised';
  nearPlastic?: boolean;
  oxygenOrExhaustSensor?: boolean;
}

export type Caveat =
  | 'sheetFirst'
  | 'inactiveNeedsPrimer'
  | 'noLockerOnLockingNut'
  | 'keepOffPlastic'
  | 'tooHotForLocker'
  | 'antiSeizeNeedsLessTorque'
  | 'galvanicPair'
  | 'nylonLimit'
  | 'stainlessGalls'
  | 'largeThreadHigh'
  | 'heatToUndo';

export interface CompoundChoice {
  choice: CompoundKind | 'none';
  /** Which anti-seize, where that is the choice. */
  base?: AntiSeizeBase;
  caveats: Caveat[];
}

/** Temperature above which common anaerobic lockers lose their hold, °C. Common practice, no source. */
export const LOCKER_LIMIT_C = 150;
/** Screws up to this size have a low strength locker, mm: the bond of a stronger one outlasts them. Common practice, no source. */
const SMALL_SCREW_MM = 6;
/** Nylon of a locking nut softens, °C. @see ISO 2320:2015 (nylon insert nuts to 120 °C) */
const NYLON_LIMIT_C = 120;

export type AntiSeizeBase = 'copper' | 'nickel' | 'aluminium' | 'zinc' | 'moly';

/** Temperature each base stands, °C, and what it must not touch. Common practice, no source. */
export const ANTI_SEIZE: Record<AntiSeizeBase, { limitC: number; notOn: Array<ThreadDuty['metals']>; note: string }> = {
  copper: { limitC: 980, notOn: ['aluminiumWithSteel', 'stainless'], note: 'not on aluminium or stainless' },
  nickel: { limitC: 1300, notOn: [], note: 'stainless and exhaust; no copper' },
  aluminium: { limitC: 850, notOn: [], note: 'general, mixed metals' },
  zinc: { limitC: 400, notOn: ['stainless'], note: 'for aluminium threads' },
  moly: { limitC: 400, notOn: [], note: 'slipperiest; count on the lowest friction' },
};

/** The anti-seize for a pair of metals and a temperature; undefined where none stands it. */
export function antiSeizeBase(metals: ThreadDuty['metals'], hotC: number): AntiSeizeBase | undefined {
  const wanted: Record<ThreadDuty['metals'], AntiSeizeBase[]> = {
    steel: ['copper', 'nickel'],
    galvanised: ['aluminium', 'copper', 'nickel'],
    stainless: ['nickel'],
    aluminiumWithSteel: ['zinc', 'aluminium', 'nickel'],
  };
  return wanted[metals].find((base) => hotC <= ANTI_SEIZE[base].limitC && !ANTI_SEIZE[base].notOn.includes(metals));
}

/**
 * Which compound a thread wants when the sheet does not say: locker where it must never loosen, anti-seize where it
 * must come apart, and never both. The sheet goes first wherever it speaks.
 *
 * Rules are common practice, no source; the brief's section 4 gives both schools.
 */
export function chooseCompound(duty: ThreadDuty): CompoundChoice {
  const caveats: Caveat[] = ['sheetFirst'];
  if (duty.nut === 'nylonInsert' && duty.hotC > NYLON_LIMIT_C) caveats.push('nylonLimit');
  if (duty.metals === 'stainless') caveats.push('stainlessGalls');
  if (duty.metals === 'aluminiumWithSteel') caveats.push('galvanicPair');
  const seize = (): CompoundChoice => {
    const base = antiSeizeBase(duty.metals, duty.hotC);
    return base
      ? { choice: 'antiSeize', base, caveats: [...caveats, 'antiSeizeNeedsLessTorque'] }
      : { choice: 'none', caveats };
  };
  if (duty.oxygenOrExhaustSensor) return seize();
  if (duty.nut !== 'plain') {
    // A locking nut holds by itself; locker runs and keeps it from being reused.
    if (duty.mustComeApart && duty.metals === 'stainless') return seize();
    return { choice: 'none', caveats: [...caveats, 'noLockerOnLockingNut'] };
  }
  if (duty.hotC > LOCKER_LIMIT_C) {
    const choice = seize();
    return duty.mustNeverLoosen ? { ...choice, caveats: [...choice.caveats, 'tooHotForLocker'] } : choice;
  }
  if (duty.mustNeverLoosen || duty.vibration === 'high') {
    const more: Caveat[] = [];
    if (duty.metals !== 'steel') more.push('inactiveNeedsPrimer');
    if (duty.nearPlastic) more.push('keepOffPlastic');
    // High strength only where hand tools must never open it.
    if (duty.mustNeverLoosen && !duty.mustComeApart)
      return { choice: 'threadlockerHigh', caveats: [...caveats, ...more, 'heatToUndo'] };
    if (duty.diameterMm > 20) more.push('largeThreadHigh');
    // A small screw shears before a medium bond lets go.
    const small = duty.diameterMm <= SMALL_SCREW_MM;
    return { choice: small ? 'threadlockerLow' : 'threadlockerMedium', caveats: [...caveats, ...more] };
  }
  if (duty.mustComeApart && (duty.metals !== 'steel' || duty.hotC > NYLON_LIMIT_C)) return seize();
  return { choice: 'none', caveats };
}

/** Two things that must not meet on one thread or face. */
export type Conflict =
  | 'lockerWithAntiSeize'
  | 'lockerOnLockingNut'
  | 'lockerOverGrease'
  | 'greaseOnDryFace'
  | 'lockerNearPlastic';

/** What is on a thread or face, in the order it was put on. */
export interface Treatments {
  compounds: readonly CompoundKind[];
  lockingNut?: boolean;
  /** Old oil, anti-seize or dirt still on the thread. */
  uncleaned?: boolean;
  /** The sheet says this face stays dry: it must grip. */
  dryFace?: boolean;
  nearPlastic?: boolean;
}

/** Conflicts of a treatment (M40, M42, M43). Empty when it can be done. */
export function treatmentConflicts({ compounds, lockingNut, uncleaned, dryFace, nearPlastic }: Treatments): Conflict[] {
  const locker = compounds.some(isLocker);
  const slippery = compounds.some((kind) => kind === 'antiSeize' || kind === 'grease');
  const found: Conflict[] = [];
  if (locker && compounds.includes('antiSeize')) found.push('lockerWithAntiSeize');
  if (locker && (uncleaned || compounds.includes('grease'))) found.push('lockerOverGrease');
  if (locker && lockingNut) found.push('lockerOnLockingNut');
  if (slippery && dryFace) found.push('greaseOnDryFace');
  if (locker && nearPlastic) found.push('lockerNearPlastic');
  return found;
}

/** How a set locker is opened again. */
export interface UndoAdvice {
  /** Loosening torque over tightening torque. Common practice, no source. */
  breakawayRatio: number;
  /** Heat the nut to this, °C; undefined where hand tools do. */
  heatC?: number;
}

/** What opening a locked thread takes. Common practice, no source; the product's sheet gives its own figures. */
export const undoAdvice = (kind: CompoundKind): UndoAdvice | undefined => {
  if (kind === 'threadlockerLow') return { breakawayRatio: 1.05 };
  if (kind === 'threadlockerMedium') return { breakawayRatio: 1.2 };
  if (kind === 'threadlockerHigh' || kind === 'retaining') return { breakawayRatio: 1.8, heatC: 250 };
  return undefined;
};

/** A rubber bush may be greased with what its rubber stands; metal-bonded and gripping ones stay dry. */
export function bushLubricant(
  material: 'rubber' | 'polyurethane',
  face: 'slides' | 'grips' | 'bonded',
  sheetSays?: 'greased' | 'dry',
): { lubricant: 'silicone' | 'none'; because: 'sheet' | 'bonded' | 'grips' | 'slides'; avoid: 'mineralGrease' } {
  if (sheetSays === 'dry') return { lubricant: 'none', because: 'sheet', avoid: 'mineralGrease' };
  if (sheetSays === 'greased') return { lubricant: 'silicone', because: 'sheet', avoid: 'mineralGrease' };
  if (face === 'bonded') return { lubricant: 'none', because: 'bonded', avoid: 'mineralGrease' };
  // A rubber bush turns in itself; a polyurethane one slides on its sleeve and squeaks dry.
  if (face === 'grips' || material === 'rubber') return { lubricant: 'none', because: 'grips', avoid: 'mineralGrease' };
  return { lubricant: 'silicone', because: 'slides', avoid: 'mineralGrease' };
}
