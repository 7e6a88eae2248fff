import { typedNumber } from '../../../ui/CommitField.tsx';

/** Millimetres from what is typed: `120`, `4 3/4 in`, `4.75"`. */
export function typedMm(typed: string): number {
  const inch = /^(?:(\d+(?:[.,]\d+)?)[ -])?(?:(\d+)\/(\d+)|(\d+(?:[.,]\d+)?))\s*(?:in|")$/i.exec(typed.trim());
  if (!inch) return typedNumber(typed.replace(/\s*mm$/i, ''));
  const [, whole = '0', top, bottom, decimal = '0'] = inch;
  return (typedNumber(whole) + (top ? Number(top) / Number(bottom) : typedNumber(decimal))) * 25.4;
}
