import { randomUUID } from 'node:crypto';
import { type KitFileFault, readKit } from '#contract/read-kit.ts';
import type { StoredVehicle } from '#contract/vehicle.ts';
import { vehicleFaultText } from '#contract/wording/vehicle-text.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { type Vehicle, type VehicleFault, vehicleFaults } from '#core/vehicle/vehicle.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import { canonicalJson } from '../store/hash-chain.ts';

export type VehicleError =
  | { code: 'vehicleFaulty'; faults: Array<{ path: string; message: string }> }
  | { code: 'unknownVehicle' }
  | { code: 'vehicleChanged'; current: StoredVehicle };

export type ImportError = { code: 'kitFaulty'; faults: KitFileFault[] } | { code: 'kitRevisionExists'; detail: string };

export class CatalogService {
  constructor(
    private readonly catalog: CatalogRepository,
    private readonly now: () => number = Date.now,
  ) {}

  vehicles(shopId: string): Promise<Vehicle[]> {
    return this.catalog.vehicles(shopId);
  }

  vehicle(shopId: string, id: string): Promise<StoredVehicle | undefined> {
    return this.catalog.vehicle(shopId, id);
  }

  private faultsOf(vehicle: Vehicle): VehicleError | undefined {
    const faults = vehicleFaults(vehicle, new Date(this.now()).getUTCFullYear());
    const place = (fault: VehicleFault) =>
      'field' in fault ? fault.field : fault.code === 'yearImpossible' ? 'modelYear' : 'odometerKm';
    return faults.length > 0
      ? {
          code: 'vehicleFaulty',
          faults: faults.map((fault) => ({ path: place(fault), message: vehicleFaultText(fault) })),
        }
      : undefined;
  }

  async addVehicle(shopId: string, input: Vehicle): Promise<Result<StoredVehicle, VehicleError>> {
    const vehicle = { ...input, id: randomUUID() };
    const faulty = this.faultsOf(vehicle);
    if (faulty) return fail(faulty);
    await this.catalog.addVehicle(shopId, vehicle);
    return ok({ vehicle, version: 1 });
  }

  /** Saves a vehicle over the version it was read at; a doubtful VIN or rating is kept, an impossible year is not. */
  async saveVehicle(shopId: string, vehicle: Vehicle, version: number): Promise<Result<StoredVehicle, VehicleError>> {
    const faulty = this.faultsOf(vehicle);
    if (faulty) return fail(faulty);
    if (await this.catalog.saveVehicle(shopId, vehicle, version)) return ok({ vehicle, version: version + 1 });
    const current = await this.catalog.vehicle(shopId, vehicle.id);
    return fail(current ? { code: 'vehicleChanged', current } : { code: 'unknownVehicle' });
  }

  /** Takes a released revision back: it stays where jobs pin it, and no new job begins with it. */
  async withdrawKit(shopId: string, id: string, revision: number, because: string): Promise<boolean> {
    return this.catalog.withdraw(shopId, id, revision, because, this.now());
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
