import { z } from 'zod';
import type { PutInTray, TrayPlaceSet } from '#core/job/act/put-in-tray.ts';
import { exactly } from '../exactly.ts';
import { Figured, Name, Ref } from './fields.ts';

export const PutInTraySchema = exactly<PutInTray>()(
  z.strictObject({ type: z.literal('putInTray'), item: Ref, tray: Name, row: Figured, column: Figured }),
);

export const TrayPlaceSetSchema = exactly<TrayPlaceSet>()(
  z.strictObject({
    type: z.literal('trayPlaceSet'),
    item: Ref,
    tray: z.string(),
    row: z.number(),
    column: z.number(),
  }),
);
