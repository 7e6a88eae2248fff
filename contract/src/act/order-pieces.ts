import { z } from 'zod';
import type { OrderPieces, PiecesArrived, PiecesOrdered, TakeArrival } from '#core/job/act/order-pieces.ts';
import { exactly } from '../exactly.ts';
import { Figured, Name, Ref } from './fields.ts';

const ordered = { item: Ref, order: Ref, supplier: Name, promisedMs: Figured };

export const OrderPiecesSchema = exactly<OrderPieces>()(
  z.strictObject({ type: z.literal('orderPieces'), ...ordered, quantity: Figured }),
);

export const PiecesOrderedSchema = exactly<PiecesOrdered>()(
  z.strictObject({ type: z.literal('piecesOrdered'), ...ordered, quantity: z.number() }),
);

export const TakeArrivalSchema = exactly<TakeArrival>()(
  z.strictObject({ type: z.literal('takeArrival'), item: Ref, quantity: Figured, order: Ref.optional() }),
);

export const PiecesArrivedSchema = exactly<PiecesArrived>()(
  z.strictObject({ type: z.literal('piecesArrived'), item: Ref, quantity: z.number(), order: Ref.optional() }),
);
