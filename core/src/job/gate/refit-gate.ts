import type { Debt } from '../debt.ts';
import type { Refusal } from '../refusal.ts';

/** What a debt needs before it can be put back. */
export function refitRefusal(debt: Debt, newPieces: boolean | undefined): Refusal | undefined {
  if (debt.asks.includes('torque')) return { code: 'figureMissing', debt: debt.id };
  return debt.asks.includes('newPiece') && !newPieces ? { code: 'newPieceAsked', debt: debt.id } : undefined;
}
