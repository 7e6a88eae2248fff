import { z } from 'zod';
import { fastenerFields } from './kit/hardware.ts';

/** A drawer of the shop's own fasteners, as it is put up or counted. */
export const DrawerInputSchema = z.strictObject({
  ...fastenerFields,
  bin: z.string().trim().min(1).max(40),
  counted: z.number().int().min(0).max(100_000),
  lowAt: z.number().int().min(0).max(100_000).optional(),
});
export type DrawerInput = z.infer<typeof DrawerInputSchema>;

/** Most drawers that are put up at once. */
export const MOST_DRAWERS = 1000;
export const DrawersSchema = z.strictObject({ drawers: z.array(DrawerInputSchema).min(1).max(MOST_DRAWERS) });

/** What is asked of a supplier. */
export const WantedSchema = z.strictObject({
  name: z.string().trim().min(1).max(300),
  thread: z.string().max(40).optional(),
  quantity: z.number().int().min(1).max(10_000),
  special: z.boolean(),
});
export type WantedInput = z.infer<typeof WantedSchema>;

/** When it would be here, and, once it is ordered, the order's number. */
export interface SupplierAnswer {
  supplier: string;
  promisedMs: number;
  order?: string;
}
