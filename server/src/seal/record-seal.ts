import { randomBytes } from 'node:crypto';
import type { Integrity, StoredEvent } from '#contract/job.ts';
import { canonicalJson } from '#core/record/canonical-json.ts';
import { checkChain, UNSEALED } from '#core/record/chain.ts';
import {
  type Closing,
  impersonalFacts,
  kitHash,
  personalHash,
  readSeal,
  type Seal,
  type SignedText,
  sealFaults,
  sealText,
} from '#core/record/seal.ts';
import type { Caller } from '../service/caller.ts';
import { openedWith } from '../service/live-job.ts';
import type { PinnedDocument } from '../store/catalog-repository.ts';
import type { JobEntity } from '../store/entities.ts';
import { sha256 } from '../store/hash-chain.ts';
import type { Anchors } from './anchors.ts';
import { isSigned, type ShopKey } from './shop-key.ts';

/** The hash that a job's first event follows on. */
const firstHash = (row: Pick<JobEntity, 'seal'>): string => (row.seal ? sha256(row.seal) : UNSEALED);

/** Seals what jobs are opened with and how they end, and holds what is stored against it. */
export class RecordSeal {
  constructor(
    private readonly key: ShopKey,
    private readonly anchors: Anchors,
  ) {}

  get publicKey(): string {
    return this.key.publicKey;
  }

  firstHash(row: Pick<JobEntity, 'seal'>): string {
    return firstHash(row);
  }

  /** What is stored beside a new job: its seal, and the salt that its personal facts are hashed with. */
  open(
    row: Pick<JobEntity, 'id' | 'number' | 'openedAtMs' | 'odometerKm' | 'vehicle' | 'answers' | 'passRule'>,
    shopName: string,
    kits: readonly PinnedDocument[],
    by?: Pick<Caller, 'person' | 'deviceId'>,
  ): { seal: string; personalSalt: string; hash: string } {
    const personalSalt = randomBytes(32).toString('base64url');
    const seal: Seal = {
      format: 'wrenchman-seal',
      version: 1,
      job: {
        id: row.id,
        number: row.number,
        openedAtMs: row.openedAtMs,
        odometerKm: row.odometerKm ?? undefined,
      },
      shop: { name: shopName, ...row.passRule },
      vehicle: impersonalFacts(row.vehicle),
      personal: personalHash(sha256, personalSalt, row.vehicle),
      kits: kits.map(({ prefix, id, revision, side, stored }) => ({
        prefix,
        id,
        revision,
        side,
        sha256: kitHash(sha256, stored),
      })),
      openedWith: kits.map(({ prefix }) => prefix),
      answers: row.answers,
      by: by?.person,
      device: by?.deviceId,
    };
    const text = sealText(seal);
    return { seal: text, personalSalt, hash: sha256(text) };
  }

  /** The head of a closed job, signed. */
  close(row: Pick<JobEntity, 'id' | 'number'>, seq: number, hash: string, closedAtMs: number): string {
    const closing: Closing = {
      format: 'wrenchman-closing',
      version: 1,
      job: row.id,
      number: row.number,
      seq,
      hash,
      closedAtMs,
    };
    return JSON.stringify(this.key.sign(canonicalJson(closing)));
  }

  /** The head a closing was signed for; undefined where there is none, or it is not signed by the shop. */
  private closedHead(row: JobEntity): Closing | undefined {
    if (!row.closing) return undefined;
    const signed = JSON.parse(row.closing) as SignedText;
    return this.key.isOurs(signed.key) && isSigned(signed) ? (JSON.parse(signed.text) as Closing) : undefined;
  }

  /**
   * Holds a job against its seal, its chain, its own head, the closing that was signed and the shop's anchors.
   *
   * @param photos - hashes of the photos' bytes as they are stored, by id
   */
  check(
    row: JobEntity,
    kits: readonly PinnedDocument[],
    events: readonly StoredEvent[],
    photos: ReadonlyMap<string, string>,
  ): Integrity {
    const closed = this.closedHead(row);
    const anchored = this.anchors.headOf(row.id);
    const heads = [row, closed, anchored].filter((head) => head !== undefined);
    const { breaks, open } = checkChain(sha256, firstHash(row), events, heads);
    const others: number[] = [];
    if (row.seal && this.sealBroken(row, kits)) others.push(0);
    if (row.closing && !closed) others.push(events.length);
    for (const { seq, event } of events)
      if (event.type === 'photoKept' && photos.get(event.photo) !== event.sha256) others.push(seq);
    if (others.length === 0) return { breaks, open, sealed: Boolean(row.seal) };
    const acknowledged = new Set(
      events.flatMap(({ event }) => (event.type === 'breakAcknowledged' ? event.breaks : [])),
    );
    const sorted = (list: number[]) => [...new Set(list)].sort((a, b) => a - b);
    return {
      breaks: sorted([...breaks, ...others]),
      open: sorted([...open, ...others.filter((at) => !acknowledged.has(at))]),
      sealed: Boolean(row.seal),
    };
  }

  private sealBroken(row: JobEntity, kits: readonly PinnedDocument[]): boolean {
    try {
      const seal = readSeal(row.seal ?? '');
      const now = {
        job: { id: row.id, number: row.number, odometerKm: row.odometerKm ?? undefined },
        shop: { name: seal.shop.name, ...row.passRule },
        vehicle: row.vehicle,
        salt: row.personalSalt ?? undefined,
        kits: kits.map(({ prefix, id, revision, side, stored }) => ({ prefix, id, revision, side, document: stored })),
        openedWith: openedWith(row),
        answers: row.answers,
      };
      return sealFaults(sha256, seal, now).length > 0;
    } catch {
      // Not a seal any more: it was altered.
      return true;
    }
  }
}
