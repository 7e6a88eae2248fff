import { z } from 'zod';
import type { Undo } from '#core/job/act/undo.ts';
import { exactly } from '../exactly.ts';

export const UndoSchema = exactly<Undo>()(z.strictObject({ type: z.literal('undo') }));
