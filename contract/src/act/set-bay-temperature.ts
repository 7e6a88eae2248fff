import { z } from 'zod';
import type { BayTemperatureSet, SetBayTemperature } from '#core/job/act/set-bay-temperature.ts';
import { exactly } from '../exactly.ts';
import { Figured } from './fields.ts';

export const SetBayTemperatureSchema = exactly<SetBayTemperature>()(
  z.strictObject({ type: z.literal('setBayTemperature'), tempC: Figured }),
);
export const BayTemperatureSetSchema = exactly<BayTemperatureSet>()(
  z.strictObject({ type: z.literal('bayTemperatureSet'), tempC: Figured }),
);
