import type { VehicleCard } from '#contract/job.ts';
import { type KitFileFault, readKit } from '#contract/read-kit.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import { canonicalJson } from '../store/hash-chain.ts';

export type ImportError = { code: 'kitFaulty'; faults: KitFileFault[] } | { code: 'kitRevisionExists'; detail: string };

export class CatalogService {
  constructor(
    private readonly catalog: CatalogRepository,
    private readonly now: () => number = Date.now,
  ) {}

  vehicles(shopId: string): Promise<VehicleCard[]> {
    return this.catalog.vehicles(shopId);
  }

  wrenches(shopId: string): Promise<Wrench[]> {
    return this.catalog.wrenches(shopId);
  }

  kits(shopId: string): Promise<KitDocument[]> {
    return this.catalog.kits(shopId);
  }

  kit(shopId: string, id: string, revision?: number): Promise<KitDocument | undefined> {
    return this.catalog.kit(shopId, id, revision);
  }

  /** Adds a kit file to the library. The same file twice changes nothing; released revisions never change. */
  async importKit(
    shopId: string,
    text: string,
  ): Promise<Result<{ id: string; revision: number; added: boolean }, ImportError>> {
    const read = readKit(text);
    if (!read.ok) return read;
    const kit = read.value;
    const known = await this.catalog.kit(shopId, kit.id, kit.revision);
    if (known) {
      if (canonicalJson(known) === canonicalJson(kit)) return ok({ id: kit.id, revision: kit.revision, added: false });
      return fail({
        code: 'kitRevisionExists',
        detail: `${kit.id}, revision ${kit.revision}. Raise the revision to add it.`,
      });
    }
    await this.catalog.addKit(shopId, kit, this.now());
    return ok({ id: kit.id, revision: kit.revision, added: true });
  }
}
