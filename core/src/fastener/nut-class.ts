import { seriesOfPitch } from './standard-thread.ts';
import { stressAreaMm2 } from './stress-area.ts';
import type { Thread } from './thread.ts';

/** Nut classes of ISO 898-2, style 1. */
export type NutClass = '5' | '6' | '8' | '9' | '10' | '12';

/** Up to this diameter, mm, and the stress under proof load, N/mm². @see ISO 898-2 (entered from memory) */
const PROOF_STRESS: Record<NutClass, ReadonlyArray<readonly [toMm: number, proofMpa: number]>> = {
  '5': [
    [4, 520],
    [7, 580],
    [10, 590],
    [16, 610],
    [39, 630],
  ],
  '6': [
    [4, 600],
    [7, 670],
    [10, 680],
    [16, 700],
    [39, 720],
  ],
  '8': [
    [4, 800],
    [7, 855],
    [10, 870],
    [16, 880],
    [39, 920],
  ],
  '9': [
    [4, 900],
    [7, 915],
    [10, 940],
    [16, 950],
    [39, 920],
  ],
  '10': [
    [10, 1040],
    [16, 1050],
    [39, 1060],
  ],
  '12': [
    [4, 1140],
    [7, 1150],
    [10, 1160],
    [16, 1190],
    [39, 1200],
  ],
};

/**
 * The same for fine pitches, M8 to M39: a finer thread is shallower and its nut's wall thicker, so that it stands more
 * for its area. No class 9.
 * @see ISO 898-2:2012, style 1 and class 12 style 2, formerly ISO 898-6 (entered from memory)
 */
const FINE_PROOF_STRESS: Partial<Record<NutClass, ReadonlyArray<readonly [toMm: number, proofMpa: number]>>> = {
  '5': [
    [16, 690],
    [39, 720],
  ],
  '6': [
    [10, 770],
    [16, 780],
    [33, 870],
    [39, 930],
  ],
  '8': [
    [16, 955],
    [33, 1030],
    [39, 1090],
  ],
  '10': [
    [10, 1100],
    [16, 1110],
    [39, 1080],
  ],
  '12': [[16, 1200]],
};
const FINE_FROM_MM = 8;

/**
 * Proof load of a nut, N, by its coarse or fine pitch.
 *
 * @returns undefined above M39, for an inch thread, and for a fine pitch or class ISO 898-2 does not list
 */
export function nutProofLoadN(
  nutClass: NutClass,
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
): number | undefined {
  if (thread.system !== 'metric') return undefined;
  const coarse = seriesOfPitch('metric', thread.nominalMm, thread.pitchMm) === 'coarse';
  if (!coarse && thread.nominalMm < FINE_FROM_MM) return undefined;
  const row = (coarse ? PROOF_STRESS : FINE_PROOF_STRESS)[nutClass]?.find(([toMm]) => thread.nominalMm <= toMm);
  return row && row[1] * stressAreaMm2(thread);
}

/**
 * The nut class made for a bolt class: the first figure of the bolt, so that the bolt breaks before the nut strips.
 * @see ISO 898-2:2012, table 1
 */
export function nutClassFor(propertyClass: string): NutClass | undefined {
  const byClass: Record<string, NutClass> = {
    '4.6': '5',
    '4.8': '5',
    '5.6': '5',
    '5.8': '5',
    '6.8': '6',
    '8.8': '8',
    '9.8': '9',
    '10.9': '10',
    '12.9': '12',
  };
  return byClass[propertyClass];
}
