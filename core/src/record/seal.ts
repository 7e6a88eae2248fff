import type { Person } from '../job/role.ts';
import type { AnswerValue } from '../kit/condition.ts';
import type { HouseRules } from '../kit/house-rules.ts';
import type { Vehicle } from '../vehicle/vehicle.ts';
import { canonicalJson } from './canonical-json.ts';
import type { Sha256 } from './chain.ts';

/** What can be told of a person by: it enters the seal as a salted hash, so that it can be erased and the seal still holds. */
const PERSONAL = ['owner', 'contact', 'plate', 'vin', 'note'] as const;
export type PersonalFacts = Pick<Vehicle, (typeof PERSONAL)[number]>;

/** The part of a vehicle's card that belongs to its owner. */
const personalFacts = (vehicle: Vehicle): Partial<PersonalFacts> =>
  Object.fromEntries(PERSONAL.flatMap((field) => (vehicle[field] === undefined ? [] : [[field, vehicle[field]]])));

/** The card without it. */
export const impersonalFacts = (vehicle: Vehicle): Omit<Vehicle, keyof PersonalFacts> =>
  Object.fromEntries(
    Object.entries(vehicle).filter(([field]) => !(PERSONAL as readonly string[]).includes(field)),
  ) as Omit<Vehicle, keyof PersonalFacts>;

/** The card once its owner had what is personal erased. */
export const erasedVehicle = (vehicle: Vehicle): Vehicle => ({ ...impersonalFacts(vehicle), owner: '', plate: '' });

/** What a job is opened with, as it is sealed: the first event follows on the hash of this. */
export interface Seal {
  format: 'wrenchman-seal';
  version: 1;
  job: { id: string; number: string; openedAtMs: number; odometerKm?: number };
  shop: { name: string } & Partial<HouseRules>;
  vehicle: Omit<Vehicle, keyof PersonalFacts>;
  /** Hash of the personal facts, with a salt that is kept beside them and erased with them. */
  personal: string;
  kits: Array<{ prefix: string; id: string; revision: number; side?: 'left' | 'right'; sha256: string }>;
  openedWith: string[];
  answers: Record<string, AnswerValue>;
  by?: Person;
  device?: string;
}

/** Hash of the personal facts of a vehicle. */
export const personalHash = (sha256: Sha256, salt: string, vehicle: Vehicle): string =>
  sha256(`${salt}\n${canonicalJson(personalFacts(vehicle))}`);

/** The hash of a kit's document, as it stands in the seal and in the event that took it in. */
export const kitHash = (sha256: Sha256, document: object): string => sha256(canonicalJson(document));

/** The text of a seal; its hash is what the first event of the job follows on. */
export const sealText = (seal: Seal): string => canonicalJson(seal);

/** The head of a closed job, as the shop's key signs it. */
export interface Closing {
  format: 'wrenchman-closing';
  version: 1;
  job: string;
  number: string;
  seq: number;
  hash: string;
  closedAtMs: number;
}

/** A text with the signature of the shop's key over it (Ed25519, RFC 8032); both base64. */
export interface SignedText {
  text: string;
  /** The public key, SPKI. */
  key: string;
  signature: string;
}

/** All heads of the shop that moved since the anchor before, signed, kept outside the database. */
export interface Anchor {
  format: 'wrenchman-anchor';
  version: 1;
  atMs: number;
  /** SHA-256 of the anchor before, as it is stored; absent on the first. */
  previous?: string;
  heads: Array<{ job: string; seq: number; hash: string }>;
}

/** What of a job differs from what its seal says it was opened with. */
export type SealFault = 'seal' | 'job' | 'vehicle' | 'personal' | 'kits' | 'answers' | 'shop';

/** A job as it stands, to be held against its seal. */
export interface SealedJob {
  job: { id: string; number: string; odometerKm?: number };
  shop: { name: string } & Partial<HouseRules>;
  vehicle: Vehicle;
  /** Absent where the personal facts were erased. */
  salt?: string;
  /** Documents of the kits it was opened with, as stored. */
  kits: Array<{ prefix: string; id: string; revision: number; side?: 'left' | 'right'; document: object }>;
  openedWith: string[];
  answers: Record<string, AnswerValue>;
}

/** Holds a job against its seal; empty where it is what was sealed. */
export function sealFaults(sha256: Sha256, seal: Seal, now: SealedJob): SealFault[] {
  const same = (a: unknown, b: unknown) => canonicalJson(a) === canonicalJson(b);
  const { openedAtMs: _, ...job } = seal.job;
  const faults: SealFault[] = [];
  if (!same(job, { ...now.job, odometerKm: now.job.odometerKm ?? undefined })) faults.push('job');
  if (!same(seal.shop, now.shop)) faults.push('shop');
  if (!same(seal.vehicle, impersonalFacts(now.vehicle))) faults.push('vehicle');
  if (now.salt !== undefined && seal.personal !== personalHash(sha256, now.salt, now.vehicle)) faults.push('personal');
  const kits = now.kits
    .filter(({ prefix }) => now.openedWith.includes(prefix))
    .map(({ document, ...kit }) => ({ ...kit, sha256: kitHash(sha256, document) }));
  if (!same(seal.kits, kits) || !same(seal.openedWith, now.openedWith)) faults.push('kits');
  if (!same(seal.answers, now.answers)) faults.push('answers');
  return faults;
}

/** Reads a seal back. @throws where the text is none */
export function readSeal(text: string): Seal {
  const seal = JSON.parse(text) as Partial<Seal>;
  if (seal.format !== 'wrenchman-seal' || seal.version !== 1) throw new Error('This is no seal of a job');
  return seal as Seal;
}
