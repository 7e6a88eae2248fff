import type { Check, Symmetry } from '../kit/kit-preparation.ts';
import type { Answers } from './ask.ts';
import { readAt } from './judge-check.ts';

/** What brings places together that should read alike. */
export interface EvenUp {
  symmetry: Symmetry;
  unit: string;
  /** The places that read most and least, with what they read. */
  most: { place: string; value: number };
  least: { place: string; value: number };
  /** They lie apart by so much; `centred` wants half of it moved. */
  apart: number;
  move: number;
  met: boolean;
}

/** Readings have a hundredth; what a subtraction adds beyond that is not the vehicle's. */
const tidy = (value: number): number => Number(value.toFixed(3));

/** How far a part lies from level, parallel, centred or alike, and what to move; nothing until two places are read. */
export function evenUp(check: Check, answers: Answers): EvenUp | undefined {
  const { symmetry, spread, unit = '' } = check;
  if (!symmetry) return undefined;
  const read = readAt(check, answers).flatMap(({ place, value }) => (place === undefined ? [] : [{ place, value }]));
  const [first, ...others] = read;
  if (!first || others.length === 0) return undefined;
  const most = others.reduce((top, one) => (one.value > top.value ? one : top), first);
  const least = others.reduce((low, one) => (one.value <= low.value ? one : low), first);
  const apart = tidy(most.value - least.value);
  const move = symmetry === 'centred' ? tidy(apart / 2) : apart;
  return { symmetry, unit, most, least, apart, move, met: move <= (spread ?? 0) + 1e-9 };
}
