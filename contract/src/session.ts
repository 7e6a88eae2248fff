import { z } from 'zod';
import type { Role } from '#core/job/role.ts';

/** A PIN of four to twelve digits, or a longer password. */
const Secret = z.string().min(4).max(200);

export const SignInSchema = z.strictObject({ person: z.string().min(1).max(64), secret: Secret, device: z.uuid() });
export type SignIn = z.infer<typeof SignInSchema>;

export interface PersonCard {
  id: string;
  name: string;
  initials: string;
  role: Role;
}

export interface SignInOptions {
  shop: string;
  people: PersonCard[];
  /** PINs by person, in the demo only. */
  demoPins?: Record<string, string>;
}

export interface Session {
  person: PersonCard;
  shop: { id: string; name: string; bays: number };
}
