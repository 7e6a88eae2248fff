import { mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { canonicalJson } from '#core/record/canonical-json.ts';
import type { KnownHead } from '#core/record/chain.ts';
import type { Anchor, SignedText } from '#core/record/seal.ts';
import { sha256 } from '../store/hash-chain.ts';
import { isSigned, type ShopKey } from './shop-key.ts';

const NAME = /^anchor-\d{4}-\d{2}-\d{2}T\d{6}\.json$/;

/** What the anchors say, and what is wrong with them. */
export interface AnchoredHeads {
  heads: ReadonlyMap<string, KnownHead>;
  faults: string[];
  lastAtMs?: number;
}

/**
 * The heads of the shop's jobs, day by day, in signed files that lie outside the database: a record whose end was cut off
 * there, or that was written anew from some point on, is found by them.
 */
export class Anchors {
  private readonly heads = new Map<string, KnownHead>();
  private readonly faults: string[] = [];
  private previous?: string;
  private lastAtMs?: number;

  constructor(
    private readonly folder: string,
    private readonly key: ShopKey,
  ) {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    for (const name of readdirSync(folder)
      .filter((entry) => NAME.test(entry))
      .sort())
      this.take(name);
  }

  private take(name: string): void {
    const text = readFileSync(join(this.folder, name), 'utf8');
    try {
      const signed = JSON.parse(text) as SignedText;
      if (!isSigned(signed) || !this.key.isOurs(signed.key)) throw new Error('is not signed by the shop’s key');
      const anchor = JSON.parse(signed.text) as Anchor;
      if (anchor.previous !== this.previous) this.faults.push(`${name} does not follow on the one before it`);
      for (const { job, seq, hash } of anchor.heads) this.heads.set(job, { seq, hash });
      this.lastAtMs = anchor.atMs;
    } catch (error) {
      this.faults.push(`${name} ${(error as Error).message}`);
    }
    this.previous = sha256(text);
  }

  read(): AnchoredHeads {
    return { heads: this.heads, faults: this.faults, lastAtMs: this.lastAtMs };
  }

  headOf(job: string): KnownHead | undefined {
    return this.heads.get(job);
  }

  /** Writes the heads that moved since the last anchor. @returns how many did */
  write(heads: ReadonlyArray<{ job: string; seq: number; hash: string }>, atMs: number): number {
    const moved = heads.filter(({ job, hash }) => this.heads.get(job)?.hash !== hash);
    const anchor: Anchor = { format: 'wrenchman-anchor', version: 1, atMs, previous: this.previous, heads: moved };
    const text = `${JSON.stringify(this.key.sign(canonicalJson(anchor)))}\n`;
    const name = `anchor-${new Date(atMs).toISOString().slice(0, 19).replaceAll(':', '')}.json`;
    const path = join(this.folder, name);
    // Whole or not at all.
    writeFileSync(`${path}.partial`, text, { mode: 0o600 });
    renameSync(`${path}.partial`, path);
    for (const { job, seq, hash } of moved) this.heads.set(job, { seq, hash });
    this.previous = sha256(text);
    this.lastAtMs = atMs;
    return moved.length;
  }
}
