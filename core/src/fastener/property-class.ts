import { MM_PER_INCH } from '../quantity/unit.ts';
import { fail, ok, type Result } from '../result.ts';
import { stressAreaMm2 } from './stress-area.ts';
import type { Thread } from './thread.ts';

/** Strengths of a bolt's material, N/mm². */
export interface BoltStrength {
  propertyClass: string;
  standard: 'ISO 898-1' | 'SAE J429' | 'ISO 3506-1' | 'ASTM F593';
  /** Stress under proof load Sp; for stainless steel, which has none, the yield strength. */
  proofMpa: number;
  /** Lower yield or 0.2 % proof strength, smallest. */
  yieldMpa: number;
  /** Tensile strength, smallest. */
  tensileMpa: number;
}

export type ClassFault =
  | { code: 'classUnknown'; propertyClass: string; known: string[] }
  /** The class exists, but not in this size or not in this system of threads. */
  | {
      code: 'classNotForSize';
      propertyClass: string;
      nominalMm: number;
      reason: 'metricOnly' | 'inchOnly' | 'tooLarge' | 'tooSmall';
    };

interface Row {
  standard: BoltStrength['standard'];
  system: Thread['system'];
  /** The first band whose `toMm` is not below the diameter counts. */
  bands: ReadonlyArray<{ toMm: number; proof: number; yield: number; tensile: number }>;
  fromMm: number;
}

const iso = (...bands: Row['bands']): Row => ({ standard: 'ISO 898-1', system: 'metric', bands, fromMm: 1.6 });
const stainless = (yieldMpa: number, tensile: number): Row => ({
  standard: 'ISO 3506-1',
  system: 'metric',
  bands: [{ toMm: 39, proof: yieldMpa, yield: yieldMpa, tensile }],
  fromMm: 1.6,
});
const KSI = 6.894757293168; // N/mm² per ksi, from NIST SP 811
const sae = (...bands: Array<[toInch: number, proof: number, yieldKsi: number, tensile: number]>): Row => ({
  standard: 'SAE J429',
  system: 'unified',
  bands: bands.map(([toInch, proof, yieldKsi, tensile]) => ({
    toMm: toInch * MM_PER_INCH,
    proof: proof * KSI,
    yield: yieldKsi * KSI,
    tensile: tensile * KSI,
  })),
  fromMm: 0.2499 * MM_PER_INCH,
});

/** Cold-worked inch stainless by its head mark; no proof load in the standard, the yield strength stands in. */
const inchStainless = (fromInch: number, toInch: number, yieldKsi: number, tensile: number): Row => ({
  ...sae([toInch, yieldKsi, yieldKsi, tensile]),
  standard: 'ASTM F593',
  fromMm: (fromInch - 1e-4) * MM_PER_INCH,
});

/**
 * Classes and grades. Yield of 4.6 and 5.6 is ReL, of 4.8 to 6.8 Rpf, from 8.8 up Rp0.2.
 * @see ISO 898-1:2013 table 3; SAE J429:2014 table 1 (ksi); ISO 3506-1:2020 table 3 (Rp0.2); ASTM F593 table 2 (cold
 *   worked, alloy groups 1 and 2). Entered from memory.
 */
