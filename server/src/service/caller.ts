import type { PersonCard } from '#contract/session.ts';
import type { Person } from '#core/job/role.ts';

/** Where a page came from: passkeys are bound to it. */
export interface Site {
  origin: string;
  host: string;
}

/** Who is asking: the person, their shop and the device. */
export interface Caller {
  person: Person;
  card: PersonCard;
  shopId: string;
  deviceId: string;
  tokenHash: string;
  sessionStartedAtMs: number;
  sessionExpiresAtMs: number;
  site: Site;
}
