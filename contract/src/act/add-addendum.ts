import { z } from 'zod';
import type { AddAddendum, AddendumMade } from '#core/job/act/add-addendum.ts';
import { exactly } from '../exactly.ts';
import { Name, Reason, Ref } from './fields.ts';

const said = { text: Reason, foundBy: Name, redone: Reason.optional(), station: Ref.optional() };

export const AddAddendumSchema = exactly<AddAddendum>()(z.strictObject({ type: z.literal('addAddendum'), ...said }));

export const AddendumMadeSchema = exactly<AddendumMade>()(z.strictObject({ type: z.literal('addendumMade'), ...said }));