const CLASSES: Record<string, Row> = {
  '4.6': iso({ toMm: 39, proof: 225, yield: 240, tensile: 400 }),
  '4.8': iso({ toMm: 39, proof: 310, yield: 340, tensile: 420 }),
  '5.6': iso({ toMm: 39, proof: 280, yield: 300, tensile: 500 }),
  '5.8': iso({ toMm: 39, proof: 380, yield: 420, tensile: 520 }),
  '6.8': iso({ toMm: 39, proof: 440, yield: 480, tensile: 600 }),
  '8.8': iso({ toMm: 16, proof: 580, yield: 640, tensile: 800 }, { toMm: 39, proof: 600, yield: 660, tensile: 830 }),
  '9.8': iso({ toMm: 16, proof: 650, yield: 720, tensile: 900 }),
  '10.9': iso({ toMm: 39, proof: 830, yield: 940, tensile: 1040 }),
  '12.9': iso({ toMm: 39, proof: 970, yield: 1100, tensile: 1220 }),
  'grade 2': sae([0.75, 55, 57, 74], [1.5, 33, 36, 60]),
  'grade 5': sae([1, 85, 92, 120], [1.5, 74, 81, 105]),
  'grade 8': sae([1.5, 120, 130, 150]),
  'A2-50': stainless(210, 500),
  'A2-70': stainless(450, 700),
  'A2-80': stainless(600, 800),
  'A4-50': stainless(210, 500),
  'A4-70': stainless(450, 700),
  'A4-80': stainless(600, 800),
  F593C: inchStainless(1 / 4, 5 / 8, 65, 100),
  F593D: inchStainless(3 / 4, 3 / 2, 45, 85),
  F593G: inchStainless(1 / 4, 5 / 8, 65, 100),
  F593H: inchStainless(3 / 4, 3 / 2, 45, 85),
};

const PROPERTY_CLASSES: readonly string[] = Object.keys(CLASSES);

/** `8.8`, `gr 8`, `Grade 5`, `a2 70`: the class as the tables name it, or undefined. */
export function readPropertyClass(text: string): string | undefined {
  const plain = text.trim().toLowerCase();
  const grade = /^(?:sae\s*)?(?:grade|gr\.?|g)\s*([258])$/.exec(plain);
  if (grade) return `grade ${grade[1]}`;
  const steel = /^(a[24])[\s-]?(50|70|80)$/.exec(plain);
  if (steel) return `${steel[1]?.toUpperCase()}-${steel[2]}`;
  const inchSteel = /^(?:astm\s*)?f\s*593\s*-?\s*([cdgh])$/.exec(plain);
  if (inchSteel) return `F593${inchSteel[1]?.toUpperCase()}`;
  const metric = /^(?:class\s*)?(\d{1,2}\.\d)$/.exec(plain)?.[1];
  return metric !== undefined && CLASSES[metric] ? metric : undefined;
}

/** The classes that exist for a thread. */
export const classesFor = (thread: Pick<Thread, 'system' | 'nominalMm'>): string[] =>
  PROPERTY_CLASSES.filter((name) => boltStrength(name, thread).ok);

/**
 * Strengths of a class or grade at a size.
 *
 * @param propertyClass - `8.8`, `grade 5`, `A2-70`
 * @returns the strengths in N/mm², or why there are none: a class exists only for sizes its standard lists
 */
export function boltStrength(
  propertyClass: string,
  thread: Pick<Thread, 'system' | 'nominalMm'>,
): Result<BoltStrength, ClassFault> {
  const name = readPropertyClass(propertyClass);
  const row = name === undefined ? undefined : CLASSES[name];
  if (name === undefined || !row) return fail({ code: 'classUnknown', propertyClass, known: [...PROPERTY_CLASSES] });
  const { nominalMm } = thread;
  const at = (reason: 'metricOnly' | 'inchOnly' | 'tooLarge' | 'tooSmall') =>
    fail({ code: 'classNotForSize' as const, propertyClass: name, nominalMm, reason });
  if (row.system !== thread.system) return at(row.system === 'metric' ? 'metricOnly' : 'inchOnly');
  if (nominalMm < row.fromMm) return at('tooSmall');
  const band = row.bands.find(({ toMm }) => nominalMm <= toMm + 1e-9);
  if (!band) return at('tooLarge');
  return ok({
    propertyClass: name,
    standard: row.standard,
    proofMpa: band.proof,
    yieldMpa: band.yield,
    tensileMpa: band.tensile,
  });
}

/** Loads of one bolt, N: proof As·Sp, yield As·Rp0.2, break As·Rm. @see ISO 898-1:2013, tables 4 to 7 */
export function boltLoadsN(
  strength: BoltStrength,
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
): { proofN: number; yieldN: number; breakN: number } {
  const area = stressAreaMm2(thread);
  return { proofN: area * strength.proofMpa, yieldN: area * strength.yieldMpa, breakN: area * strength.tensileMpa };
}
