import { z } from 'zod';
import type { Bought, NoteBought } from '#core/job/act/note-bought.ts';
import { exactly } from '../exactly.ts';
import { Figured, Key } from './fields.ts';

const what = { wanted: Key, quantity: Figured, expiresOn: z.iso.date().optional() };

export const NoteBoughtSchema = exactly<NoteBought>()(z.strictObject({ type: z.literal('noteBought'), ...what }));

export const BoughtSchema = exactly<Bought>()(z.strictObject({ type: z.literal('bought'), ...what }));
