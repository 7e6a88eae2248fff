import { z } from 'zod';
import { BottleInputSchema, CheckInputSchema, ToolInputSchema, WrenchInputSchema } from '../crib.ts';
import { DrawerInputSchema } from '../shelf.ts';
import { PersonInputSchema } from '../shop.ts';
import { VehicleSchema } from '../vehicle.ts';

import type { Book, TableBook } from './book.ts';

/** Most lines of one import, and its largest file, characters. */
export const MOST_LINES = 2000;
export const LARGEST_FILE = 1_500_000;

/** A vehicle with its owner; its id is made when it is taken. */
const VehicleRowSchema = VehicleSchema.omit({ id: true });
/** A wrench with the readings of its last calibration, where they come along. */
const WrenchRowSchema = WrenchInputSchema.extend({
  calibration: z
    .strictObject({
      on: z.iso.date(),
      certificate: z.string().trim().max(120).optional(),
      readings: CheckInputSchema.shape.readings,
    })
    .optional(),
});
/** A person; the mentor by their initials, who may stand in the same table. */
const PersonRowSchema = PersonInputSchema;

export const ROW_SCHEMAS = {
  vehicles: VehicleRowSchema,
  wrenches: WrenchRowSchema,
  tools: ToolInputSchema,
  compounds: BottleInputSchema,
  fasteners: DrawerInputSchema,
  people: PersonRowSchema,
} as const satisfies Record<TableBook, z.ZodObject>;

export type VehicleRow = z.infer<typeof VehicleRowSchema>;
export type WrenchRow = z.infer<typeof WrenchRowSchema>;
export type PersonRow = z.infer<typeof PersonRowSchema>;

const rowsOf = <Schema extends z.ZodType>(row: Schema) => z.array(row).min(1).max(MOST_LINES);
const File = z.string().trim().max(200);

/** What is brought along: the rows of one book, or kit documents. */
export const BroughtSchema = z.discriminatedUnion('book', [
  z.strictObject({ book: z.literal('vehicles'), file: File, rows: rowsOf(VehicleRowSchema) }),
  z.strictObject({ book: z.literal('wrenches'), file: File, rows: rowsOf(WrenchRowSchema) }),
  z.strictObject({ book: z.literal('tools'), file: File, rows: rowsOf(ToolInputSchema) }),
  z.strictObject({ book: z.literal('compounds'), file: File, rows: rowsOf(BottleInputSchema) }),
  z.strictObject({ book: z.literal('fasteners'), file: File, rows: rowsOf(DrawerInputSchema) }),
  z.strictObject({ book: z.literal('people'), file: File, rows: rowsOf(PersonRowSchema) }),
  z.strictObject({
    book: z.literal('kits'),
    file: File,
    rows: rowsOf(z.looseObject({})),
    /** Why the lint's warnings may stand: a lead answers for it. */
    waive: z.string().trim().min(1).max(300).optional(),
  }),
]);
export type Brought = z.infer<typeof BroughtSchema>;

/** What becomes of one row. */
export type RowVerdict =
  | { verdict: 'new'; remark?: string }
  /** The shop has it already: it is left as it is. */
  | { verdict: 'there'; what: string }
  /** `twin`: the earlier row it is the same as, counted from 0. */
  | { verdict: 'fault'; faults: Array<{ field: string; reason: string; twin?: number }> };

/** One import as the shop's list has it. */
export interface MovedIn {
  id: string;
  book: Book;
  file: string;
  rows: number;
  atMs: number;
  byName: string;
  undoneAtMs?: number;
  undoneBy?: string;
}

/** What an import brought; PINs of people are told once. */
export interface TakenIn {
  id: string;
  taken: number;
  there: number;
  pins?: Array<{ name: string; initials: string; pin: string }>;
}
