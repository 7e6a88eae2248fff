import { z } from 'zod';
import type { FigureGiven, GiveFigure } from '#core/job/act/give-figure.ts';
import { exactly } from '../exactly.ts';
import { FigureSchema, FigureSourceSchema, Reason, Ref, StoredFigureSchema } from './fields.ts';

export const GiveFigureSchema = exactly<GiveFigure>()(
  z.strictObject({
    type: z.literal('giveFigure'),
    target: Ref,
    figure: FigureSchema.optional(),
    source: FigureSourceSchema,
    note: Reason,
  }),
);

export const FigureGivenSchema = exactly<FigureGiven>()(
  z.strictObject({
    type: z.literal('figureGiven'),
    target: Ref,
    figure: StoredFigureSchema.optional(),
    source: FigureSourceSchema,
    note: Reason,
  }),
);
