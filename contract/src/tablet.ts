import { z } from 'zod';
import { textUpTo } from './text.ts';

/** What a tablet is called: where it lies or whose it is. */
const TabletName = textUpTo(80).trim().min(1);

export const TabletNameSchema = z.strictObject({ name: TabletName });
/** The code off a lead's screen, that gives a tablet its name. */
export const PairingSchema = z.strictObject({ code: z.string().trim().min(4).max(40) });
export const PairedOnlySchema = z.strictObject({ on: z.boolean() });
/** Putting a tablet out is answered for with the lead's own secret. */
export const PutOutSchema = z.strictObject({ secret: z.string().min(4).max(200) });

/** A device somebody has signed in on. */
export interface Tablet {
  id: string;
  name: string;
  madeAtMs: number;
  seenAtMs: number;
  /** Let in by a lead's code. */
  pairedAtMs?: number;
  /** Put out: it is a stranger again. */
  revokedAtMs?: number;
  /** Who signed in on it last. */
  last?: string;
}

export interface Tablets {
  tablets: Tablet[];
  /** No other is let in but from the server's own machine. */
  pairedOnly: boolean;
  /** The one that asks. */
  own: string;
}
