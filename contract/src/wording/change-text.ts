import type { Baseline } from '#core/kit/kit-preparation.ts';

/** What a quantity is after it grew, and after it shrank: words, since a sign is read backwards. */
const WAYS: Readonly<Record<Baseline['quantity'], readonly [more: string, less: string]>> = {
  rideHeight: ['higher', 'lower'],
  length: ['longer', 'shorter'],
  gap: ['wider', 'narrower'],
  play: ['more', 'less'],
  camber: ['towards plus', 'towards minus'],
  caster: ['towards plus', 'towards minus'],
  toe: ['towards toe-in', 'towards toe-out'],
};

/** `1.5 mm lower than before`; `as before` where nothing changed. */
export function changeText(quantity: Baseline['quantity'], by: number, unit: string): string {
  if (by === 0) return 'as before';
  const [more, less] = WAYS[quantity];
  return `${Math.abs(by)} ${unit} ${by > 0 ? more : less} than before`;
}

/** What a kit claims: `20 to 28 mm lower`, `5 mm lower to 15 mm higher`, `as before`. */
export function claimText(
  quantity: Baseline['quantity'],
  { min, max }: { min: number; max: number },
  unit: string,
): string {
  const [more, less] = WAYS[quantity];
  if (min === 0 && max === 0) return 'as before';
  if (min >= 0) return `${min === max ? min : `${min} to ${max}`} ${unit} ${more}`;
  if (max <= 0) return `${min === max ? -min : `${-max} to ${-min}`} ${unit} ${less}`;
  return `${-min} ${unit} ${less} to ${max} ${unit} ${more}`;
}
