import { z } from 'zod';
import type { StartByHand, StartUndone, StationStarted } from '#core/job/act/start-by-hand.ts';
import { exactly } from '../exactly.ts';
import { Ref } from './fields.ts';

export const StartByHandSchema = exactly<StartByHand>()(
  z.strictObject({ type: z.literal('startByHand'), station: Ref }),
);

export const StationStartedSchema = exactly<StationStarted>()(
  z.strictObject({ type: z.literal('stationStarted'), station: Ref }),
);

export const StartUndoneSchema = exactly<StartUndone>()(
  z.strictObject({ type: z.literal('startUndone'), station: Ref }),
);
