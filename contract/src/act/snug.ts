import { z } from 'zod';
import type { Snug, StationSnugged } from '#core/job/act/snug.ts';
import { exactly } from '../exactly.ts';
import { Ref, SnugToolSchema } from './fields.ts';

export const SnugSchema = exactly<Snug>()(
  z.strictObject({ type: z.literal('snug'), station: Ref, tool: SnugToolSchema }),
);

export const StationSnuggedSchema = exactly<StationSnugged>()(
  z.strictObject({ type: z.literal('stationSnugged'), station: Ref, tool: SnugToolSchema }),
);
