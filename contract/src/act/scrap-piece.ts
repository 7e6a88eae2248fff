import { z } from 'zod';
import type { PieceScrapped, ScrapPiece } from '#core/job/act/scrap-piece.ts';
import { exactly } from '../exactly.ts';
import { Figured, Reason, Ref } from './fields.ts';

export const ScrapPieceSchema = exactly<ScrapPiece>()(
  z.strictObject({ type: z.literal('scrapPiece'), item: Ref, quantity: Figured, reason: Reason }),
);

export const PieceScrappedSchema = exactly<PieceScrapped>()(
  z.strictObject({ type: z.literal('pieceScrapped'), item: Ref, quantity: z.number(), reason: Reason }),
);
