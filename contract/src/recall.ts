import { z } from 'zod';
import { Ref } from './act/fields.ts';
import { MESSAGE_LENGTH } from './owner-message.ts';

const Ms = z.coerce.number().int().min(0).max(8.64e15);
/** What vehicles are looked for by: each is a reason makers and shops call vehicles back for. */
export const RecallBySchema = z.discriminatedUnion('by', [
  /** A kit, in one revision or in all. */
  z.strictObject({ by: z.literal('kit'), kit: Ref, revision: z.coerce.number().int().positive().optional() }),
  /** Fasteners of a property class, with their thread where one is named. */
  z.strictObject({
    by: z.literal('class'),
    propertyClass: z.string().trim().min(1).max(20),
    thread: z.string().trim().max(40).optional(),
  }),
  /** A wrench, while it was out. */
  z.strictObject({ by: z.literal('wrench'), wrench: Ref, from: Ms, to: Ms }),
  /** A lot of a bottle. */
  z.strictObject({ by: z.literal('lot'), lot: z.string().trim().min(1).max(40) }),
]);
export type RecallBy = z.infer<typeof RecallBySchema>;

/** A visit that answers to it. */
export interface RecallHit {
  job: string;
  number: string;
  vehicle: { id: string; make: string; model: string; plate: string; owner: string; contact?: string };
  openedAtMs: number;
  /** Absent while the vehicle stands in the shop. */
  closedAtMs?: number;
  /** What was found there: the kit with its revision, how many pulls, which lot. */
  what: string;
}

export const RecallMessageSchema = z.strictObject({
  by: RecallBySchema,
  text: z.string().trim().min(1).max(MESSAGE_LENGTH),
});
export type RecallMessage = z.infer<typeof RecallMessageSchema>;

/** What became of a message to all of them. */
export interface RecallTold {
  sent: number;
  /** Owners nobody can write to: a person calls them. */
  noAddress: string[];
  refused: string[];
  before: number;
}
