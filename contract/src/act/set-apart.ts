import { z } from 'zod';
import type { EndApart, PieceApartEnded, PieceSetApart, SetApart } from '#core/job/act/set-apart.ts';
import { APART_ENDS } from '#core/job/apart-end.ts';
import { exactly } from '../exactly.ts';
import { Figured, Reason, Ref } from './fields.ts';

export const SetApartSchema = exactly<SetApart>()(
  z.strictObject({
    type: z.literal('setApart'),
    item: Ref,
    quantity: Figured,
    reason: Reason,
    photo: Ref.optional(),
  }),
);

export const PieceSetApartSchema = exactly<PieceSetApart>()(
  z.strictObject({
    type: z.literal('pieceSetApart'),
    item: Ref,
    quantity: z.number(),
    reason: z.string(),
    photo: Ref.optional(),
  }),
);

export const EndApartSchema = exactly<EndApart>()(
  z.strictObject({
    type: z.literal('endApart'),
    item: Ref,
    quantity: Figured,
    to: z.enum(APART_ENDS),
    reason: Reason,
  }),
);

export const PieceApartEndedSchema = exactly<PieceApartEnded>()(
  z.strictObject({
    type: z.literal('pieceApartEnded'),
    item: Ref,
    quantity: z.number(),
    to: z.enum(APART_ENDS),
    reason: z.string(),
  }),
);
