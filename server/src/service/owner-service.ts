import type { OwnersChange } from '#contract/owner.ts';
import type { PastVisit } from '#contract/vehicle.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { isSameName, type Owner, ownersOf } from '#core/vehicle/owners.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { JobService } from './job-service.ts';

/** All that the shop holds of an owner, as they are given it on their wish. */
export interface OwnersData {
  format: 'wrenchman-owner';
  madeAt: string;
  owner: string;
  vehicles: Array<Vehicle & { visits: PastVisit[] }>;
}

/** The owners of a shop's vehicles: merged where they are one, given what is held of them, forgotten on their wish. */
export class OwnerService {
  constructor(
    private readonly catalog: CatalogRepository,
    private readonly jobs: JobService,
    private readonly now: () => number = Date.now,
  ) {}

  private async ownerOf(shopId: string, name: string): Promise<{ owner: Owner; vehicles: Vehicle[] } | undefined> {
    const all = await this.catalog.vehicles(shopId);
    const owner = ownersOf(all).find((entry) => isSameName(entry.name, name));
    if (!owner) return undefined;
    const ids = new Set(owner.vehicles.map(({ id }) => id));
    return { owner, vehicles: all.filter(({ id }) => ids.has(id)) };
  }

  /**
   * Gives vehicles their owner, all or none. Records keep the owner as they were made.
   *
   * @returns who each was before, so that it can be taken back
   */
  change(shopId: string, { vehicles }: OwnersChange): Promise<Result<OwnersChange, { code: 'unknownVehicle' }>> {
    return this.catalog
      .changeOwners(shopId, vehicles)
      .then((before) => (before ? ok({ vehicles: before }) : fail({ code: 'unknownVehicle' })));
  }

  async export(shopId: string, name: string): Promise<OwnersData | undefined> {
    const found = await this.ownerOf(shopId, name);
    if (!found) return undefined;
    return {
      format: 'wrenchman-owner',
      madeAt: new Date(this.now()).toISOString(),
      owner: found.owner.name,
      vehicles: await Promise.all(
        found.vehicles.map(async (vehicle) => ({ ...vehicle, visits: await this.jobs.history(shopId, vehicle.id) })),
      ),
    };
  }

  /** Takes the owner out of every vehicle of theirs and every record. @returns of how many; undefined where there is none */
  async erase(shopId: string, name: string): Promise<number | undefined> {
    const found = await this.ownerOf(shopId, name);
    if (!found) return undefined;
    for (const { id } of found.vehicles) await this.jobs.erasePersonal(shopId, id);
    return found.vehicles.length;
  }
}
