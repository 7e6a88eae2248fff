import type { Baseline } from '#core/kit/kit-preparation.ts';
import { inLanguage, say } from './say.ts';

/** What a quantity is after it grew, and after it shrank: words, since a sign is read backwards. */
const WAYS: Readonly<Record<Baseline['quantity'], readonly [more: string, less: string]>> = inLanguage({
  rideHeight: ['higher', 'lower'],
  length: ['longer', 'shorter'],
  gap: ['wider', 'narrower'],
  play: ['more', 'less'],
  camber: ['towards plus', 'towards minus'],
  caster: ['towards plus', 'towards minus'],
  toe: ['towards toe-in', 'towards toe-out'],
});

/** `1.5 mm lower than before`; `as before` where nothing changed. */
export function changeText(quantity: Baseline['quantity'], by: number, unit: string): string {
  if (by === 0) return say('as before');
  const [more, less] = WAYS[quantity];
  return say('{by} {unit} {which} than before', { by: Math.abs(by), unit, which: by > 0 ? more : less });
}

/** What a kit claims: `20 to 28 mm lower`, `5 mm lower to 15 mm higher`, `as before`. */
export function claimText(
  quantity: Baseline['quantity'],
  { min, max }: { min: number; max: number },
  unit: string,
): string {
  const [more, less] = WAYS[quantity];
  if (min === 0 && max === 0) return say('as before');
  if (min >= 0) return `${min === max ? min : say('{min} to {max}', { min, max })} ${unit} ${more}`;
  if (max <= 0) return `${min === max ? -min : say('{max} to {min}', { max: -max, min: -min })} ${unit} ${less}`;
  return say('{min} {unit} {less} to {max} {unit} {more}', { min: -min, unit, less, max, more });
}
